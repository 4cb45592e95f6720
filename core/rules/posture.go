package rules

import (
	"fmt"

	"dialarc/core/setup"
)

func (v *checks) posture(d *setup.Document) {
	p := &d.Posture
	var kinds []string
	for _, k := range setup.Postures {
		kinds = append(kinds, k.Kind)
	}
	if v.OneOf("posture.kind", "posture", p.Kind, kinds...) {
		v.kindOfPosture(d)
	}
	if p.Feet != "" {
		v.OneOf("posture.feet", "stance", p.Feet, "parallel", "split", "staggered")
	}
	if p.Ahead != "" {
		v.OneOf("posture.ahead", "foot in front", p.Ahead, "left", "right")
	}
	if p.Down != "" || p.Kind == "side-lying" || (p.Kind == "leaning" && d.Bench != nil) {
		v.OneOf("posture.down", "side that is below", p.Down, "left", "right")
	}
	for i, h := range p.Held {
		v.OneOf(fmt.Sprintf("posture.held[%d]", i), "what holds the lifter", h, setup.Helds...)
		if p.Kind != "seated" && h == "thighPad" {
			v.Add(fmt.Sprintf("posture.held[%d]", i), "A pad on the thighs is for sitting.", "", "Leave it out.")
		}
		if h == "handOnThigh" && (d.Movement.Side == "both" || p.HandAt != nil) {
			v.Add(fmt.Sprintf("posture.held[%d]", i), "No hand is free to lean on the thigh.", "Both arms move, or it holds on to something else.", "Leave it out, or let one side move.")
		}
	}
	if p.HandAt != nil {
		v.Place("posture.handAt", "hand's hold", p.HandAt)
		if d.Movement.Side == "both" {
			v.Add("posture.handAt", "Both arms move, so no hand is free to hold on.", "", "Leave it out, or let one side move.")
		}
	}
	v.Count(postureRows, "posture.held", "supports", len(p.Held), "")
	v.Field(postureRows, "posture.x", "distance out from the columns", p.X, "m", "The room is 8 m long.")
	v.Field(postureRows, "posture.z", "distance to the right of the middle", p.Z, "m", "The room is 8 m wide.")
	v.Field(postureRows, "posture.headingDeg", "heading", p.HeadingDeg, "degrees", "")
	v.Field(postureRows, "posture.feetApart", "distance between the feet", p.FeetApart, "m", "")
	v.Field(postureRows, "posture.stagger", "distance from foot to foot", p.Stagger, "m", "")
	v.Field(postureRows, "posture.riser", "height of the block under the feet", p.Riser, "m", "")
	v.Field(postureRows, "posture.kneesDeg", "bend of the knees", p.KneesDeg, "degrees", "")
	if p.SeatHeight != 0 {
		v.Field(postureRows, "posture.seatHeight", "height of the seat", p.SeatHeight, "m", "")
	}
	v.Field(trunkRows, "posture.trunk.pitchDeg", "lean forward", p.Trunk.PitchDeg, "degrees", "")
	v.Field(trunkRows, "posture.trunk.bendDeg", "lean to the right", p.Trunk.BendDeg, "degrees", "")
	v.Field(trunkRows, "posture.trunk.turnDeg", "turn to the left", p.Trunk.TurnDeg, "degrees", "")
	if d.Bench != nil {
		v.bench(d)
	}
}

func (v *checks) kindOfPosture(d *setup.Document) {
	p := &d.Posture
	for _, k := range setup.Postures {
		if k.Kind != p.Kind {
			continue
		}
		if p.Root != "" {
			v.OneOf("posture.root", "root", p.Root, k.Roots...)
		}
		onHands := p.RootOf() == "hands"
		if k.Bench && d.Bench == nil && !onHands {
			v.Add("bench", "The bench is missing.", "The lifter lies on it.", "Give its angleDeg, 0 for a flat bench.")
		}
		if d.Bench != nil && (onHands || !(k.Bench || k.Kind == "seated" || k.Kind == "leaning")) {
			v.Add("bench", "A bench is named, but the lifter does not use it.", "", "Set bench to null, or take a posture on it.")
		}
		if onHands && d.Movement.Side != "both" {
			v.Add("movement.side", "One hand carries the body.", "How it is held up then is not known.", "Set side to both.")
		}
		if onHands && k.Kind == "prone" && d.Movement.Kind != "hold" {
			v.Add("movement.kind", "The body moves on hands and toes.", "Only a held plank is known.", "Set kind to hold.")
		}
		if p.Down != "" && k.Kind != "side-lying" && k.Kind != "leaning" {
			v.Add("posture.down", "No side is below.", "", "Leave it out.")
		}
	}
}

func (v *checks) bench(d *setup.Document) {
	b := d.Bench
	v.Field(benchRows, "bench.angleDeg", "angle of the back rest", b.AngleDeg, "degrees", "")
	if b.Height != 0 {
		v.Field(benchRows, "bench.height", "height of the pad", b.Height, "m", "")
	}
	if b.Kit != nil {
		v.Rising("bench.kit.notchesDeg", "notch", b.Kit.NotchesDeg, -30, 90, 0.5, "degrees")
	}
	if b.BackLength != 0 {
		v.Field(benchRows, "bench.backLength", "length of the back rest", b.BackLength, "m", "")
	}
	if b.Width != 0 {
		v.Field(benchRows, "bench.width", "width of the pads", b.Width, "m", "")
	}
	v.Field(benchRows, "bench.mass", "mass of the bench", b.Mass, "kg", "")
	v.Field(benchRows, "bench.padUnderBack", "pad behind the back", b.PadUnderBack, "m", "")
	if b.PadUnderBack > 0 && d.Posture.Kind != "side-lying" {
		v.Add("bench.padUnderBack", "A pad behind the back is for lying on the side.", "", "Leave it out.")
	}
	if d.Posture.Kind == "seated" && d.Posture.SeatHeight != 0 {
		v.Add("posture.seatHeight", "The seat's height is given twice.", "", "Keep the bench's height.")
	}
	if d.Posture.Kind == "leaning" && (b.AngleDeg < 30 || b.AngleDeg > 90) {
		v.Add("bench.angleDeg", "Nobody leans on a bench of "+setup.Number(b.AngleDeg, "degrees")+".", "", "Give 30 to 90 degrees.")
	}
}
