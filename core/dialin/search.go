package dialin

import (
	"cmp"
	"context"
	"math"
	"math/rand/v2"
	"slices"

	"dialarc/core/dial"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/metric"
	"dialarc/core/parallel"
	"dialarc/core/setup"
)

// Run looks for settings that score better: at random over all values that the kit has, then from the best of these by single steps, and
// from there on for what fits best, what works the target most, what takes few changes, and what lies between them. What cannot be
// evaluated, does not hold, rests at the start, is in the way of a strand, asks more than the lifter has, raises a caution, leaves the
// owned ranges, or gives more of the target or the range away than the scoring allows is no answer. It stops early when the context ends,
// with the context's error. Progress is told as shares of the work, from one goroutine at a time. The same document, goal and seed give
// the same answers on any number of processors.
func Run(ctx context.Context, d *setup.Document, g Goal, progress func(share float64)) (*Search, setup.Problems, error) {
	s, problems := newSearch(d, g)
	if len(problems) > 0 {
		return nil, problems, nil
	}
	if progress == nil {
		progress = func(float64) {}
	}
	starts := s.starts()
	if err := s.judgeAll(ctx, starts, func(share float64) { progress(0.4 * share) }); err != nil {
		return nil, nil, err
	}
	var ends []choice
	for i, wish := range wishes {
		for _, p := range s.best(starts, wish.refined, wish.of) {
			end, err := s.climb(ctx, p, wish.of)
			if err != nil {
				return nil, nil, err
			}
			ends = append(ends, s.simplified(end, wish.of))
		}
		progress(0.4 + 0.3*float64(i+1)/float64(len(wishes)))
	}
	few, err := s.few(ctx)
	if err != nil {
		return nil, nil, err
	}
	progress(0.8)
	front, err := s.front(ctx)
	if err != nil {
		return nil, nil, err
	}
	progress(0.95)
	out, err := s.answers(ctx, append(ends, few...), front)
	progress(1)
	return out, nil, err
}

// wish is what one climb looks for.
type wish struct {
	refined int // how many of the best starts it begins from
	of      func(o *outcome) float64
}

// total is the score.
func total(o *outcome) float64 { return o.score }

// wishes are the score, and then more of the one or the other half of it: its costs count in all of them.
var wishes = []wish{
	{refined, total},
	{2, func(o *outcome) float64 { return o.score + o.fit }},
	{2, func(o *outcome) float64 { return o.score + 100*o.target }},
}

// choice is a value for every free setting: for each free setting the index of one.
type choice []int

// search is one run.
type search struct {
	goal     Goal
	doc      setup.Document
	free     []dial.Setting
	values   [][]float64
	scorer   scorer
	told     []string // cautions and owned ranges that the setup as it was runs into: the search may not add to them
	at       choice   // nearest values to the document as it is
	known    map[string]outcome
	held     map[string]bool
	most     int // how many places may be looked at in all
	evals    []Sweeper
	overdone bool // the setup as it was asks more than there is: then the load has to change, and effort is no limit here
}

// outcome is what is known of a place: its score, NaN when it cannot be used.
type outcome struct {
	score, fit, effort float64
	target             float64 // 0 where it is not known
	points             Points
	loses              bool
	kept               float64 // of the range
	known              metric.Metric
}

// leastRefining is how many setups the refining may look at however small the budget is (own).
const leastRefining = 400

func newSearch(d *setup.Document, g Goal) (*search, setup.Problems) {
	g, problems := g.checked()
	s := &search{goal: g, doc: d.Clone(), known: map[string]outcome{}, held: map[string]bool{}}
	all := Settings(d)
	for n, key := range g.Free {
		if n == len(all) {
			break // more than there are: some stand twice, which was told
		}
		i := slices.IndexFunc(all, func(x dial.Setting) bool { return x.Key == key })
		switch {
		case slices.Contains(g.Free[:n], key):
			problems = append(problems, setup.Problem{Path: key, What: "This setting is freed twice.", Hint: "Name it once."})
		case i < 0:
			problems = append(problems, setup.Problem{Path: key, What: "This setup has no such setting.",
				Hint: "Give keys of settings, like pulley.height/0."})
		case all[i].Paint != "match":
			problems = append(problems, setup.Problem{Path: key, What: "The search does not change this one.",
				Why: "The load, and what the score does not depend on, stay as they are.", Hint: "Lock it."})
		default:
			s.free = append(s.free, all[i])
			s.values = append(s.values, valuesOf(&all[i]))
		}
	}
	s.most = g.Budget + max(leastRefining, 3*g.Budget)
	if len(g.Free) == 0 {
		problems = append(problems, setup.Problem{Path: "free", What: "Every setting is locked.", Hint: "Unlock at least one."})
	}
	if len(problems) > 0 {
		return nil, problems
	}
	for k := range s.free {
		_, i := kit.Nearest(s.values[k], s.free[k].Value)
		s.at = append(s.at, i)
	}
	s.evals = make([]Sweeper, parallel.Workers())
	if l, bad := s.evals[0].eval.Limits(d); len(bad) == 0 {
		s.told = l.Told
	}
	s.scorer, _, _ = s.evals[0].begin(d)
	s.scorer.aims = g.Aims
	s.overdone = s.scorer.before != nil && s.scorer.before.Effort.Or(0) > 1
	return s, nil
}

// starts are the setup as it is and random places, each once, in a fixed order.
func (s *search) starts() []choice {
	r := rand.New(rand.NewPCG(s.goal.Seed, 0x9e3779b97f4a7c15))
	seen := map[string]bool{s.at.key(): true}
	list := []choice{slices.Clone(s.at)}
	budget := s.goal.Budget
	for tries := 0; len(list) < budget && tries < 4*budget; tries++ {
		p := slices.Clone(s.at)
		for _, k := range s.moved(r) {
			p[k] = r.IntN(len(s.values[k]))
		}
		if !seen[p.key()] {
			seen[p.key()] = true
			list = append(list, p)
		}
	}
	return list
}

// moved are the settings that a random place changes: all, or as many as may be changed.
func (s *search) moved(r *rand.Rand) []int {
	all := r.Perm(len(s.free))
	if most := s.goal.MostChanges; most > 0 {
		return all[:min(most, len(all))]
	}
	return all
}

// changes is how many settings a place changes.
func (s *search) changes(p choice) int {
	n := 0
	for k := range p {
		if p[k] != s.at[k] {
			n++
		}
	}
	return n
}

// tooMany says whether a place changes more settings than may be changed.
func (s *search) tooMany(p choice) bool {
	return s.goal.MostChanges > 0 && s.changes(p) > s.goal.MostChanges
}

func (p choice) key() string {
	raw := make([]byte, 0, 2*len(p))
	for _, i := range p {
		raw = append(raw, byte(i), byte(i>>8))
	}
	return string(raw)
}

// with is the document turned to a place. A setting whose nearest value is meant and that was between two is left as it was only
// at the place of the document itself.
func (s *search) with(p choice) (setup.Document, setup.Problems) {
	d := s.doc
	for k := range p {
		v := s.values[k][p[k]]
		if p[k] == s.at[k] {
			v = s.free[k].Value
		}
		var problems setup.Problems
		if d, problems = Apply(&d, s.free[k].Key, v); len(problems) > 0 {
			return d, problems
		}
	}
	return d, nil
}

// judge evaluates a place with one evaluator.
func (s *search) judge(e *Sweeper, p choice) outcome {
	bad := outcome{score: math.NaN()}
	d, problems := s.with(p)
	if len(problems) > 0 || s.tooMany(p) {
		return bad
	}
	here := p.key() == s.at.key()
	barred := func(r *evaluate.Rating) bool { return s.barred(r) || !here && s.scorer.shortens(r) }
	r := e.rateUnless(&s.scorer, &d, barred)
	if r.why != "" || barred(&r.rating) || r.loses && !here {
		return bad
	}
	o := outcome{score: r.score, fit: r.rating.Fit.Or(0), effort: r.rating.Effort.Or(0), target: r.rating.Target.Or(0), points: r.points,
		loses: r.loses, kept: 1, known: r.rating.Target}
	if s.scorer.before != nil {
		o.kept = s.scorer.keeps(&r.rating)
	}
	return o
}

// barred says whether a rating is no answer, whatever the muscles do.
func (s *search) barred(r *evaluate.Rating) bool {
	return r.Tones["start"] == "error" || r.Tones["clearance"] == "error" || r.Effort.Or(0) > 1 && !s.overdone
}

// look is the outcome of a place, evaluated when it is not known yet.
func (s *search) look(p choice) outcome {
	if o, ok := s.known[p.key()]; ok {
		return o
	}
	o := s.judge(&s.evals[0], p)
	s.known[p.key()] = o
	return o
}

// judgeAll evaluates places that are not known yet, on all processors.
func (s *search) judgeAll(ctx context.Context, list []choice, progress func(share float64)) error {
	unknown := slices.DeleteFunc(slices.Clone(list), func(p choice) bool { _, known := s.known[p.key()]; return known })
	found := make([]outcome, len(unknown))
	err := parallel.Each(ctx, len(unknown), func(w, i int) { found[i] = s.judge(&s.evals[w], unknown[i]) }, func(count int) {
		if count%16 == 0 {
			progress(float64(count) / float64(len(unknown)))
		}
	})
	if err != nil {
		return err
	}
	for i, p := range unknown {
		s.known[p.key()] = found[i]
	}
	return nil
}

// best are the places that can be used and hold, the best first, of equal ones the first in order, up to a number. Whether one holds
// costs as much to know as its score, and is asked of the best only.
func (s *search) best(list []choice, most int, of func(*outcome) float64) []choice {
	usable := slices.DeleteFunc(slices.Clone(list), func(p choice) bool { return math.IsNaN(s.known[p.key()].score) })
	slices.SortStableFunc(usable, func(a, b choice) int { return cmp.Compare(s.value(b, of), s.value(a, of)) })
	var out []choice
	for _, p := range usable {
		if len(out) == most {
			break
		}
		if s.holds(p) {
			out = append(out, p)
		}
	}
	return out
}

// value is what a wish makes of a place that is known.
func (s *search) value(p choice, of func(*outcome) float64) float64 {
	o := s.known[p.key()]
	if math.IsNaN(o.score) {
		return o.score
	}
	return of(&o)
}

// holds says whether the lifter is held in place all the way, with no caution and nothing beyond the owned ranges that the setup as
// it was did not have.
func (s *search) holds(p choice) bool {
	held, asked := s.held[p.key()]
	if !asked {
		d, problems := s.with(p)
		if len(problems) == 0 {
			l, problems := s.evals[0].eval.Limits(&d)
			held = len(problems) == 0 && l.Holds && !slices.ContainsFunc(l.Told, func(key string) bool { return !slices.Contains(s.told, key) })
		}
		s.held[p.key()] = held
	}
	return held
}

// climb goes from a place to the best of its neighbours until none is better. Neighbours are one, two and four steps of one setting
// away, or one step of two settings at once.
func (s *search) climb(ctx context.Context, p choice, of func(*outcome) float64) (choice, error) {
	for range 200 {
		if err := ctx.Err(); err != nil {
			return p, err
		}
		if len(s.known) >= s.most {
			return p, nil
		}
		around := s.around(p)
		if err := s.judgeAll(ctx, around, func(float64) {}); err != nil {
			return p, err
		}
		better := slices.DeleteFunc(around, func(q choice) bool { return !(s.value(q, of) > s.value(p, of)+1e-9) })
		next := s.best(better, 1, of)
		if len(next) == 0 {
			return p, nil
		}
		p = next[0]
	}
	return p, nil
}

// simplified takes back the changes of a place that bring next to nothing, the least useful first.
func (s *search) simplified(p choice, of func(*outcome) float64) choice {
	for {
		least, score := p, math.Inf(-1)
		for k := range p {
			if p[k] == s.at[k] {
				continue
			}
			q := slices.Clone(p)
			q[k] = s.at[k]
			s.look(q)
			if v := s.value(q, of); v > score && s.holds(q) {
				least, score = q, v
			}
		}
		if score < s.value(p, of)-*s.goal.Change {
			return p
		}
		p = least
	}
}

// manyFree is the number of free settings above which no two are turned at once: their pairs would be too many (own).
const manyFree = 16

// stepped is a place with one setting so many values on; false where the dial ends before.
func (s *search) stepped(p choice, k, n int) (choice, bool) {
	if p[k]+n < 0 || p[k]+n >= len(s.values[k]) {
		return nil, false
	}
	q := slices.Clone(p)
	q[k] += n
	return q, true
}

func (s *search) around(p choice) []choice {
	var list []choice
	add := func(steps map[int]int) {
		q := slices.Clone(p)
		for k, n := range steps {
			if q[k] += n; q[k] < 0 || q[k] >= len(s.values[k]) {
				return
			}
		}
		list = append(list, q)
	}
	for k := range p {
		for _, n := range []int{-1, 1, -2, 2, -4, 4} {
			add(map[int]int{k: n})
		}
		for l := range k {
			if len(p) > manyFree {
				break
			}
			for _, n := range [][2]int{{-1, -1}, {-1, 1}, {1, -1}, {1, 1}} {
				add(map[int]int{k: n[0], l: n[1]})
			}
		}
	}
	return list
}
