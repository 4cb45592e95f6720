package backup_test

import (
	"context"
	"encoding/json"
	"errors"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
	"time"

	"dialarc/internal/backup"
	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
	"dialarc/internal/localpg"
	"dialarc/internal/store"
)

var database *localpg.Testing

func TestMain(m *testing.M) { os.Exit(localpg.RunTests(m, &database)) }

var ctx = context.Background()

func opened(t *testing.T, url string) (*store.Store, store.Coach) {
	t.Helper()
	s, coach, err := store.OpenFor(ctx, url, demo.CoachName)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	return s, coach
}

// all is everything that a coach has, as text.
func all(t *testing.T, s *store.Store, coach string) string {
	t.Helper()
	many := store.Page{Limit: 1000}
	lifters, _, err1 := s.Lifters(ctx, coach, false, "", many)
	setups, _, err2 := s.Setups(ctx, coach, store.Wanted{}, many)
	rooms, _, err3 := s.Rooms().List(ctx, coach, many)
	comparisons, _, err4 := s.Comparisons().List(ctx, coach, many)
	blocks, _, err5 := s.Blocks().List(ctx, coach, many)
	sessions, err6 := s.AllSessions(ctx, coach, many)
	studies, _, err7 := s.Studies().List(ctx, coach, many)
	captures, err8 := s.AllCaptures(ctx, coach, many)
	for _, err := range []error{err1, err2, err3, err4, err5, err6, err7, err8} {
		if err != nil {
			t.Fatal(err)
		}
	}
	var out strings.Builder
	for _, x := range lifters {
		out.WriteString(x.ID + x.Name + x.Notes + string(x.Body))
	}
	for _, x := range setups {
		out.WriteString(x.ID + x.Name + x.LifterID + *x.RoomID + string(x.Document))
	}
	for _, x := range rooms {
		out.WriteString(x.ID + x.Name + string(x.Document))
	}
	for _, x := range comparisons {
		out.WriteString(x.ID + x.Name + string(x.Document))
	}
	for _, x := range blocks {
		out.WriteString(x.ID + x.Name + x.LifterID + string(x.Document))
	}
	for _, x := range sessions {
		out.WriteString(x.ID + x.LifterID + x.Day.String() + string(x.Document))
		sets := make([]string, len(x.Sets))
		for i, y := range x.Sets {
			sets[i] = y.ID + string(y.Document)
		}
		slices.Sort(sets)
		out.WriteString(strings.Join(sets, ""))
	}
	for _, x := range studies {
		out.WriteString(x.ID + x.Name + string(x.Document))
	}
	for _, x := range captures {
		out.WriteString(x.ID + x.LifterID + *x.SetupID + x.Day.String() + string(x.Document))
		for _, y := range x.Files {
			whole, err := s.ReadCaptureFile(ctx, coach, x.ID, y.Slot)
			if err != nil {
				t.Fatal(err)
			}
			out.WriteString(y.Slot + y.Name + string(whole.Bytes))
		}
	}
	return out.String()
}

// filled is the demo with its weeks of training, a measurement and a study.
func filled(t *testing.T, s *store.Store, coach store.Coach) {
	t.Helper()
	if err := demo.Load(ctx, s, coach); err != nil {
		t.Fatal(err)
	}
	api := &httpapi.Server{Store: s, Coach: coach}
	if err := demo.Train(ctx, api.Handler(), time.Date(2026, 11, 27, 12, 0, 0, 0, time.UTC)); err != nil {
		t.Fatal(err)
	}
	setups, _, err := s.Setups(ctx, coach.ID, store.Wanted{}, store.Page{Limit: 1})
	if err != nil {
		t.Fatal(err)
	}
	c := store.Capture{ID: "00000000-0000-4000-8000-0000000000c1", CoachID: coach.ID, LifterID: setups[0].LifterID, SetupID: &setups[0].ID,
		Day: time.Date(2026, 11, 27, 0, 0, 0, 0, time.UTC), Document: json.RawMessage(`{"title": "A raise"}`)}
	study := store.Study{Named: store.Named{Row: store.Row{ID: "00000000-0000-4000-8000-0000000000d1", CoachID: coach.ID, Name: "Raises"},
		Document: json.RawMessage(`{"name": "Raises"}`)}}
	if err := errors.Join(s.AddCapture(ctx, &c), s.AddCaptureFile(ctx, coach.ID, &store.CaptureFile{CaptureID: c.ID, Slot: "reps", Name: "reps.edf",
		Bytes: []byte{0x1f, 0x8b, 0, 255, 10}}), s.Studies().Create(ctx, &study)); err != nil {
		t.Fatal(err)
	}
}

// A backup brings everything back into an empty database, with its history; it overwrites no file and no data, and one that is damaged is
// refused.
func TestBackupAndRestore(t *testing.T) {
	bin, err := localpg.Binaries()
	if err != nil {
		t.Fatal(err)
	}
	url := database.New(t)
	s, coach := opened(t, url)
	filled(t, s, coach)
	row, _, err := s.Setups(ctx, coach.ID, store.Wanted{}, store.Page{Limit: 1})
	if err != nil {
		t.Fatal(err)
	}
	row[0].Name = "Changed"
	if err := s.UpdateSetup(ctx, &row[0]); err != nil {
		t.Fatal(err)
	}
	want := all(t, s, coach.ID)
	file := filepath.Join(t.TempDir(), "all.dump")
	if err := backup.Dump(ctx, bin, url, file); err != nil {
		t.Fatal(err)
	}
	if err := backup.Dump(ctx, bin, url, file); err == nil || !strings.Contains(err.Error(), "there already") {
		t.Errorf("written over: %v", err)
	}
	if err := backup.Restore(ctx, bin, url, file); err == nil || !strings.Contains(err.Error(), "not empty") {
		t.Errorf("restored over data: %v", err)
	}
	empty := database.New(t)
	if err := backup.Restore(ctx, bin, empty, file); err != nil {
		t.Fatal(err)
	}
	back, other := opened(t, empty)
	if other.ID != coach.ID || all(t, back, coach.ID) != want {
		t.Error("what came back is not what was there")
	}
	if states, n, err := back.SetupVersions(ctx, coach.ID, row[0].ID, store.Page{Limit: 10}); err != nil || n != 2 {
		t.Errorf("%d states of the changed setup: %v, %v", n, states, err)
	}
	raw, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	raw[len(raw)/2] ^= 1
	if err := os.WriteFile(file, raw, 0o600); err != nil {
		t.Fatal(err)
	}
	if err := backup.Restore(ctx, bin, database.New(t), file); err == nil || !strings.Contains(err.Error(), "damaged") {
		t.Errorf("a damaged file: %v", err)
	}
}

// Open files bring everything to another coach's database, and once more nothing twice; what is there otherwise ends it with nothing kept.
func TestExportAndImport(t *testing.T) {
	s, coach := opened(t, database.New(t))
	filled(t, s, coach)
	dir := filepath.Join(t.TempDir(), "out")
	n, err := backup.Export(ctx, s, coach.ID, dir)
	if err != nil || n < 20 {
		t.Fatalf("%d files, %v", n, err)
	}
	if _, err := backup.Export(ctx, s, coach.ID, dir); err == nil {
		t.Error("exported over files")
	}
	other, heir := opened(t, database.New(t))
	for range 2 {
		if m, err := backup.Import(ctx, other, heir.ID, dir); err != nil || m != n {
			t.Fatalf("%d of %d files, %v", m, n, err)
		}
	}
	if all(t, other, heir.ID) != all(t, s, coach.ID) {
		t.Error("what was taken in is not what was there")
	}
	names, err := filepath.Glob(filepath.Join(dir, "lifters", "*.json"))
	if err != nil || len(names) == 0 {
		t.Fatal(err)
	}
	var person map[string]any
	raw, err := os.ReadFile(names[0])
	if err == nil {
		err = json.Unmarshal(raw, &person)
	}
	if err != nil {
		t.Fatal(err)
	}
	person["notes"] = "Otherwise."
	if raw, err = json.Marshal(person); err == nil {
		err = os.WriteFile(names[0], raw, 0o600)
	}
	if err != nil {
		t.Fatal(err)
	}
	if _, err := backup.Import(ctx, other, heir.ID, dir); err == nil || !strings.Contains(err.Error(), names[0]) {
		t.Errorf("what is there otherwise: %v", err)
	}
	third, last := opened(t, database.New(t))
	if err := os.WriteFile(filepath.Join(dir, "setups", "zz.json"), []byte("{"), 0o600); err != nil {
		t.Fatal(err)
	}
	if _, err := backup.Import(ctx, third, last.ID, dir); err == nil || all(t, third, last.ID) != "" {
		t.Errorf("a broken file leaves something behind (%v)", err)
	}
}

// What a deleted lifter or setup leaves behind does not keep the rest from being taken in: sessions and captures of a lifter who is gone
// stay out, a capture whose setup is gone comes without it.
func TestExportWithoutTheDeleted(t *testing.T) {
	s, coach := opened(t, database.New(t))
	filled(t, s, coach)
	const capture = "00000000-0000-4000-8000-0000000000c1"
	setups, _, err := s.Setups(ctx, coach.ID, store.Wanted{}, store.Page{Limit: 1})
	if err != nil {
		t.Fatal(err)
	}
	if err := s.DeleteSetup(ctx, coach.ID, setups[0].ID, setups[0].Version); err != nil {
		t.Fatal(err)
	}
	taken := func() (lifters []store.Lifter, sessions []store.Session, captures []store.Capture) {
		dir := filepath.Join(t.TempDir(), "out")
		n, err := backup.Export(ctx, s, coach.ID, dir)
		if err != nil {
			t.Fatal(err)
		}
		other, heir := opened(t, database.New(t))
		if m, err := backup.Import(ctx, other, heir.ID, dir); err != nil || m != n {
			t.Fatalf("%d of %d files, %v", m, n, err)
		}
		many := store.Page{Limit: 1000}
		lifters, _, err1 := other.Lifters(ctx, heir.ID, false, "", many)
		sessions, err2 := other.AllSessions(ctx, heir.ID, many)
		captures, err3 := other.AllCaptures(ctx, heir.ID, many)
		if err := errors.Join(err1, err2, err3); err != nil {
			t.Fatal(err)
		}
		return lifters, sessions, captures
	}
	_, before, captures := taken()
	if len(captures) != 1 || captures[0].ID != capture || captures[0].SetupID != nil || len(before) == 0 {
		t.Fatalf("captures %+v, %d sessions", captures, len(before))
	}
	gone := before[0].LifterID
	lifters, _, err := s.Lifters(ctx, coach.ID, false, "", store.Page{Limit: 1000})
	if err != nil {
		t.Fatal(err)
	}
	for _, l := range lifters {
		if l.ID == gone {
			if err := s.DeleteLifter(ctx, coach.ID, l.ID, l.Version); err != nil {
				t.Fatal(err)
			}
		}
	}
	left, after, _ := taken()
	if len(left) != len(lifters)-1 || len(after) == 0 || len(after) >= len(before) {
		t.Errorf("%d lifters of %d, %d sessions of %d", len(left), len(lifters), len(after), len(before))
	}
}
