package torque

import (
	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
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

// mover computes torque in motion about the target joint.
type mover struct {
	in           *Input
	c            fulcrum
	name         setup.Coordinate
	acting       []*load.Item
	here         body.Frames
	before, next body.Frames
}

// Move runs a repetition along its course at n samples per moving phase. In the pauses there is no motion to tell of.
func Move(in *Input, course *movement.Course, n int) *Motion {
	lead := in.Path.Lead()
	mv := &mover{in: in, c: newFulcrum(lead.Joint(in.Joint), lead, in.Station), name: NameOf(in.Path, lead, in.Joint, &in.Axis)}
	for i := range in.Items {
		if it := &in.Items[i]; mv.c.acts(it.Segment) && !it.OwnBody() {
			mv.acting = append(mv.acting, it)
		}
	}
	out := &Motion{}
	for i, phase := range course.Moving() {
		for k := range n {
			// The ends of a phase belong to it, not to the pause beside it.
			t := phase[0] + (phase[1]-phase[0])*float64(k)/float64(n-1)
			inside := min(max(t, phase[0]+1e-9), phase[1]-1e-9)
			s, rate, acceleration := course.At(inside)
			mv.sample(out, t, s, rate, acceleration, i == 0)
		}
	}
	return out
}

func (mv *mover) sample(out *Motion, t, s, rate, acceleration float64, lifting bool) {
	mv.in.Path.Place(s, &mv.here)
	mv.in.Path.Place(s-curvature, &mv.before)
	mv.in.Path.Place(s+curvature, &mv.next)
	f := &mv.here
	axis, _ := mv.c.axis(f, &mv.in.Axis)
	static, _ := mv.c.weights(f)
	dynamic, slack := r3.Add(static, mv.segments(rate, acceleration)), false
	for _, item := range mv.acting {
		still := item.At(f)
		if !lifting {
			still.Force = still.Lowering
		}
		static = r3.Add(static, mv.about(item.Segment, &still))
		v, a := mv.point(func(g *body.Frames) space.Vec { return g.Velocity(item.Segment, item.At(g).Contact) }, rate, acceleration)
		moving := item.Moving(f, v, a)
		slack = slack || (moving.State == load.Slack && still.State != load.Slack)
		dynamic = r3.Add(dynamic, mv.about(item.Segment, &moving))
	}
	out.Time, out.S, out.Rate = append(out.Time, t), append(out.S, s), append(out.Rate, rate)
	out.Angle = append(out.Angle, f.Pose[mv.c.lead][mv.name])
	out.Static, out.Dynamic = append(out.Static, -r3.Dot(static, axis)), append(out.Dynamic, -r3.Dot(dynamic, axis))
	out.Slack = append(out.Slack, slack)
}

func (mv *mover) about(s body.Segment, pull *load.Pull) space.Vec {
	t, _ := mv.c.of(&mv.here, &action{segment: s, at: pull.Contact, force: pull.Force})
	return t
}

// point turns a velocity per unit s into velocity and acceleration in time: v = v_s s', a = v_s s” + (dv_s/ds) s'².
func (mv *mover) point(perS func(*body.Frames) space.Vec, rate, acceleration float64) (v, a space.Vec) {
	here := perS(&mv.here)
	bend := r3.Scale(1/(2*curvature), r3.Sub(perS(&mv.next), perS(&mv.before)))
	return r3.Scale(rate, here), r3.Add(r3.Scale(acceleration, here), r3.Scale(rate*rate, bend))
}

// segments is the torque of the segments' own inertia: -m a at every centre of mass, and for its rotation as a slender rod
// of m L²/12, whose angular momentum changes by m L²/12 d x d” with d the direction along it.
func (mv *mover) segments(rate, acceleration float64) space.Vec {
	f, b := &mv.here, mv.in.Body
	var t space.Vec
	for seg := range body.Segment(body.NumSegments) {
		if !mv.c.acts(seg) {
			continue
		}
		_, a := mv.point(func(g *body.Frames) space.Vec { return g.Velocity(seg, g.COM[seg]) }, rate, acceleration)
		_, turning := mv.point(func(g *body.Frames) space.Vec { return r3.Cross(g.Omega[seg], g.Direction(seg)) }, rate, acceleration)
		rod := b.Masses[seg] * b.SegmentLength(seg) * b.SegmentLength(seg) / 12
		one, _ := mv.c.of(f, &action{segment: seg, at: f.COM[seg], force: r3.Scale(-b.Masses[seg], a),
			couple: r3.Scale(-rod, r3.Cross(f.Direction(seg), turning))})
		t = r3.Add(t, one)
	}
	return t
}
