package simulate

import (
	"math"
	"math/rand/v2"

	"dialarc/core/kit"
	"dialarc/core/quantity"
	"dialarc/internal/device"
)

// Trials are what a lifter does against a load cell: three trials of five seconds at each angle.
var Trials = struct {
	Angles []float64 // of the runs, degrees
	Pull   []float64 // that the lifter can hold there, N
	Rest   float64   // before each trial, s
	Hold   float64   // s
	Count  int
	Vary   float64 // of trials, standard deviation as a share
}{[]float64{20, 60, 100}, []float64{117, 103, 88}, 3, 5, 3, 0.03}

// trialScene is a lifter who pushes at one angle after the other, seen by a load cell or by an inclinometer.
type trialScene struct {
	angle bool
	run   int
	pulls []float64
}

func (s *trialScene) channels() []device.Channel {
	if s.angle {
		return []device.Channel{{Key: "angle", Unit: "deg", Rate: 50}}
	}
	return []device.Channel{{Key: "force", Unit: "N", Rate: 50}}
}

func (s *trialScene) noise() []float64 {
	if s.angle {
		return []float64{0.2}
	}
	return []float64{0.5}
}

func (s *trialScene) begin(n int, r *rand.Rand) {
	s.run = n % len(Trials.Angles)
	s.pulls = nil
	for range Trials.Count {
		s.pulls = append(s.pulls, Trials.Pull[s.run]*(1+Trials.Vary*r.NormFloat64()))
	}
}

func (s *trialScene) at(t float64) []float64 {
	if s.angle {
		return []float64{Trials.Angles[s.run]}
	}
	k, within := int(t/(Trials.Rest+Trials.Hold)), math.Mod(t, Trials.Rest+Trials.Hold)-Trials.Rest
	if within < 0 || k >= Trials.Count {
		return []float64{0}
	}
	up := 1 - math.Exp(-within/0.35)    // how fast people build up force, from memory
	down := math.Exp(-(within - 4) / 8) // tiring towards the end
	return []float64{s.pulls[k] * up * min(1, down)}
}

// Band is the band behind tape and load cell: what rubber of such a section does, less what it keeps on the way back.
var Band = struct {
	Rest, Section, Loss, Longest float64 // m, m², share, m
	Out                          float64 // s that it takes to draw it out, and to let it back
}{1.0, 80e-6, 0.12, 2.2, 12}

// bandScene is a band that is drawn out and let back twice, seen by a tape or by a load cell.
type bandScene struct{ tape bool }

func (s *bandScene) channels() []device.Channel {
	if s.tape {
		return []device.Channel{{Key: "length", Unit: "m", Rate: 50}}
	}
	return []device.Channel{{Key: "force", Unit: "N", Rate: 50}}
}

func (s *bandScene) noise() []float64 {
	if s.tape {
		return []float64{0.001}
	}
	return []float64{0.5}
}

func (s *bandScene) begin(int, *rand.Rand) {}

func (s *bandScene) at(t float64) []float64 {
	const still = 2.0
	cycle := 2*Band.Out + 1
	within := t - still
	length, back := Band.Rest, false
	if within > 0 && within < 2*cycle {
		switch x := math.Mod(within, cycle); {
		case x < Band.Out:
			length += (Band.Longest - Band.Rest) * x / Band.Out
		case x < Band.Out+0.5:
			length = Band.Longest
		case x < 2*Band.Out+0.5:
			length, back = Band.Longest-(Band.Longest-Band.Rest)*(x-Band.Out-0.5)/Band.Out, true
		}
	}
	if s.tape {
		return []float64{length}
	}
	pull := Band.Section * kit.RubberStress(length/Band.Rest)
	if back {
		pull *= 1 - Band.Loss
	}
	return []float64{pull}
}

// Column is the stack behind a load cell at a cable's end.
var Column = struct {
	Pins                        []float64 // of the runs, kg
	Ratio, Friction, Unlabelled float64   // of the pull, of the pull, kg
	Up                          float64   // s that it takes to raise it, and to lower it
}{[]float64{10, 30, 50}, 0.5, 0.06, 2.5, 5}

// columnScene is a stack that is raised and lowered three times at one pin after the other.
type columnScene struct{ run int }

func (s *columnScene) channels() []device.Channel {
	return []device.Channel{{Key: "force", Unit: "N", Rate: 50}}
}
func (s *columnScene) noise() []float64          { return []float64{0.5} }
func (s *columnScene) begin(n int, _ *rand.Rand) { s.run = n % len(Column.Pins) }

func (s *columnScene) at(t float64) []float64 {
	const slack = 2.0
	within := t - slack
	if within < 0 || within > 3*2*Column.Up {
		return []float64{0}
	}
	still := quantity.Gravity * (Column.Pins[s.run] + Column.Unlabelled) * Column.Ratio
	if math.Mod(within, 2*Column.Up) < Column.Up {
		return []float64{still * (1 + Column.Friction)}
	}
	return []float64{still * (1 - Column.Friction)}
}

// Reps is what a cable encoder sees: repetitions of a stroke with a tempo.
var Reps = struct {
	Count                                int
	Stroke, Up, Top, Down, Bottom, Begin float64 // m, s
}{6, 0.55, 1.5, 0.5, 2.5, 0.5, 2}

type repScene struct{}

func (repScene) channels() []device.Channel {
	return []device.Channel{{Key: "position", Unit: "m", Rate: 100}}
}
func (repScene) noise() []float64       { return []float64{0.0005} }
func (repScene) begin(int, *rand.Rand)  {}
func (repScene) at(t float64) []float64 { return []float64{Reps.Stroke * stroke(t)} }

// stroke is how far along a repetition is at a time, 0 to 1: up without a jerk, hold, down, rest.
func stroke(t float64) float64 {
	cycle := Reps.Up + Reps.Top + Reps.Down + Reps.Bottom
	within := t - Reps.Begin
	if within < 0 || within >= float64(Reps.Count)*cycle {
		return 0
	}
	smooth := func(x float64) float64 { return x * x * (3 - 2*x) }
	switch x := math.Mod(within, cycle); {
	case x < Reps.Up:
		return smooth(x / Reps.Up)
	case x < Reps.Up+Reps.Top:
		return 1
	case x < Reps.Up+Reps.Top+Reps.Down:
		return smooth(1 - (x-Reps.Up-Reps.Top)/Reps.Down)
	}
	return 0
}
