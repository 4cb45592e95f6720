package muscle

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/spatial/r3"
)

// legLine is a region of the leg by tables: moment arms of extension over the flexion of hip and knee, and the length as
// what it is with the leg straight plus the integral of those arms. There is no muscle in the table that flexes the hip by
// itself, nor one that leads the thigh outward.
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
	arms     [2]float64 // now, m
	strength float64    // now, N
}

// leverTable is a moment arm over flexion, and its integral from zero.
type leverTable struct {
	arm      interp.FritschButland
	low      float64
	high     float64
	integral []float64 // per degree from low on, m
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
	n := int(t.high - t.low)
	t.integral = make([]float64, n+1)
	for i := 1; i <= n; i++ {
		a := t.low + float64(i)
		t.integral[i] = t.integral[i-1] + (t.at(a-1)+4*t.at(a-0.5)+t.at(a))/6*math.Pi/180
	}
	return t
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
	from := func(deg float64) float64 {
		inside := max(t.low, min(t.high, deg))
		i := min(int(inside-t.low), len(t.integral)-1)
		rest := inside - t.low - float64(i)
		return t.integral[i] + (rest*t.at(inside-rest/2)+(deg-inside)*t.at(inside))*math.Pi/180
	}
	return from(deg) - from(0)
}

func newLegLine(r *region, b *body.Body) legLine {
	l := legLine{key: r.Key, head: headOf(r.Key), force: r.Force * regions.StatureRef / b.Height, fibreOpt: r.FibreOpt, pathOpt: r.PathOpt,
		scale: b.Height / regions.StatureRef,
		hip:   newLeverTable(r.ExtensionArm["hip"]), knee: newLeverTable(r.ExtensionArm["knee"])}
	var before space.Vec
	for i, p := range r.Points {
		at := p.At.vec()
		if p.Body == "shank" {
			at.Y -= regions.ThighRef
		}
		if i > 0 {
			l.straight += space.Norm(r3.Sub(at, before))
		}
		before = at
	}
	return l
}

// normalised is the fibres' length over their optimal length at the flexions of hip and knee, degrees.
func (l *legLine) normalised(hip, knee float64) float64 {
	return 1 + (l.straight+l.hip.longer(hip)+l.knee.longer(knee)-l.pathOpt)/l.fibreOpt
}

// calfStands is by how much more the calf is there for the knee where the foot stands with the weight ahead of the ankle: what the ankle
// wants of it anyway (own).
const calfStands = 3

// ShareLeg finds who carries a need of extension at hip and knee in a pose.
func (m *Model) ShareLeg(q *body.Pose, need *Need) *Answer {
	s, out := &m.share, &m.Answer
	out.reset()
	hip, knee := space.Deg(q[setup.HipFlexion]), space.Deg(q[setup.KneeFlexion])
	s.columns = m.legColumns[:0]
	y := vector{need.Hip / need.strength(), need.Knee / need.strength()}
	if need.HipRests {
		y[0] = 0
	}
	var force [maxHeads]float64
	for i := range m.legs {
		l := &m.legs[i]
		norm, whole := l.normalised(hip, knee), l.force
		if need.FootStands && l.key == "gastroc" {
			whole *= calfStands
		}
		l.strength = whole * forceLength(norm)
		l.arms = [2]float64{l.scale * l.hip.at(hip), l.scale * l.knee.at(knee)}
		c := column{at: vector{l.strength * l.arms[0], l.strength * l.arms[1]}, stiff: whole / forceRef}
		if need.HipRests {
			c.at[0] = 0
		}
		s.columns = append(s.columns, c.bounded())
		out.Length[l.head] += l.force * norm
		force[l.head] += l.force
	}
	m.legColumns = s.columns
	s.solve(&y)
	for i := range m.legs {
		l := &m.legs[i]
		a := s.x[i]
		if a > out.Most {
			out.Most, out.Largest = a, l.head
		}
		out.Activation[l.head] += a * l.force
		out.Hip[l.head] += need.strength() * a * l.strength * l.arms[0]
		out.Knee[l.head] += need.strength() * a * l.strength * l.arms[1]
	}
	m.means(&force)
	out.Left.Hip, out.Left.Knee = need.strength()*s.r[0], need.strength()*s.r[1]
	if need.HipRests {
		out.Left.Hip = 0
	}
	return out
}
