package people

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"
	"unicode"

	"dialarc/core/cells"
	"dialarc/core/quantity"
	"dialarc/core/setup"
)

// column is one kind of column of the table: its name in the first row, what else people call it, what it measures (empty for words), and
// how a cell is read, in a unit that is so much in SI, and written.
type column struct {
	name   string
	others []string
	kind   string
	read   func(p *Person, cell string, unit float64) error
	write  func(p *Person) string
}

var errNumber = errors.New("is not a number")

// errKind says that a cell has a unit of something else.
type errKind struct{ *quantity.Problem }

func shown(x float64) string { return strconv.FormatFloat(x, 'f', -1, 64) }

// numeric is a column with a number, whose cell may be empty when it is not needed.
func numeric(name, kind string, place func(p *Person) *float64, others ...string) column {
	return column{name, others, kind, func(p *Person, cell string, unit float64) error {
		x, err := number(cell, kind, unit)
		if err == nil && cell != "" {
			*place(p) = x
		}
		return err
	}, func(p *Person) string {
		if x := *place(p); x != 0 {
			return shown(x)
		}
		return ""
	}}
}

// number reads a cell, with a decimal point or comma, with or without a unit; 0 for an empty one.
func number(cell, kind string, unit float64) (float64, error) {
	if cell == "" {
		return 0, nil
	}
	x, problem := quantity.Read(cell, kind, unit)
	if problem != nil && strings.ContainsAny(cell, "0123456789") {
		return 0, errKind{problem}
	}
	if problem != nil {
		return 0, errNumber
	}
	return x, nil
}

// textual is a column of words.
func textual(name string, place func(p *Person) *string, others ...string) column {
	return column{name, others, "", func(p *Person, cell string, _ float64) error { *place(p) = cells.Read(cell); return nil },
		func(p *Person) string { return cells.Write(*place(p)) }}
}

// columns lists the columns in the order in which they are written, in SI. Lengths are named as in documents.
var columns = func() []column {
	list := []column{
		textual("name", func(p *Person) *string { return &p.Name }, "lifter", "athlete", "client"),
		numeric("height", "length", func(p *Person) *float64 { return &p.Body.Height }, "stature", "body height", "tall"),
		numeric("bodyMass", "mass", func(p *Person) *float64 { return &p.Body.BodyMass }, "mass", "weight", "body mass", "body weight",
			"bodyweight"),
		textual("notes", func(p *Person) *string { return &p.Notes }, "note", "remarks", "comments"),
		numeric("naturalPathDeg", "angle", func(p *Person) *float64 { return &p.Body.NaturalPathDeg }),
		numeric("carryingDeg", "angle", func(p *Person) *float64 { return &p.Body.CarryingDeg }),
		numeric("lowBackLimit", "torque", func(p *Person) *float64 { return &p.Body.LowBackLimit }),
		numeric("gripLimit", "force", func(p *Person) *float64 { return &p.Body.GripLimit }),
	}
	for _, l := range setup.Lengths {
		list = append(list, lengthColumn(l.Key, l.Label))
	}
	return list
}()

func lengthColumn(key, label string) column {
	return column{key, []string{label}, "length", func(p *Person, cell string, unit float64) error {
		x, err := number(cell, "length", unit)
		if err != nil || cell == "" {
			return err
		}
		if p.Body.Lengths == nil {
			p.Body.Lengths = map[string]float64{}
		}
		p.Body.Lengths[key] = x
		return nil
	}, func(p *Person) string {
		if x, ok := p.Body.Lengths[key]; ok {
			return shown(x)
		}
		return ""
	}}
}

// head is a column of a table that is read, with how much one of its unit is in SI.
type head struct {
	column
	unit float64
}

// headOf finds what the first row calls a column by: its name or another, in any case and spacing, with its unit in brackets or after it.
func headOf(text string) (head, bool) {
	bare, unit := strings.TrimSpace(text), ""
	if i := strings.IndexAny(bare, "([,"); i > 0 {
		bare, unit = bare[:i], strings.Trim(bare[i:], " ()[],")
	} else if i := strings.LastIndexAny(bare, " _"); i > 0 {
		if _, _, known := quantity.UnitOf(bare[i+1:]); known {
			bare, unit = bare[:i], bare[i+1:]
		}
	}
	k := slices.IndexFunc(columns, func(c column) bool {
		return plain(c.name) == plain(bare) || slices.ContainsFunc(c.others, func(o string) bool { return plain(o) == plain(bare) })
	})
	if k < 0 {
		return head{}, false
	}
	kind, si, known := quantity.UnitOf(unit)
	if unit != "" && (!known || kind != columns[k].kind) {
		return head{}, false
	}
	if unit == "" {
		si = 1
	}
	return head{columns[k], si}, true
}

// plain is a name without case, spaces and signs.
func plain(s string) string {
	return strings.Map(func(r rune) rune {
		if r == ' ' || r == '_' || r == '-' {
			return -1
		}
		return unicode.ToLower(r)
	}, s)
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

// readCSV reads a table whose first row names the columns, in any order; name, height and body mass have to be there.
func readCSV(text string) ([]Person, setup.Problems) {
	if strings.TrimSpace(text) == "" {
		return nil, setup.Problems{{What: "The file is empty.",
			Hint: "Give a table whose first row names the columns: name, height, bodyMass and what else was measured."}}
	}
	if row, n := widest(text, cells.Separator(text)); n > mostCells {
		return nil, setup.Problems{{Path: fmt.Sprintf("row %d", row), What: fmt.Sprintf("The row has more than %d cells.", mostCells),
			Hint: "A table of lifters has a column for each measure, and one row a lifter."}}
	}
	r := csv.NewReader(strings.NewReader(text))
	r.Comma, r.FieldsPerRecord, r.TrimLeadingSpace = cells.Separator(text), -1, true
	head, err := r.Read()
	if err != nil {
		return nil, setup.Problems{cells.Broken(err)}
	}
	cols, found := heads(head)
	if len(found) > 0 {
		return nil, found
	}
	var list []Person
	for {
		line, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, Few(append(found, cells.Broken(err)))
		}
		row, _ := r.FieldPos(0)
		if cells.Blank(line) {
			continue
		}
		if len(list) == Most {
			return nil, setup.Problems{{Path: fmt.Sprintf("row %d", row), What: fmt.Sprintf("There are more than %d lifters.", Most),
				Hint: "Give the file in parts."}}
		}
		p, problems := person(line, cols, row)
		list, found = append(list, p), append(found, problems...)
		if len(found) > MostTold {
			break
		}
	}
	if len(found) == 0 && len(list) == 0 {
		found = setup.Problems{{Path: "row 2", What: "There is no lifter below the names of the columns.", Hint: "Give one row each."}}
	}
	if len(found) > 0 {
		return nil, Few(found)
	}
	return list, nil
}

// mostCells is how many cells a row of any sensible table has at most.
const mostCells = 100

// widest is the first row with too many cells, or the last row, and its number of cells, counted before anything of the table is kept.
func widest(text string, sep rune) (row, n int) {
	row, n = 1, 1
	quoted := false
	for _, r := range text {
		switch {
		case r == '"':
			quoted = !quoted
		case quoted:
		case r == sep:
			if n++; n > mostCells {
				return row, n
			}
		case r == '\n':
			row, n = row+1, 1
		}
	}
	return row, n
}

// heads finds the columns of the first row.
func heads(first []string) ([]head, setup.Problems) {
	var found setup.Problems
	cols, seen := make([]head, len(first)), map[string]bool{}
	for i, text := range first {
		h, known := headOf(text)
		path := fmt.Sprintf("row 1, column %d", i+1)
		switch {
		case !known:
			found = append(found, setup.Problem{Path: path, What: fmt.Sprintf("There is no column %q here.", strings.TrimSpace(text)),
				Why:  "What stands in it would be lost without a word.",
				Hint: "Columns: " + strings.Join(names(), ", ") + "; with a unit as in height (cm), or in metres and kilograms."})
		case seen[h.name]:
			found = append(found, setup.Problem{Path: path, What: fmt.Sprintf("The column %q is there twice.", h.name), Hint: "Keep one of them."})
		default:
			cols[i] = h
			seen[h.name] = true
		}
	}
	for _, needed := range []string{"name", "height", "bodyMass"} {
		if !seen[needed] {
			found = append(found, setup.Problem{Path: "row 1", What: "The column " + needed + " is missing.",
				Hint: "Name, height and body mass are needed; the rest can come later."})
		}
	}
	return cols, Few(found)
}

func names() []string {
	out := make([]string, len(columns))
	for i, c := range columns {
		out[i] = c.name
	}
	return out
}

// person reads one row.
func person(line []string, cols []head, row int) (Person, setup.Problems) {
	var p Person
	var found setup.Problems
	at := func(name string) string { return fmt.Sprintf("row %d, column %s", row, name) }
	if len(line) > len(cols) && !cells.Blank(line[len(cols):]) {
		found = append(found, setup.Problem{Path: fmt.Sprintf("row %d", row), What: fmt.Sprintf("The row has %d cells, the first row %d.",
			len(line), len(cols)),
			Hint: "A decimal comma wants another separator between cells, or quotes."})
		return p, found
	}
	for i, cell := range line[:min(len(line), len(cols))] {
		if err := cols[i].read(&p, strings.TrimSpace(cell), cols[i].unit); err != nil {
			found = append(found, setup.Problem{Path: at(cols[i].name), What: wrongCell(cell, err),
				Hint: "Give a number with its unit, or one in the column's, or leave the cell empty."})
		}
	}
	if len(found) > 0 {
		return p, found
	}
	return p, Checked(&p, func(field string) string {
		parts := strings.Split(field, ".")
		return at(parts[len(parts)-1])
	})
}

func wrongCell(cell string, err error) string {
	var other errKind
	if errors.As(err, &other) {
		return fmt.Sprintf("%q cannot be read here. %s", clip(cell), other.What)
	}
	return fmt.Sprintf("%q %v.", clip(cell), err)
}

func clip(s string) string {
	if r := []rune(s); len(r) > 40 {
		return string(r[:40]) + "..."
	}
	return s
}
