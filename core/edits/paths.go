package edits

import (
	"slices"

	"dialarc/core/catalogue"
	"dialarc/core/setup"
)

// Way is a path that a setup can be given.
type Way struct {
	Key   string `json:"key"`
	Label string `json:"label"`
	ready string // the ready setup that it is taken from
}

// Ways lists the paths.
var Ways = []Way{
	{Key: "raise.side", Label: "Lateral raise", ready: "raise.dumbbell"},
	{Key: "raise.front", Label: "Front raise", ready: "front.dumbbell"},
	{Key: "raise.rear", Label: "Reverse fly", ready: "reverse.bent"},
	{Key: "fly", Label: "Fly", ready: "fly.flat"},
	{Key: "press.ahead", Label: "Chest press", ready: "press.flat"},
	{Key: "press.up", Label: "Overhead press", ready: "press.standing"},
	{Key: "pulldown", Label: "Pulldown", ready: "pulldown.kneeling"},
	{Key: "row.close", Label: "Row, elbows close", ready: "row.dumbbell.bench"},
	{Key: "row.wide", Label: "Row, elbows out", ready: "row.rear"},
	{Key: "pullover", Label: "Pullover", ready: "pullover"},
	{Key: "shrug", Label: "Shrug", ready: "shrug.dumbbell"},
	{Key: "curl", Label: "Curl", ready: "curl.dumbbell"},
	{Key: "extension", Label: "Extension, arm down", ready: "pressdown.leaning"},
	{Key: "extension.overhead", Label: "Extension, arm overhead", ready: "extension.overhead"},
	{Key: "kickback", Label: "Kickback", ready: "kickback"},
	{Key: "knee", Label: "Knee extension", ready: "knee.extension"},
	{Key: "squat", Label: "Squat", ready: "squat.goblet"},
	{Key: "split", Label: "Split squat", ready: "squat.split"},
	{Key: "hinge", Label: "Hinge", ready: "morning"},
	{Key: "calf", Label: "Calf raise", ready: "calf.body"},
	{Key: "crunch", Label: "Crunch", ready: "crunch.machine"},
	{Key: "spine", Label: "Back extension from the spine", ready: "extension.spine.machine"},
	{Key: "sidebend", Label: "Side bend", ready: "sidebend.dumbbell"},
	{Key: "turn", Label: "Trunk rotation", ready: "turn.cable"},
}

func wayOf(key string) (Way, bool) {
	i := slices.IndexFunc(Ways, func(w Way) bool { return w.Key == key })
	if i < 0 {
		return Way{}, false
	}
	return Ways[i], true
}

// model is the ready setup that a way is taken from, made for a lifter.
func (w *Way) model(l *setup.Lifter) setup.Document {
	r, _ := catalogue.Find(l, w.ready)
	return r.Document
}

// among is the same among ready setups that are made already.
func (w *Way) among(all []catalogue.Ready) setup.Document {
	for _, r := range all {
		if r.Key == w.ready {
			return r.Document
		}
	}
	return setup.Document{}
}

// withoutLegs takes out of a posture what only moving legs have.
func withoutLegs(d *setup.Document) {
	p := &d.Posture
	p.HeelsFree, p.RearHeight, p.FrontShare, p.FeetOut, p.Stands = false, 0, 0, 0, ""
	p.Restraints = slices.DeleteFunc(p.Restraints, func(h string) bool { return h == "ankles" })
	switch p.Root {
	case "foot", "shoulders", "thighs":
		p.Root = ""
	}
}

// WithWay is the document with another path. The side that moves stays, and the target where the path moves its joint.
func WithWay(d *setup.Document, key string) (setup.Document, setup.Problems) {
	c := d.Clone()
	w, known := wayOf(key)
	if !known {
		return c, setup.Problems{{Path: "movement", What: "There is no such path.", Hint: "Give one of the list."}}
	}
	m := w.model(&d.Lifter)
	legs := m.Movement.LegsMove()
	side := d.Movement.Side
	c.Movement = m.Movement
	c.Movement.InLine, c.Movement.BarWidth = "", 0
	if legs {
		if c.Movement.Side != "both" {
			for i := range c.Loads {
				alone(&c.Loads[i], c.Movement.Side)
			}
		}
		c.Posture = m.Posture
		c.Posture.X, c.Posture.Z, c.Posture.HeadingDeg = d.Posture.X, d.Posture.Z, d.Posture.HeadingDeg
		c.Bench = m.Bench
	} else {
		c.Movement.Side = side
		if side == "both" && c.Movement.TrunkToOneSide() {
			c, _ = WithSide(&c, "right")
		}
		withoutLegs(&c)
		if c.Movement.TrunkBent() { // no hand holds on
			c.Posture.SupportHand = nil
			c.Posture.Restraints = slices.DeleteFunc(c.Posture.Restraints, func(h string) bool { return h == "handOnThigh" })
		}
	}
	joint := m.TargetJoint()
	if r, ok := setup.RegionOf(d.Target.Region); ok && slices.Contains(r.Joints, joint) {
		c.Target.Joint = joint
	} else {
		c.Target.Region, c.Target.Joint = m.Target.Region, joint
	}
	return c, nil
}
