package plan_test

import (
	"math"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/plan"
	"dialarc/core/setup"
)

// reached are the least and the largest length that each region has on the paths of the library's exercises in which it works at least
// half as hard as the busiest, for a usual lifter.
func reached(t *testing.T) map[string][2]float64 {
	out := map[string][2]float64{}
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		d, problems := plan.DigestOf(&r.Document)
		report, more := evaluate.Document(&r.Document)
		if len(problems)+len(more) > 0 {
			t.Fatal(r.Key, problems, more)
		}
		for _, w := range d.Work {
			if w.Hard < 0.5 {
				continue
			}
			now, known := out[w.Region]
			if !known {
				now = [2]float64{math.Inf(1), math.Inf(-1)}
			}
			for _, x := range report.Muscles.Part(w.Region).Length {
				if !math.IsNaN(x) {
					now = [2]float64{min(now[0], x), max(now[1], x)}
				}
			}
			out[w.Region] = now
		}
	}
	return out
}

// The table of lengths that thirds are taken of is what the library's exercises reach: it has to follow them.
func TestReachIsThatOfTheLibrary(t *testing.T) {
	want := reached(t)
	for region, w := range want {
		low, high, known := plan.Reach(region)
		if !known || math.Abs(low-w[0]) > 0.006 || math.Abs(high-w[1]) > 0.006 {
			t.Errorf("\t%q: {%.2f, %.2f},", region, w[0], w[1])
		}
	}
}
