package support

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// The least distance of a straight piece to a pad and to another piece is that of the nearest of many points on it.
func TestDistancesAgainstSampling(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 9))
	some := func() space.Vec {
		return space.Vec{X: 2*r.Float64() - 1, Y: 2*r.Float64() - 1, Z: 2*r.Float64() - 1}
	}
	for range 300 {
		pad := body.Pad{Middle: r3.Scale(0.3, some()), Turn: space.Rot(r3.Unit(some()), 3*r.Float64()),
			Half: space.Vec{X: 0.1 + 0.4*r.Float64(), Y: 0.03, Z: 0.15}}
		a, b, p, q := some(), some(), some(), some()
		box, line := math.Inf(1), math.Inf(1)
		back := pad.Turn.Transpose()
		for i := range 2001 {
			at := r3.Add(a, r3.Scale(float64(i)/2000, r3.Sub(b, a)))
			v := back.Apply(r3.Sub(at, pad.Middle))
			x, y, z := math.Abs(v.X)-pad.Half.X, math.Abs(v.Y)-pad.Half.Y, math.Abs(v.Z)-pad.Half.Z
			box = min(box, math.Sqrt(sq(max(0, x))+sq(max(0, y))+sq(max(0, z)))+min(0, max(x, y, z)))
			d, _ := between(at, at, p, q)
			line = min(line, d)
		}
		got, _ := toBox(a, b, &pad)
		check.Near(t, "distance to the pad", got, box, 2e-3)
		d, _ := between(a, b, p, q)
		check.Near(t, "distance between pieces", d, line, 2e-3)
	}
}

// The way round a round thing is two tangents and the arc between them (closed form).
func TestWayRound(t *testing.T) {
	for _, c := range []struct{ half, radius, off float64 }{{0.5, 0.08, 0.02}, {0.3, 0.15, 0.0}, {0.8, 0.05, 0.049}} {
		far := math.Hypot(c.half, c.off)
		tangent := math.Sqrt(far*far - c.radius*c.radius)
		// Seen from the middle: half a turn less both angles from the foot of the straight line to the touching radius.
		arc := 2 * (math.Acos(c.off/far) - math.Acos(c.radius/far))
		want := (2*tangent+c.radius*arc)/(2*c.half) - 1
		got := detour(space.Vec{X: -c.half}, space.Vec{X: c.half}, space.Vec{}, c.radius, c.off)
		check.Near(t, "way round", got, want, 1e-9)
	}
	if got := overEdge(space.Vec{X: -3}, space.Vec{X: 4}, space.Vec{}, 0); got != 0 {
		t.Errorf("nothing in the way, %v longer", got)
	}
	check.Near(t, "over an edge", overEdge(space.Vec{X: -3}, space.Vec{X: 3}, space.Vec{}, 4), 10.0/6-1, 1e-12)
}

// Skin gives by three centimetres; a strand that would run deeper in the body bends round it, or where that is much longer is blocked.
func TestHowDeepAStrandMayLie(t *testing.T) {
	for depth, want := range map[float64]string{-0.02: "clear", -0.005: "close", 0.001: "touches", 0.029: "touches", 0.031: "bends",
		0.1: "bends"} {
		if got := (&Rub{Distance: -depth}).State(); got != want {
			t.Errorf("%g m deep it is %s, want %s", depth, got, want)
		}
	}
	if got := (&Rub{Distance: -0.04, Longer: 0.06}).State(); got != "blocked" {
		t.Errorf("much longer round it is %s", got)
	}
}

// rubsOf are those of one cable from a place, held by an arm that hangs, with a stance and a bench.
func rubsOf(change func(*setup.Document), cols ...Column) []Rub {
	d := setup.Document{Lifter: setup.Lifter{Height: 1.75, BodyMass: 75}, Posture: setup.Posture{Kind: "standing", X: 1},
		Movement: setup.Movement{Kind: "hold", Side: "both", Hold: map[string]float64{"shoulder.planeOfElevationDeg": 90,
			"shoulder.elevationDeg": 80}},
		Loads: []setup.Load{{ID: "c", Kind: setup.Cable, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
			Pulley: &setup.Point{X: 4, Y: 1.4, Z: 0.2}, StackMass: 10, Ratio: 1, Travel: 5}}}
	change(&d)
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	p := movement.New(&d, &b, &st)
	var f body.Frames
	p.Place(0, &f)
	rubs, _ := Clearance(p, load.Build(d.Loads, &st, true, &f, &f), cols, 11, true)
	return rubs
}

func TestWhatStrandsMeet(t *testing.T) {
	for _, c := range []struct {
		name, part, state string
		change            func(*setup.Document)
		cols              []Column
	}{
		{name: "straight ahead", state: "clear", change: func(*setup.Document) {}},
		{name: "crossed", part: "other cable", state: "crosses", change: func(d *setup.Document) { d.Loads[0].Pulley.Z = -0.6 }},
		{name: "a column in between", part: "left column", state: "bends", change: func(*setup.Document) {},
			cols: []Column{{X: 2.5, Z: 0.19, Height: 2, HalfWidth: 0.04, Side: "left"}}},
		{name: "a low column in between", state: "clear", change: func(*setup.Document) {},
			cols: []Column{{X: 2.5, Z: 0.19, Height: 1, HalfWidth: 0.04, Side: "left"}}},
		{name: "through the trunk", part: "trunk", state: "bends", change: func(d *setup.Document) {
			*d.Loads[0].Pulley = setup.Point{X: -1, Y: 1.2, Z: -0.15}
		}},
	} {
		rubs := rubsOf(c.change, c.cols...)
		if len(rubs) == 0 {
			t.Fatalf("%s: no strand was looked at", c.name)
		}
		if r := rubs[0]; r.State() != c.state || (c.part != "" && r.Part != c.part) {
			t.Errorf("%s: %s, %s %.3f m", c.name, r.State(), r.Part, r.Distance)
		}
	}
}

// A pad between pulley and hand is in the way.
func TestStrandAndBench(t *testing.T) {
	rubs := rubsOf(func(d *setup.Document) {
		d.Posture.Kind, d.Bench = "supine", &setup.Bench{}
		d.Movement.Hold["shoulder.planeOfElevationDeg"], d.Movement.Hold["shoulder.elevationDeg"] = 0, 90
		*d.Loads[0].Pulley = setup.Point{X: 0.5, Y: 0.33, Z: -0.5}
	})
	if r := rubs[0]; r.Part != "bench" || r.State() == "clear" {
		t.Errorf("through the bench: %s, %s %.3f m", r.State(), r.Part, r.Distance)
	}
}
