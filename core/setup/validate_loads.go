package setup

import (
	"fmt"
	"slices"
	"strconv"
)

func (v *Checks) loads(d *Document) {
	loads := d.Loads
	if len(loads) == 0 || len(loads) > 12 {
		v.Add("loads", fmt.Sprintf("There are %d loads.", len(loads)), "Without a load there is no profile.", "Give 1 to 12 loads; the lifter's own weight is the kind ownBody.")
	}
	ids := map[string]bool{}
	for i := range loads {
		l, path := &loads[i], fmt.Sprintf("loads[%d]", i)
		if l.ID == "" || len(l.ID) > 60 || ids[l.ID] {
			v.Add(path+".id", "The load's name is "+strconv.Quote(clip(l.ID))+".", "Parts of the torque are told apart by it.", "Give each load a short name of its own.")
		}
		ids[l.ID] = true
		v.OneOf(path+".side", "side of the load", l.Side, "right", "left")
		if v.OneOf(path+".kind", "kind of load", l.Kind, Kinds...) {
			v.load(d, path, l)
		}
	}
}

func (v *Checks) load(d *Document, path string, l *Load) {
	if l.Kind != "ownBody" {
		v.contact(path+".contact", &l.Contact)
	}
	if l.Kit != nil {
		v.Rising(path+".kit.masses", "mass that can be loaded", l.Kit.Masses, 0, 1000, 1e-6, "kg")
		v.Rising(path+".kit.lengths", "length that there is", l.Kit.Lengths, 0, 3, 1e-6, "m")
	}
	switch l.Kind {
	case "dumbbell", "bar":
		v.Within(path+".mass", l.Kind+"'s mass", l.Mass, 0.1, 500, "kg", "A weight of nothing asks nothing of the muscle.")
	case "cable":
		v.cable(path, l)
	case "strands":
		v.cable(path, l)
		v.Within(path+".strandLength", "length of a strand", l.StrandLength, 0.05, 2, "m", "It spreads the pull over both hands.")
	case "band":
		v.band(path, l)
	case "cam":
		v.cam(path, l)
	case "lever":
		v.lever(path, l)
	}
	if (l.Kind == "strands" || l.Shared || (l.Kind == "bar" && l.Contact.Segment == "hand")) && (d.Movement.Side != "both" || l.Contact.Segment != "hand") {
		v.Add(path+".side", "Both hands hold this load, but one side moves.", "", "Set movement.side to both and the contact to the hand.")
	}
	if l.Shared && l.Kind != "cable" && l.Kind != "lever" {
		v.Add(path+".shared", "A load of kind "+l.Kind+" is not shared.", "", "Leave it out.")
	}
}

// Places lists the named places of contacts by segment. A segment of a limb may have a fraction instead.
var Places = map[string][]string{"hand": {"grip"}, "forearm": {"wrist"}, "upperArm": {}, "thigh": {}, "shank": {"ankle"}, "trunk": {"waist", "shoulders"}}

func (v *Checks) contact(path string, c *Contact) {
	if !v.OneOf(path+".segment", "segment of the contact", c.Segment, sortedKeys(Places)...) {
		return
	}
	switch {
	case c.Fraction != nil && c.At != "":
		v.Add(path+".at", "The contact is given twice, by name and by fraction.", "", "Keep one of them.")
	case c.Fraction != nil && c.Segment == "trunk":
		v.Add(path+".fraction", "The trunk has no places along it.", "", "Give at: waist or shoulders.")
	case c.Fraction != nil:
		v.Within(path+".fraction", "place along the segment", *c.Fraction, 0, 1, "", "")
	case c.At != "" || c.Segment == "hand" || c.Segment == "trunk":
		v.OneOf(path+".at", "place on the "+c.Segment, c.At, Places[c.Segment]...)
	default:
		v.Add(path+".fraction", "The place along the segment is missing.", "", "Give 0 (near end) to 1 (far end).")
	}
}

func (v *Checks) cable(path string, l *Load) {
	v.place(path+".pulley", "pulley", l.Pulley)
	v.Within(path+".stackMass", "mass on the pin", l.StackMass, 0.1, 500, "kg", "A stack of nothing asks nothing of the muscle.")
	v.Within(path+".ratio", "pulley ratio", l.Ratio, 0.05, 4, "", "It is the force at the handle over the weight of the stack.")
	v.Within(path+".friction", "friction", l.Friction, 0, 0.5, "", "It is the share of the force that the pulleys keep.")
	v.Within(path+".attachmentLength", "length of the attachment", l.AttachmentLength, 0, 3, "m", "")
	v.Within(path+".parkedGap", "parked gap", l.ParkedGap, 0, 3, "m", "")
	v.Within(path+".travel", "travel of the stack", l.Travel, 0.05, 6, "m", "")
	if l.Kit != nil {
		if l.Kit.Station != "" {
			v.OneOf(path+".kit.column", "column", l.Kit.Column, "left", "right")
		}
		if l.Kit.Spec != nil {
			v.Column(path+".kit.spec", l.Kit.Spec)
		}
	}
}

// place checks where a cable or band starts.
func (v *Checks) place(path, name string, p *Point) {
	if p == nil {
		v.Add(path, "The "+name+" is missing.", "The pull needs a place to come from.", "Give x, y and z in metres.")
		return
	}
	v.Within(path+".x", name+"'s distance out", p.X, -6, 6, "m", "")
	v.Within(path+".y", name+"'s height", p.Y, 0, 4, "m", "It is between floor and ceiling.")
	v.Within(path+".z", name+"'s distance to the right", p.Z, -6, 6, "m", "")
}

func (v *Checks) band(path string, l *Load) {
	v.place(path+".anchor", "anchor", l.Anchor)
	v.Within(path+".restLength", "band's length at rest", l.RestLength, 0.05, 5, "m", "Its stretch is counted from there.")
	v.Within(path+".attachmentLength", "length of the attachment", l.AttachmentLength, 0, 3, "m", "")
	v.Within(path+".hysteresis", "loss on the way back", l.Hysteresis, 0, 0.6, "", "It is the share of the pull that the rubber keeps.")
	if l.Strands < 1 || l.Strands > 20 {
		v.Add(path+".strands", fmt.Sprintf("There are %d strands.", l.Strands), "", "Give 1 to 20.")
	}
	if len(l.Pull) == 0 {
		v.Within(path+".section", "section of a strand", l.Section, 1e-6, 2e-3, "m²", "Nothing was measured, so the pull is computed from it.")
		return
	}
	v.BandPoints(path+".pull", l.Pull)
}

// BandPoints checks the measurements of a band: two or more, longer and never weaker from one to the next.
func (v *Checks) BandPoints(path string, pull []BandPoint) {
	if len(pull) < 2 {
		v.Add(path, "The band was measured at one length only.", "A pull between two lengths needs both.", "Measure at two lengths or more, or leave it out and give the section.")
	}
	for i, p := range pull {
		at := fmt.Sprintf("%s[%d]", path, i)
		v.Within(at+".length", "length", p.Length, 0.05, 10, "m", "")
		v.Within(at+".force", "pull", p.Force, 0, 5000, "N", "")
		if i > 0 && !(p.Length > pull[i-1].Length+1e-4 && p.Force >= pull[i-1].Force) {
			v.Add(at, "The band pulls less, or is not longer, than at the measurement before.", "Rubber pulls harder the longer it is.", "Put the measurements in the order of their lengths.")
		}
	}
}

// CamJoints are the coordinates that a machine's arm can turn with.
var CamJoints = []string{"knee.flexion", "hip.flexion", "elbow.flexion", "shoulder.elevation", "shoulder.plane"}

func (v *Checks) cam(path string, l *Load) {
	v.OneOf(path+".coordinate", "coordinate that the machine turns with", l.Coordinate, CamJoints...)
	v.Within(path+".stackMass", "mass on the pin", l.StackMass, 0.1, 500, "kg", "A stack of nothing asks nothing of the muscle.")
	v.Within(path+".ratio", "ratio of the machine", l.Ratio, 0.05, 4, "", "")
	v.Within(path+".padRadius", "distance from axis to pad", l.PadRadius, 0.05, 1, "m", "The pad pushes on the limb there.")
	if o := l.AxisOffset; o != nil {
		for i, x := range []float64{o.X, o.Y, o.Z} {
			v.Within(path+".axisOffset."+[]string{"x", "y", "z"}[i], "offset of the machine's axis", x, -0.3, 0.3, "m", "Further off it fits nobody.")
		}
	}
	v.CamTable(path+".cam", l.Cam)
}

// CamTable checks the moment arms of a cam: at two angles or more, in their order.
func (v *Checks) CamTable(path string, table []CamPoint) {
	if len(table) < 2 {
		v.Add(path, fmt.Sprintf("The cam is known at %d angles.", len(table)), "What lies between two angles needs both.", "Give its moment arm at two angles or more.")
	}
	for i, p := range table {
		at := fmt.Sprintf("%s[%d]", path, i)
		v.Within(at+".angleDeg", "angle", p.AngleDeg, -180, 180, "degrees", "")
		v.Within(at+".arm", "moment arm of the stack", p.Arm, 0.005, 1, "m", "")
		if i > 0 && !(p.AngleDeg >= table[i-1].AngleDeg+0.1) {
			v.Add(at+".angleDeg", "This angle does not come after the one before it.", "", "Put the angles in order.")
		}
	}
}

func (v *Checks) lever(path string, l *Load) {
	v.place(path+".pivot", "pivot", l.Pivot)
	if l.PivotAlong != nil {
		v.direction(path+".pivotAlong", "lever's axis", l.PivotAlong)
	}
	v.Within(path+".plateMass", "mass of the plates", l.PlateMass, 0, 500, "kg", "")
	v.Within(path+".plateRadius", "distance from axis to plates", l.PlateRadius, 0, 4, "m", "")
	v.Within(path+".plateDeg", "direction of the plates", l.PlateDeg, -180, 180, "degrees", "")
	v.Within(path+".leverMass", "mass of the lever", l.LeverMass, 0, 200, "kg", "")
	v.Within(path+".leverRadius", "distance from axis to the lever's centre of mass", l.LeverRadius, 0, 4, "m", "")
	v.Within(path+".handleRadius", "distance from axis to handle", l.HandleRadius, 0.1, 4, "m", "The hand moves on that circle.")
	if l.PlateMass+l.LeverMass <= 0 {
		v.Add(path+".plateMass", "The lever weighs nothing.", "A weight of nothing asks nothing of the muscle.", "Give the mass of plates or lever.")
	}
	if l.PivotAlong == nil && l.PlateDeg != 0 {
		v.Add(path+".plateDeg", "A bar in a corner has its plates along it.", "", "Leave it out, or give the lever's axis in pivotAlong.")
	}
	if !slices.Contains([]string{"hand", "forearm", "upperArm"}, l.Contact.Segment) {
		v.Add(path+".contact.segment", "A lever is held by the arm.", "", "Give hand, forearm or upperArm.")
	}
}
