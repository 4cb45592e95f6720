package setup_test

import (
	"encoding/json"
	"os"
	"strings"
	"testing"

	"dialarc/core/edits"
	"dialarc/core/kit"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

func raise(t testing.TB) string {
	t.Helper()
	raw, err := os.ReadFile("../testdata/raise.json")
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

func parsed(t testing.TB) setup.Document {
	t.Helper()
	d, problems := rules.Parse([]byte(raise(t)))
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return d
}

// Every change of one piece of a good document is answered at its own path.
func TestBadInputNamesItsPath(t *testing.T) {
	for _, c := range []struct{ name, old, new, path, says string }{
		{"NaN", `"stackMass": 7.5`, `"stackMass": NaN`, "", "NaN and Infinity are not numbers in JSON"},
		{"broken text", `"bench": null,`, `"bench": null`, "", "line 11"},
		{"number too large", `"stackMass": 7.5`, `"stackMass": 1e999`, "loads[0].stackMass", "too large"},
		{"text for a number", `"height": 1.75`, `"height": "tall"`, "lifter.height", "a number"},
		{"number for text", `"profile": "match"`, `"profile": 3`, "target.profile", "text"},
		{"object for a list", `"strength": []`, `"strength": {}`, "lifter.strength", "a list"},
		{"list for an object", `"lengths": {}`, `"lengths": []`, "lifter.lengths", "an object"},
		{"text for true", `"variable": true`, `"variable": "yes"`, "loads[0].variable", "true or false"},
		{"fraction of a sample", `"samples": 101`, `"samples": 10.5`, "samples", "whole number"},
		{"unknown field", `"stackMass": 7.5`, `"stackMas": 7.5`, "loads[0].stackMas", "Fields here"},
		{"unknown version", `dialarc.setup/2`, `dialarc.setup/9`, "schema", "dialarc.setup/2"},
		{"unknown region", `deltoid.middle`, `deltoid.rear`, "target.region", "deltoid.middle"},
		{"unknown profile", `"match"`, `"best"`, "target.profile", "match, early"},
		{"custom without points", `"profile": "match"`, `"profile": "custom"`, "target.custom", "five heights"},
		{"no mass at all", `"bodyMass": 75`, `"bodyMass": 0`, "lifter.bodyMass", "25 to 300"},
		{"negative mass", `"bodyMass": 75`, `"bodyMass": -1`, "lifter.bodyMass", "25 to 300"},
		{"height in cm", `"height": 1.75`, `"height": 175`, "lifter.height", "1 to 2.4 m"},
		{"unknown length", `"lengths": {}`, `"lengths": {"tail": 0.3}`, "lifter.lengths.tail", "upperArm"},
		{"impossible length", `"lengths": {}`, `"lengths": {"upperArm": 0.9}`, "lifter.lengths.upperArm", "m."},
		{"range of no joint", `"shoulder.elevation": {`, `"shoulder.wing": {`, "lifter.ranges.shoulder.wing", "shoulder.elevation"},
		{"range turned round", `"toDeg": 165`, `"toDeg": -5`, "lifter.ranges.shoulder.elevation.toDeg", "above the start"},
		{"strength of nothing", `"strength": []`, `"strength": [{"action":"shoulder.flexion","angleDeg":0,"torque":0}]`,
			"lifter.strength[0].torque", "0.5 to 1000"},
		{"kit out of order", `"hole": 9 }`, `"hole": 9, "masses": [5, 2.5] }`, "loads[0].kit.masses[1]", "in order"},
		{"holes that overlap", `"hole": 9 }`, `"hole": 9, "spec": {"lowestHole":0.2,"spacing":0,"holes":25,"height":2,"halfWidth":0.05,"lightest":5,"step":5,"heaviest":50} }`, "loads[0].kit.spec.spacing", "0.01 to 1"},
		{"a day that is none", `"strength": []`, `"strength": [{"action":"shoulder.flexion","angleDeg":0,"torque":40,"date":"25.11.2026"}]`,
			"lifter.strength[0].date", "2026-11-25"},
		{"an empty caution", `"strength": []`, `"cautions": [""]`, "lifter.cautions[0]", "1 to 160"},
		{"two tests at one angle", `"strength": []`,
			`"strength": [{"action":"shoulder.flexion","angleDeg":10,"torque":40},{"action":"shoulder.flexion","angleDeg":10,"torque":50}]`,
			"lifter.strength[1].angleDeg", "better one"},
		{"another posture", `"kind": "standing"`, `"kind": "floating"`, "posture.kind", "standing"},
		{"out of the room", `"x": 0.30`, `"x": 30`, "posture.x", "-4 to 4"},
		{"a bench", `"bench": null`, `"bench": {"angleDeg": 15}`, "bench", "null"},
		{"reversed range", `"fromDeg": 5, "toDeg": 95`, `"fromDeg": 95, "toDeg": 5`, "movement.toDeg", "Swap the ends"},
		{"no range", `"fromDeg": 5, "toDeg": 95`, `"fromDeg": 5, "toDeg": 6`, "movement.toDeg", "10 degrees or more"},
		{"unknown coordinate", `"shoulder.planeOfElevationDeg": 45`, `"shoulder.plainDeg": 45`, "movement.hold.shoulder.plainDeg",
			"shoulder.planeOfElevationDeg"},
		{"held and swept", `"shoulder.planeOfElevationDeg": 45`, `"shoulder.elevationDeg": 45`, "movement.hold.shoulder.elevationDeg",
			"Leave it out"},
		{"elbow bent backward", `"elbow.flexionDeg": 0`, `"elbow.flexionDeg": -40`, "movement.hold.elbow.flexionDeg", "-10 to 160"},
		{"unknown load", `"kind": "cable"`, `"kind": "magnet"`, "loads[0].kind", "dumbbell, bar, cable"},
		{"load without name", `"id": "cable"`, `"id": ""`, "loads[0].id", "name of its own"},
		{"empty stack", `"stackMass": 7.5`, `"stackMass": 0`, "loads[0].stackMass", "0.1 to 500"},
		{"pulley under the floor", `"y": 0.76`, `"y": -0.1`, "loads[0].pulley.y", "0 to 4"},
		{"more friction than force", `"friction": 0,`, `"friction": 1.2,`, "loads[0].friction", "0 to 0.5"},
		{"no ratio", `"ratio": 1`, `"ratio": 0`, "loads[0].ratio", "0.05 to 4"},
		{"contact on nothing", `"segment": "hand"`, `"segment": "ear"`, "loads[0].contact.segment", "hand"},
		{"cuff without a place", `"segment": "hand", "at": "grip"`, `"segment": "forearm"`, "loads[0].contact.fraction", "0 (near end)"},
		{"band without an anchor", `"kind": "cable"`, `"kind": "band"`, "loads[0].anchor", "x, y and z"},
		{"band without a length", `"kind": "cable"`, `"kind": "band"`, "loads[0].restLength", "0.05 to 5"},
		{"band without a section", `"kind": "cable"`, `"kind": "band"`, "loads[0].section", "m²"},
		{"band measured once", `"kind": "cable"`, `"kind": "band", "pull": [{"length": 1, "force": 20}]`, "loads[0].pull", "two lengths"},
		{"band that weakens", `"kind": "cable"`, `"kind": "band", "pull": [{"length": 1, "force": 20}, {"length": 1.2, "force": 18}]`,
			"loads[0].pull[1]", "harder the longer"},
		{"band of no strands", `"kind": "cable"`, `"kind": "band", "strands": 0`, "loads[0].strands", "1 to 20"},
		{"negative pause", `"top": 1`, `"top": -1`, "tempo.top", "0 to 60"},
		{"too many samples", `"samples": 101`, `"samples": 100000`, "samples", "5 to 1001"},
	} {
		t.Run(c.name, func(t *testing.T) {
			text := raise(t)
			if !strings.Contains(text, c.old) {
				t.Fatalf("the document has no %s", c.old)
			}
			_, problems := rules.Parse([]byte(strings.Replace(text, c.old, c.new, 1)))
			for _, p := range problems {
				if p.Path == c.path && strings.Contains(p.String(), c.says) {
					return
				}
			}
			t.Errorf("no problem at %q that says %q, but: %v", c.path, c.says, problems)
		})
	}
}

func TestMissingPartsAreAllReported(t *testing.T) {
	_, problems := rules.Parse([]byte(`{"schema":"dialarc.setup/2"}`))
	paths := map[string]bool{}
	for _, p := range problems {
		paths[p.Path] = true
	}
	for _, want := range []string{"target.region", "lifter.height", "lifter.bodyMass", "posture.kind", "movement.kind", "loads"} {
		if !paths[want] {
			t.Errorf("nothing is said about %s in %v", want, problems)
		}
	}
}

func TestOddTexts(t *testing.T) {
	for text, says := range map[string]string{
		"": "empty", "  \n": "empty", "[]": "a list", "null": "null", "{}x": "after the end", `"a"`: "the text",
		strings.Repeat(" ", setup.MaxBytes+1): "no setup",
	} {
		_, problems := rules.Parse([]byte(text))
		if len(problems) == 0 || !strings.Contains(problems.Error(), says) {
			t.Errorf("%.10q: got %v, want something with %q", text, problems, says)
		}
	}
}

func FuzzParse(f *testing.F) {
	f.Add(raise(f))
	f.Add(`{"schema":"dialarc.setup/2","loads":[{"pulley":null}]}`)
	f.Add(`{"lifter":{"ranges":{"":{}}}}`)
	f.Fuzz(func(t *testing.T, text string) {
		d, problems := rules.Parse([]byte(text))
		if len(problems) == 0 && (d.Schema != setup.Schema || len(d.Loads) == 0) {
			t.Errorf("a document without schema or loads passed: %q", text)
		}
	})
}

func TestRoundTrip(t *testing.T) {
	first := parsed(t)
	raw, err := json.Marshal(first)
	if err != nil {
		t.Fatal(err)
	}
	second, problems := rules.Parse(raw)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	again, _ := json.Marshal(second)
	if string(raw) != string(again) {
		t.Errorf("written twice, the document differs:\n%s\n%s", raw, again)
	}
}

func TestDefaults(t *testing.T) {
	text := raise(t)
	for _, field := range []string{`"ratio": 1, `, `"friction": 0,`, `"attachmentLength": 0, `, `"parkedGap": 0.05, `, `"travel": 1.6,`} {
		text = strings.Replace(text, field, "", 1)
	}
	text = strings.Replace(text, `,
  "samples": 101`, "", 1)
	d, problems := rules.Parse([]byte(text))
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	l := d.Loads[0]
	if l.Ratio != 1 || l.Friction != 0.07 || l.ParkedGap != 0.05 || l.Travel != 1.6 || d.Samples != 101 {
		t.Errorf("defaults: ratio %v, friction %v, gap %v, travel %v, samples %v", l.Ratio, l.Friction, l.ParkedGap, l.Travel, d.Samples)
	}
}

func TestLoadKindAndBack(t *testing.T) {
	d := parsed(t)
	d.Loads[0].Ratio = 0.5
	bell, problems := edits.WithLoadKind(&d, 0, "dumbbell")
	if len(problems) > 0 || bell.Loads[0].Kind != setup.Dumbbell || bell.Loads[0].Mass != 3.75 {
		t.Fatalf("a stack of 7.5 kg at half ratio pulls like 3.75 kg, not %v (%v)", bell.Loads[0].Mass, problems)
	}
	if p := rules.Validate(&bell); len(p) > 0 {
		t.Errorf("the dumbbell document has problems: %v", p)
	}
	back, _ := edits.WithLoadKind(&bell, 0, "cable")
	if *back.Loads[0].Pulley != *d.Loads[0].Pulley || back.Loads[0].StackMass != 7.5 {
		t.Errorf("turning back lost the pulley or the mass: %+v", back.Loads[0])
	}
	for _, bad := range []struct {
		index int
		kind  string
	}{{3, "cable"}, {-1, "cable"}, {0, "anvil"}} {
		if _, problems := edits.WithLoadKind(&d, bad.index, setup.LoadKind(bad.kind)); len(problems) == 0 {
			t.Errorf("load %d as %q was taken", bad.index, bad.kind)
		}
	}
}

// A band takes the place of a cable of the same pull at twice its length, and turning back finds the pulley again.
func TestBandInPlaceOfACable(t *testing.T) {
	d := parsed(t)
	band, problems := edits.WithLoadKind(&d, 0, "band")
	if len(problems) > 0 || len(rules.Validate(&band)) > 0 {
		t.Fatal(problems, rules.Validate(&band))
	}
	if pull := kit.RubberAtDouble * band.Loads[0].Section; pull < 73.54 || pull > 73.56 {
		t.Errorf("a stack of 7.5 kg pulls with 73.55 N, the band with %v", pull)
	}
	back, _ := edits.WithLoadKind(&band, 0, "cable")
	if m := back.Loads[0].StackMass; m < 7.499 || m > 7.501 || *back.Loads[0].Pulley != *d.Loads[0].Pulley {
		t.Errorf("back to a cable: %+v", back.Loads[0])
	}
}

// Loads can be added, each with a name of its own and complete, and taken away down to the last.
func TestAddAndTakeAwayLoads(t *testing.T) {
	d := parsed(t)
	for i, kind := range []setup.LoadKind{"dumbbell", "cable", "band", "band"} {
		more, problems := edits.WithLoad(&d, kind)
		if len(problems) > 0 || len(more.Loads) != i+2 || more.Loads[i+1].Kind != kind {
			t.Fatalf("%s: %v, %d loads", kind, problems, len(more.Loads))
		}
		if p := rules.Validate(&more); len(p) > 0 {
			t.Errorf("with a %s: %v", kind, p)
		}
		d = more
	}
	for len(d.Loads) > 1 {
		less, problems := edits.WithoutLoad(&d, 0)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		d = less
	}
	if d.Loads[0].ID != "band 2" {
		t.Errorf("the last load is %q", d.Loads[0].ID)
	}
	if _, problems := edits.WithoutLoad(&d, 0); len(problems) == 0 {
		t.Error("the last load was taken away")
	}
	if _, problems := edits.WithLoad(&d, "anvil"); len(problems) == 0 {
		t.Error("an anvil was added")
	}
}

func TestOwnedRangeFallsBackToTheUsualOne(t *testing.T) {
	d := parsed(t)
	if got := d.Lifter.Owned(setup.ShoulderElevation); got.ToDeg != 165 {
		t.Errorf("the measured range ends at %v", got.ToDeg)
	}
	if got := d.Lifter.Owned(setup.ElbowFlexion); got.FromDeg != 0 || got.ToDeg != 145 {
		t.Errorf("the usual elbow range is %v", got)
	}
}
