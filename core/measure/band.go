package measure

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"dialarc/core/kit"
	"dialarc/core/metric"
	"dialarc/core/setup"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/stat"
)

// BandReading is one reading while a band is drawn out and let back, in the order of time.
type BandReading struct {
	Length float64 `json:"length" doc:"m."`
	Force  float64 `json:"force" doc:"Of all strands, N."`
}

// BandFit is what readings of a band come to.
type BandFit struct {
	Pull       []setup.BandPoint `json:"pull" doc:"Of one strand while it is drawn out, rising in length and force."`
	Back       []setup.BandPoint `json:"back" doc:"Of one strand on the way back; empty when it was not let back."`
	Out        []BandReading     `json:"out" doc:"The readings on the way out, by their length."`
	In         []BandReading     `json:"in" doc:"Those on the way back."`
	Hysteresis metric.Metric     `json:"hysteresis" doc:"Share of the pull that is lost on the way back."`
	LossOff    metric.Metric     `json:"lossOff" doc:"How far that share could be off at 95 %, by leaving out one reading after the other."`
	Residual   float64           `json:"residual" doc:"How far the readings on the way out lie from the curve, root of the mean square, N of all strands."`
	Spread     metric.Metric     `json:"spread" doc:"How far the pull at the longest could be off, as a share of it: 95 % by leaving out one reading after the other, and no less than a single reading."`
	Section    float64           `json:"section" doc:"Section of one strand with which the law of rubber comes nearest, m²."`
	OffLaw     float64           `json:"offLaw" doc:"How far the curve lies from that law, root of the mean square as a share of the mean pull."`
	Longest    float64           `json:"longest" doc:"Longest reading on the way out, m."`
	AtLongest  float64           `json:"atLongest" doc:"Pull there by the curve, N of all strands."`
}

// Bounds of readings (own).
const (
	turns      = 0.02 // share of the length at rest by which a band has to come back before it counts as let back
	mostPoints = 24   // of a curve
	clippedFor = 3    // readings at the largest pull while the band goes on
)

// Band fits the pull of a band of so many strands with a length at rest, m, to readings in the order in which they were taken: out, or out
// and back, as often as one likes. The pull is the isotonic regression of the readings on the way out (pool adjacent violators: Ayer et al.
// 1955, Ann Math Stat 26:641-647, from memory), so that noise cannot make it fall; the loss on the way back is the share by which the
// readings on the way back lie below it, by least squares. Spreads are by the jackknife (Tukey 1958, from memory).
func Band(readings []BandReading, rest float64, strands int) (*BandFit, setup.Problems) {
	v := &setup.Checks{}
	out, in := split(readings, rest)
	if problem(v, out, rest); len(v.Found) > 0 {
		return nil, v.Found
	}
	n := float64(max(1, strands))
	fit := &BandFit{Out: byLength(out), In: byLength(in), Pull: []setup.BandPoint{}, Back: []setup.BandPoint{}}
	for _, p := range isotonic(out) {
		fit.Pull = append(fit.Pull, setup.BandPoint{Length: p.Length, Force: p.Force / n})
	}
	if len(fit.Pull) < 2 {
		v.Add("", "The pull does not rise with the length.", "A band pulls harder the longer it is.", "Check which number is the length.")
		return nil, v.Found
	}
	for _, p := range isotonic(in) {
		fit.Back = append(fit.Back, setup.BandPoint{Length: p.Length, Force: p.Force / n})
	}
	curve := through(out, rest)
	fit.Hysteresis = lost(curve, in)
	fit.LossOff = lossOff(out, in, rest)
	sum := 0.0
	for _, r := range out {
		d := curve(r.Length) - r.Force
		sum += d * d
	}
	fit.Residual = math.Sqrt(sum / float64(len(out)))
	fit.Longest = fit.Out[len(fit.Out)-1].Length
	fit.AtLongest = curve(fit.Longest)
	fit.Spread = jackknife(out, rest, fit.Longest)
	fit.Section, fit.OffLaw = law(out, rest, n)
	return fit, nil
}

// split tells the readings on the way out from those on the way back.
func split(readings []BandReading, rest float64) (out, in []BandReading) {
	if len(readings) == 0 {
		return nil, nil
	}
	drawn, far := true, readings[0].Length // far is the farthest in the direction that it goes
	pending := []BandReading{}             // since it may have turned
	keep := func(list []BandReading) {
		if drawn {
			out = append(out, list...)
		} else {
			in = append(in, list...)
		}
	}
	for _, r := range readings {
		onward := r.Length > far // where it stands still, what follows tells
		if !drawn {
			onward = r.Length < far
		}
		switch {
		case onward:
			keep(pending)
			pending = pending[:0]
			keep([]BandReading{r})
			far = r.Length
		default:
			pending = append(pending, r)
			if math.Abs(r.Length-far) > turns*rest {
				drawn, far = !drawn, r.Length
				keep(pending)
				pending = pending[:0]
			}
		}
	}
	keep(pending)
	return out, in
}

// problem says what keeps readings from being fitted.
func problem(v *setup.Checks, out []BandReading, rest float64) {
	list := byLength(out)
	if len(list) < 2 || list[len(list)-1].Length-list[0].Length < 0.05*rest {
		v.Add("", fmt.Sprintf("There are %d readings on the way out.", len(list)), "A curve needs two lengths or more, well apart.",
			"Draw the band out in steps, and write down length and pull at each.")
		return
	}
	if list[0].Length < 0.9*rest {
		v.Add("", fmt.Sprintf("The shortest length is %.2f m, the band at rest %.2f m.", list[0].Length, rest),
			"Lengths are of the whole band, from one end to the other.", "Mend the length at rest, or measure from end to end.")
		return
	}
	most := slices.MaxFunc(list, func(a, b BandReading) int { return cmp.Compare(a.Force, b.Force) }).Force
	flat := 0
	for _, r := range list {
		if r.Force == most {
			flat++
		}
	}
	if flat >= clippedFor {
		v.Add("", fmt.Sprintf("%d readings are just %.4g N, though the band goes on.", flat, most), "That is where the scale ends.",
			"Leave them out, or take a scale that reaches farther.")
	}
}

func byLength(list []BandReading) []BandReading {
	sorted := slices.Clone(list)
	slices.SortStableFunc(sorted, func(a, b BandReading) int { return cmp.Compare(a.Length, b.Length) })
	return sorted
}

// isotonic are the points of a curve that rises through readings: neighbours that would fall are one point at their mean, and with more
// than mostPoints of them neighbours are put together.
func isotonic(list []BandReading) []BandReading {
	type pool struct{ length, force, n float64 }
	var pools []pool
	for _, r := range byLength(list) {
		pools = append(pools, pool{r.Length, r.Force, 1})
		for k := len(pools) - 1; k > 0; k-- {
			a, b := pools[k-1], pools[k]
			if a.force/a.n < b.force/b.n && a.length/a.n < b.length/b.n-1e-6 {
				break
			}
			pools = append(pools[:k-1], pool{a.length + b.length, a.force + b.force, a.n + b.n})
		}
	}
	for len(pools) > mostPoints { // the two that share the fewest readings, at the ends last
		at := 0
		for k := range len(pools) - 1 {
			if pools[k].n+pools[k+1].n < pools[at].n+pools[at+1].n {
				at = k
			}
		}
		a, b := pools[at], pools[at+1]
		pools = slices.Replace(pools, at, at+2, pool{a.length + b.length, a.force + b.force, a.n + b.n})
	}
	out := make([]BandReading, len(pools))
	for i, p := range pools {
		out[i] = BandReading{p.length / p.n, p.force / p.n}
	}
	return out
}

// through is the pull at a length by the monotone cubic through the curve's points, carried on beyond them by its slope; nothing at rest.
func through(list []BandReading, rest float64) func(length float64) float64 {
	points := isotonic(list)
	var x, y []float64
	if len(points) == 0 || points[0].Length > rest+1e-4 {
		x, y = append(x, rest), append(y, 0)
	}
	for _, p := range points {
		x, y = append(x, p.Length), append(y, p.Force)
	}
	if len(x) < 2 {
		return func(float64) float64 { return math.NaN() }
	}
	var f interp.FritschButland
	if err := f.Fit(x, y); err != nil {
		return func(float64) float64 { return math.NaN() }
	}
	last := x[len(x)-1]
	return func(length float64) float64 {
		switch {
		case length > last:
			return f.Predict(last) + (length-last)*f.PredictDerivative(last)
		case length < x[0]:
			return y[0]
		}
		return f.Predict(length)
	}
}

// lost is the share of the pull that readings on the way back lie below a curve, by least squares.
func lost(curve func(float64) float64, in []BandReading) metric.Metric {
	var up, down float64
	for _, r := range in {
		f := curve(r.Length)
		up, down = up+f*f, down+f*r.Force
	}
	switch share := 1 - down/up; {
	case len(in) < 2 || !(up > 0):
		return metric.Missing("It was not let back.")
	case share < 0:
		return metric.Missing("It pulls harder on the way back than on the way out; check which was which.")
	default:
		return metric.Known(share)
	}
}

// lossOff is how far the share that is lost could be off at 95 %.
func lossOff(out, in []BandReading, rest float64) metric.Metric {
	n := len(in) + len(out)
	if len(in) < 3 || len(out) < 4 {
		return metric.Missing("Four readings out and three back or more tell how far it could be off.")
	}
	each := make([]float64, 0, n)
	curve := through(out, rest)
	for i := range in {
		each = append(each, lost(curve, slices.Delete(slices.Clone(in), i, i+1)).Or(0))
	}
	for i := range out {
		each = append(each, lost(through(slices.Delete(slices.Clone(out), i, i+1), rest), in).Or(0))
	}
	_, sd := stat.PopMeanStdDev(each, nil)
	return metric.Known(sure(n-1) * sd * math.Sqrt(float64(n-1)))
}

// jackknife is how far the pull at a length could be off at 95 %, as a share of it.
func jackknife(out []BandReading, rest, at float64) metric.Metric {
	n := len(out)
	if n < 4 {
		return metric.Missing("Four readings or more tell how far it could be off.")
	}
	each := make([]float64, n)
	for i := range out {
		each[i] = through(slices.Delete(slices.Clone(out), i, i+1), rest)(at)
	}
	mean, sd := stat.PopMeanStdDev(each, nil)
	return metric.Known(sure(n-1) * max(sd*math.Sqrt(float64(n-1)), noise(out)) / mean)
}

// noise is the standard deviation of a single reading, by how far each lies from the line between its neighbours (Gasser, Sroka and
// Jennen-Steinmetz 1986, Biometrika 73:625-633, from memory). The curve's end rests on few readings and is no surer than that.
func noise(out []BandReading) float64 {
	list := byLength(out)
	sum, n := 0.0, 0
	for i := 1; i < len(list)-1; i++ {
		a, b, c := list[i-1], list[i], list[i+1]
		if c.Length-a.Length < 1e-9 {
			continue
		}
		w := (c.Length - b.Length) / (c.Length - a.Length)
		e := b.Force - w*a.Force - (1-w)*c.Force
		sum, n = sum+e*e/(1+w*w+(1-w)*(1-w)), n+1
	}
	if n == 0 {
		return 0
	}
	return math.Sqrt(sum / float64(n))
}

// law is the section with which the law of rubber comes nearest to readings, by least squares, and how far they lie from it.
func law(out []BandReading, rest, strands float64) (section, off float64) {
	var ss, sf, mean float64
	for _, r := range out {
		s := strands * kit.RubberStress(r.Length/rest)
		ss, sf, mean = ss+s*s, sf+s*r.Force, mean+r.Force/float64(len(out))
	}
	if !(ss > 0) || !(mean > 0) {
		return 0, 0
	}
	section = sf / ss
	sum := 0.0
	for _, r := range out {
		d := section*strands*kit.RubberStress(r.Length/rest) - r.Force
		sum += d * d
	}
	return section, math.Sqrt(sum/float64(len(out))) / mean
}
