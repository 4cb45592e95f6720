package main

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"errors"
	"math"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/compare"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/report"
	"dialarc/core/setup"
)

const document = "../../core/testdata/raise.json"

func run(t *testing.T, args ...string) string {
	t.Helper()
	var out bytes.Buffer
	if err := dispatch(args, &out); err != nil {
		t.Fatal(err)
	}
	return out.String()
}

func TestEvalPrintsTheReport(t *testing.T) {
	var got report.Report
	if err := json.Unmarshal([]byte(run(t, "eval", document)), &got); err != nil {
		t.Fatal(err)
	}
	raw, err := os.ReadFile(document)
	if err != nil {
		t.Fatal(err)
	}
	want, _ := evaluate.JSON(raw)
	if got.Schema != report.Schema || !(math.Abs(got.Profile.Fit.OrNaN()-want.Profile.Fit.OrNaN()) < 1e-7) {
		t.Errorf("%s, match %v, want %v", got.Schema, got.Profile.Fit.OrNaN(), want.Profile.Fit.OrNaN())
	}
}

func TestEvalCSV(t *testing.T) {
	rows, err := csv.NewReader(strings.NewReader(run(t, "eval", document, "--csv"))).ReadAll()
	if err != nil || len(rows) != 102 {
		t.Fatalf("%d rows, %v", len(rows), err)
	}
	column := map[string]int{}
	for i, name := range rows[0] {
		column[name] = i
	}
	for _, c := range []struct {
		row  int
		want float64
	}{{1, 45.76}, {51, 37.20}, {101, 18.63}} {
		got, err := strconv.ParseFloat(rows[c.row][column["cable_Nm"]], 64)
		if err != nil || math.Abs(got-c.want) > 0.005 {
			t.Errorf("row %d: %v, want %v (%v)", c.row, got, c.want, err)
		}
	}
}

func TestCSVLeavesGapsEmpty(t *testing.T) {
	raw, err := os.ReadFile(document)
	if err != nil {
		t.Fatal(err)
	}
	file := filepath.Join(t.TempDir(), "slack.json")
	slack := strings.Replace(string(raw), `"attachmentLength": 0`, `"attachmentLength": 0.9`, 1)
	if err := os.WriteFile(file, []byte(slack), 0o600); err != nil {
		t.Fatal(err)
	}
	rows, err := csv.NewReader(strings.NewReader(run(t, "eval", "--csv", file))).ReadAll()
	if err != nil || rows[1][3] != "" || rows[101][3] == "" {
		t.Errorf("torque at the start %q, at the end %q, %v", rows[1][3], rows[101][3], err)
	}
}

// One document can be profiled at another joint, and every ready setup can be evaluated from a file, at rest and, where it
// moves, in motion.
func TestEvalOfEverySetup(t *testing.T) {
	file := filepath.Join(t.TempDir(), "setup.json")
	for _, ready := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		raw, err := json.Marshal(ready.Document)
		if err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(file, raw, 0o600); err != nil {
			t.Fatal(err)
		}
		rows, err := csv.NewReader(strings.NewReader(run(t, "eval", file, "--csv"))).ReadAll()
		if err != nil || len(rows) != 102 || slices.Index(rows[0], "low_back_Nm") < 0 {
			t.Errorf("%s: %d rows, %v", ready.Key, len(rows), err)
		}
		if ready.Document.Movement.Kind == "hold" {
			continue
		}
		var motion report.Tempo
		if err := json.Unmarshal([]byte(run(t, "eval", "--tempo", file)), &motion); err != nil || !motion.Peak.Known() {
			t.Errorf("%s in motion: %v", ready.Key, err)
		}
	}
	var elbow report.Report
	if err := json.Unmarshal([]byte(run(t, "eval", "--joint", "elbow", document)), &elbow); err != nil || elbow.Joint != "elbow" ||
		elbow.Names != "elbow.flexion" {
		t.Errorf("at the elbow: %s, %s, %v", elbow.Joint, elbow.Names, err)
	}
	if err := dispatch([]string{"eval", document, "--joint", "wing"}, &bytes.Buffer{}); err == nil ||
		!strings.Contains(err.Error(), "target.joint") {
		t.Errorf("at no joint: %v", err)
	}
}

func TestEvalTempo(t *testing.T) {
	var got report.Tempo
	if err := json.Unmarshal([]byte(run(t, "eval", "--tempo", document)), &got); err != nil {
		t.Fatal(err)
	}
	if got.Duration != 6 || !got.Peak.Known() || len(got.Dynamic) != len(got.Time) {
		t.Errorf("duration %v, peak %+v, %d of %d samples", got.Duration, got.Peak, len(got.Dynamic), len(got.Time))
	}
	rows, err := csv.NewReader(strings.NewReader(run(t, "eval", "--tempo", "--csv", document))).ReadAll()
	if err != nil || len(rows) != len(got.Time)+1 || rows[0][4] != "dynamic_Nm" {
		t.Errorf("%d rows, %v", len(rows), err)
	}
}

func TestEvalUncertainty(t *testing.T) {
	var got report.Uncertainty
	if err := json.Unmarshal([]byte(run(t, "eval", document, "--uncertainty")), &got); err != nil {
		t.Fatal(err)
	}
	if got.Draws != 120 || !got.Peak.Low.Known() || got.Peak.Low.OrNaN() >= got.Peak.High.OrNaN() {
		t.Errorf("%+v", got.Peak)
	}
	rows, err := csv.NewReader(strings.NewReader(run(t, "eval", "--uncertainty", "--csv", document))).ReadAll()
	if err != nil || len(rows) != len(got.Low)+1 || rows[0][2] != "high_Nm" {
		t.Errorf("%d rows, %v", len(rows), err)
	}
}

func TestSweepPrintsEveryDial(t *testing.T) {
	var got struct {
		Sweeps []struct {
			Key    string
			Values []float64
			Scores []*float64
		}
	}
	if err := json.Unmarshal([]byte(run(t, "sweep", document)), &got); err != nil {
		t.Fatal(err)
	}
	if len(got.Sweeps) != 12 || got.Sweeps[0].Key != "pulley.height/0" || len(got.Sweeps[0].Values) != 25 || len(got.Sweeps[0].Scores) != 25 {
		t.Errorf("%d sweeps, the first %+v", len(got.Sweeps), got.Sweeps[0])
	}
}

// The answers on the command line turn only what was freed, and gain.
func TestDialInPrintsAnswers(t *testing.T) {
	ready, _ := catalogue.Find(&setup.Lifter{Height: 1.75, BodyMass: 75}, "raise.behind.hand")
	raw, err := json.Marshal(ready.Document)
	if err != nil {
		t.Fatal(err)
	}
	document := filepath.Join(t.TempDir(), "setup.json")
	if err := os.WriteFile(document, raw, 0o600); err != nil {
		t.Fatal(err)
	}
	var got dialin.Search
	if err := json.Unmarshal([]byte(run(t, "dialin", "--free", "path.plane,stance.out", "--budget", "100", document)), &got); err != nil {
		t.Fatal(err)
	}
	if got.Before == nil || len(got.Answers) == 0 || got.Answers[0].Score <= got.Before.Score {
		t.Fatalf("%+v", got)
	}
	rows, err := csv.NewReader(strings.NewReader(run(t, "dialin", "--free", "path.plane,stance.out", "--budget", "100", "--csv",
		document))).ReadAll()
	if err != nil || len(rows) < 2 || rows[0][2] != "setting" {
		t.Fatalf("%v, %v", rows, err)
	}
	for _, row := range rows[1:] {
		if row[2] != "path.plane" && row[2] != "stance.out" {
			t.Errorf("turned what was locked: %v", row)
		}
	}
}

// Every pair of a map is told, closed ones with what closes them.
func TestSweepPrintsMaps(t *testing.T) {
	rows, err := csv.NewReader(strings.NewReader(run(t, "sweep", "--map", "pulley.height/0,path.plane", "--csv", document))).ReadAll()
	if err != nil || len(rows) < 25*10 || rows[0][0] != "pulley.height/0" {
		t.Fatalf("%d rows, %v", len(rows), err)
	}
	for _, row := range rows[1:] {
		if (row[2] == "") != (row[3] != "") {
			t.Errorf("%v", row)
		}
	}
	if values, err := csv.NewReader(strings.NewReader(run(t, "sweep", "--csv", document))).ReadAll(); err != nil || len(values) < 100 ||
		values[1][0] != "pulley.height/0" {
		t.Errorf("%d rows, %v", len(values), err)
	}
}

// A setup beside itself differs in nothing; made equal to itself its loads stay.
func TestComparePrints(t *testing.T) {
	rows, err := csv.NewReader(strings.NewReader(run(t, "compare", "--csv", document, document))).ReadAll()
	if err != nil || len(rows) < 10 {
		t.Fatalf("%d rows, %v", len(rows), err)
	}
	for _, row := range rows[1:] {
		if row[2] != row[3] || row[4] != "0" {
			t.Errorf("%v", row)
		}
	}
	var made []compare.Equalised
	if err := json.Unmarshal([]byte(run(t, "compare", "--equal", "angle", "--at", "60", document, document)), &made); err != nil {
		t.Fatal(err)
	}
	if len(made) != 2 || math.Abs(made[1].Factor.OrNaN()-1) > 1e-9 {
		t.Errorf("%+v", made)
	}
}

// A room leaves what it lacks for last.
func TestRankPrints(t *testing.T) {
	dir := t.TempDir()
	body, room := filepath.Join(dir, "body.json"), filepath.Join(dir, "room.json")
	raw, err := json.Marshal(kit.Corner("Corner"))
	if err != nil {
		t.Fatal(err)
	}
	for file, text := range map[string]string{body: `{"stature":1.7,"mass":68}`, room: string(raw)} {
		if err := os.WriteFile(file, []byte(text), 0o600); err != nil {
			t.Fatal(err)
		}
	}
	rows, err := csv.NewReader(strings.NewReader(run(t, "rank", "--region", "biceps", "--how", "long", "--room", room, "--csv",
		body))).ReadAll()
	if err != nil || len(rows) < 5 || rows[1][7] != "0" || rows[len(rows)-1][7] == "0" {
		t.Errorf("%v, %v", rows, err)
	}
}

func TestProblemsAreErrors(t *testing.T) {
	file := filepath.Join(t.TempDir(), "bad.json")
	if err := os.WriteFile(file, []byte(`{"schema":"dialarc.setup/2","lifter":{"bodyMass":"heavy"}}`), 0o600); err != nil {
		t.Fatal(err)
	}
	err := dispatch([]string{"eval", file}, &bytes.Buffer{})
	var problems setup.Problems
	if !errors.As(err, &problems) || problems[0].Path != "lifter.bodyMass" || !strings.Contains(err.Error(), "Give a number.") {
		t.Errorf("%v", err)
	}
}

func TestUsage(t *testing.T) {
	help := run(t)
	for _, c := range commands() {
		if !strings.Contains(help, c.usage) {
			t.Errorf("help does not list %s", c.name)
		}
	}
	for _, args := range [][]string{{"evaluate"}, {"eval"}, {"eval", "a", "b"}, {"eval", document, "--tempo", "--uncertainty"},
		{"eval", "no such file"}, {"sweep"}, {"dialin"}, {"dialin", "--free", "nothing", document}, {"dialin", "--seed", "x", document},
		{"compare", document}, {"compare", "--equal", "weight", document, document}, {"rank"}, {"rank", "--region", "tail", document},
		{"sweep", "--map", "stance.out", document}, {"schema", "x"}, {"demo", "x"}, {"backup"}} {
		if err := dispatch(args, &bytes.Buffer{}); err == nil {
			t.Errorf("%v was taken", args)
		}
	}
	for _, c := range commands() {
		if help := run(t, c.name, "--help"); !strings.Contains(help, "usage: dialarc "+c.usage) {
			t.Errorf("%s --help prints %q", c.name, help)
		}
		if err := dispatch([]string{c.name, "--colour"}, &bytes.Buffer{}); err == nil || !strings.Contains(err.Error(), "--colour") ||
			!strings.Contains(err.Error(), c.name+" --help") {
			t.Errorf("%s --colour: %v", c.name, err)
		}
	}
	if after, before := run(t, "eval", document, "--csv"), run(t, "eval", "--csv", document); after != before {
		t.Error("options after the file mean something else than before it")
	}
	t.Setenv("DATABASE_URL", "")
	for _, args := range [][]string{{"serve"}, {"migrate"}} {
		if err := dispatch(args, &bytes.Buffer{}); err == nil || !strings.Contains(err.Error(), "DATABASE_URL") {
			t.Errorf("%v without a database: %v", args, err)
		}
	}
}

// The JSON Schema speaks of the fields that the golden document has.
func TestSchemaKnowsTheDocument(t *testing.T) {
	var schema struct {
		Defs map[string]struct {
			Properties map[string]json.RawMessage `json:"properties"`
		} `json:"$defs"`
	}
	if err := json.Unmarshal([]byte(run(t, "schema")), &schema); err != nil {
		t.Fatal(err)
	}
	raw, err := os.ReadFile(document)
	if err != nil {
		t.Fatal(err)
	}
	var d map[string]json.RawMessage
	if err := json.Unmarshal(raw, &d); err != nil {
		t.Fatal(err)
	}
	for field := range d {
		if _, ok := schema.Defs["Document"].Properties[field]; !ok {
			t.Errorf("the schema has no %s", field)
		}
	}
}
