package setup

import (
	"fmt"
	"strings"
)

// LoadKind names a kind of load.
type LoadKind string

// The kinds of load. What is true of each stands in a file of its own.
const (
	Dumbbell LoadKind = "dumbbell"
	Bar      LoadKind = "bar"
	Cable    LoadKind = "cable"
	Rope     LoadKind = "strands" // two strands of rope on one cable, one in each hand
	Band     LoadKind = "band"
	Cam      LoadKind = "cam"     // a machine with a pad on an arm that a cam loads
	Lever    LoadKind = "lever"   // a machine's handle about an axis, or a bar with one end in a corner
	OwnBody  LoadKind = "ownBody" // the lifter's own weight counted as the load
)

// Origin is what the line of a load starts from.
type Origin string

// The origins; a load without a line has none.
const (
	FromPulley Origin = "pulley"
	FromAnchor Origin = "anchor"
	FromPivot  Origin = "pivot"
)

// Kind is what is true of every load of one kind, and what it can be asked. Functions that are nil do not apply to it.
type Kind struct {
	Name     LoadKind
	From     Origin
	Line     string   // what people call what it pulls along: cable, band or rope; empty when it pulls along nothing
	End      string   // what of it is picked up: handle, end of the band; empty when it is not picked up by the hand
	With     string   // as in "with a cable", to tell setups apart
	Counted  string   // what its kilograms are counted by, as in "each dumbbell"; empty when it is not
	Needs    string   // what kit an exercise with it needs: cable, dumbbell, bar, band or machine; empty for none
	Holds    []string // keys of the places that it can be held or worn at; none where it says so itself
	Simple   bool     // whether it needs nothing but itself, so that it can be added to any arm or stand in for another
	OneThing bool     // whether both hands have one of it, not one each

	Mass     func(l *Load) *float64              // where its kilograms are
	Scale    func(l *Load, factor float64)       // makes it pull so many times as hard
	AtHand   func(l *Load) float64               // the mass, kg, that weighs as much as it pulls with
	Complete func(l *Load, mass, across float64) // gives it what it lacks, pulling as hard as a mass weighs; a line starts across the body
	Check    func(v *Checks, path string, l *Load)
}

// kinds are all kinds of load, in the order in which they are listed.
var kinds = []*Kind{&dumbbell, &bar, &cable, &rope, &band, &cam, &lever, &ownBody}

// KindOf is what is true of a kind of load; nil for one that is not known.
func KindOf(name LoadKind) *Kind {
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

func simple(k *Kind) bool { return k.Simple }

// unknown stands in for a kind that a document made up, so that nothing that asks breaks on it.
var unknown = Kind{Scale: func(*Load, float64) {}, AtHand: freeAtHand}

// Is gives what is true of the load's kind; an unknown one is nothing in particular.
func (l *Load) Is() *Kind {
	if k := KindOf(l.Kind); k != nil {
		return k
	}
	return &unknown
}

// Start is where the load's line starts, m; nil for none.
func (l *Load) Start() *Point {
	switch l.Is().From {
	case FromPulley:
		return l.Pulley
	case FromAnchor:
		return l.Anchor
	case FromPivot:
		return l.Pivot
	}
	return nil
}

// MassField is where the load's kilograms are; nil for one that is not counted in them.
func (l *Load) MassField() *float64 {
	if mass := l.Is().Mass; mass != nil {
		return mass(l)
	}
	return nil
}

// ForBothHands says whether both hands have this one load together, rather than one each.
func (l *Load) ForBothHands() bool { return l.Shared || l.Is().OneThing }

// unknownKind says that a load cannot be made of a kind.
func unknownKind(path string, kind LoadKind) Problem {
	return Problem{Path: path, What: fmt.Sprintf("There is no kind of load %q.", clip(string(kind))), Hint: "Give one of: " + strings.Join(Kinds(simple), ", ") + "."}
}
