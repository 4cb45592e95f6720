package people_test

import (
	"fmt"

	"dialarc/core/people"
)

// A table of lifters may name its columns as people do, with units.
func ExampleRead() {
	list, problems := people.Read([]byte("Athlete;Height (cm);Weight (lb)\nNoa;172;150\n"))
	fmt.Printf("%d problems; %s, %.2f m, %.1f kg\n", len(problems), list[0].Name, list[0].Body.Height, list[0].Body.BodyMass)
	// Output:
	// 0 problems; Noa, 1.72 m, 68.0 kg
}
