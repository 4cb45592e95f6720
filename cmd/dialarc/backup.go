package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"os/signal"
	"syscall"

	"dialarc/internal/backup"
	"dialarc/internal/demo"
	"dialarc/internal/localpg"
	"dialarc/internal/store"

	"github.com/spf13/pflag"
)

// withDatabase runs something on the database named by DATABASE_URL, or on the one in the folder of data, which is started unless it
// runs already. Name is what the command takes beside its options.
func withDatabase(command, name string, args []string, do func(ctx context.Context, url, what string) error) (err error) {
	var dir string
	flags, err := options(command, args, "one "+name, 1, 1, func(f *pflag.FlagSet) {
		f.StringVar(&dir, "data", ".dialarc", "folder of the database, unless DATABASE_URL names one")
	})
	if err != nil {
		return err
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
	defer stop()
	if url := os.Getenv("DATABASE_URL"); url != "" {
		return do(ctx, url, flags.Arg(0))
	}
	home, err := localpg.Home(dir)
	if err != nil {
		return err
	}
	server, err := localpg.Start(ctx, localpg.Options{Dir: home})
	switch {
	case errors.Is(err, localpg.ErrRunning):
		if server, err = localpg.Attach(ctx, home); err != nil {
			return err
		}
	case err != nil:
		return err
	default:
		defer func() { err = errors.Join(err, server.Stop()) }()
	}
	return do(ctx, server.URL, flags.Arg(0))
}

func runBackup(args []string, out io.Writer) error {
	return withDatabase("backup", "file", args, func(ctx context.Context, url, file string) error {
		bin, err := localpg.Binaries()
		if err != nil {
			return err
		}
		if err := backup.Dump(ctx, bin, url, file); err != nil {
			return err
		}
		_, err = fmt.Fprintln(out, "Everything, with its history, is in", file)
		return err
	})
}

func runRestore(args []string, out io.Writer) error {
	return withDatabase("restore", "file", args, func(ctx context.Context, url, file string) error {
		bin, err := localpg.Binaries()
		if err != nil {
			return err
		}
		if err := backup.Restore(ctx, bin, url, file); err != nil {
			return err
		}
		_, err = fmt.Fprintln(out, "Everything in", file, "is back.")
		return err
	})
}

func runExport(args []string, out io.Writer) error {
	return withDatabase("export", "folder", args, func(ctx context.Context, url, dir string) error {
		return onStore(ctx, url, func(st *store.Store, coach string) error {
			n, err := backup.Export(ctx, st, coach, dir)
			if err == nil {
				_, err = fmt.Fprintf(out, "%d files are in %s\n", n, dir)
			}
			return err
		})
	})
}

func runImport(args []string, out io.Writer) error {
	return withDatabase("import", "folder", args, func(ctx context.Context, url, dir string) error {
		return onStore(ctx, url, func(st *store.Store, coach string) error {
			n, err := backup.Import(ctx, st, coach, dir)
			if err == nil {
				_, err = fmt.Fprintf(out, "%d files are taken in from %s\n", n, dir)
			}
			return err
		})
	})
}

// onStore runs something on a database at the newest version, for its coach.
func onStore(ctx context.Context, url string, do func(st *store.Store, coach string) error) error {
	st, coach, err := store.OpenFor(ctx, url, demo.CoachName)
	if err != nil {
		return err
	}
	defer st.Close()
	return do(st, coach.ID)
}
