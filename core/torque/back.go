package torque

import (
	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// back adds up what acts on the body above two cuts: through the hips' line, and through the axis about which the trunk bends.
type back struct {
	hips  space.Vec // torque about mid-hip of everything above the hips' line, N·m
	spine space.Vec // torque about the axis of the trunk of everything above it, N·m
	force space.Vec // of everything above that axis, N
}

// upper are the segments of one arm.
var upper = [...]body.Segment{body.UpperArmR, body.ForearmR, body.HandR}

// above says whether a segment is above the hips' line.
func above(s body.Segment) bool {
	switch s {
	case body.ThighR, body.ShankR, body.FootR, body.ThighL, body.ShankL, body.FootL:
		return false
	}
	return true
}

// startBack begins with the weights of trunk, head and arms, and with what an arm that takes no part puts on the back.
func (u *run) startBack() back {
	f := u.frames
	var b back
	for _, seg := range [...]body.Segment{body.Pelvis, body.Thorax, body.Head} {
		w := weightOf(f, seg)
		u.loadBack(&b, &w)
	}
	for _, seg := range upper {
		w := weightOf(f, u.lead.On(seg))
		u.onBack(&b, &w)
	}
	u.restingArm(&b)
	return b
}

// restingArm adds what an arm that takes no part puts on the back.
func (u *run) restingArm(b *back) {
	if u.in.Path.Both() {
		return
	}
	for _, seg := range upper {
		w := weightOf(u.frames, u.lead.Opposite().On(seg))
		u.loadBack(b, &w)
	}
	for k := range u.in.Items {
		it := &u.in.Items[k]
		if side, limb := sideOf(it.Segment); limb && side != u.lead && above(it.Segment) {
			pull := it.At(u.frames)
			u.loadBack(b, &action{segment: it.Segment, at: pull.Contact, force: pull.Force})
		}
	}
}

// onBack adds one action of the trunk or of the lead arm; with both arms moving what acts on one counts for the other's mirrored one too.
func (u *run) onBack(b *back, a *action) {
	side, limb := sideOf(a.segment)
	if !above(a.segment) || limb && side != u.lead { // the other arm is mirrored, or told of by itself
		return
	}
	if !limb || !u.in.Path.Both() {
		u.loadBack(b, a)
		return
	}
	var one back
	u.loadBack(&one, a)
	across := u.frames.Station.Heading.Apply(space.Z)
	about := func(t space.Vec) space.Vec { return r3.Scale(2*r3.Dot(t, across), across) }
	b.hips, b.spine = r3.Add(b.hips, about(one.hips)), r3.Add(b.spine, about(one.spine))
	b.force = r3.Add(b.force, r3.Scale(2, space.Reject(one.force, across)))
}

// loadBack adds one action as it is.
func (u *run) loadBack(b *back, a *action) {
	f := u.frames
	b.hips = r3.Add(b.hips, r3.Cross(r3.Sub(a.at, f.Origin[body.Pelvis]), a.force))
	if a.segment != body.Pelvis {
		b.spine, b.force = r3.Add(b.spine, r3.Cross(r3.Sub(a.at, f.Origin[body.Thorax]), a.force)), r3.Add(b.force, a.force)
	}
}

// leanedOn is the share of the body's weight that a hand on the own thigh takes off the back at the shoulder (own).
const leanedOn = 0.3

// leanBack adds what the free hand on the thigh pushes the shoulder up with, which is no more than straightens the back.
func (u *run) leanBack(b *back) {
	f := u.frames
	shoulder := f.Joint[u.lead.Opposite().Joint(body.ShoulderR)]
	ahead := r3.Dot(r3.Sub(shoulder, f.Origin[body.Pelvis]), f.Station.Heading.Apply(space.X))
	push := leanedOn * u.in.Body.BodyMass * load.Gravity
	if bends := -r3.Dot(b.hips, f.Turn[body.Pelvis].Apply(space.Z)); ahead <= 0 || bends <= 0 {
		return
	} else if push*ahead > bends {
		push = bends / ahead
	}
	u.loadBack(b, &action{segment: body.Thorax, at: shoulder, force: space.Vec{Y: push}})
}

// writeBack notes what the back has to hold.
func (u *run) writeBack(i int, b *back) {
	f, r := u.frames, u.Repetition
	r.LowBack[i] = -r3.Dot(b.hips, f.Turn[body.Pelvis].Apply(space.Z))
	r.Spine[i] = u.needed(&fulcrum{joint: body.TrunkR, sign: 1}, b.spine)
	r.SpineAlong[i] = -r3.Dot(b.force, f.Turn[body.Thorax].Apply(space.Y))
}
