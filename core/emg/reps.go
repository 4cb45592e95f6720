package emg

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/stat"
)

// Rep is one repetition: from the begin over the top, which lasts a while, to the end, s.
type Rep struct {
	From    float64 `json:"from"`
	Top     float64 `json:"top" doc:"Where the top is reached."`
	Leaves  float64 `json:"leaves" doc:"Where it is left."`
	To      float64 `json:"to"`
	LeftOut bool    `json:"leftOut,omitempty" doc:"By hand."`
}

// How repetitions are told (own).
const (
	smoothFor  = 0.1  // s, of the angle
	atEnd      = 0.05 // of the range, within which the angle is at an end
	mustPass   = 0.7  // of the range, that a repetition has to reach
	leastRange = 10.0 // degrees, below which nothing is repeated
	leastPhase = 0.2  // s
)

// Repetitions cuts an angle over time into repetitions. Lifting raises the angle; with falling it lowers it. The range is that between
// which nearly all of it lies. None are found where it hardly changes.
func Repetitions(angle []float64, rate float64, falling bool) (reps []Rep, from, to float64) {
	x := smoothed(angle, rate)
	sorted := slices.Sorted(slices.Values(x))
	if len(sorted) == 0 {
		return nil, 0, 0
	}
	low, high := stat.Quantile(0.02, stat.Empirical, sorted, nil), stat.Quantile(0.98, stat.Empirical, sorted, nil)
	if high-low < leastRange {
		return nil, low, high
	}
	share := func(i int) float64 {
		s := (x[i] - low) / (high - low)
		if falling {
			return 1 - s
		}
		return s
	}
	for i := 0; i < len(x); {
		if share(i) < mustPass {
			i++
			continue
		}
		k := i // past the top
		for k < len(x) && share(k) > 1-mustPass {
			k++
		}
		if r, ok := around(share, i, k, len(x), rate); ok {
			reps = append(reps, r)
		}
		i = k + 1
	}
	if falling {
		return reps, high, low
	}
	return reps, low, high
}

// around finds the ends of a repetition that is up from one place to another.
func around(share func(int) float64, i, k, n int, rate float64) (Rep, bool) {
	begin, end := i, k
	for begin > 0 && share(begin) > atEnd {
		begin--
	}
	for end < n-1 && share(end) > atEnd {
		end++
	}
	if share(begin) > 2*atEnd || share(min(end, n-1)) > 2*atEnd {
		return Rep{}, false // it is cut off
	}
	top, leaves := i, min(k, n-1)
	for top < k && share(top) < 1-atEnd {
		top++
	}
	for leaves > top && share(leaves) < 1-atEnd {
		leaves--
	}
	r := Rep{From: float64(begin) / rate, Top: float64(top) / rate, Leaves: float64(leaves) / rate, To: float64(end) / rate}
	return r, r.Top-r.From > leastPhase && r.To-r.Leaves > leastPhase
}

func smoothed(x []float64, rate float64) []float64 {
	half := int(smoothFor * rate / 2)
	sums := make([]float64, len(x)+1)
	for i, v := range x {
		sums[i+1] = sums[i] + v
	}
	out := make([]float64, len(x))
	for i := range x {
		a, b := max(0, i-half), min(len(x), i+half+1)
		out[i] = (sums[b] - sums[a]) / float64(b-a)
	}
	return out
}

// Course is what a channel does over the range in one phase: over so many equal parts of it the mean over repetitions and their spread.
type Course struct {
	Mean []*float64 `json:"mean" doc:"Percent of the strongest contraction, or µV without one; null where no repetition passes."`
	SD   []*float64 `json:"sd" doc:"Over repetitions; null with fewer than two."`
	Reps int        `json:"reps"`
}

// parts is into how many parts the range is cut.
const parts = 41

// course gathers an envelope over the range, in one phase of each repetition.
func course(envelope []float64, rate float64, angle []float64, angleRate float64, spans [][2]float64, from, to float64) Course {
	c := Course{Mean: make([]*float64, parts), SD: make([]*float64, parts), Reps: len(spans)}
	values := make([][]float64, parts)
	for _, span := range spans {
		sums, n := make([]float64, parts), make([]float64, parts)
		for i := int(span[0] * rate); i < min(len(envelope), int(span[1]*rate)); i++ {
			k := min(len(angle)-1, int(float64(i)/rate*angleRate))
			at := int(math.Floor((angle[k]-from)/(to-from)*(parts-1) + 0.5))
			if at >= 0 && at < parts {
				sums[at], n[at] = sums[at]+envelope[i], n[at]+1
			}
		}
		for at := range values {
			if n[at] > 0 {
				values[at] = append(values[at], sums[at]/n[at])
			}
		}
	}
	for at, list := range values {
		if len(list) > 0 {
			c.Mean[at] = new(stat.Mean(list, nil))
		}
		if len(list) > 1 {
			c.SD[at] = new(stat.StdDev(list, nil))
		}
	}
	return c
}

// overlaps says whether two stretches of time have something in common.
func overlaps(a, b, from, to float64) bool { return a < to && from < b }

// largestSecond is the largest mean over a second of an envelope.
func largestSecond(envelope []float64, rate float64) float64 {
	n := int(rate)
	if len(envelope) < n || n == 0 {
		return math.NaN()
	}
	sum := 0.0
	for _, x := range envelope[:n] {
		sum += x
	}
	most := sum
	for i := n; i < len(envelope); i++ {
		sum += envelope[i] - envelope[i-n]
		most = max(most, sum)
	}
	return most / float64(n)
}
