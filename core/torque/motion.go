package torque

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Motion is a repetition in time, with inertia: one value per time sample.
type Motion struct {
	Time    []float64 // s
	S       []float64 // place along the path
	Angle   []float64 // the coordinate that names the sweep, rad
	Static  []float64 // resisting torque without inertia, in the direction of the movement there, N·m
	Dynamic []float64 // with the inertia of segments, weights and stacks, N·m
	Slack   []bool    // a cable has gone slack under the acceleration
	Rate    []float64 // per second; positive while lifting
}

// curvature is how far to both sides the rates are compared for second derivatives along the path, in s: wide enough to
// see through the kinks of a path that is smooth only in its first derivative.
const curvature = 0.02

// onward is the step, in units of s, by which a pose is carried on at its rates to see how velocities bend: with a rule of
// fourth order the error and the rounding stay below 1e-11 of the acceleration.
const onward = 2e-4

// mover computes torque in motion about one joint.
type mover struct {
	in     *Input
	c      fulcrum
	sides  *lateral // nil where the hands cannot push sideways
	acting []*load.Item
	here   body.Frames
	second body.Frames    // the same pose with the second derivatives as its rates
	ahead  [4]body.Frames // the pose carried on by -2, -1, 1 and 2 steps at constant rates
}

func newMover(in *Input, joint body.Joint) *mover {
	mv := &mover{in: in, c: in.fulcrum(joint), sides: newLateral(in)}
	for i := range in.Items {
		if it := &in.Items[i]; !it.OwnBody() && (mv.c.counts(it.Segment) || mv.sides.feels(it.Segment)) {
			mv.acting = append(mv.acting, it)
		}
	}
	return mv
}

// place computes the frames that velocities and accelerations at s are read from.
func (mv *mover) place(s float64) {
	var before, after, poses, rates, bent [2]body.Pose
	mv.in.Path.At(s-curvature, &poses, &before)
	mv.in.Path.At(s+curvature, &poses, &after)
	mv.in.Path.At(s, &poses, &rates)
	for side := range bent {
		for c := range bent[side] {
			bent[side][c] = (after[side][c] - before[side][c]) / (2 * curvature)
		}
	}
	mv.in.Path.Put(&poses, &rates, &mv.here)
	mv.in.Path.Put(&poses, &bent, &mv.second)
	for k, step := range [4]float64{-2, -1, 1, 2} {
		moved := poses
		for side := range moved {
			for c := range moved[side] {
				moved[side][c] += step * onward * rates[side][c]
			}
		}
		mv.in.Path.Put(&moved, &rates, &mv.ahead[k])
	}
}

// Move runs a repetition along its course at n samples per moving phase. In the pauses there is no motion to tell of.
func Move(in *Input, course *movement.Course, n int) *Motion {
	mv := newMover(in, in.Joint)
	name := NameOf(in.Path, mv.c.lead, in.Joint, &in.Axis)
	out := &Motion{}
	for i, phase := range course.Moving() {
		for k := range n {
			// The ends of a phase belong to it, not to the pause beside it.
			t := phase[0] + (phase[1]-phase[0])*float64(k)/float64(n-1)
			inside := min(max(t, phase[0]+1e-9), phase[1]-1e-9)
			s, rate, acceleration := course.At(inside)
			mv.place(s)
			static, dynamic, slack := mv.torques(rate, acceleration, i == 0)
			axis, _ := mv.c.axis(&mv.here, &in.Axis)
			out.Time, out.S, out.Rate = append(out.Time, t), append(out.S, s), append(out.Rate, rate)
			out.Angle = append(out.Angle, mv.here.Pose[mv.c.lead][name])
			out.Static, out.Dynamic = append(out.Static, about(axis, static)), append(out.Dynamic, about(axis, dynamic))
			out.Slack = append(out.Slack, slack)
		}
	}
	return out
}

// about is the part of a torque that resists a turn about a unit axis; none where there is no axis, because the joint stands still.
func about(axis, t space.Vec) float64 {
	if axis == (space.Vec{}) {
		return math.NaN()
	}
	return -r3.Dot(t, axis)
}

// InMotion is the torque vector in N·m, room axes, on the far side of a joint (of the right side; the lead side's is taken)
// at a place s along the path that is passed at a rate per second and an acceleration per second².
func InMotion(in *Input, joint body.Joint, s, rate, acceleration float64) space.Vec {
	mv := newMover(in, joint)
	mv.place(s)
	_, t, _ := mv.torques(rate, acceleration, rate >= 0)
	return t
}

// Press is what acts at one place on the body: a force, N, and a couple, N·m.
type Press struct{ At, Force, Couple space.Vec }

// Pressing is everything that acts on the body at a place s along the path that is passed at a rate per second and an
// acceleration per second²: the segments' weights and inertia and the pulls of all loads; and the pose.
func Pressing(in *Input, s, rate, acceleration float64) ([]Press, *body.Frames) {
	mv := newMover(in, in.Joint)
	mv.place(s)
	f := &mv.here
	out := make([]Press, 0, body.NumSegments+len(in.Items))
	for seg := range body.Segment(body.NumSegments) {
		force, couple := mv.inertia(seg, rate, acceleration)
		force.Y -= in.Body.Masses[seg] * load.Gravity
		out = append(out, Press{f.COM[seg], force, couple})
	}
	for i := range in.Items {
		item := &in.Items[i]
		if item.OwnBody() {
			continue
		}
		on := movesWith(item)
		at := mv.local(on, item.At(f).Contact)
		v, a := mv.point(func(g *body.Frames) space.Vec { return g.Velocity(on, at(g)) }, rate, acceleration)
		moving := item.Moving(f, v, a)
		out = append(out, Press{At: moving.Contact, Force: moving.Force})
	}
	return out, f
}

// torques are those at rest and in motion, and whether a cable goes slack.
func (mv *mover) torques(rate, acceleration float64, lifting bool) (static, dynamic space.Vec, slack bool) {
	f := &mv.here
	static, _ = mv.c.weights(f)
	if mv.sides != nil {
		mv.sides.place(f)
		static = r3.Add(static, mv.aside(mv.sides.own))
	}
	dynamic = r3.Add(static, mv.segments(rate, acceleration))
	for _, item := range mv.acting {
		still := item.At(f)
		if !lifting {
			still.Force = still.Lowering
		}
		static = r3.Add(static, mv.about(item.Segment, &still))
		// The place on the segment where the load acts now is what moves, also where a pad slides on.
		on := movesWith(item)
		at := mv.local(on, still.Contact)
		v, a := mv.point(func(g *body.Frames) space.Vec { return g.Velocity(on, at(g)) }, rate, acceleration)
		moving := item.Moving(f, v, a)
		slack = slack || (moving.State == load.Slack && still.State != load.Slack)
		dynamic = r3.Add(dynamic, mv.about(item.Segment, &moving))
	}
	return static, dynamic, slack
}

// movesWith is the segment that a load's own masses go along with: what it pulls on, unless its kind knows better.
func movesWith(item *load.Item) body.Segment {
	if other, ok := item.Source.(interface{ MovesWith() (body.Segment, bool) }); ok {
		if s, moves := other.MovesWith(); moves {
			return s
		}
	}
	return item.Segment
}

// local fixes a place to a segment.
func (mv *mover) local(s body.Segment, place space.Vec) func(*body.Frames) space.Vec {
	back := mv.here.Turn[s].Transpose()
	own := back.Apply(r3.Sub(place, mv.here.Origin[s]))
	return func(g *body.Frames) space.Vec { return r3.Add(g.Origin[s], g.Turn[s].Apply(own)) }
}

func (mv *mover) about(s body.Segment, pull *load.Pull) space.Vec {
	return mv.ofAction(&action{segment: s, at: pull.Contact, force: pull.Force})
}

// ofAction is the torque of an action, and of what the hands push sideways because of it.
func (mv *mover) ofAction(a *action) space.Vec {
	var t space.Vec
	if mv.c.counts(a.segment) {
		t, _ = mv.c.of(&mv.here, a)
	}
	if mv.sides.feels(a.segment) {
		t = r3.Add(t, mv.aside(mv.sides.answer(&mv.here, a)))
	}
	return t
}

// aside is the torque of a push outward, N.
func (mv *mover) aside(push float64) space.Vec {
	a := mv.sides.force(&mv.here, push)
	t, _ := mv.c.of(&mv.here, &a)
	return t
}

// point turns a velocity per unit s into velocity and acceleration in time: v = v_s s', a = v_s s” + a_s s'². Of a_s one
// part comes from the second derivatives of the coordinates, the other from carrying the pose on at constant rates.
func (mv *mover) point(perS func(*body.Frames) space.Vec, rate, acceleration float64) (v, a space.Vec) {
	here := perS(&mv.here)
	near := r3.Sub(perS(&mv.ahead[2]), perS(&mv.ahead[1]))
	far := r3.Sub(perS(&mv.ahead[3]), perS(&mv.ahead[0]))
	bend := r3.Add(perS(&mv.second), r3.Scale(1/(12*onward), r3.Sub(r3.Scale(8, near), far)))
	return r3.Scale(rate, here), r3.Add(r3.Scale(acceleration, here), r3.Scale(rate*rate, bend))
}

// inertia is what a segment's own inertia puts on it: -m a at its centre of mass, and for its rotation as a slender rod of
// m L²/12, whose angular momentum changes by m L²/12 d x d” with d the direction along it.
func (mv *mover) inertia(seg body.Segment, rate, acceleration float64) (force, couple space.Vec) {
	f, b := &mv.here, mv.in.Body
	_, a := mv.point(func(g *body.Frames) space.Vec { return g.Velocity(seg, g.COM[seg]) }, rate, acceleration)
	_, turning := mv.point(func(g *body.Frames) space.Vec { return r3.Cross(g.Omega[seg], g.Direction(seg)) }, rate, acceleration)
	rod := b.Masses[seg] * b.SegmentLength(seg) * b.SegmentLength(seg) / 12
	return r3.Scale(-b.Masses[seg], a), r3.Scale(-rod, r3.Cross(f.Direction(seg), turning))
}

// segments is the torque of the inertia of all segments beyond the joint.
func (mv *mover) segments(rate, acceleration float64) space.Vec {
	f := &mv.here
	var t space.Vec
	for seg := range body.Segment(body.NumSegments) {
		if !mv.c.counts(seg) && !mv.sides.feels(seg) {
			continue
		}
		force, couple := mv.inertia(seg, rate, acceleration)
		t = r3.Add(t, mv.ofAction(&action{segment: seg, at: f.COM[seg], force: force, couple: couple}))
	}
	return t
}
