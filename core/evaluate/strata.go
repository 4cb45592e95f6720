package evaluate

import (
	"math"
	"math/rand/v2"
)

// strata draws standard normal errors for n shifted setups so that together they cover every error evenly: of each error, every setup takes
// a value from another of n equally likely parts, in random order (Latin hypercube sampling: McKay, Beckman & Conover 1979, Technometrics
// 21:239-245, from memory). Each value by itself is a normal one; percentiles scatter about as those of one and a half times as many
// independent draws do.
type strata struct {
	n     int
	r     *rand.Rand
	parts [][]int // by error and setup
	at    int     // the setup whose errors are drawn
	drawn int     // how many of them are
}

// begin turns to the errors of a setup, from 0.
func (s *strata) begin(setup int) { s.at, s.drawn = setup, 0 }

// next is the setup's next error, in standard deviations.
func (s *strata) next() float64 {
	if s.drawn == len(s.parts) {
		s.parts = append(s.parts, s.r.Perm(s.n))
	}
	below := (float64(s.parts[s.drawn][s.at]) + s.r.Float64()) / float64(s.n)
	s.drawn++
	return math.Sqrt2 * math.Erfinv(2*below-1)
}
