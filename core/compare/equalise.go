package compare

import (
	"fmt"
	"slices"

	"dialarc/core/dial"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// Equalised is one setup with its variable loads made such that it asks as much as the first one in one respect.
type Equalised struct {
	Factor   metric.Metric   `json:"factor" doc:"What the variable loads are multiplied by; 1 for the first."`
	Document *setup.Document `json:"document" doc:"The setup with those loads; null when there is no factor."`
	Loads    []EqualLoad     `json:"loads" doc:"What that comes to."`
}

// EqualLoad is one load that was made equal.
type EqualLoad struct {
	Label   string   `json:"label"`
	Kind    string   `json:"kind" doc:"Kind of unit." enum:"mass,force"`
	Exact   float64  `json:"exact" doc:"What it would have to be."`
	Nearest *float64 `json:"nearest,omitempty" doc:"The nearest that the kit has, where that is known."`
}

// Ways lists what loads are made equal for: the largest torque, the mean over the range, the torque at an angle, the repetitions in
// reserve.
var Ways = []string{"peak", "mean", "angle", "reserve"}

// Equalise makes the variable loads of setups such that each asks as much as the first: for the largest torque (peak), for the mean
// over its range (mean), where the named coordinate has a value, degrees (angle), or as far from the 1RM, so that as many repetitions are
// left (reserve). Torque is linear in those loads, so evaluating the documents that come back gives what was asked for.
func Equalise(docs []setup.Document, by string, atDeg float64) ([]Equalised, setup.Problems) {
	v := &setup.Checks{}
	if len(docs) == 0 {
		v.Add("setups", "There is no setup.", "", "Give the one to compare with and others.")
	}
	if !v.OneOf("by", "way to make loads equal", by, Ways...) || len(v.Found) > 0 {
		return nil, v.Found
	}
	out := make([]Equalised, len(docs))
	reference, problems := evaluate.CurvesOf(&docs[0])
	for i := range docs {
		e, own := Equalised{Loads: []EqualLoad{}}, adjustable(&docs[i])
		switch {
		case len(problems) > 0:
			e.Factor = metric.Missing("The first setup cannot be evaluated: " + problems[0].What)
		case i == 0:
			e.Factor = metric.Known(1)
		default:
			e.Factor = factor(&own, &docs[0], reference, by, space.Rad(atDeg))
		}
		if factor, known := e.Factor.Get(); known {
			d := load.Times(&own, factor)
			e.Loads = equalLoads(&own, factor)
			for k := range d.Loads {
				d.Loads[k].Variable = docs[i].Loads[k].Variable
			}
			e.Document = &d
		}
		out[i] = e
	}
	return out, nil
}

// adjustable is the document in which a band that is what it is, measured or taken from a room, stays as it is where something else can
// be changed.
func adjustable(d *setup.Document) setup.Document {
	c := d.Clone()
	given := func(l *setup.Load) bool {
		return l.Kind == setup.Band && (len(l.Pull) > 0 || l.Kit != nil && l.Kit.Item != "")
	}
	if !slices.ContainsFunc(c.Loads, func(l setup.Load) bool { return l.Variable && !given(&l) }) {
		return c
	}
	for i := range c.Loads {
		c.Loads[i].Variable = c.Loads[i].Variable && !given(&c.Loads[i])
	}
	return c
}

func factor(d, first *setup.Document, reference *profile.Curves, by string, at float64) metric.Metric {
	if by == "reserve" {
		return byReserve(d, first)
	}
	own, problems := evaluate.CurvesOf(d)
	if len(problems) > 0 {
		return metric.Missing("It cannot be evaluated: " + problems[0].What)
	}
	switch by {
	case "peak":
		return profile.Equal(own, reference).Peak
	case "mean":
		return profile.Equal(own, reference).Mean
	}
	return profile.EqualAt(own, reference, at)
}

// byReserve is the factor that puts a setup's loads as far below their 1RM as the first one's are.
func byReserve(d, first *setup.Document) metric.Metric {
	far := func(d *setup.Document) metric.Metric {
		r, problems := evaluate.Document(d)
		if len(problems) > 0 {
			return metric.Missing("It cannot be evaluated: " + problems[0].What)
		}
		return r.Limit.Factor
	}
	own, theirs := far(d), far(first)
	x, known := own.Get()
	y, too := theirs.Get()
	switch {
	case !known:
		return own
	case !too:
		return metric.Missing("The 1RM of the first is not known: " + theirs.Why())
	case !(x > 0 && y > 0):
		return metric.Missing("One of them is beyond the 1RM whatever the load.")
	}
	return metric.Known(x / y)
}

// loadDials are the dials that say how much a load is.
var loadDials = []string{"load.stack", "load.mass", "lever.plates", "band.pull"}

// equalLoads says in the kit's terms what a factor comes to.
func equalLoads(d *setup.Document, factor float64) []EqualLoad {
	out := []EqualLoad{}
	settings := dialin.Settings(d)
	for i := range d.Loads {
		if !d.Loads[i].Variable {
			continue
		}
		for _, name := range loadDials {
			for k := range settings {
				if settings[k].Key != fmt.Sprintf("%s/%d", name, i) {
					continue
				}
				l := EqualLoad{Label: settings[k].Label, Kind: settings[k].Kind, Exact: settings[k].Value * factor}
				if stops := all(d, i, &settings[k]); len(stops) > 0 {
					near, _ := kit.Nearest(stops, l.Exact)
					l.Nearest = &near
				}
				out = append(out, l)
			}
		}
	}
	return out
}

// all are the masses that the kit has for a load: also those that the dial leaves out as too much.
func all(d *setup.Document, index int, s *dial.Setting) []float64 {
	l := &d.Loads[index]
	if len(s.Stops) == 0 || l.Kit == nil {
		return s.Stops
	}
	if c, ok := kit.ColumnOf(l.Kit); ok && onPulley(l) {
		return kit.PinsOf(&c)
	}
	return l.Kit.Masses
}
