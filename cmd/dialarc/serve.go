package main

import (
	"context"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"os"
	"os/signal"
	"reflect"
	"strconv"
	"syscall"
	"time"

	"dialarc/core/setup"
	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
	"dialarc/internal/localpg"
	"dialarc/internal/store"
	"dialarc/internal/webui"
)

// demoAddr is where the demo looks for a free port first.
const demoAddr = "127.0.0.1:4380"

func runServe(args []string, out io.Writer) error {
	flags := flag.NewFlagSet("serve", flag.ContinueOnError)
	addr := flags.String("addr", "127.0.0.1:4380", "host and port to listen on")
	if err := flags.Parse(args); err != nil {
		return err
	}
	url := os.Getenv("DATABASE_URL")
	if url == "" {
		return errors.New("DATABASE_URL is not set; dialarc demo brings a database of its own")
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
	defer stop()
	listener, err := net.Listen("tcp", *addr)
	if err != nil {
		return err
	}
	return serve(ctx, out, listener, url, false)
}

func runDemo(args []string, out io.Writer) (err error) {
	flags := flag.NewFlagSet("demo", flag.ContinueOnError)
	addr := flags.String("addr", "", "host and port to listen on; unless given, the first free port from "+demoAddr+" on")
	dir := flags.String("data", ".dialarc", "folder for the demo's database")
	if err := flags.Parse(args); err != nil {
		return err
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
	defer stop()
	url := os.Getenv("DATABASE_URL")
	if url == "" {
		home, err := localpg.Home(*dir)
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
	listener, err := listen(*addr)
	if err != nil {
		return err
	}
	return serve(ctx, out, listener, url, true)
}

// listen takes the address, or the first free port when none is asked for.
func listen(addr string) (net.Listener, error) {
	if addr != "" {
		return net.Listen("tcp", addr)
	}
	host, first, _ := net.SplitHostPort(demoAddr)
	port, _ := strconv.Atoi(first)
	var last error
	for i := range 50 {
		l, err := net.Listen("tcp", net.JoinHostPort(host, strconv.Itoa(port+i)))
		if err == nil {
			return l, nil
		}
		last = err
	}
	return nil, last
}

// serve answers requests until the context ends, then lets the running ones finish.
func serve(ctx context.Context, out io.Writer, listener net.Listener, url string, withDemo bool) error {
	defer listener.Close()
	st, err := store.Open(ctx, url)
	if err != nil {
		return err
	}
	defer st.Close()
	if err := st.Migrate(ctx); err != nil {
		return err
	}
	coach, err := st.FirstCoach(ctx, demo.CoachName)
	if err != nil {
		return err
	}
	if withDemo {
		if err := demo.Load(ctx, st, coach); err != nil {
			return err
		}
	}
	api := &httpapi.Server{Store: st, Coach: coach}
	engine := api.Handler()
	page := webui.Handler()
	mux := http.NewServeMux()
	mux.Handle("/api/", engine)
	mux.Handle("/", page)
	server := &http.Server{Handler: mux, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: 30 * time.Second, IdleTimeout: 2 * time.Minute}
	go func() {
		<-ctx.Done()
		wait, cancel := context.WithTimeout(context.Background(), 5*time.Second)
		defer cancel()
		if err := server.Shutdown(wait); err != nil {
			slog.Warn("some requests were cut off", "error", err)
		}
	}()
	fmt.Fprintf(out, "\nDial Arc is ready: http://%s\nCtrl-C stops it; what was saved stays.\n", listener.Addr())
	if err := server.Serve(listener); !errors.Is(err, http.ErrServerClosed) {
		return err
	}
	return nil
}

func runMigrate(_ []string, out io.Writer) error {
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

func runOpenAPI(_ []string, out io.Writer) error { return printJSON(out, httpapi.OpenAPI()) }

func runSchema(_ []string, out io.Writer) error {
	schema, err := httpapi.JSONSchema(reflect.TypeFor[setup.Document](), "dialarc.setup/1")
	if err != nil {
		return err
	}
	var indented any
	if err := json.Unmarshal(schema, &indented); err != nil {
		return err
	}
	return printJSON(out, indented)
}
