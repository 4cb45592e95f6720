package simulate_test

import (
	"math"
	"slices"
	"testing"

	"dialarc/core/kit"
	"dialarc/core/measure"
	"dialarc/core/setup"
	"dialarc/internal/simulate"
)

// record is what a run of a device sends of its first channel in so many seconds.
func record(t *testing.T, o simulate.Options, run int, seconds float64) measure.Trace {
	t.Helper()
	d, err := simulate.New(o)
	if err != nil {
		t.Fatal(err)
	}
	for range run + 1 {
		d.Start()
	}
	var out measure.Trace
	rate := d.Hello().Channels[0].Rate
	for at := 0.05; at < seconds; at += 0.05 {
		blocks, gone := d.Next(at)
		for _, b := range blocks {
			for i, row := range b.V {
				out.T, out.V = append(out.T, b.T+float64(i)/rate), append(out.V, row[0])
			}
		}
		if gone {
			break
		}
	}
	return out
}

const seeds = 100

// share fails the test unless what was stated holds in 95 of 100 seeds.
func share(t *testing.T, what string, within int) {
	t.Helper()
	if within < 95*seeds/100 {
		t.Errorf("%s: within what is stated of it in %d of %d", what, within, seeds)
	}
}

// Three trials against a load cell that is not tared: what the lifter can hold lies within what is stated.
func TestStrengthIsRecovered(t *testing.T) {
	within := 0
	for seed := range uint64(seeds) {
		trials, problems := measure.FindTrials(record(t, simulate.Options{Kind: "loadcell", Seed: seed}, 1, 27))
		if len(problems) > 0 || len(trials.Trials) != 3 {
			t.Fatalf("seed %d: %+v %v", seed, trials, problems)
		}
		var readings []measure.HeldReading
		for _, x := range trials.Trials {
			readings = append(readings, measure.HeldReading{AngleDeg: 60, Force: x.Best})
		}
		l, test := person, measure.StrengthTest{Action: "shoulder.abduction", Position: "upright", Strap: 0.5}
		fit, problems := measure.Strength(&l, test, readings)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		if a := fit.Angles[0]; math.Abs(a.AtStrap-0.5*simulate.Trials.Pull[1]) <= a.Off.OrNaN() {
			within++
		}
	}
	share(t, "strength", within)
}

// A band under tape and load cell: its pull and what it keeps.
func TestBandIsRecovered(t *testing.T) {
	var pull, loss int
	b := simulate.Band
	truth := func(length float64) float64 { return b.Section * kit.RubberStress(length/b.Rest) }
	for seed := range uint64(seeds) {
		tape := record(t, simulate.Options{Kind: "tape", Seed: seed}, 0, 54)
		cell := record(t, simulate.Options{Kind: "loadcell", Behind: "band", Seed: seed + 1000}, 0, 54)
		readings, problems := measure.BandFromTraces(tape, cell)
		if len(problems) > 0 || len(readings) < 100 || len(readings) > 300 {
			t.Fatalf("%d readings, %v", len(readings), problems)
		}
		fit, problems := measure.Band(readings, b.Rest, 1)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		if want := truth(fit.Longest); math.Abs(fit.AtLongest-want) <= fit.Spread.OrNaN()*want+0.3 { // 0.3 N: the cell's drift over a minute
			pull++
		}
		if math.Abs(fit.Hysteresis.OrNaN()-b.Loss) <= fit.LossOff.OrNaN()+0.005 {
			loss++
		}
	}
	share(t, "pull", pull)
	share(t, "loss", loss)
}

// A stack under a load cell at three pins: ratio, friction and what no label speaks of.
func TestColumnIsRecovered(t *testing.T) {
	var ratio, friction, mass int
	c := simulate.Column
	for seed := range uint64(seeds) {
		var readings []measure.StackReading
		for run, pin := range c.Pins {
			r, problems := measure.StackFromTrace(pin, record(t, simulate.Options{Kind: "loadcell", Behind: "column", Seed: seed}, run, 35))
			if len(problems) > 0 {
				t.Fatal(problems)
			}
			readings = append(readings, r)
		}
		fit, problems := measure.Stack(readings)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		for n, ok := range map[*int]bool{&ratio: math.Abs(fit.Ratio-c.Ratio) <= fit.RatioOff.OrNaN(),
			&friction: math.Abs(fit.Friction-c.Friction) <= fit.FrictionOff.OrNaN(),
			&mass:     math.Abs(fit.Unlabelled.OrNaN()-c.Unlabelled) <= fit.UnlabelOff.OrNaN()} {
			if ok {
				*n++
			}
		}
	}
	share(t, "ratio", ratio)
	share(t, "friction", friction)
	share(t, "unlabelled mass", mass)
}

// With faults a device says less, and never something else: lost blocks and uneven times change a trial by little, a cell that ends is
// told, one that is gone leaves what came before.
func TestFaults(t *testing.T) {
	of := func(fault string) measure.Trace {
		return record(t, simulate.Options{Kind: "loadcell", Seed: 5, Fault: fault}, 0, 27)
	}
	well, _ := measure.FindTrials(of(""))
	for _, fault := range []string{"drop-out", "jitter"} {
		got, problems := measure.FindTrials(of(fault))
		if len(problems) > 0 || len(got.Trials) != 3 || math.Abs(got.Trials[0].Best-well.Trials[0].Best) > 0.02*well.Trials[0].Best {
			t.Errorf("%s: %+v, %v; else %+v", fault, got, problems, well)
		}
	}
	if _, problems := measure.FindTrials(of("saturated")); len(problems) == 0 {
		t.Error("a cell that ends is not told")
	}
	if got, problems := measure.FindTrials(of("disconnect")); len(problems) > 0 || len(got.Trials) != 0 {
		t.Errorf("gone in the first trial: %+v, %v", got, problems)
	}
	if got, problems := measure.FindTrials(of("stuck")); len(problems) == 0 && len(got.Trials) > 0 {
		t.Errorf("stuck in the first trial: %+v", got)
	}
	if d, _ := simulate.New(simulate.Options{Kind: "tape", Fault: "unit"}); d.Hello().Channels[0].Unit == "m" {
		t.Error("the unit is right")
	}
	if a, b := of(""), of(""); !slices.Equal(a.V, b.V) {
		t.Error("a seed gives two courses")
	}
}

var person = setup.Lifter{Height: 1.68, BodyMass: 61}
