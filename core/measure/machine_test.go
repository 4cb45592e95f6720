package measure_test

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/measure"
	"dialarc/core/quantity"
)

// camAt is the moment arm of a made-up cam.
func camAt(deg float64) float64 { return 0.08 + 0.03*math.Sin(deg*math.Pi/120) }

// A cam comes out as it is, and with noise each arm within what is said of it in 95 % of the seeds.
func TestCam(t *testing.T) {
	readings := func(noise float64, r *rand.Rand) []measure.HeldReading {
		var out []measure.HeldReading
		for range 3 {
			for _, deg := range []float64{5, 30, 55, 80, 105} {
				force := quantity.Gravity * 40 * 0.8 * camAt(deg) / 0.35
				out = append(out, measure.HeldReading{AngleDeg: deg + 0.2*r.NormFloat64(), Force: force * (1 + noise*r.NormFloat64())})
			}
		}
		return out
	}
	fit, problems := measure.Cam(readings(0, rand.New(rand.NewPCG(1, 1))), 40, 0.8, 0.35)
	if len(problems) > 0 || len(fit.Table) != 5 {
		t.Fatal(fit, problems)
	}
	for i, deg := range []float64{5, 30, 55, 80, 105} {
		check.Near(t, "angle", fit.Table[i].AngleDeg, deg, 0.5)
		check.Near(t, "arm", fit.Table[i].Arm, camAt(deg), 1e-5)
	}
	within, all := 0, 0
	for seed := range uint64(400) {
		fit, _ := measure.Cam(readings(0.02, rand.New(rand.NewPCG(seed, 31))), 40, 0.8, 0.35)
		for i, deg := range []float64{5, 30, 55, 80, 105} {
			if all++; math.Abs(fit.Table[i].Arm/camAt(deg)-1) <= fit.Spread.OrNaN() {
				within++
			}
		}
	}
	if within < 95*all/100 {
		t.Errorf("%d of %d", within, all)
	}
	one := measure.HeldReading{AngleDeg: 10, Force: 50}
	for says, f := range map[string]func() bool{
		"at 1 angles": func() bool {
			_, p := measure.Cam([]measure.HeldReading{one}, 40, 1, 0.3)
			return strings.Contains(p[0].What, "at 1 angles")
		},
		"pin": func() bool { _, p := measure.Cam([]measure.HeldReading{one}, 0, 1, 0.3); return p[0].Path == "pin" },
		"pad": func() bool { _, p := measure.Cam([]measure.HeldReading{one}, 40, 1, 0); return p[0].Path == "pad" },
		"the pull is 0": func() bool {
			_, p := measure.Cam([]measure.HeldReading{{AngleDeg: 1}}, 40, 1, 0.3)
			return p[0].Path == "row 1"
		},
		"one each": func() bool {
			f, _ := measure.Cam([]measure.HeldReading{one, {AngleDeg: 40, Force: 60}}, 40, 1, 0.3)
			return !f.Spread.Known()
		},
	} {
		if !f() {
			t.Error(says)
		}
	}
}

// A lever's weight is found where it acts, beside the handle's line too, and with noise within what is said of it in 95 % of the seeds.
func TestLever(t *testing.T) {
	readings := func(noise float64, r *rand.Rand) []measure.HeldReading {
		var out []measure.HeldReading
		for _, deg := range []float64{-40, -20, 0, 20, 40} {
			torque := quantity.Gravity * 6 * 0.42 * math.Cos((deg+8)*math.Pi/180)
			out = append(out, measure.HeldReading{AngleDeg: deg, Force: torque/0.95 + noise*r.NormFloat64()})
		}
		return out
	}
	fit, problems := measure.Lever(readings(0, rand.New(rand.NewPCG(1, 1))), 6, 0.95)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	check.Near(t, "radius", fit.Radius, 0.42, 1e-9)
	check.Near(t, "beside", fit.BesideBy, 8, 1e-9)
	within := 0
	const seeds = 1000
	for seed := range uint64(seeds) {
		fit, _ := measure.Lever(readings(0.5, rand.New(rand.NewPCG(seed, 41))), 6, 0.95)
		if math.Abs(fit.Radius-0.42) <= fit.Off.OrNaN() {
			within++
		}
	}
	check.Near(t, "share within", float64(within)/seeds, 0.95, 0.025)
	for says, f := range map[string]func() bool{
		"mass": func() bool {
			_, p := measure.Lever(readings(0, rand.New(rand.NewPCG(1, 1))), 0, 1)
			return p[0].Path == "mass"
		},
		"angles": func() bool {
			_, p := measure.Lever([]measure.HeldReading{{Force: 20}}, 5, 1)
			return strings.Contains(p[0].What, "1 angles")
		},
		"upward": func() bool {
			_, p := measure.Lever([]measure.HeldReading{{Force: -20}, {AngleDeg: 40, Force: -15}}, 5, 1)
			return strings.Contains(p[0].What, "upward")
		},
	} {
		if !f() {
			t.Error(says)
		}
	}
}
