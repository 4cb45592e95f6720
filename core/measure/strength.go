package measure

import (
	"fmt"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/metric"
	"dialarc/core/quantity"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/stat"
)

// StrengthTest is how an isometric test is set up: a load cell pulls square to the limb at a distance from the joint, and holds it at one
// angle after the other.
type StrengthTest struct {
	Action   string  `json:"action" doc:"Joint action, as in the lifter's strength."`
	Position string  `json:"position" doc:"How the trunk lies." enum:"upright,supine,prone,side"`
	Strap    float64 `json:"strap" doc:"From the joint to the middle of the strap, m." minimum:"0.05" maximum:"1.2"`
}

// StrengthFit is what isometric trials come to.
type StrengthFit struct {
	Angles []AngleFit `json:"angles" doc:"By angle, rising."`
}

// AngleFit is what the trials at one angle come to.
type AngleFit struct {
	AngleDeg float64       `json:"angleDeg"`
	Trials   []float64     `json:"trials" doc:"N at the strap."`
	Force    float64       `json:"force" doc:"Their mean, N."`
	AtStrap  float64       `json:"atStrap" doc:"That about the joint, N·m."`
	Limb     float64       `json:"limb" doc:"What the limb's own weight adds, N·m: the joint holds it too and the cell does not see it. Below nothing where the weight helps."`
	Torque   float64       `json:"torque" doc:"What the joint held, N·m."`
	Off      metric.Metric `json:"off" doc:"How far that could be off at 95 %, N·m."`
	Apart    float64       `json:"apart" doc:"Largest less smallest trial, as a share of their mean."`
	Another  bool          `json:"another" doc:"Whether the trials differ so much that another is wanted."`
}

// Own estimates of what beside the trials makes a torque uncertain, at 95 %, and bounds of what is taken.
const (
	strapOff   = 0.005 // m, of the strap's distance by tape
	limbOff    = 0.15  // of the limb's weight: people of one mass differ
	tooApart   = 0.10  // of the mean, from which another trial is wanted (common practice, no source)
	mostTorque = 1000  // N·m, as a lifter's strength may have
)

// Strength works out isometric trials. The joint holds what the cell sees times its distance, and the limb's weight as far as that works
// against the action: the cell never sees it. The spread of an angle joins that of the mean of its trials (Student 1908, Biometrika 6:1-25)
// with that of the strap's distance and of the limb's weight, by the root of their squares.
func Strength(l *setup.Lifter, test StrengthTest, readings []HeldReading) (*StrengthFit, setup.Problems) {
	v := &setup.Checks{}
	if !(test.Strap >= 0.05 && test.Strap <= 1.2) {
		v.Add("strap", fmt.Sprintf("The strap is %.3g m from the joint.", test.Strap), "The torque is the pull times that.",
			"Give the distance from the joint to the middle of the strap, 0.05 to 1.2 m.")
	}
	if _, known := acted[test.Action]; !known {
		v.Add("action", "This action is not tested with a strap.", "", "Type its torque on the lifter's sheet.")
	}
	for i, r := range readings {
		if !(r.Force > 0) {
			v.Add(fmt.Sprintf("row %d", i+1), fmt.Sprintf("The pull is %.4g N.", r.Force), "", "Give the best second of the trial.")
		}
		if a, known := acted[test.Action]; known && !(r.AngleDeg >= a.least() && r.AngleDeg <= a.most()) {
			v.Add(fmt.Sprintf("row %d", i+1), fmt.Sprintf("The angle is %.4g degrees.", r.AngleDeg), "",
				fmt.Sprintf("Give one from %.0f to %.0f degrees.", a.least(), a.most()))
		}
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	fit := &StrengthFit{Angles: []AngleFit{}}
	for _, list := range byAngle(readings) {
		a := angleFit(l, test, list)
		if !(a.Torque >= 0.5 && a.Torque <= mostTorque) {
			v.Add("", fmt.Sprintf("At %.0f degrees the joint would have held %.4g N·m.", a.AngleDeg, a.Torque),
				"There the limb's weight does more than the pull.", "Check position, angle and distance.")
		}
		fit.Angles = append(fit.Angles, a)
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	return fit, nil
}

func angleFit(l *setup.Lifter, test StrengthTest, list []HeldReading) AngleFit {
	var angles, forces []float64
	for _, r := range list {
		angles, forces = append(angles, r.AngleDeg), append(forces, r.Force)
	}
	a := AngleFit{AngleDeg: stat.Mean(angles, nil), Trials: forces, Force: stat.Mean(forces, nil)}
	a.AtStrap, a.Limb = a.Force*test.Strap, Limb(l, test.Action, test.Position, a.AngleDeg)
	a.Torque = a.AtStrap + a.Limb
	a.Apart = (slices.Max(forces) - slices.Min(forces)) / a.Force
	a.Another = a.Apart > tooApart
	n := len(forces)
	if n < 2 {
		a.Off = metric.Missing("Two trials or more tell how far it could be off.")
		return a
	}
	trials := sure(n-1) * stat.StdDev(forces, nil) / math.Sqrt(float64(n)) * test.Strap
	a.Off = metric.Known(math.Hypot(math.Hypot(trials, strapOff*a.Force), limbOff*a.Limb))
	return a
}

// act is what an action moves.
type act struct {
	joint body.Joint
	of    setup.Coordinate
	sign  float64 // of the coordinate while the action shortens
	base  body.Pose
}

func (a act) least() float64 { return setup.Coordinates[a.of].Least }
func (a act) most() float64  { return setup.Coordinates[a.of].Most }

// acted are the actions that can be tested with a strap: arms raised in the plane of the action, turned beside the trunk with the elbow
// bent, legs straight, the trunk with the arms let down; a knee with the thigh level where the trunk is upright.
var acted = map[string]act{
	"shoulder.abduction":           {body.ShoulderR, setup.ShoulderElevation, 1, body.Pose{}},
	"shoulder.adduction":           {body.ShoulderR, setup.ShoulderElevation, -1, body.Pose{}},
	"shoulder.flexion":             {body.ShoulderR, setup.ShoulderElevation, 1, body.Pose{setup.ShoulderPlane: math.Pi / 2}},
	"shoulder.extension":           {body.ShoulderR, setup.ShoulderElevation, -1, body.Pose{setup.ShoulderPlane: math.Pi / 2}},
	"shoulder.horizontalAdduction": {body.ShoulderR, setup.ShoulderPlane, 1, body.Pose{setup.ShoulderElevation: math.Pi / 2}},
	"shoulder.horizontalAbduction": {body.ShoulderR, setup.ShoulderPlane, -1, body.Pose{setup.ShoulderElevation: math.Pi / 2}},
	"shoulder.internalRotation":    {body.ShoulderR, setup.ShoulderRotation, 1, body.Pose{setup.ElbowFlexion: math.Pi / 2}},
	"shoulder.externalRotation":    {body.ShoulderR, setup.ShoulderRotation, -1, body.Pose{setup.ElbowFlexion: math.Pi / 2}},
	"elbow.flexion":                {body.ElbowR, setup.ElbowFlexion, 1, body.Pose{}},
	"elbow.extension":              {body.ElbowR, setup.ElbowFlexion, -1, body.Pose{}},
	"knee.flexion":                 {body.KneeR, setup.KneeFlexion, 1, body.Pose{}},
	"knee.extension":               {body.KneeR, setup.KneeFlexion, -1, body.Pose{}},
	"hip.flexion":                  {body.HipR, setup.HipFlexion, 1, body.Pose{}},
	"hip.extension":                {body.HipR, setup.HipFlexion, -1, body.Pose{}},
	"hip.abduction":                {body.HipR, setup.HipAbduction, 1, body.Pose{}},
	"hip.adduction":                {body.HipR, setup.HipAbduction, -1, body.Pose{}},
	"ankle.plantarFlexion":         {body.AnkleR, setup.AnkleFlexion, -1, body.Pose{}},
	"ankle.dorsiflexion":           {body.AnkleR, setup.AnkleFlexion, 1, body.Pose{}},
	"trunk.flexion":                {body.TrunkR, setup.TrunkFlexion, 1, body.Pose{}},
	"trunk.extension":              {body.TrunkR, setup.TrunkFlexion, -1, body.Pose{}},
	"trunk.sideBend":               {body.TrunkR, setup.TrunkBend, 1, body.Pose{}},
	"ankle.plantarFlexionKneeBent": {body.AnkleR, setup.AnkleFlexion, -1, body.Pose{setup.HipFlexion: math.Pi / 2, setup.KneeFlexion: math.Pi / 2}},
}

// lying are the postures in which a test is done.
var lying = map[string]setup.Posture{
	"upright": {Kind: "standing"}, "supine": {Kind: "supine"}, "prone": {Kind: "prone"}, "side": {Kind: "side-lying", Down: "left"},
}

// Limb is the torque, N·m, with which the weight of the right limb works against an action at an angle, degrees, in a position: by virtual
// work, the rate at which the limb's weight is lifted per radian of the action. Below nothing where the weight helps.
func Limb(l *setup.Lifter, action, position string, angleDeg float64) float64 {
	a, posture := acted[action], lying[position]
	var bench *setup.Bench
	if posture.Kind != "standing" {
		bench = &setup.Bench{}
	}
	b := body.New(l)
	st := b.Settle(&posture, bench, nil)
	st.LegsMove, st.Root = a.joint.Leg(), body.OnBench
	pose, rate := a.base, body.Pose{}
	if a.joint == body.KneeR && position == "upright" {
		pose[setup.HipFlexion] = math.Pi / 2
	}
	pose[a.of], rate[a.of] = space.Rad(angleDeg), a.sign
	var f body.Frames
	f.Place(&b, &st, &[2]body.Pose{pose, {}}, &[2]body.Pose{rate, {}})
	lifted := 0.0
	for _, s := range body.Beyond[a.joint] {
		lifted += b.Masses[s] * f.Velocity(s, f.COM[s]).Y
	}
	return quantity.Gravity * lifted
}
