package setup

// worn are the places that a cable or band can be fixed at.
var worn = []string{"hand", "wrist", "elbow", "arm", "ankle", "thigh", "waist"}

var (
	cable = Kind{Name: Cable, From: FromPulley, Line: "cable", End: "handle", With: "with a cable", Counted: "the pin", Needs: "cable", Holds: worn, Simple: true,
		Mass: onPin, Scale: scalePin, AtHand: pinAtHand, Complete: completeCable, Check: checkCable}
	rope = Kind{Name: Rope, From: FromPulley, Line: "rope", With: "with a rope on a cable", Counted: "the pin", Needs: "cable", OneThing: true,
		Mass: onPin, Scale: scalePin, AtHand: pinAtHand, Check: checkRope}
)

func onPin(l *Load) *float64           { return &l.StackMass }
func scalePin(l *Load, factor float64) { l.StackMass *= factor }
func pinAtHand(l *Load) float64        { return l.StackMass * l.Ratio }

// completeCable starts a new cable crossed behind the back, at hand height (own).
func completeCable(l *Load, mass, across float64) {
	l.StackMass = mass / l.Ratio
	if l.Pulley == nil {
		l.Pulley = &Point{X: 0, Y: 0.76, Z: across}
	}
	if l.Travel == 0 {
		l.Travel = 2 * DefaultTravel // a free pulley of unknown kind: its stack is not known to end earlier
	}
}

func checkCable(v *Checks, path string, l *Load) {
	v.place(path+".pulley", "pulley", l.Pulley)
	v.Field(loadRows, path+".stackMass", "mass on the pin", l.StackMass, "kg", "A stack of nothing asks nothing of the muscle.")
	v.Field(loadRows, path+".ratio", "pulley ratio", l.Ratio, "", "It is the force at the handle over the weight of the stack.")
	v.Field(loadRows, path+".friction", "friction", l.Friction, "", "It is the share of the force that the pulleys keep.")
	v.Field(loadRows, path+".attachmentLength", "length of the attachment", l.AttachmentLength, "m", "")
	v.Field(loadRows, path+".parkedGap", "parked gap", l.ParkedGap, "m", "")
	v.Field(loadRows, path+".travel", "travel of the stack", l.Travel, "m", "")
	if l.Kit != nil {
		if l.Kit.Station != "" {
			v.OneOf(path+".kit.column", "column", l.Kit.Column, "left", "right")
		}
		if l.Kit.Spec != nil {
			v.Column(path+".kit.spec", l.Kit.Spec)
		}
	}
}

func checkRope(v *Checks, path string, l *Load) {
	checkCable(v, path, l)
	v.Field(loadRows, path+".strandLength", "length of a strand", l.StrandLength, "m", "It spreads the pull over both hands.")
}
