// Package nnls solves small dense least squares problems with unknowns that cannot be negative.
package nnls

import (
	"errors"
	"math"
)

// ErrNotSettled is returned when the active set does not come to rest, which only numbers at the edge of the range of
// floating point can bring about.
var ErrNotSettled = errors.New("nnls: the active set does not settle")

// Solver minimises |A x - b|² over x >= 0 by the active set method of Lawson & Hanson 1974, Solving Least Squares Problems,
// chapter 23. It keeps its memory from one problem to the next; the zero value is ready. It must not be shared between
// goroutines.
type Solver struct {
	rows, columns int
	a             []float64 // column by column
	x, z, w       []float64
	residual      []float64
	passive       []int  // columns that may be positive, in the order in which they came in
	in            []bool // whether a column is among them
	barred        []bool // columns that depend on the passive ones, for as long as those stay as they are
	qr, beta, rhs []float64
}

// tiny is how small, beside the largest, a gradient or a pivot has to be to count as nothing.
const tiny = 1e-11

// Solve finds x of length columns for the matrix a, stored column by column with rows numbers each, and the vector b of
// length rows. The slice that it returns belongs to the solver and holds until the next call. Columns that depend on each
// other are no error: of several solutions one is given.
func (s *Solver) Solve(a, b []float64, rows, columns int) ([]float64, error) {
	s.prepare(a, b, rows, columns)
	scale := s.scale(b)
	for range 6*columns + 10 {
		j := s.steepest(scale)
		if j < 0 {
			return s.x, nil
		}
		s.passive, s.in[j] = append(s.passive, j), true
		if !s.descend(b, j) {
			continue
		}
		s.settle(b)
	}
	return s.x, ErrNotSettled
}

func (s *Solver) prepare(a, b []float64, rows, columns int) {
	s.rows, s.columns, s.a = rows, columns, a
	s.x, s.z, s.w = sized(s.x, columns), sized(s.z, columns), sized(s.w, columns)
	s.residual, s.qr, s.beta, s.rhs = sized(s.residual, rows), sized(s.qr, rows*columns), sized(s.beta, columns), sized(s.rhs, rows)
	if cap(s.in) < columns {
		s.in, s.barred, s.passive = make([]bool, columns), make([]bool, columns), make([]int, 0, columns)
	}
	s.in, s.barred, s.passive = s.in[:columns], s.barred[:columns], s.passive[:0]
	clear(s.in)
	clear(s.barred)
	clear(s.x)
	copy(s.residual, b)
}

func sized(v []float64, n int) []float64 {
	if cap(v) < n {
		return make([]float64, n)
	}
	return v[:n]
}

// scale is the size of the gradient at zero, against which others are small.
func (s *Solver) scale(b []float64) float64 {
	largest := 0.0
	for j := range s.columns {
		largest = max(largest, math.Abs(dot(s.column(j), b)))
	}
	return largest
}

func (s *Solver) column(j int) []float64 { return s.a[j*s.rows : (j+1)*s.rows] }

func dot(a, b []float64) float64 {
	sum := 0.0
	for i, x := range a {
		sum += x * b[i]
	}
	return sum
}

// steepest is the column at zero along which the error falls fastest, -1 when it falls along none.
func (s *Solver) steepest(scale float64) int {
	best, most := -1, tiny*scale
	for j := range s.columns {
		s.w[j] = dot(s.column(j), s.residual)
		if !s.in[j] && !s.barred[j] && s.w[j] > most {
			best, most = j, s.w[j]
		}
	}
	return best
}

// descend moves to the least squares solution on the passive columns, letting those go that would become negative. It
// says false when the newest column depends on the others or does not become positive, and then bars it.
func (s *Solver) descend(b []float64, newest int) bool {
	for first := true; ; first = false {
		dependent := s.fit(b)
		if dependent >= 0 || (first && s.z[newest] <= 0) {
			if dependent < 0 {
				dependent = newest
			}
			s.drop(dependent)
			s.x[dependent], s.barred[dependent] = 0, true
			if dependent == newest {
				return false
			}
			continue
		}
		step, blocked := 1.0, false
		for _, j := range s.passive {
			if s.z[j] <= 0 {
				step, blocked = min(step, s.x[j]/(s.x[j]-s.z[j])), true
			}
		}
		for _, j := range s.passive {
			s.x[j] += step * (s.z[j] - s.x[j])
		}
		if !blocked {
			return true
		}
		for i := len(s.passive) - 1; i >= 0; i-- {
			if j := s.passive[i]; s.x[j] <= 1e-15*math.Abs(s.z[j]) && s.z[j] <= 0 {
				s.drop(j)
				s.x[j] = 0
			}
		}
	}
}

func (s *Solver) drop(j int) {
	for i, k := range s.passive {
		if k == j {
			s.passive = append(s.passive[:i], s.passive[i+1:]...)
			break
		}
	}
	s.in[j] = false
}

// settle notes the residual after a step; what was barred may have a part again.
func (s *Solver) settle(b []float64) {
	copy(s.residual, b)
	for _, j := range s.passive {
		c := s.column(j)
		for i := range s.residual {
			s.residual[i] -= s.x[j] * c[i]
		}
	}
	clear(s.barred)
}

// fit writes into z the least squares solution on the passive columns, by Householder reflections. It returns a column
// that depends on those before it, or -1.
func (s *Solver) fit(b []float64) int {
	m, n := s.rows, len(s.passive)
	for k, j := range s.passive {
		copy(s.qr[k*m:(k+1)*m], s.column(j))
	}
	copy(s.rhs, b)
	for k, j := range s.passive {
		if k >= m || !s.reflect(k, n) {
			return j
		}
	}
	for k := n - 1; k >= 0; k-- {
		sum := s.rhs[k]
		for l := k + 1; l < n; l++ {
			sum -= s.qr[l*m+k] * s.z[s.passive[l]]
		}
		s.z[s.passive[k]] = sum / s.beta[k]
	}
	return -1
}

// reflect clears column k below its diagonal and turns the columns after it and the right side along; false when nothing
// but rounding is left of the column.
func (s *Solver) reflect(k, n int) bool {
	m := s.rows
	v := s.qr[k*m+k : (k+1)*m]
	whole, rest := norm(s.column(s.passive[k])), norm(v)
	if !(rest > tiny*whole) {
		return false
	}
	alpha := -math.Copysign(rest, v[0])
	v[0] -= alpha
	square := dot(v, v)
	turn := func(c []float64) {
		f := 2 * dot(v, c) / square
		for i := range v {
			c[i] -= f * v[i]
		}
	}
	for l := k + 1; l < n; l++ {
		turn(s.qr[l*m+k : (l+1)*m])
	}
	turn(s.rhs[k:m])
	s.beta[k] = alpha
	return true
}

func norm(v []float64) float64 { return math.Sqrt(dot(v, v)) }
