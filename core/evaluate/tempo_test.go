package evaluate_test

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
)

// Slowly, motion hardly matters and nothing floats; thrown, the catch asks more than twice and much of the way floats.
func TestTempoOfADumbbell(t *testing.T) {
	_, d := golden(t, "dumbbell.json")
	d.Tempo = setup.Tempo{Up: 4, Top: 1, Down: 4, Bottom: 1}
	slow, problems := evaluate.Tempo(&d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	check.Near(t, "slowly over rest", check.Value(t, "over", slow.OverStatic), 1, 0.03)
	check.Near(t, "slowly floating", check.Value(t, "floating", slow.Floating), 0, 1e-9)
	check.Near(t, "duration", slow.Duration, 10, 1e-9)
	d.Tempo = setup.Tempo{Up: 0.4, Down: 0.4}
	fast, _ := evaluate.Tempo(&d)
	if over, floats := check.Value(t, "over", fast.OverStatic), check.Value(t, "floating", fast.Floating); over < 2 || floats < 0.2 {
		t.Errorf("thrown: %.2f times, %.2f floating", over, floats)
	}
	still, _ := evaluate.Document(&d)
	for i, s := range fast.S[:fast.Lifting] {
		at := s * float64(len(still.Curves.S)-1)
		k := int(at)
		if k+1 >= len(still.Curves.Torque) {
			continue
		}
		want := still.Curves.Torque[k] + (at-math.Floor(at))*(still.Curves.Torque[k+1]-still.Curves.Torque[k])
		check.Near(t, "at rest as in the report", fast.Static[i], want, 0.02)
	}
}

// Lowered so fast that it has to be caught, a weight asks most while lowering; lifted as fast and lowered slowly, while lifting.
func TestPhaseOfThePeak(t *testing.T) {
	_, d := golden(t, "dumbbell.json")
	for want, tempo := range map[string]setup.Tempo{"lowering": {Up: 4, Top: 1, Down: 0.4, Bottom: 1},
		"lifting": {Up: 0.4, Top: 1, Down: 4, Bottom: 1}} {
		d.Tempo = tempo
		if got, problems := evaluate.Tempo(&d); len(problems) > 0 || got.PeakPhase != want {
			t.Errorf("%+v: the peak is while %s (%v)", tempo, got.PeakPhase, problems)
		}
	}
}

func TestTempoRefuses(t *testing.T) {
	_, d := golden(t, "raise.json")
	d.Tempo = setup.Tempo{Up: 2}
	if _, problems := evaluate.Tempo(&d); len(problems) != 1 || problems[0].Path != "tempo" || !strings.Contains(problems[0].What, "no time") {
		t.Errorf("%v", problems)
	}
	d.Tempo, d.Lifter.BodyMass = setup.Tempo{Up: 2, Down: 2}, 0
	if _, problems := evaluate.Tempo(&d); len(problems) == 0 || problems[0].Path != "lifter.bodyMass" {
		t.Errorf("%v", problems)
	}
}
