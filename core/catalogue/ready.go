package catalogue

import (
	"fmt"
	"math"

	"dialarc/core/setup"
)

// Ready is a setup to begin with.
type Ready struct {
	Key      string         `json:"key"`
	Group    string         `json:"group" doc:"What it is for." enum:"shoulder,rear,chest,back,armFront,armBack,leg,trunk"`
	Name     string         `json:"name"`
	About    string         `json:"about" doc:"What it is for, in a line."`
	Region   string         `json:"region" doc:"Key of the region that it is for."`
	Phase    string         `json:"phase" doc:"Where the loads ask most, for a lifter of middle size: early, mid or late; empty for a hold."`
	Note     string         `json:"note,omitempty" doc:"What the phase depends on, or where it is not what is usually said."`
	Mistakes []string       `json:"mistakes" doc:"Common mistakes."`
	Needs    []string       `json:"needs" doc:"Kinds of kit that it takes." enum:"cable,dumbbell,bar,band,machine,bench"`
	Document setup.Document `json:"document"`
}

// Groups lists the groups of ready setups in their order.
var Groups = []string{"shoulder", "rear", "chest", "back", "armFront", "armBack", "leg", "trunk"}

// All lists every ready setup for one lifter, group by group.
func All(l *setup.Lifter) []Ready {
	m := newMaker(l)
	out := raises(l)
	for _, group := range []func(*maker) []Ready{shoulderSetups, rearSetups, chestSetups, backSetups, armFrontSetups, armBackSetups, legSetups, trunkSetups} {
		out = append(out, group(m)...)
	}
	for i := range out {
		out[i].Document.Name = out[i].Name
		guided(&out[i])
		if lean, steady := stances[out[i].Key]; steady {
			p := &out[i].Document.Posture
			p.Feet, p.Ahead, p.FeetApart = "split", "left", 0.10
			if out[i].Document.Movement.Kind != "shoulder-raise" {
				p.Trunk.PitchDeg += lean
			}
		}
	}
	return out
}

// stances are the setups that pull hard enough from one side for one foot to stand ahead, with how much more the trunk leans
// against it, degrees.
var stances = map[string]float64{"raise.behind.lined": 0, "pull.face": -6, "extension.overhead": 4, "pressdown.early": 4, "curl.path": 4, "front.cable": 0}

func key(name string, number float64) string { return fmt.Sprintf("%s.%g", name, number) }

func named(format string, number float64) string { return fmt.Sprintf(format, number) }

// raises lists the setups to begin with for one lifter, loaded lightly for their body mass: about 14% of it on the
// pin, of which half arrives at the handle, or 4% in the hand (own).
func raises(l *setup.Lifter) []Ready {
	stack := newMaker(l).pin(0.14)
	bell := max(1, math.Round(0.04*l.Mass/0.5)*0.5)
	out := []Ready{
		{Key: "raise.behind.hand", About: "Heaviest where the arm starts; falls as the muscle does.", Document: behind(l, "Cross-behind raise, hand height", 9, 0.30, 45, stack)},
		{Key: "raise.behind.knee", About: "The same from low: more in the middle and on top.", Document: behind(l, "Cross-behind raise, knee height", 4, 0.30, 45, stack)},
		{Key: "raise.behind.lined", About: "Further out, so that the cable runs along the arm and under the shoulder.", Document: behind(l, "Cross-behind raise, lined up", 7, 0.70, 45, stack)},
		{Key: "raise.dumbbell.band", About: "A band from low behind adds to the dumbbell where it is light.", Document: withBand(withBell(behind(l, "Dumbbell and band", 9, 0.30, 30, stack), bell/2), 0.25*l.Mass)},
		{Key: "raise.dumbbell", About: "Nothing at the bottom, most at shoulder height.", Document: withBell(behind(l, "Dumbbell raise to the side", 9, 0.30, 20, stack), bell)},
	}
	for i := range out {
		out[i].Group, out[i].Name = "shoulder", out[i].Document.Name
	}
	return out
}

// behind is a raise against the cable of the opposite column, which passes behind the back.
func behind(l *setup.Lifter, name string, hole int, out, plane, stack float64) setup.Document {
	return setup.Document{
		Schema: setup.Schema, Name: name, Samples: setup.DefaultSamples,
		Target:  setup.Target{Region: "deltoid.middle", School: "match", Joint: "shoulder"},
		Lifter:  *l,
		Posture: setup.Posture{Kind: "standing", Root: "feet", X: out, Feet: "parallel", FeetApart: 0.30},
		Movement: setup.Movement{Kind: "shoulder-raise", Side: "both", Primary: "shoulder.elevation", FromDeg: 5, ToDeg: 95,
			Hold: map[string]float64{"shoulder.planeDeg": plane, "shoulder.rotationDeg": 0, "elbow.flexionDeg": 5}},
		Loads: []setup.Load{{ID: "cable", Kind: "cable", Variable: true, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
			Pulley: &setup.Point{X: 0, Y: math.Round(1e6*station.Column.HoleHeight(hole)) / 1e6, Z: -0.55}, StackMass: stack, Ratio: station.Ratio, Friction: setup.DefaultFriction,
			ParkedGap: setup.DefaultParkedGap, Travel: setup.DefaultTravel, Kit: &setup.Kit{Station: station.Key, Column: "left", Hole: hole}}},
		Tempo: setup.Tempo{Down: 3, Up: 2, Top: 1},
	}
}

func withBell(d setup.Document, mass float64) setup.Document {
	d.Loads[0] = setup.Load{ID: "dumbbell", Kind: "dumbbell", Variable: true, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}, Mass: mass}
	return d
}

// withBand adds a band from low behind the opposite hip that pulls with a force, N, at twice its length.
func withBand(d setup.Document, pull float64) setup.Document {
	l := &d.Lifter
	d.Loads = append(d.Loads, setup.Load{ID: "band", Kind: "band", Variable: true, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
		Anchor: &setup.Point{X: -0.40, Y: 0.30}, RestLength: math.Round(0.46*l.Stature/0.05) * 0.05, Section: pull / setup.RubberAtDouble, Strands: 1, Hysteresis: setup.DefaultHysteresis})
	return d
}
