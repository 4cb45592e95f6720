package torque_test

import (
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/diff/fd"
	"gonum.org/v1/gonum/spatial/r3"
)

// What a stack's inertia asks for is what its kinetic energy gains (the work-energy theorem; Lagrange's equation for one coordinate): with
// a height h(s) the power of m h'² s'²/2 is m h' s' (h' s” + h” s'²), over all joints' work. The height comes from the potential energy, by
// gonum's finite differences. One joint moves, so that its torque does all the work.
func TestInertiaFromKineticEnergy(t *testing.T) {
	share := 0.9
	cam := func(ratio float64, offset *setup.Point, arms ...setup.CamPoint) setup.Load {
		return setup.Load{ID: "m", Kind: setup.Cam, Side: "right", Contact: setup.Contact{Segment: "forearm", Fraction: &share}, StackMass: 20,
			Ratio:      ratio,
			Coordinate: "elbow.flexion", PadRadius: 0.22, AxisOffset: offset, Cam: arms}
	}
	flat := []setup.CamPoint{{AngleDeg: 0, Arm: 0.12}, {AngleDeg: 140, Arm: 0.12}}
	widening := []setup.CamPoint{{AngleDeg: 0, Arm: 0.06}, {AngleDeg: 50, Arm: 0.10}, {AngleDeg: 140, Arm: 0.20}}
	cable := setup.Load{ID: "c", Kind: setup.Cable, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
		Pulley: &setup.Point{X: -0.4, Y: 0.1, Z: 0.3}, StackMass: 20, Ratio: 0.5, Travel: 9}
	rope := setup.Load{ID: "r", Kind: setup.Rope, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
		Pulley: &setup.Point{X: 0.9, Y: -0.9, Z: 0.5}, StackMass: 20, Ratio: 0.5,
		StrandLength: 0.4, Travel: 9}
	onOne := rope
	onOne.Pulley = &setup.Point{X: 0.9, Y: -0.9, Z: 2.5}
	for name, c := range map[string]struct {
		load setup.Load
		side string
	}{
		"plain cam": {cam(1, nil, flat...), "right"}, "half the ratio": {cam(0.5, nil, flat...), "right"},
		"a cam that widens": {cam(0.5, nil, widening...), "right"},
		"off its axis":      {cam(0.5, &setup.Point{X: 0.05, Y: -0.04}, widening...), "right"}, "cable": {cable, "right"},
		"rope from the side": {rope, "both"}, "rope on one hand": {onOne, "both"},
	} {
		d := setup.Document{Lifter: setup.Lifter{Height: 1.75, BodyMass: 75}, Posture: setup.Posture{Kind: "standing"},
			Target:   setup.Target{Region: "biceps", Joint: "elbow"},
			Movement: setup.Movement{Kind: "sweep", Side: c.side, Primary: "elbow.flexion", FromDeg: 10, ToDeg: 120}, Loads: []setup.Load{c.load}}
		in := input(&d, 2)
		height := func(x float64) float64 {
			var f body.Frames
			in.Path.Place(x, &f)
			sum := 0.0
			for i := range in.Items {
				sum += in.Items[i].Energy(&f)
			}
			return sum / (20 * load.Gravity)
		}
		const rate, acceleration, span = 0.9, 1.4, 110 * math.Pi / 180
		for _, s := range []float64{0.2, 0.5, 0.8} {
			first := fd.Derivative(height, s, &fd.Settings{Formula: fd.Central, Step: 1e-4})
			second := fd.Derivative(height, s, &fd.Settings{Formula: fd.Central2nd, Step: 1e-3})
			got := inertial(&d, s, rate, acceleration)
			if c.side == "both" { // the left hand's part is the right one's of the mirror image
				mirrored := d.Clone()
				mirrored.Loads[0].Pulley.Z *= -1
				got += inertial(&mirrored, s, rate, acceleration)
			}
			want := 20 * first * (first*acceleration + second*rate*rate) / span
			check.Near(t, name, got, want, 2e-4*math.Max(0.05, math.Abs(want)))
		}
	}
}

// inertial is the part of the right elbow's torque that a stack's inertia makes, N·m.
func inertial(d *setup.Document, s, rate, acceleration float64) float64 {
	part := func(d *setup.Document) float64 {
		in := input(d, 2)
		var f body.Frames
		in.Path.Place(s, &f)
		axis := torque.AxisOf(&f, body.ElbowR, body.Right, &in.Axis)
		return -r3.Dot(axis, r3.Sub(torque.InMotion(in, in.Joint, s, rate, acceleration), torque.InMotion(in, in.Joint, s, 0, 0)))
	}
	light := d.Clone()
	light.Loads[0].StackMass = 1e-9
	return part(d) - part(&light)
}
