package setup

import "strings"

// Coordinate numbers a joint coordinate of one arm, in the order of Coordinates.
type Coordinate int

// The coordinates of one arm. The left arm is the mirror image of the right.
const (
	ShoulderPlane     Coordinate = iota // plane of elevation: 0 frontal (abduction), 90 forward
	ShoulderElevation                   // 0 hanging
	ShoulderRotation                    // about the upper arm's long axis, internal +
	ElbowFlexion                        // 0 straight
	ForearmPronation                    // 0 midway, palm in +
	NumCoordinates    = int(ForearmPronation) + 1
)

// CoordinateInfo names a coordinate and says how far people can usually move it.
type CoordinateInfo struct {
	Key            string  // as in ranges and, with the suffix Deg, in poses
	Label          string  // in words
	OwnFrom, OwnTo float64 // default owned range, degrees (from memory)
}

// Coordinates lists all coordinates in their order.
var Coordinates = [NumCoordinates]CoordinateInfo{
	{"shoulder.plane", "plane of the path", -45, 130},
	{"shoulder.elevation", "elevation of the arm", 0, 170},
	{"shoulder.rotation", "rotation of the upper arm", -90, 70},
	{"elbow.flexion", "elbow flexion", 0, 145},
	{"forearm.pronation", "pronation of the forearm", -80, 80},
}

// CoordinateOf finds a coordinate by the key that poses use, such as shoulder.planeDeg.
func CoordinateOf(poseKey string) (Coordinate, bool) {
	name, ok := strings.CutSuffix(poseKey, "Deg")
	for i, c := range Coordinates {
		if ok && c.Key == name {
			return Coordinate(i), true
		}
	}
	return 0, false
}

// Owned is the range of a coordinate that the lifter owns, degrees: measured, or the usual one.
func (l *Lifter) Owned(c Coordinate) Range {
	info := Coordinates[c]
	if r, ok := l.Ranges[info.Key]; ok {
		return r
	}
	return Range{FromDeg: info.OwnFrom, ToDeg: info.OwnTo}
}

// Length describes one length of the body.
type Length struct {
	Key      string  `json:"key" doc:"Key in lifter.lengths."`
	Label    string  `json:"label" doc:"How to measure it."`
	Fraction float64 `json:"fraction" doc:"Usual share of stature."`
}

// Lengths lists every length that can be measured, with its usual share of stature: Winter, Biomechanics and Motor
// Control of Human Movement, 4th ed. 2009, fig. 4.1, after Drillis & Contini 1966 (from memory); those marked own are
// this project's estimates.
var Lengths = []Length{
	{"shoulderHeight", "floor to shoulder joint, standing", 0.818},
	{"shoulderHalfBreadth", "middle of the body to shoulder joint", 0.100}, // own
	{"acromionHalfBreadth", "middle of the body to tip of the shoulder", 0.129},
	{"upperArm", "shoulder joint to elbow", 0.186},
	{"forearm", "elbow to wrist", 0.146},
	{"hand", "wrist to finger tips", 0.108},
	{"grip", "wrist to the middle of the closed hand", 0.050}, // own; 1 cm here is 3% of the torque at the elbow
	{"chinHeight", "floor to chin, standing", 0.870},
	{"hipHeight", "floor to hip joint, standing", 0.530},
	{"hipHalfBreadth", "middle of the body to hip joint", 0.050}, // own
	{"outerHipHalfBreadth", "middle of the body to the outside of the hip", 0.0955},
	{"kneeHeight", "floor to knee", 0.285},
	{"ankleHeight", "floor to ankle", 0.039},
	{"footLength", "heel to toe", 0.152},      // own
	{"footBreadth", "across the foot", 0.055}, // own
}

// LengthOf is a length of the lifter in metres: measured, or the usual share of stature. An unknown key gives 0.
func (l *Lifter) LengthOf(key string) float64 {
	if m, ok := l.Lengths[key]; ok {
		return m
	}
	for _, n := range Lengths {
		if n.Key == key {
			return n.Fraction * l.Stature
		}
	}
	return 0
}

// Region is a muscle region that a setup can be for.
type Region struct {
	Key    string   `json:"key"`
	Label  string   `json:"label"`
	Joint  string   `json:"joint"`  // the joint it crosses
	Action []string `json:"action"` // joint actions whose strength shape speaks for it, from plane 0 to plane 90
}

// Regions lists the regions that this version can profile.
var Regions = []Region{
	{"deltoid.middle", "Deltoid, middle", "shoulder", []string{"shoulder.abduction", "shoulder.flexion"}},
	{"deltoid.anterior", "Deltoid, front", "shoulder", []string{"shoulder.abduction", "shoulder.flexion"}},
}

// RegionOf finds a region by its key.
func RegionOf(key string) (Region, bool) {
	for _, r := range Regions {
		if r.Key == key {
			return r, true
		}
	}
	return Region{}, false
}

// Schools lists the keys of the schools that a profile can be judged by, the default first.
var Schools = []string{"match", "early", "even", "late", "overload", "custom"}
