package measure_test

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/measure"
)

// Three positions of 10, 14 and 12 degrees are a path of 12, known to t(2) = 4.303 (Student's table, from memory) times 2 / sqrt 3.
func TestPath(t *testing.T) {
	fit, problems := measure.Path([]float64{10, 14, 12})
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	check.Near(t, "path", fit.Deg, 12, 1e-9)
	check.Near(t, "off", fit.Off.OrNaN(), 4.303*2/math.Sqrt(3), 0.01)
	within := 0
	for seed := range uint64(1000) {
		r := rand.New(rand.NewPCG(seed, 51))
		fit, _ := measure.Path([]float64{15 + 3*r.NormFloat64(), 15 + 3*r.NormFloat64(), 15 + 3*r.NormFloat64()})
		if fit != nil && math.Abs(fit.Deg-15) <= fit.Off.OrNaN()+0.05 { // it is told to a tenth
			within++
		}
	}
	check.Near(t, "share within", float64(within)/1000, 0.95, 0.025)
	for says, planes := range map[string][]float64{"1 positions": {10}, "differ by 35": {-20, 10, 50}, "tracks 80": {79, 80, 81}} {
		if _, problems := measure.Path(planes); len(problems) == 0 || !strings.Contains(problems[0].What, says) {
			t.Errorf("%s: %v", says, problems)
		}
	}
}
