package edits

import (
	"dialarc/core/body"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Choices is what a document's structure can be changed to, and what it is now.
type Choices struct {
	Positions []Position `json:"positions"`
	Position  string     `json:"position" doc:"Key of the present one."`
	Ways      []Way      `json:"ways"`
	Holds     [][]Hold   `json:"holds" doc:"For each load the places that it can be held at; empty where it is not a matter of choice."`
	Hold      []string   `json:"hold" doc:"For each load the key of the present one, or nothing."`
	Barbells  []bool     `json:"barbells" doc:"For each load whether it can only be a barbell."`
	Hands     []Named    `json:"hands" doc:"What the hand that takes no part can do; empty where there is none."`
	Hand      string     `json:"hand" doc:"Key of what it does."`
	Feet      []Named    `json:"feet" doc:"How the feet can be set; empty where something else decides."`
	Foot      string     `json:"foot" doc:"Key of how they are."`
	Sides     []Named    `json:"sides" doc:"Which side can work."`
	Turns     []Named    `json:"turns" doc:"How the upper arm turns about itself along its path; empty where that is not a matter of choice."`
	Turn      string     `json:"turn" doc:"Key of how it does."`
}

// ChoicesOf lists the choices of a document.
func ChoicesOf(d *setup.Document) Choices {
	c := Choices{Positions: positionsOf(d), Position: PositionOf(d), Ways: Ways, Holds: make([][]Hold, len(d.Loads)),
		Hold: make([]string, len(d.Loads)), Barbells: make([]bool, len(d.Loads)),
		Hands: handsOf(d), Hand: handOf(d), Sides: sidesOf(d), Feet: feetOf(d), Foot: footOf(d),
		Turns: turnsOf(d), Turn: turnOf(d)}
	for i := range d.Loads {
		l := &d.Loads[i]
		c.Holds[i], c.Hold[i] = HoldsOf(l), HoldOf(l)
		c.Barbells[i] = l.Kind == setup.Bar && (l.Contact.Segment != "hand" || onABar(d))
	}
	return c
}

// barGrip is from what distance of the hands on what both hold can only be a bar, over the shoulders' (own): straight arms hold a dumbbell
// between them at shoulder width here.
const barGrip = 1.15

// onABar says whether what both hands hold is a bar.
func onABar(d *setup.Document) bool {
	if d.Movement.BarWidth > 0 {
		return true
	}
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	f := movement.New(d, &b, &st).Frames(0)
	return space.Norm(r3.Sub(f.Grip[body.Right], f.Grip[body.Left])) > 2*barGrip*b.ShoulderHalf
}

// Change is the document after one change of its structure: of the position, the way, the side, the free hand, the feet, how the upper arm
// turns, or, for the load
// at an index, of its hold, by a copy or by mirroring where it comes from; with its path pose by pose; or with the setting of a key locked
// or free again.
func Change(d *setup.Document, what, key string, index int) (setup.Document, setup.Problems) {
	switch what {
	case "position":
		return WithPosition(d, key)
	case "way":
		return WithWay(d, key)
	case "side":
		return WithSide(d, key)
	case "hold":
		return WithHold(d, index, key)
	case "hand":
		return WithHand(d, key)
	case "feet":
		return WithFeet(d, key)
	case "turn":
		return WithTurn(d, key)
	case "copy":
		return WithCopy(d, index)
	case "mirror":
		return WithMirrored(d, index)
	case "poses":
		return asPoses(d)
	case "lock", "unlock":
		return withLock(d, key, what == "lock"), nil
	}
	return d.Clone(), setup.Problems{{What: "There is no such change.",
		Hint: "Give position, way, side, hold, hand, feet, turn, copy, mirror, poses, lock or unlock."}}
}
