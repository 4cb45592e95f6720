package rules

import (
	"fmt"
	"slices"

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
	v.restraints(d)
	v.stance(d)
	if d.Bench != nil {
		v.bench(d)
	}
}

// restraints checks what else holds the lifter, and the hand that holds on.
func (v *checks) restraints(d *setup.Document) {
	p := &d.Posture
	v.Count(postureRows, "posture.restraints", "supports", len(p.Restraints), "")
	for i, h := range p.Restraints {
		v.OneOf(fmt.Sprintf("posture.restraints[%d]", i), "what holds the lifter", h, setup.Restraints...)
		if p.Kind != "seated" && h == "thighPad" {
			v.Add(fmt.Sprintf("posture.restraints[%d]", i), "A pad on the thighs is for sitting.", "", "Leave it out.")
		}
		if h == "handOnThigh" && (d.Movement.Side == "both" || p.SupportHand != nil) {
			v.Add(fmt.Sprintf("posture.restraints[%d]", i), "No hand is free to lean on the thigh.",
				"Both arms move, or it holds on to something else.", "Leave it out, or let one side move.")
		}
	}
	if p.SupportHand != nil {
		v.Place("posture.supportHand", "hand's hold", p.SupportHand)
		if d.Movement.Side == "both" {
			v.Add("posture.supportHand", "Both arms move, so no hand is free to hold on.", "", "Leave it out, or let one side move.")
		}
	}
}

// stance checks where the lifter is and how the trunk leans.
func (v *checks) stance(d *setup.Document) {
	p := &d.Posture
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
}

// kindOfPosture checks what a posture asks of root, bench and movement.
func (v *checks) kindOfPosture(d *setup.Document) {
	p := &d.Posture
	k := setup.Postures[slices.IndexFunc(setup.Postures, func(k setup.PostureKind) bool { return k.Kind == p.Kind })]
	if p.Root != "" {
		v.OneOf("posture.root", "root", p.Root, k.Roots...)
	}
	onHands := p.RootOf() == "hands"
	onFloor := p.OnFloor(d.Bench) || p.Kind == "supine" && (p.Root == "shoulders" || p.Root == "thighs")
	if k.Bench && d.Bench == nil && !onHands && !onFloor {
		v.Add("bench", "The bench is missing.", "The lifter lies on it.", "Give its angleDeg, 0 for a flat bench.")
	}
	if d.Bench != nil && (onHands || !(k.Bench || k.Kind == "seated" || k.Kind == "leaning")) {
		v.Add("bench", "A bench is named, but the lifter does not use it.", "", "Set bench to null, or take a posture on it.")
	}
	if onHands {
		v.onHands(d)
	}
	if p.Down != "" && k.Kind != "side-lying" && k.Kind != "leaning" {
		v.Add("posture.down", "No side is below.", "", "Leave it out.")
	}
}

// onHands checks what is known of a body that its hands carry.
func (v *checks) onHands(d *setup.Document) {
	if d.Movement.Side != "both" {
		v.Add("movement.side", "One hand carries the body.", "How it is held up then is not known.", "Set side to both.")
	}
	m := &d.Movement
	if d.Posture.Kind != "prone" || m.Kind == "hold" {
		return
	}
	if m.Kind != "guided" || m.Guide == nil || m.Guide.Kind != "line" || !m.Guide.Relative || m.Guide.End == nil {
		v.Add("movement.kind", "The body moves on hands and toes.", "On the floor only the plank and the push-up are known.",
			"Set kind to hold, or guide the hand along a line that is counted from the shoulder.")
		return
	}
	for i, y := range []float64{m.Guide.Start.Y, m.Guide.End.Y} {
		v.Within("movement.guide."+[]string{"start", "end"}[i]+".y", "floor, from the shoulder", y, -0.9, -0.05, "m", "The hands have to reach the floor below.")
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
