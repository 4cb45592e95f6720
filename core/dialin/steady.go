package dialin

import (
	"fmt"
	"slices"

	"dialarc/core"
	"dialarc/core/setup"
)

// Steady is the first change, in the order that coaches try them, with which a setup that does not hold holds.
type Steady struct {
	Label    string         `json:"label" doc:"What to change, in words."`
	Document setup.Document `json:"document" doc:"The setup with the change."`
}

// nearlyInLine is how far apart sideways the feet of a split stance are, m: further, and the weight cannot move along it
// without moving aside (own).
const nearlyInLine = 0.10

// change is one way to brace somebody.
type change struct {
	label string
	make  func(*setup.Document) bool // false when it does not apply
}

// changes are tried in this order: stance, lean, step, pad and strap, weight on the bench.
func changes(d *setup.Document) []change {
	var list []change
	add := func(label string, f func(*setup.Document) bool) { list = append(list, change{label, f}) }
	onFeet := func(d *setup.Document) bool {
		return (d.Posture.Kind == "standing" || d.Posture.Kind == "hinged") && d.Posture.RootOf() == "feet" && !d.Movement.LegsMove()
	}
	add("Stand with the feet wider apart", func(d *setup.Document) bool {
		if !onFeet(d) || d.Posture.FeetApart >= 0.5 {
			return false
		}
		d.Posture.FeetApart = 0.55
		return true
	})
	for _, ahead := range []string{"left", "right"} {
		add("Put the "+ahead+" foot well ahead", func(d *setup.Document) bool {
			d.Posture.Feet, d.Posture.Ahead, d.Posture.FeetApart = "split", ahead, nearlyInLine
			return onFeet(d)
		})
	}
	for _, lean := range []float64{5, -5, 10, -10, 15, -15} {
		way := "forward"
		if lean < 0 {
			way = "back"
		}
		label := fmt.Sprintf("Lean %g degrees %s, one foot ahead", max(lean, -lean), way)
		add(label, func(d *setup.Document) bool {
			p := &d.Posture
			p.Feet, p.Ahead, p.FeetApart = "split", "left", nearlyInLine
			p.Trunk.PitchDeg += lean
			return onFeet(d) && p.Trunk.PitchDeg >= -30
		})
	}
	add("Kneel wider", func(d *setup.Document) bool {
		d.Posture.FeetApart = 0.45
		return d.Posture.Kind == "kneeling" || d.Posture.Kind == "half-kneeling"
	})
	hold := func(what, label string) {
		add(label, func(d *setup.Document) bool {
			if d.Posture.Kind != "seated" || slices.Contains(d.Posture.Held, what) {
				return false
			}
			d.Posture.Held = append(d.Posture.Held, what)
			return true
		})
	}
	hold("thighPad", "Sit under a pad on the thighs")
	hold("strap", "Strap the hips to the seat")
	for _, kg := range []float64{20, 50, 100} {
		add(fmt.Sprintf("Lay %g kg on the bench", kg), func(d *setup.Document) bool {
			if d.Bench == nil {
				return false
			}
			if d.Bench.Mass == 0 {
				d.Bench.Mass = setup.DefaultBenchMass
			}
			d.Bench.Mass += kg
			return true
		})
	}
	return list
}

// Brace looks for the first change with which a setup holds; nil when it holds already, or none of them does.
func Brace(d *setup.Document) *Steady {
	var e core.Evaluator
	steady := func(d *setup.Document) bool {
		r, problems := e.Evaluate(d)
		return len(problems) == 0 && r.Bracing.Holds && (!r.Bracing.Bench.Used || r.Bracing.Bench.Holds)
	}
	if r, problems := e.Evaluate(d); len(problems) > 0 || (r.Bracing.Holds && (!r.Bracing.Bench.Used || r.Bracing.Bench.Holds)) {
		return nil
	}
	for _, c := range changes(d) {
		other := d.Clone()
		if c.make(&other) && steady(&other) {
			return &Steady{Label: c.label, Document: other}
		}
	}
	return nil
}
