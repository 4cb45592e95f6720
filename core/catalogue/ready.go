package catalogue

import (
	"fmt"
	"math"
	"slices"
	"sync"

	"dialarc/core/kit"
	"dialarc/core/setup"
)

// Ready is a setup to begin with.
type Ready struct {
	Key      string         `json:"key"`
	Group    string         `json:"group" doc:"What it is for." enum:"shoulder,rear,chest,back,armFront,armBack,leg,trunk"`
	Name     string         `json:"name"`
	Synonyms []string       `json:"synonyms" doc:"What else it is called."`
	About    string         `json:"about" doc:"What it is for, in a line."`
	Region   string         `json:"region" doc:"Key of the region that it is for."`
	Phase    string         `json:"phase" doc:"Where the loads ask most, for a lifter of middle size: early, mid or late; empty for a hold."`
	Note     string         `json:"note,omitempty" doc:"What the phase depends on, or where it is not what is usually said."`
	Mistakes []string       `json:"mistakes" doc:"Common mistakes."`
	Safely   string         `json:"safely" doc:"How to end a set that will not go up."`
	Needs    []string       `json:"needs" doc:"Kinds of kit that it takes." enum:"cable,dumbbell,bar,band,machine,bench"`
	Document setup.Document `json:"document"`
}

// Groups lists the groups of ready setups in their order.
var Groups = []string{"shoulder", "rear", "chest", "back", "armFront", "armBack", "leg", "trunk"}

// makers make the ready setups, group by group.
var makers = [...]func(*maker) []Ready{raises, shoulderSetups, rearSetups, chestSetups, backSetups, armFrontSetups, armBackSetups,
	legSetups, lowerSetups, trunkSetups}

// All lists every ready setup for one lifter, group by group.
func All(l *setup.Lifter) []Ready {
	m := newMaker(l)
	var out []Ready
	for _, group := range makers {
		out = append(out, group(m)...)
	}
	for i := range out {
		out[i].finish()
	}
	return out
}

// homes tells by which of the makers each ready setup is made.
var homes = sync.OnceValue(func() map[string]int {
	homes := map[string]int{}
	m := newMaker(&setup.Lifter{Height: 1.75, BodyMass: 75})
	for i, group := range makers {
		for _, r := range group(m) {
			homes[r.Key] = i
		}
	}
	return homes
})

// Find is one ready setup for a lifter; false when there is none of that key.
func Find(l *setup.Lifter, key string) (Ready, bool) {
	home, known := homes()[key]
	if !known {
		return Ready{}, false
	}
	list := makers[home](newMaker(l))
	r := list[slices.IndexFunc(list, func(r Ready) bool { return r.Key == key })]
	r.finish()
	return r, true
}

// finish adds the words, and how the body is held.
func (r *Ready) finish() {
	guided(r)
	r.Document.Name = r.Name
	p := &r.Document.Posture
	if what, held := supported[r.Key]; held {
		p.Restraints = append(p.Restraints, what)
	}
	if lean, steady := stances[r.Key]; steady {
		p.Feet, p.Ahead, p.FeetApart = "split", "left", 0.10
		if r.Document.Movement.Kind != "shoulder-raise" {
			p.Trunk.PitchDeg += lean
		}
	}
}

// supported are the setups in which the body carries itself elsewhere too, or has something to push against, and by what.
var supported = map[string]string{"curl.hinged": "handOnThigh", "kickback": "handOnThigh", "extension.bent": "handOnThigh",
	"row.band":      "handOnThigh",
	"reverse.under": "trunkOnThighs", "row.cable": "footPlate", "row.seated.wide": "footPlate"}

// stances are the setups that pull hard enough from one side for one foot to stand ahead, with how much more the trunk leans
// against it, degrees.
var stances = map[string]float64{"pull.face": -6, "pressdown.early": 4, "curl.path": 4, "front.cable": 0}

func key(name string, number float64) string { return fmt.Sprintf("%s.%g", name, number) }

// raises lists the raises to the side that stand, loaded lightly for the lifter's body mass: about 14% of it on the pin, of which half
// arrives at the handle, or 4% in the hand (own).
func raises(m *maker) []Ready {
	stack := m.pin(0.14)
	bell := max(1, m.kg(0.04))
	out := []Ready{
		{Key: "raise.behind.hand", About: "Hardest at the start; fades as the muscle weakens.",
			Document: crossBehind(m.fromColumn(9, stack), 0.70, 12, 30)},
		{Key: "raise.behind.knee", About: "From a lower pulley: more in the middle and at the top.", Document: crossBehind(m.fromColumn(4, stack), 0.90,
			10, 45)},
		{Key: "raise.behind.lined", About: "Further out, so the cable runs along the arm and passes under the shoulder.",
			Document: crossBehind(m.fromColumn(7, stack), 0.90, 12, 45)},
		{Key: "raise.dumbbell.band", About: "A band from low behind loads the part where the dumbbell is light.",
			Document: withBand(m.bellRaise(30, bell/2), 0.25*m.mass)},
		{Key: "raise.dumbbell", About: "No load at the bottom; hardest at shoulder height.", Document: m.bellRaise(20, bell)},
	}
	for i := range out {
		out[i].Group = "shoulder"
	}
	return out
}

// sideRaise is a raise to the side, standing, without its load.
func (m *maker) sideRaise() setup.Document {
	d := m.base("deltoid.middle", "shoulder", setup.Posture{Kind: "standing", Root: "feet", X: 0.30, Feet: "parallel", FeetApart: 0.30}, nil)
	d.Movement = setup.Movement{Kind: "shoulder-raise", Side: "both", Primary: "shoulder.elevation", FromDeg: 5, ToDeg: 95}
	return d
}

// fromColumn is a raise against the cable of the opposite column, from a hole, which passes behind the back.
func (m *maker) fromColumn(hole int, stack float64) setup.Document {
	d := m.sideRaise()
	d.Loads = []setup.Load{{ID: "cable", Kind: setup.Cable, Variable: true, Side: "right", Contact: grip,
		Pulley: &setup.Point{X: 0, Y: math.Round(1e6*station.Column.HoleHeight(hole)) / 1e6, Z: -0.55}, StackMass: stack, Ratio: station.Ratio,
		Friction:  setup.DefaultFriction,
		ParkedGap: setup.DefaultParkedGap, Travel: setup.DefaultTravel, Kit: &setup.Kit{Station: station.Key, Column: "left", Hole: hole}}}
	return d
}

// crossBehind leads the arms of a raise against crossed cables from behind the hips, out from them by an angle, forward to a plane on the
// way up, with the hips out from the columns: so the cables stay behind the body and clear of the thighs.
func crossBehind(d setup.Document, out, away, plane float64) setup.Document {
	start := -20.0
	d.Posture.X = out
	if d.Posture.Kind == "standing" {
		d.Posture.Feet, d.Posture.Ahead, d.Posture.FeetApart = "split", "left", 0.10
	}
	d.Movement = setup.Movement{Kind: "shoulder-raise", Side: "both", Primary: "shoulder.elevation", FromDeg: away, ToDeg: 95,
		StartPlane: &start, Hold: held(arm(plane, 0, 0, 5), "shoulder.elevation")}
	return d
}

// bellRaise is a raise with a dumbbell in each hand, in a plane.
func (m *maker) bellRaise(plane, mass float64) setup.Document {
	d := m.sideRaise()
	d.Movement.Hold = map[string]float64{"shoulder.planeOfElevationDeg": plane, "shoulder.rotationDeg": 0, "elbow.flexionDeg": 5}
	d.Loads = []setup.Load{{ID: "dumbbell", Kind: setup.Dumbbell, Variable: true, Side: "right", Contact: grip, Mass: mass}}
	return d
}

// withBand adds a band from low behind the opposite hip that pulls with a force, N, at twice its length.
func withBand(d setup.Document, pull float64) setup.Document {
	l := &d.Lifter
	d.Loads = append(d.Loads, setup.Load{ID: "band", Kind: setup.Band, Variable: true, Side: "right", Contact: grip,
		Anchor: &setup.Point{X: -0.40, Y: 0.30}, RestLength: math.Round(0.46*l.Height/0.05) * 0.05, Section: pull / kit.RubberAtDouble,
		Strands: 1, Hysteresis: setup.DefaultHysteresis})
	return d
}
