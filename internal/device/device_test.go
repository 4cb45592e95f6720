package device_test

import (
	"context"
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"dialarc/internal/device"
	"dialarc/internal/simulate"

	"github.com/coder/websocket"
)

// connect is a page that is connected to a simulated load cell at fifty times its pace.
func connect(t *testing.T, fault, origin string) (*websocket.Conn, error) {
	t.Helper()
	server := httptest.NewServer(device.Handler(func() device.Device {
		d, err := simulate.New(simulate.Options{Kind: "loadcell", Fault: fault, Seed: 3})
		if err != nil {
			t.Error(err)
		}
		return d
	}, 50))
	t.Cleanup(server.Close)
	ctx, cancel := context.WithTimeout(t.Context(), 20*time.Second)
	t.Cleanup(cancel)
	c, _, err := websocket.Dial(ctx, strings.Replace(server.URL, "http", "ws", 1), &websocket.DialOptions{HTTPHeader: http.Header{"Origin": {origin}}})
	return c, err
}

func next(t *testing.T, c *websocket.Conn) (device.Message, bool) {
	t.Helper()
	var m device.Message
	_, raw, err := c.Read(t.Context())
	if err != nil {
		return m, false
	}
	if err := json.Unmarshal(raw, &m); err != nil {
		t.Fatalf("%s: %v", raw, err)
	}
	return m, true
}

func say(t *testing.T, c *websocket.Conn, text string) {
	t.Helper()
	if err := c.Write(t.Context(), websocket.MessageText, []byte(text)); err != nil {
		t.Fatal(err)
	}
}

// A device says what it is, sends nothing before it is started, then rows in the order of time, and takes off what it reads when told to.
func TestProtocol(t *testing.T) {
	c, err := connect(t, "", "http://127.0.0.1:4380")
	if err != nil {
		t.Fatal(err)
	}
	defer c.CloseNow()
	m, _ := next(t, c)
	if m.Hello == nil || m.Hello.Protocol != "dialarc.device/1" || m.Hello.Channels[0] != (device.Channel{Key: "force", Unit: "N", Rate: 50}) {
		t.Fatalf("%+v", m.Hello)
	}
	say(t, c, `{"do":"fly"}`)
	if m, _ := next(t, c); !strings.Contains(m.Failed, "fly") {
		t.Errorf("%+v", m)
	}
	say(t, c, `{"do":"start"}`)
	if m, _ := next(t, c); m.Event == nil || m.Event.What != "started" {
		t.Errorf("%+v", m)
	}
	rows, at := 0, -1.0
	for rows < 300 {
		m, ok := next(t, c)
		if !ok || m.Block == nil {
			t.Fatalf("%+v", m)
		}
		if m.Block.T <= at {
			t.Errorf("%v s comes after %v s", m.Block.T, at)
		}
		at, rows = m.Block.T, rows+len(m.Block.V)
	}
	if want := float64(rows) / 50; at > want || at < want-10 {
		t.Errorf("%d rows of 50 a second end in a block from %v s on", rows, at)
	}
	say(t, c, `{"do":"tare"}`)
	say(t, c, `{"do":"stop"}`)
	var seen []string
	for len(seen) < 2 {
		m, ok := next(t, c)
		if !ok {
			t.Fatal("it went away")
		}
		if m.Event != nil {
			seen = append(seen, m.Event.What)
		}
	}
	if seen[0] != "tared" || seen[1] != "stopped" {
		t.Error(seen)
	}
}

// A device that goes away ends the connection; a page of another place gets none.
func TestGoneAndForeign(t *testing.T) {
	c, err := connect(t, "disconnect", "http://localhost:4380")
	if err != nil {
		t.Fatal(err)
	}
	defer c.CloseNow()
	say(t, c, `{"do":"start"}`)
	rows := 0
	for {
		m, ok := next(t, c)
		if !ok {
			break
		}
		if m.Block != nil {
			rows += len(m.Block.V)
		}
	}
	if rows == 0 || rows > 6*50+200 {
		t.Errorf("%d rows before it went", rows)
	}
	if c, err := connect(t, "", "https://elsewhere.example"); err == nil {
		c.CloseNow()
		t.Error("a page of another place is connected")
	}
}
