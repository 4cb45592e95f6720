package dialin_test

import (
	"encoding/json"
	"math"
	"math/rand/v2"
	"runtime"
	"slices"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/dial"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
	"dialarc/core/setup"
)

// usualFree are the settings that a search turns unless told otherwise.
func usualFree(d *setup.Document) []string {
	var keys []string
	for _, s := range dialin.Settings(d) {
		if s.Usual {
			keys = append(keys, s.Key)
		}
	}
	return keys
}

// Over the whole library no answer gives the target away: its mean contribution never falls by more than 2 points, and a tenth of the
// range at most goes. What the answers say of themselves is what evaluating them shows.
func TestNoAnswerGivesTheTargetAway(t *testing.T) {
	var e evaluate.Evaluator
	answers := 0
	for n, ready := range catalogue.All(&sample.Lifter) {
		if n%4 != 0 { // a search takes its time; which of them show it does not matter
			continue
		}
		d := ready.Document
		free := usualFree(&d)
		before, problems := e.Rate(&d, dialin.Samples)
		if len(free) == 0 || len(problems) > 0 {
			continue
		}
		out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: free, Budget: 20}, nil)
		if err != nil || len(problems) > 0 {
			t.Fatalf("%s: %v, %v", ready.Key, problems, err)
		}
		for _, a := range out.Answers {
			answers++
			after, problems := e.Rate(&a.Document, dialin.Samples)
			if len(problems) > 0 {
				t.Errorf("%s: %v", ready.Key, problems)
				continue
			}
			if was, is := before.Target.Or(0), after.Target.Or(0); is < was-0.02-1e-9 {
				t.Errorf("%s: %v: the target goes from %.1f to %.1f %%", ready.Key, a.Titles, 100*was, 100*is)
			}
			if kept := rangeKept(&d, &before, &after); kept < 0.9-1e-9 {
				t.Errorf("%s: %v: %.0f %% of the range stay", ready.Key, a.Titles, 100*kept)
			}
			check.Near(t, ready.Key+": fit", a.Fit, after.Fit.OrNaN(), 1e-9)
			check.Near(t, ready.Key+": the parts", a.Points.Total(), a.Score, 1e-9)
		}
	}
	if answers < 40 {
		t.Errorf("only %d answers in all", answers)
	}
}

// rangeKept is the share of a range that stays: of the coordinate that sweeps, or, where it is no single one, of what the joint sweeps.
func rangeKept(d *setup.Document, before, after *evaluate.Rating) float64 {
	if d.Movement.Kind != "sweep" && d.Movement.Kind != "shoulder-raise" {
		return after.Swept / before.Swept
	}
	low, high := max(before.Ends[0], after.Ends[0]), min(before.Ends[1], after.Ends[1])
	if before.Ends[0] > before.Ends[1] {
		low, high = max(before.Ends[1], after.Ends[1]), min(before.Ends[0], after.Ends[0])
	}
	return (high - low) / math.Abs(before.Ends[1]-before.Ends[0])
}

// A coach who releases the target sees what it costs, and gets what scores at least as well.
func TestReleasedTargetIsSeen(t *testing.T) {
	d := sample.Ready(t, "raise.behind.knee")
	free := usualFree(&d)
	kept, _, _ := dialin.Run(ctx, &d, dialin.Goal{Free: free, Budget: 150}, nil)
	d.Scoring = &setup.Scoring{TargetLoss: new(100.0), Target: new(0.0)}
	released, _, _ := dialin.Run(ctx, &d, dialin.Goal{Free: free, Budget: 150}, nil)
	if len(kept.Answers) == 0 || len(released.Answers) == 0 {
		t.Fatalf("%d and %d answers", len(kept.Answers), len(released.Answers))
	}
	best := func(s *dialin.Search) (fit, least float64) {
		least = 1
		for _, a := range s.Answers {
			fit, least = max(fit, a.Fit), min(least, a.Target.Or(0))
		}
		return fit, least
	}
	fit, least := best(kept)
	wide, low := best(released)
	if wide < fit-1e-9 || low > least+1e-9 {
		t.Errorf("held to the target the fit is %.1f with %.2f of it, released %.1f with %.2f", fit, least, wide, low)
	}
}

// scoreOf is the score of a document by itself.
func scoreOf(t *testing.T, d *setup.Document) float64 {
	t.Helper()
	p, problems := new(dialin.Sweeper).Paint(d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return p.Score.OrNaN()
}

// Trying every value of three settings is never better than the search by more than half a point.
func TestSearchIsNotBeatenByTryingAll(t *testing.T) {
	d := sample.Ready(t, "raise.behind.knee")
	free := []string{"pulley.height/0", "stance.out", "path.plane"}
	times := 2000 // of the 29,000 there are
	out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: free, Sensitive: new(0.0), Change: new(0.0)}, nil)
	if err != nil || len(problems) > 0 || len(out.Answers) == 0 {
		t.Fatalf("%v, %v, %+v", problems, err, out)
	}
	best := out.Before.Score
	for _, a := range out.Answers {
		best = max(best, a.Score)
	}
	before := told(t, &d)
	var e evaluate.Evaluator
	r := rand.New(rand.NewPCG(3, 17))
	settings := map[string]dial.Setting{}
	for _, s := range dialin.Settings(&d) {
		settings[s.Key] = s
	}
	tried := 0
	for range times {
		turned := d
		for _, key := range free {
			s := settings[key]
			steps := int(math.Round((s.To - s.From) / s.Step))
			var problems setup.Problems
			if turned, problems = dialin.Apply(&turned, key, s.From+float64(r.IntN(steps+1))*s.Step); len(problems) > 0 {
				t.Fatal(problems)
			}
		}
		if score, usable := usableScore(t, &e, &d, &turned, best, before); usable {
			tried++
			if score > best+0.5 {
				t.Errorf("%v scores %.2f, the best answer %.2f", valuesOf(&turned, free), score, best)
			}
		}
	}
	t.Logf("%d places that could be used, best answer %.2f", tried, best)
}

func valuesOf(d *setup.Document, keys []string) []float64 {
	var out []float64
	for _, s := range dialin.Settings(d) {
		if slices.Contains(keys, s.Key) {
			out = append(out, s.Value)
		}
	}
	return out
}

// usableScore is the score of what was made of a document, whether it can be used as an answer; what scores less than the best is not
// looked at any further.
func usableScore(t *testing.T, e *evaluate.Evaluator, d, turned *setup.Document, best float64, told []string) (float64, bool) {
	t.Helper()
	before, _ := e.Rate(d, dialin.Samples)
	r, problems := e.Rate(turned, dialin.Samples)
	if len(problems) > 0 || r.Tones["start"] == "error" || r.Tones["clearance"] == "error" || r.Effort.Or(2) > 1 || r.Hurts != "" ||
		r.Target.Or(0) < before.Target.Or(0)-0.02 {
		return 0, false
	}
	score := 60*r.Fit.Or(0)/100 + 40*r.Target.Or(0) + costs(&r)
	if score <= best+0.5 {
		return score, true
	}
	l, problems := e.Limits(turned)
	return score, len(problems) == 0 && l.Holds && !adds(told, l.Told)
}

// costs are what a rating pays by the usual weights, negative.
func costs(r *evaluate.Rating) float64 {
	sum := -40*math.Min(1, r.OffAxis.Or(0)) - 30*max(0, r.LowBack.Or(0)-1) - 30*max(0, r.Grip.Or(0)-1)
	for _, verdict := range []string{"start", "clearance"} {
		if r.Tones[verdict] == "warning" {
			sum -= 3
		}
	}
	return sum
}

// No place that can be used has both a better fit and more of the target than a point of the front.
func TestFrontIsNotDominated(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	free := []string{"pulley.height/0", "stance.out", "path.plane", "strap/0"}
	out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: free}, nil)
	if err != nil || len(problems) > 0 || len(out.Front) < 2 {
		t.Fatalf("%v, %v, %d points", problems, err, len(out.Front))
	}
	for i := 1; i < len(out.Front); i++ {
		if a, b := out.Front[i-1], out.Front[i]; !(b.Fit > a.Fit && b.Target < a.Target) {
			t.Errorf("point %d: fit %v to %v, target %v to %v", i, a.Fit, b.Fit, a.Target, b.Target)
		}
	}
	before := told(t, &d)
	var e evaluate.Evaluator
	start, _ := e.Rate(&d, dialin.Samples)
	r := rand.New(rand.NewPCG(5, 17))
	for range 2000 {
		turned := d
		for _, s := range dialin.Settings(&d) {
			if slices.Contains(free, s.Key) {
				steps := int(math.Round((s.To - s.From) / s.Step))
				turned, _ = dialin.Apply(&turned, s.Key, s.From+float64(r.IntN(steps+1))*s.Step)
			}
		}
		q, problems := e.Rate(&turned, dialin.Samples)
		if len(problems) > 0 || q.Tones["start"] == "error" || q.Tones["clearance"] == "error" || q.Effort.Or(2) > 1 || q.Hurts != "" ||
			q.Target.Or(0) < start.Target.Or(0)-0.02 {
			continue
		}
		if costs(&q) < costs(&start)-2 {
			continue // out of plane is no bargain
		}
		for _, p := range out.Front {
			if q.Fit.Or(0) > p.Fit+1e-9 && q.Target.Or(0) > p.Target+1e-9 {
				if l, problems := e.Limits(&turned); len(problems) == 0 && l.Holds && !adds(before, l.Told) {
					t.Errorf("fit %.2f with %.3f of the target lies beyond the front's %.2f with %.3f", q.Fit.Or(0), q.Target.Or(0), p.Fit, p.Target)
				}
			}
		}
	}
}

// Aims made from a known setting are met from twenty places that are elsewhere: the profile that it has there, to the nearest hole, and
// hardest where it is hardest there, to three degrees, since holes side by side are hardest at nearly the same angle.
func TestAimsAreMet(t *testing.T) {
	home, problems := dialin.Apply(new(sample.Ready(t, "raise.behind.hand")), "pulley.height/0", 3)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	var e evaluate.Evaluator
	at, _ := e.Rate(&home, dialin.Samples)
	for start := range 20 { // of the 28 holes those that are clearly elsewhere
		away, _ := dialin.Apply(&home, "pulley.height/0", float64(start+9))
		away.Scoring = &setup.Scoring{TargetLoss: new(100.0)}
		for _, aim := range []dialin.Aim{{Kind: "hardestAt", Value: at.PeakDeg.OrNaN()}, {Kind: "like", Document: &home}} {
			out, problems, err := dialin.Run(ctx, &away, dialin.Goal{Free: []string{"pulley.height/0"}, Aims: []dialin.Aim{aim}, Seed: uint64(start),
				Budget: 30}, nil)
			if err != nil || len(problems) > 0 || len(out.Answers) == 0 {
				t.Fatalf("%s from hole %v: %v, %v, %+v", aim.Kind, start+9, problems, err, out)
			}
			holes, degrees := math.Inf(1), math.Inf(1)
			for _, a := range out.Answers {
				r, _ := e.Rate(&a.Document, dialin.Samples)
				holes = min(holes, math.Abs(valuesOf(&a.Document, []string{"pulley.height/0"})[0]-3))
				degrees = min(degrees, math.Abs(r.PeakDeg.OrNaN()-at.PeakDeg.OrNaN()))
			}
			if (aim.Kind == "like" && holes > 1) || degrees > 3 {
				t.Errorf("%s from hole %v: the nearest answer is %v holes and %.1f degrees away", aim.Kind, start+9, holes, degrees)
			}
		}
	}
}

// What is asked for at the end, across the joint and of the target is kept by every answer, or it costs points that say so.
func TestAimsCost(t *testing.T) {
	d := sample.Ready(t, "raise.behind.knee")
	var e evaluate.Evaluator
	at, _ := e.Rate(&d, dialin.Samples)
	for _, aim := range []dialin.Aim{{Kind: "endAtLeast", Value: min(0.95, at.EndShare.OrNaN()+0.1)},
		{Kind: "shearAtMost", Value: 0.9 * at.Shear.OrNaN()}, {Kind: "targetAtLeast", Value: at.Target.OrNaN() + 0.02}} {
		out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: usualFree(&d), Aims: []dialin.Aim{aim}, Budget: 100}, nil)
		if err != nil || len(problems) > 0 || len(out.Answers) == 0 || out.Before == nil {
			t.Fatalf("%s: %v, %v", aim.Kind, problems, err)
		}
		if out.Before.Points.Aims >= 0 {
			t.Errorf("%s: the setup as it was misses the aim and pays %v", aim.Kind, out.Before.Points.Aims)
		}
		best := math.Inf(-1)
		for _, a := range out.Answers {
			best = max(best, a.Points.Aims)
			r, _ := e.Rate(&a.Document, dialin.Samples)
			met := map[string]bool{"endAtLeast": r.EndShare.OrNaN() >= aim.Value, "shearAtMost": r.Shear.OrNaN() <= aim.Value,
				"targetAtLeast": r.Target.OrNaN() >= aim.Value}[aim.Kind]
			if met != (a.Points.Aims > -1e-9) {
				t.Errorf("%s: met %v, it costs %v", aim.Kind, met, -a.Points.Aims)
			}
		}
		if !(best > out.Before.Points.Aims) {
			t.Errorf("%s: no answer comes nearer to it", aim.Kind)
		}
	}
}

// An answer that may change two settings changes two at most, and one that changes one setting is among the answers where it gains.
func TestFewChanges(t *testing.T) {
	d := sample.Ready(t, "raise.behind.knee")
	out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: usualFree(&d), MostChanges: 2, Budget: 100}, nil)
	if err != nil || len(problems) > 0 || len(out.Answers) == 0 {
		t.Fatal(problems, err)
	}
	for _, a := range out.Answers {
		if len(a.Changes) > 2 || len(a.Changes) == 0 {
			t.Errorf("%v changes %d settings", a.Titles, len(a.Changes))
		}
	}
	if !slices.ContainsFunc(out.Answers, func(a dialin.Found) bool { return slices.Contains(a.Titles, "oneChange") && len(a.Changes) == 1 }) {
		t.Error("no answer changes one setting alone")
	}
}

// The same seed gives the same answers on one processor and on eight.
func TestSameAnswersOnAnyProcessors(t *testing.T) {
	d := sample.Ready(t, "curl.behind")
	run := func(processors int) string {
		defer runtime.GOMAXPROCS(runtime.GOMAXPROCS(processors))
		out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: usualFree(&d), Seed: 4, Budget: 80}, nil)
		if err != nil || len(problems) > 0 {
			t.Fatal(problems, err)
		}
		raw, _ := json.Marshal(out)
		return string(raw)
	}
	if one, eight := run(1), run(8); one != eight {
		t.Errorf("on one processor\n%.400s\non eight\n%.400s", one, eight)
	}
}

// The score that a search tells of an answer is the score that the dials show once it is taken.
func TestAnswerScoresAsTheDialsSay(t *testing.T) {
	d := sample.Ready(t, "raise.behind.knee")
	out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: usualFree(&d), Budget: 100}, nil)
	if err != nil || len(problems) > 0 || len(out.Answers) == 0 || out.Before == nil {
		t.Fatal(problems, err)
	}
	check.Near(t, "before", scoreOf(t, &d), out.Before.Score, 1e-9)
	for _, a := range out.Answers {
		check.Near(t, "the answer", scoreOf(t, &a.Document), a.Score, 1e-9)
	}
}
