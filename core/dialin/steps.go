package dialin

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/dial"
	"dialarc/core/metric"
	"dialarc/core/setup"
)

// Step is what turning one setting by a single step does, everything else held.
type Step struct {
	Key     string   `json:"key"`
	Label   string   `json:"label"`
	Kind    string   `json:"kind" doc:"Kind of unit of the setting."`
	To      float64  `json:"to" doc:"The value that it is turned to."`
	Score   *float64 `json:"score,omitempty" doc:"Points of score gained."`
	Points  *Points  `json:"points,omitempty" doc:"In which parts."`
	Loses   bool     `json:"loses,omitempty" doc:"Whether it gives more of the target's contribution or of the range away than the scoring allows."`
	Peak    *float64 `json:"peak,omitempty" doc:"By how much the largest torque grows, N·m."`
	PeakDeg *float64 `json:"peakDeg,omitempty" doc:"By how much later it comes, degrees of the named coordinate."`
	Why     string   `json:"why,omitempty" doc:"Why it cannot be turned there."`
}

// Steps says for every setting that the score rests on what one hole, notch, stop of the kit or step of its dial does, each way;
// what matters most to it first, what cannot be turned last.
func Steps(d *setup.Document) ([]Step, setup.Problems) {
	var w Sweeper
	sc, before, problems := w.begin(d)
	if len(problems) > 0 {
		return nil, problems
	}
	out := []Step{}
	for _, s := range Settings(d) {
		if s.Paint != "match" {
			continue
		}
		for _, to := range beside(&s) {
			out = append(out, w.stepTo(&sc, d, &before, &s, to))
		}
	}
	size := func(s *Step) float64 {
		if s.Score == nil {
			return -1
		}
		return math.Abs(*s.Score)
	}
	slices.SortStableFunc(out, func(a, b Step) int { return cmp.Compare(size(&b), size(&a)) })
	return out, nil
}

// beside are the next values of a setting below and above the present one.
func beside(s *dial.Setting) []float64 {
	values := valuesOf(s)
	var out []float64
	if i := slices.IndexFunc(values, func(v float64) bool { return v > s.Value-1e-6 }); i > 0 {
		out = append(out, values[i-1])
	} else if i < 0 {
		out = append(out, values[len(values)-1])
	}
	if i := slices.IndexFunc(values, func(v float64) bool { return v > s.Value+1e-6 }); i >= 0 {
		out = append(out, values[i])
	}
	return out
}

func (w *Sweeper) stepTo(sc *scorer, d *setup.Document, before *rated, s *dial.Setting, to float64) Step {
	out := Step{Key: s.Key, Label: s.Label, Kind: s.Kind, To: to}
	turned, problems := Apply(d, s.Key, to)
	if len(problems) > 0 {
		out.Why = problems[0].What
		return out
	}
	after := w.rate(sc, &turned)
	out.Why, out.Loses = after.why, after.loses
	out.Peak, out.PeakDeg = change(before.rating.Peak, after.rating.Peak), change(before.rating.PeakDeg, after.rating.PeakDeg)
	if after.why == "" && before.why == "" {
		gained := after.points.less(&before.points)
		total := gained.Total()
		out.Score, out.Points = &total, &gained
	}
	return out
}

// change is by how much a metric goes up; nil where it is not known before and after.
func change(before, after metric.Metric) *float64 {
	from, ok := before.Get()
	to, too := after.Get()
	if !ok || !too {
		return nil
	}
	by := to - from
	return &by
}
