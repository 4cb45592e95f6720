package profile

import (
	"math"

	"gonum.org/v1/gonum/floats"
	"gonum.org/v1/gonum/interp"

	"dialarc/core/metric"
)

// Wanted is what a school wants at a place u (0 long end, 1 short end) before scaling, and whether that is an effort
// (torque over capacity) or a torque:
//
//	match     effort 1 all the way
//	early     effort falling from 1 to 0.35
//	late      effort rising from 0.35 to 1
//	even      torque 1 all the way
//	custom    torque through the five given heights
//	overload  as match; it is scored by Judge in its own way
func Wanted(school string, custom []float64) (want func(u float64) float64, effort bool) {
	switch school {
	case "early":
		return func(u float64) float64 { return 1 - (1-lowEffort)*u }, true
	case "late":
		return func(u float64) float64 { return lowEffort + (1-lowEffort)*u }, true
	case "even":
		return func(float64) float64 { return 1 }, false
	case "custom":
		var c interp.FritschButland
		if err := c.Fit([]float64{0, 0.25, 0.5, 0.75, 1}, custom); err != nil { // five validated heights
			panic("profile: " + err.Error())
		}
		return c.Predict, false
	}
	return func(float64) float64 { return 1 }, true
}

// score compares the profile with the school. Wanted and actual curve are scaled to the mean 1 over swept angle; the
// error is the root of their mean squared difference and the match 100 max(0, 1 - error). The school overload scores
// the mean effort, in percent, at the load whose largest effort is 1.
func (r *Result) score(in *Input, u []float64) {
	want, effort := Wanted(in.School, in.Custom)
	if in.NoLongEnd != "" && (in.School == "early" || in.School == "late") {
		r.Fit = metric.Missing(in.NoLongEnd)
		return
	}
	if effort && in.Capacity == nil {
		r.Fit = metric.Missing(in.Unknown)
		return
	}
	actual := in.Total
	if effort {
		actual = r.Effort
	}
	level := mean(u, func(i int) float64 { return actual[i] })
	if in.School == "overload" {
		r.scoreOverload(in, u)
		return
	}
	if !(level > 0) {
		r.Fit = metric.Known(0).Because("On the whole the torque helps the lift instead of resisting it.")
		return
	}
	wanted := make([]float64, len(u))
	for i, x := range u {
		wanted[i] = want(x)
	}
	scale := mean(u, func(i int) float64 { return wanted[i] })
	floats.Scale(1/scale, wanted)
	off := mean(u, func(i int) float64 { e := actual[i]/level - wanted[i]; return e * e })
	r.Fit = metric.Known(100 * max(0, 1-math.Sqrt(off)))
	r.Target = wanted
	floats.Scale(level, r.Target)
	if effort {
		floats.Mul(r.Target, in.Capacity)
	}
}

func (r *Result) scoreOverload(in *Input, u []float64) {
	k, known := r.LoadFactor.Get()
	if !known {
		r.Fit = metric.Missing(r.LoadFactor.Why())
		return
	}
	r.Fit = metric.Known(100 * max(0, mean(u, func(i int) float64 {
		return (in.Total[i] + (k-1)*in.Variable[i]) / in.Capacity[i]
	})))
	// Drawn where the muscle would be asked for the same effort as at the limiting angle.
	r.Target = make([]float64, len(u))
	floats.ScaleTo(r.Target, floats.Max(r.Effort), in.Capacity)
}
