package torque_test

import (
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
)

// elevated is a raise of a dumbbell through keyframes.
func elevated(s, deg []float64) setup.Document {
	d := dumbbell(6, 0, 0)
	d.Movement = setup.Movement{Kind: "keyframes", Side: "right"}
	for i := range s {
		d.Movement.Keyframes = append(d.Movement.Keyframes, setup.Keyframe{S: s[i], Pose: map[string]float64{"shoulder.elevationDeg": deg[i]}})
	}
	return d
}

// A path that starts or ends at rest has a torque there too, m g L sin e (closed form): a monotone curve has slope 0 at an end whose first
// stretch is much slower. So has one that turns round, and both edges of a rest on the way; within the rest there is no direction.
func TestTorqueWhereThePathRests(t *testing.T) {
	b := body.New(&setup.Lifter{Height: 1.75, BodyMass: 75})
	full := 6 * 9.80665 * b.ArmLength()
	for name, c := range map[string]struct{ s, deg []float64 }{
		"from rest":    {[]float64{0, 0.4, 1}, []float64{30, 35, 90}},
		"to rest":      {[]float64{0, 0.6, 1}, []float64{20, 85, 90}},
		"turning back": {[]float64{0, 0.5, 1}, []float64{20, 90, 60}},
	} {
		d := elevated(c.s, c.deg)
		r := run(&d, 101)
		for i, e := range r.Angle {
			check.Near(t, name, math.Abs(r.Loads[i]), full*math.Sin(e), 1e-9)
		}
		if name != "turning back" && r.Loads[0] < 0 {
			t.Errorf("%s: the weight helps", name)
		}
	}
	d := elevated([]float64{0, 0.4, 0.6, 1}, []float64{20, 60, 60, 90})
	r := run(&d, 101)
	for i, s := range r.S {
		if still := s > 0.4+1e-9 && s < 0.6-1e-9; still != math.IsNaN(r.Total[i]) {
			t.Errorf("at %.2f the torque is %v", s, r.Total[i])
		}
	}
}

// Friction goes by direction as well: at rest at the start it is that of what comes.
func TestFrictionFromRest(t *testing.T) {
	d := raise(t)
	d.Movement = elevated([]float64{0, 0.4, 1}, []float64{30, 35, 90}).Movement
	d.Loads[0].Friction = 0
	plain := run(&d, 11)
	d.Loads[0].Friction = 0.07
	r := run(&d, 11)
	for _, i := range []int{0, 1, 9, 10} {
		check.Near(t, "with friction", r.Loads[i]/plain.Loads[i], 1.07, 1e-9)
	}
}
