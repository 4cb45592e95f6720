// Package check holds the comparisons that the tests of the core share.
package check

import (
	"math"
	"testing"

	"dialarc/core/metric"

	"gonum.org/v1/gonum/spatial/r3"
)

// Near fails the test when got is not within the tolerance of want; NaN is near nothing.
func Near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > tolerance {
		t.Errorf("%s: got %.12g, want %.12g", what, got, want)
	}
}

// Vec fails the test when two places or vectors are more than a billionth apart.
func Vec(t *testing.T, what string, got, want r3.Vec) {
	t.Helper()
	if d := r3.Norm(r3.Sub(got, want)); math.IsNaN(d) || d > 1e-9 {
		t.Errorf("%s: got %v, want %v", what, got, want)
	}
}

// Value is a metric's number; the test fails where it is missing, and the number is NaN.
func Value(t *testing.T, what string, m metric.Metric) float64 {
	t.Helper()
	if !m.Known() {
		t.Errorf("%s is missing: %s", what, m.Why())
	}
	return m.OrNaN()
}
