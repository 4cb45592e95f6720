package measure_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/kit"
	"dialarc/core/measure"
	"dialarc/core/quantity"
)

// drawn are readings of a band of two strands with a section of 80 mm², 1 m long at rest, drawn out to twice its length in steps of 5 cm
// and let back with a loss, each read with an error.
func drawn(loss, noise float64, r *rand.Rand) []measure.BandReading {
	pull := func(length float64) float64 { return 2 * 80e-6 * kit.RubberStress(length) }
	var out []measure.BandReading
	for i := range 21 {
		length := 1 + 0.05*float64(i)
		out = append(out, measure.BandReading{Length: length, Force: math.Max(0, pull(length)+noise*r.NormFloat64())})
	}
	for i := 20; i >= 0; i-- {
		length := 1 + 0.05*float64(i)
		out = append(out, measure.BandReading{Length: length, Force: math.Max(0, (1-loss)*pull(length)+noise*r.NormFloat64())})
	}
	return out
}

// Without noise a band comes out as it is: its section, what it loses, its pull at the longest.
func TestBandAsItIs(t *testing.T) {
	fit, problems := measure.Band(drawn(0.12, 0, rand.New(rand.NewPCG(1, 1))), 1, 2)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	check.Near(t, "section", 1e6*fit.Section, 80, 1e-9)
	check.Near(t, "loss", fit.Hysteresis.OrNaN(), 0.12, 1e-9)
	check.Near(t, "pull at 2 m", fit.AtLongest, 2*80e-6*kit.RubberStress(2), 1e-9)
	if fit.OffLaw > 1e-9 || len(fit.Out) != 21 || len(fit.In) != 21 || fit.Longest != 2 {
		t.Errorf("%+v", fit)
	}
	for i := 1; i < len(fit.Pull); i++ {
		if fit.Pull[i].Force <= fit.Pull[i-1].Force || fit.Pull[i].Length <= fit.Pull[i-1].Length {
			t.Errorf("the curve falls at %d: %+v", i, fit.Pull)
		}
	}
}

// A scale that is off by half a newton: the truth lies within what the fit says of itself in 95 of 100 seeds, the pull give or take the
// bias of a curve that only rises, 0.2 N at its end (own).
func TestBandWithinItsSpread(t *testing.T) {
	var pull, loss int
	const seeds = 400
	for seed := range uint64(seeds) {
		fit, problems := measure.Band(drawn(0.1, 0.5, rand.New(rand.NewPCG(seed, 3))), 1, 2)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		truth := 2 * 80e-6 * kit.RubberStress(2)
		if math.Abs(fit.AtLongest-truth) <= fit.Spread.OrNaN()*truth+0.2 {
			pull++
		}
		if math.Abs(fit.Hysteresis.OrNaN()-0.1) <= fit.LossOff.OrNaN() {
			loss++
		}
		if fit.Residual > 1 {
			t.Errorf("seed %d: the readings lie %v N from the curve", seed, fit.Residual)
		}
	}
	if pull < 0.95*seeds || loss < 0.95*seeds {
		t.Errorf("of %d, the pull %d and the loss %d", seeds, pull, loss)
	}
}

// What cannot be a band's pull is said.
func TestBadBands(t *testing.T) {
	at := func(pairs ...float64) []measure.BandReading {
		var out []measure.BandReading
		for i := 0; i < len(pairs); i += 2 {
			out = append(out, measure.BandReading{Length: pairs[i], Force: pairs[i+1]})
		}
		return out
	}
	for says, readings := range map[string][]measure.BandReading{
		"0 readings":      nil,
		"1 readings":      at(1.5, 60),
		"does not rise":   at(1.2, 60, 1.4, 50, 1.6, 40),
		"shortest length": at(0.4, 20, 0.8, 60),
		"just 50 N":       at(1.2, 20, 1.4, 35, 1.5, 50, 1.6, 50, 1.7, 50),
	} {
		if _, problems := measure.Band(readings, 1, 1); len(problems) == 0 || !strings.Contains(problems[0].What, says) {
			t.Errorf("%s: %v", says, problems)
		}
	}
	fit, problems := measure.Band(at(1, 0, 1.5, 40, 2, 70), 1, 1)
	if len(problems) > 0 || fit.Hysteresis.Known() || fit.Spread.Known() {
		t.Errorf("three readings out tell no loss and no spread: %+v, %v", fit, problems)
	}
}

// A station with a ratio of a half, 6 % friction and a carriage of 2 kg comes out as it is, and with noise each of them within what the fit
// says of itself in 95 % of the seeds.
func TestStack(t *testing.T) {
	readings := func(noise float64, r *rand.Rand) []measure.StackReading {
		var out []measure.StackReading
		for _, pin := range []float64{10, 20, 30, 40, 50, 60} {
			still := quantity.Gravity * (pin + 2) * 0.5
			out = append(out, measure.StackReading{Pin: pin, Up: still*1.06 + noise*r.NormFloat64(), Down: still*0.94 + noise*r.NormFloat64()})
		}
		return out
	}
	fit, problems := measure.Stack(readings(0, rand.New(rand.NewPCG(1, 1))))
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	check.Near(t, "ratio", fit.Ratio, 0.5, 1e-12)
	check.Near(t, "friction", fit.Friction, 0.06, 1e-12)
	check.Near(t, "carriage", fit.Unlabelled.OrNaN(), 2, 1e-9)
	var ratio, friction, carriage int
	const seeds = 1000
	for seed := range uint64(seeds) {
		fit, _ := measure.Stack(readings(1, rand.New(rand.NewPCG(seed, 5))))
		for n, within := range map[*int]bool{&ratio: math.Abs(fit.Ratio-0.5) <= fit.RatioOff.OrNaN(),
			&friction: math.Abs(fit.Friction-0.06) <= fit.FrictionOff.OrNaN(),
			&carriage: math.Abs(fit.Unlabelled.OrNaN()-2) <= fit.UnlabelOff.OrNaN()} {
			if within {
				*n++
			}
		}
	}
	for what, n := range map[string]int{"ratio": ratio, "friction": friction, "carriage": carriage} {
		check.Near(t, what+": share within", float64(n)/seeds, 0.95, 0.02)
	}
	for says, bad := range map[string][]measure.StackReading{
		"readings of 0 pins": nil,
		"readings of 1 pins": {{Pin: 10, Up: 60, Down: 50}, {Pin: 10, Up: 61, Down: 50}},
		"no mass":            {{Up: 60, Down: 50}},
		"going down":         {{Pin: 10, Up: 50, Down: 60}, {Pin: 20, Up: 110, Down: 100}},
		"does not grow":      {{Pin: 10, Up: 100, Down: 90}, {Pin: 20, Up: 60, Down: 50}},
		"A pull is 0":        {{Pin: 10, Up: 60}, {Pin: 20, Up: 60, Down: 50}},
	} {
		if _, problems := measure.Stack(bad); len(problems) == 0 || !strings.Contains(problems[0].What, says) {
			t.Errorf("%s: %v", says, problems)
		}
	}
}

var columns = []measure.Column{{Name: "length", Kind: "length", Unit: 0.01}, {Name: "pull", Kind: "force", Unit: quantity.Gravity}}

// Tables as people type them: blanks, tabs, semicolons with decimal commas, units in the first row or in a cell, what a scale shows.
func TestTables(t *testing.T) {
	want := [][]float64{{1.2, 5 * quantity.Gravity}, {1.5, 9.5 * quantity.Gravity}}
	for _, text := range []string{"120 5\n150 9.5", "120\t5\n\n150\t9.5\n", "120;5\n150;9,5", "length (m), pull (kg)\n1.2, 5\n1.5, 9.5",
		"tape,scale\n1.2 m,5\n59.0551181102362 in,93.16318 N", "\ufeff120 , 5\n150 , 9.5 kg"} {
		got, problems := measure.Table(text, columns)
		if len(problems) > 0 || len(got) != 2 {
			t.Errorf("%q: %v, %v", text, got, problems)
			continue
		}
		for i := range want {
			for k := range want[i] {
				check.Near(t, fmt.Sprintf("%q %d %d", text, i, k), got[i][k], want[i][k], 1e-4)
			}
		}
	}
	for path, text := range map[string]string{
		"row 2":                "120 5\n150\n",
		"row 1, column pull":   "120 heavy5\n",
		"row 2, column length": "120 5\n-150 9\n",
		"row 1, column length": "length (furlong), pull\n1,2\n",
		"row 1":                "length\n1\n",
	} {
		if _, problems := measure.Table(text, columns); len(problems) == 0 || problems[0].Path != path {
			t.Errorf("%q: %v", text, problems)
		}
	}
}
