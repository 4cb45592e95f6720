package load

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

var cable = Kind{Name: setup.Cable, From: FromPulley, Line: "cable", End: "handle", With: "with a cable", Counted: "the pin",
	Needs: "cable",
	Holds: worn, Simple: true, Shares: true, Mass: onPin, Scale: scalePin, AtHand: pinAtHand, Complete: completeCable, Alone: halfCable,
	Check: checkStack, Fit: fitCable, source: newCable,
	Dials: []dial.Dial{pulleyHeightDial,
		{Name: dial.ColumnsApart, Applies: both(placed, apartFreely), Read: columnsApart, Write: setColumnsApart},
		pulleyOutDial, pulleyAsideDial, stackDial, strapDial, cuffDial}}

// completeCable starts a new cable crossed behind the back, at hand height (own).
func completeCable(l *setup.Load, mass, across float64) {
	l.StackMass = mass / l.Ratio
	if l.Pulley == nil {
		l.Pulley = &setup.Point{X: 0, Y: 0.76, Z: across}
	}
	if l.Travel == 0 {
		l.Travel = 2 * setup.DefaultTravel // a free pulley of unknown kind: its stack is not known to end earlier
	}
}

// halfCable is a handle on the cable instead of a bar for both hands.
func halfCable(l *setup.Load) {
	if l.Shared {
		l.StackMass, l.Shared = l.StackMass/2, false
	}
}

func fitCable(f *kit.Fitting, path string, l *setup.Load) {
	fitColumn(f, path, l)
	fitHold(f, path, l, &l.AttachmentLength)
}

func columnsApart(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Distance between columns", Kind: "length", From: 0.6, To: 3.0, Step: 0.05,
		Value: 2 * math.Abs(d.Loads[i].Pulley.Z), Paths: []string{dial.LoadPath(i, "pulley.z")}}
}

func setColumnsApart(d *setup.Document, i int, v float64) {
	setApart(&d.Loads[i].Pulley.Z, d.Loads[i].Side, v)
}

// strand runs from a pulley at P to a contact at C, or to the middle of a bar that both hands hold and of whose pull each
// gets half. It pulls along (P - C)/|P - C|.
type strand struct {
	stack
	pulley space.Vec
	share  float64 // of the tension at this contact
	at     contact
}

func newCable(b *builder) (Source, *space.Vec) {
	c := &strand{stack: newStack(b.Load), pulley: b.point(b.Pulley), share: 1, at: b.at}
	if b.Shared {
		c.share = 0.5
	}
	return c, &c.pulley
}

func (c *strand) At(f *body.Frames) Pull {
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
func (c *strand) Moving(f *body.Frames, v, a space.Vec) Pull {
	p := c.At(f)
	if p.State == Slack {
		return p
	}
	line := r3.Sub(c.pulley, c.at.line(f))
	length := max(space.Norm(line), 1e-9)
	u := r3.Scale(1/length, line)
	if c.at.shared && !c.at.joined {
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

func (c *strand) Energy(f *body.Frames) float64 {
	return c.share * c.energy(space.Norm(r3.Sub(c.pulley, c.at.line(f))))
}

// Shape is the middle of a bar on the cable and its ends; nothing for a handle.
func (c *strand) Shape(f *body.Frames) []space.Vec {
	if !c.at.shared {
		return nil
	}
	return append([]space.Vec{c.at.line(f)}, barEnds(f)...)
}
