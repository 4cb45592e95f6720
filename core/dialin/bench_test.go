package dialin_test

import (
	"os"
	"testing"

	"dialarc/core/dialin"
	"dialarc/core/rules"
)

func BenchmarkPaint(b *testing.B) {
	raw, err := os.ReadFile("../testdata/raise.json")
	if err != nil {
		b.Fatal(err)
	}
	d, problems := rules.Parse(raw)
	if len(problems) > 0 {
		b.Fatal(problems)
	}
	var w dialin.Sweeper
	b.ReportAllocs()
	for b.Loop() {
		if _, problems := w.Paint(&d); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}
