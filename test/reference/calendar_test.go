package reference

import (
	"context"
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"dialarc/core/plan"
	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
	"dialarc/internal/localpg"
	"dialarc/internal/store"
)

var database *localpg.Testing

func TestMain(m *testing.M) { os.Exit(localpg.RunTests(m, &database)) }

// The week of a block as iCalendar says to another parser (ical.js) what the block says: every day of every week on its date, whole, once,
// with its exercises.
func TestCalendarIsReadElsewhere(t *testing.T) {
	ctx := context.Background()
	s, coach, err := store.OpenFor(ctx, database.New(t), demo.CoachName)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	if err := demo.Load(ctx, s, coach); err != nil {
		t.Fatal(err)
	}
	api := (&httpapi.Server{Store: s, Coach: coach}).Handler()
	if err := demo.Train(ctx, api, time.Date(2026, 11, 29, 9, 0, 0, 0, time.UTC)); err != nil {
		t.Fatal(err)
	}
	rows, _, err := s.Blocks().List(ctx, coach.ID, store.Page{Limit: 1})
	if err != nil {
		t.Fatal(err)
	}
	var b plan.Block
	if err := json.Unmarshal(rows[0].Document, &b); err != nil {
		t.Fatal(err)
	}
	answer := httptest.NewRecorder()
	api.ServeHTTP(answer, httptest.NewRequest(http.MethodGet, "/api/blocks/"+rows[0].ID+"/calendar", nil))
	if answer.Code != http.StatusOK || !strings.HasPrefix(answer.Header().Get("Content-Type"), "text/calendar") {
		t.Fatalf("%d %s", answer.Code, answer.Header())
	}
	file := filepath.Join(t.TempDir(), "plan.ics")
	if err := os.WriteFile(file, answer.Body.Bytes(), 0o600); err != nil {
		t.Fatal(err)
	}
	raw, err := exec.Command("node", "calendar.mjs", file).Output()
	if err != nil {
		t.Fatal(err)
	}
	var events []struct {
		UID, Summary, Description, Start string
		Days                             float64
	}
	if err := json.Unmarshal(raw, &events); err != nil {
		t.Fatal(err)
	}
	start, _ := time.Parse(time.DateOnly, b.Start)
	seen := map[string]bool{}
	for i, e := range events {
		week, day := i/len(b.Days), i%len(b.Days)
		want := start.AddDate(0, 0, 7*week+b.Days[day].Weekday-1).Format(time.DateOnly)
		if e.Start != want || e.Days != 1 || seen[e.UID] || !strings.Contains(e.Description, b.Days[day].Entries[0].Document.Name) {
			t.Errorf("event %d: %+v, want it on %s with %s", i, e, want, b.Days[day].Entries[0].Document.Name)
		}
		seen[e.UID] = true
	}
	if len(events) != b.Weeks*len(b.Days) {
		t.Errorf("%d events, want %d", len(events), b.Weeks*len(b.Days))
	}
}
