package catalogue

import (
	"math"
	"strings"

	"dialarc/core/setup"
)

// curl flexes the elbow with the upper arm held.
func curl(side string, from, to float64, hold pose) setup.Movement {
	return sweep(side, "elbow.flexion", from, to, held(hold, "elbow.flexion"))
}

// armFrontSetups flex the elbow.
func armFrontSetups(m *maker) []Ready {
	biceps := func(p setup.Posture, b *setup.Bench, v setup.Movement, loads ...setup.Load) setup.Document {
		d := m.base("biceps", "elbow", p, b)
		d.Movement, d.Loads = v, loads
		return d
	}
	hanging := arm(0, 0, 0, 0)
	palmUp := func(p pose) pose { p["forearm.pronationDeg"] = -75; return p }
	withBar := biceps(standing(0, 0), nil, curl("both", 5, 130, palmUp(arm(0, 3, 0, 0))), bar(m.kg(0.25)))
	withBar.Movement.BarWidth = mm(2 * m.b.ShoulderHalf)
	hammer := biceps(standing(0, 0), nil, curl("both", 5, 130, hanging), dumbbell(m.kg(0.12)))
	hammer.Target.Region = "brachialis"
	inPath := biceps(standing(0.55, 0), nil, curl("right", 10, 130, palmUp(arm(90, -10, -8, 0))), cable(at(0, 0.2, 0.15), m.pin(0.2), grip))
	out := []Ready{
		{Key: "curl.bar", About: "A straight bar fixes the hands, so the forearms cannot turn.", Document: withBar},
		{Key: "curl.dumbbell", About: "No load at the bottom; hardest with the forearm level.",
			Document: biceps(standing(0, 0), nil, curl("both", 5, 130, palmUp(arm(0, 0, 0, 0))), dumbbell(m.kg(0.12)))},
		{Key: "curl.hammer", About: "Thumbs up: more for the brachialis, the muscle under the biceps.", Document: hammer},
		{Key: "curl.hinged", About: "Bent over so that the upper arm hangs straight down.",
			Document: biceps(hinged(0, 0, 70), nil, curl("right", 10, 130, palmUp(arm(90, 70, 0, 0))), dumbbell(m.kg(0.12)))},
		{Key: "curl.corner", About: "One end of the bar sits in a corner, so the other travels on an arc.", Document: m.cornerCurl()},
		{Key: "curl.incline.45", About: "The same torque as standing, with the biceps longer.",
			Document: biceps(seated(0, 0, 0), bench(45), curl("both", 5, 130, palmUp(arm(90, -45, 0, 0))), dumbbell(m.kg(0.10)))},
		{Key: "curl.incline.60", About: "Less stretch than with the bench at 45 degrees.",
			Document: biceps(seated(0, 0, 0), bench(60), curl("both", 5, 130, palmUp(arm(90, -30, 0, 0))), dumbbell(m.kg(0.10)))},
		{Key: "curl.preacher", About: "Hardest early; nothing once the forearm is upright.",
			Document: biceps(seated(0, 0, 15), nil, curl("right", 10, 130, palmUp(arm(90, 65, 0, 0))), dumbbell(m.kg(0.11)))},
		{Key: "curl.preacher.cable", About: "The cable comes from low in front, so it peaks later than a dumbbell.",
			Document: biceps(seated(0.9, 180, 15), nil, curl("right", 10, 130, palmUp(arm(90, 65, 0, 0))),
				cable(at(0, 0.2, -0.15), m.pin(0.22), grip))},
		{Key: "curl.behind", About: "One step out from the pulley, cable in line with the arm: the most even curl.",
			Document: biceps(setup.Posture{Kind: "standing", X: 0.45, Feet: "split", Ahead: "left", FeetApart: 0.10}, nil,
				curl("right", 10, 130, palmUp(arm(90, -15, 0, 0))), cable(at(0, 0.2, 0.25), m.pin(0.22), grip))},
		{Key: "curl.path", About: "The cable runs in the plane of the curl, so nothing twists the arm.", Document: inPath},
	}
	up := m.base("deltoid.anterior", "shoulder", standing(0, 0), nil)
	up.Movement = through("both", arm(30, 12, -20, 10), arm(40, 15, -60, 125), arm(30, 80, -75, 120), arm(40, 155, -60, 20))
	up.Loads = []setup.Load{dumbbell(m.kg(0.07)), band(at(-0.1, 0.02, 0.5), 0.95*m.k(), 0.4*m.mass, grip)}
	out = append(out, Ready{Key: "curl.press",
		About:    "Bands from a board beside the feet add load where the weights fade; from under the shoes they would cut into shin and arm.",
		Document: up})
	for i := range out {
		if strings.HasPrefix(out[i].Key, "curl.preacher") {
			out[i].Document.Posture.Restraints = []string{"armPad"}
		}
		out[i].Group = "armFront"
	}
	return out
}

// cornerCurl leads the hand up on the circle of a bar whose other end stands in a corner in front.
func (m *maker) cornerCurl() setup.Document {
	d := m.base("biceps", "elbow", standing(1.9, 180), nil)
	hand := m.hand(&d, arm(90, 5, 0, 25))
	pivot := at(0, 0.05, hand.Z)
	start := at(hand.X, hand.Y, hand.Z)
	radius := math.Hypot(start.X-pivot.X, start.Y-pivot.Y)
	d.Movement = setup.Movement{Kind: "guided", Side: "right", Guide: &setup.Guide{Kind: "arc", Start: *start, Centre: pivot,
		About: at(0, 0, 1), TurnDeg: 9, SwivelDeg: 0}}
	d.Loads = []setup.Load{{ID: "bar", Kind: setup.Lever, Variable: true, Side: "right", Contact: grip, Ratio: 1, Pivot: pivot,
		PlateMass: m.kg(0.06), PlateRadius: mm(radius - 0.15),
		LeverMass: 8, LeverRadius: mm(radius / 2), HandleRadius: mm(radius)}}
	return d
}

// armBackSetups extend the elbow.
func armBackSetups(m *maker) []Ready {
	triceps := func(p setup.Posture, b *setup.Bench, v setup.Movement, loads ...setup.Load) setup.Document {
		d := m.base("triceps", "elbow", p, b)
		d.Movement, d.Loads = v, loads
		return d
	}
	reverse := cable(at(0, 2.0, 0), m.pin(0.3), grip)
	reverse.Shared = true
	astride := hinged(0.6, 0, 20)
	astride.Feet, astride.Ahead, astride.FeetApart, astride.Stagger = "split", "left", 0.10, 0.8
	out := []Ready{
		{Key: "pressdown.rope", About: "Stand half a step back: right under the pulley there is no load at lockout.",
			Document: triceps(standing(0.5, 180), nil, curl("both", 115, 5, arm(90, 0, 0, 0)), rope(at(0, 2.0, 0), m.pin(0.3), 0.40))},
		{Key: "pressdown.reverse", About: "A straight bar on one cable.",
			Document: triceps(standing(0.75, 180), nil, curl("both", 115, 5, pose{"shoulder.planeOfElevationDeg": 90, "shoulder.elevationDeg": 12,
				"forearm.pronationDeg": -75}), reverse)},
		{Key: "pressdown.leaning", About: "Leaning in brings the cable closer to the upper arms.",
			Document: triceps(hinged(0.75, 180, 35), nil, curl("both", 115, 5, arm(90, 45, 0, 0)), rope(at(0, 2.0, 0), m.pin(0.3), 0.40))},
		{Key: "extension.overhead", About: "Trains the long head at its longest; the rope passes beside your head.",
			Document: triceps(astride, nil, curl("both", 130, 10, arm(90, 165, 0, 0)), rope(at(0, 1.05, 0), m.pin(0.14), 0.50))},
		{Key: "extension.across", About: "The cable comes from the other side, across the chest.",
			Document: triceps(standing(0.8, 90), nil, curl("right", 130, 5, arm(60, 75, 60, 0)), cable(at(0, 1.45, 0.1), m.pin(0.1), grip))},
		{Key: "extension.bent", About: "Upper arm along the trunk, cable from low in front.",
			Document: triceps(hinged(1.3, 180, 60), nil, curl("right", 120, 5, arm(110, -10, 0, 0)), cable(at(0, 0.2, -0.15), m.pin(0.12), grip))},
		{Key: "kickback", About: "Peaks late, where the elbow is straight.",
			Document: triceps(hinged(0, 0, 75), nil, curl("right", 90, 5, arm(90, -15, 0, 0)), dumbbell(m.kg(0.06)))},
		{Key: "extension.lying", About: "Hardest with the forearm level.",
			Document: triceps(lying("supine", 0, 0), bench(0), curl("both", 120, 5, arm(90, 100, 0, 0)), dumbbell(m.kg(0.08)))},
		{Key: "pressdown.early", About: "Facing away: the cable comes from behind and is square to the forearm at full bend.",
			Document: triceps(standing(0.6, 0), nil, curl("right", 125, 60, arm(90, 45, 0, 0)), cable(at(0, 1.45, 0.4), m.pin(0.14), grip))},
	}
	out = append(out, m.narrowPresses()...)
	for i := range out {
		out[i].Group = "armBack"
	}
	return out
}
