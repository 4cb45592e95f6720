package localpg

import (
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strconv"
	"syscall"
)

// Home is the folder of the cluster that belongs to a folder of data: in it, or, when root runs the program and the account that runs the
// server cannot enter it, as below a home that only root may read, one of its own that is found again from the same place. A folder that
// holds a cluster is never left for another one: whatever is wrong with it is for somebody to see.
func Home(dir string) (string, error) {
	abs, err := filepath.Abs(dir)
	if err != nil {
		return "", err
	}
	own := filepath.Join(abs, "postgres")
	places := []string{own}
	if os.Geteuid() == 0 {
		sum := sha256.Sum256([]byte(abs))
		name := hex.EncodeToString(sum[:6])
		// The second is where earlier versions went.
		places = append(places, filepath.Join(elsewhere, name), filepath.Join("/var/tmp", "dialarc-"+name+"-"+strconv.Itoa(os.Geteuid())))
	}
	for _, p := range places {
		if holdsCluster(p) {
			if err := trusted(p); err != nil {
				return "", err
			}
			return p, nil
		}
	}
	if err := os.MkdirAll(abs, 0o755); err != nil {
		return "", err
	}
	if os.Geteuid() == 0 && !entered(abs) {
		return places[1], nil
	}
	return own, nil
}

// elsewhere is where root's clusters go that cannot be in the folder of data: a parent that only root writes.
const elsewhere = "/var/lib/dialarc"

func holdsCluster(dir string) bool {
	_, err := os.Lstat(filepath.Join(dir, "data"))
	return err == nil
}

// trusted says whether a folder is one, not a link to another, and belongs to the caller, to root or to the account that runs the server.
func trusted(dir string) error {
	info, err := os.Lstat(dir)
	if err != nil {
		return err
	}
	if !info.IsDir() {
		return fmt.Errorf("%s is no folder; move it out of the way", dir)
	}
	st, ok := info.Sys().(*syscall.Stat_t)
	if !ok {
		return errors.New("the owner of " + dir + " is not known")
	}
	uid := int(st.Uid)
	if uid == 0 || uid == os.Geteuid() {
		return nil
	}
	if os.Geteuid() == 0 && filepath.Dir(dir) != "/var/tmp" {
		return nil // an ordinary user's own, which root may use
	}
	if o, err := serverAccount(); err == nil && o.credential != nil && uid == int(o.credential.Uid) {
		return nil
	}
	return fmt.Errorf("%s belongs to another account; move it out of the way, or name another folder with --data", dir)
}
