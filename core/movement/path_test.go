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
		Hold: map[string]float64{"shoulder.planeOfElevationDeg": 45, "elbow.flexionDeg": 20}}
}

// path is that of a usual body standing.
func path(m *setup.Movement) *movement.Path {
	b := body.New(&setup.Lifter{Height: 1.75, BodyMass: 75})
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
		m.Keyframes = append(m.Keyframes, setup.Keyframe{S: k.s, Pose: map[string]float64{"shoulder.elevationDeg": k.e,
			"shoulder.planeOfElevationDeg": k.p}})
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
			want := fd.Derivative(func(x float64) float64 { a, _ := at(p, x); return a[body.Right][c] }, s,
				&fd.Settings{Formula: fd.Central, Step: 1e-6})
			if math.Abs(rates[body.Right][c]-want) > 1e-5 {
				t.Errorf("rate of %v at %v: %v, want %v", c, s, rates[body.Right][c], want)
			}
		}
	}
}

// A guided arm may go from one reading of its pose, plane p and elevation e, to the other, p + 180 degrees and -e, just where its rates are
// taken. Those stay what they are beside it: the change is one of names.
func TestRatesWhereTheReadingChanges(t *testing.T) {
	guided := func(swivel float64) *movement.Path {
		return path(&setup.Movement{Kind: "guided", Side: "right", Guide: &setup.Guide{Kind: "line", Relative: true, SwivelDeg: swivel,
			Start: setup.Point{X: 0.30, Y: -0.10, Z: 0.10}, End: &setup.Point{X: 0.05, Y: -0.20, Z: 0.25}}})
	}
	const s = 0.2
	plane := func(swivel float64) float64 {
		poses, _ := at(guided(swivel), s)
		return poses[0][setup.ShoulderPlane]
	}
	jumps := func(a, b float64) bool { return math.Cos(plane(a)-plane(b)) < 0 }
	found := 0
	for swivel := -100.0; swivel < 140; swivel += 2 {
		low, high := swivel, swivel+2
		if !jumps(low, high) {
			continue
		}
		for range 60 {
			if mid := (low + high) / 2; jumps(low, mid) {
				high = mid
			} else {
				low = mid
			}
		}
		found++
		poses, rates := at(guided(low), s)
		_, beside := at(guided(low), s+1e-3)
		e := math.Sin(poses[0][setup.ShoulderElevation])
		speed, near := math.Hypot(rates[0][setup.ShoulderElevation], e*rates[0][setup.ShoulderPlane]),
			math.Hypot(beside[0][setup.ShoulderElevation], e*beside[0][setup.ShoulderPlane])
		if math.Abs(speed-near) > 0.1*near {
			t.Errorf("at a swivel of %.6f the arm swings at %.1f rad, beside it at %.1f", low, speed, near)
		}
	}
	if found == 0 {
		t.Error("the reading never changes")
	}
}
