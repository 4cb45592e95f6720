package movement

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// flat is a vector of the sagittal plane, forward and up, m.
type flat struct{ x, y float64 }

func (v flat) less(w flat) flat { return flat{v.x - w.x, v.y - w.y} }
func (v flat) size() float64    { return math.Hypot(v.x, v.y) }

// lean is how far it leans forward from upright, rad.
func (v flat) lean() float64 { return math.Atan2(v.x, v.y) }

// leaning is a rod of a length that leans forward by an angle.
func leaning(length, lean float64) flat {
	s, c := math.Sincos(lean)
	return flat{length * s, length * c}
}

// tilted is a vector turned forward by an angle, as if it leant so much more.
func (v flat) tilted(by float64) flat { return leaning(v.size(), v.lean()+by) }

// twoRods are the leans of two rods, one after the other, that span a way with the bend between them forward of it, rad; and by how many
// metres they cannot.
func twoRods(way flat, first, second float64) (a, b, miss float64) {
	d := way.size()
	miss = max(0, d-first-second, math.Abs(first-second)-d)
	at := (first*first + d*d - second*second) / (2 * first * max(d, 1e-9))
	a = way.lean() + math.Acos(max(-1, min(1, at)))
	return a, way.less(leaning(first, a)).lean(), miss
}

// sagittal is a place in the room seen from the side: ahead of the middle of the posture, and up.
func (p *Path) sagittal(at space.Vec) flat {
	ahead := p.station.Heading.Apply(space.X)
	return flat{r3.Dot(r3.Sub(at, p.station.MidHip), ahead), at.Y}
}

// trunkLean is how far a trunk that is carried leans forward, rad.
func (p *Path) trunkLean() float64 {
	up := p.station.Trunk.Apply(space.Y)
	return flat{r3.Dot(up, p.station.Heading.Apply(space.X)), up.Y}.lean()
}

// ledLegs is what decides the rest of a leg of which the movement moves one joint: the rails of a sled, a step under the balls of the feet
// of somebody who sits, the edge under the back, or the share of the weight that the front foot carries. Nil where nothing does.
func (p *Path) ledLegs(d *setup.Document) func(float64, *body.Pose) float64 {
	st := p.station
	switch {
	case !st.LegsMove:
		return nil
	case st.Root == body.OnShoulders:
		return p.bridged
	case st.Root == body.OnSeat && st.HeelsUp:
		return p.heelsRaised()
	case st.Split && d.Posture.FrontShare > 0:
		p.weight = &balance{p: p, share: d.Posture.FrontShare, ankle: true}
	case st.Root == body.OnFoot:
		p.weight = p.onOneFoot(d)
	}
	if p.weight != nil {
		return p.weight.balanced
	}
	i := d.Sled()
	if i < 0 {
		return nil
	}
	l := &d.Loads[i]
	if l.Contact.At == "ball" {
		return p.ballOnRails(l)
	}
	return p.onRails(l)
}

// onRails lets the knee lead: the ankle goes along the rails, the foot stays square to them.
func (p *Path) onRails(l *setup.Load) func(float64, *body.Pose) float64 {
	rise, b := space.Rad(l.RiseDeg()), p.body
	sole := space.Rad(l.PlateDeg) - (math.Pi/2 + rise) // how far the foot's sole is turned from flat, toes down
	return func(_ float64, q *body.Pose) float64 {
		t, s := b.Thigh(), b.Shank()
		far := math.Sqrt(t*t + s*s + 2*t*s*math.Cos(q[setup.KneeFlexion]))
		along, miss := math.Sqrt(max(0, far*far-l.SoleUp*l.SoleUp)), max(0, math.Abs(l.SoleUp)-far)
		up := flat{math.Cos(rise), math.Sin(rise)}
		ankle := flat{along*up.x - l.SoleUp*up.y, along*up.y + l.SoleUp*up.x}
		shin, thigh, short := twoRods(flat{-ankle.x, -ankle.y}, s, t)
		q[setup.HipFlexion] = turnBetween(p.trunkLean(), thigh)
		q[setup.AnkleFlexion] = turnBetween(shin, sole)
		return miss + short
	}
}

// ballOnRails lets the ankle lead with the knee held: the ball of the foot goes along the rails.
func (p *Path) ballOnRails(l *setup.Load) func(float64, *body.Pose) float64 {
	rise, b := space.Rad(l.RiseDeg()), p.body
	from := b.AnkleFromBall()
	return func(_ float64, q *body.Pose) float64 {
		shin := q[setup.KneeFlexion] // along an upright thigh
		ball := flat{-from.X, -from.Y}.tilted(shin - q[setup.AnkleFlexion])
		down := leaning(b.Shank(), shin)
		way := flat{ball.x - down.x, ball.y - down.y - b.Thigh()} // hip to ball
		far := way.size()
		along := math.Sqrt(max(0, far*far-l.SoleUp*l.SoleUp))
		to := flat{along*math.Cos(rise) - l.SoleUp*math.Sin(rise), along*math.Sin(rise) + l.SoleUp*math.Cos(rise)}
		q[setup.HipFlexion] = turnBetween(p.trunkLean(), to.lean()-way.lean())
		return max(0, math.Abs(l.SoleUp)-far)
	}
}

// turnBetween is the turn from one lean to another, rad, within half a turn.
func turnBetween(a, b float64) float64 { return math.Remainder(a-b, 2*math.Pi) }

// heelsRaised lets the ankle lead in somebody who sits: the ball of the foot stays on its step, the knee goes up and down with the heel.
func (p *Path) heelsRaised() func(float64, *body.Pose) float64 {
	b := p.body
	hip, ball := p.sagittal(p.station.MidHip), p.sagittal(p.station.Step())
	from := b.AnkleFromBall()
	return func(_ float64, q *body.Pose) float64 {
		ankle := q[setup.AnkleFlexion]
		shin := leaning(b.Shank(), ankle)
		knee := flat{from.X + shin.x, from.Y + shin.y} // with the foot flat
		lower, thigh, miss := twoRods(hip.less(ball), knee.size(), b.Thigh())
		pitch := lower - knee.lean()
		q[setup.KneeFlexion] = turnBetween(pitch+ankle, thigh)
		q[setup.HipFlexion] = turnBetween(p.trunkLean(), thigh)
		return miss
	}
}

// bridged lets the hip lead in somebody whose back lies on an edge: knee and ankle give way so that it stays there.
func (p *Path) bridged(_ float64, q *body.Pose) float64 {
	b := p.body
	edge := p.sagittal(p.station.Edge)
	ankle := flat{0, b.AnkleH + p.station.Riser}
	on := b.OnEdge()
	back := flat{on.X, on.Y}.tilted(q[setup.HipFlexion])
	upper := flat{back.x, back.y + b.Thigh()} // knee to edge, along an upright thigh
	shin, rest, miss := twoRods(edge.less(ankle), b.Shank(), upper.size())
	thigh := rest - upper.lean()
	q[setup.KneeFlexion] = turnBetween(shin, thigh)
	q[setup.AnkleFlexion] = shin
	return miss
}
