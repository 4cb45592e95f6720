package profile

import (
	"math"

	"gonum.org/v1/gonum/floats"

	"dialarc/core/metric"
)

// Curves are what two setups are compared by: swept angle and named coordinate (rad), torque of everything and of the loads
// that may be changed, N·m, one value per sample.
type Curves struct {
	Swept, Angle, Total, Variable []float64
	GapWhy                        string // why the curves have gaps; empty when they have none
}

// Factors are what the variable loads have to be multiplied by.
type Factors struct{ Peak, Mean, End metric.Metric }

// Equal solves for the factors on the variable loads of one setup with which it asks for the largest torque, the mean, or
// the torque at the end that another one asks for. Torque is linear in those loads, so each is the solution of a straight
// line; for the peak, of which the smallest counts at which any place reaches it.
func Equal(own, other *Curves) Factors {
	for _, c := range []*Curves{own, other} {
		if c.GapWhy != "" {
			m := metric.Missing(c.GapWhy)
			return Factors{m, m, m}
		}
	}
	own, other = own.moving(), other.moving()
	if len(own.Total) == 0 || len(other.Total) == 0 {
		none := metric.Missing(noRange)
		return Factors{none, none, none}
	}
	peak, factor := floats.Max(other.Total), math.Inf(1)
	for i, v := range own.Variable {
		if v > 1e-9 {
			factor = min(factor, (peak-(own.Total[i]-v))/v)
		}
	}
	last := len(own.Total) - 1
	return Factors{
		Peak: usable(factor),
		Mean: line(average(other.Swept, other.Total), average(own.Swept, own.Total), average(own.Swept, own.Variable)),
		End:  line(other.Total[len(other.Total)-1], own.Total[last], own.Variable[last]),
	}
}

// EqualAt solves for the factor on the variable loads of one setup with which it asks, where the named coordinate first has a
// value (rad), for the torque that another one asks for there.
func EqualAt(own, other *Curves, angle float64) metric.Metric {
	for _, c := range []*Curves{own, other} {
		if c.GapWhy != "" {
			return metric.Missing(c.GapWhy)
		}
	}
	own, other = own.moving(), other.moving()
	here, reached := placeOf(own.Angle, angle)
	there, also := placeOf(other.Angle, angle)
	if !reached || !also {
		return metric.Missing("Not every setup passes that angle.")
	}
	return line(between(other.Total, there), between(own.Total, here), between(own.Variable, here))
}

// placeOf is where a curve first has a value, as a sample and the share of the way to the next.
func placeOf(curve []float64, value float64) (place float64, reached bool) {
	for i := 1; i < len(curve); i++ {
		a, b := curve[i-1], curve[i]
		if (value-a)*(value-b) <= 0 {
			if a == b {
				return float64(i - 1), true
			}
			return float64(i-1) + (value-a)/(b-a), true
		}
	}
	return 0, false
}

func between(curve []float64, place float64) float64 {
	i := min(int(place), len(curve)-2)
	return curve[i] + (place-float64(i))*(curve[i+1]-curve[i])
}

// line is the factor on the variable part of a torque that brings it to what is wanted.
func line(wanted, total, variable float64) metric.Metric {
	if variable <= 1e-9 {
		return usable(math.Inf(1))
	}
	return usable((wanted - (total - variable)) / variable)
}

func usable(factor float64) metric.Metric {
	switch {
	case math.IsInf(factor, 0) || math.IsNaN(factor):
		return metric.Missing("No load that may be changed resists there.")
	case factor <= 0:
		return metric.Missing("Without any load it already asks for more.")
	}
	return metric.Known(factor)
}

// average is the mean over the swept angle.
func average(swept, y []float64) float64 {
	u := places(swept)
	if u == nil {
		return math.NaN()
	}
	return mean(u, func(i int) float64 { return y[i] })
}
