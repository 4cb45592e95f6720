// Package body turns a lifter and a posture into segments with lengths, masses and places in the room.
//
// Right limbs are computed as written; the left are their mirror image in the lifter's sagittal plane. Angles are in
// radians here.
package body

import (
	"dialarc/core/setup"
	"dialarc/core/space"
)

// Segment numbers a rigid part of the body.
type Segment int

// The segments, the near ones of a limb first. Segments of the left limbs follow those of the right in the same order.
const (
	Pelvis Segment = iota
	Thorax         // all of the trunk above the axis that it bends about
	Head
	UpperArmR
	ForearmR
	HandR
	ThighR
	ShankR
	FootR
	UpperArmL
	ForearmL
	HandL
	ThighL
	ShankL
	FootL
	NumSegments = int(FootL) + 1
)

// Side numbers a side of the body: Right or Left.
type Side int

// The two sides.
const (
	Right Side = iota
	Left
)

// SideOf reads a side from its name in a document; everything but "left" is the right.
func SideOf(name string) Side {
	if name == "left" {
		return Left
	}
	return Right
}

// Opposite is the other side.
func (s Side) Opposite() Side { return Left - s }

// Name is the side as written in documents.
func (s Side) Name() string { return [2]string{"right", "left"}[s] }

// On gives the segment of this side for a segment of the right side.
func (s Side) On(right Segment) Segment {
	if s == Left && right >= UpperArmR && right <= FootR {
		return right + (UpperArmL - UpperArmR)
	}
	return right
}

// SegmentNames are the names of the segments in scenes and documents.
var SegmentNames = [NumSegments]string{"pelvis", "thorax", "head",
	"upperArm.right", "forearm.right", "hand.right", "thigh.right", "shank.right", "foot.right",
	"upperArm.left", "forearm.left", "hand.left", "thigh.left", "shank.left", "foot.left"}

// Body holds the lengths (m) and masses (kg) of one lifter.
type Body struct {
	Height, BodyMass                       float64
	ShoulderHeight, ShoulderHalf           float64
	UpperArm, Forearm, Hand, Grip          float64
	HipHeight, HipHalf, KneeHeight, AnkleH float64
	FootLength, ChinHeight, OuterHipHalf   float64
	CarryingAngle                          float64 // of the elbow, rad
	Masses                                 [NumSegments]float64
}

// Shares of body mass and places of the centres of mass from the near end, as a share of the segment's length: Winter,
// Biomechanics and Motor Control of Human Movement, 4th ed. 2009, table 4.1 (from memory). The hand's centre of mass is
// taken at the grip and the head's at ear height, 0.93 of stature (own).
var massShares = map[Segment]float64{Pelvis: 0.142, Thorax: 0.355, Head: 0.081,
	UpperArmR: 0.028, ForearmR: 0.016, HandR: 0.006, ThighR: 0.100, ShankR: 0.0465, FootR: 0.0145}

const (
	comUpperArm = 0.436
	comForearm  = 0.430
	comThigh    = 0.433
	comShank    = 0.433
	comFoot     = 0.50
	// the trunk's own, of its length from the hips, and the pelvis' share of the way to the axis that the trunk bends about
	comTrunk    = 0.50
	comPelvis   = 0.89
	earHeight   = 0.93
	heelToAnkle = 0.25 // share of the foot's length behind the ankle (own)
	ankleToBall = 0.47 // and from the ankle to the heads of the metatarsals, about which a heel is raised (own)
)

// New scales a body to the lifter. Lengths that were measured replace the usual share of stature.
func New(l *setup.Lifter) Body {
	b := Body{
		Height: l.Height, BodyMass: l.BodyMass,
		ShoulderHeight: l.LengthOf("shoulderHeight"), ShoulderHalf: l.LengthOf("shoulderHalfBreadth"),
		UpperArm: l.LengthOf("upperArm"), Forearm: l.LengthOf("forearm"), Hand: l.LengthOf("hand"), Grip: l.LengthOf("grip"),
		HipHeight: l.LengthOf("hipHeight"), HipHalf: l.LengthOf("hipHalfBreadth"),
		KneeHeight: l.LengthOf("kneeHeight"), AnkleH: l.LengthOf("ankleHeight"),
		FootLength: l.LengthOf("footLength"), ChinHeight: l.LengthOf("chinHeight"), OuterHipHalf: l.LengthOf("outerHipHalfBreadth"),
		CarryingAngle: space.Rad(l.CarryingDeg),
	}
	for seg, share := range massShares {
		b.Masses[seg] = share * l.BodyMass
		if seg >= UpperArmR {
			b.Masses[Left.On(seg)] = share * l.BodyMass
		}
	}
	return b
}

// ArmLength is the distance from the shoulder joint to the middle of the closed hand with the elbow straight, m.
func (b *Body) ArmLength() float64 { return b.UpperArm + b.Forearm + b.Grip }

// Thigh and Shank are the lengths of the leg's segments, m.
func (b *Body) Thigh() float64 { return b.HipHeight - b.KneeHeight }

// Shank is the length from knee to ankle, m.
func (b *Body) Shank() float64 { return b.KneeHeight - b.AnkleH }

// SegmentLength is the length in m of the slender rod that a segment turns like: the pelvis' from mid-hip to where the trunk
// bends, the thorax' on to the shoulders; the head, whose turning matters nowhere, counts as a point.
func (b *Body) SegmentLength(s Segment) float64 {
	switch s {
	case Pelvis:
		return b.lumbar()
	case Thorax:
		return b.ShoulderHeight - b.HipHeight - b.lumbar()
	case UpperArmR, UpperArmL:
		return b.UpperArm
	case ForearmR, ForearmL:
		return b.Forearm
	case HandR, HandL:
		return b.Hand
	case ThighR, ThighL:
		return b.Thigh()
	case ShankR, ShankL:
		return b.Shank()
	case FootR, FootL:
		return b.FootLength
	}
	return 0
}
