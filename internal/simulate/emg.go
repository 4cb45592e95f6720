package simulate

import (
	"math"
	"math/rand/v2"

	"dialarc/internal/device"
)

// Activity is what is behind the electrodes: of each channel the largest activity in µV, and its share at the bottom and at the top of the
// repetition while lifting; lowering has less.
var Activity = []struct {
	Key         string
	Full        float64 // µV, RMS at a maximal contraction
	Low, High   float64 // share of that at the bottom and at the top
	Fault       string
	FaultSample float64 // s from which on
}{
	{"ch1", 320, 0.45, 0.80, "", 0},
	{"ch2", 260, 0.30, 0.40, "", 0},
	{"ch3", 280, 0.25, 0.60, "hum", 0},
	{"ch4", 300, 0.10, 0.20, "loose", 18},
	{"ch5", 240, 0.10, 0.25, "", 0},
	{"ch6", 900, 0.50, 0.90, "saturated", 0},
	{"ch7", 0, 0, 0, "silent", 0},
	{"ch8", 250, 0.15, 0.20, "", 0},
}

// Lowering is how much of the activity of lifting there is while lowering at the same place.
const Lowering = 0.6

const (
	emgRate    = 1000.0
	emgNoise   = 3.0   // µV, of the amplifier
	emgFull    = 1500. // µV, where it saturates
	strongest  = 2     // runs of largest effort, before the repetitions
	mvcFrom    = 2.0   // s
	mvcFor     = 5.0
	sweepDeg   = 90.0
	startAngle = 5.0
)

// emgScene is a lifter with eight electrodes and an angle: first two runs of largest effort, then repetitions.
type emgScene struct {
	run    int
	r      *rand.Rand
	shaped [8]shaper
	before float64 // how far the repetition was
	effort float64
}

// shaper turns white noise into what muscles sound like: most between 30 and 200 Hz.
type shaper struct{ x1, x2, y1, y2 float64 }

// step is a second-order band-pass at 90 Hz with a quality of 0.7, its output of unit variance (bilinear, the usual cookbook's form, from
// memory).
func (s *shaper) step(x float64) float64 {
	const w, q = 2 * math.Pi * 90 / emgRate, 0.7
	alpha := math.Sin(w) / (2 * q)
	y := (alpha*x - alpha*s.x2 + 2*math.Cos(w)*s.y1 - (1-alpha)*s.y2) / (1 + alpha)
	s.x2, s.x1, s.y2, s.y1 = s.x1, x, s.y1, y
	return y * math.Sqrt((1+alpha)/alpha)
}

func (s *emgScene) channels() []device.Channel {
	var out []device.Channel
	for _, c := range Activity {
		out = append(out, device.Channel{Key: c.Key, Unit: "uV", Rate: emgRate})
	}
	return append(out, device.Channel{Key: "angle", Unit: "deg", Rate: emgRate})
}

func (s *emgScene) noise() []float64 {
	out := make([]float64, len(Activity)+1)
	for i := range Activity {
		out[i] = emgNoise
	}
	out[len(Activity)] = 0.1
	if i := 6; Activity[i].Fault == "silent" {
		out[i] = 0
	}
	return out
}

func (s *emgScene) begin(n int, r *rand.Rand) { s.run, s.r, s.before = n, r, 0 }

func (s *emgScene) at(t float64) []float64 {
	row := make([]float64, len(Activity)+1)
	up, level := 0.0, 0.0
	if s.run < strongest {
		if t > mvcFrom && t < mvcFrom+mvcFor {
			level = min(1, (t-mvcFrom)/0.4) * min(1, (mvcFrom+mvcFor-t)/0.3)
		}
	} else {
		up = stroke(t)
	}
	falls := up < s.before
	s.before = up
	for i := range Activity {
		row[i] = s.sample(i, t, up, level, falls)
	}
	row[len(Activity)] = startAngle + sweepDeg*up
	return row
}

func (s *emgScene) sample(i int, t, up, level float64, falls bool) float64 {
	c := &Activity[i]
	share := level
	if s.run >= strongest && up > 0.001 {
		if share = s.effort * (c.Low + (c.High-c.Low)*up); falls {
			share *= Lowering
		}
	}
	x := share * c.Full * s.shaped[i].step(s.r.NormFloat64())
	switch c.Fault {
	case "hum":
		x += 60 * math.Sin(2*math.Pi*50*t)
	case "loose":
		if s.run >= strongest && t > c.FaultSample {
			x = 700 * math.Sin(2*math.Pi*1.3*t) * math.Sin(2*math.Pi*0.4*t) // the electrode swings
		}
	case "saturated":
		x = max(-emgFull/2, min(emgFull/2, 1.8*x))
	}
	if t > 9 && t < 9.2 && i == 4 {
		x += 400 * math.Sin(2*math.Pi*4*(t-9)) // the cable was touched
	}
	return x
}
