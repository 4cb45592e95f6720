package movement

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Reaching is the pose of the moving side at s (0 to 1), radians, with the middle of its closed hand led to a place in the room, m. The
// elbow stays on its side of the line from shoulder to hand. miss is by how many metres the place is out of reach; the arm points at it
// then.
func (p *Path) Reaching(s float64, hand space.Vec) (q body.Pose, miss float64) {
	q, _ = p.pose(s)
	miss = p.reach(p.local(hand), p.swivel(&q), q[setup.ShoulderPlane], &q)
	return q, miss
}

// Pointing is the pose at s, radians, with the upper arm turned so that the elbow lies in the direction of a place in the room, by the
// least turn; the elbow's own angle stays.
func (p *Path) Pointing(s float64, elbow space.Vec) body.Pose {
	q, _ := p.pose(s)
	shoulder, humerus := p.upperArm(&q)
	was, to := humerus.Apply(space.Vec{Y: -1}), r3.Sub(p.local(elbow), shoulder)
	if space.Norm(to) < 1e-6 {
		return q
	}
	axis := r3.Cross(was, to)
	if space.Norm(axis) < 1e-9 {
		return q
	}
	turn := space.Rot(r3.Unit(axis), math.Atan2(space.Norm(axis), r3.Dot(was, to)))
	led := turn.Mul(&humerus)
	setShoulder(&led, q[setup.ShoulderPlane], &q)
	return q
}

// upperArm is the shoulder joint, m, and the orientation of the upper arm of a pose of the right side, in the trunk's axes.
func (p *Path) upperArm(q *body.Pose) (shoulder space.Vec, humerus space.Mat) {
	var none body.Pose
	shoulder, _, _ = p.body.Girdle(q, &none)
	sp, cp := math.Sincos(q[setup.ShoulderPlane])
	swing := space.Rot(space.Vec{X: -cp, Z: sp}, q[setup.ShoulderElevation])
	twist := space.RotY(q[setup.ShoulderRotation])
	return shoulder, swing.Mul(&twist)
}

// swivel is the angle that reach would need to leave a pose's elbow where it is, radians.
func (p *Path) swivel(q *body.Pose) float64 {
	_, humerus := p.upperArm(q)
	h := r3.Unit(p.handFrom(q))
	g := humerus.Apply(h)
	side := humerus.Apply(elbowSide(h))
	elbow, out := elbowZero(g)
	return math.Atan2(r3.Dot(side, out), r3.Dot(side, elbow))
}

// handFrom is the middle of the closed hand from the shoulder in the upper arm's axes, m.
func (p *Path) handFrom(q *body.Pose) space.Vec {
	b := p.body
	return r3.Add(space.Vec{Y: -b.UpperArm}, r3.Scale(b.Forearm+b.Grip, forearmIn(q[setup.ElbowFlexion], b.CarryingAngle)))
}

// gripIn is where the right grip is in a pose, in trunk axes from mid-hip.
func (p *Path) gripIn(q *body.Pose) space.Vec {
	shoulder, humerus := p.upperArm(q)
	return r3.Add(shoulder, humerus.Apply(p.handFrom(q)))
}

// elbowSide is the side of the line from shoulder to hand, of direction h in the upper arm's axes, on which the elbow lies; that of a
// straight arm is where it would bend.
func elbowSide(h space.Vec) space.Vec {
	side := space.Reject(space.Vec{Y: -1}, h)
	if space.Norm(side) < 1e-7 {
		side = space.Reject(space.Vec{X: -1}, h)
	}
	return r3.Unit(side)
}

// elbowZero is where the elbow points at a swivel of 0, off a line from shoulder to hand of direction g, and what is outward of it.
func elbowZero(g space.Vec) (elbow, out space.Vec) {
	elbow = space.Vec{Y: -1}
	if axis := r3.Cross(space.X, g); space.Norm(axis) > 1e-9 {
		carry := space.Rot(r3.Unit(axis), math.Atan2(space.Norm(axis), g.X))
		elbow = carry.Apply(elbow)
	}
	return elbow, r3.Cross(elbow, g)
}

// GuidePoints are the points of a guide in the room, m, at the lead side: where the hand's way starts, and where a line ends or about
// which point an arc goes.
func (p *Path) GuidePoints(g *setup.Guide) (start, other space.Vec) {
	place := vec
	if g.Relative {
		place = p.fromShoulder
	}
	if g.Kind == "arc" {
		return place(&g.Start), place(g.Centre)
	}
	return place(&g.Start), place(g.End)
}
