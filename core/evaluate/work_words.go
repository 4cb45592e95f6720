package evaluate

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/verdict"

	"gonum.org/v1/gonum/floats"
)

// workVerdict says who carries the work, where the torque is largest; nothing in a hold.
func (w *work) workVerdict() []report.Verdict {
	if w.o.path.Still() {
		return nil
	}
	at := floats.MaxIdx(w.rep.Total)
	m := &w.out
	in := verdict.WorkInput{Where: w.where(at), Doubt: w.doubtAt(at), None: w.nobody()}
	shares := map[string]int{}
	for i := range m.Regions {
		p := &m.Regions[i]
		if !(p.Share[at] > 0) {
			continue
		}
		whole := muscle.Whole(p.Key)
		k, seen := shares[whole]
		if !seen {
			k = len(in.Shares)
			shares[whole] = k
			in.Shares = append(in.Shares, verdict.Share{Name: muscle.Spoken(whole)})
		}
		in.Shares[k].Share += p.Share[at]
	}
	in.Target = w.target(at, in.Shares)
	most := floats.MaxIdx(m.Largest)
	in.Most, in.Part = m.Largest[most], muscle.InSentence(m.Busiest[most])
	s := verdict.Work(in)
	return []report.Verdict{worded(&s)}
}

// target is what the target does at a place; nil where the model has no such muscle.
func (w *work) target(at int, shares []verdict.Share) *verdict.WorkTarget {
	p := w.out.Target
	if p == nil {
		return nil
	}
	whole := muscle.Spoken(muscle.Whole(p.Key))
	name := "the " + whole
	part := p.Key != muscle.Whole(p.Key)
	if part {
		name = "the " + muscle.InSentence(p.Label)
	}
	t := &verdict.WorkTarget{Name: name, Share: p.Share[at], Part: part}
	if !(p.Share[at] > 0) {
		t.Instead = instead(p, at, w.rep.Total[at])
		return t
	}
	best := 0.0
	for _, s := range shares {
		if s.Share > best {
			best, t.Leads = s.Share, s.Name == whole
		}
	}
	return t
}

// instead is what a part does that does not help at a place.
func instead(p *report.RegionPart, at int, total float64) string {
	switch {
	case p.Torque[at]*total < 0:
		return "works against the movement"
	case p.Activation[at] > 0.05:
		return "only steadies another joint"
	}
	return "rests"
}

// nobody says what the model lacks when no muscle of it turns the lift's way.
func (w *work) nobody() string {
	if w.o.rep.Name == setup.HipAbduction || w.o.doc.Target.Region == "gluteus.medius" {
		return "The model knows the strength of hip abduction but not its muscles: gluteus medius and minimus do it."
	}
	return "None of the muscles in the model does this."
}

// Places along the path that have words (own).
const (
	nearEnd = 0.1  // of the path
	level   = 0.22 // sine of how far from level a limb counts as level
)

// where is the place at which the torque is largest, in a coach's words.
func (w *work) where(at int) string {
	d := w.rep.Direction[at]
	both, s := w.o.path.Both(), w.rep.S[at]
	limb := map[body.Joint]string{body.ShoulderR: "arm", body.ElbowR: "forearm", body.HipR: "thigh", body.KneeR: "shin"}[w.joint]
	moves := map[body.Joint]bool{body.HipR: !w.stands, body.KneeR: !w.stands, body.ShoulderR: true, body.ElbowR: true}[w.joint]
	switch {
	case limb != "" && moves && math.Abs(d.Y) < level && both:
		return "with the " + limb + "s level"
	case limb != "" && moves && math.Abs(d.Y) < level:
		return "with the " + limb + " level"
	case s <= nearEnd && w.stands && legJoint(w.joint):
		return "at the bottom"
	case s <= nearEnd:
		return "at the start"
	case s >= 1-nearEnd:
		return "at the end"
	}
	swept := w.rep.Swept[at] / w.rep.Swept[len(w.rep.Swept)-1]
	return [3]string{"in the first third", "in the middle", "in the last third"}[min(2, int(3*swept))]
}

// doubtAt is the first reason why shares are rough at a place; empty when they are firm.
func (w *work) doubtAt(at int) string {
	s := w.out.S[at]
	for _, d := range w.out.Doubts {
		if s >= d.FromS-1e-9 && s <= d.ToS+1e-9 {
			return d.Text
		}
	}
	return ""
}
