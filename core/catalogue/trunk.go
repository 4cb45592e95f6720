package catalogue

import (
	"dialarc/core/setup"
	"dialarc/core/space"
)

// trunkSetups bend, straighten and turn the trunk, or hold it against what would.
func trunkSetups(m *maker) []Ready {
	m = m.ofLegs() // women's trunks are as strong beside men's as their legs
	var out []Ready
	for _, some := range [][]Ready{m.crunches(), m.hanging(), m.backs(), m.sides(), m.trunkHolds()} {
		out = append(out, some...)
	}
	for i := range out {
		out[i].Group = "trunk"
	}
	return out
}

// byTheHead are arms that hold a rope beside the head.
var byTheHead = arm(75, 95, -35, 140)

// crunches bend the trunk forward.
func (m *maker) crunches() []Ready {
	k := m.k()
	kneeling := m.base("abdominals", "trunk", setup.Posture{Kind: "kneeling", X: mm(0.5 * k), HeadingDeg: 180}, nil)
	kneeling.Movement = sweep("both", "trunk.flexion", -10, 45, with(pose{"knee.flexionDeg": 110, "hip.flexionDeg": 90}, byTheHead))
	// The trunk's own weight helps the abdominals there by as much as half of body mass on the pin takes off.
	kneeling.Loads = []setup.Load{rope(at(0, 2.05*k, 0), m.pin(0.3+0.5*m.l.BodyMass/m.mass), mm(0.3*k))}
	floor := m.base("abdominals", "trunk", setup.Posture{Kind: "supine", FeetApart: 0.3}, nil)
	floor.Movement = sweep("both", "trunk.flexion", 0, 35, onChest)
	floor.Loads = []setup.Load{ownBody()}
	plate := floor.Clone()
	plate.Loads = []setup.Load{bar(m.kg(0.13)), ownBody()}
	machine := m.base("abdominals", "trunk", seated(0, 0, 0), &setup.Bench{AngleDeg: 85, Height: 0.5})
	machine.Posture.Restraints = []string{"ankles"}
	machine.Movement = sweep("both", "trunk.flexion", -5, 35, onChest)
	machine.Loads = []setup.Load{cam("trunk.flexion", setup.Contact{Segment: "trunk", At: "chest"}, m.kg(0.6), 0.3*k, -10, 0.15, 20, 0.20, 45, 0.23)}
	up := func(bench *setup.Bench) setup.Document {
		d := m.base("abdominals", "trunk", setup.Posture{Kind: "supine", Root: "thighs", Restraints: []string{"ankles"}}, bench)
		poses := []pose{}
		for _, p := range [][2]float64{{50, 0}, {62, 25}, {97, 30}} { // hip and trunk
			poses = append(poses, pose{"hip.flexionDeg": p[0], "trunk.flexionDeg": p[1]})
		}
		d.Movement = through("both", poses...)
		d.Movement.Hold = with(pose{"knee.flexionDeg": 104, "ankle.flexionDeg": -28}, onChest)
		d.Loads = []setup.Load{ownBody()}
		return d
	}
	return []Ready{
		{Key: "situp.floor", About: "Feet held: the abdominals curl the trunk, then the hips lift it.", Document: up(nil)},
		{Key: "situp.decline", About: "Head low: the trunk weighs on the abdominals all the way.",
			Document: up(&setup.Bench{AngleDeg: -20, Height: mm(0.55 * k)})},
		{Key: "crunch.cable", About: "Kneeling, hips still: the ribs go down to the pelvis. Easy to load in small steps.", Document: kneeling},
		{Key: "crunch.floor", About: "Body weight; the shoulder blades come off the floor, the low back stays.", Document: floor},
		{Key: "crunch.plate", About: "A plate on the chest, for when body weight gets easy.", Document: plate},
		{Key: "crunch.machine", About: "Seated, pad on the chest: the cam makes up for the trunk's own weight, which helps as you bend.", Document: machine},
	}
}

// hanging curls the pelvis up under hands that hold a bar.
func (m *maker) hanging() []Ready {
	raise := func(knee float64, poses ...[2]float64) setup.Document {
		d := m.base("abdominals", "trunk", setup.Posture{Kind: "standing", Root: "hands"}, nil)
		var path []pose
		for _, p := range poses { // hip and trunk
			path = append(path, pose{"hip.flexionDeg": p[0], "trunk.flexionDeg": p[1], "knee.flexionDeg": min(knee, 5+p[0])})
		}
		d.Movement = through("both", path...)
		d.Movement.Hold = with(arm(90, 165, 0, 5), pose{"girdle.elevationDeg": 15})
		d.Loads = []setup.Load{ownBody()}
		return d
	}
	return []Ready{
		{Key: "raise.knee.hanging", About: "The hips lift the knees; the abdominals curl the pelvis at the end.",
			Document: raise(95, [2]float64{10, -5}, [2]float64{60, 5}, [2]float64{100, 35})},
		{Key: "raise.leg.hanging", About: "Straight legs ask more than bent knees. Curl the pelvis at the end, or it is all hips.",
			Document: raise(15, [2]float64{10, -5}, [2]float64{55, 5}, [2]float64{90, 35})},
	}
}

// backs straighten the trunk from a bend.
func (m *maker) backs() []Ready {
	k := m.k()
	bench := m.base("erectors", "trunk", setup.Posture{Kind: "prone", Root: "thighs", Restraints: []string{"ankles"}},
		&setup.Bench{AngleDeg: 45, Height: mm(0.80 * k)})
	bench.Movement = sweep("both", "trunk.flexion", 45, 0, with(pose{"hip.flexionDeg": 40}, onChest))
	bench.Loads = []setup.Load{bar(m.kg(0.12)), ownBody()}
	machine := m.base("erectors", "trunk", seated(0, 0, 0), nil)
	machine.Posture.Restraints = []string{"strap", "footPlate"}
	machine.Movement = sweep("both", "trunk.flexion", 40, 0, onChest)
	machine.Loads = []setup.Load{cam("trunk.flexion", onShoulders, m.kg(0.8), 0.3*k, -10, 0.22, 20, 0.22, 45, 0.20)}
	floor := m.base("erectors", "trunk", setup.Posture{Kind: "prone", FeetApart: 0.3}, nil)
	floor.Movement = sweep("both", "trunk.flexion", 0, -20, arm(0, 10, 0, 10))
	floor.Loads = []setup.Load{ownBody()}
	return []Ready{
		{Key: "extension.spine", About: "Hips fixed over the pad; the back rounds and straightens.", Document: bench},
		{Key: "extension.spine.machine", About: "Seated, pad behind the shoulders: torque where the back is strong.", Document: machine},
		{Key: "extension.spine.floor", About: "Face down, the chest leaves the floor: short, and light.", Document: floor},
	}
}

// sides bend to a side, or turn.
func (m *maker) sides() []Ready {
	k := m.k()
	bend := func(posture setup.Posture, l setup.Load) setup.Document {
		d := m.base("obliques", "trunk", posture, nil)
		hang := func(deg, out float64) pose { return with(pose{"trunk.bendDeg": deg}, arm(0, out, 0, 5)) }
		d.Movement, d.Loads = through("right", hang(25, 26), hang(10, 12), hang(-5, 3)), []setup.Load{l}
		return d
	}
	side := standing(0.36*k, -90)
	turning := standing(1.15*k, -90)
	turning.KneesDeg, turning.FeetApart = 15, 0.45
	turn := m.base("obliques", "trunk", turning, nil)
	turn.Movement = sweep("right", "trunk.rotation", -35, 30, arm(100, 75, 0, 10))
	turn.Loads = []setup.Load{inBothHands(cable(at(0, m.b.ShoulderHeight-0.08*m.b.Height, 0), m.pin(0.12), grip))}
	return []Ready{
		{Key: "sidebend.dumbbell", About: "The other side lifts: hardest bent toward the weight, where it is strong.", Document: bend(standing(0, 0), dumbbell(m.kg(0.3)))},
		{Key: "sidebend.cable", About: "Close to a low pulley: further out the cable pulls past the spine instead of bending it.", Document: bend(side, cable(at(0, 0.12, 0), m.pin(0.4), grip))},
		{Key: "chop.cable", About: "From over one shoulder to the other hip: the trunk turns and bends at once.", Document: m.chop()},
		{Key: "turn.cable", About: "Hips still, arms straight ahead; the trunk turns away from the pulley. Light and slow.", Document: turn},
	}
}

// chop leads a handle in both hands from high on one side to low on the other.
func (m *maker) chop() setup.Document {
	p := standing(1.0*m.k(), -90)
	p.KneesDeg, p.FeetApart, p.Trunk.PitchDeg = 15, 0.6, 6
	d := m.base("obliques", "trunk", p, nil)
	across := func(turn, flex, raise float64) pose {
		return with(pose{"trunk.rotationDeg": turn, "trunk.flexionDeg": flex}, arm(105, raise, 0, 30))
	}
	d.Movement = through("right", across(-30, -5, 115), across(0, 8, 85), across(26, 12, 60))
	d.Loads = []setup.Load{inBothHands(cable(at(0, 1.15*m.b.Height, 0), m.pin(0.12), grip))}
	return d
}

// trunkHolds tell torque and support, not a profile: nothing moves.
func (m *maker) trunkHolds() []Ready {
	hold := func(side string, p pose) setup.Movement { return setup.Movement{Kind: "hold", Side: side, Hold: p} }
	plank := m.base("abdominals", "trunk", setup.Posture{Kind: "prone", Root: "hands"}, nil)
	plank.Movement = hold("both", arm(90, mm(space.Deg(m.b.Plank())), 0, 0))
	plank.Loads = []setup.Load{ownBody()}
	sideways := m.base("obliques", "trunk", standing(1.1, 90), nil)
	sideways.Movement = hold("right", arm(100, 75, 0, 10))
	sideways.Loads = []setup.Load{inBothHands(cable(at(0, 1.2, -0.35), m.pin(0.15), grip))}
	carry := m.base("obliques", "trunk", standing(0.9, 110), nil)
	carry.Movement = hold("both", arm(10, 3, 0, 5))
	carry.Loads = []setup.Load{dumbbell(m.kg(0.3)), band(at(0, 0.95, 0), 0.40, 1.2*m.mass, setup.Contact{Segment: "trunk", At: "waist"})}
	stand := standing(1.1, 90)
	stand.KneesDeg, stand.FeetApart = 20, 0.4
	turning := m.base("obliques", "trunk", stand, nil)
	turning.Movement = hold("right", arm(115, 75, 0, 10))
	turning.Loads = []setup.Load{inBothHands(cable(at(0, m.b.ShoulderHeight-0.1*m.b.Height, -0.4*m.k()), m.pin(0.2), grip))}
	suitcase := m.base("obliques", "trunk", standing(0, 0), nil)
	suitcase.Movement = hold("right", arm(0, 3, 0, 5))
	suitcase.Loads = []setup.Load{dumbbell(m.kg(0.35))}
	return []Ready{
		{Key: "plank", About: "A hold: hands and toes carry the body between them.", Document: plank},
		{Key: "hold.side", About: "Resist being turned.", Document: sideways},
		{Key: "carry.band", About: "Resist being pulled sideways.", Document: carry},
		{Key: "hold.antirotation", About: "Arms straight out against a cable that tries to turn the trunk.", Document: turning},
		{Key: "hold.suitcase", About: "One weight at the side tries to bend the trunk toward it.", Document: suitcase},
	}
}
