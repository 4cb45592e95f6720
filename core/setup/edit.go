package setup

import (
	"fmt"
	"maps"
	"slices"
	"strconv"
	"strings"
)

// Clone is a deep copy of the document.
func (d *Document) Clone() Document {
	c := *d
	c.Target.Custom = slices.Clone(d.Target.Custom)
	c.Lifter.Lengths = maps.Clone(d.Lifter.Lengths)
	c.Lifter.Ranges = maps.Clone(d.Lifter.Ranges)
	for key, r := range c.Lifter.Ranges {
		r.Hurts = slices.Clone(r.Hurts)
		c.Lifter.Ranges[key] = r
	}
	c.Lifter.Strength, c.Lifter.Sets = slices.Clone(d.Lifter.Strength), slices.Clone(d.Lifter.Sets)
	c.Lifter.Cautions = slices.Clone(d.Lifter.Cautions)
	c.Seen, c.Locked = slices.Clone(d.Seen), slices.Clone(d.Locked)
	c.Cues = slices.Clone(d.Cues)
	c.Posture.Held, c.Posture.HandAt = slices.Clone(d.Posture.Held), copied(d.Posture.HandAt)
	c.Movement.Hold = maps.Clone(d.Movement.Hold)
	c.Movement.Keyframes = slices.Clone(d.Movement.Keyframes)
	for i, k := range c.Movement.Keyframes {
		c.Movement.Keyframes[i].Pose = maps.Clone(k.Pose)
	}
	c.Movement.AxisAlong, c.Movement.StartPlane = copied(d.Movement.AxisAlong), copied(d.Movement.StartPlane)
	if g := copied(d.Movement.Guide); g != nil {
		g.End, g.Centre, g.About = copied(g.End), copied(g.Centre), copied(g.About)
		c.Movement.Guide = g
	}
	c.Loads = slices.Clone(d.Loads)
	for i := range c.Loads {
		c.Loads[i].Pulley = copied(c.Loads[i].Pulley)
		if k := copied(c.Loads[i].Kit); k != nil {
			k.Spec, k.Masses, k.Lengths = copied(k.Spec), slices.Clone(k.Masses), slices.Clone(k.Lengths)
			c.Loads[i].Kit = k
		}
		c.Loads[i].Anchor = copied(c.Loads[i].Anchor)
		c.Loads[i].Pull = slices.Clone(c.Loads[i].Pull)
		c.Loads[i].Contact.Fraction = copied(c.Loads[i].Contact.Fraction)
		c.Loads[i].Cam = slices.Clone(c.Loads[i].Cam)
		c.Loads[i].AxisOffset, c.Loads[i].Pivot, c.Loads[i].PivotAlong = copied(c.Loads[i].AxisOffset), copied(c.Loads[i].Pivot), copied(c.Loads[i].PivotAlong)
	}
	c.Bench = copied(d.Bench)
	if b := c.Bench; b != nil && b.Kit != nil {
		b.Kit = copied(b.Kit)
		b.Kit.NotchesDeg = slices.Clone(b.Kit.NotchesDeg)
	}
	return c
}

func copied[T any](p *T) *T {
	if p == nil {
		return nil
	}
	v := *p
	return &v
}

// Kinds lists the kinds of load.
var Kinds = []string{"dumbbell", "bar", "cable", "strands", "band", "cam", "lever", "ownBody"}

// Simple lists the kinds of load that need nothing but themselves, so that they can be added to any arm or turned into
// one another.
var Simple = []string{"cable", "dumbbell", "band"}

// RubberAtDouble is the pull per section, N/m², of a band of natural rubber at twice its length by the law in core/load.
const RubberAtDouble = 2 * (2 - 0.25) * (0.086e6 + 0.136e6/2)

// WithLoadKind is the document with one load turned into another kind that pulls about as hard at the hand: a cable's
// mass on the pin times its ratio is the dumbbell's mass, and a band at twice its length pulls as hard as the dumbbell
// weighs. What the other kinds alone need, such as the pulley's place, stays in the document, so that turning back finds
// it again.
func (d *Document) WithLoadKind(index int, kind string) (Document, Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) {
		return c, Problems{{Path: "loads", What: fmt.Sprintf("There is no load %d.", index+1)}}
	}
	l := &c.Loads[index]
	if !slices.Contains(Simple, kind) {
		return c, Problems{{Path: fmt.Sprintf("loads[%d].kind", index), What: fmt.Sprintf("There is no kind of load %q.", clip(kind)), Hint: "Give one of: " + strings.Join(Simple, ", ") + "."}}
	}
	if kind != l.Kind {
		mass := massAtHand(l)
		l.Kind = kind
		complete(l, mass)
	}
	return c, nil
}

// WithLoadsTimes is the document with what may be changed of its variable loads multiplied: the mass in the hands, on the pin or of
// the plates, and how hard a band pulls.
func (d *Document) WithLoadsTimes(factor float64) Document {
	c := d.Clone()
	for i := range c.Loads {
		l := &c.Loads[i]
		if !l.Variable {
			continue
		}
		switch l.Kind {
		case "dumbbell", "bar":
			l.Mass *= factor
		case "cable", "strands", "cam":
			l.StackMass *= factor
		case "lever":
			l.PlateMass *= factor
		case "band":
			l.Section *= factor
			for k := range l.Pull {
				l.Pull[k].Force *= factor
			}
		}
	}
	return c
}

// WithLoad is the document with one more load of a kind on the lead arm, light and complete.
func (d *Document) WithLoad(kind string) (Document, Problems) {
	c := d.Clone()
	side := "right"
	if d.Movement.Side == "left" {
		side = "left"
	}
	l := Load{ID: freeID(d.Loads, kind), Kind: kind, Variable: true, Side: side, Contact: Contact{Segment: "hand", At: "grip"},
		Ratio: 1, Friction: DefaultFriction, ParkedGap: DefaultParkedGap, Hysteresis: DefaultHysteresis}
	if !slices.Contains(Simple, kind) {
		return c, Problems{{Path: "loads", What: fmt.Sprintf("There is no kind of load %q.", clip(kind)), Hint: "Give one of: " + strings.Join(Simple, ", ") + "."}}
	}
	complete(&l, 2)
	c.Loads = append(c.Loads, l)
	return c, nil
}

// WithoutLoad is the document without one of its loads; the last one stays.
func (d *Document) WithoutLoad(index int) (Document, Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) || len(c.Loads) == 1 {
		return c, Problems{{Path: "loads", What: "This load cannot be taken away.", Hint: "A setup keeps one load; turn it into another kind instead."}}
	}
	c.Loads = slices.Delete(c.Loads, index, index+1)
	c.Locked = slices.DeleteFunc(c.Locked, func(key string) bool { return placeIn(key) == index })
	c.ShiftLocks(index, -1)
	return c, nil
}

// ShiftLocks moves the locks of loads from a place on to where these loads have come to stand.
func (d *Document) ShiftLocks(from, by int) {
	for i, key := range d.Locked {
		if place := placeIn(key); place >= from {
			name, _, _ := strings.Cut(key, "/")
			d.Locked[i] = fmt.Sprintf("%s/%d", name, place+by)
		}
	}
}

// placeIn is the place of the load that a setting's key belongs to, -1 when it belongs to none.
func placeIn(key string) int {
	_, place, _ := strings.Cut(key, "/")
	if i, err := strconv.Atoi(place); err == nil {
		return i
	}
	return -1
}

func freeID(loads []Load, kind string) string {
	id := kind
	for n := 2; slices.ContainsFunc(loads, func(l Load) bool { return l.ID == id }); n++ {
		id = fmt.Sprintf("%s %d", kind, n)
	}
	return id
}

// massAtHand is the mass whose weight a load pulls with; a band counts at twice its length.
func massAtHand(l *Load) float64 {
	switch l.Kind {
	case "cable":
		return l.StackMass * l.Ratio
	case "band":
		return RubberAtDouble * l.Section * float64(max(1, l.Strands)) / 9.80665
	}
	return l.Mass
}

// complete gives a load what its kind needs and it does not have, pulling as hard as a mass weighs. A new cable or band
// starts crossed behind the back, at hand height (own).
func complete(l *Load, mass float64) {
	across := -0.55
	if l.Side == "left" {
		across = 0.55
	}
	if l.Ratio == 0 {
		l.Ratio = 1
	}
	switch l.Kind {
	case "dumbbell":
		l.Mass = mass
	case "cable":
		l.StackMass = mass / l.Ratio
		if l.Pulley == nil {
			l.Pulley = &Point{X: 0, Y: 0.76, Z: across}
		}
		if l.Travel == 0 {
			l.Travel = 2 * DefaultTravel // a free pulley of unknown kind: its stack is not known to end earlier
		}
	case "band":
		l.Strands = max(1, l.Strands)
		l.Section = mass * 9.80665 / RubberAtDouble / float64(l.Strands)
		if l.Anchor == nil {
			l.Anchor = &Point{X: 0, Y: 0.41, Z: across}
		}
		if l.RestLength == 0 {
			l.RestLength = 0.70
		}
	}
}
