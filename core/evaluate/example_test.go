package evaluate_test

import (
	"fmt"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/setup"
)

// A dumbbell raised to the side is hardest where the arm is level: its moment arm is longest there.
func ExampleDocument() {
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		if r.Key != "raise.dumbbell" {
			continue
		}
		report, problems := evaluate.Document(&r.Document)
		if len(problems) > 0 {
			fmt.Println(problems)
			return
		}
		fmt.Printf("%s: hardest at %.0f degrees\n", r.Name, report.Profile.Total.PeakAngleDeg.OrNaN())
	}
	// Output:
	// Dumbbell lateral raise: hardest at 90 degrees
}
