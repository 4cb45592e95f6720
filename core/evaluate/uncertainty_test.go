package evaluate_test

import (
	"encoding/json"
	"math"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
)

func uncertain(t *testing.T, d *setup.Document, e report.Errors, seed uint64) *report.Uncertainty {
	t.Helper()
	out, problems := evaluate.Uncertainty(t.Context(), d, e, seed)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return out
}

// Without errors every draw is the document itself.
func TestNoErrorsNoUncertainty(t *testing.T) {
	_, d := golden(t, "raise.json")
	out := uncertain(t, &d, report.Errors{}, 1)
	d.Samples = 31
	r := evaluated(t, &d)
	for i := range out.Low {
		check.Near(t, "low", out.Low[i], r.Curves.Torque[i], 1e-9)
		check.Near(t, "high", out.High[i], r.Curves.Torque[i], 1e-9)
	}
	check.Near(t, "match", check.Value(t, "match", out.Fit.Low), check.Value(t, "match", r.Profile.Fit), 1e-8)
}

// The spread of a dumbbell by the tape alone is that of the sum of independent lengths: m g times 1 cm times the root of
// three, 1.645 standard deviations to either side (normal distribution), for a level straight arm.
func TestSpreadOfADumbbell(t *testing.T) {
	_, d := golden(t, "dumbbell.json")
	d.Movement.Hold["elbow.flexionDeg"] = 0
	d.Movement.FromDeg, d.Movement.ToDeg = 0, 90
	d.Loads[0].Mass = 50 // heavy, so that the arm's own weight hardly counts
	out := uncertain(t, &d, report.Errors{Tape: 0.01}, 7)
	last := len(out.Low) - 1
	want := 2 * 1.645 * 50 * 9.80665 * 0.01 * math.Sqrt(3)
	check.Near(t, "spread", out.High[last]-out.Low[last], want, 0.25*want)
	if out.Failed != 0 {
		t.Errorf("%d draws failed", out.Failed)
	}
}

// The same seed gives the same answer, another a slightly different one; the document is not touched.
func TestUncertaintyIsSeeded(t *testing.T) {
	_, d := golden(t, "raise.json")
	before, _ := json.Marshal(d)
	a, _ := json.Marshal(uncertain(t, &d, report.UsualErrors, 1))
	b, _ := json.Marshal(uncertain(t, &d, report.UsualErrors, 1))
	c, _ := json.Marshal(uncertain(t, &d, report.UsualErrors, 2))
	if string(a) != string(b) || string(a) == string(c) {
		t.Error("the seed does not decide")
	}
	if after, _ := json.Marshal(d); string(before) != string(after) {
		t.Error("the document was changed")
	}
}

// The document's own numbers lie within its usual spread, and larger errors mean more spread.
func TestUncertaintyHoldsTheDocument(t *testing.T) {
	_, d := golden(t, "raise.json")
	usual := uncertain(t, &d, report.UsualErrors, 1)
	peak := check.Value(t, "peak", evaluated(t, &d).Profile.Total.Peak)
	low, high := check.Value(t, "low", usual.Peak.Low), check.Value(t, "high", usual.Peak.High)
	if !(low < peak && peak < high) {
		t.Errorf("%v is not between %v and %v", peak, low, high)
	}
	double := report.UsualErrors
	double.Stance, double.AngleDeg = 2*double.Stance, 2*double.AngleDeg
	more := uncertain(t, &d, double, 1)
	if m, u := check.Value(t, "h", more.PeakAngleDeg.High)-check.Value(t, "l", more.PeakAngleDeg.Low),
		check.Value(t, "h", usual.PeakAngleDeg.High)-check.Value(t, "l",
			usual.PeakAngleDeg.Low); m <= u {
		t.Errorf("with twice the errors the peak's place spreads over %v degrees, before over %v", m, u)
	}
}

func TestUncertaintyOfAnImpossibleSetup(t *testing.T) {
	_, d := golden(t, "raise.json")
	d.Loads[0].AttachmentLength = 2.9
	if _, problems := evaluate.Uncertainty(t.Context(), &d, report.UsualErrors, 1); len(problems) == 0 {
		t.Error("no problem")
	}
	_, d = golden(t, "raise.json")
	d.Loads[0].AttachmentLength = 0.9 // slack at the start, in the document and so in its draws
	out := uncertain(t, &d, report.UsualErrors, 1)
	if out.Failed < 90 || out.Fit.Low.Why() == "" && out.Failed > 100 {
		t.Errorf("%d draws failed, match %+v", out.Failed, out.Fit)
	}
}
