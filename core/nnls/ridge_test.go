package nnls_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/nnls"

	"gonum.org/v1/gonum/mat"
)

func random(r *rand.Rand, n int) []nnls.Vector {
	out := make([]nnls.Vector, n)
	for j := range out {
		for i := range out[j] {
			out[j][i] = r.NormFloat64()
		}
	}
	return out
}

// optimal checks the conditions of Karush, Kuhn and Tucker for |b|² + |y - D b|² over b >= 0: the residual is what is left, no unknown is
// negative, and b_j = max(0, d_j · r). The problem is strictly convex, so that nothing else is its solution.
func optimal(t *testing.T, s *nnls.Ridge, y *nnls.Vector) {
	t.Helper()
	left := *y
	for j := range s.D {
		for i := range left {
			left[i] -= s.B[j] * s.D[j][i]
		}
	}
	for i := range left {
		check.Near(t, "residual", s.R[i], left[i], 1e-7*(1+math.Abs(left[i])))
	}
	for j := range s.D {
		if want := max(0, s.D[j].Dot(&left)); s.B[j] < 0 || math.Abs(s.B[j]-want) > 1e-7*(1+want) {
			t.Errorf("unknown %d of %d is %v, its gradient wants %v", j, len(s.D), s.B[j], want)
		}
	}
}

// Random problems of any number of columns, one after the other with the memory of the last; among them columns that are zero, equal,
// opposite or sums of others, and much longer ones.
func TestOptimality(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 23))
	var s nnls.Ridge
	for k := range 600 {
		s.D = random(r, r.IntN(60))
		if n := len(s.D); n > 6 {
			s.D[1], s.D[2] = nnls.Vector{}, s.D[0]
			for i := range s.D[3] {
				s.D[3][i], s.D[4][i], s.D[5][i] = -s.D[0][i], 100*s.D[0][i], s.D[0][i]+s.D[6][i]
			}
		}
		y := random(r, 1)[0]
		if k%2 == 0 {
			s.R = nnls.Vector{}
		}
		s.Solve(&y)
		optimal(t, &s, &y)
	}
}

// Where the unconstrained solution has no negative unknown it is the solution: gonum's Cholesky on the normal equations.
func TestUnconstrained(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 23))
	found := 0
	for range 4000 {
		const n = 3
		s := nnls.Ridge{D: random(r, n)}
		y := random(r, 1)[0]
		normal, right := mat.NewSymDense(n, nil), mat.NewVecDense(n, nil)
		for i := range n {
			for j := i; j < n; j++ {
				normal.SetSym(i, j, s.D[i].Dot(&s.D[j]))
			}
			normal.SetSym(i, i, normal.At(i, i)+1)
			right.SetVec(i, s.D[i].Dot(&y))
		}
		var chol mat.Cholesky
		var want mat.VecDense
		if !chol.Factorize(normal) {
			t.Fatal("the normal equations are singular")
		}
		if err := chol.SolveVecTo(&want, right); err != nil {
			t.Fatal(err)
		}
		if mat.Min(&want) < 0 {
			continue
		}
		found++
		s.Solve(&y)
		for j := range n {
			check.Near(t, "unknown", s.B[j], want.AtVec(j), 1e-9)
		}
	}
	if found < 100 {
		t.Errorf("only %d problems to compare", found)
	}
}

// Nothing to do, everything pointing away, and no columns at all.
func TestEdges(t *testing.T) {
	s := nnls.Ridge{D: []nnls.Vector{{1, 2}, {0, 3}}}
	s.Solve(&nnls.Vector{})
	check.Near(t, "nothing to do", s.B[0]+s.B[1], 0, 0)
	s.Solve(&nnls.Vector{-1, -2})
	check.Near(t, "everything points away", s.B[0]+s.B[1], 0, 0)
	check.Near(t, "what is left", s.R[0], -1, 1e-12)
	s.D = nil
	s.Solve(&nnls.Vector{5})
	check.Near(t, "without columns", s.R[0], 5, 1e-12)
}

func TestNoAllocation(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 23))
	s := nnls.Ridge{D: random(r, 60)}
	y := random(r, 1)[0]
	s.Solve(&y)
	if n := testing.AllocsPerRun(20, func() { s.R = nnls.Vector{}; s.Solve(&y) }); n > 0 {
		t.Errorf("%v allocations", n)
	}
}

func BenchmarkSolve(b *testing.B) {
	r := rand.New(rand.NewPCG(6, 23))
	s := nnls.Ridge{D: random(r, 60)}
	y := random(r, 1)[0]
	b.ReportAllocs()
	for b.Loop() {
		s.R = nnls.Vector{}
		s.Solve(&y)
	}
}
