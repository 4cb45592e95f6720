// Package device serves a measuring device to the page: the protocol dialarc.device/1, JSON messages over a WebSocket. docs/formats.md
// describes it, so that a bridge for a real device can be written in any language.
package device

import (
	"context"
	"encoding/json"
	"net/http"
	"time"

	"github.com/coder/websocket"
)

// Protocol names the version that is spoken here.
const Protocol = "dialarc.device/1"

// Channel is one quantity that a device sends.
type Channel struct {
	Key  string  `json:"key"`  // like force
	Unit string  `json:"unit"` // like N
	Rate float64 `json:"rate"` // samples a second
}

// Hello is the first message of a device.
type Hello struct {
	Protocol string    `json:"protocol"`
	Name     string    `json:"name"`
	Channels []Channel `json:"channels"`
}

// Block is some samples: a row for each, a number for each channel, from a time on at the channels' rate. Times are s since start; a device
// whose samples come unevenly sends blocks of one row.
type Block struct {
	T float64     `json:"t"`
	V [][]float64 `json:"v"`
}

// Event is something that happened at a time.
type Event struct {
	T    float64 `json:"t"`
	What string  `json:"what"`
}

// Message is what a device sends: one of its parts is set.
type Message struct {
	Hello  *Hello `json:"hello,omitempty"`
	Block  *Block `json:"s,omitempty"`
	Event  *Event `json:"event,omitempty"`
	Failed string `json:"failed,omitempty"` // what was asked and cannot be done
}

// Command is what a page sends.
type Command struct {
	Do string `json:"do"` // start, stop or tare
}

// Device is what is served. Its methods are called by one goroutine at a time for each page that is connected.
type Device interface {
	Hello() Hello
	// Start begins anew at time 0.
	Start()
	// Tare takes what is read now as nothing.
	Tare()
	// Next gives what was sampled up to a time, s since Start, since the last call; gone says that the device is gone.
	Next(until float64) (blocks []Block, gone bool)
}

// blockEvery is how often what was sampled is sent.
const blockEvery = 50 * time.Millisecond

// Handler serves a device made anew for each page that connects. Speed is how many times as fast as real time it runs. Only pages from
// this machine, or of the hosts named, may connect.
func Handler(make func() Device, speed float64, origins ...string) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		c, err := websocket.Accept(w, r, &websocket.AcceptOptions{OriginPatterns: append([]string{"127.0.0.1:*", "localhost:*", "[::1]:*"}, origins...)})
		if err != nil {
			return // Accept has answered
		}
		defer c.CloseNow()
		s := session{conn: c, device: make(), speed: speed}
		s.run(r.Context())
	})
}

type session struct {
	conn    *websocket.Conn
	device  Device
	speed   float64
	started time.Time // zero while it does not run
}

func (s *session) run(ctx context.Context) {
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	hello := s.device.Hello()
	if s.send(ctx, Message{Hello: &hello}) != nil {
		return
	}
	commands := make(chan Command)
	go s.read(ctx, cancel, commands)
	tick := time.NewTicker(blockEvery)
	defer tick.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case c := <-commands:
			if s.do(ctx, c) != nil {
				return
			}
		case <-tick.C:
			if s.started.IsZero() {
				continue
			}
			if !s.sendNext(ctx) {
				return
			}
		}
	}
}

func (s *session) now() float64 { return s.speed * time.Since(s.started).Seconds() }

func (s *session) sendNext(ctx context.Context) bool {
	blocks, gone := s.device.Next(s.now())
	for i := range blocks {
		if s.send(ctx, Message{Block: &blocks[i]}) != nil {
			return false
		}
	}
	return !gone
}

func (s *session) do(ctx context.Context, c Command) error {
	at := 0.0
	if !s.started.IsZero() {
		at = s.now()
	}
	switch c.Do {
	case "start":
		s.device.Start()
		s.started, at = time.Now(), 0
		return s.send(ctx, Message{Event: &Event{T: at, What: "started"}})
	case "stop":
		s.started = time.Time{}
		return s.send(ctx, Message{Event: &Event{T: at, What: "stopped"}})
	case "tare":
		s.device.Tare()
		return s.send(ctx, Message{Event: &Event{T: at, What: "tared"}})
	}
	return s.send(ctx, Message{Failed: "There is no command " + c.Do + ": send start, stop or tare."})
}

// read takes commands until the page goes.
func (s *session) read(ctx context.Context, cancel func(), commands chan<- Command) {
	defer cancel()
	for {
		_, raw, err := s.conn.Read(ctx)
		if err != nil {
			return
		}
		var c Command
		if json.Unmarshal(raw, &c) != nil {
			c.Do = "(not JSON)"
		}
		select {
		case commands <- c:
		case <-ctx.Done():
			return
		}
	}
}

func (s *session) send(ctx context.Context, m Message) error {
	raw, err := json.Marshal(m)
	if err != nil {
		return err
	}
	return s.conn.Write(ctx, websocket.MessageText, raw)
}
