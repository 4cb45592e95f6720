package load

import (
	"dialarc/core/body"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// lever is a machine's lever on an axis, or a bar with one end in a corner.
//
// With u the unit vector from the pivot to the hand and w the axis, masses m at the radius p and the angle b from the
// handle's direction put the torque Σ (p u_b x m g) · w on the lever. The handle, at R from the pivot, passes it on as a
// force square to the lever: torque / R along w x u. Along the lever it can pass on anything or nothing; nothing is taken.
// A bar in a corner turns every way: its weight pushes on the hand with (Σ p m g / R) down, less what lies along the bar.
// With two hands on it each gets half.
type lever struct {
	pivot  space.Vec
	axis   space.Vec // unit; zero for a bar in a corner
	share  float64
	masses [2]lump
	at     contact
}

// lump is a mass on the lever: kg, the radius in m, and its direction from the handle's.
type lump struct {
	mass, radius float64
	turn         space.Mat
}

func newLever(b *builder) (Source, *space.Vec) {
	l := &lever{pivot: b.point(b.Pivot), share: 1, at: b.at}
	if b.Shared {
		l.share = 0.5
	}
	plates := space.Identity
	if b.PivotAlong != nil {
		l.axis = r3.Unit(b.turn(space.Vec{X: b.PivotAlong.X, Y: b.PivotAlong.Y, Z: b.PivotAlong.Z}))
		plates = space.Rot(l.axis, space.Rad(b.PlateDeg))
	}
	l.masses = [2]lump{{b.PlateMass, b.PlateRadius, plates}, {b.LeverMass, b.LeverRadius, space.Identity}}
	return l, &l.pivot
}

// handle is the unit vector from the pivot to the hands, in the plane of the lever, and their distance.
func (l *lever) handle(f *body.Frames) (space.Vec, float64) {
	out := r3.Sub(l.at.line(f), l.pivot)
	if l.axis != (space.Vec{}) {
		out = space.Reject(out, l.axis)
	}
	r := space.Norm(out)
	return r3.Scale(1/max(r, 1e-9), out), r
}

// push is the force on the hand of masses that weigh g down each kilogram, for any field of acceleration g.
func (l *lever) push(u space.Vec, r float64, g func(place space.Vec) space.Vec) space.Vec {
	var f space.Vec
	for i := range l.masses {
		m := &l.masses[i]
		place := r3.Scale(m.radius, m.turn.Apply(u))
		weight := r3.Scale(m.mass, g(place))
		if l.axis == (space.Vec{}) {
			f = r3.Add(f, r3.Scale(m.radius/r, space.Reject(weight, u)))
			continue
		}
		torque := r3.Dot(r3.Cross(place, weight), l.axis)
		f = r3.Add(f, r3.Scale(torque/r, r3.Cross(l.axis, u)))
	}
	return r3.Scale(l.share, f)
}

func (l *lever) At(f *body.Frames) Pull {
	u, r := l.handle(f)
	force := l.push(u, r, func(space.Vec) space.Vec { return space.Vec{Y: -Gravity} })
	return Pull{Contact: l.at.in(f), Force: force, Lowering: force, Tension: space.Norm(force)}
}

// Moving adds the lever's moment of inertia: every mass resists with the acceleration that the hand's gives it across
// the lever.
func (l *lever) Moving(f *body.Frames, _, a space.Vec) Pull {
	u, r := l.handle(f)
	if l.at.shared {
		a = space.Reject(a, f.Station.Heading.Apply(space.Z))
	}
	across := space.Reject(a, u)
	force := l.push(u, r, func(place space.Vec) space.Vec {
		down := space.Vec{Y: -Gravity}
		if l.axis == (space.Vec{}) {
			return r3.Sub(down, r3.Scale(space.Norm(place)/r, across))
		}
		turn := r3.Dot(r3.Cross(u, across), l.axis) / r
		return r3.Sub(down, r3.Scale(turn, r3.Cross(l.axis, place)))
	})
	return Pull{Contact: l.at.in(f), Force: force, Lowering: force, Tension: space.Norm(force)}
}

func (l *lever) Energy(f *body.Frames) float64 {
	u, _ := l.handle(f)
	sum := 0.0
	for i := range l.masses {
		m := &l.masses[i]
		sum += m.mass * Gravity * m.radius * m.turn.Apply(u).Y
	}
	return l.share * sum
}

// HandleDistance is how far the hand is from a lever's pivot, m; 0 for other loads.
func (it *Item) HandleDistance(f *body.Frames) float64 {
	l, ok := it.Source.(*lever)
	if !ok {
		return 0
	}
	_, r := l.handle(f)
	return r
}
