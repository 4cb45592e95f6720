// Package space holds the little three-dimensional algebra that the rest of the core is written in.
//
// Points and vectors are gonum's r3.Vec, in metres (or newtons, newton metres) and in right-handed axes: X forward,
// Y up, Z to the right (International Society of Biomechanics, Wu et al. 2005, J Biomech 38:981-992). Rotations are
// plain 3x3 values rather than gonum's r3.Mat, which keeps its elements behind a pointer and so allocates at every
// product; these stay in registers on the hot path.
package space

import (
	"math"

	"gonum.org/v1/gonum/spatial/r3"
)

// Vec is a point or a vector, components along X, Y, Z.
type Vec = r3.Vec

// The axes of the room.
var (
	X = Vec{X: 1}
	Y = Vec{Y: 1}
	Z = Vec{Z: 1}
)

// Mat is a rotation matrix by rows; Mat applied to a vector gives the turned vector.
type Mat [3][3]float64

// Identity is the rotation that changes nothing.
var Identity = Mat{{1, 0, 0}, {0, 1, 0}, {0, 0, 1}}

// RotX is the right-handed rotation about X by a radians: Y turns towards Z.
func RotX(a float64) Mat {
	s, c := math.Sincos(a)
	return Mat{{1, 0, 0}, {0, c, -s}, {0, s, c}}
}

// RotY is the right-handed rotation about Y by a radians: Z turns towards X.
func RotY(a float64) Mat {
	s, c := math.Sincos(a)
	return Mat{{c, 0, s}, {0, 1, 0}, {-s, 0, c}}
}

// RotZ is the right-handed rotation about Z by a radians: X turns towards Y.
func RotZ(a float64) Mat {
	s, c := math.Sincos(a)
	return Mat{{c, -s, 0}, {s, c, 0}, {0, 0, 1}}
}

// Rot is the right-handed rotation by a radians about the unit vector n (Rodrigues' formula).
func Rot(n Vec, a float64) Mat {
	s, c := math.Sincos(a)
	k := 1 - c
	return Mat{
		{c + k*n.X*n.X, k*n.X*n.Y - s*n.Z, k*n.X*n.Z + s*n.Y},
		{k*n.X*n.Y + s*n.Z, c + k*n.Y*n.Y, k*n.Y*n.Z - s*n.X},
		{k*n.X*n.Z - s*n.Y, k*n.Y*n.Z + s*n.X, c + k*n.Z*n.Z},
	}
}

// Apply turns v by m.
func (m *Mat) Apply(v Vec) Vec {
	return Vec{
		X: m[0][0]*v.X + m[0][1]*v.Y + m[0][2]*v.Z,
		Y: m[1][0]*v.X + m[1][1]*v.Y + m[1][2]*v.Z,
		Z: m[2][0]*v.X + m[2][1]*v.Y + m[2][2]*v.Z,
	}
}

// Mul is the product m n: first n, then m.
func (m *Mat) Mul(n *Mat) Mat {
	var p Mat
	for i := range p {
		for j := range p {
			p[i][j] = m[i][0]*n[0][j] + m[i][1]*n[1][j] + m[i][2]*n[2][j]
		}
	}
	return p
}

// Transpose is the inverse rotation.
func (m *Mat) Transpose() Mat {
	return Mat{
		{m[0][0], m[1][0], m[2][0]},
		{m[0][1], m[1][1], m[2][1]},
		{m[0][2], m[1][2], m[2][2]},
	}
}

// Mirrored is the rotation that the mirror image in the plane Z = 0 makes: M m M with M = diag(1, 1, -1).
func (m *Mat) Mirrored() Mat {
	return Mat{
		{m[0][0], m[0][1], -m[0][2]},
		{m[1][0], m[1][1], -m[1][2]},
		{-m[2][0], -m[2][1], m[2][2]},
	}
}

// MirrorPoint reflects a point or a true vector in the plane Z = 0.
func MirrorPoint(v Vec) Vec { return Vec{X: v.X, Y: v.Y, Z: -v.Z} }

// MirrorSpin reflects an angular velocity or a torque, which change sign against a true vector under reflection.
func MirrorSpin(v Vec) Vec { return Vec{X: -v.X, Y: -v.Y, Z: v.Z} }

// Norm is the length of v. Lengths in a room neither overflow nor vanish, so the plain root serves; r3.Norm guards
// against both and is five times slower.
func Norm(v Vec) float64 { return math.Sqrt(v.X*v.X + v.Y*v.Y + v.Z*v.Z) }

// Reject is the part of v that is square to the unit vector n.
func Reject(v, n Vec) Vec { return r3.Sub(v, r3.Scale(r3.Dot(v, n), n)) }

// Rad converts degrees to radians.
func Rad(deg float64) float64 { return deg * math.Pi / 180 }

// Deg converts radians to degrees.
func Deg(rad float64) float64 { return rad * 180 / math.Pi }

// SegmentToVerticalLine is the least horizontal distance in metres between the straight piece a-b, as far as it lies
// between the heights low and high, and the vertical line through (x, z). The second result is false when no part of
// the piece lies between those heights.
func SegmentToVerticalLine(a, b Vec, x, z, low, high float64) (float64, bool) {
	from, to := 0.0, 1.0
	if dy := b.Y - a.Y; math.Abs(dy) < 1e-12 {
		if a.Y < low || a.Y > high {
			return 0, false
		}
	} else {
		t0, t1 := (low-a.Y)/dy, (high-a.Y)/dy
		from, to = max(from, min(t0, t1)), min(to, max(t0, t1))
		if from > to {
			return 0, false
		}
	}
	dx, dz := b.X-a.X, b.Z-a.Z
	t := from
	if l2 := dx*dx + dz*dz; l2 > 0 {
		t = max(from, min(to, ((x-a.X)*dx+(z-a.Z)*dz)/l2))
	}
	ox, oz := a.X+t*dx-x, a.Z+t*dz-z
	return math.Sqrt(ox*ox + oz*oz), true
}
