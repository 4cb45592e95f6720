package kit_test

import (
	"fmt"

	"dialarc/core/kit"
)

// A bar of 20 kg with two pairs of plates can be loaded in four ways.
func ExampleWeights_Loadable() {
	bar := kit.Weights{Kind: "bar", Bar: 20, Plates: []float64{5, 10}}
	fmt.Println(bar.Loadable())
	near, at := kit.Nearest(bar.Loadable(), 37)
	fmt.Println(near, at)
	// Output:
	// [20 30 40 50]
	// 40 2
}
