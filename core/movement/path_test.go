package movement_test

import (
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/diff/fd"
)

func raise(side string) *setup.Movement {
	return &setup.Movement{Kind: "shoulder-raise", Side: side, FromDeg: 5, ToDeg: 95,
		Hold: map[string]float64{"shoulder.planeDeg": 45, "elbow.flexionDeg": 20}}
}

// path is that of a usual body standing.
func path(m *setup.Movement) *movement.Path {
	b := body.New(&setup.Lifter{Stature: 1.75, Mass: 75})
	st := b.Settle(&setup.Posture{Kind: "standing"}, nil, m)
	return movement.New(&setup.Document{Movement: *m}, &b, &st)
}

func at(p *movement.Path, s float64) (arms, rates [2]body.Pose) {
	p.At(s, &arms, &rates)
	return arms, rates
}

func TestRaiseIsAStraightLine(t *testing.T) {
	p := path(raise("both"))
	for _, s := range []float64{0, 0.25, 0.5, 1} {
		arms, rates := at(p, s)
		for _, q := range arms {
			if got, want := space.Deg(q[setup.ShoulderElevation]), 5+90*s; math.Abs(got-want) > 1e-9 {
				t.Errorf("elevation at %v: %v, want %v", s, got, want)
			}
			if got := space.Deg(q[setup.ShoulderPlane]); math.Abs(got-45) > 1e-9 {
				t.Errorf("the plane is %v, want 45", got)
			}
			if got := space.Deg(q[setup.ElbowFlexion]); math.Abs(got-20) > 1e-9 {
				t.Errorf("the elbow is bent by %v, want 20", got)
			}
		}
		if got := space.Deg(rates[body.Right][setup.ShoulderElevation]); math.Abs(got-90) > 1e-9 {
			t.Errorf("rate at %v: %v degrees per unit s, want 90", s, got)
		}
	}
}

func TestOnlyTheNamedSideMoves(t *testing.T) {
	for name, lead := range map[string]body.Side{"right": body.Right, "left": body.Left} {
		p := path(raise(name))
		if p.Lead() != lead || p.Both() {
			t.Errorf("%s: lead %v, both %v", name, p.Lead(), p.Both())
		}
		_, rates := at(p, 0.5)
		if rates[lead][setup.ShoulderElevation] == 0 || rates[1-lead] != (body.Pose{}) {
			t.Errorf("%s: rates %v", name, rates)
		}
	}
	if p := path(raise("both")); p.Lead() != body.Right || !p.Both() {
		t.Error("both arms: the right leads")
	}
}

func bumpy() *setup.Movement {
	m := &setup.Movement{Kind: "keyframes", Side: "right"}
	for _, k := range []struct{ s, e, p float64 }{{0, 0, 90}, {0.2, 10, 90}, {0.7, 80, 40}, {1, 80, 0}} {
		m.Keyframes = append(m.Keyframes, setup.Keyframe{S: k.s, Pose: map[string]float64{"shoulder.elevationDeg": k.e, "shoulder.planeDeg": k.p}})
	}
	return m
}

// The path goes through its keyframes, never beyond its neighbours' values between them, and its rates are the
// derivatives.
func TestKeyframes(t *testing.T) {
	m := bumpy()
	p := path(m)
	for _, k := range m.Keyframes {
		arms, _ := at(p, k.S)
		if got := space.Deg(arms[body.Right][setup.ShoulderElevation]); math.Abs(got-k.Pose["shoulder.elevationDeg"]) > 1e-9 {
			t.Errorf("at %v: %v, want %v", k.S, got, k.Pose["shoulder.elevationDeg"])
		}
	}
	for s := 0.01; s < 1; s += 0.013 {
		arms, rates := at(p, s)
		q := arms[body.Right]
		if e := space.Deg(q[setup.ShoulderElevation]); e < -1e-9 || e > 80+1e-9 {
			t.Errorf("the path overshoots to %v at %v", e, s)
		}
		for _, c := range []setup.Coordinate{setup.ShoulderElevation, setup.ShoulderPlane} {
			want := fd.Derivative(func(x float64) float64 { a, _ := at(p, x); return a[body.Right][c] }, s, &fd.Settings{Formula: fd.Central, Step: 1e-6})
			if math.Abs(rates[body.Right][c]-want) > 1e-5 {
				t.Errorf("rate of %v at %v: %v, want %v", c, s, rates[body.Right][c], want)
			}
		}
	}
}
