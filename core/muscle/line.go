package muscle

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/spatial/r3"
)

// level is how far from the trunk a body is: a muscle crosses the joint between two levels where a piece of it runs from one to
// the other.
type level int

const (
	onTrunk level = iota
	onCollar
	onBlade
	onHumerus
	onForearm
)

// crossing numbers the joint between a level and the next.
type crossing int

const (
	atGirdle   crossing = iota // inner end of the collar bone
	atBlade                    // between collar bone and shoulder blade
	atShoulder                 // ball of the upper arm
	atElbow
	crossings = int(atElbow) + 1
)

// owner is what a point of a line is fixed to.
type owner int

const (
	trunkBody owner = iota
	girdleBody
	scapulaBody
	// the inner end of the blade's spine, which hardly moves in upward rotation (Bagg & Forrest 1988, Am J Phys Med Rehabil 67:238-245, from
	// memory)
	rootBody
	sleeveBody
	humerusBody
	forearmBody
)

var owners = map[string]owner{"trunk": trunkBody, "girdle": girdleBody, "scapula": scapulaBody, "root": rootBody, "sleeve": sleeveBody,
	"humerus": humerusBody, "forearm": forearmBody}

func (o owner) level() level {
	switch o {
	case trunkBody:
		return onTrunk
	case girdleBody:
		return onCollar
	case humerusBody:
		return onHumerus
	case forearmBody:
		return onForearm
	}
	return onBlade
}

// point is a place on a line, scaled to the lifter.
type point struct {
	on owner
	at space.Vec
}

// line is one strand of muscle, scaled to the lifter.
type line struct {
	key      string
	head     int
	force    float64 // N
	fibreOpt float64 // m
	pathOpt  float64 // m
	points   []point
	wraps    []wrap
	turn     *turnTable
}

// arm holds the places of all bodies of one arm, in trunk axes from the resting shoulder centre, right side.
type arm struct {
	turn   [forearmBody + 1]space.Mat
	origin [forearmBody + 1]space.Vec
	joint  [crossings]space.Vec // inner end of the collar bone, its outer end, shoulder, elbow
	hinge  space.Vec            // elbow's axis
	along  space.Vec            // the forearm's long axis, from the hand to the elbow
	lift   space.Vec            // axis about which the girdle rises, unit
	scale  float64              // of the lifter to the table
	nodes  [mostNodes]node      // of the line that is being laid
	count  int
}

// bladeJoint is where collar bone and shoulder blade meet, from the shoulder's centre in the blade's axes, m (own).
var bladeJoint = space.Vec{X: -0.008, Y: 0.034, Z: -0.005}

// scapula turns by a third of the elevation (2:1 rhythm: Inman, Saunders & Abbott 1944, J Bone Joint Surg 26:1-30), after a
// turn about the vertical toward the plane of elevation (own).
const (
	rhythm   = 1.0 / 3
	yawShare = 0.4
	yawFrom  = 30 * math.Pi / 180
	// share of the arm's turn about itself that the deltoid's origins follow (own): carries what turning the arm does to its parts
	sleeve = 0.25
)

// place computes the bodies from a pose. A negative elevation counts as a positive one in the opposite plane.
func (a *arm) place(b *body.Body, q *body.Pose) {
	p, e, r := q[setup.ShoulderPlane], q[setup.ShoulderElevation], q[setup.ShoulderRotation]
	if e < 0 {
		p, e = p+math.Pi, -e
	}
	p = math.Remainder(p, 2*math.Pi)
	k := b.Height / regions.StatureRef
	a.scale = k
	inner := space.Vec{X: 0.040 * k, Y: 0.010 * k, Z: -0.150 * k}
	yaw := space.RotY(q[setup.GirdleProtraction])
	rise := space.RotX(-q[setup.GirdleElevation])
	girdle := yaw.Mul(&rise)
	a.lift = yaw.Apply(space.Vec{X: -1})
	centre := r3.Sub(inner, girdle.Apply(inner))

	sp, cp := math.Sincos(p)
	axis := space.Vec{X: -cp, Z: sp}
	swing := space.Rot(axis, e)
	twist := space.RotY(r)
	humerus := swing.Mul(&twist)
	s2 := math.Pow(math.Sin(e), 2)
	turn := space.RotY(yawShare * folded(p-yawFrom) * s2)
	third := space.Rot(axis, rhythm*e)
	scapula := girdle.Mul(&turn)
	scapula = scapula.Mul(&third)
	along := humerus.Apply(space.Y)
	follow := space.Rot(along, sleeve*(r-naturalTurn(p, s2)))
	cover := follow.Mul(&scapula)
	fold := space.Rot(body.ElbowHinge(b.CarryingAngle), q[setup.ElbowFlexion])
	forearm := humerus.Mul(&fold)
	if b.CarryingAngle != 0 {
		c := space.RotX(-b.CarryingAngle)
		forearm = forearm.Mul(&c)
	}
	a.hinge = humerus.Apply(body.ElbowHinge(b.CarryingAngle))
	elbow := r3.Add(centre, humerus.Apply(space.Vec{Y: -b.UpperArm}))
	a.along = forearm.Apply(space.Y)
	a.turn = [...]space.Mat{space.Identity, girdle, scapula, girdle, cover, humerus, forearm}
	a.origin = [...]space.Vec{{}, centre, centre, centre, centre, centre, elbow}
	a.joint = [...]space.Vec{inner, r3.Add(centre, scapula.Apply(r3.Scale(k, bladeJoint))), centre, elbow}
}

// folded brings an angle into -90 to 90 degrees by reflection, so that a plane and its opposite turn the scapula alike.
func folded(x float64) float64 {
	x = math.Remainder(x, 2*math.Pi)
	switch {
	case x > math.Pi/2:
		return math.Pi - x
	case x < -math.Pi/2:
		return -math.Pi - x
	}
	return x
}

// naturalTurn is the rotation that an arm in a plane has by itself: half the plane when level. Past what arms reach it
// fades out.
func naturalTurn(p, s2 float64) float64 {
	const front, back = 120 * math.Pi / 180, -90 * math.Pi / 180
	switch {
	case p > front:
		p = front * (math.Pi - p) / (math.Pi - front)
	case p < back:
		p = back * (math.Pi + p) / (math.Pi + back)
	}
	return 0.5 * p * s2
}

func (a *arm) of(p *point) space.Vec {
	return r3.Add(a.origin[p.on], a.turn[p.on].Apply(p.at))
}

// node is a place on a line as it lies: points and where it touches and leaves a wrap.
type node struct {
	at    space.Vec
	level level
	arc   float64 // length round a wrap to the next node; 0 for a straight piece
}

// pull is a line at one pose: its length, and for every joint that it crosses what one newton of it does to the outer side: the
// moment m = (point - J) x u about the joint and the force u. Turn is the moment about the forearm's long axis, m, pronation
// positive, which no line's geometry gives.
type pull struct {
	length float64
	about  [crossings]space.Vec
	force  [crossings]space.Vec
	turn   float64
}

// most nodes that a line can have.
const mostNodes = 12

// lay computes a line as it lies.
func (l *line) lay(a *arm) pull {
	a.count = 0
	next := a.of(&l.points[0])
	for i := range l.points {
		here := next
		a.add(here, l.points[i].on.level(), 0)
		if i+1 == len(l.points) {
			break
		}
		next = a.of(&l.points[i+1])
		if len(l.wraps) > 0 {
			l.wrapAfter(a, i, here, next)
		}
	}
	return measured(a, a.nodes[:a.count])
}

// add puts a node at the end of the line that is being laid.
func (a *arm) add(at space.Vec, on level, arc float64) {
	a.nodes[a.count] = node{at, on, arc}
	a.count++
}

// wrapAfter adds where the piece after a point touches its wraps. Two wraps on one piece are laid in turn until the line
// is still.
func (l *line) wrapAfter(a *arm, i int, p, q space.Vec) {
	var list [2]*wrap
	count := 0
	for w := range l.wraps {
		if l.wraps[w].After == i {
			list[count] = &l.wraps[w]
			count++
		}
	}
	switch count {
	case 0:
		return
	case 1:
		if first, last, arc, touches := a.wrapped(list[0], p, q); touches {
			a.add(first, levelOf(list[0]), arc)
			a.add(last, levelOf(list[0]), 0)
		}
		return
	}
	var first, last [2]space.Vec
	var arc [2]float64
	var touches [2]bool
	for range 60 {
		moved := 0.0
		for w := range count {
			from, to := p, q
			if w == 1 && touches[0] {
				from = last[0]
			}
			if w == 0 && touches[1] {
				to = first[1]
			}
			before := last[w]
			first[w], last[w], arc[w], touches[w] = a.wrapped(list[w], from, to)
			moved += space.Norm(r3.Sub(last[w], before))
		}
		if moved < 1e-9 {
			break
		}
	}
	for w := range count {
		if touches[w] {
			on := levelOf(list[w])
			a.add(first[w], on, arc[w])
			a.add(last[w], on, 0)
		}
	}
}

// levelOf is what the touching places of a wrap count as fixed to. The ball of the shoulder is the upper arm's: a line over it
// presses on the head, not on the blade.
func levelOf(w *wrap) level {
	if w.Kind == "thorax" {
		return onTrunk
	}
	return onHumerus
}

// wrapped lays a piece round one wrap: the ball of the shoulder, the elbow's hinge, or the right half of the rib cage.
func (a *arm) wrapped(w *wrap, p, q space.Vec) (first, last space.Vec, arc float64, touches bool) {
	k := a.scale
	switch w.Kind {
	case "sphere":
		return overSphere(p, q, a.origin[humerusBody], k*w.Radius)
	case "elbow":
		h := &a.turn[humerusBody]
		c := cylinder{at: a.origin[forearmBody], u: h.Apply(space.X), v: h.Apply(space.Y), w: h.Apply(space.Z), radius: k * w.Radius,
			direction: -w.Side}
		return c.over(p, q)
	}
	c := cylinder{at: space.Vec{X: -0.025 * k, Z: -0.125 * k}, u: space.X, v: space.Z, w: space.Y, radius: k * w.Radius, direction: w.Side}
	return c.over(p, q)
}

// measured adds up a line's length and reads its moment arms off the straight pieces that cross joints, from the inner side to the
// outer or back: a line from the collar bone that lies on the ribs before it goes on pulls the collar bone toward them too.
func measured(a *arm, nodes []node) pull {
	var out pull
	for i := 0; i+1 < len(nodes); i++ {
		inner, outer := &nodes[i], &nodes[i+1]
		if inner.arc > 0 {
			out.length += inner.arc
			continue
		}
		span := r3.Sub(inner.at, outer.at)
		length := space.Norm(span)
		out.length += length
		if inner.level == outer.level || length == 0 {
			continue
		}
		u := r3.Scale(1/length, span)
		if inner.level > outer.level {
			inner, outer, u = outer, inner, r3.Scale(-1, u)
		}
		for j := crossing(inner.level); j < crossing(outer.level); j++ {
			out.about[j] = r3.Add(out.about[j], r3.Cross(r3.Sub(outer.at, a.joint[j]), u))
			out.force[j] = r3.Add(out.force[j], u)
		}
	}
	return out
}

// turnTable is the moment arm of a line about the forearm's long axis.
type turnTable struct {
	arm    interp.FritschButland
	low    float64 // degrees of pronation
	high   float64
	flexed float64 // share of it that is there only with the elbow bent square
}

func newTurnTable(r *region) *turnTable {
	if len(r.Turn) == 0 {
		return nil
	}
	x, y := make([]float64, len(r.Turn)), make([]float64, len(r.Turn))
	for i, p := range r.Turn {
		x[i], y[i] = p[0], p[1]
	}
	t := &turnTable{low: x[0], high: x[len(x)-1], flexed: r.TurnFlexed}
	if err := t.arm.Fit(x, y); err != nil { // the table is part of the program
		panic("muscle: " + err.Error())
	}
	return t
}

// at is the arm in a pose, m at the table's stature; flat beyond the table.
func (t *turnTable) at(q *body.Pose) float64 {
	if t == nil {
		return 0
	}
	p := space.Deg(q[setup.ForearmPronation])
	return t.arm.Predict(max(t.low, min(t.high, p))) * (1 - t.flexed + t.flexed*math.Sin(q[setup.ElbowFlexion]))
}
