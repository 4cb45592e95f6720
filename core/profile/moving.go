package profile

import (
	"math"
	"slices"
)

// moving lists the samples at which the target turns, so that there is a torque about an axis; nil where it turns at all of them. Where it
// stands still no angle is swept, so that nothing over swept angle misses those places.
func moving(total []float64) []int {
	if !slices.ContainsFunc(total, math.IsNaN) {
		return nil
	}
	some := make([]int, 0, len(total))
	for i, t := range total {
		if !math.IsNaN(t) {
			some = append(some, i)
		}
	}
	return some
}

func pick(x []float64, at []int) []float64 {
	if x == nil {
		return nil
	}
	out := make([]float64, len(at))
	for k, i := range at {
		out[k] = x[i]
	}
	return out
}

// spread puts values of some samples back among n; elsewhere there is none.
func spread(x []float64, at []int, n int) []float64 {
	if x == nil {
		return nil
	}
	out := make([]float64, n)
	for i := range out {
		out[i] = math.NaN()
	}
	for k, i := range at {
		out[i] = x[k]
	}
	return out
}

// at is the input of some samples.
func (in *Input) at(some []int) *Input {
	out := *in
	for _, x := range []*[]float64{&out.Swept, &out.Angle, &out.Total, &out.Loads, &out.Variable, &out.Capacity} {
		*x = pick(*x, some)
	}
	return &out
}

// moving are the curves where the target turns.
func (c *Curves) moving() *Curves {
	some := moving(c.Total)
	if some == nil {
		return c
	}
	return &Curves{Swept: pick(c.Swept, some), Angle: pick(c.Angle, some), Total: pick(c.Total, some), Variable: pick(c.Variable, some),
		GapWhy: c.GapWhy}
}
