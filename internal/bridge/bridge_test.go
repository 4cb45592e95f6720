package bridge_test

import (
	"encoding/json"
	"os"
	"reflect"
	"strings"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/internal/bridge"
)

func document(t *testing.T) string {
	t.Helper()
	raw, err := os.ReadFile("../../core/testdata/raise.json")
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

func call(t *testing.T, core *bridge.Core, name string, crossed ...any) bridge.Answer {
	t.Helper()
	for _, c := range core.Calls() {
		if c.Name == name {
			return core.Run(&c, crossed)
		}
	}
	t.Fatalf("there is no call %s", name)
	return bridge.Answer{}
}

// Every call names its parameters, says what it is for, and takes and answers what can cross; no two have one name.
func TestCallsAreComplete(t *testing.T) {
	seen := map[string]bool{"evaluate": true}
	for _, c := range new(bridge.Core).Calls() {
		do := reflect.TypeOf(c.Do)
		if seen[c.Name] || do.NumIn() != len(c.Params) || !strings.HasSuffix(c.About, ".") {
			t.Errorf("%s is there twice, is not explained, or takes %d values and names %d", c.Name, do.NumIn(), len(c.Params))
		}
		seen[c.Name] = true
		if do.NumOut() > 1 && do.Out(1) != reflect.TypeFor[setup.Problems]() {
			t.Errorf("%s answers a %s second", c.Name, do.Out(1))
		}
		if !bridge.Named(do.Out(0)) {
			t.Errorf("%s answers a %s, which has no name in the description", c.Name, do.Out(0))
		}
	}
}

// What crosses comes out as the core's own functions give it.
func TestCallsCross(t *testing.T) {
	core, text := &bridge.Core{}, document(t)
	d, _ := rules.Parse([]byte(text))
	turned := call(t, core, "apply", text, "stance.out", 0.85)
	if got, ok := turned.OK.(setup.Document); !ok || got.Posture.X != 0.85 || d.Posture.X == 0.85 {
		t.Errorf("apply: %+v", turned)
	}
	scene := call(t, core, "scene", text, 0.5)
	want, _ := new(evaluate.Evaluator).SceneAt(&d, 0.5)
	if !reflect.DeepEqual(scene.OK, want) {
		t.Error("the scene is another one")
	}
	if a := call(t, core, "loadKind", text, 0.0, "dumbbell"); len(a.Problems) > 0 || a.OK.(setup.Document).Loads[0].Kind != setup.Dumbbell {
		t.Errorf("a whole number did not cross: %+v", a.Problems)
	}
	if a := call(t, core, "compare", "["+text+","+text+"]"); len(a.Problems) > 0 {
		t.Errorf("compare: %v", a.Problems)
	}
	shares := 0
	a := call(t, core, "search", text, `{"free":["pulley.height/0"],"budget":20}`, bridge.Progress(func(float64) { shares++ }))
	if len(a.Problems) > 0 || shares == 0 {
		t.Errorf("search: %v, told %d times", a.Problems, shares)
	}
	if a := call(t, core, "quantity", "5'11", "length", 0.01); !strings.Contains(a.Text(), `"value":1.8034`) {
		t.Errorf("quantity: %s", a.Text())
	}
}

// The packed report is the report.
func TestPackedReport(t *testing.T) {
	core, text := &bridge.Core{}, document(t)
	answer, numbers := core.Packed(text, false)
	raw, err := json.Marshal(answer.OK)
	if err != nil {
		t.Fatal(err)
	}
	var got report.Report
	if err := json.Unmarshal(raw, &got); err != nil {
		t.Fatal(err)
	}
	if err := got.Unpack(numbers); err != nil {
		t.Fatal(err)
	}
	want, _ := evaluate.JSON([]byte(text))
	if len(got.Curves.Torque) != len(want.Curves.Torque) || got.Curves.Torque[50] != want.Curves.Torque[50] {
		t.Error("the torque came out otherwise")
	}
	if a, numbers := core.Packed(`{"loads":7}`, true); len(a.Problems) == 0 || numbers != nil {
		t.Errorf("an unsound document: %+v", a)
	}
}

// What cannot cross is a problem, never a panic; what is swept of one document is not painted on another.
func TestCallsRefuse(t *testing.T) {
	core, text := &bridge.Core{}, document(t)
	for _, a := range []bridge.Answer{
		call(t, core, "apply", text, "pulley.height/0"), call(t, core, "apply", text, "pulley.height/0", "high"),
		call(t, core, "apply", "", "x", 1.0),
		call(t, core, "lifter", "{"), call(t, core, "lifter", `{"stature":0}`), call(t, core, "compare", "no list"),
		call(t, core, "fit", text, `{"name":7}`, ""), call(t, core, "sweep", text, "tail"),
	} {
		if len(a.Problems) == 0 || strings.Contains(a.Text(), `"ok"`) {
			t.Errorf("taken: %s", a.Text())
		}
	}
	if a := bridge.Failed("index out of range").Text(); !strings.Contains(a, "index out of range") || strings.Contains(a, `"ok"`) {
		t.Errorf("a call that broke down: %s", a)
	}
	first, _ := core.Packed(text, true)
	if first.OK == nil {
		t.Fatal(first.Problems)
	}
	call(t, core, "sweep", text, "pulley.height/0")
	other := strings.Replace(text, `"bodyMass": `, `"bodyMass": 1`, 1)
	if other == text {
		t.Fatal("the other document is the same")
	}
	if a, b := call(t, core, "paint", other), call(t, new(bridge.Core), "paint", other); a.Text() != b.Text() {
		t.Error("what was swept of another document is in the painting")
	}
}
