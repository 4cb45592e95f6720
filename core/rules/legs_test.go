package rules_test

import (
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// What does not go together in a stance whose legs move is told with its place, and with what would be right.
func TestStancesOfMovingLegs(t *testing.T) {
	lifter := setup.Lifter{Height: 1.75, BodyMass: 75}
	for _, c := range []struct {
		ready, path string
		change      func(d *setup.Document)
	}{
		{"calf.standing", "posture.heelsFree", func(d *setup.Document) { d.Movement = setup.Movement{Kind: "hold", Side: "both"} }},
		{"calf.one", "movement.side", func(d *setup.Document) { d.Movement.Side, d.Posture.SupportHand = "both", nil }},
		{"calf.one", "posture.stands", func(d *setup.Document) { d.Posture.Stands = "" }},
		{"calf.standing", "posture.stands", func(d *setup.Document) { d.Posture.Stands = "left" }},
		{"squat.split", "movement.side", func(d *setup.Document) { d.Movement.Side = "both" }},
		{"squat.split", "posture.ahead", func(d *setup.Document) { d.Posture.Ahead = "left" }},
		{"squat.goblet", "posture.rearHeight", func(d *setup.Document) { d.Posture.RearHeight = 0.3 }},
		{"squat.split", "posture.frontShare", func(d *setup.Document) { d.Posture.FrontShare = 2 }},
		{"squat.split", "posture.feetApart", func(d *setup.Document) { d.Posture.FeetApart = 0.3 }},
		{"thrust.hip", "posture.trunk", func(d *setup.Document) { d.Posture.Trunk.PitchDeg = 10 }},
		{"thrust.hip", "movement.side", func(d *setup.Document) { d.Movement.Side = "right" }},
		{"squat.goblet", "posture.feetOut", func(d *setup.Document) { d.Posture.FeetOut = 0.8 }},
		{"extension.back", "posture.restraints", func(d *setup.Document) { d.Posture.Restraints = nil }},
		{"curl.nordic", "posture.kind", func(d *setup.Document) { d.Posture.Kind = "half-kneeling" }},
		{"press.leg", "loads[0].railDeg", func(d *setup.Document) { d.Loads[0].RailDeg = 0 }},
		{"press.leg", "loads[0].contact.segment", func(d *setup.Document) { d.Loads[0].Contact = setup.Contact{Segment: "hand", At: "grip"} }},
		{"press.leg", "loads[0].contact.at", func(d *setup.Document) { d.Loads[0].Contact.At = "heel" }},
		{"press.leg", "loads[0].plateMass", func(d *setup.Document) { d.Loads[0].PlateMass, d.Loads[0].LeverMass = 0, 0 }},
		{"press.leg", "movement", func(d *setup.Document) { d.Movement.Hold["hip.flexionDeg"] = 90 }},
		{"calf.press", "movement", func(d *setup.Document) { d.Movement.Hold["hip.flexionDeg"] = 90 }},
		{"thrust.hip", "movement", func(d *setup.Document) { d.Movement.Hold["knee.flexionDeg"] = 90 }},
		{"calf.seated", "movement", func(d *setup.Document) { d.Movement.Hold["knee.flexionDeg"] = 90 }},
		{"squat.split", "movement", func(d *setup.Document) {
			for i := range d.Movement.Keyframes {
				d.Movement.Keyframes[i].Pose["ankle.flexionDeg"] = 10
			}
		}},
		{"press.leg", "posture.root", func(d *setup.Document) { d.Posture = setup.Posture{Kind: "standing"}; d.Bench = nil }},
		{"calf.seated", "loads[0].side", func(d *setup.Document) { d.Movement.Side = "right" }},
		{"raise.leg.hanging", "movement.side", func(d *setup.Document) { d.Movement.Side = "right" }},
		{"squat.hack", "posture.kind", func(d *setup.Document) { d.Posture.Kind = "seated" }},
		{"squat.hack", "loads[0].contact.at", func(d *setup.Document) { d.Loads[0].Contact.At = "ball" }},
		{"squat.pistol", "movement.other.end.knee.flexionDeg", func(d *setup.Document) {
			d.Movement.Other.End["knee.flexionDeg"] = 20
			delete(d.Movement.Other.Start, "knee.flexionDeg")
		}},
		{"squat.pistol", "movement.other.start.hip.bend", func(d *setup.Document) { d.Movement.Other.Start["hip.bend"] = 20 }},
		{"squat.pistol", "movement.other.start.knee.flexionDeg", func(d *setup.Document) { d.Movement.Other.Start["knee.flexionDeg"] = 200 }},
		{"squat.pistol", "movement.other.start.trunk.flexionDeg", func(d *setup.Document) { d.Movement.Other.Start["trunk.flexionDeg"] = 20 }},
		{"squat.split", "movement.other.start.hip.flexionDeg", func(d *setup.Document) {
			d.Movement.Other = &setup.OtherSide{Start: map[string]float64{"hip.flexionDeg": 20}}
		}},
		{"squat.goblet", "movement.other", func(d *setup.Document) {
			d.Movement.Other = &setup.OtherSide{Start: map[string]float64{"elbow.flexionDeg": 20}}
		}},
		{"turn.cable", "movement.other.start.elbow.flexionDeg", func(d *setup.Document) {
			d.Movement.Other = &setup.OtherSide{Start: map[string]float64{"elbow.flexionDeg": 20}}
		}},
		{"plank", "posture.root", func(d *setup.Document) {
			d.Movement = setup.Movement{Kind: "sweep", Side: "both", Primary: "hip.flexion", FromDeg: 0, ToDeg: 80}
		}},
	} {
		r, _ := catalogue.Find(&lifter, c.ready)
		if problems := rules.Validate(&r.Document); len(problems) > 0 {
			t.Errorf("%s as it is: %v", c.ready, problems)
		}
		d := r.Document.Clone()
		c.change(&d)
		told := false
		for _, p := range rules.Validate(&d) {
			told = told || p.Path == c.path && p.What != "" && p.Hint != ""
		}
		if !told {
			t.Errorf("%s: nothing is said of %s: %v", c.ready, c.path, rules.Validate(&d))
		}
	}
}
