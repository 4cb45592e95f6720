package torque

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// action is what acts on a segment from outside: a force at a place and a couple, N, m, N·m, room axes.
type action struct {
	segment           body.Segment
	at, force, couple space.Vec
}

// fulcrum gathers the actions on the far side of a joint, the side away from what stays in place.
//
// As a rule that is the limb. Where the limb's end stays in place, a foot that stands while the legs move or a hand that
// carries the body, the far side is the rest of the body. What then acts on the far side is what the limb's own side does
// not take: the limb's part of everything as pressed on the ground, less what acts on the limb itself. How large that part
// is says the bearing.
type fulcrum struct {
	joint   body.Joint
	lead    body.Side
	beyond  []body.Segment         // the joint from the pelvis; of a trunk that hangs by the hands from the chest
	outer   [body.NumSegments]bool // whether one is beyond
	rooted  bool
	hands   bool
	bearing bearing
	paired  bool    // of the trunk: what one arm does the other does too, mirrored
	sign    float64 // of the joint's spin: -1 where the trunk's side is the one that moves
}

// bearing is how much of what acts on the body presses on the lead limb's end that stays in place.
type bearing int

const (
	// alike: both limbs bear half each, and bear moments in the sagittal plane; sideways forces cancel.
	alike bearing = iota
	// alone: one leg bears all that there is, in every direction.
	alone
	// levers: what stays in place elsewhere bears what the lever between the two leaves; both push against the force, and bear no moment.
	levers
	// shared: levers, where the other leg is at the other end.
	shared
	// propped: levers, both hands together, of the trunk between hands and toes.
	propped
	// seated: levers between the foot and the hip, of what acts on the leg itself.
	seated
)

// bearingOf says how the lead leg's end bears.
func bearingOf(joint body.Joint, st *body.Station, hands bool) bearing {
	switch {
	case st.OnToes && joint.Trunk():
		return propped
	case st.OnToes:
		return levers
	case hands:
		return alike
	case st.Root == body.OnFoot:
		return alone
	case st.Split:
		return shared
	case st.Root == body.OnShoulders:
		return levers
	case st.Root == body.OnSeat:
		return seated
	}
	return alike
}

func newFulcrum(joint body.Joint, lead body.Side, st *body.Station) fulcrum {
	c := fulcrum{joint: joint, lead: lead, sign: 1}
	beyond := body.Beyond[joint]
	if joint.Trunk() && st.Root == body.OnHands && !st.OnToes {
		beyond, c.sign = body.BelowWaist, -1
	}
	c.beyond = beyond
	for _, seg := range beyond {
		c.outer[seg] = true
	}
	c.hands = st.Root == body.OnHands && joint.Arm()
	c.rooted = c.hands || joint.Leg() && bears(st, lead) || joint.Trunk() && st.OnToes
	c.bearing = bearingOf(joint, st, c.hands)
	if c.rooted {
		c.sign = -1
	}
	return c
}

// bears says whether an end of a side's leg stays in place and bears something.
func bears(st *body.Station, side body.Side) bool {
	switch {
	case !st.LegsMove:
		return false
	case st.Root == body.OnSeat:
		return st.HeelsUp
	case st.Root == body.OnFoot, st.Split:
		return side == st.Carrier
	}
	return st.Carries()
}

// moved is the unit vector from the joint along the segment that is seen to move: the limb, or what stands on it.
func (c *fulcrum) moved(f *body.Frames) space.Vec {
	right := c.joint % body.TrunkL
	switch {
	case right == body.GirdleR:
		return r3.Unit(r3.Sub(f.Joint[c.joint+1], f.Joint[c.joint]))
	case right == body.TrunkR && c.sign < 0:
		return r3.Scale(-1, f.Direction(body.Pelvis))
	case c.stands() && right == body.HipR:
		return f.Direction(body.Pelvis)
	case c.stands():
		return r3.Unit(r3.Sub(f.Joint[c.joint-1], f.Joint[c.joint]))
	}
	return f.Direction(body.Beyond[c.joint][0])
}

// seen is the direction in which the turn of the joint is best seen: as moved, but of an ankle over a ball that stays in place the foot.
func (c *fulcrum) seen(f *body.Frames) space.Vec {
	if f.Station.HeelsUp && c.joint.Name() == "ankle" {
		return f.Direction(c.lead.On(body.FootR))
	}
	return c.moved(f)
}

// ActsDirectly says whether a load's torque about a joint of a side is its own force times its own arm, as a picture shows it: not where
// what stays in place elsewhere bears a part of it.
func ActsDirectly(st *body.Station, joint body.Joint, side body.Side) bool {
	c := newFulcrum(joint, side, st)
	return !c.rooted || !c.hands && (c.bearing == alike || c.bearing == alone)
}

// stands says whether what is seen to move is the body on a foot that stays in place.
func (c *fulcrum) stands() bool { return c.rooted && !c.hands && c.bearing != seated }

// resultant splits a force on the far side, and so the one that the joint has to give: along the moved segment, + where it pushes it away
// from the joint, and the size of what lies across it, N.
func (c *fulcrum) resultant(f *body.Frames, force space.Vec) (along, across float64) {
	d := c.moved(f)
	along = -r3.Dot(force, d)
	if c.hands { // the far side is the body, what is seen to move the arm
		along = -along
	}
	return along, space.Norm(space.Reject(force, d))
}

// rest splits what a torque vector leaves beside a unit axis: twist about the moved segment as far as that lies across the axis, bend
// about what is square to both. Signs are those of the right side. About an axis along the segment there is no twist left, and bend is the
// size of all the rest; twist² + bend² is always what the axis leaves.
func (c *fulcrum) rest(f *body.Frames, t, axis space.Vec) (twist, bend float64) {
	d := space.Reject(c.moved(f), axis)
	if size := space.Norm(d); size > 1e-6 {
		d = r3.Scale(1/size, d)
	} else {
		return 0, space.Norm(space.Reject(t, axis))
	}
	twist, bend = r3.Dot(t, d), r3.Dot(t, r3.Cross(d, axis))
	if c.lead == body.Left {
		return -twist, -bend
	}
	return twist, bend
}

// base is where the root's force is taken to act: at the grip, under the foot, or at the joint of a shin or thigh that lies fixed.
func (c *fulcrum) base(f *body.Frames) space.Vec {
	switch {
	case c.bearing == propped:
		return f.BetweenHands()
	case c.hands:
		return f.Grip[c.lead]
	case f.Station.Root == body.OnThighs:
		return f.Joint[c.lead.Joint(body.HipR)]
	case f.Station.Root == body.OnKnees:
		return f.Joint[c.lead.Joint(body.KneeR)]
	case c.bearing != alike || f.Station.HeelsUp:
		return f.Pressure(c.lead)
	}
	p := f.Joint[c.lead.Joint(body.AnkleR)]
	p.Y = f.Station.Riser
	return p
}

// other is where the rest is borne, of a bearing by levers.
func (c *fulcrum) other(f *body.Frames) space.Vec {
	if f.Station.OnToes {
		return f.Station.Toes()
	}
	if c.bearing == seated {
		return f.Joint[c.lead.Joint(body.HipR)]
	}
	return f.Behind()
}

// of is the torque about the joint and the force on it that one action puts on the far side.
func (c *fulcrum) of(f *body.Frames, a *action) (torque, force space.Vec) {
	if !c.rooted && !c.outer[a.segment] {
		return torque, force
	}
	j := f.Joint[c.joint]
	if c.outer[a.segment] {
		torque, force = r3.Add(r3.Cross(r3.Sub(a.at, j), a.force), a.couple), a.force
		switch {
		case c.paired:
			return c.both(f, a.segment, torque, force)
		case !c.rooted:
			return torque, force
		}
	}
	pressed, moment := c.pressed(f, a)
	base := c.base(f)
	onRoot := r3.Add(r3.Cross(r3.Sub(base, j), pressed), moment)
	return r3.Sub(onRoot, torque), r3.Sub(pressed, force)
}

// both adds what the other arm does to the trunk where it does the same: what is beside the sagittal plane cancels.
func (c *fulcrum) both(f *body.Frames, s body.Segment, torque, force space.Vec) (space.Vec, space.Vec) {
	if _, limb := sideOf(s); !limb {
		return torque, force
	}
	across := f.Turn[body.Pelvis].Apply(space.Z)
	return r3.Scale(2*r3.Dot(torque, across), across), r3.Scale(2, space.Reject(force, across))
}

// times is how often an action counts: twice on an arm of two that do the same to the trunk.
func (c *fulcrum) times(s body.Segment) float64 {
	if _, limb := sideOf(s); limb && c.paired {
		return 2
	}
	return 1
}

// pressed is what an action presses on the lead limb's root: the force, and the moment about its base.
func (c *fulcrum) pressed(f *body.Frames, a *action) (force, moment space.Vec) {
	share := c.share(a.segment)
	if share == 0 {
		return space.Vec{}, space.Vec{}
	}
	if c.bearing == alone {
		return a.force, r3.Add(r3.Cross(r3.Sub(a.at, c.base(f)), a.force), a.couple)
	}
	across := f.Station.Heading.Apply(space.Z)
	force = space.Reject(a.force, across)
	if c.bearing != alike {
		return r3.Scale(share, c.levered(f, a, across)), space.Vec{}
	}
	if !c.hands {
		moment = r3.Scale(share*r3.Dot(r3.Add(r3.Cross(r3.Sub(a.at, c.base(f)), force), a.couple), across), across)
	}
	return r3.Scale(share, force), moment
}

// share is the part of what acts on a segment that concerns the lead limb's root.
func (c *fulcrum) share(s body.Segment) float64 {
	side, limb := sideOf(s)
	own := limb && side == c.lead
	switch {
	case c.bearing == alone, c.bearing == shared, c.bearing == propped, own && c.bearing != seated:
		return 1
	case c.bearing == seated:
		if own && c.legs(s) {
			return 1
		}
		return 0
	case limb:
		return 0 // the other side's own half
	}
	return 0.5
}

// legs says whether a segment of the lead side is of its leg.
func (c *fulcrum) legs(s body.Segment) bool {
	return s >= c.lead.On(body.ThighR) && s <= c.lead.On(body.FootR)
}

// struts is by how much two unlike legs push each other apart, per force that one of them bears: both lean toward each other, as if they
// met at the height of the lifter's stature over the centre of mass (own; how much they do is theirs to choose).
func (c *fulcrum) struts(f *body.Frames, ahead space.Vec) float64 {
	if c.bearing != shared {
		return 0
	}
	return -r3.Dot(r3.Sub(c.base(f), f.CentreOfMass()), ahead) / f.Body.Height
}

// levered is what the lead one of two ends bears of an action in the sagittal plane: so much that what it turns about the other end is
// borne too. Of its level part, which the two may divide in any way, each bears as much as it is near (own).
func (c *fulcrum) levered(f *body.Frames, a *action, across space.Vec) space.Vec {
	ahead, other := f.Station.Heading.Apply(space.X), c.other(f)
	from, span := r3.Sub(a.at, other), r3.Sub(c.base(f), other)
	level := r3.Dot(a.force, ahead) * r3.Dot(from, ahead) / r3.Dot(span, ahead)
	moment := r3.Dot(r3.Add(r3.Cross(from, a.force), a.couple), across)
	if c.bearing == seated {
		return c.relaxed(f, a, moment)
	}
	strut := c.struts(f, ahead)
	down := (moment + span.Y*level) / (r3.Dot(span, ahead) - span.Y*strut)
	level += strut * down
	return space.Vec{X: level * ahead.X, Y: down, Z: level * ahead.Z}
}

// relaxed is what a foot on a step bears of an action on the leg of somebody who sits, where neither hip nor knee is held by muscles: what
// turns about the hip by a moment, and about the knee if it acts below.
func (c *fulcrum) relaxed(f *body.Frames, a *action, aboutHip float64) space.Vec {
	ahead, across := f.Station.Heading.Apply(space.X), f.Station.Heading.Apply(space.Z)
	knee, aboutKnee := f.Joint[c.lead.Joint(body.KneeR)], 0.0
	if a.segment != c.lead.On(body.ThighR) {
		aboutKnee = r3.Dot(r3.Add(r3.Cross(r3.Sub(a.at, knee), a.force), a.couple), across)
	}
	h, k := r3.Sub(c.base(f), c.other(f)), r3.Sub(c.base(f), knee)
	hx, kx := r3.Dot(h, ahead), r3.Dot(k, ahead)
	det := hx*k.Y - h.Y*kx
	level := (aboutHip*kx - hx*aboutKnee) / det
	return space.Vec{X: level * ahead.X, Y: (k.Y*aboutHip - h.Y*aboutKnee) / det, Z: level * ahead.Z}
}

func sideOf(s body.Segment) (side body.Side, limb bool) {
	switch {
	case s < body.UpperArmR:
		return body.Right, false
	case s >= body.UpperArmL:
		return body.Left, true
	}
	return body.Right, true
}

// acts says whether an action on a segment can put a torque on the joint.
func (c *fulcrum) acts(s body.Segment) bool {
	side, limb := sideOf(s)
	return c.outer[s] || (c.rooted && (!limb || side == c.lead || c.bearing == alone || c.bearing == shared || c.bearing == propped))
}

// counts says whether an action on a segment is one that is summed: it acts, and is not the mirrored one of another.
func (c *fulcrum) counts(s body.Segment) bool {
	side, limb := sideOf(s)
	return c.acts(s) && !(c.paired && limb && side != c.lead)
}

// weightOf is the weight of a segment as an action.
func weightOf(f *body.Frames, s body.Segment) action {
	return action{segment: s, at: f.COM[s], force: space.Vec{Y: -f.Body.Masses[s] * load.Gravity}}
}

// weights is what the segments' own weights put on the far side.
func (c *fulcrum) weights(f *body.Frames) (torque, force space.Vec) {
	if !c.rooted {
		for _, seg := range c.beyond {
			if c.paired && !c.counts(seg) {
				continue
			}
			w := weightOf(f, seg)
			t, n := c.of(f, &w)
			torque, force = r3.Add(torque, t), r3.Add(force, n)
		}
		return torque, force
	}
	for seg := range body.Segment(body.NumSegments) {
		w := weightOf(f, seg)
		t, n := c.of(f, &w)
		torque, force = r3.Add(torque, t), r3.Add(force, n)
	}
	return torque, force
}

// WeightTorque is the torque vector in N·m, room axes, that the weights of the segments put on the far side of a joint.
func WeightTorque(f *body.Frames, joint body.Joint) space.Vec {
	c := newFulcrum(joint, body.Side(joint/body.TrunkL), f.Station)
	t, _ := c.weights(f)
	return t
}

// LoadTorque is the torque vector in N·m, room axes, that a pull on a segment puts on the far side of a joint.
func LoadTorque(f *body.Frames, joint body.Joint, s body.Segment, pull *load.Pull) space.Vec {
	c := newFulcrum(joint, body.Side(joint/body.TrunkL), f.Station)
	t, _ := c.of(f, &action{segment: s, at: pull.Contact, force: pull.Force})
	return t
}

// AxisOf is the unit vector about which the lifting direction turns a joint; zero where it does not turn.
func AxisOf(f *body.Frames, joint body.Joint, side body.Side, rule *AxisRule) space.Vec {
	c := newFulcrum(joint, side, f.Station)
	a, _ := c.axis(f, rule)
	return a
}

// noTurn is the rate, rad per unit s, below which a joint does not turn: what rounding leaves of the rates of guided paths is less.
const noTurn = 1e-7

// axis is the unit vector about which the lifting direction turns a joint, and the rate of that turn per unit s: of the
// swing, square to the moved segment; of the spin, along it; or a given direction. Without a turn both are zero.
func (c *fulcrum) axis(f *body.Frames, rule *AxisRule) (space.Vec, float64) {
	spin := r3.Scale(c.sign, f.Spin[c.joint])
	d := c.moved(f)
	switch rule.Kind {
	case "spin":
		along := r3.Dot(spin, d)
		if math.Abs(along) < noTurn {
			return space.Vec{}, 0
		}
		return r3.Scale(math.Copysign(1, along), d), math.Abs(along)
	case "vector":
		return rule.Along, max(0, r3.Dot(spin, rule.Along))
	}
	swing := space.Reject(spin, d)
	if name := c.joint.Name(); name == "girdle" || name == "trunk" { // they turn about axes of their own, whatever the next segment does
		swing = spin
	}
	speed := space.Norm(swing)
	if speed < noTurn {
		return space.Vec{}, 0
	}
	return r3.Scale(1/speed, swing), speed
}
