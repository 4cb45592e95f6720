package evaluate

import (
	"math"
	"slices"

	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/quantity"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/support"
	"dialarc/core/verdict"

	"gonum.org/v1/gonum/floats"
)

// report copies an outcome into the form that is printed.
func (o *outcome) report() *report.Report {
	line := o.lineUp()
	r := &report.Report{Schema: report.Schema, Name: o.doc.Name, Lead: o.path.Lead().Name(), Both: o.path.Both(), Trust: string(o.trust),
		TrustWhy: o.why,
		Joint:    o.joint.Name(), Names: setup.Coordinates[o.rep.Name].Key, Label: setup.Coordinates[o.rep.Name].Label, Hold: o.path.Still(),
		Curves: o.curves(), Parts: o.parts(), Profile: o.profile(), Alignment: line, Starts: o.reportStarts(), Gaps: o.reportGaps(),
		Warnings: o.warnings(), Path: o.reportPath()}
	r.Verdicts = make([]report.Verdict, 0, 3)
	for _, s := range o.sentences(line) {
		r.Verdicts = append(r.Verdicts, worded(&s))
	}
	return r
}

func worded(s *verdict.Sentence) report.Verdict {
	v := report.Verdict{Key: s.Key, Tone: string(s.Tone), Text: s.Text, Doubt: s.Doubt, Values: make(map[string]quantity.Quantity,
		len(s.Values))}
	for name, q := range s.Values {
		v.Values[name] = quantity.Quantity{Value: report.Rounded(q.Value), Kind: q.Kind}
	}
	return v
}

// known copies a curve with the gaps cut out.
func (o *outcome) known(x []float64) report.Curve {
	c := o.paper.of(x)
	for i := range c {
		if o.inGap(i) {
			c[i] = math.NaN()
		}
	}
	return c
}

func (o *outcome) curves() report.Curves {
	r := o.rep
	effort := make([]float64, len(r.S))
	floats.DivTo(effort, r.Total, o.capacity)
	c := report.Curves{
		S: o.paper.of(r.S), AngleDeg: o.paper.degrees(r.Angle), SweptDeg: o.paper.degrees(r.Swept),
		Torque: o.known(r.Total), Loads: o.known(r.Loads), Weights: o.paper.of(r.Weights), Lowering: o.known(r.Lowering),
		Capacity: o.paper.of(o.capacity), Effort: o.known(effort), Target: o.paper.of(o.result.Target),
		Twist: o.known(r.Twist), Bend: o.known(r.Bend), OffPlane: o.known(r.OffAxis), Size: o.known(r.Size),
		Axial: o.known(r.Along), Shear: o.known(r.Across), Grip: o.known(r.GripForce), Lateral: o.known(r.Lateral),
		LowBack: o.known(r.LowBack), Balance: o.known(r.Balance), BarOff: o.paper.degrees(r.BarOff), BarTwist: o.paper.degrees(r.BarTwist),
	}
	if o.backSpared() {
		blank(c.LowBack)
	}
	if o.doc.Movement.BarWidth == 0 {
		blank(c.BarOff)
		blank(c.BarTwist)
	}
	if o.path.Still() { // a hold has no axis
		for _, axial := range []report.Curve{c.Torque, c.Loads, c.Weights, c.Lowering, c.Effort, c.Bend, c.OffPlane} {
			blank(axial)
		}
	}
	return c
}

// blank makes a curve unknown all along.
func blank(c report.Curve) {
	for i := range c {
		c[i] = math.NaN()
	}
}

// joints tells what the other joints bear, with their own capacity where a strength shape fits.
func (e *Evaluator) joints(o *outcome) []report.JointPart {
	out := make([]report.JointPart, 0, len(o.rep.Others))
	for i := range o.rep.Others {
		j := &o.rep.Others[i]
		c := e.able(o.model, j.Joint, false)
		capacity := o.paper.of(c.values)
		effort := make([]float64, len(capacity))
		floats.DivTo(effort, j.Torque, capacity)
		out = append(out, report.JointPart{Joint: j.Joint.Name(), Trust: string(c.Trust), Torque: o.known(j.Torque), Size: o.known(j.Size),
			Axial: o.known(j.Along), Shear: o.known(j.Across), Capacity: capacity, Effort: o.known(effort)})
	}
	return out
}

func (o *outcome) parts() []report.Part {
	parts := make([]report.Part, 0, len(o.rep.Parts))
	for k, index := range o.rep.Index {
		p, def := &o.rep.Parts[k], &o.doc.Loads[index]
		part := report.Part{ID: def.ID, Index: index, Kind: def.Kind, Torque: o.paper.of(p.Torque), Tension: o.paper.of(p.Tension),
			MomentArm: o.paper.of(p.MomentArm), InPlane: o.paper.of(p.InPlane), Lift: o.paper.of(p.Lift), Stretch: o.paper.of(p.Stretch)}
		for i, state := range p.State {
			if state != load.Working {
				part.Torque[i], part.MomentArm[i], part.InPlane[i] = math.NaN(), math.NaN(), math.NaN()
			}
			if state != load.Working && state != load.Slack {
				part.Tension[i] = math.NaN()
			}
		}
		parts = append(parts, part)
	}
	return parts
}

func (o *outcome) profile() report.Profile {
	r := &o.result
	return report.Profile{
		Loads: shape(&r.Loads), Total: shape(&r.Total),
		PeakEffort: r.PeakEffort, LimitingAngleDeg: r.LimitingAngle.Times(space.Deg(1)), PeakPlace: o.peakPlace(),
		Fit: r.Fit, LoadFactor: r.LoadFactor, Reps: r.Reps,
		DeadSpots: spans(r.DeadSpots), Cliffs: cliffs(r.Cliffs),
	}
}

func shape(s *profile.Shape) report.Shape {
	return report.Shape{Peak: s.Peak, PeakAngleDeg: s.PeakAngle.Times(space.Deg(1)), StartShare: s.StartShare,
		EndShare: s.EndShare, Centroid: s.Centroid, Phase: s.Phase, Assisting: s.Assisting,
		Thirds: [3]metric.Metric{s.Thirds[0], s.Thirds[1], s.Thirds[2]}}
}

func cliffs(list []profile.Cliff) []report.Cliff {
	out := make([]report.Cliff, len(list))
	for i, c := range list {
		out[i] = report.Cliff{FromDeg: report.Rounded(space.Deg(c.From)), ToDeg: report.Rounded(space.Deg(c.To)), Falls: c.Falls}
	}
	return out
}

func spans(in []profile.Span) []report.Span {
	out := make([]report.Span, 0, len(in))
	for _, s := range in {
		out = append(out, report.Span{FromDeg: report.Rounded(space.Deg(s.From)), ToDeg: report.Rounded(space.Deg(s.To))})
	}
	return out
}

func (o *outcome) reportStarts() []report.Start {
	out := make([]report.Start, 0, len(o.starts))
	for _, s := range o.starts {
		out = append(out, report.Start{Index: s.Index, First: report.Rounded(s.First), Least: report.Rounded(s.Least),
			Most:   report.Rounded(s.Most),
			Travel: report.Rounded(s.Travel), LeastDeg: report.Rounded(space.Deg(o.angleAt(s.AtS)))})
	}
	return out
}

// rests are where the target stands still; a hold has no axis anywhere.
func (o *outcome) rests() []support.Gap {
	if o.path.Still() {
		return nil
	}
	return support.Rests(o.rep)
}

func (o *outcome) reportGaps() []report.Gap {
	out := make([]report.Gap, 0, len(o.gaps))
	for _, g := range slices.Concat(o.gaps, o.rests()) {
		out = append(out, report.Gap{Kind: stateNames[g.State], Index: g.Index, Why: gapWords[g.State],
			FromDeg: report.Rounded(space.Deg(o.rep.Angle[g.From])), ToDeg: report.Rounded(space.Deg(o.rep.Angle[g.To]))})
	}
	return out
}

func (o *outcome) reportPath() report.Path {
	r := o.rep
	return report.Path{Joint: o.paper.triples(r.Joint), Direction: o.paper.triples(r.Direction), Grip: o.paper.triples(r.Grip)}
}
