package evaluate

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/core/support"
	"dialarc/core/verdict"
)

// bears lists them; what they can be asked to hold is common practice, no source, the numbers own.
func (o *outcome) bears(most map[string]float64) []report.Bear {
	_, grip := catalogue.Bearable(&o.doc.Lifter)
	weight := o.doc.Lifter.BodyMass * load.Gravity
	out := []report.Bear{}
	for _, b := range []report.Bear{{Name: "hand", Limit: grip}, {Name: "strap", Limit: weight}, {Name: "thighPad", Limit: weight},
		{Name: "footPlate", Limit: 3 * weight}} {
		if b.Force = report.Rounded(most[b.Name]); b.Force >= 1 {
			out = append(out, b)
		}
	}
	return out
}

// bracing solves the bracing over the path.
func (e *Evaluator) bracing(o *outcome) report.Bracing {
	worst := e.brace.Worst(o.doc, o.path, o.items, o.grid.bracing)
	b := report.Bracing{Holds: worst.Holds(), Residual: report.Rounded(worst.Residual), AngleDeg: degreesAt(o, worst.S),
		Contacts: contacts(worst.Pushes)}
	b.Bears = o.bears(e.brace.Most())
	b.Margin = metric.Missing("The lifter is not carried by the floor alone.")
	if !math.IsNaN(worst.Margin) {
		m := report.Rounded(worst.Margin)
		b.Margin = metric.Known(m)
	}
	b.Friction = metric.Missing("No amount of friction would hold it.")
	if g := e.brace.Grip(o.doc, o.path, o.items, worst.S); !math.IsNaN(g) {
		g = math.Round(1e4*g) / 1e4
		b.Friction = metric.Known(g)
	}
	if !b.Holds {
		b.How, b.TowardDeg = e.brace.Fails(o.doc, o.path, o.items, &worst)
	}
	h := e.brace.Bench(o.path.Frames(worst.S), o.doc, &worst)
	b.Bench = report.BenchHold{Used: h.Known, Holds: h.Holds, How: h.How, Weight: metric.Missing("It stays where it is.")}
	if h.Known && !h.Holds {
		b.Bench.Weight = metric.Missing("No weight on its foot would hold it.")
		if !math.IsNaN(h.Weight) {
			b.Bench.Weight = metric.Known(h.Weight)
		}
	}
	return b
}

func degreesAt(o *outcome, s float64) float64 {
	return report.Rounded(o.rep.Angle[int(math.Round(s*float64(len(o.rep.S)-1)))] * 180 / math.Pi)
}

func contacts(pushes []support.Push) []report.Contact {
	out := make([]report.Contact, 0, len(pushes))
	for _, p := range pushes {
		if math.Abs(p.Force.X)+math.Abs(p.Force.Y)+math.Abs(p.Force.Z) > 1 {
			out = append(out, report.Contact{Name: p.Name, At: report.PointOf(p.At), Force: report.PointOf(p.Force)})
		}
	}
	return out
}

// braceVerdict words the bracing.
func (o *outcome) braceVerdict(b *report.Bracing) report.Verdict {
	in := verdict.BraceInput{Holds: b.Holds, How: b.How, TowardDeg: b.TowardDeg, AtDeg: b.AngleDeg, Margin: b.Margin, Friction: b.Friction,
		On: o.on()}
	if b.Bench.Used && !b.Bench.Holds {
		in.Bench, in.BenchWeight = b.Bench.How, b.Bench.Weight
	}
	for _, bear := range b.Bears {
		if over := bear.Force / bear.Limit; over > 1 && over > in.Bears/max(in.BearLimit, 1) {
			in.BearsWhat, in.Bears, in.BearLimit = bear.Name, bear.Force, bear.Limit
		}
	}
	s := verdict.Brace(in)
	return worded(&s)
}

// on is what the lifter is on.
func (o *outcome) on() string {
	if o.station.HeelsUp && o.station.Root != body.OnSeat {
		return "balls"
	}
	if o.doc.Posture.OnFloor(o.doc.Bench) {
		return "floor"
	}
	switch p := &o.doc.Posture; p.Kind {
	case "kneeling", "half-kneeling":
		return "knees"
	case "seated":
		return "seat"
	case "supine", "prone", "side-lying":
		return "bench"
	}
	return "feet"
}

// Brace solves the bracing of a document alone.
func (e *Evaluator) Brace(d *setup.Document) (*report.Bracing, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return nil, problems
	}
	o, problems := e.judge(e.model(d), usual.bracing)
	if len(problems) > 0 {
		return nil, problems
	}
	b := e.bracing(o)
	return &b, nil
}

// Limits is what a change must not run into.
type Limits struct {
	Holds bool     // whether the lifter is held in place all the way
	Told  []string // keys of the cautions of the trade that apply, and paths of what goes beyond what the lifter owns
}

// Limits looks at bracing, cautions and owned ranges of a document alone.
func (e *Evaluator) Limits(d *setup.Document) (Limits, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return Limits{}, problems
	}
	m := e.model(d)
	o, problems := e.judge(m, usual.bracing, append([]body.Joint{}, m.others()...)...)
	if len(problems) > 0 {
		return Limits{}, problems
	}
	r := report.Report{Bracing: e.bracing(o)}
	r.Pickup = e.entry(o)
	out := Limits{Holds: r.Bracing.Holds}
	for _, c := range o.cautionsOf(&r) {
		out.Told = append(out.Told, c.Key)
	}
	for _, w := range o.warnings() {
		out.Told = append(out.Told, w.Path)
	}
	return out, nil
}
