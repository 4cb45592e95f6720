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
		{Key: "raise.dumbbell.forward", Name: "Dumbbell raise, leaning forward", About: "The lean brings the rear of the shoulder on top.",
			Document: raise(hinged(0.3, 0, 30), nil, arm(0, 0, 20, 10), dumbbell(m.kg(0.04)))},
		{Key: "raise.dumbbell.lying", Name: "Dumbbell raise, lying on the side", About: "Lying, the start is level: the long end gets the most.",
			Document: m.sideLying(15, 0)},
		{Key: "raise.dumbbell.lying.pad", Name: "Dumbbell raise, lying on the side, pad behind the back", About: "The pad rolls the chest forward and brings the rear on top.",
			Document: m.sideLying(30, 0.12)},
		{Key: "raise.behind.seated", Name: "Cross-behind raise, seated", About: "Seated, the lowest hole is all but hand height.",
			Document: raise(seated(0.35, 0, 0), nil, arm(45, 0, 0, 5), cable(at(0, 0.2, -0.55), m.pin(0.12), grip))},
		{Key: "raise.behind.bench", Name: "Cross-behind raise, chest on the bench", About: "The bench takes the swing out of it.",
			Document: raise(lying("prone", 0.35, 0), bench(75), arm(45, 0, 0, 5), cable(at(0, 0.2, -0.55), m.pin(0.12), grip))},
		{Key: "raise.lying.wrist", Name: "Lying cable raise, cuffs at the wrists", About: "From shoulder height across the chest: loads the long end.",
			Document: m.lyingRaise(setup.Contact{Segment: "forearm", At: "wrist"}, 0.10)},
		{Key: "raise.lying.upper", Name: "Lying cable raise, cuffs at the upper arms", About: "More load for the same torque, and less of it at the long end.",
			Document: m.lyingRaise(cuff("upperArm", 0.85), 0.16)},
		{Key: "raise.leaning", Name: "Single cable raise, leaning on a bench", About: "The cable comes a little from the front, square to the arm at the start.",
			Document: m.leaningRaise()},
	}
	front := raise(standing(0.3, 0), nil, arm(90, 0, 0, 5), dumbbell(m.kg(0.04)))
	front.Target.Region = "deltoid.anterior"
	frontCable := raise(standing(0.5, 0), nil, arm(90, 0, 0, 5), cable(at(0, 0.2, 0.2), m.pin(0.10), grip))
	frontCable.Target.Region = "deltoid.anterior"
	out = append(out,
		Ready{Key: "front.dumbbell", Name: "Dumbbell raise to the front", About: "Thumb up; nothing at the bottom.", Document: front},
		Ready{Key: "front.cable", Name: "Cable raise to the front", About: "From low behind: keeps the start loaded.", Document: frontCable})
	for _, angle := range []float64{60, 75, 85} {
		out = append(out, Ready{Key: key("press.bench", angle), Name: named("Overhead press, bench at %g", angle), About: "The flatter bench asks for less rotation.",
			Document: m.press(seated(0, 0, 0), bench(angle), 90-angle)})
	}
	out = append(out, Ready{Key: "press.standing", Name: "Overhead press, standing", About: "Asks more of the trunk.", Document: m.press(standing(0, 0), nil, 0)},
		Ready{Key: "row.side", Name: "Row for the side of the shoulder", About: "Cuffs at the wrists, hands wide, chest on the bench.", Document: m.sideRow()})
	for i := range out {
		out[i].Group = "shoulder"
	}
	return out
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

// lyingRaise has its pulleys a hand above the lying shoulders, so that the crossing cables lie on the chest at most, the
// columns close by.
func (m *maker) lyingRaise(c setup.Contact, share float64) setup.Document {
	d := m.base("deltoid.middle", "shoulder", lying("supine", 0, 0), bench(15))
	sh := m.joint(&d)
	d.Posture.X = mm(-sh.X) // shoulders between the columns
	d.Movement = sweep("both", "shoulder.elevation", 10, 90, held(arm(10, 0, 0, 80), "shoulder.elevation"))
	d.Loads = []setup.Load{cable(at(0, sh.Y+0.1, -0.45), m.pin(share), c)}
	return d
}

// leaningRaise leans to the left on an upright bench, the low pulley on that side and a little in front.
func (m *maker) leaningRaise() setup.Document {
	p := setup.Posture{Kind: "leaning", Down: "left", X: -0.15, Z: -0.05}
	d := m.base("deltoid.middle", "shoulder", p, &setup.Bench{AngleDeg: 75, Mass: 60})
	d.Movement = sweep("right", "shoulder.elevation", 0, 90, held(arm(10, 0, 0, 5), "shoulder.elevation"))
	d.Loads = []setup.Load{cable(at(0, 0.62, -0.75), m.pin(0.10), grip)}
	return d
}

// press leads the hand from beside the shoulder up over it; lean is how far the bench leans back, degrees.
func (m *maker) press(p setup.Posture, b *setup.Bench, lean float64) setup.Document {
	d := m.base("deltoid.anterior", "shoulder", p, b)
	d.Movement = upward(at(0.14, 0.09, 0.13), at(0.05, 0.96*m.b.ArmLength(), -0.02), 60+lean/3)
	d.Loads = []setup.Load{dumbbell(m.kg(0.12))}
	return d
}

// sideRow pulls the elbows out and up with the forearms left hanging.
func (m *maker) sideRow() setup.Document {
	d := m.base("deltoid.middle", "shoulder", lying("prone", 1.1, 180), bench(60))
	d.Movement = through("both", easy(75, 70, 0, 20), easy(40, 65, 0, 60), easy(0, 62, 20, 90))
	d.Loads = []setup.Load{cable(at(0, 0.2, 0.15), m.pin(0.15), setup.Contact{Segment: "forearm", At: "wrist"})}
	return d
}
