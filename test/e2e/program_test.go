// Package e2e holds journeys through the running program: the real binary, the real database, a real browser.
package e2e

import (
	"bufio"
	"errors"
	"net"
	"os"
	"os/exec"
	"strings"
	"syscall"
	"testing"
	"time"

	"dialarc/internal/localpg"
	"dialarc/test/browser"
)

var (
	database *localpg.Testing
	browsers browser.Pool
)

func TestMain(m *testing.M) {
	code := localpg.RunTests(m, &database)
	browsers.Close()
	os.Exit(code)
}

const binary = "../../bin/dialarc"

// program is a running server that can be stopped and started again at the same address.
type program struct {
	t        *testing.T
	database string
	addr     string
	cmd      *exec.Cmd
	options  []string // beside the usual
}

// startProgram starts a program with a database of its own that holds the demo, so that the journey can run beside others.
func startProgram(t *testing.T, options ...string) *program {
	t.Helper()
	t.Parallel()
	// A free port, kept over restarts.
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	l.Close()
	p := &program{t: t, addr: l.Addr().String(), options: options}
	p.database = database.Filled(t, p.fill)
	p.start()
	t.Cleanup(p.stop)
	return p
}

// fill lets a program fill a database with the demo, and stops it.
func (p *program) fill(url string) error {
	p.database = url
	p.start()
	p.stop()
	return nil
}

func (p *program) start() {
	p.t.Helper()
	p.cmd = exec.Command(binary, append([]string{"demo", "--simulated=false", "--addr", p.addr}, p.options...)...)
	p.cmd.Env = append(os.Environ(), "DATABASE_URL="+p.database)
	p.cmd.Stderr = os.Stderr
	out, err := p.cmd.StdoutPipe()
	if err != nil {
		p.t.Fatal(err)
	}
	if err := p.cmd.Start(); err != nil {
		p.t.Fatalf("%v (make build makes the program)", err)
	}
	ready := make(chan bool, 1)
	go func() {
		lines := bufio.NewScanner(out)
		for lines.Scan() {
			if strings.Contains(lines.Text(), "Dial Arc is ready: http://"+p.addr) {
				ready <- true
			}
		}
		close(ready)
	}()
	select {
	case ok := <-ready:
		if !ok {
			p.t.Fatal("the program ended before it was ready")
		}
	case <-time.After(time.Minute):
		p.t.Fatal("the program was not ready within a minute")
	}
}

// stop ends the program as Ctrl-C does, and wants it to end well.
func (p *program) stop() {
	if p.cmd == nil {
		return
	}
	cmd := p.cmd
	p.cmd = nil
	if err := cmd.Process.Signal(syscall.SIGINT); err != nil {
		p.t.Errorf("stopping: %v", err)
	}
	if err := cmd.Wait(); err != nil {
		var exit *exec.ExitError
		if errors.As(err, &exit) {
			p.t.Errorf("after Ctrl-C the program ended with %v", exit)
		}
	}
}

func (p *program) url(path string) string { return "http://" + p.addr + path }
