package quantity_test

import (
	"fmt"

	"dialarc/core/quantity"
)

// A field for lengths that shows centimetres: a bare number counts in those, everything else says its unit.
func ExampleRead() {
	for _, typed := range []string{"180", "1,80 m", "5'11", "60 kg"} {
		metres, problem := quantity.Read(typed, "length", 0.01)
		if problem != nil {
			fmt.Printf("%s: %s\n", typed, problem.What)
			continue
		}
		fmt.Printf("%s: %.4f m\n", typed, metres)
	}
	// Output:
	// 180: 1.8000 m
	// 1,80 m: 1.8000 m
	// 5'11: 1.8034 m
	// 60 kg: That is a mass.
}
