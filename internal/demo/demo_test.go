package demo_test

import (
	"testing"

	"dialarc/core/evaluate"
	"dialarc/internal/demo"
)

// Everything that the demo shows evaluates without gaps, warnings or more effort than the lifter has.
func TestDemoSetupsAreSound(t *testing.T) {
	documents := demo.Documents()
	if len(documents) != 4*5+2+11+4+5 {
		t.Errorf("four lifters with five raises each and 22 setups more, not %d", len(documents))
	}
	for _, d := range documents {
		r, problems := evaluate.Document(&d)
		if len(problems) > 0 {
			t.Errorf("%s, %v kg: %v", d.Name, d.Lifter.BodyMass, problems)
			continue
		}
		if e := r.Profile.PeakEffort; !r.Hold && (!e.Known() || e.OrNaN() > 1) || len(r.Gaps)+len(r.Warnings) > 0 {
			t.Errorf("%s, %v kg: effort %+v, gaps %v, warnings %v", d.Name, d.Lifter.BodyMass, e, r.Gaps, r.Warnings)
		}
	}
}
