package edits_test

import (
	"slices"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/internal/sample"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// The free hand and the feet of a standing lifter can be set in every way that is offered, there and back, and each evaluates.
func TestFreeHandAndFeet(t *testing.T) {
	r, _ := catalogue.Find(&setup.Lifter{Height: 1.75, BodyMass: 75}, "kickback")
	d := r.Document
	choices := edits.ChoicesOf(&d)
	if choices.Hand != "thigh" || len(choices.Hands) != 3 || len(choices.Feet) != 5 || choices.Foot != "parallel" {
		t.Fatalf("%+v", choices)
	}
	back := func(d *setup.Document) float64 {
		report, problems := evaluate.Document(d)
		if len(problems) > 0 {
			t.Fatalf("%v", problems)
		}
		return slices.Max(report.Curves.LowBack)
	}
	hangs, problems := edits.Change(&d, "hand", "hangs", 0)
	if len(problems) > 0 || edits.ChoicesOf(&hangs).Hand != "hangs" || back(&hangs) <= back(&d) {
		t.Errorf("%v: the low back holds %.0f with the hand hanging, %.0f with it on the thigh", problems, back(&hangs), back(&d))
	}
	holds, problems := edits.Change(&hangs, "hand", "holds", 0)
	if len(problems) > 0 || holds.Posture.SupportHand == nil || edits.ChoicesOf(&holds).Hand != "holds" {
		t.Errorf("%v, at %v", problems, holds.Posture.SupportHand)
	}
	back(&holds)
	for _, f := range choices.Feet {
		c, problems := edits.Change(&d, "feet", f.Key, 0)
		if len(problems) > 0 || edits.ChoicesOf(&c).Foot != f.Key {
			t.Errorf("%s: %v, it is %s", f.Key, problems, edits.ChoicesOf(&c).Foot)
		}
		back(&c)
	}
	both := d.Clone()
	both.Movement.Side = "both"
	if _, problems := edits.Change(&both, "hand", "thigh", 0); len(problems) == 0 || len(edits.ChoicesOf(&both).Hands) > 0 {
		t.Error("a hand leans on the thigh while both arms move")
	}
}

// The free hand takes hold of a cable's handle, and lets go of it again; with a dumbbell there is nothing to take hold of.
func TestTheOtherHandJoins(t *testing.T) {
	d := sample.Ready(t, "extension.across")
	c, problems := edits.WithHand(&d, "joins")
	if len(problems) > 0 || !c.Loads[0].Shared || edits.ChoicesOf(&c).Hand != "joins" {
		t.Fatalf("%v, shared %v, %q", problems, c.Loads[0].Shared, edits.ChoicesOf(&c).Hand)
	}
	back, _ := edits.WithHand(&c, "hangs")
	if back.Loads[0].Shared || edits.ChoicesOf(&back).Hand != "hangs" {
		t.Errorf("let go, the hand %s", edits.ChoicesOf(&back).Hand)
	}
	if _, problems := edits.WithHand(new(sample.Ready(t, "kickback")), "joins"); len(problems) != 1 || problems[0].Path != "posture.supportHand" {
		t.Errorf("with a dumbbell: %v", problems)
	}
	c.Posture.SupportHand = &setup.Point{X: 0.3, Y: 1, Z: 0.3}
	if problems := rules.Validate(&c); len(problems) != 1 || problems[0].Path != "loads[0].shared" {
		t.Errorf("holding on with a hand on the handle: %v", problems)
	}
	far := sample.Ready(t, "turn.cable")
	far.Movement.Hold["shoulder.planeOfElevationDeg"] = 0
	if _, problems := evaluate.Document(&far); len(problems) == 0 || problems[0].Path != "loads[0].shared" {
		t.Errorf("a handle out at the side: %v", problems)
	}
}
