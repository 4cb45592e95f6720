package load

import (
	"math"

	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
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
	return stack{weight: l.StackMass * Gravity, ratio: l.Ratio, friction: l.Friction, parked: l.AttachmentLength + l.ParkedGap,
		travel: l.Travel}
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

func onPin(l *setup.Load) *float64           { return &l.StackMass }
func scalePin(l *setup.Load, factor float64) { l.StackMass *= factor }
func pinAtHand(l *setup.Load) float64        { return l.StackMass * l.Ratio }

// checkStack checks a stack that is pulled over a pulley.
func checkStack(v *setup.Checks, path string, l *setup.Load) {
	v.Place(path+".pulley", "pulley", l.Pulley)
	v.Field(loadRows, path+".stackMass", "mass on the pin", l.StackMass, "kg", "A stack of nothing asks nothing of the muscle.")
	v.Field(loadRows, path+".ratio", "pulley ratio", l.Ratio, "", "It is the force at the handle over the weight of the stack.")
	v.Field(loadRows, path+".friction", "friction", l.Friction, "", "It is the share of the force that the pulleys keep.")
	v.Field(loadRows, path+".attachmentLength", "length of the attachment", l.AttachmentLength, "m", "")
	v.Field(loadRows, path+".parkedGap", "parked gap", l.ParkedGap, "m", "")
	v.Field(loadRows, path+".travel", "travel of the stack", l.Travel, "m", "")
	if l.Kit != nil {
		if l.Kit.Station != "" {
			v.OneOf(path+".kit.column", "column", l.Kit.Column, "left", "right")
		}
		if l.Kit.Spec != nil {
			v.Column(path+".kit.spec", l.Kit.Spec)
		}
	}
}

// The dials of what hangs on a pulley.
var (
	pulleyHeightDial = dial.Dial{Name: dial.PulleyHeight, Applies: placed, Read: pulleyHeight, Write: setPulleyHeight}
	pulleyOutDial    = dial.Dial{Name: dial.PulleyOut, Applies: both(placed, atWall), Read: pulleyOut,
		Write: func(d *setup.Document, i int, v float64) { d.Loads[i].Pulley.X = v }}
	pulleyAsideDial = dial.Dial{Name: dial.PulleyAside, Applies: both(placed, single), Read: pulleyAside,
		Write: func(d *setup.Document, i int, v float64) { d.Loads[i].Pulley.Z = v }}
	stackDial = dial.Dial{Name: dial.LoadStack, Applies: placed, Read: stackMass,
		Write: func(d *setup.Document, i int, v float64) { d.Loads[i].StackMass = v }}
)

func pulleyHeight(d *setup.Document, i int) dial.Setting {
	l := &d.Loads[i]
	s := dial.Setting{Group: "loads", Label: "Pulley", Paths: []string{dial.LoadPath(i, "pulley.y"), dial.LoadPath(i, "pulley"),
		dial.LoadPath(i, "travel"), dial.LoadPath(i, "parkedGap")}}
	if st, ok := kit.ColumnOf(l.Kit); ok {
		height := l.Pulley.Y
		s.Kind, s.From, s.To, s.Step, s.At = "hole", 1, float64(st.Holes), 1, &height
		s.Value = 1 + (height-st.LowestHole)/st.Spacing
		if near := math.Round(s.Value); math.Abs(near-s.Value) < 1e-6 {
			s.Value = near
		}
		return s
	}
	s.Kind, s.From, s.To, s.Step, s.Value = "length", 0.05, 2.30, 0.05, l.Pulley.Y
	return s
}

func setPulleyHeight(d *setup.Document, i int, v float64) {
	l := &d.Loads[i]
	st, ok := kit.ColumnOf(l.Kit)
	if !ok {
		l.Pulley.Y = v
		return
	}
	l.Pulley.Y = math.Round(1e6*(st.LowestHole+(v-1)*st.Spacing)) / 1e6
	l.Kit.Hole = int(math.Round(v))
}

func pulleyOut(d *setup.Document, i int) dial.Setting {
	return place("Pulley out", d.Loads[i].Pulley.X, dial.LoadPath(i, "pulley.x"))
}

func pulleyAside(d *setup.Document, i int) dial.Setting {
	return place("Pulley to the right", d.Loads[i].Pulley.Z, dial.LoadPath(i, "pulley.z"))
}

func stackMass(d *setup.Document, i int) dial.Setting {
	l := &d.Loads[i]
	s := dial.Setting{Group: "loads", Label: "Load on the pin", Kind: "mass", From: 2.5, Step: 1.25, Value: l.StackMass,
		Paint: "effort", Paths: []string{dial.LoadPath(i, "stackMass")}}
	s.To = heaviest(d, s.Step, l.Ratio, l.StackMass)
	if c, ok := kit.ColumnOf(l.Kit); ok {
		s.From, s.Step = c.Lightest, c.Step
		s.Stops = upTo(kit.PinsOf(&c), heaviest(d, s.Step, l.Ratio, l.StackMass))
	} else if l.Kit != nil {
		s.Stops = upTo(l.Kit.Masses, s.To)
	}
	return s
}

// fitColumn takes a station: the same one, or that whose holes, columns and pins come nearest (weights own: 10 cm of height count as
// 30 cm between the columns, or as a stack that is too heavy or too light).
func fitColumn(f *kit.Fitting, path string, l *setup.Load) {
	pair, before := paired(f, l), 2*math.Abs(l.Pulley.Z)
	pull := l.StackMass * l.Ratio
	i := kit.Alike(f.Room.Stations, kit.Remembered(l).Station, func(s *kit.Station) string { return s.Key }, func(s *kit.Station) float64 {
		if pair && s.Columns < 2 {
			return math.Inf(1)
		}
		cost := math.Abs(s.Column.HoleHeight(nearestHole(&s.Column, l.Pulley.Y)) - l.Pulley.Y)
		if pair {
			cost += math.Abs(s.Apart-before) / 3
		}
		if need := pull / s.Ratio; need < s.Column.Lightest-s.Column.Step/2 || need > s.Column.Heaviest+s.Column.Step/2 {
			cost += 0.1
		}
		return cost
	})
	if i < 0 {
		if pair {
			f.Lacks(path+".kit", "This takes two cable columns, and this gym has no station with two.", nil)
		} else {
			f.Lacks(path+".kit", "This gym has no cable station.", nil)
		}
		return
	}
	onColumn(f, path, l, &f.Room.Stations[i], pair, pull)
}

func nearestHole(c *setup.Column, height float64) int {
	return max(1, min(c.Holes, 1+int(math.Round((height-c.LowestHole)/c.Spacing))))
}

// onColumn sets a pulley into the nearest hole of a station's column and the pin to the same pull at the hand.
func onColumn(f *kit.Fitting, path string, l *setup.Load, s *kit.Station, pair bool, pull float64) {
	hole := nearestHole(&s.Column, l.Pulley.Y)
	if y := micro(s.Column.HoleHeight(hole)); kit.Differ(y, l.Pulley.Y) {
		f.Change(path+".pulley.y", s.Name+": hole {hole} of {holes}, {to} up instead of {from}.",
			kit.Values{"hole": kit.Count(hole), "holes": kit.Count(s.Column.Holes), "from": kit.Length(l.Pulley.Y), "to": kit.Length(y)})
		l.Pulley.Y = y
	}
	was := kit.Remembered(l)
	column := was.Column
	if pair { // one alone may be anywhere: the lifter stands by it
		z := s.Apart / 2
		if l.Pulley.Z < 0 || (l.Pulley.Z == 0 && l.Side == "right") {
			z = -z
		}
		if kit.Differ(z, l.Pulley.Z) {
			f.Change(path+".pulley.z", "The columns are {to} apart instead of {from}.", kit.Values{"from": kit.Length(2 * math.Abs(l.Pulley.Z)),
				"to": kit.Length(s.Apart)})
		}
		l.Pulley.Z = z
	}
	if column == "" {
		column = "right"
		if l.Pulley.Z < 0 {
			column = "left"
		}
	}
	pin, _ := kit.Nearest(kit.PinsOf(&s.Column), pull/s.Ratio)
	if kit.Differ(pin*s.Ratio, pull) || kit.Differ(pin, l.StackMass) {
		text := "Pin {to} instead of {from}."
		if kit.Differ(l.Ratio, s.Ratio) {
			text = "Pin {to} instead of {from}: at the hand {hand} instead of {before}."
		}
		f.Change(path+".stackMass", text, kit.Values{"from": kit.Mass(l.StackMass), "to": kit.Mass(pin), "hand": kit.Mass(pin * s.Ratio),
			"before": kit.Mass(pull)})
	}
	l.StackMass, l.Ratio, l.Friction, l.ParkedGap, l.Travel = pin, s.Ratio, s.Friction, s.ParkedGap, s.Travel
	l.Measured = setup.Copied(s.Measured)
	l.Kit = &setup.Kit{Station: s.Key, Column: column, Hole: hole, Spec: new(s.Column), Attachment: was.Attachment, Lengths: was.Lengths}
}

// paired says whether a cable has a mirrored twin, so that it takes two columns.
func paired(f *kit.Fitting, l *setup.Load) bool {
	return l.Kind == setup.Cable && !l.Shared && f.Document.Movement.Side == "both" && l.Contact.Segment != "trunk"
}
