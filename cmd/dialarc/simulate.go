package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"os/signal"
	"strings"
	"syscall"
	"time"

	"dialarc/internal/device"
	"dialarc/internal/simulate"

	"github.com/spf13/pflag"
)

func runSimulate(args []string, out io.Writer) error {
	var o simulate.Options
	var addr string
	var speed float64
	var follow bool
	flags, err := options("simulate", args, "the kind of device", 1, 1, func(f *pflag.FlagSet) {
		f.StringVar(&addr, "addr", "127.0.0.1:0", "host and port to listen on; port 0 takes a free one")
		f.StringVar(&o.Behind, "behind", "", "what it is fixed to; a load cell: lifter, band or column")
		f.StringVar(&o.Fault, "fault", "", "what goes wrong: "+strings.Join(simulate.Faults, ", "))
		f.Uint64Var(&o.Seed, "seed", 1, "from which noise and variation come")
		f.Float64Var(&speed, "speed", 1, "how many times as fast as real time")
		f.BoolVar(&follow, "until-eof", false, "end when standard input ends, as when the program that started it is gone")
	})
	if err != nil {
		return err
	}
	o.Kind = flags.Arg(0)
	if _, err := simulate.New(o); err != nil {
		return fmt.Errorf("simulate: %w", err)
	}
	if !(speed > 0 && speed <= 1000) {
		return fmt.Errorf("simulate: --speed %v: give more than 0 and at most 1000", speed)
	}
	host, _, err := net.SplitHostPort(addr)
	if ip := net.ParseIP(host); err != nil || (host != "localhost" && (ip == nil || !ip.IsLoopback())) {
		return fmt.Errorf("simulate: --addr %s: give an address of this machine itself, like 127.0.0.1:4390", addr)
	}
	listener, err := net.Listen("tcp", addr)
	if err != nil {
		return err
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
	defer stop()
	if follow {
		go func() {
			_, _ = io.Copy(io.Discard, os.Stdin) // whatever ends it
			stop()
		}()
	}
	return simulateOn(ctx, out, listener, o, speed)
}

// simulateOn serves a simulated device until the context ends.
func simulateOn(ctx context.Context, out io.Writer, listener net.Listener, o simulate.Options, speed float64) error {
	handler := device.Handler(func() device.Device {
		d, err := simulate.New(o)
		if err != nil {
			panic(err) // it was made once already
		}
		return d
	}, speed)
	server := &http.Server{Handler: handler, ReadHeaderTimeout: 5 * time.Second}
	go func() {
		<-ctx.Done()
		_ = server.Close() // connections do not end by themselves
	}()
	fmt.Fprintf(out, "ws://%s\n", listener.Addr())
	if err := server.Serve(listener); !errors.Is(err, http.ErrServerClosed) {
		return err
	}
	return nil
}
