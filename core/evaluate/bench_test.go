package evaluate_test

import (
	"os"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/sample"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

func golden(tb testing.TB, name string) ([]byte, setup.Document) {
	tb.Helper()
	raw, err := os.ReadFile("../testdata/" + name)
	if err != nil {
		tb.Fatal(err)
	}
	d, problems := rules.Parse(raw)
	if len(problems) > 0 {
		tb.Fatal(problems)
	}
	return raw, d
}

// From nothing: nothing of another document is remembered.
func BenchmarkEvaluate(b *testing.B) {
	_, d := golden(b, "raise.json")
	b.ReportAllocs()
	for b.Loop() {
		var e evaluate.Evaluator
		if _, problems := e.Evaluate(&d); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

// After a change of the pulley alone.
func BenchmarkEvaluateOtherPulley(b *testing.B) {
	_, d := golden(b, "raise.json")
	var e evaluate.Evaluator
	height := d.Loads[0].Pulley.Y
	b.ReportAllocs()
	for n := 0; b.Loop(); n++ {
		d.Loads[0].Pulley.Y = height + 0.01*float64(n%7)
		if _, problems := e.Evaluate(&d); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

// After a change of the path.
func BenchmarkEvaluateOtherPath(b *testing.B) {
	_, d := golden(b, "raise.json")
	var e evaluate.Evaluator
	end := d.Movement.ToDeg
	b.ReportAllocs()
	for n := 0; b.Loop(); n++ {
		d.Movement.ToDeg = end - float64(n%7)
		if _, problems := e.Evaluate(&d); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

func BenchmarkSketch(b *testing.B) {
	_, d := golden(b, "raise.json")
	var e evaluate.Evaluator
	b.ReportAllocs()
	for b.Loop() {
		if _, problems := e.Sketch(&d); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

func BenchmarkScore31(b *testing.B) {
	_, d := golden(b, "raise.json")
	var e evaluate.Evaluator
	b.ReportAllocs()
	for b.Loop() {
		if _, problems := e.Score(&d, 31); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

func BenchmarkParse(b *testing.B) {
	raw, _ := golden(b, "raise.json")
	b.ReportAllocs()
	for b.Loop() {
		if _, problems := rules.Parse(raw); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

// BenchmarkEvaluateBalanced is the whole evaluation where the weight of the body is kept over one foot, or shared between two, at
// every place.
func BenchmarkEvaluateBalanced(b *testing.B) {
	for _, key := range []string{"squat.goblet", "squat.split", "deadlift.one"} {
		d := sample.Ready(b, key)
		b.Run(key, func(b *testing.B) {
			for b.Loop() {
				var e evaluate.Evaluator
				if _, problems := e.Evaluate(&d); len(problems) > 0 {
					b.Fatal(problems)
				}
			}
		})
	}
}
