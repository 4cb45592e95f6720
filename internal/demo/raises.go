package demo

import (
	"dialarc/core/catalogue"
	"dialarc/core/setup"
)

// Documents lists all setups of the demo.
func Documents() []setup.Document {
	var all []setup.Document
	for _, p := range troupe() {
		all = append(all, raises(&p)...)
	}
	return all
}

// raises are four ways to load the same raise.
func raises(p *person) []setup.Document {
	hand := crossBehind(p, "Cross-behind raise, hand height", 9, 0.30, 45)
	low := crossBehind(p, "Cross-behind raise, knee height", 4, 0.30, 45)
	lined := crossBehind(p, "Cross-behind raise, lined up", 7, 0.70, 45)
	bell := crossBehind(p, "Dumbbell raise to the side", 9, 0.30, 20)
	bell.Loads[0] = setup.Load{ID: "dumbbell", Kind: "dumbbell", Variable: true, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}, Mass: p.bell}
	return []setup.Document{hand, low, lined, bell}
}

// crossBehind is a raise against the cable of the opposite column, which passes behind the back.
func crossBehind(p *person, name string, hole int, out, plane float64) setup.Document {
	station := catalogue.Stations["twin-column"]
	return setup.Document{
		Schema: setup.Schema, Name: name, Samples: setup.DefaultSamples,
		Target:  setup.Target{Region: "deltoid.middle", School: "match", Joint: "shoulder"},
		Lifter:  p.body,
		Posture: setup.Posture{Kind: "standing", Root: "feet", X: out, Feet: "parallel", FeetApart: 0.30},
		Movement: setup.Movement{Kind: "shoulder-raise", Side: "both", Primary: "shoulder.elevation", FromDeg: 5, ToDeg: 95,
			Hold: map[string]float64{"shoulder.planeDeg": plane, "shoulder.rotationDeg": 0, "elbow.flexionDeg": 5}},
		Loads: []setup.Load{{ID: "cable", Kind: "cable", Variable: true, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
			Pulley: &setup.Point{X: 0, Y: station.HoleHeight(hole), Z: -0.55}, StackMass: p.stack, Ratio: 1, Friction: setup.DefaultFriction,
			ParkedGap: setup.DefaultParkedGap, Travel: setup.DefaultTravel, Kit: &setup.Kit{Station: station.Key, Column: "left", Hole: hole}}},
		Tempo: setup.Tempo{Down: 3, Up: 2, Top: 1},
	}
}
