package evaluate

import (
	"context"
	"maps"
	"math"
	"math/rand/v2"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/stat"
)

const (
	draws         = 120
	spreadSamples = 31
	enoughDraws   = 20 // below which percentiles would mean nothing
)

// Uncertainty shifts a document's inputs by normal errors, 120 times from a seed, and reports the spread. The same
// document, errors and seed give the same answer. It ends early when the context does.
func Uncertainty(ctx context.Context, d *setup.Document, errors report.Errors, seed uint64) (*report.Uncertainty, setup.Problems) {
	var e Evaluator
	base := d.Clone()
	base.Samples = spreadSamples
	first, problems := e.Evaluate(&base)
	if len(problems) > 0 {
		return nil, problems
	}
	draw := strata{n: draws, r: rand.New(rand.NewPCG(seed, 1))}
	out := &report.Uncertainty{Draws: draws, Errors: errors, AngleDeg: first.Curves.AngleDeg}
	curves := make([][]float64, spreadSamples)
	metrics := make([][]float64, 6)
	for i := range draws {
		if ctx.Err() != nil {
			return nil, setup.Problems{{What: "It was ended before all shifted setups were evaluated."}}
		}
		draw.begin(i)
		shifted := shift(&base, &errors, func(sd float64) float64 { return sd * draw.next() })
		m := e.model(&shifted)
		o, problems := e.judge(m, spreadSamples)
		if len(problems) > 0 || !take(metrics, &o.result) {
			out.Failed++
			continue
		}
		for i, x := range o.rep.Total {
			if !math.IsNaN(x) {
				curves[i] = append(curves[i], x)
			}
		}
		if effort, known := o.result.PeakEffort.Get(); known { // how strong the lifter is, is known only so well
			metrics[5] = append(metrics[5], effort*math.Exp(errors.Strength*o.spread*draw.next()))
		}
	}
	summarise(out, curves, metrics)
	return out, nil
}

// take adds what one draw came to, all of it or, saying false, none.
func take(metrics [][]float64, r *profile.Result) bool {
	t := &r.Total
	list := [...]metric.Metric{t.Peak, t.PeakAngle.Times(space.Deg(1)), t.EndShare, r.Loads.Centroid, r.Fit}
	if !t.PeakAngle.Known() || !r.Fit.Known() {
		return false
	}
	for k, m := range list {
		if x, known := m.Get(); known {
			metrics[k] = append(metrics[k], x)
		}
	}
	return true
}

// summarise fills in the bands of what the draws came to.
func summarise(d *report.Uncertainty, curves, metrics [][]float64) {
	d.Low, d.High = make(report.Curve, len(curves)), make(report.Curve, len(curves))
	for i, values := range curves {
		d.Low[i], d.High[i] = math.NaN(), math.NaN()
		if len(values) >= enoughDraws {
			slices.Sort(values)
			d.Low[i], d.High[i] = stat.Quantile(0.05, stat.Empirical, values, nil), stat.Quantile(0.95, stat.Empirical, values, nil)
		}
	}
	for k, band := range []*report.Band{&d.Peak, &d.PeakAngleDeg, &d.EndShare, &d.Centroid, &d.Fit, &d.PeakEffort} {
		values := metrics[k]
		if len(values) < enoughDraws {
			why := metric.Missing("Too few of the shifted setups have a profile.")
			*band = report.Band{Low: why, High: why}
			continue
		}
		slices.Sort(values)
		low, high := report.Rounded(stat.Quantile(0.05, stat.Empirical, values, nil)), report.Rounded(stat.Quantile(0.95, stat.Empirical, values,
			nil))
		*band = report.Band{Low: metric.Known(low), High: metric.Known(high)}
	}
}

// shiftedLengths are the lengths that torque depends on.
var shiftedLengths = []string{"upperArm", "forearm", "grip", "shoulderHeight", "shoulderHalfBreadth", "hipHeight", "kneeHeight"}

// shift is the document with errors on its inputs, each drawn by its standard deviation. Friction and pull cannot fall below nothing: there
// the normal curve is cut off.
func shift(d *setup.Document, e *report.Errors, by func(sd float64) float64) setup.Document {
	c := d.Clone()
	if c.Lifter.Lengths == nil {
		c.Lifter.Lengths = map[string]float64{}
	}
	for _, key := range shiftedLengths {
		c.Lifter.Lengths[key] = d.Lifter.LengthOf(key) + by(e.Tape)
	}
	c.Posture.X, c.Posture.Z = c.Posture.X+by(e.Stance), c.Posture.Z+by(e.Stance)
	c.Posture.HeadingDeg += by(e.AngleDeg)
	if c.Bench != nil {
		c.Bench.AngleDeg += by(e.AngleDeg)
	} else {
		c.Posture.Trunk.PitchDeg += by(e.AngleDeg)
	}
	shiftPath(&c.Movement, func() float64 { return by(e.AngleDeg) })
	for i := range c.Loads {
		l := &c.Loads[i]
		for _, p := range []*setup.Point{l.Pulley, l.Anchor} {
			if p != nil {
				p.X, p.Y, p.Z = p.X+by(e.Pulley), p.Y+by(e.Pulley), p.Z+by(e.Pulley)
			}
		}
		if l.Kind == setup.Cam {
			o := setup.Point{}
			if l.AxisOffset != nil {
				o = *l.AxisOffset
			}
			l.AxisOffset = &setup.Point{X: o.X + by(e.Pulley), Y: o.Y + by(e.Pulley), Z: o.Z}
			l.PadRadius += by(e.Tape)
		}
		l.Friction = max(0, l.Friction+by(atMost(e.Friction, l.Measured)))
		share := max(0, 1+by(atMost(e.Band, l.Measured)))
		l.Section *= share
		for k := range l.Pull {
			l.Pull[k].Force *= share
		}
	}
	return c
}

// surest is the least standard deviation of a pull, as a share, however well it was measured (own): hooks, knots, temperature.
const surest = 0.005

// atMost is the standard deviation of what was measured, if it was and is known to less than what is usual.
func atMost(usual float64, m *setup.Measured) float64 {
	if m == nil || m.Spread == 0 {
		return usual
	}
	return min(usual, max(surest, m.Spread/twoSided))
}

// twoSided is how many standard deviations hold 95 % of a normal distribution.
const twoSided = 1.96

// shiftPath shifts held angles each by itself, and those of keyframes alike all along the path.
func shiftPath(m *setup.Movement, by func() float64) {
	if m.Kind == "shoulder-raise" {
		if m.Hold == nil {
			m.Hold = map[string]float64{}
		}
		for _, key := range []string{"shoulder.planeOfElevationDeg", "elbow.flexionDeg", "shoulder.rotationDeg"} {
			m.Hold[key] += 0
		}
	}
	for _, key := range slices.Sorted(maps.Keys(m.Hold)) {
		off := by()
		m.Hold[key] += off
		if key == "shoulder.planeOfElevationDeg" && m.StartPlane != nil {
			*m.StartPlane += off // the whole path is out, not its shape
		}
	}
	if len(m.Keyframes) == 0 {
		return
	}
	for _, key := range slices.Sorted(maps.Keys(m.Keyframes[0].Pose)) {
		off := by()
		for i := range m.Keyframes {
			m.Keyframes[i].Pose[key] += off
		}
	}
}
