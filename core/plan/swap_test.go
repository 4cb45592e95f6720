package plan_test

import (
	"testing"

	"dialarc/core/edits"
	"dialarc/core/internal/sample"
	"dialarc/core/plan"
)

// What stands in for a cable raise takes another place, works the same region, and is loaded to the same torque; what spares a joint loads
// it less than the exercise that hurt, the gentlest first.
func TestInstead(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	list := edits.ReadyIn(&sample.Lifter, nil, "")
	var k plan.Keeper
	own, problems := plan.DigestOf(&d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	swaps, problems := k.Instead(&d, list, "")
	if len(problems) > 0 || len(swaps) == 0 {
		t.Fatalf("%v, %v", problems, swaps)
	}
	for i, s := range swaps {
		other, _ := plan.DigestOf(&s.Document)
		if other.Target[:7] != "deltoid" || s.Place == own.Spot.Place || i > 0 && s.Far < swaps[i-1].Far {
			t.Errorf("%s, for %s at %s, %v far", s.Name, other.Target, s.Place, s.Far)
		}
		if s.Load > 0 {
			step := 1.0
			if is := other.TorqueWith(s.Load); is < 0.85*own.Peak-step || is > 1.15*own.Peak+step {
				t.Errorf("%s with %v kg asks %.1f N·m instead of %.1f", s.Name, s.Load, is, own.Peak)
			}
		}
	}
	gentle, problems := k.Instead(&d, list, "shoulder")
	if len(problems) > 0 || len(gentle) == 0 {
		t.Fatalf("%v, %v", problems, gentle)
	}
	for i, s := range gentle {
		if !(s.Force < s.Now) || i > 0 && s.Force < gentle[i-1].Force {
			t.Errorf("%s loads the shoulder with %.0f N instead of %.0f", s.Name, s.Force, s.Now)
		}
	}
}
