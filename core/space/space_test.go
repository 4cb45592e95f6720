package space_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

func randomUnit(r *rand.Rand) space.Vec {
	return r3.Unit(space.Vec{X: r.NormFloat64(), Y: r.NormFloat64(), Z: r.NormFloat64()})
}

// The rotations agree with gonum's quaternions about any axis, and with their own closed forms about the room's axes.
func TestRotationsAgreeWithGonum(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for range 100 {
		axis, v, a := randomUnit(r), randomUnit(r), r.Float64()*6-3
		m := space.Rot(axis, a)
		check.Vec(t, "Rot", m.Apply(v), r3.NewRotation(a, axis).Rotate(v))
		for _, c := range []struct {
			axis space.Vec
			m    space.Mat
		}{{space.X, space.RotX(a)}, {space.Y, space.RotY(a)}, {space.Z, space.RotZ(a)}} {
			check.Vec(t, "axis rotation", c.m.Apply(v), r3.NewRotation(a, c.axis).Rotate(v))
		}
	}
}

func TestMulAndTranspose(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	for range 50 {
		a, b, v := space.Rot(randomUnit(r), r.Float64()), space.Rot(randomUnit(r), r.Float64()), randomUnit(r)
		ab := a.Mul(&b)
		check.Vec(t, "first b, then a", ab.Apply(v), a.Apply(b.Apply(v)))
		back := ab.Transpose()
		check.Vec(t, "the inverse", back.Apply(ab.Apply(v)), v)
	}
}

// Turning the mirror image is the mirror image of turning, and a spin changes sign against a true vector: the mirrored
// velocity w x v is the mirror image of the velocity.
func TestMirror(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	for range 50 {
		m, v, w := space.Rot(randomUnit(r), r.Float64()), randomUnit(r), randomUnit(r)
		mm := m.Mirrored()
		check.Vec(t, "mirrored turn", mm.Apply(space.MirrorPoint(v)), space.MirrorPoint(m.Apply(v)))
		check.Vec(t, "mirrored spin", r3.Cross(space.MirrorSpin(w), space.MirrorPoint(v)), space.MirrorPoint(r3.Cross(w, v)))
	}
}

func TestRejectLeavesNothingAlong(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 8))
	for range 50 {
		n, v := randomUnit(r), r3.Scale(3, randomUnit(r))
		rest := space.Reject(v, n)
		check.Near(t, "along n", r3.Dot(rest, n), 0, 1e-12)
		check.Near(t, "Pythagoras", r3.Norm2(rest)+math.Pow(r3.Dot(v, n), 2), 9, 1e-12)
		check.Near(t, "Norm", space.Norm(v), r3.Norm(v), 1e-12)
	}
}

func TestSegmentToVerticalLine(t *testing.T) {
	level := space.Vec{X: -1, Y: 1}
	for _, c := range []struct {
		name      string
		a, b      space.Vec
		x, z      float64
		low, high float64
		distance  float64
		reaches   bool
	}{
		{"beside the middle of a level piece", level, space.Vec{X: 1, Y: 1}, 0, 0.3, 0, 2, 0.3, true},
		{"beyond its end", level, space.Vec{X: 1, Y: 1}, 4, 4, 0, 2, 5, true},
		{"level but too high", level, space.Vec{X: 1, Y: 1}, 0, 0, 0, 0.9, 0, false},
		{"only the low half counts", space.Vec{X: 0, Y: 0}, space.Vec{X: 2, Y: 2}, 2, 0, 0, 1, 1, true},
		{"rising past the top", space.Vec{X: 0, Y: 3}, space.Vec{X: 0, Y: 4}, 0, 0, 0, 2, 0, false},
		{"straight down the line", space.Vec{X: 0.2, Y: 0}, space.Vec{X: 0.2, Y: 1}, 0, 0, 0, 2, 0.2, true},
	} {
		got, reaches := space.SegmentToVerticalLine(c.a, c.b, c.x, c.z, c.low, c.high)
		if reaches != c.reaches {
			t.Errorf("%s: reaches %v, want %v", c.name, reaches, c.reaches)
			continue
		}
		check.Near(t, c.name, got, c.distance, 1e-12)
	}
}
