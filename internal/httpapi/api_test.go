package httpapi_test

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"math"
	"net/http"
	"net/http/httptest"
	"os"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
	"dialarc/internal/localpg"
	"dialarc/internal/store"

	"github.com/jackc/pgx/v5"
)

var database *localpg.Testing

func TestMain(m *testing.M) { os.Exit(localpg.RunTests(m, &database)) }

type client struct {
	t   *testing.T
	url string
}

// serve starts the interface on a fresh database with the demo data.
func serve(t *testing.T) *client {
	t.Helper()
	c, _ := serveWith(t)
	return c
}

// serveWith is serve, with a way to change what is stored behind its back.
func serveWith(t *testing.T) (*client, func(t *testing.T, statement string)) {
	t.Helper()
	ctx, url := context.Background(), database.Filled(t, filled)
	s, err := store.Open(ctx, url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	coach, err := s.FirstCoach(ctx, demo.CoachName)
	if err != nil {
		t.Fatal(err)
	}
	server := httptest.NewServer((&httpapi.Server{Store: s, Coach: coach}).Handler())
	t.Cleanup(server.Close)
	return &client{t, server.URL}, func(t *testing.T, statement string) {
		t.Helper()
		conn, err := pgx.Connect(ctx, url)
		if err != nil {
			t.Fatal(err)
		}
		defer conn.Close(ctx)
		if _, err := conn.Exec(ctx, statement); err != nil {
			t.Fatal(err)
		}
	}
}

// filled puts the demo data into an empty database.
func filled(url string) error {
	ctx := context.Background()
	s, coach, err := store.OpenFor(ctx, url, demo.CoachName)
	if err != nil {
		return err
	}
	defer s.Close()
	return demo.Load(ctx, s, coach)
}

// call sends a body (text, or a value as JSON), wants a status and reads the answer into out.
func (c *client) call(method, path string, body any, want int, out any) {
	c.t.Helper()
	var send io.Reader
	switch b := body.(type) {
	case nil:
	case string:
		send = strings.NewReader(b)
	default:
		raw, err := json.Marshal(b)
		if err != nil {
			c.t.Fatal(err)
		}
		send = bytes.NewReader(raw)
	}
	req, err := http.NewRequest(method, c.url+path, send)
	if err != nil {
		c.t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	resp, err := http.DefaultClient.Do(req)
	if err != nil {
		c.t.Fatal(err)
	}
	defer resp.Body.Close()
	raw, err := io.ReadAll(resp.Body)
	if err != nil {
		c.t.Fatal(err)
	}
	if resp.StatusCode != want {
		c.t.Fatalf("%s %s: %d, want %d: %.400s", method, path, resp.StatusCode, want, raw)
	}
	if out != nil {
		if err := json.Unmarshal(raw, out); err != nil {
			c.t.Fatalf("%s %s: %v in %.400s", method, path, err, raw)
		}
	}
}

type list[T any] struct {
	Items []T
	Total int
}

type failure struct {
	Status   int
	Detail   string
	Problems []setup.Problem
	Current  json.RawMessage
}

// has finds a problem at a path whose text holds a word.
func (f *failure) has(path, word string) bool {
	for _, p := range f.Problems {
		if p.Path == path && strings.Contains(p.String(), word) {
			return true
		}
	}
	return false
}

func (c *client) first(name string) (httpapi.Lifter, httpapi.Setup) {
	c.t.Helper()
	var lifters list[httpapi.Lifter]
	c.call("GET", "/api/lifters", nil, 200, &lifters)
	for _, l := range lifters.Items {
		if l.Name == name {
			var setups list[httpapi.Setup]
			c.call("GET", "/api/setups?lifterId="+l.ID, nil, 200, &setups)
			return l, setups.Items[0]
		}
	}
	c.t.Fatalf("no lifter %s", name)
	return httpapi.Lifter{}, httpapi.Setup{}
}

func TestDemoIsThere(t *testing.T) {
	c := serve(t)
	var lifters list[httpapi.Lifter]
	c.call("GET", "/api/lifters", nil, 200, &lifters)
	if lifters.Total != 6 || len(lifters.Items) != 6 {
		t.Errorf("%d lifters", lifters.Total)
	}
	var setups list[httpapi.Setup]
	c.call("GET", "/api/setups?limit=5&offset=2", nil, 200, &setups)
	if setups.Total != len(demo.Documents()) || len(setups.Items) != 5 {
		t.Errorf("%d of %d setups", len(setups.Items), setups.Total)
	}
	var health struct{ Coach string }
	c.call("GET", "/api/health", nil, 200, &health)
	if health.Coach != demo.CoachName {
		t.Errorf("coach %q", health.Coach)
	}
}

func TestLifterFromCreateToRestore(t *testing.T) {
	c := serve(t)
	write := httpapi.LifterWrite{Name: "Ödön Kis", Notes: "Climbs ropes.", Body: setup.Lifter{Height: 1.81, BodyMass: 77}}
	var l httpapi.Lifter
	c.call("POST", "/api/lifters", write, 201, &l)
	if l.Version != 1 || l.Name != write.Name || l.Body.BodyMass != 77 {
		t.Fatalf("%+v", l)
	}
	write.Version, write.Body.BodyMass = 1, 79
	c.call("PUT", "/api/lifters/"+l.ID, write, 200, &l)
	if l.Version != 2 || l.Body.BodyMass != 79 {
		t.Errorf("%+v", l)
	}
	c.call("DELETE", fmt.Sprintf("/api/lifters/%s?version=1", l.ID), nil, 409, nil)
	c.call("DELETE", fmt.Sprintf("/api/lifters/%s?version=2", l.ID), nil, 204, nil)
	c.call("GET", "/api/lifters/"+l.ID, nil, 404, nil)
	c.call("POST", "/api/lifters/"+l.ID+"/restore", nil, 200, &l)
	var again httpapi.Lifter
	c.call("GET", "/api/lifters/"+l.ID, nil, 200, &again)
	if again.Notes != write.Notes {
		t.Errorf("%+v", again)
	}
}

func TestLifterProblemsAtTheirFields(t *testing.T) {
	c := serve(t)
	var f failure
	c.call("POST", "/api/lifters", httpapi.LifterWrite{Body: setup.Lifter{Height: 181, BodyMass: 0}}, 422, &f)
	if !f.has("name", "empty") || !f.has("body.height", "1 to 2.4") || !f.has("body.bodyMass", "25 to 300") {
		t.Errorf("%+v", f)
	}
	f = failure{}
	c.call("POST", "/api/lifters", `{"name":"x","body":{"height":"tall","bodyMass":70},"colour":"red"}`, 422, &f)
	if !f.has("body.height", "a number") || !f.has("colour", "no field") {
		t.Errorf("%+v", f)
	}
}

// A write that is based on an older version gets the row as it stands; after looking, keeping one's own works.
func TestStaleWriteGetsBothStates(t *testing.T) {
	c := serve(t)
	_, st := c.first("Suvi Brandt")
	mine, theirs := st.Document.Clone(), st.Document.Clone()
	theirs.Posture.X = 0.55
	c.call("PUT", "/api/setups/"+st.ID, httpapi.SetupWrite{Version: 1, LifterID: st.LifterID, Document: theirs}, 200, nil)
	mine.Posture.X = 0.25
	var f failure
	write := httpapi.SetupWrite{Version: 1, LifterID: st.LifterID, Document: mine}
	c.call("PUT", "/api/setups/"+st.ID, write, 409, &f)
	var current httpapi.Setup
	if err := json.Unmarshal(f.Current, &current); err != nil || current.Version != 2 || current.Document.Posture.X != 0.55 {
		t.Fatalf("current %s, %v", f.Current, err)
	}
	write.Version = current.Version
	var kept httpapi.Setup
	c.call("PUT", "/api/setups/"+st.ID, write, 200, nil)
	c.call("PUT", "/api/setups/"+st.ID, write, 200, &kept) // the same again: its answer got lost
	if kept.Version != 3 || kept.Document.Posture.X != 0.25 {
		t.Errorf("%+v", kept)
	}
}

// A create that is sent twice, because the first answer was lost, makes one setup.
func TestRepeatedCreate(t *testing.T) {
	c := serve(t)
	l, st := c.first("Madoc Quill")
	write := httpapi.SetupWrite{ID: "0b5e1d1c-7a11-4d6c-9a53-3f0a55d0a001", LifterID: l.ID, Document: st.Document}
	c.call("POST", "/api/setups", write, 201, nil)
	var again httpapi.Setup
	c.call("POST", "/api/setups", write, 201, &again) // its answer got lost
	if again.ID != write.ID || again.Version != 1 {
		t.Errorf("the same again: %s, version %d", again.ID, again.Version)
	}
	write.Document.Notes = "Something else."
	var f failure
	c.call("POST", "/api/setups", write, 409, &f)
	var current httpapi.Setup
	if err := json.Unmarshal(f.Current, &current); err != nil || current.ID != write.ID {
		t.Errorf("%s %v", f.Current, err)
	}
	c.call("DELETE", "/api/setups/"+write.ID+"?version=1", nil, 204, nil)
	c.call("POST", "/api/setups/"+write.ID+"/restore", nil, 200, nil)
}

// Unfinished work can be kept: a setup with problems is stored as it is, one of the wrong shape is not.
func TestUnfinishedSetupIsKept(t *testing.T) {
	c := serve(t)
	l, st := c.first("Madoc Quill")
	st.Document.Loads[0].StackMass = 0
	st.Document.Name = strings.Repeat("long ", 40)
	var kept httpapi.Setup
	c.call("POST", "/api/setups", httpapi.SetupWrite{LifterID: l.ID, Document: st.Document}, 201, &kept)
	if kept.Document.Loads[0].StackMass != 0 || kept.Name != st.Document.Name {
		t.Errorf("%+v", kept)
	}
	var f failure
	st.Document.Name = ""
	c.call("POST", "/api/setups", httpapi.SetupWrite{LifterID: l.ID, Document: st.Document}, 422, &f)
	if !f.has("document.name", "empty") {
		t.Errorf("%+v", f)
	}
	c.call("POST", "/api/setups", `{"lifterId":"`+l.ID+`","document":{"schema":"dialarc.setup/2","name":"x","loads":7}}`, 422, &f)
	if !f.has("document.loads", "a list") {
		t.Errorf("%+v", f)
	}
	c.call("POST", "/api/setups", `{"lifterId":"`+l.ID+`","document":{"schema":"dialarc.setup/9","name":"x"}}`, 422, &f)
	if !f.has("document.schema", "dialarc.setup/2") {
		t.Errorf("%+v", f)
	}
	c.call("POST", "/api/setups", httpapi.SetupWrite{LifterID: "0b5e1d1c-7a11-4d6c-9a53-3f0a55d0a009", Document: kept.Document}, 404, nil)
	c.call("GET", "/api/setups/not-an-id", nil, 422, nil)
}

// The server evaluates to the numbers that the core gives here, within what ten digits can tell.
func TestEvaluateGivesTheSameNumbers(t *testing.T) {
	c := serve(t)
	documents := demo.Documents()
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.68, BodyMass: 62}) {
		documents = append(documents, r.Document)
	}
	for n, d := range documents {
		if testing.Short() && n%12 != 0 { // races show in few as in many
			continue
		}
		var got report.Report
		c.call("POST", "/api/evaluate", d, 200, &got)
		want, problems := evaluate.Document(&d)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		have := got.AllCurves()
		for k, curve := range want.AllCurves() {
			for i, w := range *curve {
				g := (*have[k])[i]
				if math.IsNaN(w) != math.IsNaN(g) || math.Abs(g-w) > 1e-9*math.Max(1, math.Abs(w)) {
					t.Fatalf("%s: curve %d sample %d: %v, want %v", d.Name, k, i, g, w)
				}
			}
		}
		if a, b := got.Profile.Fit, want.Profile.Fit; a.Known() != b.Known() || a.Why() != b.Why() || math.Abs(a.Or(0)-b.Or(0)) > 1e-7 {
			t.Errorf("%s: match %+v, want %+v", d.Name, a, b)
		}
	}
}

func TestEvaluateTempoAndUncertainty(t *testing.T) {
	c := serve(t)
	d := demo.Documents()[0]
	var got report.Tempo
	c.call("POST", "/api/evaluate/tempo", d, 200, &got)
	want, _ := evaluate.Tempo(&d)
	if !(math.Abs(got.Peak.OrNaN()-want.Peak.OrNaN()) < 1e-7) || len(got.Time) != len(want.Time) {
		t.Errorf("peak %v, want %v", got.Peak.OrNaN(), want.Peak.OrNaN())
	}
	var spread report.Uncertainty
	c.call("POST", "/api/evaluate/uncertainty", d, 200, &spread)
	if peak := want.Peak.OrNaN(); len(spread.Low) != len(spread.High) || spread.Peak.Low.OrNaN() > peak {
		t.Errorf("the spread of the peak: %+v", spread.Peak)
	}
	d.Tempo.Up = 0
	var f failure
	c.call("POST", "/api/evaluate/tempo", d, 422, &f)
	if !f.has("tempo", "seconds of both") {
		t.Errorf("%+v", f)
	}
}

func TestEvaluateRefuses(t *testing.T) {
	c := serve(t)
	good, err := json.Marshal(demo.Documents()[0])
	if err != nil {
		t.Fatal(err)
	}
	for _, x := range []struct{ name, body, path, word string }{
		{"NaN", strings.Replace(string(good), `"bodyMass":61`, `"bodyMass":NaN`, 1), "", "NaN"},
		{"nothing", "", "", ""},
		{"mass 0", strings.Replace(string(good), `"bodyMass":61`, `"bodyMass":0`, 1), "lifter.bodyMass", "25 to 300"},
		{"reversed", strings.Replace(string(good), `"fromDeg":12`, `"fromDeg":120`, 1), "movement.toDeg", "Swap"},
		{"in the column", strings.Replace(strings.Replace(string(good), `"x":0.7`, `"x":0`, 1), `"shoulder.planeOfElevationDeg":30`,
			`"shoulder.planeOfElevationDeg":0`, 1), "posture.x", "column"},
	} {
		want := 422
		if x.name == "nothing" {
			want = 400
		}
		var f failure
		c.call("POST", "/api/evaluate", x.body, want, &f)
		if x.word != "" && !f.has(x.path, x.word) {
			t.Errorf("%s: %+v", x.name, f)
		}
	}
	var f failure
	c.call("POST", "/api/evaluate", strings.Repeat(" ", 10<<20), 413, &f)
	if len(f.Problems) != 1 || f.Problems[0].Hint == "" {
		t.Errorf("10 MB: %+v", f)
	}
}

// When the database is gone the answer says so, and that nothing was changed.
func TestDatabaseGone(t *testing.T) {
	ctx := context.Background()
	s, err := store.Open(ctx, database.New(t))
	if err != nil {
		t.Fatal(err)
	}
	server := httptest.NewServer((&httpapi.Server{Store: s, Coach: store.Coach{ID: "0b5e1d1c-7a11-4d6c-9a53-3f0a55d0a001"}}).Handler())
	defer server.Close()
	s.Close()
	c := &client{t, server.URL}
	for _, path := range []string{"/api/health", "/api/lifters", "/api/setups"} {
		var f failure
		c.call("GET", path, nil, 503, &f)
		if !strings.Contains(f.Detail, "try again") {
			t.Errorf("%s: %+v", path, f)
		}
	}
}

// The description names every route, and its schemas hold no type twice.
func TestOpenAPI(t *testing.T) {
	o := httpapi.OpenAPI()
	for _, path := range []string{"/api/lifters", "/api/lifters/{id}", "/api/lifters/{id}/restore", "/api/setups", "/api/setups/{id}",
		"/api/evaluate", "/api/health"} {
		if o.Paths[path] == nil {
			t.Errorf("%s is not described", path)
		}
	}
	body := o.Paths["/api/evaluate"].Post.RequestBody.Content
	if len(body) != 1 || body["application/json"].Schema.Ref != "#/components/schemas/Document" {
		t.Errorf("the body of evaluate: %+v", body)
	}
}

// Every save leaves a state behind that can be named and read.
func TestVersionsOfASetup(t *testing.T) {
	c := serve(t)
	_, st := c.first("Suvi Brandt")
	path := "/api/setups/" + st.ID
	st.Document.Notes, st.Document.Cues = "Feet a little wider.", []string{"Reach, do not lift."}
	c.call("PUT", path, httpapi.SetupWrite{Version: st.Version, LifterID: st.LifterID, Document: st.Document}, 200, nil)
	c.call("PUT", path+"/versions/1", map[string]string{"title": "As it came"}, 204, nil)
	var got list[httpapi.SetupVersion]
	c.call("GET", path+"/versions", nil, 200, &got)
	if got.Total != 2 || got.Items[0].Document.Notes != "Feet a little wider." || got.Items[1].Title != "As it came" ||
		got.Items[1].Document.Notes != "" {
		t.Errorf("%d states: %+v", got.Total, got.Items)
	}
	var f failure
	c.call("PUT", path+"/versions/9", map[string]string{"title": "x"}, 404, &f)
	c.call("PUT", path+"/versions/1", map[string]string{"title": strings.Repeat("x", 201)}, 422, &f)
	st.Document.Cues = []string{""}
	if problems := rules.Validate(&st.Document); len(problems) != 1 || problems[0].Path != "cues[0]" {
		t.Errorf("an empty cue: %v", problems)
	}
}
