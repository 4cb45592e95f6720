package support

import (
	"slices"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Sizes of the sloping pad that carries the upper arms (own).
const (
	armPadThick = 0.03  // half of its thickness, m
	armPadWide  = 0.16  // half of its breadth, m
	armRadius   = 0.026 // of an upper arm, share of stature
	raised      = 0.35  // sine of the angle from hanging, from which an upper arm lies on a pad rather than hangs beside it
)

// armOnPad is where the pad pushes an upper arm that lies on it: the middle of the arm's underside and the way out of the pad.
func armOnPad(f *body.Frames, side body.Side) (at, normal, along space.Vec, lies bool) {
	arm := side.On(body.UpperArmR)
	along = r3.Unit(r3.Sub(f.PointOn(arm, 1), f.PointOn(arm, 0)))
	up := space.Reject(space.Y, along)
	if space.Norm(up) < raised {
		return at, normal, along, false
	}
	normal = r3.Unit(up)
	return r3.Sub(f.PointOn(arm, 0.6), r3.Scale(armRadius*f.Body.Height, normal)), normal, along, true
}

// ArmPads are the pads under the upper arms of a lifter who works on one, as they lie in a pose; they do not move with it.
func ArmPads(f *body.Frames, p *setup.Posture) []body.Pad {
	if !slices.Contains(p.Restraints, "armPad") {
		return nil
	}
	var out []body.Pad
	for side := body.Right; side <= body.Left; side++ {
		at, normal, along, lies := armOnPad(f, side)
		if !lies {
			continue
		}
		across := r3.Cross(normal, r3.Scale(-1, along))
		turn := space.Mat{{normal.X, -along.X, across.X}, {normal.Y, -along.Y, across.Y}, {normal.Z, -along.Z, across.Z}}
		out = append(out, body.Pad{Middle: r3.Sub(at, r3.Scale(armPadThick, normal)), Turn: turn,
			Half: space.Vec{X: armPadThick, Y: 0.55 * f.Body.UpperArm, Z: armPadWide}})
	}
	return out
}
