package catalogue

import (
	"cmp"
	"math"

	"dialarc/core/setup"
)

// chestSetups bring the arms together in front, press and dip.
func chestSetups(m *maker) []Ready {
	fly := func(p setup.Posture, b *setup.Bench, v setup.Movement, loads ...setup.Load) setup.Document {
		d := m.base("pectoralis.sternal", "shoulder", p, b)
		d.Movement, d.Loads = v, loads
		return d
	}
	flat := lying("supine", 0, 0)
	upperChest := func(p setup.Posture, v setup.Movement, l setup.Load) setup.Document {
		d := fly(p, nil, v, l)
		d.Target.Region = "pectoralis.clavicular"
		return d
	}
	sh := m.shoulder()
	pull := 0.5 * m.mass
	wide := leant(standing(0.45, 0), 15)
	wide.Stagger = 0.75
	out := []Ready{
		{Key: "fly.flat", About: "Hardest with the arms level; nothing at the top.",
			Document: fly(flat, bench(0), swing("both", 0, 82, 85, 10), dumbbell(m.kg(0.07)))},
		{Key: "fly.flat.bent", About: "Bent elbows lower the peak; stopping short of the top keeps some load on.",
			Document: fly(flat, bench(0), through("both", easy(-5, 80, 0, 70), easy(40, 85, 0, 40), easy(75, 88, 0, 20)), dumbbell(m.kg(0.09)))},
		{Key: "fly.cable", About: "Control the last few degrees as the hands meet.",
			Document: fly(wide, nil, swing("both", -10, 95, 85, 15), cable(at(0, sh, 1.0), m.pin(0.16), grip))},
		{Key: "fly.cable.stretched", About: "A longer range behind the body, with less weight.",
			Document: fly(leant(standing(0.75, 0), 12), nil, between(swing("both", -35, 70, 85, 10), -20, 85),
				cable(at(0, sh, 1.0), m.pin(0.10), grip))},
		{Key: "fly.low.30", About: "A short step in front of wide pulleys; the hands scoop up as they come together.",
			Document: upperChest(hinged(0.25, 0, 30), scooped(30), cable(at(0, 0.2, 1.0), m.pin(0.12), grip))},
		{Key: "fly.low.45", About: "A little further out and more bent over: a deeper start.",
			Document: upperChest(hinged(0.4, 0, 45), scooped(20), cable(at(0, 0.2, 1.0), m.pin(0.12), grip))},
		{Key: "fly.band.one", About: "A band pulls hardest at the end.",
			Document: fly(standing(0.4, 0), nil, between(swing("right", -5, 90, 85, 15), 5, 80), band(at(0, sh, 0.8), 0.55*m.k(), pull, grip))},
		{Key: "fly.band.behind", About: "Anchors close together behind you; the end is more of a press.",
			Document: fly(leant(standing(0.4, 0), 14), nil, between(swing("both", -5, 90, 85, 15), 0, 70),
				band(at(0, sh, 0.42), 0.7*m.k(), 2*pull, grip))},
		{Key: "fly.band.wide", About: "Wide anchors pull sideways.",
			Document: fly(standing(0.4, 0), nil, between(swing("both", -5, 90, 85, 15), 10, 90), band(at(0, sh, 1.2), 0.68*m.k(), pull, grip))},
		{Key: "fly.band.beside", About: "Pulls straight out to the sides, more than any other anchor.",
			Document: fly(standing(0.2, 0), nil, between(swing("both", -5, 90, 85, 15), 14, 85), band(at(0, sh, 1.5), 0.71*m.k(), pull, grip))},
		{Key: "press.flat", About: "The hands come together over the chest.",
			Document: m.chestPress("both", 0.24, dumbbell(m.kg(0.16)))},
		{Key: "press.flat.band", About: "The band pulls outward at the top, where the dumbbell has run out.",
			Document: m.chestPress("right", 0.3, dumbbell(m.kg(0.14)), band(at(-0.45, 0.9, 1.1), 0.5, 0.4*pull, grip))},
		{Key: "dip.upright", About: "Body weight, trunk upright.", Document: m.dip(0, [3]float64{-0.17, -0.48, 0.14}, [3]float64{-0.15, -0.6, 0.14},
			20)},
		{Key: "dip.leaning", About: "Leaning forward brings in the chest.", Document: m.dip(25, [3]float64{-0.20, -0.40, 0.10},
			[3]float64{-0.15, -0.6, 0.10}, 10)},
	}
	up := m.base("pectoralis.sternal", "shoulder", setup.Posture{Kind: "prone", Root: "hands"}, nil)
	up.Movement, up.Loads = m.line("both", [3]float64{-0.05, -0.20, 0.20}, [3]float64{-0.05, -0.60, 0.20}, 60), []setup.Load{ownBody()}
	out = append(out, Ready{Key: "pushup", About: "About two thirds of body weight is on the hands.", Document: up})
	leaning := m.dip(25, [3]float64{-0.20, -0.40, 0.10}, [3]float64{-0.15, -0.6, 0.10}, 10)
	out = append(out, Ready{Key: "dip.assisted", About: "A platform under the knees takes part of the weight.",
		Document: m.assisted(leaning, 0.4)},
		Ready{Key: "dip.weighted", About: "Weight on a belt, once body weight is too easy.",
			Document: m.withBelt(leaning, 0.12)})
	out = append(out, m.presses()...)
	for i := range out {
		if d := &out[i].Document; d.Posture.Kind == "standing" && d.Posture.Root == "" { // against a pull from behind
			d.Posture.Feet, d.Posture.Ahead, d.Posture.FeetApart = "split", "left", 0.10
			d.Posture.Trunk.PitchDeg = cmp.Or(d.Posture.Trunk.PitchDeg, 8)
		}
		out[i].Group = "chest"
	}
	return out
}

// between is a swing that starts and ends elsewhere, with the turn that it had.
func between(v setup.Movement, from, to float64) setup.Movement {
	v.FromDeg, v.ToDeg = from, to
	return v
}

// scooped closes the arms from a plane to the front while they rise.
func scooped(from float64) setup.Movement {
	const to, low, high = 90, 45, 75
	return through("both", easy(from, low, 0, 15), easy((from+to)/2, (low+high)/2, 0, 15), easy(to, high, 0, 15))
}

// leant is a posture with the trunk forward.
func leant(p setup.Posture, pitch float64) setup.Posture {
	p.Trunk.PitchDeg = pitch
	return p
}

// chestPress leads the hand from beside the chest, over the elbow, to over the shoulder, lying flat; out is how far to the side it starts.
func (m *maker) chestPress(side string, out float64, loads ...setup.Load) setup.Document {
	d := m.base("pectoralis", "shoulder", lying("supine", 0, 0), bench(0))
	d.Movement = m.line(side, [3]float64{0.1, 0.2, out}, [3]float64{0.02, 0.6, 0.06}, 75)
	d.Loads = loads
	return d
}

// dip lets the trunk down between two bars and lifts it again, the shoulders forward of the hands on the way down.
func (m *maker) dip(pitch float64, from, to [3]float64, swivel float64) setup.Document {
	p := setup.Posture{Kind: "standing", Root: "hands", FeetApart: 0.2, Trunk: setup.Trunk{PitchDeg: pitch}}
	d := m.base("pectoralis.costal", "shoulder", p, nil)
	d.Movement = m.line("both", from, to, swivel)
	d.Loads = []setup.Load{ownBody()}
	return d
}

// ownBody is the lifter's own weight.
func ownBody() setup.Load {
	return setup.Load{ID: "body", Kind: setup.Bodyweight, Side: "right", Ratio: 1}
}

// presses are those with a bar, on an inclined bench and on a machine.
func (m *maker) presses() []Ready {
	press := func(region string, angle float64, from, to [3]float64, swivel float64, l setup.Load) setup.Document {
		d := m.base(region, "shoulder", lying("supine", 0, 0), bench(angle))
		d.Movement, d.Loads = m.line("both", from, to, swivel), []setup.Load{l}
		return d
	}
	return []Ready{
		{Key: "press.bar.flat", About: "The standard test of pressing strength.", Document: press("pectoralis", 0,
			[3]float64{0.10, 0.19, 0.22}, [3]float64{0.03, 0.6, 0.22}, 60, bar(m.kg(0.5)))},
		{Key: "press.bar.incline", About: "Bench at 30 degrees: upper chest and front delts.",
			Document: press("pectoralis.clavicular", 30, [3]float64{0.16, 0.16, 0.22}, [3]float64{0.05, 0.58, 0.22}, 55, bar(m.kg(0.4)))},
		{Key: "press.dumbbell.incline", About: "Bench at 30 degrees, hands free to come together.", Document: press("pectoralis.clavicular", 30,
			[3]float64{0.14, 0.16, 0.24}, [3]float64{0.05, 0.58, 0.08}, 60, dumbbell(m.kg(0.14)))},
		{Key: "press.machine", About: "Handles on a lever that hangs from above; nothing to balance.",
			Document: m.hungLever("pectoralis", seated(0, 0, 0), bench(80), hung{hand: [2]float64{0.15, -0.05}, pivot: [2]float64{0.3, 0.9},
				turn: 25, plate: 60, swivel: 75, share: 0.35, out: 0.22})},
		{Key: "press.machine.incline", About: "Levers from above behind; the handles come together as they rise.",
			Document: m.hungLever("pectoralis.clavicular", seated(0, 0, 0), bench(65), hung{hand: [2]float64{0.15, 0.11}, pivot: [2]float64{-0.40, 0.95},
				turn: 25, plate: 45, swivel: 75, share: 0.35, out: 0.14, together: 0.25})},
		{Key: "fly.machine", About: "Pads or handles swing in from the sides: nothing to balance, and loaded all the way.",
			Document: m.machineFly()},
	}
}

// machineFly closes the arms against a machine with an axis over each shoulder.
func (m *maker) machineFly() setup.Document {
	d := m.base("pectoralis.sternal", "shoulder", seated(0, 0, 0), bench(85))
	d.Movement = swing("both", -10, 95, 78, 20)
	d.Movement.Hold["shoulder.rotationDeg"] -= 20 // thumbs up
	d.Loads = []setup.Load{cam("shoulder.planeOfElevation", grip, m.pin(0.35), 0.30*m.b.Height, -20, 0.15, 45, 0.15, 100, 0.12)}
	return d
}

// hung is a lever that hangs from an axis over the hands: places of hand and axis forward of and above the shoulder, m at a height of
// 1.75 m, how far it turns and where its plates are, degrees, the elbows' swivel, the plates as a share of body mass, how far out from
// the shoulders the hands are, and how much they come together: per metre on, so many to the middle.
type hung struct {
	hand, pivot                               [2]float64
	turn, plate, swivel, share, out, together float64
}

// hungLever is a push or a pull on such a lever.
func (m *maker) hungLever(region string, p setup.Posture, b *setup.Bench, h hung) setup.Document {
	d := m.base(region, "shoulder", p, b)
	sh, k := m.joint(&d), m.k()
	z := sh.Z + h.out*k
	x, y := sh.X+h.hand[0]*k, sh.Y+h.hand[1]*k
	hand, pivot := at(x, y, z), at(x+h.pivot[0]-h.hand[0], y+h.pivot[1]-h.hand[1], z) // the machine is as large for everybody
	dx, dy := h.hand[0]-h.pivot[0], h.hand[1]-h.pivot[1]
	radius := math.Hypot(dx, dy)
	lean := math.Copysign(h.together, h.turn) / radius // the axes of a machine whose handles converge lean to each other
	axis := at(-lean*dy, lean*dx, 1)
	d.Movement = setup.Movement{Kind: "guided", Side: "both", Guide: &setup.Guide{Kind: "arc", Start: *hand, Centre: pivot, About: axis,
		TurnDeg: h.turn, SwivelDeg: h.swivel}}
	d.Loads = []setup.Load{{ID: "lever", Kind: setup.Lever, Variable: true, Side: "right", Contact: grip, Ratio: 1, Pivot: pivot,
		PivotAlong: axis, PlateMass: m.kg(h.share), PlateRadius: 0.6,
		PlateDeg: h.plate, LeverMass: 5, LeverRadius: 0.3, HandleRadius: mm(radius)}}
	return d
}
