package localpg

import (
	"crypto/sha256"
	"encoding/hex"
	"os"
	"path/filepath"
	"strconv"
)

// Folders lists where a cluster for the given folder may live: in it, or, when the account that runs the server cannot
// enter it, in a folder of its own under /var/tmp that is found again from the same place.
func Folders(dir string) []string {
	abs, err := filepath.Abs(dir)
	if err != nil {
		abs = dir
	}
	sum := sha256.Sum256([]byte(abs))
	return []string{
		filepath.Join(abs, "postgres"),
		filepath.Join("/var/tmp", "dialarc-"+hex.EncodeToString(sum[:6])+"-"+strconv.Itoa(os.Geteuid())),
	}
}
