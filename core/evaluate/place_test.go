package evaluate_test

import (
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/sample"
)

// A load that hangs from a straight arm is hardest where the arm is level, one on a curling forearm where that is, and a squat is at the
// bottom: the moment arm of a weight is largest there (Winter, Biomechanics and Motor Control of Human Movement, 4th ed. 2009, ch. 5).
func TestPeakPlace(t *testing.T) {
	for key, want := range map[string]string{"raise.dumbbell": "with the arms level", "curl.dumbbell": "with the forearms level",
		"squat.goblet": "at the bottom"} {
		d := sample.Ready(t, key)
		d.Movement.Side = "both"
		r, problems := evaluate.Document(&d)
		if len(problems) > 0 || r.Profile.PeakPlace != want {
			t.Errorf("%s: %v, hardest %q, want %q", key, problems, r.Profile.PeakPlace, want)
		}
	}
}
