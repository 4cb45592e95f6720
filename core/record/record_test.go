package record_test

import (
	"encoding/json"
	"fmt"
	"testing"

	"dialarc/core/internal/sample"
	"dialarc/core/people"
	"dialarc/core/plan"
	"dialarc/core/record"
	"dialarc/core/session"
	"dialarc/core/setup"
)

func id(n int) string { return fmt.Sprintf("00000000-0000-4000-8000-%012d", n) }

// whole is a record with a setup of version 3, a plan that has a copy of it and one of an earlier version, and a session of that plan.
func whole(t *testing.T) record.Record {
	d := sample.Ready(t, "raise.dumbbell")
	now, before := plan.NewEntry(&d), plan.NewEntry(&d)
	now.ID, now.SetupID, now.SetupVersion = id(11), id(1), 3
	before.ID, before.SetupID, before.SetupVersion = id(12), id(1), 2
	b := plan.Block{Schema: plan.Schema, LifterID: id(9), Name: "Tour", Start: "2026-11-30", Weeks: 4, Days: []plan.Day{{Name: "A",
		Entries: []plan.Entry{now, before}}}}
	s := session.Session{Schema: session.Schema, LifterID: id(9), Name: "A", Date: "2026-11-30", BlockID: id(2), Entries: []plan.Entry{now},
		Sets: []session.Set{{ID: id(21), Entry: now.ID, At: "2026-11-30T17:00:00Z", Load: 5, Reps: 10, RIR: 2}}}
	return record.Record{Schema: record.Schema, Lifter: people.Person{Name: "Suvi Brandt", Body: d.Lifter},
		Setups:   []record.Kept[setup.Document]{{ID: id(1), Version: 3, Document: d}},
		Blocks:   []record.Kept[plan.Block]{{ID: id(2), Version: 1, Document: b}},
		Sessions: []record.Kept[session.Session]{{ID: id(3), Document: s}}}
}

func text(t *testing.T, r *record.Record) []byte {
	t.Helper()
	raw, err := json.Marshal(r)
	if err != nil {
		t.Fatal(err)
	}
	return raw
}

// A record that is taken in stands beside the one that it came from: nothing has an id of it, what named something names its successor,
// and all else is as it was.
func TestRenew(t *testing.T) {
	was := whole(t)
	r, problems := record.Parse(text(t, &was))
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	n := 100
	r.Renew(id(99), func() string { n++; return id(n) })
	st, b, s := r.Setups[0], r.Blocks[0], r.Sessions[0]
	for _, got := range []string{st.ID, b.ID, s.ID, s.Document.Sets[0].ID} {
		if got <= id(100) {
			t.Errorf("%s is an old id", got)
		}
	}
	entries := b.Document.Days[0].Entries
	if b.Document.LifterID != id(99) || s.Document.LifterID != id(99) || s.Document.BlockID != b.ID {
		t.Errorf("%+v %+v", b.Document, s.Document)
	}
	if entries[0].SetupID != st.ID || entries[0].SetupVersion != 1 || entries[1].SetupID != "" || s.Document.Entries[0].SetupID != st.ID {
		t.Errorf("entries name %+v", entries)
	}
	if s.Document.Sets[0].Entry != entries[0].ID || r.Sets() != 1 {
		t.Error("the set has lost its exercise")
	}
	again, _ := record.Parse(text(t, &was))
	again.Setups[0].ID, again.Setups[0].Version, again.Blocks, again.Sessions = st.ID, 1, r.Blocks, r.Sessions
	if string(text(t, again)) != string(text(t, r)) {
		t.Error("the setup or the lifter has changed")
	}
}

// What is wrong with a record is told with its place.
func TestBadRecords(t *testing.T) {
	for path, spoil := range map[string]func(r *record.Record){
		"schema":                            func(r *record.Record) { r.Schema = "dialarc.record/9" },
		"lifter.name":                       func(r *record.Record) { r.Lifter.Name = " " },
		"lifter.body.sets[0].reps":          func(r *record.Record) { r.Lifter.Body.Sets = []setup.KnownSet{{Exercise: "bench", Load: 50, Reps: -3}} },
		"lifter.body.height":                func(r *record.Record) { r.Lifter.Body.Height = 17 },
		"setups[0].document.name":           func(r *record.Record) { r.Setups[0].Document.Name = "" },
		"setups[1].id":                      func(r *record.Record) { r.Setups = append(r.Setups, r.Setups[0]) },
		"blocks[0].document.weeks":          func(r *record.Record) { r.Blocks[0].Document.Weeks = 99 },
		"sessions[0].document.sets[0].reps": func(r *record.Record) { r.Sessions[0].Document.Sets[0].Reps = 0 },
		"sessions[0].document.date":         func(r *record.Record) { r.Sessions[0].Document.Date = "yesterday" },
	} {
		r := whole(t)
		spoil(&r)
		if _, found := record.Parse(text(t, &r)); len(found) == 0 || found[0].Path != path {
			t.Errorf("%s: %v", path, found)
		}
	}
	if _, found := record.Parse([]byte(`{"schema": "dialarc.record/1", "lifters": []}`)); len(found) == 0 {
		t.Error("a record of another shape is read")
	}
}
