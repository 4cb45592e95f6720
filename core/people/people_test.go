package people_test

import (
	"encoding/json"
	"fmt"
	"math"
	"reflect"
	"strings"
	"testing"

	"dialarc/core/people"
	"dialarc/core/setup"
)

var some = []people.Person{
	{Name: "One, with a comma", Notes: "Two\nlines and \"quotes\"", Body: setup.Lifter{Height: 1.7, BodyMass: 70.5, NaturalPathDeg: 8,
		Lengths: map[string]float64{"upperArm": 0.31, "footLength": 0.26}}},
	{Name: "Two", Body: setup.Lifter{Height: 1.85, BodyMass: 92}},
}

func TestFilesComeBackAsTheyWere(t *testing.T) {
	table, err := people.WriteCSV(some)
	if err != nil {
		t.Fatal(err)
	}
	back, problems := people.Read(table)
	if len(problems) > 0 || !reflect.DeepEqual(back, some) {
		t.Errorf("CSV: %v, %+v", problems, back)
	}
	all := append([]people.Person{}, some...)
	all[1].Body.Ranges = map[string]setup.Range{"elbow.flexion": {FromDeg: 5, ToDeg: 140, Pain: "at the end"}}
	all[1].Body.Strength = []setup.StrengthTest{{Action: "elbow.flexion", AngleDeg: 90, Torque: 55, Date: "2026-11-02"}}
	all[1].Body.Cautions = []string{"Old strain."}
	raw, err := people.Write(all)
	if err != nil {
		t.Fatal(err)
	}
	if back, problems = people.Read(raw); len(problems) > 0 || !reflect.DeepEqual(back, all) {
		t.Errorf("JSON: %v, %+v", problems, back)
	}
}

// Tables come with other separators, decimal commas, a byte order mark, columns in any order, and empty rows.
func TestTablesOfOtherPrograms(t *testing.T) {
	for name, text := range map[string]string{
		"semicolons":       "name;stature;mass\nSomeone;1,72;70,5\n",
		"byte order mark":  "\ufeffname,stature,mass\nSomeone,1.72,70.5\n",
		"tabs, other case": "Mass\tNAME\tStature\r\n70.5\tSomeone\t1.72\r\n\r\n\t\t\r\n",
		"pipes":            "name|stature|mass\nSomeone|1.72|70.5\n",
		"other words":      "Athlete,Height (cm),Weight (lb)\nSomeone,172,155.426\n",
		"units in cells":   "client;body height;body_mass_kg\nSomeone;172 cm;70,5 kg\n",
		"feet":             "name,stature_ft,bodyweight\nSomeone,172 cm,70.5\n",
		"quoted commas":    "name,stature,mass\nSomeone,\"1,72\",\"70,5\"",
	} {
		got, problems := people.Read([]byte(text))
		if len(problems) > 0 || len(got) != 1 || got[0].Name != "Someone" || got[0].Body.Height != 1.72 ||
			math.Abs(got[0].Body.BodyMass-70.5) > 1e-3 {
			t.Errorf("%s: %v, %+v", name, problems, got)
		}
	}
}

// A name or a note that begins like a formula is none in a table program, and is read back as it was, apostrophes of its own included.
func TestNoFormulasInTables(t *testing.T) {
	for _, text := range []string{"=1+1", "+49", "-x", "@home", "'=x", "''-y", "'quoted'", "O'Neil", "plain"} {
		raw, err := people.WriteCSV([]people.Person{{Name: text, Notes: text, Body: setup.Lifter{Height: 1.7, BodyMass: 70}}})
		if err != nil {
			t.Fatal(err)
		}
		_, row, _ := strings.Cut(string(raw), "\n")
		if strings.ContainsAny(row[:1], "=+-@") {
			t.Errorf("%q is written as %q", text, row)
		}
		back, problems := people.Read(raw)
		if len(problems) > 0 || len(back) != 1 || back[0].Name != text || back[0].Notes != text {
			t.Errorf("%q comes back as %+v, %v", text, back, problems)
		}
	}
}

func TestBadFilesAreToldByRowAndColumn(t *testing.T) {
	for _, c := range []struct{ text, path, what string }{
		{"", "", "empty"},
		{"name,stature,mass\n", "row 2", "no lifter"},
		{"name,stature\nA,1.7\n", "row 1", "bodyMass is missing"},
		{"name,stature,mass,shoe\nA,1.7,70,43\n", "row 1, column 4", `no column "shoe"`},
		{"name,stature,mass,weight\nA,1.7,70,70\n", "row 1, column 4", "twice"},
		{"name,height (kg),mass\nA,1.7,70\n", "row 1, column 2", `no column "height (kg)"`},
		{"name,height,mass\nA,70 kg,70\n", "row 2, column height", "mass"},
		{"name,stature,mass\nA,1.7,70\nB,tall,70\n", "row 3, column height", `"tall" is not a number`},
		{"name,stature,mass\nA,170,70\n", "row 2, column height", "170 m"},
		{"name,stature,mass\nA,1,72,70\n", "row 2", "4 cells"},
		{"name,stature,mass\n,1.7,70\n", "row 2, column name", "0 characters"},
		{"name,stature,mass,upperArm\nA,1.7,70,3\n", "row 2, column upperArm", "3 m"},
		{"name,stature,mass\n\"A,1.7,70\n", "row 2", "cannot be read"},
		{`{"schema":"dialarc.lifters/9","lifters":[]}`, "schema", "dialarc.lifters/9"},
		{`{"schema":"dialarc.lifters/1","lifters":[]}`, "lifters", "0 lifters"},
		{`{"schema":"dialarc.lifters/1","lifters":[{"name":"A","body":{"stature":1.7,"mass":7}}]}`, "lifters[0].body.bodyMass", "7 kg"},
		{`{"schema":"dialarc.lifters/1","lifters":[{"name":"A","shoe":43}]}`, "lifters[0].shoe", "no field"},
	} {
		list, problems := people.Read([]byte(c.text))
		if list != nil || len(problems) == 0 || problems[0].Path != c.path || !strings.Contains(problems[0].What, c.what) {
			t.Errorf("%q: %v", c.text, problems)
		}
	}
}

func TestLongFiles(t *testing.T) {
	var b strings.Builder
	b.WriteString("name,stature,mass\n")
	for i := range people.Most {
		fmt.Fprintf(&b, "Person %d,1.7,70\n", i)
	}
	if list, problems := people.Read([]byte(b.String())); len(problems) > 0 || len(list) != people.Most {
		t.Errorf("%d lifters, %v", len(list), problems)
	}
	b.WriteString("One more,1.7,70\n")
	if _, problems := people.Read([]byte(b.String())); len(problems) != 1 || !strings.Contains(problems[0].What, "more than 50000") {
		t.Errorf("%v", problems)
	}
	if _, problems := people.Read([]byte("name,stature,mass\n" + strings.Repeat("A,no,70\n", 1000))); len(problems) != 51 {
		t.Errorf("%d problems are told", len(problems))
	}
}

func FuzzRead(f *testing.F) {
	table, _ := people.WriteCSV(some)
	raw, _ := json.Marshal(people.File{Schema: people.Schema, Lifters: some})
	f.Add(table)
	f.Add(raw)
	f.Fuzz(func(t *testing.T, raw []byte) {
		list, problems := people.Read(raw)
		if (len(problems) == 0) != (len(list) > 0) {
			t.Errorf("%d lifters and %v", len(list), problems)
		}
	})
}
