package store_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"testing"
	"time"

	"dialarc/internal/store"
)

// A database of before there were rooms keeps its lifters and setups: nobody is archived, no setup has a room.
func TestRoomsComeToADatabaseWithData(t *testing.T) {
	db, url := before(t, 2)
	if _, err := db.Exec(`with c as (insert into coaches (name) values ('A coach') returning id),
		l as (insert into lifters (coach_id, name, body) select id, 'Someone', '{}' from c returning id, coach_id)
		insert into setups (coach_id, lifter_id, version, name, document) select coach_id, id, 3, 'Old', '{"name":"Old"}' from l`); err != nil {
		t.Fatal(err)
	}
	s := open(t, url)
	c := coach(t, s)
	lifters, _, err := s.Lifters(ctx, c.ID, false, "", everything)
	if err != nil || len(lifters) != 1 || lifters[0].ArchivedAt != nil {
		t.Errorf("%+v, %v", lifters, err)
	}
	setups, _, err := s.Setups(ctx, c.ID, store.Wanted{}, everything)
	if err != nil || len(setups) != 1 || setups[0].RoomID != nil || setups[0].Version != 3 {
		t.Errorf("%+v, %v", setups, err)
	}
}

func room(t *testing.T, s *store.Store, coach, name string) store.Room {
	t.Helper()
	r := store.Room{Named: store.Named{Row: store.Row{CoachID: coach, Name: name}, Document: json.RawMessage(`{"name":"x"}`)}}
	if err := s.Rooms().Create(ctx, &r); err != nil {
		t.Fatal(err)
	}
	return r
}

func TestRoomFromCreateToRestore(t *testing.T) {
	s := open(t, database.New(t))
	c := coach(t, s)
	r := room(t, s, c.ID, "Hall")
	mine, theirs := r, r
	mine.Name = "Great hall"
	if err := s.Rooms().Update(ctx, &mine); err != nil || mine.Version != 2 {
		t.Fatalf("%+v, %v", mine.Row, err)
	}
	if err := s.Rooms().Update(ctx, &theirs); !errors.Is(err, store.ErrStale) || theirs.Name != "Great hall" {
		t.Errorf("a stale write: %+v, %v", theirs.Row, err)
	}
	if err := s.Rooms().Delete(ctx, c.ID, r.ID, 2); err != nil {
		t.Fatal(err)
	}
	if rows, total, _ := s.Rooms().List(ctx, c.ID, everything); total != 0 || len(rows) != 0 {
		t.Errorf("%d rooms after deleting the only one", total)
	}
	if back, err := s.Rooms().Restore(ctx, c.ID, r.ID); err != nil || back.Name != "Great hall" {
		t.Errorf("%+v, %v", back.Row, err)
	}
	if _, err := s.Rooms().Read(ctx, nobody, r.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another coach: %v", err)
	}
}

// Setups are found by lifter, room, what they use in it, and words of their name; a room of nobody is let go of.
func TestSetupsAreFound(t *testing.T) {
	s := open(t, database.New(t))
	c := coach(t, s)
	l, r := lifter(t, s, c.ID, "Someone"), room(t, s, c.ID, "Hall")
	add := func(name, document string, in *string) {
		t.Helper()
		st := store.Setup{Row: store.Row{CoachID: c.ID, Name: name}, LifterID: l.ID, RoomID: in, Document: json.RawMessage(document)}
		if err := s.CreateSetup(ctx, &st); err != nil {
			t.Fatal(err)
		}
	}
	elsewhere := nobody
	add("Raise, low pulley", `{"loads":[{"kit":{"station":"twin","held":"strap"}}],"bench":null}`, &r.ID)
	add("Raise 100%", `{"loads":[{"kit":{"item":"loop"}}]}`, &r.ID)
	add("Press_low", `{"loads":[{}],"bench":{"kit":{"item":"bench"}}}`, &r.ID)
	add("Raise from elsewhere", `{"loads":[]}`, &elsewhere)
	for _, c2 := range []struct {
		want store.Wanted
		out  string
	}{
		{store.Wanted{}, "Press_low|Raise 100%|Raise from elsewhere|Raise, low pulley"},
		{store.Wanted{Room: r.ID}, "Press_low|Raise 100%|Raise, low pulley"},
		{store.Wanted{Lifter: nobody}, ""},
		{store.Wanted{Words: "LOW raise"}, "Raise, low pulley"},
		{store.Wanted{Words: "_low"}, "Press_low"},
		{store.Wanted{Words: "0%"}, "Raise 100%"},
		{store.Wanted{Item: "twin"}, "Raise, low pulley"},
		{store.Wanted{Item: "strap"}, "Raise, low pulley"},
		{store.Wanted{Item: "bench"}, "Press_low"},
		{store.Wanted{Item: "loop", Room: r.ID}, "Raise 100%"},
		{store.Wanted{Item: "oo"}, ""},
	} {
		rows, total, err := s.Setups(ctx, c.ID, c2.want, everything)
		var names []string
		for _, row := range rows {
			names = append(names, row.Name)
		}
		if got := strings.Join(names, "|"); err != nil || got != c2.out || int(total) != len(rows) {
			t.Errorf("%+v: %s, %v", c2.want, got, err)
		}
	}
}

// A database of before there were own ready setups has none of them; one is made and taken back.
func TestOwnReadySetups(t *testing.T) {
	db, url := before(t, 3)
	if _, err := db.Exec(`with c as (insert into coaches (name) values ('A coach') returning id),
		l as (insert into lifters (coach_id, name, body) select id, 'Someone', '{}' from c returning id, coach_id)
		insert into setups (coach_id, lifter_id, name, document) select coach_id, id, 'Old', '{}' from l`); err != nil {
		t.Fatal(err)
	}
	s := open(t, url)
	c := coach(t, s)
	all, _, err := s.Setups(ctx, c.ID, store.Wanted{}, everything)
	if err != nil || len(all) != 1 || all[0].Ready {
		t.Fatalf("%+v, %v", all, err)
	}
	for _, ready := range []bool{true, false} {
		if st, err := s.SetReady(ctx, c.ID, all[0].ID, ready); err != nil || st.Ready != ready || st.Version != 1 {
			t.Errorf("%+v, %v", st.Row, err)
		}
		if _, n, _ := s.Setups(ctx, c.ID, store.Wanted{Ready: true}, everything); (n == 1) != ready {
			t.Errorf("%d ready ones", n)
		}
	}
	if _, err := s.SetReady(ctx, nobody, all[0].ID, true); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another coach: %v", err)
	}
}

func TestArchivedLiftersAreApart(t *testing.T) {
	s := open(t, database.New(t))
	c := coach(t, s)
	l := lifter(t, s, c.ID, "Someone")
	lifter(t, s, c.ID, "Another")
	st := setup(t, s, l, "Kept")
	if got, err := s.ArchiveLifter(ctx, c.ID, l.ID, true); err != nil || got.ArchivedAt == nil || time.Since(*got.ArchivedAt) > time.Minute {
		t.Fatalf("%+v, %v", got, err)
	}
	names := func(archived bool, words string) string {
		rows, _, err := s.Lifters(ctx, c.ID, archived, words, everything)
		if err != nil {
			t.Fatal(err)
		}
		var out []string
		for _, r := range rows {
			out = append(out, r.Name)
		}
		return strings.Join(out, "|")
	}
	if names(false, "") != "Another" || names(true, "") != "Someone" || names(true, "ano") != "" || names(false, "ANO") != "Another" {
		t.Errorf("at work %s, archived %s", names(false, ""), names(true, ""))
	}
	if _, err := s.Setup(ctx, c.ID, st.ID); err != nil {
		t.Errorf("the archived lifter's setup: %v", err)
	}
	if got, err := s.ArchiveLifter(ctx, c.ID, l.ID, false); err != nil || got.ArchivedAt != nil {
		t.Errorf("%+v, %v", got, err)
	}
	if _, err := s.ArchiveLifter(ctx, nobody, l.ID, true); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another coach: %v", err)
	}
}

// BenchmarkSetups pages, filters and searches among ten thousand setups.
func BenchmarkSetups(b *testing.B) {
	s, err := store.Open(ctx, database.New(b))
	if err != nil {
		b.Fatal(err)
	}
	b.Cleanup(s.Close)
	if err := s.Migrate(ctx); err != nil {
		b.Fatal(err)
	}
	c, err := s.FirstCoach(ctx, "A coach")
	if err != nil {
		b.Fatal(err)
	}
	l := store.Lifter{Row: store.Row{CoachID: c.ID, Name: "Someone"}, Body: json.RawMessage(`{}`)}
	if err := s.CreateLifter(ctx, &l); err != nil {
		b.Fatal(err)
	}
	document := json.RawMessage(`{"loads":[{"kit":{"station":"twin"}}],"notes":"` + strings.Repeat("n", 2000) + `"}`)
	for i := range 10000 {
		st := store.Setup{Row: store.Row{CoachID: c.ID, Name: fmt.Sprintf("Setup %d of many", i)}, LifterID: l.ID, Document: document}
		if err := s.CreateSetup(ctx, &st); err != nil {
			b.Fatal(err)
		}
	}
	for name, w := range map[string]store.Wanted{"all": {}, "words": {Words: "99 many"}, "lifter": {Lifter: l.ID}} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if _, _, err := s.Setups(ctx, c.ID, w, store.Page{Offset: 5000, Limit: 100}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
