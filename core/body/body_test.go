package body_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/diff/fd"
	"gonum.org/v1/gonum/spatial/r3"
)

var lifter = setup.Lifter{Height: 1.75, BodyMass: 75}

// place puts the usual lifter into a pose; the left arm hangs.
func place(p setup.Posture, right body.Pose) (*body.Body, *body.Frames) {
	b := body.New(&lifter)
	st := b.Settle(&p, nil, nil)
	var f body.Frames
	f.Place(&b, &st, &[2]body.Pose{right, {}}, &[2]body.Pose{})
	return &b, &f
}

func TestMassesSumToTheBody(t *testing.T) {
	b := body.New(&lifter)
	sum := 0.0
	for _, m := range b.Masses {
		sum += m
	}
	check.Near(t, "sum of the segments", sum, 75, 1e-9)
}

// The compound segments of the table follow from its parts: forearm and hand 0.022 of body mass at 0.682 of
// elbow-wrist, the whole arm 0.050 at 0.530 of shoulder-wrist. Winter, Biomechanics and Motor Control of Human
// Movement, 4th ed. 2009, table 4.1 (from memory); within 3%.
func TestCompoundSegments(t *testing.T) {
	b, f := place(setup.Posture{}, body.Pose{})
	compound := func(from space.Vec, length float64, segments ...body.Segment) (mass, at float64) {
		moment := 0.0
		for _, s := range segments {
			mass += b.Masses[s]
			moment += b.Masses[s] * (from.Y - f.COM[s].Y)
		}
		return mass / 75, moment / mass / length
	}
	mass, at := compound(f.Joint[body.ElbowR], b.Forearm, body.ForearmR, body.HandR)
	check.Near(t, "forearm and hand, mass", mass, 0.022, 0.022*0.03)
	check.Near(t, "forearm and hand, place", at, 0.682, 0.682*0.03)
	mass, at = compound(f.Joint[body.ShoulderR], b.UpperArm+b.Forearm, body.UpperArmR, body.ForearmR, body.HandR)
	check.Near(t, "whole arm, mass", mass, 0.050, 0.050*0.03)
	check.Near(t, "whole arm, place", at, 0.530, 0.530*0.03)
}

// Standing heights and lengths come out as the fractions of stature say (Winter 2009, fig. 4.1, from memory).
func TestStandingHeights(t *testing.T) {
	_, f := place(setup.Posture{X: 0.4, Z: -0.2}, body.Pose{})
	check.Near(t, "shoulder", f.Joint[body.ShoulderR].Y, 0.818*1.75, 1e-9)
	check.Near(t, "hip", f.Origin[body.ThighR].Y, 0.530*1.75, 1e-9)
	check.Near(t, "ankle", f.Origin[body.FootL].Y, 0.039*1.75, 1e-9)
	check.Near(t, "knee", f.Origin[body.ShankR].Y, 0.285*1.75, 2e-3)
	check.Near(t, "elbow hanging", f.Joint[body.ElbowR].Y, (0.818-0.186)*1.75, 1e-9)
	check.Vec(t, "right shoulder", f.Joint[body.ShoulderR], space.Vec{X: 0.4, Y: 0.818 * 1.75, Z: -0.2 + 0.175})
	check.Vec(t, "left shoulder", f.Joint[body.ShoulderL], space.Vec{X: 0.4, Y: 0.818 * 1.75, Z: -0.2 - 0.175})
}

func TestTapeReplacesProportions(t *testing.T) {
	l := setup.Lifter{Height: 1.75, BodyMass: 75, Lengths: map[string]float64{"upperArm": 0.36, "grip": 0.10}}
	b := body.New(&l)
	check.Near(t, "arm length", b.ArmLength(), 0.36+0.146*1.75+0.10, 1e-12)
}

// The humerus points along d = sin e (sin p X + cos p Z) - cos e Y (trunk axes).
func TestArmDirection(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 1))
	for range 100 {
		p, e := r.Float64()*3-1, r.Float64()*3
		_, f := place(setup.Posture{}, body.Pose{setup.ShoulderPlane: p, setup.ShoulderElevation: e, setup.ShoulderRotation: r.Float64()})
		want := space.Vec{X: math.Sin(e) * math.Sin(p), Y: -math.Cos(e), Z: math.Sin(e) * math.Cos(p)}
		check.Vec(t, "direction", f.Direction(body.UpperArmR), want)
	}
}

// With the arm raised sideways the elbow crease faces forward, and turning the arm outward by 90 degrees puts the bent
// forearm up: International Society of Biomechanics, Wu et al. 2005, J Biomech 38:981-992, for the sense of rotation.
func TestRotationOfTheArm(t *testing.T) {
	bent := body.Pose{setup.ShoulderElevation: math.Pi / 2, setup.ElbowFlexion: math.Pi / 2}
	_, f := place(setup.Posture{}, bent)
	check.Vec(t, "forearm with rotation 0", f.Direction(body.ForearmR), space.X)
	bent[setup.ShoulderRotation] = -math.Pi / 2
	_, f = place(setup.Posture{}, bent)
	check.Vec(t, "forearm turned outward", f.Direction(body.ForearmR), space.Y)
	hanging := body.Pose{setup.ElbowFlexion: math.Pi / 2, setup.ShoulderRotation: math.Pi / 2}
	_, f = place(setup.Posture{}, hanging)
	check.Vec(t, "forearm of the hanging right arm turned inward", f.Direction(body.ForearmR), space.Vec{Z: -1})
}

// What the trunk does is mirrored too: with the sides' poses exchanged the whole body is its own mirror image.
func TestLeftIsTheMirrorImage(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 2))
	for range 30 {
		q, dq := randomArm(r), randomArm(r)
		b := body.New(&lifter)
		st := b.Settle(&setup.Posture{X: 0.3, Z: 0.4, HeadingDeg: 70}, nil, nil)
		other, otherRate := q, dq
		other.MirrorTrunk(&q)
		otherRate.MirrorTrunk(&dq)
		var f, g body.Frames
		f.Place(&b, &st, &[2]body.Pose{q, other}, &[2]body.Pose{dq, otherRate})
		g.Place(&b, &st, &[2]body.Pose{other, q}, &[2]body.Pose{otherRate, dq})
		back := st.Heading.Transpose()
		check.Vec(t, "turning thorax", space.MirrorSpin(back.Apply(f.Omega[body.Thorax])), back.Apply(g.Omega[body.Thorax]))
		for _, pair := range [][2]body.Segment{{body.UpperArmR, body.UpperArmL}, {body.ForearmR, body.ForearmL}, {body.HandR, body.HandL},
			{body.Thorax, body.Thorax}, {body.Head, body.Head},
			{body.ThighR, body.ThighL}, {body.FootR, body.FootL}} {
			check.Vec(t, body.SegmentNames[pair[0]], st.Mirror(f.COM[pair[0]]), g.COM[pair[1]])
		}
		check.Vec(t, "grip", st.Mirror(f.Grip[body.Right]), g.Grip[body.Left])
	}
}

func randomArm(r *rand.Rand) (a body.Pose) {
	for i := range a {
		a[i] = r.Float64()*2 - 0.7
	}
	return a
}

// The velocity of every point of the arm is the derivative of its place, by gonum's finite differences.
func TestVelocityIsTheDerivative(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 3))
	b := body.New(&lifter)
	st := b.Settle(&setup.Posture{HeadingDeg: 30, Trunk: setup.Trunk{PitchDeg: 20, BendDeg: 10, TurnDeg: -15}}, nil, nil)
	var f body.Frames
	for range 40 {
		q, dq := randomArm(r), randomArm(r)
		at := func(s float64) {
			moved := q
			for i := range moved {
				moved[i] += s * dq[i]
			}
			f.Place(&b, &st, &[2]body.Pose{moved, moved}, &[2]body.Pose{dq, dq})
		}
		for _, side := range []body.Side{body.Right, body.Left} {
			for axis := range 3 {
				part := func(v space.Vec) float64 { return [3]float64{v.X, v.Y, v.Z}[axis] }
				want := fd.Derivative(func(s float64) float64 { at(s); return part(f.Grip[side]) }, 0, &fd.Settings{Formula: fd.Central, Step: 1e-5})
				at(0)
				check.Near(t, "velocity of the grip", part(f.Velocity(side.On(body.HandR), f.Grip[side])), want, 1e-7)
			}
		}
	}
}

// Placing one arm anew gives what placing everything gives.
func TestPlaceArmAlone(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	b := body.New(&lifter)
	st := b.Settle(&setup.Posture{HeadingDeg: 200}, nil, nil)
	var whole, part body.Frames
	q, dq := randomArm(r), randomArm(r)
	part.Place(&b, &st, &[2]body.Pose{}, &[2]body.Pose{})
	part.PlaceArm(body.Left, &q, &dq)
	whole.Place(&b, &st, &[2]body.Pose{{}, q}, &[2]body.Pose{{}, dq})
	if whole != part {
		t.Error("the frames differ")
	}
}

func TestHeadingAndLean(t *testing.T) {
	_, f := place(setup.Posture{HeadingDeg: 90}, body.Pose{})
	check.Vec(t, "a turn to the left faces -Z", f.Turn[body.Pelvis].Apply(space.X), space.Vec{Z: -1})
	_, f = place(setup.Posture{Trunk: setup.Trunk{PitchDeg: 90}}, body.Pose{})
	check.Vec(t, "a pitch of 90 degrees lays the trunk forward", f.Turn[body.Pelvis].Apply(space.Y), space.X)
	_, f = place(setup.Posture{Trunk: setup.Trunk{BendDeg: 90}}, body.Pose{})
	check.Vec(t, "a bend of 90 degrees lays it to the right", f.Turn[body.Pelvis].Apply(space.Y), space.Z)
	_, f = place(setup.Posture{Trunk: setup.Trunk{TurnDeg: 90}}, body.Pose{})
	check.Vec(t, "a turn of the trunk to the left", f.Turn[body.Pelvis].Apply(space.X), space.Vec{Z: -1})
}

func TestLegsReachTheFloor(t *testing.T) {
	b, f := place(setup.Posture{FeetApart: 0.6, HeadingDeg: 45}, body.Pose{})
	for _, side := range []body.Side{body.Right, body.Left} {
		thigh, shank, foot := side.On(body.ThighR), side.On(body.ShankR), side.On(body.FootR)
		check.Near(t, "ankle height", f.Origin[foot].Y, b.AnkleH, 1e-12)
		check.Vec(t, "the knee lies between hip and ankle", r3.Unit(r3.Sub(f.Origin[shank], f.Origin[thigh])),
			r3.Unit(r3.Sub(f.Origin[foot], f.Origin[thigh])))
	}
	check.Near(t, "between the ankles", r3.Norm(r3.Sub(f.Origin[body.FootR], f.Origin[body.FootL])), 0.6, 1e-12)
}

func TestPointOnASegment(t *testing.T) {
	_, f := place(setup.Posture{}, body.Pose{setup.ShoulderElevation: 1})
	check.Vec(t, "near end", f.PointOn(body.ForearmR, 0), f.Joint[body.ElbowR])
	check.Vec(t, "far end", f.PointOn(body.ForearmR, 1), f.Wrist[body.Right])
	check.Vec(t, "finger tips", f.PointOn(body.HandR, 1), f.Tip[body.Right])
	check.Vec(t, "elbow end of the upper arm", f.PointOn(body.UpperArmR, 1), f.Joint[body.ElbowR])
}

// A measured bench is as long and broad as it is, from the same end: only its top end moves.
func TestBenchOfAKnownSize(t *testing.T) {
	l := setup.Lifter{Height: 1.75, BodyMass: 75}
	b := body.New(&l)
	foot := func(bench setup.Bench) (space.Vec, space.Vec) {
		st := b.Settle(&setup.Posture{Kind: "supine"}, &bench, &setup.Movement{})
		pad := st.Pads[len(st.Pads)-1]
		return r3.Sub(pad.Middle, r3.Scale(pad.Half.Y, pad.Turn.Apply(space.Y))), pad.Half
	}
	usual, _ := foot(setup.Bench{})
	end, half := foot(setup.Bench{BackLength: 0.9, Width: 0.36})
	check.Vec(t, "the end at the hips", end, usual)
	check.Near(t, "half of the length", half.Y, 0.45, 1e-12)
	check.Near(t, "half of the width", half.Z, 0.18, 1e-12)
}

// Setting the feet wider lowers the hips bit by bit, in every stance: nowhere do they jump.
func TestHipsSinkEvenlyAsFeetGoApart(t *testing.T) {
	for name, p := range map[string]setup.Posture{
		"parallel": {Kind: "standing"}, "split": {Kind: "standing", Feet: "split"}, "staggered": {Kind: "standing", Feet: "staggered"},
		"hinged": {Kind: "hinged", Trunk: setup.Trunk{PitchDeg: 50}}, "knees bent": {Kind: "standing", Feet: "split", KneesDeg: 40},
	} {
		b := body.New(&setup.Lifter{Height: 1.75, BodyMass: 75})
		before := math.NaN()
		for apart := 0.1; apart < 0.9; apart += 0.01 {
			p.FeetApart = apart
			st := b.Settle(&p, nil, nil)
			if y := st.MidHip.Y; y > before+1e-12 || before-y > 0.008 {
				t.Errorf("%s: from %.3f to %.3f m at %.2f m apart", name, before, y, apart)
			}
			before = st.MidHip.Y
		}
	}
}

// A trunk that bends leaves the pelvis where it is and turns everything above about the lower lumbar spine; straight, it has its centre of
// mass half way from the hips to the shoulders (Winter 2009, table 4.1, from memory).
func TestTrunkBends(t *testing.T) {
	b, f := place(setup.Posture{}, body.Pose{})
	below, above := b.Masses[body.Pelvis], b.Masses[body.Thorax]
	whole := (below*f.COM[body.Pelvis].Y + above*f.COM[body.Thorax].Y) / (below + above)
	check.Near(t, "centre of mass of the trunk", whole, (0.530+0.818)/2*1.75, 1e-9)
	axis := f.Joint[body.TrunkR]
	for _, c := range []struct {
		name string
		q    body.Pose
		up   space.Vec // where what was above the axis is
	}{
		{"forward", body.Pose{setup.TrunkFlexion: math.Pi / 2}, space.X},
		{"to the right", body.Pose{setup.TrunkBend: math.Pi / 2}, space.Z},
		{"turned", body.Pose{setup.TrunkRotation: math.Pi / 2}, space.Y},
	} {
		_, f := place(setup.Posture{}, c.q)
		check.Vec(t, c.name+": pelvis", f.Turn[body.Pelvis].Apply(space.Y), space.Y)
		check.Vec(t, c.name+": axis", f.Joint[body.TrunkL], axis)
		check.Vec(t, c.name+": neck", f.Origin[body.Head], r3.Add(axis, r3.Scale(0.75*(0.818-0.530)*1.75, c.up)))
	}
	_, f = place(setup.Posture{}, body.Pose{setup.TrunkRotation: math.Pi / 2})
	check.Vec(t, "the right shoulder comes forward", r3.Unit(r3.Sub(f.Joint[body.ShoulderR], f.Joint[body.ShoulderL])), space.X)
}
