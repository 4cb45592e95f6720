package measure

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Disagreement is a measurement that contradicts what else is known by more than both are sure of.
type Disagreement struct {
	Action   string  `json:"action" doc:"Joint action whose strength was tested."`
	Day      string  `json:"day" doc:"When."`
	Measured float64 `json:"measured" doc:"At the best angle, N·m."`
	Expected float64 `json:"expected" doc:"By what else is known, N·m."`
	By       string  `json:"by" doc:"What that is: sets that the lifter knows, the estimate, or the test before." enum:"sets,estimate,before"`
	Before   string  `json:"before,omitempty" doc:"Day of the test before."`
}

// How far apart is too far.
const (
	sureOf   = 1.96   // standard deviations, 95 % of a normal distribution
	tenth    = 1.2816 // those within which eight of ten lie, as bases of strength tell them
	setsOff  = 0.09   // of what a set tells, standard deviation of its logarithm (own, as strength by sets counts it)
	tooSoon  = 0.25   // by what share two tests differ so that strength alone does not explain it (own)
	leastOff = 0.02   // below which a spread is not believed
)

// Disagreements are the tests of a lifter that contradict sets that the lifter knows, the estimate for people of that mass, training
// and sex, or the tests before: by more than the spreads of both, at 95 %. The largest come first.
func Disagreements(l *setup.Lifter) []Disagreement {
	out := []Disagreement{}
	tested, plain := evaluate.KnownOf(l), untested(l)
	estimated := basesOf(&plain)
	for _, b := range tested.Actions {
		newest, before := days(l, b.Action)
		best, known := b.Best.Get()
		if newest == "" && before == "" || !known || !(b.Trust == "measured" || b.Trust == "scaled") {
			continue
		}
		own, e := spreadOf(b), estimated[b.Action]
		add := func(by, day string, expected, spread float64) {
			if expected > 0 && math.Abs(math.Log(best/expected)) > sureOf*math.Hypot(own, spread) {
				out = append(out, Disagreement{Action: b.Action, Day: newest, Measured: best, Expected: report.Rounded(expected), By: by, Before: day})
			}
		}
		estimate := e.Best.Or(0)
		if factor, ok := toldOf(tested, b.Action); ok {
			add("sets", "", factor*estimate, setsOff)
		} else {
			add("estimate", "", estimate, spreadOf(e))
		}
		if before != "" {
			was := basesOf(on(l, before))[b.Action]
			if ratio := best / was.Best.Or(best); math.Abs(math.Log(ratio)) > math.Log(1+tooSoon) {
				add("before", before, was.Best.Or(0), spreadOf(was))
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Disagreement) int {
		return cmp.Compare(math.Abs(math.Log(b.Measured/b.Expected)), math.Abs(math.Log(a.Measured/a.Expected)))
	})
	return out
}

func untested(l *setup.Lifter) setup.Lifter {
	plain := *l
	plain.Strength, plain.Sets = nil, nil
	return plain
}

// on is the lifter as tested until a day.
func on(l *setup.Lifter, day string) *setup.Lifter {
	c := *l
	c.Strength, c.Sets = nil, nil
	for _, t := range l.Strength {
		if t.Date <= day {
			c.Strength = append(c.Strength, t)
		}
	}
	return &c
}

func basesOf(l *setup.Lifter) map[string]report.Basis {
	out := map[string]report.Basis{}
	for _, b := range evaluate.KnownOf(l).Actions {
		out[b.Action] = b
	}
	return out
}

// spreadOf is the standard deviation of the logarithm of a basis.
func spreadOf(b report.Basis) float64 {
	return math.Max(leastOff, math.Log(b.High.Or(1)/b.Low.Or(1))/(2*tenth))
}

// toldOf is the factor that known sets of just an action put on the estimate, their geometric mean.
func toldOf(k *report.Known, action string) (float64, bool) {
	sum, n := 0.0, 0.0
	for _, s := range k.Sets {
		if factor, known := s.Factor.Get(); known && s.Action == action && factor > 0 {
			sum, n = sum+math.Log(factor), n+1
		}
	}
	return math.Exp(sum / math.Max(1, n)), n > 0
}

// days are the newest day on which an action was tested, and the one before.
func days(l *setup.Lifter, action string) (newest, before string) {
	for _, t := range l.Strength {
		if t.Action != action {
			continue
		}
		if t.Date > newest {
			newest, before = t.Date, newest
		} else if t.Date > before && t.Date < newest {
			before = t.Date
		}
	}
	return newest, before
}
