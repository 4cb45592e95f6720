package load_test

import (
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/diff/fd"
	"gonum.org/v1/gonum/spatial/r3"
)

// pressed is a leg press of both legs, or of one.
func pressed(side string) (items []load.Item, at func(s float64) *body.Frames) {
	b := body.New(&setup.Lifter{Height: 1.75, BodyMass: 75})
	d := setup.Document{Posture: setup.Posture{Kind: "seated", HeadingDeg: 20}, Bench: &setup.Bench{AngleDeg: 20, Height: 0.4},
		Movement: setup.Movement{Kind: "sweep", Side: side, Primary: "knee.flexion", FromDeg: 90, ToDeg: 20},
		Loads: []setup.Load{{ID: "sled", Kind: setup.Sled, Side: "right", Variable: true, Contact: setup.Contact{Segment: "foot", At: "sole"},
			PlateMass: 80, LeverMass: 40, RailDeg: 30, SoleUp: 0.1, Friction: 0.05}}}
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	p := movement.New(&d, &b, &st)
	at = func(s float64) *body.Frames {
		var f body.Frames
		p.Place(s, &f)
		return &f
	}
	return load.Build(d.Loads, &st, p.Both(), at(0), at(1)), at
}

// On rails of 30 degrees half of the weight pushes back along them: 120 kg · g · sin 30°, on each foot half of that, a twentieth more going
// up than it would without friction, a twentieth less coming down. Of the push so much goes with the plates as they are of the mass.
func TestSledOnItsRails(t *testing.T) {
	for side, mass := range map[string]float64{"both": 60, "right": 120} {
		items, at := pressed(side)
		f := at(0.4)
		p := items[0].At(f)
		n := mass * 9.80665 / 2
		rail := f.Station.Heading.Apply(space.Vec{X: math.Cos(math.Pi / 6), Y: 0.5})
		check.Near(t, side+": up", r3.Norm(r3.Add(p.Force, r3.Scale(1.05*n, rail))), 0, 1e-9)
		check.Near(t, side+": down", r3.Norm(r3.Add(p.Lowering, r3.Scale(0.95*n, rail))), 0, 1e-9)
		check.Near(t, side+": share of the plates", items[0].Varies(), 80.0/120, 1e-12)
		if len(items) != map[string]int{"both": 2, "right": 1}[side] {
			t.Errorf("%s: %d items", side, len(items))
		}
	}
}

// Without friction the push does the work that the sled's energy takes up, and a sled that is sped up along its rails pushes back by its
// mass more.
func TestSledsWorkAndInertia(t *testing.T) {
	items, at := pressed("both")
	items[0].Def.Friction = 0
	it := load.Build([]setup.Load{*items[0].Def}, at(0).Station, true, at(0), at(1))[0]
	for _, s := range []float64{0.2, 0.5, 0.8} {
		f := at(s)
		dU := fd.Derivative(func(x float64) float64 { return it.Energy(at(x)) }, s, &fd.Settings{Formula: fd.Central, Step: 1e-5})
		p := it.At(f)
		check.Near(t, "power", r3.Dot(p.Force, f.Velocity(it.Segment, p.Contact)), -dU, 1e-4)
		rail := r3.Unit(r3.Scale(-1, p.Force))
		moving := it.Moving(f, rail, r3.Scale(2, rail))
		check.Near(t, "sped up", moving.Tension-p.Tension, 60*2, 1e-9)
	}
}

// A platform takes its stack's weight off, half under each knee, whatever the pose; going up faster it takes off less, and what it does is
// what its stack loses.
func TestPlatformUnderTheKnees(t *testing.T) {
	b := body.New(&setup.Lifter{Height: 1.75, BodyMass: 75})
	knees := 1.0
	d := setup.Document{Posture: setup.Posture{Kind: "standing", Root: "hands"}, Movement: setup.Movement{Kind: "guided", Side: "both",
		Guide: &setup.Guide{Kind: "line", Relative: true, Start: setup.Point{X: 0.15, Y: 0.5, Z: 0.06}, End: &setup.Point{X: 0.2, Y: 0.15, Z: 0.06}}},
		Loads: []setup.Load{{ID: "platform", Kind: setup.Assist, Side: "right", Contact: setup.Contact{Segment: "thigh", Fraction: &knees},
			StackMass: 30, Ratio: 1}}}
	st := b.Settle(&d.Posture, nil, &d.Movement)
	p := movement.New(&d, &b, &st)
	at := func(s float64) *body.Frames {
		var f body.Frames
		p.Place(s, &f)
		return &f
	}
	items := load.Build(d.Loads, &st, true, at(0), at(1))
	if len(items) != 2 {
		t.Fatalf("%d knees", len(items))
	}
	for _, s := range []float64{0.1, 0.5, 0.9} {
		f := at(s)
		pull := items[0].At(f)
		check.Near(t, "up", pull.Force.Y, 15*9.80665, 1e-9)
		dU := fd.Derivative(func(x float64) float64 { return items[0].Energy(at(x)) }, s, &fd.Settings{Formula: fd.Central, Step: 1e-5})
		check.Near(t, "power", r3.Dot(pull.Force, f.Velocity(items[0].Segment, pull.Contact)), -dU, 1e-4)
		check.Near(t, "going up faster", items[0].Moving(f, space.Vec{}, space.Vec{Y: 2}).Force.Y, 15*(9.80665-2), 1e-9)
	}
}

// A carriage pushes the feet by its own weight along the rails, with what they lose, and by the lifter's; sped up it takes both masses
// more.
func TestCarriagePushesByBothWeights(t *testing.T) {
	items, at := pressed("both")
	def := *items[0].Def
	def.Rides = true
	it := load.Build([]setup.Load{def}, at(0).Station, true, at(0), at(1))[0]
	p := it.At(at(0.5))
	check.Near(t, "up", p.Tension, (60*1.05+37.5)*9.80665/2, 1e-9)
	check.Near(t, "down", r3.Norm(p.Lowering), (60*0.95+37.5)*9.80665/2, 1e-9)
	check.Near(t, "share of the plates", it.Varies(), 80.0/195, 1e-12)
	rail := r3.Unit(p.Force) // up the rails, as the lifter goes
	check.Near(t, "sped up", it.Moving(at(0.5), rail, r3.Scale(2, rail)).Tension-p.Tension, 2*(60*1.05+37.5), 1e-9)
}
