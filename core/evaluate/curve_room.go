package evaluate

import (
	"dialarc/core/report"
	"dialarc/core/space"
)

// curveRoom is room for the many curves of one report, given out piece by piece: each by itself would be one more thing to make and to
// clear away. The zero value is ready.
type curveRoom struct{ room []float64 }

// atOnce is for how many curves room is made at once.
const atOnce = 16

// next is a curve of n values, all 0 where the room was new.
func (c *curveRoom) next(n int) report.Curve {
	if len(c.room) < n {
		c.room = make([]float64, atOnce*n)
	}
	head := c.room[:n:n]
	c.room = c.room[n:]
	return head
}

// of is a copy.
func (c *curveRoom) of(x []float64) report.Curve {
	out := c.next(len(x))
	copy(out, x)
	return out
}

// degrees are radians in degrees.
func (c *curveRoom) degrees(x []float64) report.Curve {
	out := c.next(len(x))
	for i, a := range x {
		out[i] = space.Deg(a)
	}
	return out
}

// triples are points as x, y, z one after the other.
func (c *curveRoom) triples(points []space.Vec) report.Curve {
	out := c.next(3 * len(points))[:0]
	for _, p := range points {
		out = append(out, p.X, p.Y, p.Z)
	}
	return out
}
