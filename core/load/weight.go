package load

import (
	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// weight is a free weight held in one hand or strapped to one segment: its force is m g, straight down, wherever it is. Of
// a bar that both hands hold each carries half.
type weight struct {
	mass float64 // kg
	at   contact
}

func newWeight(b *builder) (Source, *space.Vec) {
	w := &weight{mass: b.Mass, at: b.at}
	if b.Kind == setup.Bar && b.Contact.Segment == "hand" {
		w.mass /= 2
	}
	return w, nil
}

func (w *weight) At(f *body.Frames) Pull {
	n := w.mass * Gravity
	down := space.Vec{Y: -n}
	return Pull{Force: down, Lowering: down, Contact: w.at.in(f), Tension: n}
}

// Moving adds the inertia: -m (g + a).
func (w *weight) Moving(f *body.Frames, _, a space.Vec) Pull {
	p := w.At(f)
	p.Force = r3.Sub(p.Force, r3.Scale(w.mass, a))
	p.Tension = space.Norm(p.Force)
	return p
}

func (w *weight) Energy(f *body.Frames) float64 { return w.mass * Gravity * w.at.in(f).Y }
