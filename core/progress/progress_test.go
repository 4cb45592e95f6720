package progress_test

import (
	"fmt"
	"math"
	"testing"
	"time"

	"dialarc/core/internal/sample"
	"dialarc/core/plan"
	"dialarc/core/progress"
	"dialarc/core/session"
)

const entryID = "00000000-0000-4000-8000-00000000000a"

// day is a session of one exercise with sets of a load, repetitions and reserve.
func day(t *testing.T, date string, planned int, load float64, sets ...[2]int) session.Session {
	e := plan.Entry{ID: entryID, SetupID: "s", Document: sample.Ready(t, "curl.dumbbell"), Sets: 3, RepsFrom: 8, RepsTo: 12, RIRFrom: 1,
		RIRTo: 2, Rest: 120}
	s := session.Session{Schema: session.Schema, Name: "A", Date: date, Entries: []plan.Entry{e},
		Planned: []session.Planned{{Entry: entryID, Sets: planned, Load: load, Reps: 10, RIR: 2}}}
	for i, x := range sets {
		s.Sets = append(s.Sets, session.Set{ID: fmt.Sprintf("%s-%d", date, i), Entry: entryID, At: date + "T17:00:00Z", Load: load, Reps: x[0],
			RIR: x[1]})
	}
	return s
}

func of(t *testing.T, sessions ...session.Session) *progress.Progress {
	t.Helper()
	return progress.Of(new(plan.Keeper), &sample.Lifter, sessions, time.Date(2026, 11, 30, 0, 0, 0, 0, time.UTC))
}

// The best set of a day is the one that says most by Epley 1985 (from memory): 14 kg for 10 with 2 left, 19.6 kg once, before 14 for 11
// with
// none, 19.1. Its limit is the torque with that load, its band one repetition either way.
func TestBestSetOfADay(t *testing.T) {
	p := of(t, day(t, "2026-11-23", 3, 14, [2]int{11, 0}, [2]int{10, 2}, [2]int{9, 1}))
	if len(p.Series) != 1 || len(p.Series[0].Points) != 1 {
		t.Fatalf("%+v", p.Series)
	}
	x := p.Series[0].Points[0]
	doc := sample.Ready(t, "curl.dumbbell")
	d, _ := plan.DigestOf(&doc)
	want := d.TorqueWith(14 * (1 + 12.0/30))
	if x.Reps != 10 || x.RIR != 2 || x.Sets != 3 || math.Abs(x.Limit.OrNaN()-want) > 1e-9 || math.Abs(x.Torque-d.TorqueWith(14)) > 1e-9 {
		t.Errorf("%+v, want a limit of %v", x, want)
	}
	if math.Abs(x.High.OrNaN()-d.TorqueWith(14*(1+13.0/30))) > 1e-9 || math.Abs(x.Low.OrNaN()-d.TorqueWith(14*(1+11.0/30))) > 1e-9 {
		t.Errorf("its band is %v to %v", x.Low, x.High)
	}
	if many := of(t, day(t, "2026-11-23", 3, 5, [2]int{22, 2})); many.Series[0].Points[0].Limit.Known() {
		t.Error("24 repetitions gave a limit")
	}
}

// Four days within one repetition are a plateau; three are not, nor are four that rise.
func TestPlateau(t *testing.T) {
	level := []session.Session{day(t, "2026-11-02", 3, 14, [2]int{10, 2}), day(t, "2026-11-09", 3, 14, [2]int{10, 2}),
		day(t, "2026-11-16", 3, 14, [2]int{9, 2}), day(t, "2026-11-23", 3, 14, [2]int{10, 2})}
	p := of(t, level...).Series[0].Plateau
	if p == nil || p.From != "2026-11-02" || len(p.Same) != 2 || p.Changed[0] != "repetitions" {
		t.Errorf("%+v", p)
	}
	if got := of(t, level[:3]...).Series[0].Plateau; got != nil {
		t.Errorf("three days: %+v", got)
	}
	level[3] = day(t, "2026-11-23", 3, 14, [2]int{12, 2})
	if s := of(t, level...).Series[0]; s.Plateau != nil || !(s.Rise.OrNaN() > 0.03) {
		t.Errorf("12 instead of 10: %+v, rise %v", s.Plateau, s.Rise)
	}
}

// The plan is held against what was done: sets missed, loads off by more than a step, sets taken back not counted, pain noted.
func TestPlanAgainstDone(t *testing.T) {
	a := day(t, "2026-11-23", 3, 14, [2]int{10, 2}, [2]int{9, 1})
	a.Planned[0].Load = 20
	a.Sets[0].Thrown = true
	a.Sets[1].Pain = &session.Pain{Joint: "elbow", Level: 5}
	a.Sets = append(a.Sets, session.Set{ID: "back", Entry: entryID, At: "2026-11-23T18:00:00Z", Load: 14, Reps: 10, Dropped: true})
	p := of(t, a)
	if got := (progress.Kept{Planned: 3, Done: 2, OffLoad: 2, Thrown: 1, Stopped: 1, Sessions: 1}); p.Plan != got {
		t.Errorf("%+v, want %+v", p.Plan, got)
	}
	if len(p.Pain) != 1 || p.Pain[0].Joint != "elbow" || p.Pain[0].Date != "2026-11-23" {
		t.Errorf("%+v", p.Pain)
	}
}

// Weeks begin on Monday, have no holes, and count a region's hard sets as a plan does.
func TestWeeks(t *testing.T) {
	p := of(t, day(t, "2026-11-09", 3, 14, [2]int{10, 2}, [2]int{10, 2}), day(t, "2026-11-29", 3, 14, [2]int{10, 2}))
	for _, r := range p.Regions {
		if r.Region != "biceps" {
			continue
		}
		if len(r.Weeks) != 3 || r.Weeks[0].Week != "2026-11-09" || r.Weeks[1].Sets != 0 || math.Abs(r.Weeks[0].Sets-2*r.Weeks[2].Sets) > 1e-9 {
			t.Errorf("%+v", r.Weeks)
		}
		return
	}
	t.Errorf("no biceps in a curl: %+v", p.Regions)
}

// Sets of the last six weeks that say a lifter is half as strong again as estimated make the strength that is proposed half as large again,
// within the spread that one set leaves; older ones and thrown ones say nothing.
func TestStrengthFromSets(t *testing.T) {
	doc := sample.Ready(t, "curl.dumbbell")
	d, _ := plan.DigestOf(&doc)
	heavy := math.Round(1.5*d.Once.OrNaN()/(1+12.0/30)*2) / 2
	p := of(t, day(t, "2026-11-23", 3, heavy, [2]int{10, 2}))
	if len(p.Strength) != 1 || p.Strength[0].Action != "elbow.flexion" || math.Abs(p.Strength[0].Factor-1.5) > 0.12 {
		t.Fatalf("%+v", p.Strength)
	}
	if s := p.Strength[0]; !(s.Now.OrNaN() > 1.2*s.Was.OrNaN()) || len(s.Sets) != 1 || s.Sets[0].Setup != doc.Name {
		t.Errorf("%+v", s)
	}
	old := day(t, "2026-09-01", 3, heavy, [2]int{10, 2})
	thrown := day(t, "2026-11-23", 3, heavy, [2]int{10, 2})
	thrown.Sets[0].Thrown = true
	for name, s := range map[string]session.Session{"old": old, "thrown": thrown} {
		if got := of(t, s).Strength; len(got) != 0 {
			t.Errorf("%s: %+v", name, got)
		}
	}
}
