package load_test

import (
	"fmt"

	"dialarc/core/load"
	"dialarc/core/setup"
)

// What is true of a kind of load is asked of its kind; who asks does not name it.
func ExampleOf() {
	loads := []setup.Load{{Kind: setup.Dumbbell, Mass: 10}, {Kind: setup.Cable, StackMass: 20, Ratio: 0.5}, {Kind: setup.Lever, PlateMass: 40}}
	for i := range loads {
		l := &loads[i]
		fmt.Printf("%s, counted by %s: %g kg, at the hand %g\n", l.Kind, load.Of(l).Counted, *load.MassField(l), load.Of(l).AtHand(l))
	}
	// Output:
	// dumbbell, counted by each dumbbell: 10 kg, at the hand 10
	// cable, counted by the pin: 20 kg, at the hand 10
	// lever, counted by the plates: 40 kg, at the hand 40
}
