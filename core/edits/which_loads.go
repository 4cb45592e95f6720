package edits

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"dialarc/core/load"
	"dialarc/core/setup"
)

// WithLoadKind is the document with one load turned into another kind that pulls about as hard at the hand: a cable's
// mass on the pin times its ratio is the dumbbell's mass, and a band at twice its length pulls as hard as the dumbbell
// weighs. What the other kinds alone need, such as the pulley's place, stays in the document, so that turning back finds
// it again.
func WithLoadKind(d *setup.Document, index int, kind setup.LoadKind) (setup.Document, setup.Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) {
		return c, setup.Problems{{Path: "loads", What: fmt.Sprintf("There is no load %d.", index+1)}}
	}
	l := &c.Loads[index]
	if k := load.KindOf(kind); k == nil || !k.Simple {
		return c, setup.Problems{load.UnknownKind(fmt.Sprintf("loads[%d].kind", index), kind)}
	}
	if kind != l.Kind {
		mass := load.Of(l).AtHand(l)
		l.Kind = kind
		load.Complete(l, mass)
	}
	return c, nil
}

// WithLoad is the document with one more load of a kind on the lead arm, light and complete.
func WithLoad(d *setup.Document, kind setup.LoadKind) (setup.Document, setup.Problems) {
	c := d.Clone()
	l := setup.Load{ID: freeID(d.Loads, string(kind)), Kind: kind, Variable: true, Side: movingSide(d),
		Contact: setup.Contact{Segment: "hand", At: "grip"},
		Ratio:   1, Friction: setup.DefaultFriction, ParkedGap: setup.DefaultParkedGap, Hysteresis: setup.DefaultHysteresis}
	if k := load.KindOf(kind); k == nil || !k.Simple {
		return c, setup.Problems{load.UnknownKind("loads", kind)}
	}
	load.Complete(&l, 2)
	c.Loads = append(c.Loads, l)
	return c, nil
}

// WithoutLoad is the document without one of its loads; the last one stays.
func WithoutLoad(d *setup.Document, index int) (setup.Document, setup.Problems) {
	c := d.Clone()
	if index < 0 || index >= len(c.Loads) || len(c.Loads) == 1 {
		return c, setup.Problems{{Path: "loads", What: "This load cannot be taken away.",
			Hint: "A setup keeps one load; turn it into another kind instead."}}
	}
	c.Loads = slices.Delete(c.Loads, index, index+1)
	c.Locked = slices.DeleteFunc(c.Locked, func(key string) bool { return placeIn(key) == index })
	shiftLocks(&c, index, -1)
	return c, nil
}

// shiftLocks moves the locks of loads from a place on to where these loads have come to stand.
func shiftLocks(d *setup.Document, from, by int) {
	for i, key := range d.Locked {
		if place := placeIn(key); place >= from {
			name, _, _ := strings.Cut(key, "/")
			d.Locked[i] = fmt.Sprintf("%s/%d", name, place+by)
		}
	}
}

// placeIn is the place of the load that a setting's key belongs to, -1 when it belongs to none.
func placeIn(key string) int {
	_, place, _ := strings.Cut(key, "/")
	if i, err := strconv.Atoi(place); err == nil {
		return i
	}
	return -1
}

func freeID(loads []setup.Load, kind string) string {
	id := kind
	for n := 2; slices.ContainsFunc(loads, func(l setup.Load) bool { return l.ID == id }); n++ {
		id = fmt.Sprintf("%s %d", kind, n)
	}
	return id
}
