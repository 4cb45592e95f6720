package measure_test

import (
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/measure"
	"dialarc/core/setup"
)

// A test that is what people of that mass, training and sex do disagrees with nothing; one that is far from it, or far from what a set
// of the lifter's shows, or a third more than the test before, is listed, the worst first.
func TestDisagreements(t *testing.T) {
	plain := setup.Lifter{Height: 1.75, BodyMass: 75, Sex: "male", Training: "trained"}
	usual := 0.0
	for _, b := range evaluate.KnownOf(&plain).Actions {
		if b.Action == "elbow.flexion" {
			usual = b.Best.OrNaN()
		}
	}
	tested := func(times float64, day string) []setup.StrengthTest {
		var out []setup.StrengthTest
		for _, deg := range []float64{30, 60, 90, 120} {
			out = append(out, setup.StrengthTest{Action: "elbow.flexion", AngleDeg: deg, Torque: times * usual, Date: day, Spread: 0.04})
		}
		return out
	}
	of := func(times float64, sets []setup.KnownSet, before ...setup.StrengthTest) []measure.Disagreement {
		l := plain
		l.Strength, l.Sets = append(tested(times, "2026-11-20"), before...), sets
		return measure.Disagreements(&l)
	}
	if list := of(1.05, nil); len(list) != 0 {
		t.Errorf("as expected: %+v", list)
	}
	if list := of(1.8, nil); len(list) != 1 || list[0].By != "estimate" || list[0].Action != "elbow.flexion" || list[0].Day != "2026-11-20" {
		t.Errorf("far above the estimate: %+v", list)
	}
	// A set that shows the lifter as strong as tested takes the estimate's place.
	light, heavy := []setup.KnownSet{{Exercise: "curl.dumbbell", Load: 6, Reps: 10}}, []setup.KnownSet{{Exercise: "curl.dumbbell", Load: 30, Reps: 10}}
	if list := of(1.2, light); len(list) != 1 || list[0].By != "sets" || list[0].Measured < list[0].Expected {
		t.Errorf("stronger than the set shows: %+v", list)
	}
	if list := of(0.8, heavy); len(list) != 1 || list[0].By != "sets" || list[0].Measured > list[0].Expected {
		t.Errorf("weaker than the set shows: %+v", list)
	}
	if list := of(1.2, nil, tested(0.85, "2026-10-20")...); len(list) != 1 || list[0].By != "before" || list[0].Before != "2026-10-20" {
		t.Errorf("a third more than a month ago: %+v", list)
	}
	if list := of(1.0, nil, tested(0.95, "2026-10-20")...); len(list) != 0 {
		t.Errorf("a little more than a month ago: %+v", list)
	}
	if list := measure.Disagreements(&plain); len(list) != 0 {
		t.Errorf("of nobody's tests: %+v", list)
	}
}
