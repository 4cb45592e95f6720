package evaluate

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/catalogue"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/verdict"

	"gonum.org/v1/gonum/floats"
)

// meets lists the parts of the arm that have no room.
func (o *outcome) meets() []report.Meet {
	found := o.meetings(o.grid.bracing)
	out := make([]report.Meet, 0, len(found))
	for _, m := range found {
		out = append(out, report.Meet{Limb: m.Limb, Part: m.Part, Depth: report.Rounded(m.Depth), AngleDeg: degreesAt(o, m.S)})
	}
	return out
}

// meetVerdict words the deepest of them; nothing when there is room.
func meetVerdict(meets []report.Meet) []report.Verdict {
	if len(meets) == 0 {
		return nil
	}
	m := slices.MaxFunc(meets, func(a, b report.Meet) int { return cmp.Compare(a.Depth, b.Depth) })
	s := verdict.NoRoom(m.Limb, m.Part, m.Depth, m.AngleDeg)
	return []report.Verdict{worded(&s)}
}

func (o *outcome) reportRubs() []report.Rub {
	out := make([]report.Rub, 0, len(o.rubs))
	for _, r := range o.rubs {
		out = append(out, report.Rub{Index: r.Index, Mirror: r.Mirror, Part: r.Part, State: r.State(), Distance: report.Rounded(r.Distance),
			AngleDeg: degreesAt(o, r.S), At: report.PointOf(r.At)})
	}
	return out
}

func degrees1(rad float64) float64 { return rad * 180 / math.Pi }

func largest(x []float64) float64 { return floats.Max(x) }

// rubVerdict words what is in the way of a cable, band or rope; nothing when all is clear.
func (o *outcome) rubVerdict(rubs []report.Rub) []report.Verdict {
	order := map[string]int{"crosses": 1, "close": 2, "touches": 3, "bends": 4, "blocked": 5}
	worst := -1
	for i := range rubs {
		r := &rubs[i]
		if order[r.State] > 0 && (worst < 0 || order[r.State] > order[rubs[worst].State] ||
			(order[r.State] == order[rubs[worst].State] && r.Distance < rubs[worst].Distance)) {
			worst = i
		}
	}
	if worst < 0 {
		return nil
	}
	r := &rubs[worst]
	s := verdict.Rub(load.Of(&o.doc.Loads[r.Index]).Line, r.Part, r.State, math.Abs(r.Distance), r.AngleDeg)
	return []report.Verdict{worded(&s)}
}

// pinVerdicts tell where the pins are too coarse for the lifter.
func pinVerdicts(pins []report.Pins) []report.Verdict {
	var out []report.Verdict
	for _, p := range pins {
		least := p.List[0]
		effort, known := least.Effort.Get()
		if !known {
			continue
		}
		if s, ok := verdict.Pins(least.Mass, effort); ok {
			out = append(out, worded(&s))
		}
	}
	return out
}

// jointsVerdict words what grip, low back and joint bear.
func (o *outcome) jointsVerdict(r *report.Report) report.Verdict {
	in := verdict.JointsInput{Joint: o.joint.Name(), Grip: largest(o.rep.GripForce), Across: largest(o.rep.Across), Along: o.rep.Along[0],
		Contact: math.NaN()}
	_, in.GripLimit = catalogue.Bearable(&o.doc.Lifter)
	if surface := r.Muscles.Surface(o.joint.Name()); surface != nil {
		in.Contact = largest(surface)
	}
	for _, x := range o.rep.Along {
		if math.Abs(x) > math.Abs(in.Along) {
			in.Along = x
		}
	}
	in.LowBack, in.BackLimit = o.lowBack()
	in.EasesBack = o.easesBack()
	in.Contact = 10 * math.Round(in.Contact/10) // an estimate does not know single newtons
	o.limitWords(r, &in)
	s := verdict.Joints(in)
	return worded(&s)
}

// limitWords tells the sentence about joints what gives out first.
func (o *outcome) limitWords(r *report.Report, in *verdict.JointsInput) {
	limit := &r.Limit
	now, known := limit.Now.Get()
	if limit.Kind == "" || !known {
		return
	}
	in.First, in.Effort = "the "+limit.Label, now
	if limit.Kind == "muscle" {
		in.First = "the " + muscle.InSentence(limit.Label)
	}
	if limit.Load >= 0 {
		in.Load = metric.Known(*load.MassField(&o.doc.Loads[limit.Load]))
		in.Once, in.Low, in.High = limit.Kg, roughly(limit.KgLow), roughly(limit.KgHigh)
	}
}

// roughly is a load as coarse as it is known: in half kilograms below 10, in whole ones below 60, above in steps of 5.
func roughly(load metric.Metric) metric.Metric {
	kg, ok := load.Get()
	if !ok {
		return load
	}
	step := 5.0
	switch {
	case kg < 10:
		step = 0.5
	case kg < 60:
		step = 1
	}
	return metric.Known(step * math.Round(kg/step))
}
