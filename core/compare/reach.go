package compare

import (
	"math"

	"dialarc/core/report"
)

// The thirds of the lengths that a region goes through, the longest first.
const (
	long = iota
	middle
	short
)

var thirdWords = [3]string{"lengthened", "at mid length", "shortened"}

// window is a stretch of lengths of a region, over its best length.
type window struct{ low, high float64 }

// none is a window in which nothing lies.
var none = window{math.Inf(1), math.Inf(-1)}

// narrow is the window, over the best length, below which its thirds mean nothing (own).
const narrow = 0.05

func (w window) wide() bool { return w.high-w.low >= narrow }

// with is the window that takes in the lengths of a region too.
func (w window) with(r *report.RegionPart) window {
	for _, x := range r.Length {
		if !math.IsNaN(x) {
			w.low, w.high = min(w.low, x), max(w.high, x)
		}
	}
	return w
}

// place is where in the window a length lies, 0 at its short end and 1 at its long one.
func (w window) place(length float64) float64 {
	if w.high == w.low {
		return 0.5
	}
	return (length - w.low) / (w.high - w.low)
}

// third is in which third of the window a length lies.
func (w window) third(length float64) int { return max(long, min(short, int(3*(1-w.place(length))))) }

// fine is by how much the pieces between two places of the muscles are divided.
const fine = 4

// reach is how hard a region works in each third of a window of lengths: its largest activation there over the largest of any part
// anywhere on the path, since the load can be chosen so that the busiest part gives all it has.
func reach(report *report.Report, r *report.RegionPart, w window) (out [3]float64) {
	busiest := busiest(report)
	if !(busiest > 0) {
		return out
	}
	for i := range r.Length {
		for k := range fine {
			u := float64(k) / fine
			length, activation := r.Length[i], r.Activation[i]
			if i+1 < len(r.Length) {
				length += u * (r.Length[i+1] - length)
				activation += u * (r.Activation[i+1] - activation)
			}
			if !math.IsNaN(length) && !math.IsNaN(activation) {
				t := w.third(length)
				out[t] = max(out[t], activation/busiest)
			}
		}
	}
	return out
}

// busiest is the largest activation of any muscle along the path whose share can be relied on.
func busiest(report *report.Report) float64 {
	top := 0.0
	for i := range report.Muscles.Regions {
		if p := &report.Muscles.Regions[i]; p.Weak == "" {
			top = max(top, hardestFirm(report, p))
		}
	}
	return top
}

// hardestFirm is the largest activation of a part where shares can be relied on.
func hardestFirm(report *report.Report, p *report.RegionPart) float64 {
	top := 0.0
	for k, x := range p.Activation {
		if !loose(report, k) {
			top = max(top, x)
		}
	}
	return top
}
