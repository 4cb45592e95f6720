package measure

import (
	"fmt"
	"math"
	"slices"

	"dialarc/core/setup"

	"gonum.org/v1/gonum/stat"
)

// Trace is what a device sent: values at times, s.
type Trace struct {
	T []float64 `json:"t" doc:"s, rising."`
	V []float64 `json:"v" doc:"In the unit of the channel, one for each time."`
}

// Trial is a stretch of a trace in which somebody pulled.
type Trial struct {
	From float64 `json:"from" doc:"s."`
	To   float64 `json:"to" doc:"s."`
	Best float64 `json:"best" doc:"Largest mean over a second, above rest."`
	At   float64 `json:"at" doc:"Where that second begins, s."`
}

// Trials is what stands out of a trace.
type Trials struct {
	Rest   float64 `json:"rest" doc:"What the channel reads at rest."`
	Noise  float64 `json:"noise" doc:"Standard deviation at rest."`
	Trials []Trial `json:"trials" doc:"In order; one that still goes on is not among them."`
}

// Bounds of trials (own).
const (
	trialShare = 0.2  // of the largest pull, above which somebody pulls
	trialLeast = 5.0  // of what rests, in standard deviations, and in N
	trialFor   = 1.5  // s, that a trial lasts at least
	trialGap   = 0.3  // s below the threshold that do not end it
	fullSecond = 0.8  // of the samples of a second that have to be there
	flatShare  = 0.25 // of a trial's samples at just the largest value: the device ends there
)

// FindTrials finds the trials in a trace of a pull and what the cell reads at rest, which is taken off. What a device cannot have
// measured is a problem: times that go back, a flat top.
func FindTrials(trace Trace) (*Trials, setup.Problems) {
	v := &setup.Checks{}
	if checkTrace(v, trace); len(v.Found) > 0 {
		return nil, v.Found
	}
	out := &Trials{Trials: []Trial{}}
	if len(trace.V) < 10 {
		return out, nil
	}
	sorted := slices.Sorted(slices.Values(trace.V))
	low, high := stat.Quantile(0.02, stat.Empirical, sorted, nil), stat.Quantile(0.995, stat.Empirical, sorted, nil)
	threshold := low + trialShare*(high-low)
	var rest []float64
	for _, x := range sorted {
		if x < threshold {
			rest = append(rest, x)
		}
	}
	if len(rest) == 0 {
		return out, nil
	}
	out.Rest = stat.Quantile(0.5, stat.Empirical, rest, nil)
	quarter := stat.Quantile(0.75, stat.Empirical, rest, nil) - stat.Quantile(0.25, stat.Empirical, rest, nil)
	out.Noise = quarter / 1.349 // of a normal distribution, from memory
	if high-out.Rest < trialLeast*math.Max(1, out.Noise) {
		return out, nil
	}
	threshold = out.Rest + trialShare*(high-out.Rest)
	for _, s := range stretches(trace, threshold) {
		trial, ok := best(trace, s[0], s[1], out.Rest)
		if !ok {
			continue
		}
		if flat(trace.V[s[0]:s[1]]) {
			v.Add(fmt.Sprintf("trial %d", len(out.Trials)+1), fmt.Sprintf("It stands at %.4g for a while.", slices.Max(trace.V[s[0]:s[1]])),
				"That is where the device ends.", "Take a longer lever, or a cell that reaches farther.")
		}
		out.Trials = append(out.Trials, trial)
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	return out, nil
}

func checkTrace(v *setup.Checks, trace Trace) {
	if len(trace.T) != len(trace.V) {
		v.Add("", fmt.Sprintf("There are %d times and %d values.", len(trace.T), len(trace.V)), "", "Give one value for each time.")
		return
	}
	for i := range trace.T {
		switch {
		case math.IsNaN(trace.V[i]) || math.IsInf(trace.V[i], 0) || math.IsNaN(trace.T[i]) || math.IsInf(trace.T[i], 0):
			v.Add(fmt.Sprintf("sample %d", i+1), "It is no number.", "", "Leave it out.")
			return
		case i > 0 && !(trace.T[i] > trace.T[i-1]):
			v.Add(fmt.Sprintf("sample %d", i+1), fmt.Sprintf("Its time, %.4g s, does not come after the one before.", trace.T[i]), "",
				"Give the samples in the order of their times, one for each.")
			return
		}
	}
}

// stretches are where a trace lies above a threshold long enough, from and to as places; the one in which it ends still goes on.
func stretches(trace Trace, threshold float64) [][2]int {
	var out [][2]int
	from, last := -1, -1
	end := func() {
		if from >= 0 && trace.T[last]-trace.T[from] >= trialFor {
			out = append(out, [2]int{from, last + 1})
		}
		from = -1
	}
	for i, x := range trace.V {
		switch {
		case x >= threshold:
			if from < 0 {
				from = i
			}
			last = i
		case from >= 0 && trace.T[i]-trace.T[last] > trialGap:
			end()
		}
	}
	return out
}

// best is the largest mean over a second of a stretch. Seconds of which too much is missing do not count.
func best(trace Trace, from, to int, rest float64) (Trial, bool) {
	t := trace.T[from:to]
	trial := Trial{From: t[0], To: t[len(t)-1], Best: math.Inf(-1)}
	step := make([]float64, 0, len(t))
	for i := 1; i < len(t); i++ {
		step = append(step, t[i]-t[i-1])
	}
	slices.Sort(step)
	need := fullSecond / step[len(step)/2]
	sum, k := 0.0, from
	for i := from; i < to; i++ {
		for ; k < to && trace.T[k] < trace.T[i]+1; k++ {
			sum += trace.V[k]
		}
		if trace.T[to-1] < trace.T[i]+1 {
			break
		}
		if n := float64(k - i); n >= need && sum/n-rest > trial.Best {
			trial.Best, trial.At = sum/n-rest, trace.T[i]
		}
		sum -= trace.V[i]
	}
	return trial, !math.IsInf(trial.Best, -1)
}

func flat(values []float64) bool {
	top, n := slices.Max(values), 0
	for _, x := range values {
		if x == top {
			n++
		}
	}
	return float64(n) > flatShare*float64(len(values)) && n > clippedFor
}
