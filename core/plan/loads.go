package plan

import (
	"math"

	"dialarc/core/kit"
	"dialarc/core/metric"
	"dialarc/core/reps"
)

// Choice is a load that the kit has and how often it goes.
type Choice struct {
	Load float64       `json:"load" doc:"kg."`
	Reps metric.Metric `json:"reps" doc:"Repetitions at the reserve asked for."`
}

// Loading is what is on the bar in a week of an entry.
type Loading struct {
	Load    metric.Metric `json:"load" doc:"kg, as the setup counts it: what the kit has nearest to what is asked."`
	Reps    metric.Metric `json:"reps" doc:"Repetitions that it should give at that reserve."`
	Lighter *Choice       `json:"lighter" doc:"The next lighter; null for none."`
	Heavier *Choice       `json:"heavier" doc:"The next heavier; null for none."`
	Rough   string        `json:"rough,omitempty" doc:"Why it is rougher than for straight sets."`
}

// half is the step of loads where the kit says nothing, kg (own).
const half = 0.5

// LoadingOf is the load of an entry with so much more in reserve than it says: by the reserve what the model predicts for the middle of the
// range, by load or by percentage what was given, each as the kit has it.
func LoadingOf(e *Entry, d *Digest, more float64) Loading {
	out := Loading{Rough: map[string]string{"partials": "Half the range is done: loads and repetitions are rougher.",
		"restPause": "Repetitions after the pauses are not predicted.", "drop": "Repetitions after the drop are not predicted."}[e.Method]}
	n, rir := e.Middle()
	rir += more
	once, known := d.Once.Get()
	want := 0.0
	switch {
	case d.Counted == "":
		why := metric.Missing("Its load is not counted in kilograms.")
		out.Load, out.Reps = why, why
		return out
	case e.LoadBy == "load":
		want = e.Load
	case !known:
		out.Load, out.Reps = metric.Missing(d.Once.Why()), metric.Missing(d.Once.Why())
		return out
	case e.LoadBy == "percent":
		want = once * e.Percent / 100
	default:
		want = once / reps.Once(n+rir)
	}
	if e.LoadBy == "load" && more > 0 { // a deload eases what was set by hand too
		want *= reps.Once(n+rir-more) / reps.Once(n+rir)
	}
	at := nearest(d, want)
	out.Load, out.Reps = metric.Known(at), predicted(d, at, rir)
	if lighter, ok := beside(d, at, -1); ok {
		out.Lighter = &Choice{lighter, predicted(d, lighter, rir)}
	}
	if heavier, ok := beside(d, at, 1); ok {
		out.Heavier = &Choice{heavier, predicted(d, heavier, rir)}
	}
	return out
}

// nearest is what the kit has nearest to a load.
func nearest(d *Digest, want float64) float64 {
	if v, i := kit.Nearest(d.Loads, want); i >= 0 {
		return v
	}
	return max(half, math.Round(want/half)*half)
}

// beside is the next load that the kit has, lighter (-1) or heavier (1); false for none.
func beside(d *Digest, at float64, way int) (float64, bool) {
	if len(d.Loads) == 0 {
		next := at + float64(way)*2.5
		return next, next > 0
	}
	_, i := kit.Nearest(d.Loads, at)
	if i += way; i < 0 || i >= len(d.Loads) || !(d.Loads[i] > 0) {
		return 0, false
	}
	return d.Loads[i], true
}

// predicted is how often a load goes with so many left in reserve.
func predicted(d *Digest, load, rir float64) metric.Metric {
	once, known := d.Once.Get()
	if !known {
		return metric.Missing(d.Once.Why())
	}
	n := reps.At(once / load)
	switch {
	case n > reps.Most:
		return metric.Missing("More than 20 repetitions: not predicted.")
	case n-rir < 1:
		return metric.Missing("Not once with so much in reserve.")
	}
	return metric.Known(n - rir)
}

// TorqueWith is the torque at the hardest place with a load, N·m.
func (d *Digest) TorqueWith(load float64) float64 {
	if d.Load == 0 {
		return d.Peak
	}
	return d.Peak + d.Varies*(load/d.Load-1)
}
