package evaluate_test

import (
	"cmp"
	"maps"
	"math"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// everyReady calls f for every setup of the catalogue.
func everyReady(t *testing.T, stature float64, f func(key string, d setup.Document, r *report.Report)) {
	t.Helper()
	for _, ready := range catalogue.All(&setup.Lifter{Height: stature, BodyMass: 75}) {
		r, problems := evaluate.Document(&ready.Document)
		if len(problems) > 0 {
			t.Errorf("%s: %v", ready.Key, problems)
			continue
		}
		f(ready.Key, ready.Document, r)
	}
}

// points are all places of a document in the room; turns all directions of axes.
func points(d *setup.Document) (places, turns []*setup.Point) {
	g := d.Movement.Guide
	if g != nil && !g.Relative {
		places, turns = append(places, &g.Start), append(turns, g.About)
		places = append(places, g.End, g.Centre)
	}
	for i := range d.Loads {
		l := &d.Loads[i]
		places = append(places, l.Pulley, l.Anchor, l.Pivot)
		turns = append(turns, l.PivotAlong)
	}
	places = append(places, d.Posture.SupportHand)
	turns = append(turns, d.Movement.AxisAlong)
	present := func(list []*setup.Point) (out []*setup.Point) {
		for _, p := range list {
			if p != nil {
				out = append(out, p)
			}
		}
		return out
	}
	return present(places), present(turns)
}

func change(p *setup.Point, f func(space.Vec) space.Vec) { *p = setup.Point(f(space.Vec(*p))) }

// tolerance is how near two evaluations come: the arms on a bar are found by steps, and what the hands push along it follows from them.
func tolerance(key string) float64 {
	if key == "upright.cable" {
		return 2e-4
	}
	return 1e-6
}

// same compares the curves that both reports have.
func same(t *testing.T, key string, a, b *report.Report, scale float64) {
	t.Helper()
	for name, pair := range map[string][2]report.Curve{"torque": {a.Curves.Torque, b.Curves.Torque},
		"lowering": {a.Curves.Lowering, b.Curves.Lowering}, "size": {a.Curves.Size, b.Curves.Size},
		"off axis": {a.Curves.OffPlane, b.Curves.OffPlane}, "twist": {a.Curves.Twist, b.Curves.Twist}, "bend": {a.Curves.Bend, b.Curves.Bend},
		"low back": {a.Curves.LowBack, b.Curves.LowBack}} {
		for i := range pair[0] {
			x, y := scale*pair[0][i], pair[1][i]
			if math.IsNaN(x) != math.IsNaN(y) || math.Abs(x-y) > tolerance(key)*math.Max(1, math.Abs(x)) {
				t.Errorf("%s, %s at sample %d: %v, %v", key, name, i, x, y)
				return
			}
		}
	}
}

// Turning the whole room about the vertical, station, lifter and kit, changes nothing.
func TestTurningTheRoom(t *testing.T) {
	everyReady(t, 1.75, func(key string, d setup.Document, r *report.Report) {
		c := d.Clone()
		turn := space.RotY(space.Rad(77))
		places, turns := points(&c)
		for _, p := range append(places, turns...) {
			change(p, turn.Apply)
		}
		hip := turn.Apply(space.Vec{X: c.Posture.X, Z: c.Posture.Z})
		c.Posture.X, c.Posture.Z, c.Posture.HeadingDeg = hip.X, hip.Z, c.Posture.HeadingDeg+77
		for i := range c.Loads {
			c.Loads[i].Kit = nil // its columns stand where they stand
		}
		same(t, key, r, evaluated(t, &c), 1)
	})
}

var otherSide = map[string]string{"left": "right", "right": "left", "both": "both", "": ""}

// The mirror image of a setup, with left and right exchanged, asks the same.
func TestMirrorImage(t *testing.T) {
	everyReady(t, 1.75, func(key string, d setup.Document, r *report.Report) {
		c := d.Clone()
		guide := c.Movement.Guide
		if c.Movement.Side == "both" {
			c.Movement.Guide = nil // it leads the right hand, whatever the left does
		}
		places, turns := points(&c)
		c.Movement.Guide = guide
		for _, p := range places {
			change(p, space.MirrorPoint)
		}
		for _, p := range turns {
			change(p, space.MirrorSpin)
		}
		p := &c.Posture
		p.Z, p.HeadingDeg, p.Trunk.BendDeg, p.Trunk.TurnDeg = -p.Z, -p.HeadingDeg, -p.Trunk.BendDeg, -p.Trunk.TurnDeg
		p.Ahead, p.Down, p.Stands, c.Movement.Side = otherSide[p.Ahead], otherSide[p.Down], otherSide[p.Stands], otherSide[c.Movement.Side]
		for i := range c.Loads {
			c.Loads[i].Side, c.Loads[i].Kit = otherSide[c.Loads[i].Side], nil
		}
		same(t, key, r, evaluated(t, &c), 1)
	})
}

// A room and a lifter that are a tenth larger, with the same masses and pulls, ask a tenth more torque everywhere.
func TestScalingWithStature(t *testing.T) {
	const k = 1.1
	everyReady(t, 1.70, func(key string, d setup.Document, _ *report.Report) {
		d.Posture.FeetApart = 0 // up to 30 cm apart the feet do not lower the hips
		d.Posture.Stagger = cmp.Or(d.Posture.Stagger, 0.5)
		r := evaluated(t, &d)
		c := d.Clone()
		larger := func(xs ...*float64) {
			for _, x := range xs {
				*x *= k
			}
		}
		c.Lifter.Height *= k
		p := &c.Posture
		larger(&p.X, &p.Z, &p.FeetApart, &p.Stagger, &p.RearHeight, &p.FeetOut, &p.Riser, &c.Movement.BarWidth)
		if p.Kind == "seated" && c.Bench == nil {
			p.SeatHeight = k * cmp.Or(d.Posture.SeatHeight, setup.DefaultSeat)
		}
		if c.Bench != nil {
			c.Bench.Height = k * setup.DefaultSeat
			if d.Bench.Height > 0 {
				c.Bench.Height = k * d.Bench.Height
			}
			larger(&c.Bench.PadUnderBack)
		}
		places, _ := points(&c)
		for _, q := range places {
			change(q, func(v space.Vec) space.Vec { return space.Vec{X: k * v.X, Y: k * v.Y, Z: k * v.Z} })
		}
		if g := c.Movement.Guide; g != nil && g.Relative {
			larger(&g.Start.X, &g.Start.Y, &g.Start.Z, &g.End.X, &g.End.Y, &g.End.Z)
		}
		for i := range c.Loads {
			l := &c.Loads[i]
			larger(&l.AttachmentLength, &l.ParkedGap, &l.Travel, &l.StrandLength, &l.RestLength, &l.PadRadius, &l.PlateRadius, &l.LeverRadius,
				&l.HandleRadius, &l.SoleUp)
			for n := range l.Cam {
				larger(&l.Cam[n].Arm)
			}
			l.Kit = nil
		}
		if p.RootOf() == "hands" && p.Kind == "standing" {
			return // how far a hanging body is off the floor is a fixed length, and changes no torque
		}
		same(t, key, r, evaluated(t, &c), k)
	})
}

// The torque of several loads is the sum of what each asks alone.
func TestSuperposition(t *testing.T) {
	everyReady(t, 1.75, func(key string, d setup.Document, r *report.Report) {
		if len(d.Loads) < 2 || r.Hold {
			return
		}
		for i := range r.Curves.S {
			sum := r.Curves.Weights[i]
			for _, p := range r.Parts {
				sum += p.Torque[i]
			}
			check.Near(t, key+": sum of the parts", sum, r.Curves.Torque[i], 1e-9*math.Max(1, math.Abs(sum)))
		}
		for k, part := range r.Parts {
			alone := d.Clone()
			alone.Loads = []setup.Load{d.Loads[part.Index]}
			one := evaluated(t, &alone)
			for i := range r.Curves.S {
				check.Near(t, key+": alone as together", one.Parts[0].Torque[i], r.Parts[k].Torque[i], 1e-9*math.Max(1, math.Abs(part.Torque[i])))
			}
		}
	})
}

// What is held, swept or led the same way gives the same: a sweep, two keyframes and, for a press, poses along its own
// path.
func TestOnePathWrittenTwoWays(t *testing.T) {
	for _, key := range []string{"curl.dumbbell", "fly.flat", "kickback", "knee.extension", "raise.dumbbell", "shrug.dumbbell"} {
		d := ready(t, key)
		c := d.Clone()
		m := &c.Movement
		for s, deg := range []float64{m.FromDeg, m.ToDeg} {
			pose := maps.Clone(m.Hold)
			if pose == nil {
				pose = map[string]float64{}
			}
			pose[m.Primary+"Deg"] = deg
			m.Keyframes = append(m.Keyframes, setup.Keyframe{S: float64(s), Pose: pose})
		}
		m.Kind, m.Primary, m.Hold = "keyframes", "", nil
		same(t, key, evaluated(t, &d), evaluated(t, &c), 1)
	}
}
