package plan

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Digest is what a plan has to know of a setup.
type Digest struct {
	Name     string        `json:"name"`
	Target   string        `json:"target" doc:"Key of the region that it is for."`
	Label    string        `json:"label" doc:"The same in words."`
	Counted  string        `json:"counted" doc:"What its kilograms are counted by, like each dumbbell; empty where it is not counted in them."`
	Load     float64       `json:"load" doc:"The load of the setup as it was saved, kg; 0 where it is not counted."`
	Loads    []float64     `json:"loads" doc:"What the kit has, rising, kg; empty where any load can be had."`
	Once     metric.Metric `json:"once" doc:"What goes once, kg."`
	OnceLow  metric.Metric `json:"onceLow" doc:"What nine of ten lifters like this exceed, kg."`
	OnceHigh metric.Metric `json:"onceHigh" doc:"What one of ten exceeds, kg."`
	Trust    string        `json:"trust" doc:"What that rests on, in words."`
	Peak     float64       `json:"peak" doc:"Torque at the hardest place with that load, N·m."`
	Varies   float64       `json:"varies" doc:"The part of it that grows with the load, N·m."`
	Place    string        `json:"place" doc:"Where that is, in words."`
	Action   string        `json:"action" doc:"The joint whose torque it is."`
	Phase    string        `json:"phase" doc:"Where over the range it is loaded: early, mid or late; empty in a hold."`
	Seconds  float64       `json:"seconds" doc:"What a repetition takes, s."`
	OneSided bool          `json:"oneSided" doc:"Whether it is done one side at a time."`
	Work     []Worked      `json:"work" doc:"The regions that work, the hardest first."`
	LongHalf []Worked      `json:"longHalf" doc:"The same in the half of the range in which the target is longest."`
	Grip     float64       `json:"grip" doc:"What the hand holds over what it can be asked to."`
	LowBack  float64       `json:"lowBack" doc:"What the low back holds over what it can be asked to; 0 where a pad carries it."`
	Joints   int           `json:"joints" doc:"How many joints work through a range: one is a small exercise."`
	Loading  []JointLoad   `json:"loading" doc:"Force at each joint with that load."`
	Spot     Spot          `json:"spot" doc:"What has to be set in the gym."`
}

// JointLoad is what one joint bears.
type JointLoad struct {
	Joint string  `json:"joint"`
	Force float64 `json:"force" doc:"Largest resultant, N."`
}

// Worked is how a region works in a setup.
type Worked struct {
	Region string     `json:"region"`
	Label  string     `json:"label"`
	Hard   float64    `json:"hard" doc:"Activation over that of the busiest region, over the range, 0 to 1."`
	Thirds [3]float64 `json:"thirds" doc:"Share of its torque while it is long, at mid length and short."`
}

// Spot is where in a gym a setup is done and how it is set there.
type Spot struct {
	Place    string    `json:"place" doc:"Station, machine, weights or band that it takes first; empty for none."`
	Bench    string    `json:"bench,omitempty"`
	Position string    `json:"position" doc:"How the lifter is placed."`
	Pulleys  []float64 `json:"pulleys,omitempty" doc:"Hole of each cable, or its height."`
	Held     []string  `json:"held,omitempty" doc:"What each is held by."`
	Notch    float64   `json:"notch,omitempty"`
	Seat     float64   `json:"seat,omitempty"`
}

// counts is the least share of the busiest region's activation with which a region counts as trained (own).
const counts = 0.2

// DigestOf evaluates a setup for a plan.
func DigestOf(d *setup.Document) (Digest, setup.Problems) {
	r, problems := evaluate.Document(d)
	if len(problems) > 0 {
		return Digest{}, problems
	}
	out := Digest{Name: d.Name, Target: d.Target.Region, Label: setup.RegionLabel(d.Target.Region), Loads: []float64{}, Once: r.Limit.Kg,
		OnceLow: r.Limit.KgLow, OnceHigh: r.Limit.KgHigh, Trust: r.Limit.TrustText, Peak: r.Profile.Total.Peak.Or(0), Place: r.Profile.PeakPlace,
		Action: r.Joint, Phase: r.Profile.Loads.Phase, OneSided: d.Movement.Side != "both", Spot: spotOf(d)}
	if i := evaluate.Counted(d); i >= 0 {
		l := &d.Loads[i]
		out.Counted, out.Load, out.Loads = load.Of(l).Counted, *load.MassField(l), massesOf(l)
	}
	t := d.Tempo
	out.Seconds = max(minSeconds, t.Up+t.Top+t.Down+t.Bottom)
	if at := peakAt(r); at >= 0 {
		for i := range r.Parts {
			if d.Loads[r.Parts[i].Index].Variable && !math.IsNaN(r.Parts[i].Torque[at]) {
				out.Varies += r.Parts[i].Torque[at]
			}
		}
	}
	long, from, to := len(r.Muscles.S), 0.0, 1.0
	switch r.Muscles.LengthenedEnd {
	case "start":
		to = 0.5
	case "end":
		from = 0.5
	}
	if long > 0 {
		out.Work, out.LongHalf = worked(r, 0, 1), worked(r, from, to)
	}
	lowBack, grip := catalogue.Bearable(&d.Lifter)
	out.Grip, out.LowBack = most(r.Curves.Grip)/grip, most(r.Curves.LowBack)/lowBack
	out.Joints = 1
	out.Loading = []JointLoad{{r.Joint, hypot(r.Curves.Axial, r.Curves.Shear)}}
	for _, j := range r.Joints {
		if most(j.Torque) > 0 {
			out.Joints++
		}
		out.Loading = append(out.Loading, JointLoad{j.Joint, hypot(j.Axial, j.Shear)})
	}
	return out, nil
}

// minSeconds is the least that a repetition takes, s (own).
const minSeconds = 1.5

// massesOf are the masses that the kit of a load has, rising; none where it does not say.
func massesOf(l *setup.Load) []float64 {
	if l.Kit == nil {
		return []float64{}
	}
	if len(l.Kit.Masses) > 0 {
		return slices.Clone(l.Kit.Masses)
	}
	if c, known := kit.ColumnOf(l.Kit); known {
		return kit.PinsOf(&c)
	}
	return []float64{}
}

// peakAt is the sample with the largest torque; -1 for none.
func peakAt(r *report.Report) int {
	at := -1
	for i, t := range r.Curves.Torque {
		if !math.IsNaN(t) && (at < 0 || t > r.Curves.Torque[at]) {
			at = i
		}
	}
	return at
}

// most is the largest size among what is known; 0 where nothing is.
func most(c report.Curve) float64 {
	top := 0.0
	for _, x := range c {
		if !math.IsNaN(x) {
			top = max(top, math.Abs(x))
		}
	}
	return top
}

func hypot(a, b report.Curve) float64 {
	top := 0.0
	for i := range min(len(a), len(b)) {
		if x := math.Hypot(a[i], b[i]); !math.IsNaN(x) {
			top = max(top, x)
		}
	}
	return top
}

// worked lists how hard every region works between two places of the path, the hardest first. What is rough everywhere, or told in torque
// alone, is left out: a count of sets would make it firmer than it is.
func worked(r *report.Report, from, to float64) []Worked {
	m := &r.Muscles
	var out []Worked
	busiest := 0.0
	for k := range m.Regions {
		p := &m.Regions[k]
		if p.TorqueOnly {
			continue
		}
		mean := meanOf(p.Activation, m.S, from, to)
		busiest = max(busiest, mean)
		if p.Weak == "" && mean > 0 {
			out = append(out, Worked{Region: p.Key, Label: p.Label, Hard: mean, Thirds: thirds(p, m.S, from, to)})
		}
	}
	for k := range out {
		out[k].Hard /= busiest
	}
	besideTarget(out, m, from, to)
	out = slices.DeleteFunc(out, func(w Worked) bool { return !(w.Hard >= counts) })
	slices.SortStableFunc(out, func(a, b Worked) int { return cmp.Compare(b.Hard, a.Hard) })
	return out
}

// besideTarget lets the other parts of the target's muscle count by what they give beside it too: parts that pull alike are all active, but
// what is a set for one of them is less for the others.
func besideTarget(list []Worked, m *report.Muscles, from, to float64) {
	torque := func(p *report.RegionPart) float64 { return max(0, meanOf(p.Torque, m.S, from, to)) }
	most, whole := 0.0, ""
	for k := range m.Regions {
		if p := &m.Regions[k]; p.Target && torque(p) > most {
			most, whole = torque(p), muscle.Whole(p.Key)
		}
	}
	for k := range m.Regions {
		p := &m.Regions[k]
		i := slices.IndexFunc(list, func(w Worked) bool { return w.Region == p.Key })
		if i >= 0 && most > 0 && !p.Target && muscle.Whole(p.Key) == whole {
			list[i].Hard = min(list[i].Hard, torque(p)/most)
		}
	}
}

// meanOf is the mean of a curve between two places, by the trapezoidal rule; 0 where nothing is known.
func meanOf(c, s report.Curve, from, to float64) float64 {
	sum, width := 0.0, 0.0
	for i := 1; i < len(s); i++ {
		if x := (c[i] + c[i-1]) / 2; s[i] <= to+1e-9 && s[i-1] >= from-1e-9 && !math.IsNaN(x) {
			sum, width = sum+x*(s[i]-s[i-1]), width+s[i]-s[i-1]
		}
	}
	if width == 0 {
		return 0
	}
	return sum / width
}

// fine is by how much the pieces between two places are divided, so that a piece counts in the third in which it lies.
const fine = 8

// thirds is how a region's torque lies over the thirds of the lengths that training reaches of it: long, middle, short.
func thirds(p *report.RegionPart, s report.Curve, from, to float64) (out [3]float64) {
	low, high, known := Reach(p.Key)
	if !known || !(high > low) {
		return out
	}
	sum := 0.0
	for i := 1; i < len(s); i++ {
		if s[i] > to+1e-9 || s[i-1] < from-1e-9 {
			continue
		}
		for k := range fine {
			u := (float64(k) + 0.5) / fine
			at := p.Length[i-1] + u*(p.Length[i]-p.Length[i-1])
			torque := math.Abs(p.Torque[i-1] + u*(p.Torque[i]-p.Torque[i-1]))
			if math.IsNaN(at) || math.IsNaN(torque) {
				continue
			}
			third := int(3 * (high - at) / (high - low))
			piece := torque * (s[i] - s[i-1]) / fine
			out[max(0, min(2, third))] += piece
			sum += piece
		}
	}
	for k := range out {
		if sum > 0 {
			out[k] /= sum
		}
	}
	return out
}

// spotOf is where and how a setup is set.
func spotOf(d *setup.Document) Spot {
	s := Spot{Position: d.Posture.Kind, Seat: d.Posture.SeatHeight}
	if d.Bench != nil {
		s.Notch = d.Bench.AngleDeg
		if d.Bench.Kit != nil {
			s.Bench = d.Bench.Kit.Item
		}
	}
	for i := range d.Loads {
		l := &d.Loads[i]
		k := kit.Remembered(l)
		place := k.Station
		if place == "" {
			place = k.Item
		}
		if place == "" {
			place = string(l.Kind)
		}
		if s.Place == "" {
			s.Place = place
		}
		if l.Pulley != nil {
			hole := float64(k.Hole)
			if hole == 0 {
				hole = math.Round(100*l.Pulley.Y) / 100
			}
			s.Pulleys = append(s.Pulleys, hole)
		}
		if k.Attachment != "" {
			s.Held = append(s.Held, k.Attachment)
		}
	}
	return s
}
