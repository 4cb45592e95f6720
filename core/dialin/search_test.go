package dialin_test

import (
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"math"
	"slices"
	"testing"

	"dialarc/core/dialin"
	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// planted is a setup whose drawn target is its own curve, so that no other place can fit better, turned away from there.
func planted(t *testing.T, turned map[string]float64) (away, home setup.Document) {
	t.Helper()
	home = sample.Ready(t, "raise.behind.hand")
	home.Movement.StartPlane, home.Movement.FromDeg = nil, 30 // in one plane, from where the cable is clear of the thigh
	r, problems := evaluate.Document(&home)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	n := len(r.Curves.Torque) - 1
	home.Target.Profile, home.Target.Custom = "custom", nil
	fitAlone(&home)
	for i := range 5 {
		home.Target.Custom = append(home.Target.Custom, r.Curves.Torque[i*n/4])
	}
	away = home
	for key, v := range turned {
		if away, problems = dialin.Apply(&away, key, v); len(problems) > 0 {
			t.Fatal(problems)
		}
	}
	return away, home
}

var ctx = context.Background()

// A target made from a known setting is found again: the very hole, the very plane, when the others stay; with both free the curve
// is fitted to a point of what the planted ones give, since two settings can make the same curve and less than a point is no gain. Line-up
// does not count here.
func TestSearchFindsWhatWasPlanted(t *testing.T) {
	for seed, turned := range []map[string]float64{{"pulley.height/0": 20}, {"pulley.height/0": 1}, {"stance.out": 1.4},
		{"pulley.height/0": 20, "path.plane": 100}, {"pulley.height/0": 14, "path.plane": -20}} {
		away, home := planted(t, turned)
		var free []string
		for key := range turned {
			free = append(free, key)
		}
		slices.Sort(free)
		out, problems, err := dialin.Run(ctx, &away, dialin.Goal{Free: free, Seed: uint64(seed)}, nil)
		if err != nil || len(problems) > 0 || len(out.Answers) == 0 {
			t.Fatalf("from %v: %v, %v, %+v", turned, problems, err, out)
		}
		best := slices.MaxFunc(out.Answers, func(a, b dialin.Found) int { return cmp.Compare(a.Fit, b.Fit) })
		q, _ := new(evaluate.Evaluator).Preview(&home, dialin.Samples)
		if best.Fit < q.Fit.OrNaN()-1 {
			t.Errorf("from %v: match %v, planted %v", turned, best.Fit, q.Fit.OrNaN())
		}
		if len(free) > 1 {
			continue
		}
		got := map[string]float64{}
		for _, x := range dialin.Settings(&best.Document) {
			got[x.Key] = x.Value
		}
		for _, x := range dialin.Settings(&home) {
			// a decimetre out changes the curve by less than a point
			if near := map[string]float64{"stance.out": 0.11}[x.Key]; x.Key == free[0] && math.Abs(got[x.Key]-x.Value) > near+1e-6 {
				t.Errorf("from %v: at %v, planted at %v", turned, got[x.Key], x.Value)
			}
		}
	}
}

// On a dial or two the search is never worse than trying every value, and what it gives can be done: evaluated, held, off its rest.
func TestSearchIsAsGoodAsTryingAll(t *testing.T) {
	cases := []struct {
		key  string
		free []string
	}{{"curl.behind", []string{"stance.out"}}, {"raise.behind.hand", []string{"pulley.height/0", "stance.out"}},
		{"reverse.high.bench", []string{"bench.angle", "stance.out"}}}
	for _, c := range cases {
		d := sample.Ready(t, c.key)
		fitAlone(&d)
		out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: c.free, Budget: 300}, nil)
		if err != nil || len(problems) > 0 {
			t.Fatal(problems, err)
		}
		best := math.Inf(-1)
		for _, a := range out.Answers {
			best = max(best, a.Score)
			r, problems := evaluate.Document(&a.Document)
			if len(problems) > 0 || !r.Bracing.Holds || report.Tones(r.Verdicts)["start"] == "error" ||
				report.Tones(r.Verdicts)["clearance"] == "error" {
				t.Errorf("%s: an answer that cannot be done: %v", c.key, problems)
			}
		}
		if out.Before != nil {
			best = max(best, out.Before.Score)
		}
		if all := everyValue(t, &d, c.free, told(t, &d)); best < all-1.5-1e-9 { // gains under a point are no answers, robust ones go first
			t.Errorf("%s: %v, trying all gives %v", c.key, best, all)
		}
	}
}

// told are the cautions of a report and the places of its warnings.
func told(t testing.TB, d *setup.Document) []string {
	t.Helper()
	r, problems := evaluate.Document(d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	var all []string
	for _, c := range r.Cautions {
		all = append(all, c.Key)
	}
	for _, w := range r.Warnings {
		all = append(all, w.Path)
	}
	return all
}

func adds(before, after []string) bool {
	return slices.ContainsFunc(after, func(key string) bool { return !slices.Contains(before, key) })
}

// everyValue is the best match of all combinations that can be done without further cautions or leaving the owned ranges.
func everyValue(t testing.TB, d *setup.Document, free, before []string) float64 {
	t.Helper()
	var e evaluate.Evaluator
	if len(free) == 0 {
		q, problems := e.Preview(d, dialin.Samples)
		if len(problems) > 0 || !q.Fit.Known() || q.Tones["start"] == "error" || q.Tones["clearance"] == "error" || q.Effort.OrNaN() > 1 {
			return math.Inf(-1)
		}
		if b, problems := e.Brace(d); len(problems) > 0 || !b.Holds || adds(before, told(t, d)) {
			return math.Inf(-1)
		}
		return q.Fit.OrNaN()
	}
	best := math.Inf(-1)
	for _, s := range dialin.Settings(d) {
		if s.Key != free[0] {
			continue
		}
		for v := s.From; v <= s.To+1e-9; v += s.Step {
			turned, problems := dialin.Apply(d, s.Key, v)
			if len(problems) > 0 {
				t.Fatal(problems)
			}
			best = max(best, everyValue(t, &turned, free[1:], before))
		}
	}
	return best
}

// A lifter who owns little range out to the side, and a band near its caution: no answer leaves the one or meets the other.
func TestAnswersKeepCautionsAndOwnedRanges(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	d.Lifter.Ranges = map[string]setup.Range{"shoulder.planeOfElevation": {FromDeg: 10, ToDeg: 60}}
	d.Movement.Hold["shoulder.planeOfElevationDeg"] = 50
	band := sample.Ready(t, "fly.band.wide")
	for _, c := range []struct {
		d    setup.Document
		free []string
	}{{d, []string{"path.plane", "stance.out", "pulley.height/0"}}, {band, []string{"stance.out", "band.height/0", "band.out/0"}}} {
		before := told(t, &c.d)
		out, problems, err := dialin.Run(ctx, &c.d, dialin.Goal{Free: c.free, Budget: 300}, nil)
		if err != nil || len(problems) > 0 {
			t.Fatal(problems, err)
		}
		for _, a := range out.Answers {
			if after := told(t, &a.Document); adds(before, after) {
				t.Errorf("%s: from %v to %v", c.d.Name, before, after)
			}
		}
	}
}

// What counts decides: with what goes out of plane worth a lot no answer has more of it than with it worth nothing; a goal outside its
// bounds is refused at its names.
func TestWeightsDecide(t *testing.T) {
	d, _ := planted(t, map[string]float64{"pulley.height/0": 20})
	d.Target.Profile = "match"
	free := []string{"pulley.height/0", "stance.out", "path.plane"}
	off := map[float64]float64{}
	for _, w := range []float64{0, 200} {
		d.Scoring.OutOfPlane = &w
		out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: free, Answers: 1}, nil)
		if err != nil || len(problems) > 0 || len(out.Answers) == 0 {
			t.Fatal(problems, err)
		}
		q, _ := new(evaluate.Evaluator).Preview(&out.Answers[0].Document, dialin.Samples)
		off[w] = q.OffAxis.OrNaN()
	}
	if off[200] > off[0]+1e-9 {
		t.Errorf("off the axis %v", off)
	}
	for path, g := range map[string]dialin.Goal{"sensitive": {Sensitive: new(-1.0)}, "mostChanges": {MostChanges: 21},
		"change":       {Change: new(math.NaN())},
		"aims[0].kind": {Aims: []dialin.Aim{{Kind: "better"}}}, "aims[0].value": {Aims: []dialin.Aim{{Kind: "endAtLeast", Value: 2}}},
		"aims[0].document": {Aims: []dialin.Aim{{Kind: "like"}}}} {
		g.Free = free
		if _, problems, _ := dialin.Run(ctx, &d, g, nil); len(problems) != 1 || problems[0].Path != path {
			t.Errorf("%s: %v", path, problems)
		}
	}
}

// A locked setting is turned neither by a search that is not told which to turn, nor by a mend; its lock goes along when loads before
// it go or come.
func TestLockedSettingsStay(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	lockable := func(d *setup.Document) (usual, locked []string) {
		for _, s := range dialin.Settings(d) {
			if s.Usual {
				usual = append(usual, s.Key)
			}
			if s.Lock {
				locked = append(locked, s.Key)
			}
		}
		return usual, locked
	}
	all, _ := lockable(&d)
	d.Locked = all
	if usual, locked := lockable(&d); len(usual) != 0 || !slices.Equal(locked, all) {
		t.Errorf("usual %v, locked %v", usual, locked)
	}
	mends, problems := new(dialin.Sweeper).Suggestions(t.Context(), &d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	for _, m := range mends {
		if slices.Contains(all, m.Key) {
			t.Errorf("a mend turns %s", m.Key)
		}
	}
	two, _ := edits.WithLoad(&d, "dumbbell")
	two.Locked = []string{"load.mass/1", "path.plane"}
	one, _ := edits.WithoutLoad(&two, 0)
	if _, locked := lockable(&one); !slices.Equal(locked, []string{"load.mass/0", "path.plane"}) {
		t.Errorf("locked %v", locked)
	}
}

// What a step does is what evaluating the turned document shows.
func TestStepsAreWhatTheyDo(t *testing.T) {
	d := sample.Ready(t, "raise.behind.knee")
	fitAlone(&d)
	steps, problems := dialin.Steps(&d)
	if len(problems) > 0 || len(steps) < 10 {
		t.Fatalf("%v, %d steps", problems, len(steps))
	}
	d.Samples = dialin.Samples
	before, _ := evaluate.Document(&d)
	for i, s := range steps {
		if s.Score == nil {
			if s.Why == "" {
				t.Errorf("%s to %v: nothing and no reason", s.Key, s.To)
			}
			continue
		}
		if i > 0 && steps[i-1].Score != nil && math.Abs(*steps[i-1].Score) < math.Abs(*s.Score) {
			t.Errorf("%s comes after a smaller one", s.Key)
		}
		turned, _ := dialin.Apply(&d, s.Key, s.To)
		after, problems := evaluate.Document(&turned)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		check.Near(t, s.Key+", fit", *s.Score, after.Profile.Fit.OrNaN()-before.Profile.Fit.OrNaN(), 1e-6)
		check.Near(t, s.Key+", peak", *s.Peak, after.Profile.Total.Peak.OrNaN()-before.Profile.Total.Peak.OrNaN(), 1e-6)
	}
}

// An answer changes nothing that brings next to nothing: each change that is taken back alone costs what a change has to bring.
func TestAnswersChangeNothingForNothing(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	fitAlone(&d)
	const change = 1.5
	g := dialin.Goal{Free: []string{"pulley.height/0", "stance.out", "path.plane", "strap/0", "path.elbow"}, Seed: 3, Budget: 300,
		Change: new(change), Sensitive: new(0.0)}
	out, problems, err := dialin.Run(ctx, &d, g, func(float64) {})
	if err != nil || len(problems) > 0 || len(out.Answers) == 0 {
		t.Fatalf("%v, %v, %+v", problems, err, out)
	}
	var e evaluate.Evaluator
	best := out.Answers[0]
	for _, c := range best.Changes {
		without, problems := dialin.Apply(&best.Document, c.Key, c.From)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		q, problems := e.Preview(&without, dialin.Samples)
		l, more := e.Limits(&without)
		usable := len(problems)+len(more) == 0 && l.Holds && q.Tones["start"] != "error" && q.Tones["clearance"] != "error" && len(l.Told) == 0
		if usable && q.Fit.Or(0) > best.Fit-change+0.01 {
			t.Errorf("%s from %v to %v brings %.2f points", c.Key, c.From, c.To, best.Fit-q.Fit.Or(0))
		}
	}
	if len(best.Changes) == 0 {
		t.Error("nothing is changed")
	}
}

// The gains of the changes add up to the whole; locked settings stay; the load stays; the same seed gives the same answers.
func TestAnswersAreExplainedAndRepeatable(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	g := dialin.Goal{Free: []string{"pulley.height/0", "stance.out", "path.plane", "strap/0"}, Seed: 7, Budget: 300}
	var told []float64
	out, problems, err := dialin.Run(ctx, &d, g, func(share float64) { told = append(told, share) })
	if err != nil || len(problems) > 0 || len(out.Answers) == 0 || out.Before == nil {
		t.Fatalf("%v, %v, %+v", problems, err, out)
	}
	before := map[string]float64{}
	for _, s := range dialin.Settings(&d) {
		before[s.Key] = s.Value
	}
	for _, a := range out.Answers {
		sum := out.Before.Score
		turned := map[string]bool{}
		for _, c := range a.Changes {
			sum += c.Gain
			turned[c.Key] = true
			check.Near(t, c.Key+" before", c.From, before[c.Key], 1e-9)
		}
		check.Near(t, "the gains together", sum, a.Score, 1e-6)
		for _, s := range dialin.Settings(&a.Document) {
			if !turned[s.Key] && math.Abs(s.Value-before[s.Key]) > 1e-9 {
				t.Errorf("%s went from %v to %v unsaid", s.Key, before[s.Key], s.Value)
			}
		}
	}
	if !slices.IsSorted(told) || told[len(told)-1] != 1 {
		t.Errorf("progress %v", told)
	}
	again, _, _ := dialin.Run(ctx, &d, g, nil)
	one, _ := json.Marshal(out)
	two, _ := json.Marshal(again)
	if string(one) != string(two) {
		t.Errorf("the same seed gave\n%s\nand\n%s", one, two)
	}
}

func TestSearchRefusesAndStops(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	for path, free := range map[string][]string{"free": nil, "nothing/0": {"nothing/0"}, "load.stack/0": {"load.stack/0"}} {
		if _, problems, _ := dialin.Run(ctx, &d, dialin.Goal{Free: free}, nil); len(problems) != 1 || problems[0].Path != path {
			t.Errorf("%v: %v", free, problems)
		}
	}
	over, cancel := context.WithCancel(ctx)
	cancel()
	if _, _, err := dialin.Run(over, &d, dialin.Goal{Free: []string{"stance.out"}}, nil); !errors.Is(err, context.Canceled) {
		t.Errorf("a search that was called off: %v", err)
	}
}

// BenchmarkSearch turns five settings of a heavy setup at the usual budget.
func BenchmarkSearch(b *testing.B) {
	d := sample.Ready(b, "raise.behind.knee")
	looked := 0
	for b.Loop() {
		out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: []string{"pulley.height/0", "columns.apart/0", "strap/0", "stance.out",
			"path.plane"}}, nil)
		if err != nil || len(problems) > 0 {
			b.Fatal(problems, err)
		}
		looked += out.Looked
	}
	b.ReportMetric(float64(looked)/b.Elapsed().Seconds(), "setups/s")
}

// BenchmarkSearchAgainstGrid turns three settings, and tries every value of them: how many times fewer setups the search looks at, and
// how many points of match it stays below.
func BenchmarkSearchAgainstGrid(b *testing.B) {
	d := sample.Ready(b, "raise.behind.knee")
	d, _ = dialin.Apply(&d, "pulley.height/0", 1)
	fitAlone(&d)
	free := []string{"pulley.height/0", "stance.out", "path.plane"}
	for b.Loop() {
		out, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: free, Sensitive: new(0.0)}, nil)
		if err != nil || len(problems) > 0 || len(out.Answers) == 0 {
			b.Fatal(problems, err)
		}
		grid := 1
		for _, s := range dialin.Settings(&d) {
			if slices.Contains(free, s.Key) {
				grid *= int(math.Round((s.To-s.From)/s.Step)) + 1
			}
		}
		b.ReportMetric(float64(grid)/float64(out.Looked), "grid/search")
		b.ReportMetric(everyValue(b, &d, free, told(b, &d))-out.Answers[0].Fit, "points-below")
	}
}
