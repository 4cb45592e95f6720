package rules_test

import (
	"fmt"

	"dialarc/core/rules"
)

// What is wrong is told with its place, and with what would be right.
func ExampleParse() {
	_, problems := rules.Parse([]byte(`{"schema": "dialarc.setup/2", "lifter": {"height": "tall"}}`))
	for _, p := range problems {
		fmt.Println(p.Path, "|", p.What, "|", p.Hint)
	}
	// Output:
	// lifter.height | Here stands the text "tall". | Give a number.
}
