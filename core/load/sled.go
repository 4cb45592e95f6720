package load

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

var sled = Kind{Name: setup.Sled, With: "on a sled", Counted: "the plates", Needs: "machine", OneThing: true,
	OwnSeat: func(*setup.Load) bool { return true }, Dead: func(l *setup.Load) float64 { return l.LeverMass },
	Mass: func(l *setup.Load) *float64 { return &l.PlateMass }, Scale: func(l *setup.Load, factor float64) { l.PlateMass *= factor },
	AtHand: func(l *setup.Load) float64 { return l.PlateMass }, Check: checkSled, Fit: fitSled, source: newSled, Dials: []dial.Dial{
		{Name: dial.SledPlates, Read: sledPlates, Write: func(d *setup.Document, i int, v float64) { d.Loads[i].PlateMass = v }},
		{Name: dial.SledFeet, Read: sledFeet, Write: func(d *setup.Document, i int, v float64) { d.Loads[i].SoleUp = v }},
		{Name: dial.SledRails, Read: sledRails, Write: func(d *setup.Document, i int, v float64) { d.Loads[i].RailDeg = v }}}}

func checkSled(v *setup.Checks, path string, l *setup.Load) {
	v.Field(loadRows, path+".plateMass", "mass of the plates", l.PlateMass, "kg", "")
	v.Field(loadRows, path+".leverMass", "mass of the sled", l.LeverMass, "kg", "")
	v.Field(loadRows, path+".friction", "share lost to friction", l.Friction, "", "")
	v.Field(loadRows, path+".railDeg", "slope of the rails", l.RailDeg, "degrees", "A sled on level rails weighs nothing along them.")
	v.Within(path+".plateDeg", "tilt of the sled's plate", l.PlateDeg, -30, 45, "degrees", "")
	v.Field(loadRows, path+".soleUp", "place of the feet on the plate", l.SoleUp, "m", "")
	if l.PlateMass+l.LeverMass <= 0 {
		v.Add(path+".plateMass", "The sled weighs nothing.", "Without a load there is no torque.",
			"Give the mass of plates or sled.")
	}
	if l.Contact.Segment != "foot" {
		v.Add(path+".contact.segment", "A sled is pushed by the feet.", "", "Give foot, with at: sole or ball.")
	}
}

// sameRails is how far the slope of a gym's sled may be from that of the setup, degrees (own).
const sameRails = 15

func fitSled(f *kit.Fitting, path string, l *setup.Load) {
	i := kit.Alike(f.Room.Sleds, kit.Remembered(l).Item, func(s *kit.Sled) string { return s.Key }, func(s *kit.Sled) float64 {
		if off := math.Abs(s.RailDeg - l.RailDeg); off <= sameRails {
			return off
		}
		return math.Inf(1)
	})
	if i < 0 {
		f.Lacks(path, "This gym has no sled on rails like these.", nil)
		return
	}
	s := &f.Room.Sleds[i]
	if kit.Differ(s.RailDeg, l.RailDeg) || kit.Differ(s.PlateDeg, l.PlateDeg) || kit.Differ(s.Mass, l.LeverMass) {
		f.Change(path+".railDeg", s.Name+": its own rails and plate, {mass} without plates.", kit.Values{"mass": kit.Mass(s.Mass)})
	}
	l.RailDeg, l.PlateDeg, l.LeverMass, l.Kit = s.RailDeg, s.PlateDeg, s.Mass, &setup.Kit{Item: s.Key}
	f.MassOf(path+".plateMass", l, &l.PlateMass, s.Loadable(), "Plates of {to} instead of {from}.", "")
}

func sledPlates(d *setup.Document, i int) dial.Setting {
	l := &d.Loads[i]
	return withMasses(l, dial.Setting{Group: "loads", Label: "Plates", Kind: "mass", From: 0, To: max(300, l.PlateMass), Step: 5,
		Value: l.PlateMass, Paint: "effort", Paths: []string{dial.LoadPath(i, "plateMass")}})
}

func sledFeet(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Feet up the plate", Kind: "length", From: -0.15, To: 0.35, Step: 0.01,
		Value: d.Loads[i].SoleUp, Paths: []string{dial.LoadPath(i, "soleUp")}}
}

func sledRails(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Slope of the rails", Kind: "angle", From: 15, To: 90, Step: 1, Value: d.Loads[i].RailDeg,
		Paint: "none", Paths: []string{dial.LoadPath(i, "railDeg")}}
}

// onRails is a plate on straight rails that the feet push along them. With u the direction in which it rises and β its slope, its mass m
// pushes back with m g sin β along u, more while it is lifted and less while it is lowered by the share that the rails lose. Across the
// rails they carry whatever the feet give; nothing is taken. Two feet push half of it each.
type onRails struct {
	mass, slope, friction float64 // kg, rad, share
	plates                float64 // share of the mass that is plates
	along                 space.Vec
	at                    contact
}

func newSled(b *builder) (Source, *space.Vec) {
	s := &onRails{mass: b.PlateMass + b.LeverMass, slope: space.Rad(b.RailDeg), friction: b.Friction, at: b.at}
	s.plates = b.PlateMass / s.mass
	if b.pair {
		s.mass /= 2
	}
	s.along = b.start.Station.Heading.Apply(space.Vec{X: math.Cos(s.slope), Y: math.Sin(s.slope)})
	return s, nil
}

func (s *onRails) At(f *body.Frames) Pull {
	n := s.mass * Gravity * math.Sin(s.slope)
	return Pull{Contact: s.at.in(f), Force: r3.Scale(-n*(1+s.friction), s.along), Lowering: r3.Scale(-n*(1-s.friction), s.along),
		Tension: n * (1 + s.friction)}
}

// Moving adds the inertia along the rails; friction works against the way that it goes.
func (s *onRails) Moving(f *body.Frames, v, a space.Vec) Pull {
	p := s.At(f)
	n := s.mass * (Gravity*math.Sin(s.slope) + r3.Dot(a, s.along))
	loss := s.friction
	if r3.Dot(v, s.along) < 0 {
		loss = -loss
	}
	p.Tension = max(0, n*(1+loss))
	p.Force = r3.Scale(-p.Tension, s.along)
	return p
}

func (s *onRails) Energy(f *body.Frames) float64 {
	return s.mass * Gravity * math.Sin(s.slope) * r3.Dot(s.at.in(f), s.along)
}

// Varies is the share of the push that goes with the plates.
func (s *onRails) Varies() float64 { return s.plates }

// Shape is the foot of the plate and its top, and where it would be against the lifter: the rails run from there.
func (s *onRails) Shape(f *body.Frames) []space.Vec {
	up := f.Station.Heading.Apply(space.Vec{X: -math.Sin(s.slope), Y: math.Cos(s.slope)})
	middle := r3.Add(f.Origin[body.Pelvis], r3.Scale(r3.Dot(r3.Sub(s.at.in(f), f.Origin[body.Pelvis]), s.along), s.along))
	return []space.Vec{r3.Sub(middle, r3.Scale(plateLow, up)), r3.Add(middle, r3.Scale(plateHigh, up)), f.Origin[body.Pelvis]}
}

// How far a sled's plate is drawn below and above the line through the hips, m (own).
const (
	plateLow  = 0.15
	plateHigh = 0.45
)
