package dialin_test

import (
	"context"
	"errors"
	"math"
	"testing"

	"dialarc/core/dialin"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
)

// A map's row is the sweep of the one setting with the other turned there, and its best pair is the best of all rows.
func TestMapIsMadeOfSweeps(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	g, problems, err := dialin.Map(ctx, &d, "pulley.height/0", "stance.out", nil)
	if err != nil || len(problems) > 0 {
		t.Fatal(problems, err)
	}
	var w dialin.Sweeper
	best := math.Inf(-1)
	for i, out := range g.BValues {
		turned, _ := dialin.Apply(&d, "stance.out", out)
		for _, s := range dialin.Settings(&turned) {
			if s.Key != "pulley.height/0" {
				continue
			}
			sweep, problems := w.Sweep(&turned, &s)
			if len(problems) > 0 {
				t.Fatal(problems)
			}
			for k, want := range sweep.Scores {
				got := g.Scores[i][k]
				if math.IsNaN(want) != math.IsNaN(got) || (!math.IsNaN(want) && math.Abs(want-got) > 1e-9) {
					t.Fatalf("hole %v, %v m out: %v, by the sweep %v", g.AValues[k], out, got, want)
				}
				if closed := g.Closed[i][k]; (closed >= 0) != (sweep.Why[k] != "") || (closed >= 0 && g.Reasons[closed] != sweep.Why[k]) {
					t.Errorf("hole %v, %v m out is closed by %d, by the sweep for %q", g.AValues[k], out, closed, sweep.Why[k])
				}
				if !math.IsNaN(got) {
					best = max(best, got)
				}
			}
		}
	}
	check.Near(t, "the best pair", g.Scores[g.BestB][g.BestA], best, 1e-9)
	near, problems, err := dialin.Map(ctx, &d, "columns.apart/0", "stance.out", nil)
	if err != nil || len(problems) > 0 || len(near.Reasons) == 0 || near.Scores[0][0] == near.Scores[0][0] && near.Closed[0][0] >= 0 {
		t.Errorf("with the columns at 60 cm something is closed off, and what is has no score: %v, %v, %+v", problems, err, near.Reasons)
	}
}

func TestMapRefusesAndStops(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	for _, keys := range [][2]string{{"pulley.height/0", "pulley.height/0"}, {"load.stack/0", "stance.out"}, {"stance.out", "nothing"}} {
		if _, problems, _ := dialin.Map(ctx, &d, keys[0], keys[1], nil); len(problems) != 1 {
			t.Errorf("%v: %v", keys, problems)
		}
	}
	over, cancel := context.WithCancel(ctx)
	cancel()
	if _, _, err := dialin.Map(over, &d, "pulley.height/0", "stance.out", nil); !errors.Is(err, context.Canceled) {
		t.Errorf("a map that was called off: %v", err)
	}
}

// BenchmarkMap maps the plane of the path over the distance from the columns.
func BenchmarkMap(b *testing.B) {
	d := sample.Ready(b, "raise.behind.knee")
	pairs := 0
	for b.Loop() {
		g, problems, err := dialin.Map(ctx, &d, "path.plane", "stance.out", nil)
		if err != nil || len(problems) > 0 {
			b.Fatal(problems, err)
		}
		pairs += len(g.AValues) * len(g.BValues)
	}
	b.ReportMetric(float64(pairs)/b.Elapsed().Seconds(), "pairs/s")
}
