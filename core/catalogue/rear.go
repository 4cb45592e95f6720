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
	under := seated(-0.1, 0, 55)
	under.SeatHeight, under.FeetApart = 0.6, 0.2
	out := []Ready{
		{Key: "reverse.fly", About: "Elbows bent square, chest on an upright bench, arms at shoulder height.",
			Document: rear(lying("prone", 0.9, 180), bench(80), swing("both", 95, -10, 85, 90), cable(at(0, 1.0, 0.55), m.pin(0.18),
				cuff("upperArm", 0.85)))},
		{Key: "reverse.low", About: "Two handles from low in front; the hands stay apart.",
			Document: rear(lying("prone", 1.0, 180), bench(45), through("both", easy(85, 85, 0, 15), easy(45, 88, 0, 15), easy(0, 90, 0, 15)),
				cable(at(0, 0.2, 0.10), m.pin(0.10), grip))},
		{Key: "reverse.side", About: "A step away, so the stack is off its rest; keep the shoulder down.",
			Document: rear(standing(0.8, 90), nil, one(lowered(swing("both", 115, 5, 88, 10), 75)), cable(at(0, sh, -0.35), m.pin(0.10), grip))},
		{Key: "reverse.bent", About: "Bent over deep; the arm goes out and a little back.",
			Document: rear(hinged(0.7, 90, 75), nil, one(swing("both", 100, -5, 80, 10)), cable(at(0, 0.2, -0.30), m.pin(0.08), grip))},
		{Key: "reverse.high.bench", About: "Down and back along the fibres.",
			Document: rear(lying("prone", 0.9, 180), bench(62), through("both", easy(95, 105, 0, 10), easy(45, 75, 0, 10), easy(-10, 50, 0, 10)),
				cable(at(0, 1.95, 0.55), m.pin(0.12), grip))},
		{Key: "reverse.high", About: "The same, standing.",
			Document: rear(standing(0.8, 180), nil, through("both", arm(90, 100, 44, 10), easy(45, 75, 0, 10), easy(-10, 50, 0, 10)),
				cable(at(0, 1.95, 0.55), m.pin(0.12), grip))},
		{Key: "reverse.under", About: "Bent over the knees; raise the seat if a cable touches the legs.",
			Document: rear(under, nil, swing("both", 95, 0, 75, 15), cable(at(1.0, 0.1, -0.6), m.pin(0.08), grip))},
		{Key: "pull.face", About: "Go light: heavy sets tip you over. The upper back works too.",
			Document: rear(standing(0.78*m.l.Height, 180), nil, through("both", arm(90, 80, 64, 15), arm(50, 85, 35, 80), arm(5, 88, 2, 125)),
				rope(at(0, sh+0.1, 0), m.pin(0.20), 0.29*m.l.Height))},
	}
	row := rear(lying("prone", 0, 0), bench(35), setup.Movement{}, dumbbell(m.kg(0.12)))
	row.Movement = through("both", lifted(easy(90, 55, 0, 5), 50), easy(45, 40, 0, 60), easy(0, 55, 0, 95))
	wide := cable(at(0, 0.9, 0), m.pin(0.35), grip)
	wide.Shared = true
	machine := m.base("deltoid.posterior", "shoulder", lying("prone", 0, 0), bench(85))
	machine.Movement = sweep("both", "shoulder.planeOfElevation", 95, -5, held(arm(0, 85, 45, 10), "shoulder.planeOfElevation"))
	machine.Movement.Natural = true
	machine.Loads = []setup.Load{cam("shoulder.planeOfElevation", setup.Contact{Segment: "hand", At: "grip"}, m.pin(0.25), 0.30*m.b.Height,
		-10, 0.12, 45, 0.14, 100, 0.13)}
	out = append(out,
		Ready{Key: "row.seated.wide", About: "Elbows wide, handle to the low chest: rear delts and upper back.",
			Document: rear(seated(1.1, 180, 0), nil, m.line("both", [3]float64{0.56, -0.08, 0.16}, [3]float64{0.18, -0.12, 0.2}, 60), wide)},
		Ready{Key: "reverse.machine", About: "The machine is nearly even all the way.", Document: machine})
	out = append(out, Ready{Key: "row.rear", About: "Elbows at 45 degrees from the body.", Document: row})
	for i := range out {
		out[i].Group = "rear"
	}
	return out
}

// lowered holds a swing at another elevation, with the turn that it had.
func lowered(v setup.Movement, elevation float64) setup.Movement {
	v.Hold["shoulder.elevationDeg"] = elevation
	return v
}

// lifted is a pose at another elevation, with the turn that it had.
func lifted(p pose, elevation float64) pose {
	p["shoulder.elevationDeg"] = elevation
	return p
}
