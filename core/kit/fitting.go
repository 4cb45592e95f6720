package kit

import (
	"math"
	"slices"

	"dialarc/core/quantity"
	"dialarc/core/setup"
)

// FitChange is one thing that is different in a room.
type FitChange struct {
	Path   string                       `json:"path" doc:"Where in the document."`
	Text   string                       `json:"text" doc:"The sentence, values as {name}."`
	Values map[string]quantity.Quantity `json:"values"`
}

// Fitting is a setup on its way into a room: what each load and support takes from there, what that changes and what is missing.
type Fitting struct {
	Room             *Room
	Document         setup.Document
	Changes, Missing []FitChange
}

// Values are the values that a sentence names.
type Values = map[string]quantity.Quantity

// Length is a value of a sentence, m.
func Length(x float64) quantity.Quantity { return quantity.Quantity{Value: x, Kind: "length"} }

// Mass is a value of a sentence, kg.
func Mass(x float64) quantity.Quantity { return quantity.Quantity{Value: x, Kind: "mass"} }

// Angle is a value of a sentence, degrees.
func Angle(x float64) quantity.Quantity { return quantity.Quantity{Value: x, Kind: "angle"} }

// Count is a value of a sentence that counts something.
func Count(n int) quantity.Quantity { return quantity.Quantity{Value: float64(n), Kind: "count"} }

// Force is a value of a sentence, N.
func Force(x float64) quantity.Quantity { return quantity.Quantity{Value: x, Kind: "force"} }

// Change tells what is different.
func (f *Fitting) Change(path, text string, v Values) {
	f.Changes = append(f.Changes, FitChange{path, text, v})
}

// Lacks tells what the room does not have.
func (f *Fitting) Lacks(path, text string, v Values) {
	if v == nil {
		v = Values{}
	}
	f.Missing = append(f.Missing, FitChange{path, text, v})
}

// Differ says whether two numbers of a document differ for anybody who sets them.
func Differ(a, b float64) bool { return math.Abs(a-b) > 1e-6 }

// Set gives a number of the document another value and tells so.
func (f *Fitting) Set(path string, to *float64, value float64, text string, kind func(float64) quantity.Quantity) {
	if Differ(*to, value) {
		f.Change(path, text, Values{"from": kind(*to), "to": kind(value)})
	}
	*to = value
}

// MassOf turns a mass of a load to the nearest that can be had and remembers all of them; none says what is missing when there are no
// masses.
func (f *Fitting) MassOf(path string, l *setup.Load, now *float64, masses []float64, text, none string) {
	slices.Sort(masses)
	masses = slices.Compact(masses)
	near, at := Nearest(masses, *now)
	if at < 0 {
		f.Lacks(path, none, nil)
		return
	}
	f.Set(path, now, near, text, Mass)
	l.Kit = &setup.Kit{Masses: masses, Item: Remembered(l).Item}
}

// Remembered is what a load says it was taken from; nothing when it does not say.
func Remembered(l *setup.Load) setup.Kit {
	if l.Kit == nil {
		return setup.Kit{}
	}
	return *l.Kit
}

// Alike picks the thing with a key, or else the one that costs least; -1 when none may be taken, as an infinite cost says.
func Alike[T any](things []T, key string, keyOf func(*T) string, cost func(*T) float64) int {
	best, least := -1, math.Inf(1)
	for i := range things {
		c := cost(&things[i])
		if math.IsInf(c, 1) {
			continue
		}
		if key != "" && keyOf(&things[i]) == key {
			return i
		}
		if c < least {
			best, least = i, c
		}
	}
	return best
}
