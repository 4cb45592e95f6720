package emg

import (
	"math"

	"dialarc/core/metric"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/stat"
)

// Agreement is how measured activity and the model's go together over the range.
type Agreement struct {
	Correlation metric.Metric `json:"correlation" doc:"Pearson's, over the parts of the range that both have."`
	Measured    metric.Metric `json:"measured" doc:"Mean, percent."`
	Model       metric.Metric `json:"model" doc:"Mean, percent."`
	Expected    []*float64    `json:"expected" doc:"The model's activation at each place of the course, percent; null where it has none."`
	Apart       []Stretch     `json:"apart" doc:"Where they differ by more than both are sure of."`
}

// Stretch is a part of the range.
type Stretch struct {
	FromDeg float64 `json:"fromDeg"`
	ToDeg   float64 `json:"toDeg"`
	By      float64 `json:"by" doc:"Largest difference, measured less expected, percentage points."`
}

// What is no difference (own): the model's activations are good to that many points, and a difference has to hold over that many parts.
const (
	modelPoints = 10.0
	leastParts  = 3
)

// Against holds a course over angles, percent of the strongest contraction, against the model's activation, 1 for all of it, over its own
// angles. Two standard errors of the measured mean and the model's own roughness together are no difference. Courses in µV have no
// size that a model could expect: only how they run is compared.
func Against(angles []float64, c Course, percent bool, modelAngles, activation []float64) Agreement {
	expected := onto(angles, modelAngles, activation)
	out := Agreement{Expected: expected, Apart: []Stretch{}}
	var x, y, off []float64
	var places []int
	for i, m := range c.Mean {
		if m == nil || expected[i] == nil {
			continue
		}
		sure := modelPoints
		if sd := c.SD[i]; sd != nil && c.Reps > 1 {
			sure = math.Hypot(sure, 2**sd/math.Sqrt(float64(c.Reps)))
		}
		x, y, off, places = append(x, *m), append(y, *expected[i]), append(off, sure), append(places, i)
	}
	if len(x) < leastParts {
		why := metric.Missing("Measured and expected activity have too little of the range in common.")
		out.Correlation, out.Measured, out.Model = why, why, why
		return out
	}
	out.Measured, out.Model = metric.Known(stat.Mean(x, nil)), metric.Known(stat.Mean(y, nil))
	if r := stat.Correlation(x, y, nil); math.IsNaN(r) {
		out.Correlation = metric.Missing("One of them does not change over the range.")
	} else {
		out.Correlation = metric.Known(r)
	}
	if !percent {
		out.Measured = metric.Missing("Without a strongest contraction activity has no size that could be compared.")
		return out
	}
	out.Apart = differ(angles, places, x, y, off)
	return out
}

// differ are the stretches in which two courses lie apart, on one side.
func differ(angles []float64, places []int, x, y, off []float64) []Stretch {
	out := []Stretch{}
	for i := 0; i < len(x); {
		side := math.Copysign(1, x[i]-y[i])
		k, most := i, 0.0
		for k < len(x) && side*(x[k]-y[k]) > off[k] {
			most = math.Max(most, side*(x[k]-y[k]))
			k++
		}
		if k-i >= leastParts {
			out = append(out, Stretch{FromDeg: angles[places[i]], ToDeg: angles[places[k-1]], By: side * most})
		}
		i = max(k, i+1)
	}
	return out
}

// onto is the model's activation in percent at given angles, by straight lines; null beyond its own.
func onto(angles, modelAngles, activation []float64) []*float64 {
	out := make([]*float64, len(angles))
	x, y := rising(modelAngles, activation)
	var line interp.PiecewiseLinear
	if len(x) < 2 || line.Fit(x, y) != nil {
		return out
	}
	for i, a := range angles {
		if a >= x[0]-1 && a <= x[len(x)-1]+1 {
			out[i] = new(100 * line.Predict(a))
		}
	}
	return out
}

// rising are points in the order of their first coordinate, those without a number and those that do not rise left out.
func rising(x, y []float64) (a, b []float64) {
	if len(x) > 1 && x[len(x)-1] < x[0] {
		for i := len(x) - 1; i >= 0; i-- {
			a, b = append(a, x[i]), append(b, y[i])
		}
		x, y = a, b
		a, b = nil, nil
	}
	for i := range x {
		if !math.IsNaN(x[i]) && !math.IsNaN(y[i]) && (len(a) == 0 || x[i] > a[len(a)-1]+1e-9) {
			a, b = append(a, x[i]), append(b, y[i])
		}
	}
	return a, b
}
