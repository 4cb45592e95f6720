package evaluate

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/quantity"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/support"
	"dialarc/core/verdict"

	"gonum.org/v1/gonum/floats"
	"gonum.org/v1/gonum/spatial/r3"
)

// Bounds of the cautions (common practice, no source; numbers own).
const (
	loadedShare = 0.3  // of the peak, from which a place counts as loaded
	deepPlane   = -20  // degrees: arms behind the line of the shoulders
	deepPress   = 35   // degrees that the upper arm of a press or a dip points behind the plane of the trunk
	turnedOut   = -60  // degrees of outward rotation
	overhead    = 125  // degrees of elevation
	spineTurned = 15   // degrees
	spineBent   = 20   // degrees of flexion from which a back is bent under load
	roundedHold = 0.3  // of what the low back can be asked to hold, from which it had better be straight
	sideBent    = 10   // degrees
	fastPhase   = 0.8  // s
	neededTurn  = -70  // degrees of outward rotation that an overhead press asks of the lifter's range
	openKnee    = 30   // degrees of flexion from which the last of an extension loads the knee's front
	kneeEffort  = 0.5  // of what the knee extensors have
	overFace    = 0.10 // of stature to either side of the head's middle
	recoils     = 0.2  // m from a band's line to the head's middle
)

// cautions collects what applies.
type cautions struct {
	*outcome
	report *report.Report
	list   []report.Caution
}

func (c *cautions) add(key, text, way string, values map[string]quantity.Quantity) {
	if values == nil {
		values = map[string]quantity.Quantity{}
	}
	c.list = append(c.list, report.Caution{Key: key, Text: text, Way: way, Values: values})
}

func degreesOf(x float64) quantity.Quantity {
	return quantity.Quantity{Value: report.Rounded(x), Kind: "angle"}
}

// cautionsOf looks at every rule: what the lifter's sheet says first, then what can hurt most.
func (o *outcome) cautionsOf(r *report.Report) []report.Caution {
	c := cautions{outcome: o, report: r, list: []report.Caution{}}
	for _, text := range o.doc.Lifter.Cautions {
		c.add("lifter: "+text, text, "From the lifter's sheet.", nil)
	}
	c.pain()
	c.weights()
	c.arms()
	c.knee()
	c.legs()
	c.trunk()
	c.others()
	c.kit()
	return c.list
}

// pain tells where the path goes through what hurts.
func (c *cautions) pain() {
	for _, h := range c.hurts() {
		text, way := "The "+h.Label+" goes from {from} to {to}, where it hurts.", "Stop short of it, or use another path."
		if h.Note != "" {
			way = "Noted: " + h.Note + ". " + way
		}
		c.add("pain: "+h.Key, text, way, map[string]quantity.Quantity{"from": degreesOf(h.FromDeg), "to": degreesOf(h.ToDeg)})
	}
}

// weights are cautions of what could fall on the lifter.
func (c *cautions) weights() {
	p := &c.doc.Posture
	for i := range c.doc.Loads {
		l := &c.doc.Loads[i]
		lies := map[string]string{"shoulders": "the back", "frontRack": "the shoulders"}[l.Contact.At]
		under := p.Kind == "supine" && l.Contact.Segment == "hand" || lies != "" && p.Kind != "prone"
		if l.Kind == setup.Bar && c.doc.Movement.Kind != "hold" && under && l.Catch == "" && !c.narrow(l) {
			c.add("bar-fail", "A failed rep leaves the bar on "+cmp.Or(lies, "the chest")+": nothing is set to catch it.",
				"Set safeties just below the lowest point, use a spotter, or leave the collars off.", nil)
		}
		if (l.Kind == setup.Bar || l.Kind == setup.Dumbbell) && l.Contact.Segment == "hand" && p.Kind == "supine" {
			if deg, over := c.overFace(l); over {
				c.add("face", "The weight passes over the face or throat, at {at}.",
					"Keep the thumbs wrapped, use an easy weight or a spotter; lower it behind the head.",
					map[string]quantity.Quantity{"at": {Value: deg, Kind: "angle"}})
			}
		}
	}
}

// narrow says whether what both hands hold is one dumbbell, so that it can be put aside.
func (c *cautions) narrow(l *setup.Load) bool {
	return l.Contact.Segment == "hand" && math.Abs(c.rep.Grip[0].Z-c.station.MidHip.Z) < 0.05*c.body.Height && c.path.Both()
}

// overFace is where a weight in the hands is first above the stretch from throat to crown.
func (c *cautions) overFace(l *setup.Load) (float64, bool) {
	back := c.station.Trunk.Transpose()
	h := c.body.Height
	shoulders := c.body.ShoulderHeight - c.body.HipHeight
	for i, grip := range c.rep.Grip {
		at := back.Apply(r3.Sub(grip, c.station.MidHip))
		along := at.Y - shoulders
		aside := math.Abs(at.Z)
		if l.Kind == setup.Bar {
			aside = 0
		}
		if along > 0.05*h && along < 0.20*h && aside < overFace*h && at.X > 0 {
			return report.Rounded(degrees1(c.rep.Angle[i])), true
		}
	}
	return 0, false
}

// arms are cautions of shoulders that are loaded where they are weak.
func (c *cautions) arms() {
	if c.joint != body.ShoulderR {
		return
	}
	at := func(deg float64) map[string]quantity.Quantity {
		return map[string]quantity.Quantity{"at": {Value: deg, Kind: "angle"}}
	}
	if deg, ok := c.loadedWhere(func(q *body.Pose) bool {
		return degrees1(q[setup.ShoulderRotation]) < turnedOut && degrees1(q[setup.ShoulderPlane]) < 0 && raised(q)
	}); ok {
		c.add("turned-out", "The arm is loaded at full stretch while rotated outward, at {at}.",
			"Rotate the arm inward, or cut the range at the stretch.", at(deg))
	}
	bent := c.elbowsBend()
	switch deg, ok := c.loadedWhere(func(q *body.Pose) bool { return bent && behindTrunkDeg(q) > deepPress }); {
	case ok && c.presses():
		c.add("deep", "The elbows go far behind the trunk under load, at {at}.",
			"Stop where the upper arms are in line with the trunk, or lighten the load.", at(deg))
	default:
		if deg, ok := c.loadedWhere(func(q *body.Pose) bool {
			return degrees1(q[setup.ShoulderPlane]) < deepPlane && raised(q) && degrees1(q[setup.ElbowFlexion]) < 60
		}); ok && c.rep.Name == setup.ShoulderPlane {
			c.add("deep", "The arms go far behind the shoulders under load, at {at}.", "Stop level with the trunk, or lighten the load.", at(deg))
		}
	}
	if deg, ok := c.where(func(q *body.Pose) bool { return degrees1(q[setup.ShoulderElevation]) > overhead }); ok {
		if owned := c.doc.Lifter.Owned(setup.ShoulderRotation); owned.FromDeg > neededTurn {
			c.add("overhead", "Arms overhead, at {at}, need more outward rotation than this lifter has ({owned}).",
				"Stop lower: a flatter bench for a press, a pulldown from in front.",
				map[string]quantity.Quantity{"at": {Value: deg, Kind: "angle"}, "owned": {Value: -owned.FromDeg, Kind: "angle"}})
		}
	}
}

// behindTrunkDeg is how far an upper arm points behind the plane of the trunk, degrees.
func behindTrunkDeg(q *body.Pose) float64 {
	return space.Deg(math.Asin(-math.Sin(q[setup.ShoulderElevation]) * math.Sin(q[setup.ShoulderPlane])))
}

// elbowsBend says whether the elbows take part in the movement.
func (o *outcome) elbowsBend() bool {
	least, most := math.Inf(1), math.Inf(-1)
	for i := range o.rep.Pose {
		x := o.rep.Pose[i][setup.ElbowFlexion]
		least, most = min(least, x), max(most, x)
	}
	return most-least > space.Rad(25)
}

// presses says whether the arms straighten on the way up.
func (o *outcome) presses() bool {
	last := len(o.rep.Pose) - 1
	return o.rep.Pose[last][setup.ElbowFlexion] < o.rep.Pose[0][setup.ElbowFlexion]
}

// knee cautions of the last degrees of an extension whose foot is free.
func (c *cautions) knee() {
	if c.joint != body.KneeR || c.station.Carries() || c.footPushes() || c.presentEffort() < kneeEffort {
		return
	}
	last := c.rep.Pose[len(c.rep.Pose)-1][setup.KneeFlexion]
	if c.rep.Rate[0][setup.KneeFlexion] < 0 && degrees1(last) < openKnee {
		c.add("knee-shear", "Over the last {last} the load draws the shin forward, which strains the anterior cruciate ligament.",
			"Fine for a healthy knee; after an injury, whoever treats it sets the range.",
			map[string]quantity.Quantity{"last": degreesOf(openKnee - degrees1(last))})
	}
}

// footPushes says whether the foot pushes on something, so that the calf and the hamstrings press the knee together.
func (o *outcome) footPushes() bool {
	return slices.ContainsFunc(o.doc.Loads, func(l setup.Load) bool { return l.Contact.Segment == "foot" })
}

// What a sled can do to a knee and a low back, and a bar to hips (common practice, no source; numbers own).
const (
	lockedUnder = 10  // degrees: a knee that is almost straight under a sled
	rolledOff   = 115 // degrees of hip flexion from which the pelvis leaves the pad
	heavyOnHips = 40  // kg
)

// legs are cautions of what the legs push or carry.
func (c *cautions) legs() {
	for i := range c.doc.Loads {
		l := &c.doc.Loads[i]
		if l.Kind == setup.Bar && l.Contact.At == "pelvis" && l.Mass >= heavyOnHips {
			c.add("hip-bar", "A bar of {mass} lies in the crease of the hips.", "Wrap a thick pad round it, and hold it in place.",
				map[string]quantity.Quantity{"mass": {Value: l.Mass, Kind: "mass"}})
		}
		if l.Kind != setup.Sled {
			continue
		}
		if l.Contact.At == "ball" {
			c.add("sled-slip", "If the feet slip, the sled falls onto the knees.", "Keep the catches in, and wear shoes that grip.", nil)
			continue
		}
		least, most := math.Inf(1), math.Inf(-1)
		for k := range c.rep.Pose {
			least = math.Min(least, c.rep.Pose[k][setup.KneeFlexion])
			most = math.Max(most, c.rep.Pose[k][setup.HipFlexion])
		}
		if degrees1(least) < lockedUnder {
			c.add("sled-lock", "The knees come to {knee} under the sled.", "Stop short of straight: a knee that snaps back under load has nothing to stop it.",
				map[string]quantity.Quantity{"knee": degreesOf(degrees1(least))})
		}
		if degrees1(most) > rolledOff {
			c.add("sled-deep", "The hips bend to {hip}: the pelvis may roll off the pad, and the low back bends under the load.",
				"Stop sooner, or set the back rest lower.", map[string]quantity.Quantity{"hip": degreesOf(degrees1(most))})
		}
	}
}

// presentEffort is the largest effort of the target, 0 where it is not known.
func (o *outcome) presentEffort() float64 { return o.result.PeakEffort.Or(0) }

// trunk are cautions of the back.
func (c *cautions) trunk() {
	p := &c.doc.Posture
	if most, limit := c.lowBack(); most > limit {
		c.add("low-back", "The low back has to hold {torque}, over its limit of {limit}.", c.easesBack(),
			map[string]quantity.Quantity{"torque": {Value: report.Rounded(most), Kind: "torque"}, "limit": {Value: report.Rounded(limit),
				Kind: "torque"}})
	}
	if math.Abs(p.Trunk.TurnDeg) > spineTurned && !c.path.Both() {
		c.add("spine", "The spine is rotated by {turn} under a one-sided load.", "Brace against the rotation instead of moving through it.",
			map[string]quantity.Quantity{"turn": {Value: math.Abs(p.Trunk.TurnDeg), Kind: "angle"}})
	}
	c.spine()
	upright := p.Kind == "standing" || p.Kind == "hinged" || p.Kind == "kneeling" || p.Kind == "half-kneeling" || p.Kind == "seated"
	if math.Abs(p.Trunk.BendDeg) > sideBent && upright && !c.station.Carried && p.SupportHand == nil {
		c.add("side-bend", "The spine is bent {bend} to the side under load.", "Stand upright, or hold on with the other hand.",
			map[string]quantity.Quantity{"bend": {Value: math.Abs(p.Trunk.BendDeg), Kind: "angle"}})
	}
}

// spine are cautions of a back that turns, or straightens from a bend, under load.
func (c *cautions) spine() {
	if least, most, _, _ := c.travel(setup.TrunkRotation); most-least > spineTurned {
		c.add("spine", "The spine turns through {turn} under load.", "Keep it light and slow with the hips square, or hold against the pull instead.",
			map[string]quantity.Quantity{"turn": degreesOf(most - least)})
	}
	first, last := c.rep.Pose[0][setup.TrunkFlexion], c.rep.Pose[len(c.rep.Pose)-1][setup.TrunkFlexion]
	if bent := degrees1(first); bent > spineBent && last < first {
		c.add("spine-bent", "The spine is bent {bend} as it takes the load.", "Start light and add slowly; end the set before the back gives.",
			map[string]quantity.Quantity{"bend": degreesOf(bent)})
		return
	}
	c.rounded()
}

// rounded tells of a back that is not what is trained and stays bent while it holds much of what it can be asked to: bent forward, what
// holds it is discs and ligaments more and more, which do not get stronger within a set (common practice, no source; numbers own).
func (c *cautions) rounded() {
	if c.backSpared() {
		return
	}
	_, limit := c.lowBack()
	for i, torque := range c.rep.LowBack {
		if bent := degrees1(c.rep.Pose[i][setup.TrunkFlexion]); bent > spineBent && torque > roundedHold*limit {
			c.add("spine-bent", "The low back is rounded by {bend} while it holds {torque}.", "Bend at the hips, and stop where the back starts to round.",
				map[string]quantity.Quantity{"bend": degreesOf(bent), "torque": {Value: report.Rounded(torque), Kind: "torque"}})
			return
		}
	}
}

// others tells of a joint beside the target that is asked for more than it has.
func (c *cautions) others() {
	if worst := c.demands.most("", 1); worst != nil && worst.joint != c.joint.Name() && worst.effort(1) > 1 {
		c.add("other-joint", "The "+jointWords[worst.joint]+" works at {effort} of its strength, at {at}.",
			"Use less load, or a path that spares it.",
			map[string]quantity.Quantity{"effort": {Value: report.Rounded(100 * worst.effort(1)), Kind: "percent"},
				"at": degreesOf(degrees1(c.rep.Angle[worst.index]))})
	}
}

// kit are cautions of what the lifter works with.
func (c *cautions) kit() {
	if b := &c.report.Bracing.Bench; b.Used && !b.Holds {
		c.add("bench", "The bench "+b.How+".", "Weigh its foot down, or set its foot against something.", nil)
	}
	if t := c.doc.Tempo; !c.path.Still() && t.Up > 0 && t.Down > 0 && min(t.Up, t.Down) < fastPhase {
		c.add("momentum", "At {time} per phase the weight is thrown: it floats, then catches at the turnaround.",
			"Take at least a second each way.", map[string]quantity.Quantity{"time": {Value: min(t.Up, t.Down), Kind: "time"}})
	}
	if in := c.report.Pickup; in != nil && !in.Holds {
		c.add("entry", "With only one handle in hand, {pull} pulls the lifter "+verdict.Direction(in.TowardDeg)+" off the stance.",
			"Pick up the second handle while still close, then step out; step back in before returning one.",
			map[string]quantity.Quantity{"pull": {Value: in.Pull, Kind: "force"}})
	}
	for _, side := range support.Topples(c.columns, c.rep) {
		c.add("column: "+side.Name, "The "+side.Name+" column is free-standing and would tip: {pull} at {height}.",
			"Bolt it to the floor or wall, weigh its foot down, or pull from lower.",
			map[string]quantity.Quantity{"pull": {Value: report.Rounded(side.Pull), Kind: "force"},
				"height": {Value: report.Rounded(side.Height), Kind: "length"}})
	}
	for k, index := range c.rep.Index {
		if l := &c.doc.Loads[index]; l.Kind == setup.Band {
			c.band(k, l)
		}
	}
}

// band are cautions of one band.
func (c *cautions) band(part int, l *setup.Load) {
	if stretch := floats.Max(c.rep.Parts[part].Stretch); stretch > support.StretchCaution {
		c.add("band-stretch", "The band is stretched to {stretch} of its resting length, where it wears fast.",
			"Use a longer band or a closer anchor; check it before every set.",
			map[string]quantity.Quantity{"stretch": {Value: 100 * stretch, Kind: "percent"}})
	}
	if l.Worn {
		c.add("band-worn", "The band is marked as worn.", "Use another: a worn band snaps without warning.", nil)
	}
	if l.Loose {
		c.add("band-loose", "The band's anchor is not fixed.",
			"Secure it so that it cannot slip or lift off, and give it one hard pull before the set.", nil)
	}
	if deg, hits := c.flies(l); hits {
		c.add("band-face", "If the anchor lets go, the band flies at the face, at {at}.",
			"Change the height or the spot so that it does not point at the head; look away from it.",
			map[string]quantity.Quantity{"at": {Value: deg, Kind: "angle"}})
	}
}

// flies is where the line of a band that lets go at its anchor first runs on to the head.
func (c *cautions) flies(l *setup.Load) (float64, bool) {
	if l.Anchor == nil || l.Contact.Segment != "hand" {
		return 0, false
	}
	anchor := space.Vec{X: l.Anchor.X, Y: l.Anchor.Y, Z: l.Anchor.Z}
	head := c.headAt()
	for i, grip := range c.rep.Grip {
		line := r3.Sub(grip, anchor)
		length := space.Norm(line)
		if length < 0.05 {
			continue
		}
		u := r3.Scale(1/length, line)
		along := r3.Dot(r3.Sub(head, anchor), u)
		if along > length && space.Norm(r3.Sub(head, r3.Add(anchor, r3.Scale(along, u)))) < recoils {
			return report.Rounded(degrees1(c.rep.Angle[i])), true
		}
	}
	return 0, false
}

// headAt is the middle of the head, where the body stays in place.
func (o *outcome) headAt() space.Vec {
	up := o.body.ShoulderHeight - o.body.HipHeight + 0.12*o.body.Height
	return r3.Add(o.station.MidHip, o.station.Trunk.Apply(space.Vec{Y: up}))
}

// lowBack is what the low back has to hold at most, N·m, 0 where something carries the trunk or it is what is trained, and what it can.
func (o *outcome) lowBack() (most, limit float64) {
	limit, _ = catalogue.Bearable(&o.doc.Lifter)
	if o.backSpared() {
		return 0, limit
	}
	return max(0, floats.Max(o.rep.LowBack)), limit
}

// backSpared says whether nothing is told of what the low back holds: something carries the trunk, or it is what is trained.
func (o *outcome) backSpared() bool { return o.station.Carried || o.joint.Trunk() }

// easesBack is the usual way to ask less of the low back.
func (o *outcome) easesBack() string {
	switch p := &o.doc.Posture; {
	case o.station.LegsMove:
		return "Keep the trunk more upright, or use less load."
	case p.Kind == "seated":
		return "Sit more upright, or rest the trunk on the thighs."
	case !o.path.Both() && !o.station.Leans && p.SupportHand == nil:
		return "Support the chest on a bench, or rest the free hand on the thigh."
	}
	return "Support the chest on a bench."
}

// raised says whether an arm is far enough from hanging for its plane to mean something.
func raised(q *body.Pose) bool { return q[setup.ShoulderElevation] > math.Pi/3 }

// where is the first place that a condition holds at, in degrees of the named coordinate.
func (o *outcome) where(holds func(*body.Pose) bool) (float64, bool) {
	for i := range o.rep.S {
		if holds(&o.rep.Pose[i]) {
			return report.Rounded(degrees1(o.rep.Angle[i])), true
		}
	}
	return 0, false
}

// loadedWhere is where among the places with a good part of the peak.
func (o *outcome) loadedWhere(holds func(*body.Pose) bool) (float64, bool) {
	least := math.Max(loadedShare*largest(o.rep.Loads), math.SmallestNonzeroFloat64)
	i := -1
	return o.where(func(q *body.Pose) bool {
		i++
		return o.rep.Loads[i] >= least && holds(q)
	})
}
