package profile

import (
	"math"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/reps"

	"gonum.org/v1/gonum/floats"
)

// Input is one repetition to judge: slices of equal length, from the start of the lift to its end. The long end of the
// target is the start, where the region that lifts has not shortened yet, unless LongAtEnd says otherwise.
type Input struct {
	LongAtEnd bool      // the target is longer at the end of the path than at its start
	NoLongEnd string    // why neither end is the long one; empty when one is. Then nothing is told that is counted from it
	Swept     []float64 // swept angle from the start, rad, rising
	Angle     []float64 // named coordinate, rad
	Total     []float64 // resisting torque of loads and weights, N·m; NaN where the target stands still
	Loads     []float64 // of the loads alone, N·m
	Variable  []float64 // of the loads that advice may scale, N·m
	Capacity  []float64 // N·m, above zero; nil when it is unknown
	Unknown   string    // why it is
	GapWhy    string    // why the curve has gaps; empty when it has none
	School    string
	Custom    []float64 // five heights for the school custom
}

// Shape describes one torque curve.
type Shape struct {
	Peak       metric.Metric // N·m
	PeakAngle  metric.Metric // rad, named coordinate; the first angle of a plateau
	StartShare metric.Metric // share of the peak at the start
	EndShare   metric.Metric // share of the peak at the end
	Centroid   metric.Metric // mean place from the long end, 0 to 1, weighted by torque; torque that assists weighs nothing
	Phase      string        // early, mid or late; empty when the centroid is missing
	Thirds     [3]metric.Metric
	Assisting  metric.Metric // share of |torque| that helps the lift instead of resisting it
}

// Span is a piece of the range, rad of the named coordinate.
type Span struct{ From, To float64 }

// Cliff is a stretch of the range on which torque changes fast; whether it falls or comes in.
type Cliff struct {
	Span
	Falls bool
}

// Result is what Judge finds.
type Result struct {
	Loads, Total  Shape
	Effort        []float64 // total over capacity
	PeakEffort    metric.Metric
	LimitingAngle metric.Metric // rad, where effort is largest
	Target        []float64     // N·m, the wanted curve, scaled to the same mean; nil when there is no score
	Fit           metric.Metric // 0 to 100
	LoadFactor    metric.Metric // what the variable loads would have to be multiplied by for a peak effort of 1
	Reps          metric.Metric // repetitions possible with the present load, by Epley 1985
	DeadSpots     []Span        // under 15% of the peak
	Cliffs        []Cliff       // more than half of the peak lost within a third of the swept range, or gained within a tenth
}

const (
	deadShare     = 0.15    // of the peak
	shortest      = 0.02    // of a dead spot that is told, rad
	cliffShare    = 0.5     // of the peak
	fallWindow    = 1.0 / 3 // of the swept range (own): a weight that is led over its top loses half of its peak in 30 degrees
	riseWindow    = 0.1     // of the swept range
	earlyCentroid = 0.45
	lateCentroid  = 0.55
	lowEffort     = 0.35 // where the schools early and late let effort go
)

// Judge computes every metric of a profile. Metrics that need the whole range are missing when there are gaps.
func Judge(in *Input) Result {
	var r Result
	switch some := moving(in.Total); {
	case in.GapWhy != "":
		r.fail(in.GapWhy)
	case some == nil:
		r.judge(in)
	case len(some) < 2:
		r.fail(noRange)
	default:
		r.judge(in.at(some))
		r.Effort, r.Target = spread(r.Effort, some, len(in.Total)), spread(r.Target, some, len(in.Total))
	}
	return r
}

const noRange = "The target joint does not move, so there is no range to judge."

func (r *Result) judge(in *Input) {
	u := places(in.Swept)
	if u == nil {
		r.fail(noRange)
		return
	}
	if in.LongAtEnd {
		for i := range u {
			u[i] = 1 - u[i]
		}
	}
	r.Loads, r.Total = describe(u, in.Angle, in.Loads), describe(u, in.Angle, in.Total)
	if in.Capacity == nil {
		none := metric.Missing(in.Unknown)
		r.PeakEffort, r.LimitingAngle, r.LoadFactor, r.Reps = none, none, none, none
	} else {
		r.Effort = make([]float64, len(u))
		floats.DivTo(r.Effort, in.Total, in.Capacity)
		limit := floats.MaxIdx(r.Effort)
		r.PeakEffort, r.LimitingAngle = metric.Known(r.Effort[limit]), metric.Known(in.Angle[limit])
		r.solveLoad(in)
	}
	r.score(in, u)
	r.DeadSpots, r.Cliffs = deadSpots(in), cliffs(in, u)
	if in.NoLongEnd != "" {
		r.Loads.forgetLongEnd(in.NoLongEnd)
		r.Total.forgetLongEnd(in.NoLongEnd)
	}
}

// forgetLongEnd takes out what is counted from the long end.
func (s *Shape) forgetLongEnd(why string) {
	if s.Centroid.Known() {
		none := metric.Missing(why)
		s.Centroid, s.Phase, s.Thirds = none, "", [3]metric.Metric{none, none, none}
	}
}

func (r *Result) fail(why string) {
	m := metric.Missing(why)
	s := Shape{Peak: m, PeakAngle: m, StartShare: m, EndShare: m, Centroid: m, Thirds: [3]metric.Metric{m, m, m}, Assisting: m}
	r.Loads, r.Total = s, s
	r.PeakEffort, r.LimitingAngle, r.Fit, r.LoadFactor, r.Reps = m, m, m, m, m
}

// places scales swept angles to 0..1; nil when nothing is swept.
func places(swept []float64) []float64 {
	whole := swept[len(swept)-1]
	if !(whole > 1e-9) {
		return nil
	}
	u := make([]float64, len(swept))
	floats.ScaleTo(u, 1/whole, swept)
	return u
}

// mean is the average of y over u by the trapezoidal rule; u runs from 0 to 1 or back.
func mean(u []float64, y func(int) float64) float64 {
	sum := 0.0
	for i := 1; i < len(u); i++ {
		sum += math.Abs(u[i]-u[i-1]) * (y(i) + y(i-1)) / 2
	}
	return sum
}

func describe(u, angle, torque []float64) Shape {
	top := floats.MaxIdx(torque)
	peak := torque[top]
	none := metric.Missing("No torque resists the lift anywhere in the range.")
	s := Shape{Peak: metric.Known(peak), PeakAngle: none, StartShare: none, EndShare: none, Centroid: none,
		Thirds: [3]metric.Metric{none, none, none}, Assisting: none}
	size := mean(u, func(i int) float64 { return math.Abs(torque[i]) })
	resisting := make([]float64, len(torque))
	for i, t := range torque {
		resisting[i] = max(0, t)
	}
	area := mean(u, func(i int) float64 { return resisting[i] })
	if size > 0 {
		s.Assisting = metric.Known(max(0, size-area) / size)
	}
	if peak <= 0 || area <= 0 {
		return s
	}
	first := top
	for first > 0 && torque[first-1] >= peak*(1-1e-9) {
		first--
	}
	s.PeakAngle = metric.Known(angle[first])
	s.StartShare, s.EndShare = metric.Known(torque[0]/peak), metric.Known(torque[len(torque)-1]/peak)
	centroid := mean(u, func(i int) float64 { return u[i] * resisting[i] }) / area
	s.Centroid, s.Phase = metric.Known(centroid), PhaseOf(centroid)
	for k := range s.Thirds {
		s.Thirds[k] = metric.Known(third(u, resisting, k) / area)
	}
	return s
}

// PhaseOf names where a load falls by its centroid from the long end: early below 0.45, late above 0.55, else mid.
func PhaseOf(centroid float64) string {
	switch {
	case centroid < earlyCentroid:
		return "early"
	case centroid > lateCentroid:
		return "late"
	}
	return "mid"
}

// third is the integral of y over the k-th third of u, splitting the pieces that straddle a border.
func third(u, y []float64, k int) float64 {
	from, to := float64(k)/3, float64(k+1)/3
	sum := 0.0
	for i := 1; i < len(u); i++ {
		a, b := max(from, min(u[i-1], u[i])), min(to, max(u[i-1], u[i]))
		if a >= b {
			continue
		}
		slope := (y[i] - y[i-1]) / (u[i] - u[i-1])
		sum += (b - a) * (y[i-1] + slope*((a+b)/2-u[i-1]))
	}
	return sum
}

// solveLoad finds the factor on the variable loads at which the largest effort is 1. Torque is linear in them, and the
// segments' weights and fixed loads do not scale, so the factor is the least of (capacity - rest) / variable.
func (r *Result) solveLoad(in *Input) {
	factor := math.Inf(1)
	for i, v := range in.Variable {
		if v > 1e-9 {
			factor = min(factor, (in.Capacity[i]-(in.Total[i]-v))/v)
		}
	}
	switch {
	case math.IsInf(factor, 1):
		r.LoadFactor = metric.Missing("No load that may be changed resists the lift.")
	case factor <= 0:
		r.LoadFactor = metric.Missing("The arm's own weight and the fixed loads already ask for all that the lifter has.")
	default:
		r.LoadFactor = metric.Known(factor)
	}
	r.Reps = metric.Missing(r.LoadFactor.Why())
	if !r.LoadFactor.Known() {
		return
	}
	switch n := reps.At(factor); {
	case n >= 2:
		r.Reps = metric.Known(n)
	case n >= 0:
		r.Reps = metric.Missing("The load is too near the model's one-repetition limit for a count.")
	default:
		r.Reps = metric.Missing("The load is more than the model's one-repetition limit.")
	}
}

func deadSpots(in *Input) []Span {
	peak := floats.Max(in.Total)
	if peak <= 0 {
		return nil
	}
	found := spans(in.Angle, func(i int) bool { return in.Total[i] < deadShare*peak })
	return slices.DeleteFunc(found, func(s Span) bool { return math.Abs(s.To-s.From) < shortest })
}

// cliffs lists the stretches in which torque falls off by more than half the peak within a third of the swept range, or comes in by as
// much within a tenth.
func cliffs(in *Input, u []float64) []Cliff {
	peak := floats.Max(in.Total)
	if peak <= 0 {
		return nil
	}
	var out []Cliff
	for _, s := range steep(in, u, fallWindow, -cliffShare*peak) {
		out = append(out, Cliff{s, true})
	}
	for _, s := range steep(in, u, riseWindow, cliffShare*peak) {
		out = append(out, Cliff{s, false})
	}
	return out
}

// steep lists the stretches in which torque changes by more than an amount, with its sign, within a window of the swept range.
func steep(in *Input, u []float64, window, amount float64) []Span {
	on := make([]bool, len(u))
	for i := range u {
		for j := i + 1; j < len(u) && math.Abs(u[j]-u[i]) <= window+1e-9; j++ {
			if (in.Total[j]-in.Total[i])/amount > 1 {
				for k := i; k <= j; k++ {
					on[k] = true
				}
				break
			}
		}
	}
	return spans(in.Angle, func(i int) bool { return on[i] })
}

// spans collects the runs of samples for which in holds.
func spans(angle []float64, in func(int) bool) []Span {
	var found []Span
	for i := 0; i < len(angle); i++ {
		if !in(i) {
			continue
		}
		from := i
		for i+1 < len(angle) && in(i+1) {
			i++
		}
		found = append(found, Span{angle[from], angle[i]})
	}
	return found
}
