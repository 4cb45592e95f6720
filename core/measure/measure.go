// Package measure turns what was read off tapes and scales into the numbers of a gym's things, each with how far it could be off. It is
// pure: readings in, a fit out; nothing is written to a gym before the coach has seen it.
package measure

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"math"
	"strings"

	"dialarc/core/cells"
	"dialarc/core/quantity"
	"dialarc/core/report"
	"dialarc/core/setup"

	"gonum.org/v1/gonum/stat/distuv"
)

// Column is what one column of a table of readings measures.
type Column struct {
	Name string  // as the first row calls it
	Kind string  // length, force or mass
	Unit float64 // how much one of it is in SI where neither the first row nor the cell says
}

// mostReadings is how many rows a table of typed readings may have.
const mostReadings = 300 // more take seconds to judge by leaving out one after the other

// Table reads rows of numbers, one for each column, in SI. The first row may name the columns, in their order, with units as in pull
// (lbf); a number with a unit of its own counts in that. Problems are at "row n", counted as a spreadsheet does.
func Table(text string, columns []Column) ([][]float64, setup.Problems) {
	v := &setup.Checks{}
	text = strings.TrimPrefix(text, "\ufeff")
	sep := cells.Separator(text)
	if !strings.ContainsRune(strings.SplitN(text, "\n", 2)[0], sep) {
		text, sep = strings.Join(spaced(text), "\n"), '\t'
	}
	r := csv.NewReader(strings.NewReader(text))
	r.Comma, r.FieldsPerRecord, r.TrimLeadingSpace = sep, -1, true
	units := make([]float64, len(columns))
	for i, c := range columns {
		units[i] = c.Unit
	}
	var out [][]float64
	for first := true; len(v.Found) < 20; first = false {
		line, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, append(v.Found, cells.Broken(err))
		}
		n, _ := r.FieldPos(0)
		at := fmt.Sprintf("row %d", n)
		if cells.Blank(line) {
			continue
		}
		if first && !strings.ContainsAny(strings.Join(line, ""), "0123456789") {
			header(v, at, line, columns, units)
			continue
		}
		if len(out) == mostReadings {
			v.Add(at, fmt.Sprintf("There are more than %d rows.", mostReadings), "", "Give every tenth reading.")
			break
		}
		if row, ok := numbers(v, at, line, columns, units); ok {
			out = append(out, row)
		}
	}
	return out, v.Found
}

// spaced cuts lines at their blanks, where numbers are typed with nothing but blanks between them.
func spaced(text string) []string {
	lines := strings.Split(text, "\n")
	for i, l := range lines {
		lines[i] = strings.Join(strings.Fields(l), "\t")
	}
	return lines
}

// header takes the units of a first row.
func header(v *setup.Checks, at string, line []string, columns []Column, units []float64) {
	if len(line) != len(columns) {
		v.Add(at, fmt.Sprintf("The first row names %d columns.", len(line)), "", fmt.Sprintf("Give %d: %s.", len(columns), columnNames(columns)))
		return
	}
	for i, cell := range line {
		open := strings.IndexAny(cell, "([")
		if open < 0 {
			continue
		}
		name := strings.Trim(cell[open:], " ()[]")
		kind, si, known := quantity.UnitOf(name)
		if kind == "mass" && columns[i].Kind == "force" { // a scale shows what hangs on it
			kind, si = "force", si*quantity.Gravity
		}
		if !known || kind != columns[i].Kind {
			v.Add(fmt.Sprintf("%s, column %s", at, columns[i].Name), fmt.Sprintf("%q is no unit of a %s.", setup.Clip(name), columns[i].Kind), "",
				"Give one like cm or m, N, kg or lb.")
			continue
		}
		units[i] = si
	}
}

func columnNames(columns []Column) string {
	out := make([]string, len(columns))
	for i, c := range columns {
		out[i] = c.Name
	}
	return strings.Join(out, ", ")
}

// read reads a quantity; a force may be given as what would have to hang there, as scales show it.
func read(cell, kind string, unit float64) (float64, *quantity.Problem) {
	x, problem := quantity.Read(cell, kind, unit)
	if problem != nil && kind == "force" {
		if kg, no := quantity.Read(cell, "mass", unit/quantity.Gravity); no == nil {
			return kg * quantity.Gravity, nil
		}
	}
	return x, problem
}

// numbers reads one row.
func numbers(v *setup.Checks, at string, line []string, columns []Column, units []float64) ([]float64, bool) {
	for len(line) > len(columns) && strings.TrimSpace(line[len(line)-1]) == "" {
		line = line[:len(line)-1]
	}
	if len(line) != len(columns) {
		v.Add(at, fmt.Sprintf("There are %d numbers.", len(line)), "", fmt.Sprintf("Give %d: %s.", len(columns), columnNames(columns)))
		return nil, false
	}
	row := make([]float64, len(columns))
	for i, cell := range line {
		x, problem := read(strings.TrimSpace(cell), columns[i].Kind, units[i])
		if problem == nil && (math.IsNaN(x) || math.IsInf(x, 0) || x < 0 && columns[i].Kind != "angle") {
			problem = &quantity.Problem{What: fmt.Sprintf("The %s is %v.", columns[i].Name, x), Hint: "Give 0 or more."}
		}
		if problem != nil {
			v.Add(fmt.Sprintf("%s, column %s", at, columns[i].Name), problem.What, "", problem.Hint)
			return nil, false
		}
		row[i] = x
	}
	return row, true
}

// sure is how many standard errors hold the truth at 95 % with so many degrees of freedom (Student 1908, Biometrika 6:1-25).
func sure(freedom int) float64 {
	return distuv.StudentsT{Mu: 0, Sigma: 1, Nu: float64(freedom)}.Quantile(0.975)
}

// rootMean is the root of the mean of so many squares.
func rootMean(squares float64, n int) float64 { return report.Rounded(math.Sqrt(squares / float64(n))) }
