package torque_test

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/torque"
)

func move(t *testing.T, d *setup.Document, tempo setup.Tempo, n int) *torque.Motion {
	t.Helper()
	c, ok := movement.NewCourse(tempo)
	if !ok {
		t.Fatal("no course")
	}
	return torque.Move(input(d, 2), c, n)
}

// A dumbbell on a straight arm is a pendulum: torque m L² e” + m g L sin e, the segments by their places and as slender
// rods (closed form).
func TestDumbbellInMotion(t *testing.T) {
	d := dumbbell(6, 30, 0)
	tempo := setup.Tempo{Up: 1, Top: 1, Down: 1.5, Bottom: 1}
	m := move(t, &d, tempo, 41)
	c, _ := movement.NewCourse(tempo)
	b := body.New(&d.Lifter)
	at := map[body.Segment][2]float64{ // place and length
		body.UpperArmR: {0.436 * b.UpperArm, b.UpperArm}, body.ForearmR: {b.UpperArm + 0.430*b.Forearm, b.Forearm},
		body.HandR: {b.ArmLength(), b.Hand}}
	inertia, moment := 6*math.Pow(b.ArmLength(), 2), 6*b.ArmLength()
	for seg, x := range at {
		inertia += b.Masses[seg] * (x[0]*x[0] + x[1]*x[1]/12)
		moment += b.Masses[seg] * x[0]
	}
	for i, when := range m.Time {
		phase := c.Moving()[i/41]
		_, _, acceleration := c.At(min(max(when, phase[0]+1e-9), phase[1]-1e-9))
		want := inertia*acceleration*(120*math.Pi/180) + moment*load.Gravity*math.Sin(m.Angle[i])
		check.Near(t, "dynamic", m.Dynamic[i], want, 1e-6*math.Max(1, math.Abs(want)))
		check.Near(t, "static", m.Static[i], moment*load.Gravity*math.Sin(m.Angle[i]), 1e-9)
	}
}

// A stack drawn out straight away from its pulley: T = k m (g + k L”), whatever the ratio (closed form, by a level arm
// that sweeps in front of a far pulley at shoulder height, where the cable's line passes through the hand squarely).
func TestStackInMotion(t *testing.T) {
	d := dumbbell(6, 0, 0)
	d.Loads[0] = setup.Load{ID: "c", Kind: setup.Cable, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
		Pulley: &setup.Point{X: 0.3, Y: -40, Z: 0.175}, StackMass: 10, Ratio: 0.5, Travel: 100} // far below: the cable moves as the hand rises
	d.Movement.FromDeg, d.Movement.ToDeg = 60, 120
	tempo := setup.Tempo{Up: 0.8, Top: 1, Down: 1, Bottom: 1}
	m := move(t, &d, tempo, 31)
	c, _ := movement.NewCourse(tempo)
	b := body.New(&d.Lifter)
	quiet := d.Clone()
	quiet.Loads[0].StackMass = 1e-9
	arm := move(t, &quiet, tempo, 31)
	for i, when := range m.Time {
		phase := c.Moving()[i/31]
		_, rate, acceleration := c.At(min(max(when, phase[0]+1e-9), phase[1]-1e-9))
		e, span := m.Angle[i], 60*math.Pi/180
		// The hand's height is -L cos e; so far away its second derivative is the cable's.
		rise := b.ArmLength() * (math.Cos(e)*math.Pow(rate*span, 2) + math.Sin(e)*acceleration*span)
		want := 0.5 * 10 * (load.Gravity + 0.5*rise) * b.ArmLength() * math.Sin(e)
		check.Near(t, "the stack's part", m.Dynamic[i]-arm.Dynamic[i], want, 0.02*math.Abs(want))
	}
}

// Between pauses nothing is left of the inertia's work: over the lift the dynamic torque does the work of the static one.
func TestInertiaDoesNoWorkBetweenPauses(t *testing.T) {
	r := rand.New(rand.NewPCG(31, 32))
	for range 12 {
		d := random(r)
		d.Movement.Keyframes = slices.Delete(d.Movement.Keyframes, 1, 2) // smooth, so that the work is exact
		for _, k := range d.Movement.Keyframes {
			for key := range k.Pose {
				if key != "shoulder.elevationDeg" {
					k.Pose[key] = d.Movement.Keyframes[0].Pose[key]
				}
			}
		}
		d.Movement.Keyframes[1].Pose["shoulder.elevationDeg"] = d.Movement.Keyframes[0].Pose["shoulder.elevationDeg"] + 60
		for i := range d.Loads {
			d.Loads[i].Friction = 0
		}
		m := move(t, &d, setup.Tempo{Up: 2, Top: 1, Down: 2, Bottom: 1}, 801)
		var static, dynamic float64
		for i := 1; i < 801; i++ {
			step := m.Angle[i] - m.Angle[i-1]
			static += step * (m.Static[i] + m.Static[i-1]) / 2
			dynamic += step * (m.Dynamic[i] + m.Dynamic[i-1]) / 2
		}
		check.Near(t, "work of the lift", dynamic, static, 2e-3*math.Max(1, math.Abs(static)))
	}
}

// Common practice, no source: a weight is its weight only at rest. Thrown, it gives less on the way and more at the
// catch; a stack that is thrown goes slack; slowly, motion hardly matters.
func TestThrownWeight(t *testing.T) {
	d := dumbbell(4, 0, 0)
	thrown := move(t, &d, setup.Tempo{Up: 0.35, Down: 0.35}, 201)
	slow := move(t, &d, setup.Tempo{Up: 3, Top: 1, Down: 3, Bottom: 1}, 201)
	if most, still := slices.Max(thrown.Dynamic), slices.Max(thrown.Static); most < 2*still {
		t.Errorf("thrown, the most is %.1f against %.1f at rest", most, still)
	}
	if least := slices.Min(thrown.Dynamic[:201]); least > 0 {
		t.Errorf("on the way the thrown weight still asks %.1f", least)
	}
	for i := range slow.Time {
		check.Near(t, "slow", slow.Dynamic[i], slow.Static[i], 0.15*slices.Max(slow.Static))
	}
	cable := raise(t)
	cable.Loads[0].Travel = 3
	fast := move(t, &cable, setup.Tempo{Up: 0.25, Down: 0.25}, 201)
	if !slices.Contains(fast.Slack, true) || slices.Contains(move(t, &cable, setup.Tempo{Up: 2, Top: 1, Down: 3, Bottom: 1}, 201).Slack,
		true) {
		t.Error("thrown, a cable goes slack; slowly it does not")
	}
}
