package main

import (
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"os"
	"os/signal"
	"reflect"
	"syscall"
	"time"

	"dialarc/core/plan"
	"dialarc/core/session"
	"dialarc/core/setup"
	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
	"dialarc/internal/localpg"
	"dialarc/internal/store"
	"dialarc/internal/webui"

	"github.com/spf13/pflag"
)

// demoAddr is where the demo looks for a free port first.
const demoAddr = "127.0.0.1:4380"

func runServe(args []string, out io.Writer) error {
	var addr string
	door, devices := &door{}, &devices{}
	if _, err := options("serve", args, "nothing beside its options", 0, 0, func(f *pflag.FlagSet) {
		f.StringVar(&addr, "addr", demoAddr, "host and port to listen on")
		door.options(f)
		devices.options(f)
	}); err != nil {
		return err
	}
	url := os.Getenv("DATABASE_URL")
	if url == "" {
		return errors.New("DATABASE_URL is not set; dialarc demo brings a database of its own")
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
	defer stop()
	listener, err := door.listen(addr, out)
	if err != nil {
		return err
	}
	return serve(ctx, out, listener, door, devices, url, false)
}

func runDemo(args []string, out io.Writer) (err error) {
	var addr, dir string
	var simulated bool
	door, devices := &door{}, &devices{}
	if _, err := options("demo", args, "nothing beside its options", 0, 0, func(f *pflag.FlagSet) {
		f.StringVar(&addr, "addr", "", "host and port to listen on; unless given, the first free port from "+demoAddr+" on")
		f.StringVar(&dir, "data", ".dialarc", "folder of the database")
		f.BoolVar(&simulated, "simulated", true, "start simulated measuring devices")
		door.options(f)
		devices.options(f)
	}); err != nil {
		return err
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
	defer stop()
	url := os.Getenv("DATABASE_URL")
	if url == "" {
		home, err := localpg.Home(dir)
		if err != nil {
			return err
		}
		server, err := localpg.Start(ctx, localpg.Options{Dir: home})
		if err != nil {
			return err
		}
		defer func() { err = errors.Join(err, server.Stop()) }()
		fmt.Fprintln(out, "The database is in", server.Dir)
		url = server.URL
	}
	listener, err := door.listen(addr, out)
	if err != nil {
		return err
	}
	if simulated {
		stop, err := devices.simulate(ctx)
		if err != nil {
			return err
		}
		defer stop()
	}
	return serve(ctx, out, listener, door, devices, url, true)
}

// shutdown is how long requests under way may take when the program is told to end; a second signal ends it at once.
const shutdown = 10 * time.Second

// serve answers requests until the context ends, then lets the running ones finish.
func serve(ctx context.Context, out io.Writer, listener net.Listener, door *door, devices *devices, url string, withDemo bool) error {
	defer listener.Close()
	httpapi.LimitMemory(os.Getenv("GOMEMLIMIT"))
	st, coach, err := store.OpenFor(ctx, url, demo.CoachName)
	if err != nil {
		return err
	}
	defer st.Close()
	api := &httpapi.Server{Store: st, Coach: coach, Ending: ctx.Done(), Devices: devices.list}
	if withDemo {
		if err := demo.Load(ctx, st, coach); err != nil {
			return err
		}
		if err := demo.Train(ctx, api.Handler(), time.Now()); err != nil {
			return err
		}
	}
	go thinDaily(ctx, st)
	if withDemo && devices.simulated {
		go func() { // it takes some seconds, which nobody has to wait for
			if err := demo.Study(ctx, st, coach, time.Now()); err != nil && ctx.Err() == nil {
				slog.Warn("the demo's study is missing", "error", err)
			}
		}()
	}
	mux := http.NewServeMux()
	mux.Handle("/api/", api.Handler())
	mux.Handle("/", webui.Handler(devices.origins()...))
	log := slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: door.level()}))
	watched := httpapi.Watch(mux, log, func(ctx context.Context) error { return st.Writable(ctx, coach.ID) })
	server := &http.Server{Handler: httpapi.Guard(watched, door.hosts...), ReadHeaderTimeout: 10 * time.Second, ReadTimeout: 30 * time.Second,
		WriteTimeout: time.Minute, IdleTimeout: 2 * time.Minute}
	finished := make(chan error, 1)
	go func() {
		<-ctx.Done()
		wait, cancel := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
		defer cancel()
		wait, stop := context.WithTimeout(wait, shutdown)
		defer stop()
		if err := server.Shutdown(wait); err != nil {
			slog.Warn("some requests were cut off", "error", err)
			server.Close()
		}
		finished <- nil
	}()
	fmt.Fprintf(out, "\nDial Arc is ready: http://%s\nCtrl-C stops it; what was saved stays.\n", listener.Addr())
	if err := server.Serve(listener); !errors.Is(err, http.ErrServerClosed) {
		return err
	}
	return <-finished
}

// thinDaily thins the history at once and then every day, until the context ends.
func thinDaily(ctx context.Context, st *store.Store) {
	day := time.NewTicker(24 * time.Hour)
	defer day.Stop()
	for {
		if gone, err := st.Thin(ctx); err != nil && ctx.Err() == nil {
			slog.Warn("the history could not be thinned", "error", err)
		} else if gone > 0 {
			slog.Info("the history was thinned", "states", gone)
		}
		select {
		case <-ctx.Done():
			return
		case <-day.C:
		}
	}
}

func runMigrate(out io.Writer) error {
	url := os.Getenv("DATABASE_URL")
	if url == "" {
		return errors.New("DATABASE_URL is not set")
	}
	ctx := context.Background()
	st, err := store.Open(ctx, url)
	if err != nil {
		return err
	}
	defer st.Close()
	if err := st.Migrate(ctx); err != nil {
		return err
	}
	fmt.Fprintln(out, "The database is at the newest version.")
	return nil
}

func runOpenAPI(out io.Writer) error { return printJSON(out, httpapi.OpenAPI()) }

// described are the documents that have a JSON Schema, by what they are called.
var described = map[string]struct {
	of reflect.Type
	id string
}{"setup": {reflect.TypeFor[setup.Document](), setup.Schema}, "block": {reflect.TypeFor[plan.Block](), plan.Schema},
	"session": {reflect.TypeFor[session.Session](), session.Schema}}

func runSchema(args []string, out io.Writer) error {
	flags, err := options("schema", args, "one kind of document", 0, 1, nil)
	if err != nil {
		return err
	}
	kind := cmp.Or(flags.Arg(0), "setup")
	d, known := described[kind]
	if !known {
		return fmt.Errorf("there is no schema of a %q: give setup, block or session", kind)
	}
	schema, err := httpapi.JSONSchema(d.of, d.id)
	if err != nil {
		return err
	}
	var indented any
	if err := json.Unmarshal(schema, &indented); err != nil {
		return err
	}
	return printJSON(out, indented)
}
