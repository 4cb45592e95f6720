package evaluate

import (
	"math"
	"reflect"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/report"
	"dialarc/core/reps"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// strengthOf is what is known of a stance's lifter.
func (e *Evaluator) strengthOf(st *stance) *profile.Strength {
	if st.known == nil {
		st.known = e.strength(&st.of)
	}
	return st.known
}

// strength is what is known of a document's lifter: tests, and what known sets say. Sets are evaluated once for a lifter.
func (e *Evaluator) strength(d *setup.Document) *profile.Strength {
	if e.known != nil && reflect.DeepEqual(e.known.Lifter, &d.Lifter) {
		return e.known
	}
	of := d.Clone().Lifter
	e.known = &profile.Strength{Lifter: &of, Sets: told(&of)}
	return e.known
}

// told is what the sets that a lifter knows say about the estimate of strength. A set in an exercise that is not known, or that cannot be
// evaluated for this lifter, says nothing.
func told(l *setup.Lifter) []profile.Told {
	if len(l.Sets) == 0 {
		return nil
	}
	plain := untested(l)
	var out []profile.Told
	for _, set := range l.Sets {
		if t, problems := tellSet(&plain, &set); len(problems) == 0 {
			out = append(out, t)
		}
	}
	return out
}

// tellSet evaluates one set for a lifter whose strength is the estimate: the joint that asks most of it with the load that goes once gave
// out, so the lifter is as much stronger there as it asks more than there is.
func tellSet(plain *setup.Lifter, set *setup.KnownSet) (profile.Told, setup.Problems) {
	none := profile.Told{}
	if set.Factor > 0 {
		return profile.Told{Factor: set.Factor, Actions: map[string]float64{set.Action: 1}}, nil
	}
	ready, ok := catalogue.Find(plain, set.Exercise)
	if !ok {
		return none, setup.Problems{{Path: "exercise", What: "There is no exercise " + set.Exercise + ".", Hint: "Choose one of the list."}}
	}
	return tellDone(ready.Document, set.Load, set.Reps+set.Left)
}

// Tell is what a set in a setup says of a lifter whose strength is the estimate: the action that gave out, and how many times as strong as
// estimated the lifter was there. The setup's own lifter is taken, without tests and known sets.
func Tell(d *setup.Document, kg float64, n int) (action string, factor float64, problems setup.Problems) {
	c := d.Clone()
	c.Lifter = untested(&c.Lifter)
	t, problems := tellDone(c, kg, n)
	if len(problems) > 0 {
		return "", 0, problems
	}
	return largestOf(t.Actions), t.Factor, nil
}

// tellDone evaluates a setup with the load that goes once, by a load that went n times, those in reserve counted.
func tellDone(d setup.Document, kg float64, n int) (profile.Told, setup.Problems) {
	none := profile.Told{}
	counted := Counted(&d)
	if counted < 0 {
		return none, setup.Problems{{Path: "exercise", What: "In " + d.Name + " no load is counted in kilograms.",
			Hint: "Choose an exercise with dumbbells, a bar, a stack or plates."}}
	}
	*load.MassField(&d.Loads[counted]) = kg * reps.Once(float64(n))
	if problems := rules.Validate(&d); len(problems) > 0 {
		return none, problems
	}
	return remembering(func(e *Evaluator) (profile.Told, setup.Problems) {
		m := e.model(&d)
		m.grid = sparse
		o, problems := e.judge(m, sketchSamples, append([]body.Joint{}, m.others()...)...)
		if len(problems) > 0 {
			return none, problems
		}
		most := e.efforts(o).most("", 1)
		if most == nil || !(most.effort(1) > 0) {
			return none, setup.Problems{{Path: "exercise", What: d.Name + " tests nothing that the model has strength for.",
				Hint: "Choose another exercise."}}
		}
		return profile.Told{Factor: most.effort(1), Actions: most.actions(o)}, nil
	})
}

// untested is a lifter of whom neither tests nor sets are known, whom a set is held against.
func untested(l *setup.Lifter) setup.Lifter {
	plain := *l
	plain.Sets, plain.Strength = nil, nil
	return plain
}

// CheckSets says what is wrong with the sets that a lifter knows, beyond what the document alone shows; the paths begin with base.
func CheckSets(base string, l *setup.Lifter) setup.Problems {
	plain := untested(l)
	var out setup.Problems
	for i := range l.Sets {
		_, problems := tellSet(&plain, &l.Sets[i])
		for _, p := range problems {
			p.Path = base + "sets[" + short(float64(i)) + "]." + p.Path
			out = append(out, p)
		}
	}
	return out
}

// Counted is the load that a lifter speaks of when he says how much he lifts: the first that may be changed and is counted in kilograms;
// -1 where there is none.
func Counted(d *setup.Document) int {
	for i := range d.Loads {
		if d.Loads[i].Variable && load.MassField(&d.Loads[i]) != nil {
			return i
		}
	}
	return -1
}

// CountedExercises lists the exercises in which a set can be known: those that move, with one load and that in kilograms.
func CountedExercises() []report.CountedExercise {
	var out []report.CountedExercise
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		i := Counted(&r.Document)
		if i >= 0 && varying(&r.Document) == 1 && r.Document.Movement.Kind != "hold" {
			out = append(out, report.CountedExercise{Key: r.Key, Name: r.Name, Group: r.Group, How: load.Of(&r.Document.Loads[i]).Counted})
		}
	}
	return out
}

// KnownOf says for every action what a lifter's strength rests on and how much it is, and what every known set told.
func KnownOf(l *setup.Lifter) *report.Known {
	plain := untested(l)
	out := &report.Known{Actions: strengthOf(l), Sets: make([]report.SetTold, len(l.Sets))}
	usual := plain
	usual.LowBackLimit, usual.GripLimit = 0, 0
	out.Usual.LowBack, out.Usual.Grip = catalogue.Bearable(&usual)
	for i := range l.Sets {
		set := &l.Sets[i]
		one := report.SetTold{Once: number(math.Round(2*set.Load*reps.Once(float64(set.Reps+set.Left))) / 2)}
		t, problems := tellSet(&plain, set)
		if len(problems) > 0 {
			one.Factor = metric.Missing(problems[0].What)
		} else {
			one.Factor, one.Action = number(t.Factor), largestOf(t.Actions)
		}
		out.Sets[i] = one
	}
	return out
}

func strengthOf(l *setup.Lifter) []report.Basis {
	d := setup.Document{Lifter: *l}
	s := new(Evaluator).strength(&d)
	out := make([]report.Basis, 0, len(setup.Actions))
	for _, action := range setup.Actions {
		best, trust, spread := s.Best(action)
		value, low, high := report.Rounded(best), report.Rounded(best*math.Exp(-tenth*spread)), report.Rounded(best*math.Exp(tenth*spread))
		out = append(out, report.Basis{Action: action, Trust: string(trust), Text: s.Words(trust), Best: metric.Known(value),
			Low: metric.Known(low), High: metric.Known(high)})
	}
	return out
}

// tenth is the number of standard deviations beyond which one of ten lies, of a normal distribution.
const tenth = 1.2816
