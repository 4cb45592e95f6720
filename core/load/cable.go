package load

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// cable runs from a pulley at P to a contact at C and is pulled by a stack of mass m through a ratio k.
//
// The tension is T = k m g while the stack hangs in it, along (P - C)/|P - C|. Friction f makes it k m g (1 + f) where
// the cable is being drawn out and k m g (1 - f) where it runs back. The stack has been lifted by
// k (|P - C| - attachment length - parked gap): below zero it rests and the cable is slack, above its travel it has
// topped out and the path cannot go on.
type cable struct {
	pulley          space.Vec
	weight          float64 // m g, N
	ratio, friction float64
	parked          float64 // attachment length + parked gap, m
	travel          float64 // of the stack, m
	at              contact
}

func newCable(l *setup.Load, at contact, place func(space.Vec) space.Vec) (Source, *space.Vec) {
	p := place(space.Vec{X: l.Pulley.X, Y: l.Pulley.Y, Z: l.Pulley.Z})
	return &cable{pulley: p, weight: l.StackMass * Gravity, ratio: l.Ratio, friction: l.Friction,
		parked: l.AttachmentLength + l.ParkedGap, travel: l.Travel, at: at}, &p
}

func (c *cable) At(f *body.Frames) Pull {
	contact := c.at.in(f)
	line := r3.Sub(c.pulley, contact)
	length := space.Norm(line)
	pull := Pull{Contact: contact, Lift: c.ratio * (length - c.parked)}
	switch {
	case pull.Lift < 0:
		pull.State = Slack
		return pull
	case pull.Lift > c.travel:
		pull.State = ToppedOut
	}
	u := r3.Scale(1/length, line)
	loss := 0.0
	if c.friction > 0 {
		// dL/ds is the speed at which the contact leaves the pulley; its sign says which way the pulleys turn.
		if drawn := -r3.Dot(u, f.Velocity(c.at.segment, contact)); math.Abs(drawn) > 1e-12 {
			loss = math.Copysign(c.friction, drawn)
		}
	}
	full := c.ratio * c.weight
	pull.Tension = full * (1 + loss)
	pull.Force, pull.Lowering = r3.Scale(pull.Tension, u), r3.Scale(full*(1-loss), u)
	return pull
}

// Moving adds the inertia of the stack, which moves with k times the cable: T = k m (g + k L”), never below zero. Of the
// cable's length L, L' = -u · v and L” = (v² - L'²)/L - u · a.
func (c *cable) Moving(f *body.Frames, v, a space.Vec) Pull {
	p := c.At(f)
	if p.State == Slack {
		return p
	}
	line := r3.Sub(c.pulley, p.Contact)
	length := space.Norm(line)
	u := r3.Scale(1/length, line)
	out := -r3.Dot(u, v)
	rise := c.ratio * ((r3.Norm2(v)-out*out)/length - r3.Dot(u, a)) // the stack's acceleration, m/s²
	loss := 0.0
	if math.Abs(out) > 1e-12 {
		loss = math.Copysign(c.friction, out)
	}
	p.Tension = c.ratio * c.weight * (1 + rise/Gravity) * (1 + loss)
	if p.Tension <= 0 {
		p.Tension, p.State = 0, Slack
	}
	p.Force = r3.Scale(p.Tension, u)
	return p
}

func (c *cable) Energy(f *body.Frames) float64 {
	return c.ratio * c.weight * max(0, space.Norm(r3.Sub(c.pulley, c.at.in(f)))-c.parked)
}
