package rig

import (
	"math"
	"slices"

	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/metric"
	"dialarc/core/setup"
)

// remembered is what a load says it was taken from; nothing when it does not say.
func remembered(l *setup.Load) setup.Kit {
	if l.Kit == nil {
		return setup.Kit{}
	}
	return *l.Kit
}

// paired says whether a cable has a mirrored twin, so that it takes two columns.
func (f *fitter) paired(l *setup.Load) bool {
	return l.Kind == setup.Cable && !l.Shared && f.doc.Movement.Side == "both" && l.Contact.Segment != "trunk"
}

// cable takes a station: the same one, or that whose holes, columns and pins come nearest (weights own: 10 cm of height count as
// 30 cm between the columns, or as a stack that is too heavy or too light).
func (f *fitter) cable(path string, l *setup.Load) {
	pair, before := f.paired(l), 2*math.Abs(l.Pulley.Z)
	pull := l.StackMass * l.Ratio
	i := alike(f.room.Stations, remembered(l).Station, func(s *kit.Station) string { return s.Key }, func(s *kit.Station) float64 {
		if pair && s.Columns < 2 {
			return math.Inf(1)
		}
		cost := math.Abs(s.Column.HoleHeight(nearestHole(&s.Column, l.Pulley.Y)) - l.Pulley.Y)
		if pair {
			cost += math.Abs(s.Apart-before) / 3
		}
		if need := pull / s.Ratio; need < s.Column.Lightest-s.Column.Step/2 || need > s.Column.Heaviest+s.Column.Step/2 {
			cost += 0.1
		}
		return cost
	})
	if i < 0 {
		if pair {
			f.lacks(path+".kit", "This takes two cable columns, and there is no station with two here.", nil)
		} else {
			f.lacks(path+".kit", "There is no cable station here.", nil)
		}
		return
	}
	f.onColumn(path, l, &f.room.Stations[i], pair, pull)
}

func nearestHole(c *setup.Column, height float64) int {
	return max(1, min(c.Holes, 1+int(math.Round((height-c.LowestHole)/c.Spacing))))
}

// onColumn sets a pulley into the nearest hole of a station's column and the pin to the same pull at the hand.
func (f *fitter) onColumn(path string, l *setup.Load, s *kit.Station, pair bool, pull float64) {
	hole := nearestHole(&s.Column, l.Pulley.Y)
	if y := micro(s.Column.HoleHeight(hole)); differ(y, l.Pulley.Y) {
		f.change(path+".pulley.y", s.Name+": hole {hole} of {holes}, {to} up instead of {from}.",
			values{"hole": count(hole), "holes": count(s.Column.Holes), "from": length(l.Pulley.Y), "to": length(y)})
		l.Pulley.Y = y
	}
	was := remembered(l)
	column := was.Column
	if pair { // one alone may be anywhere: the lifter stands by it
		z := s.Apart / 2
		if l.Pulley.Z < 0 || (l.Pulley.Z == 0 && l.Side == "right") {
			z = -z
		}
		if differ(z, l.Pulley.Z) {
			f.change(path+".pulley.z", "The columns are {to} apart instead of {from}.", values{"from": length(2 * math.Abs(l.Pulley.Z)), "to": length(s.Apart)})
		}
		l.Pulley.Z = z
	}
	if column == "" {
		column = "right"
		if l.Pulley.Z < 0 {
			column = "left"
		}
	}
	pin, _ := kit.Nearest(kit.PinsOf(&s.Column), pull/s.Ratio)
	if differ(pin*s.Ratio, pull) || differ(pin, l.StackMass) {
		text := "Pin {to} instead of {from}."
		if differ(l.Ratio, s.Ratio) {
			text = "Pin {to} instead of {from}: at the hand {hand} instead of {before}."
		}
		f.change(path+".stackMass", text, values{"from": mass(l.StackMass), "to": mass(pin), "hand": mass(pin * s.Ratio), "before": mass(pull)})
	}
	l.StackMass, l.Ratio, l.Friction, l.ParkedGap, l.Travel = pin, s.Ratio, s.Friction, s.ParkedGap, s.Travel
	l.Kit = &setup.Kit{Station: s.Key, Column: column, Hole: hole, Spec: new(s.Column), Held: was.Held, Lengths: was.Lengths}
}

func micro(x float64) float64 { return math.Round(1e6*x) / 1e6 }

// holdKinds are what may be at the end of a cable or band, and what to say when there is none.
func holdKinds(l *setup.Load) (kinds []string, none string) {
	switch {
	case l.Kind == setup.Rope:
		return []string{"rope"}, "There is no rope here."
	case l.Shared:
		return []string{"bar"}, "There is no short bar for both hands here."
	case l.Contact.Segment == "hand":
		return []string{"handle", "strap"}, "There is no handle here."
	case l.Contact.Segment == "trunk":
		return []string{"belt", "strap"}, "There is no belt here."
	}
	return []string{"cuff"}, "There is no cuff here."
}

// held takes what is held or worn, the one of nearest length. A band can be held as it is.
func (f *fitter) held(path string, l *setup.Load) {
	kinds, none := holdKinds(l)
	now := &l.AttachmentLength
	if l.Kind == setup.Rope {
		now = &l.StrandLength
	}
	if l.Kind == setup.Band && l.Contact.Segment == "hand" {
		return
	}
	var lengths []float64
	for _, h := range f.room.Holds {
		if slices.Contains(kinds, h.Kind) {
			lengths = append(lengths, h.Length)
		}
	}
	i := alike(f.room.Holds, remembered(l).Held, func(h *kit.Hold) string { return h.Key }, func(h *kit.Hold) float64 {
		if !slices.Contains(kinds, h.Kind) {
			return math.Inf(1)
		}
		return math.Abs(h.Length - *now)
	})
	if i < 0 {
		f.lacks(path+".contact", none, nil)
		return
	}
	// A length that another one of the kind has is that one's: the coach turned to it.
	if near, at := kit.Nearest(lengths, *now); at >= 0 && !differ(near, *now) && differ(f.room.Holds[i].Length, *now) {
		i = slices.IndexFunc(f.room.Holds, func(h kit.Hold) bool { return slices.Contains(kinds, h.Kind) && !differ(h.Length, *now) })
	}
	h := &f.room.Holds[i]
	f.set(path+".attachmentLength", now, h.Length, h.Name+": {to} instead of {from}.", length)
	slices.Sort(lengths)
	if l.Kit == nil {
		l.Kit = &setup.Kit{}
	}
	l.Kit.Held, l.Kit.Lengths = h.Key, slices.Compact(lengths)
}

// band takes the band that pulls and stretches most alike, and the anchor that is nearest in height.
func (f *fitter) band(path string, l *setup.Load) {
	own := kit.Band{RestLength: l.RestLength, Section: l.Section, Pull: l.Pull, Strands: l.Strands}
	i := alike(f.room.Bands, remembered(l).Item, func(b *kit.Band) string { return b.Key }, func(b *kit.Band) float64 {
		return math.Abs(math.Log(max(b.PullAtDouble(), 1)/max(own.PullAtDouble(), 1))) + math.Abs(b.RestLength-l.RestLength)/l.RestLength
	})
	if i < 0 {
		f.lacks(path+".kit", "There is no band here.", nil)
		return
	}
	b := &f.room.Bands[i]
	if differ(b.RestLength, l.RestLength) || math.Abs(b.PullAtDouble()-own.PullAtDouble()) > 0.5 {
		f.change(path+".restLength", b.Name+": {rest} long at rest and {pull} at twice that, instead of {from} and {before}.", values{
			"rest": length(b.RestLength), "pull": {Value: b.PullAtDouble(), Kind: "force"}, "from": length(l.RestLength), "before": {Value: own.PullAtDouble(), Kind: "force"}})
	}
	l.RestLength, l.Section, l.Pull, l.Strands, l.Hysteresis, l.Worn = b.RestLength, b.Section, slices.Clone(b.Pull), b.Strands, b.Hysteresis, b.Worn || l.Worn
	was := remembered(l)
	l.Kit = &setup.Kit{Item: b.Key, Held: was.Held, Lengths: was.Lengths}
	f.anchor(path, l)
}

// floor is how low an anchor counts as on the floor, where a foot holds it, m (own).
const floor = 0.06

func (f *fitter) anchor(path string, l *setup.Load) {
	y := l.Anchor.Y
	if y <= floor {
		return
	}
	reach := func(a *kit.Anchor) float64 { return max(a.From, min(a.To, y)) }
	i := alike(f.room.Anchors, "", func(a *kit.Anchor) string { return a.Key }, func(a *kit.Anchor) float64 { return math.Abs(reach(a) - y) })
	if i < 0 {
		f.lacks(path+".anchor", "There is nothing to fix a band to here but the floor.", nil)
		return
	}
	a := &f.room.Anchors[i]
	f.set(path+".anchor.y", &l.Anchor.Y, micro(reach(a)), a.Name+": {to} up instead of {from}.", length)
	l.Loose = a.Loose || l.Loose
}

// weight takes the nearest dumbbell, or the nearest load of a bar; one weight in both hands may be a dumbbell too.
func (f *fitter) weight(path string, l *setup.Load) {
	kinds := []string{"dumbbells"}
	text, none := "A dumbbell of {to} instead of {from}.", "There are no dumbbells here."
	if l.Kind == setup.Bar {
		kinds, text, none = []string{"bar"}, "{to} in both hands instead of {from}.", "There is no bar here."
		if f.doc.Movement.BarWidth == 0 && l.Contact.Segment == "hand" {
			kinds = append(kinds, "dumbbells")
		}
	}
	var masses []float64
	for i := range f.room.Weights {
		if w := &f.room.Weights[i]; slices.Contains(kinds, w.Kind) {
			masses = append(masses, w.Loadable()...)
		}
	}
	f.massOf(path+".mass", l, &l.Mass, masses, text, none)
}

// massOf turns a mass to the nearest that can be had and remembers all of them.
func (f *fitter) massOf(path string, l *setup.Load, now *float64, masses []float64, text, none string) {
	slices.Sort(masses)
	masses = slices.Compact(masses)
	near, at := kit.Nearest(masses, *now)
	if at < 0 {
		f.lacks(path, none, nil)
		return
	}
	f.set(path, now, near, text, mass)
	l.Kit = &setup.Kit{Masses: masses, Item: remembered(l).Item}
}

func (f *fitter) cam(path string, l *setup.Load) {
	i := alike(f.room.Cams, remembered(l).Item, func(c *kit.Cam) string { return c.Key }, func(c *kit.Cam) float64 {
		if c.Coordinate != l.Coordinate {
			return math.Inf(1)
		}
		return math.Abs(padAt(c, l) - l.PadRadius)
	})
	if i < 0 {
		f.lacks(path+".cam", "There is no machine with a pad for this here.", nil)
		return
	}
	c := &f.room.Cams[i]
	pad := padAt(c, l)
	if !slices.Equal(c.Table, l.Cam) || differ(pad, l.PadRadius) || differ(c.Ratio, l.Ratio) {
		f.change(path+".cam", c.Name+": its own cam and pad, {pad} from the axis.", values{"pad": length(pad)})
	}
	pull := l.StackMass * l.Ratio
	l.Cam, l.PadRadius, l.Ratio = slices.Clone(c.Table), pad, c.Ratio
	l.Kit = &setup.Kit{Item: c.Key}
	if want := pull / c.Ratio; differ(want, l.StackMass) {
		l.StackMass = want
	}
	f.massOf(path+".stackMass", l, &l.StackMass, c.Pins(), "Pin {to} instead of {from}.", "")
}

// padAt is where a machine's pad can be set nearest to where the setup has it.
func padAt(c *kit.Cam, l *setup.Load) float64 { return max(c.PadFrom, min(c.PadTo, l.PadRadius)) }

// sameHandle is how far a lever's handle may be from where the setup has it, m (own): the path follows its circle.
const sameHandle = 0.05

func (f *fitter) lever(path string, l *setup.Load) {
	if l.PivotAlong == nil { // a bar with one end in a corner
		i := slices.IndexFunc(f.room.Weights, func(w kit.Weights) bool { return w.Kind == "bar" })
		if i < 0 {
			f.lacks(path, "There is no bar here.", nil)
			return
		}
		w := kit.Lever{Plates: f.room.Weights[i].Plates}
		f.massOf(path+".plateMass", l, &l.PlateMass, w.Loadable(), "Plates of {to} instead of {from}.", "")
		return
	}
	i := alike(f.room.Levers, remembered(l).Item, func(x *kit.Lever) string { return x.Key }, func(x *kit.Lever) float64 {
		if off := math.Abs(x.HandleRadius - l.HandleRadius); off <= sameHandle {
			return off
		}
		return math.Inf(1)
	})
	if i < 0 {
		f.lacks(path, "There is no lever machine here whose handle is {at} from its axis.", values{"at": length(l.HandleRadius)})
		return
	}
	m := &f.room.Levers[i]
	if differ(m.PlateRadius, l.PlateRadius) || differ(m.PlateDeg, l.PlateDeg) || differ(m.LeverMass, l.LeverMass) || differ(m.LeverRadius, l.LeverRadius) {
		f.change(path+".plateRadius", m.Name+": plates {at} from the axis, the lever itself {lever}.", values{"at": length(m.PlateRadius), "lever": mass(m.LeverMass)})
	}
	l.PlateRadius, l.PlateDeg, l.LeverMass, l.LeverRadius = m.PlateRadius, m.PlateDeg, m.LeverMass, m.LeverRadius
	l.Kit = &setup.Kit{Item: m.Key}
	f.massOf(path+".plateMass", l, &l.PlateMass, m.Loadable(), "Plates of {to} instead of {from}.", "")
}

// Effect is what moving into a room does to a setup.
type Effect struct {
	Match  metric.Metric `json:"match" doc:"0 to 100."`
	Effort metric.Metric `json:"effort" doc:"Largest torque over capacity."`
	Peak   metric.Metric `json:"peak" doc:"Largest torque of loads and body, N·m."`
	Phase  string        `json:"phase" doc:"early, mid or late; empty when there is none."`
	Stop   string        `json:"stop,omitempty" doc:"What stands against it, when anything does."`
}

// EffectOf evaluates a document for comparing it before and after.
func EffectOf(d *setup.Document) Effect {
	none := metric.Missing("The setup cannot be evaluated as it stands.")
	e := Effect{Match: none, Effort: none, Peak: none}
	r, problems := evaluate.Document(d)
	if len(problems) > 0 {
		e.Stop = problems[0].What
		return e
	}
	e.Match, e.Effort, e.Peak, e.Phase = r.Profile.Match, r.Profile.PeakEffort, r.Profile.Total.Peak, r.Profile.Loads.Phase
	if len(r.Gaps) > 0 {
		e.Stop = r.Gaps[0].Why
	}
	return e
}
