package measure_test

import (
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/internal/check"
	"dialarc/core/measure"
	"dialarc/core/setup"
)

// For somebody who was never tested it is strength that is worth measuring first, in the actions of the setups; what two setups share is
// one thing; a test moves its action down the list; setups that cannot be evaluated say nothing.
func TestNext(t *testing.T) {
	l := setup.Lifter{Height: 1.75, BodyMass: 75}
	of := func() []setup.Document {
		var out []setup.Document
		for _, key := range []string{"curl.dumbbell", "curl.hinged", "raise.dumbbell"} {
			r, ok := catalogue.Find(&l, key)
			if !ok {
				t.Fatal(key)
			}
			out = append(out, r.Document)
		}
		return append(out, setup.Document{})
	}
	list := measure.Next(of())
	sum, order := 0.0, map[string]int{}
	for i, w := range list {
		sum += w.Share
		order[w.What+" "+w.Key] = i + 1
		for _, at := range w.Setups {
			if at > 2 {
				t.Errorf("%s matters to a setup that cannot be evaluated", w.What)
			}
		}
	}
	check.Near(t, "shares", sum, 1, 1e-9)
	if list[0].What != "strength" || order["strength elbow.flexion"] == 0 || order["strength shoulder.abduction"] == 0 {
		t.Errorf("%+v", list)
	}
	before := list[order["strength elbow.flexion"]-1]
	if len(before.Setups) != 2 {
		t.Errorf("the elbow matters to %v", before.Setups)
	}
	for _, deg := range []float64{30, 60, 90, 120} {
		l.Strength = append(l.Strength, setup.StrengthTest{Action: "elbow.flexion", AngleDeg: deg, Torque: 50, Date: "2026-11-20", Spread: 0.04})
	}
	for _, w := range measure.Next(of()) {
		if w.Key == "elbow.flexion" && (w.Day != "2026-11-20" || w.Percent > before.Percent/3) {
			t.Errorf("before the test %+v, after it %+v", before, w)
		}
	}
	if list := measure.Next(nil); len(list) != 0 {
		t.Errorf("of nothing %+v", list)
	}
}
