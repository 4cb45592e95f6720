package localpg

import (
	"errors"
	"fmt"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"strconv"
	"syscall"
)

// owner is the account that the server runs as: the caller's own, or for root another one, since PostgreSQL refuses
// root.
type owner struct {
	credential *syscall.Credential // nil: as the caller
}

// own gives a file to the account; of a link the link itself, never what it points to.
func (o *owner) own(path string) error {
	if o.credential == nil {
		return nil
	}
	return os.Lchown(path, int(o.credential.Uid), int(o.credential.Gid))
}

// prepareDir makes the folder and finds out who is to own the cluster in it. It fails when that account cannot write there.
func prepareDir(dir string) (*owner, error) {
	if err := os.MkdirAll(dir, 0o755); err != nil {
		return nil, err
	}
	if err := trusted(dir); err != nil {
		return nil, err
	}
	o, err := ownerOf(dir)
	if err != nil {
		return nil, err
	}
	if err := o.own(dir); err != nil {
		return nil, err
	}
	if err := o.sh(dir, `cd "$1" && test -w .`); err != nil {
		return nil, errors.New("the account that runs the server cannot write there")
	}
	return o, nil
}

// entered says whether the account that runs root's server can enter a folder.
func entered(dir string) bool {
	o, err := serverAccount()
	return err == nil && o.sh(dir, `cd "$1"`) == nil
}

// sh runs a line of shell on a folder as the account.
func (o *owner) sh(dir, line string) error {
	cmd := exec.Command("/bin/sh", "-c", line, "sh", dir)
	cmd.Dir = "/"
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: o.credential}
	return cmd.Run()
}

func ownerOf(dir string) (*owner, error) {
	if os.Geteuid() != 0 {
		return &owner{}, nil
	}
	// A cluster that an ordinary user made stays that user's when root comes along.
	if info, err := os.Lstat(filepath.Join(dir, "data")); err == nil {
		if st, ok := info.Sys().(*syscall.Stat_t); ok && st.Uid != 0 {
			return &owner{&syscall.Credential{Uid: st.Uid, Gid: st.Gid}}, nil
		}
	}
	return serverAccount()
}

// serverAccount is the account that runs the server: for root that of Debian's package.
func serverAccount() (*owner, error) {
	if os.Geteuid() != 0 {
		return &owner{}, nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		return nil, fmt.Errorf("PostgreSQL does not run as root, and there is no account postgres: %w", err)
	}
	uid, err1 := strconv.ParseUint(u.Uid, 10, 32)
	gid, err2 := strconv.ParseUint(u.Gid, 10, 32)
	if err := errors.Join(err1, err2); err != nil {
		return nil, err
	}
	return &owner{&syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}}, nil
}
