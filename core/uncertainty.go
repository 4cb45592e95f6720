package core

import (
	"context"
	"maps"
	"math"
	"math/rand/v2"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/stat"
)

// Errors are the standard deviations of what goes into a document.
type Errors struct {
	Tape     float64 `json:"tape" doc:"Of every length of the body, m."`
	Pulley   float64 `json:"pulley" doc:"Of the place of a pulley or anchor along each axis, m."`
	Stance   float64 `json:"stance" doc:"Of the place of the lifter along each axis of the floor, m."`
	AngleDeg float64 `json:"angleDeg" doc:"Of heading and held joint angles, degrees."`
	Band     float64 `json:"band" doc:"Of a band's pull, as a share."`
	Friction float64 `json:"friction" doc:"Of a cable's friction, as a share of the pull."`
	Strength float64 `json:"strength" doc:"1 for how far the lifter's strength is known, by what it rests on; 0 to take it as it is."`
}

// UsualErrors are those of a careful coach with a tape (own estimates).
var UsualErrors = Errors{Tape: 0.01, Pulley: 0.01, Stance: 0.03, AngleDeg: 3, Band: 0.05, Friction: 0.03, Strength: 1}

// Band is where nine of ten draws lie: between the 5th and the 95th percentile.
type Band struct {
	Low  metric.Metric `json:"low"`
	High metric.Metric `json:"high"`
}

// Uncertainty says how far a document's numbers could be off, by evaluating it many times with its inputs shifted at random.
type Uncertainty struct {
	Draws        int    `json:"draws" doc:"How many shifted documents were evaluated."`
	Failed       int    `json:"failed" doc:"How many of them have no profile, because a stack rests or something is in the way."`
	Errors       Errors `json:"errors"`
	AngleDeg     Curve  `json:"angleDeg" doc:"The joint coordinate that names the sweep, degrees."`
	Low          Curve  `json:"low" doc:"Torque that 95% of the draws exceed, N·m."`
	High         Curve  `json:"high" doc:"Torque that 5% of the draws exceed, N·m."`
	Peak         Band   `json:"peak" doc:"Largest torque, N·m."`
	PeakAngleDeg Band   `json:"peakAngleDeg" doc:"Where it is, degrees."`
	LeftEnd      Band   `json:"leftEnd" doc:"Share of the peak at the end."`
	Centroid     Band   `json:"centroid" doc:"Place of the loads' torque, 0 to 1."`
	Match        Band   `json:"match" doc:"0 to 100."`
	PeakEffort   Band   `json:"peakEffort"`
}

const (
	draws         = 200
	spreadSamples = 31
	enoughDraws   = 20 // below which percentiles would mean nothing
)

// EvaluateUncertainty shifts a document's inputs by normal errors, 200 times from a seed, and reports the spread. The same
// document, errors and seed give the same answer. It ends early when the context does.
func EvaluateUncertainty(ctx context.Context, d *setup.Document, errors Errors, seed uint64) (*Uncertainty, setup.Problems) {
	var e Evaluator
	base := d.Clone()
	base.Samples = spreadSamples
	first, problems := e.Evaluate(&base)
	if len(problems) > 0 {
		return nil, problems
	}
	r := rand.New(rand.NewPCG(seed, 1))
	out := &Uncertainty{Draws: draws, Errors: errors, AngleDeg: first.Curves.AngleDeg}
	curves := make([][]float64, spreadSamples)
	metrics := make([][]float64, 6)
	for range draws {
		if ctx.Err() != nil {
			return nil, setup.Problems{{What: "It was ended before all shifted setups were evaluated."}}
		}
		shifted := shift(&base, &errors, r)
		m := newModel(&shifted)
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
			metrics[5] = append(metrics[5], effort*math.Exp(errors.Strength*o.spread*r.NormFloat64()))
		}
	}
	out.summarise(curves, metrics)
	return out, nil
}

// take adds what one draw came to, all of it or, saying false, none.
func take(metrics [][]float64, r *profile.Result) bool {
	t := &r.Total
	list := [...]metric.Metric{t.Peak, t.PeakAngle.Times(space.Deg(1)), t.LeftEnd, r.Loads.Centroid, r.Match}
	if !t.PeakAngle.Known() || !r.Match.Known() {
		return false
	}
	for k, m := range list {
		if x, known := m.Get(); known {
			metrics[k] = append(metrics[k], x)
		}
	}
	return true
}

func (d *Uncertainty) summarise(curves, metrics [][]float64) {
	d.Low, d.High = make(Curve, len(curves)), make(Curve, len(curves))
	for i, values := range curves {
		d.Low[i], d.High[i] = math.NaN(), math.NaN()
		if len(values) >= enoughDraws {
			slices.Sort(values)
			d.Low[i], d.High[i] = stat.Quantile(0.05, stat.Empirical, values, nil), stat.Quantile(0.95, stat.Empirical, values, nil)
		}
	}
	for k, band := range []*Band{&d.Peak, &d.PeakAngleDeg, &d.LeftEnd, &d.Centroid, &d.Match, &d.PeakEffort} {
		values := metrics[k]
		if len(values) < enoughDraws {
			why := metric.Missing("Too few of the shifted setups have a profile.")
			*band = Band{Low: why, High: why}
			continue
		}
		slices.Sort(values)
		low, high := rounded(stat.Quantile(0.05, stat.Empirical, values, nil)), rounded(stat.Quantile(0.95, stat.Empirical, values, nil))
		*band = Band{Low: metric.Known(low), High: metric.Known(high)}
	}
}

// shiftedLengths are the lengths that torque depends on.
var shiftedLengths = []string{"upperArm", "forearm", "grip", "shoulderHeight", "shoulderHalfBreadth", "hipHeight", "kneeHeight"}

// shift is the document with normal errors on its inputs. Friction and pull cannot fall below nothing: there the normal
// curve is cut off.
func shift(d *setup.Document, e *Errors, r *rand.Rand) setup.Document {
	c := d.Clone()
	by := func(sd float64) float64 { return sd * r.NormFloat64() }
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
		if l.Kind == "cam" {
			o := setup.Point{}
			if l.AxisOffset != nil {
				o = *l.AxisOffset
			}
			l.AxisOffset = &setup.Point{X: o.X + by(e.Pulley), Y: o.Y + by(e.Pulley), Z: o.Z}
			l.PadRadius += by(e.Tape)
		}
		l.Friction = max(0, l.Friction+by(e.Friction))
		share := max(0, 1+by(e.Band))
		l.Section *= share
		for k := range l.Pull {
			l.Pull[k].Force *= share
		}
	}
	return c
}

// shiftPath shifts held angles each by itself, and those of keyframes alike all along the path.
func shiftPath(m *setup.Movement, by func() float64) {
	if m.Kind == "shoulder-raise" {
		if m.Hold == nil {
			m.Hold = map[string]float64{}
		}
		for _, key := range []string{"shoulder.planeDeg", "elbow.flexionDeg", "shoulder.rotationDeg"} {
			m.Hold[key] += 0
		}
	}
	for _, key := range slices.Sorted(maps.Keys(m.Hold)) {
		off := by()
		m.Hold[key] += off
		if key == "shoulder.planeDeg" && m.StartPlane != nil {
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
