package evaluate

import (
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
	in := verdict.WorkInput{Where: w.o.placeOf(w.rep, at), Doubt: w.doubtAt(at), None: w.nobody()}
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
