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
	Logged  bool          `json:"logged" doc:"Whether it follows what was logged last, rather than the model alone."`
}

// half is the step of loads where the kit says nothing, kg (own).
const half = 0.5

// LoadingOf is the load of an entry with so much more in reserve than it says: by the reserve what the model predicts for the middle of the
// range, or, once sets of it were logged, what comes after the last of them; by load or by percentage what was given; each as the kit has
// it.
func LoadingOf(e *Entry, d *Digest, more float64, last []Done) Loading {
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
		if next, ok := Next(e, d, last); ok {
			out.Logged = true
			once = onceBy(last)
			want = next.Load
			if more > 0 {
				want *= reps.Once(n+rir-more) / reps.Once(n+rir)
			}
		}
	}
	if e.LoadBy == "load" && more > 0 { // a deload eases what was set by hand too
		want *= reps.Once(n+rir-more) / reps.Once(n+rir)
	}
	at := nearest(d, want)
	predict := func(load float64) metric.Metric {
		if once > 0 && (known || out.Logged) {
			return repsAt(once, load, rir)
		}
		return metric.Missing(d.Once.Why())
	}
	out.Load, out.Reps = metric.Known(at), predict(at)
	if lighter, ok := beside(d, at, -1); ok {
		out.Lighter = &Choice{lighter, predict(lighter)}
	}
	if heavier, ok := beside(d, at, 1); ok {
		out.Heavier = &Choice{heavier, predict(heavier)}
	}
	return out
}

// onceBy is what goes once by the set that says least, kg.
func onceBy(sets []Done) float64 {
	least := math.Inf(1)
	for _, s := range sets {
		least = min(least, s.Load*reps.Once(float64(s.Reps+s.RIR)))
	}
	return least
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

// TorqueWith is the torque at the hardest place with a load, N·m.
func (d *Digest) TorqueWith(load float64) float64 {
	if d.Load == 0 {
		return d.Peak
	}
	return d.Peak + d.Varies*(load/d.Load-1)
}
