package httpapi_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"testing"

	"dialarc/core/plan"
	"dialarc/core/progress"
	"dialarc/core/record"
	"dialarc/internal/httpapi"
)

// A lifter's whole record is taken in again beside the lifter: looked at it changes nothing, stored it comes to the same progress, and a
// record that is wrong in one place leaves nothing behind.
func TestRecordComesBack(t *testing.T) {
	c := serve(t)
	l, st := c.first("Suvi Brandt")
	doc, _ := json.Marshal(st.Document)
	for n := range 3 {
		day := logged(l.ID, doc, 4*n, 4*n+4)
		day["date"] = fmt.Sprintf("2026-11-%d", 20+n)
		c.call("PUT", fmt.Sprintf("/api/sessions/00000000-0000-4000-8000-0000000000f%d", n), day, 200, new(httpapi.StoredSession))
	}
	e := plan.NewEntry(&st.Document)
	e.ID, e.SetupID, e.SetupVersion = "00000000-0000-4000-8000-000000000001", st.ID, st.Version
	b := plan.Block{Schema: plan.Schema, LifterID: l.ID, Name: "Tour", Start: "2026-11-30", Weeks: 4, Days: []plan.Day{{Name: "A",
		Entries: []plan.Entry{e}}}}
	c.call("POST", "/api/blocks", map[string]any{"document": b}, 201, nil)
	answer, err := http.Get(c.url + "/api/lifters/" + l.ID + "/record")
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	raw, err := io.ReadAll(answer.Body)
	if err != nil {
		t.Fatal(err)
	}
	var had record.Record
	if err := json.Unmarshal(raw, &had); err != nil || len(had.Sessions) != 3 || len(had.Blocks) != 1 || len(had.Setups) < 5 {
		t.Fatalf("%d sessions, %v", len(had.Sessions), err)
	}
	var seen, taken httpapi.RecordAnswer
	var before, after list[httpapi.Lifter]
	c.call("GET", "/api/lifters", nil, 200, &before)
	c.call("POST", "/api/records", json.RawMessage(raw), 200, &seen)
	if seen.LifterID != "" || !seen.Known || seen.Sets != had.Sets() || seen.Sessions != len(had.Sessions) {
		t.Errorf("%+v", seen)
	}
	var f failure
	c.call("POST", "/api/records?write=true", json.RawMessage(bytes.Replace(raw, []byte(`"reps":`), []byte(`"reps":-`), 1)), 422, &f)
	c.call("GET", "/api/lifters", nil, 200, &after)
	if len(after.Items) != len(before.Items) {
		t.Error("looking, or a wrong record, has left a lifter")
	}
	c.call("POST", "/api/records?write=true", json.RawMessage(raw), 200, &taken)
	var was, is progress.Progress
	c.call("GET", "/api/lifters/"+l.ID+"/progress", nil, 200, &was)
	c.call("GET", "/api/lifters/"+taken.LifterID+"/progress", nil, 200, &is)
	if len(is.Series) != len(was.Series) || is.Plan != was.Plan {
		t.Fatalf("%d series of %d, %+v for %+v", len(is.Series), len(was.Series), is.Plan, was.Plan)
	}
	for i := range was.Series {
		a, b := &was.Series[i], &is.Series[i]
		if a.Name != b.Name || len(a.Points) != len(b.Points) || a.Points[0].Limit != b.Points[0].Limit {
			t.Errorf("%s: %d days, %+v; was %s: %d days, %+v", b.Name, len(b.Points), b.Points[0].Limit, a.Name, len(a.Points), a.Points[0].Limit)
		}
	}
}
