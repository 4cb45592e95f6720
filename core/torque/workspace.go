package torque

import (
	"dialarc/core/load"
	"dialarc/core/space"
)

func (r *Repetition) resize(n int, acting []*load.Item) {
	if len(r.S) != n {
		for _, p := range []*[]float64{&r.S, &r.Angle, &r.Swept, &r.Weights, &r.Loads, &r.Total, &r.Lowering, &r.Twist, &r.Bend, &r.OffAxis, &r.Elbow, &r.Along, &r.Across, &r.GripForce} {
			*p = make([]float64, n)
		}
		for _, p := range []*[]space.Vec{&r.Axis, &r.Joint, &r.Direction, &r.Grip, &r.Wrist, &r.ElbowAt} {
			*p = make([]space.Vec, n)
		}
		r.Parts = nil
	}
	r.Swept[0] = 0
	for len(r.Parts) < len(acting) {
		r.Parts = append(r.Parts, newPart(n))
	}
	r.Parts = r.Parts[:len(acting)]
	r.Index = r.Index[:0]
	for _, item := range acting {
		r.Index = append(r.Index, item.Index)
	}
}

func newPart(n int) Part {
	p := Part{State: make([]load.State, n)}
	for _, q := range []*[]float64{&p.Torque, &p.MomentArm, &p.InPlane, &p.Tension, &p.Lift, &p.Stretch, &p.OffAxis, &p.Lowering} {
		*q = make([]float64, n)
	}
	return p
}
