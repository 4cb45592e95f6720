package setup

import (
	"fmt"
	"time"
)

// CamJoints are the coordinates that a machine's arm can turn with.
var CamJoints = []string{"knee.flexion", "hip.flexion", "hip.abduction", "ankle.flexion", "elbow.flexion", "shoulder.elevation",
	"shoulder.planeOfElevation", "shoulder.rotation", "trunk.flexion"}

// BandPoints checks the measurements of a band: two or more, longer and never weaker from one to the next.
func (v *Checks) BandPoints(path string, pull []BandPoint) {
	if len(pull) < 2 {
		v.Add(path, "The band was measured at one length only.", "A pull between two lengths needs both.",
			"Measure at two lengths or more, or leave it out and give the section.")
	}
	for i, p := range pull {
		at := fmt.Sprintf("%s[%d]", path, i)
		v.Field(bandPointRows, at+".length", "length", p.Length, "m", "")
		v.Field(bandPointRows, at+".force", "pull", p.Force, "N", "")
		if i > 0 && !(p.Length > pull[i-1].Length+1e-4 && p.Force >= pull[i-1].Force) {
			v.Add(at, "The band pulls less, or is not longer, than at the measurement before.", "Rubber pulls harder the longer it is.",
				"Put the measurements in the order of their lengths.")
		}
	}
}

// CamTable checks the moment arms of a cam: at two angles or more, in their order.
func (v *Checks) CamTable(path string, table []CamPoint) {
	if len(table) < 2 {
		v.Add(path, fmt.Sprintf("The cam is known at %d angles.", len(table)), "What lies between two angles needs both.",
			"Give its moment arm at two angles or more.")
	}
	for i, p := range table {
		at := fmt.Sprintf("%s[%d]", path, i)
		v.Field(camPointRows, at+".angleDeg", "angle", p.AngleDeg, "degrees", "")
		v.Field(camPointRows, at+".arm", "moment arm of the stack", p.Arm, "m", "")
		if i > 0 && !(p.AngleDeg >= table[i-1].AngleDeg+0.1) {
			v.Add(at+".angleDeg", "This angle does not come after the one before it.", "", "Put the angles in order.")
		}
	}
}

// Places lists the named places of contacts by segment. A segment of a limb may have a fraction instead.
var Places = map[string][]string{"hand": {"grip"}, "forearm": {"wrist"}, "upperArm": {}, "thigh": {}, "shank": {"ankle"},
	"foot": {"sole", "ball"}, "trunk": {"waist", "pelvis", "chest", "shoulders", "frontRack"}}

var measuredRows = RowsOf[Measured]()

// WhenMeasured checks when the thing at a path was measured.
func (v *Checks) WhenMeasured(path string, m *Measured) {
	if m == nil {
		return
	}
	if _, err := time.Parse(time.DateOnly, m.Day); err != nil {
		v.Add(path+".measured.day", fmt.Sprintf("The day is %q.", Clip(m.Day)), "", "Give a day like 2026-11-30.")
	}
	v.Field(measuredRows, path+".measured.spread", "spread", m.Spread, "", "")
}
