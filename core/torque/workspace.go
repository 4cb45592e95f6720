package torque

import (
	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/space"
)

func (r *Repetition) resize(n, parts int, others []body.Joint) {
	if len(r.S) != n {
		numbers := []*[]float64{&r.S, &r.Angle, &r.Swept, &r.Weights, &r.Loads, &r.Total, &r.Lowering, &r.Twist, &r.Bend, &r.OffAxis,
			&r.Size, &r.Along, &r.Across, &r.GripForce, &r.Lateral, &r.LowBack, &r.SpineAlong, &r.Balance, &r.BarOff, &r.BarTwist}
		vectors := []*[]space.Vec{&r.Axis, &r.Joint, &r.Direction, &r.Grip, &r.Wrist, &r.ElbowAt, &r.Shoulder, &r.Vector, &r.Force,
			&r.AxisIn, &r.Spine, &r.Varying, &r.VaryingForce}
		cut(numbers, n)
		cut(vectors, n)
		r.Pose, r.Rate = make([]body.Pose, n), make([]body.Pose, n)
		r.Parts, r.Others = nil, nil
	}
	r.Swept[0] = 0
	for len(r.Parts) < parts {
		r.Parts = append(r.Parts, newPart(n))
	}
	r.Parts = r.Parts[:parts]
	for len(r.Others) < len(others) {
		var o Other
		cut([]*[]float64{&o.Torque, &o.Size, &o.Along, &o.Across, &o.Varies}, n)
		cut([]*[]space.Vec{&o.Vector, &o.Force, &o.Varying, &o.VaryingForce}, n)
		r.Others = append(r.Others, o)
	}
	r.Others = r.Others[:len(others)]
	for i, j := range others {
		r.Others[i].Joint = j
	}
}

func newPart(n int) Part {
	p := Part{State: make([]load.State, n)}
	cut([]*[]float64{&p.Torque, &p.MomentArm, &p.InPlane, &p.Tension, &p.Lift, &p.Stretch, &p.OffAxis, &p.Lowering}, n)
	return p
}

// cut gives every list a length of one piece of memory.
func cut[T any](lists []*[]T, n int) {
	room := make([]T, n*len(lists))
	for i, p := range lists {
		*p = room[i*n : (i+1)*n : (i+1)*n]
	}
}
