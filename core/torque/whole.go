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

// whole notes what the whole body has to bear: grip, low back, balance over a root that carries it, and the bar.
func (u *run) whole(i int, held space.Vec, b *back) {
	f, r := u.frames, u.Repetition
	r.GripForce[i] = u.gripped(held)
	if u.in.Station.Leans {
		u.leanBack(b)
	}
	r.Balance[i] = math.NaN()
	c := &u.target
	if u.in.Station.Root == body.OnHands {
		hands := newFulcrum(u.lead.Joint(body.ShoulderR), u.lead, u.in.Station)
		c = &hands
	}
	if c.rooted && c.bearing != seated {
		u.rootBears(i, c, b)
	}
	u.writeBack(i, b)
	if u.in.Bar {
		across := f.Turn[body.Thorax].Apply(space.Z)
		r.BarOff[i] = math.Asin(max(-1, min(1, r3.Dot(f.Direction(u.lead.On(body.ForearmR)), across))))
		r.BarTwist[i] = barTwist(f, across)
	}
}

// gripped is how much of a force on the lead hand its fingers have to hold: what pushes into the palm, toward the elbow, the forearm bears
// without them.
func (u *run) gripped(force space.Vec) float64 {
	along := u.frames.Direction(u.lead.On(body.ForearmR))
	if into := r3.Dot(force, along); into < 0 {
		force = r3.Sub(force, r3.Scale(into, along))
	}
	return space.Norm(force)
}

// barTwist is how much further the right forearm would have to turn for the closed hand, which lies along X of its frame, to lie along the
// bar as far as the forearm lets it. Either palm may face either way, so that it is a quarter turn at most.
func barTwist(f *body.Frames, bar space.Vec) float64 {
	back := f.Turn[body.ForearmR].Transpose()
	b := back.Apply(bar)
	return math.Remainder(math.Atan2(-b.Z, b.X)-f.Pose[body.Right][setup.ForearmPronation], math.Pi)
}

// rootBears notes what the root has to do with grip, low back and balance.
func (u *run) rootBears(i int, c *fulcrum, b *back) {
	f, r := u.frames, u.Repetition
	force, ahead := u.press(c)
	switch {
	case c.hands:
		onHand := r3.Scale(-1, force)
		if u.sides != nil {
			onHand = r3.Add(onHand, u.sides.force(f, u.sides.push).force)
		}
		r.GripForce[i] = u.gripped(onHand)
		u.loadBack(b, &action{segment: body.Thorax, at: f.BetweenHands(), force: r3.Scale(-2, force)}) // on both hands
	case f.Station.Root == body.OnShoulders:
		byEdge := r3.Sub(r3.Scale(2, force), u.everything())
		u.loadBack(b, &action{segment: body.Thorax, at: f.Station.Edge, force: byEdge})
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
