package evaluate

import (
	"math"

	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/report"
	"dialarc/core/setup"
)

var armPlaces = []report.AttachmentSite{
	{Label: "in the hand", Contact: setup.Contact{Segment: "hand", At: "grip"}},
	{Label: "cuff at the wrist", Contact: setup.Contact{Segment: "forearm", At: "wrist"}},
	{Label: "middle of the forearm", Contact: setup.Contact{Segment: "forearm", Fraction: new(0.5)}},
	{Label: "just above the elbow", Contact: setup.Contact{Segment: "upperArm", Fraction: new(0.9)}},
	{Label: "middle of the upper arm", Contact: setup.Contact{Segment: "upperArm", Fraction: new(0.5)}},
}

// CompareSites moves the first cable or band on an arm from place to place at equal torque: nearer the joint it takes more
// load, and what the joint then bears is what opinions differ on. A document without one is a problem.
func CompareSites(d *setup.Document) (*report.AttachmentSites, setup.Problems) {
	index := -1
	for i := range d.Loads {
		l := &d.Loads[i]
		arm := l.Contact.Segment == "hand" || l.Contact.Segment == "forearm" || l.Contact.Segment == "upperArm"
		if index < 0 && arm && load.Of(l).Line != "" && !load.ForBothHands(l) {
			index = i
		}
	}
	now, problems := Document(d)
	switch {
	case len(problems) > 0:
		return nil, problems
	case index < 0:
		return nil, setup.Problems{{Path: "loads", What: "No cable or band is held by one arm alone.",
			Why: "Only such a one can be fixed elsewhere.", Hint: "Add a cable or a band."}}
	}
	out := &report.AttachmentSites{Index: index, Sites: make([]report.AttachmentSite, 0, len(armPlaces))}
	for _, p := range armPlaces {
		if now.Joint == "elbow" && p.Contact.Segment == "upperArm" {
			continue
		}
		out.Sites = append(out.Sites, place(d, index, p))
	}
	return out, nil
}

// place fills one place in.
func place(d *setup.Document, index int, p report.AttachmentSite) report.AttachmentSite {
	p.Here = sameContact(&p.Contact, &d.Loads[index].Contact)
	moved := d.Clone()
	for i := range moved.Loads {
		moved.Loads[i].Variable = i == index
	}
	reference := moved.Clone()
	moved.Loads[index].Contact = p.Contact
	fail := func(why string) report.AttachmentSite {
		p.Factor, p.Shear, p.Surface, p.Elbow, p.Grip = metric.Missing(why), metric.Missing(why), metric.Missing(why), metric.Missing(why),
			metric.Missing(why)
		return p
	}
	equal, problems := Equal(&moved, &reference)
	if len(problems) > 0 {
		return fail(problems[0].What)
	}
	p.Factor = equal.Peak
	factor, ok := p.Factor.Get()
	if !ok {
		return fail(p.Factor.Why())
	}
	scale(&moved.Loads[index], factor)
	r, problems := Document(&moved)
	if len(problems) > 0 {
		return fail(problems[0].What)
	}
	p.Shear, p.Grip = most(r.Curves.Shear), most(r.Curves.Grip)
	p.Surface, p.Elbow = metric.Missing("The model has no contact force for this joint."), metric.Missing("The elbow is the target.")
	if surface := r.Muscles.Surface(r.Joint); surface != nil {
		p.Surface = most(surface)
	}
	for i := range r.Joints {
		if r.Joints[i].Joint == "elbow" {
			p.Elbow = most(r.Joints[i].Size)
		}
	}
	return p
}

func sameContact(a, b *setup.Contact) bool {
	if a.Segment != b.Segment || a.At != b.At || (a.Fraction == nil) != (b.Fraction == nil) {
		return false
	}
	return a.Fraction == nil || math.Abs(*a.Fraction-*b.Fraction) < 1e-9
}

// scale multiplies how hard a cable or band pulls.
func scale(l *setup.Load, factor float64) {
	l.StackMass *= factor
	l.Section *= factor
	for i := range l.Pull {
		l.Pull[i].Force *= factor
	}
}

// most is the largest known value of a curve.
func most(c report.Curve) metric.Metric {
	x := math.Inf(-1)
	for _, v := range c {
		if v > x {
			x = v
		}
	}
	if math.IsInf(x, -1) {
		return metric.Missing("Nothing of it is known along this path.")
	}
	x = report.Rounded(x)
	return metric.Known(x)
}
