package setup

import (
	"fmt"
	"maps"
	"slices"
)

// Clone is a deep copy of the document.
func (d *Document) Clone() Document {
	c := *d
	c.Target.Custom = slices.Clone(d.Target.Custom)
	c.Lifter.Lengths = maps.Clone(d.Lifter.Lengths)
	c.Lifter.Ranges = maps.Clone(d.Lifter.Ranges)
	c.Lifter.Strength = slices.Clone(d.Lifter.Strength)
	c.Movement.Hold = maps.Clone(d.Movement.Hold)
	c.Movement.Keyframes = slices.Clone(d.Movement.Keyframes)
	for i, k := range c.Movement.Keyframes {
		c.Movement.Keyframes[i].Pose = maps.Clone(k.Pose)
	}
	c.Loads = slices.Clone(d.Loads)
	for i := range c.Loads {
		c.Loads[i].Pulley = copied(c.Loads[i].Pulley)
		c.Loads[i].Kit = copied(c.Loads[i].Kit)
		c.Loads[i].Contact.Fraction = copied(c.Loads[i].Contact.Fraction)
	}
	c.Bench = copied(d.Bench)
	return c
}

func copied[T any](p *T) *T {
	if p == nil {
		return nil
	}
	v := *p
	return &v
}

// usualPulley is where a cable starts that had no place yet: crossed behind the back, at hand height (own).
var usualPulley = Point{X: 0, Y: 0.76, Z: -0.55}

// WithLoadKind is the document with one load turned into another kind that pulls as hard at the hand: a cable's mass on
// the pin times its ratio is the dumbbell's mass, and the other way round. What the other kind alone needs, such as the
// pulley's place, stays in the document, so that turning back finds it again.
func (d *Document) WithLoadKind(index int, kind string) (Document, Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) {
		return c, Problems{{Path: "loads", What: fmt.Sprintf("There is no load %d.", index+1)}}
	}
	l := &c.Loads[index]
	if l.Ratio == 0 {
		l.Ratio = 1
	}
	switch {
	case kind == l.Kind:
	case kind == "dumbbell":
		l.Mass = l.StackMass * l.Ratio
	case kind == "cable":
		l.StackMass = l.Mass / l.Ratio
		if l.Pulley == nil {
			p := usualPulley
			if l.Side == "left" {
				p.Z = -p.Z
			}
			l.Pulley = &p
		}
		if l.Travel == 0 {
			l.Travel = DefaultTravel
		}
	default:
		return c, Problems{{Path: fmt.Sprintf("loads[%d].kind", index), What: fmt.Sprintf("There is no kind of load %q.", clip(kind)), Hint: "Give dumbbell or cable."}}
	}
	l.Kind = kind
	return c, nil
}
