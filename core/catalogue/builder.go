package catalogue

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// station is the one that ready setups are made for.
var station = kit.Twin()

// maker writes setups for one lifter: everything is placed from their own lengths.
//
// Loads are light, as shares of the body mass of a trained man (own); of others as much less or more as they are weaker or stronger on
// average, so that a set begins with about the same effort.
type maker struct {
	l    *setup.Lifter
	b    body.Body
	mass float64 // of a trained man who is as strong, kg
}

func newMaker(l *setup.Lifter) *maker {
	return &maker{l: l, b: body.New(l), mass: l.BodyMass * Trained(l.Training, l.Sex, false)}
}

// ofLegs is the maker of setups that the legs lift.
func (m *maker) ofLegs() *maker {
	legs := *m
	legs.mass = m.l.BodyMass * Trained(m.l.Training, m.l.Sex, true)
	return &legs
}

// kg is a share of body mass in whole half kilograms.
func (m *maker) kg(share float64) float64 { return max(0.5, math.Round(2*share*m.mass)/2) }

// pin is a share of body mass in whole steps of the station's stack.
func (m *maker) pin(share float64) float64 {
	c := station.Column
	return max(c.Lightest, math.Round(share*m.mass/c.Step)*c.Step)
}

func mm(x float64) float64 { return math.Round(1000*x) / 1000 }

func at(x, y, z float64) *setup.Point { return &setup.Point{X: mm(x), Y: mm(y), Z: mm(z)} }

// shoulder and knee are heights of the standing lifter, m.
func (m *maker) shoulder() float64 { return mm(m.b.ShoulderHeight) }

type pose = map[string]float64

// base is a document with everything but movement and loads.
func (m *maker) base(region, joint string, p setup.Posture, bench *setup.Bench) setup.Document {
	return setup.Document{Schema: setup.Schema, Samples: setup.DefaultSamples, Lifter: *m.l, Posture: p, Bench: bench,
		Target: setup.Target{Region: region, Profile: "match", Joint: joint}, Tempo: setup.Tempo{Down: 3, Up: 2, Top: 1}}
}

func standing(x, heading float64) setup.Posture {
	return setup.Posture{Kind: "standing", X: x, HeadingDeg: heading, FeetApart: 0.30}
}

func hinged(x, heading, pitch float64) setup.Posture {
	return setup.Posture{Kind: "hinged", X: x, HeadingDeg: heading, FeetApart: 0.30, KneesDeg: 20, Trunk: setup.Trunk{PitchDeg: pitch}}
}

func seated(x, heading, pitch float64) setup.Posture {
	return setup.Posture{Kind: "seated", X: x, HeadingDeg: heading, FeetApart: 0.30, Trunk: setup.Trunk{PitchDeg: pitch}}
}

func lying(kind string, x, heading float64) setup.Posture {
	return setup.Posture{Kind: kind, X: x, HeadingDeg: heading, FeetApart: 0.40}
}

func bench(angle float64) *setup.Bench { return &setup.Bench{AngleDeg: angle, Height: 0.45} }

// sweep moves one coordinate and holds the others.
func sweep(side, key string, from, to float64, hold pose) setup.Movement {
	kind := "sweep"
	if key == "shoulder.elevation" && from < to {
		kind = "shoulder-raise"
	}
	return setup.Movement{Kind: kind, Side: side, Primary: key, FromDeg: from, ToDeg: to, Hold: hold}
}

// through goes through poses evenly.
func through(side string, poses ...pose) setup.Movement {
	v := setup.Movement{Kind: "keyframes", Side: side}
	for i, p := range poses {
		v.Keyframes = append(v.Keyframes, setup.Keyframe{S: float64(i) / float64(len(poses)-1), Pose: p})
	}
	return v
}

// arm is a pose of shoulder and elbow: plane and elevation, rotation, flexion.
func arm(plane, elevation, rotation, elbow float64) pose {
	return pose{"shoulder.planeOfElevationDeg": plane, "shoulder.elevationDeg": elevation, "shoulder.rotationDeg": rotation,
		"elbow.flexionDeg": elbow}
}

// swing moves a raised arm forward or back, turning as it does by itself: half as much as it would have to, not to spin.
func swing(side string, from, to, elevation, elbow float64) setup.Movement {
	s := math.Sin(elevation * math.Pi / 180)
	v := sweep(side, "shoulder.planeOfElevation", from, to, held(arm(0, elevation, math.Round(from*s*s/2), elbow),
		"shoulder.planeOfElevation"))
	v.Natural = true
	return v
}

// easy is a pose in which the upper arm is turned as it is by itself in its plane, and by an angle more.
func easy(plane, elevation, more, elbow float64) pose {
	s := math.Sin(elevation * math.Pi / 180)
	return arm(plane, elevation, math.Round(plane*s*s/2)+more, elbow)
}

// held is what a sweep holds: the pose without the coordinate that sweeps.
func held(p pose, without string) pose {
	q := pose{}
	for k, v := range p {
		if k != without+"Deg" {
			q[k] = v
		}
	}
	return q
}

var grip = setup.Contact{Segment: "hand", At: "grip"}

func cuff(segment string, share float64) setup.Contact {
	return setup.Contact{Segment: segment, Fraction: &share}
}

func dumbbell(mass float64) setup.Load {
	return setup.Load{ID: "dumbbell", Kind: setup.Dumbbell, Variable: true, Side: "right", Contact: grip, Mass: mass, Ratio: 1}
}

// bar is one weight in both hands.
func bar(mass float64) setup.Load {
	return setup.Load{ID: "bar", Kind: setup.Bar, Variable: true, Side: "right", Contact: grip, Mass: mass, Ratio: 1}
}

// cable comes from a column of the station, or from a pulley of another height or place when a station has none there.
func cable(p *setup.Point, stack float64, c setup.Contact) setup.Load {
	return setup.Load{ID: "cable", Kind: setup.Cable, Variable: true, Side: "right", Contact: c, Pulley: p, StackMass: stack,
		Ratio:    station.Ratio,
		Friction: setup.DefaultFriction, ParkedGap: setup.DefaultParkedGap, Travel: setup.DefaultTravel}
}

// inBothHands is a cable with a bar for both hands, or with a handle where one side moves and the other hand follows.
func inBothHands(l setup.Load) setup.Load {
	l.Shared = true
	return l
}

// rope is two strands on one cable, one in each hand.
func rope(p *setup.Point, stack, strand float64) setup.Load {
	l := cable(p, stack, grip)
	l.ID, l.Kind, l.StrandLength = "rope", "rope", strand
	return l
}

// band pulls with a force, N, at twice its length at rest.
func band(p *setup.Point, rest, pull float64, c setup.Contact) setup.Load {
	return setup.Load{ID: "band", Kind: setup.Band, Variable: true, Side: "right", Contact: c, Anchor: p, RestLength: mm(rest),
		Section: pull / kit.RubberAtDouble,
		Strands: 1, Hysteresis: setup.DefaultHysteresis, Ratio: 1}
}

// hand is where the right grip is in a pose, room axes.
func (m *maker) hand(d *setup.Document, p pose) space.Vec {
	var q body.Pose
	for key, deg := range p {
		if c, ok := setup.CoordinateOf(key); ok {
			q[c] = space.Rad(deg)
		}
	}
	st := m.b.Settle(&d.Posture, d.Bench, &d.Movement)
	var f body.Frames
	f.Place(&m.b, &st, &[2]body.Pose{q, q}, &[2]body.Pose{})
	return f.Grip[body.Right]
}

// joint is where the right shoulder is.
func (m *maker) joint(d *setup.Document) space.Vec {
	st := m.b.Settle(&d.Posture, d.Bench, &d.Movement)
	var f body.Frames
	f.Place(&m.b, &st, &[2]body.Pose{}, &[2]body.Pose{})
	return f.Joint[body.ShoulderR]
}

// k is how much taller the lifter is than the one that places in metres were tried for.
func (m *maker) k() float64 { return m.b.Height / 1.75 }

// line guides the hand between two places counted from the shoulder, forward, up and to the right, m at a height of 1.75 m.
func (m *maker) line(side string, from, to [3]float64, swivel float64) setup.Movement {
	k := m.k()
	place := func(v [3]float64) *setup.Point { return at(k*v[0], k*v[1], k*v[2]) }
	return setup.Movement{Kind: "guided", Side: side, Guide: &setup.Guide{Kind: "line", Relative: true, Start: *place(from), End: place(to),
		SwivelDeg: swivel}}
}

// raised is a pose of the upper arm alone.
func raised(plane, elevation float64) pose {
	return pose{"shoulder.planeOfElevationDeg": plane, "shoulder.elevationDeg": elevation}
}

// along goes through poses of the upper arm with the forearm in line with the cable.
func along(side string, poses ...pose) setup.Movement {
	v := through(side, poses...)
	v.InLine = "cable"
	return v
}
