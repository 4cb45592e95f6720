package edits

import (
	"fmt"
	"math"
	"reflect"
	"slices"

	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/load"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Fitted is a setup as it can be done with the kit of a room.
type Fitted struct {
	Document setup.Document  `json:"document"`
	Changes  []kit.FitChange `json:"changes" doc:"What had to change, in the order of the document."`
	Missing  []kit.FitChange `json:"missing" doc:"What the setup needs and the room does not have."`
	Anew     bool            `json:"anew" doc:"Whether the document differs at all from what was given: also when only the kit that it remembers does."`
}

// Fit moves a setup into a room: pulleys into the nearest holes, loads to the nearest that can be had for the same pull at the
// hand, the bench to the nearest notch, bands, handles and machines to the most alike. What was taken from a thing that the room
// still has stays with that thing. Fitting a fitted setup changes nothing. The room and the document have to be valid.
func Fit(d *setup.Document, r *kit.Room, id string) Fitted {
	f := fitter{kit.Fitting{Room: r, Document: d.Clone(), Changes: []kit.FitChange{}, Missing: []kit.FitChange{}}}
	f.Document.Gym = id
	f.bench()
	f.seat()
	f.supports()
	for i := range f.Document.Loads {
		f.load(i)
	}
	f.standClear(d)
	return Fitted{Document: f.Document, Changes: f.Changes, Missing: f.Missing, Anew: !reflect.DeepEqual(f.Document, d.Clone())}
}

// fitter fits what belongs to no load.
type fitter struct{ kit.Fitting }

// sameBench is how far a notch may be from the wanted angle for the setup to be the same, degrees (own).
const sameBench = 15

func (f *fitter) bench() {
	b := f.Document.Bench
	if b == nil || load.HasOwnSeat(&f.Document) { // a machine has its own
		return
	}
	key, base := "", float64(setup.DefaultBenchMass)
	if b.Kit != nil {
		key, base = b.Kit.Item, b.Kit.Mass
	}
	i := kit.Alike(f.Room.Benches, key, func(x *kit.Bench) string { return x.Key }, func(x *kit.Bench) float64 {
		near, at := kit.Nearest(x.NotchesDeg, b.AngleDeg)
		if at < 0 || math.Abs(near-b.AngleDeg) > sameBench {
			return math.Inf(1)
		}
		return math.Abs(near - b.AngleDeg)
	})
	if i < 0 {
		f.Lacks("bench", "This gym has no bench that can be set near {from}.", kit.Values{"from": kit.Angle(b.AngleDeg)})
		return
	}
	it := &f.Room.Benches[i]
	near, at := kit.Nearest(it.NotchesDeg, b.AngleDeg)
	if kit.Differ(near, b.AngleDeg) {
		f.Change("bench.angleDeg", it.Name+": notch {notch}, {to} instead of {from}.", kit.Values{"notch": kit.Count(at + 1),
			"from": kit.Angle(b.AngleDeg), "to": kit.Angle(near)})
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
	if f.Document.Posture.Kind != "leaning" {
		f.Set("bench.height", &b.Height, it.Height, it.Name+": seat at {to} instead of {from}.", kit.Length)
	}
	b.Kit = &setup.BenchKit{Item: it.Key, NotchesDeg: slices.Clone(it.NotchesDeg), Mass: it.Mass}
}

// seat takes the seat of nearest height: a chair, a box, or a bench that is sat on.
func (f *fitter) seat() {
	p := &f.Document.Posture
	if p.Kind != "seated" || f.Document.Bench != nil || load.HasOwnSeat(&f.Document) {
		return
	}
	heights := f.sizes("seat")
	for _, b := range f.Room.Benches {
		heights = append(heights, b.Height)
	}
	now := p.SeatHeight
	if now == 0 {
		now = setup.DefaultSeat
	}
	near, at := kit.Nearest(heights, now)
	if at < 0 {
		f.Lacks("posture.seatHeight", "This gym has nothing to sit on.", nil)
		return
	}
	if kit.Differ(near, now) {
		f.Change("posture.seatHeight", "A seat of {to} instead of {from}.", kit.Values{"from": kit.Length(now), "to": kit.Length(near)})
		p.SeatHeight = near
	}
}

// sizes are those of all supports of a kind.
func (f *fitter) sizes(kind string) []float64 {
	var out []float64
	for _, s := range f.Room.Supports {
		if s.Kind == kind {
			out = append(out, s.Size)
		}
	}
	return out
}

var supportWords = map[string]string{"strap": "This gym has no strap over the hips.", "thighPad": "This gym has no pad over the thighs.",
	"armPad": "This gym has no sloping pad for the arms."}

func (f *fitter) supports() {
	p := &f.Document.Posture
	has := func(kind string) bool {
		return slices.ContainsFunc(f.Room.Supports, func(s kit.Support) bool { return s.Kind == kind })
	}
	for _, h := range p.Restraints {
		if text, known := supportWords[h]; known && !has(h) && !load.HasOwnSeat(&f.Document) {
			f.Lacks("posture.restraints", text, nil)
		}
	}
	if b := f.Document.Bench; b != nil && b.PadUnderBack > 0 {
		if near, at := kit.Nearest(f.sizes("pad"), b.PadUnderBack); at >= 0 {
			f.Set("bench.padUnderBack", &b.PadUnderBack, near, "A pad of {to} under the back instead of {from}.", kit.Length)
		} else {
			f.Lacks("bench.padUnderBack", "This gym has no pad to put under the back.", nil)
		}
	}
}

// load takes what a load needs, as its kind says.
func (f *fitter) load(i int) {
	l := &f.Document.Loads[i]
	if fit := load.Of(l).Fit; fit != nil {
		fit(&f.Fitting, fmt.Sprintf("loads[%d]", i), l)
	}
}

// clearSteps are how far the lifter is moved at most from a column that stands where only a pulley was, in steps of 5 cm (own).
const clearSteps = 14

// standClear moves the lifter along the way out from the columns until nothing is inside one, when the setup had been clear.
func (f *fitter) standClear(before *setup.Document) {
	if len(rules.Validate(&f.Document)) > 0 || clear(&f.Document) || !clear(before) {
		return
	}
	x := f.Document.Posture.X
	for n := 1; n <= clearSteps; n++ {
		for _, way := range []float64{1, -1} {
			f.Document.Posture.X = milli(x + way*0.05*float64(n))
			if clear(&f.Document) {
				f.Change("posture.x", "Stands {to} out from the columns instead of {from}, to be clear of them.",
					kit.Values{"from": kit.Length(x), "to": kit.Length(f.Document.Posture.X)})
				return
			}
		}
	}
	f.Document.Posture.X = x
}

// clear says whether the core can evaluate a document: nothing is inside a column, nothing out of reach.
func clear(d *setup.Document) bool {
	return len(evaluate.Refusals(d)) == 0
}
