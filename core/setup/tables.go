package setup

import (
	"slices"
	"strings"
)

// Coordinate numbers a joint coordinate of one side, in the order of Coordinates.
type Coordinate int

// The coordinates of one side of the body. The left side is the mirror image of the right.
const (
	ShoulderPlane     Coordinate = iota // plane of elevation: 0 frontal (abduction), 90 forward
	ShoulderElevation                   // 0 hanging
	ShoulderRotation                    // about the upper arm's long axis, internal +
	ElbowFlexion                        // 0 straight
	ForearmPronation                    // 0 midway, palm in +
	WristFlexion                        // 0 in line, towards the palm +
	GirdleElevation                     // a shrug is +
	GirdleProtraction                   // forward +
	HipFlexion                          // 0 in line with the trunk
	HipAbduction                        // outward +
	HipRotation                         // internal +
	KneeFlexion                         // 0 straight
	AnkleFlexion                        // 0 square, toes up +
	TrunkFlexion                        // between pelvis and thorax: 0 straight, forward +
	TrunkBend                           // toward the side that is lifted with +
	TrunkRotation                       // the shoulder of that side forward +
	NumCoordinates    = int(TrunkRotation) + 1
)

// CoordinateInfo names a coordinate and says how far people can usually move it.
type CoordinateInfo struct {
	Key     string  `json:"key" doc:"As in ranges and, with the suffix Deg, in poses."`
	Label   string  `json:"label" doc:"In words."`
	Joint   string  `json:"joint" doc:"The joint it belongs to."`
	OwnFrom float64 `json:"ownFrom" doc:"Usual owned range, from, degrees."` // from memory
	OwnTo   float64 `json:"ownTo" doc:"Usual owned range, to, degrees."`     // from memory
	Least   float64 `json:"least" doc:"The least that a document may say, degrees: past any joint, so that a lack of range can be shown."`
	Most    float64 `json:"most" doc:"The most that a document may say, degrees."`
}

// Coordinates lists all coordinates in their order.
var Coordinates = [NumCoordinates]CoordinateInfo{
	{"shoulder.planeOfElevation", "plane of the raise", "shoulder", -45, 130, -180, 180},
	{"shoulder.elevation", "arm raise angle", "shoulder", -60, 170, -90, 180}, // behind the body in the plane ahead: -60 (from memory)
	{"shoulder.rotation", "arm rotation", "shoulder", -90, 70, -180, 180},
	{"elbow.flexion", "elbow flexion", "elbow", 0, 145, -10, 160},
	{"forearm.pronation", "forearm pronation", "forearm", -80, 80, -180, 180},
	{"wrist.flexion", "wrist flexion", "wrist", -70, 80, -100, 100},
	{"girdle.elevation", "shoulder girdle elevation", "girdle", -10, 30, -30, 50},
	{"girdle.protraction", "shoulder girdle protraction", "girdle", -25, 30, -50, 50},
	{"hip.flexion", "hip flexion", "hip", -15, 120, -45, 150},
	{"hip.abduction", "hip abduction", "hip", -20, 45, -60, 90},
	{"hip.rotation", "hip rotation", "hip", -45, 40, -90, 90},
	{"knee.flexion", "knee flexion", "knee", 0, 140, -10, 165},
	{"ankle.flexion", "ankle flexion", "ankle", -45, 35, -60, 50},
	// of the spine from the pelvis to the ribs together (White & Panjabi 1990, Clinical Biomechanics of the Spine, from memory)
	{"trunk.flexion", "trunk flexion", "trunk", -25, 60, -45, 80},
	{"trunk.bend", "side bend", "trunk", -35, 35, -50, 50},
	{"trunk.rotation", "trunk rotation", "trunk", -45, 45, -70, 70},
}

// Title is the coordinate's label as it begins a line.
func (c *CoordinateInfo) Title() string { return strings.ToUpper(c.Label[:1]) + c.Label[1:] }

// CoordinateOf finds a coordinate by the key that poses use, such as shoulder.planeOfElevationDeg.
func CoordinateOf(poseKey string) (Coordinate, bool) {
	i := slices.Index(poseKeys[:], poseKey)
	return Coordinate(max(0, i)), i >= 0
}

// PoseKey is the key that poses use.
func (c Coordinate) PoseKey() string { return poseKeys[c] }

// poseKeys are the keys of all coordinates in poses, which every check and every frame asks for.
var poseKeys = func() (keys [NumCoordinates]string) {
	for i := range keys {
		keys[i] = Coordinates[i].Key + "Deg"
	}
	return keys
}()

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
			return n.Fraction * l.Height
		}
	}
	return 0
}

// Region is what a setup can be for: a muscle, a part of one, or a head.
type Region struct {
	Key    string   `json:"key"`
	Label  string   `json:"label"`
	Joints []string `json:"joints" doc:"The joints that it crosses and may be profiled at."`
	Finer  bool     `json:"finer,omitempty" doc:"A head, which lists show only on request."`
}

var (
	atShoulder = []string{"shoulder"}
	atElbow    = []string{"elbow"}
	atGirdle   = []string{"girdle"}
	overBoth   = []string{"elbow", "shoulder"}
	atHip      = []string{"hip"}
	atKnee     = []string{"knee"}
	atAnkle    = []string{"ankle"}
	atTrunk    = []string{"trunk", "hip", "shoulder"} // the last two for holds, which ask it of arms and legs
)

// Regions lists what setups can be for: muscles and their parts, whole muscles before their parts, heads after them.
var Regions = []Region{
	{"deltoid.middle", "Deltoid, middle", atShoulder, false},
	{"deltoid.anterior", "Deltoid, front", atShoulder, false},
	{"deltoid.posterior", "Deltoid, rear", atShoulder, false},
	{"deltoid", "Deltoid, whole", atShoulder, false},
	{"cuff.outward", "Outward rotators", atShoulder, false},
	{"cuff.inward", "Subscapularis", atShoulder, false},
	{"cuff.above", "Supraspinatus", atShoulder, true},
	{"pectoralis.clavicular", "Chest, upper", atShoulder, false},
	{"pectoralis.sternal", "Chest, middle", atShoulder, false},
	{"pectoralis.costal", "Chest, lower", atShoulder, false},
	{"pectoralis", "Chest, whole", atShoulder, false},
	{"latissimus.upper", "Latissimus, upper", atShoulder, false},
	{"latissimus.lower", "Latissimus, lower", atShoulder, false},
	{"latissimus", "Latissimus, whole", atShoulder, false},
	{"teres.major", "Teres major", atShoulder, false},
	{"trapezius.upper", "Trapezius, upper", atGirdle, false},
	{"trapezius.middle", "Trapezius, middle", []string{"girdle", "shoulder"}, false},
	{"biceps", "Biceps", overBoth, false},
	{"brachialis", "Brachialis", atElbow, false},
	{"brachioradialis", "Brachioradialis", atElbow, false},
	{"triceps", "Triceps", overBoth, false},
	{"quadriceps", "Quadriceps", []string{"knee", "hip"}, false},
	{"gluteus.maximus", "Gluteus maximus", atHip, false},
	{"gluteus.medius", "Gluteus medius", atHip, false},
	{"hamstrings", "Hamstrings", []string{"hip", "knee"}, false},
	{"adductor", "Adductors, whole", atHip, false},
	{"adductor.magnus", "Adductor magnus", atHip, false},
	{"adductor.front", "Adductors, front", atHip, false},
	{"calf", "Calf, whole", atAnkle, false},
	{"calf.gastrocnemius", "Gastrocnemius", []string{"ankle", "knee"}, false},
	{"calf.soleus", "Soleus", atAnkle, false},
	{"tibialis", "Tibialis anterior", atAnkle, false},
	{"abdominals", "Abdominals", atTrunk, false},
	{"obliques", "Obliques", atTrunk, false},
	{"erectors", "Spinal erectors", atTrunk, false},
	{"deltoid.anterior.inner", "Front deltoid, inner strip", atShoulder, true},
	{"deltoid.anterior.outer", "Front deltoid, outer strip", atShoulder, true},
	{"deltoid.middle.front", "Middle deltoid, front strip", atShoulder, true},
	{"deltoid.middle.centre", "Middle deltoid, centre strip", atShoulder, true},
	{"deltoid.middle.back", "Middle deltoid, back strip", atShoulder, true},
	{"deltoid.posterior.outer", "Rear deltoid, outer strip", atShoulder, true},
	{"deltoid.posterior.inner", "Rear deltoid, inner strip", atShoulder, true},
	{"latissimus.lower.lumbar", "Latissimus, lumbar fibres", atShoulder, true},
	{"latissimus.lower.iliac", "Latissimus, iliac fibres", atShoulder, true},
	{"biceps.long", "Biceps, long head", overBoth, true},
	{"biceps.short", "Biceps, short head", overBoth, true},
	{"triceps.long", "Triceps, long head", overBoth, true},
	{"triceps.lateral", "Triceps, lateral head", atElbow, true},
	{"triceps.medial", "Triceps, medial head", atElbow, true},
	{"quadriceps.rectus", "Rectus femoris", []string{"knee", "hip"}, true},
	{"quadriceps.vasti", "Vasti", atKnee, true},
	{"hamstrings.long", "Hamstrings that cross the hip", []string{"hip", "knee"}, true},
	{"hamstrings.short", "Biceps femoris, short head", atKnee, true},
	{"calf.gastrocnemius.inner", "Gastrocnemius, medial head", []string{"ankle", "knee"}, true},
	{"calf.gastrocnemius.outer", "Gastrocnemius, lateral head", []string{"ankle", "knee"}, true},
}

// RegionLabel is what a region is called on screen; its key when there is none.
func RegionLabel(key string) string {
	if r, ok := RegionOf(key); ok {
		return r.Label
	}
	return key
}

// JointNames are the joints that can own a profile, from the pelvis outward.
var JointNames = []string{"trunk", "girdle", "shoulder", "elbow", "hip", "knee", "ankle"}

// TargetJoint is the joint that owns the document's profile: the named one, or the only one that the region crosses.
// Regions that cross two and do not say give the first, by which they are known best.
func (d *Document) TargetJoint() string {
	if d.Target.Joint != "" {
		return d.Target.Joint
	}
	if r, ok := RegionOf(d.Target.Region); ok {
		return r.Joints[0]
	}
	return "shoulder"
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

// TargetProfiles lists the keys of the schools that a profile can be judged by, the default first.
var TargetProfiles = []string{"match", "early", "even", "late", "overload", "custom"}

// Actions lists the joint actions that strength can be given for.
var Actions = []string{"shoulder.abduction", "shoulder.flexion", "shoulder.extension", "shoulder.adduction", "shoulder.horizontalAdduction",
	"shoulder.horizontalAbduction", "shoulder.internalRotation", "shoulder.externalRotation", "elbow.flexion", "elbow.extension",
	"knee.extension", "knee.flexion", "hip.extension", "hip.flexion", "hip.abduction", "hip.adduction", "ankle.plantarFlexion",
	"ankle.plantarFlexionKneeBent", "ankle.dorsiflexion", "girdle.elevation", "trunk.flexion", "trunk.extension", "trunk.sideBend", "trunk.rotation"}

// Trainings are the words for how long somebody has trained for size: under half a year, one to four years, longer with strength to
// show for it.
var Trainings = []string{"novice", "trained", "advanced"}

// Sexes are those that the strength of people is known to differ by on average.
var Sexes = []string{"female", "male"}
