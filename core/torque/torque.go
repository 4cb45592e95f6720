// Package torque computes one repetition: what the loads and the segments' weights ask of the joints at every place along
// the path.
//
// The torque on a joint J is t = Σ (C - J) x F + Σ (com - J) x m g over everything on the side of J away from the root.
// A torque is positive when it resists lifting: -t · a, with a the axis that the moved segment swings about.
package torque

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Part is what one load contributes, one value per sample.
type Part struct {
	Torque    []float64 // resisting torque, N·m
	MomentArm []float64 // perpendicular distance from the joint to the line of force, in the plane of movement, m
	InPlane   []float64 // share of the force that lies in that plane, 0 to 1
	Tension   []float64 // N
	Lift      []float64 // of the stack, m
	Stretch   []float64 // of a band, ratio to its length at rest
	OffAxis   []float64 // size of the torque that is left beside the axis, N·m
	Lowering  []float64 // resisting torque while lowering, N·m
	State     []load.State
}

// Other is what the repetition asks of a joint beside the target, one value per sample.
type Other struct {
	Joint  body.Joint
	Torque []float64   // resisting torque about the joint's own axis, N·m; NaN where the joint does not move
	Size   []float64   // of the torque vector, N·m
	Along  []float64   // resultant force along the moved segment, N: + pushes it away
	Across []float64   // and across it, N
	Vector []space.Vec // what muscles have to give on the outer side, N·m; axes as of Repetition.Vector
	Force  []space.Vec // of loads and weights on the outer side, N; the same axes

	Varies       []float64   // the part of Torque that comes from loads that may be changed
	Varying      []space.Vec // the same part of Vector
	VaryingForce []space.Vec // and of Force
}

// Repetition is the result of Run: slices with one value per sample. Angles in radians, torques in N·m. It is a
// workspace: running again with the same number of samples and loads reuses its memory.
type Repetition struct {
	S        []float64
	Angle    []float64 // the coordinate of the target joint that names the sweep
	Swept    []float64 // swept angle of the target joint from the start, ∫ |w - (w·d) d| ds
	Weights  []float64 // resisting torque of the segments' own weights
	Loads    []float64 // of all loads together, lifting
	Total    []float64 // lifting: loads and weights
	Lowering []float64 // the same while lowering
	Twist    []float64 // of the total, about the segment's long axis; the sign of the right hand about the axis pointing away from the joint
	Bend     []float64 // of the total, across the plane of movement
	OffAxis  []float64 // size of what the loads leave beside the axis, but for what two hands on one thing push each other apart with
	Size     []float64 // of the total torque vector
	// torque that muscles have to give on the outer side of the target joint, as the right side has it, in the trunk's axes (the thigh's for
	// the knee), N·m
	Vector []space.Vec
	Force  []space.Vec // of loads and weights on the outer side of the target joint, in the same axes, N
	AxisIn []space.Vec // the axis in the same axes, as the muscles' outer side turns

	Varying      []space.Vec // the part of Vector that comes from loads that may be changed
	VaryingForce []space.Vec // and of Force

	Along     []float64 // resultant force on the moved segment along it: + pushes it away (compression), - holds it back (traction), N
	Across    []float64 // its size across the segment (shear), N
	GripForce []float64 // what the fingers of the lead hand have to hold, N
	Lateral   []float64 // how hard each hand pushes outward on what both hold, N; NaN where it cannot
	LowBack   []float64 // torque about the hips' line that bends everything above forward, N·m

	Spine      []space.Vec // torque that muscles have to give above the axis of the trunk, as the right side has it, in the pelvis' axes, N·m
	SpineAlong []float64   // resultant force there along the thorax: + presses it on the pelvis, N

	Balance   []float64 // where feet or hands carry the moving body: how far ahead of ankle or grip it presses, m
	BarOff    []float64 // on a bar: how far the forearm is from square to it, rad
	BarTwist  []float64 // on a bar: how much further the forearm would have to turn, palm in +, for the closed hand to lie along it, rad
	Axis      []space.Vec
	Joint     []space.Vec // the target joint's centre
	Direction []space.Vec // along the moved segment
	Grip      []space.Vec
	Wrist     []space.Vec
	ElbowAt   []space.Vec
	Shoulder  []space.Vec
	Pose      []body.Pose // of the lead side
	Rate      []body.Pose // per unit s
	Parts     []Part      // one per load that acts on the target joint, in the document's order
	Index     []int       // of each part in the document's loads
	Others    []Other
	Name      setup.Coordinate // that Angle tells
	frames    *body.Frames
}

// AxisRule says what a profile's axis is; the zero value is that of the swing.
type AxisRule struct {
	Kind  string    // swept, spin or vector
	Along space.Vec // unit, of a vector
}

// Input is everything that a repetition is computed from.
type Input struct {
	Body     *body.Body
	Station  *body.Station
	Path     *movement.Path
	Items    []load.Item
	Samples  int
	Joint    body.Joint // the target, of the right side; the lead side's is taken
	Axis     AxisRule
	Others   []body.Joint // more joints to report, of the right side
	Bar      bool         // both hands are on one straight bar
	Sideways bool         // the hands may push sideways beside what they hold: see PushesSideways
	Whole    bool         // what the whole body bears is wanted too: grip, low back, balance and bar
}

// run is a repetition being computed.
type run struct {
	*Repetition
	in     *Input
	lead   body.Side
	target fulcrum
	others []fulcrum
	sums   []sums       // of each of the others at one place
	acting []*load.Item // on the target or on another joint of the lead side
	pulls  []load.Pull  // of each of them at one place
	part   []int        // of each acting item among the parts, -1 for none
	sides  *lateral     // nil where the hands cannot push sideways
}

// Run evaluates the repetition. Samples has to be at least 2.
func (r *Repetition) Run(in *Input) {
	lead := in.Path.Lead()
	u := run{Repetition: r, in: in, lead: lead, target: in.fulcrum(in.Joint)}
	for _, j := range in.Others {
		u.others = append(u.others, in.fulcrum(j))
	}
	u.sums = make([]sums, len(u.others))
	u.sides = newLateral(in)
	u.sort()
	u.pulls = make([]load.Pull, len(u.acting))
	r.resize(in.Samples, len(r.Index), in.Others)
	r.Name = NameOf(in.Path, lead, in.Joint, &in.Axis)
	speed := 0.0
	for i := range r.S {
		s := float64(i) / float64(in.Samples-1)
		r.frames = in.Path.Frames(s)
		before := speed
		speed = u.sample(i)
		r.S[i] = s
		u.place(i)
		if i > 0 {
			r.Swept[i] = r.Swept[i-1] + (speed+before)/2/float64(in.Samples-1)
		}
	}
}

// fulcrum is that of a joint of the right side, of which the lead side's is taken.
func (in *Input) fulcrum(j body.Joint) fulcrum {
	lead := in.Path.Lead()
	c := newFulcrum(lead.Joint(j), lead, in.Station)
	c.paired = j.Trunk() && !c.rooted && in.Path.Both()
	return c
}

// sort picks the items that act on any joint of interest, and those that are parts of the target's torque.
func (u *run) sort() {
	u.Index = u.Index[:0]
	for i := range u.in.Items {
		it := &u.in.Items[i]
		side, limb := sideOf(it.Segment)
		if limb && side != u.lead && !u.seesBoth() {
			continue
		}
		u.acting = append(u.acting, it)
		part := -1
		if u.target.counts(it.Segment) || it.OwnBody() {
			if part = slices.Index(u.Index, it.Index); part < 0 || !it.Def.Shared {
				part = len(u.Index)
				u.Index = append(u.Index, it.Index)
			}
		}
		u.part = append(u.part, part)
	}
}

// seesBoth says whether what acts on the other side counts: to one leg that bears it too, or to a trunk whose arms are unlike.
func (u *run) seesBoth() bool {
	bends := func(c fulcrum) bool { return c.joint.Trunk() && !c.paired }
	if bends(u.target) || slices.ContainsFunc(u.others, bends) {
		return true
	}
	return u.target.rooted && u.target.share(u.lead.Opposite().On(body.HandR)) == 1
}

// place notes where the arm is, for the picture and for what may be in its way.
func (u *run) place(i int) {
	f, r := u.frames, u.Repetition
	r.Pose[i], r.Rate[i] = f.Pose[u.lead], f.Turning[u.lead]
	r.Angle[i] = f.Pose[u.lead][u.Name]
	r.Grip[i], r.Wrist[i] = f.Grip[u.lead], f.Wrist[u.lead]
	r.ElbowAt[i], r.Shoulder[i] = f.Joint[u.lead.Joint(body.ElbowR)], f.Joint[u.lead.Joint(body.ShoulderR)]
}

// tally is what is added up at one place.
type tally struct {
	axis            space.Vec
	weights, force  space.Vec // of the segments' weights, and all force on the far side
	loads, lowering space.Vec // of all loads
	between         space.Vec // torque of what two hands that hold one thing push each other apart with: the other hand carries that
	held            space.Vec
	back            back
	target          sums // what loads do to the target
}

// sample computes everything at one place and returns the speed at which the segment swings, per unit s.
func (u *run) sample(i int) float64 {
	f, r, c := u.frames, u.Repetition, &u.target
	axis, speed := c.axis(f, &u.in.Axis)
	r.Axis[i], r.Joint[i], r.Direction[i] = axis, f.Joint[c.joint], c.seen(f)
	t := tally{axis: axis}
	t.weights, t.force = c.weights(f)
	u.pull(i)
	if own, pushes := u.sideways(-1); pushes {
		torque, force := c.of(f, &own)
		t.weights, t.force, t.between, t.held = r3.Add(t.weights, torque), r3.Add(t.force, force), torque, own.force
	}
	others := u.startOthers()
	if u.in.Whole {
		t.back = u.startBack()
	}
	for k, item := range u.acting {
		if item.OwnBody() {
			u.ownPart(u.part[k], i, t.weights, axis)
			t.loads, t.lowering, t.weights = r3.Add(t.loads, t.weights), r3.Add(t.lowering, t.weights), space.Vec{}
			continue
		}
		u.take(i, k, &t, others)
	}
	u.write(i, axis, t.weights, t.loads, t.lowering, t.force)
	r.OffAxis[i] = space.Norm(space.Reject(r3.Sub(t.loads, t.between), axis))
	if speed == 0 && !u.in.Path.Still() {
		u.standsStill(i)
	}
	u.finishOthers(i, others)
	if u.in.Whole {
		r.Varying[i], r.VaryingForce[i] = u.needed(c, t.target.varies), u.borne(c, t.target.varyingForce)
		u.whole(i, t.held, &t.back)
	}
	return speed
}

// take adds one acting load up at one place, with what the hands push sideways because of it.
func (u *run) take(i, k int, t *tally, others []sums) {
	item, pull := u.acting[k], &u.pulls[k]
	a := action{segment: item.Segment, at: pull.Contact, force: pull.Force}
	aside, pushes := u.sideways(k)
	if u.part[k] >= 0 {
		u.onTarget(i, k, &a, &aside, t)
	}
	if side, _ := sideOf(a.segment); item.Held() && side == u.lead {
		t.held = r3.Add(t.held, pull.Force)
	}
	t.held = r3.Add(t.held, aside.force)
	for o := range others {
		torque, force := u.others[o].of(u.frames, &a)
		others[o].add(torque, force, item.Varies())
		if pushes {
			torque, force = u.others[o].of(u.frames, &aside)
			others[o].add(torque, force, item.Varies())
		}
	}
	if u.in.Whole {
		u.onBack(&t.back, &a)
	}
}

// onTarget adds up what one acting load asks of the target, and what the hands push sideways because of it, and notes it as its part.
func (u *run) onTarget(i, k int, a, aside *action, t *tally) {
	f, c, item, pull := u.frames, &u.target, u.acting[k], u.pulls[k]
	up, on := c.of(f, a)
	down, _ := c.of(f, &action{segment: a.segment, at: a.at, force: pull.Lowering})
	if u.in.Path.Both() && (item.Def.Shared || item.Def.Kind == setup.Rope) {
		across := f.Station.Heading.Apply(space.Z)
		torque, _ := c.of(f, &action{segment: a.segment, at: a.at, force: r3.Scale(r3.Dot(a.force, across), across)})
		t.between = r3.Add(t.between, torque)
	}
	if u.sides != nil {
		torque, force := c.of(f, aside)
		up, down, on, t.between = r3.Add(up, torque), r3.Add(down, torque), r3.Add(on, force), r3.Add(t.between, torque)
		if a.segment == aside.segment {
			pull.Force = r3.Add(pull.Force, aside.force)
		}
	}
	p := u.part[k]
	if k > 0 && u.part[k-1] == p { // the other hand's half of one handle
		u.Parts[p].add(i, &pull, up, down, t.axis)
	} else {
		u.Parts[p].set(i, &pull, up, down, t.axis, c.times(a.segment))
	}
	t.loads, t.lowering, t.force = r3.Add(t.loads, up), r3.Add(t.lowering, down), r3.Add(t.force, on)
	t.target.add(up, on, item.Varies())
}

// write notes the target's torques, all about its joint.
func (u *run) write(i int, axis, weights, loads, lowering, force space.Vec) {
	r := u.Repetition
	total := r3.Add(loads, weights)
	r.Weights[i] = -r3.Dot(weights, axis)
	r.Loads[i] = -r3.Dot(loads, axis)
	r.Total[i] = -r3.Dot(total, axis)
	r.Lowering[i] = -r3.Dot(r3.Add(lowering, weights), axis)
	r.Twist[i], r.Bend[i] = u.target.rest(u.frames, total, axis)
	r.Size[i] = space.Norm(total)
	if u.in.Whole {
		r.Vector[i], r.AxisIn[i] = u.needed(&u.target, total), u.needed(&u.target, r3.Scale(-1, axis))
		r.Force[i] = u.borne(&u.target, force)
	}
	r.Along[i], r.Across[i] = u.target.resultant(u.frames, force)
}

// standsStill takes out what has no meaning where the target does not turn: a torque about no axis.
func (u *run) standsStill(i int) {
	r, none := u.Repetition, math.NaN()
	r.Weights[i], r.Loads[i], r.Total[i], r.Lowering[i], r.Twist[i], r.Bend[i], r.OffAxis[i] = none, none, none, none, none, none, none
	for k := range r.Parts {
		p := &r.Parts[k]
		p.Torque[i], p.MomentArm[i], p.InPlane[i], p.OffAxis[i], p.Lowering[i] = none, none, none, none, none
	}
}

// needed turns a torque on the far side of a joint into what muscles have to give on its outer side, in the axes of the
// segment next to it.
func (u *run) needed(c *fulcrum, t space.Vec) space.Vec {
	v := u.nextTo(c, r3.Scale(-c.sign, t))
	if u.lead == body.Left {
		return space.MirrorSpin(v)
	}
	return v
}

// borne turns the force on the far side of a joint into that on its outer side, in the same axes.
func (u *run) borne(c *fulcrum, force space.Vec) space.Vec {
	v := u.nextTo(c, r3.Scale(c.sign, force))
	if u.lead == body.Left {
		v.Z = -v.Z
	}
	return v
}

// nextTo turns a vector into the axes of the segment next to a joint: the thorax of an arm, the pelvis of trunk and hip,
// of a knee the thigh.
func (u *run) nextTo(c *fulcrum, v space.Vec) space.Vec {
	near := body.Thorax
	switch c.joint.Name() {
	case "trunk", "hip":
		near = body.Pelvis
	case "knee":
		near = u.lead.On(body.ThighR)
	case "ankle":
		near = u.lead.On(body.ShankR)
	}
	back := u.frames.Turn[near].Transpose()
	return back.Apply(v)
}

// ownPart notes the torque of the body's own weight as a load's part.
func (u *run) ownPart(p, i int, t, axis space.Vec) {
	part := &u.Parts[p]
	part.Torque[i] = -r3.Dot(t, axis)
	part.Lowering[i], part.OffAxis[i] = part.Torque[i], space.Norm(space.Reject(t, axis))
	part.Tension[i], part.MomentArm[i], part.InPlane[i], part.Lift[i], part.Stretch[i] = 0, 0, 0, 0, 0
	part.State[i] = load.Working
}

// set writes one load's values; the torque may be that of so many like pulls.
func (p *Part) set(i int, pull *load.Pull, up, down, axis space.Vec, times float64) {
	p.Torque[i], p.Lowering[i] = -r3.Dot(up, axis), -r3.Dot(down, axis)
	p.OffAxis[i] = space.Norm(space.Reject(up, axis))
	p.Tension[i], p.Lift[i], p.Stretch[i], p.State[i] = pull.Tension, pull.Lift, pull.Stretch, pull.State
	p.MomentArm[i], p.InPlane[i] = 0, 0
	if pull.Tension > 0 {
		inPlane := space.Norm(space.Reject(pull.Force, axis))
		p.InPlane[i] = inPlane / space.Norm(pull.Force)
		if inPlane > 0 {
			p.MomentArm[i] = math.Abs(p.Torque[i]) / (times * inPlane)
		}
	}
}

// add joins the other hand's half of the same load.
func (p *Part) add(i int, pull *load.Pull, up, down, axis space.Vec) {
	p.Torque[i] -= r3.Dot(up, axis)
	p.Lowering[i] -= r3.Dot(down, axis)
	p.OffAxis[i] += space.Norm(space.Reject(up, axis))
	p.Tension[i] += pull.Tension
	if inPlane := p.InPlane[i] * p.Tension[i]; inPlane > 0 {
		p.MomentArm[i] = math.Abs(p.Torque[i]) / inPlane
	}
}

// NameOf is the coordinate that names a joint's sweep: the one that changes most along the path. The plane of elevation
// counts for as much as it moves the arm.
func NameOf(path *movement.Path, lead body.Side, joint body.Joint, rule *AxisRule) setup.Coordinate {
	if joint == body.ShoulderR && rule.Kind == "spin" {
		return setup.ShoulderRotation
	}
	first := map[body.Joint]setup.Coordinate{body.TrunkR: setup.TrunkFlexion, body.GirdleR: setup.GirdleElevation,
		body.ShoulderR: setup.ShoulderElevation,
		body.ElbowR:    setup.ElbowFlexion, body.HipR: setup.HipFlexion, body.KneeR: setup.KneeFlexion, body.AnkleR: setup.AnkleFlexion}[joint]
	var before, travel body.Pose
	for k := range 9 {
		q := &path.Frames(float64(k) / 8).Pose[lead]
		for c := range q {
			step := math.Abs(math.Remainder(q[c]-before[c], 2*math.Pi))
			if setup.Coordinate(c) == setup.ShoulderPlane {
				step *= math.Abs(math.Sin(q[setup.ShoulderElevation]))
			}
			if k > 0 {
				travel[c] += step
			}
		}
		before = *q
	}
	name, of := first, joint.Name()
	for c := range setup.Coordinates {
		if setup.Coordinates[c].Joint == of && setup.Coordinate(c) != setup.ShoulderRotation && travel[c] > travel[name]+1e-9 {
			name = setup.Coordinate(c)
		}
	}
	return name
}

// Foot is where the perpendicular from the joint meets the line of force, both projected on the plane through the
// joint and square to the unit axis; the joint itself when the force has no part in that plane.
func Foot(joint, axis space.Vec, pull load.Pull) space.Vec {
	force := space.Reject(pull.Force, axis)
	size := space.Norm(force)
	if size == 0 {
		return joint
	}
	u := r3.Scale(1/size, force)
	return r3.Add(joint, space.Reject(space.Reject(r3.Sub(pull.Contact, joint), axis), u))
}
