package people

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"

	"dialarc/core/cells"
	"dialarc/core/setup"
)

// column is one kind of column of the table: its name in the first row, and how a cell is read and written.
type column struct {
	name  string
	read  func(p *Person, cell string) error
	write func(p *Person) string
}

var errNumber = errors.New("is not a number")

// number reads a cell with a decimal point or comma.
func number(cell string) (float64, error) {
	x, err := strconv.ParseFloat(strings.Replace(strings.TrimSpace(cell), ",", ".", 1), 64)
	if err != nil || math.IsNaN(x) || math.IsInf(x, 0) {
		return 0, errNumber
	}
	return x, nil
}

func shown(x float64) string { return strconv.FormatFloat(x, 'f', -1, 64) }

// numeric is a column with a number, whose cell may be empty when it is not needed.
func numeric(name string, place func(p *Person) *float64) column {
	return column{name, func(p *Person, cell string) (err error) {
		if cell != "" {
			*place(p), err = number(cell)
		}
		return err
	}, func(p *Person) string {
		if x := *place(p); x != 0 {
			return shown(x)
		}
		return ""
	}}
}

// textual is a column of words.
func textual(name string, place func(p *Person) *string) column {
	return column{name, func(p *Person, cell string) error { *place(p) = cells.Read(cell); return nil }, func(p *Person) string { return cells.Write(*place(p)) }}
}

// columns lists the columns in the order in which they are written. Lengths are metres, named as in documents.
var columns = func() []column {
	list := []column{
		textual("name", func(p *Person) *string { return &p.Name }),
		numeric("stature", func(p *Person) *float64 { return &p.Body.Stature }),
		numeric("mass", func(p *Person) *float64 { return &p.Body.Mass }),
		textual("notes", func(p *Person) *string { return &p.Notes }),
		numeric("naturalPathDeg", func(p *Person) *float64 { return &p.Body.NaturalPathDeg }),
		numeric("carryingDeg", func(p *Person) *float64 { return &p.Body.CarryingDeg }),
		numeric("lowBackLimit", func(p *Person) *float64 { return &p.Body.LowBackLimit }),
		numeric("gripLimit", func(p *Person) *float64 { return &p.Body.GripLimit }),
	}
	for _, l := range setup.Lengths {
		list = append(list, lengthColumn(l.Key))
	}
	return list
}()

func lengthColumn(key string) column {
	return column{key, func(p *Person, cell string) error {
		if cell == "" {
			return nil
		}
		x, err := number(cell)
		if err == nil {
			if p.Body.Lengths == nil {
				p.Body.Lengths = map[string]float64{}
			}
			p.Body.Lengths[key] = x
		}
		return err
	}, func(p *Person) string {
		if x, ok := p.Body.Lengths[key]; ok {
			return shown(x)
		}
		return ""
	}}
}

// WriteCSV is a table of lifters, comma separated, a point in the numbers. Ranges, strength and cautions are not in it.
func WriteCSV(list []Person) ([]byte, error) {
	var buf bytes.Buffer
	w := csv.NewWriter(&buf)
	names := make([]string, len(columns))
	for i, c := range columns {
		names[i] = c.name
	}
	rows := [][]string{names}
	for i := range list {
		row := make([]string, len(columns))
		for k, c := range columns {
			row[k] = c.write(&list[i])
		}
		rows = append(rows, row)
	}
	err := w.WriteAll(rows)
	return buf.Bytes(), err
}

// separator is the sign that the first row is cut by: the most frequent of those in use.
func separator(text string) rune {
	first, _, _ := strings.Cut(text, "\n")
	best, most := ',', 0
	for _, sep := range []rune{',', ';', '\t', '|'} {
		if n := strings.Count(first, string(sep)); n > most {
			best, most = sep, n
		}
	}
	return best
}

// readCSV reads a table whose first row names the columns, in any order and case; name, stature and mass have to be there.
func readCSV(text string) ([]Person, setup.Problems) {
	if strings.TrimSpace(text) == "" {
		return nil, setup.Problems{{What: "The file is empty.", Hint: "Give a table whose first row names the columns: name, stature, mass and what else was measured."}}
	}
	if row, cells := widest(text, separator(text)); cells > mostCells {
		return nil, setup.Problems{{Path: fmt.Sprintf("row %d", row), What: fmt.Sprintf("The row has more than %d cells.", mostCells), Hint: "A table of lifters has a column for each measure, and one row a lifter."}}
	}
	r := csv.NewReader(strings.NewReader(text))
	r.Comma, r.FieldsPerRecord, r.TrimLeadingSpace = separator(text), -1, true
	head, err := r.Read()
	if err != nil {
		return nil, setup.Problems{broken(err)}
	}
	cols, found := heads(head)
	if len(found) > 0 {
		return nil, found
	}
	var list []Person
	for {
		cells, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, few(append(found, broken(err)))
		}
		row, _ := r.FieldPos(0)
		if blank(cells) {
			continue
		}
		if len(list) == Most {
			return nil, setup.Problems{{Path: fmt.Sprintf("row %d", row), What: fmt.Sprintf("There are more than %d lifters.", Most), Hint: "Give the file in parts."}}
		}
		p, problems := person(cells, cols, row)
		list, found = append(list, p), append(found, problems...)
		if len(found) > mostTold {
			break
		}
	}
	if len(found) == 0 && len(list) == 0 {
		found = setup.Problems{{Path: "row 2", What: "There is no lifter below the names of the columns.", Hint: "Give one row each."}}
	}
	if len(found) > 0 {
		return nil, few(found)
	}
	return list, nil
}

// mostCells is how many cells a row of any sensible table has at most.
const mostCells = 100

// widest is the first row with too many cells, or the last row, and its number of cells, counted before anything of the table is kept.
func widest(text string, sep rune) (row, cells int) {
	row, cells = 1, 1
	quoted := false
	for _, r := range text {
		switch {
		case r == '"':
			quoted = !quoted
		case quoted:
		case r == sep:
			if cells++; cells > mostCells {
				return row, cells
			}
		case r == '\n':
			row, cells = row+1, 1
		}
	}
	return row, cells
}

func blank(cells []string) bool {
	return !slices.ContainsFunc(cells, func(c string) bool { return strings.TrimSpace(c) != "" })
}

func broken(err error) setup.Problem {
	var parse *csv.ParseError
	if errors.As(err, &parse) {
		return setup.Problem{Path: fmt.Sprintf("row %d", parse.Line), What: fmt.Sprintf("The row cannot be read at sign %d: %v.", parse.Column, parse.Err), Hint: "Quote a cell with separators or quotes in it, and double the quotes inside."}
	}
	return setup.Problem{What: "The table cannot be read: " + err.Error() + "."}
}

// heads finds the columns of the first row.
func heads(head []string) ([]column, setup.Problems) {
	var found setup.Problems
	cols, seen := make([]column, len(head)), map[string]bool{}
	for i, h := range head {
		name := strings.TrimSpace(h)
		k := slices.IndexFunc(columns, func(c column) bool { return strings.EqualFold(c.name, name) })
		path := fmt.Sprintf("row 1, column %d", i+1)
		switch {
		case k < 0:
			found = append(found, setup.Problem{Path: path, What: fmt.Sprintf("There is no column %q here.", name), Why: "What stands in it would be lost without a word.", Hint: "Columns: " + strings.Join(names(), ", ") + "."})
		case seen[columns[k].name]:
			found = append(found, setup.Problem{Path: path, What: fmt.Sprintf("The column %q is there twice.", name), Hint: "Keep one of them."})
		default:
			cols[i] = columns[k]
			seen[columns[k].name] = true
		}
	}
	for _, needed := range []string{"name", "stature", "mass"} {
		if !seen[needed] {
			found = append(found, setup.Problem{Path: "row 1", What: "The column " + needed + " is missing.", Hint: "Name, stature in metres and mass in kilograms are needed; the rest can come later."})
		}
	}
	return cols, few(found)
}

func names() []string {
	out := make([]string, len(columns))
	for i, c := range columns {
		out[i] = c.name
	}
	return out
}

// person reads one row.
func person(cells []string, cols []column, row int) (Person, setup.Problems) {
	var p Person
	var found setup.Problems
	at := func(name string) string { return fmt.Sprintf("row %d, column %s", row, name) }
	if len(cells) > len(cols) && !blank(cells[len(cols):]) {
		found = append(found, setup.Problem{Path: fmt.Sprintf("row %d", row), What: fmt.Sprintf("The row has %d cells, the first row %d.", len(cells), len(cols)),
			Hint: "A decimal comma wants another separator between cells, or quotes."})
		return p, found
	}
	for i, cell := range cells[:min(len(cells), len(cols))] {
		if err := cols[i].read(&p, strings.TrimSpace(cell)); err != nil {
			found = append(found, setup.Problem{Path: at(cols[i].name), What: fmt.Sprintf("%q %v.", clip(cell), err), Hint: "Give a number in metres, kilograms or degrees, or leave the cell empty."})
		}
	}
	if len(found) > 0 {
		return p, found
	}
	return p, checked(&p, func(field string) string {
		parts := strings.Split(field, ".")
		return at(parts[len(parts)-1])
	})
}

func clip(s string) string {
	if r := []rune(s); len(r) > 40 {
		return string(r[:40]) + "..."
	}
	return s
}
