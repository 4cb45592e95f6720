package reference

import (
	"fmt"
	"maps"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/mat"
	"gonum.org/v1/gonum/spatial/r3"
)

// stand is somebody at rest whose legs carry the body on an end that stays in place, as a tree of bodies that is rooted there, with the
// forces of what else carries as strands of one newton each: how large they are follows from what the tree must not need.
type stand struct {
	name  string
	tree  physics
	units []strand
	free  []int           // hinges that give nothing
	want  map[int]float64 // torque of hinges, N·m
	extra func(totals []float64) ([]float64, float64)
}

// The hinges of a leg that carries, from the ground up.
const (
	atGround = iota
	atAnkle
	atKnee
	atSide
	atHip
)

// carrying makes the tree of a leg that carries: the ground under what is pressed on, foot, shin, thigh, and everything else as points
// on the pelvis. Of two legs that are alike each carries half.
func carrying(in *torque.Input, f *body.Frames, base space.Vec, alone bool, d *setup.Document) physics {
	b := in.Body
	back := f.Station.Heading.Transpose()
	turn := back.Mul(&f.Turn[body.FootR])
	p := physics{Gravity: load.Gravity, Strands: []strand{}}
	q := &f.Pose[body.Right]
	p.Angles = []float64{0, -q[setup.AnkleFlexion], q[setup.KneeFlexion], q[setup.HipAbduction], -q[setup.HipFlexion]}
	p.Rates, p.Accelerations = make([]float64, 5), make([]float64, 5)
	upright := [4]float64{1, 0, 0, 0}
	z := [][3]float64{{0, 0, 1}}
	up := func(y float64) [3]float64 { return [3]float64{0, y, 0} }
	p.Bodies = []physicsBody{
		{Parent: -1, At: xyz(base), Quat: quaternion(&f.Station.Heading), Hinges: z, Mass: 1e-13, Inertia: [3]float64{1e-12, 1e-12, 1e-12}},
		{Parent: 0, At: xyz(back.Apply(r3.Sub(f.Origin[body.FootR], base))), Quat: quaternion(&turn), Mass: b.Masses[body.FootR],
			COM: [3]float64{0.25 * b.FootLength, -b.AnkleH / 2, 0}, Inertia: rod(b.Masses[body.FootR], b.FootLength)},
		{Parent: 1, Quat: upright, Hinges: z, Mass: b.Masses[body.ShankR], COM: up(0.567 * b.Shank()),
			Inertia: rod(b.Masses[body.ShankR], b.Shank())},
		{Parent: 2, At: up(b.Shank()), Quat: upright, Hinges: z, Mass: b.Masses[body.ThighR], COM: up(0.567 * b.Thigh()),
			Inertia: rod(b.Masses[body.ThighR], b.Thigh())},
		{Parent: 3, At: up(b.Thigh()), Quat: upright, Hinges: [][3]float64{{1, 0, 0}, {0, 0, 1}}, Mass: 1e-13,
			Inertia: [3]float64{1e-12, 1e-12, 1e-12}},
	}
	for i := range p.Bodies {
		p.Bodies[i].Points, p.Bodies[i].Sites = []pointMass{}, []site{}
		if p.Bodies[i].Hinges == nil {
			p.Bodies[i].Hinges = [][3]float64{}
		}
	}
	pelvis := &p.Bodies[4]
	trunk := f.Turn[body.Pelvis].Transpose()
	local := func(v space.Vec) [3]float64 { return xyz(trunk.Apply(r3.Sub(v, f.Joint[body.HipR]))) }
	hang := func(mass float64, at space.Vec) { pelvis.Points = append(pelvis.Points, pointMass{local(at), mass}) }
	for seg := range body.Segment(body.NumSegments) {
		switch right, left := seg >= body.UpperArmR && seg < body.UpperArmL, seg >= body.UpperArmL; {
		case slices.Contains(body.Beyond[body.HipR], seg):
		case !right && !left && !alone:
			hang(b.Masses[seg]/2, f.COM[seg])
		case left && !alone:
		default:
			hang(b.Masses[seg], f.COM[seg])
		}
	}
	for i := range d.Loads {
		l := &d.Loads[i]
		at, share := f.Grip[body.SideOf(l.Side)], 1.0
		if l.Contact.Segment == "trunk" {
			at = f.Origin[body.Pelvis]
			switch l.Contact.At {
			case "shoulders":
				at = r3.Add(f.Origin[body.Head], f.Turn[body.Pelvis].Apply(space.Vec{X: -0.03 * b.Height}))
			case "pelvis":
				at = r3.Add(at, f.Turn[body.Pelvis].Apply(space.Vec{X: 0.075 * b.Height}))
			}
			if !alone {
				share = 0.5
			}
		}
		hang(share*l.Mass, at)
	}
	return p
}

// pushed adds a strand of one newton that pulls a place of the pelvis, or of another body of the tree, in a direction.
func pushed(p *physics, on int, local space.Vec, at, direction space.Vec) strand {
	name := fmt.Sprintf("push%d", len(p.Bodies[on].Sites))
	p.Bodies[on].Sites = append(p.Bodies[on].Sites, site{name, xyz(local)})
	return strand{From: xyz(r3.Add(at, r3.Scale(10, direction))), To: name, Tension: 1}
}

// needed is what the core says that the muscles have to give about the hinges of a leg that carries.
func needed(in *torque.Input, f *body.Frames, s float64, which ...int) map[int]float64 {
	out := map[int]float64{}
	for _, k := range which {
		joint := map[int]body.Joint{atAnkle: body.AnkleR, atKnee: body.KneeR, atSide: body.HipR, atHip: body.HipR}[k]
		axis := map[int]space.Vec{atAnkle: f.Turn[body.ShankR].Apply(space.Z), atKnee: f.Turn[body.ThighR].Apply(space.Z),
			atSide: f.Turn[body.ThighR].Apply(space.X), atHip: f.Turn[body.Pelvis].Apply(space.Z)}[k]
		out[k] = -r3.Dot(torque.InMotion(in, joint, s, 0, 0), axis)
	}
	return out
}

// lifter is a random one with something heavy.
func standing(r *rand.Rand, p setup.Posture, side string, coordinates map[string][2]float64) setup.Document {
	span := func(low, high float64) float64 { return low + (high-low)*r.Float64() }
	d := setup.Document{Lifter: setup.Lifter{Height: span(1.5, 2), BodyMass: span(50, 110)}, Posture: p,
		Movement: setup.Movement{Kind: "keyframes", Side: side}, Target: setup.Target{Region: "quadriceps", Joint: "knee"}}
	d.Posture.X, d.Posture.Z, d.Posture.HeadingDeg = span(-1, 1), span(-1, 1), span(-180, 180)
	poses := [2]map[string]float64{{}, {}}
	for key, within := range coordinates {
		for i := range poses {
			poses[i][key] = span(within[0], within[1])
		}
	}
	for i := range poses {
		for key, deg := range map[string]float64{"shoulder.elevationDeg": span(0, 90), "shoulder.planeOfElevationDeg": span(0, 90), "elbow.flexionDeg": span(0, 90)} {
			poses[i][key] = deg
		}
		d.Movement.Keyframes = append(d.Movement.Keyframes, setup.Keyframe{S: float64(i), Pose: poses[i]})
	}
	d.Loads = []setup.Load{{ID: "right", Kind: setup.Dumbbell, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}, Mass: span(1, 40)},
		{ID: "trunk", Kind: setup.Bar, Side: "right", Contact: setup.Contact{Segment: "trunk", At: []string{"shoulders", "pelvis"}[r.IntN(2)]}, Mass: span(1, 120)}}
	return d
}

// placed makes a document of both sides, or of one, ready at a place along its path.
func placed(d *setup.Document, s float64) (*torque.Input, *body.Frames) {
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	path := movement.New(d, &b, &st)
	var f, end body.Frames
	path.Place(1, &end)
	path.Place(s, &f)
	return &torque.Input{Body: &b, Station: &st, Path: path, Items: load.Build(d.Loads, &st, path.Both(), &f, &end),
		Joint: body.KneeR, Samples: 5}, &f
}

// upright is straight up.
var upright = space.Y

var knees = map[string][2]float64{"hip.flexionDeg": {5, 100}, "knee.flexionDeg": {5, 110}, "ankle.flexionDeg": {-15, 30}}

// stands are makers of the kinds, each with the hinges at which the core and the tree are compared.
var stands = map[string]func(r *rand.Rand) stand{
	"both feet": func(r *rand.Rand) stand {
		d := standing(r, setup.Posture{Kind: "standing"}, "both", knees)
		s := r.Float64()
		in, f := placed(&d, s)
		return stand{tree: carrying(in, f, f.Origin[body.FootR], false, &d), want: needed(in, f, s, atAnkle, atKnee, atHip)}
	},
	"balls of the feet": func(r *rand.Rand) stand {
		d := standing(r, setup.Posture{Kind: "standing", HeelsFree: true, Riser: 0.1 * r.Float64()}, "both", knees)
		s := r.Float64()
		in, f := placed(&d, s)
		return stand{tree: carrying(in, f, f.Ball(body.Right), false, &d), want: needed(in, f, s, atAnkle, atKnee, atHip)}
	},
	"one foot": func(r *rand.Rand) stand {
		c := map[string][2]float64{"hip.flexionDeg": {5, 80}, "knee.flexionDeg": {5, 80}, "hip.abductionDeg": {-12, 5}, "ankle.flexionDeg": {-10, 25}}
		d := standing(r, setup.Posture{Kind: "standing", Root: "foot", Stands: "right", HeelsFree: r.IntN(2) == 0}, "right", c)
		d.Loads = append(d.Loads, setup.Load{ID: "left", Kind: setup.Dumbbell, Side: "left", Contact: setup.Contact{Segment: "hand", At: "grip"}, Mass: 5})
		hip := -20 + 120*r.Float64() // of the free leg, which swings
		d.Movement.Other = &setup.OtherSide{Start: map[string]float64{"hip.flexionDeg": hip, "knee.flexionDeg": 90 * r.Float64()},
			End: map[string]float64{"hip.flexionDeg": hip - 40}}
		s := r.Float64()
		in, f := placed(&d, s)
		return stand{tree: carrying(in, f, f.Pressure(body.Right), true, &d), want: needed(in, f, s, atAnkle, atKnee, atSide, atHip)}
	},
	"back on an edge": func(r *rand.Rand) stand {
		d := standing(r, setup.Posture{Kind: "supine", Root: "shoulders"}, "both", map[string][2]float64{"hip.flexionDeg": {0, 60}})
		d.Bench = &setup.Bench{Height: 0.2 + 0.2*r.Float64()}
		s := r.Float64()
		in, f := placed(&d, s)
		p := carrying(in, f, f.Pressure(body.Right), false, &d)
		out := stand{tree: p, want: needed(in, f, s, atAnkle, atKnee, atHip), free: []int{atGround}}
		out.onPelvis(f, f.Station.Edge, upright)
		return out
	},
	"one foot ahead": func(r *rand.Rand) stand {
		d := standing(r, setup.Posture{Kind: "standing", Feet: "split", Stagger: 0.6 + 0.3*r.Float64(), FrontShare: 0.5 + 0.3*r.Float64()}, "right",
			map[string][2]float64{"hip.flexionDeg": {20, 90}, "knee.flexionDeg": {20, 95}})
		s := r.Float64()
		in, f := placed(&d, s)
		front, rear := f.Pressure(body.Right), f.Behind()
		out := stand{tree: carrying(in, f, front, true, &d), want: needed(in, f, s, atAnkle, atKnee, atHip), free: []int{atGround}}
		ahead := f.Station.Heading.Apply(space.X)
		out.onPelvis(f, rear, upright)
		out.onPelvis(f, rear, ahead)
		// The legs lean on each other: of what the front foot bears, V upward, V (its distance ahead of the body's centre of mass) / stature
		// goes backward on the body, and as much forward at the rear foot.
		weight := d.Lifter.BodyMass + d.Loads[0].Mass + d.Loads[1].Mass
		lean := r3.Dot(r3.Sub(front, f.CentreOfMass()), ahead) / d.Lifter.Height
		out.extra = func([]float64) ([]float64, float64) { return []float64{lean, 1}, lean * weight * load.Gravity }
		return out
	},
	"thighs on a pad": func(r *rand.Rand) stand {
		d := standing(r, setup.Posture{Kind: "prone", Root: "thighs"}, "both", map[string][2]float64{"hip.flexionDeg": {0, 90}})
		d.Bench = &setup.Bench{AngleDeg: 60 * r.Float64(), Height: 0.9}
		s := r.Float64()
		in, f := placed(&d, s)
		return stand{tree: carrying(in, f, f.Origin[body.FootR], false, &d), want: needed(in, f, s, atHip)}
	},
	"knees": func(r *rand.Rand) stand {
		d := standing(r, setup.Posture{Kind: "kneeling"}, "both", map[string][2]float64{"hip.flexionDeg": {0, 60}, "knee.flexionDeg": {40, 130}})
		s := r.Float64()
		in, f := placed(&d, s)
		return stand{tree: carrying(in, f, f.Origin[body.FootR], false, &d), want: needed(in, f, s, atKnee, atHip)}
	},
}

// pelvisRooted is the tree of a leg from the pelvis outward, for somebody who sits.
func pelvisRooted(f *body.Frames, d *setup.Document) physics {
	t := trial{physics: physics{Gravity: load.Gravity}}
	t.legBodies(f, &setup.Document{})
	q := &f.Pose[body.Right]
	t.Angles = []float64{q[setup.HipFlexion], q[setup.HipAbduction], q[setup.HipRotation], q[setup.KneeFlexion], q[setup.AnkleFlexion]}
	t.Rates, t.Accelerations = make([]float64, 5), make([]float64, 5)
	for i := range d.Loads {
		if l := &d.Loads[i]; l.Contact.Segment == "thigh" { // half of a bar over both
			t.Bodies[0].Points = append(t.Bodies[0].Points, pointMass{[3]float64{0, -*l.Contact.Fraction * f.Body.Thigh(), 0}, l.Mass / 2})
		}
	}
	return t.physics
}

// seats are makers of what is done sitting: a sled on its rails, and a heel raised under a bar on the thighs.
var seats = map[string]func(r *rand.Rand) stand{
	"sled": func(r *rand.Rand) stand {
		d := standing(r, setup.Posture{Kind: "seated"}, "both", map[string][2]float64{"knee.flexionDeg": {10, 100}})
		d.Bench = &setup.Bench{AngleDeg: 60 * r.Float64(), Height: 0.4}
		l := setup.Load{ID: "sled", Kind: setup.Sled, Side: "right", Contact: setup.Contact{Segment: "foot", At: "sole"}, PlateMass: 200 * r.Float64(),
			LeverMass: 40, RailDeg: 15 + 70*r.Float64(), PlateDeg: 20 * r.Float64(), SoleUp: -0.1 + 0.3*r.Float64(), Friction: 0.1 * r.Float64()}
		d.Loads = []setup.Load{l}
		s := r.Float64()
		in, f := placed(&d, s)
		out := stand{tree: pelvisRooted(f, &d), want: map[int]float64{}}
		rise := space.Rad(l.RailDeg)
		rail := f.Station.Heading.Apply(space.Vec{X: math.Cos(rise), Y: math.Sin(rise)})
		sole := space.Vec{X: 0.2 * in.Body.FootLength, Y: -in.Body.AnkleH}
		push := pushed(&out.tree, 2, sole, r3.Add(f.Origin[body.FootR], f.Turn[body.FootR].Apply(sole)), r3.Scale(-1, rail))
		push.Tension = (l.PlateMass + l.LeverMass) / 2 * load.Gravity * math.Sin(rise) * (1 + l.Friction)
		out.tree.Strands = []strand{push}
		z := f.Turn[body.Pelvis].Apply(space.Z)
		for h, j := range map[int]body.Joint{0: body.HipR, 3: body.KneeR, 4: body.AnkleR} {
			out.want[h] = -r3.Dot(torque.InMotion(in, j, s, 0, 0), z)
		}
		out.want[3] = -out.want[3] // its hinge bends the other way
		return out
	},
	"heels under a bar": func(r *rand.Rand) stand {
		d := standing(r, setup.Posture{Kind: "seated", HeelsFree: true, Riser: 0.05 + 0.1*r.Float64()}, "both",
			map[string][2]float64{"ankle.flexionDeg": {-30, 15}})
		d.Loads = []setup.Load{{ID: "bar", Kind: setup.Bar, Side: "right", Contact: setup.Contact{Segment: "thigh", Fraction: new(0.7 + 0.3*r.Float64())},
			Mass: 150 * r.Float64()}}
		s := r.Float64()
		in, f := placed(&d, s)
		out := stand{tree: pelvisRooted(f, &d), free: []int{0, 3}}
		ball := space.Vec{X: 0.47 * in.Body.FootLength, Y: -in.Body.AnkleH}
		for _, way := range []space.Vec{f.Station.Heading.Apply(space.X), upright} {
			out.units = append(out.units, pushed(&out.tree, 2, ball, f.Ball(body.Right), way))
		}
		// The core tells what the shin's side gets, the tree what the foot's side gives.
		out.want = map[int]float64{4: r3.Dot(torque.InMotion(in, body.AnkleR, s, 0, 0), f.Turn[body.Pelvis].Apply(space.Z))}
		return out
	},
}

// onPelvis adds a newton that something pushes a place of the upper body with.
func (st *stand) onPelvis(f *body.Frames, at, direction space.Vec) {
	back := f.Turn[body.Pelvis].Transpose()
	st.units = append(st.units, pushed(&st.tree, 4, back.Apply(r3.Sub(at, f.Joint[body.HipR])), at, direction))
}

// cases are the tree with no unit force and with each by itself.
func (st *stand) cases() []trial {
	out := []trial{{physics: st.tree}}
	for _, u := range st.units {
		one := st.tree
		one.Strands = []strand{u}
		out = append(out, trial{physics: one})
	}
	return out
}

// solved are the hinges' torques with the unit forces as large as they have to be.
func (st *stand) solved(torques [][]float64) []float64 {
	out := slices.Clone(torques[0])
	n := len(st.units)
	if n == 0 {
		return out
	}
	a, y := mat.NewDense(n, n, nil), mat.NewVecDense(n, nil)
	for i, h := range st.free {
		y.SetVec(i, -torques[0][h])
		for k := range n {
			a.Set(i, k, torques[1+k][h]-torques[0][h])
		}
	}
	if st.extra != nil {
		row, right := st.extra(torques[0])
		a.SetRow(n-1, row)
		y.SetVec(n-1, right)
	}
	var x mat.VecDense
	if err := x.SolveVec(a, y); err != nil {
		panic(err)
	}
	for h := range out {
		for k := range n {
			out[h] += x.AtVec(k) * (torques[1+k][h] - torques[0][h])
		}
	}
	return out
}

// A body at rest on one end or two asks the same of ankle, knee and hip as MuJoCo's inverse dynamics of a tree that is rooted in the foot,
// whatever else carries being as large as that tree has to have it: within 1e-9 N·m, over random poses, bodies and weights.
func TestStandsAgainstMuJoCo(t *testing.T) {
	r := rand.New(rand.NewPCG(85, 86))
	var all []stand
	var trials []trial
	for _, kinds := range []map[string]func(*rand.Rand) stand{stands, seats} {
		for _, name := range slices.Sorted(maps.Keys(kinds)) {
			for range 45 {
				one := kinds[name](r)
				one.name = name
				all = append(all, one)
				trials = append(trials, one.cases()...)
			}
		}
	}
	torques, _ := answered(t, trials)
	worst := 0.0
	for i := range all {
		st := &all[i]
		got := st.solved(torques[:1+len(st.units)])
		torques = torques[1+len(st.units):]
		for h, want := range st.want {
			off := math.Abs(got[h] - want)
			worst = math.Max(worst, off)
			if !(off <= 1e-9*math.Max(1, math.Abs(want))) {
				t.Errorf("%s, hinge %d: the core says %v, MuJoCo %v", st.name, h, want, got[h])
			}
		}
	}
	t.Logf("%d cases, largest difference %.2g N·m", len(all), worst)
}
