package evaluate

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/torque"
)

// Places along the path that have words (own).
const (
	nearEnd = 0.1  // of the path
	level   = 0.22 // sine of how far from level a limb counts as level
)

// limbs are what each joint moves.
var limbs = map[body.Joint]string{body.TrunkR: "trunk", body.ShoulderR: "arm", body.ElbowR: "forearm", body.HipR: "thigh", body.KneeR: "shin", body.AnkleR: "foot"}

func plural(limb string) string {
	switch limb {
	case "foot":
		return "feet"
	case "trunk": // both sides share it
		return limb
	}
	return limb + "s"
}

// placeOf says in a coach's words where on the path a sample of a repetition lies: by the limb where that is level, else by how far the
// lift is.
func (o *outcome) placeOf(rep *torque.Repetition, at int) string {
	s, stands := rep.S[at], o.station.Carries() || o.footPushes()
	limb := limbs[o.joint]
	moves := limb != "" && !(stands && o.joint.Leg())
	switch {
	case moves && math.Abs(rep.Direction[at].Y) < level && o.path.Both():
		return "with the " + plural(limb) + " level"
	case moves && math.Abs(rep.Direction[at].Y) < level:
		return "with the " + limb + " level"
	case s <= nearEnd && stands && o.joint.Leg():
		return "at the bottom"
	case s <= nearEnd:
		return "at the start"
	case s >= 1-nearEnd:
		return "at the end"
	}
	swept := rep.Swept[at] / rep.Swept[len(rep.Swept)-1]
	return [3]string{"in the first third", "in the middle", "in the last third"}[min(2, int(3*swept))]
}

// peakPlace says where the torque is largest; empty where there is no peak.
func (o *outcome) peakPlace() string {
	if !o.result.Total.Peak.Known() {
		return ""
	}
	most := -1
	for i, t := range o.rep.Total {
		if !o.inGap(i) && !math.IsNaN(t) && (most < 0 || t > o.rep.Total[most]) {
			most = i
		}
	}
	if most < 0 {
		return ""
	}
	return o.placeOf(o.rep, most)
}
