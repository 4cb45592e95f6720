package catalogue_test

import (
	"fmt"

	"dialarc/core/catalogue"
)

// Exercises are found by the names that people use, in any order of words and with typing errors.
func ExampleSearch() {
	for _, text := range []string{"triceps pushdown", "raise lateral", "lat puldown"} {
		fmt.Println(text, "->", catalogue.Search(text).Keys[0])
	}
	// Output:
	// triceps pushdown -> pressdown.rope
	// raise lateral -> raise.dumbbell
	// lat puldown -> pulldown.bar
}
