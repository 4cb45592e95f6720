package setup

import (
	"fmt"
	"slices"
	"strconv"
)

func (v *validator) loads(d *Document) {
	loads := d.Loads
	if len(loads) == 0 || len(loads) > 12 {
		v.add("loads", fmt.Sprintf("There are %d loads.", len(loads)), "Without a load there is no profile.", "Give 1 to 12 loads; the lifter's own weight is the kind ownBody.")
	}
	ids := map[string]bool{}
	for i := range loads {
		l, path := &loads[i], fmt.Sprintf("loads[%d]", i)
		if l.ID == "" || len(l.ID) > 60 || ids[l.ID] {
			v.add(path+".id", "The load's name is "+strconv.Quote(clip(l.ID))+".", "Parts of the torque are told apart by it.", "Give each load a short name of its own.")
		}
		ids[l.ID] = true
		v.oneOf(path+".side", "side of the load", l.Side, "right", "left")
		if v.oneOf(path+".kind", "kind of load", l.Kind, Kinds...) {
			v.load(d, path, l)
		}
	}
}

func (v *validator) load(d *Document, path string, l *Load) {
	if l.Kind != "ownBody" {
		v.contact(path+".contact", &l.Contact)
	}
	switch l.Kind {
	case "dumbbell", "bar":
		v.within(path+".mass", l.Kind+"'s mass", l.Mass, 0.1, 500, "kg", "A weight of nothing asks nothing of the muscle.")
	case "cable":
		v.cable(path, l)
	case "strands":
		v.cable(path, l)
		v.within(path+".strandLength", "length of a strand", l.StrandLength, 0.05, 2, "m", "It spreads the pull over both hands.")
	case "band":
		v.band(path, l)
	case "cam":
		v.cam(path, l)
	case "lever":
		v.lever(path, l)
	}
	if (l.Kind == "strands" || l.Shared || (l.Kind == "bar" && l.Contact.Segment == "hand")) && (d.Movement.Side != "both" || l.Contact.Segment != "hand") {
		v.add(path+".side", "Both hands hold this load, but one side moves.", "", "Set movement.side to both and the contact to the hand.")
	}
	if l.Shared && l.Kind != "cable" && l.Kind != "lever" {
		v.add(path+".shared", "A load of kind "+l.Kind+" is not shared.", "", "Leave it out.")
	}
}

// Places lists the named places of contacts by segment. A segment of a limb may have a fraction instead.
var Places = map[string][]string{"hand": {"grip"}, "forearm": {"wrist"}, "upperArm": {}, "thigh": {}, "shank": {"ankle"}, "trunk": {"waist", "shoulders"}}

func (v *validator) contact(path string, c *Contact) {
	if !v.oneOf(path+".segment", "segment of the contact", c.Segment, sortedKeys(Places)...) {
		return
	}
	switch {
	case c.Fraction != nil && c.At != "":
		v.add(path+".at", "The contact is given twice, by name and by fraction.", "", "Keep one of them.")
	case c.Fraction != nil && c.Segment == "trunk":
		v.add(path+".fraction", "The trunk has no places along it.", "", "Give at: waist or shoulders.")
	case c.Fraction != nil:
		v.within(path+".fraction", "place along the segment", *c.Fraction, 0, 1, "", "")
	case c.At != "" || c.Segment == "hand" || c.Segment == "trunk":
		v.oneOf(path+".at", "place on the "+c.Segment, c.At, Places[c.Segment]...)
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

// camJoints are the coordinates that a machine's arm can turn with.
var camJoints = []string{"knee.flexion", "hip.flexion", "elbow.flexion", "shoulder.elevation", "shoulder.plane"}

func (v *validator) cam(path string, l *Load) {
	v.oneOf(path+".coordinate", "coordinate that the machine turns with", l.Coordinate, camJoints...)
	v.within(path+".stackMass", "mass on the pin", l.StackMass, 0.1, 500, "kg", "A stack of nothing asks nothing of the muscle.")
	v.within(path+".ratio", "ratio of the machine", l.Ratio, 0.05, 4, "", "")
	v.within(path+".padRadius", "distance from axis to pad", l.PadRadius, 0.05, 1, "m", "The pad pushes on the limb there.")
	if o := l.AxisOffset; o != nil {
		for i, x := range []float64{o.X, o.Y, o.Z} {
			v.within(path+".axisOffset."+[]string{"x", "y", "z"}[i], "offset of the machine's axis", x, -0.3, 0.3, "m", "Further off it fits nobody.")
		}
	}
	if len(l.Cam) < 2 {
		v.add(path+".cam", fmt.Sprintf("The cam is known at %d angles.", len(l.Cam)), "What lies between two angles needs both.", "Give its moment arm at two angles or more.")
	}
	for i, p := range l.Cam {
		at := fmt.Sprintf("%s.cam[%d]", path, i)
		v.within(at+".angleDeg", "angle", p.AngleDeg, -180, 180, "degrees", "")
		v.within(at+".arm", "moment arm of the stack", p.Arm, 0.005, 1, "m", "")
		if i > 0 && !(p.AngleDeg >= l.Cam[i-1].AngleDeg+0.1) {
			v.add(at+".angleDeg", "This angle does not come after the one before it.", "", "Put the angles in order.")
		}
	}
}

func (v *validator) lever(path string, l *Load) {
	v.place(path+".pivot", "pivot", l.Pivot)
	if l.PivotAlong != nil {
		v.direction(path+".pivotAlong", "lever's axis", l.PivotAlong)
	}
	v.within(path+".plateMass", "mass of the plates", l.PlateMass, 0, 500, "kg", "")
	v.within(path+".plateRadius", "distance from axis to plates", l.PlateRadius, 0, 4, "m", "")
	v.within(path+".plateDeg", "direction of the plates", l.PlateDeg, -180, 180, "degrees", "")
	v.within(path+".leverMass", "mass of the lever", l.LeverMass, 0, 200, "kg", "")
	v.within(path+".leverRadius", "distance from axis to the lever's centre of mass", l.LeverRadius, 0, 4, "m", "")
	v.within(path+".handleRadius", "distance from axis to handle", l.HandleRadius, 0.1, 4, "m", "The hand moves on that circle.")
	if l.PlateMass+l.LeverMass <= 0 {
		v.add(path+".plateMass", "The lever weighs nothing.", "A weight of nothing asks nothing of the muscle.", "Give the mass of plates or lever.")
	}
	if l.PivotAlong == nil && l.PlateDeg != 0 {
		v.add(path+".plateDeg", "A bar in a corner has its plates along it.", "", "Leave it out, or give the lever's axis in pivotAlong.")
	}
	if !slices.Contains([]string{"hand", "forearm", "upperArm"}, l.Contact.Segment) {
		v.add(path+".contact.segment", "A lever is held by the arm.", "", "Give hand, forearm or upperArm.")
	}
}
