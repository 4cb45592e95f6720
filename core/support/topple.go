package support

import (
	"math"

	"dialarc/core/load"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// Topple is a free-standing column that a cable would pull over.
type Topple struct {
	Name   string  // left or right of the middle of the room
	Pull   float64 // N, where it is worst
	Height float64 // at which it pulls, m
}

// Topples lists the free-standing columns that tip: about the edge of the foot, at a distance b from the column's middle, the level part of
// the pull times the pulley's height is more than (m g - what of the pull lifts) b. Columns whose mass is not known are fixed.
func Topples(cols []Column, rep *torque.Repetition) []Topple {
	var out []Topple
	for i := range cols {
		c := &cols[i]
		if c.Mirror || c.Known == nil || c.Known.Mass == 0 {
			continue
		}
		if t, tips := c.topples(rep); tips {
			out = append(out, t)
		}
	}
	return out
}

func (c *Column) topples(rep *torque.Repetition) (worst Topple, tips bool) {
	most := 0.0
	for k, index := range rep.Index {
		if index != c.Index {
			continue
		}
		for i, tension := range rep.Parts[k].Tension {
			line := r3.Sub(rep.Grip[i], space.Vec{X: c.X, Y: c.Exit, Z: c.Z})
			if math.IsNaN(tension) || space.Norm(line) == 0 {
				continue
			}
			pull := r3.Scale(tension, r3.Unit(line))
			over := math.Hypot(pull.X, pull.Z)*c.Exit - (c.Known.Mass*load.Gravity-pull.Y)*c.Known.Foot
			if over > most {
				most, tips = over, true
				worst = Topple{Name: c.Side, Pull: tension, Height: c.Exit}
			}
		}
	}
	return worst, tips
}
