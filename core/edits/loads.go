package edits

import (
	"fmt"
	"slices"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// Hold is a place on the body that a load can be held or fixed at.
type Hold struct {
	Key     string        `json:"key"`
	Label   string        `json:"label"`
	Contact setup.Contact `json:"contact"`
}

// Holds lists the places for what is held by one limb or the trunk, from the hand inward.
var Holds = []Hold{
	{"hand", "In the hand", setup.Contact{Segment: "hand", At: "grip"}},
	{"wrist", "Cuff at the wrist", setup.Contact{Segment: "forearm", At: "wrist"}},
	{"elbow", "Cuff above the elbow", setup.Contact{Segment: "upperArm", Fraction: new(0.9)}},
	{"arm", "Cuff at the upper arm", setup.Contact{Segment: "upperArm", Fraction: new(0.5)}},
	{"ankle", "Cuff at the ankle", setup.Contact{Segment: "shank", At: "ankle"}},
	{"foot", "On the foot", setup.Contact{Segment: "foot", At: "ball"}},
	{"thigh", "Cuff at the thigh", setup.Contact{Segment: "thigh", Fraction: new(0.85)}},
	{"waist", "Belt at the waist", setup.Contact{Segment: "trunk", At: "waist"}},
	{"chest", "Harness at the chest", setup.Contact{Segment: "trunk", At: "chest"}},
	{"pelvis", "Over the hips", setup.Contact{Segment: "trunk", At: "pelvis"}},
	{"thighs", "Over the thighs", setup.Contact{Segment: "thigh", Fraction: new(0.9)}},
	{"shoulders", "On the shoulders", setup.Contact{Segment: "trunk", At: "shoulders"}},
	{"front", "On the front of the shoulders", setup.Contact{Segment: "trunk", At: "frontRack"}},
}

// HoldsOf are the places for a load's kind: a bar lies in the hands, on the shoulders, behind or in front, over the hips or the thighs, and
// what a machine pushes is the machine's.
func HoldsOf(l *setup.Load) []Hold {
	keys := load.Of(l).Holds
	return slices.DeleteFunc(slices.Clone(Holds), func(h Hold) bool { return !slices.Contains(keys, h.Key) })
}

// HoldOf is the key of the place that a load is held at; empty for one that is not in the list.
func HoldOf(l *setup.Load) string {
	for _, h := range Holds {
		if h.Contact.Segment == l.Contact.Segment && h.Contact.At == l.Contact.At && (l.Contact.Fraction == nil || h.Contact.Fraction == nil ||
			*h.Contact.Fraction == *l.Contact.Fraction) {
			return h.Key
		}
	}
	return ""
}

// WithHold is the document with a load held elsewhere.
func WithHold(d *setup.Document, index int, key string) (setup.Document, setup.Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) {
		return c, noLoad(index)
	}
	for _, h := range HoldsOf(&c.Loads[index]) {
		if h.Key == key {
			c.Loads[index].Contact = h.Contact
			if h.Contact.Fraction != nil {
				c.Loads[index].Contact.Fraction = new(*h.Contact.Fraction)
			}
			if h.Key != "hand" {
				c.Loads[index].Shared = false
			}
			return c, nil
		}
	}
	return c, setup.Problems{{Path: fmt.Sprintf("loads[%d].contact", index), What: "This load cannot be held there.",
		Hint: "Choose a place of the list."}}
}

func noLoad(index int) setup.Problems {
	return setup.Problems{{Path: "loads", What: fmt.Sprintf("There is no load %d.", index+1), Hint: "Count from the first."}}
}

// WithCopy is the document with one load once more, right after it.
func WithCopy(d *setup.Document, index int) (setup.Document, setup.Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) {
		return c, noLoad(index)
	}
	twin := d.Clone().Loads[index]
	for n := 2; slices.ContainsFunc(c.Loads, func(l setup.Load) bool { return l.ID == twin.ID }); n++ {
		twin.ID = fmt.Sprintf("%s %d", d.Loads[index].ID, n)
	}
	c.Loads = slices.Insert(c.Loads, index+1, twin)
	shiftLocks(&c, index+1, 1)
	return c, nil
}

// WithMirrored is the document with a strand that starts on the other side: crossed where it was not.
func WithMirrored(d *setup.Document, index int) (setup.Document, setup.Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) {
		return c, noLoad(index)
	}
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	flip(&c.Loads[index], &st)
	return c, nil
}

// flip mirrors where a load comes from in the lifter's middle plane.
func flip(l *setup.Load, st *body.Station) {
	for _, p := range []*setup.Point{l.Pulley, l.Anchor, l.Pivot} {
		if p != nil {
			v := st.Mirror(space.Vec{X: p.X, Y: p.Y, Z: p.Z})
			p.X, p.Y, p.Z = milli(v.X), milli(v.Y), milli(v.Z)
		}
	}
	if p := l.PivotAlong; p != nil {
		v := st.MirrorTurn(space.Vec{X: p.X, Y: p.Y, Z: p.Z})
		p.X, p.Y, p.Z = v.X, v.Y, v.Z
	}
	if l.Kit != nil && l.Kit.Column != "" {
		l.Kit.Column = otherSide(l.Kit.Column)
	}
}

// WithSide is the document with another side moving: both, or one with the loads on that one.
func WithSide(d *setup.Document, side string) (setup.Document, setup.Problems) {
	c := d.Clone()
	if side != "right" && side != "left" && side != "both" {
		return c, setup.Problems{{Path: "movement.side", What: "There is no such side.", Hint: "Give right, left or both."}}
	}
	before := movingSide(d)
	if side == "both" && oneLegLeads(d) {
		return c, setup.Problems{{Path: "movement.side", What: "One leg does the work here.", Why: "The other is free, or behind it.",
			Hint: "Choose a movement of both legs first."}}
	}
	c.Movement.Side = side
	if side == "both" {
		c.Posture.SupportHand, c.Movement.Other = nil, nil
	} else {
		c.Movement.BarWidth = 0
		for i := range c.Loads {
			alone(&c.Loads[i], before)
		}
	}
	if movingSide(&c) == before {
		return c, nil
	}
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	mirrored(&c, &st)
	return c, nil
}

// mirrored takes everything that lies on the one side of a lifter who is placed so to the other.
func mirrored(c *setup.Document, st *body.Station) {
	for i := range c.Loads {
		l := &c.Loads[i]
		if l.Contact.Segment == "trunk" || load.ForBothHands(l) {
			continue
		}
		l.Side = otherSide(l.Side)
		flip(l, st)
	}
	if g := c.Movement.Guide; g != nil && !g.Relative {
		flipGuide(g, st)
	}
	if h := c.Posture.SupportHand; h != nil {
		v := st.Mirror(space.Vec{X: h.X, Y: h.Y, Z: h.Z})
		*h = setup.Point{X: milli(v.X), Y: milli(v.Y), Z: milli(v.Z)}
	}
	if c.Posture.Stands != "" {
		c.Posture.Stands = otherSide(c.Posture.Stands)
	}
	if c.Posture.Ahead != "" && c.LegsCarry() {
		c.Posture.Ahead = otherSide(c.Posture.Ahead)
	}
	if c.Posture.Down != "" {
		c.Posture.Down = otherSide(c.Posture.Down)
	}
}

// oneLegLeads says whether one leg leads, since the other is free, or behind.
func oneLegLeads(d *setup.Document) bool {
	p := &d.Posture
	return d.LegsCarry() && (p.Stands != "" || p.Feet == "split" || p.Feet == "staggered")
}

// sidesOf are the sides that can work.
func sidesOf(d *setup.Document) []Named {
	if oneLegLeads(d) {
		return []Named{{"right", "Right"}, {"left", "Left"}}
	}
	return []Named{{"right", "Right"}, {"both", "Both"}, {"left", "Left"}}
}

// alone makes a load that both hands hold one for a single hand, which holds its half.
func alone(l *setup.Load, side string) {
	if k := load.Of(l); k.Alone != nil && l.Contact.Segment == "hand" && load.ForBothHands(l) {
		k.Alone(l)
		l.Side = side
	}
}

func flipGuide(g *setup.Guide, st *body.Station) {
	for _, p := range []*setup.Point{&g.Start, g.End, g.Centre} {
		if p != nil {
			v := st.Mirror(space.Vec{X: p.X, Y: p.Y, Z: p.Z})
			p.X, p.Y, p.Z = milli(v.X), milli(v.Y), milli(v.Z)
		}
	}
	if p := g.About; p != nil {
		v := st.MirrorTurn(space.Vec{X: p.X, Y: p.Y, Z: p.Z})
		p.X, p.Y, p.Z = v.X, v.Y, v.Z
	}
}
