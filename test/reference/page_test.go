// Package reference holds checks against things outside the program: other runtimes and published tables.
package reference

import (
	"bufio"
	"bytes"
	"encoding/json"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/internal/demo"
)

const built = "../../web/src/engine/built/"

// documents are all golden documents, the demo's and the ready setups, and one that has a gap.
func documents(t *testing.T) []setup.Document {
	t.Helper()
	all := demo.Documents()
	files, err := filepath.Glob("../../core/testdata/*.json")
	if err != nil || len(files) == 0 {
		t.Fatal("no golden documents", err)
	}
	for _, file := range files {
		raw, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		d, problems := rules.Parse(raw)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		all = append(all, d)
	}
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		all = append(all, r.Document)
	}
	slack := all[0].Clone()
	slack.Loads[0].AttachmentLength = 0.8
	return append(all, slack)
}

// The core that the page runs, compiled to WebAssembly, gives the numbers of the core that the server runs: 1e-9
// relative on every curve of every document.
func TestPageGivesTheServersNumbers(t *testing.T) {
	docs := documents(t)
	var lines bytes.Buffer
	for i := range docs {
		if err := json.NewEncoder(&lines).Encode(docs[i]); err != nil {
			t.Fatal(err)
		}
	}
	runtime, err := filepath.Abs(built + "wasm_exec.js")
	if err != nil {
		t.Fatal(err)
	}
	from, to := filepath.Join(t.TempDir(), "documents"), filepath.Join(t.TempDir(), "numbers")
	if err := os.WriteFile(from, lines.Bytes(), 0o600); err != nil {
		t.Fatal(err)
	}
	cmd := exec.Command("node", "page.mjs", runtime, built+"dialarc.wasm", from, to)
	cmd.Stderr = os.Stderr
	if err := cmd.Run(); err != nil {
		t.Fatalf("node: %v (make build makes the page's core)", err)
	}
	out, err := os.ReadFile(to)
	if err != nil {
		t.Fatal(err)
	}
	scan := bufio.NewScanner(bytes.NewReader(out))
	scan.Buffer(nil, 1<<22)
	for i := range docs {
		if !scan.Scan() {
			t.Fatalf("the page answered %d of %d documents", i, len(docs))
		}
		compare(t, &docs[i], scan.Bytes())
	}
}

func compare(t *testing.T, d *setup.Document, line []byte) {
	t.Helper()
	var page struct {
		Fit      *float64
		Values   []*float64
		Problems setup.Problems
	}
	if err := json.Unmarshal(line, &page); err != nil {
		t.Fatal(err)
	}
	report, problems := evaluate.Document(d)
	if len(problems) > 0 || len(page.Problems) > 0 {
		t.Fatalf("%s: server %v, page %v", d.Name, problems, page.Problems)
	}
	var want []float64
	for _, c := range report.AllCurves() {
		want = append(want, *c...)
	}
	if len(want) != len(page.Values) {
		t.Fatalf("%s: %d numbers, the page has %d", d.Name, len(want), len(page.Values))
	}
	for i, w := range want {
		g := page.Values[i]
		if math.IsNaN(w) != (g == nil) || (g != nil && math.Abs(*g-w) > 1e-9*math.Max(1, math.Abs(w))) {
			t.Fatalf("%s: number %d is %v, the page has %v", d.Name, i, w, g)
		}
	}
	if m, known := report.Profile.Fit.Get(); known != (page.Fit != nil) || known && math.Abs(m-*page.Fit) > 1e-7 {
		t.Errorf("%s: fit %v, the page has %v", d.Name, m, page.Fit)
	}
}
