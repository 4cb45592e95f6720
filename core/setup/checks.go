package setup

import (
	"fmt"
	"slices"
	"strconv"
	"strings"
)

// Checks collects what is wrong with the values of a document, each at its path.
type Checks struct{ Found Problems }

// Add reports a problem.
func (v *Checks) Add(path, what, why, hint string) {
	v.Found = append(v.Found, Problem{Path: path, What: what, Why: why, Hint: hint})
}

// Within reports a number outside [low, high] or not finite, and says whether it is inside.
func (v *Checks) Within(path, label string, x, low, high float64, unit, why string) bool {
	if x >= low && x <= high {
		return true
	}
	v.Add(path, "The "+label+" is "+Number(x, unit)+".", why, "Give "+Number(low, "")+" to "+Number(high, unit)+".")
	return false
}

// Field is Within between the limits of the field that the path ends with.
func (v *Checks) Field(rows Rows, path, label string, x float64, unit, why string) bool {
	row := rows.of(path)
	return v.Within(path, label, x, row.Low, row.High, unit, why)
}

// Count reports a list that is longer than its field may be; things names what it lists.
func (v *Checks) Count(rows Rows, path, things string, n int, why string) bool {
	most := rows.of(path).Items
	if n <= most {
		return true
	}
	v.Add(path, fmt.Sprintf("There are %d %s.", n, things), why, fmt.Sprintf("Keep %d at most.", most))
	return false
}

// Number writes a number with its unit.
func Number(x float64, unit string) string {
	s := strconv.FormatFloat(x, 'g', 6, 64)
	if unit == "" {
		return s
	}
	return s + " " + unit
}

// OneOf reports a word that is not among the allowed ones, and says whether it is.
func (v *Checks) OneOf(path, label, got string, allowed ...string) bool {
	if slices.Contains(allowed, got) {
		return true
	}
	what := fmt.Sprintf("The %s is %q.", label, Clip(got))
	if got == "" {
		what = "The " + label + " is missing."
	}
	v.Add(path, what, "", "Give one of: "+strings.Join(allowed, ", ")+".")
	return false
}

// Name reports a name of more than 200 characters.
func (v *Checks) Name(path, s string) {
	if n := len([]rune(s)); n > 200 {
		v.Add(path, fmt.Sprintf("The name has %d characters.", n), "", "Keep it to 200.")
	}
}

// Place checks where a cable or band starts.
func (v *Checks) Place(path, name string, p *Point) {
	if p == nil {
		v.Add(path, "The "+name+" is missing.", "The pull needs a place to come from.", "Give x, y and z in metres.")
		return
	}
	v.Within(path+".x", name+"'s distance out", p.X, -6, 6, "m", "")
	v.Within(path+".y", name+"'s height", p.Y, 0, 4, "m", "It is between floor and ceiling.")
	v.Within(path+".z", name+"'s distance to the right", p.Z, -6, 6, "m", "")
}

// Direction checks a vector that only says where something points.
func (v *Checks) Direction(path, name string, p *Point) {
	if p == nil || !(p.X*p.X+p.Y*p.Y+p.Z*p.Z > 1e-12) {
		v.Add(path, "The direction of the "+name+" is missing.", "", "Give x, y and z; its length does not matter.")
		return
	}
	for _, x := range []float64{p.X, p.Y, p.Z} {
		if !v.Within(path, "direction of the "+name, x, -1e3, 1e3, "", "") {
			return
		}
	}
}
