package catalogue

import "dialarc/core/setup"

// lowerSetups are what moves ankles, hips and knees on an end that stays in place: the balls of the feet on a block, one foot, the back on
// a bench, the thighs on a pad, the shins on the floor; and what a sled asks.
func lowerSetups(m *maker) []Ready {
	m = m.ofLegs()
	var out []Ready
	for _, some := range [][]Ready{m.calves(), m.sleds(), m.bridges(), m.unlikeLegs(), m.oneLeg(), m.hinges(), m.kneeling(), m.hipMachines()} {
		out = append(out, some...)
	}
	for i := range out {
		out[i].Group = "leg"
	}
	return out
}

// block is the height of what the balls of the feet stand on, m.
const block = 0.08

var (
	onShoulders = setup.Contact{Segment: "trunk", At: "shoulders"}
	onHips      = setup.Contact{Segment: "trunk", At: "pelvis"}
	atWaist     = setup.Contact{Segment: "trunk", At: "waist"}
	atAnkle     = setup.Contact{Segment: "shank", At: "ankle"}
	underBar    = arm(20, 40, -60, 130) // arms that hold a bar on the shoulders
	atSides     = arm(0, 4, 0, 5)
	reaching    = arm(90, 75, 0, 5)
	armsLow     = arm(90, 20, 0, 5)
	onChest     = arm(60, 35, 30, 125)
)

// held is a load at another place than the hand.
func heldAt(l setup.Load, c setup.Contact) setup.Load {
	l.Contact = c
	return l
}

// pair is a dumbbell in each hand of somebody who does not move the same with both sides.
func (m *maker) pair(share float64) []setup.Load {
	right, left := dumbbell(m.kg(share)), dumbbell(m.kg(share))
	left.ID, left.Side = "dumbbell left", "left"
	return []setup.Load{right, left}
}

// calves raise the heels.
func (m *maker) calves() []Ready {
	raise := func(p setup.Posture, side string, from, to float64, hold pose, loads ...setup.Load) setup.Document {
		p.HeelsFree, p.Riser = true, block
		d := m.base("calf", "ankle", p, nil)
		d.Movement, d.Loads = sweep(side, "ankle.flexion", from, to, hold), loads
		return d
	}
	stand := setup.Posture{Kind: "standing"}
	alone := setup.Posture{Kind: "standing", Root: "foot", Stands: "right", SupportHand: at(0.45*m.k(), 1.05*m.k(), -0.25*m.k())}
	sit := setup.Posture{Kind: "seated", SeatHeight: 0.45}
	toes := m.base("tibialis", "ankle", setup.Posture{Kind: "seated", SeatHeight: mm(0.6 * m.k())}, nil)
	toes.Movement = sweep("both", "ankle.flexion", -35, 15, with(pose{"hip.flexionDeg": 85, "knee.flexionDeg": 75}, atSides))
	toes.Loads = []setup.Load{heldAt(dumbbell(m.kg(0.12)), setup.Contact{Segment: "foot", At: "ball"})}
	over := heldAt(bar(m.kg(0.5)), cuff("thigh", 0.9))
	seated := raise(sit, "both", 15, -30, arm(90, 35, -60, 60), over)
	seated.Target = setup.Target{Region: "calf.soleus", Profile: "match", Joint: "ankle"}
	return []Ready{
		{Key: "calf.standing", About: "Knees straight, so the gastrocnemius works too. A machine's shoulder pads do the same as the bar.",
			Document: raise(stand, "both", 20, -35, underBar, heldAt(bar(m.kg(0.9)), onShoulders), ownBody())},
		{Key: "calf.body", About: "Body weight only; when two legs get easy, use one.",
			Document: raise(stand, "both", 20, -35, atSides, ownBody())},
		{Key: "calf.one", About: "All the weight on one calf; hold on with the free hand for balance.",
			Document: raise(alone, "right", 20, -35, atSides, dumbbell(m.kg(0.15)), ownBody())},
		{Key: "raise.tibialis", About: "The front of the shin: a weight on the foot, toes up. Small muscle, light load.", Document: toes},
		{Key: "calf.seated", About: "Knees bent: the gastrocnemius is slack, so the soleus does most of the work.", Document: seated},
	}
}

// sled is one with plates as a share of body mass, on rails of a slope, the ankles so far up its plate.
func (m *maker) sled(share, slope, up float64, at string) setup.Load {
	return setup.Load{ID: "sled", Kind: setup.Sled, Variable: true, Side: "right", Contact: setup.Contact{Segment: "foot", At: at},
		PlateMass: m.kg(share), LeverMass: 45, PlateDeg: 12, RailDeg: slope, SoleUp: mm(up * m.k()), Ratio: 1, Friction: setup.DefaultFriction}
}

// sleds are presses of the legs.
func (m *maker) sleds() []Ready {
	press := func(region, joint, side string, share, up, from float64) setup.Document {
		d := m.base(region, joint, setup.Posture{Kind: "seated"}, &setup.Bench{AngleDeg: 18, Height: mm(0.42 * m.k())})
		d.Movement = sweep(side, "knee.flexion", from, 20, arm(0, 20, 0, 15))
		d.Loads = []setup.Load{m.sled(share, 45, up, "sole")}
		return d
	}
	hack := m.base("quadriceps", "knee", setup.Posture{Kind: "supine", Restraints: []string{"shoulderPads"}},
		&setup.Bench{AngleDeg: 55, Height: mm(0.66 * m.k())})
	hack.Movement = sweep("both", "knee.flexion", 98, 20, arm(0, 20, 0, 60))
	carriage := m.sled(0.6, 55, 0.10, "sole")
	carriage.Rides, carriage.LeverMass, carriage.PlateDeg = true, 30, 15
	hack.Loads = []setup.Load{carriage}
	calf := press("calf", "ankle", "both", 0.9, 0.05, 0)
	calf.Movement = sweep("both", "ankle.flexion", 20, -30, with(pose{"knee.flexionDeg": 8}, arm(0, 20, 0, 15)))
	calf.Loads = []setup.Load{m.sled(0.9, 45, 0.05, "ball")}
	return []Ready{
		{Key: "press.leg", About: "Feet mid-plate: quads and hips share the load.", Document: press("quadriceps", "knee", "both", 1.1, 0.10, 92)},
		{Key: "press.leg.high", About: "Feet high on the plate: more hips, less knees.",
			Document: press("gluteus.maximus", "hip", "both", 1.0, 0.24, 76)},
		{Key: "press.leg.one", About: "One leg at a time, with less than half the plates: the sled's own mass stays.", Document: press("quadriceps", "knee", "right", 0.35, 0.10, 90)},
		{Key: "squat.hack", About: "The pads carry the back, so the knees can go forward: quads, with little asked of the low back.", Document: hack},
		{Key: "calf.press", About: "Calf raises on the leg press: nothing on the spine.", Document: calf},
	}
}

// bridges lift the hips between the back and the feet.
func (m *maker) bridges() []Ready {
	bridge := func(b *setup.Bench, from, share float64) setup.Document {
		d := m.base("gluteus.maximus", "hip", setup.Posture{Kind: "supine", Root: "shoulders"}, b)
		d.Movement = sweep("both", "hip.flexion", from, 0, arm(10, 20, 0, 10))
		d.Loads = []setup.Load{heldAt(bar(m.kg(share)), onHips), ownBody()}
		return d
	}
	floor := bridge(nil, 40, 1.0)
	floor.Posture.FeetOut = mm(0.70 * m.k())
	return []Ready{
		{Key: "thrust.hip", About: "Much the same torque all the way; feels hardest at the top, where the hips are weakest.", Document: bridge(&setup.Bench{Height: mm(0.40 * m.k())}, 75, 0.9)},
		{Key: "bridge.floor", About: "A hip thrust from the floor, with a shorter range.", Document: floor},
	}
}

// unlikeLegs work with one foot ahead of the other.
func (m *maker) unlikeLegs() []Ready {
	split := func(region, joint string, back, rear, front float64, bottom, top pose) setup.Document {
		d := m.base(region, joint, setup.Posture{Kind: "standing", Feet: "split", Ahead: "right", Stagger: mm(back * m.k()),
			RearHeight: mm(rear * m.k()), FrontShare: front}, nil)
		d.Movement = through("right", with(bottom, atSides), with(top, atSides))
		d.Loads = append(m.pair(0.10), ownBody())
		return d
	}
	legs := func(hip, knee float64) pose { return pose{"hip.flexionDeg": hip, "knee.flexionDeg": knee} }
	return []Ready{
		{Key: "squat.split", About: "One foot ahead; the front leg carries most of the weight.",
			Document: split("quadriceps", "knee", 0.64, 0, 0.65, legs(95, 98), legs(30, 32))},
		{Key: "squat.split.rear", About: "Rear foot on a bench: deeper, with more on the front leg.",
			Document: split("quadriceps", "knee", 0.75, 0.42, 0.80, legs(102, 98), legs(30, 25))},
		{Key: "squat.split.long", About: "A long stance with the trunk leaning: more for the glutes.",
			Document: split("gluteus.maximus", "hip", 0.80, 0, 0.68, legs(98, 85), legs(58, 52))},
		{Key: "lunge.reverse", About: "The working leg stays in place and bears nearly all; the other only steps back.",
			Document: split("quadriceps", "knee", 0.58, 0, 0.80, legs(98, 100), legs(42, 46))},
	}
}

// free is a free leg: its hip at the start and at the end of the path, its knee all along, degrees.
func free(from, to, knee float64) *setup.OtherSide {
	return &setup.OtherSide{Start: pose{"hip.flexionDeg": from, "knee.flexionDeg": knee}, End: pose{"hip.flexionDeg": to}}
}

// oneLeg stands on one foot, and works with it or with the other.
func (m *maker) oneLeg() []Ready {
	alone := setup.Posture{Kind: "standing", Root: "foot", Stands: "right"}
	hinge := m.base("hamstrings", "hip", alone, nil)
	hinge.Movement = through("right", with(leg(70, 20, -2), arm(90, 66, 0, 0)),
		with(leg(8, 8, 5), arm(90, 8, 0, 0)))
	hinge.Movement.Other = free(0, -5, 12)
	hinge.Movement.Other.End["knee.flexionDeg"] = 35
	hinge.Loads = []setup.Load{dumbbell(m.kg(0.2)), ownBody()}
	step := m.base("gluteus.maximus", "hip", alone, nil)
	step.Posture.Riser = mm(0.30 * m.k())
	step.Movement = through("right", with(pose{"hip.flexionDeg": 98, "knee.flexionDeg": 70}, atSides),
		with(pose{"hip.flexionDeg": 8, "knee.flexionDeg": 8}, atSides))
	step.Movement.Other = free(25, 5, 25)
	step.Loads = append(m.pair(0.08), ownBody())
	pistol := m.base("quadriceps", "knee", alone, nil)
	pistol.Movement = through("right", with(pose{"hip.flexionDeg": 95, "knee.flexionDeg": 110}, reaching),
		with(pose{"hip.flexionDeg": 16, "knee.flexionDeg": 26}, armsLow))
	pistol.Movement.Other = free(85, 45, 5)
	other := pistol.Movement.Other
	other.Start, other.End = with(other.Start, reaching), with(other.End, armsLow)
	pistol.Loads = []setup.Load{ownBody()}
	led := func(region, coordinate string, from, to, heading, pin float64, x, z float64, hand *setup.Point) setup.Document {
		d := m.base(region, "hip", setup.Posture{Kind: "standing", Root: "foot", Stands: "left", X: mm(x * m.k()), Z: mm(z * m.k()),
			HeadingDeg: heading, SupportHand: hand}, nil)
		d.Movement = sweep("right", coordinate, from, to, with(pose{"knee.flexionDeg": 10}, atSides))
		aside := 0.0
		if coordinate == "hip.abduction" { // the leg and the cable pass before the other leg
			d.Movement.Hold["hip.flexionDeg"], aside = 15, -0.25*m.k()*heading/90
		}
		d.Loads = []setup.Load{cable(at(0, 0.12, aside), m.pin(pin), atAnkle)}
		return d
	}
	k := m.k()
	return []Ready{
		{Key: "deadlift.one", About: "A hinge on one leg: hamstrings at length, and balance to train.", Document: hinge},
		{Key: "step.up", About: "One leg lifts the body onto the box; the other just follows.", Document: step},
		{Key: "squat.pistol", About: "All the way down on one leg, the other straight ahead, arms out to balance.", Document: pistol},
		{Key: "kickback.hip", About: "Cable from the front: hardest at the start, easier behind the body.",
			Document: led("gluteus.maximus", "hip.flexion", 35, -12, 180, 0.2, 0.95, 0, at(0.45*k, 1.15*k, 0.15))},
		{Key: "abduction.cable", About: "Out to the side, against a cable from the other side.",
			Document: led("gluteus.medius", "hip.abduction", -5, 35, 90, 0.08, 0.85, 0, at(0.5*k, 1.1*k, -0.35))},
		{Key: "adduction.cable", About: "In toward and past the standing leg, against a cable from the side.",
			Document: led("adductor", "hip.abduction", 28, -8, -90, 0.14, 1.1, 0, at(1.2*k, 1.1*k, 0.35))},
	}
}

// hinges straighten the hips: on a bench for the back, with a bar on the shoulders, or lift the legs.
func (m *maker) hinges() []Ready {
	back := func(region string, slope, height, from, share float64) setup.Document {
		d := m.base(region, "hip", setup.Posture{Kind: "prone", Root: "thighs", Restraints: []string{"ankles"}},
			&setup.Bench{AngleDeg: slope, Height: mm(height * m.k())})
		d.Movement = sweep("both", "hip.flexion", from, 0, onChest)
		d.Loads = []setup.Load{bar(m.kg(share)), ownBody()}
		return d
	}
	morning := m.base("hamstrings", "hip", setup.Posture{Kind: "standing"}, nil)
	morning.Movement = through("both", with(leg(85, 20, -4), underBar), with(leg(45, 15, 0), underBar), with(leg(8, 8, 3), underBar))
	morning.Loads = []setup.Load{heldAt(bar(m.kg(0.4)), onShoulders), ownBody()}
	legs := m.base("hamstrings", "hip", lying("prone", 0, 0), &setup.Bench{Height: 0.85})
	legs.Posture.Restraints = []string{"handsHold"}
	legs.Movement = sweep("both", "hip.flexion", 80, 0, with(pose{"knee.flexionDeg": 10}, arm(90, 60, 0, 40)))
	legs.Loads = []setup.Load{heldAt(dumbbell(m.kg(0.05)), atAnkle)}
	legs.Loads[0].ID = "cuff"
	return []Ready{
		{Key: "extension.back", About: "On a 45-degree bench: hardest a little below straight.", Document: back("hamstrings", 45, 0.80, 85, 0.12)},
		{Key: "extension.back.flat", About: "On a level bench: hardest with the body straight.", Document: back("hamstrings", 0, 0.90, 80, 0.05)},
		{Key: "morning", About: "A hinge with the bar on the back: a long moment arm, so go light.", Document: morning},
		{Key: "extension.reverse", About: "The trunk stays put and the legs rise: hardest with the hips straight.", Document: legs},
	}
}

// kneeling turns the whole body about the knees.
func (m *maker) kneeling() []Ready {
	turn := func(region string, from, to float64, held ...string) setup.Document {
		d := m.base(region, "knee", setup.Posture{Kind: "kneeling", Restraints: held}, nil)
		d.Movement = sweep("both", "knee.flexion", from, to, onChest)
		d.Loads = []setup.Load{ownBody()}
		return d
	}
	return []Ready{
		{Key: "curl.nordic", About: "Lower from the knees and pull back up; few can do it all the way down.",
			Document: turn("hamstrings", 75, 89, "ankles")},
		{Key: "nordic.reverse", About: "Lean back from the knees with the hips straight: quads at length.",
			Document: turn("quadriceps", 125, 92)},
	}
}

// hipMachines lead the thighs apart or together.
func (m *maker) hipMachines() []Ready {
	thigh := cuff("thigh", 0.85)
	machine := func(region string, from, to, share, r1, r2, r3 float64) setup.Document {
		d := m.base(region, "hip", seated(0, 0, 0), &setup.Bench{AngleDeg: 75, Height: 0.5})
		d.Posture.FeetApart = 0
		d.Movement = sweep("both", "hip.abduction", from, to, with(pose{"hip.flexionDeg": 80, "knee.flexionDeg": 80}, arm(0, 20, 0, 15)))
		d.Loads = []setup.Load{cam("hip.abduction", thigh, m.kg(share), 0.8*m.b.Thigh(), 0, r1, 20, r2, 45, r3)}
		return d
	}
	return []Ready{
		{Key: "abduction.machine", About: "Seated, push the knees apart against the pads.", Document: machine("gluteus.medius", 0, 35, 0.35, 0.22, 0.20, 0.16)},
		{Key: "adduction.machine", About: "Seated, squeeze the knees together against the pads.", Document: machine("adductor", 40, 2, 0.35, 0.17, 0.20, 0.21)},
	}
}
