package dialin

import (
	"cmp"
	"context"
	"math"
	"slices"
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

// drop is what the worst single step away from a place costs; a neighbour that cannot be used costs all.
func (s *search) drop(ctx context.Context, p choice) (float64, error) {
	var steps []choice
	for k := range p {
		for _, n := range []int{-1, 1} {
			if q := slices.Clone(p); q[k]+n >= 0 && q[k]+n < len(s.values[k]) {
				q[k] += n
				steps = append(steps, q)
			}
		}
	}
	if err := s.judgeAll(ctx, steps, func(float64) {}); err != nil {
		return 0, err
	}
	here, worst := s.known[p.key()].score, 0.0
	for _, q := range steps {
		o := s.known[q.key()]
		if math.IsNaN(o.score) {
			return here, nil
		}
		worst = max(worst, here-o.score)
	}
	return worst, nil
}

// answers picks from the ends of the climbs those that hold, differ and gain, the robust before the touchy where they are close.
func (s *search) answers(ctx context.Context, ends []choice, most int) (*Search, error) {
	start := s.known[s.at.key()]
	out := &Search{Answers: []Found{}}
	if !math.IsNaN(start.score) {
		f := s.found(s.at, start)
		out.Before = &f
	}
	type end struct {
		choice
		drop float64
	}
	var list []end
	for _, p := range ends {
		drop, err := s.drop(ctx, p)
		if err != nil {
			return nil, err
		}
		list = append(list, end{p, drop})
	}
	worthOf := func(e *end) float64 { return s.known[e.key()].score - s.weigh.touchy*e.drop }
	slices.SortStableFunc(list, func(a, b end) int { return cmp.Compare(worthOf(&b), worthOf(&a)) })
	var kept []choice
	for i := range list {
		e := &list[i]
		o := s.known[e.key()]
		alike := slices.ContainsFunc(kept, func(q choice) bool { return s.apart(q, e.choice) < different })
		if len(kept) == most || alike || !(o.score > start.score+worth) && !math.IsNaN(start.score) {
			continue
		}
		f := s.found(e.choice, o)
		f.Drop, f.Touchy = e.drop, e.drop > touchyDrop
		f.Changes = s.explain(e.choice)
		out.Answers, kept = append(out.Answers, f), append(kept, e.choice)
	}
	out.Looked = len(s.known)
	if len(out.Answers) == 0 {
		out.Why = "Nothing within these settings scores better and stays usable."
		if len(ends) == 0 {
			out.Why = "None of the settings looked at can be used: a stack is down, something is in the way, the lifter is not stable, a caution applies, or it takes more than the lifter has."
		}
	}
	return out, nil
}

func (s *search) found(p choice, o outcome) Found {
	d, _ := s.with(p)
	return Found{Document: d, Match: o.match, Score: o.score, OffAxis: o.offAxis, Effort: o.effort, Changes: []Changed{}}
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
		list = append(list, Changed{Key: s.free[k].Key, Label: s.free[k].Label, Kind: s.free[k].Kind, From: s.free[k].Value, To: s.values[k][p[k]], Gain: gain})
		left = slices.Delete(left, at, at+1)
	}
	return list
}
