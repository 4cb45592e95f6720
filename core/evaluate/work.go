package evaluate

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/floats"
	"gonum.org/v1/gonum/spatial/r3"
)

// work collects what the muscles do along the path.
type work struct {
	o        *outcome
	model    *muscle.Model
	rep      *torque.Repetition
	joint    body.Joint
	strength float64
	rests    bool // the thigh lies on a pad, or straight hips are held by ligaments and by what bends them
	knee     bool // and the knee is held by pads and rollers
	stands   bool // the foot stands
	aside    bool // the thigh is led sideways
	regions  []report.RegionPart
	heads    []report.RegionPart
	out      report.Muscles
	sound    []bool // places where activations can be relied on: no reason speaks against them, even where one muscle has all the share
}

// desk is the memory of what everything that may work does along a path; what is reported is copied from it.
type desk struct {
	regions []report.RegionPart
	heads   []report.RegionPart
	curves  []float64
}

// cleared makes room for a number of curves of a length.
func (d *desk) cleared(curves, n int) curveRoom {
	d.curves = slices.Grow(d.curves[:0], curves*n)[:curves*n]
	clear(d.curves)
	return curveRoom{d.curves}
}

// newWork begins with nothing done.
func newWork(o *outcome, model *muscle.Model, rep *torque.Repetition, strength float64, desk *desk) *work {
	w := &work{o: o, model: model, rep: rep, joint: o.joint, strength: strength,
		rests: o.joint != body.HipR && (!o.station.Carries() || o.station.Root == body.OnKnees), knee: o.station.Root == body.OnThighs,
		aside: o.joint == body.HipR && o.rep.Name == setup.HipAbduction}
	switch o.station.Root {
	case body.OnFeet, body.OnFoot, body.OnKnees: // the ankles of somebody who kneels are held too
		w.stands = true
	}
	n := len(rep.S)
	m := &w.out
	m.S = o.paper.of(rep.S)
	groups, heads := muscle.Groups(), muscle.Heads()
	w.regions, w.heads = desk.regions[:0], desk.heads[:0]
	room := desk.cleared(len(new(report.RegionPart).Curves())*(len(groups)+len(heads)), n)
	told := [...]*report.Curve{&m.Against, &m.ResidualTwist, &m.Residual, &m.Largest, &m.Raises, &m.Retracts, &m.Shoulder,
		&m.ShoulderLeanDeg, &m.Elbow, &m.Hip, &m.Knee, &m.Kneecap, &m.Ankle, &m.Spine, &m.Firm}
	for _, c := range told {
		*c = o.paper.next(n)
	}
	m.Busiest = make([]string, n)
	m.Passive = make([]report.Held, len(passives))
	for i := range passives {
		m.Passive[i] = report.Held{Key: passives[i].key, Label: passives[i].label, Kind: passives[i].kind, Values: o.paper.next(n)}
	}
	target := o.doc.Target.Region
	add := func(list []report.RegionPart, p muscle.Part) []report.RegionPart {
		if o.joint == body.AnkleR { // what holds the foot is known there
			p.Weak = ""
		}
		part := report.RegionPart{Key: p.Key, Label: p.Label, Weak: p.Weak, TorqueOnly: p.TorqueOnly, Target: muscle.Within(p.Key, target)}
		for _, c := range part.Curves() {
			*c = room.next(n)
		}
		return append(list, part)
	}
	for _, g := range groups {
		w.regions = add(w.regions, g)
	}
	for h, head := range heads {
		w.heads = add(w.heads, head.Part)
		w.heads[h].Force = muscle.Force(h)
		w.regions[head.Group].Force += muscle.Force(h)
	}
	desk.regions, desk.heads = w.regions, w.heads
	model.Begin()
	return w
}

// passives are what holds without being a muscle, in the order of muscle.Passive.
var passives = []struct {
	key, label, kind string
	of               func(p *muscle.Passive) float64
}{
	{"elbow", "Elbow at its end of extension", "torque", func(p *muscle.Passive) float64 { return p.ElbowStop }},
	{"turn", "Forearm at its end of rotation", "torque", func(p *muscle.Passive) float64 { return math.Abs(p.TurnStop) }},
	{"collar", "Ligaments of the collarbone", "torque", func(p *muscle.Passive) float64 { return math.Abs(p.Collar) }},
	{"blade", "Ligaments of the shoulder blade", "torque", func(p *muscle.Passive) float64 { return floats.Norm(p.Blade[:], 2) }},
	{"ribs", "Ribs under the shoulder blade", "force", func(p *muscle.Passive) float64 { return p.Ribs[0] + p.Ribs[1] }},
}

// at is what a joint's muscles have to give at a place, N·m, and the force of loads and weights beyond it, N, with the loads that may be
// changed times a factor; zero for a joint that was not computed.
func (w *work) at(j body.Joint, i int, factor float64) (need, force space.Vec) {
	vector, on, varying, varyingForce := w.rep.Vector, w.rep.Force, w.rep.Varying, w.rep.VaryingForce
	if j != w.joint {
		vector = nil
		for k := range w.rep.Others {
			if o := &w.rep.Others[k]; o.Joint == j {
				vector, on, varying, varyingForce = o.Vector, o.Force, o.Varying, o.VaryingForce
			}
		}
	}
	if vector == nil {
		return space.Vec{}, space.Vec{}
	}
	return r3.Add(vector[i], r3.Scale(factor-1, varying[i])), r3.Add(on[i], r3.Scale(factor-1, varyingForce[i]))
}

// share finds who carries the torque at a place with the loads that may be changed times a factor.
func (w *work) share(i int, factor float64) *muscle.Answer {
	if w.joint.Leg() {
		// A thigh that rests on a seat or bench asks nothing of the hip.
		hip, _ := w.at(body.HipR, i, factor)
		knee, _ := w.at(body.KneeR, i, factor)
		need := muscle.Need{Hip: -hip.Z, Knee: knee.Z, HipRests: w.rests, KneeRests: w.knee, Strength: w.strength,
			FootStands: w.stands && !(w.rep.Balance[i] <= 0)}
		if w.aside {
			need.Aside, need.AsideCounts = r3.Dot(hip, outward(&w.rep.Pose[i])), true
		}
		if w.joint == body.AnkleR {
			ankle, _ := w.at(body.AnkleR, i, factor)
			need.Ankle, need.AnkleCounts = -ankle.Z, true
		}
		return w.model.ShareLeg(&w.rep.Pose[i], &need)
	}
	if w.joint.Trunk() {
		need := muscle.Need{Strength: w.strength}
		need.Trunk, _ = w.at(body.TrunkR, i, factor)
		return w.model.ShareTrunk(&w.rep.Pose[i], &need)
	}
	n := muscle.Need{Strength: w.strength, GirdleMoves: w.joint == body.GirdleR}
	n.Girdle, _ = w.at(body.GirdleR, i, factor)
	n.Shoulder, n.OnArm = w.at(body.ShoulderR, i, factor)
	n.Elbow, _ = w.at(body.ElbowR, i, factor)
	return w.model.ShareArm(&w.rep.Pose[i], &n)
}

func (w *work) sample(i int) {
	m, out := w.model, &w.out
	a := w.share(i, 1)
	w.surfaces(i, a)
	var forward space.Vec // the axis about which the collar bone is drawn forward
	out.Largest[i], out.Busiest[i] = a.Most, muscle.Heads()[a.Largest].Label
	for k := range out.Passive {
		out.Passive[k].Values[i] = passives[k].of(&a.Passive)
	}
	if !w.joint.Arm() {
		for _, c := range []report.Curve{out.ResidualTwist, out.Shoulder, out.ShoulderLeanDeg, out.Elbow, out.Raises, out.Retracts} {
			c[i] = math.NaN()
		}
		left := map[body.Joint]float64{body.HipR: a.Left.Hip, body.KneeR: a.Left.Knee, body.AnkleR: a.Left.Ankle}[w.joint]
		out.Residual[i] = math.Abs(left) + math.Abs(a.Left.Aside) + space.Norm(a.Left.Trunk)
	} else {
		w.joints(i, a)
		_, forward = m.GirdleAxes()
	}
	axis := w.rep.AxisIn[i]
	for h := range w.heads {
		p, r := &w.heads[h], &w.regions[muscle.Heads()[h].Group]
		p.Activation[i], p.Length[i], p.Torque[i] = a.Activation[h], a.Length[h], w.about(a, i, h, axis)
		p.Retracts[i], p.AlignmentDeg[i] = math.NaN(), math.NaN()
		if w.joint.Arm() {
			p.Retracts[i] = -r3.Dot(a.Girdle()[h], forward)
		}
		if need := w.rep.Vector[i]; p.Target && w.joint == body.ShoulderR && a.Lever[h] != (space.Vec{}) && space.Norm(need) > 0 {
			p.AlignmentDeg[i] = space.Deg(math.Acos(max(-1, min(1, r3.Dot(r3.Unit(a.Lever[h]), r3.Unit(need))))))
		}
		share := p.Force / r.Force
		r.Activation[i] += share * p.Activation[i]
		r.Torque[i] += p.Torque[i]
		r.Retracts[i] += p.Retracts[i]
		r.AlignmentDeg[i] += share * p.AlignmentDeg[i]
	}
	for g := range w.regions {
		w.regions[g].Length[i] = a.GroupLong[g]
	}
}

// joints notes what the joints of an arm bear, and what is left over there.
func (w *work) joints(i int, a *muscle.Answer) {
	out, m := &w.out, w.model
	// What loads, weights and muscles put on the outer side, the joint's surfaces have to hold.
	_, onArm := w.at(body.ShoulderR, i, 1)
	_, onForearm := w.at(body.ElbowR, i, 1)
	press := r3.Add(onArm, a.OnHumerus)
	out.Shoulder[i], out.Elbow[i] = space.Norm(press), space.Norm(r3.Add(onForearm, a.OnForearm))
	out.ShoulderLeanDeg[i] = m.Lean(press)
	d := m.UpperArm()
	out.ResidualTwist[i] = r3.Dot(a.Left.Shoulder, d)
	switch w.joint {
	case body.GirdleR:
		out.Residual[i] = space.Norm(a.Left.Girdle)
	case body.ShoulderR:
		out.Residual[i] = space.Norm(space.Reject(a.Left.Shoulder, d))
	case body.ElbowR:
		out.Residual[i] = space.Norm(a.Left.Elbow)
	}
	girdle, _ := w.at(body.GirdleR, i, 1)
	rises, forward := m.GirdleAxes()
	out.Raises[i], out.Retracts[i] = r3.Dot(girdle, rises), -r3.Dot(girdle, forward)
}

// outward is the axis in the pelvis about which the right thigh is led outward.
func outward(q *body.Pose) space.Vec {
	flexed := space.RotZ(q[setup.HipFlexion])
	return flexed.Apply(space.Vec{X: -1})
}

// about is what a head gives about the target's axis.
func (w *work) about(a *muscle.Answer, i, h int, axis space.Vec) float64 {
	switch w.joint {
	case body.TrunkR:
		return r3.Dot(a.Trunk[h], axis)
	case body.GirdleR:
		return r3.Dot(a.Girdle()[h], axis)
	case body.ElbowR:
		return r3.Dot(a.Elbow()[h], axis)
	case body.HipR:
		if w.aside {
			return a.Aside[h] * r3.Dot(axis, outward(&w.rep.Pose[i]))
		}
		return -a.Hip[h] * axis.Z
	case body.KneeR:
		return a.Knee[h] * axis.Z
	case body.AnkleR:
		return -a.Ankle[h] * axis.Z
	}
	return r3.Dot(a.Shoulder()[h], axis)
}

// report works the shares out and keeps what does something, the target first.
func (w *work) report() report.Muscles {
	w.shares()
	w.spine()
	w.out.Regions = w.kept(w.regions, func(int) bool { return true })
	// not those that are all of a group
	w.out.Heads = w.kept(w.heads, func(h int) bool { return w.heads[h].Key != w.regions[muscle.Heads()[h].Group].Key })
	w.tellTarget()
	w.out.Work = w.works()
	return w.out
}

// tellTarget tells of the target as one, and where its shares are rough.
func (w *work) tellTarget() {
	if p := w.out.Part(w.o.doc.Target.Region); p != nil {
		target := *p
		w.out.Target = &target
	}
	w.doubts()
	w.lengths()
	w.out.TargetShare = w.contribution()
}

// rated tells of the target alone, out of lists that are the evaluator's.
func (w *work) rated() *report.Muscles {
	w.shares()
	w.out.Regions, w.out.Heads = w.regions, w.heads
	w.tellTarget()
	return &w.out
}

// kept copies what does something out of a list, or is the target, the target first and then what does most.
func (w *work) kept(list []report.RegionPart, worth func(k int) bool) []report.RegionPart {
	some := make([]*report.RegionPart, 0, len(list))
	for k := range list {
		if p := &list[k]; worth(k) && (floats.Max(p.Activation) >= seldom || (p.Target && !math.IsNaN(p.Length[0]))) {
			some = append(some, p)
		}
	}
	slices.SortStableFunc(some, func(a, b *report.RegionPart) int {
		if a.Target != b.Target {
			if a.Target {
				return -1
			}
			return 1
		}
		return cmp.Compare(doing(b), doing(a))
	})
	out := make([]report.RegionPart, len(some))
	for k, p := range some {
		out[k] = *p
		for _, c := range out[k].Curves() {
			*c = w.o.paper.of(*c)
		}
	}
	return out
}

// rounding is the torque below which a part does nothing, N·m: what is left of nothing must not put one before the other.
const rounding = 1e-9

// doing is how much a part does over the whole path.
func doing(p *report.RegionPart) float64 {
	sum := 0.0
	for i := range p.Activation {
		if t := p.Torque[i]; !math.IsNaN(t) {
			if t > rounding {
				sum += t
			}
		} else {
			sum += p.Activation[i]
		}
	}
	return sum
}

// peak is the size of the largest torque.
func (w *work) peak() float64 {
	peak := 0.0
	for _, t := range w.rep.Total {
		if size := math.Abs(t); size > peak {
			peak = size
		}
	}
	return peak
}

// shares divides what each part gives by what all that help give together: never more than 1. What turns the other way is told by itself.
func (w *work) shares() {
	still, peak := w.o.path.Still(), w.peak()
	helps, against := make([]float64, len(w.rep.S)), w.out.Against
	for g := range w.regions {
		for i, t := range w.regions[g].Torque {
			if t *= math.Copysign(1, w.rep.Total[i]); t > 0 {
				helps[i] += t
			} else {
				against[i] -= t
			}
		}
	}
	for i, total := range w.rep.Total {
		if still || !(math.Abs(total) >= fewTorque*peak) || helps[i] == 0 {
			helps[i] = math.NaN()
		}
		against[i] /= helps[i]
		helps[i] = math.Copysign(helps[i], total)
	}
	for _, list := range [][]report.RegionPart{w.regions, w.heads} {
		for k := range list {
			torque, share := list[k].Torque, list[k].Share
			for i, t := range torque {
				share[i] = max(0, t/helps[i])
			}
			if still {
				blank(torque)
			}
		}
	}
}

// lengths tells where on its length the target is worked.
func (w *work) lengths() {
	out := &w.out
	out.LengthenedEnd, out.LengthenedShare = "unknown", metric.Missing("The model has no length for this muscle along this path.")
	low, high, ok := muscle.RangeOf(w.o.doc.Target.Region)
	if out.Target == nil || !ok {
		return
	}
	length := out.Target.Length
	out.LengthenedEnd = w.o.longEnd
	whole, long := 0.0, 0.0
	for i := 1; i < len(length); i++ {
		piece := (w.rep.Swept[i] - w.rep.Swept[i-1]) * max(0, (w.rep.Total[i]+w.rep.Total[i-1])/2)
		if math.IsNaN(piece) { // the target stands still
			continue
		}
		whole += piece
		if (length[i]+length[i-1])/2 > (low+high)/2 {
			long += piece
		}
	}
	if whole > 0 {
		share := report.Rounded(long / whole)
		out.LengthenedShare = metric.Known(share)
	} else {
		out.LengthenedShare = metric.Missing("No torque resists the lift.")
	}
}
