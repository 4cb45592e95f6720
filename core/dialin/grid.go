package dialin

import (
	"context"
	"math"
	"slices"

	"dialarc/core/dial"
	"dialarc/core/parallel"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Grid says how well every pair of values of two settings would fit, everything else held: a map.
type Grid struct {
	A       dial.Setting   `json:"a" doc:"The setting across."`
	B       dial.Setting   `json:"b" doc:"The setting upward."`
	AValues report.Curve   `json:"aValues"`
	BValues report.Curve   `json:"bValues"`
	Scores  []report.Curve `json:"scores" doc:"Match (0 to 100), a row for every value of B; null where the pair cannot be used."`
	Closed  [][]int        `json:"closed" doc:"For every pair the place of its reason among the reasons, -1 where it can be used."`
	Reasons []string       `json:"reasons" doc:"What closes pairs off, each once, in the order in which they are met."`
	BestA   int            `json:"bestA" doc:"Index of the best pair's value of A, -1 when there is none."`
	BestB   int            `json:"bestB" doc:"Index of the best pair's value of B."`
}

// mostMapped is how many values of a setting a map has at most (own): more cannot be told apart.
const mostMapped = 40

// Map judges every pair of values of two settings by the match, on all processors. It stops early when the context ends, with its
// error. Progress is told as shares of the work.
func Map(ctx context.Context, d *setup.Document, a, b string, progress func(share float64)) (*Grid, setup.Problems, error) {
	g, problems := newGrid(d, a, b)
	if len(problems) > 0 {
		return nil, problems, nil
	}
	why := make([][]string, len(g.BValues))
	sweepers := make([]Sweeper, parallel.Workers())
	sc, _, _ := sweepers[0].begin(d)
	err := parallel.Each(ctx, len(g.BValues), func(w, i int) { why[i] = sweepers[w].row(&sc, d, g, i) }, func(count int) {
		if progress != nil {
			progress(float64(count) / float64(len(g.BValues)))
		}
	})
	if err != nil {
		return nil, nil, err
	}
	g.sum(why)
	return g, nil, nil
}

func newGrid(d *setup.Document, a, b string) (*Grid, setup.Problems) {
	var problems setup.Problems
	all := Settings(d)
	find := func(key string) dial.Setting {
		i := slices.IndexFunc(all, func(s dial.Setting) bool { return s.Key == key })
		if i < 0 || all[i].Paint != "match" {
			problems = append(problems, setup.Problem{Path: key, What: "There is no such setting to map.",
				Hint: "Give two settings that the fit depends on, like pulley.height/0 and stance.out."})
			return dial.Setting{}
		}
		return all[i]
	}
	g := &Grid{A: find(a), B: find(b), Reasons: []string{}, BestA: -1, BestB: -1}
	if a == b {
		problems = append(problems, setup.Problem{Path: b, What: "A map takes two different settings."})
	}
	if len(problems) > 0 {
		return nil, problems
	}
	g.AValues, g.BValues = thinned(valuesOf(&g.A), mostMapped), thinned(valuesOf(&g.B), mostMapped)
	g.Scores, g.Closed = make([]report.Curve, len(g.BValues)), make([][]int, len(g.BValues))
	return g, nil
}

// row judges all pairs with one value of B and says why those that cannot be used cannot.
func (w *Sweeper) row(sc *scorer, d *setup.Document, g *Grid, i int) []string {
	scores, why := make(report.Curve, len(g.AValues)), make([]string, len(g.AValues))
	for k, v := range g.AValues {
		turned, problems := Apply(d, g.B.Key, g.BValues[i])
		if len(problems) == 0 {
			turned, problems = Apply(&turned, g.A.Key, v)
		}
		if len(problems) > 0 {
			scores[k], why[k] = math.NaN(), problems[0].What
			continue
		}
		r := w.rate(sc, &turned)
		scores[k], why[k] = r.score, r.why
	}
	g.Scores[i] = scores
	return why
}

// sum finds the best pair and gathers the reasons.
func (g *Grid) sum(why [][]string) {
	place := map[string]int{"": -1}
	for i, row := range g.Scores {
		g.Closed[i] = make([]int, len(row))
		for k, score := range row {
			reason := why[i][k]
			if _, met := place[reason]; !met {
				place[reason] = len(g.Reasons)
				g.Reasons = append(g.Reasons, reason)
			}
			g.Closed[i][k] = place[reason]
			if !math.IsNaN(score) && (g.BestA < 0 || score > g.Scores[g.BestB][g.BestA]) {
				g.BestA, g.BestB = k, i
			}
		}
	}
}
