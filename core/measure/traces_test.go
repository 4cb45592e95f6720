package measure_test

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/measure"
)

// sampled is a trace at 50 Hz of so many seconds.
func sampled(seconds float64, f func(t float64) float64) measure.Trace {
	var out measure.Trace
	for i := range int(50 * seconds) {
		t := float64(i) / 50
		out.T, out.V = append(out.T, t), append(out.V, f(t))
	}
	return out
}

// A band's tape and cell are put together by their times; what the cell reads before anybody pulls is taken off, and where one of them sent
// nothing there is no reading.
func TestBandTraces(t *testing.T) {
	length := func(t float64) float64 { return 1 + 0.1*math.Max(0, t-2) }
	tape := sampled(12, length)
	cell := sampled(12, func(t float64) float64 { return -7 + 50*(length(t)-1) })
	readings, problems := measure.BandFromTraces(tape, cell)
	if len(problems) > 0 || len(readings) < 80 {
		t.Fatal(len(readings), problems)
	}
	for _, r := range readings {
		check.Near(t, "pull", r.Force, 50*(r.Length-1), 0.2)
	}
	var hole measure.Trace
	for i, at := range cell.T {
		if at < 5 || at > 8 {
			hole.T, hole.V = append(hole.T, at), append(hole.V, cell.V[i])
		}
	}
	fewer, _ := measure.BandFromTraces(tape, hole)
	for _, r := range fewer {
		if r.Length > 1.31 && r.Length < 1.59 {
			t.Errorf("a reading at %v m, where the cell sent nothing", r.Length)
		}
	}
	if len(fewer) >= len(readings) {
		t.Errorf("%d readings with a hole, %d without", len(fewer), len(readings))
	}
	if _, problems := measure.BandFromTraces(tape, measure.Trace{T: []float64{1, 1}, V: []float64{1, 2}}); len(problems) == 0 {
		t.Error("a cell whose times stand still is taken")
	}
	if _, problems := measure.BandFromTraces(tape, sampled(0.5, length)); len(problems) == 0 || !strings.Contains(problems[0].What, "too few") {
		t.Errorf("half a second: %v", problems)
	}
}

// A stack's pulls are told apart by their heaps, away from the turns, with the cell's rest taken off; one that never turns is refused.
func TestStackTraces(t *testing.T) {
	cell := sampled(20, func(t float64) float64 {
		switch {
		case t < 2:
			return 3
		case int(t/3)%2 == 0:
			return 3 + 106
		}
		return 3 + 94
	})
	r, problems := measure.StackFromTrace(20, cell)
	if len(problems) > 0 || r.Pin != 20 {
		t.Fatal(r, problems)
	}
	check.Near(t, "up", r.Up, 106, 1e-9)
	check.Near(t, "down", r.Down, 94, 1e-9)
	if _, problems := measure.StackFromTrace(20, sampled(0.4, func(float64) float64 { return 5 })); len(problems) == 0 {
		t.Error("some samples are a stack")
	}
	still := sampled(20, func(t float64) float64 { return 100 * math.Min(1, math.Floor(t/2)) })
	if _, problems := measure.StackFromTrace(20, still); len(problems) == 0 {
		t.Error("a stack that is only held is a reading")
	}
	if _, problems := measure.StackFromTrace(20, measure.Trace{T: []float64{1}, V: nil}); len(problems) == 0 {
		t.Error("times without values are a trace")
	}
}
