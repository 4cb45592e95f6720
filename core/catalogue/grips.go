package catalogue

import "dialarc/core/setup"

// frontRack is a bar that lies on the front of the shoulders.
var frontRack = setup.Contact{Segment: "trunk", At: "frontRack"}

// underhand turns the palms of a movement toward the lifter.
func underhand(v setup.Movement) setup.Movement {
	v.Hold = pose{"forearm.pronationDeg": -75}
	return v
}

// hang lifts the body from a bar.
func (m *maker) hang(v setup.Movement) setup.Document {
	d := m.base("latissimus", "shoulder", setup.Posture{Kind: "standing", Root: "hands", FeetApart: 0.2}, nil)
	d.Movement, d.Loads = v, []setup.Load{ownBody()}
	return d
}

// hangs are pull-ups by other grips: the wider, the more the shoulders do; underhand and narrow, the elbows.
func (m *maker) hangs() []Ready {
	return []Ready{
		{Key: "pullup.wide", About: "Hands wide, elbows out: the shoulders do more, the elbows less.",
			Document: m.hang(m.line("both", [3]float64{0.10, 0.46, 0.22}, [3]float64{0.12, 0.15, 0.22}, 55))},
		{Key: "chinup", About: "Palms toward you, shoulder width: the elbow flexors do more.",
			Document: m.hang(underhand(m.line("both", [3]float64{0.17, 0.50, 0.02}, [3]float64{0.22, 0.13, 0.02}, 35)))},
	}
}

// handstand lifts the body from the head to straight arms, upside down.
func (m *maker) handstand() Ready {
	d := m.base("deltoid.anterior", "shoulder", setup.Posture{Kind: "handstand", FeetApart: 0.2}, nil)
	d.Movement = m.line("both", [3]float64{-0.16, -0.35, 0.16}, [3]float64{-0.02, -0.60, 0.14}, 45)
	d.Loads = []setup.Load{ownBody()}
	return Ready{Key: "press.handstand", About: "Body weight overhead: a strong pressing exercise with nothing but a floor.", Document: d}
}

// pulldown draws a bar down on one cable from above, thighs under the pads.
func (m *maker) pulldown(v setup.Movement) setup.Document {
	seat := seated(0.5, 180, 0)
	seat.Restraints = []string{"thighPad"}
	d := m.base("latissimus", "shoulder", seat, nil)
	high := inBothHands(cable(at(0, 2.2, 0), m.pin(0.35), grip))
	high.Ratio = 1 // a station of its own, without a second pulley
	d.Movement, d.Loads = v, []setup.Load{high}
	return d
}

// pulldowns are those by other grips, and the one with straight arms.
func (m *maker) pulldowns() []Ready {
	straight := m.base("latissimus", "shoulder", hinged(mm(1.1*m.k()), 180, 25), nil)
	straight.Movement = sweep("both", "shoulder.elevation", 100, 5, held(arm(90, 0, 0, 15), "shoulder.elevation"))
	straight.Loads = []setup.Load{inBothHands(cable(at(0, 2.0, 0), m.pin(0.25), grip))} // on a moving pulley, whose stack goes half the way
	return []Ready{
		{Key: "pulldown.under", About: "Palms toward you, elbows close: a long way, with more from the elbow flexors.",
			Document: m.pulldown(underhand(m.line("both", [3]float64{0.26, 0.46, 0.0}, [3]float64{0.24, 0.02, 0.0}, 10)))},
		{Key: "pulldown.straight", About: "Elbows stay nearly straight: lats without the biceps.", Document: straight},
	}
}

// overheadPress presses a bar from the front of the shoulders.
func (m *maker) overheadPress() Ready {
	d := m.base("deltoid.anterior", "shoulder", standing(0, 0), nil)
	d.Movement = m.line("both", [3]float64{0.18, 0.09, 0.08}, [3]float64{0.04, 0.58, 0.08}, 30)
	d.Loads = []setup.Load{bar(m.kg(0.3))}
	return Ready{Key: "press.bar.standing", About: "The standard test of overhead strength.", Document: d}
}

// narrowPresses are presses for the triceps, and the extension with a bar.
func (m *maker) narrowPresses() []Ready {
	tight := m.base("triceps", "elbow", lying("supine", 0, 0), bench(0))
	tight.Movement = m.line("both", [3]float64{0.20, 0.17, 0.08}, [3]float64{0.04, 0.6, 0.08}, 38)
	tight.Loads = []setup.Load{bar(m.kg(0.4))}
	skull := m.base("triceps", "elbow", lying("supine", 0, 0), bench(0))
	skull.Movement, skull.Loads = curl("both", 125, 5, arm(90, 105, 0, 0)), []setup.Load{bar(m.kg(0.16))}
	narrow := m.base("triceps", "elbow", setup.Posture{Kind: "prone", Root: "hands"}, nil)
	narrow.Movement, narrow.Loads = m.line("both", [3]float64{-0.05, -0.22, 0.08}, [3]float64{-0.05, -0.60, 0.08}, 30), []setup.Load{ownBody()}
	return []Ready{
		{Key: "press.bar.close", About: "Hands at shoulder width, elbows in: the triceps do more.", Document: tight},
		{Key: "extension.lying.bar", About: "Upper arms tipped back, so that the load stays on at the top.", Document: skull},
		{Key: "pushup.close", About: "Hands under the shoulders, elbows along the ribs.", Document: narrow},
	}
}

// beltSquat hangs the weight from the hips, standing on two boxes, the arms out in front.
func (m *maker) beltSquat() Ready {
	out := arm(90, 60, 0, 15)
	d := m.base("quadriceps", "knee", setup.Posture{Kind: "standing"}, nil)
	d.Movement = through("both", with(leg(116, 105, 34), out), with(leg(72, 66, 28), out), with(leg(26, 28, 14), out))
	d.Loads = []setup.Load{ownBody()}
	return Ready{Key: "squat.belt", About: "The weight hangs from the hips: hard on the legs, easy on the back.", Document: m.withBelt(d, 0.5)}
}

// frontSquat carries the bar on the front of the shoulders.
func (m *maker) frontSquat() Ready {
	rack := arm(70, 85, -20, 140)
	d := m.base("quadriceps", "knee", setup.Posture{Kind: "standing"}, nil)
	d.Movement = through("both", with(leg(105, 122, 35), rack), with(leg(68, 80, 27), rack), with(leg(18, 25, 12), rack))
	d.Loads = []setup.Load{heldAt(bar(m.kg(0.5)), frontRack), ownBody()}
	return Ready{Key: "squat.front", About: "Bar in front, trunk upright: more knee, less hip and back.", Document: d}
}
