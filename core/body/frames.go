package body

import (
	"math"

	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

func add(a, b space.Vec) space.Vec { return r3.Add(a, b) }
func sub(a, b space.Vec) space.Vec { return r3.Sub(a, b) }

// Arm holds the joint coordinates of one arm in radians, or their rates per unit s.
type Arm [setup.NumCoordinates]float64

// Joint numbers a joint that a torque is computed about.
type Joint int

// The joints, right side first.
const (
	ShoulderR Joint = iota
	ElbowR
	ShoulderL
	ElbowL
	NumJoints = int(ElbowL) + 1
)

// On gives the joint of this side for a joint of the right side.
func (s Side) Joint(right Joint) Joint { return right + Joint(s)*(ShoulderL-ShoulderR) }

// Far lists the segments on the side of each joint that is away from the root.
var Far = [NumJoints][]Segment{
	ShoulderR: {UpperArmR, ForearmR, HandR},
	ElbowR:    {ForearmR, HandR},
	ShoulderL: {UpperArmL, ForearmL, HandL},
	ElbowL:    {ForearmL, HandL},
}

// Frames is the whole body at one place along the path, in room axes. It is written by Place and holds no pointers, so
// that one value serves a whole repetition without allocating.
type Frames struct {
	Body    *Body
	Station *Station
	Origin  [NumSegments]space.Vec // near joint of each segment; the trunk's is mid-hip, the head's the base of the neck
	Turn    [NumSegments]space.Mat // segment axes: along -Y from the near joint when standing at rest
	COM     [NumSegments]space.Vec
	Joint   [NumJoints]space.Vec // joint centres
	Spin    [NumJoints]space.Vec // angular velocity per unit s of the far side relative to the near side
	Grip    [2]space.Vec         // middle of the closed hand, by Side
	Wrist   [2]space.Vec
	Tip     [2]space.Vec // finger tips
}

// Place computes all frames from the joint coordinates of both arms and their rates per unit s. The limits of the
// coordinates are the caller's business; any angle gives a frame.
func (f *Frames) Place(b *Body, st *Station, arms, rates *[2]Arm) {
	f.Body, f.Station = b, st
	f.placeTrunk()
	for side := Right; side <= Left; side++ {
		f.PlaceArm(side, &arms[side], &rates[side])
		f.placeLeg(side)
	}
}

func (f *Frames) placeTrunk() {
	b, st := f.Body, f.Station
	neck := st.Trunk.Apply(space.Vec{Y: b.ShoulderHeight - b.HipHeight})
	f.Origin[Trunk], f.Turn[Trunk] = st.MidHip, st.Trunk
	f.COM[Trunk] = add(st.MidHip, r3.Scale(comTrunk, neck))
	f.Origin[Head], f.Turn[Head] = add(st.MidHip, neck), st.Trunk
	f.COM[Head] = add(st.MidHip, st.Trunk.Apply(space.Vec{Y: earHeight*b.Stature - b.HipHeight}))
}

// PlaceArm computes the frames of one arm anew, the rest of the body having been placed before.
//
// It follows humerus = swing(plane, elevation) twist(rotation): the swing turns by the elevation about the
// horizontal axis sin p Z - cos p X, the twist about the humerus' own long axis, internal rotation +.
func (f *Frames) PlaceArm(side Side, q, rate *Arm) {
	b, trunk := f.Body, &f.Station.Trunk
	sp, cp := math.Sincos(q[setup.ShoulderPlane])
	axis := space.Vec{X: -cp, Z: sp}
	swing := space.Rot(axis, q[setup.ShoulderElevation])
	humerus := turned(&swing, space.RotY, q[setup.ShoulderRotation])
	forearm := turned(&humerus, space.RotZ, q[setup.ElbowFlexion])
	hand := turned(&forearm, space.RotY, q[setup.ForearmPronation])

	// Rates of the three shoulder angles add up about the vertical, the swing's axis and the long axis d.
	d := swing.Apply(space.Vec{Y: -1})
	spin := add(r3.Scale(rate[setup.ShoulderPlane], add(space.Y, d)),
		sub(r3.Scale(rate[setup.ShoulderElevation], axis), r3.Scale(rate[setup.ShoulderRotation], d)))
	elbowSpin := r3.Scale(rate[setup.ElbowFlexion], humerus.Apply(space.Z))

	shoulder := space.Vec{Y: b.ShoulderHeight - b.HipHeight, Z: b.ShoulderHalf}
	if side == Left {
		shoulder, spin, elbowSpin = space.MirrorPoint(shoulder), space.MirrorSpin(spin), space.MirrorSpin(elbowSpin)
		humerus, forearm, hand = humerus.Mirrored(), forearm.Mirrored(), hand.Mirrored()
	}
	upper, fore, palm := side.On(UpperArmR), side.On(ForearmR), side.On(HandR)
	f.Turn[upper], f.Turn[fore], f.Turn[palm] = trunk.Mul(&humerus), trunk.Mul(&forearm), trunk.Mul(&hand)

	f.Origin[upper] = add(f.Station.MidHip, trunk.Apply(shoulder))
	f.Origin[fore] = f.along(upper, b.UpperArm)
	f.Origin[palm] = f.along(fore, b.Forearm)
	f.Wrist[side], f.Grip[side], f.Tip[side] = f.Origin[palm], f.along(palm, b.Grip), f.along(palm, b.Hand)
	f.COM[upper], f.COM[fore], f.COM[palm] = f.along(upper, comUpperArm*b.UpperArm), f.along(fore, comForearm*b.Forearm), f.Grip[side]

	sh, el := side.Joint(ShoulderR), side.Joint(ElbowR)
	f.Joint[sh], f.Joint[el] = f.Origin[upper], f.Origin[fore]
	f.Spin[sh], f.Spin[el] = trunk.Apply(spin), trunk.Apply(elbowSpin)
}

// turned is m followed by a rotation about one of its own axes; most coordinates of most paths are zero.
func turned(m *space.Mat, about func(float64) space.Mat, angle float64) space.Mat {
	if angle == 0 {
		return *m
	}
	r := about(angle)
	return m.Mul(&r)
}

// placeLeg stands the leg on the floor below the hip, spread to the stance.
func (f *Frames) placeLeg(side Side) {
	b, st := f.Body, f.Station
	sign := 1.0 - 2*float64(side)
	hip := add(st.MidHip, st.Trunk.Apply(space.Vec{Z: sign * b.HipHalf}))
	ankle := add(st.MidHip, st.Heading.Apply(space.Vec{Y: b.AnkleH - b.HipHeight, Z: sign * st.HalfFeet}))
	down := sub(ankle, hip)
	length := space.Norm(down)
	turn := uprightAlong(r3.Scale(1/length, down), &st.Heading)
	thigh, shank, foot := side.On(ThighR), side.On(ShankR), side.On(FootR)
	share := (b.HipHeight - b.KneeHeight) / (b.HipHeight - b.AnkleH)
	f.Turn[thigh], f.Turn[shank], f.Turn[foot] = turn, turn, st.Heading
	f.Origin[thigh] = hip
	f.Origin[shank] = f.along(thigh, share*length)
	f.Origin[foot] = ankle
	f.COM[thigh] = f.along(thigh, comThigh*share*length)
	f.COM[shank] = f.along(shank, comShank*(1-share)*length)
	f.COM[foot] = add(ankle, st.Heading.Apply(space.Vec{X: (comFoot - heelToAnkle) * b.FootLength, Y: -b.AnkleH / 2}))
}

// uprightAlong is the rotation whose -Y is the unit vector down and whose X stays as near to the heading's as it can.
func uprightAlong(down space.Vec, heading *space.Mat) space.Mat {
	y := r3.Scale(-1, down)
	x := r3.Unit(space.Reject(heading.Apply(space.X), y))
	z := r3.Cross(x, y)
	return space.Mat{{x.X, y.X, z.X}, {x.Y, y.Y, z.Y}, {x.Z, y.Z, z.Z}}
}

// along is the point at the given distance from the near joint along a segment's length.
func (f *Frames) along(s Segment, distance float64) space.Vec {
	return add(f.Origin[s], f.Turn[s].Apply(space.Vec{Y: -distance}))
}

// Direction is the unit vector along a segment, away from its near joint.
func (f *Frames) Direction(s Segment) space.Vec { return f.Turn[s].Apply(space.Vec{Y: -1}) }

// PointOn is the place of a contact: a share (0 near end to 1 far end) of the length of an arm segment.
func (f *Frames) PointOn(s Segment, share float64) space.Vec {
	b := f.Body
	switch s {
	case UpperArmR, UpperArmL:
		return f.along(s, share*b.UpperArm)
	case ForearmR, ForearmL:
		return f.along(s, share*b.Forearm)
	default:
		return f.along(s, share*b.Hand)
	}
}

// near lists, for each segment, the joints between it and the root.
var near = func() (list [NumSegments][]Joint) {
	for j, far := range Far {
		for _, seg := range far {
			list[seg] = append(list[seg], Joint(j))
		}
	}
	return list
}()

// Velocity is the change per unit s of a point that is fixed to an arm segment.
func (f *Frames) Velocity(s Segment, p space.Vec) space.Vec {
	var v space.Vec
	for _, j := range near[s] {
		v = add(v, r3.Cross(f.Spin[j], sub(p, f.Joint[j])))
	}
	return v
}

// SegmentSpin is the angular velocity of an arm segment in the room, per unit s.
func (f *Frames) SegmentSpin(s Segment) space.Vec {
	var w space.Vec
	for _, j := range near[s] {
		w = add(w, f.Spin[j])
	}
	return w
}
