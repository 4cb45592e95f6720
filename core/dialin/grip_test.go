package dialin_test

import (
	"math"
	"slices"
	"testing"

	"dialarc/core/dial"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
)

// Hands on one bar move out and in together, at both ends of the path: a dial of the width stands for those of either end. Wider, the
// elbows have less to do (common practice, no source).
func TestGripWidth(t *testing.T) {
	elbow := func(key string, width float64) float64 {
		d, problems := dialin.Apply(new(sample.Ready(t, key)), string(dial.GripWidth), width)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		settings := dialin.Settings(&d)
		at := slices.IndexFunc(settings, func(s dial.Setting) bool { return s.Key == string(dial.GripWidth) })
		check.Near(t, "width", settings[at].Value, width, 1e-9)
		if !settings[at].Main || slices.ContainsFunc(settings, func(s dial.Setting) bool { return s.Key == string(dial.GuideStartZ) }) {
			t.Errorf("%s: the width is not what is turned", key)
		}
		r, problems := evaluate.Document(&d)
		if len(problems) > 0 {
			t.Fatalf("%s at %.2f m: %v", key, width, problems)
		}
		if math.IsNaN(r.Curves.Lateral[0]) {
			t.Errorf("%s at %.2f m: the hands slide", key, width)
		}
		for _, j := range r.Joints {
			if j.Joint == "elbow" {
				return j.Hardest.OrNaN()
			}
		}
		return math.NaN()
	}
	for _, key := range []string{"press.bar.flat", "pullup"} {
		if narrow, wide := elbow(key, 0.46), elbow(key, 0.8); !(narrow > 1.15*wide) {
			t.Errorf("%s: the elbow has %.2f of its strength to give narrow, %.2f wide", key, narrow, wide)
		}
	}
	free := sample.Ready(t, "press.flat")
	if slices.ContainsFunc(dialin.Settings(&free), func(s dial.Setting) bool { return s.Key == string(dial.GripWidth) }) {
		t.Error("dumbbells have no grip width")
	}
}
