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

func (o *owner) own(path string) error {
	if o.credential == nil {
		return nil
	}
	return os.Chown(path, int(o.credential.Uid), int(o.credential.Gid))
}

// prepareDir makes the folder and finds out who is to own the cluster in it. It fails when that account cannot enter
// the folder, as below a home that only root may read.
func prepareDir(dir string) (*owner, error) {
	if err := os.MkdirAll(dir, 0o755); err != nil {
		return nil, err
	}
	o, err := ownerOf(dir)
	if err != nil {
		return nil, err
	}
	if err := o.own(dir); err != nil {
		return nil, err
	}
	cmd := exec.Command("/bin/sh", "-c", "cd \"$1\" && test -w .", "sh", dir)
	cmd.Dir = "/"
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: o.credential}
	if err := cmd.Run(); err != nil {
		return nil, errors.New("the account that runs the server cannot write there")
	}
	return o, nil
}

func ownerOf(dir string) (*owner, error) {
	if os.Geteuid() != 0 {
		return &owner{}, nil
	}
	// A cluster that an ordinary user made stays that user's when root comes along.
	if info, err := os.Stat(filepath.Join(dir, "data")); err == nil {
		if st, ok := info.Sys().(*syscall.Stat_t); ok && st.Uid != 0 {
			return &owner{&syscall.Credential{Uid: st.Uid, Gid: st.Gid}}, nil
		}
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
