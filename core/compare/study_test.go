package compare_test

import (
	"math"
	"slices"
	"testing"

	"dialarc/core/compare"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
	"dialarc/core/setup"
)

// Taken over one after the other, the parts of a study lead from the first setup to the second; each by itself changes its own setting and
// no other.
func TestStudyChangesOneThingAtATime(t *testing.T) {
	a := sample.Ready(t, "raise.behind.hand")
	b := a.Clone()
	for key, v := range map[string]float64{"pulley.height/0": 4, "stance.out": 0.9, "path.plane": 20, "load.stack/0": 12.5} {
		var problems setup.Problems
		if b, problems = dialin.Apply(&b, key, v); len(problems) > 0 {
			t.Fatal(problems)
		}
	}
	study, problems := compare.StudyOf([]setup.Document{a, b})
	if len(problems) > 0 || len(study.Parts) < 4 || len(study.Left) != 0 {
		t.Fatalf("%v, %+v", problems, study)
	}
	values := func(d *setup.Document) map[string]float64 {
		out := map[string]float64{}
		for _, s := range dialin.Settings(d) {
			out[s.Key] = s.Value
		}
		return out
	}
	before, wanted, whole := values(&a), values(&b), a
	for _, part := range study.Parts {
		now := values(&part.Document)
		for key, v := range before {
			if key != "path.startPlane" && (math.Abs(now[key]-v) > 1e-9) != (key == part.Key) {
				t.Errorf("%s: %s goes from %v to %v", part.Key, key, v, now[key])
			}
		}
		if len(part.Left) != len(study.Parts)-1 {
			t.Errorf("%s: left are %v", part.Key, part.Left)
		}
		whole, _ = dialin.Apply(&whole, part.Key, part.To)
	}
	for key, v := range values(&whole) {
		check.Near(t, key+", all taken over", v, wanted[key], 1e-9)
	}
	other := sample.Ready(t, "curl.dumbbell")
	study, _ = compare.StudyOf([]setup.Document{a, other})
	for _, must := range []string{"the target", "the kind of load"} {
		if !slices.Contains(study.Left, must) {
			t.Errorf("left between a raise and a curl are %v, not %s", study.Left, must)
		}
	}
	if _, problems := compare.StudyOf([]setup.Document{a}); len(problems) != 1 || problems[0].Path != "setups" {
		t.Errorf("one setup: %v", problems)
	}
}

// Loads that are equal by the reserve are as far from the 1RM: as many repetitions are left.
func TestEqualReserve(t *testing.T) {
	docs := []setup.Document{sample.Ready(t, "raise.behind.hand"), sample.Ready(t, "raise.dumbbell"), sample.Ready(t, "curl.dumbbell")}
	docs[0].Loads[0].StackMass *= 1.5
	out, problems := compare.Equalise(docs, "reserve", 0)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	first, _ := evaluate.Document(&docs[0])
	for i, e := range out {
		if e.Document == nil {
			t.Errorf("setup %d: %s", i, e.Factor.Why())
			continue
		}
		r, problems := evaluate.Document(e.Document)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		check.Near(t, docs[i].Name, r.Limit.Factor.OrNaN(), first.Limit.Factor.OrNaN(), 1e-6)
	}
}
