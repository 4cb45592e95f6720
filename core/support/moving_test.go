package support_test

import (
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/support"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// In motion the floor has to push where the moment of everything that acts, forces and couples, weights and inertia, is nothing about level
// axes (the zero moment point, Vukobratovic & Borovac 2004, Int J Humanoid Robotics 1:157-173, from memory). Segments that turn have
// couples that count.
func TestWhereTheFloorPushesInMotion(t *testing.T) {
	r, _ := catalogue.Find(&setup.Lifter{Height: 1.75, BodyMass: 75}, "raise.dumbbell")
	d := r.Document
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	d.Movement.Side = "right"
	path := movement.New(&d, &b, &st)
	var start, end body.Frames
	path.Place(0, &start)
	path.Place(1, &end)
	in := &torque.Input{Body: &b, Station: &st, Path: path, Items: load.Build(d.Loads, &st, false, &start, &end), Samples: 2,
		Joint: body.ShoulderR}
	course, _ := movement.NewCourse(setup.Tempo{Up: 0.5, Top: 0.5, Down: 0.5, Bottom: 0.5})
	worst, at := new(support.Bracer).InMotion(&d, in, course)
	s, rate, acceleration := course.At(at)
	presses, _ := torque.Pressing(in, s, rate, acceleration)
	zero := func(couples float64) space.Vec {
		var force, moment space.Vec
		for _, p := range presses {
			force = r3.Add(force, p.Force)
			moment = r3.Add(moment, r3.Add(r3.Cross(p.At, p.Force), r3.Scale(couples, p.Couple)))
		}
		return space.Vec{X: moment.Z / force.Y, Z: -moment.X / force.Y}
	}
	with, without := zero(1), zero(0)
	check.Near(t, "ahead", worst.Centre.X, with.X, 1e-6)
	check.Near(t, "aside", worst.Centre.Z, with.Z, 1e-6)
	if math.Hypot(with.X-without.X, with.Z-without.Z) < 1e-4 {
		t.Errorf("the couples move it by nothing: %v and %v", with, without)
	}
}
