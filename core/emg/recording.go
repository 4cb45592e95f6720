// Package emg works out what surface electrodes recorded: it reads and writes recordings, filters them, judges every channel, cuts
// repetitions and holds the activity over the range against what the model expects. It is pure: samples in, numbers out; samples are
// never altered.
package emg

import (
	"strings"
	"unicode/utf8"
)

// Recording is what was recorded together.
type Recording struct {
	Name     string    // of the file or device
	Started  string    // day and time, like 2026-11-29 14:05:00; empty when not known
	Channels []Channel // with rates of their own
	Notes    []Note
	Warnings []string // what is odd about it, and what was done
}

// Channel is one signal.
type Channel struct {
	Label   string
	Unit    string  // as recorded; activity is in uV, whatever it was recorded in
	Rate    float64 // samples a second
	Samples []float64
}

// Note is something that was written down at a time.
type Note struct {
	At   float64 `json:"at" doc:"s from the begin."`
	Text string  `json:"text"`
}

// Seconds is how long the recording is.
func (r *Recording) Seconds() float64 {
	most := 0.0
	for i := range r.Channels {
		c := &r.Channels[i]
		most = max(most, float64(len(c.Samples))/c.Rate)
	}
	return most
}

// MostSamples is how many samples a recording may have over all channels: half an hour of eight at 1000 Hz is less (own).
const MostSamples = 20_000_000

// volts are units of activity in µV.
var volts = map[string]float64{"v": 1e6, "mv": 1e3, "uv": 1, "µv": 1, "μv": 1, "nv": 1e-3}

// inMicrovolts puts channels that are recorded in volts, or parts of them, into µV.
func (c *Channel) inMicrovolts() {
	by, known := volts[strings.ToLower(strings.TrimSpace(c.Unit))]
	if !known {
		return
	}
	c.Unit = "uV"
	if by == 1 {
		return
	}
	for i := range c.Samples {
		c.Samples[i] *= by
	}
}

// Activity says whether a channel is of a muscle's activity, by its unit.
func (c *Channel) Activity() bool { return c.Unit == "uV" }

// Angle says whether a channel is of an angle, by its unit.
func (c *Channel) Angle() bool {
	switch strings.ToLower(c.Unit) {
	case "deg", "degree", "degrees", "°":
		return true
	}
	return false
}

// clean is text without what does not belong into a name.
func clean(raw []byte) string {
	if !utf8.Valid(raw) {
		out := make([]rune, len(raw)) // Latin 1
		for i, b := range raw {
			out[i] = rune(b)
		}
		raw = []byte(string(out))
	}
	return strings.TrimSpace(strings.Map(func(r rune) rune {
		if r < ' ' {
			return -1
		}
		return r
	}, string(raw)))
}
