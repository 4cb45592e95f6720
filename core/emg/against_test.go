package emg

import (
	"math"
	"testing"
)

// courseOf is a course over 0 to 90 degrees from a function, with a spread.
func courseOf(f func(deg float64) float64, sd float64) (angles []float64, c Course) {
	c.Reps = 4
	for i := range parts {
		deg := 90 * float64(i) / (parts - 1)
		angles = append(angles, deg)
		c.Mean, c.SD = append(c.Mean, new(f(deg))), append(c.SD, new(sd))
	}
	return angles, c
}

// What runs as the model does correlates fully and lies nowhere apart; what leaves it late is told from where and by how much; upside
// down it correlates with -1; in µV only the run is compared; a model over a part of the range is asked there alone.
func TestAgainst(t *testing.T) {
	line := func(deg float64) float64 { return 70 - deg/3 }
	var x, y []float64
	for deg := 0.0; deg <= 90; deg += 2 {
		x, y = append(x, deg), append(y, line(deg)/100)
	}
	angles, c := courseOf(line, 2)
	a := Against(angles, c, true, x, y)
	if math.Abs(a.Correlation.OrNaN()-1) > 1e-9 || len(a.Apart) > 0 || math.Abs(a.Measured.OrNaN()-a.Model.OrNaN()) > 1e-9 ||
		math.Abs(*a.Expected[20]-55) > 1e-9 {
		t.Errorf("%+v", a)
	}
	_, late := courseOf(func(deg float64) float64 { return line(deg) + math.Max(0, deg-60) }, 2)
	a = Against(angles, late, true, x, y)
	if len(a.Apart) != 1 || math.Abs(a.Apart[0].FromDeg-71) > 3 || a.Apart[0].ToDeg != 90 || math.Abs(a.Apart[0].By-30) > 1e-9 {
		t.Errorf("%+v", a.Apart)
	}
	_, unsure := courseOf(func(deg float64) float64 { return line(deg) + math.Max(0, deg-60) }, 40)
	if a := Against(angles, unsure, true, x, y); len(a.Apart) != 0 {
		t.Errorf("within what is sure: %+v", a.Apart)
	}
	_, down := courseOf(func(deg float64) float64 { return 50 + deg/3 }, 2)
	if a := Against(angles, down, true, x, y); math.Abs(a.Correlation.OrNaN()+1) > 1e-9 || len(a.Apart) != 2 ||
		a.Apart[0].By > 0 || a.Apart[1].By < 0 {
		t.Errorf("%+v", a)
	}
	if a := Against(angles, late, false, x, y); a.Measured.Known() || len(a.Apart) > 0 || !a.Correlation.Known() {
		t.Errorf("%+v", a)
	}
	if a := Against(angles, c, true, x[:10], y[:10]); a.Expected[40] != nil || a.Expected[4] == nil {
		t.Error("the model is asked beyond its range")
	}
	if a := Against(angles, c, true, nil, nil); a.Correlation.Known() || a.Correlation.Why() == "" {
		t.Errorf("%+v", a)
	}
	flat, level := courseOf(func(float64) float64 { return 40 }, 1)
	if a := Against(flat, level, true, x, y); a.Correlation.Known() {
		t.Errorf("a level course correlates with %v", a.Correlation)
	}
	for i, j := 0, len(x)-1; i < j; i, j = i+1, j-1 {
		x[i], x[j], y[i], y[j] = x[j], x[i], y[j], y[i]
	}
	if a := Against(angles, c, true, x, y); math.Abs(a.Correlation.OrNaN()-1) > 1e-9 {
		t.Errorf("a model that is given from the top: %+v", a.Correlation)
	}
}
