package store_test

import (
	"encoding/json"
	"testing"

	"dialarc/internal/store"
)

// A database of before there were comparisons keeps what it has, and takes them from then on.
func TestComparisonsComeToADatabaseWithData(t *testing.T) {
	db, url := before(t, 4)
	if _, err := db.Exec(`with c as (insert into coaches (name) values ('A coach') returning id),
		l as (insert into lifters (coach_id, name, body) select id, 'Someone', '{}' from c returning id, coach_id)
		insert into setups (coach_id, lifter_id, name, document, ready) select coach_id, id, 'Old', '{}', true from l`); err != nil {
		t.Fatal(err)
	}
	s := open(t, url)
	c := coach(t, s)
	if all, _, err := s.Setups(ctx, c.ID, store.Wanted{Ready: true}, everything); err != nil || len(all) != 1 {
		t.Errorf("%+v, %v", all, err)
	}
	row := store.Comparison{Named: store.Named{Row: store.Row{CoachID: c.ID, Name: "Two"}, Document: json.RawMessage(`{"name":"Two"}`)}}
	if err := s.Comparisons().Create(ctx, &row); err != nil {
		t.Fatal(err)
	}
	back, n, err := s.Comparisons().List(ctx, c.ID, everything)
	if err != nil || n != 1 || back[0].ID != row.ID || back[0].Version != 1 {
		t.Errorf("%+v, %v", back, err)
	}
	if rooms, n, err := s.Rooms().List(ctx, c.ID, everything); err != nil || n != 0 {
		t.Errorf("a comparison is among the rooms: %+v, %v", rooms, err)
	}
}
