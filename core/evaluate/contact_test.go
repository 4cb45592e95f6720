package evaluate_test

import (
	"math"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// An arm raised to the side with next to nothing in the hand presses into the shoulder most near shoulder height, with about
// 0.9 of the body's weight (Poppen & Walker 1978, Clin Orthop 135:165-170, from memory). Muscles that only stabilise are not in
// a least sum of squares, so less is expected, but not half as little.
func TestSurfacesOfTheShoulder(t *testing.T) {
	d := ready(t, "raise.dumbbell")
	d.Loads[0].Mass, d.Movement.Hold["shoulder.planeOfElevationDeg"] = 0.1, 30
	r := evaluated(t, &d)
	most, at := 0.0, 0.0
	for i, x := range r.Muscles.Shoulder {
		if share := x / (75 * 9.80665); share > most {
			most, at = share, r.Curves.AngleDeg[int(math.Round(r.Muscles.S[i]*100))]
		}
	}
	if most < 0.5 || most > 1.1 || at < 75 {
		t.Errorf("at most %.2f of the body's weight, at %.0f degrees", most, at)
	}
	// Whatever pulls, the surfaces of the elbow bear at least what the muscles do not: a straight arm's own weight.
	for i, x := range r.Muscles.Elbow {
		if !(x > 0) {
			t.Errorf("the elbow bears %v at sample %d", x, i)
		}
	}
}

// A repetition that takes minutes is held as at rest; one that is thrown is held worse.
func TestBracingInMotion(t *testing.T) {
	d := ready(t, "curl.dumbbell")
	d.Loads[0].Mass = 15
	margin := func(seconds float64) float64 {
		d.Tempo = setup.Tempo{Up: seconds, Down: seconds, Top: 1, Bottom: 1}
		m, problems := evaluate.Tempo(&d)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		return check.Value(t, "margin", m.Bracing.Margin)
	}
	rest := check.Value(t, "margin at rest", evaluated(t, &d).Bracing.Margin)
	check.Near(t, "margin of a slow repetition", margin(60), rest, 2e-4)
	if fast := margin(0.4); fast > rest-0.005 {
		t.Errorf("thrown, the margin is %.3f m against %.3f at rest", fast, rest)
	}
}

// Nearer the joint it takes more load for the same torque: the moment arm of a pull square to the arm is the distance from the
// joint (closed form), and what is held no longer in the hand asks nothing of the grip.
func TestOtherPlacesOnTheArm(t *testing.T) {
	d := ready(t, "raise.lying.wrist")
	p, problems := evaluate.CompareSites(&d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	before := 0.0
	for _, place := range p.Sites {
		factor := check.Value(t, place.Label, place.Factor)
		if factor < before-0.01 {
			t.Errorf("%s: %.2f times the load, further out %.2f", place.Label, factor, before)
		}
		before = factor
		if place.Here {
			check.Near(t, "the present place", factor, 1, 1e-9)
		}
		if place.Contact.Segment != "hand" && place.Grip.Or(0) > 1 {
			t.Errorf("%s: the hand holds %.0f N", place.Label, place.Grip.OrNaN())
		}
	}
	if a, b := p.Sites[0], p.Sites[len(p.Sites)-1]; b.Shear.OrNaN() <= a.Shear.OrNaN() || b.Elbow.OrNaN() >= a.Elbow.OrNaN() {
		t.Errorf("hand %+v, upper arm %+v: the joint should get more and the elbow less", a, b)
	}
	none := ready(t, "raise.dumbbell")
	if _, problems := evaluate.CompareSites(&none); len(problems) == 0 || problems[0].Hint == "" {
		t.Errorf("a dumbbell was moved up the arm: %v", problems)
	}
}

// What a pin asks is what evaluating the setup with it gives.
func TestPins(t *testing.T) {
	_, d := golden(t, "raise.json")
	pins := evaluated(t, &d).Pins
	if len(pins) != 1 || pins[0].List[0].Mass != 5 || pins[0].Step != 2.5 {
		t.Fatalf("pins %+v", pins)
	}
	here := false
	for _, p := range pins[0].List {
		with := d.Clone()
		with.Loads[0].StackMass = p.Mass
		check.Near(t, "effort", check.Value(t, "effort of the pin", p.Effort), check.Value(t, "effort", evaluated(t, &with).Profile.PeakEffort), 1e-8)
		here = here || (p.Here && p.Mass == d.Loads[0].StackMass)
	}
	if !here {
		t.Errorf("the present pin is not listed: %+v", pins[0].List)
	}
}

// Even the lightest pin can be too much for somebody small and untrained.
func TestLightestPin(t *testing.T) {
	said := func(torque float64) string {
		d := ready(t, "raise.behind.hand")
		d.Loads[0].StackMass = 5
		for _, action := range []string{"shoulder.abduction", "shoulder.flexion"} {
			for _, deg := range []float64{20, 80} {
				d.Lifter.Strength = append(d.Lifter.Strength, setup.StrengthTest{Action: action, AngleDeg: deg, Torque: torque})
			}
		}
		for _, v := range evaluated(t, &d).Verdicts {
			if _, about := v.Values["pin"]; about {
				return v.Tone
			}
		}
		return ""
	}
	for torque, tone := range map[float64]string{12: "error", 20: "warning", 80: ""} {
		if got := said(torque); got != tone {
			t.Errorf("with %v N·m of strength the pin is told as %q, want %q", torque, got, tone)
		}
	}
}

// Cables that cross are picked up from the other side first; others are simply taken.
func TestPickingUp(t *testing.T) {
	for key, crossed := range map[string]bool{"raise.behind.lined": true, "fly.cable": false} {
		d := ready(t, key)
		in := evaluated(t, &d).Pickup
		if in == nil || in.Crossed != crossed || len(in.Steps) < 3 || in.Pull <= 0 {
			t.Errorf("%s: %+v", key, in)
		}
	}
	for _, key := range []string{"raise.dumbbell", "row.cable", "front.cable"} {
		d := ready(t, key)
		if in := evaluated(t, &d).Pickup; in != nil && len(d.Loads) == 1 && d.Loads[0].Kind == setup.Dumbbell {
			t.Errorf("%s has two handles to pick up: %+v", key, in)
		}
	}
	// One handle alone pulls with the weight at it and the friction.
	d := ready(t, "raise.behind.lined")
	d.Loads[0].Friction = 0
	check.Near(t, "pull", evaluated(t, &d).Pickup.Pull, d.Loads[0].StackMass*d.Loads[0].Ratio*9.80665, 1e-6)
}

// A lifter's own limits decide from when on grip and low back are spoken of.
func TestOwnLimits(t *testing.T) {
	tone := func(d *setup.Document) string { return report.Tones(evaluated(t, d).Verdicts)["jointLoad"] }
	d := ready(t, "row.hinged")
	d.Lifter.LowBackLimit, d.Lifter.GripLimit = 900, 1900
	if got := tone(&d); got != "ok" {
		t.Errorf("far from every limit: %s", got)
	}
	back := d.Clone()
	back.Lifter.LowBackLimit = 20
	grip := d.Clone()
	grip.Lifter.GripLimit = 20
	if a, b := tone(&back), tone(&grip); a != "warning" || b != "warning" {
		t.Errorf("past the low back's limit %s, past the grip's %s", a, b)
	}
}
