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
	m = m.ofLegs()
	extension := m.base("quadriceps", "knee", seated(0, 0, 0), &setup.Bench{AngleDeg: 80, Height: 0.55})
	extension.Movement = sweep("both", "knee.flexion", 100, 5, pose{})
	ankle := setup.Contact{Segment: "shank", At: "ankle"}
	extension.Loads = []setup.Load{cam("knee.flexion", ankle, m.kg(0.35), 0.82*m.b.Shank(), 0, 0.195, 50, 0.23, 110, 0.23)}

	atChest, racked := arm(60, 35, 30, 125), arm(0, 10, -30, 120)
	bottom, middle, top, tall := leg(112, 115, 31), leg(66, 70, 22), leg(22, 30, 12), leg(16, 24, 10)
	squat := m.base("quadriceps", "knee", setup.Posture{Kind: "standing"}, nil)
	squat.Movement = through("both", with(bottom, atChest), with(middle, atChest), with(top, atChest))
	squat.Loads = []setup.Load{bar(m.kg(0.25)), ownBody()}
	banded := squat.Clone()
	banded.Movement = through("both", with(bottom, atChest), with(middle, atChest), with(tall, atChest))
	banded.Loads = []setup.Load{bar(m.kg(0.15)), band(at(0.05, 0.02, 0.4), 0.66, 0.8*m.mass, grip), ownBody()}
	press := squat.Clone()
	press.Movement = through("both", with(bottom, racked), with(middle, racked), with(tall, arm(30, 60, -75, 125)),
		with(leg(8, 12, 5), arm(20, 150, -60, 20)))
	press.Loads = []setup.Load{band(at(-0.1, 0.02, 0.5), m.k(), 0.6*m.mass, grip), ownBody()}

	swing := m.base("gluteus.maximus", "hip", setup.Posture{Kind: "standing"}, nil)
	swing.Movement = through("both", with(leg(95, 25, 0), arm(85, 45, 0, 0)), with(leg(45, 15, 2), arm(85, 40, 0, 0)),
		with(leg(0, 0, 0), arm(85, 45, 0, 0)))
	swing.Loads = []setup.Load{bar(m.kg(0.2)), band(at(-1.3, 0.85, 0), 0.70, 1.05*m.mass, setup.Contact{Segment: "trunk", At: "waist"}),
		ownBody()}
	out := []Ready{
		{Key: "knee.extension", About: "The machine lightens toward straight while the shin's own weight adds there. Line the axis up with the knee.",
			Document: extension},
		{Key: "squat.goblet", About: "Hardest at the bottom: control the way down.", Document: squat},
		{Key: "squat.band", About: "Bands from a board beside the feet add load on the way up.", Document: banded},
		{Key: "squat.press", About: "Legs, then shoulders.", Document: press},
		{Key: "swing.band", About: "A hinge, not a squat, to full extension.", Document: swing},
	}
	out = append(out, m.bars()...)
	out = append(out, m.frontSquat(), m.beltSquat())
	out = append(out, m.curlsOfTheLeg(ankle)...)
	for i := range out {
		out[i].Group = "leg"
	}
	return out
}

// cam is a machine whose arm turns with a joint, with its moment arm at three angles.
func cam(coordinate string, c setup.Contact, stack, pad, a1, r1, a2, r2, a3, r3 float64) setup.Load {
	return setup.Load{ID: "machine", Kind: setup.Cam, Variable: true, Side: "right", Contact: c, StackMass: stack, Ratio: 1,
		Coordinate: coordinate, PadRadius: mm(pad),
		Cam: []setup.CamPoint{{AngleDeg: a1, Arm: r1}, {AngleDeg: a2, Arm: r2}, {AngleDeg: a3, Arm: r3}}}
}

// bars are a squat and two lifts from the hips with a bar.
func (m *maker) bars() []Ready {
	rack := arm(20, 40, -60, 130)
	squat := m.base("quadriceps", "knee", setup.Posture{Kind: "standing"}, nil)
	squat.Movement = through("both", with(leg(115, 115, 33), rack), with(leg(75, 75, 25), rack), with(leg(20, 25, 12), rack))
	onBack := bar(m.kg(0.6))
	onBack.Contact = setup.Contact{Segment: "trunk", At: "shoulders"}
	squat.Loads = []setup.Load{onBack, ownBody()}
	hang := func(hip, knee, ankle, more float64) pose {
		return with(leg(hip, knee, ankle), arm(90, hip-knee+ankle+more, 0, 0))
	}
	pull := func(region string, mass float64, poses ...pose) setup.Document {
		d := m.base(region, "hip", setup.Posture{Kind: "standing"}, nil)
		d.Movement, d.Loads = through("both", poses...), []setup.Load{bar(mass), ownBody()}
		return d
	}
	return []Ready{
		{Key: "squat.back", About: "Bar on the back; the standard test of leg strength.", Document: squat},
		{Key: "deadlift.romanian", About: "Hips back, knees soft: hardest where the hamstrings are long.",
			Document: pull("hamstrings", m.kg(0.6), hang(88, 20, -6, -8), hang(45, 15, -2, 0), hang(8, 7, 2, 6))},
		{Key: "deadlift", About: "From blocks a hand above the floor, legs and hips together.", Document: pull("gluteus.maximus", m.kg(0.75),
			hang(120, 85, 18, -6), hang(70, 30, 1, -6), hang(8, 7, 2, 6))},
	}
}

// curlsOfTheLeg bend the knee on a machine, or lead the thigh outward.
func (m *maker) curlsOfTheLeg(ankle setup.Contact) []Ready {
	bend := func(p setup.Posture, b *setup.Bench, share, to float64, held string) setup.Document {
		p.Restraints = []string{held}
		d := m.base("hamstrings", "knee", p, b)
		d.Movement = sweep("both", "knee.flexion", 5, to, pose{})
		d.Loads = []setup.Load{cam("knee.flexion", ankle, m.kg(share), 0.82*m.b.Shank(), 0, 0.2, 50, 0.21, 110, 0.17)}
		return d
	}
	onSide := lying("side-lying", 0, 0)
	onSide.Down = "left"
	abduction := m.base("gluteus.medius", "hip", onSide, bench(0))
	abduction.Movement = sweep("right", "hip.abduction", 0, 35, pose{})
	weight := dumbbell(m.kg(0.03))
	weight.ID, weight.Contact = "cuff", ankle
	abduction.Loads = []setup.Load{weight}
	return []Ready{
		{Key: "leg.curl.seated", About: "Hips bent: the hamstrings work while they are long.", Document: bend(seated(0, 0, 0),
			&setup.Bench{AngleDeg: 80, Height: 0.55}, 0.28, 100, "thighPad")},
		{Key: "leg.curl.lying", About: "Hips straight: the hamstrings work while they are shorter.",
			Document: bend(lying("prone", 0, 0), &setup.Bench{AngleDeg: 0, Height: 0.7}, 0.22, 110, "strap")},
		{Key: "hip.abduction.lying", About: "A weight at the ankle; raise the leg to the side.", Document: abduction},
	}
}
