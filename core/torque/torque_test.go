package torque_test

import (
	"encoding/json"
	"math"
	"math/rand/v2"
	"os"
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

// raise is the document of the crossed cable at hand height.
func raise(t testing.TB) setup.Document {
	t.Helper()
	raw, err := os.ReadFile("../testdata/raise.json")
	if err != nil {
		t.Fatal(err)
	}
	var d setup.Document
	if err := json.Unmarshal(raw, &d); err != nil {
		t.Fatal(err)
	}
	return d
}

// run evaluates a document at n samples.
func run(d *setup.Document, n int) *torque.Repetition {
	in := input(d, n)
	var r torque.Repetition
	r.Run(in)
	return &r
}

func input(d *setup.Document, n int) *torque.Input {
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	p := movement.New(d, &b, &st)
	var start, end body.Frames
	p.Place(0, &start)
	p.Place(1, &end)
	joint, _ := body.JointOf(d.TargetJoint())
	items := load.Build(d.Loads, &st, p.Both(), &start, &end)
	return &torque.Input{Body: &b, Station: &st, Path: p, Items: items, Samples: n, Joint: joint,
		Bar: d.Movement.BarWidth > 0, Whole: true, Sideways: torque.PushesSideways(p, &st, items)}
}

// Values worked by hand and by a second program for this document, load alone, at 5, 50 and 95 degrees.
func TestWorkedValues(t *testing.T) {
	d := raise(t)
	r := run(&d, 101)
	for _, c := range []struct {
		i                      int
		angle, load, off, with float64
	}{{0, 5, 45.76, 17.62, 46.71}, {50, 50, 37.20, 11.40, 45.62}, {100, 95, 18.63, 9.24, 29.58}} {
		check.Near(t, "angle", space.Deg(r.Angle[c.i]), c.angle, 1e-9)
		check.Near(t, "load alone", r.Loads[c.i], c.load, 0.005)
		check.Near(t, "off-axis rest", r.OffAxis[c.i], c.off, 0.005)
		check.Near(t, "with the arm", r.Total[c.i], c.with, 0.005)
	}
	for _, c := range []struct{ height, peak, angle, left, centroid float64 }{
		{0.76, 45.78, 6.8, 0.41, 0.433}, {0.45, 47.23, 23.0, 0.54, 0.456}, {0.15, 47.94, 34.7, 0.64, 0.477},
	} {
		d.Loads[0].Pulley.Y = c.height
		r := run(&d, 101)
		top := 0
		var moment, area float64
		for i := range r.S {
			if r.Loads[i] > r.Loads[top] {
				top = i
			}
			if i > 0 {
				a, b := r.Loads[i-1], r.Loads[i]
				area += (a + b) / 2
				moment += (a*r.S[i-1] + b*r.S[i]) / 2
			}
		}
		check.Near(t, "peak", r.Loads[top], c.peak, 0.005)
		check.Near(t, "its angle", space.Deg(r.Angle[top]), c.angle, 0.05)
		check.Near(t, "left at the end", r.Loads[100]/r.Loads[top], c.left, 0.005)
		check.Near(t, "centroid", moment/area, c.centroid, 0.0005)
	}
}

func dumbbell(mass, plane, elbow float64) setup.Document {
	return setup.Document{Lifter: setup.Lifter{Height: 1.75, BodyMass: 75}, Posture: setup.Posture{X: 0.3},
		Movement: setup.Movement{Kind: "shoulder-raise", Side: "right", FromDeg: 0, ToDeg: 120,
			Hold: map[string]float64{"shoulder.planeOfElevationDeg": plane, "elbow.flexionDeg": elbow}},
		Loads: []setup.Load{{ID: "d", Kind: setup.Dumbbell, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}, Mass: mass}}}
}

// A dumbbell on a straight arm: torque m g L sin e about the shoulder in any plane, the horizontal distance as moment
// arm, nothing beside the axis; the arm's own weight by its segments' places (closed forms).
func TestDumbbellClosedForm(t *testing.T) {
	for _, plane := range []float64{-30, 0, 20, 45, 90} {
		d := dumbbell(6, plane, 0)
		r := run(&d, 61)
		b := body.New(&d.Lifter)
		moment := b.Masses[body.UpperArmR]*0.436*b.UpperArm + b.Masses[body.ForearmR]*(b.UpperArm+0.430*b.Forearm) +
			b.Masses[body.HandR]*b.ArmLength()
		for i, e := range r.Angle {
			check.Near(t, "torque", r.Loads[i], 6*9.80665*b.ArmLength()*math.Sin(e), 1e-9)
			check.Near(t, "arm alone", r.Weights[i], 9.80665*moment*math.Sin(e), 1e-9)
			check.Near(t, "moment arm", r.Parts[0].MomentArm[i], b.ArmLength()*math.Sin(e), 1e-9)
			check.Near(t, "off axis", r.OffAxis[i], 0, 1e-9)
			check.Near(t, "in the plane", r.Parts[0].InPlane[i], 1, 1e-9)
		}
	}
}

// The elbow holds the forearm, the hand and the dumbbell: with the upper arm hanging and the forearm level (closed form).
func TestElbowTorqueClosedForm(t *testing.T) {
	d := dumbbell(6, 0, 90)
	in := input(&d, 61)
	in.Others = []body.Joint{body.ElbowR}
	var r torque.Repetition
	r.Run(in)
	b := body.New(&d.Lifter)
	want := 9.80665 * (6*(b.Forearm+b.Grip) + b.Masses[body.ForearmR]*0.430*b.Forearm + b.Masses[body.HandR]*(b.Forearm+b.Grip))
	check.Near(t, "elbow", r.Others[0].Size[0], want, 1e-9)
}

// The shoulder carries the arm and the dumbbell: hanging all of it along the arm, as traction, level all of it across;
// the hand holds the dumbbell alone (closed forms). A cuff asks nothing of the hand.
func TestJointForces(t *testing.T) {
	d := dumbbell(6, 0, 0)
	r := run(&d, 121)
	arm := 0.050 * 75 * 9.80665
	w := 6 * 9.80665
	check.Near(t, "hanging, along", r.Along[0], -(arm + w), 1e-9)
	check.Near(t, "hanging, across", r.Across[0], 0, 1e-9)
	check.Near(t, "level, along", r.Along[90], 0, 1e-9)
	check.Near(t, "level, across", r.Across[90], arm+w, 1e-9)
	check.Near(t, "grip", r.GripForce[30], w, 1e-9)
	d.Loads[0].Contact = setup.Contact{Segment: "forearm", Fraction: new(0.9)}
	check.Near(t, "grip with a cuff", run(&d, 121).GripForce[30], 0, 1e-12)
}

// A cuff nearer the joint needs more load for the same torque: a weight at the elbow against one in the hand.
func TestCuffNearerTheJoint(t *testing.T) {
	d := dumbbell(6, 0, 0)
	hand := run(&d, 31).Loads[20]
	d.Loads[0].Contact = setup.Contact{Segment: "upperArm", Fraction: new(1.0)}
	b := body.New(&d.Lifter)
	check.Near(t, "ratio of the torques", run(&d, 31).Loads[20]/hand, b.UpperArm/b.ArmLength(), 1e-9)
}

// The swept angle of a raise is the elevation it runs through; a rotation of the upper arm about itself sweeps nothing.
func TestSweptAngle(t *testing.T) {
	d := dumbbell(6, 30, 0)
	r := run(&d, 61)
	check.Near(t, "swept", space.Deg(r.Swept[60]), 120, 1e-9)
	d.Movement = setup.Movement{Kind: "keyframes", Side: "right", Keyframes: []setup.Keyframe{
		{S: 0, Pose: map[string]float64{"shoulder.elevationDeg": 60, "shoulder.rotationDeg": -40}},
		{S: 1, Pose: map[string]float64{"shoulder.elevationDeg": 60, "shoulder.rotationDeg": 40}}}}
	check.Near(t, "swept by a rotation", run(&d, 31).Swept[30], 0, 1e-9)
}

// Moving a level arm forward turns it about the vertical: then a weight resists nothing, all of its torque lies across.
func TestLevelSweepAgainstAWeight(t *testing.T) {
	d := dumbbell(6, 0, 0)
	d.Movement = setup.Movement{Kind: "keyframes", Side: "right", Keyframes: []setup.Keyframe{
		{S: 0, Pose: map[string]float64{"shoulder.elevationDeg": 90, "shoulder.planeOfElevationDeg": 0}},
		{S: 1, Pose: map[string]float64{"shoulder.elevationDeg": 90, "shoulder.planeOfElevationDeg": 90}}}}
	r := run(&d, 31)
	b := body.New(&d.Lifter)
	for i := range r.S {
		check.Near(t, "resisting torque", r.Loads[i], 0, 1e-9)
		check.Near(t, "across", r.OffAxis[i], 6*9.80665*b.ArmLength(), 1e-9)
	}
	check.Near(t, "swept", space.Deg(r.Swept[30]), 90, 1e-9)
}

// random is a document with one or two loads and a path through three keyframes of all coordinates.
func random(r *rand.Rand) setup.Document {
	span := func(low, high float64) float64 { return low + (high-low)*r.Float64() }
	d := setup.Document{Lifter: setup.Lifter{Height: span(1.5, 2), BodyMass: span(50, 110)},
		Posture: setup.Posture{X: span(0, 1), Z: span(-0.3, 0.3), HeadingDeg: span(-180, 180), Trunk: setup.Trunk{PitchDeg: span(-10, 60),
			BendDeg: span(-20, 20), TurnDeg: span(-20, 20)}},
		Movement: setup.Movement{Kind: "keyframes", Side: []string{"right", "left", "both"}[r.IntN(3)]}}
	for _, s := range []float64{0, span(0.3, 0.7), 1} {
		d.Movement.Keyframes = append(d.Movement.Keyframes, setup.Keyframe{S: s, Pose: map[string]float64{"shoulder.elevationDeg": span(0, 130),
			"shoulder.planeOfElevationDeg": span(-20, 100), "shoulder.rotationDeg": span(-60, 60), "elbow.flexionDeg": span(0, 120),
			"forearm.pronationDeg": span(-60, 60)}})
	}
	side := "right"
	if d.Movement.Side == "left" {
		side = "left"
	}
	segments := []string{"hand", "forearm", "upperArm"}
	for i := range 1 + r.IntN(2) {
		share := r.Float64()
		l := setup.Load{ID: string(rune('a' + i)), Kind: "cable", Side: side, Contact: setup.Contact{Segment: segments[r.IntN(3)],
			Fraction: &share},
			Pulley: &setup.Point{X: span(-1, 0), Y: span(0, 2.2), Z: span(-1.5, 1.5)}, StackMass: span(2, 30), Ratio: span(0.25, 1), ParkedGap: 0,
			Travel: 6}
		if r.IntN(2) == 0 {
			l.Kind, l.Mass = "dumbbell", span(1, 20)
		}
		d.Loads = append(d.Loads, l)
	}
	return d
}

// Virtual work over random setups: the work of the joints, -t · w summed over all joints, is the change of the potential
// energy of loads and segments, dU/ds by gonum's finite differences. This holds only if every torque, contact, centre of
// mass and angular velocity is right.
func TestVirtualWork(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 12))
	for range 200 {
		d := random(r)
		in := input(&d, 2)
		var f body.Frames
		at := func(s float64) {
			var arms, rates [2]body.Pose
			in.Path.At(s, &arms, &rates)
			f.Place(in.Body, in.Station, &arms, &rates)
		}
		energy := func(s float64) float64 {
			at(s)
			u := 0.0
			for seg, m := range in.Body.Masses {
				u += m * load.Gravity * f.COM[seg].Y
			}
			for _, it := range in.Items {
				u += it.Energy(&f)
			}
			return u
		}
		s := 0.05 + 0.9*r.Float64()
		want := fd.Derivative(energy, s, &fd.Settings{Formula: fd.Central, Step: 1e-5})
		at(s)
		got := 0.0
		for j := range body.Joint(body.NumJoints) {
			got -= r3.Dot(everything(in, &f, j), f.Spin[j])
		}
		check.Near(t, "power of the joints", got, want, 1e-4*math.Max(1, math.Abs(want)))
	}
}

// everything is the torque that weights and loads put on a joint; the shoulder's is counted against the girdle's apart.
func everything(in *torque.Input, f *body.Frames, j body.Joint) space.Vec {
	tau := torque.WeightTorque(f, j)
	for k := range in.Items {
		it := &in.Items[k]
		pull := it.At(f)
		tau = r3.Add(tau, torque.LoadTorque(f, j, it.Segment, &pull))
	}
	return tau
}

// On a raise all of the shoulder's work is done about the axis, so its integral over the swept angle is the change of
// the potential energy.
func TestWorkOfARaise(t *testing.T) {
	d := raise(t)
	in := input(&d, 401)
	var r torque.Repetition
	r.Run(in)
	work := 0.0
	for i := 1; i < len(r.S); i++ {
		work += (r.Total[i] + r.Total[i-1]) / 2 * (r.Swept[i] - r.Swept[i-1])
	}
	energy := func(s float64) float64 {
		var arms, rates [2]body.Pose
		var f body.Frames
		in.Path.At(s, &arms, &rates)
		f.Place(in.Body, in.Station, &arms, &rates)
		u := in.Items[0].Energy(&f)
		for _, seg := range body.Beyond[body.ShoulderR] {
			u += in.Body.Masses[seg] * load.Gravity * f.COM[seg].Y
		}
		return u
	}
	check.Near(t, "work", work, energy(1)-energy(0), 1e-3)
}

// The left arm alone, with everything mirrored, asks the same as the right.
func TestLeftAsRight(t *testing.T) {
	r := rand.New(rand.NewPCG(13, 14))
	for range 30 {
		d := random(r)
		d.Movement.Side, d.Posture.Z, d.Posture.HeadingDeg, d.Posture.Trunk = "right", 0, 0, setup.Trunk{PitchDeg: 10}
		for i := range d.Loads {
			d.Loads[i].Side = "right"
		}
		left := d.Clone()
		left.Movement.Side = "left"
		for i := range left.Loads {
			left.Loads[i].Side = "left"
			left.Loads[i].Pulley.Z *= -1
		}
		a, b := run(&d, 11), run(&left, 11)
		for i := range a.S {
			check.Near(t, "total", b.Total[i], a.Total[i], 1e-9)
			check.Near(t, "off axis", b.OffAxis[i], a.OffAxis[i], 1e-9)
		}
	}
}

// The foot of the moment arm lies on the line of force seen along the axis, square to it and at the moment arm's
// distance.
func TestFoot(t *testing.T) {
	r := rand.New(rand.NewPCG(15, 16))
	for range 60 {
		d := random(r)
		in := input(&d, 2)
		var arms, rates [2]body.Pose
		var f body.Frames
		in.Path.At(0.4, &arms, &rates)
		f.Place(in.Body, in.Station, &arms, &rates)
		pull := in.Items[0].At(&f)
		joint := f.Joint[body.ShoulderR]
		axis := r3.Unit(space.Vec{X: r.NormFloat64(), Y: r.NormFloat64(), Z: r.NormFloat64()})
		foot := torque.Foot(joint, axis, pull)
		force := space.Reject(pull.Force, axis)
		arm := r3.Sub(foot, joint)
		check.Near(t, "in the plane", r3.Dot(arm, axis), 0, 1e-9)
		check.Near(t, "square to the force", r3.Dot(arm, force), 0, 1e-7)
		check.Near(t, "torque", r3.Dot(r3.Cross(arm, force), axis), r3.Dot(r3.Cross(r3.Sub(pull.Contact, joint), pull.Force), axis), 1e-7)
	}
	still := load.Pull{Contact: space.X}
	if got := torque.Foot(space.Y, space.Z, still); got != space.Y {
		t.Errorf("without a force the foot is the joint, not %v", got)
	}
}

// The parts add up, and a workspace that is used again gives what a fresh one gives.
func TestPartsAndReuse(t *testing.T) {
	r := rand.New(rand.NewPCG(17, 18))
	var shared torque.Repetition
	for _, n := range []int{31, 31, 101, 5} {
		d := random(r)
		in := input(&d, n)
		shared.Run(in)
		fresh := run(&d, n)
		for i := range fresh.S {
			sum := 0.0
			for k := range shared.Parts {
				sum += shared.Parts[k].Torque[i]
			}
			check.Near(t, "sum of the parts", sum, fresh.Loads[i], 1e-9)
			check.Near(t, "total", shared.Total[i], fresh.Loads[i]+fresh.Weights[i], 1e-9)
			check.Near(t, "swept", shared.Swept[i], fresh.Swept[i], 0)
		}
	}
}

// A forearm of 2.50 kg at 16.0 cm and a book of 4.00 kg at 38.0 cm, forearm level, biceps at 4.00 cm: the muscle pulls with
// 470 N and the elbow is pressed down with 407 N. OpenStax College Physics, example 9.4 (from memory).
func TestForearmHoldingABook(t *testing.T) {
	d := dumbbell(4, 0, 90)
	d.Movement = setup.Movement{Kind: "sweep", Side: "right", Primary: "elbow.flexion", FromDeg: 80, ToDeg: 100,
		Hold: map[string]float64{"shoulder.rotationDeg": -90}}
	d.Target.Joint = "elbow"
	in := input(&d, 3)
	in.Body.Masses[body.ForearmR], in.Body.Masses[body.HandR] = 2.5, 0
	in.Body.Forearm = 0.16 / 0.430
	in.Body.Grip = 0.38 - in.Body.Forearm
	var r torque.Repetition
	r.Run(in)
	muscle := r.Total[1] / 0.04
	check.Near(t, "muscle", muscle, 470, 1)
	check.Near(t, "elbow", muscle-r.Across[1], 407, 1)
}
