package load

import (
	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// weight is a free weight held in one hand or strapped to one segment: its force is m g, straight down, wherever it is.
type weight struct {
	mass float64 // kg
	at   contact
}

func newWeight(l *setup.Load, at contact, _ func(space.Vec) space.Vec) (Source, *space.Vec) {
	return &weight{mass: l.Mass, at: at}, nil
}

func (w *weight) At(f *body.Frames) Pull {
	n := w.mass * Gravity
	down := space.Vec{Y: -n}
	return Pull{Force: down, Lowering: down, Contact: w.at.in(f), Tension: n}
}

func (w *weight) Energy(f *body.Frames) float64 { return w.mass * Gravity * w.at.in(f).Y }
