package store_test

import (
	"context"
	"encoding/json"
	"testing"

	"dialarc/internal/store"

	"github.com/jackc/pgx/v5"
)

// A database with data from before captures is brought up to date: what was there stays, and captures can be kept.
func TestCapturesComeToAFullDatabase(t *testing.T) {
	url := database.New(t)
	s := open(t, url)
	l := lifter(t, s, coach(t, s).ID, "Someone")
	st := setup(t, s, l, "First")
	conn, err := pgx.Connect(context.Background(), url)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(ctx)
	if _, err := conn.Exec(ctx, "drop table studies; drop table capture_files; drop table captures; delete from goose_db_version where version_id >= 8"); err != nil {
		t.Fatal(err)
	}
	if err := s.Migrate(ctx); err != nil {
		t.Fatal(err)
	}
	if got, err := s.Lifter(ctx, l.CoachID, l.ID); err != nil || got.Name != "Someone" {
		t.Fatalf("%+v, %v", got, err)
	}
	row := store.Capture{ID: "00000000-0000-4000-8000-0000000000c1", CoachID: l.CoachID, LifterID: l.ID, SetupID: &st.ID, Document: json.RawMessage(`{}`)}
	if err := s.AddCapture(ctx, &row); err != nil {
		t.Fatal(err)
	}
	if rows, err := s.Captures(ctx, l.CoachID, l.ID, everything); err != nil || len(rows) != 1 || *rows[0].SetupID != st.ID {
		t.Errorf("%+v, %v", rows, err)
	}
	if rows, err := s.Captures(ctx, "00000000-0000-4000-8000-0000000000ff", l.ID, everything); err != nil || len(rows) != 0 {
		t.Errorf("another coach sees %+v, %v", rows, err)
	}
}
