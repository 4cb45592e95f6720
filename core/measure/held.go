package measure

import (
	"cmp"
	"slices"
)

// HeldReading is a joint, or a machine's arm, that is held still at an angle: one trial.
type HeldReading struct {
	AngleDeg float64 `json:"angleDeg" doc:"Degrees."`
	Force    float64 `json:"force" doc:"N, square to what is held; of a trial its largest mean over a second."`
}

// sameAngle is within how many degrees readings count as of one angle (own).
const sameAngle = 2.0

// byAngle are the readings at each angle, angles rising.
func byAngle(readings []HeldReading) [][]HeldReading {
	list := slices.Clone(readings)
	slices.SortStableFunc(list, func(a, b HeldReading) int { return cmp.Compare(a.AngleDeg, b.AngleDeg) })
	var out [][]HeldReading
	for _, r := range list {
		if n := len(out); n > 0 && r.AngleDeg-out[n-1][0].AngleDeg <= sameAngle {
			out[n-1] = append(out[n-1], r)
		} else {
			out = append(out, []HeldReading{r})
		}
	}
	return out
}
