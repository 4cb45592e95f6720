package dialin

import (
	"cmp"
	"context"
	"math"
	"slices"
)

// Bounds of the front (own): how many of its points have their neighbours looked at in each round, how often, and how many are told.
const (
	frontRounds = 12
	frontWide   = 12
	frontTold   = 16
)

// front is the best that can be had of fit and target: of the places that are known none has more of both. From its points on, the
// neighbours are looked at until no new one comes in. It is empty where the target's contribution is not known.
func (s *search) front(ctx context.Context) ([]choice, error) {
	looked := map[string]bool{}
	for range frontRounds {
		var list []choice
		for _, p := range spaced(s.nonDominated(), frontWide) {
			if !looked[p.key()] && len(s.known) < s.most {
				looked[p.key()] = true
				list = append(list, s.beside(p)...)
			}
		}
		if len(list) == 0 {
			break
		}
		if err := s.judgeAll(ctx, list, func(float64) {}); err != nil {
			return nil, err
		}
	}
	return s.nonDominated(), nil
}

// beside are the places one and three steps of one setting away.
func (s *search) beside(p choice) []choice {
	var list []choice
	for k := range p {
		for _, n := range []int{-1, 1, -3, 3} {
			if q, there := s.stepped(p, k, n); there {
				list = append(list, q)
			}
		}
	}
	return list
}

// placeOf is the place that a key stands for.
func placeOf(key string) choice {
	p := make(choice, len(key)/2)
	for i := range p {
		p[i] = int(key[2*i]) | int(key[2*i+1])<<8
	}
	return p
}

// frontCosts is by how many points a place of the front may cost more than the setup as it was: what pulls out of plane is no bargain
// however well it fits (own).
const frontCosts = 2

// costs are what a place pays, in points: its score less what it is worth.
func (s *search) costs(o outcome) float64 {
	return o.score - o.points.Fit - o.points.Muscles - o.points.Lengths
}

// nonDominated are the places that can be used and hold and cost next to nothing more than the setup as it was,
// of which none other has both a better fit and more of the target, by rising fit.
func (s *search) nonDominated() []choice {
	var usable []choice
	least := s.costs(s.known[s.at.key()]) - frontCosts
	for key, o := range s.known {
		if !math.IsNaN(o.score) && !o.loses && o.known.Known() && !(s.costs(o) < least) {
			usable = append(usable, placeOf(key))
		}
	}
	slices.SortFunc(usable, func(a, b choice) int {
		x, y := s.known[a.key()], s.known[b.key()]
		return cmp.Or(cmp.Compare(y.fit, x.fit), cmp.Compare(y.target, x.target), cmp.Compare(s.changes(a), s.changes(b)), slices.Compare(a, b))
	})
	var out []choice
	most := math.Inf(-1)
	for _, p := range usable {
		if o := s.known[p.key()]; o.target > most+1e-9 && s.holds(p) {
			most = o.target
			out = append(out, p)
		}
	}
	slices.Reverse(out)
	return out
}

// spaced are at most a number of a list, evenly, both ends among them.
func spaced(list []choice, most int) []choice {
	if len(list) <= most {
		return list
	}
	out := make([]choice, most)
	for i := range out {
		out[i] = list[i*(len(list)-1)/(most-1)]
	}
	return out
}

// few are the best places that change one setting, and two: values of every setting from end to end, and, from the best few of these, of
// every other one; single steps lead on from there.
func (s *search) few(ctx context.Context) ([]choice, error) {
	one := s.alone(s.at)
	if err := s.judgeAll(ctx, one, func(float64) {}); err != nil {
		return nil, err
	}
	best := s.best(one, fewFrom, total)
	var two []choice
	for _, p := range best {
		two = append(two, s.alone(p)...)
	}
	if err := s.judgeAll(ctx, two, func(float64) {}); err != nil {
		return nil, err
	}
	two = slices.DeleteFunc(two, func(p choice) bool { return s.changes(p) != 2 })
	var out []choice
	for _, p := range append(best[:min(1, len(best))], s.best(two, 1, total)...) {
		end, err := s.along(ctx, p)
		if err != nil {
			return nil, err
		}
		out = append(out, end)
	}
	return out, nil
}

// along goes from a place to the best of its neighbours that change the same settings, until none is better.
func (s *search) along(ctx context.Context, p choice) (choice, error) {
	for {
		var list []choice
		for k := range p {
			for _, n := range []int{-1, 1, -2, 2} {
				if q, there := s.stepped(p, k, n); there && p[k] != s.at[k] && q[k] != s.at[k] {
					list = append(list, q)
				}
			}
		}
		if err := s.judgeAll(ctx, list, func(float64) {}); err != nil {
			return p, err
		}
		next := s.best(list, 1, total)
		if len(next) == 0 || !(s.value(next[0], total) > s.value(p, total)+1e-9) {
			return p, nil
		}
		p = next[0]
	}
}

// fewFrom is from how many of the best single changes a second one is looked for (own).
const fewFrom = 2

// mostAlone is how many values of one setting are tried by themselves (own).
const mostAlone = 17

// alone are the places that differ from one in one setting that it has not changed.
func (s *search) alone(p choice) []choice {
	var list []choice
	for k := range p {
		if p[k] != s.at[k] {
			continue
		}
		every := (len(s.values[k]) + mostAlone - 1) / mostAlone
		for i := 0; i < len(s.values[k]); i += every {
			if i != p[k] {
				q := slices.Clone(p)
				q[k] = i
				list = append(list, q)
			}
		}
	}
	return list
}
