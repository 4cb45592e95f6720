// Package load turns the loads of a document into forces on the body. Each kind is one file, which says everything that is true of it;
// kinds is their registry.
package load

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/quantity"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Gravity is the standard acceleration of free fall, m/s².
const Gravity = quantity.Gravity

// State says whether a load works at a place along the path.
type State int

// The states of a load.
const (
	Working   State = iota
	Slack           // the stack still rests: the cable carries nothing
	ToppedOut       // the stack has come to the end of its travel: the path cannot go on
	TooWide         // the hands are further apart than the rope between them is long
	OffPad          // the limb does not reach the machine's pad, or lies all but across its way
	NoAxis          // of no load: the target stands still
	Blocked         // something is in a strand's way, so that it does not run straight
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
	From    *space.Vec // the pulley, anchor or pivot; nil for a free weight
}

// Held says whether the hand holds the load, rather than a cuff.
func (it *Item) Held() bool { return it.Segment == body.HandR || it.Segment == body.HandL }

// StiffAcross says whether what the hands hold takes a push along a unit direction across the body, which then moves nothing: one thing in
// both hands that is no rope, or the handle of a lever about an axis in that direction.
func (it *Item) StiffAcross(across space.Vec) bool {
	if l, ok := it.Source.(*arm); ok && l.axis != (space.Vec{}) {
		return math.Abs(r3.Dot(l.axis, across)) > 0.98
	}
	return OneStiffThing(it.Def)
}

// Hand says which hand holds the load; false where none does.
func (it *Item) Hand() (body.Side, bool) {
	if it.Segment == body.HandL {
		return body.Left, true
	}
	return body.Right, it.Segment == body.HandR
}

// varying is a source of which only a share goes with what may be changed of it.
type varying interface{ Varies() float64 }

// Varies is the share of the item's pull that load advice may scale: all of a variable load, unless its kind knows better.
func (it *Item) Varies() float64 {
	if !it.Def.Variable {
		return 0
	}
	if v, ok := it.Source.(varying); ok {
		return v.Varies()
	}
	return 1
}

// OwnBody says whether the item stands for the weight of the body itself, which is no force of its own.
func (it *Item) OwnBody() bool { return it.Def.Kind == setup.Bodyweight }

// builder is what a kind builds its source from.
type builder struct {
	*setup.Load
	at         contact
	place      func(space.Vec) space.Vec // puts the document's geometry on the actual side
	turn       func(space.Vec) space.Vec // the same for the direction of an axis of rotation
	start, end *body.Frames              // both ends of the path
	pair       bool                      // the other limb has one too
}

func (b *builder) point(p *setup.Point) space.Vec {
	return b.place(space.Vec{X: p.X, Y: p.Y, Z: p.Z})
}

// contact is a place on a segment.
type contact struct {
	segment body.Segment
	side    body.Side
	named   string // a named place; empty when the share counts
	share   float64
	shared  bool // halfway between the two hands, for the direction; each hand gets half
	joined  bool // of one handle, with which both hands go wherever the one leads it
}

// Places of named contacts as a share of the segment: the middle of a cuff at the wrist and of a pad at the ankle (own).
const (
	wristCuff = 0.93
	anklePad  = 0.90
)

// hipCrease is how far before the hips' line a bar lies in their crease, share of stature (own).
const hipCrease = 0.075

func (c *contact) in(f *body.Frames) space.Vec {
	switch c.named {
	case "grip":
		return f.Grip[c.side]
	case "waist": // in front of the hips' line and above it, where a belt lies (own)
		return r3.Add(f.Origin[body.Pelvis], f.Turn[body.Pelvis].Apply(space.Vec{Y: 0.04 * f.Body.Height}))
	case "pelvis": // a bar with a pad in the crease of the hips
		return r3.Add(f.Origin[body.Pelvis], f.Turn[body.Pelvis].Apply(space.Vec{X: hipCrease * f.Body.Height}))
	case "sole", "ball":
		return f.Sole(c.side, c.named == "ball")
	case "shoulders": // a bar on the upper back
		return r3.Add(f.Origin[body.Head], f.Turn[body.Thorax].Apply(space.Vec{X: -0.03 * f.Body.Height}))
	case "frontRack": // a bar on the front of the shoulders, close to the throat (own)
		return r3.Add(f.Origin[body.Head], f.Turn[body.Thorax].Apply(space.Vec{X: 0.055 * f.Body.Height, Y: -0.015 * f.Body.Height}))
	case "chest": // before the breastbone (own)
		return f.OnThorax(space.Vec{X: 0.065 * f.Body.Height, Y: 0.8 * (f.Body.ShoulderHeight - f.Body.HipHeight)})
	}
	return f.PointOn(c.segment, c.share)
}

// line is where a strand's direction is taken from: the contact, or the middle of the bar that both hands hold.
func (c *contact) line(f *body.Frames) space.Vec {
	if c.shared {
		return r3.Scale(0.5, r3.Add(f.Grip[0], f.Grip[1]))
	}
	return c.in(f)
}

// rate is the velocity of that place per unit s.
func (c *contact) rate(f *body.Frames) space.Vec {
	if c.shared {
		return r3.Scale(0.5, r3.Add(f.Velocity(body.HandR, f.Grip[0]), f.Velocity(body.HandL, f.Grip[1])))
	}
	return f.Velocity(c.segment, c.in(f))
}

var contactSegments = map[string]body.Segment{"hand": body.HandR, "forearm": body.ForearmR, "upperArm": body.UpperArmR,
	"thigh": body.ThighR, "shank": body.ShankR, "foot": body.FootR, "trunk": body.Pelvis}

// segmentOf is the segment of the right side that a contact is on: on the trunk the pelvis' below the ribs, the thorax above.
func segmentOf(c *setup.Contact) body.Segment {
	if c.At == "shoulders" || c.At == "frontRack" || c.At == "chest" {
		return body.Thorax
	}
	return contactSegments[c.Segment]
}

// Build reads the loads of a validated document. With mirror, every load on a limb is doubled onto the other, reflected
// in the lifter's sagittal plane; without, only a handle that both hands hold is one for each. Start and end are the frames at both
// ends of the path.
func Build(loads []setup.Load, st *body.Station, mirror bool, start, end *body.Frames) []Item {
	items := make([]Item, 0, 2*len(loads))
	for i := range loads {
		items = append(items, build(i, &loads[i], st, false, mirror, start, end))
		joined := !mirror && loads[i].Shared
		if joined || mirror && loads[i].Contact.Segment != "trunk" && loads[i].Kind != setup.Bodyweight {
			items = append(items, build(i, &loads[i], st, true, mirror, start, end))
		}
	}
	return items
}

func build(index int, l *setup.Load, st *body.Station, mirrored, pair bool, start, end *body.Frames) Item {
	side := body.SideOf(l.Side)
	b := builder{Load: l, start: start, end: end, pair: pair, place: same, turn: same}
	if mirrored {
		side = side.Opposite()
		b.place, b.turn = st.Mirror, st.MirrorTurn
	}
	if ForBothHands(l) {
		b.place, b.turn = same, same // one thing for both hands, not one for each
	}
	b.at = contact{segment: side.On(segmentOf(&l.Contact)), side: side, named: l.Contact.At, shared: l.Shared, joined: l.Shared && !pair}
	switch {
	case l.Contact.Fraction != nil:
		b.at.share = *l.Contact.Fraction
	case l.Contact.At == "wrist":
		b.at.share = wristCuff
	case l.Contact.At == "ankle":
		b.at.share = anklePad
	}
	source, from := KindOf(l.Kind).source(&b)
	return Item{Source: source, Index: index, Mirror: mirrored, Segment: b.at.segment, Def: l, From: from}
}

func same(p space.Vec) space.Vec { return p }
