package measure

import (
	"fmt"
	"math"

	"dialarc/core/metric"
	"dialarc/core/quantity"
	"dialarc/core/setup"

	"gonum.org/v1/gonum/stat"
)

// CamFit is what readings of a machine with a cam come to.
type CamFit struct {
	Table    []setup.CamPoint `json:"table" doc:"The stack's moment arm by angle, rising."`
	Spread   metric.Metric    `json:"spread" doc:"How far an arm could be off at 95 %, as a share, by readings taken again at an angle."`
	Readings int              `json:"readings"`
}

// Cam makes the moment arms of a cam from the force that holds the machine's pad, at a distance from the axis, against a pin: the pad's torque
// is the stack's weight times ratio and moment arm. Readings within a degree or so are of one angle.
func Cam(readings []HeldReading, pin, ratio, pad float64) (*CamFit, setup.Problems) {
	v := &setup.Checks{}
	switch {
	case !(pin > 0):
		v.Add("pin", "The pin has no mass.", "", "Give what stands on it.")
	case !(ratio > 0):
		v.Add("ratio", fmt.Sprintf("The ratio is %.3g.", ratio), "", "Give more than 0.")
	case !(pad > 0):
		v.Add("pad", fmt.Sprintf("The pad is %.3g m from the axis.", pad), "", "Measure from the axis to where the cell pulls.")
	}
	for i, r := range readings {
		if !(r.Force > 0) {
			v.Add(fmt.Sprintf("row %d", i+1), "The pull is 0.", "The stack pulls the pad everywhere.", "Lift the plates off their rest while you read.")
		}
	}
	angles := byAngle(readings)
	if len(v.Found) == 0 && len(angles) < 2 {
		v.Add("", fmt.Sprintf("There are readings at %d angles.", len(angles)), "What lies between two angles needs both.", "Hold it at five angles over its range.")
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	fit := &CamFit{Readings: len(readings)}
	weight, squares, freedom := quantity.Gravity*pin*ratio, 0.0, 0
	for _, list := range angles {
		var deg, arms []float64
		for _, r := range list {
			deg, arms = append(deg, r.AngleDeg), append(arms, r.Force*pad/weight)
		}
		mean := stat.Mean(arms, nil)
		for _, a := range arms {
			squares += (a/mean - 1) * (a/mean - 1)
		}
		freedom += len(arms) - 1
		fit.Table = append(fit.Table, setup.CamPoint{AngleDeg: math.Round(10*stat.Mean(deg, nil)) / 10, Arm: math.Round(1e5*mean) / 1e5})
	}
	fit.Spread = metric.Missing("Two readings or more at an angle tell how far it could be off.")
	if freedom > 0 {
		each := float64(len(readings)) / float64(len(angles))
		fit.Spread = metric.Known(math.Hypot(sure(freedom)*math.Sqrt(squares/float64(freedom)/each), math.Hypot(scaleGain, strapOff/pad)))
	}
	return fit, nil
}

// LeverFit is what readings of a bare lever come to.
type LeverFit struct {
	Radius   float64       `json:"radius" doc:"From the axis to where its weight acts, m."`
	Off      metric.Metric `json:"off" doc:"How far that could be off at 95 %, m."`
	BesideBy float64       `json:"besideBy" doc:"By how many degrees its weight lies beside the line to the handle; the model takes it in that line."`
	Residual float64       `json:"residual" doc:"How far the readings lie from the fit, root of the mean square, N."`
}

// Lever finds where the weight of a bare lever of a known mass acts, from the force square to it that holds its handle at angles from
// level: force times handle is weight times a cos θ - b sin θ, with a in the handle's direction and b beside it (least squares, as Draper
// and
// Smith 1998, from memory).
func Lever(readings []HeldReading, mass, handle float64) (*LeverFit, setup.Problems) {
	v := &setup.Checks{}
	if !(mass > 0) {
		v.Add("mass", "The lever has no mass.", "Only mass and distance together can be felt at the handle.", "Give the bare lever's mass first.")
	}
	if !(handle > 0) {
		v.Add("handle", fmt.Sprintf("The handle is %.3g m from the axis.", handle), "", "Give the distance from the axis to the handle.")
	}
	if n := len(byAngle(readings)); n < 2 {
		v.Add("", fmt.Sprintf("There are readings at %d angles.", n), "Where its weight acts shows in how it changes.", "Hold it level, and at two other angles.")
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	var cc, cs, ss, fc, fs float64
	for _, r := range readings {
		sin, cos := math.Sincos(r.AngleDeg * math.Pi / 180)
		y := r.Force * handle / (quantity.Gravity * mass)
		cc, cs, ss, fc, fs = cc+cos*cos, cs-cos*sin, ss+sin*sin, fc+y*cos, fs-y*sin
	}
	det := cc*ss - cs*cs
	if det < 1e-6*float64(len(readings)) {
		v.Add("", "The angles are too much alike.", "", "Hold it level, and twenty degrees or more above and below.")
		return nil, v.Found
	}
	a, b := (fc*ss-fs*cs)/det, (fs*cc-fc*cs)/det
	fit := &LeverFit{Radius: math.Hypot(a, b), BesideBy: math.Atan2(b, a) * 180 / math.Pi}
	if !(a > 0) {
		v.Add("", "The lever would have to weigh upward.", "", "Check which way the scale pulled, and whether angles are from level.")
		return nil, v.Found
	}
	sum := 0.0
	for _, r := range readings {
		sin, cos := math.Sincos(r.AngleDeg * math.Pi / 180)
		d := r.Force - (a*cos-b*sin)*quantity.Gravity*mass/handle
		sum += d * d
	}
	n := len(readings)
	fit.Residual = math.Sqrt(sum / float64(n))
	if n < 3 {
		fit.Off = metric.Missing("Three angles or more tell how far it could be off.")
		return fit, nil
	}
	s := math.Sqrt(sum/float64(n-2)) * handle / (quantity.Gravity * mass)
	along := math.Sqrt((a*a*ss - 2*a*b*cs + b*b*cc) / det) // of the radius, by the fit's covariance
	fit.Off = metric.Known(math.Hypot(sure(n-2)*s*along/fit.Radius, scaleGain*fit.Radius))
	return fit, nil
}
