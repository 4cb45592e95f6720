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

// spread is two mirrored hands that hold a rope whose strands enclose an angle, degrees, under a pulley in their middle.
func spread(t *testing.T, included float64) (right, left load.Item, f *body.Frames) {
	t.Helper()
	r := newRig()
	f = r.at(0.5)
	g := f.Grip[body.Right]
	l := cable(func(l *setup.Load) {
		l.Kind, l.Travel, l.Pulley = "rope", 20, &setup.Point{X: g.X, Y: g.Y + 9, Z: 0}
		l.StrandLength = g.Z / math.Sin(included/2*math.Pi/180)
	})
	items := load.Build([]setup.Load{l}, &r.st, true, r.at(0), r.at(1))
	return items[0], items[1], r.at(0.5)
}

// Of the cable's tension T each strand carries T/(2 cos(q/2)), and each hand has to hold (T/2) tan(q/2) outward. From 20 to
// 40 degrees included a stack of 40 lb changes each hand by about 1 lb, 4.8%; a short rope that goes from 60 to 120 degrees
// changes it by 73%. Common practice, no source.
func TestStrandLaw(t *testing.T) {
	each := func(q float64) float64 {
		right, left, f := spread(t, q)
		a, b := right.At(f), left.At(f)
		if r3.Norm(r3.Sub(space.MirrorPoint(a.Force), b.Force)) > 1e-9 {
			t.Errorf("at %v degrees the hands differ: %v, %v", q, a.Force, b.Force)
		}
		check.Near(t, "outward", -a.Force.Z, 10*9.80665/2*math.Tan(q/2*math.Pi/180), 1e-9)
		check.Near(t, "up", a.Force.Y, 10*9.80665/2, 1e-9)
		return a.Tension
	}
	check.Near(t, "20 to 40 degrees", each(40)/each(20), 1.048, 0.0005)
	check.Near(t, "of 40 lb, each hand", 40*(each(40)-each(20))/(10*9.80665), 1, 0.1)
	check.Near(t, "60 to 120 degrees", each(120)/each(60), 1.732, 0.0005)
}

// 70.0 kg on a wire that sags 5.0 degrees to each side pull with 3.9 kN: OpenStax College Physics, example 4.6 (from
// memory). The wire's two halves are two strands at 170 degrees.
func TestShallowRopes(t *testing.T) {
	right, _, f := spread(t, 170)
	check.Near(t, "tension", right.At(f).Tension*70/10/1000, 3.9, 0.05)
}

// Hands further apart than the rope is long cannot hold it.
func TestRopeTooShort(t *testing.T) {
	right, _, f := spread(t, 90)
	right.Def.StrandLength = 0.05
	r := newRig()
	items := load.Build([]setup.Load{*right.Def}, &r.st, true, r.at(0), r.at(1))
	if p := items[0].At(f); p.State == load.Working || p.Tension != 0 || r3.Norm(p.Force) != 0 {
		t.Errorf("%+v", p)
	}
}

// elbow is an arm that hangs and bends at the elbow alone.
func elbow(change func(*setup.Load)) (load.Item, func(s float64) *body.Frames) {
	b := body.New(&setup.Lifter{Height: 1.75, BodyMass: 75})
	d := setup.Document{Movement: setup.Movement{Kind: "sweep", Side: "right", Primary: "elbow.flexion", FromDeg: 10, ToDeg: 130}}
	st := b.Settle(&setup.Posture{Kind: "standing"}, nil, nil)
	p := movement.New(&d, &b, &st)
	at := func(s float64) *body.Frames {
		var f body.Frames
		p.Place(s, &f)
		return &f
	}
	share := 0.9
	l := setup.Load{ID: "m", Kind: setup.Cam, Side: "right", Contact: setup.Contact{Segment: "forearm", Fraction: &share}, StackMass: 20,
		Ratio: 0.5, Coordinate: "elbow.flexion",
		PadRadius: 0.2, Cam: []setup.CamPoint{{AngleDeg: 0, Arm: 0.10}, {AngleDeg: 60, Arm: 0.16}, {AngleDeg: 140, Arm: 0.12}}}
	change(&l)
	return load.Build([]setup.Load{l}, &st, false, at(0), at(1))[0], at
}

// In line with the joint, the pad pushes with the machine's torque over its radius, square to the limb, at the pad's
// radius, against the movement; outside its table the cam is flat.
func TestCamInLine(t *testing.T) {
	it, at := elbow(func(*setup.Load) {})
	for s, arm := range map[float64]float64{0: math.NaN(), 50.0 / 120: 0.16, 1: math.NaN()} {
		f := at(s)
		p := it.At(f)
		if !math.IsNaN(arm) {
			check.Near(t, "force", p.Tension, 0.5*20*9.80665*arm/0.2, 1e-9)
		}
		check.Near(t, "square to the forearm", r3.Dot(p.Force, f.Direction(body.ForearmR)), 0, 1e-9)
		check.Near(t, "where it touches", r3.Norm(r3.Sub(p.Contact, f.Joint[body.ElbowR])), 0.2, 1e-9)
		if power := r3.Dot(p.Force, f.Velocity(body.ForearmR, p.Contact)); power >= 0 {
			t.Errorf("at %v the machine helps: %v", s, power)
		}
	}
	flat, at := elbow(func(l *setup.Load) { l.Cam = []setup.CamPoint{{AngleDeg: 60, Arm: 0.1}, {AngleDeg: 70, Arm: 0.15}} })
	check.Near(t, "flat below the table", flat.At(at(0)).Tension, flat.At(at(0.3)).Tension, 1e-9)
	check.Near(t, "flat above it", flat.At(at(1)).Tension, 0.5*20*9.80665*0.15/0.2, 1e-9)
}

// A joint beside the machine's axis: the power of the pad's force is the loss of the stack's energy, by gonum's finite
// differences, and the torque about the joint is another than the machine's.
func TestCamOffItsAxis(t *testing.T) {
	it, at := elbow(func(l *setup.Load) { l.AxisOffset = &setup.Point{X: 0.03, Y: -0.02} })
	plain, _ := elbow(func(*setup.Load) {})
	for _, s := range []float64{0.2, 0.5, 0.8} {
		dU := fd.Derivative(func(x float64) float64 { return it.Energy(at(x)) }, s, &fd.Settings{Formula: fd.Central, Step: 1e-4})
		f := at(s)
		p := it.At(f)
		check.Near(t, "power", r3.Dot(p.Force, f.Velocity(body.ForearmR, p.Contact)), -dU, 1e-4*math.Abs(dU))
		about := func(p load.Pull) float64 { return r3.Norm(r3.Cross(r3.Sub(p.Contact, f.Joint[body.ElbowR]), p.Force)) }
		if math.Abs(about(p)/about(plain.At(f))-1) < 0.01 {
			t.Errorf("at %v the offset changes nothing", s)
		}
	}
	gone, at := elbow(func(l *setup.Load) { l.AxisOffset, l.PadRadius = &setup.Point{Z: 0, Y: 0.3}, 0.05 })
	if p := gone.At(at(0.5)); p.State == load.Working || p.Tension != 0 {
		t.Errorf("a limb that does not reach the pad: %+v", p)
	}
	// An arm that hangs lies along the vertical axis of a machine that is turned by its plane: nothing is pushed.
	hangs, at := elbow(func(l *setup.Load) { l.Coordinate, l.Contact.Segment = "shoulder.planeOfElevation", "upperArm" })
	if p := hangs.At(at(0.5)); p.State != load.OffPad || p.Tension != 0 || math.IsNaN(p.Contact.X+p.Contact.Y+p.Contact.Z) {
		t.Errorf("an arm that hangs: %+v", p)
	}
}

// lever is a rig whose hand turns about a pivot: the arm raised straight about the shoulder, which is where the pivot is.
func lever(change func(*setup.Load)) (load.Item, func(s float64) *body.Frames) {
	r := newRig()
	sh := r.at(0).Joint[body.ShoulderR]
	l := setup.Load{ID: "l", Kind: setup.Lever, Side: "right", Contact: grip, Pivot: &setup.Point{X: sh.X, Y: sh.Y, Z: sh.Z},
		PivotAlong: &setup.Point{X: 1},
		PlateMass:  20, PlateRadius: 0.4, LeverMass: 6, LeverRadius: 0.3, HandleRadius: r.b.ArmLength()}
	change(&l)
	return r.build(l), r.at
}

// A level lever presses on the hand with its weights' moments over the handle's radius, straight down; an upright one with
// nothing; plates beyond the axis lift (closed forms).
func TestLever(t *testing.T) {
	it, at := lever(func(*setup.Load) {})
	b := at(1).Body
	want := 9.80665 * (20*0.4 + 6*0.3) / b.ArmLength()
	p := it.At(at(1)) // the arm level
	check.Vec(t, "level", p.Force, space.Vec{Y: -want})
	p = it.At(at(0)) // hanging
	check.Near(t, "hanging", space.Norm(p.Force), 0, 1e-9)
	up, at := lever(func(l *setup.Load) { l.PlateDeg = 180 })
	p = up.At(at(1))
	check.Vec(t, "beyond the axis", p.Force, space.Vec{Y: 9.80665 * (20*0.4 - 6*0.3) / b.ArmLength()})
	check.Near(t, "none along the lever", r3.Dot(up.At(at(0.6)).Force, r3.Sub(up.At(at(0.6)).Contact, *up.From)), 0, 1e-9)
}

// A bar in a corner needs no axis: in the plane in which it moves it presses like a lever on one.
func TestBarInACorner(t *testing.T) {
	hinged, at := lever(func(*setup.Load) {})
	corner, _ := lever(func(l *setup.Load) { l.PivotAlong = nil })
	for _, s := range []float64{0.2, 0.6, 1} {
		check.Vec(t, "force", corner.At(at(s)).Force, hinged.At(at(s)).Force)
	}
}

// In motion a lever adds its moment of inertia: I θ” / R, square to it (closed form, from rest).
func TestLeverInMotion(t *testing.T) {
	it, at := lever(func(*setup.Load) {})
	f := at(1)
	r := f.Body.ArmLength()
	still := it.At(f)
	moving := it.Moving(f, space.Vec{}, space.Vec{Y: 2}) // up at 2 m/s², so 2/R rad/s²
	inertia := 20*0.4*0.4 + 6*0.3*0.3
	check.Vec(t, "inertia", r3.Sub(moving.Force, still.Force), space.Vec{Y: -inertia * 2 / r / r})
}

// A weight that both hands hold is half a weight in each, and a bar on one cable half its tension, towards the pulley from
// the bar's middle.
func TestSharedByTwoHands(t *testing.T) {
	r := newRig()
	bar := setup.Load{ID: "b", Kind: setup.Bar, Side: "right", Contact: grip, Mass: 30}
	both := load.Build([]setup.Load{bar}, &r.st, true, r.at(0), r.at(1))
	f := r.at(0.4)
	sum := r3.Add(both[0].At(f).Force, both[1].At(f).Force)
	check.Vec(t, "both hands", sum, space.Vec{Y: -30 * 9.80665})
	shared := cable(func(l *setup.Load) { l.Shared, l.Pulley = true, &setup.Point{X: 1.2, Y: 0.3} })
	on := load.Build([]setup.Load{shared}, &r.st, true, r.at(0), r.at(1))
	f = r.at(0.4)
	a, b := on[0].At(f), on[1].At(f)
	check.Vec(t, "alike", a.Force, b.Force)
	check.Near(t, "half each", space.Norm(a.Force), 10*9.80665/2, 1e-9)
	middle := r3.Scale(0.5, r3.Add(f.Grip[0], f.Grip[1]))
	check.Vec(t, "from the middle", r3.Unit(a.Force), r3.Unit(r3.Sub(space.Vec{X: 1.2, Y: 0.3}, middle)))
}

// Wherever the pulley is, the two strands and the cable balance at their junction (the parallelogram of forces, Stevin 1586): together the
// hands feel the cable's whole tension, a strand's pull is along the strand and never a push, and from one strand loose to both tight
// nothing jumps.
func TestStrandsBesideThePulley(t *testing.T) {
	right, left, f := spread(t, 60)
	grips := [2]space.Vec{f.Grip[body.Right], f.Grip[body.Left]}
	middle := r3.Scale(0.5, r3.Add(grips[0], grips[1]))
	before := [2]float64{math.NaN(), math.NaN()}
	loose := 0
	for aside := -6.0; aside <= 6; aside += 0.02 {
		*right.From = r3.Add(middle, space.Vec{X: 0.1, Y: 2.5, Z: aside})
		*left.From = *right.From
		a, b := right.At(f), left.At(f)
		whole := r3.Add(a.Force, b.Force)
		check.Near(t, "both hands together", r3.Norm(whole), 10*9.80665, 1e-9)
		// The cable runs from the junction, which lies a strand's length along each pull, to the pulley.
		for side, p := range [2]load.Pull{a, b} {
			if p.Tension < 1e-9 {
				loose++
				continue
			}
			junction := r3.Add(grips[side], r3.Scale(right.Def.StrandLength/p.Tension, p.Force))
			line := r3.Unit(r3.Sub(*right.From, junction))
			check.Near(t, "in line with the cable", r3.Dot(r3.Unit(whole), line), 1, 1e-9)
			if r3.Dot(p.Force, r3.Sub(*right.From, grips[side])) < 0 {
				t.Errorf("%.2f m aside: strand %d pushes", aside, side)
			}
		}
		if aside > 0.05 && a.Tension >= b.Tension { // the strand on the far side holds more
			t.Errorf("%.2f m to the right the right hand holds %.1f N, the left %.1f", aside, a.Tension, b.Tension)
		}
		for side, p := range [2]load.Pull{a, b} {
			if math.Abs(p.Tension-before[side]) > 0.1*98.0665 {
				t.Errorf("%.2f m aside strand %d jumps from %.1f to %.1f N", aside, side, before[side], p.Tension)
			}
			before[side] = p.Tension
		}
	}
	if loose == 0 {
		t.Error("no strand is ever loose")
	}
}
