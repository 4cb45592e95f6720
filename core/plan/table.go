package plan

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"

	"dialarc/core/cells"
	"dialarc/core/setup"
)

// tableColumn is a column of a plan as a table: its name, what else people call it, and how a cell of it is written and read.
type tableColumn struct {
	name   string
	others []string
	write  func(d *Day, e *Entry) string
	read   func(r *tableRow, cell string) bool // false when the cell cannot be that
	right  string                              // what would be right
}

// tableRow is a row as it is read.
type tableRow struct {
	day, exercise string
	weekday       int
	entry         Entry
}

var weekdayNames = []string{"", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"}

// number is a column with one number, whose cell may be empty when zero stands for nothing given.
func number(name string, place func(e *Entry) *float64, others ...string) tableColumn {
	return tableColumn{name, others, func(_ *Day, e *Entry) string {
		if x := *place(e); x != 0 {
			return strconv.FormatFloat(x, 'f', -1, 64)
		}
		return ""
	}, func(r *tableRow, cell string) bool {
		x, err := strconv.ParseFloat(strings.Replace(cell, ",", ".", 1), 64)
		*place(&r.entry) = x
		return err == nil
	}, "Give a number, or leave the cell empty."}
}

// span is a column with a whole number or a range like 8-12.
func span(name string, from, to func(e *Entry) *int, others ...string) tableColumn {
	return tableColumn{name, others, func(_ *Day, e *Entry) string {
		if *from(e) == *to(e) {
			return strconv.Itoa(*from(e))
		}
		return fmt.Sprintf("%d to %d", *from(e), *to(e)) // 8-12 is a date to programs that show tables
	}, func(r *tableRow, cell string) bool {
		low, high, ranged := strings.Cut(strings.NewReplacer("to", "-", "–", "-", " ", "").Replace(strings.ToLower(cell)), "-")
		if !ranged {
			high = low
		}
		a, errA := strconv.Atoi(low)
		b, errB := strconv.Atoi(high)
		*from(&r.entry), *to(&r.entry) = a, b
		return errA == nil && errB == nil
	}, "Give a whole number or a range like 8 to 12."}
}

// word is a column with a word out of few, or text where few is empty.
func word(name string, few []string, place func(e *Entry) *string, others ...string) tableColumn {
	right := "Give one of: " + strings.Join(few, ", ") + "; or leave the cell empty."
	return tableColumn{name, others, func(_ *Day, e *Entry) string { return cells.Write(*place(e)) }, func(r *tableRow, cell string) bool {
		*place(&r.entry) = cells.Read(cell)
		return len(few) == 0 || slices.Contains(few, cell)
	}, right}
}

// tableColumns lists the columns in the order in which they are written. What repeats in every row of a day is the day's.
var tableColumns = []tableColumn{
	{"day", []string{"session"}, func(d *Day, _ *Entry) string { return cells.Write(d.Name) },
		func(r *tableRow, cell string) bool { r.day = cells.Read(cell); return true }, ""},
	{"weekday", nil, func(d *Day, _ *Entry) string { return weekdayNames[d.Weekday] }, func(r *tableRow, cell string) bool {
		r.weekday = slices.IndexFunc(weekdayNames, func(w string) bool {
			return len(cell) > 2 && strings.HasPrefix(strings.ToLower(w), strings.ToLower(cell))
		})
		return r.weekday > 0
	}, "Give a day like Monday, or leave the cell empty."},
	{"exercise", []string{"setup", "movement"}, func(_ *Day, e *Entry) string { return cells.Write(e.Document.Name) },
		func(r *tableRow, cell string) bool { r.exercise = cells.Read(cell); return true }, ""},
	span("sets", func(e *Entry) *int { return &e.Sets }, func(e *Entry) *int { return &e.Sets }),
	span("reps", func(e *Entry) *int { return &e.RepsFrom }, func(e *Entry) *int { return &e.RepsTo }, "repetitions"),
	span("RIR", func(e *Entry) *int { return &e.RIRFrom }, func(e *Entry) *int { return &e.RIRTo }, "reserve", "reps in reserve"),
	number("rest (s)", func(e *Entry) *float64 { return &e.Rest }, "rest"),
	word("load by", []string{"load", "percent"}, func(e *Entry) *string { return &e.LoadBy }),
	number("load (kg)", func(e *Entry) *float64 { return &e.Load }, "load", "weight (kg)"),
	number("percent", func(e *Entry) *float64 { return &e.Percent }, "% of 1RM"),
	word("progression", []string{"load", "none"}, func(e *Entry) *string { return &e.Progression }),
	word("method", []string{"longPartials", "restPause", "drop", "partials"}, func(e *Entry) *string { return &e.Method }),
	word("sides", []string{"alternating", "one"}, func(e *Entry) *string { return &e.Sides }),
	word("note", nil, func(e *Entry) *string { return &e.Note }, "notes"),
}

// WriteTable is the days of a block as comma-separated values, one row an exercise. What is not in it: the setups themselves, which are
// found by their names again, and what is said of the whole block.
func WriteTable(b *Block) (string, error) {
	var buf bytes.Buffer
	w := csv.NewWriter(&buf)
	row := make([]string, len(tableColumns))
	for i, c := range tableColumns {
		row[i] = c.name
	}
	rows := [][]string{slices.Clone(row)}
	for i := range b.Days {
		d := &b.Days[i]
		for k := range d.Entries {
			for n, c := range tableColumns {
				row[n] = c.write(d, &d.Entries[k])
			}
			rows = append(rows, slices.Clone(row))
		}
	}
	err := w.WriteAll(rows)
	return buf.String(), err
}

// ReadTable reads the days of a plan from a table whose first row names the columns, in any order; day, exercise, sets and reps have to be
// there. Find tells the entry of an exercise by its name, with what it is planned with where the table says nothing. Entries have no ids
// yet. Paths of problems are row n, column name, counted as a spreadsheet does.
func ReadTable(text string, find func(name string) (Entry, bool)) ([]Day, setup.Problems) {
	v := &setup.Checks{}
	text = strings.TrimPrefix(text, "\ufeff")
	r := csv.NewReader(strings.NewReader(text))
	r.Comma, r.FieldsPerRecord, r.TrimLeadingSpace = cells.Separator(text), -1, true
	head, err := r.Read()
	if errors.Is(err, io.EOF) {
		v.Add("", "The file is empty.", "", "Give a table whose first row names the columns: day, exercise, sets, reps.")
		return nil, v.Found
	}
	if err != nil {
		return nil, setup.Problems{cells.Broken(err)}
	}
	columns := tableHead(v, head)
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	var days []Day
	for len(v.Found) < mostTableProblems {
		line, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, append(v.Found, cells.Broken(err))
		}
		at, _ := r.FieldPos(0)
		if cells.Blank(line) {
			continue
		}
		days = tableEntry(v, fmt.Sprintf("row %d", at), days, columns, line, find)
	}
	if len(days) == 0 && len(v.Found) == 0 {
		v.Add("row 2", "There is no exercise below the names of the columns.", "", "Give one row each.")
	}
	return days, v.Found
}

// mostTableProblems is how many problems are told; who has more has one that repeats.
const mostTableProblems = 30

// tableHead finds the columns of the first row.
func tableHead(v *setup.Checks, head []string) []*tableColumn {
	out := make([]*tableColumn, len(head))
	seen := map[string]bool{}
	for i, text := range head {
		is := func(name string) bool { return strings.EqualFold(name, strings.TrimSpace(text)) }
		k := slices.IndexFunc(tableColumns, func(c tableColumn) bool { return is(c.name) || slices.ContainsFunc(c.others, is) })
		at := fmt.Sprintf("row 1, column %d", i+1)
		switch {
		case k < 0:
			v.Add(at, fmt.Sprintf("There is no column %q here.", setup.Clip(text)), "What stands in it would be lost without a word.",
				"Columns: "+strings.Join(tableNames(), ", ")+".")
		case seen[tableColumns[k].name]:
			v.Add(at, fmt.Sprintf("The column %q is there twice.", tableColumns[k].name), "", "Keep one of them.")
		default:
			out[i] = &tableColumns[k]
			seen[tableColumns[k].name] = true
		}
	}
	for _, needed := range []string{"day", "exercise", "sets", "reps"} {
		if !seen[needed] {
			v.Add("row 1", "The column "+needed+" is missing.", "", "Day, exercise, sets and reps are needed.")
		}
	}
	return out
}

func tableNames() []string {
	out := make([]string, len(tableColumns))
	for i, c := range tableColumns {
		out[i] = c.name
	}
	return out
}

// tableEntry puts the entry of a row into its day.
func tableEntry(v *setup.Checks, at string, days []Day, columns []*tableColumn, line []string, find func(string) (Entry, bool)) []Day {
	if len(line) > len(columns) && !cells.Blank(line[len(columns):]) {
		v.Add(at, fmt.Sprintf("The row has %d cells, the first row %d.", len(line), len(columns)), "",
			"A comma in a cell wants quotes, or another separator between cells.")
		return days
	}
	row := tableRow{}
	for _, known := range []bool{false, true} { // the exercise first: the rest is changed of what it is planned with
		if known {
			e, ok := find(row.exercise)
			if !ok {
				v.Add(at+", column exercise", fmt.Sprintf("There is no exercise %q.", setup.Clip(row.exercise)),
					"It is looked for among the lifter's setups and in the library.", "Give the name as it stands there.")
				return days
			}
			row.entry = e
		}
		for i, cell := range line[:min(len(line), len(columns))] {
			cell = strings.TrimSpace(cell)
			if c := columns[i]; cell != "" && !c.read(&row, cell) && known {
				v.Add(at+", column "+c.name, fmt.Sprintf("%q cannot be read.", setup.Clip(cell)), "", c.right)
			}
		}
	}
	if row.day == "" {
		v.Add(at+", column day", "The day has no name.", "", "Give one like A.")
		return days
	}
	k := slices.IndexFunc(days, func(d Day) bool { return d.Name == row.day })
	if k < 0 {
		k = len(days)
		days = append(days, Day{Name: row.day, Weekday: max(0, row.weekday)})
	}
	days[k].Entries = append(days[k].Entries, row.entry)
	return days
}
