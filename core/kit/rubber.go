package kit

// RubberC1 and RubberC2 are constants of natural rubber, Pa, in the law of RubberStress: they fit the simple extension data of Treloar 1944
// (Trans. Faraday Soc. 40:59-70, from memory) within 6% up to x = 2.5.
const (
	RubberC1 = 0.086e6
	RubberC2 = 0.136e6
)

// RubberStress is the nominal stress of natural rubber in simple extension, Pa, at a stretch ratio x; 0 up to x = 1. The law is that of
// Mooney 1940 (J Appl Phys 11:582-592) and Rivlin 1948.
func RubberStress(x float64) float64 {
	if x <= 1 {
		return 0
	}
	return 2 * (x - 1/(x*x)) * (RubberC1 + RubberC2/x)
}

// RubberAtDouble is the pull per section, N/m², of a band of natural rubber at twice its length by that law.
const RubberAtDouble = 2 * (2 - 0.25) * (RubberC1 + RubberC2/2)
