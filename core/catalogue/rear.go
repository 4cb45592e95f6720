package catalogue

import "dialarc/core/setup"

// rearSetups are for the rear of the shoulder.
func rearSetups(m *maker) []Ready {
	rear := func(p setup.Posture, b *setup.Bench, v setup.Movement, l setup.Load) setup.Document {
		d := m.base("deltoid.posterior", "shoulder", p, b)
		d.Movement, d.Loads = v, []setup.Load{l}
		return d
	}
	one := func(v setup.Movement) setup.Movement { v.Side = "right"; return v }
	sh := m.shoulder()
	out := []Ready{
		{Key: "reverse.fly", Name: "Reverse fly, cuffs at the upper arms", About: "Elbows square, chest on the upright bench, arms at shoulder height.",
			Document: rear(lying("prone", 0.9, 180), bench(80), swing("both", 95, -10, 85, 90), cable(at(0, 1.15, 0.55), m.pin(0.18), cuff("upperArm", 0.85)))},
		{Key: "reverse.low", Name: "Low to high, chest on the bench", About: "Two handles from low in front; the hands stay apart.",
			Document: rear(lying("prone", 1.0, 180), bench(45), through("both", easy(85, 85, 0, 15), easy(45, 88, 0, 15), easy(0, 90, 0, 15)), cable(at(0, 0.2, 0.10), m.pin(0.10), grip))},
		{Key: "reverse.side", Name: "One arm side-on, cable at shoulder height", About: "A step away, so that the stack is off its rest; shoulder down.",
			Document: rear(standing(0.8, 90), nil, one(swing("both", 115, 5, 88, 10)), cable(at(0, sh, -0.35), m.pin(0.10), grip))},
		{Key: "reverse.bent", Name: "Bent over, one arm, cable lowest", About: "A deep hinge; the arm goes out and a little back.",
			Document: rear(hinged(0.7, 90, 75), nil, one(swing("both", 100, -5, 80, 10)), cable(at(0, 0.2, -0.30), m.pin(0.08), grip))},
		{Key: "reverse.high.bench", Name: "High to low, crossed, chest on the bench", About: "Down and back along the fibres.",
			Document: rear(lying("prone", 0.9, 180), bench(62), through("both", easy(95, 105, 0, 10), easy(45, 75, 0, 10), easy(-10, 50, 0, 10)), cable(at(0, 1.95, 0.55), m.pin(0.12), grip))},
		{Key: "reverse.high", Name: "High to low, crossed, standing", About: "The same on the feet.",
			Document: rear(standing(0.8, 180), nil, through("both", easy(95, 105, 0, 10), easy(45, 75, 0, 10), easy(-10, 50, 0, 10)), cable(at(0, 1.95, 0.55), m.pin(0.12), grip))},
		{Key: "reverse.under", Name: "Seated, low cables crossed under the legs", About: "Bent over the knees; raise the seat when a cable touches the legs.",
			Document: rear(seated(0.0, 0, 60), nil, swing("both", 95, 0, 75, 15), cable(at(0.25, 0.2, -0.75), m.pin(0.08), grip))},
		{Key: "pull.face", Name: "Face-high rope pull", About: "Tips over, light, upper back with it.",
			Document: rear(standing(0.78*m.l.Stature, 180), nil, through("both", easy(85, 85, 0, 20), easy(50, 88, -35, 80), easy(10, 90, -70, 110)), rope(at(0, sh+0.1, 0), m.pin(0.20), 0.29*m.l.Stature))},
	}
	row := rear(lying("prone", 0, 0), bench(35), setup.Movement{}, dumbbell(m.kg(0.12)))
	row.Movement = through("both", easy(90, 55, 0, 5), easy(45, 40, 0, 60), easy(0, 55, 0, 95))
	out = append(out, Ready{Key: "row.rear", Name: "Chest-supported dumbbell row, elbows out", About: "Elbows at 45 degrees from the body.", Document: row})
	for i := range out {
		out[i].Group = "rear"
	}
	return out
}
