package compare

import (
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// made is a side whose target goes evenly from long to short and works by given activations on the way, and with it another region
// of the same muscle with a constant one. Torques are the activations themselves over a range of 90 degrees.
func made(letter string, other float64, activation ...float64) side {
	n := len(activation)
	target := report.RegionPart{Key: "deltoid.middle", Label: "Deltoid, middle", Target: true, Activation: activation, Torque: activation}
	beside := report.RegionPart{Key: "deltoid.posterior", Label: "Deltoid, rear"}
	r := &report.Report{}
	for i := range n {
		u := float64(i) / float64(n-1)
		target.Length = append(target.Length, 1.2-0.6*u)
		beside.Activation, beside.Torque = append(beside.Activation, other), append(beside.Torque, other)
		beside.Length = append(beside.Length, math.NaN())
		r.Muscles.S = append(r.Muscles.S, u)
		r.Muscles.Largest = append(r.Muscles.Largest, max(other, slices.Max(activation)))
		r.Curves.S, r.Curves.SweptDeg = append(r.Curves.S, u), append(r.Curves.SweptDeg, 90*u)
		r.Curves.Torque = append(r.Curves.Torque, activation[i]+other)
	}
	r.Muscles.Regions = []report.RegionPart{target, beside}
	return side{letter: letter, doc: &setup.Document{Target: setup.Target{Region: "deltoid.middle"}}, report: r}
}

// Three setups by hand: A works the target while it is long, B while it is short, C as A but with the rear of the deltoid beside it.
// Coverage is 0.7 times the mean over the thirds, the middle one at half, and 0.3 times the rear.
func TestComplementsByHand(t *testing.T) {
	a := made("A", 0, 1, 1, 0.5, 0.5, 0, 0, 0)
	b := made("B", 0, 0, 0, 0, 0.5, 0.5, 1, 1)
	c := made("C", 0.5, 1, 1, 0.5, 0.5, 0, 0, 0)
	sets, why := complements([]side{a, b, c})
	if why != "" || len(sets) != 2 {
		t.Fatalf("%+v, %s", sets, why)
	}
	// B and C: long 1, short 1; the middle third reaches from the length 1.0 to 0.8, where A and C fall from 0.5 and B rises to it.
	best := sets[0]
	if strings.Join(best.Letters, "") != "BC" || sets[1].Letters[0] != "A" || sets[1].Letters[1] != "B" {
		t.Errorf("%+v", sets)
	}
	check.Near(t, "B and C", best.Coverage, 0.7*(1+0.5+1)/3+0.3*0.5, 1e-9)
	check.Near(t, "A and B", sets[1].Coverage, 0.7*(1+0.5+1)/3, 1e-9)
	for _, part := range []string{"B works the target shortened", "C works the target lengthened and adds the rear deltoid"} {
		if !strings.Contains(best.Why, part) {
			t.Errorf("%q does not say %q", best.Why, part)
		}
	}
	// A triple does no more than the best pair, and is left out.
	if slices.ContainsFunc(sets, func(s Set) bool { return len(s.Letters) == 3 }) {
		t.Errorf("%+v", sets)
	}
}

// One that hardly works the target is no partner, a hold neither.
func TestNoPartner(t *testing.T) {
	a, b := made("A", 0, 1, 1, 1, 1), made("B", 1, 0, 0, 0.1, 0)
	if sets, why := complements([]side{a, b}); len(sets) != 0 || !strings.Contains(why, "Deltoid, middle") {
		t.Errorf("%+v, %s", sets, why)
	}
	held := made("B", 0, 0, 0, 0, 1)
	held.report.Hold = true
	if sets, _ := complements([]side{a, held}); len(sets) != 0 {
		t.Errorf("%+v", sets)
	}
}

// The share of a region is the ratio of two integrals: of a target that rises evenly from nothing beside a constant other, by hand.
func TestSharesByHand(t *testing.T) {
	s := made("A", 0.5, 0, 0.25, 0.5, 0.75, 1)
	check.Near(t, "the target", shareOf(&s, "deltoid.middle").OrNaN(), 0.5, 1e-12)
	check.Near(t, "the other", shareOf(&s, "deltoid.posterior").OrNaN(), 0.5, 1e-12)
	check.Near(t, "one that is not there", shareOf(&s, "biceps").OrNaN(), 0, 0)
	rising := made("A", 0, 0, 0.5, 1)
	r := regionOf(rising.report, "deltoid.middle")
	// Of a torque that rises from 0 to 1 over lengths from 1.2 to 0.6 a quarter lies in the longer half.
	check.Near(t, "the longer half", integralShare(rising.report, r, func(piece int) bool { return piece == 1 }).OrNaN(), 0.25, 1e-12)
	one := ranked(0, rising.report, r, window{0.6, 1.2}, "long")
	check.Near(t, "long", one.Score, 0.25*0.75*0.75+0.75*0.25*0.25, 1e-12)
	check.Near(t, "short", ranked(0, rising.report, r, window{0.6, 1.2}, "short").Score, 0.25*0.25*0.25+0.75*0.75*0.75, 1e-12)
	// The activations 0, 0.5, 1 stray from their mean by the root of 2/3 of it.
	check.Near(t, "even", one.Even, 1-math.Sqrt(2.0/3), 1e-12)
}

// Words join as in speech, those alike together.
func TestWordsAreJoined(t *testing.T) {
	if got := listed([]string{"A", "B", "C"}); got != "A, B and C" {
		t.Error(got)
	}
	sides := []side{{letter: "A"}, {letter: "B"}, {letter: "C"}}
	early := func(s *side) string {
		if s.letter == "B" {
			return "late"
		}
		return "early"
	}
	if got := grouped(sides, early); got != "A and C early; B late" {
		t.Error(got)
	}
	if got := grouped(sides, func(*side) string { return "mid" }); got != "" {
		t.Errorf("what is the same is told: %s", got)
	}
}
