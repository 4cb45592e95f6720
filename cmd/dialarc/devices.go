package main

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"net/url"
	"os"
	"os/exec"
	"strings"

	"dialarc/internal/httpapi"

	"github.com/spf13/pflag"
)

// devices are the measuring devices that the page is told of.
type devices struct {
	list      []httpapi.Device
	simulated bool // whether they are stood in for
}

func (d *devices) options(flags *pflag.FlagSet) {
	flags.Func("device", "a measuring device that the page may connect to, as NAME=ws://HOST:PORT; may be given several times",
		func(text string) error {
			name, address, _ := strings.Cut(text, "=")
			u, err := url.Parse(address)
			if name == "" || err != nil || (u.Scheme != "ws" && u.Scheme != "wss") || u.Host == "" || strings.ContainsAny(u.Host, "; ,'*") {
				return errors.New("give a name and an address, like Scale=ws://127.0.0.1:4390")
			}
			d.list = append(d.list, httpapi.Device{Name: name, URL: address})
			return nil
		})
}

// origins are where the page may connect to beside its own server.
func (d *devices) origins() []string {
	var out []string
	for _, x := range d.list {
		if u, err := url.Parse(x.URL); err == nil {
			out = append(out, u.Scheme+"://"+u.Host)
		}
	}
	return out
}

// simulated are the devices that the demo starts.
var simulated = []struct{ name, kind, behind string }{
	{"Load cell on a strap (simulated)", "loadcell", "lifter"},
	{"Inclinometer on the limb (simulated)", "inclinometer", "lifter"},
	{"Load cell on a band (simulated)", "loadcell", "band"},
	{"Tape along a band (simulated)", "tape", "band"},
	{"Load cell on a cable (simulated)", "loadcell", "column"},
	{"Muscle activity (simulated)", "emg", "raise"},
}

// simulate starts the simulated devices as processes of their own, which end with the context or with this program.
func (d *devices) simulate(ctx context.Context) (stop func(), err error) {
	var started []func()
	stop = func() {
		for _, f := range started {
			f()
		}
	}
	self, err := os.Executable()
	if err != nil {
		return stop, err
	}
	for i, s := range simulated {
		address, end, err := startSimulated(ctx, self, s.kind, s.behind, i+1)
		if err != nil {
			stop()
			return func() {}, fmt.Errorf("the simulated %s did not start: %w", s.kind, err)
		}
		started = append(started, end)
		d.list = append(d.list, httpapi.Device{Name: s.name, URL: address})
	}
	d.simulated = true
	return stop, nil
}

func startSimulated(ctx context.Context, self, kind, behind string, seed int) (address string, stop func(), err error) {
	c := exec.CommandContext(ctx, self, "simulate", kind, "--behind", behind, "--seed", fmt.Sprint(seed), "--until-eof")
	in, err := c.StdinPipe() // closed when this program is gone, whatever ended it
	if err != nil {
		return "", nil, err
	}
	out, err := c.StdoutPipe()
	if err != nil {
		return "", nil, err
	}
	if err := c.Start(); err != nil {
		return "", nil, err
	}
	stop = func() { _ = in.Close(); _ = c.Wait() }
	line, err := bufio.NewReader(out).ReadString('\n')
	if err != nil {
		stop()
		return "", nil, err
	}
	return strings.TrimSpace(line), stop, nil
}
