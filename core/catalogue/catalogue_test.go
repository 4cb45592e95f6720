package catalogue_test

import (
	"math"
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
