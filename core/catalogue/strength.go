// Package catalogue holds the data that the rest of the core is run on: strength shapes and stations of kit.
package catalogue

// Shape is how the strength of a joint action changes over its angle.
type Shape struct {
	AngleDeg []float64 // rising, degrees
	Fraction []float64 // of the strongest, at those angles
	PerMass  float64   // N·m per kg of body mass of a trained adult, at fraction 1
}

// Shapes lists the strength shapes by joint action. They are this project's own estimates, drawn with the trends that
// Kulig, Andrews & Hay 1984 (Exerc Sport Sci Rev 12:417-466, from memory) review; N·m per kg are own estimates.
var Shapes = map[string]Shape{
	"shoulder.abduction": {
		AngleDeg: []float64{0, 30, 60, 90, 120, 150},
		Fraction: []float64{1, 0.93, 0.82, 0.68, 0.52, 0.40},
		PerMass:  0.75,
	},
	"shoulder.flexion": {
		AngleDeg: []float64{0, 30, 60, 90, 120, 150},
		Fraction: []float64{1, 0.95, 0.84, 0.72, 0.58, 0.45},
		PerMass:  0.85,
	},
}
