package evaluate_test

import (
	"os"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/setup"
)

func golden(tb testing.TB, name string) ([]byte, setup.Document) {
	tb.Helper()
	raw, err := os.ReadFile("../testdata/" + name)
	if err != nil {
		tb.Fatal(err)
	}
	d, problems := setup.Parse(raw)
	if len(problems) > 0 {
		tb.Fatal(problems)
	}
	return raw, d
}

func BenchmarkEvaluate(b *testing.B) {
	_, d := golden(b, "raise.json")
	var e evaluate.Evaluator
	b.ReportAllocs()
	for b.Loop() {
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
		if _, problems := setup.Parse(raw); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}
