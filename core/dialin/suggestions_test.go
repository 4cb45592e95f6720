package dialin_test

import (
	"slices"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/internal/sample"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// mended is the document with a mend applied, as a click does it.
func mended(t *testing.T, d *setup.Document, m *dialin.Suggestion) setup.Document {
	t.Helper()
	if m.Document != nil {
		return *m.Document
	}
	turned, problems := dialin.Apply(d, m.Key, m.To)
	if len(problems) > 0 {
		t.Fatalf("%+v: %v", m, problems)
	}
	return turned
}

// Every mend that is offered mends: its verdict gets better, and none of the others worse.
func TestEveryMendMends(t *testing.T) {
	var w dialin.Sweeper
	offered := map[string]int{}
	all := catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75})
	for _, out := range []float64{0.3, 0.4, 0.5, 0.6} { // too near, the cables rub on body or thighs
		for _, key := range []string{"raise.behind.hand", "raise.behind.knee", "raise.behind.seated"} {
			near := sample.Ready(t, key)
			near.Posture.X = out
			all = append(all, catalogue.Ready{Key: "near " + key, Document: near})
		}
	}
	for _, mass := range []float64{80, 85} { // for a low back
		heavy := sample.Ready(t, "row.hinged")
		heavy.Loads[0].Mass = mass
		all = append(all, catalogue.Ready{Key: "heavy row", Document: heavy})
	}
	stacked := func(l setup.Load) bool { return l.StackMass > 0 }
	for _, r := range all {
		for _, heavier := range []float64{1, 2} {
			if heavier > 1 && !slices.ContainsFunc(r.Document.Loads, stacked) {
				continue
			}
			d := r.Document.Clone()
			for i := range d.Loads {
				d.Loads[i].StackMass *= heavier
			}
			rep, problems := evaluate.Document(&d)
			if len(problems) > 0 {
				continue
			}
			before := report.Tones(rep.Verdicts)
			mends, _ := w.Suggestions(t.Context(), &d)
			for i := range mends {
				m := &mends[i]
				offered[m.Verdict]++
				if before[m.Verdict] == "ok" || (m.Key == "") == (m.Document == nil) || m.Label == "" {
					t.Errorf("%s: %+v mends what is good, or is not complete", r.Key, m)
				}
				turned := mended(t, &d, m)
				after, problems := evaluate.Document(&turned)
				if len(problems) > 0 {
					t.Errorf("%s: %s %s: %v", r.Key, m.Label, m.Key, problems)
					continue
				}
				tones := report.Tones(after.Verdicts)
				if !report.Worse(before[m.Verdict], tones[m.Verdict]) {
					t.Errorf("%s: %s %s does not mend %s", r.Key, m.Label, m.Key, m.Verdict)
				}
				for _, key := range []string{"profile", "start", "clearance", "stability", "jointLoad"} {
					if key != m.Verdict && report.Worse(tones[key], before[key]) {
						t.Errorf("%s: %s %s makes %s %s", r.Key, m.Label, m.Key, key, tones[key])
					}
				}
			}
		}
	}
	for _, key := range []string{"alignment", "stability", "clearance", "jointLoad"} {
		if offered[key] < 2 {
			t.Errorf("%s was mended %d times", key, offered[key])
		}
	}
	t.Log(offered)
}

// A stack that all but rests is lifted by the smallest step out or move of the pulley.
func TestStartIsMended(t *testing.T) {
	d := raise(t)
	least := func() float64 {
		r, problems := evaluate.Document(&d)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		return r.Starts[0].Least
	}
	d.Loads[0].AttachmentLength += least() - 0.01 // a longer strap, until only a centimetre is left
	if l := least(); l > 0.011 {
		t.Fatalf("still lifted %.3f m", l)
	}
	var w dialin.Sweeper
	mends, _ := w.Suggestions(t.Context(), &d)
	for i := range mends {
		if mends[i].Verdict == "start" {
			d = mended(t, &d, &mends[i])
			if l := least(); l < 0.02 {
				t.Errorf("%s to %v lifts only %.3f m", mends[i].Label, mends[i].To, l)
			}
			return
		}
	}
	t.Errorf("no mend for the start: %+v", mends)
}
