package edits_test

import (
	"slices"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/setup"
)

func readyDocument(t *testing.T, key string) setup.Document {
	t.Helper()
	r, ok := catalogue.Find(&setup.Lifter{Height: 1.75, BodyMass: 75}, key)
	if !ok {
		t.Fatalf("there is no %s", key)
	}
	return r.Document
}

// What is done with one leg goes over to the other side as a whole and asks the same there; it does not become one of both.
func TestOtherLeg(t *testing.T) {
	for _, key := range []string{"calf.one", "squat.split", "squat.split.rear", "deadlift.one", "step.up", "kickback.hip", "abduction.cable"} {
		d := readyDocument(t, key)
		other, problems := edits.WithSide(&d, "left")
		if len(problems) > 0 {
			t.Fatal(key, problems)
		}
		a, problems := evaluate.Document(&d)
		b, more := evaluate.Document(&other)
		if len(problems)+len(more) > 0 {
			t.Errorf("%s: %v %v", key, problems, more)
			continue
		}
		for i := range a.Curves.Torque {
			if x, y := a.Curves.Torque[i], b.Curves.Torque[i]; x-y > 1e-6 || y-x > 1e-6 {
				t.Errorf("%s: %v with the right leg, %v with the left", key, x, y)
				break
			}
		}
		if _, problems := edits.WithSide(&d, "both"); len(problems) == 0 {
			t.Errorf("%s: both legs were taken", key)
		}
		if sides := edits.ChoicesOf(&d).Sides; len(sides) != 2 {
			t.Errorf("%s: the sides %v can be chosen", key, sides)
		}
	}
}

// A movement of the arms leaves nothing of how the legs stood; one of the legs brings its own stance.
func TestWaysBringTheirStance(t *testing.T) {
	for _, key := range []string{"calf.one", "thrust.hip", "bridge.floor", "extension.back", "squat.split.rear", "calf.seated", "curl.nordic"} {
		for _, way := range edits.Ways {
			d := readyDocument(t, key)
			d.Loads = []setup.Load{{ID: "dumbbell", Kind: setup.Dumbbell, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}, Mass: 5}}
			c, problems := edits.WithWay(&d, way.Key)
			if len(problems) > 0 {
				t.Errorf("%s, %s: %v", key, way.Key, problems)
				continue
			}
			if _, problems := evaluate.Document(&c); slices.ContainsFunc(problems, func(p setup.Problem) bool {
				return p.Path != "loads" && p.Path != "movement.guide" && p.Path != "target.joint"
			}) {
				t.Errorf("%s, %s: %v", key, way.Key, problems)
			}
		}
	}
}

// A gym's sled is taken with its own rails, plate and plates; a gym without one says so.
func TestSledOfAGym(t *testing.T) {
	d := readyDocument(t, "press.leg")
	hall := rooms["large"]
	fitted := edits.Fit(&d, &hall, "h")
	if l := fitted.Document.Loads[0]; len(fitted.Missing) > 0 || l.Kit == nil || l.Kit.Item != "leg-press" ||
		!slices.Contains(l.Kit.Masses, l.PlateMass) {
		t.Errorf("missing %v, kit %+v, plates %v", fitted.Missing, l.Kit, l.PlateMass)
	}
	corner := rooms["corner"]
	if fitted := edits.Fit(&d, &corner, "c"); len(fitted.Missing) == 0 {
		t.Error("the corner has a sled")
	}
}
