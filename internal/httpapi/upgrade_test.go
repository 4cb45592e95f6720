package httpapi_test

import (
	"encoding/json"
	"os"
	"strings"
	"testing"

	"dialarc/core/compare"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/internal/httpapi"
)

// A database that was filled by an earlier program opens: setups, their saved states, lifters and comparisons in the words of version 1
// come out in those of the present one, are evaluated to the same, and can be saved on.
func TestRowsOfVersionOneOpen(t *testing.T) {
	old, err := os.ReadFile("../../core/testdata/v1/curved.json")
	if err != nil {
		t.Fatal(err)
	}
	now, err := os.ReadFile("../../core/testdata/curved.json")
	if err != nil {
		t.Fatal(err)
	}
	want, problems := rules.Parse(now)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	text, _ := json.Marshal(want)
	same := func(d setup.Document) bool {
		got, _ := json.Marshal(d)
		return string(got) == string(text)
	}
	c, change := serveWith(t)
	quoted := "'" + strings.ReplaceAll(string(old), "'", "''") + "'::jsonb"
	change(t, "update setups set document = "+quoted)
	change(t, "update setup_versions set document = "+quoted)
	change(t, `update lifters set body = '{"stature":1.81,"mass":82,"ranges":{"shoulder.plane":{"fromDeg":-20,"toDeg":100}}}'`)
	change(t, `update comparisons set document = jsonb_set(document, '{setups}', (select jsonb_agg(jsonb_build_object('document', `+quoted+`)) from generate_series(1, 2)))`)

	var setups list[httpapi.Setup]
	c.call("GET", "/api/setups", nil, 200, &setups)
	one := setups.Items[0]
	c.call("GET", "/api/setups/"+one.ID, nil, 200, &one)
	if one.Unreadable != "" || !same(one.Document) {
		t.Errorf("%s: %+v", one.Unreadable, one.Document)
	}
	var states struct{ Items []httpapi.SetupVersion }
	if c.call("GET", "/api/setups/"+one.ID+"/versions", nil, 200, &states); len(states.Items) == 0 || !same(states.Items[0].Document) {
		t.Errorf("saved states: %+v", states.Items)
	}
	var lifters list[httpapi.Lifter]
	c.call("GET", "/api/lifters", nil, 200, &lifters)
	body := lifters.Items[0].Body
	if _, ranged := body.Ranges["shoulder.planeOfElevation"]; body.Height != 1.81 || body.BodyMass != 82 || !ranged {
		t.Errorf("%+v", body)
	}
	var kept list[struct {
		Unreadable string
		Document   compare.Kept
	}]
	c.call("GET", "/api/comparisons", nil, 200, &kept)
	if k := kept.Items[0]; k.Unreadable != "" || len(k.Document.Setups) != 2 || !same(k.Document.Setups[1].Document) {
		t.Errorf("%+v", k)
	}
	write := httpapi.SetupWrite{Version: one.Version, LifterID: one.LifterID, Document: one.Document}
	if c.call("PUT", "/api/setups/"+one.ID, write, 200, &one); one.Document.Schema != setup.Schema {
		t.Errorf("saved on as %s", one.Document.Schema)
	}
	raw, _ := json.Marshal(map[string]any{"lifterId": one.LifterID, "document": json.RawMessage(old)})
	var sent httpapi.Setup
	if c.call("POST", "/api/setups", string(raw), 201, &sent); !same(sent.Document) {
		t.Errorf("sent: %+v", sent.Document)
	}
}
