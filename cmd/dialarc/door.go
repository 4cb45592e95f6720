package main

import (
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"strconv"

	"github.com/spf13/pflag"
)

// door is where the program may be called, and under which names.
type door struct {
	hosts []string
	open  bool
	log   bool
}

// options are those that a door is opened by.
func (d *door) options(flags *pflag.FlagSet) {
	flags.Func("host", "a name, beside those of this machine itself, under which the program is called; may be given several times",
		func(name string) error {
			if name == "" {
				return errors.New("give a name, like bench.example")
			}
			d.hosts = append(d.hosts, name)
			return nil
		})
	flags.BoolVar(&d.open, "open", false, "listen beyond this machine although there are no accounts: everybody who reaches the address can read and change everything")
	flags.BoolVar(&d.log, "log", false, "note every request in the log, not only those that failed; without ids, names or addresses")
}

// level is from where on things are noted in the log.
func (d *door) level() slog.Level {
	if d.log {
		return slog.LevelInfo
	}
	return slog.LevelWarn
}

// listen takes the address, or the first free port of the usual one when none is asked for.
func (d *door) listen(addr string, out io.Writer) (net.Listener, error) {
	if addr == "" {
		return firstFree()
	}
	host, _, err := net.SplitHostPort(addr)
	if err != nil {
		return nil, fmt.Errorf("--addr %s: give host and port, like %s", addr, demoAddr)
	}
	if ip := net.ParseIP(host); host != "localhost" && (ip == nil || !ip.IsLoopback()) {
		if !d.open {
			return nil, fmt.Errorf("%s is reached from beyond this machine, and there are no accounts yet: everybody could read and change everything. Listen on %s, or say --open", addr, demoAddr)
		}
		if ip != nil && !ip.IsUnspecified() {
			d.hosts = append(d.hosts, host)
		}
		fmt.Fprintf(out, "Warning: everybody who reaches %s can read and change everything.\n", addr)
	}
	return net.Listen("tcp", addr)
}

func firstFree() (net.Listener, error) {
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
