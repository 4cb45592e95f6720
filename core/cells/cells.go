// Package cells is what tables of comma-separated values have in common: how they are cut, and words that no program takes for formulas.
package cells

import (
	"encoding/csv"
	"errors"
	"fmt"
	"slices"
	"strings"

	"dialarc/core/setup"
)

// Write is a text as it stands in a table. Programs that show tables take a cell that begins with one of = + - @ for a formula and run it;
// an apostrophe before it keeps them from that.
func Write(text string) string {
	if formula(text) {
		return "'" + text
	}
	return text
}

// Read is what a cell says, without the apostrophe that Write put before it.
func Read(cell string) string {
	if strings.HasPrefix(cell, "'") && formula(cell) {
		return cell[1:]
	}
	return cell
}

// formula says whether a text begins like a formula, perhaps after apostrophes.
func formula(s string) bool {
	rest := strings.TrimLeft(s, "'")
	return rest != "" && strings.ContainsRune("=+-@\t\r", rune(rest[0]))
}

// Separator is the sign that the first row is cut by: the most frequent of those in use.
func Separator(text string) rune {
	first, _, _ := strings.Cut(text, "\n")
	best, most := ',', 0
	for _, sep := range []rune{',', ';', '\t', '|'} {
		if n := strings.Count(first, string(sep)); n > most {
			best, most = sep, n
		}
	}
	return best
}

// Blank says whether nothing stands in a row.
func Blank(row []string) bool {
	return !slices.ContainsFunc(row, func(c string) bool { return strings.TrimSpace(c) != "" })
}

// Broken says where a table cannot be read.
func Broken(err error) setup.Problem {
	var parse *csv.ParseError
	if errors.As(err, &parse) {
		return setup.Problem{Path: fmt.Sprintf("row %d", parse.Line), What: fmt.Sprintf("The row cannot be read at sign %d: %v.", parse.Column,
			parse.Err), Hint: "Quote a cell with separators or quotes in it, and double the quotes inside."}
	}
	return setup.Problem{What: "The table cannot be read: " + err.Error() + "."}
}
