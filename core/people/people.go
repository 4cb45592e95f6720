// Package people reads and writes lists of lifters as files: JSON that loses nothing, and CSV for tables of other programs.
package people

import (
	"encoding/json"
	"fmt"
	"reflect"
	"strings"

	"dialarc/core/evaluate"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Schema is the version of a file of lifters.
const Schema = "dialarc.lifters/1"

// Person is a lifter with name and notes.
type Person struct {
	Name  string       `json:"name" doc:"Name."`
	Notes string       `json:"notes,omitempty" doc:"The coach's notes." maxLength:"20000"`
	Body  setup.Lifter `json:"body" doc:"Stature, mass, measured lengths, ranges and strength."`
}

// File is a list of lifters as a document.
type File struct {
	Schema  string   `json:"schema" doc:"Document version." example:"dialarc.lifters/1"`
	Lifters []Person `json:"lifters"`
}

// Most is how many lifters a file may hold.
const Most = 50000

// MostTold is how many problems are told; who has more has one that repeats.
const MostTold = 50

// Read reads a file of lifters, JSON or CSV, whichever it looks like. With any problem none of it is to be used. Paths of problems
// are lifters[i]... in JSON, and row n, column name in CSV, counted as a spreadsheet does.
func Read(raw []byte) ([]Person, setup.Problems) {
	if problems := setup.CheckEncoding(raw); len(problems) > 0 {
		return nil, problems
	}
	text := strings.TrimPrefix(string(raw), "\ufeff")
	if strings.HasPrefix(strings.TrimSpace(text), "{") {
		return readJSON([]byte(text))
	}
	return readCSV(text)
}

func readJSON(raw []byte) ([]Person, setup.Problems) {
	var f File
	if problems := setup.Shape(raw, reflect.TypeFor[File]()); len(problems) > 0 {
		return nil, Few(problems)
	}
	if err := json.Unmarshal(raw, &f); err != nil {
		return nil, setup.Problems{{What: "The file cannot be read: " + err.Error() + "."}}
	}
	if f.Schema != Schema {
		return nil, setup.Problems{{Path: "schema", What: fmt.Sprintf("The file is %q.", f.Schema),
			Why: "This program reads only the versions that it knows.", Hint: "Give " + Schema + "."}}
	}
	if len(f.Lifters) == 0 || len(f.Lifters) > Most {
		return nil, setup.Problems{{Path: "lifters", What: fmt.Sprintf("There are %d lifters.", len(f.Lifters)),
			Hint: fmt.Sprintf("Give 1 to %d.", Most)}}
	}
	var found setup.Problems
	for i := range f.Lifters {
		found = append(found, Checked(&f.Lifters[i], func(field string) string { return fmt.Sprintf("lifters[%d].%s", i, field) })...)
		if len(found) > MostTold {
			break
		}
	}
	if len(found) > 0 {
		return nil, Few(found)
	}
	return f.Lifters, nil
}

// Write is the file of a list of lifters as JSON.
func Write(list []Person) ([]byte, error) {
	return json.MarshalIndent(File{Schema: Schema, Lifters: list}, "", "  ")
}

// Checked says what is wrong with one lifter, whose name it trims; at gives the path of a field.
func Checked(p *Person, at func(field string) string) setup.Problems {
	var found setup.Problems
	p.Name = strings.TrimSpace(p.Name)
	if n := len([]rune(p.Name)); n == 0 || n > 200 {
		found = append(found, setup.Problem{Path: at("name"), What: fmt.Sprintf("The name has %d characters.", n), Hint: "Give 1 to 200."})
	}
	body := rules.Lifter("body", &p.Body)
	if len(body) == 0 {
		body = evaluate.CheckSets("body.", &p.Body)
	}
	for _, q := range body {
		q.Path = at(q.Path)
		found = append(found, q)
	}
	return found
}

// Few are the first MostTold problems, with a word that there are more.
func Few(p setup.Problems) setup.Problems {
	if len(p) <= MostTold {
		return p
	}
	return append(p[:MostTold:MostTold], setup.Problem{What: "There are more problems.", Hint: "Mend these first; they may repeat."})
}
