package muscle

import (
	"fmt"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/nnls"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Model is the muscle regions of one lifter. It reuses its memory and must not be shared between goroutines.
type Model struct {
	body   *body.Body
	lines  []*line // of an arm
	whole  []*line // regions in strips as one line, for their lengths
	legs   []legLine
	place  arm
	frame  [rows]space.Vec // axes of the six rows, in trunk axes: the humerus' own, the girdle's two, the elbow's hinge
	share  nnls.Ridge
	Answer Answer
}

// New makes the model to the measure of a body.
func New(b *body.Body) *Model {
	own := *b
	m := &Model{body: &own}
	for i := range regions.Regions {
		r := &regions.Regions[i]
		m.lines = append(m.lines, scaledLines(r, b)...)
		if len(r.Strips) > 0 {
			one := *r
			one.Strips = nil
			m.whole = append(m.whole, scaledLines(&one, b)...)
		}
		if len(r.ExtensionArm) > 0 {
			m.legs = append(m.legs, newLegLine(r, b))
		}
	}
	return m
}

// Begin forgets the last pose, from which the next one's search would start: so a path gives the same whatever came before.
func (m *Model) Begin() { m.share.R = nnls.Vector{} }

// Fits says whether the model is to the measure of a body.
func (m *Model) Fits(b *body.Body) bool { return *m.body == *b }

// Need is the torque that muscles have to give at every joint that they cross: what holds the outer side against what pulls
// on it, N·m. Of an arm in trunk axes as the right side has it; of a leg as extension.
type Need struct {
	Girdle, Shoulder, Elbow space.Vec
	Hip, Knee               float64
	HipRests                bool // the thigh lies on something, which takes whatever the hip would have to
}

// Answer is who carries the need at one pose. Groups are in the order of Groups; a group that does not cross the joints
// has no length (NaN).
type Answer struct {
	Activation []float64   // mean over the group's strands, weighted by force; 1 is all of it
	Length     []float64   // of the fibres over their optimal length, mean weighted by force
	Shoulder   []space.Vec // torque that the group gives about the shoulder, trunk axes, N·m
	Elbow      []float64   // flexion at the elbow, N·m
	Girdle     []space.Vec
	Hip, Knee  []float64   // extension, N·m
	Lever      []space.Vec // the group's moment about the shoulder at one newton, mean weighted by force, m
	OnHumerus  space.Vec   // all that cross the shoulder together pull on the humerus, trunk axes, N
	OnForearm  space.Vec   // all that cross the elbow on the forearm
	Largest    float64     // activation of any strand
	Stop       float64     // torque that the elbow's own stop gives near straight, N·m
	Left       Need        // what no muscle gives
}

func (a *Answer) reset() {
	n := len(groups)
	if a.Activation == nil {
		for _, p := range []*[]float64{&a.Activation, &a.Length, &a.Elbow, &a.Hip, &a.Knee} {
			*p = make([]float64, n)
		}
		for _, p := range []*[]space.Vec{&a.Shoulder, &a.Girdle, &a.Lever} {
			*p = make([]space.Vec, n)
		}
	}
	for g := range n {
		a.Activation[g], a.Length[g], a.Elbow[g], a.Hip[g], a.Knee[g] = 0, 0, 0, 0, 0
		a.Shoulder[g], a.Girdle[g], a.Lever[g] = space.Vec{}, space.Vec{}, space.Vec{}
	}
	a.Largest, a.Stop, a.Left, a.OnHumerus, a.OnForearm = 0, 0, Need{}, space.Vec{}, space.Vec{}
}

// Weights of what is left over, per (N·m)²: about the upper arm's long axis less, since small muscles that are not in the
// table serve it (own).
const (
	acrossWeight = 1.0
	twistWeight  = 0.1
)

// The elbow's own stop: near straight it holds a drooping forearm, so that a straight arm is not charged to the biceps (own).
const (
	stopTorque = 60.0 // N·m
	stopFull   = 10 * math.Pi / 180
	stopZero   = 25 * math.Pi / 180
	stopCost   = 0.5
)

// ShareArm finds who carries a need of an arm in a pose of the right side.
func (m *Model) ShareArm(q *body.Pose, need *Need) *Answer {
	a, s, out := &m.place, &m.share, &m.Answer
	a.place(m.body, q)
	m.frame = m.axes()
	out.reset()
	s.D = s.D[:0]
	for _, l := range m.lines {
		p := l.lay(a)
		norm := l.normalised(p.length)
		f := l.force * forceLength(norm)
		s.D = append(s.D, m.column(&p, f/math.Sqrt(l.force/forceRef)))
		out.Length[l.group] += l.force * norm
		out.Lever[l.group] = r3.Add(out.Lever[l.group], r3.Scale(l.force, p.shoulder))
		l.now, l.strength = p, f
	}
	stop := stopTorque * max(0, min(1, (stopZero-q[setup.ElbowFlexion])/(stopZero-stopFull)))
	s.D = append(s.D, vector{5: stop * math.Sqrt(acrossWeight/stopCost)})
	y := m.scaledNeed(need)
	s.Solve(&y)
	m.tell(stop)
	return out
}

func (m *Model) axes() [rows]space.Vec {
	h := &m.place.turn[humerusBody]
	return [rows]space.Vec{h.Apply(space.X), h.Apply(space.Y), h.Apply(space.Z), m.place.lift, space.Y, m.place.hinge}
}

var rowWeights = [rows]float64{math.Sqrt(acrossWeight), math.Sqrt(twistWeight), math.Sqrt(acrossWeight), math.Sqrt(acrossWeight), math.Sqrt(acrossWeight), math.Sqrt(acrossWeight)}

func (m *Model) column(p *pull, f float64) vector {
	axes := &m.frame
	var v vector
	for i := range rows {
		about := p.shoulder
		switch {
		case i == 5:
			about = p.elbow
		case i >= 3:
			about = p.girdle
		}
		v[i] = f * rowWeights[i] * r3.Dot(about, axes[i])
	}
	return v
}

func (m *Model) scaledNeed(need *Need) vector {
	p := pull{girdle: need.Girdle, shoulder: need.Shoulder, elbow: need.Elbow}
	return m.column(&p, 1)
}

// tell sums the strands up by their groups.
func (m *Model) tell(stop float64) {
	out, s := &m.Answer, &m.share
	force := [64]float64{}
	for j, l := range m.lines {
		a := s.B[j] / math.Sqrt(l.force/forceRef)
		g := l.group
		out.Largest = max(out.Largest, a)
		out.Activation[g] += a * l.force
		force[g] += l.force
		n := a * l.strength
		out.Shoulder[g] = r3.Add(out.Shoulder[g], r3.Scale(n, l.now.shoulder))
		out.Girdle[g] = r3.Add(out.Girdle[g], r3.Scale(n, l.now.girdle))
		out.Elbow[g] += n * r3.Dot(l.now.elbow, m.place.hinge)
		out.OnHumerus = r3.Add(out.OnHumerus, r3.Scale(n, l.now.acrossShoulder))
		out.OnForearm = r3.Add(out.OnForearm, r3.Scale(n, l.now.atForearm))
	}
	out.Stop = stop * s.B[len(m.lines)] / math.Sqrt(stopCost)
	for g := range groups {
		if force[g] == 0 {
			out.Length[g] = math.NaN()
			continue
		}
		out.Activation[g] /= force[g]
		out.Length[g] /= force[g]
		out.Lever[g] = r3.Scale(1/force[g], out.Lever[g])
	}
	for _, l := range m.whole { // shown lengths are those of the region's own line
		p := l.lay(&m.place)
		out.Length[l.group] = l.normalised(p.length)
	}
	axes := &m.frame
	left := [rows]float64{}
	for i := range rows {
		left[i] = s.R[i] / rowWeights[i]
	}
	out.Left.Shoulder = r3.Add(r3.Scale(left[0], axes[0]), r3.Add(r3.Scale(left[1], axes[1]), r3.Scale(left[2], axes[2])))
	out.Left.Girdle = r3.Add(r3.Scale(left[3], axes[3]), r3.Scale(left[4], axes[4]))
	out.Left.Elbow = r3.Scale(left[5], axes[5])
}

// RangeOf is the range of normalised length that people usually own of a group, by its strongest line.
func RangeOf(key string) (low, high float64, ok bool) {
	strongest := 0.0
	for _, g := range groups {
		if g.Key != key {
			continue
		}
		for i := range regions.Regions {
			r := &regions.Regions[i]
			for _, k := range g.Of {
				if k == r.Key && r.Force > strongest {
					strongest, low, high, ok = r.Force, r.Range[0], r.Range[1], true
				}
			}
		}
	}
	return low, high, ok
}

// linesOf are all lines of one arm of a lifter by their keys; a region in strips gives one line for each.
func linesOf(b *body.Body) map[string]*line {
	out := map[string]*line{}
	for i := range regions.Regions {
		for _, l := range scaledLines(&regions.Regions[i], b) {
			out[l.key] = l
		}
	}
	return out
}

// scaledLines makes a region's lines to the measure of a lifter: everything by stature, along upper arm and forearm by
// their own lengths, and the optimal lengths as the whole line is longer or shorter with the arm hanging.
func scaledLines(r *region, b *body.Body) []*line {
	if len(r.ExtensionArm) > 0 || r.Arm != 0 {
		return nil
	}
	out := shapedLines(r, b)
	if b.Stature == regions.StatureRef && b.UpperArm == regions.UpperArmRef && b.Forearm == regions.ForearmRef {
		return out
	}
	usual := *b
	usual.Stature, usual.UpperArm, usual.Forearm, usual.CarryingAngle = regions.StatureRef, regions.UpperArmRef, regions.ForearmRef, 0
	straight := *b
	straight.CarryingAngle = 0
	var here, there arm
	here.place(&straight, &body.Pose{})
	there.place(&usual, &body.Pose{})
	for i, l := range shapedLines(r, &usual) {
		longer := out[i].lay(&here).length / l.lay(&there).length
		out[i].pathOpt, out[i].fibreOpt = l.pathOpt*longer, l.fibreOpt*longer
	}
	return out
}

func shapedLines(r *region, b *body.Body) []*line {
	k := b.Stature / regions.StatureRef
	scaled := func(on owner, at triple) point {
		v := space.Vec{X: k * at[0], Y: k * at[1], Z: k * at[2]}
		switch on {
		case humerusBody:
			v.Y = at[1] * b.UpperArm / regions.UpperArmRef
		case forearmBody:
			v.Y = at[1] * b.Forearm / regions.ForearmRef
		}
		return point{on, v}
	}
	var out []*line
	if len(r.Strips) == 0 {
		l := &line{key: r.Key, force: r.Force, fibreOpt: r.FibreOpt, pathOpt: r.PathOpt, wraps: r.Wraps}
		for _, p := range r.Points {
			l.points = append(l.points, scaled(owners[p.Body], p.At))
		}
		out = append(out, l)
	}
	for i, s := range r.Strips {
		out = append(out, &line{key: fmt.Sprintf("%s_%d", r.Key, i+1), force: s.Force, fibreOpt: r.FibreOpt, pathOpt: s.PathOpt, wraps: r.Wraps,
			points: []point{scaled(sleeveBody, s.Origin), scaled(humerusBody, s.Insertion)}})
	}
	for _, l := range out {
		l.group = groupOf(r.Key)
	}
	return out
}

// normalised is the fibres' length over their optimal length.
func (l *line) normalised(length float64) float64 { return 1 + (length-l.pathOpt)/l.fibreOpt }

// UpperArm is the direction of the upper arm in the pose that was asked for last, trunk axes.
func (m *Model) UpperArm() space.Vec { return r3.Scale(-1, m.frame[1]) }

// ElbowHinge is the elbow's axis in that pose, trunk axes.
func (m *Model) ElbowHinge() space.Vec { return m.frame[5] }

// LengthIn is the normalised length of a group in one pose, without a model of the whole limb; false when the table has no
// such group.
func LengthIn(b *body.Body, key string, q *body.Pose) (float64, bool) {
	sum, force := 0.0, 0.0
	var a arm
	a.place(b, q)
	hip, knee := space.Deg(q[setup.HipFlexion]), space.Deg(q[setup.KneeFlexion])
	for _, g := range groups {
		if g.Key != key {
			continue
		}
		for i := range regions.Regions {
			r := &regions.Regions[i]
			if !slices.Contains(g.Of, r.Key) {
				continue
			}
			force += r.Force
			if len(r.ExtensionArm) > 0 {
				l := newLegLine(r, b)
				sum += r.Force * l.normalised(hip, knee)
				continue
			}
			one := *r
			one.Strips = nil
			for _, l := range scaledLines(&one, b) {
				sum += r.Force * l.normalised(l.lay(&a).length)
			}
		}
	}
	return sum / force, force > 0
}
