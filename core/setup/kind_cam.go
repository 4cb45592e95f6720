package setup

import "fmt"

var cam = Kind{Name: Cam, With: "with a cam", Counted: "the pin", Needs: "machine", Mass: onPin, Scale: scalePin, AtHand: pinAtHand, Check: checkCam}

// CamJoints are the coordinates that a machine's arm can turn with.
var CamJoints = []string{"knee.flexion", "hip.flexion", "elbow.flexion", "shoulder.elevation", "shoulder.plane"}

func checkCam(v *Checks, path string, l *Load) {
	v.OneOf(path+".coordinate", "coordinate that the machine turns with", l.Coordinate, CamJoints...)
	v.Field(loadRows, path+".stackMass", "mass on the pin", l.StackMass, "kg", "A stack of nothing asks nothing of the muscle.")
	v.Field(loadRows, path+".ratio", "ratio of the machine", l.Ratio, "", "")
	v.Field(loadRows, path+".padRadius", "distance from axis to pad", l.PadRadius, "m", "The pad pushes on the limb there.")
	if o := l.AxisOffset; o != nil {
		for i, x := range []float64{o.X, o.Y, o.Z} {
			v.Within(path+".axisOffset."+[]string{"x", "y", "z"}[i], "offset of the machine's axis", x, -0.3, 0.3, "m", "Further off it fits nobody.")
		}
	}
	v.Count(loadRows, path+".cam", "angles", len(l.Cam), "")
	v.CamTable(path+".cam", l.Cam)
}

// CamTable checks the moment arms of a cam: at two angles or more, in their order.
func (v *Checks) CamTable(path string, table []CamPoint) {
	if len(table) < 2 {
		v.Add(path, fmt.Sprintf("The cam is known at %d angles.", len(table)), "What lies between two angles needs both.", "Give its moment arm at two angles or more.")
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
