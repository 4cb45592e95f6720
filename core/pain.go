package core

import (
	"math"

	"dialarc/core/setup"
)

// Hurt is where a path leads a joint coordinate through angles at which something hurts the lifter.
type Hurt struct {
	Key     string    `json:"key" doc:"The joint coordinate."`
	Label   string    `json:"label" doc:"The same in words."`
	FromDeg float64   `json:"fromDeg" doc:"Of that coordinate, as noted, degrees."`
	ToDeg   float64   `json:"toDeg"`
	Note    string    `json:"note,omitempty" doc:"What hurts there, in the coach's words."`
	Places  []Stretch `json:"places" doc:"Where on the path."`
}

// Stretch is a piece of the path.
type Stretch struct {
	FromS float64 `json:"fromS" doc:"0 to 1."`
	ToS   float64 `json:"toS"`
}

// hurts lists them.
func (o *outcome) hurts() []Hurt {
	out := []Hurt{}
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
				out = append(out, Hurt{Key: info.Key, Label: info.Label, FromDeg: span.FromDeg, ToDeg: span.ToDeg, Note: owned.Pain, Places: places})
			}
		}
	}
	return out
}

// stretches are the runs of samples for which something holds.
func (o *outcome) stretches(holds func(i int) bool) []Stretch {
	var out []Stretch
	for i := 0; i < len(o.rep.S); i++ {
		from := i
		for i < len(o.rep.S) && holds(i) {
			i++
		}
		if i > from {
			out = append(out, Stretch{FromS: rounded(o.rep.S[from]), ToS: rounded(o.rep.S[i-1])})
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
