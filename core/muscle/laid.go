package muscle

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// laid is an arm in one pose with its muscles as they lie: all that does not depend on what pulls.
type laid struct {
	pose        body.Pose
	girdleMoves bool
	arm         arm
	frame       [most]space.Vec // axes of the rows, in trunk axes
	now         []pull          // of every line
	norm        []float64       // length of its fibres over their optimum
	strength    []float64       // what it can give at that length, N
	columns     []column        // of the lines and then of what is passive
	whole       []float64       // normalised lengths of the rows in strips
}

// mostLaid is how many poses a model remembers: more than an evaluation looks at.
const mostLaid = 128

// lay makes an arm in a pose the one that is asked about, computed once for as long as it is remembered.
func (m *Model) lay(q *body.Pose, girdleMoves bool) {
	n := len(m.poses)
	for k := range n { // poses come in the order of a path, so that the next is likely the one after the last
		i := (m.last + 1 + k) % n
		if p := m.poses[i]; p.girdleMoves == girdleMoves && p.pose == *q {
			m.last, m.at = i, p
			return
		}
	}
	if n < mostLaid {
		m.poses = append(m.poses, &laid{})
		m.last = n
	} else {
		m.last = (m.last + 1) % n
	}
	m.at = m.poses[m.last]
	m.at.fill(m, q, girdleMoves)
}

func (p *laid) fill(m *Model, q *body.Pose, girdleMoves bool) {
	p.pose, p.girdleMoves = *q, girdleMoves
	a := &p.arm
	a.place(m.body, q)
	p.axes()
	if p.now == nil {
		p.make(len(m.lines), len(m.whole))
	}
	p.columns = p.columns[:0]
	for j, l := range m.lines {
		now := &p.now[j]
		*now = l.lay(a)
		now.turn = a.scale * l.turn.at(q)
		p.norm[j] = l.normalised(now.length)
		p.strength[j] = l.force * forceLength(p.norm[j])
		c := column{at: p.row(&now.about, now.turn), stiff: l.force / forceRef}
		for i := range c.at {
			c.at[i] *= p.strength[j]
		}
		p.columns = append(p.columns, c.bounded())
	}
	for k, w := range m.whole { // shown lengths are those of the group's own line
		p.whole[k] = w.normalised(w.lay(a).length)
	}
	p.passive()
}

// passives is how many columns of what is passive there are.
const passives = 3 + len(ribsAt)

// make makes room for lines and rows in strips.
func (p *laid) make(lines, rows int) {
	room := make([]float64, 2*lines+rows)
	p.norm, p.strength, p.whole = room[:lines:lines], room[lines:2*lines:2*lines], room[2*lines:]
	p.now, p.columns = make([]pull, lines), make([]column, 0, lines+passives)
}

// axes writes the rows' axes in trunk axes.
func (p *laid) axes() {
	a := &p.arm
	h, b := &a.turn[humerusBody], &a.turn[scapulaBody]
	p.frame = [most]space.Vec{a.lift, space.Y, b.Apply(space.Y), b.Apply(space.Vec{X: 0.8, Z: -0.6}), b.Apply(space.Vec{X: 0.6, Z: 0.8}),
		h.Apply(space.X), h.Apply(space.Y), h.Apply(space.Z), a.hinge, a.along}
}

// row writes what torques about the four joints, and one about the forearm, are in the rows, weighted.
func (p *laid) row(about *[crossings]space.Vec, turn float64) (v vector) {
	for i := range rowTurn {
		v[i] = rowWeights[i] * r3.Dot(about[rowJoint[i]], p.frame[i])
	}
	v[rowTurn] = turn
	return v
}

// passive adds the columns of what is passive, in the order in which tellArm reads them.
func (p *laid) passive() {
	q, a := &p.pose, &p.arm
	within := func(x, full, none float64) float64 { return max(0, min(1, (none-x)/(none-full))) }
	at := func(row int, scale, cost float64) {
		c := column{stiff: cost, passive: true}
		c.at[row] = rowWeights[row] * scale
		p.columns = append(p.columns, c.bounded())
	}
	at(rowElbow, elbowStop*within(q[setup.ElbowFlexion], elbowFull, elbowZero), elbowCost)
	turn := q[setup.ForearmPronation]
	at(rowTurn, -math.Copysign(turnStop*within(-math.Abs(turn), -turnFull, -turnZero), turn), free)
	rises := q[setup.GirdleElevation] + collarRises*math.Abs(q[setup.ShoulderElevation])
	collar := collarStop * (within(rises, collarFull, collarZero) - within(-rises, -raisedFull, -raisedZero))
	if p.girdleMoves {
		collar = 0
	}
	at(rowGirdle, collar, free)
	for _, on := range ribsAt {
		place := r3.Add(a.origin[scapulaBody], a.turn[scapulaBody].Apply(r3.Scale(a.scale, on)))
		out := ribs(place, a.scale)
		about := [crossings]space.Vec{atGirdle: r3.Cross(r3.Sub(place, a.joint[atGirdle]), out),
			atBlade: r3.Cross(r3.Sub(place, a.joint[atBlade]), out)}
		c := column{at: p.row(&about, 0), stiff: free, passive: true}
		for i := range c.at {
			c.at[i] *= ribPush
		}
		p.columns = append(p.columns, c.bounded())
	}
}
