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
	if k := copied(d.Scoring); k != nil {
		for _, points := range k.points() {
			*points = copied(*points)
		}
		c.Scoring = k
	}
	c.Bench = copied(d.Bench)
	if b := c.Bench; b != nil && b.Kit != nil {
		b.Kit = copied(b.Kit)
		b.Kit.NotchesDeg = slices.Clone(b.Kit.NotchesDeg)
	}
	return c
}

// points are what a scoring says of each part.
func (s *Scoring) points() []**float64 {
	return []**float64{&s.Fit, &s.Target, &s.Length, &s.OutOfPlane, &s.Start, &s.Clearance, &s.JointLoad, &s.TargetLoss, &s.RangeKept}
}

func copied[T any](p *T) *T {
	if p == nil {
		return nil
	}
	v := *p
	return &v
}

// WithLoadKind is the document with one load turned into another kind that pulls about as hard at the hand: a cable's
// mass on the pin times its ratio is the dumbbell's mass, and a band at twice its length pulls as hard as the dumbbell
// weighs. What the other kinds alone need, such as the pulley's place, stays in the document, so that turning back finds
// it again.
func (d *Document) WithLoadKind(index int, kind LoadKind) (Document, Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) {
		return c, Problems{{Path: "loads", What: fmt.Sprintf("There is no load %d.", index+1)}}
	}
	l := &c.Loads[index]
	if k := KindOf(kind); k == nil || !k.Simple {
		return c, Problems{unknownKind(fmt.Sprintf("loads[%d].kind", index), kind)}
	}
	if kind != l.Kind {
		mass := l.Is().AtHand(l)
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
		l.Is().Scale(l, factor)
	}
	return c
}

// WithLoad is the document with one more load of a kind on the lead arm, light and complete.
func (d *Document) WithLoad(kind LoadKind) (Document, Problems) {
	c := d.Clone()
	side := "right"
	if d.Movement.Side == "left" {
		side = "left"
	}
	l := Load{ID: freeID(d.Loads, string(kind)), Kind: kind, Variable: true, Side: side, Contact: Contact{Segment: "hand", At: "grip"},
		Ratio: 1, Friction: DefaultFriction, ParkedGap: DefaultParkedGap, Hysteresis: DefaultHysteresis}
	if k := KindOf(kind); k == nil || !k.Simple {
		return c, Problems{unknownKind("loads", kind)}
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

// complete gives a load of a simple kind what it needs and does not have, pulling as hard as a mass weighs. A line starts behind the other
// hand.
func complete(l *Load, mass float64) {
	across := -0.55
	if l.Side == "left" {
		across = 0.55
	}
	if l.Ratio == 0 {
		l.Ratio = 1
	}
	l.Is().Complete(l, mass, across)
}
