package quantity_test

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"dialarc/core/quantity"
)

// Numbers as people type them. What a foot, a pound and a pound-force are is from NIST SP 811:2008, appendix B.8.
func TestRead(t *testing.T) {
	for _, c := range []struct {
		text, kind string
		unit, want float64
	}{
		{"12.5", "mass", 1, 12.5}, {"12,5", "mass", 1, 12.5}, {" 12,5 kg ", "mass", 1, 12.5}, {"12.5KG", "mass", 1, 12.5},
		{"60/2.2", "mass", 1, 60 / 2.2}, {"60/2.2 kg", "mass", 1, math.NaN()}, {"60 lb", "mass", 1, 27.2155422},
		{"60", "mass", 0.45359237, 27.2155422}, {"2*20+20", "mass", 1, 60},
		{"12 st 6", "mass", 1, 12*6.35029318 + 6*0.45359237}, {"12 stone", "mass", 1, 76.20351816},
		{"5'11\"", "length", 0.01, 1.8034}, {"5 ft 11 in", "length", 0.01, 1.8034}, {"5′ 11″", "length", 1, 1.8034},
		{"6'2", "length", 0.0254, 1.8796}, {"6 ft", "length", 1, 1.8288},
		{"180", "length", 0.01, 1.8}, {"1.80 m", "length", 0.01, 1.8}, {"71 in", "length", 0.01, 1.8034}, {"2*(30 cm + 5 cm)", "length", 1, 0.7},
		{"1 m - 5 cm", "length", 1, 0.95},
		{"−5", "angle", 1, -5}, {"-(2+3)", "angle", 1, -5}, {"45°", "angle", 1, 45}, {"1 rad", "angle", 1, 57.29577951308232},
		{"1,234.5", "", 1, 1234.5}, {"1.234,5", "", 1, 1234.5}, {"1,234,567", "", 1, 1234567}, {"1,5", "", 1, 1.5}, {".5", "", 1, 0.5},
		{"40%", "share", 0.01, 0.4}, {"40", "share", 0.01, 0.4}, {"100 lbf", "force", 1, 444.82216152605},
		{"50 lbf·ft", "torque", 1, 67.7908974158},
		{"60 N·m", "torque", 1, 60}, {"60 Nm", "torque", 1, 60}, {"3 × 20", "mass", 1, 60}, {"60 mm²", "area", 1e-6, 6e-5},
		{"60 mm2", "area", 1, 6e-5},
		{"1.5 min", "time", 1, 90},
	} {
		got, problem := quantity.Read(c.text, c.kind, c.unit)
		if math.IsNaN(c.want) != (problem != nil) || problem == nil && math.Abs(got-c.want) > 1e-9*math.Max(1, math.Abs(c.want)) {
			t.Errorf("%q as %s is %v (%v), want %v", c.text, c.kind, got, problem, c.want)
		}
	}
}

// What cannot be read is told with what would be right, and never read as something else.
func TestReadRefuses(t *testing.T) {
	for text, says := range map[string]string{
		"": "There is no number.", "a bit": "“a bit” cannot be read", "12 kg": "That is a mass. Give a length, like 90 cm.",
		"5 + 3 cm": "with a unit and one without", "3 cm + 2 kg": "adds a length and a mass",
		"3 cm * 2 cm": "multiplies or divides units", "12 parsec": "“parsec” is no unit", "1/0": "not a finite number", "(1": "bracket",
		"1 2": "cannot be read", "1,23,4": "cannot be read", "5'3 kg": "cannot be read",
		"2+": "missing at the end", strings.Repeat("1", 200): "200 characters", "1e5": "no unit", "NaN": "cannot be read",
		strings.Repeat("(", 60) + "1": "cannot be read",
	} {
		if v, problem := quantity.Read(text, "length", 1); problem == nil || !strings.Contains(problem.Error(), says) || problem.Hint == "" {
			t.Errorf("%q is %v, %v, want %q", text, v, problem, says)
		}
	}
}

// Whatever is typed, it is read or refused; what is read is finite.
func TestReadSurvivesAnything(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 1))
	pieces := []string{"1", "2.5", "3,7", " ", "kg", "'", "\"", "ft", "in", "+", "-", "*", "/", "(", ")", "°", "%", "é", "\x00", "st", "·",
		"²", ",", "."}
	for range 20000 {
		var b strings.Builder
		for range r.IntN(9) {
			b.WriteString(pieces[r.IntN(len(pieces))])
		}
		if v, problem := quantity.Read(b.String(), "length", 0.01); problem == nil && (math.IsNaN(v) || math.IsInf(v, 0)) {
			t.Fatalf("%q is %v", b.String(), v)
		} else if problem != nil && (problem.What == "" || problem.Hint == "") {
			t.Fatalf("%q: %+v", b.String(), problem)
		}
	}
}
