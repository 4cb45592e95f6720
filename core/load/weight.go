package load

import (
	"slices"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// What a hand holds against gravity alone.
var (
	dumbbell = Kind{Name: setup.Dumbbell, With: "with dumbbells", Counted: "each dumbbell", Needs: "dumbbell",
		Holds: []string{"hand", "wrist", "ankle", "foot", "waist"}, Simple: true, Mass: freeMass, Scale: scaleFree, AtHand: freeAtHand,
		Complete: func(l *setup.Load, mass, _ float64) { l.Mass = mass }, Check: checkFree, Fit: fitDumbbell, source: newDumbbell,
		Dials: []dial.Dial{cuffDial, {Name: dial.LoadMass, Read: massDial("Dumbbell"), Write: setMass}}}
	bar = Kind{Name: setup.Bar, With: "with a bar", Counted: "the whole bar", Needs: "bar", Holds: []string{"hand", "shoulders", "front", "pelvis", "thighs"},
		OneThing: true,
		Mass:     freeMass, Scale: scaleFree, AtHand: freeAtHand, Alone: oneDumbbell, Check: checkFree, Fit: fitBar, source: newBar,
		Dials: []dial.Dial{{Name: dial.LoadMass, Read: massDial("Total weight"), Write: setMass}}}
)

func freeMass(l *setup.Load) *float64         { return &l.Mass }
func scaleFree(l *setup.Load, factor float64) { l.Mass *= factor }
func freeAtHand(l *setup.Load) float64        { return l.Mass }

func checkFree(v *setup.Checks, path string, l *setup.Load) {
	v.Field(loadRows, path+".mass", string(l.Kind)+"'s mass", l.Mass, "kg", "Without a load there is no torque.")
}

// oneDumbbell stands in for a bar in one hand.
func oneDumbbell(l *setup.Load) {
	if l.Contact.Segment == "hand" {
		l.Kind, l.Mass, l.Shared = setup.Dumbbell, l.Mass/2, false
	}
}

func massDial(inHand string) func(*setup.Document, int) dial.Setting {
	return func(d *setup.Document, i int) dial.Setting {
		l := &d.Loads[i]
		label := inHand
		if l.Kind == setup.Bar && l.Contact.Segment != "hand" {
			label = "Bar with plates"
		}
		return withMasses(l, dial.Setting{Group: "loads", Label: label, Kind: "mass", From: 0.5, To: heaviest(d, 0.5, 1, l.Mass), Step: 0.5,
			Value: l.Mass, Paint: "effort", Paths: []string{dial.LoadPath(i, "mass")}})
	}
}

func setMass(d *setup.Document, i int, v float64) { d.Loads[i].Mass = v }

func fitDumbbell(f *kit.Fitting, path string, l *setup.Load) {
	f.MassOf(path+".mass", l, &l.Mass, weightsOf(f, "dumbbells"), "A dumbbell of {to} instead of {from}.", "This gym has no dumbbells.")
}

// fitBar takes the nearest load of a bar; one weight in both hands may be a dumbbell too.
func fitBar(f *kit.Fitting, path string, l *setup.Load) {
	masses := weightsOf(f, "bar")
	if f.Document.Movement.BarWidth == 0 && l.Contact.Segment == "hand" {
		masses = weightsOf(f, "bar", "dumbbells")
	}
	f.MassOf(path+".mass", l, &l.Mass, masses, "{to} in both hands instead of {from}.", "This gym has no bar.")
}

// weightsOf are the masses of the gym's weights of some kinds, kg.
func weightsOf(f *kit.Fitting, kinds ...string) []float64 {
	var masses []float64
	for i := range f.Room.Weights {
		if w := &f.Room.Weights[i]; slices.Contains(kinds, w.Kind) {
			masses = append(masses, w.Loadable()...)
		}
	}
	return masses
}

// weight is a free weight held in one hand or strapped to one segment: its force is m g, straight down, wherever it is. Of
// a bar that both hands hold each carries half.
type weight struct {
	mass float64 // kg
	at   contact
}

func newDumbbell(b *builder) (Source, *space.Vec) { return &weight{mass: b.Mass, at: b.at}, nil }

// newBar is a bar in both hands or over both thighs, or one on the back or the hips.
func newBar(b *builder) (Source, *space.Vec) {
	w := weight{mass: b.Mass, at: b.at}
	if b.Contact.Segment != "trunk" {
		w.mass /= 2
	}
	return &barbell{w}, nil
}

func (w *weight) At(f *body.Frames) Pull {
	n := w.mass * Gravity
	down := space.Vec{Y: -n}
	return Pull{Force: down, Lowering: down, Contact: w.at.in(f), Tension: n}
}

// Moving adds the inertia: -m (g + a).
func (w *weight) Moving(f *body.Frames, _, a space.Vec) Pull {
	p := w.At(f)
	p.Force = r3.Sub(p.Force, r3.Scale(w.mass, a))
	p.Tension = space.Norm(p.Force)
	return p
}

func (w *weight) Energy(f *body.Frames) float64 { return w.mass * Gravity * w.at.in(f).Y }

// barbell is a bar: a weight that is drawn with its ends.
type barbell struct{ weight }

func (b *barbell) Shape(f *body.Frames) []space.Vec {
	if b.at.segment == body.HandR || b.at.segment == body.HandL {
		return barEnds(f)
	}
	across := f.Turn[body.Pelvis].Apply(space.Vec{Z: f.Body.ShoulderHalf + 2*beyondHands}) // on the back, the hips or the thighs
	middle := b.at.in(f)
	middle = r3.Add(middle, r3.Scale(-r3.Dot(r3.Sub(middle, f.Origin[body.Pelvis]), r3.Unit(across)), r3.Unit(across)))
	return []space.Vec{r3.Sub(middle, across), r3.Add(middle, across)}
}
