package measure

import (
	"fmt"
	"math"
	"slices"
	"sort"

	"dialarc/core/setup"

	"gonum.org/v1/gonum/stat"
)

// Bounds of what is read off traces (own).
const (
	stillFor     = 1.0  // s at the begin during which nobody pulls: what a cell reads then is taken off
	mostBins     = 120  // readings that a trace of a band is gathered into
	slackShare   = 0.25 // of the largest pull, below which a stack rests
	edge         = 0.3  // s at the turn of a stack that do not count
	leastSamples = 20   // on the way up, and on the way down
)

// BandFromTraces makes readings of a band from what a tape and a load cell sent while it was drawn out and let back: both gathered over
// short stretches of the same time, the cell's rest, before anybody pulls, taken off. Where either sent nothing there is no reading.
func BandFromTraces(tape, cell Trace) ([]BandReading, setup.Problems) {
	v := &setup.Checks{}
	checkTrace(v, tape)
	if checkTrace(v, cell); len(v.Found) > 0 {
		return nil, v.Found
	}
	if len(tape.T) < 2 || len(cell.T) < 2 || cell.T[len(cell.T)-1]-cell.T[0] < 2*stillFor {
		v.Add("", "There are too few samples.", "", "Keep still for a second, then draw the band out slowly and let it back.")
		return nil, v.Found
	}
	rest, begin := atRest(cell), cell.T[0]+stillFor
	end := math.Min(tape.T[len(tape.T)-1], cell.T[len(cell.T)-1])
	step := math.Max(0.1, (end-begin)/mostBins)
	var out []BandReading
	for at := begin; at < end; at += step {
		length, n := meanOf(tape, at, at+step)
		force, m := meanOf(cell, at, at+step)
		if n > 0 && m > 0 {
			out = append(out, BandReading{Length: length, Force: math.Max(0, force-rest)})
		}
	}
	return out, nil
}

// StackFromTrace makes a reading of a pin from what a load cell at the handle sent while the stack was raised and lowered some times.
func StackFromTrace(pin float64, cell Trace) (StackReading, setup.Problems) {
	v := &setup.Checks{}
	out := StackReading{Pin: pin}
	if checkTrace(v, cell); len(v.Found) > 0 {
		return out, v.Found
	}
	rest := atRest(cell)
	var pulls []float64
	for _, x := range cell.V {
		pulls = append(pulls, x-rest)
	}
	sorted := slices.Sorted(slices.Values(pulls))
	if len(sorted) < 2*leastSamples {
		v.Add("", "There are too few samples.", "", "Keep still for a second, then raise and lower the stack three times.")
		return out, v.Found
	}
	slack := slackShare * stat.Quantile(0.99, stat.Empirical, sorted, nil)
	hanging := sorted[sort.SearchFloat64s(sorted, slack):]
	cut := between(hanging)
	up, down := settled(cell.T, pulls, slack, cut)
	if len(up) < leastSamples || len(down) < leastSamples {
		v.Add("", fmt.Sprintf("It moves for %d samples on the way up and %d on the way down.", len(up), len(down)), "",
			"Raise and lower the stack slowly, three times, with a second of rest before.")
		return out, v.Found
	}
	out.Up, out.Down = stat.Mean(up, nil), stat.Mean(down, nil)
	return out, nil
}

// atRest is what a trace reads before anybody pulls.
func atRest(trace Trace) float64 {
	n := max(1, sort.SearchFloat64s(trace.T, trace.T[0]+stillFor))
	return stat.Quantile(0.5, stat.Empirical, slices.Sorted(slices.Values(trace.V[:n])), nil)
}

// meanOf is the mean of a trace between two times, and of how many samples.
func meanOf(trace Trace, from, to float64) (float64, int) {
	a, b := sort.SearchFloat64s(trace.T, from), sort.SearchFloat64s(trace.T, to)
	if a == b {
		return math.NaN(), 0
	}
	return stat.Mean(trace.V[a:b], nil), b - a
}

// between is the value that tells two heaps of sorted values apart best: the cut with the least variance within them (Otsu 1979, IEEE Trans
// Syst Man Cybern 9:62-66, from memory).
func between(sorted []float64) float64 {
	total := 0.0
	for _, x := range sorted {
		total += x
	}
	n, sum, most, cut := float64(len(sorted)), 0.0, -1.0, 0.0
	for i := range len(sorted) - 1 {
		sum += sorted[i]
		k := float64(i + 1)
		d := sum/k - (total-sum)/(n-k)
		if s := k * (n - k) * d * d; s > most {
			most, cut = s, (sorted[i]+sorted[i+1])/2
		}
	}
	return cut
}

// settled are the pulls above and below a cut, of those that hang, away from the turns.
func settled(t, pulls []float64, slack, cut float64) (up, down []float64) {
	heap := func(i int) int {
		switch {
		case pulls[i] < slack:
			return 0
		case pulls[i] < cut:
			return 1
		}
		return 2
	}
	for i := 0; i < len(t); {
		k := i
		for k < len(t) && heap(k) == heap(i) {
			k++
		}
		for j := i; j < k; j++ {
			if t[j]-t[i] < edge || t[k-1]-t[j] < edge {
				continue
			}
			switch heap(i) {
			case 1:
				down = append(down, pulls[j])
			case 2:
				up = append(up, pulls[j])
			}
		}
		i = k
	}
	return up, down
}
