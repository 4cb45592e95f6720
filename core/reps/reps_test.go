package reps_test

import (
	"math"
	"testing"

	"dialarc/core/reps"
)

// 80 kg for 10 repetitions is a one-repetition limit of 106.7 kg, 100 kg for 2 one of 106.7 kg (Epley 1985, from memory); a set with two in
// reserve counts them, and going back and forth changes nothing.
func TestEpley(t *testing.T) {
	for _, c := range []struct{ load, n, once float64 }{{80, 10, 106.667}, {100, 2, 106.667}, {22.5, 14, 33}, {60, 1, 60}} {
		if got := c.load * reps.Once(c.n); math.Abs(got-c.once) > 0.001 {
			t.Errorf("%v kg for %v goes once with %v, want %v", c.load, c.n, got, c.once)
		}
	}
	for n := 2.0; n <= reps.Most; n++ {
		if got := reps.At(reps.Once(n)); math.Abs(got-n) > 1e-9 {
			t.Errorf("%v repetitions read back as %v", n, got)
		}
		if low, high := reps.Band(n); !(low < reps.Once(n) && reps.Once(n) < high) {
			t.Errorf("the band of %v is %v to %v", n, low, high)
		}
	}
}
