package dialin

import (
	"fmt"
	"math"

	"dialarc/core/evaluate"
	"dialarc/core/metric"
	"dialarc/core/setup"
)

// Points are the parts of a setup's score: what it is worth and, negative, what it costs. They add up to the score, which is 100 for a
// setup that fits its target profile wholly, works nothing but its target and costs nothing.
type Points struct {
	Fit        float64 `json:"fit" doc:"Fit to the target profile."`
	Muscles    float64 `json:"muscles" doc:"The target's mean contribution."`
	Lengths    float64 `json:"lengths" doc:"Torque at the lengths asked for."`
	OutOfPlane float64 `json:"outOfPlane" doc:"What goes out of plane."`
	Start      float64 `json:"start" doc:"Tension at the start."`
	Clearance  float64 `json:"clearance" doc:"Strands that run close."`
	JointLoad  float64 `json:"jointLoad" doc:"Low back and grip beyond what the lifter wants to hold."`
	Aims       float64 `json:"aims" doc:"Aims that are not met."`
}

// Total is the score.
func (p *Points) Total() float64 {
	return p.Fit + p.Muscles + p.Lengths + p.OutOfPlane + p.Start + p.Clearance + p.JointLoad + p.Aims
}

// less is by how much each part is more than in another score.
func (p *Points) less(q *Points) Points {
	return Points{p.Fit - q.Fit, p.Muscles - q.Muscles, p.Lengths - q.Lengths, p.OutOfPlane - q.OutOfPlane, p.Start - q.Start,
		p.Clearance - q.Clearance,
		p.JointLoad - q.JointLoad, p.Aims - q.Aims}
}

// weights are what a score counts, in points.
type weights struct {
	fit, target, length                     float64
	outOfPlane, start, clearance, jointLoad float64
	targetLoss                              float64 // of the target's mean contribution that may be lost, as a share
	rangeKept                               float64 // share of the range that has to stay
	lengths                                 string
}

// Usual weights (own): a fit counts for more than half, a setup that works something else cannot make up for it.
var usualWeights = weights{fit: 60, target: 40, outOfPlane: 40, start: 3, clearance: 3, jointLoad: 3, targetLoss: 0.02, rangeKept: 0.9}

// usualLength is what torque at the lengths asked for is worth, where some are asked for (own).
const usualLength = 20

// weightsOf are those of a document.
func weightsOf(d *setup.Document) weights {
	w, s := usualWeights, d.Scoring
	if s == nil {
		return w
	}
	if w.lengths = s.Lengths; w.lengths != "" {
		w.length = usualLength
	}
	for _, x := range []struct {
		given *float64
		to    *float64
	}{{s.Fit, &w.fit}, {s.Target, &w.target}, {s.Length, &w.length}, {s.OutOfPlane, &w.outOfPlane}, {s.Start, &w.start},
		{s.Clearance, &w.clearance},
		{s.JointLoad, &w.jointLoad}, {s.TargetLoss, &w.targetLoss}, {s.RangeKept, &w.rangeKept}} {
		if x.given != nil {
			*x.to = *x.given
		}
	}
	if s.TargetLoss != nil {
		w.targetLoss /= 100
	}
	if w.lengths == "" {
		w.length = 0
	}
	return w
}

// points scores a rating. What of target or lengths is not known counts for nothing, and the rest for as much more.
func (w *weights) points(r *evaluate.Rating) Points {
	match := r.Fit.Or(0) / 100
	worth := []struct {
		weight float64
		value  metric.Metric
		to     func(p *Points) *float64
	}{
		{w.fit, metric.Known(match), func(p *Points) *float64 { return &p.Fit }},
		{w.target, r.Target, func(p *Points) *float64 { return &p.Muscles }},
		{w.length, w.atLengths(r), func(p *Points) *float64 { return &p.Lengths }},
	}
	sum := 0.0
	for _, x := range worth {
		if x.value.Known() {
			sum += x.weight
		}
	}
	var p Points
	for _, x := range worth {
		if v, known := x.value.Get(); known && sum > 0 {
			*x.to(&p) = 100 * x.weight * v / sum
		}
	}
	p.OutOfPlane = -w.outOfPlane * math.Min(1, r.OffAxis.Or(0))
	if r.Tones["start"] == "warning" {
		p.Start = -w.start
	}
	if r.Tones["clearance"] == "warning" {
		p.Clearance = -w.clearance
	}
	for _, over := range []metric.Metric{r.LowBack, r.Grip} {
		p.JointLoad -= 10 * w.jointLoad * max(0, over.Or(0)-1)
	}
	return p
}

// atLengths is the share of the torque at the lengths asked for.
func (w *weights) atLengths(r *evaluate.Rating) metric.Metric {
	long, known := r.Lengthened.Get()
	switch {
	case w.lengths == "" || !known:
		return metric.Missing("No lengths are asked for, or they are not known.")
	case w.lengths == "shortened":
		return metric.Known(1 - long)
	}
	return metric.Known(long)
}

// Aim is something that a search looks for beside the score.
type Aim struct {
	Kind     string          `json:"kind" doc:"hardestAt: the angle at which it is hardest, degrees; endAtLeast: torque at the end over its peak; shearAtMost: force across the limb at the target joint, N; targetAtLeast: the target's mean contribution; like: the same profile as another setup's." enum:"hardestAt,endAtLeast,shearAtMost,targetAtLeast,like"`
	Value    float64         `json:"value,omitempty" doc:"What is asked for; nothing for like."`
	Document *setup.Document `json:"document,omitempty" doc:"like: the other setup."`
	shape    []float64
}

// Costs of an aim that is not met, in points (own): of a degree off; of being short or over by all of it, or off by the whole peak all
// along. No aim costs more than the most.
const (
	aimDegree = 2.0
	aimShare  = 200.0
	aimMost   = 60.0
)

// cost is what a rating misses an aim by, in points; all of it where the rating does not know.
func (a *Aim) cost(r *evaluate.Rating) float64 {
	off := math.NaN()
	switch a.Kind {
	case "hardestAt":
		off = aimDegree * math.Abs(r.PeakDeg.OrNaN()-a.Value)
	case "endAtLeast":
		off = aimShare * (a.Value - r.EndShare.OrNaN())
	case "targetAtLeast":
		off = aimShare * (a.Value - r.Target.OrNaN())
	case "shearAtMost":
		off = aimShare * (r.Shear.OrNaN()/a.Value - 1)
	case "like":
		off = aimShare * apartBy(a.shape, r.Shape)
	}
	if math.IsNaN(off) {
		return aimMost
	}
	return max(0, min(aimMost, off))
}

// apartBy is the root of the mean squared difference of two shapes, each as a share of its peak.
func apartBy(a, b []float64) float64 {
	if len(a) == 0 || len(a) != len(b) {
		return math.NaN()
	}
	sum := 0.0
	for i := range a {
		sum += (a[i] - b[i]) * (a[i] - b[i])
	}
	return math.Sqrt(sum / float64(len(a)))
}

// scorer scores documents against one that was there before.
type scorer struct {
	weights
	aims   []Aim
	before *evaluate.Rating // nil where it cannot be evaluated
	sweeps bool             // whether the range is the document's own coordinate
}

func (s *scorer) points(r *evaluate.Rating) Points {
	p := s.weights.points(r)
	for i := range s.aims {
		p.Aims -= s.aims[i].cost(r)
	}
	return p
}

// keeps is the share of the range before that a rating still goes through.
func (s *scorer) keeps(r *evaluate.Rating) float64 {
	if !s.sweeps {
		return min(1, r.Swept/max(s.before.Swept, 1e-9))
	}
	low, high := min(s.before.Ends[0], s.before.Ends[1]), max(s.before.Ends[0], s.before.Ends[1])
	from, to := max(low, min(r.Ends[0], r.Ends[1])), min(high, max(r.Ends[0], r.Ends[1]))
	return max(0, to-from) / max(high-low, 1e-9)
}

// loses says whether a rating gives more of target or range away than the coach allows.
func (s *scorer) loses(r *evaluate.Rating) bool {
	if s.before == nil {
		return false
	}
	was, known := s.before.Target.Get()
	return known && was-r.Target.Or(0) > s.targetLoss+1e-9 || s.shortens(r)
}

// shortens says whether a rating gives more of the range away than the coach allows.
func (s *scorer) shortens(r *evaluate.Rating) bool {
	return s.before != nil && s.keeps(r) < s.rangeKept-1e-9
}

// scoreless says why a rating has no score; empty where it has one.
func scoreless(r *evaluate.Rating) string {
	switch {
	case r.Hurts != "":
		return "The " + r.Hurts + " goes into its painful range."
	case !r.Fit.Known():
		return r.Fit.Why()
	}
	return ""
}

// aimProblems says what is wrong with aims, and makes them ready.
func aimProblems(aims []Aim) setup.Problems {
	v := &setup.Checks{}
	limits := map[string][2]float64{"hardestAt": {-180, 180}, "endAtLeast": {0, 1}, "shearAtMost": {1, 20000}, "targetAtLeast": {0, 1}}
	for i := range aims {
		a := &aims[i]
		path := fmt.Sprintf("aims[%d]", i)
		if !v.OneOf(path+".kind", "kind of aim", a.Kind, "hardestAt", "endAtLeast", "shearAtMost", "targetAtLeast", "like") {
			continue
		}
		if l, number := limits[a.Kind]; number {
			v.Within(path+".value", "value of the aim", a.Value, l[0], l[1], "", "")
			continue
		}
		if a.Document == nil {
			v.Add(path+".document", "There is no setup to be like.", "", "Choose one.")
			continue
		}
		r, problems := new(evaluate.Evaluator).RateUnless(a.Document, Samples, func(*evaluate.Rating) bool { return true }) // the curve alone
		if len(problems) > 0 {
			v.Add(path+".document", "The setup to be like cannot be evaluated: "+problems[0].What, problems[0].Why, problems[0].Hint)
			continue
		}
		a.shape = r.Shape
	}
	return v.Found
}
