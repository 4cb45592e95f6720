package body

import (
	"math"

	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Hang turns the whole body about a line through both hands until its centre of mass is straight below them, as somebody hangs whose grip
// gives way to every turn, or straight above, as somebody stands on them. Pose and rates have been placed before. It is the body alone that
// hangs: with what it carries, twice the load would not be twice the torque.
func (f *Frames) Hang() {
	lateral := f.Station.Heading.Apply(space.Z)
	middle := f.BetweenHands()
	drift := r3.Scale(0.5, add(f.Velocity(HandR, f.Grip[Right]), f.Velocity(HandL, f.Grip[Left])))
	below := space.Reject(sub(f.CentreOfMass(), middle), lateral)
	moving := space.Reject(sub(f.DriftOfMass(), drift), lateral)
	// Turning it by the angle to the upright takes the turn that it has by itself out again.
	upright := space.Vec{Y: math.Copysign(1, below.Y)}
	angle := math.Atan2(r3.Dot(r3.Cross(below, upright), lateral), r3.Dot(below, upright))
	rate := -r3.Dot(r3.Cross(below, moving), lateral) / r3.Norm2(below)
	f.swing(middle, space.Rot(lateral, angle), r3.Scale(rate, lateral))
}

// BetweenHands is the middle between both grips, m.
func (f *Frames) BetweenHands() space.Vec { return r3.Scale(0.5, add(f.Grip[Right], f.Grip[Left])) }

// DriftOfMass is the velocity of the centre of mass, m per unit s.
func (f *Frames) DriftOfMass() space.Vec {
	return f.overMasses(func(s Segment) space.Vec { return f.Velocity(s, f.COM[s]) })
}

// swing turns the whole body about a place and gives it a turn beside what it does.
func (f *Frames) swing(about space.Vec, turn space.Mat, spin space.Vec) {
	place := func(p space.Vec) space.Vec { return add(about, turn.Apply(sub(p, about))) }
	for s := range f.Origin {
		f.Turn[s] = turn.Mul(&f.Turn[s])
		f.Origin[s], f.COM[s] = place(f.Origin[s]), place(f.COM[s])
		f.Omega[s] = add(turn.Apply(f.Omega[s]), spin)
		f.Rate[s] = add(turn.Apply(f.Rate[s]), r3.Cross(spin, sub(f.Origin[s], about)))
	}
	for j := range f.Joint {
		f.Joint[j], f.Spin[j] = place(f.Joint[j]), turn.Apply(f.Spin[j])
	}
	for side := range f.Grip {
		f.Grip[side], f.Wrist[side], f.Tip[side] = place(f.Grip[side]), place(f.Wrist[side]), place(f.Tip[side])
	}
}
