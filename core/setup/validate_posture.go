package setup

import "fmt"

// Postures lists the kinds of posture, and for each what may be its root, its own first.
var Postures = []struct {
	Kind  string
	Roots []string
	Bench bool // whether it needs a bench
}{
	{"standing", []string{"feet", "hands"}, false},
	{"hinged", []string{"feet"}, false},
	{"leaning", []string{"feet"}, false},
	{"kneeling", []string{"knees"}, false},
	{"half-kneeling", []string{"knees"}, false},
	{"seated", []string{"seat"}, false},
	{"supine", []string{"bench"}, true},
	{"prone", []string{"bench", "hands"}, true},
	{"side-lying", []string{"bench"}, true},
}

// RootOf is what stays in place: the document's root, or the posture's own.
func (p *Posture) RootOf() string {
	if p.Root != "" {
		return p.Root
	}
	for _, k := range Postures {
		if k.Kind == p.Kind {
			return k.Roots[0]
		}
	}
	return "feet"
}

func (v *validator) posture(d *Document) {
	p := &d.Posture
	var kinds []string
	for _, k := range Postures {
		kinds = append(kinds, k.Kind)
	}
	if v.oneOf("posture.kind", "posture", p.Kind, kinds...) {
		v.kindOfPosture(d)
	}
	if p.Feet != "" {
		v.oneOf("posture.feet", "stance", p.Feet, "parallel", "split", "staggered")
	}
	if p.Ahead != "" {
		v.oneOf("posture.ahead", "foot in front", p.Ahead, "left", "right")
	}
	if p.Down != "" || p.Kind == "side-lying" || (p.Kind == "leaning" && d.Bench != nil) {
		v.oneOf("posture.down", "side that is below", p.Down, "left", "right")
	}
	for i, h := range p.Held {
		v.oneOf(fmt.Sprintf("posture.held[%d]", i), "what holds the lifter", h, "strap", "thighPad")
		if p.Kind != "seated" && h == "thighPad" {
			v.add(fmt.Sprintf("posture.held[%d]", i), "A pad on the thighs is for sitting.", "", "Leave it out.")
		}
	}
	if p.HandAt != nil {
		v.place("posture.handAt", "hand's hold", p.HandAt)
		if d.Movement.Side == "both" {
			v.add("posture.handAt", "Both arms move, so no hand is free to hold on.", "", "Leave it out, or let one side move.")
		}
	}
	v.within("posture.x", "distance out from the columns", p.X, -4, 4, "m", "The room is 8 m long.")
	v.within("posture.z", "distance to the right of the middle", p.Z, -4, 4, "m", "The room is 8 m wide.")
	v.within("posture.headingDeg", "heading", p.HeadingDeg, -360, 360, "degrees", "")
	v.within("posture.feetApart", "distance between the feet", p.FeetApart, 0, 1.2, "m", "")
	v.within("posture.stagger", "distance from foot to foot", p.Stagger, 0, 1.2, "m", "")
	v.within("posture.kneesDeg", "bend of the knees", p.KneesDeg, 0, 120, "degrees", "")
	if p.SeatHeight != 0 {
		v.within("posture.seatHeight", "height of the seat", p.SeatHeight, 0.1, 1.2, "m", "")
	}
	v.within("posture.trunk.pitchDeg", "lean forward", p.Trunk.PitchDeg, -40, 95, "degrees", "")
	v.within("posture.trunk.bendDeg", "lean to the right", p.Trunk.BendDeg, -45, 45, "degrees", "")
	v.within("posture.trunk.turnDeg", "turn to the left", p.Trunk.TurnDeg, -60, 60, "degrees", "")
	if d.Bench != nil {
		v.bench(d)
	}
}

func (v *validator) kindOfPosture(d *Document) {
	p := &d.Posture
	for _, k := range Postures {
		if k.Kind != p.Kind {
			continue
		}
		if p.Root != "" {
			v.oneOf("posture.root", "root", p.Root, k.Roots...)
		}
		onHands := p.RootOf() == "hands"
		if k.Bench && d.Bench == nil && !onHands {
			v.add("bench", "The bench is missing.", "The lifter lies on it.", "Give its angleDeg, 0 for a flat bench.")
		}
		if d.Bench != nil && (onHands || !(k.Bench || k.Kind == "seated" || k.Kind == "leaning")) {
			v.add("bench", "A bench is named, but the lifter does not use it.", "", "Set bench to null, or take a posture on it.")
		}
		if onHands && d.Movement.Side != "both" {
			v.add("movement.side", "One hand carries the body.", "How it is held up then is not known.", "Set side to both.")
		}
		if onHands && k.Kind == "prone" && d.Movement.Kind != "hold" {
			v.add("movement.kind", "The body moves on hands and toes.", "Only a held plank is known.", "Set kind to hold.")
		}
		if p.Down != "" && k.Kind != "side-lying" && k.Kind != "leaning" {
			v.add("posture.down", "No side is below.", "", "Leave it out.")
		}
	}
}

func (v *validator) bench(d *Document) {
	b := d.Bench
	v.within("bench.angleDeg", "angle of the back rest", b.AngleDeg, -30, 90, "degrees", "")
	if b.Height != 0 {
		v.within("bench.height", "height of the pad", b.Height, 0.1, 1.2, "m", "")
	}
	v.within("bench.mass", "mass of the bench", b.Mass, 0, 400, "kg", "")
	v.within("bench.padUnderBack", "pad behind the back", b.PadUnderBack, 0, 0.25, "m", "")
	if b.PadUnderBack > 0 && d.Posture.Kind != "side-lying" {
		v.add("bench.padUnderBack", "A pad behind the back is for lying on the side.", "", "Leave it out.")
	}
	if d.Posture.Kind == "seated" && d.Posture.SeatHeight != 0 {
		v.add("posture.seatHeight", "The seat's height is given twice.", "", "Keep the bench's height.")
	}
	if d.Posture.Kind == "leaning" && (b.AngleDeg < 30 || b.AngleDeg > 90) {
		v.add("bench.angleDeg", "Nobody leans on a bench of "+number(b.AngleDeg, "degrees")+".", "", "Give 30 to 90 degrees.")
	}
}
