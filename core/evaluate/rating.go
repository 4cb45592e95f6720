package evaluate

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// Rating is what setups for one target are scored by: what Quick tells, and the target's part, what the whole body bears, and how far the
// path goes.
type Rating struct {
	Preview
	Target     metric.Metric // the target's mean contribution over the range, 0 to 1
	Lengthened metric.Metric // share of the torque at lengths of the target above the middle of what it usually owns
	StartShare metric.Metric // torque at the start over its peak
	EndShare   metric.Metric // torque at the end over its peak
	Shear      metric.Metric // largest force across the moved segment at the target joint, N
	LowBack    metric.Metric // largest torque on the low back over what the lifter wants it to hold
	Grip       metric.Metric // largest force in the hand over what the lifter wants it to hold
	Swept      float64       // by the target joint along the path, rad
	Ends       [2]float64    // of the coordinate that names the sweep, rad
	Shape      []float64     // resisting torque at the samples, as a share of its largest size
}

// Rate rates a document at n samples, with muscles at fewer places than a report has.
func (e *Evaluator) Rate(d *setup.Document, n int) (Rating, setup.Problems) {
	return e.RateUnless(d, n, func(*Rating) bool { return false })
}

// RateUnless is Rate that spares the muscles, which take half of the time, where the rest already tells that the document is of no use:
// then what rests on them is missing.
func (e *Evaluator) RateUnless(d *setup.Document, n int, useless func(*Rating) bool) (Rating, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return Rating{}, problems
	}
	m := e.model(d)
	m.grid = sparse
	o, problems := e.judge(m, n, append([]body.Joint{}, m.others()...)...)
	if len(problems) > 0 {
		return Rating{}, problems
	}
	r := o.rating()
	if useless(&r) {
		spared := metric.Missing("The setup is of no use, whatever the muscles do.")
		r.Target, r.Lengthened = spared, spared
		return r, nil
	}
	muscles := e.shared(o).rated()
	r.Target, r.Lengthened = muscles.TargetShare, muscles.LengthenedShare
	return r, nil
}

// rating is a rating without what tells of muscles.
func (o *outcome) rating() Rating {
	r := Rating{Preview: o.quick(), StartShare: o.result.Total.StartShare, EndShare: o.result.Total.EndShare}
	last := len(o.rep.S) - 1
	r.Swept, r.Ends = o.rep.Swept[last], [2]float64{o.rep.Angle[0], o.rep.Angle[last]}
	r.Shape = make([]float64, len(o.rep.S))
	if most := sizeOf(o.rep.Total); most > 0 {
		for i, t := range o.rep.Total {
			r.Shape[i] = t / most
		}
	}
	r.Shear = number(sizeOf(o.rep.Across))
	lowBack, grip := catalogue.Bearable(&o.doc.Lifter)
	r.LowBack, r.Grip = metric.Missing("The trunk is carried."), number(sizeOf(o.rep.GripForce)/grip)
	if !o.station.Carried {
		r.LowBack = number(sizeOf(o.rep.LowBack) / lowBack)
	}
	return r
}

// sizeOf is the largest size among what is known; 0 where nothing is.
func sizeOf(list []float64) float64 {
	most := 0.0
	for _, x := range list {
		if !math.IsNaN(x) {
			most = max(most, math.Abs(x))
		}
	}
	return most
}

// quick tells what rests on the curve alone.
func (o *outcome) quick() Preview {
	q := Preview{Score: o.score()}
	q.Peak, q.PeakDeg = o.result.Total.Peak, o.result.Total.PeakAngle.Times(space.Deg(1))
	verdicts := append(o.rubVerdict(o.reportRubs()), meetVerdict(o.meets())...)
	line := o.lineUp()
	q.OffAxis = line.OffPlaneShare
	for _, s := range o.sentences(line) {
		verdicts = append(verdicts, report.Verdict{Key: s.Key, Tone: string(s.Tone)})
	}
	q.Tones = report.Tones(verdicts)
	return q
}

// contribution is the target's part of what all helping muscles give over the range.
func (w *work) contribution() metric.Metric {
	switch {
	case w.o.path.Still():
		return metric.Missing("It is held, so there is no torque over a range.")
	case w.out.Target == nil:
		return metric.Missing("The model has no such muscle.")
	case w.out.Target.TorqueOnly || w.out.Target.Weak != "":
		return metric.Missing("The model knows this muscle's part only roughly.")
	}
	return w.partOf(w.out.Target)
}

// partOf is a muscle's part of what all helping muscles give: the integrals over the swept angle by the trapezoidal rule. Where shares
// are rough they count for nothing.
func (w *work) partOf(p *report.RegionPart) metric.Metric {
	all, own := 0.0, 0.0
	for i := 1; i < len(w.rep.S); i++ {
		if w.out.Firm[i-1] == 0 && w.out.Firm[i] == 0 {
			continue
		}
		piece := w.rep.Swept[i] - w.rep.Swept[i-1]
		for _, k := range [2]int{i - 1, i} {
			if !(w.rep.Total[k] > 0) {
				continue
			}
			all += piece / 2 * w.helped(k)
			own += piece / 2 * max(0, p.Torque[k])
		}
	}
	if !(all > 0) || math.IsNaN(own) {
		return metric.Missing("No torque resists the lift where shares are known.")
	}
	return number(own / all)
}

// leastWork is the part below which a muscle is not told of as doing work (own).
const leastWork = 0.03

// works lists who does how much of the work, the target first.
func (w *work) works() []report.WorkShare {
	out := []report.WorkShare{}
	if w.o.path.Still() {
		return out
	}
	if t := w.out.Target; t != nil {
		if share, known := w.partOf(t).Get(); known && !t.TorqueOnly {
			out = append(out, report.WorkShare{Key: t.Key, Label: t.Label, Target: true, Rough: t.Weak != "", Share: share})
		}
	}
	for i := range w.out.Regions {
		p := &w.out.Regions[i]
		if p.Target || p.TorqueOnly {
			continue
		}
		if share, known := w.partOf(p).Get(); known && share >= leastWork {
			out = append(out, report.WorkShare{Key: p.Key, Label: w.doer(p), Rough: p.Weak != "", Share: share})
		}
	}
	others := out
	if len(out) > 0 && out[0].Target {
		others = out[1:]
	}
	slices.SortStableFunc(others, func(a, b report.WorkShare) int { return cmp.Compare(b.Share, a.Share) })
	return out
}

// doer names the one head of a region that does all of its work, or the region: at the shoulder the triceps is its long head.
func (w *work) doer(p *report.RegionPart) string {
	label, heads := p.Label, 0
	for h := range w.heads {
		head := &w.heads[h]
		if w.regions[muscle.Heads()[h].Group].Key != p.Key || head.Key == p.Key {
			continue
		}
		if slices.ContainsFunc(head.Torque, func(t float64) bool { return math.Abs(t) > rounding }) {
			label, heads = head.Label, heads+1
		}
	}
	if heads != 1 {
		return p.Label
	}
	return label
}

// helped is what all muscles that help give at a place, N·m.
func (w *work) helped(k int) float64 {
	sum := 0.0
	for g := range w.regions {
		sum += max(0, w.regions[g].Torque[k])
	}
	return sum
}
