package main

import (
	"bytes"
	"context"
	"net"
	"os"
	"strings"
	"testing"
	"time"

	"dialarc/internal/simulate"

	"github.com/coder/websocket"
	"github.com/spf13/pflag"
)

// Devices are named with an address; anything else is refused before the program starts, since the page's policy is made of it.
func TestDeviceOptions(t *testing.T) {
	named := func(args ...string) (*devices, error) {
		d := &devices{}
		f := pflag.NewFlagSet("serve", pflag.ContinueOnError)
		f.SetOutput(&bytes.Buffer{})
		d.options(f)
		return d, f.Parse(args)
	}
	d, err := named("--device", "Scale=ws://127.0.0.1:4390", "--device", "Electrodes=wss://bench.example:7000/x")
	if err != nil || len(d.list) != 2 || d.list[0].Name != "Scale" || strings.Join(d.origins(), " ") != "ws://127.0.0.1:4390 wss://bench.example:7000" {
		t.Errorf("%+v %v %v", d.list, d.origins(), err)
	}
	for _, bad := range []string{"ws://127.0.0.1:1", "=ws://127.0.0.1:1", "Scale=http://127.0.0.1", "Scale=ws://", "Scale=ws://a;script-src", "Scale=ws://*"} {
		if _, err := named("--device", bad); err == nil {
			t.Errorf("%s is taken", bad)
		}
	}
}

// A simulated device tells its address, answers there, and ends with its context; what cannot be is refused with what there is.
func TestSimulateCommand(t *testing.T) {
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	ctx, stop := context.WithCancel(t.Context())
	out := &bytes.Buffer{}
	ended := make(chan error, 1)
	go func() { ended <- simulateOn(ctx, out, listener, simulate.Options{Kind: "tape"}, 10) }()
	dial, cancel := context.WithTimeout(t.Context(), 10*time.Second)
	defer cancel()
	c, _, err := websocket.Dial(dial, "ws://"+listener.Addr().String(), nil)
	if err != nil {
		t.Fatal(err)
	}
	if _, raw, err := c.Read(dial); err != nil || !strings.Contains(string(raw), `"dialarc.device/1"`) {
		t.Errorf("%s %v", raw, err)
	}
	c.CloseNow()
	stop()
	if err := <-ended; err != nil || !strings.HasPrefix(out.String(), "ws://127.0.0.1:") {
		t.Errorf("%q %v", out, err)
	}
	for says, args := range map[string][]string{"emg, encoder": {"scale"}, "lifter, band, column": {"loadcell", "--behind", "wall"},
		"drop-out": {"tape", "--fault", "lazy"}, "--speed": {"tape", "--speed", "0"}, "this machine itself": {"tape", "--addr", "0.0.0.0:1"}} {
		if err := runSimulate(args, &bytes.Buffer{}); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v: %v", args, err)
		}
	}
	if _, err := os.Executable(); err != nil {
		t.Error(err) // the demo starts devices by it
	}
}
