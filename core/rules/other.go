package rules

import (
	"slices"
	"strconv"

	"dialarc/core/setup"
)

// otherSide checks the pose of the side that takes no part.
func (v *checks) otherSide(d *setup.Document) {
	o := d.Movement.Other
	if o == nil {
		return
	}
	v.pose("movement.other.start", o.Start)
	v.pose("movement.other.end", o.End)
	for _, key := range sorted(o.End) {
		if _, begun := o.Start[key]; !begun {
			v.Add("movement.other.end."+key, "The start does not name "+strconv.Quote(setup.Clip(key))+".", "Its way begins nowhere.", "Name it in start too.")
		}
	}
	if d.Movement.Side == "both" {
		v.Add("movement.other", "Both sides move alike.", "No side takes no part.", "Leave it out, or set side to right or left.")
		return
	}
	for _, key := range sorted(o.Start) {
		if c, known := setup.CoordinateOf(key); known {
			v.freeToPose(d, key, setup.Coordinates[c].Joint)
		}
	}
}

// freeToPose refuses a coordinate of the other side that something else decides.
func (v *checks) freeToPose(d *setup.Document, key, joint string) {
	add := func(what, hint string) {
		v.Add("movement.other.start."+key, what, "Two descriptions of one pose could differ.", hint)
	}
	switch joint {
	case "trunk":
		add("The trunk has no other side.", "Name it in the movement.")
	case "hip", "knee", "ankle":
		root := d.Posture.RootOf()
		if sits := d.Movement.LegsMove() && (root == "seat" || root == "bench"); !sits && !d.FreeLeg() {
			add("The other leg is where the posture has it.", "Leave it out, or stand on the leg that works.")
		}
	default:
		if d.JoinsHands() || d.Posture.SupportHand != nil || slices.Contains(d.Posture.Restraints, "handOnThigh") {
			add("The other hand holds on, so that its arm follows.", "Leave it out, or let the hand go.")
		}
	}
}
