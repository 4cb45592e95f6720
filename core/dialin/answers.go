package dialin

import (
	"cmp"
	"context"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/setup"
)

// apart is how far two places are from each other, as the largest share of a dial's track.
func (s *search) apart(a, b choice) float64 {
	most := 0.0
	for k := range a {
		if n := len(s.values[k]) - 1; n > 0 {
			most = max(most, math.Abs(float64(a[k]-b[k]))/float64(n))
		}
	}
	return most
}

// drop is what the worst single step away from a place costs, and of which setting that is; a neighbour that cannot be used costs all.
func (s *search) drop(ctx context.Context, p choice) (float64, string, error) {
	var steps []choice
	var of []int
	for k := range p {
		for _, n := range []int{-1, 1} {
			if q, there := s.stepped(p, k, n); there {
				steps, of = append(steps, q), append(of, k)
			}
		}
	}
	if err := s.judgeAll(ctx, steps, func(float64) {}); err != nil {
		return 0, "", err
	}
	here, worst, label := s.known[p.key()].score, 0.0, ""
	for i, q := range steps {
		o := s.known[q.key()]
		if math.IsNaN(o.score) {
			if s.tooMany(q) {
				continue
			}
			return here, s.free[of[i]].Label, nil
		}
		if fall := here - o.score; fall > worst {
			worst, label = fall, s.free[of[i]].Label
		}
	}
	return worst, label, nil
}

// end is where a climb came to, with what a step off would cost.
type end struct {
	choice
	drop   float64
	dropOf string
}

// answers picks from the ends those that hold, differ and gain, and says what each is: the best, the best fit, the best for the target, the
// most robust, and the best with one and two changes.
func (s *search) answers(ctx context.Context, ends, front []choice) (*Search, error) {
	start := s.known[s.at.key()]
	out := &Search{Answers: []Found{}, Front: s.told2D(front)}
	if !math.IsNaN(start.score) {
		f := s.found(s.at, start)
		out.Before = &f
	}
	list, err := s.useful(ctx, append(ends, front...))
	if err != nil {
		return nil, err
	}
	out.Looked = len(s.known)
	var kept []choice
	for _, pick := range s.picks(list) {
		e := pick.end
		if at := slices.IndexFunc(kept, func(q choice) bool { return slices.Equal(q, e.choice) }); at >= 0 {
			if pick.title != "other" {
				out.Answers[at].Titles = append(out.Answers[at].Titles, pick.title)
			}
			continue
		}
		if len(kept) == s.goal.Answers || (pick.title == "other" && slices.ContainsFunc(kept, func(q choice) bool {
			return s.apart(q,
				e.choice) < different
		})) {
			continue
		}
		f := s.found(e.choice, s.known[e.key()])
		f.Titles = []string{pick.title}
		f.Drop, f.DropOf, f.Sensitive = e.drop, e.dropOf, e.drop > sensitiveDrop
		f.Changes = s.explain(e.choice)
		for _, c := range f.Changes {
			f.Steps += c.Steps
		}
		f.Tape = s.tape(&f.Document, f.Score)
		out.Answers, kept = append(out.Answers, f), append(kept, e.choice)
	}
	slices.SortStableFunc(out.Answers, func(a, b Found) int { return cmp.Compare(b.Score, a.Score) })
	if len(out.Answers) == 0 {
		out.Why = "Nothing within these settings scores better and stays usable."
		if len(ends) == 0 {
			out.Why = "None of the settings looked at can be used: a stack is down, something is in the way, the lifter is not stable, a caution applies, it takes more than the lifter has, or it gives too much of the target or the range away."
		}
	}
	return out, nil
}

// useful are the ends that change something and gain, each once, those first that score best even a step off.
func (s *search) useful(ctx context.Context, ends []choice) ([]end, error) {
	start := s.known[s.at.key()]
	seen := map[string]bool{s.at.key(): true}
	var list []end
	for _, p := range ends {
		o := s.known[p.key()]
		if seen[p.key()] || !(o.score > start.score+worth) && !math.IsNaN(start.score) {
			continue
		}
		seen[p.key()] = true
		list = append(list, end{choice: p})
	}
	slices.SortStableFunc(list, func(a, b end) int { return cmp.Compare(s.known[b.key()].score, s.known[a.key()].score) })
	list = list[:min(len(list), mostDropped)]
	for i := range list {
		var err error
		if list[i].drop, list[i].dropOf, err = s.drop(ctx, list[i].choice); err != nil {
			return nil, err
		}
	}
	slices.SortStableFunc(list, func(a, b end) int { return cmp.Compare(s.robustly(&b), s.robustly(&a)) })
	return list, nil
}

// mostDropped is of how many ends at most it is asked what a step off would cost (own).
const mostDropped = 24

// robustly is the score less a part of what the worst step would cost.
func (s *search) robustly(e *end) float64 { return s.known[e.key()].score - *s.goal.Sensitive*e.drop }

// pick is an end and what it is.
type pick struct {
	title string
	end   *end
}

// picks names the ends, the most wanted first.
func (s *search) picks(list []end) []pick {
	var out []pick
	first := func(title string, among func(e *end) bool, of func(e *end) float64) {
		var best *end
		for i := range list {
			if e := &list[i]; among(e) && (best == nil || of(e) > of(best)+1e-9) {
				best = e
			}
		}
		if best != nil {
			out = append(out, pick{title, best})
		}
	}
	any := func(*end) bool { return true }
	known := func(e *end) bool { return s.known[e.key()].known.Known() }
	first("best", any, func(e *end) float64 { return s.known[e.key()].score })
	first("oneChange", func(e *end) bool { return s.changes(e.choice) == 1 }, s.robustly)
	first("bestFit", any, func(e *end) float64 { return s.known[e.key()].fit })
	first("bestTarget", known, func(e *end) float64 { return s.known[e.key()].target })
	first("robust", any, func(e *end) float64 { return s.known[e.key()].score - 2*e.drop })
	first("twoChanges", func(e *end) bool { return s.changes(e.choice) == 2 }, s.robustly)
	for i := range list {
		out = append(out, pick{"other", &list[i]})
	}
	return out
}

// told2D are the points of the front.
func (s *search) told2D(front []choice) []Point {
	out := []Point{}
	for _, p := range spaced(front, frontTold) {
		d, _ := s.with(p)
		o := s.known[p.key()]
		out = append(out, Point{Document: d, Score: o.score, Fit: o.fit, Target: o.target, Changes: s.changes(p)})
	}
	return out
}

func (s *search) found(p choice, o outcome) Found {
	d, _ := s.with(p)
	return Found{Titles: []string{}, Document: d, Score: o.score, Points: o.points, Fit: o.fit, Target: o.known, Range: o.kept,
		Effort: o.effort, Changes: []Changed{}}
}

// tapeError is by how much a tape may be off along the arm, m (common practice, no source).
const tapeError = 0.02

// tape is what it costs at most when the arm is longer or shorter than was measured.
func (s *search) tape(d *setup.Document, score float64) float64 {
	worst := 0.0
	b := body.New(&d.Lifter)
	for _, off := range []float64{-tapeError, tapeError} {
		other := d.Clone()
		if other.Lifter.Lengths == nil {
			other.Lifter.Lengths = map[string]float64{}
		}
		arm := b.UpperArm + b.Forearm
		other.Lifter.Lengths["upperArm"], other.Lifter.Lengths["forearm"] = b.UpperArm*(1+off/arm), b.Forearm*(1+off/arm)
		r := s.evals[0].rate(&s.scorer, &other)
		if r.why != "" {
			return score
		}
		worst = max(worst, score-r.score)
	}
	return worst
}

// explain goes from the setup as it was to a place one setting at a time, the change that gains most first. Where the setup as it was
// cannot be used, or a change on the way cannot, its gain is counted once the way is usable again; the gains add up to the whole.
func (s *search) explain(p choice) []Changed {
	now := slices.Clone(s.at)
	score := s.known[now.key()].score
	left := []int{}
	for k := range p {
		if p[k] != now[k] {
			left = append(left, k)
		}
	}
	list := []Changed{}
	for len(left) > 0 {
		best, at := math.NaN(), 0
		for i, k := range left {
			q := slices.Clone(now)
			q[k] = p[k]
			if o := s.look(q); math.IsNaN(best) || o.score > best {
				best, at = o.score, i
			}
		}
		k := left[at]
		now[k] = p[k]
		gain := 0.0
		switch {
		case math.IsNaN(best): // counted later
		case math.IsNaN(score):
			score = best
		default:
			gain, score = best-score, best
		}
		to := s.values[k][p[k]]
		list = append(list, Changed{Key: s.free[k].Key, Label: s.free[k].Label, Kind: s.free[k].Kind, From: s.free[k].Value, To: to,
			Steps: s.free[k].Steps(to), Gain: gain})
		left = slices.Delete(left, at, at+1)
	}
	return list
}
