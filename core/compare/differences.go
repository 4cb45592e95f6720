package compare

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/quantity"
	"dialarc/core/report"
)

// Difference is one number that setups are compared by.
type Difference struct {
	Key    string                       `json:"key"`
	Label  string                       `json:"label"`
	Kind   string                       `json:"kind" doc:"Kind of unit."`
	Per    []metric.Metric              `json:"per" doc:"One for each setup, in their order."`
	Weight float64                      `json:"weight" doc:"How many times what a coach would notice the largest and the smallest are apart; 0 when there is nothing to compare."`
	Lead   bool                         `json:"lead" doc:"Whether it is one of the numbers that come first."`
	Text   string                       `json:"text" doc:"The difference in words, values as {name}; empty where it would not be noticed."`
	Values map[string]quantity.Quantity `json:"values"`
}

// measure is a number of a setup.
type measure struct {
	key, label, kind string
	of               func(s *side) metric.Metric
	notice           float64                 // the difference that a coach would notice (own); of a ratio, its size less one
	ratio            bool                    // compared by its ratio: torques and forces are
	alike            func(sides []side) bool // whether the numbers mean the same in all setups; nil for always
	// text says how the setup with the largest value, {High}, and the one with the smallest, {Low}, differ, with their values as
	// {high} and {low}, and for ratios {more}, the percentage by which the one is larger.
	text string
}

// most is the largest value of a curve that has one.
func most(curve report.Curve, why string) metric.Metric {
	best := math.Inf(-1)
	for _, x := range curve {
		if !math.IsNaN(x) {
			best = max(best, x)
		}
	}
	if math.IsInf(best, -1) {
		return metric.Missing(why)
	}
	return metric.Known(best)
}

// meanOver is the mean of a curve over another one that rises, NaN nowhere.
func meanOver(along, curve report.Curve) metric.Metric {
	whole, sum := along[len(along)-1]-along[0], 0.0
	for i := 1; i < len(along); i++ {
		sum += (along[i] - along[i-1]) * (curve[i] + curve[i-1]) / 2
	}
	if math.IsNaN(sum) || !(whole > 0) {
		return metric.Missing("There is no torque over a whole range.")
	}
	return metric.Known(sum / whole)
}

const percent = 100

var measures = []measure{
	{"peak", "Peak torque", "torque", func(s *side) metric.Metric { return s.report.Profile.Total.Peak }, 0.1, true, nil,
		"At its peak, {High} takes {more} more torque than {Low}."},
	{"mean", "Mean torque", "torque", func(s *side) metric.Metric { return meanOver(s.report.Curves.SweptDeg, s.report.Curves.Torque) }, 0.1,
		true, nil,
		"On average, {High} takes {more} more torque than {Low}."},
	{"peakAngle", "Hardest at", "angle", peakAngle, 10, false, sameCoordinate, "{High} is hardest at {high}, {Low} at {low}."},
	{"centroid", "Centre of the load", "percent", func(s *side) metric.Metric { return s.report.Profile.Loads.Centroid.Times(percent) }, 5,
		false, nil,
		"{High} is loaded later: the centre of its load is {high} of the way, {low} for {Low}."},
	{"lengthened", "Torque while lengthened", "percent",
		func(s *side) metric.Metric { return s.report.Muscles.LengthenedShare.Times(percent) }, 10, false, nil,
		"{High} has {high} of its torque where the target is lengthened, {Low} {low}."},
	{"longest", "Target at its longest", "percent", func(s *side) metric.Metric { return reached(s, math.Max).Times(percent) }, 5, false, nil,
		"{High} takes the target to {high} of its optimal length, {Low} only to {low}."},
	{"shortest", "Target at its shortest", "percent", func(s *side) metric.Metric { return reached(s, math.Min).Times(percent) }, 5, false,
		nil,
		"{Low} takes the target down to {low} of its optimal length, {High} only to {high}."},
	{"range", "Range", "angle", func(s *side) metric.Metric {
		return metric.Known(s.report.Curves.SweptDeg[len(s.report.Curves.SweptDeg)-1])
	}, 10, false, nil,
		"{High} moves over {high}, {Low} over {low}."},
	{"start", "Torque at the start", "percent", func(s *side) metric.Metric { return s.report.Profile.Total.StartShare.Times(percent) }, 15,
		false, nil,
		"At the start, {High} has {high} of its peak torque, {Low} {low}."},
	{"end", "Torque at the end", "percent", func(s *side) metric.Metric { return s.report.Profile.Total.EndShare.Times(percent) }, 15, false,
		nil,
		"At the end, {High} has {high} of its peak torque, {Low} {low}."},
	{"effort", "Peak effort", "percent", func(s *side) metric.Metric { return s.report.Profile.PeakEffort.Times(percent) }, 10, false, nil,
		"{High} takes {high} of the lifter's strength, {Low} {low}."},
	{"match", "Fit", "count", func(s *side) metric.Metric { return s.report.Profile.Fit }, 8, false, sameSchool,
		"{High} fits its target profile better, {high} against {low} for {Low}."},
	{"target", "Target's contribution", "percent", func(s *side) metric.Metric { return shareOf(s, s.doc.Target.Region).Times(percent) }, 10,
		false, nil,
		"The target contributes {high} of the torque in {High}, {low} in {Low}."},
	{"offAxis", "Out of plane", "percent", func(s *side) metric.Metric { return s.report.Alignment.OffPlaneShare.Times(percent) }, 10, false,
		nil,
		"Out of plane, {High} has {high} as much torque as in plane, {Low} {low}."},
	{"grip", "Grip force", "force", func(s *side) metric.Metric { return most(s.report.Curves.Grip, "Nothing is held in the hand.") }, 0.25,
		true, nil,
		"The grip holds {high} in {High}, {low} in {Low}."},
	{"across", "Shear at the joint", "force", func(s *side) metric.Metric { return most(s.report.Curves.Shear, "It is not known.") }, 0.25,
		true, nil,
		"{High} puts {high} of shear on the joint, {Low} {low}, before muscle forces."},
	{"contact", "Joint contact force", "force", contact, 0.25, true, nil,
		"By the model, the contact force is {high} in {High}, {low} in {Low}."},
	{"lowBack", "Low back", "torque", lowBack, 0.25, true, nil,
		"The low back holds {high} in {High}, {low} in {Low}."},
	{"spine", "Compression on the low back", "force", spine, 0.25, true, nil,
		"Muscle forces included, the low back is compressed by about {high} in {High}, {low} in {Low}."},
	{"margin", "Margin of stability", "length", func(s *side) metric.Metric { return s.report.Bracing.Margin }, 0.05, false, nil,
		"{Low} is closer to the edge of its base of support: {low}, {High} {high}."},
	{"lift", "Least lift of the stack", "length", leastLift, 0.05, false, nil,
		"The stack comes no closer to its rest than {low} in {Low}, {high} in {High}."},
}

// sameSchool says whether the same is wanted of all setups.
func sameSchool(sides []side) bool {
	return !slices.ContainsFunc(sides, func(s side) bool { return s.doc.Target.Profile != sides[0].doc.Target.Profile })
}

// peakAngle is where the torque is largest. Angles of different coordinates are not put into words: because says so.
func peakAngle(s *side) metric.Metric { return s.report.Profile.Total.PeakAngleDeg }

// reached is the largest or smallest length of the target.
func reached(s *side, pick func(a, b float64) float64) metric.Metric {
	r := regionOf(s.report, s.doc.Target.Region)
	if r == nil || math.IsNaN(r.Length[0]) {
		return metric.Missing("The model has no length of this region here.")
	}
	best := r.Length[0]
	for _, x := range r.Length {
		best = pick(best, x)
	}
	return metric.Known(best)
}

// regionOf is what a muscle, a region or a head does in a report, nil where it does nothing that is known.
func regionOf(r *report.Report, key string) *report.RegionPart { return r.Muscles.Part(key) }

// contact is the largest force between the surfaces of the target joint.
func contact(s *side) metric.Metric {
	m := most(s.report.Muscles.Surface(s.report.Joint), "The model does not know it for this joint.")
	if x, known := m.Get(); known {
		return metric.Known(10 * math.Round(x/10)) // an estimate does not know single newtons
	}
	return m
}

// lowBack is the largest torque that bends the trunk forward.
func lowBack(s *side) metric.Metric {
	m := most(s.report.Curves.LowBack, "A pad carries the trunk.")
	if m.Or(1) <= 0 {
		return metric.Missing("Nothing bends the trunk forward.")
	}
	return m
}

// spine is the largest force that presses on the low back.
func spine(s *side) metric.Metric {
	m := most(s.report.Muscles.Spine, "What a pad or a hand that holds on takes off it is not known.")
	x, known := m.Get()
	switch {
	case !known:
		return m
	case x <= 0:
		return metric.Missing("It is stretched all the way.")
	}
	return metric.Known(50 * math.Round(x/50))
}

func leastLift(s *side) metric.Metric {
	if len(s.report.Starts) == 0 {
		return metric.Missing("It has no stack.")
	}
	least := math.Inf(1)
	for _, st := range s.report.Starts {
		least = min(least, st.Least)
	}
	return metric.Known(least)
}

// leading are the measures that come first, in this order: where it is loaded, what is left at its ends, who does it at what length, and
// how hard it is.
var leading = []string{"centroid", "peakAngle", "start", "end", "target", "lengthened", "effort"}

// differences are all measures that any setup has: those that lead in their order, then the others with the largest difference first.
func differences(sides []side) []Difference {
	out := []Difference{}
	for i := range measures {
		m := &measures[i]
		d := Difference{Lead: slices.Contains(leading, m.key), Key: m.key, Label: m.label, Kind: m.kind, Values: map[string]quantity.Quantity{}}
		for k := range sides {
			d.Per = append(d.Per, m.per(&sides[k]))
		}
		if slices.ContainsFunc(d.Per, func(x metric.Metric) bool { return x.Known() }) {
			m.word(&d, sides)
			out = append(out, d)
		}
	}
	slices.SortStableFunc(out, func(a, b Difference) int {
		if a.Lead && b.Lead {
			return cmp.Compare(slices.Index(leading, a.Key), slices.Index(leading, b.Key))
		}
		return cmp.Or(last(a.Lead)-last(b.Lead), cmp.Compare(b.Weight, a.Weight))
	})
	return out
}

// per is a measure of one setup. A hold has no range, and so none of most numbers.
func (m *measure) per(s *side) metric.Metric {
	if s.report == nil {
		return metric.Missing("It cannot be evaluated.")
	}
	return m.of(s)
}

// word weighs a difference and puts it into words.
func (m *measure) word(d *Difference, sides []side) {
	high, low := -1, -1
	for i, x := range d.Per {
		if !x.Known() {
			continue
		}
		if high < 0 || x.OrNaN() > d.Per[high].OrNaN() {
			high = i
		}
		if low < 0 || x.OrNaN() < d.Per[low].OrNaN() {
			low = i
		}
	}
	if high == low || m.alike != nil && !m.alike(sides) {
		return
	}
	top, bottom := d.Per[high].OrNaN(), d.Per[low].OrNaN()
	d.Weight = (top - bottom) / m.notice
	if m.ratio {
		if top <= 0 {
			return
		}
		d.Weight = math.Log(top/max(bottom, 0.01*top)) / math.Log1p(m.notice)
	}
	if d.Weight < 1 {
		return
	}
	d.Text = lettered(m.text, sides[high].letter, sides[low].letter)
	d.Values["high"], d.Values["low"] = quantity.Quantity{Value: top, Kind: m.kind}, quantity.Quantity{Value: bottom, Kind: m.kind}
	if m.ratio && bottom > 0 {
		d.Values["more"] = quantity.Quantity{Value: percent * (top/bottom - 1), Kind: "percent"}
	} else if m.ratio {
		d.Text = lettered("{High} asks for {high}, {Low} for {low}.", sides[high].letter, sides[low].letter)
	}
}
