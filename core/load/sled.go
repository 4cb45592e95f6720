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
	if l.Rides && l.Contact.At == "ball" {
		v.Add(path+".contact.at", "A carriage bears the back of somebody on the balls of the feet.", "It is known for whole soles only.", "Give at: sole.")
	}
	if l.Contact.Segment != "foot" {
		v.Add(path+".contact.segment", "A sled is pushed by the feet.", "", "Give foot, with at: sole or ball.")
	}
}

// sameRails is how far the slope of a gym's sled may be from that of the setup, degrees (own).
const sameRails = 15

func fitSled(f *kit.Fitting, path string, l *setup.Load) {
	i := kit.Alike(f.Room.Sleds, kit.Remembered(l).Item, func(s *kit.Sled) string { return s.Key }, func(s *kit.Sled) float64 {
		if off := math.Abs(s.RailDeg - l.RailDeg); off <= sameRails && s.Rides == l.Rides {
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
// rails they carry whatever the feet give; nothing is taken. Two feet push half of it each. A carriage that bears the back is the same
// seen from the lifter: the feet push themselves, and the lifter's weight along the rails, away from their plate.
type onRails struct {
	mass, slope, friction float64 // kg, rad, share
	body                  float64 // the lifter's own mass where it rides, kg
	plates                float64 // share of what is pushed that is plates
	along                 space.Vec
	at                    contact
}

func newSled(b *builder) (Source, *space.Vec) {
	s := &onRails{mass: b.PlateMass + b.LeverMass, slope: space.Rad(b.RailDeg), friction: b.Friction, at: b.at}
	if b.Rides {
		s.body = b.start.Body.BodyMass
	}
	s.plates = b.PlateMass / (s.mass + s.body)
	if b.pair {
		s.mass, s.body = s.mass/2, s.body/2
	}
	rise := space.Rad(b.RiseDeg())
	s.along = b.start.Station.Heading.Apply(space.Vec{X: math.Cos(rise), Y: math.Sin(rise)})
	return s, nil
}

func (s *onRails) At(f *body.Frames) Pull {
	n := s.mass * Gravity * math.Sin(s.slope)
	own := s.body * Gravity * math.Sin(s.slope)
	up, down := n*(1+s.friction)+own, n*(1-s.friction)+own
	return Pull{Contact: s.at.in(f), Force: r3.Scale(-up, s.along), Lowering: r3.Scale(-down, s.along), Tension: up}
}

// MovesWith is the segment that a carriage goes along with; the feet push a plate of their own otherwise.
func (s *onRails) MovesWith() (body.Segment, bool) { return body.Pelvis, s.body > 0 }

// Moving adds the inertia along the rails; friction works against the way that it goes. Of a lifter who rides all the mass is taken to go
// with the pelvis, though the legs go less (own).
func (s *onRails) Moving(f *body.Frames, v, a space.Vec) Pull {
	p := s.At(f)
	lifted := s.along // away from the lifter; with a carriage the lifter goes the other way
	if s.body > 0 {
		lifted = r3.Scale(-1, s.along)
	}
	g := Gravity*math.Sin(s.slope) + r3.Dot(a, lifted)
	loss := s.friction
	if r3.Dot(v, lifted) < 0 {
		loss = -loss
	}
	p.Tension = max(0, g*(s.mass*(1+loss)+s.body))
	p.Force = r3.Scale(-p.Tension, s.along)
	return p
}

func (s *onRails) Energy(f *body.Frames) float64 {
	if s.body > 0 {
		return s.mass * Gravity * math.Sin(s.slope) * -r3.Dot(f.Origin[body.Pelvis], s.along)
	}
	return s.mass * Gravity * math.Sin(s.slope) * r3.Dot(s.at.in(f), s.along)
}

// Varies is the share of the push that goes with the plates.
func (s *onRails) Varies() float64 { return s.plates }

// Shape is the foot of the plate and its top, and where it would be against the lifter: the rails run from there. Of a carriage there
// is also where its plates hang, behind the shoulders.
func (s *onRails) Shape(f *body.Frames) []space.Vec {
	up := r3.Cross(f.Station.Heading.Apply(space.Z), s.along)
	middle := r3.Add(f.Origin[body.Pelvis], r3.Scale(r3.Dot(r3.Sub(s.at.in(f), f.Origin[body.Pelvis]), s.along), s.along))
	shape := []space.Vec{r3.Sub(middle, r3.Scale(plateLow, up)), r3.Add(middle, r3.Scale(plateHigh, up)), f.Origin[body.Pelvis]}
	if s.body > 0 {
		shape = append(shape, f.OnThorax(space.Vec{X: -0.1 * f.Body.Height, Y: f.Body.ShoulderHeight - f.Body.HipHeight}))
	}
	return shape
}

// How far a sled's plate is drawn below and above the line through the hips, m (own).
const (
	plateLow  = 0.15
	plateHigh = 0.45
)
