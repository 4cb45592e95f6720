// Package catalogue holds the data that the rest of the core is run on: strength shapes, exercises and stations of kit.
package catalogue

import (
	"cmp"

	"dialarc/core/setup"
)

// Shape is how the strength of a joint action changes over its angle.
type Shape struct {
	AngleDeg []float64 // rising, degrees
	Fraction []float64 // of the strongest, at those angles
	PerMass  float64   // N·m per kg of body mass of a trained man, at fraction 1, one side, held still
}

// Shapes lists the strength shapes by joint action, over the angle of the joint coordinate that the action moves: elevation, plane,
// rotation or flexion. They are this project's own estimates, drawn with the trends that Kulig, Andrews & Hay 1984 (Exerc Sport Sci
// Rev 12:417-466, from memory) review and flat enough for what lifters hold at shoulder height; N·m per kg are set so that the loads
// that can be lifted once come near what coaches see (common practice, no source).
var Shapes = map[string]Shape{
	"shoulder.abduction":           {[]float64{0, 30, 60, 90, 120, 150}, []float64{1, 0.97, 0.92, 0.87, 0.78, 0.65}, 1.3},
	"shoulder.flexion":             {[]float64{0, 30, 60, 90, 120, 150}, []float64{1, 0.97, 0.92, 0.87, 0.78, 0.65}, 1.4},
	"shoulder.extension":           {[]float64{-30, 0, 30, 60, 90, 120, 150}, []float64{0.60, 0.78, 0.90, 0.98, 1, 0.95, 0.85}, 1.8},
	"shoulder.adduction":           {[]float64{0, 30, 60, 90, 120, 150}, []float64{0.65, 0.80, 0.93, 1, 0.98, 0.88}, 1.8},
	"shoulder.horizontalAdduction": {[]float64{-30, 0, 30, 60, 90, 120}, []float64{0.90, 1, 1, 0.93, 0.80, 0.62}, 2},
	"shoulder.horizontalAbduction": {[]float64{-30, 0, 30, 60, 90, 120}, []float64{0.55, 0.75, 0.88, 0.97, 1, 0.95}, 1},
	"shoulder.internalRotation":    {[]float64{-90, 70}, []float64{1, 0.7}, 0.75},
	"shoulder.externalRotation":    {[]float64{-90, 70}, []float64{0.7, 1}, 0.45},
	"elbow.flexion":                {[]float64{0, 30, 60, 90, 110, 130, 145}, []float64{0.60, 0.76, 0.92, 1, 0.95, 0.80, 0.62}, 1.1},
	"elbow.extension":              {[]float64{0, 30, 60, 90, 110, 130, 145}, []float64{0.78, 0.90, 0.98, 1, 0.97, 0.88, 0.75}, 0.8},
	"knee.extension":               {[]float64{0, 15, 30, 45, 60, 70, 90, 110}, []float64{0.50, 0.64, 0.80, 0.92, 0.99, 1, 0.90, 0.74}, 3.2},
	// men lying about 90 to 120 N·m (from memory)
	"knee.flexion":  {[]float64{0, 30, 60, 90, 110}, []float64{0.90, 1, 0.97, 0.85, 0.70}, 1.45},
	"hip.extension": {[]float64{0, 30, 60, 90, 110}, []float64{0.65, 0.80, 0.92, 1, 0.97}, 3.6},
	"hip.flexion":   {[]float64{0, 30, 60, 90, 120}, []float64{1, 0.95, 0.85, 0.70, 0.50}, 2.1}, // own
	"hip.abduction": {[]float64{-20, 0, 20, 40}, []float64{1, 0.88, 0.70, 0.52}, 1.9},           // own
	"hip.adduction": {[]float64{-20, 0, 20, 40}, []float64{0.70, 0.88, 1, 0.97}, 2},             // own
	// The calf is strongest with the toes drawn up and has little left on tiptoe; with the knee bent it is weaker by a third, since the
	// gastrocnemius is slack then (Sale et al. 1982, J Appl Physiol 52:1636, trends, from memory).
	"ankle.plantarFlexion":         {[]float64{-45, -30, -15, 0, 15, 30}, []float64{0.34, 0.52, 0.72, 0.90, 1, 0.96}, 2.6},
	"ankle.plantarFlexionKneeBent": {[]float64{-45, -30, -15, 0, 15, 30}, []float64{0.36, 0.55, 0.76, 0.92, 1, 0.96}, 1.6},
	// Of the whole trunk about the lower lumbar spine, strongest from the stretch on; men held still about 150 to 200 N·m bending forward,
	// 250 to 350 back, 150 to 200 to the side and 80 turning (McNeill et al. 1980, Spine 5:529, and others, orders of size from memory).
	"trunk.flexion":   {[]float64{-25, 0, 20, 40, 60}, []float64{1, 0.97, 0.88, 0.74, 0.58}, 2.6},
	"trunk.extension": {[]float64{-25, 0, 20, 40, 60}, []float64{0.66, 0.82, 0.93, 1, 0.97}, 4.8},
	"trunk.sideBend":  {[]float64{-35, -15, 0, 15, 35}, []float64{1, 0.97, 0.90, 0.80, 0.64}, 2.7},
	"trunk.rotation":  {[]float64{-45, -20, 0, 20, 45}, []float64{1, 0.97, 0.90, 0.78, 0.60}, 1.1},
	// men held still about 40 to 50 N·m, most with the toes a little down (Marsh et al. 1981, J Appl Physiol 51:160, from memory)
	"ankle.dorsiflexion": {[]float64{-45, -30, -15, 0, 15, 30}, []float64{0.72, 0.90, 1, 0.95, 0.78, 0.55}, 0.6},
	"girdle.elevation":   {[]float64{-10, 10, 30}, []float64{1, 0.92, 0.75}, 2.1},
}

// trainingFactors are the strength of people who have trained for less than half a year, for one to four years and for longer, over a
// trained man's (own).
var trainingFactors = map[string]float64{"novice": 0.65, "trained": 1, "advanced": 1.25}

// Women's strength over men's of the same body mass: of the arm 52 and of the leg 66 of a hundred in all, at 79 of a hundred of the mass
// (Miller et al. 1993, Eur J Appl Physiol 66:254-262, from memory).
const (
	womansArm = 0.68
	womansLeg = 0.83
)

// mostIndex is the body mass index above which more mass is not taken for more muscle, kg/m² (own).
const mostIndex = 30

// Trained is the strength of somebody of a training and a sex over a trained man's of the same mass, of a leg or the trunk, or of an
// arm. Either may be empty, which counts as trained and as a man.
func Trained(training, sex string, leg bool) float64 {
	factor := 1.0
	if f, ok := trainingFactors[training]; ok {
		factor = f
	}
	switch {
	case sex != "female":
		return factor
	case leg:
		return factor * womansLeg
	}
	return factor * womansArm
}

// StrengthMass is the body mass that strength goes with, kg: all of it up to a body mass index of 30.
func StrengthMass(stature, mass float64) float64 { return min(mass, mostIndex*stature*stature) }

// Torque per body mass that a man's low back holds again and again without being what a set is about, N·m/kg, by training: about three
// quarters of what a deadlift done once asks of it. The force per body mass that a hand holds through a set, N/kg (own; "" is trained).
var (
	backPerMass = map[string]float64{"novice": 4, "": 5.7, "trained": 5.7, "advanced": 6.9}
	gripPerMass = 6.0
)

// Bearable is what a lifter's low back holds, N·m, and the hand, N: as the coach has it, or by body mass, training and sex.
func Bearable(l *setup.Lifter) (lowBack, grip float64) {
	return cmp.Or(l.LowBackLimit, backPerMass[l.Training]*l.BodyMass*Trained("", l.Sex, true)), cmp.Or(l.GripLimit, gripPerMass*l.BodyMass)
}
