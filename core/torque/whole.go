package torque

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// sums are what has been added up on the far side of a joint: the torque about it and the force on it, and which part of both comes from
// loads that may be changed.
type sums struct{ torque, force, varies, varyingForce space.Vec }

// add takes one load's part in, of which a share may be changed.
func (s *sums) add(torque, force space.Vec, varies float64) {
	s.torque, s.force = r3.Add(s.torque, torque), r3.Add(s.force, force)
	if varies > 0 {
		s.varies, s.varyingForce = r3.Add(s.varies, r3.Scale(varies, torque)), r3.Add(s.varyingForce, r3.Scale(varies, force))
	}
}

// startOthers begins the torque and force on every other joint with the segments' weights.
func (u *run) startOthers() []sums {
	for o := range u.others {
		u.sums[o] = sums{}
		u.sums[o].torque, u.sums[o].force = u.others[o].weights(u.frames)
		if own, pushes := u.sideways(-1); pushes {
			t, n := u.others[o].of(u.frames, &own)
			u.sums[o].torque, u.sums[o].force = r3.Add(u.sums[o].torque, t), r3.Add(u.sums[o].force, n)
		}
	}
	return u.sums
}

func (u *run) finishOthers(i int, all []sums) {
	f := u.frames
	for o := range all {
		c, out, s := &u.others[o], &u.Others[o], &all[o]
		axis, speed := c.axis(f, &AxisRule{})
		out.Torque[i], out.Varies[i] = math.NaN(), math.NaN()
		if speed > 0 {
			out.Torque[i], out.Varies[i] = -r3.Dot(s.torque, axis), -r3.Dot(s.varies, axis)
		}
		out.Size[i] = space.Norm(s.torque)
		out.Vector[i], out.Force[i] = u.needed(c, s.torque), u.borne(c, s.force)
		out.Varying[i], out.VaryingForce[i] = u.needed(c, s.varies), u.borne(c, s.varyingForce)
		out.Along[i], out.Across[i] = c.resultant(f, s.force)
	}
}

// upper are the segments above the hips' line, of one side.
var upper = [...]body.Segment{body.UpperArmR, body.ForearmR, body.HandR}

// above says whether a segment is above the hips' line.
func above(s body.Segment) bool {
	switch s {
	case body.ThighR, body.ShankR, body.FootR, body.ThighL, body.ShankL, body.FootL:
		return false
	}
	return true
}

// restingArm is what an arm that takes no part puts on the low back.
func (u *run) restingArm() (sum space.Vec) {
	if u.in.Path.Both() {
		return sum
	}
	for _, seg := range upper {
		w := weightOf(u.frames, u.lead.Opposite().On(seg))
		sum = r3.Add(sum, r3.Cross(r3.Sub(w.at, u.frames.Origin[body.Pelvis]), w.force))
	}
	for k := range u.in.Items {
		it := &u.in.Items[k]
		if side, limb := sideOf(it.Segment); limb && side != u.lead && above(it.Segment) {
			pull := it.At(u.frames)
			sum = r3.Add(sum, r3.Cross(r3.Sub(pull.Contact, u.frames.Origin[body.Pelvis]), pull.Force))
		}
	}
	return sum
}

// startBack begins the torque about mid-hip with the weights of trunk, head and arms.
func (u *run) startBack() space.Vec {
	f := u.frames
	sum := u.restingArm()
	for _, seg := range [...]body.Segment{body.Pelvis, body.Thorax, body.Head} {
		w := weightOf(f, seg)
		sum = r3.Add(sum, r3.Cross(r3.Sub(w.at, f.Origin[body.Pelvis]), w.force))
	}
	for _, seg := range upper {
		w := weightOf(f, u.lead.On(seg))
		sum = r3.Add(sum, u.aboutBack(&w))
	}
	return sum
}

// aboutBack is the torque of one action about mid-hip; with both sides moving that of a limb counts for the other's
// mirrored one too.
func (u *run) aboutBack(a *action) space.Vec {
	side, limb := sideOf(a.segment)
	if !above(a.segment) || limb && side != u.lead { // the other arm is mirrored, or told of by itself
		return space.Vec{}
	}
	f := u.frames
	t := r3.Cross(r3.Sub(a.at, f.Origin[body.Pelvis]), a.force)
	if limb && u.in.Path.Both() {
		across := f.Station.Heading.Apply(space.Z)
		t = r3.Scale(2*r3.Dot(t, across), across)
	}
	return t
}

// whole notes what the whole body has to bear: grip, low back, balance over a root that carries it, and the bar.
func (u *run) whole(i int, held, back space.Vec) {
	f, r := u.frames, u.Repetition
	r.GripForce[i] = space.Norm(held)
	r.LowBack[i] = -r3.Dot(back, f.Turn[body.Pelvis].Apply(space.Z))
	if u.in.Station.Leans {
		r.LowBack[i] -= u.leaned(r.LowBack[i])
	}
	r.Balance[i] = math.NaN()
	c := &u.target
	if u.in.Station.Root == body.OnHands {
		hands := newFulcrum(u.lead.Joint(body.ShoulderR), u.lead, u.in.Station)
		c = &hands
	}
	if c.rooted && c.bearing != seated {
		u.rootBears(i, c)
	}
	if u.in.Bar {
		across := f.Turn[body.Thorax].Apply(space.Z)
		r.BarOff[i] = math.Asin(max(-1, min(1, r3.Dot(f.Direction(u.lead.On(body.ForearmR)), across))))
		r.BarTwist[i] = barTwist(f, across)
	}
}

// leanedOn is the share of the body's weight that a hand on the own thigh takes off the back at the shoulder (own).
const leanedOn = 0.3

// leaned is how much of the low back's torque the free hand on the thigh takes: what pushes the shoulder up, as far ahead of the hips'
// line as it is, N·m.
func (u *run) leaned(torque float64) float64 {
	f := u.frames
	shoulder := f.Joint[u.lead.Opposite().Joint(body.ShoulderR)]
	ahead := r3.Dot(r3.Sub(shoulder, f.Origin[body.Pelvis]), f.Station.Heading.Apply(space.X))
	return max(0, min(torque, leanedOn*u.in.Body.BodyMass*load.Gravity*ahead))
}

// barTwist is how much further the right forearm would have to turn for the closed hand, which lies along X of its frame, to lie along the
// bar as far as the forearm lets it. Either palm may face either way, so that it is a quarter turn at most.
func barTwist(f *body.Frames, bar space.Vec) float64 {
	back := f.Turn[body.ForearmR].Transpose()
	b := back.Apply(bar)
	return math.Remainder(math.Atan2(-b.Z, b.X)-f.Pose[body.Right][setup.ForearmPronation], math.Pi)
}

// rootBears notes what the root has to do with grip, low back and balance.
func (u *run) rootBears(i int, c *fulcrum) {
	f, r := u.frames, u.Repetition
	force, ahead := u.press(c)
	across := f.Turn[body.Pelvis].Apply(space.Z)
	switch {
	case c.hands:
		r.GripForce[i] = space.Norm(force)
		if u.sides != nil {
			r.GripForce[i] = math.Hypot(r.GripForce[i], u.sides.push)
		}
		push := r3.Cross(r3.Sub(c.base(f), f.Origin[body.Pelvis]), force) // of both hands on the body
		r.LowBack[i] += 2 * r3.Dot(push, across)
	case f.Station.Root == body.OnShoulders:
		onEdge := r3.Sub(u.everything(), r3.Scale(2, force))
		push := r3.Cross(r3.Sub(f.Station.Edge, f.Origin[body.Pelvis]), onEdge)
		r.LowBack[i] += r3.Dot(push, across)
	}
	if c.bearing == alike && f.Station.Root == body.OnFeet || c.bearing == alone || c.hands && !f.Station.OnToes {
		r.Balance[i] = ahead
	}
}

// everything is the force of all weights and loads, with those of the other side mirrored, N.
func (u *run) everything() space.Vec {
	f := u.frames
	sum := space.Vec{Y: -u.in.Body.BodyMass * load.Gravity}
	for _, it := range u.acting {
		if it.OwnBody() {
			continue
		}
		pull := it.At(f).Force
		if _, limb := sideOf(it.Segment); limb {
			pull = r3.Scale(2, space.Reject(pull, f.Station.Heading.Apply(space.Z)))
		}
		sum = r3.Add(sum, pull)
	}
	return sum
}

// press is the force on the lead root and how far ahead of its base it acts: its moment over the force downward.
func (u *run) press(c *fulcrum) (space.Vec, float64) {
	f := u.frames
	base := c.base(f)
	across := f.Station.Heading.Apply(space.Z)
	var force space.Vec
	moment := 0.0
	add := func(a *action) {
		p, _ := c.pressed(f, a)
		force = r3.Add(force, p)
		moment += c.share(a.segment) * r3.Dot(r3.Cross(r3.Sub(a.at, base), space.Reject(a.force, across)), across)
	}
	for seg := range body.Segment(body.NumSegments) {
		w := weightOf(f, seg)
		add(&w)
	}
	for _, it := range u.acting {
		if it.OwnBody() {
			continue
		}
		pull := it.At(f)
		add(&action{segment: it.Segment, at: pull.Contact, force: pull.Force})
	}
	down := -force.Y
	if down < load.Gravity { // hardly anything presses
		return force, math.NaN()
	}
	return force, -moment / down
}
