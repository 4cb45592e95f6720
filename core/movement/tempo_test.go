package movement_test

import (
	"math"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/movement"
	"dialarc/core/setup"

	"gonum.org/v1/gonum/diff/fd"
)

func course(t *testing.T, tempo setup.Tempo) *movement.Course {
	t.Helper()
	c, ok := movement.NewCourse(tempo)
	if !ok {
		t.Fatal("no course")
	}
	return c
}

// Minimum jerk between pauses: peak speed 1.875 D/T at half time, peak acceleration 10/sqrt(3) D/T² (Flash & Hogan
// 1985, J Neurosci 5:1688-1703).
func TestMinimumJerk(t *testing.T) {
	c := course(t, setup.Tempo{Up: 2, Top: 1, Down: 3, Bottom: 1})
	s, v, a := c.At(1)
	check.Near(t, "place at half time", s, 0.5, 1e-12)
	check.Near(t, "peak speed", v, 1.875/2, 1e-12)
	check.Near(t, "acceleration at half time", a, 0, 1e-12)
	var fastest, hardest float64
	for i := range 2001 {
		_, v, a := c.At(2 * float64(i) / 2000)
		fastest, hardest = max(fastest, v), max(hardest, a)
	}
	check.Near(t, "largest speed", fastest, 1.875/2, 1e-6)
	check.Near(t, "largest acceleration", hardest, 10/math.Sqrt(3)/4, 1e-5)
	if s, v, _ := c.At(2.5); s != 1 || v != 0 {
		t.Errorf("in the pause: %v, %v", s, v)
	}
	if s, v, _ := c.At(6.5); s != 0 || v != 0 {
		t.Errorf("in the rest: %v, %v", s, v)
	}
}

// For any tempo the place stays in the range, begins and ends where it should, and rate and acceleration are its
// derivatives; at a turn without a pause the acceleration is the same on both sides.
func TestCourses(t *testing.T) {
	for _, tempo := range []setup.Tempo{{Up: 1, Down: 1}, {Up: 0.4, Down: 3}, {Up: 3, Down: 0.5, Top: 1}, {Up: 1, Down: 2, Bottom: 0.5},
		{Up: 2, Down: 2, Top: 1, Bottom: 1}} {
		c := course(t, tempo)
		for i := range 400 {
			at := c.Duration() * (float64(i) + 0.5) / 400
			s, v, a := c.At(at)
			if s < -1e-9 || s > 1+1e-9 {
				t.Fatalf("%+v: s is %v at %v s", tempo, s, at)
			}
			step := &fd.Settings{Formula: fd.Central, Step: 1e-5}
			check.Near(t, "rate", v, fd.Derivative(func(x float64) float64 { s, _, _ := c.At(x); return s }, at, step), 1e-4)
			check.Near(t, "acceleration", a, fd.Derivative(func(x float64) float64 { _, v, _ := c.At(x); return v }, at, step),
				2e-3*max(1, math.Abs(a)))
		}
		phases := c.Moving()
		top, _, _ := c.At(phases[1][0])
		check.Near(t, "the top", top, 1, 1e-12)
		if tempo.Top == 0 {
			_, _, before := c.At(tempo.Up - 1e-9)
			_, _, after := c.At(tempo.Up + 1e-9)
			check.Near(t, "acceleration through the turn", after, before, 1e-4*math.Abs(before))
			if before >= 0 {
				t.Errorf("%+v: at the top the acceleration is %v", tempo, before)
			}
		}
	}
}

func TestNoTimeNoCourse(t *testing.T) {
	for _, tempo := range []setup.Tempo{{}, {Up: 1}, {Down: 1}} {
		if _, ok := movement.NewCourse(tempo); ok {
			t.Errorf("%+v has a course", tempo)
		}
	}
}
