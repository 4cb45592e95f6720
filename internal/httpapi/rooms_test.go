package httpapi_test

import (
	"encoding/json"
	"reflect"
	"strings"
	"testing"

	"dialarc/core/edits"
	"dialarc/core/kit"
	"dialarc/internal/httpapi"
)

// A room is made from a ready one, changed, copied by its document, and found by who uses what in it.
func TestRoomFromReadyToUsed(t *testing.T) {
	c := serve(t)
	var ready []kit.Room
	c.call("GET", "/api/ready-rooms", nil, 200, &ready)
	if len(ready) < 2 {
		t.Fatalf("%d ready rooms", len(ready))
	}
	ready[0].Name = "Hall"
	var made httpapi.Room
	c.call("POST", "/api/rooms", map[string]any{"document": ready[0]}, 201, &made)
	if made.Name != "Hall" || made.Version != 1 || !reflect.DeepEqual(made.Document, ready[0]) {
		t.Errorf("%+v", made)
	}
	made.Document.Stations[0].Apart = 0.9
	var changed httpapi.Room
	c.call("PUT", "/api/rooms/"+made.ID, map[string]any{"version": 1, "document": made.Document}, 200, &changed)
	if changed.Version != 2 || changed.Document.Stations[0].Apart != 0.9 {
		t.Errorf("%+v", changed)
	}
	var f failure
	made.Document.Stations[0].Apart = 0.95
	c.call("PUT", "/api/rooms/"+made.ID, map[string]any{"version": 1, "document": made.Document}, 409, &f)
	if len(f.Current) == 0 {
		t.Error("a stale write does not say what is there")
	}

	lifter, st := c.first("Suvi Brandt")
	fitted := edits.Fit(&st.Document, &changed.Document, made.ID)
	c.call("POST", "/api/setups", map[string]any{"lifterId": lifter.ID, "document": fitted.Document}, 201, &st)
	var used list[httpapi.Setup]
	key := fitted.Document.Loads[0].Kit.Station
	c.call("GET", "/api/setups?roomId="+made.ID+"&item="+key, nil, 200, &used)
	if used.Total != 1 || used.Items[0].ID != st.ID {
		t.Errorf("used by %+v", used)
	}
	c.call("GET", "/api/setups?roomId="+made.ID+"&item=nothing", nil, 200, &used)
	if used.Total != 0 {
		t.Errorf("used by %+v", used)
	}
}

func TestRoomProblemsAtTheirFields(t *testing.T) {
	c := serve(t)
	r := kit.Corner("Corner")
	r.Bands[0].RestLength = -1
	r.Benches[0].NotchesDeg = []float64{30, 10}
	var f failure
	c.call("POST", "/api/rooms", map[string]any{"document": r}, 422, &f)
	if len(f.Problems) != 2 || !f.has("document.bands[0].restLength", "-1 m") || !f.has("document.benches[0].notchesDeg[1]", "in order") {
		t.Errorf("%+v", f.Problems)
	}
	c.call("POST", "/api/rooms", `{"document":{"schema":"dialarc.room/1","name":"x","stations":[{"key":1}]}}`, 422, &f)
	if !f.has("document.stations[0].key", "the number 1") {
		t.Errorf("%+v", f.Problems)
	}
	raw, err := json.Marshal(kit.Empty(" "))
	if err != nil {
		t.Fatal(err)
	}
	c.call("POST", "/api/rooms", `{"document":`+string(raw)+`}`, 422, &f)
	if !f.has("document.name", "no name") {
		t.Errorf("%+v", f.Problems)
	}
}

func TestLiftersAreArchivedAndFound(t *testing.T) {
	c := serve(t)
	l, _ := c.first("Suvi Brandt")
	var got httpapi.Lifter
	c.call("PUT", "/api/lifters/"+l.ID+"/archived", map[string]any{"archived": true}, 200, &got)
	if !got.Archived {
		t.Errorf("%+v", got)
	}
	var found list[httpapi.Lifter]
	c.call("GET", "/api/lifters?q=brandt", nil, 200, &found)
	if found.Total != 0 {
		t.Errorf("an archived lifter is among the others: %+v", found)
	}
	c.call("GET", "/api/lifters?archived=true&q=suvi", nil, 200, &found)
	if found.Total != 1 || found.Items[0].ID != l.ID {
		t.Errorf("%+v", found)
	}
}

// A setup is put among those that others are begun with, found there, and taken out again; its version stays.
func TestOwnReadySetups(t *testing.T) {
	c := serve(t)
	_, st := c.first("Suvi Brandt")
	var found list[httpapi.Setup]
	c.call("GET", "/api/setups?ready=true", nil, 200, &found)
	if found.Total != 0 {
		t.Errorf("%d ready ones at first", found.Total)
	}
	for _, ready := range []bool{true, false} {
		var got httpapi.Setup
		c.call("PUT", "/api/setups/"+st.ID+"/ready", map[string]any{"ready": ready}, 200, &got)
		c.call("GET", "/api/setups?ready=true&q="+strings.Fields(st.Name)[0], nil, 200, &found)
		if got.Ready != ready || got.Version != st.Version || (found.Total == 1) != ready {
			t.Errorf("%+v, %d found", got, found.Total)
		}
	}
	c.call("PUT", "/api/setups/00000000-0000-0000-0000-000000000000/ready", map[string]any{"ready": true}, 404, nil)
}
