package rig

import (
	"fmt"
	"math"
	"reflect"
	"slices"

	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Fitted is a setup as it can be done with the kit of a room.
type Fitted struct {
	Document setup.Document `json:"document"`
	Changes  []FitChange    `json:"changes" doc:"What had to change, in the order of the document."`
	Missing  []FitChange    `json:"missing" doc:"What the setup needs and the room does not have."`
	Anew     bool           `json:"anew" doc:"Whether the document differs at all from what was given: also when only the kit that it remembers does."`
}

// FitChange is one thing that is different in a room.
type FitChange struct {
	Path   string                     `json:"path" doc:"Where in the document."`
	Text   string                     `json:"text" doc:"The sentence, values as {name}."`
	Values map[string]report.Quantity `json:"values"`
}

// Fit moves a setup into a room: pulleys into the nearest holes, loads to the nearest that can be had for the same pull at the
// hand, the bench to the nearest notch, bands, handles and machines to the most alike. What was taken from a thing that the room
// still has stays with that thing. Fitting a fitted setup changes nothing. The room and the document have to be valid.
func Fit(d *setup.Document, r *kit.Room, id string) Fitted {
	f := fitter{room: r, doc: d.Clone(), changes: []FitChange{}, missing: []FitChange{}}
	f.doc.Room = id
	f.bench()
	f.seat()
	f.supports()
	for i := range f.doc.Loads {
		f.load(i)
	}
	f.standClear(d)
	return Fitted{Document: f.doc, Changes: f.changes, Missing: f.missing, Anew: !reflect.DeepEqual(f.doc, d.Clone())}
}

type fitter struct {
	room             *kit.Room
	doc              setup.Document
	changes, missing []FitChange
}

type values = map[string]report.Quantity

func length(x float64) report.Quantity { return report.Quantity{Value: x, Kind: "length"} }
func mass(x float64) report.Quantity   { return report.Quantity{Value: x, Kind: "mass"} }
func angle(x float64) report.Quantity  { return report.Quantity{Value: x, Kind: "angle"} }
func count(n int) report.Quantity      { return report.Quantity{Value: float64(n), Kind: "count"} }

func (f *fitter) change(path, text string, v values) {
	f.changes = append(f.changes, FitChange{path, text, v})
}

func (f *fitter) lacks(path, text string, v values) {
	if v == nil {
		v = values{}
	}
	f.missing = append(f.missing, FitChange{path, text, v})
}

// differ says whether two numbers of a document differ for anybody who sets them.
func differ(a, b float64) bool { return math.Abs(a-b) > 1e-6 }

// set gives a number of the document another value and tells so.
func (f *fitter) set(path string, to *float64, value float64, text string, kind func(float64) report.Quantity) {
	if differ(*to, value) {
		f.change(path, text, values{"from": kind(*to), "to": kind(value)})
	}
	*to = value
}

// alike picks the thing with a key, or else the one that costs least; -1 when none may be taken.
func alike[T any](things []T, key string, keyOf func(*T) string, cost func(*T) float64) int {
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

// sameBench is how far a notch may be from the wanted angle for the setup to be the same, degrees (own).
const sameBench = 15

func (f *fitter) bench() {
	b := f.doc.Bench
	if b == nil || f.onMachine() { // a machine has its own
		return
	}
	key, base := "", float64(setup.DefaultBenchMass)
	if b.Kit != nil {
		key, base = b.Kit.Item, b.Kit.Mass
	}
	i := alike(f.room.Benches, key, func(x *kit.Bench) string { return x.Key }, func(x *kit.Bench) float64 {
		near, at := kit.Nearest(x.NotchesDeg, b.AngleDeg)
		if at < 0 || math.Abs(near-b.AngleDeg) > sameBench {
			return math.Inf(1)
		}
		return math.Abs(near - b.AngleDeg)
	})
	if i < 0 {
		f.lacks("bench", "No bench here can be set near {from}.", values{"from": angle(b.AngleDeg)})
		return
	}
	it := &f.room.Benches[i]
	near, at := kit.Nearest(it.NotchesDeg, b.AngleDeg)
	if differ(near, b.AngleDeg) {
		f.change("bench.angleDeg", it.Name+": notch {notch}, {to} instead of {from}.", values{"notch": count(at + 1), "from": angle(b.AngleDeg), "to": angle(near)})
	}
	extra := 0.0
	if b.Mass > 0 {
		extra = max(0, b.Mass-base)
	}
	b.AngleDeg, b.Mass, b.BackLength, b.Width = near, it.Mass+extra, it.BackLength, it.Width
	now := b.Height
	if now == 0 {
		now = setup.DefaultSeat
	}
	b.Height = now
	if f.doc.Posture.Kind != "leaning" {
		f.set("bench.height", &b.Height, it.Height, it.Name+": seat at {to} instead of {from}.", length)
	}
	b.Kit = &setup.BenchKit{Item: it.Key, NotchesDeg: slices.Clone(it.NotchesDeg), Mass: it.Mass}
}

// onMachine says whether the lifter sits on a machine's own seat.
func (f *fitter) onMachine() bool {
	return slices.ContainsFunc(f.doc.Loads, func(l setup.Load) bool { return l.Kind == setup.Cam || (l.Kind == setup.Lever && l.PivotAlong != nil) })
}

// seat takes the seat of nearest height: a chair, a box, or a bench that is sat on.
func (f *fitter) seat() {
	p := &f.doc.Posture
	if p.Kind != "seated" || f.doc.Bench != nil || f.onMachine() {
		return
	}
	heights := f.sizes("seat")
	for _, b := range f.room.Benches {
		heights = append(heights, b.Height)
	}
	now := p.SeatHeight
	if now == 0 {
		now = setup.DefaultSeat
	}
	near, at := kit.Nearest(heights, now)
	if at < 0 {
		f.lacks("posture.seatHeight", "There is nothing to sit on here.", nil)
		return
	}
	if differ(near, now) {
		f.change("posture.seatHeight", "A seat of {to} instead of {from}.", values{"from": length(now), "to": length(near)})
		p.SeatHeight = near
	}
}

// sizes are those of all supports of a kind.
func (f *fitter) sizes(kind string) []float64 {
	var out []float64
	for _, s := range f.room.Supports {
		if s.Kind == kind {
			out = append(out, s.Size)
		}
	}
	return out
}

var supportWords = map[string]string{"strap": "There is no strap over the hips here.", "thighPad": "There is no pad over the thighs here.", "armPad": "There is no sloping pad for the arms here."}

func (f *fitter) supports() {
	p := &f.doc.Posture
	has := func(kind string) bool {
		return slices.ContainsFunc(f.room.Supports, func(s kit.Support) bool { return s.Kind == kind })
	}
	for _, h := range p.Held {
		if text, kit := supportWords[h]; kit && !has(h) && !f.onMachine() {
			f.lacks("posture.held", text, nil)
		}
	}
	if b := f.doc.Bench; b != nil && b.PadUnderBack > 0 {
		if near, at := kit.Nearest(f.sizes("pad"), b.PadUnderBack); at >= 0 {
			f.set("bench.padUnderBack", &b.PadUnderBack, near, "A pad of {to} under the back instead of {from}.", length)
		} else {
			f.lacks("bench.padUnderBack", "There is no pad for under the back here.", nil)
		}
	}
}

func (f *fitter) load(i int) {
	l := &f.doc.Loads[i]
	path := fmt.Sprintf("loads[%d]", i)
	switch l.Kind {
	case "cable", "strands":
		f.cable(path, l)
		f.held(path, l)
	case "band":
		f.band(path, l)
		f.held(path, l)
	case "dumbbell", "bar":
		f.weight(path, l)
	case "cam":
		f.cam(path, l)
	case "lever":
		f.lever(path, l)
	}
}

// clearSteps are how far the lifter is moved at most from a column that stands where only a pulley was, in steps of 5 cm (own).
const clearSteps = 14

// standClear moves the lifter along the way out from the columns until nothing is inside one, when the setup had been clear.
func (f *fitter) standClear(before *setup.Document) {
	if len(setup.Validate(&f.doc)) > 0 || clear(&f.doc) || !clear(before) {
		return
	}
	x := f.doc.Posture.X
	for n := 1; n <= clearSteps; n++ {
		for _, way := range []float64{1, -1} {
			f.doc.Posture.X = milli(x + way*0.05*float64(n))
			if clear(&f.doc) {
				f.change("posture.x", "Stands {to} out from the columns instead of {from}, to be clear of them.", values{"from": length(x), "to": length(f.doc.Posture.X)})
				return
			}
		}
	}
	f.doc.Posture.X = x
}

// clear says whether the core can evaluate a document: nothing is inside a column, nothing out of reach.
func clear(d *setup.Document) bool {
	var e evaluate.Evaluator
	_, problems := e.Score(d, 31)
	return len(problems) == 0
}
