package measure

import (
	"fmt"
	"math"

	"dialarc/core/metric"
	"dialarc/core/setup"

	"gonum.org/v1/gonum/stat"
)

// PathFit is what comfortable positions of a raised arm come to.
type PathFit struct {
	Deg float64       `json:"deg" doc:"How far out of the frontal plane the arm tracks by itself, degrees."`
	Off metric.Metric `json:"off" doc:"How far that could be off at 95 %, degrees."`
}

// wander is the spread of comfortable positions from which they are no path, degrees (own).
const wander = 20

// Path is the natural path of a raise from the planes of elevation, degrees, in which the arm was held comfortably: their mean, with the
// spread of that (Student 1908, Biometrika 6:1-25).
func Path(planes []float64) (*PathFit, setup.Problems) {
	v := &setup.Checks{}
	if len(planes) < 2 {
		v.Add("", fmt.Sprintf("There are %d positions.", len(planes)), "A single one may be chance.", "Hold the arm in three comfortable positions.")
		return nil, v.Found
	}
	mean, sd := stat.MeanStdDev(planes, nil)
	switch {
	case sd > wander:
		v.Add("", fmt.Sprintf("The positions differ by %.0f degrees (standard deviation).", sd), "So far apart they do not tell one natural path.", "Shake the arm out and try again.")
	case mean < -30 || mean > 60:
		v.Add("", fmt.Sprintf("The arm tracks %.0f degrees out.", mean), "Arms track -30 to 60 degrees out of the side.",
			"Measure from straight to the side, forward positive.")
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	n := float64(len(planes))
	return &PathFit{Deg: math.Round(10*mean) / 10, Off: metric.Known(sure(len(planes)-1) * sd / math.Sqrt(n))}, nil
}
