// Package backup takes everything out of the database and puts it back: as one file of PostgreSQL's own, with all history, or as a folder
// of open files that any program can read.
package backup

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"os"
	"os/exec"
	"path/filepath"
	"strings"

	"github.com/jackc/pgx/v5"
)

// sum is the ending of the file beside a backup that holds its checksum.
const sum = ".sha256"

// Dump writes the whole database to a file in pg_dump's custom format, with its SHA-256 beside it. A file that is there is not overwritten;
// one that is there afterwards is whole. Bin is the folder of PostgreSQL's programs.
func Dump(ctx context.Context, bin, url, file string) error {
	if _, err := os.Lstat(file); !errors.Is(err, fs.ErrNotExist) {
		return fmt.Errorf("%s is there already; give another name", file)
	}
	part, err := os.CreateTemp(filepath.Dir(file), ".backup-*")
	if err != nil {
		return err
	}
	defer os.Remove(part.Name())
	part.Close()
	if err := run(ctx, filepath.Join(bin, "pg_dump"), "--format=custom", "--no-owner", "--no-privileges", "--file="+part.Name(),
		"--dbname="+url); err != nil {
		return err
	}
	digest, err := checksum(part.Name())
	if err != nil {
		return err
	}
	line := digest + "  " + filepath.Base(file) + "\n"
	if err := os.WriteFile(file+sum, []byte(line), 0o600); err != nil {
		return err
	}
	if err := os.Link(part.Name(), file); err != nil { // fails where a rename would overwrite
		return err
	}
	return flush(file, file+sum, filepath.Dir(file))
}

// Restore puts a file that Dump wrote into a database that is empty, all or nothing. A file that is not what its checksum says is refused.
func Restore(ctx context.Context, bin, url, file string) error {
	digest, err := checksum(file)
	if err != nil {
		return err
	}
	switch said, err := os.ReadFile(file + sum); {
	case errors.Is(err, fs.ErrNotExist):
		return fmt.Errorf("%s is missing: without its checksum nobody knows whether the backup is whole. Make it with sha256sum if you are sure",
			file+sum)
	case err != nil:
		return err
	case !strings.HasPrefix(string(said), digest+" "):
		return fmt.Errorf("%s is damaged: its checksum is another than in %s", file, file+sum)
	}
	conn, err := pgx.Connect(ctx, url)
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	var tables int
	if err := conn.QueryRow(ctx, "select count(*) from information_schema.tables where table_schema = 'public'").Scan(&tables); err != nil {
		return err
	}
	if tables > 0 {
		return errors.New("the database is not empty, and nothing in it is overwritten: restore into a new one")
	}
	return run(ctx, filepath.Join(bin, "pg_restore"), "--single-transaction", "--exit-on-error", "--no-owner", "--no-privileges",
		"--dbname="+url, file)
}

func checksum(file string) (string, error) {
	f, err := os.Open(file)
	if err != nil {
		return "", err
	}
	defer f.Close()
	h := sha256.New()
	if _, err := io.Copy(h, f); err != nil {
		return "", err
	}
	return hex.EncodeToString(h.Sum(nil)), nil
}

// flush makes sure that files, and the folder that names them, are on the disk.
func flush(paths ...string) error {
	var all error
	for _, p := range paths {
		f, err := os.Open(p)
		if err != nil {
			return err
		}
		all = errors.Join(all, f.Sync(), f.Close())
	}
	return all
}

func run(ctx context.Context, name string, args ...string) error {
	out, err := exec.CommandContext(ctx, name, args...).CombinedOutput()
	if err != nil {
		return fmt.Errorf("%s: %w: %s", filepath.Base(name), err, strings.TrimSpace(string(out)))
	}
	return nil
}
