package profile_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/profile"
	"dialarc/core/setup"
)

// Both readings of one direction of the arm, moved the same way, have one capacity; and turning the arm round the body by half a degree
// nowhere makes it jump.
func TestOneCapacityForBothReadings(t *testing.T) {
	c := profile.NewCapacity(&profile.Strength{Lifter: &setup.Lifter{Height: 1.75, BodyMass: 75}}, "shoulder", false)
	r := rand.New(rand.NewPCG(4, 14))
	at := func(p, e, rise, turn float64) float64 {
		q := body.Pose{setup.ShoulderPlane: p, setup.ShoulderElevation: e}
		rate := body.Pose{setup.ShoulderPlane: turn, setup.ShoulderElevation: rise}
		x, ok := c.At(&q, &rate)
		if !ok {
			t.Fatalf("no capacity at %v, %v", p, e)
		}
		return x
	}
	for range 2000 {
		p, e, rise, turn := 2*math.Pi*r.Float64(), math.Pi*r.Float64(), r.NormFloat64(), r.NormFloat64()
		x := at(p, e, rise, turn)
		check.Near(t, "the other reading", at(p+math.Pi, -e, -rise, turn), x, 1e-9*x)
		check.Near(t, "once round", at(p-2*math.Pi, e, rise, turn), x, 1e-9*x)
	}
	for _, e := range []float64{0.3, 0.8, 1.5} {
		for _, way := range [][2]float64{{1, 0}, {-1, 0}, {0, 1}, {0, -1}} {
			before := at(-math.Pi, e, way[0], way[1])
			for p := -180.0; p <= 180; p += 0.5 {
				x := at(p*math.Pi/180, e, way[0], way[1])
				if math.Abs(x-before) > 0.04*before {
					t.Errorf("plane %v, elevation %.1f, moved %v: from %.1f to %.1f N·m", p, e, way, before, x)
				}
				before = x
			}
		}
	}
}
