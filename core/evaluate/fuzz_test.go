package evaluate_test

import (
	"encoding/json"
	"math"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Whatever a document says, there is a report without infinities or a list of problems that each say what is wrong and
// where; never a panic.
func FuzzEvaluate(f *testing.F) {
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		d := r.Document
		d.Samples = 11
		raw, err := json.Marshal(d)
		if err != nil {
			f.Fatal(err)
		}
		f.Add(string(raw), uint16(0), -1.0)
		f.Add(string(raw), uint16(7), 0.0)
		f.Add(string(raw), uint16(31), 1e9)
	}
	f.Fuzz(func(t *testing.T, text string, which uint16, value float64) {
		answers(t, []byte(withNumber(text, int(which), value)))
	})
}

// Numbers of every ready setup, in each other ones, replaced by what they cannot or hardly can be: still a sound answer.
func TestEveryNumberWrong(t *testing.T) {
	for first, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		d := r.Document
		d.Samples = 11
		raw, err := json.Marshal(d)
		if err != nil {
			t.Fatal(err)
		}
		for n := first % 5; n < 60; n += 5 {
			value := []float64{0, -1, 1e-9, 0.5, 90, 179.99, 1e9}
			for k := range 1 + n%2 {
				answers(t, []byte(withNumber(string(raw), n+1, value[(n+3*k)%len(value)])))
			}
		}
	}
}

// answers checks that a document gets a sound report or sound problems.
func answers(t *testing.T, raw []byte) {
	t.Helper()
	var d setup.Document
	if json.Unmarshal(raw, &d) == nil && d.Samples > 101 {
		return // slow, and no different
	}
	r, problems := evaluate.JSON(raw)
	if (r == nil) != (len(problems) > 0) {
		t.Fatalf("report %v with problems %v", r != nil, problems)
	}
	for _, p := range problems {
		whole := strings.Contains(p.What, "document") || strings.Contains(p.What, "JSON") || strings.Contains(p.What, `no field ""`)
		if p.What == "" || (p.Path == "" && !whole) {
			t.Errorf("a problem without a place or a word: %+v", p)
		}
	}
	if r == nil {
		return
	}
	for i, c := range r.AllCurves() {
		for k, x := range *c {
			if math.IsInf(x, 0) {
				t.Fatalf("curve %d is infinite at sample %d", i, k)
			}
		}
	}
	if _, err := json.Marshal(r); err != nil {
		t.Fatalf("%v in the report of %s", err, raw)
	}
	if d, problems := rules.Parse(raw); len(problems) == 0 {
		new(evaluate.Evaluator).SceneAt(&d, 0.5)
		if d.Samples == 11 && len(raw)%5 == 0 { // slower than all the rest
			evaluate.Tempo(&d)
		}
	}
}

// withNumber replaces the n-th number of a JSON text, counted round, by another.
func withNumber(text string, n int, value float64) string {
	if n == 0 || math.IsNaN(value) || math.IsInf(value, 0) {
		return text
	}
	var places [][2]int
	for i := 0; i < len(text); i++ {
		if !strings.ContainsRune("-0123456789", rune(text[i])) || i == 0 || !strings.ContainsRune(":[,", rune(text[i-1])) {
			continue
		}
		from := i
		for i < len(text) && strings.ContainsRune("-+.eE0123456789", rune(text[i])) {
			i++
		}
		places = append(places, [2]int{from, i})
	}
	if len(places) == 0 {
		return text
	}
	p := places[n%len(places)]
	raw, err := json.Marshal(value)
	if err != nil {
		return text
	}
	return text[:p[0]] + string(raw) + text[p[1]:]
}
