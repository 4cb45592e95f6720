package torque_test

import (
	"testing"

	"dialarc/core/body"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/torque"
)

// twoLoads is one arm with a cable and a dumbbell.
func twoLoads(b *testing.B) setup.Document {
	d := raise(b)
	d.Movement.Side = "right"
	d.Loads = append(d.Loads, setup.Load{ID: "d", Kind: setup.Dumbbell, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
		Mass: 2})
	return d
}

func benchmark(b *testing.B, in *torque.Input) {
	var r torque.Repetition
	b.ReportAllocs()
	for b.Loop() {
		r.Run(in)
	}
}

func BenchmarkOneArmTwoLoads(b *testing.B) {
	d := twoLoads(b)
	in := input(&d, 101)
	in.Whole = false
	benchmark(b, in)
}

func BenchmarkOneArmTwoLoadsAllJoints(b *testing.B) {
	d := twoLoads(b)
	in := input(&d, 101)
	in.Others = []body.Joint{body.ElbowR}
	benchmark(b, in)
}

func BenchmarkWholeBody(b *testing.B) {
	d := setup.Document{Lifter: setup.Lifter{Height: 1.75, BodyMass: 75}, Target: setup.Target{Region: "quadriceps", Joint: "knee"},
		Posture: setup.Posture{Kind: "standing"},
		Movement: setup.Movement{Kind: "keyframes", Side: "both", Keyframes: []setup.Keyframe{
			{S: 0, Pose: map[string]float64{"hip.flexionDeg": 110, "knee.flexionDeg": 115, "ankle.flexionDeg": 30, "elbow.flexionDeg": 120}},
			{S: 0.5, Pose: map[string]float64{"hip.flexionDeg": 60, "knee.flexionDeg": 65, "ankle.flexionDeg": 20, "elbow.flexionDeg": 120}},
			{S: 1, Pose: map[string]float64{"hip.flexionDeg": 0, "knee.flexionDeg": 0, "ankle.flexionDeg": 0, "elbow.flexionDeg": 120}}}},
		Loads: []setup.Load{{ID: "b", Kind: setup.Bar, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}, Mass: 20},
			{ID: "o", Kind: setup.Bodyweight, Side: "right"}}}
	in := input(&d, 101)
	in.Others = []body.Joint{body.ShoulderR, body.ElbowR, body.HipR, body.AnkleR}
	benchmark(b, in)
}

func BenchmarkInMotion(b *testing.B) {
	d := twoLoads(b)
	in := input(&d, 2)
	course, _ := movement.NewCourse(setup.Tempo{Up: 2, Down: 3})
	b.ReportAllocs()
	for b.Loop() {
		torque.Move(in, course, 81)
	}
}
