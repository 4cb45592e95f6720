// Package catalogue holds the data that the rest of the core is run on: strength shapes and stations of kit.
package catalogue

// Shape is how the strength of a joint action changes over its angle.
type Shape struct {
	AngleDeg []float64 // rising, degrees
	Fraction []float64 // of the strongest, at those angles
	PerMass  float64   // N·m per kg of body mass of a trained adult, at fraction 1
}

// Shapes lists the strength shapes by joint action, over the angle of the joint coordinate that the action moves:
// elevation, plane, rotation or flexion. They are this project's own estimates, drawn with the trends that Kulig, Andrews &
// Hay 1984 (Exerc Sport Sci Rev 12:417-466, from memory) review; N·m per kg are own estimates.
var Shapes = map[string]Shape{
	"shoulder.abduction":           {[]float64{0, 30, 60, 90, 120, 150}, []float64{1, 0.93, 0.82, 0.68, 0.52, 0.40}, 0.75},
	"shoulder.flexion":             {[]float64{0, 30, 60, 90, 120, 150}, []float64{1, 0.95, 0.84, 0.72, 0.58, 0.45}, 0.85},
	"shoulder.extension":           {[]float64{-30, 0, 30, 60, 90, 120, 150}, []float64{0.40, 0.52, 0.65, 0.80, 0.92, 0.98, 1}, 1.2},
	"shoulder.adduction":           {[]float64{0, 30, 60, 90, 120, 150}, []float64{0.55, 0.72, 0.88, 0.98, 1, 0.95}, 1.1},
	"shoulder.horizontalAdduction": {[]float64{-30, 0, 30, 60, 90, 120}, []float64{0.90, 1, 1, 0.93, 0.80, 0.62}, 1.1},
	"shoulder.horizontalAbduction": {[]float64{-30, 0, 30, 60, 90, 120}, []float64{0.55, 0.75, 0.88, 0.97, 1, 0.95}, 0.7},
	"shoulder.internalRotation":    {[]float64{-90, 70}, []float64{1, 0.7}, 0.6},
	"shoulder.externalRotation":    {[]float64{-90, 70}, []float64{0.7, 1}, 0.45},
	"elbow.flexion":                {[]float64{0, 30, 60, 90, 110, 130, 145}, []float64{0.55, 0.72, 0.90, 1, 0.95, 0.78, 0.60}, 0.85},
	"elbow.extension":              {[]float64{0, 30, 60, 90, 110, 130, 145}, []float64{0.55, 0.75, 0.92, 1, 0.97, 0.85, 0.70}, 0.62},
	"knee.extension":               {[]float64{0, 15, 30, 45, 60, 70, 90, 110}, []float64{0.45, 0.60, 0.78, 0.91, 0.99, 1, 0.88, 0.70}, 2.9},
	"hip.extension":                {[]float64{0, 30, 60, 90, 110}, []float64{0.60, 0.75, 0.88, 1, 1}, 3.2},
	"girdle.elevation":             {[]float64{-10, 30}, []float64{1, 0.8}, 2.0},
}
