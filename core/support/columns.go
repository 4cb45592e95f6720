// Package support checks what holds, starts and clears: here the columns that a lifter can run into and the stack that
// has to leave its rest.
package support

import (
	"fmt"
	"math"

	"dialarc/core/body"
	"dialarc/core/kit"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// Column is an upright that a pulley sits on.
type Column struct {
	X, Z      float64 // foot on the floor, m
	Height    float64 // m
	Exit      float64 // height at which the cable leaves it, m
	HalfWidth float64 // of its section, m
	Index     int     // of the load in the document
	Mirror    bool
	Side      string        // left or right of the middle of the room
	Known     *setup.Column // nil when the document names none that is known
}

// Name is what the column is called.
func (c *Column) Name() string {
	if c.Side == "left" {
		return "left column"
	}
	return "right column"
}

// Usual sizes of a column whose station is not known (own).
const (
	usualHeight    = 2.05
	usualHalfWidth = 0.05
)

// limbClear is how far the middle of a limb or hand has to stay from a column's surface, m (own).
const limbClear = 0.02

// Columns lists the columns of all cables that name a station. A pulley on a wall or a ceiling has none.
func Columns(items []load.Item) []Column {
	var cols []Column
	for i := range items {
		it := &items[i]
		if load.Of(it.Def).From != load.FromPulley || it.Def.Kit == nil || it.Def.Kit.Station == "" {
			continue
		}
		c := Column{X: it.From.X, Z: it.From.Z, Exit: it.From.Y, Height: usualHeight, HalfWidth: usualHalfWidth, Index: it.Index,
			Mirror: it.Mirror, Side: "right"}
		if c.Z < 0 {
			c.Side = "left"
		}
		if known, ok := kit.ColumnOf(it.Def.Kit); ok {
			c.Known, c.Height, c.HalfWidth = &known, known.Height, known.HalfWidth
		}
		cols = append(cols, c)
	}
	return cols
}

// Clear reports a lifter or a moving arm inside a column, or a hand at the pulley itself, where a cable has no
// direction. At most one problem per column.
func Clear(cols []Column, items []load.Item, b *body.Body, st *body.Station, rep *torque.Repetition) setup.Problems {
	var found setup.Problems
	for i := range cols {
		if p, hit := standsIn(&cols[i], b, st); hit {
			found = append(found, p)
		} else if p, hit := armIn(&cols[i], rep); hit {
			found = append(found, p)
		}
	}
	for i := range items {
		if it := &items[i]; it.From != nil && !it.Mirror && it.Held() && load.Of(it.Def).Line != "" {
			if p, hit := atPulley(it, rep); hit {
				found = append(found, p)
			}
		}
	}
	return found
}

// standsIn checks the trunk, an elliptic cylinder of 0.087 by 0.060 of stature (own), from hip to shoulder.
func standsIn(c *Column, b *body.Body, st *body.Station) (setup.Problem, bool) {
	back := st.Heading.Transpose()
	neck := r3.Add(st.MidHip, st.Trunk.Apply(space.Vec{Y: b.ShoulderHeight - b.HipHeight}))
	for _, centre := range []space.Vec{st.MidHip, neck} {
		if centre.Y > c.Height {
			continue
		}
		off := back.Apply(space.Vec{X: c.X - centre.X, Z: c.Z - centre.Z})
		if math.Hypot(off.X/(0.060*b.Height+c.HalfWidth), off.Z/(0.087*b.Height+c.HalfWidth)) < 1 {
			return setup.Problem{Path: "posture.x", What: "The lifter stands inside the " + c.Name() + ".",
				Why: "Two things cannot be in one place.", Hint: "Step out, or move the columns further apart."}, true
		}
	}
	return setup.Problem{}, false
}

// clearSamples is at how many places along the path an arm is checked: 3 degrees apart on a usual raise.
const clearSamples = 31

func armIn(c *Column, rep *torque.Repetition) (setup.Problem, bool) {
	step := max(1, (len(rep.S)-1)/(clearSamples-1))
	for i := 0; i < len(rep.S); i += step {
		pieces := [...]struct {
			name     string
			from, to space.Vec
		}{{"hand", rep.Wrist[i], rep.Grip[i]}, {"forearm", rep.ElbowAt[i], rep.Wrist[i]}, {"upper arm", rep.Shoulder[i], rep.ElbowAt[i]}}
		for _, p := range pieces {
			d, level := space.SegmentToVerticalLine(p.from, p.to, c.X, c.Z, 0, c.Height)
			if level && d < c.HalfWidth+limbClear {
				return setup.Problem{Path: "posture.x",
					What: fmt.Sprintf("At %.0f degrees the %s is inside the %s.", space.Deg(rep.Angle[i]), p.name, c.Name()),
					Why:  "Two things cannot be in one place.", Hint: "Step out, turn the path forward, or move the columns apart."}, true
			}
		}
	}
	return setup.Problem{}, false
}

func atPulley(it *load.Item, rep *torque.Repetition) (setup.Problem, bool) {
	for i := range rep.S {
		if d := space.Norm(r3.Sub(*it.From, rep.Grip[i])); d < 0.03 {
			return setup.Problem{Path: fmt.Sprintf("loads[%d].%s", it.Index, load.Of(it.Def).From),
				What: fmt.Sprintf("At %.0f degrees the hand is at the %s itself.", space.Deg(rep.Angle[i]), load.Of(it.Def).From),
				Why:  "There it pulls nowhere.", Hint: "Move it or the lifter by 5 cm or more."}, true
		}
	}
	return setup.Problem{}, false
}
