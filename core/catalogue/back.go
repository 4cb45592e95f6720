package catalogue

import (
	"math"
	"slices"

	"dialarc/core/setup"
)

// backSetups pull down, row, pull over and shrug.
func backSetups(m *maker) []Ready {
	lat := func(p setup.Posture, b *setup.Bench, v setup.Movement, loads ...setup.Load) setup.Document {
		d := m.base("latissimus.lower", "shoulder", p, b)
		d.Movement, d.Loads = v, loads
		return d
	}
	ahead := func(elevation, elbow float64) pose { return arm(85, elevation, 0, elbow) }
	pullOver := sweep("both", "shoulder.elevation", 150, 80, held(arm(90, 0, 0, 40), "shoulder.elevation"))
	kneel := setup.Posture{Kind: "half-kneeling", FeetApart: 0.36, X: mm(0.411 * m.b.Height), HeadingDeg: 180, Ahead: "left",
		Trunk:       setup.Trunk{PitchDeg: 10},
		SupportHand: &setup.Point{Y: mm(0.52 * m.b.Height), Z: -0.05}} // the free hand on the column
	lowRow := cable(at(0, 0.75, 0), m.pin(0.4), grip)
	lowRow.Shared = true
	out := []Ready{
		{Key: "pulldown.kneeling", About: "The cable starts a little in front of the arm, so the start is loaded.",
			Document: lat(kneel, nil, along("right", raised(80, 140), raised(75, 80), raised(70, 30)), cable(at(0, 2.0, -0.15), m.pin(0.35), grip))},
		{Key: "pulldown.chair", About: "Heavy sets pull you out of the seat: use a strap or hold something heavy.",
			Document: lat(seated(0.9, 180, 0), nil, along("right", raised(75, 128), raised(55, 85), raised(35, 15)),
				cable(at(0, 2.0, -0.15), m.pin(0.4), grip))},
		{Key: "row.dumbbell.bench", About: "No load with the arm hanging; the bench carries the trunk.",
			Document: lat(lying("prone", 0, 0), bench(35), through("both", arm(90, 50, 0, 5), arm(90, 28, 0, 50), arm(90, -10, 0, 90)),
				dumbbell(m.kg(0.18)))},
		{Key: "row.cable", About: "A straight bar on one cable from the front.",
			Document: lat(seated(1.1, 180, 5), nil, through("both", ahead(65, 5), ahead(30, 65), ahead(-5, 85)), lowRow)},
		{Key: "row.hinged", About: "The low back holds the hinge, so keep an eye on its torque.",
			Document: lat(hinged(0, 0, 60), nil, through("both", ahead(55, 5), ahead(25, 55), ahead(-5, 85)), bar(m.kg(0.4)))},
		{Key: "row.band", About: "The band pulls the arm forward at the bottom, where the dumbbell gives nothing.",
			Document: lat(hinged(0, 0, 60), nil, through("right", ahead(55, 5), ahead(30, 50), ahead(0, 85)), dumbbell(m.kg(0.2)),
				band(at(1.1, 0.3, 0.15), 0.45, 0.36*m.mass, grip))},
		{Key: "pullover", About: "Hardest behind the head; nothing over the chest.",
			Document: lowerChest(lat(lying("supine", 0, 0), bench(0), pullOver, bar(m.kg(0.2))))},
		{Key: "pullover.band", About: "The band keeps the end as hard as the start.",
			Document: lowerChest(lat(lying("supine", 0, 0), bench(0), pullOver, bar(m.kg(0.12)), band(at(-1.55, 0.25, 0.1), 0.54, 0.5*m.mass,
				grip)))},
		{Key: "lever.far", About: "The lever starts past level, so the peak comes earlier.", Document: m.leverPull(0.215*m.l.Height, 30)},
		{Key: "lever.near", About: "The lever reaches level later in the pull.", Document: m.leverPull(0.11*m.l.Height, 35)},
	}
	for i := range out {
		switch out[i].Key {
		case "pulldown.chair":
			out[i].Document.Posture.Restraints = []string{"strap"}
		case "lever.far", "lever.near":
			out[i].Document.Posture.Restraints = []string{"thighPad"}
		}
	}
	shrug := func(x, heading float64, side string, l setup.Load) setup.Document {
		d := m.base("trapezius.upper", "girdle", standing(x, heading), nil)
		d.Movement = sweep(side, "girdle.elevation", -5, 25, arm(10, 3, 0, 5))
		d.Loads = []setup.Load{l}
		return d
	}
	out = append(out, Ready{Key: "shrug.dumbbell", About: "Use straps, and pause at the top.", Document: shrug(0, 0, "both", dumbbell(m.kg(0.35)))},
		Ready{Key: "shrug.cable", About: "The slanted cable brings in the middle of the traps.",
			Document: leaned(shrug(0.60, -90, "right", cable(at(0, 0.2, 0), m.pin(0.5), grip)))})
	out = slices.Concat(out, m.pulls(), m.hangs(), m.pulldowns())
	for i := range out {
		out[i].Group = "back"
	}
	return out
}

// pulls are those that hang, pull a bar down or row on a machine.
func (m *maker) pulls() []Ready {
	hang := m.hang(m.line("both", [3]float64{0.15, 0.50, 0.08}, [3]float64{0.20, 0.15, 0.08}, 50))
	down := m.pulldown(m.line("both", [3]float64{0.26, 0.47, 0.20}, [3]float64{0.20, 0.05, 0.20}, 30))
	return []Ready{
		{Key: "pullup", About: "Body weight, from just short of a dead hang.", Document: hang},
		{Key: "pullup.assisted", About: "A platform under the knees takes part of the weight.", Document: m.assisted(hang, 0.4)},
		{Key: "pullup.weighted", About: "Weight on a belt, once body weight is too easy.", Document: m.withBelt(hang, 0.12)},
		{Key: "pulldown.bar", About: "A bar on one cable from above, thighs under the pads.", Document: down},
		{Key: "row.machine", About: "Chest on the pad, handles on a lever that hangs from above.",
			Document: m.hungLever("latissimus.lower", lying("prone", 0, 0), bench(80), hung{hand: [2]float64{0.6, -0.28},
				pivot: [2]float64{0.4, 0.9}, turn: -13, plate: -60, swivel: 10, share: 0.35, out: 0.05})},
	}
}

// withBelt hangs a share of body mass from the waist of somebody whom the hands carry.
func (m *maker) withBelt(d setup.Document, share float64) setup.Document {
	d = d.Clone()
	weight := heldAt(dumbbell(m.kg(share)), atWaist)
	weight.ID = "belt"
	d.Loads = append([]setup.Load{weight}, d.Loads...)
	return d
}

// assisted takes a share of body mass off somebody whom the hands carry, by a platform under the knees.
func (m *maker) assisted(d setup.Document, share float64) setup.Document {
	d = d.Clone()
	step := 2.5
	d.Loads = append(d.Loads, setup.Load{ID: "platform", Kind: setup.Assist, Side: "right", Contact: cuff("thigh", 1), Ratio: 1,
		StackMass: step * math.Round(share*m.l.BodyMass/step)})
	return d
}

// lowerChest is a setup for the lower chest, which leads it.
func lowerChest(d setup.Document) setup.Document {
	d.Target.Region = "pectoralis.costal"
	return d
}

// leaned leads a hanging arm aside until it points at the pulley beside the lifter.
func leaned(d setup.Document) setup.Document {
	d.Movement.Hold = arm(0, 17, 0, 5)
	return d
}

// leverPull is a pull-down on a lever that turns about an axis in front of the lifter, plates beyond it; back is how far the
// seat is from where the level lever's handle is, m. The pull starts where the arm all but reaches the handle.
func (m *maker) leverPull(back, turn float64) setup.Document {
	const radius = 0.95
	d := m.base("latissimus.lower", "shoulder", seated(-back, 0, 0), nil)
	sh := m.joint(&d)
	pivot := at(radius, sh.Y+0.85*m.b.ArmLength(), sh.Z)
	handle := func(deg float64) (x, y float64) {
		s, c := math.Sincos(deg * math.Pi / 180)
		return pivot.X - radius*c, pivot.Y - radius*s
	}
	start := -30.0
	for ; start < 60; start++ {
		if x, y := handle(start); math.Hypot(x-sh.X, y-sh.Y) < 0.96*m.b.ArmLength() {
			break
		}
	}
	x, y := handle(start)
	d.Movement = setup.Movement{Kind: "guided", Side: "both", Guide: &setup.Guide{Kind: "arc", Start: *at(x, y, sh.Z), Centre: pivot,
		About: at(0, 0, 1), TurnDeg: turn, SwivelDeg: 40}}
	d.Loads = []setup.Load{{ID: "lever", Kind: setup.Lever, Variable: true, Side: "right", Contact: grip, Ratio: 1, Pivot: pivot,
		PivotAlong: at(0, 0, 1),
		PlateMass:  m.kg(0.4), PlateRadius: 0.6, PlateDeg: 180, HandleRadius: radius}}
	return d
}
