package simulate_test

import (
	"math"
	"testing"

	"dialarc/core/emg"
	"dialarc/internal/simulate"
)

// recorded is a run of the electrodes as a recording: 0 and 1 are strongest contractions, 2 the repetitions.
func recorded(t *testing.T, seed uint64, run int, seconds float64) *emg.Recording {
	t.Helper()
	d, err := simulate.New(simulate.Options{Kind: "emg", Seed: seed})
	if err != nil {
		t.Fatal(err)
	}
	for range run {
		d.Start()
	}
	return simulate.Record(d, seconds)
}

// What was simulated is found: the repetitions, what is wrong with which channel, and of the good ones their activity over the range, in
// percent of the strongest contraction, lifting and lowering.
func TestActivityIsRecovered(t *testing.T) {
	within, all := 0, 0
	for seed := range uint64(6) {
		w := emg.Work(recorded(t, seed, 2, 34), []*emg.Recording{recorded(t, seed, 0, 9), recorded(t, seed, 1, 9)}, emg.Settings{})
		if len(w.Reps) != simulate.Reps.Count {
			t.Fatalf("%d repetitions: %+v", len(w.Reps), w.Reps)
		}
		for k, rep := range w.Reps {
			near(t, "begin of a repetition", rep.From, 2+5*float64(k), 0.5)
		}
		near(t, "range from", w.FromDeg, 5, 2)
		near(t, "range to", w.ToDeg, 95, 2)
		for i, state := range []string{"good", "good", "usable", "partly", "usable", "out", "out", "good"} {
			c := &w.Channels[i]
			if c.State != state {
				t.Errorf("seed %d: %s is %s, want %s: %+v", seed, c.Label, c.State, state, c.Findings)
			}
			a := simulate.Activity[i]
			if state == "out" {
				if c.Mean.Known() {
					t.Errorf("%s is left out and has a mean", c.Label)
				}
				continue
			}
			for at := 2; at < 39; at++ {
				x := float64(at) / 40
				want := 100 * (a.Low + (a.High-a.Low)*x)
				if m, sd := c.Lifting.Mean[at], c.Lifting.SD[at]; m != nil && sd != nil {
					all++
					// Of the mean of n, and of the strongest contraction: the largest of many seconds lies some of a hundred high.
					if math.Abs(*m-want) <= 2.6*math.Hypot(*sd/math.Sqrt(float64(c.Lifting.Reps)), 0.06*want) {
						within++
					}
				}
			}
			near(t, c.Label+", mean while lifting", c.Mean.OrNaN(), 50*(a.Low+a.High), 0.16*50*(a.Low+a.High))
			near(t, c.Label+", lowering over lifting", *c.Lowering.Mean[20] / *c.Lifting.Mean[20], simulate.Lowering, 0.15)
		}
		if n := w.Channels[3].Lifting.Reps; n != 3 {
			t.Errorf("of the channel that came loose %d repetitions are used", n)
		}
	}
	if within < 95*all/100 {
		t.Errorf("%d of %d means lie within their spread", within, all)
	}
}

// Without a strongest contraction there are no percentages; without an angle no repetitions; both are said.
func TestActivityWithout(t *testing.T) {
	r := recorded(t, 1, 2, 34)
	w := emg.Work(r, nil, emg.Settings{})
	if c := w.Channels[0]; c.Strongest.Known() || c.Strongest.Why() == "" || !(c.Mean.OrNaN() > 150) {
		t.Errorf("%+v", c.Strongest)
	}
	without := *r
	without.Channels = r.Channels[:8]
	if w := emg.Work(&without, nil, emg.Settings{}); len(w.Reps) != 0 || w.Why == "" || w.Channels[0].Mean.Known() {
		t.Errorf("%+v", w)
	}
	low := emg.Work(r, nil, emg.Settings{Falling: true})
	if len(low.Reps) > 0 && low.FromDeg < low.ToDeg {
		t.Errorf("lowering the angle goes from %v to %v", low.FromDeg, low.ToDeg)
	}
	if soft := emg.Work(r, nil,
		emg.Settings{Envelope: "lowpass"}); math.Abs(soft.Channels[0].Mean.OrNaN()/w.Channels[0].Mean.OrNaN()-math.Sqrt(2/math.Pi)) > 0.03 {
		t.Errorf("rectified and low-passed %v µV, root mean square %v", soft.Channels[0].Mean, w.Channels[0].Mean) // of a normal signal
	}
	if out := emg.Work(r, nil, emg.Settings{Without: []int{0}}); out.Channels[0].State != "out" {
		t.Error("a channel that is left out by hand is in")
	}
}

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if !(math.Abs(got-want) <= tolerance) {
		t.Errorf("%s: got %v, want %v", what, got, want)
	}
}
