package load

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/spatial/r3"
)

var cam = Kind{Name: setup.Cam, With: "with a cam", Counted: "the pin", Needs: "machine", OwnSeat: func(*setup.Load) bool { return true },
	Mass: onPin, Scale: scalePin, AtHand: pinAtHand, Check: checkCam, Fit: fitCam, source: newCam, Dials: []dial.Dial{stackDial,
		{Name: dial.PadRadius, Read: padRadius, Write: func(d *setup.Document, i int, v float64) { d.Loads[i].PadRadius = v }},
		offAxis(dial.AxisForward, "Machine axis, ahead of the joint", "x", func(o *setup.Point) *float64 { return &o.X }),
		offAxis(dial.AxisUp, "Machine axis, above the joint", "y", func(o *setup.Point) *float64 { return &o.Y })}}

// padRadius is where the pad is on the machine's arm.
func padRadius(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Pad, from the machine's axis", Kind: "length", From: 0.1, To: max(0.6, d.Loads[i].PadRadius),
		Step: 0.01, Value: d.Loads[i].PadRadius, Paint: "none", Paths: []string{dial.LoadPath(i, "padRadius")}}
}

// offAxis is a dial of how far the machine's axis is off the joint, one way. It is not painted: the best is no offset, whatever the fit.
func offAxis(name dial.Name, label, axis string, part func(*setup.Point) *float64) dial.Dial {
	return dial.Dial{Name: name,
		Read: func(d *setup.Document, i int) dial.Setting {
			s := dial.Setting{Group: "loads", Label: label, Kind: "length", From: -0.15, To: 0.15, Step: 0.01, Paint: "none",
				Paths: []string{dial.LoadPath(i, "axisOffset."+axis)}}
			if o := d.Loads[i].AxisOffset; o != nil {
				s.Value = *part(o)
			}
			return s
		},
		Write: func(d *setup.Document, i int, v float64) {
			l := &d.Loads[i]
			if l.AxisOffset == nil {
				l.AxisOffset = &setup.Point{}
			}
			*part(l.AxisOffset) = v
		}}
}

func checkCam(v *setup.Checks, path string, l *setup.Load) {
	v.OneOf(path+".coordinate", "coordinate that the machine turns with", l.Coordinate, setup.CamJoints...)
	v.Field(loadRows, path+".stackMass", "mass on the pin", l.StackMass, "kg", "A stack of nothing asks nothing of the muscle.")
	v.Field(loadRows, path+".ratio", "ratio of the machine", l.Ratio, "", "")
	v.Field(loadRows, path+".padRadius", "distance from axis to pad", l.PadRadius, "m", "The pad pushes on the limb there.")
	if o := l.AxisOffset; o != nil {
		for i, x := range []float64{o.X, o.Y, o.Z} {
			v.Within(path+".axisOffset."+[]string{"x", "y", "z"}[i], "offset of the machine's axis", x, -0.3, 0.3, "m",
				"Further off it fits nobody.")
		}
	}
	v.Count(loadRows, path+".cam", "angles", len(l.Cam), "")
	v.CamTable(path+".cam", l.Cam)
}

func fitCam(f *kit.Fitting, path string, l *setup.Load) {
	i := kit.Alike(f.Room.Cams, kit.Remembered(l).Item, func(c *kit.Cam) string { return c.Key }, func(c *kit.Cam) float64 {
		if c.Coordinate != l.Coordinate {
			return math.Inf(1)
		}
		return math.Abs(padAt(c, l) - l.PadRadius)
	})
	if i < 0 {
		f.Lacks(path+".cam", "This gym has no machine with a pad for this.", nil)
		return
	}
	c := &f.Room.Cams[i]
	pad := padAt(c, l)
	if !slices.Equal(c.Table, l.Cam) || kit.Differ(pad, l.PadRadius) || kit.Differ(c.Ratio, l.Ratio) {
		f.Change(path+".cam", c.Name+": its own cam and pad, {pad} from the axis.", kit.Values{"pad": kit.Length(pad)})
	}
	pull := l.StackMass * l.Ratio
	l.Cam, l.PadRadius, l.Ratio = slices.Clone(c.Table), pad, c.Ratio
	l.Kit, l.Measured = &setup.Kit{Item: c.Key}, setup.Copied(c.Measured)
	if want := pull / c.Ratio; kit.Differ(want, l.StackMass) {
		l.StackMass = want
	}
	f.MassOf(path+".stackMass", l, &l.StackMass, c.Pins(), "Pin {to} instead of {from}.", "")
}

// padAt is where a machine's pad can be set nearest to where the setup has it.
func padAt(c *kit.Cam, l *setup.Load) float64 { return max(c.PadFrom, min(c.PadTo, l.PadRadius)) }

// padded is a machine whose arm turns about an axis of its own and pushes on the limb with a pad.
//
// The stack puts the torque k m g r(θ) on the machine's arm, r from a table of moment arms over the arm's angle θ, flat
// beyond its ends. The pad stays at the pad radius R from the machine's axis A and slides along the limb: it touches where
// the limb's line meets that circle. Its force F is square to the limb; with t the direction in which the pad moves, F
// (n · t) R is the machine's torque. When the axes are in line that is torque over radius; else both the angle of the
// machine's arm and the pad's place on the limb differ from the limb's.
type padded struct {
	weight  float64 // k m g, N
	mass    float64 // k m, kg, that the machine's arm lifts
	ratio   float64 // k
	arms    interp.FritschButland
	from    float64 // table's ends, rad
	to      float64
	radius  float64 // m
	turning turning
	sign    float64   // +1 when lifting makes the coordinate grow
	axis    space.Vec // a point on the machine's axis, room
	at      contact
	zero    float64 // angle at which the energy counts from, rad
}

// turning says how a joint coordinate turns its limb.
type turning struct {
	coordinate setup.Coordinate
	joint      body.Joint
	segment    body.Segment
}

var turnings = map[string]turning{
	"knee.flexion":              {setup.KneeFlexion, body.KneeR, body.ShankR},
	"trunk.flexion":             {setup.TrunkFlexion, body.TrunkR, body.Thorax},
	"hip.flexion":               {setup.HipFlexion, body.HipR, body.ThighR},
	"hip.abduction":             {setup.HipAbduction, body.HipR, body.ThighR},
	"elbow.flexion":             {setup.ElbowFlexion, body.ElbowR, body.ForearmR},
	"shoulder.elevation":        {setup.ShoulderElevation, body.ShoulderR, body.UpperArmR},
	"ankle.flexion":             {setup.AnkleFlexion, body.AnkleR, body.FootR},
	"shoulder.rotation":         {setup.ShoulderRotation, body.ElbowR, body.ForearmR}, // about a line through the elbow
	"shoulder.planeOfElevation": {setup.ShoulderPlane, body.ShoulderR, body.UpperArmR},
}

func newCam(b *builder) (Source, *space.Vec) {
	c := &padded{mass: b.Ratio * b.StackMass, ratio: b.Ratio, radius: b.PadRadius, turning: turnings[b.Coordinate], at: b.at}
	c.weight = c.mass * Gravity
	side := b.at.side
	x, y := make([]float64, len(b.Cam)), make([]float64, len(b.Cam))
	for i, p := range b.Cam {
		x[i], y[i] = space.Rad(p.AngleDeg), p.Arm
	}
	if err := c.arms.Fit(x, y); err != nil { // validated tables rise
		panic("load: " + err.Error())
	}
	c.from, c.to = x[0], x[len(x)-1]
	k := c.turning.coordinate
	c.sign = 1
	if b.end.Pose[side][k] < b.start.Pose[side][k] {
		c.sign = -1
	}
	c.zero = b.start.Pose[side][k]
	c.axis = b.start.Joint[side.Joint(c.turning.joint)]
	if o := b.AxisOffset; o != nil {
		v := space.Vec{X: o.X, Y: o.Y, Z: o.Z}
		if side == body.Left {
			v = space.MirrorPoint(v)
		}
		c.axis = r3.Add(c.axis, b.start.Station.Heading.Apply(v))
	}
	return c, &c.axis
}

// hinge is the unit axis about which the coordinate turns the limb, growing.
func (c *padded) hinge(f *body.Frames) space.Vec {
	side := c.at.side
	var w space.Vec
	switch c.turning.coordinate {
	case setup.KneeFlexion:
		w = f.Turn[side.On(body.ThighR)].Apply(space.Vec{Z: -1})
	case setup.TrunkFlexion:
		w = f.Turn[body.Pelvis].Apply(space.Vec{Z: -1})
	case setup.HipFlexion:
		w = f.Turn[body.Pelvis].Apply(space.Z)
	case setup.AnkleFlexion:
		w = f.Turn[side.On(body.ShankR)].Apply(space.Z)
	case setup.ShoulderRotation:
		w = f.Turn[side.On(body.UpperArmR)].Apply(space.Y)
		if side == body.Left {
			w = r3.Scale(-1, w)
		}
	case setup.HipAbduction: // about the thigh's own forward axis, as far as it is flexed
		flexed := space.RotZ(f.Pose[side][setup.HipFlexion])
		w = flexed.Apply(space.Vec{X: -1})
		if side == body.Left {
			w = space.MirrorSpin(w)
		}
		w = f.Turn[body.Pelvis].Apply(w)
	case setup.ElbowFlexion:
		w = body.ElbowHinge(f.Body.CarryingAngle)
		if side == body.Left {
			w = space.MirrorSpin(w)
		}
		w = f.Turn[side.On(body.UpperArmR)].Apply(w)
	case setup.ShoulderElevation:
		s, k := math.Sincos(f.Pose[side][setup.ShoulderPlane])
		w = space.Vec{X: -k, Z: s}
		if side == body.Left {
			w = space.MirrorSpin(w)
		}
		w = f.Turn[body.Thorax].Apply(w)
	default:
		w = space.Y
		if side == body.Left {
			w = space.MirrorSpin(w)
		}
		w = f.Turn[body.Thorax].Apply(w)
	}
	return w
}

// alongHinge is the sine of the angle to the machine's axis below which a limb turns nowhere about it: an arm that hangs, about the
// vertical.
const alongHinge = 0.05

// stand is where the machine's arm stands: its angle, where the pad touches, and the direction of the pad's force.
func (c *padded) stand(f *body.Frames) (angle float64, touch, push space.Vec, ok bool) {
	side := c.at.side
	w := c.hinge(f)
	joint := f.Joint[side.Joint(c.turning.joint)]
	level := space.Reject(f.Direction(side.On(c.turning.segment)), w)
	if space.Norm(level) < alongHinge {
		return 0, joint, space.Vec{}, false
	}
	d := r3.Unit(level)
	off := space.Reject(r3.Sub(joint, c.axis), w)
	along := r3.Dot(off, d)
	inside := along*along - r3.Norm2(off) + c.radius*c.radius
	if inside <= 0 {
		return 0, joint, space.Vec{}, false
	}
	touch = r3.Add(joint, r3.Scale(math.Sqrt(inside)-along, d))
	arm := r3.Scale(1/c.radius, space.Reject(r3.Sub(touch, c.axis), w))
	angle = f.Pose[side][c.turning.coordinate] + math.Atan2(r3.Dot(w, r3.Cross(d, arm)), r3.Dot(d, arm))
	n := r3.Cross(w, d) // square to the limb, the way that the coordinate grows
	moved := r3.Dot(n, r3.Cross(w, arm))
	if moved < 0.2 {
		return angle, touch, space.Vec{}, false
	}
	return angle, touch, r3.Scale(-c.sign/(moved*c.radius), n), true
}

func (c *padded) momentArm(angle float64) float64 {
	return c.arms.Predict(max(c.from, min(c.to, angle)))
}

func (c *padded) At(f *body.Frames) Pull {
	angle, touch, push, ok := c.stand(f)
	p := Pull{Contact: touch}
	if !ok {
		p.State = OffPad
		return p
	}
	p.Force = r3.Scale(c.weight*c.momentArm(angle), push)
	p.Lowering, p.Tension = p.Force, space.Norm(p.Force)
	return p
}

// Moving adds the inertia of the stack. It rises by k r with the angle of the machine's arm, so that with its kinetic energy m (k r θ')²/2
// the torque on that arm is k m r (g + k (r θ” + r_θ θ'²)) by Lagrange's equation; never below zero.
func (c *padded) Moving(f *body.Frames, v, a space.Vec) Pull {
	p := c.At(f)
	if p.State != Working {
		return p
	}
	angle, touch, push, _ := c.stand(f)
	rate, speeding := c.turn(f, touch, v, a)
	r := c.momentArm(angle)
	rise := c.sign * c.ratio * (r*speeding + c.widens(angle)*rate*rate)
	p.Force = r3.Scale(max(0, c.mass*r*(Gravity+rise)), push)
	p.Tension = space.Norm(p.Force)
	if p.Tension == 0 {
		p.State = Slack
	}
	return p
}

// widens is the derivative of the moment arm by the angle, m/rad.
func (c *padded) widens(angle float64) float64 {
	if angle < c.from || angle > c.to {
		return 0
	}
	return c.arms.PredictDerivative(angle)
}

// turn is the first and second derivative in time of the machine's arm's angle, from the velocity and acceleration of the limb where the
// pad touches. The pad moves along its circle, P' = R θ' t with t square to the arm e, and along the limb d, over which it slides at ξ
// while the limb turns at ω: P' = v + ξ d, P” = a + ξ' d + 2 ω ξ n with n square to the limb. Their parts along n and d give θ', ξ
// and θ”.
func (c *padded) turn(f *body.Frames, touch, v, a space.Vec) (rate, speeding float64) {
	w := c.hinge(f)
	limb := c.at.side.On(c.turning.segment)
	d := r3.Unit(space.Reject(f.Direction(limb), w))
	n := r3.Cross(w, d)
	arm := r3.Scale(1/c.radius, space.Reject(r3.Sub(touch, c.axis), w))
	t := r3.Cross(w, arm)
	across := c.radius * r3.Dot(t, n)
	rate = r3.Dot(v, n) / across
	slide := c.radius*rate*r3.Dot(t, d) - r3.Dot(v, d)
	// The frames know how the limb turns per unit of the path; how fast that is passed shows in the place's velocity.
	omega := 0.0
	if along := f.Velocity(limb, touch); r3.Norm2(along) > 0 {
		omega = r3.Dot(f.Omega[limb], w) * r3.Dot(v, along) / r3.Norm2(along)
	}
	return rate, (r3.Dot(a, n) + 2*omega*slide + c.radius*rate*rate*r3.Dot(arm, n)) / across
}

// Energy is k m g ∫ r dθ in the lifting direction, by Simpson's rule.
func (c *padded) Energy(f *body.Frames) float64 {
	angle, _, _, ok := c.stand(f)
	if !ok {
		return 0
	}
	const n = 200
	h := (angle - c.zero) / n
	sum := c.momentArm(c.zero) + c.momentArm(angle)
	for i := 1; i < n; i++ {
		sum += float64(2+2*(i%2)) * c.momentArm(c.zero+float64(i)*h)
	}
	return c.sign * c.weight * sum * h / 3
}

// Shape is the machine's axis and where its pad touches.
func (c *padded) Shape(f *body.Frames) []space.Vec {
	if _, touch, _, ok := c.stand(f); ok {
		return []space.Vec{c.axis, touch}
	}
	return nil
}
