package plan_test

import (
	"encoding/csv"
	"reflect"
	"strings"
	"testing"

	"dialarc/core/plan"
)

// Every way in which an entry can be planned comes back from the table, and no cell is a formula or, as 8-12 would be, a date.
func TestTableComesBack(t *testing.T) {
	a, b, c := entry("1", "raise.dumbbell", t), entry("2", "curl.behind", t), entry("3", "raise.dumbbell", t)
	a.Document.Name = "=Raise, \"wide\""
	b.LoadBy, b.Load, b.Progression, b.Method, b.Note = "load", 12.5, "none", "restPause", "slow,\nthen slower"
	c.LoadBy, c.Percent, c.Sides, c.RepsFrom, c.RepsTo, c.Document.Name = "percent", 70, "one", 5, 5, "Raise again"
	was := block(t, plan.Day{Name: "A", Weekday: 1, Entries: []plan.Entry{a, b}}, plan.Day{Name: "-B", Entries: []plan.Entry{c}})
	text, err := plan.WriteTable(&was)
	if err != nil {
		t.Fatal(err)
	}
	rows, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	if err != nil || len(rows) != 4 {
		t.Fatalf("%d rows, %v", len(rows), err)
	}
	for _, cell := range rows[1] {
		if cell != "" && strings.ContainsAny(cell[:1], "=+-@") {
			t.Errorf("a formula: %q", cell)
		}
	}
	known := map[string]plan.Entry{}
	for _, d := range was.Days {
		for _, e := range d.Entries {
			known[e.Document.Name] = plan.NewEntry(&e.Document)
		}
	}
	find := func(name string) (plan.Entry, bool) { e, ok := known[name]; return e, ok }
	days, problems := plan.ReadTable(text, find)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	for i := range was.Days {
		for k := range was.Days[i].Entries {
			was.Days[i].Entries[k].ID = ""
		}
	}
	if !reflect.DeepEqual(days, was.Days) {
		t.Errorf("came back as %+v", days)
	}
}

// Tables of people: other names, another separator and order, days cut short, a range written in three ways. What is left empty is as
// planned until the coach says otherwise.
func TestTableOfPeople(t *testing.T) {
	e := entry("", "raise.dumbbell", t)
	find := func(name string) (plan.Entry, bool) { return plan.NewEntry(&e.Document), name == "Raise" }
	days, problems := plan.ReadTable("\ufeffMovement;Session;Repetitions;sets;weekday;rest\nRaise;A;8-12;4;mon;90\n;;;;;\nRaise;B;15;2;;\nRaise;A;6–8;3;;\n", find)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	if len(days) != 2 || days[0].Name != "A" || days[0].Weekday != 1 || days[1].Weekday != 0 || len(days[0].Entries) != 2 {
		t.Fatalf("%+v", days)
	}
	first, second, other := days[0].Entries[0], days[0].Entries[1], days[1].Entries[0]
	if first.RepsFrom != 8 || first.RepsTo != 12 || first.Sets != 4 || first.Rest != 90 || second.RepsFrom != 6 || second.RepsTo != 8 ||
		other.RepsFrom != 15 || other.RepsTo != 15 || other.Rest != 120 || other.RIRTo != 2 {
		t.Errorf("%+v %+v %+v", first, second, other)
	}
}

// What is wrong with a table is told with its row and column, counted as a spreadsheet does.
func TestBadTables(t *testing.T) {
	e := entry("", "raise.dumbbell", t)
	find := func(name string) (plan.Entry, bool) { return plan.NewEntry(&e.Document), name == "Raise" }
	for path, text := range map[string]string{
		"":                       "",
		"row 1":                  "day,exercise,sets\nA,Raise,3\n",
		"row 1, column 5":        "day,exercise,sets,reps,mood\nA,Raise,3,8,good\n",
		"row 1, column 2":        "day,day,exercise,sets,reps\n",
		"row 2":                  "day,exercise,sets,reps\n",
		"row 2, column exercise": "day,exercise,sets,reps\nA,Levitation,3,8\n",
		"row 3, column sets":     "day,exercise,sets,reps\nA,Raise,3,8\nA,Raise,many,8\n",
		"row 2, column reps":     "day,exercise,sets,reps\nA,Raise,3,8 or so\n",
		"row 2, column day":      "day,exercise,sets,reps\n,Raise,3,8\n",
		"row 2, column weekday":  "day,weekday,exercise,sets,reps\nA,Someday,Raise,3,8\n",
		"row 2, column method":   "day,method,exercise,sets,reps\nA,harder,Raise,3,8\n",
		"row 2, column rest (s)": "day,rest (s),exercise,sets,reps\nA,long,Raise,3,8\n",
		"row 3":                  "day,exercise,sets,reps\nA,Raise,3,8\nA,Raise,3,8,9\n",
	} {
		if _, found := plan.ReadTable(text, find); len(found) == 0 || found[0].Path != path {
			t.Errorf("%q: %v", path, found)
		}
	}
}
