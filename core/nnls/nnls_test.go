package nnls_test

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/nnls"

	"gonum.org/v1/gonum/mat"
	"gonum.org/v1/gonum/optimize/convex/lp"
)

// problem is a random matrix, column by column, and a right side.
func problem(r *rand.Rand, rows, columns int) (a, b []float64) {
	a, b = make([]float64, rows*columns), make([]float64, rows)
	for i := range a {
		a[i] = r.NormFloat64()
	}
	for i := range b {
		b[i] = r.NormFloat64()
	}
	return a, b
}

// optimal checks the conditions of Karush, Kuhn and Tucker: no unknown is negative, the gradient vanishes where one is
// positive and points inward where it is zero.
func optimal(t *testing.T, a, b, x []float64, rows, columns int) {
	t.Helper()
	residual := append([]float64{}, b...)
	for j := range columns {
		for i := range rows {
			residual[i] -= a[j*rows+i] * x[j]
		}
	}
	for j := range columns {
		g := 0.0
		for i := range rows {
			g += a[j*rows+i] * residual[i]
		}
		if x[j] < 0 || g > 1e-8 || (x[j] > 0 && math.Abs(g) > 1e-8) {
			t.Errorf("unknown %d is %v with the gradient %v", j, x[j], g)
		}
	}
}

func TestKKT(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 23))
	var s nnls.Solver
	for range 500 {
		rows, columns := 1+r.IntN(12), 1+r.IntN(40)
		a, b := problem(r, rows, columns)
		x, err := s.Solve(a, b, rows, columns)
		if err != nil {
			t.Fatal(err)
		}
		optimal(t, a, b, x, rows, columns)
	}
}

// Where the unconstrained solution has no negative unknown it is the solution: gonum's QR.
func TestUnconstrained(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 23))
	var s nnls.Solver
	found := 0
	for range 400 {
		const rows, columns = 9, 4
		a, b := problem(r, rows, columns)
		for i := range b { // near a positive combination
			b[i] *= 0.1
			for j := range columns {
				b[i] += a[j*rows+i] * (0.5 + r.Float64())
			}
		}
		var want mat.VecDense
		if err := want.SolveVec(mat.NewDense(columns, rows, a).T(), mat.NewVecDense(rows, b)); err != nil {
			t.Fatal(err)
		}
		if mat.Min(&want) < 0 {
			continue
		}
		found++
		x, _ := s.Solve(a, b, rows, columns)
		for j := range columns {
			check.Near(t, "unknown", x[j], want.AtVec(j), 1e-10)
		}
	}
	if found < 100 {
		t.Errorf("only %d problems to compare", found)
	}
}

// A right side that positive combinations reach leaves no residual; one that they do not reach leaves some. Which it is,
// gonum's simplex method says.
func TestFeasibility(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 23))
	var s nnls.Solver
	reached, missed := 0, 0
	for range 200 {
		rows, columns := 3, 4+r.IntN(5)
		a, b := problem(r, rows, columns)
		x, err := s.Solve(a, b, rows, columns)
		if err != nil {
			t.Fatal(err)
		}
		off := 0.0
		for i := range rows {
			sum := -b[i]
			for j := range columns {
				sum += a[j*rows+i] * x[j]
			}
			off += sum * sum
		}
		_, _, err = lp.Simplex(make([]float64, columns), mat.DenseCopyOf(mat.NewDense(columns, rows, a).T()), b, 1e-10, nil)
		if errors.Is(err, lp.ErrInfeasible) {
			missed++
			if off < 1e-10 {
				t.Errorf("out of reach, yet the residual is %v", math.Sqrt(off))
			}
		} else if err == nil {
			reached++
			if off > 1e-10 {
				t.Errorf("in reach, yet the residual is %v", math.Sqrt(off))
			}
		}
	}
	if reached < 20 || missed < 20 {
		t.Errorf("%d reached, %d missed", reached, missed)
	}
}

// Columns that are zero, equal, multiples or sums of others, more columns than rows, and nothing to do.
func TestDegenerate(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 23))
	var s nnls.Solver
	for range 300 {
		rows, columns := 2+r.IntN(5), 12
		a, b := problem(r, rows, columns)
		for i := range rows {
			a[3*rows+i] = 0
			a[5*rows+i] = a[4*rows+i]
			a[6*rows+i] = 2.5 * a[4*rows+i]
			a[7*rows+i] = a[rows+i] + a[2*rows+i]
			a[8*rows+i] = -a[i]
		}
		x, err := s.Solve(a, b, rows, columns)
		if err != nil {
			t.Fatal(err)
		}
		optimal(t, a, b, x, rows, columns)
	}
	x, err := s.Solve([]float64{1, 2, 3, 4}, []float64{0, 0}, 2, 2)
	if err != nil || x[0] != 0 || x[1] != 0 {
		t.Errorf("nothing to do: %v, %v", x, err)
	}
	x, err = s.Solve([]float64{1, 0, 0, 1}, []float64{-1, -2}, 2, 2)
	if err != nil || x[0] != 0 || x[1] != 0 {
		t.Errorf("everything points away: %v, %v", x, err)
	}
}

func TestNoAllocation(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 23))
	a, b := problem(r, 6, 60)
	var s nnls.Solver
	if _, err := s.Solve(a, b, 6, 60); err != nil {
		t.Fatal(err)
	}
	if n := testing.AllocsPerRun(20, func() { _, _ = s.Solve(a, b, 6, 60) }); n > 0 {
		t.Errorf("%v allocations", n)
	}
}

func BenchmarkSolve(b *testing.B) {
	r := rand.New(rand.NewPCG(6, 23))
	a, y := problem(r, 6, 60)
	var s nnls.Solver
	b.ReportAllocs()
	for b.Loop() {
		if _, err := s.Solve(a, y, 6, 60); err != nil {
			b.Fatal(err)
		}
	}
}
