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
	c.Posture.Restraints, c.Posture.SupportHand = slices.Clone(d.Posture.Restraints), copied(d.Posture.SupportHand)
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
		c.Loads[i].Anchor, c.Loads[i].Measured = copied(c.Loads[i].Anchor), copied(c.Loads[i].Measured)
		c.Loads[i].Pull = slices.Clone(c.Loads[i].Pull)
		c.Loads[i].Contact.Fraction = copied(c.Loads[i].Contact.Fraction)
		c.Loads[i].Cam = slices.Clone(c.Loads[i].Cam)
		c.Loads[i].AxisOffset, c.Loads[i].Pivot, c.Loads[i].PivotAlong = copied(c.Loads[i].AxisOffset), copied(c.Loads[i].Pivot),
			copied(c.Loads[i].PivotAlong)
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
