package load_test

import (
	"math/rand/v2"
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

type rig struct {
	b  body.Body
	st body.Station
	p  *movement.Path
	f  body.Frames
}

func newRig() *rig {
	r := &rig{b: body.New(&setup.Lifter{Height: 1.75, BodyMass: 75})}
	r.st = r.b.Settle(&setup.Posture{X: 0.3}, nil, nil)
	m := setup.Movement{Kind: "shoulder-raise", Side: "both", FromDeg: 0, ToDeg: 90}
	r.p = movement.New(&setup.Document{Movement: m}, &r.b, &r.st)
	return r
}

func (r *rig) at(s float64) *body.Frames {
	r.p.Place(s, &r.f)
	return &r.f
}

var grip = setup.Contact{Segment: "hand", At: "grip"}

func cable(change func(*setup.Load)) setup.Load {
	l := setup.Load{ID: "c", Kind: setup.Cable, Side: "right", Contact: grip, Pulley: &setup.Point{X: 0, Y: 0.5, Z: -0.5}, StackMass: 10,
		Ratio: 1, ParkedGap: 0.05, Travel: 1.6}
	change(&l)
	return l
}

func (r *rig) build(l setup.Load) load.Item {
	return load.Build([]setup.Load{l}, &r.st, false, r.at(0), r.at(1))[0]
}

// A mass of 1 kg weighs 9.80665 N (CGPM 1901; ISO 80000-3), straight down wherever it is.
func TestFreeWeight(t *testing.T) {
	r := newRig()
	it := r.build(setup.Load{ID: "d", Kind: setup.Dumbbell, Side: "right", Contact: grip, Mass: 1})
	for _, s := range []float64{0, 0.4, 1} {
		p := it.At(r.at(s))
		if p.Force != (space.Vec{Y: -9.80665}) || p.Lowering != p.Force || p.Contact != r.f.Grip[body.Right] {
			t.Errorf("at %v: %+v", s, p)
		}
	}
}

// The force on the hand points to the pulley and is the stack's weight times the ratio.
func TestCablePull(t *testing.T) {
	r := newRig()
	it := r.build(cable(func(l *setup.Load) { l.Ratio = 0.5 }))
	p := it.At(r.at(0.5))
	check.Near(t, "tension", p.Tension, 5*9.80665, 1e-9)
	toPulley := r3.Unit(r3.Sub(space.Vec{X: 0, Y: 0.5, Z: -0.5}, r.f.Grip[body.Right]))
	check.Near(t, "direction", r3.Dot(r3.Unit(p.Force), toPulley), 1, 1e-12)
	check.Near(t, "lift", p.Lift, 0.5*(r3.Norm(r3.Sub(space.Vec{X: 0, Y: 0.5, Z: -0.5}, r.f.Grip[body.Right]))-0.05), 1e-12)
}

// Friction adds where the cable is drawn out and takes away where it runs back; the other phase is the reverse.
func TestFriction(t *testing.T) {
	r := newRig()
	it := r.build(cable(func(l *setup.Load) { l.Friction = 0.1 }))
	w := 10 * 9.80665
	p := it.At(r.at(0.3)) // the hand rises away from a low pulley on the other side
	check.Near(t, "lifting", p.Tension, 1.1*w, 1e-9)
	check.Near(t, "lowering", r3.Norm(p.Lowering), 0.9*w, 1e-9)
	above := r.build(cable(func(l *setup.Load) { l.Friction, l.Pulley = 0.1, &setup.Point{X: 0.3, Y: 2.4, Z: 0.9} }))
	p = above.At(r.at(0.6)) // the hand rises towards a high pulley: the cable runs back
	check.Near(t, "running back", p.Tension, 0.9*w, 1e-9)
	check.Near(t, "drawn out on the way down", r3.Norm(p.Lowering), 1.1*w, 1e-9)
}

func TestSlackAndToppedOut(t *testing.T) {
	r := newRig()
	slack := r.build(cable(func(l *setup.Load) { l.AttachmentLength = 2 }))
	p := slack.At(r.at(0))
	if p.State != load.Slack || p.Tension != 0 || p.Force != (space.Vec{}) || p.Lift >= 0 {
		t.Errorf("a strap of 2 m leaves the stack at rest: %+v", p)
	}
	short := r.build(cable(func(l *setup.Load) { l.Travel = 0.1 }))
	if p := short.At(r.at(1)); p.State != load.ToppedOut || p.Lift <= 0.1 {
		t.Errorf("a travel of 10 cm is used up: %+v", p)
	}
	good := r.build(cable(func(*setup.Load) {}))
	if p := good.At(r.at(0.5)); p.State != load.Working {
		t.Errorf("an ordinary cable works: %+v", p)
	}
}

// The power of the pull is the loss of potential energy: F · v = -dU/ds, by gonum's finite differences.
func TestEnergyIsWork(t *testing.T) {
	r := newRig()
	random := rand.New(rand.NewPCG(1, 9))
	for range 40 {
		l := cable(func(l *setup.Load) {
			l.Pulley = &setup.Point{X: random.Float64()*2 - 1, Y: random.Float64() * 2.2, Z: random.Float64()*3 - 1.5}
			l.Ratio, l.Travel = 0.25+random.Float64(), 6
		})
		if random.IntN(3) == 0 {
			l = setup.Load{ID: "d", Kind: setup.Dumbbell, Side: "right", Contact: setup.Contact{Segment: "forearm", Fraction: new(0.7)},
				Mass: 1 + 9*random.Float64()}
		}
		it := r.build(l)
		s := 0.1 + 0.8*random.Float64()
		dU := fd.Derivative(func(x float64) float64 { return it.Energy(r.at(x)) }, s, &fd.Settings{Formula: fd.Central, Step: 1e-5})
		p := it.At(r.at(s))
		check.Near(t, "power", r3.Dot(p.Force, r.f.Velocity(it.Segment, p.Contact)), -dU, 1e-5)
	}
}

// A mirrored document pulls on the other hand from the mirrored place.
func TestMirroredLoads(t *testing.T) {
	r := newRig()
	items := load.Build([]setup.Load{cable(func(*setup.Load) {})}, &r.st, true, r.at(0), r.at(1))
	if len(items) != 2 || !items[1].Mirror || items[1].Segment != body.HandL {
		t.Fatalf("two items, the second mirrored: %+v", items)
	}
	f := r.at(0.5)
	a, b := items[0].At(f), items[1].At(f)
	if r3.Norm(r3.Sub(space.MirrorPoint(a.Force), b.Force)) > 1e-9 || r3.Norm(r3.Sub(r.st.Mirror(a.Contact), b.Contact)) > 1e-12 {
		t.Errorf("not mirror images: %+v %+v", a, b)
	}
	check.Near(t, "mirrored pulley", items[1].From.Z, 0.5, 1e-12)
}

// Every kind of load can be built, and none of them makes up a number.
func TestEveryKindIsBuilt(t *testing.T) {
	r := newRig()
	far := &setup.Point{X: -1, Y: 0.4, Z: -0.3}
	for _, name := range load.Kinds(nil) {
		it := r.build(setup.Load{ID: name, Kind: setup.LoadKind(name), Side: "right", Contact: grip, Mass: 5, StackMass: 10, Ratio: 1, Travel: 3,
			StrandLength: 0.4, RestLength: 0.5, Section: 1e-4, Strands: 1, Pulley: far, Anchor: far, Pivot: far, PlateMass: 5,
			PlateRadius: 1, RailDeg: 45,
			Coordinate: "elbow.flexion", PadRadius: 0.2, Cam: []setup.CamPoint{{AngleDeg: 0, Arm: 0.1}, {AngleDeg: 90, Arm: 0.1}}})
		p := it.At(r.at(0.5))
		pulls := r3.Norm(p.Force) > 1
		if free := p.State == load.TooWide || it.OwnBody(); it.Source == nil || pulls == free {
			t.Errorf("%s: %+v", name, p)
		}
	}
}
