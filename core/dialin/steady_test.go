package dialin_test

import (
	"testing"

	"dialarc/core"
	"dialarc/core/catalogue"
	"dialarc/core/dialin"
	"dialarc/core/setup"
)

// Every change that is offered to a setup that does not hold makes it hold, and one that holds is offered none.
func TestWhatIsOfferedHolds(t *testing.T) {
	offered := 0
	for _, r := range catalogue.All(&setup.Lifter{Stature: 1.75, Mass: 75}) {
		d := r.Document
		for _, heavier := range []float64{1, 2} {
			for i := range d.Loads {
				d.Loads[i].StackMass *= heavier
			}
			report, problems := core.Evaluate(&d)
			if len(problems) > 0 {
				continue
			}
			holds := report.Bracing.Holds && (!report.Bracing.Bench.Used || report.Bracing.Bench.Holds)
			steady := dialin.Brace(&d)
			switch {
			case holds && steady != nil:
				t.Errorf("%s holds, yet is offered: %s", r.Key, steady.Label)
			case steady != nil:
				offered++
				after, problems := core.Evaluate(&steady.Document)
				if len(problems) > 0 || !after.Bracing.Holds || steady.Label == "" {
					t.Errorf("%s: %q does not hold: %v", r.Key, steady.Label, problems)
				}
			}
		}
	}
	if offered < 3 {
		t.Errorf("only %d setups were offered a change", offered)
	}
}
