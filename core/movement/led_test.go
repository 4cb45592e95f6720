package movement_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// led is a document whose legs are led by something, settled.
func led(d *setup.Document) (*movement.Path, *body.Station) {
	d.Lifter = setup.Lifter{Height: 1.75, BodyMass: 75}
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	return movement.New(d, &b, &st), &st
}

func legSweep(side, key string, from, to float64, hold map[string]float64) setup.Movement {
	return setup.Movement{Kind: "sweep", Side: side, Primary: key, FromDeg: from, ToDeg: to, Hold: hold}
}

func along(p *movement.Path, see func(s float64, f *body.Frames)) {
	for i := range 11 {
		var f body.Frames
		p.Place(float64(i)/10, &f)
		see(float64(i)/10, &f)
	}
}

// The back stays on its edge and the feet where they are while the hips go up; with the hips straight and the usual distance of the feet
// the shins are upright.
func TestBackStaysOnItsEdge(t *testing.T) {
	p, st := led(&setup.Document{Posture: setup.Posture{Kind: "supine", Root: "shoulders", HeadingDeg: 40, X: 0.3},
		Bench: &setup.Bench{Height: 0.4}, Movement: legSweep("both", "hip.flexion", 70, 0, nil)})
	var start body.Frames
	p.Place(0, &start)
	along(p, func(s float64, f *body.Frames) {
		on := r3.Add(f.Origin[body.Pelvis], f.Turn[body.Pelvis].Apply(f.Body.OnEdge()))
		check.Near(t, "off the edge", r3.Norm(r3.Sub(on, st.Edge)), 0, 1e-9)
		check.Near(t, "foot moved", r3.Norm(r3.Sub(f.Origin[body.FootR], start.Origin[body.FootR])), 0, 1e-9)
		check.Near(t, "missed", p.Misses(s), 0, 1e-12)
	})
	var top body.Frames
	p.Place(1, &top)
	check.Near(t, "shin", space.Deg(math.Acos(-top.Direction(body.ShankR).Y)), 0, 3)
	if rise := top.Origin[body.Pelvis].Y - start.Origin[body.Pelvis].Y; rise < 0.15 {
		t.Errorf("the hips rise by %.2f m", rise)
	}
}

// On a sled the ankle goes along the rails, as far from the line through the hips as the feet are up the plate, and the sole stays
// square to them but for the plate's tilt; on its ball the foot turns about a place that goes along the rails.
func TestFeetGoAlongTheRails(t *testing.T) {
	sled := setup.Load{ID: "sled", Kind: setup.Sled, Side: "right", Contact: setup.Contact{Segment: "foot", At: "sole"}, PlateMass: 80,
		RailDeg: 40, PlateDeg: 10, SoleUp: 0.1}
	d := setup.Document{Posture: setup.Posture{Kind: "seated", HeadingDeg: -30}, Bench: &setup.Bench{AngleDeg: 20, Height: 0.4},
		Movement: legSweep("both", "knee.flexion", 90, 15, nil), Loads: []setup.Load{sled}}
	seen := func(p *movement.Path, st *body.Station, of func(f *body.Frames) space.Vec) {
		up := st.Heading.Apply(space.Vec{X: -math.Sin(space.Rad(40)), Y: math.Cos(space.Rad(40))})
		across := st.Heading.Apply(space.Z)
		along(p, func(s float64, f *body.Frames) {
			at := space.Reject(r3.Sub(of(f), f.Joint[body.HipR]), across)
			check.Near(t, "up the plate", r3.Dot(at, up), 0.1, 1e-9)
			check.Near(t, "missed", p.Misses(s), 0, 1e-12)
		})
	}
	p, st := led(&d)
	seen(p, st, func(f *body.Frames) space.Vec { return f.Origin[body.FootR] })
	rail := st.Heading.Apply(space.Vec{X: math.Cos(space.Rad(40)), Y: math.Sin(space.Rad(40))})
	along(p, func(_ float64, f *body.Frames) {
		sole := f.Turn[body.FootR].Apply(space.Vec{Y: -1})
		check.Near(t, "sole off the rails", space.Deg(math.Acos(r3.Dot(sole, rail))), 10, 1e-6)
	})
	d.Movement, d.Loads[0].Contact.At = legSweep("both", "ankle.flexion", 20, -30, map[string]float64{"knee.flexionDeg": 5}), "ball"
	p, st = led(&d)
	seen(p, st, func(f *body.Frames) space.Vec { return f.Ball(body.Right) })
}

// Somebody who sits with the balls of the feet on a block stays on it while the heels rise, and the knees rise with them.
func TestBallsStayOnTheirBlock(t *testing.T) {
	p, st := led(&setup.Document{Posture: setup.Posture{Kind: "seated", HeelsFree: true, Riser: 0.08, SeatHeight: 0.45},
		Movement: legSweep("both", "ankle.flexion", 15, -30, nil)})
	last := 0.0
	along(p, func(s float64, f *body.Frames) {
		off := space.Reject(r3.Sub(f.Ball(body.Right), st.Step()), space.Z)
		check.Near(t, "off the block", r3.Norm(off), 0, 1e-9)
		if knee := f.Joint[body.KneeR].Y; knee <= last {
			t.Errorf("at %.1f the knee is at %.3f m, before at %.3f", s, knee, last)
		} else {
			last = knee
		}
	})
}

// The weight of the body is where it is asked to be: over the foot that is stood on, a little ahead of the balls of the feet, or as shared
// between two feet one ahead of the other.
func TestWeightIsWhereItIsAsked(t *testing.T) {
	knee := setup.Movement{Kind: "keyframes", Side: "right", Keyframes: []setup.Keyframe{
		{S: 0, Pose: map[string]float64{"hip.flexionDeg": 80, "knee.flexionDeg": 75}},
		{S: 1, Pose: map[string]float64{"hip.flexionDeg": 30, "knee.flexionDeg": 30}}}}
	p, _ := led(&setup.Document{Posture: setup.Posture{Kind: "standing", Root: "foot", Stands: "right", HeadingDeg: 25}, Movement: knee})
	flat := func(v space.Vec) space.Vec { return space.Vec{X: v.X, Z: v.Z} }
	along(p, func(_ float64, f *body.Frames) {
		check.Near(t, "over the foot", r3.Norm(flat(r3.Sub(f.CentreOfMass(), f.Pressure(body.Right)))), 0, 1e-9)
		check.Near(t, "the foot stays", r3.Norm(flat(r3.Sub(f.Origin[body.FootR], space.Vec{}))), 0, 1e-9)
	})
	knee.Other = &setup.OtherSide{Start: map[string]float64{"hip.flexionDeg": 90, "knee.flexionDeg": 5}, End: map[string]float64{"hip.flexionDeg": 30}}
	p, _ = led(&setup.Document{Posture: setup.Posture{Kind: "standing", Root: "foot", Stands: "right", HeadingDeg: 25}, Movement: knee})
	along(p, func(s float64, f *body.Frames) {
		check.Near(t, "over the foot", r3.Norm(flat(r3.Sub(f.CentreOfMass(), f.Pressure(body.Right)))), 0, 1e-9)
		stays := flat(r3.Sub(f.DriftOfMass(), f.Velocity(body.FootR, f.Pressure(body.Right))))
		check.Near(t, "and stays there", r3.Norm(stays), 0, 1e-6)
		check.Near(t, "the free leg's hip", space.Deg(f.Pose[body.Left][setup.HipFlexion]), 90-60*s, 1e-9)
		check.Near(t, "and knee", space.Deg(f.Pose[body.Left][setup.KneeFlexion]), 5, 1e-9)
		if s == 0 && f.Origin[body.FootL].Y < 0.15 { // straight ahead of somebody who is down
			t.Errorf("the free foot is %.2f m up", f.Origin[body.FootL].Y)
		}
	})
	knee.Other = nil
	p, _ = led(&setup.Document{Posture: setup.Posture{Kind: "standing", Feet: "split", Ahead: "right", Stagger: 0.5, FrontShare: 0.7},
		Movement: knee})
	along(p, func(_ float64, f *body.Frames) {
		front, rear := f.Pressure(body.Right).X, f.Behind().X
		check.Near(t, "share on the front foot", (f.CentreOfMass().X-rear)/(front-rear), 0.7, 1e-9)
		check.Near(t, "shin of the rear leg", r3.Norm(r3.Sub(f.Origin[body.FootL], f.Origin[body.ShankL])), f.Body.Shank(), 1e-9)
		check.Near(t, "missed by the rear leg", f.RearMisses(), 0, 1e-12)
	})
	hanging := map[string]float64{"shoulder.elevationDeg": 0, "elbow.flexionDeg": 0}
	p, _ = led(&setup.Document{Posture: setup.Posture{Kind: "standing", HeelsFree: true, Riser: 0.1},
		Movement: legSweep("both", "ankle.flexion", 20, -35, hanging)})
	along(p, func(_ float64, f *body.Frames) {
		ahead := (f.CentreOfMass().X - f.Ball(body.Right).X) / f.Body.FootLength
		check.Near(t, "ahead of the ball", ahead, 0.06, 0.02) // the arms hang from shoulders that are not quite over the hips
		check.Near(t, "height of the ball", f.Ball(body.Right).Y, 0.1, 1e-9)
	})
}

// The velocities of the frames are the derivatives of their places, whatever stays in place.
func TestRatesOfWhatIsCarried(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	for _, p := range []setup.Posture{{Kind: "standing"}, {Kind: "standing", HeelsFree: true, Riser: 0.1},
		{Kind: "standing", Root: "foot", Stands: "right", HeelsFree: true}, {Kind: "standing", Root: "foot", Stands: "left"},
		{Kind: "standing", Feet: "split", Ahead: "right", Stagger: 0.7}, {Kind: "kneeling"},
		{Kind: "prone", Root: "thighs", Restraints: []string{"ankles"}}} {
		side := "both"
		if p.Root == "foot" || p.Feet == "split" {
			side = "right"
		}
		angles := func() map[string]float64 {
			return map[string]float64{"hip.flexionDeg": 20 + 60*r.Float64(), "knee.flexionDeg": 30 + 50*r.Float64(), "ankle.flexionDeg": -10 + 30*r.Float64()}
		}
		d := setup.Document{Posture: p, Movement: setup.Movement{Kind: "keyframes", Side: side,
			Keyframes: []setup.Keyframe{{S: 0, Pose: angles()}, {S: 1, Pose: angles()}}}}
		if p.Kind == "prone" {
			d.Bench = &setup.Bench{AngleDeg: 40}
		}
		if p.Stands == "right" { // the free leg swings
			d.Movement.Other = &setup.OtherSide{Start: angles(), End: angles()}
		}
		path, _ := led(&d)
		const h = 1e-5
		var before, here, after body.Frames
		path.Place(0.4-h, &before)
		path.Place(0.4, &here)
		path.Place(0.4+h, &after)
		for seg := range body.Segment(body.NumSegments) {
			want := r3.Scale(1/(2*h), r3.Sub(after.COM[seg], before.COM[seg]))
			if off := r3.Norm(r3.Sub(here.Velocity(seg, here.COM[seg]), want)); off > 1e-6 {
				t.Errorf("%s %s %s: the %s moves at %v, not %v", p.Kind, p.Root, p.Feet, body.SegmentNames[seg], here.Velocity(seg, here.COM[seg]), want)
			}
		}
	}
}

// In a push-up the hands and the toes stay where they are on the floor, and the body is straight from ankle to shoulder.
func TestPushUpStaysOnHandsAndToes(t *testing.T) {
	p, _ := led(&setup.Document{Posture: setup.Posture{Kind: "prone", Root: "hands", HeadingDeg: 50, X: 0.4}, Movement: setup.Movement{Kind: "guided",
		Side: "both", Guide: &setup.Guide{Kind: "line", Relative: true, Start: setup.Point{X: -0.05, Y: -0.2, Z: 0.2},
			End: &setup.Point{X: -0.05, Y: -0.6, Z: 0.2}, SwivelDeg: 60}}})
	var start body.Frames
	p.Place(0, &start)
	rises := 0.0
	along(p, func(s float64, f *body.Frames) {
		for side := range f.Grip {
			check.Near(t, "hand moved", r3.Norm(r3.Sub(f.Grip[side], start.Grip[side])), 0, 1e-9)
			check.Near(t, "hand off the floor", f.Grip[side].Y, 0, 1e-9)
		}
		check.Near(t, "ankle moved", r3.Norm(r3.Sub(f.Origin[body.FootR], start.Origin[body.FootR])), 0, 1e-9)
		check.Near(t, "shoulder over the floor", f.Joint[body.ShoulderR].Y, 0.2+0.4*s, 1e-9)
		body1, body2 := r3.Sub(f.Joint[body.HipR], f.Origin[body.FootR]), r3.Sub(f.Origin[body.Head], f.Origin[body.Pelvis])
		check.Near(t, "bent at the hips", space.Deg(math.Acos(min(1, r3.Dot(r3.Unit(body1), r3.Unit(body2))))), 0, 1e-4)
		rises = f.Joint[body.ShoulderR].Y - start.Joint[body.ShoulderR].Y
	})
	check.Near(t, "rise", rises, 0.4, 1e-9)
}
