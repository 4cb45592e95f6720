package dialin

import (
	"math"
	"slices"

	"dialarc/core/dial"
	"dialarc/core/evaluate"
	"dialarc/core/metric"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Samples is how many points along the path a sweep judges each value at.
const Samples = 31

// Sweep says how well every value of one setting would score, everything else held.
type Sweep struct {
	Key    string       `json:"key"`
	Values report.Curve `json:"values"`
	Scores report.Curve `json:"scores" doc:"Score (0 to 100), or for a load the largest effort; null where the value cannot be used."`
	Loses  []bool       `json:"loses" doc:"For each value whether it gives more of the target's contribution or of the range away than the scoring allows."`
	Why    []string     `json:"why" doc:"For each value why it cannot be used; empty where it can."`
	Best   int          `json:"best" doc:"Index of the best value that gives nothing away, -1 when there is none; a load has no best value."`
}

// Sweeper runs sweeps one after the other and reuses its memory. The zero value is ready.
type Sweeper struct{ eval evaluate.Evaluator }

// Sweep judges all values of a setting. A setting that the document does not have is a problem.
func (w *Sweeper) Sweep(d *setup.Document, s *dial.Setting) (Sweep, setup.Problems) {
	sc, _, _ := w.begin(d)
	return w.sweep(&sc, d, s)
}

func (w *Sweeper) sweep(sc *scorer, d *setup.Document, s *dial.Setting) (Sweep, setup.Problems) {
	values := painted(s)
	out := Sweep{Key: s.Key, Values: values, Scores: make(report.Curve, len(values)), Loses: make([]bool, len(values)),
		Why: make([]string, len(values)), Best: -1}
	for i, v := range values {
		turned, problems := Apply(d, s.Key, v)
		if len(problems) > 0 {
			return Sweep{}, problems
		}
		if s.Paint == "effort" {
			out.Scores[i], out.Why[i] = w.effort(&turned)
			continue
		}
		r := w.rate(sc, &turned)
		out.Scores[i], out.Loses[i], out.Why[i] = r.score, r.loses, r.why
		if !math.IsNaN(r.score) && !r.loses && (out.Best < 0 || r.score > out.Scores[out.Best]) {
			out.Best = i
		}
	}
	return out, nil
}

// begin is what scores what is made of a document, and the document's own score, with the problems that leave it without one.
func (w *Sweeper) begin(d *setup.Document) (scorer, rated, setup.Problems) {
	r, problems := w.eval.Rate(d, Samples)
	sc := scorer{weights: weightsOf(d), sweeps: isSweep(d, -1)}
	if len(problems) == 0 {
		sc.before = &r
	}
	return sc, sc.rated(&r, problems), problems
}

// rated is a document's score, NaN with the reason when it cannot be used.
type rated struct {
	score  float64
	points Points
	rating evaluate.Rating
	loses  bool
	why    string
}

func (w *Sweeper) rate(sc *scorer, d *setup.Document) rated {
	return w.rateUnless(sc, d, func(*evaluate.Rating) bool { return false })
}

// rateUnless is rate that asks for no muscles where there is no score, or what is rated is of no use.
func (w *Sweeper) rateUnless(sc *scorer, d *setup.Document, useless func(*evaluate.Rating) bool) rated {
	r, problems := w.eval.RateUnless(d, Samples, func(r *evaluate.Rating) bool { return scoreless(r) != "" || useless(r) })
	return sc.rated(&r, problems)
}

// rated scores a rating, or says why there is none.
func (sc *scorer) rated(r *evaluate.Rating, problems setup.Problems) rated {
	out := rated{score: math.NaN(), rating: *r}
	if len(problems) > 0 {
		out.why = problems[0].What
	} else {
		out.why = scoreless(r)
	}
	if out.why == "" {
		out.points, out.loses = sc.points(r), sc.loses(r)
		out.score = out.points.Total()
	}
	return out
}

// effort is the largest effort of a document, NaN with the reason when it cannot be used.
func (w *Sweeper) effort(d *setup.Document) (float64, string) {
	sc, problems := w.eval.Score(d, Samples)
	if len(problems) > 0 {
		return math.NaN(), problems[0].What
	}
	effort, known := sc.Effort.Get()
	switch {
	case !known:
		return math.NaN(), sc.Effort.Why()
	case effort > 1:
		return effort, "More than the lifter has."
	}
	return effort, ""
}

// valuesOf lists the values of a dial from end to end: its stops, or whole steps.
func valuesOf(s *dial.Setting) report.Curve {
	if len(s.Stops) > 0 {
		return slices.Clone(report.Curve(s.Stops))
	}
	n := int(math.Floor((s.To-s.From)/s.Step+1e-9)) + 1
	values := make(report.Curve, n)
	for i := range values {
		values[i] = math.Round(1e6*(s.From+float64(i)*s.Step)) / 1e6
	}
	return values
}

// mostPainted is how many values of a dial are judged at most: more cannot be told apart on its track.
const mostPainted = 25

// painted lists the values of a dial that are judged.
func painted(s *dial.Setting) report.Curve { return thinned(valuesOf(s), mostPainted) }

// thinned are all values, or every second, third and so on of more than a number.
func thinned(all report.Curve, most int) report.Curve {
	every := (len(all) + most - 1) / most
	if every <= 1 {
		return all
	}
	some := make(report.Curve, 0, most)
	for i := 0; i < len(all); i += every {
		some = append(some, all[i])
	}
	return some
}

// Painting is all that is painted for one document: the score it has, every sweep and what would mend its profile.
type Painting struct {
	Score      metric.Metric `json:"score" doc:"The document's own score, 0 to 100."`
	Points     *Points       `json:"points" doc:"What that is made up of; null where there is no score."`
	Sweeps     []Sweep       `json:"sweeps"`
	Suggestion *Suggestion   `json:"suggestion" doc:"The smallest change of one setting that helps, or null."`
}

// Paint sweeps every setting of a document.
func (w *Sweeper) Paint(d *setup.Document) (Painting, setup.Problems) { return w.PaintWith(d, nil) }

// PaintWith is Paint for whom some sweeps of the same document have been run before, by their keys.
func (w *Sweeper) PaintWith(d *setup.Document, have map[string]Sweep) (Painting, setup.Problems) {
	p := Painting{Sweeps: []Sweep{}}
	settings := Settings(d)
	sc, now, _ := w.begin(d)
	if now.why == "" {
		p.Score, p.Points = metric.Known(now.score), &now.points
	} else {
		p.Score = metric.Missing(now.why)
	}
	for i := range settings {
		if settings[i].Paint == "none" {
			continue
		}
		if s, done := have[settings[i].Key]; done {
			p.Sweeps = append(p.Sweeps, s)
			continue
		}
		s, problems := w.sweep(&sc, d, &settings[i])
		if len(problems) > 0 {
			return p, problems
		}
		p.Sweeps = append(p.Sweeps, s)
	}
	p.Suggestion = profileMend(&p, swept(settings), firstFor(&now.rating))
	return p, nil
}

// swept are the settings that have a sweep, in the same order.
func swept(settings []dial.Setting) []dial.Setting {
	return slices.DeleteFunc(settings, func(s dial.Setting) bool { return s.Paint == "none" })
}
