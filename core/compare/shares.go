package compare

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/report"
)

// Shares says how much of the torque one region gives in each setup.
type Shares struct {
	Key   string          `json:"key"`
	Label string          `json:"label"`
	Per   []metric.Metric `json:"per" doc:"Share of the resisting torque over the range for each setup, 0 to 1; null where it does nothing that is known."`
}

// least is the share below which a region is left out of the list when it reaches it in no setup (own).
const least = 0.03

// shareOf is the part of what the helping muscles give over the range that a region gives: the integral of its torque about the axis over
// that of all that help, both over the swept angle by the trapezoidal rule at the places of the muscles.
func shareOf(s *side, key string) metric.Metric {
	if s.report.Hold {
		return metric.Missing("It is held, so there is no torque over a range.")
	}
	r := regionOf(s.report, key)
	if r == nil {
		return metric.Known(0)
	}
	return integralShare(s.report, r, func(int) bool { return true })
}

// integralShare is the part of what all helpers give, over the whole range, that a region gives on those pieces between two places for
// which a condition holds. Pieces where shares are loose count for nothing.
func integralShare(report *report.Report, r *report.RegionPart, in func(piece int) bool) metric.Metric {
	places := report.Muscles.S
	whole, own := 0.0, 0.0
	for i := 1; i < len(places); i++ {
		piece := valueAt(report.Curves.SweptDeg, places[i]) - valueAt(report.Curves.SweptDeg, places[i-1])
		if loose(report, i-1) && loose(report, i) {
			continue
		}
		for _, k := range []int{i - 1, i} {
			if !(valueAt(report.Curves.Torque, places[k]) > 0) {
				continue
			}
			whole += piece / 2 * helped(report, k)
			if in(i) {
				own += piece / 2 * max(0, r.Torque[k])
			}
		}
	}
	if !(whole > 0) || math.IsNaN(own) {
		return metric.Missing("No torque resists the lift where shares are known.")
	}
	return metric.Known(own / whole)
}

// helped is what all muscles that help give at a place, N·m.
func helped(report *report.Report, k int) float64 {
	sum := 0.0
	for i := range report.Muscles.Regions {
		sum += max(0, report.Muscles.Regions[i].Torque[k])
	}
	return sum
}

// loose says whether shares cannot be relied on at a place.
func loose(report *report.Report, k int) bool {
	firm := report.Muscles.Firm
	return k < len(firm) && firm[k] == 0
}

// valueAt is the value of a curve at a place along the path, between its samples; NaN in a gap.
func valueAt(curve report.Curve, s float64) float64 {
	at := s * float64(len(curve)-1)
	i := min(int(at), len(curve)-2)
	return curve[i] + (at-float64(i))*(curve[i+1]-curve[i])
}

// shares are those of all regions that do something in any setup, the largest difference first.
func shares(sides []side) []Shares {
	out := []Shares{}
	for i := range sides {
		if sides[i].report == nil {
			continue
		}
		for _, r := range sides[i].report.Muscles.Regions {
			if slices.ContainsFunc(out, func(s Shares) bool { return s.Key == r.Key }) {
				continue
			}
			row := Shares{Key: r.Key, Label: r.Label}
			for k := range sides {
				if sides[k].report == nil {
					row.Per = append(row.Per, metric.Missing("It cannot be evaluated."))
				} else {
					row.Per = append(row.Per, shareOf(&sides[k], r.Key))
				}
			}
			if _, high := row.extremes(); high >= least {
				out = append(out, row)
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Shares) int {
		aLow, aHigh := a.extremes()
		bLow, bHigh := b.extremes()
		return cmp.Compare(bHigh-bLow, aHigh-aLow)
	})
	return out
}

func (s *Shares) extremes() (low, high float64) {
	low, high = math.Inf(1), math.Inf(-1)
	for _, m := range s.Per {
		if x, known := m.Get(); known {
			low, high = min(low, x), max(high, x)
		}
	}
	return low, high
}
