package store_test

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"strings"
	"sync"
	"testing"

	"dialarc/internal/localpg"
	"dialarc/internal/store"

	"github.com/jackc/pgx/v5"
	_ "github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
)

var database *localpg.Testing

func TestMain(m *testing.M) { os.Exit(localpg.RunTests(m, &database)) }

var ctx = context.Background()

func open(t *testing.T, url string) *store.Store {
	t.Helper()
	s, err := store.Open(ctx, url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	if err := s.Migrate(ctx); err != nil {
		t.Fatal(err)
	}
	return s
}

func coach(t *testing.T, s *store.Store) store.Coach {
	t.Helper()
	c, err := s.FirstCoach(ctx, "A coach")
	if err != nil {
		t.Fatal(err)
	}
	return c
}

func lifter(t *testing.T, s *store.Store, coach, name string) store.Lifter {
	t.Helper()
	l := store.Lifter{Row: store.Row{CoachID: coach, Name: name}, Body: json.RawMessage(`{"stature":1.7,"mass":70}`)}
	if err := s.CreateLifter(ctx, &l); err != nil {
		t.Fatal(err)
	}
	return l
}

func setup(t *testing.T, s *store.Store, l store.Lifter, name string) store.Setup {
	t.Helper()
	row := store.Setup{Row: store.Row{CoachID: l.CoachID, Name: name}, LifterID: l.ID, Document: json.RawMessage(`{"name":"x"}`)}
	if err := s.CreateSetup(ctx, &row); err != nil {
		t.Fatal(err)
	}
	return row
}

var everything = store.Page{Limit: 100}

// Migrating a database that is up to date and full of data changes nothing; programs that start together wait for each
// other.
func TestMigrateAgainKeepsTheData(t *testing.T) {
	url := database.New(t)
	s := open(t, url)
	l := lifter(t, s, coach(t, s).ID, "Someone")
	var wait sync.WaitGroup
	for range 4 {
		wait.Go(func() {
			other, err := store.Open(ctx, url)
			if err != nil {
				t.Error(err)
				return
			}
			defer other.Close()
			if err := other.Migrate(ctx); err != nil {
				t.Error(err)
			}
		})
	}
	wait.Wait()
	got, err := s.Lifter(ctx, l.CoachID, l.ID)
	if err != nil || got.Name != "Someone" || got.Version != 1 {
		t.Errorf("%+v, %v", got, err)
	}
}

// Of what is older than a year the last state of each day stays, and what has a title; what is newer, and the newest, stays as it is.
// Lifters and rooms keep their history too.
func TestHistoryIsThinned(t *testing.T) {
	url := database.New(t)
	s := open(t, url)
	l := lifter(t, s, coach(t, s).ID, "Someone")
	st := setup(t, s, l, "First")
	room := store.Room{Named: store.Named{Row: store.Row{CoachID: l.CoachID, Name: "Hall"}, Document: json.RawMessage(`{"n":0}`)}}
	if err := s.Rooms().Create(ctx, &room); err != nil {
		t.Fatal(err)
	}
	for n := range 5 {
		st.Document, l.Body, room.Document = json.RawMessage(fmt.Sprintf(`{"n":%d}`, n)), json.RawMessage(fmt.Sprintf(`{"mass":%d}`, 70+n)),
			json.RawMessage(fmt.Sprintf(`{"n":%d}`, n+1))
		if err := errors.Join(s.UpdateSetup(ctx, &st), s.UpdateLifter(ctx, &l), s.Rooms().Update(ctx, &room)); err != nil {
			t.Fatal(err)
		}
	}
	conn, err := pgx.Connect(ctx, url)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(ctx)
	// Versions 1 to 3 of one day two years ago, the first with a title, 4 and 5 of another, 6 of today.
	for _, table := range []string{"setup_versions", "lifter_versions", "room_versions"} {
		if _, err := conn.Exec(ctx, "update "+table+" set saved_at = now() - interval '2 years' - case when version < 4 then interval '3 days' else interval '0' end where version < 6"); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.NameSetupVersion(ctx, st.CoachID, st.ID, 1, "As it came"); err != nil {
		t.Fatal(err)
	}
	for range 2 {
		if _, err := s.Thin(ctx); err != nil {
			t.Fatal(err)
		}
	}
	for table, want := range map[string]string{"setup_versions": "1 3 5 6", "lifter_versions": "3 5 6", "room_versions": "3 5 6"} {
		var got string
		if err := conn.QueryRow(ctx, "select string_agg(version::text, ' ' order by version) from "+table).Scan(&got); err != nil || got != want {
			t.Errorf("%s keeps %s, want %s (%v)", table, got, want, err)
		}
	}
}

// A database that a newer program has changed is left alone, and it is said what it needs.
func TestANewerDatabaseIsRefused(t *testing.T) {
	url := database.New(t)
	open(t, url)
	conn, err := pgx.Connect(ctx, url)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(ctx)
	if _, err := conn.Exec(ctx, "insert into goose_db_version (version_id, is_applied) values (999, true)"); err != nil {
		t.Fatal(err)
	}
	s, err := store.Open(ctx, url)
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	if err := s.Migrate(ctx); err == nil || !strings.Contains(err.Error(), "version 999") || !strings.Contains(err.Error(), "newer program") {
		t.Errorf("%v", err)
	}
}

func TestFirstCoachIsOne(t *testing.T) {
	s := open(t, database.New(t))
	ids := make(chan string, 8)
	var wait sync.WaitGroup
	for range 8 {
		wait.Go(func() {
			c, err := s.FirstCoach(ctx, "A coach")
			if err != nil {
				t.Error(err)
			}
			ids <- c.ID
		})
	}
	wait.Wait()
	first := <-ids
	for range 7 {
		if id := <-ids; id != first {
			t.Errorf("two coaches, %s and %s", first, id)
		}
	}
}

func TestUpdateNeedsTheVersion(t *testing.T) {
	s := open(t, database.New(t))
	st := setup(t, s, lifter(t, s, coach(t, s).ID, "Someone"), "First")
	mine := st
	mine.Name, mine.Document = "Mine", json.RawMessage(`{"name":"mine"}`)
	if err := s.UpdateSetup(ctx, &mine); err != nil || mine.Version != 2 || mine.Name != "Mine" {
		t.Fatalf("%+v, %v", mine, err)
	}
	theirs := st
	theirs.Name = "Theirs"
	if err := s.UpdateSetup(ctx, &theirs); !errors.Is(err, store.ErrStale) || theirs.Name != "Mine" || theirs.Version != 2 {
		t.Errorf("a stale write gives what is there: %+v, %v", theirs.Row, err)
	}
	if err := s.DeleteSetup(ctx, st.CoachID, st.ID, 1); !errors.Is(err, store.ErrStale) {
		t.Errorf("deleting an old version: %v", err)
	}
}

// A write that is sent again, because its answer got lost, is answered as the first time, whatever it writes; another one based on the same
// version is stale all the same.
func TestAWriteThatIsSentAgain(t *testing.T) {
	s := open(t, database.New(t))
	l := lifter(t, s, coach(t, s).ID, "Someone")
	st := setup(t, s, l, "First")
	for range 2 {
		mine, person := st, l
		mine.Name, mine.Document = "Mine", json.RawMessage(`{"name": "mine",  "x": 1.50}`)
		person.Notes, person.Body = "Noted.", json.RawMessage(`{"mass":71}`)
		if err := errors.Join(s.UpdateSetup(ctx, &mine), s.UpdateLifter(ctx, &person)); err != nil || mine.Version != 2 || person.Version != 2 {
			t.Errorf("versions %d and %d, %v", mine.Version, person.Version, err)
		}
	}
	other := st
	other.Name, other.Document = "Mine", json.RawMessage(`{"name":"mine","x":2}`)
	if err := s.UpdateSetup(ctx, &other); !errors.Is(err, store.ErrStale) {
		t.Errorf("another write from the same version: %v", err)
	}
	same := store.Lifter{Row: store.Row{ID: l.ID, CoachID: l.CoachID, Name: "Someone"}, Body: l.Body}
	if err := s.CreateLifter(ctx, &same); !errors.Is(err, store.ErrExists) {
		t.Errorf("made again after it was changed: %v", err)
	}
}

// An answer carries the writer's own state, however many write at once.
func TestAnswersAreTheWritersOwn(t *testing.T) {
	s := open(t, database.New(t))
	st := setup(t, s, lifter(t, s, coach(t, s).ID, "Someone"), "First")
	var all sync.WaitGroup
	for i := range 8 {
		all.Go(func() {
			for n := range 40 {
				row, err := s.Setup(ctx, st.CoachID, st.ID)
				if err != nil {
					t.Error(err)
					return
				}
				row.Name = fmt.Sprint("Writer ", i, " write ", n)
				want := row.Name
				if err := s.UpdateSetup(ctx, &row); err == nil && row.Name != want {
					t.Errorf("%s was answered with %s", want, row.Name)
				}
			}
		})
	}
	all.Wait()
}

// A setup is nobody's without its lifter: it is not made for one who is deleted, nor brought back before the lifter is.
func TestNoSetupWithoutItsLifter(t *testing.T) {
	s := open(t, database.New(t))
	l := lifter(t, s, coach(t, s).ID, "Someone")
	st := setup(t, s, l, "First")
	if err := s.DeleteLifter(ctx, l.CoachID, l.ID, 1); err != nil {
		t.Fatal(err)
	}
	if _, err := s.RestoreSetup(ctx, st.CoachID, st.ID); !errors.Is(err, store.ErrAlone) {
		t.Errorf("brought back alone: %v", err)
	}
	if err := s.CreateSetup(ctx, &store.Setup{Row: store.Row{CoachID: l.CoachID, Name: "Second"}, LifterID: l.ID,
		Document: st.Document}); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("made for a deleted lifter: %v", err)
	}
	if _, err := s.RestoreLifter(ctx, l.CoachID, l.ID); err != nil {
		t.Fatal(err)
	}
	if err := s.DeleteSetup(ctx, st.CoachID, st.ID, 1); err != nil {
		t.Fatal(err)
	}
	if _, err := s.RestoreSetup(ctx, st.CoachID, st.ID); err != nil {
		t.Errorf("with the lifter: %v", err)
	}
	// While setups are made, their lifter is deleted: none is left that is shown without.
	for round := range 6 {
		person := lifter(t, s, l.CoachID, fmt.Sprint("Nobody ", round))
		var all sync.WaitGroup
		for range 4 {
			all.Go(func() {
				_ = s.CreateSetup(ctx, &store.Setup{Row: store.Row{CoachID: l.CoachID, Name: "In between"}, LifterID: person.ID, Document: st.Document})
			})
		}
		all.Go(func() { _ = s.DeleteLifter(ctx, l.CoachID, person.ID, 1) })
		all.Wait()
		if left, total, err := s.Setups(ctx, l.CoachID, store.Wanted{Lifter: person.ID}, everything); err != nil || total > 0 {
			t.Errorf("%d setups of a deleted lifter: %v, %v", total, left, err)
		}
	}
}

// Of many writers that start from one version exactly one wins.
func TestOnlyOneWriterWins(t *testing.T) {
	s := open(t, database.New(t))
	st := setup(t, s, lifter(t, s, coach(t, s).ID, "Someone"), "First")
	results := make(chan error, 12)
	for i := range 12 {
		go func() {
			row := st
			row.Name = fmt.Sprint("Writer ", i)
			results <- s.UpdateSetup(ctx, &row)
		}()
	}
	won := 0
	for range 12 {
		switch err := <-results; {
		case err == nil:
			won++
		case !errors.Is(err, store.ErrStale):
			t.Error(err)
		}
	}
	if won != 1 {
		t.Errorf("%d writers won", won)
	}
}

func TestRepeatedCreateMakesNoSecond(t *testing.T) {
	s := open(t, database.New(t))
	l := lifter(t, s, coach(t, s).ID, "Someone")
	again := store.Lifter{Row: store.Row{ID: l.ID, CoachID: l.CoachID, Name: "Again"}, Body: l.Body}
	if err := s.CreateLifter(ctx, &again); !errors.Is(err, store.ErrExists) || again.Name != "Someone" {
		t.Errorf("%+v, %v", again.Row, err)
	}
	if _, total, _ := s.Lifters(ctx, l.CoachID, false, "", everything); total != 1 {
		t.Errorf("%d lifters", total)
	}
}

// A deleted lifter takes the setups along, and brings back just those that went with it.
func TestDeleteAndRestore(t *testing.T) {
	s := open(t, database.New(t))
	l := lifter(t, s, coach(t, s).ID, "Someone")
	kept, dropped := setup(t, s, l, "Kept"), setup(t, s, l, "Dropped before")
	if err := s.DeleteSetup(ctx, l.CoachID, dropped.ID, 1); err != nil {
		t.Fatal(err)
	}
	if err := s.DeleteLifter(ctx, l.CoachID, l.ID, l.Version); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Lifter(ctx, l.CoachID, l.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("the deleted lifter: %v", err)
	}
	if _, err := s.Setup(ctx, l.CoachID, kept.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("the deleted lifter's setup: %v", err)
	}
	if _, err := s.RestoreLifter(ctx, l.CoachID, l.ID); err != nil {
		t.Fatal(err)
	}
	rows, total, err := s.Setups(ctx, l.CoachID, store.Wanted{Lifter: l.ID}, everything)
	if err != nil || total != 1 || rows[0].Name != "Kept" {
		t.Errorf("after the restore: %v, %d, %v", rows, total, err)
	}
	if back, err := s.RestoreSetup(ctx, l.CoachID, dropped.ID); err != nil || back.Name != "Dropped before" {
		t.Errorf("%+v, %v", back.Row, err)
	}
}

// Another coach sees and changes nothing.
func TestCoachesAreApart(t *testing.T) {
	url := database.New(t)
	s := open(t, url)
	l := lifter(t, s, coach(t, s).ID, "Someone")
	st := setup(t, s, l, "Something")
	conn, err := pgx.Connect(ctx, url)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(ctx)
	var other string
	if err := conn.QueryRow(ctx, "insert into coaches (name) values ('Another') returning id::text").Scan(&other); err != nil {
		t.Fatal(err)
	}
	stranger := st
	stranger.CoachID, stranger.Name = other, "Stolen"
	for what, err := range map[string]error{
		"update":           s.UpdateSetup(ctx, &stranger),
		"delete":           s.DeleteSetup(ctx, other, st.ID, 1),
		"delete lifter":    s.DeleteLifter(ctx, other, l.ID, 1),
		"setup for theirs": s.CreateSetup(ctx, &store.Setup{Row: store.Row{CoachID: other, Name: "x"}, LifterID: l.ID, Document: st.Document}),
	} {
		if !errors.Is(err, store.ErrNotFound) {
			t.Errorf("%s: %v", what, err)
		}
	}
	if _, total, _ := s.Setups(ctx, other, store.Wanted{}, everything); total != 0 {
		t.Errorf("the other coach sees %d setups", total)
	}
	if got, _ := s.Setup(ctx, l.CoachID, st.ID); got.Name != "Something" {
		t.Errorf("the setup is now called %s", got.Name)
	}
}

func TestPages(t *testing.T) {
	s := open(t, database.New(t))
	c := coach(t, s)
	for _, name := range []string{"C", "A", "D", "B"} {
		lifter(t, s, c.ID, name)
	}
	rows, total, err := s.Lifters(ctx, c.ID, false, "", store.Page{Offset: 1, Limit: 2})
	if err != nil || total != 4 || len(rows) != 2 || rows[0].Name != "B" || rows[1].Name != "C" {
		t.Errorf("%v %d %v", rows, total, err)
	}
}

// Filling happens once, also when two programs start together; when it fails nothing of it stays.
func TestOnce(t *testing.T) {
	s := open(t, database.New(t))
	c := coach(t, s)
	wrong := errors.New("half way")
	err := s.Once(ctx, c.ID, func(tx *store.Store) error {
		lifter(t, tx, c.ID, "Half")
		return wrong
	})
	if _, total, _ := s.Lifters(ctx, c.ID, false, "", everything); !errors.Is(err, wrong) || total != 0 {
		t.Errorf("after a failure there are %d lifters (%v)", total, err)
	}
	var wait sync.WaitGroup
	for range 3 {
		wait.Go(func() {
			if err := s.Once(ctx, c.ID, func(tx *store.Store) error { lifter(t, tx, c.ID, "Whole"); return nil }); err != nil {
				t.Error(err)
			}
		})
	}
	wait.Wait()
	if _, total, _ := s.Lifters(ctx, c.ID, false, "", everything); total != 1 {
		t.Errorf("%d lifters", total)
	}
}

// before is a database as it was at an older version, for filling with what was in it then.
func before(t *testing.T, version int64) (*sql.DB, string) {
	t.Helper()
	url := database.New(t)
	db, err := sql.Open("pgx", url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { db.Close() })
	provider, err := goose.NewProvider(goose.DialectPostgres, db, os.DirFS("migrations"))
	if err != nil {
		t.Fatal(err)
	}
	if _, err := provider.UpTo(ctx, version); err != nil {
		t.Fatal(err)
	}
	return db, url
}

// A database of before states were kept gets its setups' present ones, and keeps every later one.
func TestStatesOfSetupsAreKept(t *testing.T) {
	db, url := before(t, 1)
	if _, err := db.Exec(`with c as (insert into coaches (name) values ('A coach') returning id),
		l as (insert into lifters (coach_id, name, body) select id, 'Someone', '{}' from c returning id, coach_id)
		insert into setups (coach_id, lifter_id, version, name, document) select coach_id, id, 7, 'Old', '{"name":"Old"}' from l`); err != nil {
		t.Fatal(err)
	}
	s := open(t, url)
	c := coach(t, s)
	rows, _, err := s.Setups(ctx, c.ID, store.Wanted{}, everything)
	if err != nil || len(rows) != 1 {
		t.Fatalf("%v, %v", rows, err)
	}
	st := rows[0]
	st.Document = json.RawMessage(`{"name":"New"}`)
	if err := s.UpdateSetup(ctx, &st); err != nil {
		t.Fatal(err)
	}
	if err := s.NameSetupVersion(ctx, c.ID, st.ID, 7, "Before the change"); err != nil {
		t.Fatal(err)
	}
	states, total, err := s.SetupVersions(ctx, c.ID, st.ID, everything)
	if err != nil || total != 2 || states[0].Version != 8 || states[1].Version != 7 || states[1].Title != "Before the change" ||
		!strings.Contains(string(states[1].Document), "Old") {
		t.Errorf("%d states, %+v, %v", total, states, err)
	}
	if err := s.NameSetupVersion(ctx, c.ID, st.ID, 3, "x"); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a state that never was: %v", err)
	}
	if _, _, err := s.SetupVersions(ctx, nobody, st.ID, everything); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another coach: %v", err)
	}
}

const nobody = "00000000-0000-0000-0000-000000000000"

// A database of before lifters and rooms had a history begins it with what they are, and keeps every later state.
func TestHistoryComesToADatabaseWithData(t *testing.T) {
	db, url := before(t, 5)
	if _, err := db.Exec(`with c as (insert into coaches (name) values ('A coach') returning id),
		r as (insert into rooms (coach_id, version, name, document) select id, 4, 'Hall', '{"name":"Hall"}' from c)
		insert into lifters (coach_id, version, name, notes, body) select id, 7, 'Someone', 'Left knee', '{"mass":70}' from c`); err != nil {
		t.Fatal(err)
	}
	s := open(t, url)
	c := coach(t, s)
	lifters, _, err := s.Lifters(ctx, c.ID, false, "", everything)
	if err != nil || len(lifters) != 1 {
		t.Fatalf("%+v, %v", lifters, err)
	}
	lifters[0].Notes = "Left knee, better"
	if err := s.UpdateLifter(ctx, &lifters[0]); err != nil {
		t.Fatal(err)
	}
	var kept string
	if err := db.QueryRow(`select string_agg(v, '; ' order by v) from (
		select 'lifter ' || version || ' ' || notes || ' ' || (body->>'mass') as v from lifter_versions
		union all select 'room ' || version || ' ' || (document->>'name') from room_versions) t`).Scan(&kept); err != nil {
		t.Fatal(err)
	}
	if want := "lifter 7 Left knee 70; lifter 8 Left knee, better 70; room 4 Hall"; kept != want {
		t.Errorf("kept %q, want %q", kept, want)
	}
}
