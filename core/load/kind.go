package load

import (
	"fmt"
	"slices"
	"strings"

	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// Origin is what the line of a load starts from.
type Origin string

// The origins; a load without a line has none.
const (
	FromPulley Origin = "pulley"
	FromAnchor Origin = "anchor"
	FromPivot  Origin = "pivot"
)

// Kind is everything that is true of the loads of one kind: what they are called, what they can be asked, how they pull, what can be turned
// on them and what they take from a gym. Each stands in a file of its own. Functions that are nil do not apply to a kind.
type Kind struct {
	Name     setup.LoadKind
	From     Origin
	Line     string   // what people call what it pulls along: cable, band or rope; empty when it pulls along nothing
	End      string   // what of it is picked up: handle, end of the band; empty when it is not picked up by the hand
	With     string   // as in "with a cable", to tell setups apart
	Counted  string   // what its kilograms are counted by, as in "each dumbbell"; empty when it is not
	Needs    string   // what kit an exercise with it needs: cable, dumbbell, bar, band or machine; empty for none
	Holds    []string // keys of the places that it can be held or worn at; none where it says so itself
	Simple   bool     // whether it needs nothing but itself, so that it can be added to any arm or stand in for another
	OneThing bool     // whether both hands have one of it, not one each
	Shares   bool     // whether a bar on it can be shared by both hands
	Circle   bool     // whether its handle moves on a circle about its pivot

	Mass   func(l *setup.Load) *float64        // where its kilograms are
	Scale  func(l *setup.Load, factor float64) // makes it pull so many times as hard
	AtHand func(l *setup.Load) float64         // the mass, kg, that weighs as much as it pulls with
	// gives it what it lacks, pulling as hard as a mass weighs; a line starts across the body
	Complete func(l *setup.Load, mass, across float64)
	OwnSeat  func(l *setup.Load) bool    // whether it is a machine that brings its own seat
	Dead     func(l *setup.Load) float64 // kg of it that stay when what may be changed of it does
	Alone    func(l *setup.Load)         // makes what both hands hold a thing for one hand, which holds its half
	Check    func(v *setup.Checks, path string, l *setup.Load)
	Fit      func(f *kit.Fitting, path string, l *setup.Load) // takes what is most alike from a gym
	Dials    []dial.Dial

	source func(b *builder) (Source, *space.Vec) // how it pulls, and where its line starts
}

// kinds are all kinds of load, in the order in which they are listed. They are filled in when the program starts, since what a kind does
// may ask what is true of its kind.
var kinds []*Kind

func init() {
	kinds = []*Kind{&dumbbell, &bar, &cable, &rope, &band, &cam, &lever, &sled, &assist, &ownBody}
}

// KindOf is what is true of a kind of load; nil for one that is not known.
func KindOf(name setup.LoadKind) *Kind {
	for _, k := range kinds {
		if k.Name == name {
			return k
		}
	}
	return nil
}

// Kinds lists the names of the kinds of load that a rule holds for; nil for all.
func Kinds(holds func(k *Kind) bool) []string {
	var out []string
	for _, k := range kinds {
		if holds == nil || holds(k) {
			out = append(out, string(k.Name))
		}
	}
	return out
}

// unknown stands in for a kind that a document made up, so that nothing that asks breaks on it.
var unknown = Kind{Scale: func(*setup.Load, float64) {}, AtHand: freeAtHand}

// Of gives what is true of a load's kind; an unknown one is nothing in particular.
func Of(l *setup.Load) *Kind {
	if k := KindOf(l.Kind); k != nil {
		return k
	}
	return &unknown
}

// Start is where a load's line starts, m; nil for none.
func Start(l *setup.Load) *setup.Point {
	switch Of(l).From {
	case FromPulley:
		return l.Pulley
	case FromAnchor:
		return l.Anchor
	case FromPivot:
		return l.Pivot
	}
	return nil
}

// MassField is where a load's kilograms are; nil for one that is not counted in them.
func MassField(l *setup.Load) *float64 {
	if mass := Of(l).Mass; mass != nil {
		return mass(l)
	}
	return nil
}

// ForBothHands says whether both hands have this one load together, rather than one each.
func ForBothHands(l *setup.Load) bool { return l.Shared || Of(l).OneThing }

// OneStiffThing says whether both hands have this one load together and can push each other apart on it, as they cannot on a rope.
func OneStiffThing(l *setup.Load) bool { return ForBothHands(l) && l.Kind != setup.Rope }

// HasOwnSeat says whether a setup is done on a machine that brings its own seat.
func HasOwnSeat(d *setup.Document) bool {
	return slices.ContainsFunc(d.Loads, func(l setup.Load) bool {
		seat := Of(&l).OwnSeat
		return seat != nil && seat(&l)
	})
}

// simple lists the kinds that can be added to any arm.
func simple(k *Kind) bool { return k.Simple }

// UnknownKind says that a load cannot be made of a kind.
func UnknownKind(path string, kind setup.LoadKind) setup.Problem {
	return setup.Problem{Path: path, What: fmt.Sprintf("There is no kind of load %q.", setup.Clip(string(kind))),
		Hint: "Give one of: " + strings.Join(Kinds(simple), ", ") + "."}
}

// Complete gives a load of a simple kind what it needs and does not have, pulling as hard as a mass weighs, kg. A line starts behind the
// other hand.
func Complete(l *setup.Load, mass float64) {
	across := -0.55
	if l.Side == "left" {
		across = 0.55
	}
	if l.Ratio == 0 {
		l.Ratio = 1
	}
	Of(l).Complete(l, mass, across)
}

// Times is a document with what may be changed of its variable loads multiplied: the mass in the hands, on the pin or of the plates, and
// how hard a band pulls.
func Times(d *setup.Document, factor float64) setup.Document {
	c := d.Clone()
	for i := range c.Loads {
		if l := &c.Loads[i]; l.Variable {
			Of(l).Scale(l, factor)
		}
	}
	return c
}

var loadRows = setup.RowsOf[setup.Load]()
