// Package survey looks every exercise through for one lifter: who leads, how much of the work the target has, what gives out first and
// whether it can be done as it stands.
package survey

import (
	"context"
	"maps"
	"math"
	"slices"
	"strings"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/parallel"
	"dialarc/core/report"
	"dialarc/core/setup"

	"gonum.org/v1/gonum/floats"
)

// Row is one exercise as a report finds it. Metrics that are missing say why.
type Row struct {
	Key, Name, Region string
	Hold              bool
	Note              string        // what the exercise says of itself where it is not what its name promises
	Leader            string        // key of the muscle that does most, at mid-path or where the torque is largest
	LeaderShare       metric.Metric // of what the helpers give, 0 to 1
	TargetShare       metric.Metric // of the target, the larger of the two places
	HardestDeg        metric.Metric // where the torque is largest
	Phase             string
	Effort            metric.Metric // largest of any joint
	LimitKg           metric.Metric // load that goes once, as it is counted
	LimitedBy         string        // what gives out first
	Activation        metric.Metric // largest of any part
	Busiest           string        // the part that has it
	Holds             bool          // lifter and bench stay where they are
	Start             bool          // stacks and bands pull from the start
	Clear             bool          // no strand touches body or kit
	InRange           bool          // of the usual or the lifter's own ranges
	Helps             bool          // load and limb together help the lift somewhere
	LengthenedShare   metric.Metric
	Problems          setup.Problems // why there is no report
}

// Exercises looks all of them through on all processors, in the order of the catalogue. It ends early with the context's error.
func Exercises(ctx context.Context, l *setup.Lifter) ([]Row, error) {
	all := catalogue.All(l)
	out := make([]Row, len(all))
	err := parallel.Each(ctx, len(all), func(_, i int) { out[i] = Look(&all[i]) }, func(int) {})
	return out, err
}

// Look evaluates one exercise.
func Look(r *catalogue.Ready) Row {
	row := Row{Key: r.Key, Name: r.Name, Region: r.Region, Note: r.Note}
	rep, problems := evaluate.Document(&r.Document)
	if row.Problems = problems; len(problems) > 0 {
		return row
	}
	row.read(rep)
	return row
}

// helping is the part of the largest torque that has to help the lift for it to be said (own).
const helping = 0.005

func (row *Row) read(r *report.Report) {
	row.Hold, row.Phase = r.Hold, r.Profile.Loads.Phase
	row.HardestDeg, row.Effort = r.Profile.Total.PeakAngleDeg, r.Limit.Effort
	row.LimitKg, row.LimitedBy = r.Limit.Kg, r.Limit.Key
	row.LengthenedShare = r.Muscles.LengthenedShare
	row.Holds = r.Bracing.Holds && (!r.Bracing.Bench.Used || r.Bracing.Bench.Holds)
	row.Clear = !slices.ContainsFunc(r.Rubs, func(b report.Rub) bool {
		return b.State == "touches" || b.State == "bends" ||
			b.State == "blocked"
	}) && len(r.Meets) == 0
	row.Start = !slices.ContainsFunc(r.Starts, func(s report.Start) bool { return s.Least <= 0 || s.Most > s.Travel }) && taut(r)
	row.InRange = !slices.ContainsFunc(r.Warnings, func(p setup.Problem) bool {
		return strings.Contains(p.What,
			"beyond what this lifter owns")
	})
	peak, least := floats.Max(r.Curves.Torque), floats.Min(r.Curves.Torque)
	row.Helps = !r.Hold && least < -helping*peak
	at := floats.MaxIdx(r.Muscles.Largest)
	row.Activation, row.Busiest = metric.Known(r.Muscles.Largest[at]), r.Muscles.Busiest[at]
	row.leads(r)
}

// taut says whether the bands are longer than at rest all along, where nothing but bands pulls.
func taut(r *report.Report) bool {
	if slices.ContainsFunc(r.Parts, func(p report.Part) bool { return p.Kind != setup.Band }) {
		return true
	}
	return !slices.ContainsFunc(r.Parts, func(p report.Part) bool { return slices.Min(p.Stretch) <= 1 })
}

// leads finds who does most at mid-path and where the torque is largest. Where the target's muscle leads at either, it leads.
func (row *Row) leads(r *report.Report) {
	none := metric.Missing("No muscle of the model turns this way.")
	if r.Hold {
		none = metric.Missing("A hold has no path that a muscle could lead.")
	}
	row.LeaderShare, row.TargetShare = none, none
	own := muscle.Whole(row.Region)
	for _, at := range []int{(len(r.Muscles.S) - 1) / 2, heaviest(r)} {
		shares := map[string]float64{}
		for i := range r.Muscles.Regions {
			if p := &r.Muscles.Regions[i]; p.Share[at] > 0 {
				shares[muscle.Whole(p.Key)] += p.Share[at]
			}
		}
		leader := ""
		for _, key := range slices.Sorted(maps.Keys(shares)) {
			if leader == "" || shares[key] > shares[leader] {
				leader = key
			}
		}
		if leader != "" && (row.Leader == "" || row.Leader != own) {
			row.Leader, row.LeaderShare = leader, metric.Known(shares[leader])
		}
		if t := r.Muscles.Target; t != nil && !math.IsNaN(t.Share[at]) && t.Share[at] > row.TargetShare.Or(-1) {
			row.TargetShare = metric.Known(t.Share[at])
		}
	}
}

// heaviest is the place of the muscles at which the torque is largest.
func heaviest(r *report.Report) int {
	return int(math.Round(r.Curves.S[floats.MaxIdx(r.Curves.Torque)] * float64(len(r.Muscles.S)-1)))
}
