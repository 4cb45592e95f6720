package reference

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"testing"
	"time"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/num/quat"
	"gonum.org/v1/gonum/spatial/r3"
)

// physics is one case for the program beside this file.
type physics struct {
	Gravity       float64       `json:"gravity"`
	Bodies        []physicsBody `json:"bodies"`
	Strands       []strand      `json:"strands"`
	Angles        []float64     `json:"angles"`
	Rates         []float64     `json:"rates"`
	Accelerations []float64     `json:"accelerations"`
	Repeat        int           `json:"repeat"`
}

type physicsBody struct {
	Parent  int          `json:"parent"`
	At      [3]float64   `json:"at"`
	Quat    [4]float64   `json:"quat"`
	Hinges  [][3]float64 `json:"hinges"`
	Mass    float64      `json:"mass"`
	COM     [3]float64   `json:"com"`
	Inertia [3]float64   `json:"inertia"`
	Points  []pointMass  `json:"points"`
	Sites   []site       `json:"sites"`
}

type pointMass struct {
	At   [3]float64 `json:"at"`
	Mass float64    `json:"mass"`
}

type site struct {
	Name string     `json:"name"`
	At   [3]float64 `json:"at"`
}

type strand struct {
	From      [3]float64 `json:"from"`
	To        string     `json:"to"`
	Tension   float64    `json:"tension"`
	Stiffness float64    `json:"stiffness"`
	Rest      float64    `json:"rest"`
	Armature  float64    `json:"armature"`
}

func xyz(v space.Vec) [3]float64 { return [3]float64{v.X, v.Y, v.Z} }

func quaternion(m *space.Mat) [4]float64 {
	w := math.Sqrt(math.Max(0, 1+m[0][0]+m[1][1]+m[2][2])) / 2
	if w < 0.1 { // by way of a turn that is nearer to none
		half := space.RotY(math.Pi / 2)
		turned := m.Mul(&half)
		q := quaternion(&turned)
		back := quat.Mul(quat.Number{Real: q[0], Imag: q[1], Jmag: q[2], Kmag: q[3]}, quat.Number{Real: math.Sqrt2 / 2, Jmag: -math.Sqrt2 / 2})
		return [4]float64{back.Real, back.Imag, back.Jmag, back.Kmag}
	}
	return [4]float64{w, (m[2][1] - m[1][2]) / (4 * w), (m[0][2] - m[2][0]) / (4 * w), (m[1][0] - m[0][1]) / (4 * w)}
}

// rod is the inertia of a slender rod along Y; what it has about its own length is next to nothing.
func rod(mass, length float64) [3]float64 {
	i := mass * length * length / 12
	return [3]float64{i, 1e-12, i}
}

// trial is a case with what the core says about it.
type trial struct {
	physics
	doc  setup.Document
	want []float64 // torque that each hinge has to give, N·m
}

// newTrial makes a random right arm in a random posture with up to three loads, at a place along a random path that is
// passed at a random rate and acceleration.
func newTrial(r *rand.Rand) trial {
	span := func(low, high float64) float64 { return low + (high-low)*r.Float64() }
	d := setup.Document{Lifter: setup.Lifter{Height: span(1.5, 2), BodyMass: span(50, 110), CarryingDeg: span(0, 15)},
		Target: setup.Target{Region: "deltoid.middle"},
		Posture: setup.Posture{Kind: []string{"standing", "hinged", "kneeling"}[r.IntN(3)], X: span(-0.5, 0.5), Z: span(-0.3, 0.3),
			HeadingDeg: span(-180, 180), Trunk: setup.Trunk{PitchDeg: span(-10, 80), BendDeg: span(-20, 20), TurnDeg: span(-20, 20)}},
		Movement: setup.Movement{Kind: "keyframes", Side: "right"}}
	pronation, wrist := span(-60, 60), span(-20, 20)
	girdle := map[string]float64{"girdle.elevationDeg": span(-5, 20), "girdle.protractionDeg": span(-10, 20)}
	for _, s := range []float64{0, span(0.3, 0.7), 1} {
		pose := map[string]float64{"shoulder.elevationDeg": span(10, 130), "shoulder.planeOfElevationDeg": span(-20, 100),
			"shoulder.rotationDeg": span(-60, 60),
			"elbow.flexionDeg":     span(5, 120), "forearm.pronationDeg": pronation + span(-20, 20), "wrist.flexionDeg": wrist + span(-10, 10)}
		for k, v := range girdle {
			pose[k] = v
		}
		d.Movement.Keyframes = append(d.Movement.Keyframes, setup.Keyframe{S: s, Pose: pose})
	}
	for i := range 1 + r.IntN(3) {
		share := r.Float64()
		contact := []setup.Contact{{Segment: "hand", At: "grip"}, {Segment: "forearm", Fraction: &share},
			{Segment: "upperArm", Fraction: &share}}[r.IntN(3)]
		at := &setup.Point{X: span(-2, 2), Y: span(0, 2.2), Z: span(-2, 2)}
		l := setup.Load{ID: fmt.Sprint(i), Side: "right", Contact: contact, Mass: span(1, 20), Pulley: at, Anchor: at, StackMass: span(5, 40),
			Ratio: span(0.25, 1), Travel: 20,
			RestLength: 0.1, Strands: 1, Pull: []setup.BandPoint{{Length: 0.1, Force: 0}, {Length: 4, Force: span(100, 600)}}}
		l.Kind = []setup.LoadKind{"dumbbell", "cable", "band"}[r.IntN(3)]
		d.Loads = append(d.Loads, l)
	}
	return judged(&d, span(0.1, 0.9), span(-1, 1), span(-2, 2))
}

// inputOf makes a document of the right arm ready, with the frames at a place along its path.
func inputOf(d *setup.Document, s float64) (*torque.Input, *body.Frames) {
	in, f := placed(d, s)
	in.Joint, in.Samples = body.ShoulderR, 101
	return in, f
}

// judged fills in what the core says of the right arm, and the same arm as a tree of bodies.
func judged(d *setup.Document, s, rate, acceleration float64) trial {
	in, f := inputOf(d, s)
	b := in.Body
	t := trial{doc: *d}
	t.Gravity = load.Gravity
	t.hinges(in, s, rate, acceleration, func(q *body.Pose) []float64 {
		return []float64{q[setup.ShoulderPlane], q[setup.ShoulderElevation], q[setup.ShoulderRotation] - q[setup.ShoulderPlane],
			q[setup.ElbowFlexion], q[setup.ForearmPronation], q[setup.WristFlexion]}
	})
	t.armBodies(f, d)
	sh, el := torque.InMotion(in, body.ShoulderR, s, rate, acceleration), torque.InMotion(in, body.ElbowR, s, rate, acceleration)
	q := &f.Pose[body.Right]
	sp, cp := math.Sincos(q[setup.ShoulderPlane])
	trunk, humerus := &f.Turn[body.Pelvis], &f.Turn[body.UpperArmR]
	for _, axis := range []space.Vec{trunk.Apply(space.Y), trunk.Apply(space.Vec{X: -cp, Z: sp}), humerus.Apply(space.Y)} {
		t.want = append(t.want, -r3.Dot(sh, axis))
	}
	t.want = append(t.want, -r3.Dot(el, humerus.Apply(body.ElbowHinge(b.CarryingAngle))))
	return t
}

// hinges writes the hinges' angles, rates and accelerations. The second derivatives along the path are those that the core
// defines, differences of the rates over 0.02 to both sides.
func (t *trial) hinges(in *torque.Input, s, rate, acceleration float64, hinges func(*body.Pose) []float64) {
	var poses, before, after, rates [2]body.Pose
	in.Path.At(s-0.02, &poses, &before)
	in.Path.At(s+0.02, &poses, &after)
	in.Path.At(s, &poses, &rates)
	t.Angles = hinges(&poses[body.Right])
	first, one, two := hinges(&rates[body.Right]), hinges(&before[body.Right]), hinges(&after[body.Right])
	for k := range first {
		t.Rates = append(t.Rates, first[k]*rate)
		t.Accelerations = append(t.Accelerations, first[k]*acceleration+(two[k]-one[k])/0.04*rate*rate)
	}
}

// armBodies writes upper arm, forearm and hand, and the loads on them.
func (t *trial) armBodies(f *body.Frames, d *setup.Document) {
	b := f.Body
	c := b.CarryingAngle
	tilt := space.RotX(-c)
	back := space.RotX(c)
	down := func(y float64) [3]float64 { return [3]float64{0, -y, 0} }
	none := [4]float64{1, 0, 0, 0}
	t.Bodies = []physicsBody{
		{Parent: -1, At: xyz(f.Joint[body.ShoulderR]), Quat: quaternion(&f.Turn[body.Pelvis]), Hinges: [][3]float64{{0, 1, 0}, {-1, 0, 0},
			{0, 1, 0}},
			Mass: b.Masses[body.UpperArmR], COM: down(0.436 * b.UpperArm), Inertia: rod(b.Masses[body.UpperArmR], b.UpperArm)},
		{Parent: 0, At: down(b.UpperArm), Quat: quaternion(&tilt), Hinges: [][3]float64{xyz(back.Apply(body.ElbowHinge(c)))},
			Mass: b.Masses[body.ForearmR], COM: down(0.430 * b.Forearm), Inertia: rod(b.Masses[body.ForearmR], b.Forearm)},
		{Parent: 1, At: down(b.Forearm), Quat: none, Hinges: [][3]float64{{0, 1, 0}, {1, 0, 0}},
			Mass: b.Masses[body.HandR], COM: down(b.Grip), Inertia: rod(b.Masses[body.HandR], b.Hand)},
	}
	t.loads(d, b)
}

func (t *trial) loads(d *setup.Document, b *body.Body) {
	for i := range t.Bodies {
		t.Bodies[i].Points, t.Bodies[i].Sites = []pointMass{}, []site{}
	}
	t.Strands = []strand{}
	for i := range d.Loads {
		t.load(&d.Loads[i], b)
	}
}

func (t *trial) load(l *setup.Load, b *body.Body) {
	on := &t.Bodies[map[string]int{"upperArm": 0, "forearm": 1, "hand": 2, "thigh": 0, "shank": 1}[l.Contact.Segment]]
	length := map[string]float64{"upperArm": b.UpperArm, "forearm": b.Forearm, "hand": b.Hand, "thigh": b.Thigh(),
		"shank": b.Shank()}[l.Contact.Segment]
	place := b.Grip
	if l.Contact.Fraction != nil {
		place = *l.Contact.Fraction * length
	}
	at := [3]float64{0, -place, 0}
	if l.Kind == setup.Dumbbell {
		on.Points = append(on.Points, pointMass{at, l.Mass})
		return
	}
	on.Sites = append(on.Sites, site{"on" + l.ID, at})
	s := strand{From: [3]float64{l.Pulley.X, l.Pulley.Y, l.Pulley.Z}, To: "on" + l.ID}
	if l.Kind == setup.Cable {
		s.Tension, s.Armature = l.Ratio*l.StackMass*load.Gravity, l.Ratio*l.Ratio*l.StackMass
	} else {
		s.Stiffness, s.Rest = l.Pull[1].Force/(l.Pull[1].Length-l.Pull[0].Length), l.Pull[0].Length
	}
	t.Strands = append(t.Strands, s)
}

// newLegTrial is the same for the right leg of somebody who sits.
func newLegTrial(r *rand.Rand) trial {
	span := func(low, high float64) float64 { return low + (high-low)*r.Float64() }
	d := newTrial(r).doc
	d.Posture = setup.Posture{Kind: "seated", X: d.Posture.X, HeadingDeg: d.Posture.HeadingDeg, Trunk: setup.Trunk{PitchDeg: span(-20, 40)}}
	d.Target = setup.Target{Region: "quadriceps", Joint: "knee"}
	d.Movement.Keyframes = nil
	for _, s := range []float64{0, span(0.3, 0.7), 1} {
		d.Movement.Keyframes = append(d.Movement.Keyframes, setup.Keyframe{S: s, Pose: map[string]float64{"hip.flexionDeg": span(10, 110),
			"hip.abductionDeg": span(-10, 40),
			"hip.rotationDeg":  span(-30, 30), "knee.flexionDeg": span(0, 120), "ankle.flexionDeg": span(-20, 20)}})
	}
	for i := range d.Loads {
		d.Loads[i].Contact = setup.Contact{Segment: []string{"thigh", "shank"}[r.IntN(2)], Fraction: new(r.Float64())}
	}
	s, rate, acceleration := span(0.1, 0.9), span(-1, 1), span(-2, 2)
	in, f := inputOf(&d, s)
	t := trial{doc: d}
	t.Gravity = load.Gravity
	t.hinges(in, s, rate, acceleration, func(q *body.Pose) []float64 {
		return []float64{q[setup.HipFlexion], q[setup.HipAbduction], q[setup.HipRotation], q[setup.KneeFlexion], q[setup.AnkleFlexion]}
	})
	t.legBodies(f, &d)
	pelvis, thigh := &f.Turn[body.Pelvis], &f.Turn[body.ThighR]
	flexed := space.RotZ(f.Pose[body.Right][setup.HipFlexion])
	hip, knee, ankle := torque.InMotion(in, body.HipR, s, rate, acceleration), torque.InMotion(in, body.KneeR, s, rate, acceleration),
		torque.InMotion(in, body.AnkleR, s, rate, acceleration)
	for _, axis := range []space.Vec{pelvis.Apply(space.Z), pelvis.Apply(flexed.Apply(space.Vec{X: -1})), thigh.Apply(space.Y)} {
		t.want = append(t.want, -r3.Dot(hip, axis))
	}
	t.want = append(t.want, r3.Dot(knee, thigh.Apply(space.Z)), -r3.Dot(ankle, thigh.Apply(space.Z)))
	return t
}

// legBodies writes thigh, shank and foot.
func (t *trial) legBodies(f *body.Frames, d *setup.Document) {
	b := f.Body
	down := func(y float64) [3]float64 { return [3]float64{0, -y, 0} }
	none := [4]float64{1, 0, 0, 0}
	foot := rod(b.Masses[body.FootR], b.FootLength)
	foot[0], foot[1] = foot[1], foot[0]
	t.Bodies = []physicsBody{
		{Parent: -1, At: xyz(f.Joint[body.HipR]), Quat: quaternion(&f.Turn[body.Pelvis]), Hinges: [][3]float64{{0, 0, 1}, {-1, 0, 0}, {0, 1, 0}},
			Mass: b.Masses[body.ThighR], COM: down(0.433 * b.Thigh()), Inertia: rod(b.Masses[body.ThighR], b.Thigh())},
		{Parent: 0, At: down(b.Thigh()), Quat: none, Hinges: [][3]float64{{0, 0, -1}},
			Mass: b.Masses[body.ShankR], COM: down(0.433 * b.Shank()), Inertia: rod(b.Masses[body.ShankR], b.Shank())},
		{Parent: 1, At: down(b.Shank()), Quat: none, Hinges: [][3]float64{{0, 0, 1}},
			Mass: b.Masses[body.FootR], COM: [3]float64{0.25 * b.FootLength, -b.AnkleH / 2, 0}, Inertia: foot},
	}
	t.loads(d, b)
}

// answered runs all trials through one process and reads the torques.
func answered(t *testing.T, trials []trial) (torques [][]float64, nanoseconds []float64) {
	t.Helper()
	var lines bytes.Buffer
	for i := range trials {
		if err := json.NewEncoder(&lines).Encode(trials[i].physics); err != nil {
			t.Fatal(err)
		}
	}
	from, to := filepath.Join(t.TempDir(), "cases"), filepath.Join(t.TempDir(), "torques")
	if err := os.WriteFile(from, lines.Bytes(), 0o600); err != nil {
		t.Fatal(err)
	}
	cmd := exec.Command("node", "dynamics.mjs", from, to)
	var complaints bytes.Buffer
	cmd.Stderr, cmd.Stdout = &complaints, &complaints
	if err := cmd.Run(); err != nil {
		t.Fatalf("node: %v (npm ci in this folder installs what it needs)\n%.2000s", err, complaints.String())
	}
	raw, err := os.ReadFile(to)
	if err != nil {
		t.Fatal(err)
	}
	scan := bufio.NewScanner(bytes.NewReader(raw))
	for scan.Scan() {
		var answer struct {
			Torque      []float64
			Nanoseconds float64
		}
		if err := json.Unmarshal(scan.Bytes(), &answer); err != nil {
			t.Fatal(err)
		}
		torques, nanoseconds = append(torques, answer.Torque), append(nanoseconds, answer.Nanoseconds)
	}
	if len(torques) != len(trials) {
		t.Fatalf("%d answers to %d cases", len(torques), len(trials))
	}
	return torques, nanoseconds
}

// The torques at shoulder and elbow, hip, knee and ankle, and of the trunk with an arm that moves on it, at rest and in motion, in three
// dimensions, with weights, stacks and springs, are those of MuJoCo's inverse dynamics for the same masses, angles, rates and
// accelerations: within 1e-9 N·m.
func TestDynamicsAgainstMuJoCo(t *testing.T) {
	r := rand.New(rand.NewPCG(81, 82))
	var trials []trial
	for i := range 400 {
		one := newTrial(r)
		if i%4 == 0 { // at rest
			one = judged(&one.doc, 0.1+0.8*r.Float64(), 0, 0)
		}
		trials = append(trials, one)
	}
	for range 150 {
		trials = append(trials, newLegTrial(r))
	}
	for range 150 {
		trials = append(trials, newTrunkTrial(r))
	}
	torques, _ := answered(t, trials)
	worst := 0.0
	for i := range trials {
		for k, want := range trials[i].want {
			off := math.Abs(torques[i][k] - want)
			worst = math.Max(worst, off)
			if !(off <= 1e-9) {
				t.Errorf("case %d, hinge %d: the core says %v, MuJoCo %v", i, k, want, torques[i][k])
			}
		}
	}
	t.Logf("largest difference %.2g N·m", worst)
}

// How long a pose takes here and there, measured in one run; a note, not a limit.
func TestSpeedBesideMuJoCo(t *testing.T) {
	one := newTrial(rand.New(rand.NewPCG(83, 84)))
	one.Repeat = 3000
	_, nanoseconds := answered(t, []trial{one})
	in, _ := inputOf(&one.doc, 0.5)
	var rep torque.Repetition
	rep.Run(in)
	begin := time.Now()
	const n = 200
	for range n {
		rep.Run(in)
	}
	ours := float64(time.Since(begin).Nanoseconds()) / n / 101
	t.Logf("a pose takes %.2f µs here, %.2f µs in MuJoCo under node: ratio %.1f", ours/1000, nanoseconds[0]/1000, nanoseconds[0]/ours)
	if !(ours > 0 && nanoseconds[0] > 0) {
		t.Errorf("nothing was measured: %v, %v", ours, nanoseconds[0])
	}
}
