package support

import (
	"fmt"
	"math"

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
		if k := loads[index].Kind; k != "cable" && k != "strands" {
			continue
		}
		lift := rep.Parts[k].Lift
		st := Start{Index: index, Least: math.Inf(1), Most: math.Inf(-1), First: lift[0], Travel: loads[index].Travel}
		for i, x := range lift {
			if x < st.Least {
				st.Least, st.AtS = x, rep.S[i]
			}
			st.Most = max(st.Most, x)
		}
		out = append(out, st)
	}
	return out
}

// Impossible reports stacks that rest, or stand at the top of their travel, over the whole range: then there is no
// profile to compute.
func Impossible(starts []Start) setup.Problems {
	var found setup.Problems
	for _, s := range starts {
		switch {
		case s.Most < 0:
			found = append(found, setup.Problem{Path: fmt.Sprintf("loads[%d].pulley", s.Index), What: "The stack rests over the whole range.",
				Why:  fmt.Sprintf("The cable is never drawn out: even at its longest it is %.0f cm short of lifting the stack.", -100*s.Most),
				Hint: "Step out, move the pulley away from the hand, or take a shorter attachment."})
		case s.Least > s.Travel:
			found = append(found, setup.Problem{Path: fmt.Sprintf("loads[%d].travel", s.Index), What: "The stack is at the top of its travel over the whole range.",
				Why: "The cable cannot be drawn out any further.", Hint: "Step in, or give the station's real travel."})
		}
	}
	return found
}

// Gap is a stretch of the path in which a load cannot do its work.
type Gap struct {
	From, To int // samples, inclusive
	Index    int // of the load in the document
	State    load.State
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
