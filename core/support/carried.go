package support

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/nnls"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// carried is a pose with all places at which something can push on it, whatever pulls: each push is a sum of three directions, its normal
// and two across it that are as long as its friction.
type carried struct {
	centre  space.Vec // of mass, m
	weight  float64   // N
	points  []touch
	names   []string // of the contacts, each once
	contact []int    // of each point among the names
	along   [][3]space.Vec
	columns [][3]nnls.Vector // the wrenches of these about the centre
	level   float64          // height of the highest, m
	outline []space.Vec      // of what stands on the floor; nil where something else carries too
	floor   bool             // the floor alone carries
}

// carry prepares a pose.
func carry(f *body.Frames, p *setup.Posture, bench *setup.Bench) *carried {
	c := &carried{}
	c.centre, c.weight = f.CentreOfMass(), f.Body.BodyMass*load.Gravity
	c.push(touches(f, p, bench), &f.Station.Heading)
	return c
}

// push takes contacts in, for a centre that is known.
func (c *carried) push(points []touch, heading *space.Mat) {
	c.points, c.floor = points, true
	n := len(points)
	standing := make([]space.Vec, 0, n)
	c.names, c.contact = make([]string, 0, n), make([]int, 0, n)
	c.along, c.columns = make([][3]space.Vec, 0, n), make([][3]nnls.Vector, 0, n)
	for i := range points {
		t := &points[i]
		at := slices.Index(c.names, t.name)
		if at < 0 {
			at = len(c.names)
			c.names = append(c.names, t.name)
		}
		c.contact = append(c.contact, at)
		along := t.directions(heading)
		c.along = append(c.along, along)
		var columns [3]nnls.Vector
		for k, u := range along {
			w := wrench{}
			w.add(c.centre, t.at, u)
			columns[k] = w.vector(1 / math.Sqrt(ridgeWeight))
		}
		c.columns = append(c.columns, columns)
		c.level = max(c.level, t.at.Y)
		c.floor = c.floor && t.floor
		standing = append(standing, t.at)
	}
	if c.floor {
		c.outline = hull(standing)
	}
}

// directions are the three that a contact's pushes are sums of.
func (t *touch) directions(heading *space.Mat) [3]space.Vec {
	if t.pulls {
		return [3]space.Vec{space.X, space.Y, space.Z}
	}
	first := space.Reject(heading.Apply(space.X), t.normal)
	if space.Norm(first) < 0.1 {
		first = space.Reject(space.Y, t.normal)
	}
	first = r3.Unit(first)
	return [3]space.Vec{t.normal, r3.Scale(t.friction, first), r3.Scale(t.friction, r3.Cross(t.normal, first))}
}

// edges is how many edges the pyramid has that stands for a friction cone; a hand that holds on pushes and pulls along three axes.
const edges = 8

// edge says how an edge of a contact's pyramid is summed from its directions, with its friction times a factor.
func (t *touch) edge(k int, friction float64) [3]float64 {
	var share [3]float64
	if t.pulls {
		share[k%3] = 1
		if k >= 3 {
			share[k%3] = -1
		}
		return share
	}
	return [3]float64{1, friction * round[k][0], friction * round[k][1]}
}

// round are cosine and sine of the edges.
var round = func() (out [edges][2]float64) {
	for k := range out {
		out[k][1], out[k][0] = math.Sincos(float64(k) * 2 * math.Pi / edges)
	}
	return out
}()

// pressed is where the floor would have to push, and how far inside what stands on it that is.
func (c *carried) pressed(applied *wrench) (space.Vec, float64) {
	down := -applied.force.Y
	if down < 1 {
		return onFloor(c.centre), math.NaN()
	}
	// Where the ground pushes, at the height of what stands on it, the moment of what is applied vanishes about both level axes.
	m := r3.Add(applied.moment, r3.Cross(r3.Sub(c.centre, space.Vec{Y: c.level}), applied.force))
	at := space.Vec{X: -m.Z / down, Z: m.X / down}
	if !c.floor {
		return at, math.NaN()
	}
	return at, inside(c.outline, at)
}
