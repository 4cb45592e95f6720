package setup

import (
	"fmt"
	"strconv"
	"strings"
)

func (v *validator) movement(m *Movement) {
	v.oneOf("movement.side", "moving side", m.Side, "right", "left", "both")
	switch {
	case !v.oneOf("movement.kind", "kind of movement", m.Kind, "shoulder-raise", "keyframes"):
	case m.Kind == "shoulder-raise":
		v.raise(m)
	default:
		v.keyframes(m.Keyframes)
	}
}

func (v *validator) raise(m *Movement) {
	if m.Primary != "" {
		v.oneOf("movement.primary", "coordinate that sweeps", m.Primary, "shoulder.elevation")
	}
	if len(m.Keyframes) > 0 {
		v.add("movement.keyframes", "A shoulder raise has keyframes too.", "Two descriptions of one path could differ.", "Remove them, or set kind to keyframes.")
	}
	ok := v.within("movement.fromDeg", "start of the range", m.FromDeg, -30, 175, "degrees", "")
	ok = v.within("movement.toDeg", "end of the range", m.ToDeg, -30, 175, "degrees", "") && ok
	if ok && m.ToDeg-m.FromDeg < 5 {
		what := "The range runs from " + number(m.FromDeg, "") + " to " + number(m.ToDeg, "degrees") + "."
		if m.ToDeg < m.FromDeg {
			v.add("movement.toDeg", what, "The lift has to rise from start to end.", "Swap the ends: lifting starts at the lower angle.")
		} else {
			v.add("movement.toDeg", what, "A path shorter than 5 degrees has no profile.", "Move the end to "+number(m.FromDeg+5, "degrees")+" or more.")
		}
	}
	v.pose("movement.hold", m.Hold)
	if _, twice := m.Hold["shoulder.elevationDeg"]; twice {
		v.add("movement.hold.shoulder.elevationDeg", "The elevation is held and swept at once.", "", "Leave it out of hold.")
	}
}

func (v *validator) pose(path string, pose map[string]float64) {
	for _, key := range sortedKeys(pose) {
		c, ok := CoordinateOf(key)
		if !ok {
			v.add(path+"."+key, "There is no joint coordinate "+strconv.Quote(clip(key))+".", "", "Coordinates: "+strings.Join(coordinateKeys("Deg"), ", ")+".")
			continue
		}
		low, high := -180.0, 180.0
		if c == ElbowFlexion {
			low, high = -10, 160
		}
		v.within(path+"."+key, Coordinates[c].Label, pose[key], low, high, "degrees", "")
	}
}

func (v *validator) keyframes(frames []Keyframe) {
	if len(frames) < 2 || len(frames) > 50 {
		v.add("movement.keyframes", fmt.Sprintf("There are %d keyframes.", len(frames)), "A path needs a start and an end.", "Give 2 to 50, s rising from 0 to 1.")
		return
	}
	for i, f := range frames {
		path := fmt.Sprintf("movement.keyframes[%d]", i)
		switch {
		case i == 0 && f.S != 0:
			v.add(path+".s", "The first keyframe is at "+number(f.S, "")+".", "", "Give 0.")
		case i == len(frames)-1 && f.S != 1:
			v.add(path+".s", "The last keyframe is at "+number(f.S, "")+".", "", "Give 1.")
		case i > 0 && !(f.S-frames[i-1].S >= 1e-3):
			v.add(path+".s", "The keyframe at "+number(f.S, "")+" does not come after the one before it.", "s rises along the path.", "Put the keyframes in order.")
		}
		v.pose(path+".pose", f.Pose)
		if a, b := strings.Join(sortedKeys(f.Pose), " "), strings.Join(sortedKeys(frames[0].Pose), " "); a != b {
			v.add(path+".pose", "This keyframe names other coordinates than the first.", "What lies between would be a guess.", "Name in every keyframe: "+b+".")
		}
	}
}

func (v *validator) loads(loads []Load) {
	if len(loads) == 0 || len(loads) > 12 {
		v.add("loads", fmt.Sprintf("There are %d loads.", len(loads)), "Without a load there is no profile.", "Give 1 to 12 loads.")
	}
	ids := map[string]bool{}
	for i := range loads {
		l, path := &loads[i], fmt.Sprintf("loads[%d]", i)
		if l.ID == "" || len(l.ID) > 60 || ids[l.ID] {
			v.add(path+".id", "The load's name is "+strconv.Quote(clip(l.ID))+".", "Parts of the torque are told apart by it.", "Give each load a short name of its own.")
		}
		ids[l.ID] = true
		v.oneOf(path+".side", "side of the load", l.Side, "right", "left")
		v.contact(path+".contact", &l.Contact)
		if !v.oneOf(path+".kind", "kind of load", l.Kind, Kinds...) {
			continue
		}
		switch l.Kind {
		case "dumbbell":
			v.within(path+".mass", "dumbbell's mass", l.Mass, 0.1, 200, "kg", "A weight of nothing asks nothing of the muscle.")
		case "cable":
			v.cable(path, l)
		case "band":
			v.band(path, l)
		}
	}
}

func (v *validator) contact(path string, c *Contact) {
	if !v.oneOf(path+".segment", "segment of the contact", c.Segment, "hand", "forearm", "upperArm") {
		return
	}
	switch {
	case c.Fraction != nil && c.At != "":
		v.add(path+".at", "The contact is given twice, by name and by fraction.", "", "Keep one of them.")
	case c.Fraction != nil:
		v.within(path+".fraction", "place along the segment", *c.Fraction, 0, 1, "", "")
	case c.Segment == "hand":
		v.oneOf(path+".at", "place on the hand", c.At, "grip")
	default:
		v.add(path+".fraction", "The place along the segment is missing.", "", "Give 0 (near end) to 1 (far end).")
	}
}

func (v *validator) cable(path string, l *Load) {
	v.place(path+".pulley", "pulley", l.Pulley)
	v.within(path+".stackMass", "mass on the pin", l.StackMass, 0.1, 500, "kg", "A stack of nothing asks nothing of the muscle.")
	v.within(path+".ratio", "pulley ratio", l.Ratio, 0.05, 4, "", "It is the force at the handle over the weight of the stack.")
	v.within(path+".friction", "friction", l.Friction, 0, 0.5, "", "It is the share of the force that the pulleys keep.")
	v.within(path+".attachmentLength", "length of the attachment", l.AttachmentLength, 0, 3, "m", "")
	v.within(path+".parkedGap", "parked gap", l.ParkedGap, 0, 3, "m", "")
	v.within(path+".travel", "travel of the stack", l.Travel, 0.05, 6, "m", "")
	if l.Kit != nil {
		v.oneOf(path+".kit.column", "column", l.Kit.Column, "left", "right")
	}
}

// place checks where a cable or band starts.
func (v *validator) place(path, name string, p *Point) {
	if p == nil {
		v.add(path, "The "+name+" is missing.", "The pull needs a place to come from.", "Give x, y and z in metres.")
		return
	}
	v.within(path+".x", name+"'s distance out", p.X, -6, 6, "m", "")
	v.within(path+".y", name+"'s height", p.Y, 0, 4, "m", "It is between floor and ceiling.")
	v.within(path+".z", name+"'s distance to the right", p.Z, -6, 6, "m", "")
}

func (v *validator) band(path string, l *Load) {
	v.place(path+".anchor", "anchor", l.Anchor)
	v.within(path+".restLength", "band's length at rest", l.RestLength, 0.05, 5, "m", "Its stretch is counted from there.")
	v.within(path+".attachmentLength", "length of the attachment", l.AttachmentLength, 0, 3, "m", "")
	v.within(path+".hysteresis", "loss on the way back", l.Hysteresis, 0, 0.6, "", "It is the share of the pull that the rubber keeps.")
	if l.Strands < 1 || l.Strands > 20 {
		v.add(path+".strands", fmt.Sprintf("There are %d strands.", l.Strands), "", "Give 1 to 20.")
	}
	if len(l.Pull) == 0 {
		v.within(path+".section", "section of a strand", l.Section, 1e-6, 2e-3, "m²", "Nothing was measured, so the pull is computed from it.")
		return
	}
	if len(l.Pull) < 2 {
		v.add(path+".pull", "The band was measured at one length only.", "A pull between two lengths needs both.", "Measure at two lengths or more, or leave it out and give the section.")
	}
	for i, p := range l.Pull {
		at := fmt.Sprintf("%s.pull[%d]", path, i)
		v.within(at+".length", "length", p.Length, 0.05, 10, "m", "")
		v.within(at+".force", "pull", p.Force, 0, 5000, "N", "")
		if i > 0 && !(p.Length > l.Pull[i-1].Length+1e-4 && p.Force >= l.Pull[i-1].Force) {
			v.add(at, "The band pulls less, or is not longer, than at the measurement before.", "Rubber pulls harder the longer it is.", "Put the measurements in the order of their lengths.")
		}
	}
}
