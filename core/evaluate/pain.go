package evaluate

import (
	"math"

	"dialarc/core/report"
	"dialarc/core/setup"
)

// hurts lists them.
func (o *outcome) hurts() []report.Hurt {
	out := []report.Hurt{}
	for c, info := range setup.Coordinates {
		owned, noted := o.doc.Lifter.Ranges[info.Key]
		if !noted {
			continue
		}
		for _, span := range owned.Hurts {
			places := o.stretches(func(i int) bool {
				x := o.read(i, setup.Coordinate(c))
				return x >= span.FromDeg-1e-9 && x <= span.ToDeg+1e-9 && o.means(i, setup.Coordinate(c))
			})
			if len(places) > 0 {
				out = append(out, report.Hurt{Key: info.Key, Label: info.Label, FromDeg: span.FromDeg, ToDeg: span.ToDeg, Note: owned.Pain,
					Places: places})
			}
		}
	}
	return out
}

// stretches are the runs of samples for which something holds.
func (o *outcome) stretches(holds func(i int) bool) []report.Stretch {
	var out []report.Stretch
	for i := 0; i < len(o.rep.S); i++ {
		from := i
		for i < len(o.rep.S) && holds(i) {
			i++
		}
		if i > from {
			out = append(out, report.Stretch{FromS: report.Rounded(o.rep.S[from]), ToS: report.Rounded(o.rep.S[i-1])})
		}
	}
	return out
}

// hangs is the sine of the elevation below which an arm hangs (own).
const hangs = 0.3

// means says whether a coordinate means anything in the pose at a sample: the plane of an arm that hangs does not.
func (o *outcome) means(i int, c setup.Coordinate) bool {
	return c != setup.ShoulderPlane || math.Abs(math.Sin(o.rep.Pose[i][setup.ShoulderElevation])) >= hangs
}
