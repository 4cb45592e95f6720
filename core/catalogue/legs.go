package catalogue

import "dialarc/core/setup"

// leg is a pose of one leg.
func leg(hip, knee, ankle float64) pose {
	return pose{"hip.flexionDeg": hip, "knee.flexionDeg": knee, "ankle.flexionDeg": ankle}
}

// with is a pose of leg and arm.
func with(a, b pose) pose {
	q := pose{}
	for k, v := range a {
		q[k] = v
	}
	for k, v := range b {
		q[k] = v
	}
	return q
}

// legSetups extend knee and hip.
func legSetups(m *maker) []Ready {
	extension := m.base("quadriceps", "knee", seated(0, 0, 0), &setup.Bench{AngleDeg: 80, Height: 0.55})
	extension.Movement = sweep("both", "knee.flexion", 100, 5, pose{})
	extension.Loads = []setup.Load{{ID: "machine", Kind: "cam", Variable: true, Side: "right", Contact: setup.Contact{Segment: "shank", At: "ankle"}, StackMass: m.kg(0.35), Ratio: 1,
		Coordinate: "knee.flexion", PadRadius: mm(0.82 * m.b.Shank()), Cam: []setup.CamPoint{{AngleDeg: 0, Arm: 0.195}, {AngleDeg: 50, Arm: 0.23}, {AngleDeg: 110, Arm: 0.23}}}}

	atChest := arm(60, 35, 30, 125)
	bottom, middle, top := leg(112, 115, 31), leg(66, 70, 22), leg(12, 14, 6)
	squat := m.base("quadriceps", "knee", setup.Posture{Kind: "standing"}, nil)
	squat.Movement = through("both", with(bottom, atChest), with(middle, atChest), with(top, atChest))
	squat.Loads = []setup.Load{bar(m.kg(0.25)), {ID: "body", Kind: "ownBody", Side: "right", Ratio: 1}}
	banded := squat.Clone()
	banded.Loads = []setup.Load{bar(m.kg(0.15)), band(at(0.05, 0.02, 0.12), 0.60, 0.8*m.l.Mass, grip), {ID: "body", Kind: "ownBody", Side: "right", Ratio: 1}}
	press := squat.Clone()
	press.Movement = through("both", with(bottom, arm(30, 20, -60, 130)), with(middle, arm(30, 25, -60, 130)), with(top, arm(30, 40, -75, 125)), with(leg(0, 0, 0), arm(20, 160, -60, 15)))
	press.Loads = []setup.Load{band(at(0.05, 0.02, 0.15), 0.85, 0.6*m.l.Mass, grip), {ID: "body", Kind: "ownBody", Side: "right", Ratio: 1}}

	swing := m.base("gluteus.maximus", "hip", setup.Posture{Kind: "standing"}, nil)
	swing.Movement = through("both", with(leg(95, 25, -2), arm(85, 45, 0, 0)), with(leg(45, 15, 2), arm(85, 40, 0, 0)), with(leg(0, 0, 0), arm(85, 45, 0, 0)))
	swing.Loads = []setup.Load{bar(m.kg(0.2)), band(at(-1.3, 0.85, 0), 0.70, 1.5*m.l.Mass, setup.Contact{Segment: "trunk", At: "waist"}), {ID: "body", Kind: "ownBody", Side: "right", Ratio: 1}}
	out := []Ready{
		{Key: "knee.extension", Name: "Knee extension on a machine", About: "The machine asks less toward straight; the shank itself asks most there. Line its axis up with the knee.", Document: extension},
		{Key: "squat.goblet", Name: "Goblet squat", About: "Heaviest at the bottom: control the way down.", Document: squat},
		{Key: "squat.band", Name: "Goblet squat with bands underfoot", About: "The bands add on the way up: later.", Document: banded},
		{Key: "squat.press", Name: "Squat to press with bands", About: "Legs, then shoulders.", Document: press},
		{Key: "swing.band", Name: "Hip hinge swing with a band at the hips", About: "A hinge, not a squat, to full extension.", Document: swing},
	}
	for i := range out {
		out[i].Group = "leg"
	}
	return out
}

// trunkSetups are held: they tell torque and support, not a profile.
func trunkSetups(m *maker) []Ready {
	hold := func(side string, p pose) setup.Movement { return setup.Movement{Kind: "hold", Side: side, Hold: p} }
	plank := m.base("abdominals", "shoulder", setup.Posture{Kind: "prone", Root: "hands"}, nil)
	plank.Movement = hold("both", arm(90, mm(m.b.Plank()*57.29577951308232), 0, 0))
	plank.Loads = []setup.Load{{ID: "body", Kind: "ownBody", Side: "right", Ratio: 1}}
	sideways := m.base("obliques", "shoulder", standing(1.1, 90), nil)
	sideways.Movement = hold("right", arm(100, 75, 0, 10))
	sideways.Loads = []setup.Load{cable(at(0, 1.2, -0.35), m.pin(0.15), grip)}
	carry := m.base("obliques", "shoulder", standing(0.9, 90), nil)
	carry.Movement = hold("both", arm(10, 8, 0, 5))
	carry.Loads = []setup.Load{dumbbell(m.kg(0.3)), band(at(0, 0.95, 0), 0.40, 1.2*m.l.Mass, setup.Contact{Segment: "trunk", At: "waist"})}
	out := []Ready{
		{Key: "plank", Name: "Plank on straight arms", About: "A hold: hands and toes carry the body between them.", Document: plank},
		{Key: "hold.side", Name: "Sideways hold against a cable", About: "A hold against being turned.", Document: sideways},
		{Key: "carry.band", Name: "Carry with a band at the waist", About: "A hold against being pulled aside.", Document: carry},
	}
	for i := range out {
		out[i].Group = "trunk"
	}
	return out
}
