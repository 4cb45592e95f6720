package edits_test

import (
	"fmt"

	"dialarc/core/edits"
	"dialarc/core/setup"
)

// A setup begins with three answers: what for, with what, and how the lifter is placed.
func ExampleBegin() {
	d, problems := edits.Begin(&setup.Lifter{Height: 1.75, BodyMass: 75}, "biceps", "dumbbell", "standing")
	fmt.Println(len(problems), d.Target.Region, d.Posture.Kind, d.Loads[0].Kind, d.Movement.Primary)
	// Output:
	// 0 biceps standing dumbbell elbow.flexion
}
