package evaluate

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// Every error takes one value of each of the equally likely parts, and by itself they are normal: mean 0, variance 1.
func TestStrataCoverEveryError(t *testing.T) {
	const n, errors = 100, 12
	s := strata{n: n, r: rand.New(rand.NewPCG(3, 1))}
	var drawn [errors][]float64
	for setup := range n {
		s.begin(setup)
		for e := range errors {
			drawn[e] = append(drawn[e], s.next())
		}
	}
	for e, values := range drawn {
		if e > 0 && slices.Equal(values, drawn[e-1]) {
			t.Errorf("errors %d and %d go together", e-1, e)
		}
		slices.Sort(values)
		squares := 0.0
		for k, x := range values {
			part := n * math.Erfc(-x/math.Sqrt2) / 2 // the normal distribution's share below
			if part < float64(k)-1e-9 || part > float64(k)+1+1e-9 {
				t.Fatalf("error %d: the value %d lies at %v of 100", e, k, part)
			}
			squares += x * x / n
		}
		if squares < 0.9 || squares > 1.1 {
			t.Errorf("error %d has a variance of %v", e, squares)
		}
	}
}

// The 95th percentile of a sum of four errors, 1.645 of its standard deviations, is met as well as by one and a half times as many
// independent draws, whose error is sqrt(0.05 0.95 / 150) over the density there (David & Nagaraja, Order Statistics, from memory).
func TestStrataMeetPercentiles(t *testing.T) {
	const n, errors, seeds = 100, 4, 400
	squares := 0.0
	for seed := range uint64(seeds) {
		s := strata{n: n, r: rand.New(rand.NewPCG(seed, 9))}
		sums := make([]float64, n)
		for setup := range sums {
			s.begin(setup)
			for range errors {
				sums[setup] += s.next() / math.Sqrt(errors)
			}
		}
		slices.Sort(sums)
		off := (sums[94]+sums[95])/2 - 1.6449
		squares += off * off / seeds
	}
	density := math.Exp(-1.6449*1.6449/2) / math.Sqrt(2*math.Pi)
	if got, more := math.Sqrt(squares), math.Sqrt(0.05*0.95/(1.5*n))/density; got > more {
		t.Errorf("the percentile is off by %.3f, by %.3f with half as many more independent draws", got, more)
	}
}
