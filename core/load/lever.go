package load

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

var lever = Kind{Name: setup.Lever, From: FromPivot, With: "with a lever", Counted: "the plates", Needs: "machine", Shares: true,
	Circle:  true,
	OwnSeat: func(l *setup.Load) bool { return l.PivotAlong != nil }, Dead: func(l *setup.Load) float64 { return l.LeverMass },
	Mass: func(l *setup.Load) *float64 { return &l.PlateMass }, Scale: func(l *setup.Load, factor float64) { l.PlateMass *= factor },
	AtHand: func(l *setup.Load) float64 { return l.PlateMass }, Alone: halfLever, Check: checkLever, Fit: fitLever, source: newLever,
	Dials: []dial.Dial{{Name: dial.LeverPlates, Applies: placed, Read: plateMass, Write: func(d *setup.Document, i int,
		v float64) {
		d.Loads[i].PlateMass = v
	}}}}

// halfLever is a lever for one hand instead of both.
func halfLever(l *setup.Load) {
	if l.Shared {
		l.PlateMass, l.LeverMass, l.Shared = l.PlateMass/2, l.LeverMass/2, false
	}
}

func checkLever(v *setup.Checks, path string, l *setup.Load) {
	v.Place(path+".pivot", "pivot", l.Pivot)
	if l.PivotAlong != nil {
		v.Direction(path+".pivotAlong", "lever's axis", l.PivotAlong)
	}
	v.Field(loadRows, path+".plateMass", "mass of the plates", l.PlateMass, "kg", "")
	v.Field(loadRows, path+".plateRadius", "distance from axis to plates", l.PlateRadius, "m", "")
	v.Field(loadRows, path+".plateDeg", "direction of the plates", l.PlateDeg, "degrees", "")
	v.Field(loadRows, path+".leverMass", "mass of the lever", l.LeverMass, "kg", "")
	v.Field(loadRows, path+".leverRadius", "distance from axis to the lever's centre of mass", l.LeverRadius, "m", "")
	v.Field(loadRows, path+".handleRadius", "distance from axis to handle", l.HandleRadius, "m", "The hand moves on that circle.")
	if l.PlateMass+l.LeverMass <= 0 {
		v.Add(path+".plateMass", "The lever weighs nothing.", "Without a load there is no torque.",
			"Give the mass of plates or lever.")
	}
	if l.PivotAlong == nil && l.PlateDeg != 0 {
		v.Add(path+".plateDeg", "A bar in a corner has its plates along it.", "", "Leave it out, or give the lever's axis in pivotAlong.")
	}
	if !slices.Contains([]string{"hand", "forearm", "upperArm"}, l.Contact.Segment) {
		v.Add(path+".contact.segment", "A lever is held by the arm.", "", "Give hand, forearm or upperArm.")
	}
}

func plateMass(d *setup.Document, i int) dial.Setting {
	l := &d.Loads[i]
	return withMasses(l, dial.Setting{Group: "loads", Label: "Plates", Kind: "mass", From: 0, To: heaviest(d, 2.5, 1, l.PlateMass), Step: 2.5,
		Value: l.PlateMass,
		Paint: "effort", Paths: []string{dial.LoadPath(i, "plateMass"), dial.LoadPath(i, "handleRadius")}})
}

// sameHandle is how far a lever's handle may be from where the setup has it, m (own): the path follows its circle.
const sameHandle = 0.05

func fitLever(f *kit.Fitting, path string, l *setup.Load) {
	if l.PivotAlong == nil { // a bar with one end in a corner
		i := slices.IndexFunc(f.Room.Weights, func(w kit.Weights) bool { return w.Kind == "bar" })
		if i < 0 {
			f.Lacks(path, "This gym has no bar.", nil)
			return
		}
		w := kit.Lever{Plates: f.Room.Weights[i].Plates}
		f.MassOf(path+".plateMass", l, &l.PlateMass, w.Loadable(), "Plates of {to} instead of {from}.", "")
		return
	}
	i := kit.Alike(f.Room.Levers, kit.Remembered(l).Item, func(x *kit.Lever) string { return x.Key }, func(x *kit.Lever) float64 {
		if off := math.Abs(x.HandleRadius - l.HandleRadius); off <= sameHandle {
			return off
		}
		return math.Inf(1)
	})
	if i < 0 {
		f.Lacks(path, "This gym has no lever machine whose handle is {at} from its axis.", kit.Values{"at": kit.Length(l.HandleRadius)})
		return
	}
	m := &f.Room.Levers[i]
	if kit.Differ(m.PlateRadius, l.PlateRadius) || kit.Differ(m.PlateDeg, l.PlateDeg) || kit.Differ(m.LeverMass, l.LeverMass) ||
		kit.Differ(m.LeverRadius, l.LeverRadius) {
		f.Change(path+".plateRadius", m.Name+": plates {at} from the axis, the lever itself {lever}.",
			kit.Values{"at": kit.Length(m.PlateRadius), "lever": kit.Mass(m.LeverMass)})
	}
	l.PlateRadius, l.PlateDeg, l.LeverMass, l.LeverRadius = m.PlateRadius, m.PlateDeg, m.LeverMass, m.LeverRadius
	l.Kit, l.Measured = &setup.Kit{Item: m.Key}, setup.Copied(m.Measured)
	f.MassOf(path+".plateMass", l, &l.PlateMass, m.Loadable(), "Plates of {to} instead of {from}.", "")
}

// arm is a machine's lever on an axis, or a bar with one end in a corner.
//
// With u the unit vector from the pivot to the hand and w the axis, masses m at the radius p and the angle b from the
// handle's direction put the torque Σ (p u_b x m g) · w on the lever. The handle, at R from the pivot, passes it on as a
// force square to the lever: torque / R along w x u. Along the lever it can pass on anything or nothing; nothing is taken.
// A bar in a corner turns every way: its weight pushes on the hand with (Σ p m g / R) down, less what lies along the bar.
// With two hands on it each gets half.
type arm struct {
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
	l := &arm{pivot: b.point(b.Pivot), share: 1, at: b.at}
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
func (l *arm) handle(f *body.Frames) (space.Vec, float64) {
	out := r3.Sub(l.at.line(f), l.pivot)
	if l.axis != (space.Vec{}) {
		out = space.Reject(out, l.axis)
	}
	r := space.Norm(out)
	return r3.Scale(1/max(r, 1e-9), out), r
}

// push is the force on the hand of masses that weigh g down each kilogram, for any field of acceleration g.
func (l *arm) push(u space.Vec, r float64, g func(place space.Vec) space.Vec) space.Vec {
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

func (l *arm) At(f *body.Frames) Pull {
	u, r := l.handle(f)
	force := l.push(u, r, func(space.Vec) space.Vec { return space.Vec{Y: -Gravity} })
	return Pull{Contact: l.at.in(f), Force: force, Lowering: force, Tension: space.Norm(force)}
}

// Moving adds the lever's moment of inertia: every mass resists with the acceleration that the hand's gives it across
// the lever.
func (l *arm) Moving(f *body.Frames, _, a space.Vec) Pull {
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

func (l *arm) Energy(f *body.Frames) float64 {
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
	l, ok := it.Source.(*arm)
	if !ok {
		return 0
	}
	_, r := l.handle(f)
	return r
}

// Shape is the lever's pivot, its plates and its handle.
func (l *arm) Shape(f *body.Frames) []space.Vec {
	u, r := l.handle(f)
	return []space.Vec{l.pivot, r3.Add(l.pivot, r3.Scale(l.masses[0].radius, l.masses[0].turn.Apply(u))), r3.Add(l.pivot, r3.Scale(r, u))}
}
