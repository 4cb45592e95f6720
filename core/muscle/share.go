package muscle

import (
	"math"
)

// rows are the joint axes at which arm torques are shared out: three at the shoulder along the humerus' axes, two at the
// girdle, one at the elbow. The leg uses the first two, for hip and knee.
const rows = 6

type vector [rows]float64

func (v *vector) dot(w *vector) float64 {
	return v[0]*w[0] + v[1]*w[1] + v[2]*w[2] + v[3]*w[3] + v[4]*w[4] + v[5]*w[5]
}

// sharer solves the sharing problem: activations a >= 0 that minimise Σ (Fmax/500) a² + Σ w reserve² under Σ a C + reserve =
// needed (static optimisation, after Crowninshield & Brand 1981, J Biomech 14:793-801; weighting by force makes the answer
// independent of how a muscle is cut into strands). With a scaled to b = a sqrt(Fmax/500) and the rows by sqrt(w) that is:
// b >= 0 minimising |b|² + |y - D b|². Its solution has b_j = max(0, d_j · r) with r the residual, so that only r, of six
// numbers, has to be found: it minimises the convex ½|r|² + ½ Σ max(0, d_j · r)² - y · r, which Newton's method does in a few
// steps. There is no upper bound on a, so that shares do not depend on the size of the load.
type sharer struct {
	d []vector // columns, scaled
	b []float64
	r vector // kept from one place to the next as a start
}

func (s *sharer) value(y, r *vector) float64 {
	sum := r.dot(r)/2 - y.dot(r)
	for j := range s.d {
		if x := s.d[j].dot(r); x > 0 {
			sum += x * x / 2
		}
	}
	return sum
}

// solve writes the scaled activations b for the scaled need y.
func (s *sharer) solve(y *vector) {
	r := s.r
	for range 60 {
		// Gradient and second derivative at r.
		g := r
		var h [rows][rows]float64
		for i := range g {
			g[i] -= y[i]
			h[i][i] = 1
		}
		for j := range s.d {
			d := &s.d[j]
			x := d.dot(&r)
			if x <= 0 {
				continue
			}
			for i := range rows {
				g[i] += x * d[i]
				for k := range i + 1 {
					h[i][k] += d[i] * d[k]
				}
			}
		}
		size := y.dot(y) + 1e-12
		if g.dot(&g) <= 1e-24*size {
			break
		}
		step := solved(&h, &g)
		before, slope := s.value(y, &r), -g.dot(&step)
		length := 1.0
		for ; length > 1e-6; length /= 2 {
			next := r
			for i := range next {
				next[i] -= length * step[i]
			}
			if s.value(y, &next) <= before+1e-4*length*slope {
				r = next
				break
			}
		}
		if length <= 1e-6 { // nothing but rounding is left
			break
		}
	}
	s.r = r
	if cap(s.b) < len(s.d) {
		s.b = make([]float64, len(s.d))
	}
	s.b = s.b[:len(s.d)]
	for j := range s.d {
		s.b[j] = math.Max(0, s.d[j].dot(&r))
	}
}

// solved is the solution of h x = g for a symmetric positive definite h, given by its lower half, by Cholesky's method. h is
// overwritten.
func solved(h *[rows][rows]float64, g *vector) vector {
	x := *g
	for i := range rows {
		for k := range i + 1 {
			sum := h[i][k]
			for l := range k {
				sum -= h[i][l] * h[k][l]
			}
			if i == k {
				h[i][i] = math.Sqrt(sum)
			} else {
				h[i][k] = sum / h[k][k]
			}
		}
		for l := range i {
			x[i] -= h[i][l] * x[l]
		}
		x[i] /= h[i][i]
	}
	for i := rows - 1; i >= 0; i-- {
		for l := i + 1; l < rows; l++ {
			x[i] -= h[l][i] * x[l]
		}
		x[i] /= h[i][i]
	}
	return x
}

// forceLength is how much of its force a fibre has at a length over its optimal one (Thelen 2003, J Biomech Eng 125:70-77).
func forceLength(l float64) float64 { return math.Exp(-(l - 1) * (l - 1) / 0.45) }

// forceRef is the force by which the cost of an activation is scaled, N.
const forceRef = 500
