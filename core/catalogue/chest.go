package catalogue

import (
	"dialarc/core/setup"
	"dialarc/core/space"
)

// chestSetups bring the arms together in front, press and dip.
func chestSetups(m *maker) []Ready {
	fly := func(p setup.Posture, b *setup.Bench, v setup.Movement, loads ...setup.Load) setup.Document {
		d := m.base("pectoralis.sternal", "shoulder", p, b)
		d.Movement, d.Loads = v, loads
		return d
	}
	flat := lying("supine", 0, 0)
	sh := m.shoulder()
	pull := 0.5 * m.l.Mass
	out := []Ready{
		{Key: "fly.flat", Name: "Dumbbell fly, flat, straight arms", About: "Most with the arms level, nothing on top.",
			Document: fly(flat, bench(0), swing("both", 0, 88, 85, 10), dumbbell(m.kg(0.07)))},
		{Key: "fly.flat.bent", Name: "Dumbbell fly, elbows bent at the bottom", About: "The bend takes the peak down; short of lock-out keeps off zero.",
			Document: fly(flat, bench(0), through("both", easy(-5, 80, 0, 70), easy(40, 85, 0, 40), easy(75, 88, 0, 20)), dumbbell(m.kg(0.09)))},
		{Key: "fly.cable", Name: "Cable fly at shoulder height", About: "Control at the closed end.",
			Document: fly(standing(0.45, 0), nil, swing("both", -10, 95, 85, 15), cable(at(0, sh, 1.0), m.pin(0.16), grip))},
		{Key: "fly.cable.stretched", Name: "Cable fly, stretched, light", About: "A longer range behind the body, with less load.",
			Document: fly(standing(0.75, 0), nil, swing("both", -35, 70, 85, 25), cable(at(0, sh, 1.0), m.pin(0.10), grip))},
		{Key: "fly.low.30", Name: "Fly from low cables, hinged 30", About: "Half a metre in front of the pulleys, so that it never helps at the stretch.",
			Document: fly(hinged(0.5, 0, 30), nil, swing("both", 0, 95, 80, 15), cable(at(0, 0.2, 0.75), m.pin(0.12), grip))},
		{Key: "fly.low.45", Name: "Fly from low cables, hinged 45", About: "A metre in front: mid to late.",
			Document: fly(hinged(1.0, 0, 45), nil, swing("both", 0, 95, 80, 15), cable(at(0, 0.2, 0.75), m.pin(0.12), grip))},
		{Key: "fly.band.one", Name: "Band fly, one anchor, one arm", About: "Band pull is highest at the end.",
			Document: fly(standing(0.4, 0), nil, swing("right", -5, 90, 85, 15), band(at(0, sh, 0.8), 0.55, pull, grip))},
		{Key: "fly.band.behind", Name: "Band fly, both bands fixed behind the middle", About: "The back end is more of a press.",
			Document: fly(standing(0.4, 0), nil, swing("both", -5, 90, 85, 15), band(at(0, sh, 0), 0.50, pull, grip))},
		{Key: "fly.band.wide", Name: "Band fly, wide anchors", About: "Wide anchors pull sideways.",
			Document: fly(standing(0.4, 0), nil, swing("both", -5, 90, 85, 15), band(at(0, sh, 1.2), 0.60, pull, grip))},
		{Key: "fly.band.beside", Name: "Band fly, anchors beside", About: "The most sideways pull of all.",
			Document: fly(standing(0.05, 0), nil, swing("both", -5, 90, 85, 15), band(at(0, sh, 1.3), 0.55, pull, grip))},
		{Key: "press.flat", Name: "Dumbbell press, turned in on top", About: "The hands come together over the chest.",
			Document: m.chestPress("both", dumbbell(m.kg(0.16)))},
		{Key: "press.flat.band", Name: "One-arm press with a band across", About: "The band pulls outward where the dumbbell has stopped asking.",
			Document: m.chestPress("right", dumbbell(m.kg(0.14)), band(at(-0.45, 0.9, 1.1), 0.5, 0.4*pull, grip))},
		{Key: "dip.upright", Name: "Dip on bars, upright", About: "The lifter's own weight.", Document: m.dip(0, -0.05)},
		{Key: "dip.leaning", Name: "Dip on bars, leaning", About: "The lean brings the chest in.", Document: m.dip(25, -0.12)},
	}
	out[len(out)-1].Document.Target.Region, out[len(out)-2].Document.Target.Region = "pectoralis.costal", "pectoralis.costal"
	for i := range out {
		if d := &out[i].Document; d.Posture.Kind == "standing" && d.Posture.Root == "" { // against a pull from behind
			d.Posture.Feet, d.Posture.Ahead, d.Posture.FeetApart, d.Posture.Trunk.PitchDeg = "split", "left", 0.10, 8
		}
		out[i].Group = "chest"
	}
	return out
}

// chestPress leads the hand from beside the chest to over the shoulder's middle, lying flat.
func (m *maker) chestPress(side string, loads ...setup.Load) setup.Document {
	d := m.base("pectoralis.sternal", "shoulder", lying("supine", 0, 0), bench(0))
	reach := m.b.ArmLength()
	d.Movement = m.lead(&d, side, space.Vec{X: 0.22, Y: -0.05, Z: 0.20}, space.Vec{X: 0.97 * reach, Y: -0.03, Z: -0.06}, 65, 65)
	d.Loads = loads
	return d
}

// dip lets the trunk down between two bars and lifts it again; the hands are below the shoulders, or behind them where the
// trunk leans.
func (m *maker) dip(pitch, hands float64) setup.Document {
	p := setup.Posture{Kind: "standing", Root: "hands", FeetApart: 0.2, Trunk: setup.Trunk{PitchDeg: pitch}}
	d := m.base("pectoralis.costal", "shoulder", p, nil)
	d.Movement = upward(at(hands, -0.37, 0.05), at(hands, -0.95*m.b.ArmLength(), 0.05), 20)
	d.Loads = []setup.Load{{ID: "body", Kind: "ownBody", Side: "right", Ratio: 1}}
	return d
}
