package emg

import (
	"cmp"
	"math"
	"math/cmplx"
	"slices"
)

// section is a filter of second order, its first denominator coefficient 1.
type section struct{ b0, b1, b2, a1, a2 float64 }

// bandPass is a Butterworth band-pass of an order for the prototype, 2n poles in all, between two frequencies at a sampling rate, Hz: the
// analogue prototype, shifted, by the bilinear transform with prewarped edges (Oppenheim and Schafer, Discrete-Time Signal Processing,
// chapter 7, from memory). The order is even.
func bandPass(order int, low, high, rate float64) []section {
	w1, w2 := warped(low, rate), warped(high, rate)
	middle, wide := w1*w2, w2-w1
	var poles []complex128
	for _, p := range prototype(order) {
		half := p * complex(wide/2, 0)
		root := cmplx.Sqrt(half*half - complex(middle, 0))
		poles = append(poles, half+root, half-root)
	}
	gain := math.Pow(wide, float64(order))
	for range order { // zeros at nothing, which the transform turns into ones at 1; those at infinity go to -1
		gain *= double
	}
	return sections(poles, gain, func(s *section) { s.b0, s.b1, s.b2 = 1, 0, -1 })
}

// lowPass is a Butterworth low-pass of even order below a frequency.
func lowPass(order int, edge, rate float64) []section {
	w := warped(edge, rate)
	var poles []complex128
	for _, p := range prototype(order) {
		poles = append(poles, p*complex(w, 0))
	}
	return sections(poles, math.Pow(w, float64(order)), func(s *section) { s.b0, s.b1, s.b2 = 1, 2, 1 })
}

// notch takes a narrow band about a frequency out, quality times narrower than the frequency (Orfanidis, Introduction to Signal Processing,
// 11.3, from memory).
func notch(at, quality, rate float64) []section {
	w := 2 * math.Pi * at / rate
	beta := math.Tan(w / quality / 2)
	gain := 1 / (1 + beta)
	return []section{{gain, -2 * gain * math.Cos(w), gain, -2 * gain * math.Cos(w), 2*gain - 1}}
}

// double is twice the sampling rate of the bilinear transform, with the rate at 2 so that frequencies are shares of half of it.
const double = 4.0

func warped(f, rate float64) float64 { return double * math.Tan(math.Pi*f/rate) }

// prototype are the poles of a Butterworth low-pass at 1 rad/s.
func prototype(order int) []complex128 {
	var out []complex128
	for k := -order + 1; k < order; k += 2 {
		out = append(out, -cmplx.Exp(complex(0, math.Pi*float64(k)/float64(2*order))))
	}
	return out
}

// sections turns analogue poles into digital sections, one for each pair, with the zeros that numerator gives.
func sections(poles []complex128, gain float64, numerator func(*section)) []section {
	total := complex(gain, 0)
	var out []section
	for _, p := range poles {
		total /= double - p
		if imag(p) <= 0 {
			continue
		}
		z := (double + p) / (double - p)
		s := section{a1: -2 * real(z), a2: real(z)*real(z) + imag(z)*imag(z)}
		numerator(&s)
		out = append(out, s)
	}
	slices.SortFunc(out, func(a, b section) int { return cmp.Compare(a.a2, b.a2) }) // those that ring least first
	out[0].b0, out[0].b1, out[0].b2 = out[0].b0*real(total), out[0].b1*real(total), out[0].b2*real(total)
	return out
}

// bothWays runs a filter forth and back over a signal, so that nothing is shifted in time. Ends are continued by their point
// reflection over three times the filter's length, and the filter begins settled (Gustafsson 1996, IEEE Trans Signal Process 44:988-992,
// from memory; ends
// as signal libraries do).
func bothWays(filter []section, x []float64) []float64 {
	edge := min(3*(2*len(filter)+1), len(x)-1)
	if edge < 1 {
		return slices.Clone(x)
	}
	long := make([]float64, 0, len(x)+2*edge)
	for i := edge; i > 0; i-- {
		long = append(long, 2*x[0]-x[i])
	}
	long = append(long, x...)
	for i := 1; i <= edge; i++ {
		long = append(long, 2*x[len(x)-1]-x[len(x)-1-i])
	}
	run(filter, long)
	slices.Reverse(long)
	run(filter, long)
	slices.Reverse(long)
	return long[edge : len(long)-edge]
}

// run filters in place (transposed direct form II), begun as if the first value had always been there.
func run(filter []section, x []float64) {
	first := x[0]
	for _, s := range filter {
		c1, c2 := s.b1-s.a1*s.b0, s.b2-s.a2*s.b0
		settled := (c1 + c2) / (1 + s.a1 + s.a2)
		z1, z2 := settled*first, ((1+s.a1)*settled-c1)*first
		first *= (s.b0 + s.b1 + s.b2) / (1 + s.a1 + s.a2)
		for i, v := range x {
			y := s.b0*v + z1
			z1 = s.b1*v - s.a1*y + z2
			z2 = s.b2*v - s.a2*y
			x[i] = y
		}
	}
}

// movingRMS is the root of the mean square over so many samples about each; fewer at the ends.
func movingRMS(x []float64, window int) []float64 {
	half := window / 2
	sums := make([]float64, len(x)+1)
	for i, v := range x {
		sums[i+1] = sums[i] + v*v
	}
	out := make([]float64, len(x))
	for i := range x {
		a, b := max(0, i-half), min(len(x), i+half+1)
		out[i] = math.Sqrt(math.Max(0, sums[b]-sums[a]) / float64(b-a))
	}
	return out
}
