package measure

import (
	"fmt"
	"math"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/quantity"
	"dialarc/core/setup"

	"gonum.org/v1/gonum/stat"
)

// StackReading is the pull at a handle with a pin, while the stack slowly rises and while it slowly sinks.
type StackReading struct {
	Pin  float64 `json:"pin" doc:"As it is labelled, kg."`
	Up   float64 `json:"up" doc:"While the stack rises, N."`
	Down float64 `json:"down" doc:"While it sinks, N."`
}

// StackFit is what readings of a cable station come to.
type StackFit struct {
	Ratio       float64       `json:"ratio" doc:"Force at the handle over weight of the stack."`
	RatioOff    metric.Metric `json:"ratioOff" doc:"How far it could be off at 95 %."`
	Friction    float64       `json:"friction" doc:"Share of the force that the pulleys keep."`
	FrictionOff metric.Metric `json:"frictionOff" doc:"How far it could be off at 95 %."`
	Unlabelled  metric.Metric `json:"unlabelled" doc:"Mass that hangs on every pin beside what its label says, kg."`
	UnlabelOff  metric.Metric `json:"unlabelledOff" doc:"How far it could be off at 95 %, kg."`
	Residual    float64       `json:"residual" doc:"How far the readings lie from the fit, root of the mean square, N."`
}

// Stack fits ratio and friction of a cable station. Raised, the handle is pulled with g (pin + c) r (1 + f), lowered with
// g (pin + c) r (1 - f): half the sum is a line over the pin, whose slope is the ratio r and whose offset the mass c that no label speaks
// of; the difference over the sum is the friction f. Lines by least squares with the usual standard errors (Draper and Smith 1998, from
// memory). With two pins nothing can be said of how far it could be off; with fewer there is no line.
func Stack(readings []StackReading) (*StackFit, setup.Problems) {
	v := &setup.Checks{}
	var pins, mid, friction []float64
	for i, r := range readings {
		at := fmt.Sprintf("row %d", i+1)
		switch {
		case !(r.Pin > 0):
			v.Add(at, "The pin has no mass.", "", "Give what stands on it.")
		case !(r.Down > 0) || !(r.Up > 0):
			v.Add(at, "A pull is 0.", "The handle carries the stack both ways.", "Read the scale while the stack moves.")
		case r.Down > r.Up:
			v.Add(at, fmt.Sprintf("It pulls with %.4g N going down and %.4g N going up.", r.Down, r.Up), "Friction holds the stack back on the way up.",
				"Swap them if they were written the wrong way round.")
		}
		pins, mid, friction = append(pins, r.Pin), append(mid, (r.Up+r.Down)/2), append(friction, (r.Up-r.Down)/(r.Up+r.Down))
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	if len(pins) < 2 || slices.Max(pins) == slices.Min(pins) {
		v.Add("", fmt.Sprintf("There are readings of %d pins.", len(slices.Compact(slices.Sorted(slices.Values(pins))))),
			"The ratio is how much the pull grows from pin to pin.", "Measure at three pins, light, middle and heavy.")
		return nil, v.Found
	}
	offset, slope := stat.LinearRegression(pins, mid, nil, false)
	if !(slope > 0) {
		v.Add("", "The pull does not grow with the pin.", "", "Check which pull belongs to which pin.")
		return nil, v.Found
	}
	f, sd := stat.MeanStdDev(friction, nil)
	fit := &StackFit{Ratio: slope / quantity.Gravity, Friction: f, Unlabelled: metric.Known(offset / slope)}
	fit.errors(pins, mid, offset, slope)
	fit.FrictionOff = metric.Known(sure(len(pins)-1) * sd / math.Sqrt(float64(len(pins))))
	return fit, nil
}

// errors fills in the residual and, with three readings or more, what the fit could be off.
func (fit *StackFit) errors(pins, mid []float64, offset, slope float64) {
	n := float64(len(pins))
	mean, ss, rest := stat.Mean(pins, nil), 0.0, 0.0
	for i, x := range pins {
		d := mid[i] - offset - slope*x
		ss, rest = ss+(x-mean)*(x-mean), rest+d*d
	}
	fit.Residual = math.Sqrt(rest / n)
	if n < 3 {
		const why = "Three pins or more tell how far it could be off."
		fit.RatioOff, fit.UnlabelOff = metric.Missing(why), metric.Missing(why)
		return
	}
	s := sure(len(pins)-2) * math.Sqrt(rest/(n-2))
	fit.RatioOff = metric.Known(math.Hypot(s/math.Sqrt(ss)/quantity.Gravity, scaleGain*fit.Ratio))
	fit.UnlabelOff = metric.Known(math.Hypot(s*math.Sqrt(1/n+mean*mean/ss), scaleZero) / slope)
}

// What a scale itself may be off by at 95 %, which no scatter shows (own): a share of what it reads, and N.
const (
	scaleGain = 0.003
	scaleZero = 0.2
)
