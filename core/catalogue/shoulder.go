package catalogue

import "dialarc/core/setup"

// shoulderSetups raise and press for the front and the side of the shoulder.
func shoulderSetups(m *maker) []Ready {
	raise := func(p setup.Posture, b *setup.Bench, hold pose, l setup.Load) setup.Document {
		d := m.base("deltoid.middle", "shoulder", p, b)
		d.Movement = sweep("both", "shoulder.elevation", 5, 95, held(hold, "shoulder.elevation"))
		d.Loads = []setup.Load{l}
		return d
	}
	out := []Ready{
		{Key: "raise.dumbbell.forward", About: "Leaning forward turns the rear delt to the top.",
			Document: raise(hinged(0.3, 0, 30), nil, arm(0, 0, 20, 10), dumbbell(m.kg(0.04)))},
		{Key: "raise.dumbbell.lying", About: "On your side the arm starts level, so the muscle is loaded most where it is long.",
			Document: m.sideLying(15, 0)},
		{Key: "raise.dumbbell.lying.pad", About: "The pad rolls the chest forward and turns the rear delt to the top.",
			Document: m.sideLying(20, 0.12)},
		{Key: "raise.behind.seated", About: "When you sit, the lowest pin is already close to hand height.",
			Document: crossBehind(raise(seated(0, 0, 0), nil, nil, cable(at(0, 0.2, -0.55), m.pin(0.12), grip)), 0.70, 12, 30)},
		{Key: "raise.behind.bench", About: "The bench takes the swing out.",
			Document: crossBehind(raise(lying("prone", 0, 0), bench(75), nil, cable(at(0, 0.62, -0.55), m.pin(0.12), grip)), 0.70, 20, 30)},
		{Key: "raise.lying.wrist", About: "From shoulder height across the chest: loads the muscle where it is long.",
			Document: m.lyingRaise(setup.Contact{Segment: "forearm", At: "wrist"}, 0.10, 60, 0.1, 0.1)},
		{Key: "raise.lying.upper", About: "Takes more weight for the same torque, with less of it where the muscle is long.",
			Document: m.lyingRaise(cuff("upperArm", 0.85), 0.16, 80, 0.2, 0.4)},
		{Key: "raise.leaning", About: "The cable comes slightly from the front, square to the arm at the start.",
			Document: m.leaningRaise()},
	}
	front := raise(standing(0.3, 0), nil, arm(90, 0, 0, 5), dumbbell(m.kg(0.04)))
	front.Target.Region = "deltoid.anterior"
	frontCable := raise(standing(0.5, 0), nil, arm(90, 0, 0, 5), cable(at(0, 0.2, 0.2), m.pin(0.10), grip))
	frontCable.Target.Region = "deltoid.anterior"
	out = append(out,
		Ready{Key: "front.dumbbell", About: "Thumbs up; no load at the bottom.", Document: front},
		Ready{Key: "front.cable", About: "Cable from low behind: the start stays loaded.", Document: frontCable})
	for _, angle := range []float64{60, 75, 85} {
		out = append(out, Ready{Key: key("press.bench", angle), About: "A flatter bench needs less rotation.",
			Document: m.press(seated(0, 0, 0), bench(angle), map[bool]float64{true: 50, false: 40}[angle < 80])})
	}
	out = append(out, Ready{Key: "press.standing", About: "Takes more bracing.", Document: m.press(standing(0, 0), nil, 40)},
		Ready{Key: "row.side", About: "Cuffs at the wrists, hands wide, chest on the bench.", Document: m.sideRow()})
	upright := func(load setup.Load, barWidth float64, p setup.Posture) setup.Document {
		d := m.base("deltoid.middle", "shoulder", p, nil)
		d.Movement = through("both", arm(20, 20, 45, 15), arm(20, 45, 70, 45), arm(20, 75, 70, 90))
		d.Movement.BarWidth, d.Loads = barWidth, []setup.Load{load}
		if barWidth > 0 { // along the bar half way
			d.Movement.Hold = map[string]float64{"forearm.pronationDeg": 25}
		}
		return d
	}
	low := cable(at(0, 0.2, 0), m.pin(0.13), grip)
	low.Shared, low.Ratio = true, 1
	out = append(out,
		Ready{Key: "upright.cable", About: "Elbows lead; a wide grip, so that the cable does not help at the start.", Document: upright(low, mm(0.33*m.b.Height), standing(0.3, 180))},
		Ready{Key: "upright.dumbbell", About: "As with the cable, with the hands free to spread.", Document: upright(dumbbell(m.kg(0.06)), 0,
			standing(0, 0))})
	out = append(out, Ready{Key: "press.machine.shoulder", About: "Handles on levers from behind: nothing to balance.",
		Document: m.hungLever("deltoid.anterior", seated(0, 0, 0), bench(80), hung{hand: [2]float64{0.11, 0.10}, pivot: [2]float64{-0.72, 0.32},
			turn: 30, plate: 35, swivel: 18, share: 0.26, out: 0.12, together: 0.15})})
	out = append(out, m.overheadPress(), m.handstand())
	out = append(out, m.rotations()...)
	for i := range out {
		out[i].Group = "shoulder"
	}
	return out
}

// rotations turn the upper arm about itself.
func (m *maker) rotations() []Ready {
	turn := func(region string, p setup.Posture, b *setup.Bench, from, to, plane, elevation float64, l setup.Load) setup.Document {
		d := m.base(region, "shoulder", p, b)
		d.Movement = sweep("right", "shoulder.rotation", from, to, pose{"shoulder.planeOfElevationDeg": plane, "shoulder.elevationDeg": elevation,
			"elbow.flexionDeg": 90})
		d.Movement.Axis, d.Loads = "spin", []setup.Load{l}
		return d
	}
	sh := m.b.ShoulderHeight
	elbow := sh - m.b.UpperArm
	onSide := lying("side-lying", 0, 0)
	onSide.Down = "left"
	return []Ready{
		{Key: "rotation.out.cable", About: "Elbow at the side; the cable comes across the body.",
			Document: turn("cuff.outward", standing(0.9, 90), nil, 50, -45, 0, 12, cable(at(0, elbow, -0.36*m.k()), m.pin(0.08), grip))},
		{Key: "rotation.out.cable.high", About: "The arm raised to the side, the cable from the front.",
			Document: turn("cuff.outward", standing(0.9, 180), nil, 10, -75, 10, 88, cable(at(0, sh-0.35*m.k(), 0.45*m.k()), m.pin(0.08), grip))},
		{Key: "rotation.out.dumbbell", About: "Lying on your side; the forearm lifts the dumbbell.",
			Document: turn("cuff.outward", onSide, bench(0), 55, -15, 0, 5, dumbbell(m.kg(0.04)))},
		{Key: "rotation.in.cable", About: "Elbow at the side; the cable comes from outside.", Document: turn("cuff.inward", standing(0.9, -90),
			nil, -45, 55, 0, 12, cable(at(0, elbow, 0.36*m.k()), m.pin(0.12), grip))},
	}
}

// sideLying is a raise with the upper arm, the lower shoulder on a bench.
func (m *maker) sideLying(angle, pad float64) setup.Document {
	p := lying("side-lying", 0, 0)
	p.Down = "left"
	b := bench(angle)
	b.PadUnderBack = pad
	d := m.base("deltoid.middle", "shoulder", p, b)
	d.Movement = sweep("right", "shoulder.elevation", 10, 95, held(arm(10, 0, 0, 5), "shoulder.elevation"))
	d.Loads = []setup.Load{dumbbell(m.kg(0.03))}
	return d
}

// lyingRaise has its pulleys above the lying shoulders and a little toward the feet, so that the crossing cables pass over the chest, the
// columns close by.
func (m *maker) lyingRaise(c setup.Contact, share, elbow, toFeet, higher float64) setup.Document {
	d := m.base("deltoid.middle", "shoulder", lying("supine", 0, 0), bench(15))
	sh := m.joint(&d)
	d.Posture.X = mm(-sh.X) // shoulders between the columns
	d.Movement = sweep("both", "shoulder.elevation", 10, 85, held(arm(10, 0, 0, elbow), "shoulder.elevation"))
	d.Loads = []setup.Load{cable(at(toFeet, mm(sh.Y+0.1)+m.k()*higher, -0.45), m.pin(share), c)}
	return d
}

// leaningRaise leans to the left on an upright bench, the low pulley on that side and a little in front.
func (m *maker) leaningRaise() setup.Document {
	p := setup.Posture{Kind: "leaning", Down: "left", X: -0.30, Z: -0.05}
	d := m.base("deltoid.middle", "shoulder", p, &setup.Bench{AngleDeg: 75, Mass: 60})
	d.Movement = sweep("right", "shoulder.elevation", 15, 90, held(arm(10, 0, 0, 5), "shoulder.elevation"))
	d.Loads = []setup.Load{cable(at(0, 0.40, -0.75), m.pin(0.10), grip)}
	return d
}

// press leads the hand from beside the shoulder, over the elbow, up over it.
func (m *maker) press(p setup.Posture, b *setup.Bench, swivel float64) setup.Document {
	d := m.base("deltoid.anterior", "shoulder", p, b)
	d.Movement = m.line("both", [3]float64{0.12, 0.10, 0.24}, [3]float64{0.05, 0.53, 0.06}, swivel)
	d.Loads = []setup.Load{dumbbell(m.kg(0.12))}
	return d
}

// sideRow pulls the elbows out and up with the forearms in line with the cable.
func (m *maker) sideRow() setup.Document {
	d := m.base("deltoid.middle", "shoulder", lying("prone", 1.1, 180), bench(60))
	d.Movement = along("both", raised(60, 35), raised(25, 55), raised(0, 80))
	d.Loads = []setup.Load{cable(at(0, 0.2, 0.15), m.pin(0.15), setup.Contact{Segment: "forearm", At: "wrist"})}
	return d
}
