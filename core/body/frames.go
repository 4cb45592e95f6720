package body

import (
	"math"

	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

func add(a, b space.Vec) space.Vec { return r3.Add(a, b) }
func sub(a, b space.Vec) space.Vec { return r3.Sub(a, b) }

// Pose holds the joint coordinates of one side of the body in radians, or their rates per unit s.
type Pose [setup.NumCoordinates]float64

// Joint numbers a joint that a torque is computed about.
type Joint int

// The joints, right side first, from the trunk outward.
const (
	TrunkR Joint = iota // the one between pelvis and thorax, which both sides have in common
	GirdleR
	ShoulderR
	ElbowR
	HipR
	KneeR
	AnkleR
	TrunkL
	GirdleL
	ShoulderL
	ElbowL
	HipL
	KneeL
	AnkleL
	NumJoints = int(AnkleL) + 1
)

// JointNames are the names of the joints of one side.
var JointNames = [TrunkL]string{"trunk", "girdle", "shoulder", "elbow", "hip", "knee", "ankle"}

// JointOf finds a joint of the right side by its name.
func JointOf(name string) (Joint, bool) {
	for j, n := range JointNames {
		if n == name {
			return Joint(j), true
		}
	}
	return 0, false
}

// Joint gives the joint of this side for a joint of the right side.
func (s Side) Joint(right Joint) Joint { return right + Joint(s)*TrunkL }

// Name is the joint's name, without its side.
func (j Joint) Name() string { return JointNames[j%TrunkL] }

// Leg says whether the joint is one of a leg.
func (j Joint) Leg() bool { return j%TrunkL >= HipR }

// Arm says whether the joint is one of an arm or of its girdle.
func (j Joint) Arm() bool { return !j.Leg() && !j.Trunk() }

// Trunk says whether the joint is that of the trunk.
func (j Joint) Trunk() bool { return j%TrunkL == TrunkR }

// Beyond lists the segments on the side of each joint that is away from the pelvis, the moved one first.
var Beyond = [NumJoints][]Segment{
	TrunkR:    aboveWaist,
	TrunkL:    aboveWaist,
	GirdleR:   {UpperArmR, ForearmR, HandR},
	ShoulderR: {UpperArmR, ForearmR, HandR},
	ElbowR:    {ForearmR, HandR},
	HipR:      {ThighR, ShankR, FootR},
	KneeR:     {ShankR, FootR},
	AnkleR:    {FootR},
	GirdleL:   {UpperArmL, ForearmL, HandL},
	ShoulderL: {UpperArmL, ForearmL, HandL},
	ElbowL:    {ForearmL, HandL},
	HipL:      {ThighL, ShankL, FootL},
	KneeL:     {ShankL, FootL},
	AnkleL:    {FootL},
}

// BelowWaist lists the segments on the pelvis' side of the trunk's joint.
var BelowWaist = []Segment{Pelvis, ThighR, ShankR, FootR, ThighL, ShankL, FootL}

var aboveWaist = []Segment{Thorax, Head, UpperArmR, ForearmR, HandR, UpperArmL, ForearmL, HandL}

// Frames is the whole body at one place along the path, in room axes. It is written by Place and holds no memory of its
// own, so that one value serves a whole repetition without allocating.
type Frames struct {
	Body    *Body
	Station *Station
	Pose    [2]Pose                // that it was placed from, by Side
	Turning [2]Pose                // the pose's rates per unit s
	Origin  [NumSegments]space.Vec // near joint of each segment; the pelvis' is mid-hip, the thorax' where the trunk bends, the head's the base of the neck
	Turn    [NumSegments]space.Mat // segment axes: along -Y from the near joint when standing at rest
	COM     [NumSegments]space.Vec
	Rate    [NumSegments]space.Vec // velocity of the origin per unit s
	Omega   [NumSegments]space.Vec // angular velocity per unit s
	Joint   [NumJoints]space.Vec   // joint centres
	// angular velocity per unit s of the outer side relative to the inner one; the shoulder's relative to the thorax
	Spin  [NumJoints]space.Vec
	Grip  [2]space.Vec // middle of the closed hand, by Side
	Wrist [2]space.Vec
	Tip   [2]space.Vec // finger tips
}

// Ball is the middle of the ball of a foot, m.
func (f *Frames) Ball(side Side) space.Vec {
	foot := side.On(FootR)
	return add(f.Origin[foot], f.Turn[foot].Apply(space.Vec{X: ankleToBall * f.Body.FootLength, Y: -f.Body.AnkleH}))
}

// Place computes all frames from the joint coordinates of both sides and their rates per unit s. The limits of the
// coordinates are the caller's business; any angle gives a frame.
func (f *Frames) Place(b *Body, st *Station, poses, rates *[2]Pose) {
	f.Body, f.Station = b, st
	f.placePelvis(poses, rates)
	f.placeThorax(&poses[Right], &rates[Right])
	for side := Right; side <= Left; side++ {
		f.PlaceArm(side, &poses[side], &rates[side])
		if st.LegsMove && !(st.Split && side != st.Carrier) {
			f.moveLeg(side, &poses[side], &rates[side])
		} else {
			f.placeLeg(side)
		}
	}
}

// placePelvis puts the pelvis where the station says, or, where the legs move on an end that stays in place, where they carry it.
func (f *Frames) placePelvis(poses, rates *[2]Pose) {
	st := f.Station
	f.Origin[Pelvis], f.Turn[Pelvis], f.Rate[Pelvis], f.Omega[Pelvis] = st.MidHip, st.Trunk, space.Vec{}, space.Vec{}
	if st.Carries() {
		f.rise(&poses[st.Carrier], &rates[st.Carrier])
	}
}

// sternoclavicular joint from the resting right shoulder, m at a stature of 1.75 (own).
var sternum = space.Vec{X: 0.040, Y: 0.010, Z: -0.150}

// PlaceArm computes the frames of one arm anew, the rest of the body having been placed before.
//
// It follows humerus = swing(plane, elevation) twist(rotation) in the thorax' axes: the swing turns by the elevation about the
// horizontal axis sin p Z - cos p X, the twist about the humerus' own long axis, internal rotation +. The shoulder joint
// moves with the girdle: Ry(protraction) Rx(-elevation) about the sternoclavicular joint.
func (f *Frames) PlaceArm(side Side, q, rate *Pose) {
	b, trunk := f.Body, &f.Turn[Thorax]
	f.Pose[side], f.Turning[side] = *q, *rate
	sp, cp := math.Sincos(q[setup.ShoulderPlane])
	axis := space.Vec{X: -cp, Z: sp}
	swing := space.Rot(axis, q[setup.ShoulderElevation])
	humerus := turned(&swing, space.RotY, q[setup.ShoulderRotation])
	forearm, elbowSpin := f.bend(&humerus, q, rate)
	hand := turned(&forearm, space.RotY, q[setup.ForearmPronation])
	hand = turned(&hand, space.RotX, q[setup.WristFlexion])

	// Rates of the three shoulder angles add up about the vertical, the swing's axis and the long axis d.
	d := swing.Apply(space.Vec{Y: -1})
	spin := add(r3.Scale(rate[setup.ShoulderPlane], add(space.Y, d)),
		sub(r3.Scale(rate[setup.ShoulderElevation], axis), r3.Scale(rate[setup.ShoulderRotation], d)))
	handSpin := add(r3.Scale(rate[setup.ForearmPronation], forearm.Apply(space.Y)), r3.Scale(rate[setup.WristFlexion], hand.Apply(space.X)))

	shoulder, girdleSpin, drift := b.Girdle(q, rate)
	if side == Left {
		shoulder, drift = space.MirrorPoint(shoulder), space.MirrorPoint(drift)
		spin, elbowSpin = space.MirrorSpin(spin), space.MirrorSpin(elbowSpin)
		handSpin, girdleSpin = space.MirrorSpin(handSpin), space.MirrorSpin(girdleSpin)
		humerus, forearm, hand = humerus.Mirrored(), forearm.Mirrored(), hand.Mirrored()
	}
	upper, fore, palm := side.On(UpperArmR), side.On(ForearmR), side.On(HandR)
	f.Turn[upper], f.Turn[fore], f.Turn[palm] = trunk.Mul(&humerus), trunk.Mul(&forearm), trunk.Mul(&hand)

	gi, sh, el := side.Joint(GirdleR), side.Joint(ShoulderR), side.Joint(ElbowR)
	f.Spin[gi], f.Spin[sh], f.Spin[el] = trunk.Apply(girdleSpin), trunk.Apply(spin), trunk.Apply(elbowSpin)
	f.Origin[upper] = f.OnThorax(shoulder)
	f.Rate[upper] = add(f.Velocity(Thorax, f.Origin[upper]), trunk.Apply(drift))
	f.Omega[upper] = add(f.Omega[Thorax], f.Spin[sh])
	f.next(fore, upper, b.UpperArm, f.Spin[el])
	f.next(palm, fore, b.Forearm, trunk.Apply(handSpin))
	f.Wrist[side], f.Grip[side], f.Tip[side] = f.Origin[palm], f.along(palm, b.Grip), f.along(palm, b.Hand)
	f.COM[upper], f.COM[fore], f.COM[palm] = f.along(upper, comUpperArm*b.UpperArm), f.along(fore, comForearm*b.Forearm), f.Grip[side]
	f.Joint[gi], f.Joint[sh], f.Joint[el] = f.OnThorax(b.sternoclavicular(side)), f.Origin[upper], f.Origin[fore]
}

// bend is the forearm's orientation and the elbow's spin, in trunk axes. The hinge is tilted by half the carrying angle
// c, so that the forearm deviates by c when straight and by half of it at 90 degrees.
func (f *Frames) bend(humerus *space.Mat, q, rate *Pose) (space.Mat, space.Vec) {
	c := f.Body.CarryingAngle
	if c == 0 {
		return turned(humerus, space.RotZ, q[setup.ElbowFlexion]), r3.Scale(rate[setup.ElbowFlexion], humerus.Apply(space.Z))
	}
	hinge := ElbowHinge(c)
	fold := space.Rot(hinge, q[setup.ElbowFlexion])
	forearm := humerus.Mul(&fold)
	return turned(&forearm, space.RotX, -c), r3.Scale(rate[setup.ElbowFlexion], humerus.Apply(hinge))
}

// ElbowHinge is the elbow's axis in the humerus' own axes for a carrying angle in radians.
func ElbowHinge(c float64) space.Vec {
	s, k := math.Sincos(c / 2)
	return space.Vec{Y: s, Z: k}
}

func (b *Body) sternoclavicular(side Side) space.Vec {
	k := b.Height / 1.75
	sc := space.Vec{X: k * sternum.X, Y: b.ShoulderHeight - b.HipHeight + k*sternum.Y, Z: b.ShoulderHalf + k*sternum.Z}
	if side == Left {
		return space.MirrorPoint(sc)
	}
	return sc
}

// Girdle is the right shoulder joint from mid-hip with the trunk straight, in the thorax' axes, the girdle's spin, and the joint's drift per unit s.
func (b *Body) Girdle(q, rate *Pose) (shoulder, spin, drift space.Vec) {
	shoulder = space.Vec{Y: b.ShoulderHeight - b.HipHeight, Z: b.ShoulderHalf}
	up, ahead := q[setup.GirdleElevation], q[setup.GirdleProtraction]
	if up == 0 && ahead == 0 && rate[setup.GirdleElevation] == 0 && rate[setup.GirdleProtraction] == 0 {
		return shoulder, spin, drift
	}
	sc := b.sternoclavicular(Right)
	yaw := space.RotY(ahead)
	turn := turned(&yaw, space.RotX, -up)
	arm := turn.Apply(sub(shoulder, sc))
	spin = sub(r3.Scale(rate[setup.GirdleProtraction], space.Y), r3.Scale(rate[setup.GirdleElevation], yaw.Apply(space.X)))
	return add(sc, arm), spin, r3.Cross(spin, arm)
}

// next fixes a segment's origin to the far end of the one before and gives it the spin relative to it.
func (f *Frames) next(s, before Segment, length float64, spin space.Vec) {
	arm := r3.Scale(length, f.Direction(before))
	f.Origin[s] = add(f.Origin[before], arm)
	f.Rate[s] = add(f.Rate[before], r3.Cross(f.Omega[before], arm))
	f.Omega[s] = add(f.Omega[before], spin)
}

// turned is m followed by a rotation about one of its own axes; most coordinates of most paths are zero.
func turned(m *space.Mat, about func(float64) space.Mat, angle float64) space.Mat {
	if angle == 0 {
		return *m
	}
	r := about(angle)
	return m.Mul(&r)
}

// along is the point at the given distance from the near joint along a segment's length.
func (f *Frames) along(s Segment, distance float64) space.Vec {
	return add(f.Origin[s], f.Turn[s].Apply(space.Vec{Y: -distance}))
}

// Direction is the unit vector along a segment, away from its near joint; the foot's points to the toes.
func (f *Frames) Direction(s Segment) space.Vec {
	switch s {
	case FootR, FootL:
		return f.Turn[s].Apply(space.X)
	case Pelvis, Thorax, Head:
		return f.Turn[s].Apply(space.Y)
	}
	return f.Turn[s].Apply(space.Vec{Y: -1})
}

// PointOn is the place of a contact: a share (0 near end to 1 far end) of the length of a limb's segment.
func (f *Frames) PointOn(s Segment, share float64) space.Vec {
	return add(f.Origin[s], r3.Scale(share*f.Body.SegmentLength(s), f.Direction(s)))
}

// Velocity is the change per unit s of a point that is fixed to a segment.
func (f *Frames) Velocity(s Segment, p space.Vec) space.Vec {
	return add(f.Rate[s], r3.Cross(f.Omega[s], sub(p, f.Origin[s])))
}

// Shift moves the whole body and gives it a velocity, as when the hands stay in place and the trunk moves instead.
func (f *Frames) Shift(by, rate space.Vec) {
	for s := range f.Origin {
		f.Origin[s], f.COM[s], f.Rate[s] = add(f.Origin[s], by), add(f.COM[s], by), add(f.Rate[s], rate)
	}
	for j := range f.Joint {
		f.Joint[j] = add(f.Joint[j], by)
	}
	for side := range f.Grip {
		f.Grip[side], f.Wrist[side], f.Tip[side] = add(f.Grip[side], by), add(f.Wrist[side], by), add(f.Tip[side], by)
	}
}

// ReadAs writes the shoulder of a pose in the reading of another: a plane of elevation p with an elevation e and p + 180 degrees with -e
// are one orientation of the arm, and differences mean something only between like readings.
func (q *Pose) ReadAs(other *Pose) {
	if math.Cos(q[setup.ShoulderPlane]-other[setup.ShoulderPlane]) < 0 {
		q[setup.ShoulderPlane] += math.Pi
		q[setup.ShoulderElevation] = -q[setup.ShoulderElevation]
	}
}
