package evaluate_test

import (
	"math"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// What an effort is uncertain by adds up to what the random draws spread over; of a lifter who was never tested it is strength above all,
// and less of it once tested.
func TestSourcesAddUp(t *testing.T) {
	_, d := golden(t, "raise.json")
	d.Lifter.Strength = nil
	before, problems := evaluate.SourcesOf(&d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	sum := 0.0
	for i, s := range before.Sources {
		sum += s.Share
		if i > 0 && s.Share > before.Sources[i-1].Share {
			t.Errorf("%s comes after what weighs less", s.What)
		}
	}
	check.Near(t, "shares", sum, 1, 0.05)
	strength := 0.0
	for _, s := range before.Sources {
		if s.What == "strength" {
			strength += s.Share
		}
	}
	if before.Sources[0].What != "strength" || strength < 0.9 {
		t.Errorf("%+v", before.Sources)
	}
	// Nine of ten draws lie within 2 x 1.645 standard deviations.
	drawn := uncertain(t, &d, report.UsualErrors, 1).PeakEffort
	wide := math.Log(check.Value(t, "high", drawn.High)/check.Value(t, "low", drawn.Low)) / (2 * 1.645)
	check.Near(t, "percent, against the draws", check.Value(t, "percent", before.Percent)/100, wide, 0.15*wide)
	for _, deg := range []float64{20, 60, 100} {
		for _, action := range []string{"shoulder.abduction", "shoulder.flexion"} {
			d.Lifter.Strength = append(d.Lifter.Strength, setup.StrengthTest{Action: action, AngleDeg: deg, Torque: 50, Date: "2026-11-20",
				Spread: 0.03})
		}
	}
	after, _ := evaluate.SourcesOf(&d)
	if a, b := check.Value(t, "after", after.Percent), check.Value(t, "before", before.Percent); a > 0.3*b {
		t.Errorf("%v%% before the tests, %v%% after", b, a)
	}
	for _, s := range after.Sources {
		if s.What == "strength" && s.Day != "2026-11-20" {
			t.Errorf("tested on %q", s.Day)
		}
	}
}

// A band that was measured to 2 % narrows the bands of torque and effort; one known worse than usual does not widen them.
func TestMeasuredBandNarrows(t *testing.T) {
	_, d := golden(t, "raise.json")
	d.Lifter.Strength = nil
	l := &d.Loads[0]
	*l = setup.Load{ID: l.ID, Kind: setup.Band, Variable: true, Side: l.Side, Contact: l.Contact, Anchor: l.Pulley,
		RestLength: 0.5, Section: 60e-6,
		Strands: 1, Hysteresis: 0.1}
	wide := func(m *setup.Measured) float64 {
		c := d.Clone()
		c.Loads[0].Measured = m
		b := uncertain(t, &c, report.Errors{Band: report.UsualErrors.Band}, 3).Peak
		return check.Value(t, "high", b.High) - check.Value(t, "low", b.Low)
	}
	guess, measured, badly := wide(nil), wide(&setup.Measured{Day: "2026-11-20", Spread: 0.02}), wide(&setup.Measured{Day: "2026-11-20", Spread: 0.5})
	if !(measured < 0.4*guess) || badly != guess {
		t.Errorf("a guess spreads over %v N·m, a measured band over %v, a badly measured one over %v", guess, measured, badly)
	}
	d.Loads[0].Measured = &setup.Measured{Day: "2026-11-20", Spread: 0.02}
	if m := evaluated(t, &d).Measured; len(m) != 1 || m[0] != (report.Measured{What: "band", Day: "2026-11-20", Off: 0.02}) {
		t.Errorf("the report says %+v", m)
	}
	d.Loads[0].Measured = &setup.Measured{Day: "20 November"}
	if _, problems := evaluate.SourcesOf(&d); len(problems) > 0 {
		t.Error(problems) // a day that is none is the checker's business
	}
}
