package load

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// stack is what hangs on a cable: a mass m lifted through a ratio k.
//
// The tension is T = k m g while the stack hangs in it. Friction f makes it k m g (1 + f) where the cable is being drawn
// out and k m g (1 - f) where it runs back. The stack has been lifted by k (drawn-out length - parked length): below zero
// it rests and the cable is slack, above its travel it has topped out and the path cannot go on.
type stack struct {
	weight          float64 // m g, N
	ratio, friction float64
	parked          float64 // drawn-out length at rest, m
	travel          float64 // of the stack, m
}

func newStack(l *setup.Load) stack {
	return stack{weight: l.StackMass * Gravity, ratio: l.Ratio, friction: l.Friction, parked: l.AttachmentLength + l.ParkedGap, travel: l.Travel}
}

func (s *stack) lift(length float64) (float64, State) {
	lift := s.ratio * (length - s.parked)
	switch {
	case lift < 0:
		return lift, Slack
	case lift > s.travel:
		return lift, ToppedOut
	}
	return lift, Working
}

// still is the tension while lifting and while lowering, by the sign of the length's rate while lifting.
func (s *stack) still(drawn float64) (up, down float64) {
	full := s.ratio * s.weight
	if s.friction == 0 || math.Abs(drawn) < 1e-12 {
		return full, full
	}
	loss := math.Copysign(s.friction, drawn)
	return full * (1 + loss), full * (1 - loss)
}

// moving is the tension of a stack that moves with k times the cable, T = k m (g + k L”), never below zero.
func (s *stack) moving(rate, acceleration float64) (float64, State) {
	loss := 0.0
	if math.Abs(rate) > 1e-12 {
		loss = math.Copysign(s.friction, rate)
	}
	if t := s.ratio * s.weight * (1 + s.ratio*acceleration/Gravity) * (1 + loss); t > 0 {
		return t, Working
	}
	return 0, Slack
}

func (s *stack) energy(length float64) float64 {
	return s.ratio * s.weight * max(0, length-s.parked)
}

// cable runs from a pulley at P to a contact at C, or to the middle of a bar that both hands hold and of whose pull each
// gets half. It pulls along (P - C)/|P - C|.
type cable struct {
	stack
	pulley space.Vec
	share  float64 // of the tension at this contact
	at     contact
}

func newCable(b *builder) (Source, *space.Vec) {
	c := &cable{stack: newStack(b.Load), pulley: b.point(b.Pulley), share: 1, at: b.at}
	if b.Shared {
		c.share = 0.5
	}
	return c, &c.pulley
}

func (c *cable) At(f *body.Frames) Pull {
	line := r3.Sub(c.pulley, c.at.line(f))
	length := space.Norm(line)
	pull := Pull{Contact: c.at.in(f)}
	if pull.Lift, pull.State = c.lift(length); pull.State == Slack {
		return pull
	}
	u, drawn := r3.Scale(1/max(length, 1e-9), line), 0.0
	if c.friction > 0 {
		// dL/ds is the speed at which the contact leaves the pulley; its sign says which way the pulleys turn.
		drawn = -r3.Dot(u, c.at.rate(f))
	}
	up, down := c.still(drawn)
	pull.Tension = c.share * up
	pull.Force, pull.Lowering = r3.Scale(pull.Tension, u), r3.Scale(c.share*down, u)
	return pull
}

// Moving adds the inertia of the stack. Of the cable's length L, L' = -u · v and L” = (v² - L'²)/L - u · a. On a shared bar
// both hands move alike along the cable and mirrored across it.
func (c *cable) Moving(f *body.Frames, v, a space.Vec) Pull {
	p := c.At(f)
	if p.State == Slack {
		return p
	}
	line := r3.Sub(c.pulley, c.at.line(f))
	length := max(space.Norm(line), 1e-9)
	u := r3.Scale(1/length, line)
	if c.at.shared {
		across := f.Station.Heading.Apply(space.Z)
		v, a = space.Reject(v, across), space.Reject(a, across)
	}
	out := -r3.Dot(u, v)
	tension, state := c.moving(out, (r3.Norm2(v)-out*out)/length-r3.Dot(u, a))
	p.Tension = c.share * tension
	if state == Slack {
		p.State = Slack
	}
	p.Force = r3.Scale(p.Tension, u)
	return p
}

func (c *cable) Energy(f *body.Frames) float64 {
	return c.share * c.energy(space.Norm(r3.Sub(c.pulley, c.at.line(f))))
}
