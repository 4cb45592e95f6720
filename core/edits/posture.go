// Package edits holds every change of a document but a turned dial: the posture, the path, which side moves, the loads and where they are
// held, what is fitted to a gym, plain parts that are set, and how a setup is begun from nothing. What still applies after a change is
// kept.
package edits

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Position is a posture that a setup can be given.
type Position struct {
	Key   string `json:"key" doc:"Kind of posture; of one with a bench where that is a matter of choice, with /bench."`
	Label string `json:"label"`
}

// Positions lists the postures.
var Positions = []Position{
	{"standing", "Standing"}, {"hinged", "Hinged forward"}, {"leaning", "Leaning sideways"}, {"leaning/bench", "Leaning on a bench"},
	{"kneeling", "Kneeling"}, {"half-kneeling", "Half-kneeling"}, {"seated", "Seated"}, {"seated/bench", "Seated, back supported"},
	{"supine", "Lying on the back"}, {"supine/floor", "On the floor, face up"}, {"prone", "Chest supported"},
	{"prone/floor", "On the floor, face down"}, {"side-lying", "Lying on the side"},
}

// others are those that come with a movement of the legs, and are listed where they are.
var others = []Position{{"standing/foot", "Standing on one foot"}, {"supine/shoulders", "Back on a bench, hips free"},
	{"prone/thighs", "On a bench for the back"}, {"supine/thighs", "Sitting up, feet held"}, {"prone/hands", "On hands and toes"}, {"standing/hands", "Carried by the hands"},
	{"handstand/hands", "Handstand"}}

// positionsOf are those that a document can be given, and its own.
func positionsOf(d *setup.Document) []Position {
	now := PositionOf(d)
	for _, p := range others {
		if p.Key == now {
			return append(slices.Clone(Positions), p)
		}
	}
	return Positions
}

// PositionOf is the key of a document's position.
func PositionOf(d *setup.Document) string {
	k := d.Posture.Kind
	switch root := d.Posture.RootOf(); root {
	case "foot", "shoulders", "thighs", "hands":
		return k + "/" + root
	}
	if d.Posture.OnFloor(d.Bench) {
		return k + "/floor"
	}
	if d.Bench != nil && (k == "seated" || k == "leaning") {
		return k + "/bench"
	}
	return k
}

// usual are postures as they are begun with; the bench's angle, degrees, where there is one (own).
var usual = map[string]struct {
	posture setup.Posture
	bench   float64
}{
	"standing":      {setup.Posture{Kind: "standing", FeetApart: 0.30}, math.NaN()},
	"hinged":        {setup.Posture{Kind: "hinged", FeetApart: 0.30, KneesDeg: 20, Trunk: setup.Trunk{PitchDeg: 45}}, math.NaN()},
	"leaning":       {setup.Posture{Kind: "leaning", FeetApart: 0.30, Trunk: setup.Trunk{BendDeg: 15}}, math.NaN()},
	"leaning/bench": {setup.Posture{Kind: "leaning", FeetApart: 0.30}, 75},
	"kneeling":      {setup.Posture{Kind: "kneeling", FeetApart: 0.30}, math.NaN()},
	"half-kneeling": {setup.Posture{Kind: "half-kneeling", FeetApart: 0.30, Ahead: "left"}, math.NaN()},
	"seated":        {setup.Posture{Kind: "seated", FeetApart: 0.30}, math.NaN()},
	"seated/bench":  {setup.Posture{Kind: "seated", FeetApart: 0.30}, 80},
	"supine":        {setup.Posture{Kind: "supine", FeetApart: 0.40}, 0},
	"prone":         {setup.Posture{Kind: "prone", FeetApart: 0.40}, 45},
	"supine/floor":  {setup.Posture{Kind: "supine", FeetApart: 0.40}, math.NaN()},
	"prone/floor":   {setup.Posture{Kind: "prone", FeetApart: 0.40}, math.NaN()},
	"side-lying":    {setup.Posture{Kind: "side-lying", FeetApart: 0.40}, 0},
}

// WithPosition is the document with another posture. The shoulders stay where they are above the floor plan, the heading and a
// bench of a kind that still serves stay too, and a path that was given in the room goes along with the shoulders.
func WithPosition(d *setup.Document, key string) (setup.Document, setup.Problems) {
	c := d.Clone()
	u, known := usual[key]
	if !known {
		return c, setup.Problems{{Path: "posture.kind", What: "There is no such posture.", Hint: "Give one of the list."}}
	}
	if PositionOf(d) == key {
		return c, nil
	}
	before := shoulders(d)
	c.Posture = u.posture
	c.Posture.HeadingDeg, c.Posture.X, c.Posture.Z = d.Posture.HeadingDeg, d.Posture.X, d.Posture.Z
	if key == "side-lying" || key == "leaning/bench" {
		c.Posture.Down = otherSide(movingSide(d))
	}
	if key == "side-lying" && d.Movement.Side == "both" {
		c, _ = WithSide(&c, "right")
	}
	if key == "leaning" && movingSide(d) == "left" {
		c.Posture.Trunk.BendDeg = -c.Posture.Trunk.BendDeg
	}
	c.Bench = benchFor(d.Bench, u.bench)
	after := shoulders(&c)
	c.Posture.X = milli(c.Posture.X + before.X - after.X)
	c.Posture.Z = milli(c.Posture.Z + before.Z - after.Z)
	carryGuide(&c, r3.Sub(shoulders(&c), before))
	return c, nil
}

// benchFor is the bench that a posture needs: the one that is there, or a new one.
func benchFor(now *setup.Bench, angle float64) *setup.Bench {
	if math.IsNaN(angle) {
		return nil
	}
	b := &setup.Bench{AngleDeg: angle, Height: setup.DefaultSeat}
	if now != nil {
		b.Height, b.Mass = now.Height, now.Mass
	}
	return b
}

// carryGuide moves a path that is given in the room along with the shoulders.
func carryGuide(d *setup.Document, by space.Vec) {
	g := d.Movement.Guide
	if g == nil || g.Relative {
		return
	}
	for _, p := range []*setup.Point{&g.Start, g.End, g.Centre} {
		if p != nil {
			p.X, p.Y, p.Z = milli(p.X+by.X), milli(p.Y+by.Y), milli(p.Z+by.Z)
		}
	}
}

// shoulders is the middle between the resting shoulders, room axes.
func shoulders(d *setup.Document) space.Vec {
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	var f body.Frames
	f.Place(&b, &st, &[2]body.Pose{}, &[2]body.Pose{})
	return r3.Scale(0.5, r3.Add(f.Joint[body.ShoulderR], f.Joint[body.ShoulderL]))
}

func milli(x float64) float64 { return math.Round(1000*x) / 1000 }

func movingSide(d *setup.Document) string {
	if d.Movement.Side == "left" {
		return "left"
	}
	return "right"
}

func otherSide(side string) string {
	if side == "left" {
		return "right"
	}
	return "left"
}

// hasPosition says whether a key is one of the list.
func hasPosition(key string) bool {
	return slices.ContainsFunc(Positions, func(p Position) bool { return p.Key == key })
}
