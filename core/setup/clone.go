package setup

import (
	"maps"
	"slices"
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
	c.Acknowledged, c.Locked = slices.Clone(d.Acknowledged), slices.Clone(d.Locked)
	c.Cues = slices.Clone(d.Cues)
	c.Posture.Restraints, c.Posture.SupportHand = slices.Clone(d.Posture.Restraints), Copied(d.Posture.SupportHand)
	c.Movement.Hold = maps.Clone(d.Movement.Hold)
	c.Movement.Keyframes = slices.Clone(d.Movement.Keyframes)
	for i, k := range c.Movement.Keyframes {
		c.Movement.Keyframes[i].Pose = maps.Clone(k.Pose)
	}
	if o := Copied(d.Movement.Other); o != nil {
		o.Start, o.End = maps.Clone(o.Start), maps.Clone(o.End)
		c.Movement.Other = o
	}
	c.Movement.AxisAlong, c.Movement.StartPlane = Copied(d.Movement.AxisAlong), Copied(d.Movement.StartPlane)
	if g := Copied(d.Movement.Guide); g != nil {
		g.End, g.Centre, g.About = Copied(g.End), Copied(g.Centre), Copied(g.About)
		c.Movement.Guide = g
	}
	c.Loads = slices.Clone(d.Loads)
	for i := range c.Loads {
		c.Loads[i].Pulley = Copied(c.Loads[i].Pulley)
		if k := Copied(c.Loads[i].Kit); k != nil {
			k.Spec, k.Masses, k.Lengths = Copied(k.Spec), slices.Clone(k.Masses), slices.Clone(k.Lengths)
			c.Loads[i].Kit = k
		}
		c.Loads[i].Anchor, c.Loads[i].Measured = Copied(c.Loads[i].Anchor), Copied(c.Loads[i].Measured)
		c.Loads[i].Pull = slices.Clone(c.Loads[i].Pull)
		c.Loads[i].Contact.Fraction = Copied(c.Loads[i].Contact.Fraction)
		c.Loads[i].Cam = slices.Clone(c.Loads[i].Cam)
		c.Loads[i].AxisOffset, c.Loads[i].Pivot, c.Loads[i].PivotAlong = Copied(c.Loads[i].AxisOffset), Copied(c.Loads[i].Pivot),
			Copied(c.Loads[i].PivotAlong)
	}
	if k := Copied(d.Scoring); k != nil {
		for _, points := range k.points() {
			*points = Copied(*points)
		}
		c.Scoring = k
	}
	c.Bench = Copied(d.Bench)
	if b := c.Bench; b != nil && b.Kit != nil {
		b.Kit = Copied(b.Kit)
		b.Kit.NotchesDeg = slices.Clone(b.Kit.NotchesDeg)
	}
	return c
}

// points are what a scoring says of each part.
func (s *Scoring) points() []**float64 {
	return []**float64{&s.Fit, &s.Target, &s.Length, &s.OutOfPlane, &s.Start, &s.Clearance, &s.JointLoad, &s.TargetLoss, &s.RangeKept}
}

// Copied is a pointer to a copy of what another points to; nil stays nil.
func Copied[T any](p *T) *T {
	if p == nil {
		return nil
	}
	v := *p
	return &v
}
