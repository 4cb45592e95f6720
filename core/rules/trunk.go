package rules

import (
	"slices"

	"dialarc/core/setup"
)

// trunk checks what a movement of the trunk, or a trunk that is held bent, needs of the rest.
func (v *checks) trunk(d *setup.Document) {
	m, p := &d.Movement, &d.Posture
	if d.TargetJoint() == "trunk" && m.Kind != "hold" && !m.TrunkMoves() {
		v.Add("target.joint", "The movement does not move the trunk.", "Without a movement there is no profile.",
			"Name one of its coordinates in the movement, such as trunk.flexion, or set kind to hold.")
	}
	if !m.TrunkBent() {
		return
	}
	if m.Side == "both" && m.TrunkToOneSide() {
		v.Add("movement.side", "The trunk bends or turns to one side while both sides move alike.", "", "Set side to right or left.")
	}
	if m.Kind == "guided" || m.InLine != "" || m.BarWidth != 0 {
		v.Add("movement.kind", "The trunk bends while the hand is led through the room.", "The hand's path is given from a straight trunk.",
			"Give the movement as a sweep or as keyframes.")
	}
	if p.SupportHand != nil || slices.Contains(p.Restraints, "handOnThigh") {
		v.Add("posture.supportHand", "The trunk bends while a hand holds on.", "The hand would have to follow, which is not computed.",
			"Let go, or keep the trunk straight.")
	}
	v.underTrunk(d)
}

// underTrunk refuses what is balanced, or carried elsewhere, as if the trunk were straight.
func (v *checks) underTrunk(d *setup.Document) {
	p, root := &d.Posture, d.Posture.RootOf()
	unlike := p.Feet == "split" || p.Feet == "staggered"
	switch {
	case d.Hangs():
	case root == "hands" || root == "shoulders" || root == "foot":
		v.Add("posture.root", "The trunk bends while "+map[string]string{"hands": "the hands carry it", "shoulders": "the shoulders stay in place",
			"foot": "the lifter stands on one foot"}[root]+".", "How it would be carried then is not known.", "Stand on both feet, kneel, sit or lie.")
	case p.HeelsFree || unlike && d.Movement.LegsMove():
		v.Add("posture", "The trunk bends over a stance that is balanced for a straight one.", "", "Put both feet flat and alike.")
	case d.Sled() >= 0:
		v.Add("posture", "The trunk bends while the legs push a sled.", "The pads hold it straight.", "Leave the trunk out of the movement.")
	}
}
