// Package nnls solves small least squares problems with unknowns that cannot be negative.
package nnls

import "math"

// Rows is how many equations a Ridge problem has: the three forces and three moments of a body, or as many joint axes.
const Rows = 6

// Vector is one column, or the right side, of a Ridge problem.
type Vector [Rows]float64

// Dot is the inner product.
func (v *Vector) Dot(w *Vector) float64 {
	return v[0]*w[0] + v[1]*w[1] + v[2]*w[2] + v[3]*w[3] + v[4]*w[4] + v[5]*w[5]
}

// Ridge minimises |b|² + |y - D b|² over b >= 0 for few equations and any number of columns.
//
// The conditions of Karush, Kuhn and Tucker give b_j = max(0, d_j · r) with r = y - D b the residual, so that only r has to
// be found: it minimises the convex ½|r|² + ½ Σ max(0, d_j · r)² - y · r, which Newton's method does in a few steps. There
// is always one solution, whatever the columns. It reuses its memory and must not be shared between goroutines.
type Ridge struct {
	D []Vector  // columns
	B []float64 // unknowns, one for each column
	R Vector    // residual; kept from one problem to the next as a start

	at, by []float64 // of each column with the residual and with the step
}

// Solve writes B and R for a right side.
func (s *Ridge) Solve(y *Vector) {
	r := s.R
	for range 60 {
		// Gradient and second derivative at r.
		g := r
		var h [Rows][Rows]float64
		for i := range g {
			g[i] -= y[i]
			h[i][i] = 1
		}
		for j := range s.D {
			d := &s.D[j]
			x := d.Dot(&r)
			if x <= 0 {
				continue
			}
			for i := range Rows {
				g[i] += x * d[i]
				for k := range i + 1 {
					h[i][k] += d[i] * d[k]
				}
			}
		}
		size := y.Dot(y) + 1e-12
		if g.Dot(&g) <= 1e-24*size {
			break
		}
		step := solved(&h, &g)
		length := s.length(y, &r, &step)
		for i := range r {
			r[i] -= length * step[i]
		}
		if length*length*step.Dot(&step) <= 1e-24*r.Dot(&r) { // the next would be lost in rounding
			break
		}
	}
	s.R = r
	if cap(s.B) < len(s.D) {
		s.B = make([]float64, len(s.D))
	}
	s.B = s.B[:len(s.D)]
	for j := range s.D {
		s.B[j] = math.Max(0, s.D[j].Dot(&r))
	}
}

// length is how far the step goes to where the value is least along it. The slope along a step rises and is straight between the
// places where columns come in or go, so that Newton's method, kept between two ends, finds its zero in a few steps.
func (s *Ridge) length(y, r, step *Vector) float64 {
	s.at, s.by = s.at[:0], s.by[:0]
	for j := range s.D {
		s.at = append(s.at, s.D[j].Dot(r))
		s.by = append(s.by, s.D[j].Dot(step))
	}
	straight, square := y.Dot(step)-r.Dot(step), step.Dot(step)
	t, low, high := 1.0, 0.0, math.Inf(1)
	for range 40 {
		slope, bend := straight+t*square, square
		for j, b := range s.by {
			if x := s.at[j] - t*b; x > 0 {
				slope -= x * b
				bend += b * b
			}
		}
		if slope > 0 {
			high = t
		} else {
			low = t
		}
		next := t - slope/bend
		if math.Abs(next-t) <= 1e-12*t {
			return next
		}
		if !(next > low && next < high) {
			next = min(low+(high-low)/2, 2*t)
		}
		t = next
	}
	return t
}

// solved is the solution of h x = g for a symmetric positive definite h, given by its lower half, by Cholesky's method. h is
// overwritten.
func solved(h *[Rows][Rows]float64, g *Vector) Vector {
	x := *g
	for i := range Rows {
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
	for i := Rows - 1; i >= 0; i-- {
		for l := i + 1; l < Rows; l++ {
			x[i] -= h[l][i] * x[l]
		}
		x[i] /= h[i][i]
	}
	return x
}
