package core

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/setup"
	"dialarc/core/support"
	"dialarc/core/verdict"

	"gonum.org/v1/gonum/floats"
)

// Rub is how near a cable, band or rope comes to something that it should not touch.
type Rub struct {
	Index    int     `json:"index" doc:"The load's place in the document's loads."`
	Mirror   bool    `json:"mirror" doc:"The other side's copy."`
	Part     string  `json:"part" doc:"What it comes nearest to."`
	State    string  `json:"state" enum:"clear,crosses,close,touches,blocked"`
	Distance float64 `json:"distance" doc:"From the surface, m; negative inside."`
	AngleDeg float64 `json:"angleDeg" doc:"Where on the path."`
	At       Point   `json:"at" doc:"On the strand, m."`
}

// Meet is a part of the arm that has no room: its middle line would have to go through something.
type Meet struct {
	Limb     string  `json:"limb" enum:"upper arm,forearm,hand"`
	Part     string  `json:"part" enum:"trunk,thigh,head,bench"`
	Depth    float64 `json:"depth" doc:"Of the limb's middle line under the surface, m."`
	AngleDeg float64 `json:"angleDeg" doc:"Where on the path it is deepest."`
}

// meets lists the parts of the arm that have no room.
func (o *outcome) meets() []Meet {
	found := support.Meetings(o.path, o.grid.bracing)
	out := make([]Meet, 0, len(found))
	for _, m := range found {
		out = append(out, Meet{Limb: m.Limb, Part: m.Part, Depth: rounded(m.Depth), AngleDeg: degreesAt(o, m.S)})
	}
	return out
}

// meetVerdict words the deepest of them; nothing when there is room.
func meetVerdict(meets []Meet) []Verdict {
	if len(meets) == 0 {
		return nil
	}
	m := slices.MaxFunc(meets, func(a, b Meet) int { return cmp.Compare(a.Depth, b.Depth) })
	s := verdict.NoRoom(m.Limb, m.Part, m.Depth, m.AngleDeg)
	return []Verdict{worded(&s)}
}

// Caution is a rule of the trade that this setup meets. It never blocks work.
type Caution struct {
	Key    string              `json:"key"`
	Text   string              `json:"text" doc:"The sentence, values as {name}."`
	Way    string              `json:"way" doc:"The usual way out."`
	Values map[string]Quantity `json:"values"`
}

func (o *outcome) reportRubs() []Rub {
	out := make([]Rub, 0, len(o.rubs))
	for _, r := range o.rubs {
		out = append(out, Rub{Index: r.Index, Mirror: r.Mirror, Part: r.Part, State: r.State(), Distance: rounded(r.Distance), AngleDeg: degreesAt(o, r.S), At: point(r.At)})
	}
	return out
}

// Bounds of the cautions (common practice, no source; numbers own).
const (
	loadedShare = 0.3 // of the peak, from which a place counts as loaded
	deepPlane   = -20 // degrees: arms behind the line of the shoulders
	turnedOut   = -60 // degrees of outward rotation
	overhead    = 125 // degrees of elevation
	spineTurned = 15  // degrees
	fastPhase   = 0.8 // s
	neededTurn  = -70 // degrees of outward rotation that an overhead press asks of the lifter's range
)

// cautionsOf looks at every rule. The lifter's own ranges and pains are warnings of their own.
func (o *outcome) cautionsOf(r *Report) []Caution {
	out := []Caution{}
	add := func(key, text, way string, values map[string]Quantity) {
		out = append(out, Caution{Key: key, Text: text, Way: way, Values: values})
	}
	for _, c := range o.doc.Lifter.Cautions {
		add("lifter: "+c, c, "From the lifter's sheet.", map[string]Quantity{})
	}
	p := &o.doc.Posture
	if o.joint == body.ShoulderR {
		if deg, ok := o.loadedWhere(func(q *body.Pose) bool {
			return degrees1(q[setup.ShoulderRotation]) < turnedOut && degrees1(q[setup.ShoulderPlane]) < 0 && raised(q)
		}); ok {
			add("turned-out", "The arm is loaded at full stretch while it is turned outward, at {at}.", "Turn the arm inward, or take less range at the stretch.", map[string]Quantity{"at": {deg, "angle"}})
		}
		if deg, ok := o.loadedWhere(func(q *body.Pose) bool {
			return degrees1(q[setup.ShoulderPlane]) < deepPlane && raised(q) && degrees1(q[setup.ElbowFlexion]) < 60
		}); ok && o.rep.Name == setup.ShoulderPlane {
			add("deep", "The arms go deep behind the shoulders under load, at {at}.", "Stop level with the trunk, or lighten the load.", map[string]Quantity{"at": {deg, "angle"}})
		}
		if deg, ok := o.where(func(q *body.Pose) bool { return degrees1(q[setup.ShoulderElevation]) > overhead }); ok {
			if owned := o.doc.Lifter.Owned(setup.ShoulderRotation); owned.FromDeg > neededTurn {
				add("overhead", "Arms overhead, at {at}, ask for more outward rotation than this lifter owns ({owned}).", "Stop lower: a flatter bench for a press, a pull from in front for a pulldown.",
					map[string]Quantity{"at": {deg, "angle"}, "owned": {-owned.FromDeg, "angle"}})
			}
		}
	}
	if most, limit := o.lowBack(); most > limit {
		add("low-back", "The low back holds {torque}, more than {limit}.", o.easesBack(), map[string]Quantity{"torque": {rounded(most), "torque"}, "limit": {rounded(limit), "torque"}})
	}
	if math.Abs(p.Trunk.TurnDeg) > spineTurned && !o.path.Both() {
		add("spine", "The spine is turned by {turn} under a one-sided load.", "Hold against the turn instead of moving through it.", map[string]Quantity{"turn": {math.Abs(p.Trunk.TurnDeg), "angle"}})
	}
	if b := &r.Bracing.Bench; b.Used && !b.Holds {
		add("bench", "The bench "+b.How+".", "Weight on its foot, or its foot against something.", map[string]Quantity{})
	}
	if t := o.doc.Tempo; !o.path.Still() && t.Up > 0 && t.Down > 0 && min(t.Up, t.Down) < fastPhase {
		add("momentum", "A phase of {time} throws the weight: it floats and then bites at the turn.", "Take at least a second each way.", map[string]Quantity{"time": {min(t.Up, t.Down), "time"}})
	}
	if in := r.Entry; in != nil && !in.Holds {
		add("entry", "With only one handle in hand {pull} pulls the lifter "+verdict.Direction(in.TowardDeg)+" off the stance.",
			"Take the second handle while still close, then step out; step in before putting one back.", map[string]Quantity{"pull": {in.Pull, "force"}})
	}
	for k, index := range o.rep.Index {
		if l := &o.doc.Loads[index]; l.Kind == "band" {
			o.bandCautions(l, slices.Max(o.rep.Parts[k].Stretch), add)
		}
	}
	return out
}

// lowBack is what the low back has to hold at most, N·m, 0 where something carries the trunk, and what it can.
func (o *outcome) lowBack() (most, limit float64) {
	limit, _ = o.doc.Lifter.Bearable()
	if o.station.Carried {
		return 0, limit
	}
	return max(0, floats.Max(o.rep.LowBack)), limit
}

// easesBack is the usual way to ask less of the low back.
func (o *outcome) easesBack() string {
	switch p := &o.doc.Posture; {
	case o.station.LegsMove:
		return "A more upright trunk, or less load."
	case p.Kind == "seated":
		return "Sit more upright, or lay the trunk on the thighs."
	case !o.path.Both() && !o.station.Leans && p.HandAt == nil:
		return "Support the chest on a bench, or lean the free hand on the thigh."
	}
	return "Support the chest on a bench."
}

// bandCautions are those of one band.
func (o *outcome) bandCautions(l *setup.Load, stretch float64, add func(key, text, way string, values map[string]Quantity)) {
	if stretch > support.StretchCaution {
		add("band-stretch", "The band is stretched to {stretch} of its length at rest, where it wears fast.", "A longer band, or a nearer anchor; look it over before every set.",
			map[string]Quantity{"stretch": {100 * stretch, "percent"}})
	}
	if l.Worn {
		add("band-worn", "The band is marked as worn.", "Take another: a worn one snaps without warning.", map[string]Quantity{})
	}
	if l.Loose {
		add("band-loose", "The band's anchor is not fixed.", "Fix it so that it cannot slip or lift off, and pull it once hard before the set.", map[string]Quantity{})
	}
}

func degrees1(rad float64) float64 { return rad * 180 / math.Pi }

// raised says whether an arm is far enough from hanging for its plane to mean something.
func raised(q *body.Pose) bool { return q[setup.ShoulderElevation] > math.Pi/3 }

// where is the first place that a condition holds at, in degrees of the named coordinate.
func (o *outcome) where(holds func(*body.Pose) bool) (float64, bool) {
	for i := range o.rep.S {
		if holds(&o.rep.Pose[i]) {
			return rounded(degrees1(o.rep.Angle[i])), true
		}
	}
	return 0, false
}

// loadedWhere is where among the places with a good part of the peak.
func (o *outcome) loadedWhere(holds func(*body.Pose) bool) (float64, bool) {
	least := math.Max(loadedShare*largest(o.rep.Loads), math.SmallestNonzeroFloat64)
	i := -1
	return o.where(func(q *body.Pose) bool {
		i++
		return o.rep.Loads[i] >= least && holds(q)
	})
}

func largest(x []float64) float64 { return floats.Max(x) }

// rubVerdict words what is in a strand's way; nothing when all is clear.
func rubVerdict(rubs []Rub) []Verdict {
	order := map[string]int{"crosses": 1, "close": 2, "touches": 3, "blocked": 4}
	worst := -1
	for i := range rubs {
		r := &rubs[i]
		if order[r.State] > 0 && (worst < 0 || order[r.State] > order[rubs[worst].State] ||
			(order[r.State] == order[rubs[worst].State] && r.Distance < rubs[worst].Distance)) {
			worst = i
		}
	}
	if worst < 0 {
		return nil
	}
	r := &rubs[worst]
	s := verdict.Rub(r.Part, r.State, math.Abs(r.Distance), r.AngleDeg)
	return []Verdict{worded(&s)}
}

// pinVerdicts tell where the pins are too coarse for the lifter.
func pinVerdicts(pins []Pins) []Verdict {
	var out []Verdict
	for _, p := range pins {
		least := p.List[0]
		effort, known := least.Effort.Get()
		if !known {
			continue
		}
		if s, ok := verdict.Pins(least.Mass, effort); ok {
			out = append(out, worded(&s))
		}
	}
	return out
}

// jointsVerdict words what grip, low back and joint bear.
func (o *outcome) jointsVerdict(r *Report) Verdict {
	m := &r.Muscles
	in := verdict.JointsInput{Joint: o.joint.Name(), Grip: largest(o.rep.GripForce), Across: largest(o.rep.Across), Along: o.rep.Along[0],
		Contact: math.NaN()}
	_, in.GripLimit = o.doc.Lifter.Bearable()
	switch o.joint {
	case body.ShoulderR:
		in.Contact = largest(m.Shoulder)
	case body.ElbowR:
		in.Contact = largest(m.Elbow)
	}
	for _, x := range o.rep.Along {
		if math.Abs(x) > math.Abs(in.Along) {
			in.Along = x
		}
	}
	in.LowBack, in.BackLimit = o.lowBack()
	in.EasesBack = o.easesBack()
	in.Contact = 10 * math.Round(in.Contact/10) // an estimate does not know single newtons
	o.limitWords(r, &in)
	s := verdict.Joints(in)
	return worded(&s)
}

// limitWords tells the sentence about joints what gives out first.
func (o *outcome) limitWords(r *Report, in *verdict.JointsInput) {
	limit := &r.Limit
	now, known := limit.Now.Get()
	if limit.Kind == "" || !known {
		return
	}
	in.First, in.Effort = "the "+limit.Label, now
	if limit.Kind == "muscle" {
		in.First = "the " + muscle.InSentence(limit.Label)
	}
	if limit.Load >= 0 {
		in.Load = metric.Known(*massOf(&o.doc.Loads[limit.Load]))
		in.Once, in.Low, in.High = limit.Kg, roughly(limit.KgLow), roughly(limit.KgHigh)
	}
}

// roughly is a load as coarse as it is known: in half kilograms below 10, in whole ones below 60, above in steps of 5.
func roughly(load metric.Metric) metric.Metric {
	kg, ok := load.Get()
	if !ok {
		return load
	}
	step := 5.0
	switch {
	case kg < 10:
		step = 0.5
	case kg < 60:
		step = 1
	}
	return metric.Known(step * math.Round(kg/step))
}
