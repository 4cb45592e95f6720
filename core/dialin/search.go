package dialin

import (
	"cmp"
	"context"
	"math"
	"math/rand/v2"
	"runtime"
	"slices"
	"sync"

	"dialarc/core"
	"dialarc/core/kit"
	"dialarc/core/setup"
)

// Goal says what a search may turn and what it looks for. Zero values stand for the usual ones.
type Goal struct {
	Free    []string `json:"free" doc:"Keys of the settings that may be turned; all others are locked."`
	LineUp  *float64 `json:"lineUp,omitempty" doc:"Points of match that a pull wholly beside the plane of the path costs; 40 unless given." minimum:"0" maximum:"200"`
	Seed    uint64   `json:"seed,omitempty" doc:"The same seed gives the same answers."`
	Budget  int      `json:"budget,omitempty" doc:"How many setups are looked at before the best are refined; 600 unless given." minimum:"10" maximum:"100000"`
	Answers int      `json:"answers,omitempty" doc:"How many answers at most; 3 unless given." minimum:"1" maximum:"10"`
}

// Usual values of a goal (own).
const (
	usualLineUp  = 40.0
	usualBudget  = 600
	usualAnswers = 3
)

// Usual are the settings that a search turns unless told otherwise: what a coach can change between two sets.
var Usual = []string{"pulley.height", "stance.out", "path.plane", "bench.angle", "strap", "cuff", "band.height"}

// Found is one answer of a search.
type Found struct {
	Document setup.Document `json:"document"`
	Match    float64        `json:"match" doc:"0 to 100."`
	Score    float64        `json:"score" doc:"The match less what the pull beside the plane costs; what the search looked for."`
	OffAxis  float64        `json:"offAxis" doc:"Share of the loads' torque that is beside the axis."`
	Effort   float64        `json:"effort" doc:"Largest torque over capacity, the load held."`
	Drop     float64        `json:"drop" doc:"Points of score that the worst single step of one setting would cost."`
	Touchy   bool           `json:"touchy" doc:"Whether a small error of setting would spoil it."`
	Changes  []Changed      `json:"changes" doc:"From the setup as it was, one setting at a time, the most useful first; the gains add up to the whole."`
}

// Changed is one setting of an answer that differs from the setup as it was.
type Changed struct {
	Key   string  `json:"key"`
	Label string  `json:"label"`
	Kind  string  `json:"kind"`
	From  float64 `json:"from"`
	To    float64 `json:"to"`
	Gain  float64 `json:"gain" doc:"Points of score that this change brings, those before it made."`
}

// Search is what a search came to.
type Search struct {
	Before  *Found  `json:"before" doc:"The setup as it was, without changes; null when it cannot be used as it is."`
	Answers []Found `json:"answers" doc:"The best first, different from each other and better than the setup as it was."`
	Looked  int     `json:"looked" doc:"How many different setups were evaluated."`
	Why     string  `json:"why,omitempty" doc:"Why there is no answer."`
}

const (
	refined    = 8    // how many of the best starts are refined (own)
	different  = 0.12 // share of a dial's track by which answers differ at least (own)
	touchyDrop = 8.0  // points that a single step may cost before an answer is touchy (own)
	caution    = 0.25 // share of that cost that counts against an answer: of two that are close the robust one is preferred (own)
	worth      = 1.0  // points of score that an answer has to gain (own)
)

// Run looks for settings that fit better: at random over all values that the kit has, then from the best of these by single steps.
// What cannot be evaluated, does not hold, rests at the start, is in the way of a strand or asks more than the lifter has is no
// answer. It stops early when the context ends, with the context's error. Progress is told as shares of the work, from one goroutine
// at a time. The same document, goal and seed give the same answers on any number of processors.
func Run(ctx context.Context, d *setup.Document, g Goal, progress func(share float64)) (*Search, setup.Problems, error) {
	s, problems := newSearch(d, &g)
	if len(problems) > 0 {
		return nil, problems, nil
	}
	s.overdone = true
	s.overdone = s.judge(&s.evals[0], s.at).effort > 1
	if progress == nil {
		progress = func(float64) {}
	}
	starts := s.starts(&g)
	if err := s.judgeAll(ctx, starts, func(share float64) { progress(0.5 * share) }); err != nil {
		return nil, nil, err
	}
	best := s.best(starts, refined)
	for i := range best {
		end, err := s.climb(ctx, best[i])
		if err != nil {
			return nil, nil, err
		}
		best[i] = s.simplified(end)
		progress(0.5 + 0.4*float64(i+1)/float64(len(best)))
	}
	out, err := s.answers(ctx, best, max(1, cmp.Or(g.Answers, usualAnswers)))
	progress(1)
	return out, nil, err
}

// choice is a value for every free setting: for each free setting the index of one.
type choice []int

// search is one run.
type search struct {
	doc      setup.Document
	free     []Setting
	values   [][]float64
	lineUp   float64
	at       choice // nearest values to the document as it is
	known    map[string]outcome
	held     map[string]bool
	mu       sync.Mutex
	evals    []core.Evaluator
	parallel int
	overdone bool // the setup as it was asks more than there is: then the load has to change, and effort is no limit here
}

// outcome is what is known of a place.
type outcome struct {
	score, match, offAxis, effort float64 // NaN when it cannot be used
}

func newSearch(d *setup.Document, g *Goal) (*search, setup.Problems) {
	s := &search{doc: d.Clone(), lineUp: usualLineUp, known: map[string]outcome{}, held: map[string]bool{}, parallel: runtime.GOMAXPROCS(0)}
	if g.LineUp != nil {
		s.lineUp = *g.LineUp
	}
	var problems setup.Problems
	all := Settings(d)
	for _, key := range g.Free {
		i := slices.IndexFunc(all, func(x Setting) bool { return x.Key == key })
		switch {
		case i < 0:
			problems = append(problems, setup.Problem{Path: key, What: "This setup has no such setting.", Hint: "Give keys of settings, like pulley.height/0."})
		case all[i].Paint != "match":
			problems = append(problems, setup.Problem{Path: key, What: "The search does not turn this one.", Why: "The load and what the match does not rest on stay as they are.", Hint: "Lock it."})
		default:
			s.free = append(s.free, all[i])
			s.values = append(s.values, valuesOf(&all[i]))
		}
	}
	if len(g.Free) == 0 {
		problems = append(problems, setup.Problem{Path: "free", What: "Every setting is locked.", Hint: "Free one at least."})
	}
	for k := range s.free {
		_, i := kit.Nearest(s.values[k], s.free[k].Value)
		s.at = append(s.at, i)
	}
	s.evals = make([]core.Evaluator, s.parallel)
	return s, problems
}

// starts are the setup as it is and random places, each once, in a fixed order.
func (s *search) starts(g *Goal) []choice {
	r := rand.New(rand.NewPCG(g.Seed, 0x9e3779b97f4a7c15))
	seen := map[string]bool{s.at.key(): true}
	list := []choice{slices.Clone(s.at)}
	budget := max(10, cmp.Or(g.Budget, usualBudget))
	for tries := 0; len(list) < budget && tries < 4*budget; tries++ {
		p := make(choice, len(s.free))
		for k := range p {
			p[k] = r.IntN(len(s.values[k]))
		}
		if !seen[p.key()] {
			seen[p.key()] = true
			list = append(list, p)
		}
	}
	return list
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
func (s *search) judge(e *core.Evaluator, p choice) outcome {
	bad := outcome{math.NaN(), math.NaN(), math.NaN(), math.NaN()}
	d, problems := s.with(p)
	if len(problems) > 0 {
		return bad
	}
	q, problems := e.Quick(&d, Samples)
	if len(problems) > 0 || q.Match.Value == nil || q.Tones["start"] == "stop" || q.Tones["clear"] == "stop" {
		return bad
	}
	o := outcome{match: *q.Match.Value}
	if q.OffAxis.Value != nil {
		o.offAxis = *q.OffAxis.Value
	}
	if q.Effort.Value != nil {
		o.effort = *q.Effort.Value
	}
	if o.effort > 1 && !s.overdone {
		return bad
	}
	o.score = o.match - s.lineUp*math.Min(1, o.offAxis)
	return o
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
	work := make(chan choice)
	var wait sync.WaitGroup
	done := 0
	for i := range s.evals {
		wait.Go(func() {
			for p := range work {
				o := s.judge(&s.evals[i], p)
				s.mu.Lock()
				s.known[p.key()] = o
				done++
				if done%16 == 0 {
					progress(float64(done) / float64(len(list)))
				}
				s.mu.Unlock()
			}
		})
	}
	var stopped error
	for _, p := range list {
		s.mu.Lock()
		_, known := s.known[p.key()]
		s.mu.Unlock()
		if known {
			continue
		}
		if stopped = ctx.Err(); stopped != nil {
			break
		}
		work <- p
	}
	close(work)
	wait.Wait()
	return stopped
}

// best are the places that can be used and hold, the best first, of equal ones the first in order, up to a number. Whether one holds
// costs as much to know as its score, and is asked of the best only.
func (s *search) best(list []choice, most int) []choice {
	usable := slices.DeleteFunc(slices.Clone(list), func(p choice) bool { return math.IsNaN(s.known[p.key()].score) })
	slices.SortStableFunc(usable, func(a, b choice) int { return cmp.Compare(s.known[b.key()].score, s.known[a.key()].score) })
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

// holds says whether the lifter is held in place all the way.
func (s *search) holds(p choice) bool {
	held, asked := s.held[p.key()]
	if !asked {
		d, problems := s.with(p)
		if len(problems) == 0 {
			b, problems := s.evals[0].Brace(&d)
			held = len(problems) == 0 && b.Holds
		}
		s.held[p.key()] = held
	}
	return held
}

// climb goes from a place to the best of its neighbours until none is better. Neighbours are one, two and four steps of one setting
// away, or one step of two settings at once.
func (s *search) climb(ctx context.Context, p choice) (choice, error) {
	for range 200 {
		if err := ctx.Err(); err != nil {
			return p, err
		}
		around := s.around(p)
		if err := s.judgeAll(ctx, around, func(float64) {}); err != nil {
			return p, err
		}
		better := slices.DeleteFunc(around, func(q choice) bool { return !(s.known[q.key()].score > s.known[p.key()].score+1e-9) })
		next := s.best(better, 1)
		if len(next) == 0 {
			return p, nil
		}
		p = next[0]
	}
	return p, nil
}

// idle is how many points of score a change has to bring to be worth a walk (own).
const idle = 0.3

// simplified takes back the changes of a place that bring next to nothing, the least useful first.
func (s *search) simplified(p choice) choice {
	for {
		least, score := p, math.Inf(-1)
		for k := range p {
			if p[k] == s.at[k] {
				continue
			}
			q := slices.Clone(p)
			q[k] = s.at[k]
			if o := s.look(q); o.score > score && s.holds(q) {
				least, score = q, o.score
			}
		}
		if score < s.known[p.key()].score-idle {
			return p
		}
		p = least
	}
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
			for _, n := range [][2]int{{-1, -1}, {-1, 1}, {1, -1}, {1, 1}} {
				add(map[int]int{k: n[0], l: n[1]})
			}
		}
	}
	return list
}

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
	worthOf := func(e *end) float64 { return s.known[e.key()].score - caution*e.drop }
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
		out.Why = "Nothing that these settings allow fits better and holds."
		if len(ends) == 0 {
			out.Why = "None of the settings looked at can be used: a stack rests, something is in the way, the lifter is not held, or more is asked than there is."
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
