package evaluate

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/profile"
	"dialarc/core/report"
	"dialarc/core/reps"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// asking is what a repetition asks of one joint: torque that resists, the part of it that grows with the loads that may be changed, and
// the rate at which the joint moves, or would; NaN where nothing is known.
type asking struct {
	joint  string
	along  *able
	turned *profile.Capacity // of the way back, where a load helps the lift
	at     func(i int) (total, part float64, rate *body.Pose)
}

// capacity is what the joint has at a place against what it is asked, N·m, and what that rests on; NaN where nothing is known.
func (a *asking) capacity(i int, pose, rate *body.Pose, turned bool) (float64, *profile.Capacity) {
	if !turned {
		return a.along.values[i], a.along.Capacity
	}
	if most, ok := a.turned.At(pose, rate); ok {
		return most, a.turned
	}
	return math.NaN(), a.turned
}

// demand is what one place of one joint asks, and can be asked.
type demand struct {
	*asking
	capacity *profile.Capacity
	index    int     // among the samples
	fixed    float64 // torque that does not grow with the loads that may be changed, N·m
	varies   float64 // and with them
	most     float64 // capacity, N·m
}

// effort is torque over capacity with those loads times a factor.
func (d *demand) effort(factor float64) float64 { return (d.fixed + factor*d.varies) / d.most }

// actions are those that the capacity there is blended from, with their weights.
func (d *demand) actions(o *outcome) map[string]float64 {
	_, _, rate, _ := d.resisting(d.index)
	return d.capacity.Actions(&o.rep.Pose[d.index], &rate)
}

// resisting is what is asked at a place, turned so that it is positive: where a load helps, what holds it back is the other way's
// strength.
func (a *asking) resisting(i int) (total, part float64, rate body.Pose, turned bool) {
	total, part, moves := a.at(i)
	rate = *moves
	if turned = total < 0; turned {
		total, part = -total, -part
		for k := range rate {
			rate[k] = -rate[k]
		}
	}
	return total, part, rate, turned
}

// demands are those of every joint at every place.
type demands []demand

// most is the largest with loads times a factor, of one joint or, with an empty name, of all; nil when there is none.
func (list demands) most(joint string, factor float64) *demand {
	var out *demand
	for i := range list {
		d := &list[i]
		if (joint == "" || d.joint == joint) && (out == nil || d.effort(factor) > out.effort(factor)) {
			out = d
		}
	}
	return out
}

// first is the demand that first is all that there is as the loads grow, and the factor at which it is.
func (list demands) first() (*demand, float64) {
	var out *demand
	least := math.Inf(1)
	for i := range list {
		d := &list[i]
		if d.varies <= 1e-9*d.most {
			continue
		}
		if f := (d.most - d.fixed) / d.varies; f < least {
			out, least = d, f
		}
	}
	return out, least
}

// efforts collects the demands of a judged repetition: of the target and of the other joints that move. What a joint that holds still has
// to hold is told as torque; people bend and brace it as they need, so that it is no limit.
func (e *Evaluator) efforts(o *outcome) demands {
	var all []*asking
	s, rep := e.strengthOf(o.stance), o.rep
	add := func(joint body.Joint, spin bool, at func(i int) (float64, float64, *body.Pose)) {
		all = append(all, &asking{joint.Name(), e.able(o.model, joint, spin), profile.NewCapacity(s, joint.Name(), spin), at})
	}
	if !o.path.Still() {
		add(o.joint, o.axis.Kind == "spin", func(i int) (float64, float64, *body.Pose) { return rep.Total[i], e.variable[i], &rep.Rate[i] })
	}
	for k := range rep.Others {
		j := &rep.Others[k]
		add(j.Joint, false, func(i int) (float64, float64, *body.Pose) { return j.Torque[i], j.Varies[i], &rep.Rate[i] })
	}
	out := make(demands, 0, len(all)*len(rep.S))
	for _, a := range all {
		for i := range rep.S {
			total, part, rate, turned := a.resisting(i)
			if math.IsNaN(total) || o.inGap(i) || o.balances(a.joint, &rate) {
				continue
			}
			if most, c := a.capacity(i, &rep.Pose[i], &rate, turned); most > 0 {
				out = append(out, demand{asking: a, capacity: c, index: i, fixed: total - part, varies: part, most: most})
			}
		}
	}
	return out
}

// balances says whether a joint would have to draw the toes up under somebody who stands: that is the lifter's weight behind the ankle,
// which is brought forward instead. The model balances the body alone, without what it holds.
func (o *outcome) balances(joint string, rate *body.Pose) bool {
	return joint == "ankle" && o.joint != body.AnkleR && o.station.Carries() && rate[setup.AnkleFlexion] > 0
}

// modelHolds is the activation above which the model is said not to hold a load (own): the table's forces are good to a fifth at best.
const modelHolds = 1.2

// smallMuscle is the force below which a muscle does not end a set (own): those beside it take over. N.
const smallMuscle = 400

// carries is the share from which a muscle that is not the target's can be what ends a set (own).
const carries = 0.4

// mostReps is the number of repetitions above which a load is called light (common practice, no source).
const mostReps = 30

// limit finds what gives out first.
func (e *Evaluator) limit(o *outcome, w *work) report.Limit {
	list := o.demands
	none := func(why string) report.Limit {
		x := metric.Missing(why)
		return report.Limit{Load: -1, AngleDeg: x, Effort: x, Now: x, Factor: x, Kg: x, KgLow: x, KgHigh: x, TargetEffort: x, Reps: x, RepsLow: x,
			RepsHigh: x, Trust: string(profile.Unknown)}
	}
	if why := o.gapWhy(); why != "" {
		return none(why)
	}
	most := list.most("", 1)
	if most == nil {
		return none(firstOf(o.why, "There is no strength curve for this movement."))
	}
	out := none("No adjustable load makes a joint work harder.")
	out.Effort, out.EffortAt = number(most.effort(1)), most.joint
	first, factor := list.first()
	if first == nil {
		return out
	}
	out.Now = number(list.most(first.joint, 1).effort(1))
	out.Kind, out.Key, out.Label = "joint", first.joint, jointWords[first.joint]
	if factor <= 0 {
		why := "The body's own weight and the fixed loads already take all the strength that the " + first.joint + " has."
		for _, m := range []*metric.Metric{&out.Factor, &out.Kg, &out.KgLow, &out.KgHigh, &out.Reps, &out.RepsLow, &out.RepsHigh} {
			*m = metric.Missing(why)
		}
		return out
	}
	out.Action = largestOf(first.actions(o))
	out.AngleDeg = number(degrees1(o.rep.Angle[first.index]))
	out.Trust, out.Spread, out.TrustText = string(first.capacity.Trust), first.capacity.Spread, first.capacity.Words()
	if k, at, f := w.firstMuscle(factor); k != nil {
		out.Kind, out.Key, out.Label, out.Action, factor = "muscle", k.Key, k.Label, "", f
		out.AngleDeg, out.Now = number(degrees1(w.rep.Angle[at])), number(1/f)
	}
	follow(&out, o, list, factor)
	return out
}

// follow fills in loads and repetitions for the factor at which something gives out.
func follow(l *report.Limit, o *outcome, list demands, factor float64) {
	l.Factor = number(factor)
	if t := list.most(o.joint.Name(), factor); t != nil {
		l.TargetEffort = number(t.effort(factor))
	}
	wide := math.Exp(tenth * l.Spread)
	if l.Load = Counted(o.doc); l.Load >= 0 {
		kg := *load.MassField(&o.doc.Loads[l.Load])
		l.Kg, l.KgLow, l.KgHigh = number(kg*factor), number(kg*factor/wide), number(kg*factor*wide)
	} else {
		none := metric.Missing("No load here is counted in kilograms.")
		l.Kg, l.KgLow, l.KgHigh = none, none, none
	}
	l.Reps, l.Light = repetitions(factor)
	l.RepsLow, _ = repetitions(factor / wide)
	l.RepsHigh, _ = repetitions(factor * wide)
}

// repetitions are those that are possible with a load that a factor more of would go once. More than 30 are no longer a test of strength.
func repetitions(factor float64) (m metric.Metric, light bool) {
	switch n := reps.At(factor); {
	case n > mostReps:
		return metric.Missing("More than 30 repetitions: light."), true
	case n >= 2:
		return number(n), false
	case n >= 0:
		return metric.Missing("One repetition, perhaps two: too close to the 1RM to count."), false
	}
	return metric.Missing("The load is more than the 1RM."), false
}

// firstMuscle is the muscle that the model asks more of than there is before the loads have grown by a factor, with the place and the
// factor at which it does; nil when the joints give out first. Only the target's muscle counts, and what carries most of the torque there,
// so that nobody is told that a helper ends the set; and neither small ones, nor those whose share is rough everywhere, nor places that
// something speaks against.
func (w *work) firstMuscle(most float64) (*report.RegionPart, int, float64) {
	place, now := w.busiestNow()
	if place < 0 || !w.mayFill(most, now) {
		return nil, 0, 0
	}
	places := []int{place}
	for i := 0; i < len(w.rep.S); i += max(1, (len(w.rep.S)-1)/3) {
		if w.sound[i] && i != place {
			places = append(places, i)
		}
	}
	w.model.Begin()
	which, at, top := w.busiestWith(most, places)
	if which < 0 || top <= modelHolds || most == 1 {
		return nil, 0, 0
	}
	// Activation all but grows evenly with the load: a step between the present load and the most, and a second from there.
	places = []int{at}
	known, factor := 1.0, most
	for range 2 {
		next, rises := full(factor, top, known, now)
		if !rises {
			return nil, 0, 0
		}
		if which, at, top, factor, known, now = w.nearer(next, places, top, factor); which < 0 {
			return nil, 0, 0
		}
	}
	if last, rises := full(factor, top, known, now); rises {
		return &w.regions[which], at, last
	}
	return nil, 0, 0
}

// full is the factor at which a straight line through two of them with their activations reaches what the model holds; false where it
// does not rise, so that there is none to be trusted.
func full(factor, top, known, now float64) (float64, bool) {
	if math.Abs(top-modelHolds) < 1e-6 { // there already: the slope of so short a step is rounding
		return factor, factor > 0
	}
	slope := (top - now) / (factor - known)
	x := factor + (modelHolds-top)/slope
	return x, slope > 0 && x > 0
}

// mayFill says whether a muscle may have nothing left when the loads have grown by a factor, from how hard the busiest works now: what
// a joint needs grows with the factor at most, but for weights that hang on it the other way.
func (w *work) mayFill(factor, now float64) bool {
	grows := factor
	for i := range w.rep.S {
		if !w.sound[i] {
			continue
		}
		before, _ := w.at(w.joint, i, 1)
		after, _ := w.at(w.joint, i, factor)
		if space.Norm(before) > 0 {
			grows = max(grows, space.Norm(after)/space.Norm(before))
		}
	}
	return grows*now > 0.95*modelHolds
}

// nearer asks the muscles with a factor, and keeps the point that was known before.
func (w *work) nearer(next float64, places []int, top, factor float64) (which, at int, newTop, newFactor, known, now float64) {
	which, at, newTop = w.busiestWith(next, places)
	if newTop == top { // as near as it gets
		return which, at, newTop, next, next - 1, newTop - 1
	}
	return which, at, newTop, next, factor, top
}

// counts says whether a region can be what ends a set at a place.
func (w *work) counts(g, at int) bool {
	p := &w.regions[g]
	if p.Weak != "" || p.Force < smallMuscle || !(p.Share[at] > 0) {
		return false
	}
	whole, wholes := 0.0, muscle.Wholes()
	for k := range w.regions {
		if wholes[k] == wholes[g] && w.regions[k].Share[at] > 0 {
			whole += w.regions[k].Share[at]
		}
	}
	return whole >= carries || muscle.Whole(p.Key) == muscle.Whole(w.o.doc.Target.Region)
}

// busiestNow is where a region works hardest with the present loads and shares are firm, and how hard; a place of -1 where none does.
func (w *work) busiestNow() (at int, top float64) {
	at = -1
	for g := range w.regions {
		for i, x := range w.regions[g].Activation {
			if x > top && w.sound[i] && w.counts(g, i) {
				at, top = i, x
			}
		}
	}
	return at, top
}

// busiestWith is the region that works hardest at some places with the loads that may be changed times a factor.
func (w *work) busiestWith(factor float64, places []int) (which, at int, top float64) {
	which = -1
	for _, i := range places {
		a := w.share(i, factor)
		var sums [maxRegions]float64
		for h := range w.heads {
			sums[muscle.Heads()[h].Group] += a.Activation[h] * w.heads[h].Force
		}
		for g := range w.regions {
			if x := sums[g] / w.regions[g].Force; x > top && w.counts(g, i) {
				which, at, top = g, i, x
			}
		}
	}
	return which, at, top
}

// maxRegions is more than there are.
const maxRegions = 64

var jointWords = map[string]string{"trunk": "trunk", "girdle": "shoulder girdle", "shoulder": "shoulder", "elbow": "elbow", "hip": "hip", "knee": "knee",
	"ankle": "ankle"}

// tellHardest notes how hard every joint beside the target works at most, and at what.
func (o *outcome) tellHardest(joints []report.JointPart) {
	for i := range joints {
		j := &joints[i]
		j.Hardest = metric.Missing("How strong it is here is not known, or it does not move.")
		if d := o.demands.most(j.Joint, 1); d != nil {
			j.Hardest, j.Does = number(d.effort(1)), profile.TurnWords(largestOf(d.actions(o)))
		}
	}
}

func largestOf(weights map[string]float64) string {
	best := ""
	for action, w := range weights {
		if best == "" || w > weights[best] || (w == weights[best] && action < best) {
			best = action
		}
	}
	return best
}

func number(x float64) metric.Metric {
	v := report.Rounded(x)
	return metric.Known(v)
}

func firstOf(a, b string) string {
	if a != "" {
		return a
	}
	return b
}
