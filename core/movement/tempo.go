package movement

import (
	"math"

	"dialarc/core/setup"
)

// Course is one repetition in time: lifting, pause, lowering, pause. Each phase moves along s by the quintic with zero
// speed at both ends, of which the one with zero end accelerations is the minimum-jerk course (Flash & Hogan 1985, J
// Neurosci 5:1688-1703). Next to a pause the end acceleration is zero. Where the movement turns without a pause both
// phases share the acceleration A = min[(20/3) D (ΣT⁻³)/(ΣT⁻¹), 20 D/max(T)²] with D = 1, which keeps s in its range.
type Course struct {
	up, top, down, bottom float64 // s
	atTop, atBottom       float64 // shared accelerations at the turns, per s², away from the turn
}

// NewCourse reads a tempo. The second result is false when lifting or lowering takes no time: then nothing can be said
// about accelerations.
func NewCourse(t setup.Tempo) (*Course, bool) {
	if !(t.Up > 0 && t.Down > 0) {
		return nil, false
	}
	c := &Course{up: t.Up, top: t.Top, down: t.Down, bottom: t.Bottom}
	if t.Top == 0 {
		c.atTop = turning(t.Up, t.Down)
	}
	if t.Bottom == 0 {
		c.atBottom = turning(t.Up, t.Down)
	}
	return c, true
}

func turning(a, b float64) float64 {
	longest := max(a, b)
	return min(20.0/3*(math.Pow(a, -3)+math.Pow(b, -3))/(1/a+1/b), 20/(longest*longest))
}

// Duration is the time of the whole repetition, s.
func (c *Course) Duration() float64 { return c.up + c.top + c.down + c.bottom }

// Moving lists the two moving phases as their start and end in time, lifting first.
func (c *Course) Moving() [2][2]float64 {
	return [2][2]float64{{0, c.up}, {c.up + c.top, c.up + c.top + c.down}}
}

// At gives the place s, its rate per second and its acceleration per second² at a time in [0, Duration].
func (c *Course) At(t float64) (s, rate, acceleration float64) {
	switch {
	case t < c.up:
		return quintic(t, c.up, c.atBottom, -c.atTop)
	case t <= c.up+c.top && c.top > 0:
		return 1, 0, 0
	case t <= c.up+c.top+c.down:
		s, rate, acceleration = quintic(t-c.up-c.top, c.down, c.atTop, -c.atBottom)
		return 1 - s, -rate, -acceleration
	}
	return 0, 0, 0
}

// quintic runs from 0 to 1 in the time T with zero speed and the accelerations a0 and a1 at its ends.
func quintic(t, duration, a0, a1 float64) (x, v, a float64) {
	u := t / duration
	k0, k1 := a0*duration*duration/2, a1*duration*duration/2
	x = u*u*u*(10+u*(6*u-15)) + k0*u*u*(1+u*(-3+u*(3-u))) + k1*u*u*u*(1+u*(u-2))
	v = u*u*30*(1+u*(u-2)) + k0*u*(2+u*(-9+u*(12-5*u))) + k1*u*u*(3+u*(5*u-8))
	a = u*60*(1+u*(2*u-3)) + k0*(2+u*(-18+u*(36-20*u))) + k1*u*(6+u*(20*u-24))
	return x, v / duration, a / (duration * duration)
}
