package compare_test

import (
	"fmt"

	"dialarc/core/catalogue"
	"dialarc/core/compare"
	"dialarc/core/load"
	"dialarc/core/setup"
)

// Two dumbbells that differ in mass alone differ in torque, and in nothing that stands against comparing them.
func ExampleOf() {
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		if r.Key != "curl.dumbbell" {
			continue
		}
		c, _ := compare.Of([]setup.Document{r.Document, load.Times(&r.Document, 1.5)})
		fmt.Println(len(c.Confounders), "confounders")
	}
	// Output:
	// 0 confounders
}
