package metric_test

import (
	"fmt"

	"dialarc/core/metric"
)

// A number that cannot be known says why, and cannot be taken for one by mistake.
func ExampleMissing() {
	for _, m := range []metric.Metric{metric.Known(12.5), metric.Missing("The lifter's strength is unknown.")} {
		if x, known := m.Get(); known {
			fmt.Println(x)
		} else {
			fmt.Println(m.Why())
		}
	}
	// Output:
	// 12.5
	// The lifter's strength is unknown.
}
