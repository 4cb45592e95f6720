package core

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/setup"
	"dialarc/core/support"
	"dialarc/core/verdict"
)

// Bracing says whether the surroundings hold the lifter, at the place of the path where they hold worst.
type Bracing struct {
	Holds     bool          `json:"holds"`
	How       string        `json:"how,omitempty" doc:"How it fails." enum:"dragged,lifted,tips"`
	TowardDeg float64       `json:"towardDeg" doc:"Which way, degrees from the lifter's heading to the right."`
	AngleDeg  float64       `json:"angleDeg" doc:"Where it holds worst."`
	Residual  float64       `json:"residual" doc:"What no contact gives, N; moments count over 1 m."`
	Margin    metric.Metric `json:"margin" doc:"Of the pressure's centre to the edge of support, m; negative outside."`
	Friction  metric.Metric `json:"friction" doc:"Least friction needed as a share of the usual."`
	Contacts  []Contact     `json:"contacts"`
	Bears     []Bear        `json:"bears" doc:"What a hand that holds on, straps and pads have to hold at most over the path."`
	Bench     BenchHold     `json:"bench"`
}

// Bear is what something that holds the lifter has to hold at most, and what it can be asked to.
type Bear struct {
	Name  string  `json:"name" enum:"hand,strap,thighPad,footPlate"`
	Force float64 `json:"force" doc:"N."`
	Limit float64 `json:"limit" doc:"The grip of a hand; of strap and pads the lifter's weight, beyond which nobody lets himself be held; of a plate for the feet three times that. N."`
}

// bears lists them; what they can be asked to hold is common practice, no source, the numbers own.
func (o *outcome) bears(most map[string]float64) []Bear {
	_, grip := o.doc.Lifter.Bearable()
	weight := o.doc.Lifter.Mass * load.Gravity
	out := []Bear{}
	for _, b := range []Bear{{"hand", 0, grip}, {"strap", 0, weight}, {"thighPad", 0, weight}, {"footPlate", 0, 3 * weight}} {
		if b.Force = rounded(most[b.Name]); b.Force >= 1 {
			out = append(out, b)
		}
	}
	return out
}

// Contact is what one contact pushes with.
type Contact struct {
	Name  string `json:"name" doc:"foot.right, foot.left, knee.right, seat, back, chest, side, thighPad, armPad.right, armPad.left, strap, hand and so on."`
	At    Point  `json:"at" doc:"m."`
	Force Point  `json:"force" doc:"On the lifter, N."`
}

// BenchHold says whether the bench stays where it is.
type BenchHold struct {
	Used   bool          `json:"used" doc:"Whether there is one."`
	Holds  bool          `json:"holds"`
	How    string        `json:"how,omitempty" enum:"slides,tips"`
	Weight metric.Metric `json:"weight" doc:"What on its foot would hold it, kg."`
}

// bracing solves the bracing over the path.
func (e *Evaluator) bracing(o *outcome) Bracing {
	worst := e.brace.Worst(o.doc, o.path, o.items, o.grid.bracing)
	b := Bracing{Holds: worst.Holds(), Residual: rounded(worst.Residual), AngleDeg: degreesAt(o, worst.S), Contacts: contacts(worst.Pushes)}
	b.Bears = o.bears(e.brace.Most())
	b.Margin = metric.Missing("More than the floor carries the lifter.")
	if !math.IsNaN(worst.Margin) {
		m := rounded(worst.Margin)
		b.Margin = metric.Known(m)
	}
	b.Friction = metric.Missing("No friction would hold it.")
	if g := e.brace.Grip(o.doc, o.path, o.items, worst.S); !math.IsNaN(g) {
		g = math.Round(1e4*g) / 1e4
		b.Friction = metric.Known(g)
	}
	if !b.Holds {
		b.How, b.TowardDeg = e.brace.Fails(o.doc, o.path, o.items, &worst)
	}
	o.path.Place(worst.S, &e.frame)
	h := e.brace.Bench(&e.frame, o.doc, &worst)
	b.Bench = BenchHold{Used: h.Known, Holds: h.Holds, How: h.How, Weight: metric.Missing("It stays where it is.")}
	if h.Known && !h.Holds {
		b.Bench.Weight = metric.Missing("No weight on its foot would hold it.")
		if !math.IsNaN(h.Weight) {
			b.Bench.Weight = metric.Known(h.Weight)
		}
	}
	return b
}

func degreesAt(o *outcome, s float64) float64 {
	return rounded(o.rep.Angle[int(math.Round(s*float64(len(o.rep.S)-1)))] * 180 / math.Pi)
}

func contacts(pushes []support.Push) []Contact {
	out := make([]Contact, 0, len(pushes))
	for _, p := range pushes {
		if math.Abs(p.Force.X)+math.Abs(p.Force.Y)+math.Abs(p.Force.Z) > 1 {
			out = append(out, Contact{Name: p.Name, At: point(p.At), Force: point(p.Force)})
		}
	}
	return out
}

// braceVerdict words the bracing.
func (o *outcome) braceVerdict(b *Bracing) Verdict {
	in := verdict.BraceInput{Holds: b.Holds, How: b.How, TowardDeg: b.TowardDeg, AtDeg: b.AngleDeg, Margin: b.Margin, Friction: b.Friction, On: o.on()}
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
func (e *Evaluator) Brace(d *setup.Document) (*Bracing, setup.Problems) {
	if problems := setup.Validate(d); len(problems) > 0 {
		return nil, problems
	}
	o, problems := e.judge(newModel(d), usual.bracing)
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
	if problems := setup.Validate(d); len(problems) > 0 {
		return Limits{}, problems
	}
	m := newModel(d)
	o, problems := e.judge(m, usual.bracing, append([]body.Joint{}, m.others()...)...)
	if len(problems) > 0 {
		return Limits{}, problems
	}
	r := Report{Bracing: e.bracing(o)}
	r.Entry = e.entry(o)
	out := Limits{Holds: r.Bracing.Holds}
	for _, c := range o.cautionsOf(&r) {
		out.Told = append(out.Told, c.Key)
	}
	for _, w := range o.warnings() {
		out.Told = append(out.Told, w.Path)
	}
	return out, nil
}
