package evaluate_test

import (
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/setup"
)

// A raise behind the body written as plane -90 with a positive elevation and as plane 90 with a negative one is one movement: same torque,
// same effort, same warnings.
func TestBothReadingsOfAPathAreOne(t *testing.T) {
	d := ready(t, "curl.dumbbell")
	d.Target = setup.Target{Region: "deltoid.posterior", Profile: "match", Joint: "shoulder"}
	path := func(plane, from, to float64) setup.Document {
		c := d.Clone()
		c.Movement = setup.Movement{Kind: "keyframes", Side: "right", Keyframes: []setup.Keyframe{
			{S: 0, Pose: map[string]float64{"shoulder.planeOfElevationDeg": plane, "shoulder.elevationDeg": from}},
			{S: 1, Pose: map[string]float64{"shoulder.planeOfElevationDeg": plane, "shoulder.elevationDeg": to}}}}
		return c
	}
	ahead, behind := path(90, 0, -50), path(-90, 0, 50)
	a, b := evaluated(t, &ahead), evaluated(t, &behind)
	for i := range a.Curves.S {
		check.Near(t, "torque", b.Curves.Torque[i], a.Curves.Torque[i], 1e-9)
		check.Near(t, "capacity", b.Curves.Capacity[i], a.Curves.Capacity[i], 1e-6)
	}
	if len(a.Warnings) != len(b.Warnings) {
		t.Errorf("%v against %v", a.Warnings, b.Warnings)
	}
}
