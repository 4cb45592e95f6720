package plan

import (
	"fmt"
	"math"
	"strings"

	"dialarc/core/metric"
	"dialarc/core/reps"
)

// Done is a set that was done of an entry.
type Done struct {
	Load float64 `json:"load" doc:"kg."`
	Reps int     `json:"reps"`
	RIR  int     `json:"rir" doc:"4 stands for four or more."`
}

// Proposal is what comes after the sets of an entry that were done last.
type Proposal struct {
	Load    float64       `json:"load" doc:"kg for the next time."`
	Now     float64       `json:"now" doc:"kg of the last time."`
	Reps    metric.Metric `json:"reps" doc:"Repetitions that it should give at the planned reserve."`
	Rises   bool          `json:"rises"`
	TooBig  bool          `json:"tooBig" doc:"Whether the next step of the kit is too big to take."`
	Why     string        `json:"why"`
	Bridges []string      `json:"bridges" doc:"What bridges a step that is too big."`
}

// Next proposes a load from the sets of the last time, all of which were done in this entry. With repetitions first the load rises by the
// smallest step of the kit once every set has reached the top of the range with the reserve kept, and only when the step leaves
// repetitions within reach of the bottom of the range.
func Next(e *Entry, d *Digest, sets []Done) (Proposal, bool) {
	if len(sets) == 0 || d.Counted == "" {
		return Proposal{}, false
	}
	p := Proposal{Bridges: []string{}}
	counts := make([]string, len(sets))
	least, reserve := sets[0], math.Inf(1)
	for i, s := range sets {
		p.Now = max(p.Now, s.Load)
		counts[i] = fmt.Sprint(s.Reps)
		if s.Reps < least.Reps {
			least = s
		}
		reserve = min(reserve, float64(s.RIR))
	}
	once := onceBy(sets)
	_, rir := e.Middle()
	done := fmt.Sprintf("%s at %s with %s in reserve", strings.Join(counts, ", "), kilograms(p.Now), left(reserve))
	stay := func(why string) (Proposal, bool) {
		p.Load, p.Reps, p.Why = p.Now, repsAt(once, p.Now, rir), done+": "+why
		return p, true
	}
	switch {
	case e.Progression == "none":
		return stay("it stays as it is.")
	case reserve < float64(e.RIRFrom):
		return stay("less was left than planned, so the load stays.")
	case e.Progression != "load" && least.Reps < e.RepsTo:
		return stay(fmt.Sprintf("repetitions first, up to %d in every set.", e.RepsTo))
	}
	next, ok := beside(d, p.Now, 1)
	if !ok {
		p.Bridges = bridges(e, d)
		return stay("the kit has nothing heavier.")
	}
	n := reps.At(once/next) - rir
	if n < float64(e.RepsFrom)-toleratedFall {
		p.TooBig, p.Bridges = true, bridges(e, d)
		fell := fmt.Sprintf("%s would leave about %d", kilograms(next), int(max(0, math.Round(n))))
		return stay(fmt.Sprintf("%s with %s in reserve, so the step is too big.", fell, left(rir)))
	}
	p.Load, p.Rises, p.Reps = next, true, repsAt(once, next, rir)
	p.Why = fmt.Sprintf("%s: %s next, about %d.", done, kilograms(next), int(math.Round(n)))
	return p, true
}

// toleratedFall is by how many repetitions a new load may fall short of the bottom of the range (own).
const toleratedFall = 1.5

func repsAt(once, load, rir float64) metric.Metric {
	switch n := reps.At(once/load) - rir; {
	case n+rir > reps.Most:
		return metric.Missing("More than 20 repetitions: not predicted.")
	case n < 1:
		return metric.Missing("Not once with so much in reserve.")
	default:
		return metric.Known(n)
	}
}

func kilograms(x float64) string { return fmt.Sprintf("%g kg", math.Round(100*x)/100) }

func left(rir float64) string {
	if rir >= 4 {
		return "4 or more"
	}
	return fmt.Sprintf("%g", rir)
}

// bridges are what makes a step of the kit smaller.
func bridges(e *Entry, d *Digest) []string {
	out := []string{fmt.Sprintf("More repetitions first, up to %d.", e.RepsTo+4), "A slower lowering with the same load."}
	if len(d.Spot.Pulleys) > 0 {
		out = append(out, "Another pulley hole, which changes the moment arm by less than a pin does.")
	} else {
		out = append(out, "A light band across the same dumbbell or bar.")
	}
	return out
}
