package muscle

import (
	"math"

	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// overSphere lays a line from p to q round a sphere if it would pass through it: the two places where it touches, and the
// length between them.
func overSphere(p, q, centre space.Vec, radius float64) (first, last space.Vec, arc float64, touches bool) {
	a, b := r3.Sub(p, centre), r3.Sub(q, centre)
	line := r3.Sub(b, a)
	t := -r3.Dot(a, line) / r3.Norm2(line)
	if t <= 0 || t >= 1 || r3.Norm2(r3.Add(a, r3.Scale(t, line))) >= radius*radius {
		return first, last, 0, false
	}
	na, nb := space.Norm(a), space.Norm(b)
	normal := r3.Cross(a, b)
	area := space.Norm(normal)
	if area < 1e-12 || na <= radius || nb <= radius {
		return first, last, 0, false
	}
	// Of the angles between p, the two touching places and q as the centre sees them only the arc is wanted as such.
	cosFrom, cosTo := radius/na, radius/nb
	sinFrom, sinTo := math.Sqrt(1-cosFrom*cosFrom), math.Sqrt(1-cosTo*cosTo)
	cosAll, sinAll := r3.Dot(a, b)/(na*nb), area/(na*nb)
	round := math.Atan2(sinAll, cosAll) - math.Acos(cosFrom) - math.Acos(cosTo)
	if round <= 0 {
		return first, last, 0, false
	}
	u := r3.Scale(1/na, a)
	v := r3.Scale(1/area, r3.Cross(normal, u))
	at := func(c, s float64) space.Vec {
		return r3.Add(centre, r3.Scale(radius, r3.Add(r3.Scale(c, u), r3.Scale(s, v))))
	}
	return at(cosFrom, sinFrom), at(cosAll*cosTo+sinAll*sinTo, sinAll*cosTo-cosAll*sinTo), radius * round, true
}

// cylinder is a wrap that is long and round: its axis through a place, and the plane across it.
type cylinder struct {
	at        space.Vec
	u, v, w   space.Vec // u and v across, w along the axis
	radius    float64
	direction float64 // +1 when the line goes round from u to v, -1 the other way
}

// over lays a line from p to q round the cylinder in its direction, unless the straight line passes on that side. Along
// the axis the line rises evenly with its way round, as the shortest line on a cylinder does.
func (c *cylinder) over(p, q space.Vec) (first, last space.Vec, arc float64, touches bool) {
	a, b := r3.Sub(p, c.at), r3.Sub(q, c.at)
	ra, fa := c.polar(a)
	rb, fb := c.polar(b)
	lead, trail := math.Acos(min(1, c.radius/ra)), math.Acos(min(1, c.radius/rb))
	from, to := fa+c.direction*lead, fb-c.direction*trail
	round := math.Mod(c.direction*(to-from), 2*math.Pi)
	if round < 0 {
		round += 2 * math.Pi
	}
	if round >= math.Pi {
		return first, last, 0, false
	}
	// The way across: tangent, arc, tangent.
	t1, t2 := math.Sqrt(max(0, ra*ra-c.radius*c.radius)), math.Sqrt(max(0, rb*rb-c.radius*c.radius))
	across := t1 + c.radius*round + t2
	rise := r3.Dot(b, c.w) - r3.Dot(a, c.w)
	at := func(angle, way float64) space.Vec {
		s, k := math.Sincos(angle)
		out := r3.Add(r3.Scale(c.radius*k, c.u), r3.Scale(c.radius*s, c.v))
		return r3.Add(c.at, r3.Add(out, r3.Scale(r3.Dot(a, c.w)+rise*way/across, c.w)))
	}
	arc = c.radius * round * math.Sqrt(1+rise*rise/(across*across))
	return at(from, t1), at(to, t1+c.radius*round), arc, true
}

func (c *cylinder) polar(p space.Vec) (radius, angle float64) {
	x, y := r3.Dot(p, c.u), r3.Dot(p, c.v)
	return math.Sqrt(x*x + y*y), math.Atan2(y, x)
}
