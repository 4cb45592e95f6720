package evaluate_test

import (
	"slices"
	"strings"
	"testing"

	"dialarc/core/report"
)

// A band that hangs loose over a part of the range is told with that part; one that is taut says how much.
func TestSlackOfABandIsTold(t *testing.T) {
	start := func(r *report.Report) report.Verdict {
		i := slices.IndexFunc(r.Verdicts, func(v report.Verdict) bool { return v.Key == "start" })
		if i < 0 {
			t.Fatal("nothing is said of the start")
		}
		return r.Verdicts[i]
	}
	d := ready(t, "fly.band.one")
	if v := start(evaluated(t, &d)); v.Tone != "ok" || v.Values["stretch"].Value < 1 {
		t.Errorf("%s %q %v", v.Tone, v.Text, v.Values)
	}
	taut := evaluated(t, &d).Parts[0].Stretch
	d.Loads[0].RestLength *= (taut[0] + slices.Max(taut)) / 2
	r := evaluated(t, &d)
	v := start(r)
	loose := 0
	for _, x := range r.Parts[0].Stretch {
		if x <= 1 {
			loose++
		}
	}
	if v.Tone != "warning" || !strings.Contains(v.Text, "slack from {from} to {to}") || loose == 0 || loose == len(r.Curves.S) {
		t.Errorf("%d of %d places slack: %s %q", loose, len(r.Curves.S), v.Tone, v.Text)
	}
	if last := r.Curves.AngleDeg[loose-1]; v.Values["to"].Value != last && !(v.Values["to"].Value-last < 1e-6 &&
		last-v.Values["to"].Value < 1e-6) {
		t.Errorf("slack to %v, told %v", last, v.Values["to"])
	}
}
