// Package load turns the loads of a document into forces on the body. Each kind is one file; kinds is their registry.
package load

import (
	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// Gravity is the standard acceleration of free fall, m/s² (CGPM 1901; ISO 80000-3).
const Gravity = 9.80665

// State says whether a load works at a place along the path.
type State int

// The states of a load.
const (
	Working   State = iota
	Slack           // the stack still rests: the cable carries nothing
	ToppedOut       // the stack has come to the end of its travel: the path cannot go on
)

// Pull is what a load does at one place along the path.
type Pull struct {
	Force    space.Vec // on the contact while lifting, N
	Lowering space.Vec // on the contact while lowering, N; another when friction or hysteresis changes sides
	Contact  space.Vec // where it acts, m
	Tension  float64   // along the line of force while lifting, N; the weight of a free weight
	Lift     float64   // how far the stack is lifted, m; 0 for a free weight
	Stretch  float64   // of a band: length over length at rest; 0 for other kinds
	State    State
}

// Source is one load on one limb, ready to be evaluated.
type Source interface {
	// At gives the pull on the body in the frames.
	At(f *body.Frames) Pull
	// Moving gives the pull in motion, from the contact's velocity (m/s) and acceleration (m/s²): with the inertia of
	// what the load moves, and with friction or hysteresis on the side of the actual direction.
	Moving(f *body.Frames, velocity, acceleration space.Vec) Pull
	// Energy is the load's potential energy in J, without friction; its change along the path is the work that the
	// joints do against the load.
	Energy(f *body.Frames) float64
}

// Item is a source with its place in the document.
type Item struct {
	Source
	Index   int          // in the document's loads
	Mirror  bool         // the other limb's copy of a one-sided load
	Segment body.Segment // what it pulls on
	Def     *setup.Load
	From    *space.Vec // the pulley or anchor; nil for a free weight
}

// Held says whether the hand holds the load, rather than a cuff.
func (it *Item) Held() bool { return it.Segment == body.HandR || it.Segment == body.HandL }

// kinds builds a source of each kind; place puts the document's right-handed geometry on the actual side.
var kinds = map[string]func(l *setup.Load, at contact, place func(space.Vec) space.Vec) (Source, *space.Vec){
	"dumbbell": newWeight,
	"cable":    newCable,
	"band":     newBand,
}

// contact is a place on a segment.
type contact struct {
	segment body.Segment
	side    body.Side
	grip    bool
	share   float64
}

func (c *contact) in(f *body.Frames) space.Vec {
	if c.grip {
		return f.Grip[c.side]
	}
	return f.PointOn(c.segment, c.share)
}

var contactSegments = map[string]body.Segment{"hand": body.HandR, "forearm": body.ForearmR, "upperArm": body.UpperArmR}

// Build reads the loads of a validated document. With mirror, every load is doubled onto the other limb, reflected in
// the lifter's sagittal plane.
func Build(loads []setup.Load, st *body.Station, mirror bool) []Item {
	items := make([]Item, 0, 2*len(loads))
	for i := range loads {
		items = append(items, build(i, &loads[i], st, false))
		if mirror {
			items = append(items, build(i, &loads[i], st, true))
		}
	}
	return items
}

func build(index int, l *setup.Load, st *body.Station, mirrored bool) Item {
	side := body.SideOf(l.Side)
	place := func(p space.Vec) space.Vec { return p }
	if mirrored {
		side = body.Left - side
		place = st.Mirror
	}
	at := contact{segment: side.On(contactSegments[l.Contact.Segment]), side: side, grip: l.Contact.Fraction == nil}
	if l.Contact.Fraction != nil {
		at.share = *l.Contact.Fraction
	}
	source, from := kinds[l.Kind](l, at, place)
	return Item{Source: source, Index: index, Mirror: mirrored, Segment: at.segment, Def: l, From: from}
}
