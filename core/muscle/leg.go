package muscle

import (
	"math"
	"sync"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/spatial/r3"
)

// legLine is a region of the leg by tables: moment arms of extension over the flexion of hip, knee and ankle (where extension points the
// toes), and of abduction over that of the hip; and the length as what it is with the leg straight and the foot square plus the integral
// of those arms. There is no muscle in the table that flexes the hip by itself.
type legLine struct {
	key      string
	head     int
	force    float64
	fibreOpt float64
	pathOpt  float64
	straight float64
	scale    float64
	hip      *leverTable
	knee     *leverTable
	ankle    *leverTable
	aside    *leverTable   // abduction
	arms     [rows]float64 // now, m
	strength float64       // now, N
}

// leverTable is a moment arm over flexion, and its integral from zero.
type leverTable struct {
	arm      interp.FritschButland
	low      float64
	high     float64
	integral func() []float64 // per degree from low on, m; worked out when a length is first asked for
}

func newLeverTable(points [][2]float64) *leverTable {
	if len(points) == 0 {
		return nil
	}
	x, y := make([]float64, len(points)), make([]float64, len(points))
	for i, p := range points {
		x[i], y[i] = p[0], p[1]
	}
	t := &leverTable{low: x[0], high: x[len(x)-1]}
	if err := t.arm.Fit(x, y); err != nil { // the table is part of the program
		panic("muscle: " + err.Error())
	}
	t.integral = sync.OnceValue(t.integrated)
	return t
}

// integrated is the integral of the moment arm, by Simpson's rule over each degree.
func (t *leverTable) integrated() []float64 {
	sum := make([]float64, int(t.high-t.low)+1)
	for i := 1; i < len(sum); i++ {
		a := t.low + float64(i)
		sum[i] = sum[i-1] + (t.at(a-1)+4*t.at(a-0.5)+t.at(a))/6*math.Pi/180
	}
	return sum
}

func (t *leverTable) at(deg float64) float64 {
	if t == nil {
		return 0
	}
	return t.arm.Predict(max(t.low, min(t.high, deg)))
}

// longer is how much longer the line is at a flexion than straight, m; flat arms beyond the table.
func (t *leverTable) longer(deg float64) float64 {
	if t == nil {
		return 0
	}
	integral := t.integral()
	from := func(deg float64) float64 {
		inside := max(t.low, min(t.high, deg))
		i := min(int(inside-t.low), len(integral)-1)
		rest := inside - t.low - float64(i)
		return integral[i] + (rest*t.at(inside-rest/2)+(deg-inside)*t.at(inside))*math.Pi/180
	}
	return from(deg) - from(0)
}

func newLegLine(r *region, b *body.Body) legLine {
	l := legLine{key: r.Key, head: headOf(r.Key), force: r.Force * regions.StatureRef / b.Height, fibreOpt: r.FibreOpt, pathOpt: r.PathOpt,
		scale: b.Height / regions.StatureRef,
		hip:   r.levers["hip"], knee: r.levers["knee"], ankle: r.levers["ankle"], aside: r.levers["abduction"]}
	var before space.Vec
	for i, p := range r.Points {
		at := p.At.vec()
		switch p.Body {
		case "shank":
			at.Y -= regions.ThighRef
		case "foot":
			at.Y -= regions.ThighRef + regions.ShankRef
		}
		if i > 0 {
			l.straight += space.Norm(r3.Sub(at, before))
		}
		before = at
	}
	return l
}

// rows are what a need of the leg may consist of: extension of hip and knee, pointing the toes, abduction of the hip.
const rows = 4

// flexions are those of hip, knee and ankle, and the hip's abduction, degrees.
type flexions struct{ hip, knee, ankle, aside float64 }

func flexionsOf(q *body.Pose) flexions {
	return flexions{space.Deg(q[setup.HipFlexion]), space.Deg(q[setup.KneeFlexion]), space.Deg(q[setup.AnkleFlexion]),
		space.Deg(q[setup.HipAbduction])}
}

// normalised is the fibres' length over their optimal length.
func (l *legLine) normalised(at flexions) float64 {
	return 1 + (l.straight+l.hip.longer(at.hip)+l.knee.longer(at.knee)+l.ankle.longer(at.ankle)-l.aside.longer(at.aside)-l.pathOpt)/l.fibreOpt
}

// slack is the least length that is told, over the optimal one: a fibre that would be shorter hangs loose (own).
const slack = 0.3

// calfStands is by how much more the gastrocnemius is there for the knee where the foot stands with the weight ahead of the ankle: what
// the ankle wants of it anyway. Where the ankle's own need is shared out too it is all of its force (own).
const calfStands = 3

// kneeLocked is the flexion below which a knee that is pushed back is held by its ligaments, degrees (own).
const kneeLocked = 10

// add counts the pull of a line, N, to the joints that it crosses.
func (p *LegPull) add(l *legLine, pull float64) {
	if l.hip != nil || l.aside != nil {
		p.Hip += pull
	}
	if l.ankle != nil {
		p.Ankle += pull
	}
	switch {
	case l.knee == nil:
	case l.ankle != nil:
		p.Calf += pull
	case l.arms[1] > 0:
		p.Quadriceps += pull
	default:
		p.Hamstrings += pull
	}
}

// ShareLeg finds who carries a need of extension at hip and knee, and at the ankle or sideways at the hip where those count, in a
// pose. Sideways stands alone: what the same muscles do forward and back is not known to the table.
func (m *Model) ShareLeg(q *body.Pose, need *Need) *Answer {
	s, out := &m.share, &m.Answer
	out.reset()
	at := flexionsOf(q)
	y := vector{need.Hip / need.strength(), need.Knee / need.strength(), need.Ankle / need.strength(),
		need.Aside / need.strength()}
	locked := need.AnkleCounts && at.knee < kneeLocked && need.Knee < 0
	rests := [rows]bool{need.HipRests || need.AsideCounts, need.KneeRests || need.AsideCounts || locked, !need.AnkleCounts, !need.AsideCounts}
	for i, r := range rests {
		if r {
			y[i] = 0
		}
	}
	force := m.layLegs(at, need, &rests)
	s.solve(&y)
	m.tellLegs(need)
	m.means(&force)
	for k, left := range [rows]*float64{&out.Left.Hip, &out.Left.Knee, &out.Left.Ankle, &out.Left.Aside} {
		if !rests[k] {
			*left = need.strength() * s.r[k]
		}
	}
	return out
}

// layLegs lays a column for every part of a leg's muscles, and tells their lengths; what rests asks nothing of them. It returns the force
// of every muscle.
func (m *Model) layLegs(at flexions, need *Need, rests *[rows]bool) (force [maxHeads]float64) {
	s, out := &m.share, &m.Answer
	s.columns = m.legColumns[:0]
	for i := range m.legs {
		l := &m.legs[i]
		norm, whole := l.normalised(at), l.force
		if (need.FootStands || need.AnkleCounts) && l.knee != nil && l.ankle != nil {
			whole *= calfStands
		}
		l.strength = whole * forceLength(norm)
		l.arms = [rows]float64{l.scale * l.hip.at(at.hip), l.scale * l.knee.at(at.knee), l.scale * l.ankle.at(at.ankle),
			l.scale * l.aside.at(at.aside)}
		c := column{stiff: whole / forceRef}
		for k, r := range rests {
			if !r {
				c.at[k] = l.strength * l.arms[k]
			}
		}
		s.columns = append(s.columns, c.bounded())
		out.Length[l.head] += l.force * max(slack, norm)
		force[l.head] += l.force
	}
	m.legColumns = s.columns
	return force
}

// tellLegs tells what every part of a leg's muscles does.
func (m *Model) tellLegs(need *Need) {
	out := &m.Answer
	for i := range m.legs {
		l := &m.legs[i]
		a := m.share.x[i]
		if a > out.Most {
			out.Most, out.Largest = a, l.head
		}
		out.Activation[l.head] += a * l.force
		for k, torque := range [rows][]float64{out.Hip, out.Knee, out.Ankle, out.Aside} {
			torque[l.head] += need.strength() * a * l.strength * l.arms[k]
		}
		out.Legs.add(l, need.strength()*a*l.strength)
	}
}
