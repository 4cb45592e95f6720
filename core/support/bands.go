package support

import (
	"fmt"
	"slices"

	"dialarc/core/setup"
	"dialarc/core/torque"
)

// How far a band may be stretched, as a ratio to its length at rest (common practice, no source).
const (
	StretchCaution = 2.5 // from here on a word is due
	stretchRefused = 3.5
)

// Stretches looks at every band on the lead arm: the refusals are stretches that nobody should try, the cautions those
// to be careful with and those that go beyond what was measured.
func Stretches(rep *torque.Repetition, loads []setup.Load) (refusals, cautions setup.Problems) {
	for k, index := range rep.Index {
		l := &loads[index]
		if l.Kind != setup.Band {
			continue
		}
		most := slices.Max(rep.Parts[k].Stretch)
		p := setup.Problem{Path: fmt.Sprintf("loads[%d].restLength", index), What: fmt.Sprintf("The band is stretched to %.1f times its length.",
			most),
			Hint: "Take a longer band, move the anchor nearer, or step towards it."}
		if most > stretchRefused {
			p.Why = fmt.Sprintf("Past %.1f times a band may snap.", stretchRefused)
			refusals = append(refusals, p)
		}
		if n := len(l.Pull); n > 0 && most*l.RestLength > l.Pull[n-1].Length+1e-9 {
			cautions = append(cautions, setup.Problem{Path: fmt.Sprintf("loads[%d].pull", index), What: "The band is longer than it was measured.",
				Why: "Beyond the last measurement its pull is carried on by its slope.", Hint: "Measure it at its longest."})
		}
		if slices.Max(rep.Parts[k].Tension) == 0 {
			refusals = append(refusals, setup.Problem{Path: fmt.Sprintf("loads[%d].restLength", index),
				What: "The band is slack over the whole range.",
				Why:  "It is never longer than at rest.", Hint: "Take a shorter band, move the anchor away, or step out."})
		}
	}
	return refusals, cautions
}
