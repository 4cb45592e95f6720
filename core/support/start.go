package support

import (
	"fmt"
	"math"
	"slices"

	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/torque"
)

// Enough is the lift that a stack should have kept everywhere, so that it does not come to rest, m (common practice,
// no source).
const Enough = 0.02

// Start says how far a cable's stack is lifted over the range.
type Start struct {
	Index  int     // of the load in the document
	Least  float64 // lift, m; negative: how much cable is missing
	AtS    float64 // where along the path that is
	First  float64 // lift at the start of the lift, m
	Most   float64 // m
	Travel float64 // m
}

// Starts gives one entry for every cable on the lead arm.
func Starts(rep *torque.Repetition, loads []setup.Load) []Start {
	var out []Start
	for k, index := range rep.Index {
		if k := loads[index].Kind; k != "cable" && k != "rope" {
			continue
		}
		lift := rep.Parts[k].Lift
		st := Start{Index: index, Least: math.Inf(1), Most: math.Inf(-1), First: firstOf(lift), Travel: loads[index].Travel}
		if !slices.ContainsFunc(lift, func(x float64) bool { return !math.IsNaN(x) }) {
			continue // the rope is too short all along
		}
		for i, x := range lift {
			if math.IsNaN(x) {
				continue
			}
			if x < st.Least {
				st.Least, st.AtS = x, rep.S[i]
			}
			st.Most = max(st.Most, x)
		}
		out = append(out, st)
	}
	return out
}

// firstOf is the first lift that is known.
func firstOf(lift []float64) float64 {
	for _, x := range lift {
		if !math.IsNaN(x) {
			return x
		}
	}
	return 0
}

// Impossible reports stacks that rest, or stand at the top of their travel, over the whole range: then there is no
// profile to compute.
func Impossible(starts []Start) setup.Problems {
	var found setup.Problems
	for _, s := range starts {
		switch {
		case s.Most < 0:
			found = append(found, setup.Problem{Path: fmt.Sprintf("loads[%d].pulley", s.Index), What: "The stack is down over the whole range.",
				Why:  fmt.Sprintf("The cable is never drawn out: even at its longest it is %.0f cm short of lifting the stack.", -100*s.Most),
				Hint: "Step out, move the pulley away from the hand, or take a shorter attachment."})
		case s.Least > s.Travel:
			found = append(found, setup.Problem{Path: fmt.Sprintf("loads[%d].travel", s.Index),
				What: "The stack is at the top of its travel over the whole range.",
				Why:  "The cable cannot be drawn out any further.", Hint: "Step in, or give the station's real travel."})
		}
	}
	return found
}

// Unusable reports loads that cannot do their work anywhere on a path of n samples, for other reasons than the stack's.
func Unusable(gaps []Gap, loads []setup.Load, n int) setup.Problems {
	var found setup.Problems
	for _, g := range gaps {
		if g.From > 0 || g.To < n-1 {
			continue
		}
		switch g.State {
		case load.TooWide:
			found = append(found, setup.Problem{Path: fmt.Sprintf("loads[%d].strandLength", g.Index),
				What: "The hands are further apart than the rope is long, all the way.",
				Why:  "Its strands would have to be longer.", Hint: "Take a longer rope, or bring the hands together."})
		case load.Blocked:
			found = append(found, setup.Problem{Path: fmt.Sprintf("loads[%d].%s", g.Index, load.Of(&loads[g.Index]).From),
				What: "Something blocks the cable or band over the whole range.",
				Why:  "It would bend round it and pull from another direction.", Hint: "Step aside, turn, or move its start."})
		case load.OffPad:
			found = append(found, setup.Problem{Path: fmt.Sprintf("loads[%d].padRadius", g.Index),
				What: "The limb does not reach the machine's pad anywhere.",
				Why:  "Nothing is pushed.", Hint: "Give another pad radius, or line the machine's axis up with the joint."})
		}
	}
	return found
}

// Gap is a stretch of the path in which a load cannot do its work.
type Gap struct {
	From, To int // samples, inclusive
	Index    int // of the load in the document, -1 for none
	State    load.State
}

// Rests lists the stretches in which the target stands still, so that there is no axis for a torque to be about.
func Rests(rep *torque.Repetition) []Gap {
	var rests []Gap
	for i := 0; i < len(rep.Total); i++ {
		from := i
		for i < len(rep.Total) && math.IsNaN(rep.Total[i]) {
			i++
		}
		if i > from {
			rests = append(rests, Gap{From: from, To: i - 1, Index: -1, State: load.NoAxis})
		}
	}
	return rests
}

// Gaps lists the stretches in which a cable is slack or has topped out.
func Gaps(rep *torque.Repetition) []Gap {
	var gaps []Gap
	for k, index := range rep.Index {
		states := rep.Parts[k].State
		for i := 0; i < len(states); i++ {
			if states[i] == load.Working {
				continue
			}
			from := i
			for i+1 < len(states) && states[i+1] == states[from] {
				i++
			}
			gaps = append(gaps, Gap{From: from, To: i, Index: index, State: states[from]})
		}
	}
	return gaps
}
