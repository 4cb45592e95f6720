package httpapi_test

import (
	"encoding/json"
	"math"
	"reflect"
	"strings"
	"testing"

	"dialarc/core/compare"
	"dialarc/core/dialin"
	"dialarc/core/kit"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/internal/httpapi"
)

// A comparison is kept under a name, changed, and is what it was after that; a stale write is told what is there.
func TestComparisonsAreKept(t *testing.T) {
	c := serve(t)
	_, st := c.first("Suvi Brandt")
	k := compare.Kept{Schema: compare.Schema, Name: " Raises ", Setups: []compare.Member{{Document: st.Document, SetupID: st.ID},
		{Document: st.Document}}, Equal: "peak"}
	var made httpapi.Comparison
	c.call("POST", "/api/comparisons", map[string]any{"document": k}, 201, &made)
	if made.Name != "Raises" || made.Version != 1 || made.Document.Equal != "peak" || !reflect.DeepEqual(made.Document.Setups[0].Document,
		st.Document) {
		t.Errorf("%s, version %d, equal %s", made.Name, made.Version, made.Document.Equal)
	}
	made.Document.Along = "length"
	var changed httpapi.Comparison
	c.call("PUT", "/api/comparisons/"+made.ID, map[string]any{"version": 1, "document": made.Document}, 200, &changed)
	var f failure
	made.Document.Along = "time"
	c.call("PUT", "/api/comparisons/"+made.ID, map[string]any{"version": 1, "document": made.Document}, 409, &f)
	if changed.Version != 2 || changed.Document.Along != "length" || len(f.Current) == 0 {
		t.Errorf("version %d, along %s, a stale write knows %d bytes", changed.Version, changed.Document.Along, len(f.Current))
	}
	var found list[httpapi.Comparison]
	c.call("GET", "/api/comparisons", nil, 200, &found)
	if found.Total != 2 || found.Items[0].ID != made.ID { // the demo's is called otherwise
		t.Errorf("%d kept, the first %s", found.Total, found.Items[0].Name)
	}
	c.call("DELETE", "/api/comparisons/"+made.ID+"?version=2", nil, 204, nil)
	c.call("GET", "/api/comparisons/"+made.ID, nil, 404, nil)
	c.call("POST", "/api/comparisons/"+made.ID+"/restore", nil, 200, &made)
	k.Equal = "weight"
	c.call("POST", "/api/comparisons", map[string]any{"document": k}, 422, &f)
	if !f.has("document.equal", "weight") {
		t.Errorf("%+v", f.Problems)
	}
}

// The server compares, makes loads equal and ranks like the core that it runs.
func TestServerCompares(t *testing.T) {
	c := serve(t)
	_, st := c.first("Suvi Brandt")
	double := load.Times(&st.Document, 2)
	docs := []setup.Document{st.Document, double}
	var got compare.Comparison
	c.call("POST", "/api/compare", map[string]any{"setups": docs}, 200, &got)
	want, problems := compare.Of(docs)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	a, _ := json.Marshal(got)
	b, _ := json.Marshal(want)
	if string(a) != string(b) {
		t.Errorf("the server says\n%s\nand the core\n%s", a, b)
	}
	var equal struct{ Setups []compare.Equalised }
	c.call("POST", "/api/compare/equal", map[string]any{"setups": docs, "by": "peak"}, 200, &equal)
	if len(equal.Setups) != 2 || math.Abs(equal.Setups[1].Factor.OrNaN()-0.5) > 1e-9 {
		t.Errorf("%+v", equal)
	}
	var f failure
	c.call("POST", "/api/compare", map[string]any{"setups": docs[:1]}, 422, &f)
	if !f.has("setups", "two to 24") {
		t.Errorf("%+v", f.Problems)
	}

	var ranked struct{ Ranked []compare.RankedReady }
	ask := map[string]any{"lifter": st.Document.Lifter, "room": kit.Corner("Corner"), "region": "deltoid.middle", "how": "long"}
	c.call("POST", "/api/rank", ask, 200, &ranked)
	if len(ranked.Ranked) == 0 || len(ranked.Ranked[0].Ready.Missing) > 0 {
		t.Errorf("%d ranked", len(ranked.Ranked))
	}
	ask["region"] = "tail"
	c.call("POST", "/api/rank", ask, 422, &f)
	if !f.has("region", "tail") {
		t.Errorf("%+v", f.Problems)
	}
}

// The server searches and maps like the core; a setup that cannot be evaluated is told where.
func TestServerSearches(t *testing.T) {
	c := serve(t)
	_, st := c.first("Suvi Brandt")
	goal := dialin.Goal{Free: []string{"stance.out", "heading"}, Seed: 3, Budget: 60}
	var got dialin.Search
	c.call("POST", "/api/dialin", map[string]any{"setup": st.Document, "goal": goal}, 200, &got)
	want, _, err := dialin.Run(t.Context(), &st.Document, goal, nil)
	if err != nil || got.Looked != want.Looked || len(got.Answers) != len(want.Answers) {
		t.Errorf("looked at %d, core at %d, %v", got.Looked, want.Looked, err)
	}
	var grid dialin.Grid
	c.call("POST", "/api/map", map[string]any{"setup": st.Document, "a": "stance.out", "b": "heading"}, 200, &grid)
	if len(grid.Scores) != len(grid.BValues) || grid.BestA < 0 {
		t.Errorf("%d rows of %d", len(grid.Scores), len(grid.BValues))
	}
	st.Document.Loads[0].Pulley = nil
	var f failure
	c.call("POST", "/api/dialin", map[string]any{"setup": st.Document, "goal": goal}, 422, &f)
	if len(f.Problems) == 0 || !strings.HasPrefix(f.Problems[0].Path, "setup.loads[0].pulley") {
		t.Errorf("%+v", f.Problems)
	}
	st.Document.Loads = st.Document.Loads[:0]
	c.call("POST", "/api/map", map[string]any{"setup": st.Document, "a": "x", "b": "y"}, 422, &f)
}
