package movement

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// pushedUp turns a straight body about the toes while the hands stay on the floor. The guide is counted from the shoulder: how far below it
// the floor is along the path, and where the hands are at its end.
func (p *Path) pushedUp(g *setup.Guide) func(float64, *body.Pose) float64 {
	b, st := p.body, p.station
	ankle := st.Step()
	ahead, across := st.Heading.Apply(space.X), st.Heading.Apply(space.Z)
	middle := r3.Sub(ankle, r3.Scale(r3.Dot(r3.Sub(ankle, st.MidHip), across), across))
	leaning := func(pitch float64) (hips space.Vec, trunk space.Mat) {
		s, c := math.Sincos(pitch)
		up := r3.Add(r3.Scale(s, ahead), space.Vec{Y: c})
		turn := space.RotZ(-pitch)
		return r3.Add(middle, r3.Scale(b.HipHeight-b.AnkleH, up)), st.Heading.Mul(&turn)
	}
	shoulder := space.Vec{Y: b.ShoulderHeight - b.HipHeight, Z: b.ShoulderHalf}
	hips, trunk := leaning(b.PitchOnToes(-g.End.Y))
	hand := r3.Add(r3.Add(hips, trunk.Apply(shoulder)), st.Heading.Apply(vec(g.End)))
	hand.Y = 0
	return func(s float64, q *body.Pose) float64 {
		pitch := b.PitchOnToes(-(g.Start.Y + s*(g.End.Y-g.Start.Y)))
		q[setup.AnkleFlexion] = pitch - math.Pi/2
		hips, trunk := leaning(pitch)
		back := trunk.Transpose()
		return p.reach(back.Apply(r3.Sub(hand, hips)), space.Rad(g.SwivelDeg), math.Pi/2, q)
	}
}
