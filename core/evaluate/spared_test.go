package evaluate_test

import (
	"reflect"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/setup"
)

// What is told without muscles, or without strength, is what the whole report and the whole rating tell.
func TestWhatIsSparedChangesNothing(t *testing.T) {
	var e evaluate.Evaluator
	for i, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		if i%5 != 0 {
			continue
		}
		d := r.Document
		if problems := evaluate.Refusals(&d); len(problems) > 0 {
			t.Errorf("%s is refused: %v", r.Key, problems)
		}
		whole := evaluated(t, &d)
		profile, gaps, _ := evaluate.ProfileOf(&d)
		profile.LoadFactor, profile.Reps = whole.Profile.LoadFactor, whole.Profile.Reps // which only the whole report has
		if !reflect.DeepEqual(profile, whole.Profile) || !reflect.DeepEqual(gaps, whole.Gaps) {
			t.Errorf("%s has another profile by itself", r.Key)
		}
		full, _ := e.Rate(&d, 31)
		var asked evaluate.Rating
		spared, _ := e.RateUnless(&d, 31, func(r *evaluate.Rating) bool { asked = *r; return true })
		if spared.Target.Known() || spared.Target.Why() == "" || asked.Target.Known() {
			t.Errorf("%s: a target of %v without muscles", r.Key, spared.Target)
		}
		spared.Target, spared.Lengthened = full.Target, full.Lengthened
		if !reflect.DeepEqual(spared, full) {
			t.Errorf("%s is rated otherwise without muscles", r.Key)
		}
	}
	_, d := golden(t, "raise.json")
	d.Loads[0].AttachmentLength = 2.9
	if _, problems := evaluate.Document(&d); !reflect.DeepEqual(problems, evaluate.Refusals(&d)) || len(problems) == 0 {
		t.Errorf("refused for %v, by itself for %v", problems, evaluate.Refusals(&d))
	}
}
