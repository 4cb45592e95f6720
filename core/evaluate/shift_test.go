package evaluate

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Every input that has an error is shifted by it: over many draws with the standard deviation that was given, and by nothing where that
// is zero.
func TestEveryErrorShiftsItsInput(t *testing.T) {
	r, _ := catalogue.Find(&setup.Lifter{Height: 1.75, BodyMass: 75}, "raise.behind.hand")
	d := r.Document
	for name, c := range map[string]struct {
		errors report.Errors
		sd     float64
		of     func(*setup.Document) float64
	}{
		"heading": {report.Errors{AngleDeg: 3}, 3, func(d *setup.Document) float64 { return d.Posture.HeadingDeg }},
		"lean":    {report.Errors{AngleDeg: 3}, 3, func(d *setup.Document) float64 { return d.Posture.Trunk.PitchDeg }},
		"plane": {report.Errors{AngleDeg: 3}, 3,
			func(d *setup.Document) float64 { return d.Movement.Hold["shoulder.planeOfElevationDeg"] }},
		"stance out":     {report.Errors{Stance: 0.03}, 0.03, func(d *setup.Document) float64 { return d.Posture.X }},
		"stance aside":   {report.Errors{Stance: 0.03}, 0.03, func(d *setup.Document) float64 { return d.Posture.Z }},
		"pulley, out":    {report.Errors{Pulley: 0.01}, 0.01, func(d *setup.Document) float64 { return d.Loads[0].Pulley.X }},
		"pulley, height": {report.Errors{Pulley: 0.01}, 0.01, func(d *setup.Document) float64 { return d.Loads[0].Pulley.Y }},
		"pulley, aside":  {report.Errors{Pulley: 0.01}, 0.01, func(d *setup.Document) float64 { return d.Loads[0].Pulley.Z }},
		"upper arm":      {report.Errors{Tape: 0.01}, 0.01, func(d *setup.Document) float64 { return d.Lifter.LengthOf("upperArm") }},
		"forearm":        {report.Errors{Tape: 0.01}, 0.01, func(d *setup.Document) float64 { return d.Lifter.LengthOf("forearm") }},
	} {
		r := rand.New(rand.NewPCG(1, 2))
		source := func(sd float64) float64 { return sd * r.NormFloat64() }
		const n = 4000
		sum, squares := 0.0, 0.0
		for range n {
			shifted, none := shift(&d, &c.errors, source), report.Errors{}
			x := c.of(&shifted) - c.of(&d)
			sum, squares = sum+x, squares+x*x
			still := shift(&d, &none, source)
			if c.of(&still) != c.of(&d) {
				t.Fatalf("%s: without an error it goes from %v to %v", name, c.of(&d), c.of(&still))
			}
		}
		// The deviation of 4000 normal draws is within 6 percent of the true one.
		if sd := math.Sqrt(squares / n); math.Abs(sd-c.sd) > 0.06*c.sd || math.Abs(sum/n) > 0.1*c.sd {
			t.Errorf("%s: shifted by %.4f on the whole, standard deviation %.4f", name, sum/n, sd)
		}
	}
}
