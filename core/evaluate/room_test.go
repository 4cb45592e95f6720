package evaluate_test

import (
	"slices"
	"testing"

	"dialarc/core/report"
	"dialarc/core/setup"
)

// An arm has no room inside the trunk, in the bench or in the thighs, and that is said with the place; every ready exercise has room.
func TestArmsHaveRoom(t *testing.T) {
	through := func(r *report.Report, limb, part string) bool {
		return slices.ContainsFunc(r.Meets, func(m report.Meet) bool { return m.Limb == limb && m.Part == part && m.Depth > 0.02 })
	}
	stopped := func(r *report.Report) bool {
		return slices.ContainsFunc(r.Verdicts, func(v report.Verdict) bool { return v.Key == "clearance" && v.Tone == "error" })
	}
	raise := ready(t, "raise.dumbbell")
	raise.Movement.FromDeg = -20
	if r := evaluated(t, &raise); !through(r, "upper arm", "trunk") || !stopped(r) {
		t.Errorf("a raise from -20 degrees: %+v", r.Meets)
	}
	fly := ready(t, "fly.flat")
	fly.Movement = setup.Movement{Kind: "keyframes", Side: "both", Keyframes: []setup.Keyframe{
		{S: 0, Pose: map[string]float64{"shoulder.planeOfElevationDeg": -90, "shoulder.elevationDeg": 40}},
		{S: 1, Pose: map[string]float64{"shoulder.planeOfElevationDeg": -90, "shoulder.elevationDeg": 10}}}}
	fly.Bench.Width = 0.8
	if r := evaluated(t, &fly); len(r.Meets) == 0 || !stopped(r) {
		t.Errorf("arms led back through the bench: %+v", r.Meets)
	}
	for _, stature := range []float64{1.58, 1.75, 1.92} {
		everyReady(t, stature, func(key string, _ setup.Document, r *report.Report) {
			if len(r.Meets) > 0 {
				t.Errorf("%s at %v m: %+v", key, stature, r.Meets)
			}
		})
	}
}
