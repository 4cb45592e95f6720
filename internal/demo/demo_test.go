package demo_test

import (
	"context"
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"os"
	"testing"
	"time"

	"dialarc/core/emg"
	"dialarc/core/evaluate"
	"dialarc/core/progress"
	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
	"dialarc/internal/localpg"
	"dialarc/internal/store"
)

var database *localpg.Testing

func TestMain(m *testing.M) { os.Exit(localpg.RunTests(m, &database)) }

// Everything that the demo shows evaluates without gaps, warnings or more effort than the lifter has.
func TestDemoSetupsAreSound(t *testing.T) {
	documents := demo.Documents()
	if len(documents) != 4*5+2+15+4+5 {
		t.Errorf("four lifters with five raises each and 26 setups more, not %d", len(documents))
	}
	for _, d := range documents {
		r, problems := evaluate.Document(&d)
		if len(problems) > 0 {
			t.Errorf("%s, %v kg: %v", d.Name, d.Lifter.BodyMass, problems)
			continue
		}
		if e := r.Profile.PeakEffort; !r.Hold && (!e.Known() || e.OrNaN() > 1) || len(r.Gaps)+len(r.Warnings) > 0 {
			t.Errorf("%s, %v kg: effort %+v, gaps %v, warnings %v", d.Name, d.Lifter.BodyMass, e, r.Gaps, r.Warnings)
		}
	}
}

// The troupe has trained for eight weeks through the interface: every lifter has a block and sessions, one week was missed, a shoulder
// hurt, one setup stands still and the others rise; training again adds nothing.
func TestTroupeHasTrained(t *testing.T) {
	ctx := context.Background()
	s, coach, err := store.OpenFor(ctx, database.New(t), demo.CoachName)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	if err := demo.Load(ctx, s, coach); err != nil {
		t.Fatal(err)
	}
	api := &httpapi.Server{Store: s, Coach: coach}
	today := time.Date(2026, 11, 29, 9, 0, 0, 0, time.UTC)
	for range 2 {
		if err := demo.Train(ctx, api.Handler(), today); err != nil {
			t.Fatal(err)
		}
	}
	lifters, _, err := s.Lifters(ctx, coach.ID, false, "", store.Page{Limit: 10})
	if err != nil || len(lifters) != 6 {
		t.Fatalf("%d lifters, %v", len(lifters), err)
	}
	for _, l := range lifters {
		blocks, err := s.BlocksOf(ctx, coach.ID, l.ID)
		if err != nil || len(blocks) != 1 {
			t.Errorf("%s has %d blocks, %v", l.Name, len(blocks), err)
		}
		want := 24
		if l.Name == "Madoc Quill" {
			want = 21
		}
		p := trained(t, api.Handler(), l.ID)
		if p.Plan.Sessions != want {
			t.Errorf("%s trained %d times, want %d", l.Name, p.Plan.Sessions, want)
		}
		rising, level := 0, map[string]bool{}
		for _, x := range p.Series {
			if x.Rise.Or(0) > 0.05 {
				rising++
			}
			level[x.Name] = x.Plateau != nil
		}
		if rising == 0 {
			t.Errorf("nothing rises for %s", l.Name)
		}
		if l.Name == "Suvi Brandt" && !level["Dumbbell lateral raise"] {
			t.Error("the raise that should stand still does not")
		}
		if hurt := len(p.Pain) > 0; hurt != (l.Name == "Ilvane Torsk") {
			t.Errorf("%s: pain %+v", l.Name, p.Pain)
		}
	}
}

// trained is what a lifter's sessions come to, as the interface tells it.
func trained(t *testing.T, api http.Handler, lifter string) progress.Progress {
	t.Helper()
	answer := httptest.NewRecorder()
	api.ServeHTTP(answer, httptest.NewRequest(http.MethodGet, "/api/lifters/"+lifter+"/progress", nil))
	var p progress.Progress
	if err := json.Unmarshal(answer.Body.Bytes(), &p); err != nil || answer.Code != http.StatusOK {
		t.Fatalf("%d, %v", answer.Code, err)
	}
	return p
}

// The troupe's study is whole: four lifters, both setups, with their samples; it is made once, and its cable asks more than the dumbbell.
func TestStudy(t *testing.T) {
	ctx := context.Background()
	s, coach, err := store.OpenFor(ctx, database.New(t), demo.CoachName)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	if err := demo.Load(ctx, s, coach); err != nil {
		t.Fatal(err)
	}
	day := time.Date(2026, 11, 29, 9, 0, 0, 0, time.UTC)
	for range 2 {
		if err := demo.Study(ctx, s, coach, day); err != nil {
			t.Fatal(err)
		}
	}
	rows, n, err := s.Studies().List(ctx, coach.ID, store.Page{Limit: 10})
	if err != nil || n != 1 {
		t.Fatal(n, err)
	}
	var study emg.Study
	if err := json.Unmarshal(rows[0].Document, &study); err != nil || len(study.Check()) > 0 {
		t.Fatal(err, study.Check())
	}
	var captures []emg.Capture
	for _, l := range study.Lifters {
		kept, err := s.Captures(ctx, coach.ID, l.ID, store.Page{Limit: 10})
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range kept {
			var doc emg.Capture
			if err := json.Unmarshal(c.Document, &doc); err != nil || len(doc.Check()) > 0 || len(c.Files) != 3 {
				t.Errorf("%v %v, %d files", err, doc.Check(), len(c.Files))
			}
			captures = append(captures, doc)
		}
	}
	table := study.Table(captures)
	if table.Done != 8 || table.Of != 8 {
		t.Fatalf("%d of %d are done", table.Done, table.Of)
	}
	if p := table.Pairs[0]; p.Mean.OrNaN() > -5 || !p.Differs {
		t.Errorf("%+v", p)
	}
}
