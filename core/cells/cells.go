// Package cells writes words into cells of comma-separated tables such that no program takes them for formulas.
package cells

import "strings"

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
