// Package torque computes one repetition: what the loads and the segments' weights ask of the target joint at every
// place along the path.
//
// The torque on a joint J is t = Σ (C - J) x F + Σ (com - J) x m g over everything on the side of J away from the root.
// A torque is positive when it resists lifting: -t · a, with a the axis that the moved segment swings about.
package torque

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Part is what one load contributes, one value per sample.
type Part struct {
	Torque    []float64 // resisting torque, N·m
	MomentArm []float64 // perpendicular distance from the joint to the line of force, in the plane of movement, m
	InPlane   []float64 // share of the force that lies in that plane, 0 to 1
	Tension   []float64 // N
	Lift      []float64 // of the stack, m
	Stretch   []float64 // of a band, ratio to its length at rest
	OffAxis   []float64 // size of the torque that is left beside the axis, N·m
	Lowering  []float64 // resisting torque while lowering, N·m
	State     []load.State
}

// Repetition is the result of Run: slices with one value per sample. Angles in radians, torques in N·m. It is a
// workspace: running again with the same number of samples and loads reuses its memory.
type Repetition struct {
	S         []float64
	Angle     []float64 // elevation of the lead arm, the coordinate that names the sweep
	Swept     []float64 // swept angle of the target joint from the start, ∫ |w - (w·d) d| ds
	Weights   []float64 // resisting torque of the segments' own weights
	Loads     []float64 // of all loads together, lifting
	Total     []float64 // lifting: loads and weights
	Lowering  []float64 // the same while lowering
	Twist     []float64 // of the total, about the segment's long axis; the sign of the right hand about the axis pointing away from the joint
	Bend      []float64 // of the total, across the plane of movement
	OffAxis   []float64 // size of what the loads leave beside the axis
	Elbow     []float64 // size of the torque about the elbow, loads and weights
	Along     []float64 // resultant force of the trunk on the arm along the upper arm: + pushes it away (compression), - holds it back (traction), N
	Across    []float64 // its size across the upper arm (shear), N
	GripForce []float64 // what the hand has to hold, N
	Axis      []space.Vec
	Joint     []space.Vec // the target joint's centre
	Direction []space.Vec // along the moved segment
	Grip      []space.Vec
	Wrist     []space.Vec
	ElbowAt   []space.Vec
	Parts     []Part // one per load that acts on the lead arm, in the document's order
	Index     []int  // of each part in the document's loads
	frames    body.Frames
}

// Input is everything that a repetition is computed from.
type Input struct {
	Body    *body.Body
	Station *body.Station
	Path    *movement.Path
	Items   []load.Item
	Samples int
}

// Run evaluates the repetition. Samples has to be at least 2.
func (r *Repetition) Run(in *Input) {
	lead := in.Path.Lead()
	joint := lead.Joint(body.ShoulderR)
	acting := actingOn(in.Items, body.Far[joint])
	r.resize(in.Samples, acting)
	var arms, rates [2]body.Arm
	speed := 0.0
	for i := range r.S {
		s := float64(i) / float64(in.Samples-1)
		in.Path.At(s, &arms, &rates)
		if i == 0 {
			r.frames.Place(in.Body, in.Station, &arms, &rates)
		} else {
			r.frames.PlaceArm(lead, &arms[lead], &rates[lead]) // nothing else moves that the torque depends on
		}
		before := speed
		speed = r.sample(i, joint, acting)
		r.S[i], r.Angle[i] = s, arms[lead][setup.ShoulderElevation]
		r.Grip[i], r.Wrist[i], r.ElbowAt[i] = r.frames.Grip[lead], r.frames.Wrist[lead], r.frames.Joint[lead.Joint(body.ElbowR)]
		if i > 0 {
			r.Swept[i] = r.Swept[i-1] + (speed+before)/2/float64(in.Samples-1)
		}
	}
}

func actingOn(items []load.Item, far []body.Segment) []*load.Item {
	acting := make([]*load.Item, 0, len(items))
	for i := range items {
		for _, seg := range far {
			if items[i].Segment == seg {
				acting = append(acting, &items[i])
			}
		}
	}
	return acting
}

// sample computes everything at one place and returns the speed at which the segment swings, per unit s.
func (r *Repetition) sample(i int, joint body.Joint, acting []*load.Item) float64 {
	f := &r.frames
	j := f.Joint[joint]
	d := f.Direction(body.Far[joint][0])
	swing := space.Reject(f.Spin[joint], d)
	speed := space.Norm(swing)
	axis := space.Vec{}
	if speed > 0 {
		axis = r3.Scale(1/speed, swing)
	}
	r.Axis[i], r.Joint[i], r.Direction[i] = axis, j, d

	weights := WeightTorque(f, joint)
	loads, lowering, elbow := space.Vec{}, space.Vec{}, WeightTorque(f, joint+1)
	force, held := weightForce(f, joint), space.Vec{}
	for k, item := range acting {
		pull := item.At(f)
		up, down := r.Parts[k].set(i, &pull, j, axis)
		loads, lowering = r3.Add(loads, up), r3.Add(lowering, down)
		force = r3.Add(force, pull.Force)
		if item.Held() {
			held = r3.Add(held, pull.Force)
		}
		if item.Segment != body.Far[joint][0] {
			elbow = r3.Add(elbow, LoadTorque(f, joint+1, pull))
		}
	}
	total := r3.Add(loads, weights)
	r.Weights[i] = -r3.Dot(weights, axis)
	r.Loads[i] = -r3.Dot(loads, axis)
	r.Total[i] = -r3.Dot(total, axis)
	r.Lowering[i] = -r3.Dot(r3.Add(lowering, weights), axis)
	r.OffAxis[i] = space.Norm(space.Reject(loads, axis))
	r.Twist[i] = r3.Dot(total, d)
	r.Bend[i] = r3.Dot(total, r3.Cross(d, axis))
	r.Elbow[i] = space.Norm(elbow)
	r.Along[i], r.Across[i] = -r3.Dot(force, d), space.Norm(space.Reject(force, d))
	r.GripForce[i] = space.Norm(held)
	return speed
}

// weightForce is the weight of everything beyond a joint, N. The resultant force on the joint is what balances it and the
// loads; the forces of the muscles, which press the joint together, are not in it.
func weightForce(f *body.Frames, joint body.Joint) space.Vec {
	w := 0.0
	for _, seg := range body.Far[joint] {
		w += f.Body.Masses[seg] * load.Gravity
	}
	return space.Vec{Y: -w}
}

// set writes one load's values and returns its torque vectors about the joint while lifting and while lowering.
func (p *Part) set(i int, pull *load.Pull, j, axis space.Vec) (up, down space.Vec) {
	arm := r3.Sub(pull.Contact, j)
	up, down = r3.Cross(arm, pull.Force), r3.Cross(arm, pull.Lowering)
	p.Torque[i], p.Lowering[i] = -r3.Dot(up, axis), -r3.Dot(down, axis)
	p.OffAxis[i] = space.Norm(space.Reject(up, axis))
	p.Tension[i], p.Lift[i], p.Stretch[i], p.State[i] = pull.Tension, pull.Lift, pull.Stretch, pull.State
	p.MomentArm[i], p.InPlane[i] = 0, 0
	if pull.Tension > 0 {
		inPlane := space.Norm(space.Reject(pull.Force, axis))
		p.InPlane[i] = inPlane / pull.Tension
		if inPlane > 0 {
			p.MomentArm[i] = math.Abs(p.Torque[i]) / inPlane
		}
	}
	return up, down
}

// WeightTorque is the torque vector in N·m, room axes, that the weights of the segments beyond a joint put on it.
func WeightTorque(f *body.Frames, joint body.Joint) space.Vec {
	var t space.Vec
	for _, seg := range body.Far[joint] {
		t = r3.Add(t, r3.Cross(r3.Sub(f.COM[seg], f.Joint[joint]), space.Vec{Y: -f.Body.Masses[seg] * load.Gravity}))
	}
	return t
}

// LoadTorque is the torque vector in N·m, room axes, that a pull puts on a joint.
func LoadTorque(f *body.Frames, joint body.Joint, pull load.Pull) space.Vec {
	return r3.Cross(r3.Sub(pull.Contact, f.Joint[joint]), pull.Force)
}

// Foot is where the perpendicular from the joint meets the line of force, both projected on the plane through the
// joint and square to the unit axis; the joint itself when the force has no part in that plane.
func Foot(joint, axis space.Vec, pull load.Pull) space.Vec {
	force := space.Reject(pull.Force, axis)
	size := space.Norm(force)
	if size == 0 {
		return joint
	}
	u := r3.Scale(1/size, force)
	return r3.Add(joint, space.Reject(space.Reject(r3.Sub(pull.Contact, joint), axis), u))
}
