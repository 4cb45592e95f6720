package dialin_test

import (
	"fmt"

	"dialarc/core/dialin"
	"dialarc/core/setup"
)

// A dial is read and turned by its key; the document that it was read from stays as it was.
func ExampleApply() {
	d := setup.Document{Movement: setup.Movement{Kind: "sweep", Primary: "elbow.flexion", ToDeg: 120}, Loads: []setup.Load{{Kind: setup.Dumbbell, Mass: 8}}}
	heavier, problems := dialin.Apply(&d, "load.mass/0", 10)
	fmt.Println(d.Loads[0].Mass, heavier.Loads[0].Mass, len(problems))
	_, problems = dialin.Apply(&d, "pulley.height/0", 3)
	fmt.Println(problems[0].What)
	// Output:
	// 8 10 0
	// This setup has no setting "pulley.height/0".
}
