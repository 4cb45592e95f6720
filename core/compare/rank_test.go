package compare_test

import (
	"context"
	"errors"
	"math"
	"slices"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/compare"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
	"dialarc/core/kit"
	"dialarc/core/setup"
)

func rankReady(t testing.TB, r *kit.Room, region, how string) []compare.RankedReady {
	t.Helper()
	list, problems, err := compare.RankReady(context.Background(), &sample.Lifter, r, "", region, how, nil)
	if err != nil || len(problems) > 0 {
		t.Fatal(problems, err)
	}
	return list
}

func place(list []compare.RankedReady, key string) int {
	return slices.IndexFunc(list, func(r compare.RankedReady) bool { return r.Ready.Key == key })
}

// What every coach would put before what (common practice, no source): lying on the side, and a cable at hand height, load the middle of
// the deltoid long, leaning forward on the feet loads it shorter; a row with the elbows wide serves the rear of the deltoid, a press none
// of it; an overhead extension loads the triceps longer than one beside the body.
func TestRankedAsCoachesWould(t *testing.T) {
	for _, c := range []struct{ region, how, before, after string }{
		{"deltoid.middle", "long", "raise.dumbbell.lying", "raise.dumbbell"},
		{"deltoid.middle", "long", "raise.behind.hand", "raise.dumbbell"},
		{"deltoid.middle", "short", "raise.dumbbell.forward", "raise.dumbbell.lying"},
		{"deltoid.posterior", "even", "row.rear", "press.flat"},
		{"triceps", "long", "extension.overhead", "pressdown.rope"},
	} {
		list := rankReady(t, nil, c.region, c.how)
		before, after := place(list, c.before), place(list, c.after)
		if before < 0 || after >= 0 && after < before {
			t.Errorf("%s %s: %s is at %d, %s at %d", c.region, c.how, c.before, before, c.after, after)
		}
	}
}

// The thirds are the whole, every number is a share, and what stops comes after what does not.
func TestRankedNumbers(t *testing.T) {
	for _, how := range compare.Hows {
		stopped := false
		list := rankReady(t, nil, "pectoralis.sternal", how)
		if len(list) < 5 {
			t.Fatalf("%s: only %d setups", how, len(list))
		}
		for i, r := range list {
			check.Near(t, r.Ready.Name, r.Thirds[0]+r.Thirds[1]+r.Thirds[2], r.Share, 1e-12)
			if r.Score < 0 || r.Score > r.Share+1e-12 || r.Even < 0 || r.Even > 1 || r.Longest.OrNaN() < r.Shortest.OrNaN() {
				t.Errorf("%s %s: %+v", how, r.Ready.Name, r.Ranked)
			}
			if stopped && len(r.Tones) == 0 {
				t.Errorf("%s: %s comes after one that stops", how, r.Ready.Name)
			}
			stopped = stopped || len(r.Tones) > 0
			if r.Aimed != (r.Ready.Region == "pectoralis.sternal" || r.Ready.Region == "pectoralis") || i > 0 && r.Aimed && !list[i-1].Aimed &&
				len(list[i-1].Tones) == 0 {
				t.Errorf("%s: %s, for %s, at %d", how, r.Ready.Name, r.Ready.Region, i)
			}
			if i > 0 && len(list[i-1].Tones) == len(r.Tones) && list[i-1].Aimed == r.Aimed && list[i-1].Score < r.Score {
				t.Errorf("%s: %s comes after %s", how, r.Ready.Name, list[i-1].Ready.Name)
			}
		}
	}
}

// In a corner with bands and a few dumbbells what needs a cable comes last and says what is missing.
func TestRankedWithWhatIsThere(t *testing.T) {
	room := kit.Corner("Corner")
	list := rankReady(t, &room, "deltoid.middle", "even")
	if len(list) == 0 || len(list[0].Ready.Missing) > 0 {
		t.Fatal("nothing can be done with a dumbbell")
	}
	lacks := false
	for _, r := range list {
		if lacks && len(r.Ready.Missing) == 0 {
			t.Errorf("%s comes after one that lacks kit", r.Ready.Name)
		}
		lacks = lacks || len(r.Ready.Missing) > 0
	}
	if i := place(list, "raise.behind.knee"); i >= 0 && len(list[i].Ready.Missing) == 0 {
		t.Error("a cable is found where there is none")
	}
}

// A raise that loads the middle of the deltoid long finds partners that do what it leaves out: every pair covers clearly more than
// either alone, and the setup itself, which is among the ready ones, is no partner of itself.
func TestPartnersComplement(t *testing.T) {
	d := sample.Ready(t, "raise.dumbbell.lying")
	room := kit.Corner("Corner")
	list, problems, err := compare.Partners(context.Background(), &d, &sample.Lifter, &room, "", nil)
	if err != nil || len(problems) > 0 || len(list) < 2 {
		t.Fatalf("%v, %v, %d partners", problems, err, len(list))
	}
	lacks := false
	for i, p := range list {
		if p.Ready.Key == "raise.dumbbell.lying" || p.Coverage <= p.Alone || p.Coverage > 1 || p.Why == "" {
			t.Errorf("%s: %g after %g, %s", p.Ready.Name, p.Coverage, p.Alone, p.Why)
		}
		if lacks && len(p.Ready.Missing) == 0 {
			t.Errorf("%s comes after one that lacks kit", p.Ready.Name)
		}
		lacks = lacks || len(p.Ready.Missing) > 0
		if i > 0 && len(list[i-1].Ready.Missing) == len(p.Ready.Missing) && list[i-1].Coverage < p.Coverage {
			t.Errorf("%s comes after %s", p.Ready.Name, list[i-1].Ready.Name)
		}
	}
	plank := sample.Ready(t, "plank")
	if _, problems, _ := compare.Partners(context.Background(), &plank, &sample.Lifter, nil, "", nil); len(problems) != 1 ||
		problems[0].Path != "target.region" {
		t.Errorf("partners of a hold: %v", problems)
	}
}

// The order of the list says nothing: turned around it gives the same ranking.
func TestRankKnowsNoOrder(t *testing.T) {
	var docs []setup.Document
	for _, r := range catalogue.All(&sample.Lifter) {
		docs = append(docs, r.Document)
	}
	one, _, _ := compare.Rank(context.Background(), docs, "biceps", "even", nil)
	slices.Reverse(docs)
	other, _, _ := compare.Rank(context.Background(), docs, "biceps", "even", nil)
	if len(one) != len(other) {
		t.Fatalf("%d and %d setups", len(one), len(other))
	}
	for i := range one {
		if math.Abs(one[i].Score-other[i].Score) > 1e-12 {
			t.Errorf("place %d: %g and %g", i, one[i].Score, other[i].Score)
		}
	}
}

func TestRankRefusesAndStops(t *testing.T) {
	for _, c := range [][2]string{{"shoulder", "long"}, {"deltoid.middle", "heavy"}} {
		if _, problems, _ := compare.Rank(context.Background(), nil, c[0], c[1], nil); len(problems) != 1 {
			t.Errorf("%v: %v", c, problems)
		}
	}
	gone, stop := context.WithCancel(context.Background())
	stop()
	if _, _, err := compare.RankReady(gone, &sample.Lifter, nil, "", "deltoid.middle", "even", nil); !errors.Is(err, context.Canceled) {
		t.Errorf("%v", err)
	}
}

func BenchmarkRankReady(b *testing.B) {
	room := kit.Large("Hall")
	for b.Loop() {
		rankReady(b, &room, "deltoid.middle", "even")
	}
}

func BenchmarkCompareSix(b *testing.B) {
	var docs []setup.Document
	for _, key := range []string{"raise.behind.knee", "raise.dumbbell", "raise.lying.wrist", "raise.leaning", "press.standing",
		"reverse.fly"} {
		docs = append(docs, sample.Ready(b, key))
	}
	for b.Loop() {
		if _, problems := compare.Of(docs); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

// The mean over several lifters is the mean of what is ranked for each, in its order, and says why.
func TestRankForSeveral(t *testing.T) {
	lifters := []setup.Lifter{sample.Lifter, {Height: 1.62, BodyMass: 58, Sex: "female"}}
	several, problems, err := compare.RankFor(t.Context(), lifters, nil, "", "biceps", "long", nil)
	if err != nil || len(problems) > 0 || len(several) < 3 {
		t.Fatal(problems, err, len(several))
	}
	score := map[string]float64{}
	for i := range lifters {
		one, _, err := compare.RankReady(t.Context(), &lifters[i], nil, "", "biceps", "long", nil)
		if err != nil {
			t.Fatal(err)
		}
		for _, r := range one {
			score[r.Ready.Key] += r.Score / 2
		}
	}
	for i, r := range several {
		check.Near(t, r.Ready.Key, r.Score, score[r.Ready.Key], 1e-9)
		if i > 0 && r.Aimed == several[i-1].Aimed && len(r.Tones) == 0 && len(several[i-1].Tones) == 0 && r.Score > several[i-1].Score+1e-9 {
			t.Errorf("%s with %.3f comes after %.3f", r.Ready.Key, r.Score, several[i-1].Score)
		}
		if r.Why == "" {
			t.Errorf("%s: no reason", r.Ready.Key)
		}
	}
	if _, problems, _ := compare.RankFor(t.Context(), nil, nil, "", "biceps", "long", nil); len(problems) != 1 {
		t.Errorf("nobody: %v", problems)
	}
}
