package muscle

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// What the trunk can do, in the order of its coordinates: bend forward, bend to the right, turn with the right shoulder forward.
const (
	forward = iota
	toRight
	rightAhead
	trunkRows
)

// trunkLine is one side's half of a muscle of the trunk, by tables of its moment arms about the axis of the trunk over the trunk's own
// angles; those of the left are mirrored. Lengths are counted from the straight trunk, at which a line with no path of its own is as
// long as its fibres are at their best.
type trunkLine struct {
	key      string
	head     int
	side     body.Side
	force    float64 // N
	fibreOpt float64 // m
	pathOpt  float64 // how much longer than with the trunk straight it is at its best, m
	scale    float64
	tables   [trunkRows]*leverTable
	arms     [trunkRows]float64 // now, m
	norm     float64            // length now
	strength float64            // now, N
}

func newTrunkLines(r *region, b *body.Body) []trunkLine {
	out := make([]trunkLine, 2)
	for side := range out {
		out[side] = trunkLine{key: r.Key, head: headOf(r.Key), side: body.Side(side), force: r.Force / 2 * regions.StatureRef / b.Height,
			fibreOpt: r.FibreOpt, pathOpt: r.PathOpt, scale: b.Height / regions.StatureRef,
			tables: [trunkRows]*leverTable{r.levers["flexion"], r.levers["bend"], r.levers["rotation"]}}
	}
	return out
}

// trunkAngles are the trunk's coordinates as a side has them, degrees.
func trunkAngles(q *body.Pose, side body.Side) [trunkRows]float64 {
	at := [trunkRows]float64{space.Deg(q[setup.TrunkFlexion]), space.Deg(q[setup.TrunkBend]), space.Deg(q[setup.TrunkRotation])}
	mirror(&at, side)
	return at
}

// mirror turns round what goes to the right where it is the left side's.
func mirror(a *[trunkRows]float64, side body.Side) {
	if side == body.Left {
		a[toRight], a[rightAhead] = -a[toRight], -a[rightAhead]
	}
}

// normalised is the fibres' length over their optimal length: a table's arm shortens its line as its angle grows.
func (l *trunkLine) normalised(q *body.Pose) float64 {
	longer := -l.pathOpt
	for k, deg := range trunkAngles(q, l.side) {
		longer -= l.tables[k].longer(deg)
	}
	return 1 + longer/l.fibreOpt
}

// lay computes arms and strength in a pose, the arms as the right side has its angles.
func (l *trunkLine) lay(q *body.Pose) {
	for k, deg := range trunkAngles(q, l.side) {
		l.arms[k] = l.scale * l.tables[k].at(deg)
	}
	mirror(&l.arms, l.side)
	l.norm = l.normalised(q)
	l.strength = l.force * forceLength(l.norm)
}

// dual are the vectors that make up a torque from what it does about each of three axes.
func dual(a [trunkRows]space.Vec) (out [trunkRows]space.Vec) {
	for k := range out {
		b := r3.Cross(a[(k+1)%trunkRows], a[(k+2)%trunkRows])
		out[k] = r3.Scale(1/r3.Dot(a[k], b), b)
	}
	return out
}

// ShareTrunk finds who carries a need of the trunk in a pose. What a head does is told of both sides together, its activation and length
// of the side that works more.
func (m *Model) ShareTrunk(q *body.Pose, need *Need) *Answer {
	s, out := &m.share, &m.Answer
	out.reset()
	axes := body.TrunkAxes(q)
	var y vector
	for k, a := range axes {
		y[k] = r3.Dot(need.Trunk, a) / need.strength()
	}
	s.columns = m.trunkColumns[:0]
	for i := range m.trunk {
		l := &m.trunk[i]
		l.lay(q)
		c := column{stiff: l.force / forceRef}
		for k, arm := range l.arms {
			c.at[k] = l.strength * arm
		}
		s.columns = append(s.columns, c.bounded())
	}
	m.trunkColumns = s.columns
	s.solve(&y)
	basis := dual(axes)
	for i := range m.trunk {
		l, a := &m.trunk[i], s.x[i]
		if a > out.Most {
			out.Most, out.Largest = a, l.head
		}
		for k, arm := range l.arms {
			out.Trunk[l.head] = r3.Add(out.Trunk[l.head], r3.Scale(need.strength()*a*l.strength*arm, basis[k]))
		}
	}
	m.busierSides()
	for k, b := range basis {
		out.Left.Trunk = r3.Add(out.Left.Trunk, r3.Scale(need.strength()*s.r[k], b))
	}
	return out
}

// busierSides notes activation and length of every head's side that works more; where both work alike their mean.
func (m *Model) busierSides() {
	out := &m.Answer
	var force [maxHeads]float64
	for i := 0; i+1 < len(m.trunk); i += 2 {
		right, left := &m.trunk[i], &m.trunk[i+1]
		a, b := m.share.x[i], m.share.x[i+1]
		length := (right.norm + left.norm) / 2
		switch {
		case a > b+alike:
			length = right.norm
		case b > a+alike:
			length = left.norm
		}
		whole := right.force + left.force
		out.Activation[right.head] += whole * math.Max(a, b)
		out.Length[right.head] += whole * math.Max(slack, length)
		force[right.head] += whole
	}
	m.means(&force)
}

// alike is the difference of activations below which two sides work alike.
const alike = 1e-6
