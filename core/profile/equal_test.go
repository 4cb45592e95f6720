package profile

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/metric"
)

// rising is a torque that goes evenly from one value to another over a range of 90 degrees from 10, of which a part is variable.
func rising(from, to, variable float64) *Curves {
	c := &Curves{}
	const n = 10
	for i := range n {
		u := float64(i) / (n - 1)
		total := from + u*(to-from)
		c.Swept = append(c.Swept, u*math.Pi/2)
		c.Angle = append(c.Angle, (10+90*u)*math.Pi/180)
		c.Total, c.Variable = append(c.Total, total), append(c.Variable, variable*total)
	}
	return c
}

// By hand: half of what rises from 0 to 20 is variable; to ask for 25 at the end, as another does that rises from 15 to 25, it has to
// give 15 instead of 10. The means are 10 and 20: of 5 it has to become 15. At 55 degrees, half way, the same by symmetry.
func TestEqualByHand(t *testing.T) {
	own, other := rising(0, 20, 0.5), rising(15, 25, 1)
	f := Equal(own, other)
	check.Near(t, "for the peak", f.Peak.OrNaN(), 1.5, 1e-12)
	check.Near(t, "for the mean", f.Mean.OrNaN(), 3, 1e-12)
	check.Near(t, "at the end", f.End.OrNaN(), 1.5, 1e-12)
	check.Near(t, "half way", EqualAt(own, other, 55*math.Pi/180).OrNaN(), 3, 1e-12)
	check.Near(t, "at the last angle", EqualAt(own, other, 100*math.Pi/180).OrNaN(), 1.5, 1e-9)
}

// Where there is no factor it is said why: outside the range, with nothing to change, with too much of what cannot be changed, with
// gaps.
func TestNoEqual(t *testing.T) {
	own, other := rising(0, 20, 0.5), rising(15, 25, 1)
	for _, c := range []struct {
		m    metric.Metric
		says string
	}{
		{EqualAt(own, other, 120*math.Pi/180), "passes that angle"},
		{EqualAt(own, other, 5*math.Pi/180), "passes that angle"},
		{EqualAt(rising(10, 20, 0), other, 1), "No load"},
		{EqualAt(rising(60, 80, 0.1), other, 1), "Without any load"},
		{EqualAt(own, &Curves{GapWhy: "The stack rests."}, 1), "The stack rests."},
		{Equal(&Curves{GapWhy: "The stack rests."}, other).Mean, "The stack rests."},
	} {
		if c.m.Known() || !strings.Contains(c.m.Why(), c.says) {
			t.Errorf("%+v does not say %q", c.m, c.says)
		}
	}
}

// On a path that stands still the place is found too, and on one that goes back the first time counts.
func TestPlaceOnACurve(t *testing.T) {
	for _, c := range []struct {
		curve       []float64
		value, want float64
		reached     bool
	}{
		{[]float64{0, 1, 2}, 0.5, 0.5, true},
		{[]float64{2, 1, 0}, 0.5, 1.5, true},
		{[]float64{0, 2, 0}, 1, 0.5, true},
		{[]float64{3, 3, 4}, 3, 0, true},
		{[]float64{0, 1}, 1.01, 0, false},
	} {
		got, reached := placeOf(c.curve, c.value)
		if reached != c.reached || math.Abs(got-c.want) > 1e-12 {
			t.Errorf("%v at %g: %g, %v", c.curve, c.value, got, reached)
		}
	}
}
