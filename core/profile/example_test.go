package profile_test

import (
	"fmt"

	"dialarc/core/profile"
)

// Where on the way from the lengthened to the shortened end the torque has its middle says how a setup is loaded.
func ExamplePhaseOf() {
	for _, centroid := range []float64{0.35, 0.5, 0.65} {
		fmt.Println(centroid, profile.PhaseOf(centroid))
	}
	// Output:
	// 0.35 early
	// 0.5 mid
	// 0.65 late
}
