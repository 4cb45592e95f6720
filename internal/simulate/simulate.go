// Package simulate stands in for measuring devices: what they hang on moves by physics, and they read it with noise and, on request, with
// faults, all from a seed. What is true is told to tests and to nobody else.
package simulate

import (
	"cmp"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"

	"dialarc/internal/device"
)

// scene is what a device is fixed to: what each channel would read without error, by the time since the start, and what its error is.
type scene interface {
	channels() []device.Channel
	// begin starts the n-th run, from 0.
	begin(n int, r *rand.Rand)
	at(t float64) []float64
	// noise is the standard deviation of each channel's reading.
	noise() []float64
}

// Options say what is simulated.
type Options struct {
	Kind   string // loadcell, tape, inclinometer, encoder or emg
	Behind string // what it is fixed to; the kind's usual unless given
	Fault  string // none unless given
	Seed   uint64
	Effort float64 // emg: how many times the usual activity the repetitions ask; 1 unless given
}

// Faults are those that can be asked for.
var Faults = []string{"drop-out", "jitter", "unit", "saturated", "stuck", "disconnect"}

// kinds are the devices by what they can be fixed to, the usual first.
var kinds = map[string]struct {
	name   string
	behind []string
	of     func(o Options) scene
}{
	"loadcell":     {"Load cell", []string{"lifter", "band", "column"}, newLoadCell},
	"tape":         {"Measuring tape", []string{"band"}, func(o Options) scene { return &bandScene{tape: true} }},
	"inclinometer": {"Inclinometer", []string{"lifter"}, func(o Options) scene { return &trialScene{angle: true} }},
	"encoder":      {"Cable encoder", []string{"reps"}, func(o Options) scene { return &repScene{} }},
	"emg":          {"Muscle activity, 8 channels", []string{"raise"}, func(o Options) scene { return &emgScene{effort: cmp.Or(o.Effort, 1)} }},
}

// Kinds are the names of what can be simulated, in order.
func Kinds() []string {
	var out []string
	for k := range kinds {
		out = append(out, k)
	}
	slices.Sort(out)
	return out
}

func newLoadCell(o Options) scene {
	switch o.Behind {
	case "band":
		return &bandScene{}
	case "column":
		return &columnScene{}
	}
	return &trialScene{}
}

// New makes a device, or says what it cannot be.
func New(o Options) (device.Device, error) {
	k, known := kinds[o.Kind]
	if !known {
		return nil, fmt.Errorf("there is no device %q: give one of %s", o.Kind, strings.Join(Kinds(), ", "))
	}
	if o.Behind == "" {
		o.Behind = k.behind[0]
	}
	if !slices.Contains(k.behind, o.Behind) {
		return nil, fmt.Errorf("a %s is fixed to one of %s, not to %q", o.Kind, strings.Join(k.behind, ", "), o.Behind)
	}
	if o.Fault != "" && !slices.Contains(Faults, o.Fault) {
		return nil, fmt.Errorf("there is no fault %q: give one of %s", o.Fault, strings.Join(Faults, ", "))
	}
	d := &simulated{options: o, name: k.name, scene: k.of(o)}
	d.offset = make([]float64, len(d.scene.channels()))
	if o.Kind == "loadcell" {
		d.offset[0] = 14 * (2*rand.New(rand.NewPCG(o.Seed, 99)).Float64() - 1) // not tared
	}
	return d, nil
}

// simulated reads a scene.
type simulated struct {
	options Options
	name    string
	scene   scene
	offset  []float64
	runs    int
	r       *rand.Rand
	sent    int // samples of this run
	last    []float64
}

const drift = 0.003 // of a load cell, N/s

func (d *simulated) Hello() device.Hello {
	h := device.Hello{Protocol: device.Protocol, Name: d.name, Channels: slices.Clone(d.scene.channels())}
	if d.options.Fault == "unit" {
		h.Channels[0].Unit = "furlong"
	}
	return h
}

func (d *simulated) Start() {
	d.r = rand.New(rand.NewPCG(d.options.Seed, uint64(d.runs)))
	d.scene.begin(d.runs, d.r)
	d.runs, d.sent = d.runs+1, 0
}

// Tare takes off what the first channel reads at rest.
func (d *simulated) Tare() {
	d.offset[0] = 0
}

func (d *simulated) Next(until float64) ([]device.Block, bool) {
	rate := d.scene.channels()[0].Rate
	due := int(until * rate)
	if d.options.Fault == "disconnect" && until > goneAfter {
		return nil, true
	}
	if due <= d.sent {
		return nil, false
	}
	block := device.Block{T: float64(d.sent) / rate}
	for ; d.sent < due; d.sent++ {
		block.V = append(block.V, d.read(float64(d.sent)/rate))
	}
	return d.spoilt(block, rate), false
}

// read is one row as the device sees it.
func (d *simulated) read(t float64) []float64 {
	row, noise := slices.Clone(d.scene.at(t)), d.scene.noise()
	for i := range row {
		row[i] += d.offset[i] + noise[i]*d.r.NormFloat64()
	}
	if d.options.Kind == "loadcell" {
		row[0] += drift * t
	}
	switch d.options.Fault {
	case "saturated":
		row[0] = min(row[0], saturatesAt)
	case "stuck":
		if t > goneAfter {
			return d.last
		}
		d.last = row
	}
	for i := range row {
		row[i] = math.Round(1000*row[i]) / 1000 // as devices print
	}
	return row
}

const (
	goneAfter   = 6.0 // s
	saturatesAt = 40.0
	lostShare   = 0.1 // of the blocks
)

// spoilt is a block as it arrives.
func (d *simulated) spoilt(b device.Block, rate float64) []device.Block {
	switch d.options.Fault {
	case "drop-out":
		if d.r.Float64() < lostShare {
			return nil
		}
	case "jitter":
		var out []device.Block
		for i, row := range b.V {
			out = append(out, device.Block{T: b.T + (float64(i)+0.8*(d.r.Float64()-0.5))/rate, V: [][]float64{row}})
		}
		return out
	}
	return []device.Block{b}
}
