package setup

import "slices"

var lever = Kind{Name: Lever, From: FromPivot, With: "with a lever", Counted: "the plates", Needs: "machine",
	Mass: func(l *Load) *float64 { return &l.PlateMass }, Scale: func(l *Load, factor float64) { l.PlateMass *= factor },
	AtHand: func(l *Load) float64 { return l.PlateMass }, Check: checkLever}

func checkLever(v *Checks, path string, l *Load) {
	v.place(path+".pivot", "pivot", l.Pivot)
	if l.PivotAlong != nil {
		v.direction(path+".pivotAlong", "lever's axis", l.PivotAlong)
	}
	v.Field(loadRows, path+".plateMass", "mass of the plates", l.PlateMass, "kg", "")
	v.Field(loadRows, path+".plateRadius", "distance from axis to plates", l.PlateRadius, "m", "")
	v.Field(loadRows, path+".plateDeg", "direction of the plates", l.PlateDeg, "degrees", "")
	v.Field(loadRows, path+".leverMass", "mass of the lever", l.LeverMass, "kg", "")
	v.Field(loadRows, path+".leverRadius", "distance from axis to the lever's centre of mass", l.LeverRadius, "m", "")
	v.Field(loadRows, path+".handleRadius", "distance from axis to handle", l.HandleRadius, "m", "The hand moves on that circle.")
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
