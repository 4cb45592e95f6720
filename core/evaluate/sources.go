package evaluate

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// SourcesOf says what the peak effort of a setup is uncertain by, and how much of its variance each accounts for: every input is shifted by
// one standard deviation by itself, and the squares of what that changes are added up (first-order propagation: JCGM 100:2008, 5.1.2). What
// is one thing, as a band that two loads are taken from, shifts as one.
func SourcesOf(d *setup.Document) (*report.Sources, setup.Problems) {
	var e Evaluator
	base := d.Clone()
	base.Samples = spreadSamples
	o, problems := e.judge(e.model(&base), spreadSamples)
	if len(problems) > 0 {
		return nil, problems
	}
	at, known := o.result.PeakEffort.Get()
	if !known || !(at > 0) {
		why := metric.Missing(firstOf(o.why, "The setup has no effort."))
		return &report.Sources{Percent: why, Sources: []report.Source{}}, nil
	}
	squares, order := map[report.Source]float64{}, []report.Source{}
	for source, by := range strengths(o, e.strength(&base)) {
		squares[source], order = by*by, append(order, source)
	}
	for _, g := range groups {
		for source, by := range g.changes(&e, &base, at) {
			if squares[source] == 0 {
				order = append(order, source)
			}
			squares[source] += by * by
		}
	}
	sum := 0.0
	for _, s := range squares {
		sum += s
	}
	out := &report.Sources{Percent: number(100 * math.Sqrt(sum)), Sources: []report.Source{}}
	for _, s := range order {
		if share := squares[s] / sum; share >= leastShare {
			s.Percent, s.Share = number(100*math.Sqrt(squares[s])), report.Rounded(share)
			out.Sources = append(out.Sources, s)
		}
	}
	slices.SortFunc(out.Sources, func(a, b report.Source) int {
		return cmp.Or(cmp.Compare(b.Share, a.Share), cmp.Compare(a.What+a.Key+a.Gym, b.What+b.Key+b.Gym))
	})
	return out, nil
}

// leastShare is the share of the variance from which something is named.
const leastShare = 0.01

// strengths are the actions that the target's strength is made of half way along the path, each with its part of how far that is
// known: together it is the spread of the whole.
func strengths(o *outcome, s *profile.Strength) map[report.Source]float64 {
	half := len(o.rep.S) / 2
	c := profile.NewCapacity(s, o.joint.Name(), o.axis.Kind == "spin")
	actions := c.Actions(&o.rep.Pose[half], &o.rep.Rate[half])
	sum, out := 0.0, map[report.Source]float64{}
	for action, weight := range actions {
		best, _, _ := s.Best(action)
		sum += weight * best
	}
	for action, weight := range actions {
		best, _, spread := s.Best(action)
		source := report.Source{What: "strength", Key: action}
		for _, t := range s.Lifter.Strength {
			if t.Action == action {
				source.Day = max(source.Day, t.Date)
			}
		}
		out[source] = weight * best / sum * spread
	}
	squares := 0.0
	for _, by := range out {
		squares += by * by
	}
	for source := range out {
		out[source] *= o.spread / math.Sqrt(squares)
	}
	return out
}

// group is a kind of errors, of which each input is shifted by itself, and what is to be measured to know it better.
type group struct {
	what   string
	errors report.Errors
}

var groups = []group{
	{"body", report.Errors{Tape: report.UsualErrors.Tape}},
	{"place", report.Errors{Stance: report.UsualErrors.Stance}},
	{"angles", report.Errors{AngleDeg: report.UsualErrors.AngleDeg}},
	{"pulley", report.Errors{Pulley: report.UsualErrors.Pulley}},
	{"cable", report.Errors{Friction: report.UsualErrors.Friction}},
	{"band", report.Errors{Band: report.UsualErrors.Band}},
}

// changes are by what share the peak effort changes with what a group holds.
func (g group) changes(e *Evaluator, base *setup.Document, at float64) map[report.Source]float64 {
	out := map[report.Source]float64{}
	if g.what == "cable" || g.what == "band" {
		for source, loads := range g.things(base) {
			out[source] = g.change(e, base, at, loads)
		}
		return out
	}
	sum := 0.0
	for k := range g.draws(base) {
		by := g.change(e, base, at, []int{k})
		sum += by * by
	}
	if sum > 0 {
		out[report.Source{What: g.what}] = math.Sqrt(sum)
	}
	return out
}

// things are the loads by the thing that they are taken from.
func (g group) things(d *setup.Document) map[report.Source][]int {
	out := map[report.Source][]int{}
	for i := range d.Loads {
		l := &d.Loads[i]
		source := report.Source{What: g.what, Gym: d.Gym}
		switch k := l.Kit; {
		case l.Kind == setup.Band && g.what == "band":
			if k != nil {
				source.Key = k.Item
			}
		case (l.Kind == setup.Cable || l.Kind == setup.Rope) && g.what == "cable":
			if k != nil {
				source.Key = k.Station
			}
		default:
			continue
		}
		if l.Measured != nil {
			source.Day = l.Measured.Day
		}
		out[source] = append(out[source], i)
	}
	return out
}

// draws is how many errors a shift with the group's draws.
func (g group) draws(d *setup.Document) int {
	n := 0
	shift(d, &g.errors, func(sd float64) float64 {
		if sd > 0 {
			n++
		}
		return 0
	})
	return n
}

// change is by what share the peak effort changes when some of the group's errors, by their place among them, are one standard deviation.
func (g group) change(e *Evaluator, base *setup.Document, at float64, which []int) float64 {
	n := -1
	c := shift(base, &g.errors, func(sd float64) float64 {
		if !(sd > 0) {
			return 0
		}
		if n++; slices.Contains(which, n) {
			return sd
		}
		return 0
	})
	o, problems := e.judge(e.model(&c), spreadSamples)
	if len(problems) > 0 {
		return 0
	}
	effort, known := o.result.PeakEffort.Get()
	if !known || !(effort > 0) {
		return 0
	}
	return math.Log(effort / at)
}

// measuredOf lists the loads that were measured; of several from one thing the first.
func measuredOf(d *setup.Document) []report.Measured {
	out := []report.Measured{}
	seen := map[setup.Measured]bool{}
	for i := range d.Loads {
		m := d.Loads[i].Measured
		if m == nil || seen[*m] {
			continue
		}
		seen[*m] = true
		what := "cable"
		switch d.Loads[i].Kind {
		case setup.Band:
			what = "band"
		case setup.Cam, setup.Lever:
			what = "machine"
		}
		out = append(out, report.Measured{Load: i, What: what, Day: m.Day, Off: m.Spread})
	}
	return out
}
