package movement

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// local turns a place in the room into the trunk's axes from mid-hip, as seen by the right side: a left lead is mirrored.
func (p *Path) local(at space.Vec) space.Vec {
	back := p.station.Trunk.Transpose()
	v := back.Apply(r3.Sub(at, p.station.MidHip))
	if p.Lead() == body.Left {
		return space.MirrorPoint(v)
	}
	return v
}

// outward is how far out the elbow of a hand that holds on points, radians (own).
const outward = 30 * math.Pi / 180

// holdOn brings the hand that takes no part to a place in the room.
func (p *Path) holdOn(at space.Vec) {
	target := p.local(at)
	target.Z = -target.Z // the lead side's places are those of the right; the other side's are mirrored to them
	p.free = p.reach(target, outward, math.NaN(), &p.idle)
}

// Where a hand leans on the own thigh: the share of its length from the hip, and how far above its middle, as a share of stature (own).
const (
	leanAlong = 0.8
	leanAbove = 0.04
)

// ownThigh is the place on the thigh of the side that takes no part at which its hand leans.
func (p *Path) ownThigh() space.Vec {
	var poses, rates [2]body.Pose
	poses[0], poses[1] = p.fixed, p.fixed
	var f body.Frames
	f.Place(p.body, p.station, &poses, &rates)
	on := f.PointOn(p.Lead().Opposite().On(body.ThighR), leanAlong)
	on.Y += leanAbove * p.body.Height
	return on
}

// FreeMisses is by how much the free hand does not reach what it is to hold on to, m.
func (p *Path) FreeMisses() float64 { return p.free }

// fromShoulder is a place in the room counted from the lead shoulder at rest, in the lifter's axes; a left lead's are
// mirrored.
func (p *Path) fromShoulder(q *setup.Point) space.Vec {
	b, st := p.body, p.station
	shoulder := p.mirrored(space.Vec{Y: b.ShoulderHeight - b.HipHeight, Z: b.ShoulderHalf}, false)
	return r3.Add(st.MidHip, r3.Add(st.Trunk.Apply(shoulder), st.Heading.Apply(p.mirrored(vec(q), false))))
}

// mirrored is a vector of the right side as the lead side has it; the axis of a turn changes the other way.
func (p *Path) mirrored(v space.Vec, turn bool) space.Vec {
	switch {
	case p.Lead() == body.Right:
		return v
	case turn:
		return space.MirrorSpin(v)
	}
	return space.MirrorPoint(v)
}

func vec(p *setup.Point) space.Vec { return space.Vec{X: p.X, Y: p.Y, Z: p.Z} }

// guided leads the grip along a line or an arc; shoulder and elbow follow by two-link inverse kinematics.
func (p *Path) guided(g *setup.Guide) func(float64, *body.Pose) float64 {
	place, turned := vec, vec
	if g.Relative {
		place = p.fromShoulder
		turned = func(q *setup.Point) space.Vec { return p.station.Heading.Apply(p.mirrored(vec(q), true)) }
	}
	start := place(&g.Start)
	var at func(s float64) space.Vec
	if g.Kind == "arc" {
		centre, axis := place(g.Centre), r3.Unit(turned(g.About))
		at = func(s float64) space.Vec {
			turn := space.Rot(axis, s*space.Rad(g.TurnDeg))
			return r3.Add(centre, turn.Apply(r3.Sub(start, centre)))
		}
	} else {
		end := place(g.End)
		at = func(s float64) space.Vec { return r3.Add(start, r3.Scale(s, r3.Sub(end, start))) }
	}
	from, to := space.Rad(g.SwivelDeg), space.Rad(g.SwivelDeg)
	if g.SwivelTo != 0 {
		to = space.Rad(g.SwivelTo)
	}
	// One plane of elevation is taken for the whole path, so that an arm that passes its own hanging line goes on to a
	// negative elevation instead of turning round.
	middle := p.fixed
	p.reach(p.local(at(0.5)), (from+to)/2, math.NaN(), &middle)
	plane := middle[setup.ShoulderPlane]
	return func(s float64, q *body.Pose) float64 { return p.reach(p.local(at(s)), from+s*(to-from), plane, q) }
}

// reach is two-link inverse kinematics in trunk axes, right side: it writes the shoulder's angles and the elbow's flexion
// that bring the grip to a target, with the elbow on a circle about the line from shoulder to grip. The swivel counts
// along that circle from where the elbow points to the feet when the hand is in front, carried along as the line swings
// to where it is (so in front of the line overhead, behind a hanging one), outward +. It returns by how many metres the
// target is out of reach; then the arm points at it.
func (p *Path) reach(target space.Vec, swivel, plane float64, q *body.Pose) float64 {
	b := p.body
	var none body.Pose
	shoulder, _, _ := b.Girdle(q, &none)
	line := r3.Sub(target, shoulder)
	distance := space.Norm(line)
	upper, fore := b.UpperArm, b.Forearm+b.Grip
	flexion, miss := elbowFor(distance, upper, fore, b.CarryingAngle)
	q[setup.ElbowFlexion] = flexion

	g := r3.Scale(1/max(distance, 1e-9), line)
	elbow, out := elbowZero(g)
	s, c := math.Sincos(swivel)
	elbow = r3.Add(r3.Scale(c, elbow), r3.Scale(s, out))

	// The humerus turns its own frame, built from the line to the grip and the elbow's side of it, onto that of the trunk.
	h := r3.Unit(p.handFrom(q))
	humerus := onto(h, elbowSide(h), g, r3.Unit(elbow))
	setShoulder(&humerus, plane, q)
	return miss
}

// elbowFor is the flexion at which the grip is at a distance from the shoulder, and by how much that cannot be.
//
// The upper arm's and the forearm's directions have the product cos f cos²(c/2) - sin²(c/2) for a carrying angle c.
func elbowFor(distance, upper, fore, c float64) (flexion, miss float64) {
	k, s := math.Pow(math.Cos(c/2), 2), math.Pow(math.Sin(c/2), 2)
	product := (distance*distance - upper*upper - fore*fore) / (2 * upper * fore)
	x := (product + s) / k
	switch {
	case x > 1:
		longest := math.Sqrt(upper*upper + fore*fore + 2*upper*fore*(k-s))
		return 0, distance - longest
	case x < -1:
		return math.Pi, math.Abs(upper-fore) - distance
	}
	return math.Acos(x), 0
}

// forearmIn is the forearm's direction in the humerus' axes.
func forearmIn(flexion, c float64) space.Vec {
	down := space.RotX(-c)
	fold := space.Rot(body.ElbowHinge(c), flexion)
	return fold.Apply(down.Apply(space.Vec{Y: -1}))
}

// onto is the rotation that takes the unit vectors a, b (square to each other) to c, d.
func onto(a, b, c, d space.Vec) space.Mat {
	e, f := r3.Cross(a, b), r3.Cross(c, d)
	from := space.Mat{{a.X, a.Y, a.Z}, {b.X, b.Y, b.Z}, {e.X, e.Y, e.Z}}
	to := space.Mat{{c.X, d.X, f.X}, {c.Y, d.Y, f.Y}, {c.Z, d.Z, f.Z}}
	return to.Mul(&from)
}

// setShoulder reads plane, elevation and rotation off the humerus' orientation in trunk axes. Of the two pairs of plane
// and elevation that give one direction it takes the one nearer to the given plane; without one the elevation is positive,
// or, for an arm behind the body, negative in the plane ahead.
func setShoulder(humerus *space.Mat, plane float64, q *body.Pose) {
	d := humerus.Apply(space.Vec{Y: -1})
	e, pl := math.Acos(max(-1, min(1, -d.Y))), math.Atan2(d.X, d.Z)
	if math.Hypot(d.X, d.Z) < 1e-9 && !math.IsNaN(plane) {
		pl = plane
	}
	behind := math.IsNaN(plane) && (pl < -math.Pi/3 || pl > 0.75*math.Pi)
	if behind || math.Cos(pl-plane) < 0 {
		pl, e = pl+math.Pi, -e
	}
	pl = math.Remainder(pl, 2*math.Pi)
	sp, cp := math.Sincos(pl)
	swing := space.Rot(space.Vec{X: -cp, Z: sp}, e)
	back := swing.Transpose()
	twist := back.Mul(humerus)
	q[setup.ShoulderPlane], q[setup.ShoulderElevation] = pl, e
	q[setup.ShoulderRotation] = math.Atan2(twist[0][2], twist[0][0])
}

// inLine keeps the forearm in line with a strand: the upper arm goes where the movement says, its rotation and the elbow
// put the grip on the line from the elbow to where the strand starts.
func (p *Path) inLine(d *setup.Document) func(float64, *body.Pose) float64 {
	var from space.Vec
	for i := range d.Loads {
		if l := &d.Loads[i]; l.ID == d.Movement.InLine {
			if l.Anchor != nil && l.Kind == setup.Band {
				from = vec(l.Anchor)
			} else {
				from = vec(l.Pulley)
			}
			if body.SideOf(l.Side) != p.Lead() {
				from = p.station.Mirror(from)
			}
		}
	}
	target := p.local(from)
	return func(_ float64, q *body.Pose) float64 {
		b := p.body
		var none body.Pose
		shoulder, _, _ := b.Girdle(q, &none)
		sp, cp := math.Sincos(q[setup.ShoulderPlane])
		swing := space.Rot(space.Vec{X: -cp, Z: sp}, q[setup.ShoulderElevation])
		elbow := r3.Add(shoulder, swing.Apply(space.Vec{Y: -b.UpperArm}))
		back := swing.Transpose()
		w := back.Apply(r3.Unit(r3.Sub(target, elbow)))
		k, s := math.Pow(math.Cos(b.CarryingAngle/2), 2), math.Pow(math.Sin(b.CarryingAngle/2), 2)
		q[setup.ElbowFlexion] = math.Acos(max(-1, min(1, (s-w.Y)/k)))
		v := forearmIn(q[setup.ElbowFlexion], b.CarryingAngle)
		q[setup.ShoulderRotation] = math.Remainder(math.Atan2(w.X, w.Z)-math.Atan2(v.X, v.Z), 2*math.Pi)
		return 0
	}
}

// onBar keeps the hands a bar's width apart: upper arms and forearms give way together, each by the least angle, in the
// plane out from the body and about the upper arm.
func (p *Path) onBar(width float64) func(float64, *body.Pose) float64 {
	return func(_ float64, q *body.Pose) float64 {
		free := *q
		off := func(out, turn float64) float64 {
			lean(&free, out, turn, q)
			return p.handAside(q) - width/2
		}
		var out, turn float64
		for range 30 {
			const h = 1e-6
			miss := off(out, turn)
			if math.Abs(miss) < 1e-13 {
				return 0
			}
			a, b := (off(out+h, turn)-miss)/h, (off(out, turn+h)-miss)/h
			n := a*a + b*b
			if n < 1e-9 {
				break
			}
			// The least change from the free pose, not from the last guess, that meets the constraint to first order.
			step := (a*out + b*turn - miss) / n
			out, turn = a*step, b*step
		}
		if miss := math.Abs(off(out, turn)); miss > 1e-9 {
			return miss
		}
		return 0
	}
}

// lean is a pose with the upper arm led outward by an angle and turned about itself by another.
func lean(free *body.Pose, out, turn float64, q *body.Pose) {
	sp, cp := math.Sincos(free[setup.ShoulderPlane])
	swing := space.Rot(space.Vec{X: -cp, Z: sp}, free[setup.ShoulderElevation])
	twist := space.RotY(free[setup.ShoulderRotation] + turn)
	aside := space.RotX(-out)
	humerus := aside.Mul(&swing)
	humerus = humerus.Mul(&twist)
	plane := free[setup.ShoulderPlane]
	if math.Abs(free[setup.ShoulderElevation]) < 0.15 {
		plane = 0 // a hanging arm that gives way outward or inward does so in the frontal plane
	}
	setShoulder(&humerus, plane, q)
}

// handAside is how far the right grip is from the middle of the body, m.
func (p *Path) handAside(q *body.Pose) float64 {
	return p.gripIn(q).Z
}
