package rules

import (
	"slices"

	"dialarc/core/setup"
)

// legs checks what a movement of the legs needs of the posture.
func (v *checks) legs(d *setup.Document) {
	joint := d.TargetJoint()
	p, moves := &d.Posture, d.Movement.LegsMove()
	v.forLegs(d, moves)
	if !moves {
		if (joint == "hip" || joint == "knee" || joint == "ankle") && d.Movement.Kind != "hold" {
			v.Add("target.joint", "The movement does not move the "+joint+".", "Without a movement there is no profile.",
				"Name one of its coordinates in the movement, such as "+joint+".flexion.")
		}
		return
	}
	if p.RootOf() != "bench" && (d.Movement.InLine != "" || d.Movement.BarWidth != 0 || d.Movement.Kind == "guided") {
		v.Add("movement.kind", "The legs move and the hand is led through the room.", "", "Give the whole movement as keyframes.")
	}
	v.sledMoves(d)
	v.ledTwice(d)
	v.plantedWith(d)
}

// plantedWith checks what moving legs need of what stays in place.
func (v *checks) plantedWith(d *setup.Document) {
	p := &d.Posture
	switch p.RootOf() {
	case "seat", "bench":
	case "feet":
		v.onFeet(d)
	case "foot":
		v.upright(p)
		if d.Movement.Side == "both" {
			v.Add("movement.side", "Both legs move while one foot stands.", "", "Set side to the leg that works: the one that is stood on, or the free one.")
		}
	case "hands":
		if d.Hangs() {
			break
		}
		v.Add("posture.root", "The legs move and the hands stay in place.", "How the hands would carry the body is not known.",
			"Take a posture that stands, kneels, sits or lies.")
	case "knees":
		v.upright(p)
		if p.Kind != "kneeling" || d.Movement.Side != "both" {
			v.Add("posture.kind", "The legs move from one knee, or one leg moves.", "How they share the load is not known.",
				"Kneel on both knees, and set side to both.")
		}
	default: // the back on an edge, the thighs on a pad
		v.upright(p)
		if d.Movement.Side != "both" {
			v.Add("movement.side", "One leg moves while both stay in place.", "How they share the load is not known.", "Set side to both.")
		}
	}
}

// forLegs refuses what only moving legs have.
func (v *checks) forLegs(d *setup.Document, moves bool) {
	p, root := &d.Posture, d.Posture.RootOf()
	split := p.Feet == "split" || p.Feet == "staggered"
	v.Field(postureRows, "posture.rearHeight", "height under the rear foot", p.RearHeight, "m", "")
	v.Field(postureRows, "posture.frontShare", "share of the weight on the front foot", p.FrontShare, "", "")
	v.Field(postureRows, "posture.feetOut", "distance from the edge to the ankles", p.FeetOut, "m", "")
	if (p.RearHeight != 0 || p.FrontShare != 0) && !(moves && split && root == "feet") {
		v.Add("posture.rearHeight", "No foot is behind the other while the legs move.", "",
			"Leave rearHeight and frontShare out, or set feet to split and move the legs.")
	}
	v.onOneFoot(p, moves)
	v.overEdge(p, moves)
	if p.HeelsFree && !(moves && (root == "feet" && !split || root == "foot" || root == "seat")) {
		v.Add("posture.heelsFree", "The heels are free, but the legs do not move on the balls of the feet.", "",
			"Leave it out, or move the ankle of somebody who stands or sits.")
	}
}

// overEdge refuses what only somebody has whose back lies on an edge, or whose thighs lie on a pad.
func (v *checks) overEdge(p *setup.Posture, moves bool) {
	root := p.RootOf()
	if p.FeetOut != 0 && root != "shoulders" {
		v.Add("posture.feetOut", "The back does not lie on an edge.", "", "Leave it out, or set root to shoulders.")
	}
	if slices.Contains([]string{"shoulders", "thighs"}, root) && !moves {
		v.Add("posture.root", "The "+root+" stay in place, but the hips do not move.", "", "Name hip.flexion in the movement, or leave root out.")
	}
	if root == "thighs" && !slices.Contains(p.Restraints, "ankles") {
		v.Add("posture.restraints", "Nothing holds the ankles down.", "The trunk would tip over the pad.", "Add ankles.")
	}
}

// onOneFoot refuses what only somebody has who stands on one foot and moves a leg.
func (v *checks) onOneFoot(p *setup.Posture, moves bool) {
	root := p.RootOf()
	if p.Stands != "" || root == "foot" {
		v.OneOf("posture.stands", "leg that is stood on", p.Stands, "left", "right")
	}
	if p.Stands != "" && root != "foot" {
		v.Add("posture.stands", "The lifter does not stand on one foot.", "", "Leave it out, or set root to foot.")
	}
	if root == "foot" && !moves {
		v.Add("posture.root", "The lifter stands on one foot, but no leg moves.", "", "Set root to feet, or move a leg.")
	}
}

// onFeet checks a stance on both feet whose legs move.
func (v *checks) onFeet(d *setup.Document) {
	p := &d.Posture
	unlike := p.Feet == "split" || p.Feet == "staggered"
	if p.Kind != "standing" {
		v.Add("posture.kind", "The legs move from a stance of kind "+p.Kind+".", "With the feet in place the trunk's lean follows from ankles, knees and hips.",
			"Take standing.")
	}
	switch {
	case unlike && d.Movement.Side == "both":
		v.Add("movement.side", "Both legs move, one ahead of the other.", "The front leg leads, and the rear one follows.",
			"Set side to the front leg.")
	case unlike && p.Ahead != "" && p.Ahead != d.Movement.Side:
		v.Add("posture.ahead", "The "+p.Ahead+" foot is ahead, but the "+d.Movement.Side+" leg leads.", "", "Set ahead to the leg that moves.")
	case !unlike && d.Movement.Side != "both":
		v.Add("movement.side", "One leg moves while both feet stand.", "How they share the load is not known.",
			"Set side to both, feet to split, or root to foot.")
	}
	v.upright(p)
}

// upright refuses a lean that the legs decide.
func (v *checks) upright(p *setup.Posture) {
	if p.Trunk != (setup.Trunk{}) || p.KneesDeg != 0 {
		v.Add("posture.trunk", "The trunk's lean is given twice.", "With the feet in place it follows from ankles, knees and hips.",
			"Leave trunk and kneesDeg out.")
	}
	if p.FeetApart != 0 {
		v.Add("posture.feetApart", "The legs move and the feet are apart.", "Moving legs are computed with the feet straight below the hips.", "Leave it out.")
	}
}

// ledTwice refuses angles of a leg that something else decides: they would be passed over.
func (v *checks) ledTwice(d *setup.Document) {
	by, led := d.Led()
	for _, c := range led {
		if d.Movement.Names(c.PoseKey()) {
			v.Add("movement", "The "+setup.Coordinates[c].Label+" is given, but "+by+" decides it.", "Two descriptions of one path could differ.",
				"Leave it out of the movement.")
		}
	}
}

// sledMoves checks that a sled is pushed by legs that it can lead.
func (v *checks) sledMoves(d *setup.Document) {
	if d.Sled() < 0 {
		return
	}
	if d.Rides() && d.Posture.Kind != "supine" {
		v.Add("posture.kind", "A carriage bears somebody who does not lie against it.", "", "Take supine, with the bench at the slope of the rails.")
	}
	if root := d.Posture.RootOf(); root != "seat" && root != "bench" {
		v.Add("posture.root", "A sled is pushed by somebody who stands.", "The feet go with the sled.", "Take a posture that sits or lies.")
	}
}
