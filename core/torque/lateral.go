package torque

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Strength of the elbow, and of the shoulder in rotation, over that of the shoulder in any other direction: near what the library's
// strengths come to.
const (
	elbowStrength = 0.5
	twistStrength = 0.25
)

// sameWidth is how much the distance between hands may change along a path on which they do not slide, m (own).
const sameWidth = 0.02

// PushesSideways says whether each hand may push sideways beside what it holds: where both are on one stiff thing, on the handles of a
// lever that turns about an axis across the body, or on something that stays in place, and do not slide along it.
func PushesSideways(path *movement.Path, st *body.Station, items []load.Item) bool {
	across := st.Heading.Apply(space.Z)
	stiff := func(it load.Item) bool { return it.Held() && it.StiffAcross(across) }
	if !path.Both() || st.Root != body.OnHands && !slices.ContainsFunc(items, stiff) {
		return false
	}
	width := func(s float64) float64 {
		f := path.Frames(s)
		return r3.Dot(r3.Sub(f.Grip[body.Right], f.Grip[body.Left]), across)
	}
	start := width(0)
	return math.Abs(width(0.5)-start) < sameWidth && math.Abs(width(1)-start) < sameWidth
}

// lateral finds how hard each hand pushes outward, or inward, beside what it holds. Two hands on one bar can do so as they like: the bar
// takes it. People push so that shoulder and elbow share the work: in a bench press outward, with a quarter of the weight (Duffey &
// Challis 2011, J Strength Cond Res 25:2442, from memory), on a pulldown bar inward.
//
// Taken is the push h, N, at which the effort of the arm's joints is least: the sum of squares of the torques about shoulder and elbow
// over their strengths. Every torque is t + h u with u that of 1 N, so that h = -(t . u) / (u . u) in those units: linear in the loads. It
// comes to less than what a closed hand bears, so that friction is not asked. Both arms move, so that the right one leads.
type lateral struct {
	shoulder, elbow fulcrum

	inward space.Vec // what holds against a push outward pushes the hand, unit
	along  space.Vec // the upper arm's direction
	hinge  space.Vec // the elbow's axis
	unit   strain    // of 1 N outward
	size   float64   // of that, squared
	own    float64   // the push outward because of the segments' weights, N
	loads  []float64 // and because of each acting load
	push   float64   // all of it
}

// Pulling is what a load pulls with at a place, with what the hands push sideways because of it, as its part has it.
func (in *Input) Pulling(f *body.Frames, it *load.Item) load.Pull {
	pull, l := it.At(f), newLateral(in)
	hand, held := it.Hand()
	if l == nil || !held || pull.Tension == 0 {
		return pull
	}
	l.place(f)
	for i := range in.Items { // of the right hand's, of which the left hand's is the mirror image
		if r := &in.Items[i]; r.Index == it.Index && r.Segment == body.HandR {
			p := r.At(f)
			push := l.answer(f, &action{segment: body.HandR, at: p.Contact, force: p.Force})
			if hand == body.Left {
				push = -push
			}
			pull.Force = r3.Add(pull.Force, r3.Scale(push, l.inward))
		}
	}
	return pull
}

// strain is what an action asks of shoulder and elbow, over their strengths.
type strain struct {
	swing        space.Vec
	twist, hinge float64
}

func (a *strain) dot(b *strain) float64 {
	return r3.Dot(a.swing, b.swing) + a.twist*b.twist + a.hinge*b.hinge
}

// newLateral is nil where the hands cannot push sideways.
func newLateral(in *Input) *lateral {
	if !in.Sideways {
		return nil
	}
	return &lateral{shoulder: in.fulcrum(body.ShoulderR), elbow: in.fulcrum(body.ElbowR)}
}

// feels says whether an action on a segment changes how hard the hands push sideways.
func (l *lateral) feels(s body.Segment) bool { return l != nil && l.shoulder.acts(s) }

// place readies it for the frames of one place.
func (l *lateral) place(f *body.Frames) {
	l.inward = f.Station.Heading.Apply(space.Vec{Z: -1})
	l.along = f.Direction(body.UpperArmR)
	l.hinge = f.Turn[body.UpperArmR].Apply(body.ElbowHinge(f.Body.CarryingAngle))
	l.unit = l.of(f, &action{segment: body.HandR, at: f.Grip[body.Right], force: l.inward})
	l.size = l.unit.dot(&l.unit)
	l.own, l.loads = 0, l.loads[:0]
	for seg := range body.Segment(body.NumSegments) {
		if l.feels(seg) {
			w := weightOf(f, seg)
			l.own += l.answer(f, &w)
		}
	}
	l.push = l.own
}

// of is what an action asks of the arm.
func (l *lateral) of(f *body.Frames, a *action) strain {
	t, _ := l.shoulder.of(f, a)
	e, _ := l.elbow.of(f, a)
	return strain{swing: space.Reject(t, l.along), twist: r3.Dot(t, l.along) / twistStrength, hinge: r3.Dot(e, l.hinge) / elbowStrength}
}

// answer is how hard the hand would push outward because of an action, N.
func (l *lateral) answer(f *body.Frames, a *action) float64 {
	if l.size < 1e-9 {
		return 0
	}
	asked := l.of(f, a)
	return -asked.dot(&l.unit) / l.size
}

// force is that of a push outward, as an action on the hand.
func (l *lateral) force(f *body.Frames, push float64) action {
	return action{segment: body.HandR, at: f.Grip[body.Right], force: r3.Scale(push, l.inward)}
}

// pull finds what every acting load pulls with, and how hard the hands push sideways because of it.
func (u *run) pull(i int) {
	l := u.sides
	u.Lateral[i] = math.NaN()
	if l != nil {
		l.place(u.frames)
	}
	for k, item := range u.acting {
		h := 0.0
		if !item.OwnBody() {
			p := item.At(u.frames)
			u.pulls[k] = p
			if l != nil {
				h = l.answer(u.frames, &action{segment: item.Segment, at: p.Contact, force: p.Force})
			}
		}
		if l != nil {
			l.loads, l.push = append(l.loads, h), l.push+h
		}
	}
	if l != nil {
		u.Lateral[i] = l.push
	}
}

// sideways is what the hands push outward because of an acting load, or of the segments' weights for -1, and whether they do.
func (u *run) sideways(k int) (action, bool) {
	switch {
	case u.sides == nil:
		return action{}, false
	case k < 0:
		return u.sides.force(u.frames, u.sides.own), true
	}
	return u.sides.force(u.frames, u.sides.loads[k]), true
}
