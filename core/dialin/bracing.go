package dialin

import (
	"fmt"
	"math"
	"slices"

	"dialarc/core/dial"
	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// nearlyInLine is how far apart sideways the feet of a split stance are, m: further, and the weight cannot move along it
// without moving aside (own).
const nearlyInLine = 0.10

// way is one way to change a setup; make says false when it does not apply.
type way struct {
	label   string
	make    func(*setup.Document) bool
	setting *dial.Setting // that it turns, and to what; nil when it changes something else
	to      float64
}

// mostLean is how far a lifter leans against a pull at most, degrees (own).
const mostLean = 20

// bracing lists the ways to brace a setup in the order that coaches try them: stance, lean, pad, strap, weight on the bench,
// another height of the pull.
func bracing(d *setup.Document) []way {
	list := stances()
	for lean := 1.0; lean <= mostLean; lean++ {
		list = append(list, leaning(lean, false), leaning(-lean, false))
	}
	for lean := 2.0; lean <= mostLean; lean += 2 {
		list = append(list, leaning(lean, true), leaning(-lean, true))
	}
	list = append(list, way{label: "Hold on to the column with the free hand", make: holdOn},
		way{label: "Kneel wider", make: func(d *setup.Document) bool {
			wider := d.Posture.FeetApart < 0.45
			d.Posture.FeetApart = 0.45
			return wider && (d.Posture.Kind == "kneeling" || d.Posture.Kind == "half-kneeling")
		}}, holding("thighPad", "Sit under a pad on the thighs"), holding("strap", "Strap the hips to the seat"))
	for kg := 5.0; kg <= 100; kg += 5 {
		list = append(list, onBench(kg))
	}
	return append(list, heights(d)...)
}

func onFeet(d *setup.Document) bool {
	return (d.Posture.Kind == "standing" || d.Posture.Kind == "hinged") && d.Posture.RootOf() == "feet" && !d.Movement.LegsMove()
}

func stances() []way {
	list := []way{{label: "Stand with the feet wider", make: func(d *setup.Document) bool {
		wider := d.Posture.FeetApart < 0.5
		d.Posture.FeetApart = 0.55
		return wider && onFeet(d)
	}}}
	for _, ahead := range []string{"left", "right"} {
		list = append(list, way{label: "Step the " + ahead + " foot forward into a split stance", make: func(d *setup.Document) bool {
			d.Posture.Feet, d.Posture.Ahead, d.Posture.FeetApart = "split", ahead, nearlyInLine
			return onFeet(d)
		}})
	}
	return list
}

// leaning leans the trunk against the pull, perhaps with one foot ahead as well.
func leaning(deg float64, split bool) way {
	to := "forward"
	if deg < 0 {
		to = "back"
	}
	label := fmt.Sprintf("Lean %g degrees %s", math.Abs(deg), to)
	if split {
		label += ", one foot ahead"
	}
	return way{label: label, make: func(d *setup.Document) bool {
		p := &d.Posture
		if split {
			p.Feet, p.Ahead, p.FeetApart = "split", "left", nearlyInLine
		}
		p.Trunk.PitchDeg += deg
		return onFeet(d) && p.Trunk.PitchDeg >= -30
	}}
}

// holdOn puts the free hand on the column that the first cable comes from, a little below the shoulder.
func holdOn(d *setup.Document) bool {
	if d.Movement.Side == "both" || d.Posture.SupportHand != nil || d.Posture.RootOf() == "hands" {
		return false
	}
	for i := range d.Loads {
		if l := &d.Loads[i]; l.Kind == setup.Cable && l.Pulley != nil {
			scene, problems := evaluate.Scene(d, 0)
			if len(problems) > 0 {
				return false
			}
			for _, s := range scene.Segments {
				if s.Name == "upperArm."+other(d.Movement.Side) {
					d.Posture.SupportHand = &setup.Point{X: l.Pulley.X, Y: math.Round(100*s.Origin.Y-15) / 100, Z: l.Pulley.Z}
					return true
				}
			}
		}
	}
	return false
}

func other(side string) string {
	if side == "left" {
		return "right"
	}
	return "left"
}

func holding(what, label string) way {
	return way{label: label, make: func(d *setup.Document) bool {
		if d.Posture.Kind != "seated" || slices.Contains(d.Posture.Restraints, what) {
			return false
		}
		d.Posture.Restraints = append(d.Posture.Restraints, what)
		return true
	}}
}

func onBench(kg float64) way {
	return way{label: fmt.Sprintf("Put %g kg on the foot of the bench", kg), make: func(d *setup.Document) bool {
		if d.Bench == nil {
			return false
		}
		if d.Bench.Mass == 0 {
			d.Bench.Mass = setup.DefaultBenchMass
		}
		d.Bench.Mass += kg
		return true
	}}
}

// heights moves the first cable or band up or down, the nearest first.
func heights(d *setup.Document) []way {
	var list []way
	for _, s := range Settings(d) {
		if name := s.Name(); name != dial.PulleyHeight && name != dial.BandHeight {
			continue
		}
		for _, v := range nearestFirst(&s) {
			if math.Abs(v-s.Value) > farthest[s.Kind] {
				break
			}
			list = append(list, turning(&s, v))
		}
		return list
	}
	return list
}

// turning turns one setting.
func turning(s *dial.Setting, value float64) way {
	return way{setting: s, to: value, make: func(d *setup.Document) bool {
		turned, problems := Apply(d, s.Key, value)
		*d = turned
		return len(problems) == 0
	}}
}

func holdsStill(b *report.Bracing) bool { return b.Holds && (!b.Bench.Used || b.Bench.Holds) }
