package torque_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/diff/fd"
	"gonum.org/v1/gonum/spatial/r3"
)

// postures are ways to be placed in the room, all of them.
var postures = []struct {
	posture setup.Posture
	bench   *setup.Bench
}{
	{setup.Posture{Kind: "standing"}, nil},
	{setup.Posture{Kind: "standing", Feet: "split", Ahead: "left", FeetApart: 0.2}, nil},
	{setup.Posture{Kind: "hinged", KneesDeg: 20, Trunk: setup.Trunk{PitchDeg: 60}}, nil},
	{setup.Posture{Kind: "kneeling"}, nil},
	{setup.Posture{Kind: "half-kneeling", Ahead: "right"}, nil},
	{setup.Posture{Kind: "seated", SeatHeight: 0.5}, nil},
	{setup.Posture{Kind: "seated"}, &setup.Bench{AngleDeg: 75}},
	{setup.Posture{Kind: "supine"}, &setup.Bench{AngleDeg: 15}},
	{setup.Posture{Kind: "prone"}, &setup.Bench{AngleDeg: 45}},
	{setup.Posture{Kind: "side-lying", Down: "left"}, &setup.Bench{AngleDeg: 30, PadUnderBack: 0.12}},
	{setup.Posture{Kind: "leaning", Down: "left"}, &setup.Bench{AngleDeg: 75}},
}

type maker struct{ *rand.Rand }

func (r maker) span(low, high float64) float64 { return low + (high-low)*r.Float64() }

func (r maker) point(low, high float64) *setup.Point {
	return &setup.Point{X: r.span(low, high), Y: r.span(0, 2.2), Z: r.span(low, high)}
}

// anything is a document with any posture, any movement of the arms and up to three loads of any kind on them.
func (r maker) anything() setup.Document {
	place := postures[r.IntN(len(postures))]
	d := setup.Document{Lifter: setup.Lifter{Height: r.span(1.5, 2), BodyMass: r.span(50, 110), CarryingDeg: r.span(0, 15)},
		Posture: place.posture, Bench: place.bench,
		Target: setup.Target{Region: "deltoid.middle"}}
	d.Posture.X, d.Posture.Z, d.Posture.HeadingDeg = r.span(-0.5, 0.5), r.span(-0.3, 0.3), r.span(-180, 180)
	d.Movement.Side = []string{"right", "left", "both"}[r.IntN(3)]
	side := "right"
	if d.Movement.Side == "left" {
		side = "left"
	}
	d.Lifter.Lengths = map[string]float64{"forearm": r.span(0.2, 0.3), "grip": r.span(0.06, 0.1)}
	kind := r.IntN(6)
	for i := range 1 + r.IntN(3) {
		l := r.load(i, side, d.Movement.Side == "both")
		// A machine that turns with a joint fits only where that joint stays in place and alone moves.
		if l.Kind == setup.Cam && (kind < 4 || l.Coordinate != sweeps[kind]) {
			l.Kind = "dumbbell"
		}
		d.Loads = append(d.Loads, l)
	}
	r.move(&d, side, kind)
	return d
}

// sweeps are the coordinates of the kinds of movement that sweep one.
var sweeps = map[int]string{4: "elbow.flexion", 5: "shoulder.elevation"}

// load is a random load on an arm.
func (r maker) load(i int, side string, both bool) setup.Load {
	share := r.Float64()
	contact := []setup.Contact{{Segment: "hand", At: "grip"}, {Segment: "forearm", At: "wrist"}, {Segment: "upperArm", Fraction: &share},
		{Segment: "forearm", Fraction: &share}}[r.IntN(4)]
	l := setup.Load{ID: fmt.Sprint(i), Side: side, Contact: contact, Mass: r.span(1, 20), Pulley: r.point(-1.5, 1.5), StackMass: r.span(2, 30),
		Ratio: r.span(0.25, 1), Travel: 9,
		Anchor: r.point(-1, 1), RestLength: r.span(0.2, 0.5), Section: 40e-6, Strands: 1}
	l.Kind = []setup.LoadKind{"dumbbell", "cable", "band", "cam", "lever", "bar", "rope", "cable"}[r.IntN(8)]
	switch {
	case !both && (l.Kind == setup.Bar || l.Kind == setup.Rope):
		l.Kind = "cable"
	case l.Kind == setup.Bar || l.Kind == setup.Rope:
		l.Contact, l.StrandLength = setup.Contact{Segment: "hand", At: "grip"}, 3
	case l.Kind == setup.Cable && both && r.IntN(2) == 0:
		l.Contact, l.Shared = setup.Contact{Segment: "hand", At: "grip"}, true
	case l.Kind == setup.Cam:
		l.Coordinate, l.PadRadius, l.Contact = []string{"elbow.flexion", "shoulder.elevation"}[r.IntN(2)], r.span(0.15, 0.25),
			setup.Contact{Segment: "forearm", At: "wrist"}
		if l.Coordinate == "shoulder.elevation" {
			l.Contact = setup.Contact{Segment: "upperArm", Fraction: &share}
		}
		l.Cam = []setup.CamPoint{{AngleDeg: -20, Arm: 0.1}, {AngleDeg: 40, Arm: 0.2}, {AngleDeg: 150, Arm: 0.12}}
		l.AxisOffset = &setup.Point{X: r.span(-0.02, 0.02), Y: r.span(-0.02, 0.02), Z: r.span(-0.02, 0.02)}
	case l.Kind == setup.Lever:
		l.Pivot, l.PlateMass, l.PlateRadius, l.LeverMass, l.LeverRadius = r.point(-1.5, 1.5), 20, 0.6, 8, 0.4
		if r.IntN(2) == 0 {
			l.PivotAlong, l.PlateDeg = &setup.Point{X: r.NormFloat64(), Y: r.NormFloat64(), Z: r.NormFloat64()}, r.span(-90, 90)
		}
	}
	return l
}

// move gives the document a random movement of the arm.
func (r maker) move(d *setup.Document, side string, kind int) {
	turned, bent := r.span(-60, 60), r.span(-20, 20) // no torque is told for forearm and wrist, so they stay as they are
	spine := r.IntN(2) == 0 && kind != 0 && kind != 3
	pose := func() map[string]float64 {
		q := map[string]float64{"shoulder.elevationDeg": r.span(20, 120), "shoulder.planeOfElevationDeg": r.span(-10, 90),
			"shoulder.rotationDeg": r.span(-50, 50),
			"elbow.flexionDeg":     r.span(20, 110), "forearm.pronationDeg": turned, "wrist.flexionDeg": bent,
			"girdle.elevationDeg": r.span(-5, 20), "girdle.protractionDeg": r.span(-10, 20)}
		if spine {
			q["trunk.flexionDeg"] = r.span(-20, 50)
		}
		if spine && d.Movement.Side != "both" {
			q["trunk.bendDeg"], q["trunk.rotationDeg"] = r.span(-25, 25), r.span(-40, 40)
		}
		return q
	}
	m := &d.Movement
	m.Hold = map[string]float64{}
	switch {
	case kind == 0: // the hand on a line before the body
		m.Kind = "guided"
		b, st := settled(d)
		f := frames(d, b, st, pose())
		g := f.Grip[body.SideOf(side)]
		end := r3.Add(g, r3.Scale(0.1, space.Vec{X: r.NormFloat64(), Y: r.NormFloat64(), Z: r.NormFloat64()}))
		m.Guide = &setup.Guide{Kind: "line", Start: setup.Point(g), End: new(setup.Point(end)), SwivelDeg: r.span(10, 80),
			SwivelTo: r.span(10, 80)}
		m.Hold["girdle.protractionDeg"] = r.span(0, 10)
	case sweeps[kind] != "":
		m.Kind, m.Primary, m.FromDeg, m.ToDeg, m.Hold = "sweep", sweeps[kind], 20, r.span(80, 120), pose()
		delete(m.Hold, sweeps[kind]+"Deg")
	default:
		m.Kind = "keyframes"
		for _, s := range []float64{0, r.span(0.3, 0.7), 1} {
			m.Keyframes = append(m.Keyframes, setup.Keyframe{S: s, Pose: pose()})
		}
		m.NoSpin = kind == 2
		if strand := d.Loads[0]; kind == 3 && (strand.Kind == setup.Cable || strand.Kind == setup.Band) {
			m.InLine = strand.ID
		}
	}
}

func settled(d *setup.Document) (*body.Body, *body.Station) {
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	return &b, &st
}

// frames is the body with both arms in one pose.
func frames(d *setup.Document, b *body.Body, st *body.Station, pose map[string]float64) *body.Frames {
	hold := setup.Document{Lifter: d.Lifter, Movement: setup.Movement{Kind: "hold", Side: d.Movement.Side, Hold: pose}}
	var f body.Frames
	movement.New(&hold, b, st).Place(0, &f)
	return &f
}

// power is what the joints do against loads and weights per unit s: -t · w over all joints of both sides, with w the
// angular velocity of the far side against the near one, the shoulder's against the girdle.
func power(in *torque.Input, f *body.Frames) float64 {
	sum := 0.0
	for j := range body.Joint(body.NumJoints) {
		spin := f.Spin[j]
		if j == body.TrunkL { // the one that both sides have
			continue
		}
		if j.Name() == "shoulder" {
			spin = r3.Sub(spin, f.Spin[j-1])
		}
		if in.Station.Root == body.OnHands && !j.Leg() || (in.Station.Root == body.OnFeet && in.Station.LegsMove && j.Leg()) {
			spin = r3.Scale(-1, spin)
		}
		sum -= r3.Dot(everything(in, f, j), spin)
	}
	return sum
}

func energy(in *torque.Input, f *body.Frames) float64 {
	u := 0.0
	for seg, m := range in.Body.Masses {
		u += m * load.Gravity * f.COM[seg].Y
	}
	for k := range in.Items {
		u += in.Items[k].Energy(f)
	}
	return u
}

func workBalance(t *testing.T, d *setup.Document, s float64) {
	t.Helper()
	in := input(d, 2)
	if in.Path.Misses(s) > 0 {
		return
	}
	var f body.Frames
	in.Path.Place(s, &f)
	for k := range in.Items {
		if p := in.Items[k].At(&f); p.State != load.Working {
			return
		}
	}
	want := fd.Derivative(func(s float64) float64 { in.Path.Place(s, &f); return energy(in, &f) }, s,
		&fd.Settings{Formula: fd.Central, Step: 1e-4})
	in.Path.Place(s, &f)
	got := power(in, &f)
	if math.Abs(got-want) > 2e-3*math.Max(1, math.Abs(want)) {
		t.Errorf("%s %s %v: power of the joints %v, change of energy %v", d.Posture.Kind, d.Movement.Kind, kindsOf(d), got, want)
	}
}

func kindsOf(d *setup.Document) (out []setup.LoadKind) {
	for _, l := range d.Loads {
		out = append(out, l.Kind)
	}
	return out
}

// Virtual work over every posture, movement and kind of load: the work of the joints is the change of the potential
// energy of loads and segments, by gonum's finite differences.
func TestWorkOfEverything(t *testing.T) {
	r := maker{rand.New(rand.NewPCG(71, 72))}
	for range 600 {
		d := r.anything()
		workBalance(t, &d, r.span(0.1, 0.9))
	}
}

// legs is a document whose legs move: seated with one knee or both, or standing with both legs together.
func (r maker) legs() setup.Document {
	d := setup.Document{Lifter: setup.Lifter{Height: r.span(1.5, 2), BodyMass: r.span(50, 110)},
		Target:  setup.Target{Region: "quadriceps", Joint: "knee"},
		Posture: setup.Posture{HeadingDeg: r.span(-180, 180), X: r.span(-1, 1)}}
	share := r.span(0.3, 0.9)
	d.Loads = []setup.Load{{ID: "a", Side: "right", Kind: "cable", Contact: setup.Contact{Segment: "shank", At: "ankle"},
		Pulley: r.point(-1, 1), StackMass: 20, Ratio: 1, Travel: 9},
		{ID: "b", Side: "right", Kind: "band", Contact: setup.Contact{Segment: "thigh", Fraction: &share}, Anchor: r.point(-1, 1),
			RestLength: 0.3, Section: 40e-6, Strands: 2}}
	if r.IntN(2) == 0 {
		d.Posture.Kind = "seated"
		d.Movement = setup.Movement{Kind: "keyframes", Side: []string{"right", "left", "both"}[r.IntN(3)]}
		if d.Movement.Side == "left" {
			d.Loads[0].Side, d.Loads[1].Side = "left", "left"
		}
		for _, s := range []float64{0, 0.4, 1} {
			d.Movement.Keyframes = append(d.Movement.Keyframes, setup.Keyframe{S: s, Pose: map[string]float64{"hip.flexionDeg": r.span(20, 100),
				"hip.abductionDeg": r.span(-10, 30),
				"hip.rotationDeg":  r.span(-20, 20), "knee.flexionDeg": r.span(0, 110), "ankle.flexionDeg": r.span(-10, 20)}})
		}
		if d.Movement.Side != "both" { // the other leg goes its own way
			d.Movement.Other = &setup.OtherSide{Start: map[string]float64{"hip.flexionDeg": r.span(20, 100), "knee.flexionDeg": r.span(0, 110)},
				End: map[string]float64{"knee.flexionDeg": r.span(0, 110)}}
		}
		return d
	}
	d.Posture.Kind = "standing"
	d.Movement = setup.Movement{Kind: "keyframes", Side: "both"}
	for _, s := range []float64{0, 0.4, 1} {
		d.Movement.Keyframes = append(d.Movement.Keyframes, setup.Keyframe{S: s, Pose: map[string]float64{"hip.flexionDeg": r.span(20, 100),
			"knee.flexionDeg": r.span(0, 110), "ankle.flexionDeg": r.span(-10, 30), "shoulder.elevationDeg": r.span(0, 90),
			"elbow.flexionDeg": r.span(10, 120)}})
	}
	d.Loads = append(d.Loads, setup.Load{ID: "c", Side: "right", Kind: "bar", Mass: 40, Contact: setup.Contact{Segment: "trunk",
		At: "shoulders"}},
		setup.Load{ID: "d", Side: "right", Kind: "dumbbell", Mass: 8, Contact: setup.Contact{Segment: "hand", At: "grip"}},
		setup.Load{ID: "own", Side: "right", Kind: "bodyweight"})
	// A strand on the trunk has to lie in the middle for the legs to share it evenly.
	heading := space.RotY(space.Rad(d.Posture.HeadingDeg))
	ahead := r3.Add(space.Vec{X: d.Posture.X}, heading.Apply(space.Vec{X: r.span(-2, 2), Y: r.span(0, 1)}))
	d.Loads = append(d.Loads, setup.Load{ID: "e", Side: "right", Kind: "band", Contact: setup.Contact{Segment: "trunk", At: "waist"},
		Anchor: new(setup.Point(ahead)), RestLength: 0.3, Section: 60e-6, Strands: 1})
	return d
}

// The same for legs, on a seat and on standing feet, where the ground's push is counted from the feet.
func TestWorkOfTheLegs(t *testing.T) {
	r := maker{rand.New(rand.NewPCG(73, 74))}
	for range 200 {
		d := r.legs()
		workBalance(t, &d, r.span(0.1, 0.9))
	}
}

// On the hands, shoulders and elbows lift the body, and all of the work is theirs: the grips turn freely.
func TestWorkOnTheHands(t *testing.T) {
	d := setup.Document{Lifter: setup.Lifter{Height: 1.75, BodyMass: 75}, Target: setup.Target{Region: "pectoralis.costal"},
		Posture: setup.Posture{Kind: "standing", Root: "hands"}, Loads: []setup.Load{{ID: "own", Kind: setup.Bodyweight, Side: "right"},
			{ID: "belt", Kind: setup.Dumbbell, Mass: 10, Side: "right", Contact: setup.Contact{Segment: "trunk", At: "waist"}}}}
	d.Movement = setup.Movement{Kind: "guided", Side: "both", Guide: &setup.Guide{Kind: "line", SwivelDeg: 10,
		Relative: true, Start: setup.Point{Y: -0.25, Z: 0.06}, End: &setup.Point{Y: -0.55, Z: 0.06}}}
	in := input(&d, 2)
	var f body.Frames
	in.Path.Place(0, &f)
	hands := f.Grip[body.Right]
	for _, s := range []float64{0.1, 0.4, 0.8} {
		want := fd.Derivative(func(s float64) float64 { in.Path.Place(s, &f); return energy(in, &f) }, s,
			&fd.Settings{Formula: fd.Central, Step: 1e-4})
		in.Path.Place(s, &f)
		check.Vec(t, "the hands stay", f.Grip[body.Right], hands)
		if want < 100 {
			t.Errorf("the body does not rise: %v", want)
		}
		check.Near(t, "power", power(in, &f), want, 1e-4*want)
	}
}

// Somebody who hangs and lifts the legs swings under the hands: these stay, the centre of mass is straight below them, and what shoulders,
// trunk, hips and knees do is the change of energy. On the hands it is straight above.
func TestWorkOfAHang(t *testing.T) {
	r := maker{rand.New(rand.NewPCG(75, 76))}
	for k := range 60 {
		d := setup.Document{Lifter: setup.Lifter{Height: r.span(1.5, 2), BodyMass: r.span(50, 110)}, Target: setup.Target{Region: "abdominals", Joint: "trunk"},
			Posture: setup.Posture{Kind: "standing", Root: "hands", HeadingDeg: r.span(-180, 180), Trunk: setup.Trunk{PitchDeg: r.span(-10, 10)}},
			Loads:   []setup.Load{{ID: "own", Kind: setup.Bodyweight, Side: "right"}}, Movement: setup.Movement{Kind: "keyframes", Side: "both"}}
		for _, s := range []float64{0, 0.5, 1} {
			d.Movement.Keyframes = append(d.Movement.Keyframes, setup.Keyframe{S: s, Pose: map[string]float64{"hip.flexionDeg": r.span(0, 110),
				"knee.flexionDeg": r.span(0, 100), "trunk.flexionDeg": r.span(-10, 45), "shoulder.elevationDeg": r.span(140, 170),
				"shoulder.planeOfElevationDeg": 90, "elbow.flexionDeg": r.span(5, 60)}})
		}
		if k%2 == 1 {
			d.Posture.Kind = "handstand"
		}
		in := input(&d, 2)
		var f body.Frames
		in.Path.Place(0, &f)
		hands := f.Grip[body.Right]
		s := r.span(0.1, 0.9)
		want := fd.Derivative(func(s float64) float64 { in.Path.Place(s, &f); return energy(in, &f) }, s,
			&fd.Settings{Formula: fd.Central, Step: 1e-4})
		in.Path.Place(s, &f)
		check.Vec(t, "the hands stay", f.Grip[body.Right], hands)
		below := r3.Sub(f.CentreOfMass(), f.Grip[body.Right])
		place := f.Joint[body.KneeR]
		got := f.Velocity(body.ShankR, place)
		const step = 1e-5
		in.Path.Place(s+step, &f)
		ahead := f.Joint[body.KneeR]
		in.Path.Place(s-step, &f)
		check.Near(t, "the knee's velocity", space.Norm(r3.Sub(got, r3.Scale(1/(2*step), r3.Sub(ahead, f.Joint[body.KneeR])))), 0, 1e-4)
		in.Path.Place(s, &f)
		check.Near(t, "the centre of mass is in line with them", r3.Dot(below, f.Station.Heading.Apply(space.X)), 0, 1e-9)
		if above := below.Y > 0; above != (k%2 == 1) {
			t.Errorf("%s: the centre of mass is %.2f m above the hands", d.Posture.Kind, below.Y)
		}
		check.Near(t, "power", power(in, &f), want, 1e-4*math.Max(1, math.Abs(want)))
	}
}

// A carriage that bears the back: the feet stay, and hips, knees and ankles do the change of energy of carriage and body, whatever the
// slope.
func TestWorkOnACarriage(t *testing.T) {
	r := maker{rand.New(rand.NewPCG(77, 78))}
	for range 40 {
		slope := r.span(40, 75)
		d := setup.Document{Lifter: setup.Lifter{Height: r.span(1.5, 2), BodyMass: r.span(50, 110)}, Target: setup.Target{Region: "quadriceps", Joint: "knee"},
			Posture: setup.Posture{Kind: "supine", HeadingDeg: r.span(-180, 180)}, Bench: &setup.Bench{AngleDeg: slope, Height: 0.7},
			Movement: setup.Movement{Kind: "sweep", Side: "both", Primary: "knee.flexion", FromDeg: 100, ToDeg: 20},
			Loads: []setup.Load{{ID: "sled", Kind: setup.Sled, Side: "right", Contact: setup.Contact{Segment: "foot", At: "sole"}, Rides: true,
				PlateMass: r.span(0, 150), LeverMass: 30, RailDeg: slope, PlateDeg: 15, SoleUp: r.span(0, 0.2)}}}
		in := input(&d, 2)
		var f body.Frames
		in.Path.Place(0, &f)
		sole := f.Sole(body.Right, false)
		s := r.span(0.1, 0.9)
		want := fd.Derivative(func(s float64) float64 { in.Path.Place(s, &f); return energy(in, &f) }, s,
			&fd.Settings{Formula: fd.Central, Step: 1e-4})
		in.Path.Place(s, &f)
		check.Vec(t, "the feet stay", f.Sole(body.Right, false), sole)
		if want < 100 {
			t.Errorf("the lifter does not rise: %v", want)
		}
		check.Near(t, "power", power(in, &f), want, 1e-4*want)
	}
}
