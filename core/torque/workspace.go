package torque

import (
	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/space"
)

func (r *Repetition) resize(n, parts int, others []body.Joint) {
	if len(r.S) != n {
		for _, p := range []*[]float64{&r.S, &r.Angle, &r.Swept, &r.Weights, &r.Loads, &r.Total, &r.Lowering, &r.Twist, &r.Bend, &r.OffAxis,
			&r.Size, &r.Along, &r.Across, &r.GripForce, &r.Lateral, &r.LowBack, &r.SpineAlong, &r.Balance, &r.BarOff, &r.BarTwist} {
			*p = make([]float64, n)
		}
		for _, p := range []*[]space.Vec{&r.Axis, &r.Joint, &r.Direction, &r.Grip, &r.Wrist, &r.ElbowAt, &r.Shoulder, &r.Vector, &r.Force,
			&r.AxisIn, &r.Spine, &r.Varying, &r.VaryingForce} {
			*p = make([]space.Vec, n)
		}
		r.Pose, r.Rate = make([]body.Pose, n), make([]body.Pose, n)
		r.Parts, r.Others = nil, nil
	}
	r.Swept[0] = 0
	for len(r.Parts) < parts {
		r.Parts = append(r.Parts, newPart(n))
	}
	r.Parts = r.Parts[:parts]
	for len(r.Others) < len(others) {
		r.Others = append(r.Others, Other{Torque: make([]float64, n), Size: make([]float64, n), Along: make([]float64, n),
			Across: make([]float64, n), Varies: make([]float64, n),
			Vector: make([]space.Vec, n), Force: make([]space.Vec, n), Varying: make([]space.Vec, n), VaryingForce: make([]space.Vec, n)})
	}
	r.Others = r.Others[:len(others)]
	for i, j := range others {
		r.Others[i].Joint = j
	}
}

func newPart(n int) Part {
	p := Part{State: make([]load.State, n)}
	for _, q := range []*[]float64{&p.Torque, &p.MomentArm, &p.InPlane, &p.Tension, &p.Lift, &p.Stretch, &p.OffAxis, &p.Lowering} {
		*q = make([]float64, n)
	}
	return p
}
