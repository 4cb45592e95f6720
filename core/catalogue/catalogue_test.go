package catalogue_test

import (
	"math"
	"reflect"
	"slices"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/kit"
	"dialarc/core/setup"
)

func TestShapesCanBeInterpolated(t *testing.T) {
	for action, s := range catalogue.Shapes {
		if len(s.AngleDeg) != len(s.Fraction) || len(s.AngleDeg) < 2 || !slices.IsSorted(s.AngleDeg) || s.PerMass <= 0 {
			t.Errorf("%s: %+v", action, s)
		}
		if top := slices.Max(s.Fraction); top != 1 || slices.Min(s.Fraction) <= 0 {
			t.Errorf("%s: fractions go to %v", action, top)
		}
	}
	for _, action := range setup.Actions {
		if _, ok := catalogue.Shapes[action]; !ok {
			t.Errorf("there is no shape for %s", action)
		}
	}
	if len(catalogue.Shapes) != len(setup.Actions) {
		t.Errorf("%d shapes for %d actions", len(catalogue.Shapes), len(setup.Actions))
	}
}

func TestHoles(t *testing.T) {
	st := kit.Twin().Column
	for hole := 2; hole <= st.Holes; hole++ {
		if got := st.HoleHeight(hole) - st.HoleHeight(hole-1); math.Abs(got-st.Spacing) > 1e-12 {
			t.Errorf("holes %d and %d are %v apart", hole-1, hole, got)
		}
	}
	if st.HoleHeight(st.Holes) >= st.Height {
		t.Error("the highest hole is above the column")
	}
}

// Names and other names are each there once, and every exercise says how to end a set that will not go up.
func TestExercisesHaveNames(t *testing.T) {
	seen := map[string]string{}
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		if r.Name == "" || r.Safely == "" || len(r.Synonyms) == 0 || len(r.Mistakes) == 0 || len(r.Document.Cues) == 0 {
			t.Errorf("%s: %q, %v, %q", r.Key, r.Name, r.Synonyms, r.Safely)
		}
		if other, twice := seen[r.Name]; twice {
			t.Errorf("%s and %s are both called %s", r.Key, other, r.Name)
		}
		seen[r.Name] = r.Key
	}
}

// What is asked for and not here says so, with what is near; what is here is not said to be missing.
func TestNotYet(t *testing.T) {
	for text, name := range map[string]string{"pendulum squat": "Pendulum squat", "reverse crunch": "Reverse crunch",
		"ring push-up": "Ring dip",
		"ab wheel":     "Ab wheel rollout"} {
		found := catalogue.NotYet(text)
		if !slices.ContainsFunc(found, func(m catalogue.Missing) bool {
			return m.Name == name && m.Why != "" && len(m.Near) > 0 && m.Near[0] != ""
		}) {
			t.Errorf("%s: %+v", text, found)
		}
	}
	for _, text := range []string{"", "face pull", "bench press", "calf raise", "leg press", "hip thrust", "split squat", "press", "raise",
		"machine", "squat", "lunge", "chest", "crunch", "side bend"} {
		if found := catalogue.NotYet(text); len(found) > 0 {
			t.Errorf("%q: %+v", text, found)
		}
	}
}

// Somebody weaker begins with as much less: a novice woman with under half of what a trained man of her mass has, never with nothing.
func TestLoadsToBeginWith(t *testing.T) {
	man, _ := catalogue.Find(&setup.Lifter{Height: 1.65, BodyMass: 60}, "curl.dumbbell")
	woman, _ := catalogue.Find(&setup.Lifter{Height: 1.65, BodyMass: 60, Sex: "female", Training: "novice"}, "curl.dumbbell")
	if a, b := man.Document.Loads[0].Mass, woman.Document.Loads[0].Mass; b < 0.5 || b > 0.5*a || b < 0.38*a {
		t.Errorf("%g kg, novice woman %g kg", a, b)
	}
}

// One ready setup is made as it stands among all of them, for lifters of any size.
func TestFindIsOneOfAll(t *testing.T) {
	for _, l := range []setup.Lifter{{Height: 1.75, BodyMass: 75}, {Height: 1.58, BodyMass: 55, Sex: "female", Training: "novice"}} {
		for _, want := range catalogue.All(&l) {
			got, found := catalogue.Find(&l, want.Key)
			if !found || !reflect.DeepEqual(got, want) {
				t.Errorf("%s for %g m is another by itself", want.Key, l.Height)
			}
		}
		if r, found := catalogue.Find(&l, "squat.upside.down"); found {
			t.Errorf("found %s", r.Key)
		}
	}
}
