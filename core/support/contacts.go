package support

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Friction of soles on a floor, and of clothes on a pad (common practice, no source).
const (
	soleFriction = 0.6
	padFriction  = 0.5
)

// touch is a place at which the surroundings can push on the lifter, and perhaps pull.
type touch struct {
	name     string
	at       space.Vec
	normal   space.Vec // out of what pushes
	friction float64
	pulls    bool // a hand that holds on: any direction
	floor    bool
	bench    bool // what pushes is the bench
}

// usualTouches is room for those of most postures.
const usualTouches = 16

// touches lists where the lifter can be pushed in a pose.
func touches(f *body.Frames, p *setup.Posture, bench *setup.Bench) []touch {
	st := f.Station
	out := make([]touch, 0, usualTouches)
	add := func(t touch) { out = append(out, t) }
	switch {
	case st.OnToes:
		for side, g := range f.Grip {
			add(touch{name: handName(body.Side(side)), at: onFloor(g), normal: space.Y, friction: soleFriction, floor: true})
			add(touch{name: footName(body.Side(side)), at: toes(f, body.Side(side)), normal: space.Y, friction: soleFriction, floor: true})
		}
		return out
	case st.Root == body.OnHands:
		for side, g := range f.Grip {
			add(touch{name: handName(body.Side(side)), at: g, normal: space.Y, pulls: true})
		}
		return out
	}
	for side := body.Right; side <= body.Left; side++ {
		out = append(out, footing(f, p, side)...)
	}
	switch st.Root {
	case body.OnShoulders:
		out = append(out, onEdge(f, bench)...)
	case body.OnThighs:
		if p.Kind == "supine" {
			out = append(out, sittingUp(f, bench)...)
		} else {
			out = append(out, onBackBench(f)...)
		}
	default:
		out = append(out, padding(f, p, bench)...)
	}
	return append(out, restraining(f, p, bench)...)
}

// padsAhead is how far ahead of the shoulder joints pads press on the shoulders, share of stature (own).
const padsAhead = 0.04

// restraining lists what else holds the lifter: a hand that holds on, pads, plates and straps.
func restraining(f *body.Frames, p *setup.Posture, bench *setup.Bench) []touch {
	var out []touch
	add := func(t touch) { out = append(out, t) }
	has := func(what string) bool { return slices.Contains(p.Restraints, what) }
	if p.SupportHand != nil {
		add(touch{name: "hand", at: space.Vec{X: p.SupportHand.X, Y: p.SupportHand.Y, Z: p.SupportHand.Z}, normal: space.Y, pulls: true})
	}
	floor := p.OnFloor(bench)
	onBench := p.Kind == "prone" && (floor || bench != nil && bench.AngleDeg < flatBench && f.Station.LegsMove)
	if has("shoulderPads") {
		for side := body.Right; side <= body.Left; side++ {
			at := r3.Add(f.Joint[side.Joint(body.ShoulderR)], f.Turn[body.Thorax].Apply(space.Vec{X: padsAhead * f.Body.Height}))
			out = append(out, touch{name: "shoulderPads", at: at, normal: r3.Scale(-1, f.Direction(body.Thorax)), friction: padFriction})
		}
	}
	for side := body.Right; side <= body.Left; side++ {
		thigh := f.PointOn(side.On(body.ThighR), 0.6)
		if has("thighPad") {
			add(touch{name: "thighPad", at: thigh, normal: space.Vec{Y: -1}, friction: padFriction})
		}
		if has("handsHold") {
			add(touch{name: "hands", at: f.Grip[side], normal: space.Y, pulls: true})
		}
		if has("ankles") && f.Station.Root != body.OnThighs {
			add(touch{name: "ankles", at: f.PointOn(side.On(body.ShankR), 0.95), normal: space.Vec{Y: -1}, friction: padFriction})
		}
		if has("footPlate") {
			out = append(out, onFootPlate(f, side)...)
		}
		if onBench { // the legs lie on it down to the knees
			add(touch{name: "thighs", at: thigh, normal: space.Y, friction: padFriction, bench: !floor})
		}
		if has("armPad") {
			if at, normal, _, lies := armOnPad(f, side); lies {
				add(touch{name: "armPad." + side.Name(), at: at, normal: normal, friction: padFriction})
			}
		}
		if has("strap") {
			hip := f.Joint[side.Joint(body.HipR)]
			add(touch{name: "strap", at: hip, normal: space.Vec{Y: -1}, friction: padFriction})
			add(touch{name: "strap", at: hip, normal: f.Station.Heading.Apply(space.Vec{X: -1}), friction: padFriction})
		}
	}
	return out
}

// onEdge is where the back lies on the edge of a bench, or on the floor.
func onEdge(f *body.Frames, bench *setup.Bench) []touch {
	var out []touch
	for _, z := range []float64{-0.12, 0.12} {
		at := r3.Add(f.Station.Edge, f.Station.Heading.Apply(space.Vec{Z: z}))
		out = append(out, touch{name: "back", at: at, normal: space.Y, friction: padFriction, bench: bench != nil})
	}
	return out
}

// onBackBench is what holds somebody on a bench for the back: the pad under the thighs, rollers behind the ankles, a plate under the feet.
func onBackBench(f *body.Frames) []touch {
	var out []touch
	depth := 0.045 * f.Body.Height // of a thigh (own)
	for side := body.Right; side <= body.Left; side++ {
		thigh, shank := side.On(body.ThighR), side.On(body.ShankR)
		front := f.Turn[thigh].Apply(space.X)
		for _, share := range []float64{0.1, 0.45} {
			at := r3.Add(f.PointOn(thigh, share), r3.Scale(depth, front))
			out = append(out, touch{name: "thighs", at: at, normal: r3.Scale(-1, front), friction: padFriction, bench: true})
		}
		out = append(out, touch{name: "ankles", at: f.PointOn(shank, 0.95), normal: f.Turn[shank].Apply(space.X), friction: padFriction,
			bench: true},
			touch{name: "footPlate", at: f.PointOn(shank, 1), normal: r3.Scale(-1, f.Direction(shank)), friction: soleFriction, bench: true})
	}
	return out
}

// sittingUp is what holds somebody who sits up: floor or pad under the pelvis, and under the upper back as long as it lies there, and what
// keeps the feet down.
func sittingUp(f *body.Frames, bench *setup.Bench) []touch {
	var out []touch
	add := func(t touch) { out = append(out, t) }
	s, c := math.Sincos(space.Rad(bench.Slope()))
	lies := func(v space.Vec) space.Vec { // toward the feet, up from the pad, aside
		return f.Station.Heading.Apply(space.Vec{X: c*v.X + s*v.Y, Y: c*v.Y - s*v.X, Z: v.Z})
	}
	normal, depth := lies(space.Vec{Y: 1}), trunkDeep*f.Body.Height
	on := func(name string, at space.Vec) {
		add(touch{name: name, at: r3.Sub(at, r3.Scale(depth, normal)), normal: normal, friction: padFriction, bench: bench != nil})
	}
	for _, z := range []float64{-0.12, 0.12} {
		for _, x := range []float64{-0.10, 0.06} {
			on("seat", r3.Add(f.Origin[body.Pelvis], lies(space.Vec{X: x, Z: z})))
		}
		shoulders := f.OnThorax(space.Vec{Y: 0.85 * (f.Body.ShoulderHeight - f.Body.HipHeight), Z: z})
		if r3.Dot(r3.Sub(shoulders, f.Origin[body.Pelvis]), normal) < near {
			on("back", shoulders)
		}
	}
	for side := body.Right; side <= body.Left; side++ {
		shank := side.On(body.ShankR)
		add(touch{name: "ankles", at: f.PointOn(shank, 0.95), normal: r3.Scale(-1, normal), friction: padFriction, bench: bench != nil})
		add(touch{name: "footPlate", at: f.PointOn(shank, 1), normal: r3.Scale(-1, f.Direction(shank)), friction: soleFriction, bench: bench != nil})
	}
	return out
}

// onFootPlate is where a foot that is set against a plate is pushed: from below the ankle to the ball.
func onFootPlate(f *body.Frames, side body.Side) []touch {
	var out []touch
	for _, y := range []float64{-0.05, 0.10} {
		at := r3.Add(f.Origin[side.On(body.FootR)], f.Station.Heading.Apply(space.Vec{X: 0.04, Y: y}))
		out = append(out, touch{name: "footPlate", at: at, normal: f.Station.Heading.Apply(space.Vec{X: -1}), friction: soleFriction})
	}
	return out
}

// flatBench is the angle of a bench below which somebody who lies on it has the legs on it too, degrees (own).
const flatBench = 20

// bySide are the two names of a place that is there on either side.
func bySide(place string) [2]string {
	return [2]string{place + "." + body.Right.Name(), place + "." + body.Left.Name()}
}

var hands, feet, knees = bySide("hand"), bySide("foot"), bySide("knee")

func handName(s body.Side) string { return hands[s] }
func footName(s body.Side) string { return feet[s] }

func onFloor(p space.Vec) space.Vec { p.Y = 0; return p }

// toes is where a foot's toes are on the floor.
func toes(f *body.Frames, side body.Side) space.Vec {
	foot := side.On(body.FootR)
	return onFloor(r3.Add(f.Origin[foot], f.Turn[foot].Apply(space.Vec{X: 0.75 * f.Body.FootLength, Y: -f.Body.AnkleH})))
}

// near is how close to the floor an ankle has to be for the foot to stand, m (own).
const near = 0.03

// footing is what a leg stands on: the four corners of a sole, or a knee and the instep behind it.
func footing(f *body.Frames, p *setup.Posture, side body.Side) []touch {
	out := make([]touch, 0, 5)
	b, st, heading := f.Body, f.Station, &f.Station.Heading
	foot := side.On(body.FootR)
	switch {
	case st.Root == body.OnFoot && side != st.Carrier:
		return nil
	case st.Split && side != st.Carrier:
		return behind(f, p, side)
	}
	knee := f.Joint[side.Joint(body.KneeR)]
	kneels := p.Kind == "kneeling" || (p.Kind == "half-kneeling" && (p.Ahead == "left") != (side == body.Left))
	if kneels {
		for _, x := range []float64{-0.04, 0.04} {
			for _, z := range []float64{-0.03, 0.03} {
				at := onFloor(r3.Add(knee, heading.Apply(space.Vec{X: x, Z: z})))
				out = append(out, touch{name: knees[side], at: at, normal: space.Y, friction: soleFriction, floor: true})
			}
		}
		return append(out, touch{name: footName(side), at: onFloor(f.Origin[foot]), normal: space.Y, friction: soleFriction, floor: true})
	}
	half := 0.055 * b.Height / 2
	if st.HeelsUp { // the toes and a little behind the ball
		if f.Ball(side).Y > st.Riser+near {
			return nil
		}
		for _, x := range []float64{-0.07, 0.28} {
			for _, z := range []float64{-half, half} {
				at := r3.Add(f.Ball(side), heading.Apply(space.Vec{X: x * b.FootLength, Z: z}))
				out = append(out, touch{name: footName(side), at: at, normal: space.Y, friction: soleFriction, floor: true})
			}
		}
		return out
	}
	if f.Origin[foot].Y > b.AnkleH+st.Riser+near {
		return nil
	}
	for _, x := range []float64{-0.25, 0.75} {
		for _, z := range []float64{-half, half} {
			at := r3.Add(f.Origin[foot], f.Turn[foot].Apply(space.Vec{X: x * b.FootLength, Z: z}))
			at.Y = st.Riser
			out = append(out, touch{name: footName(side), at: at, normal: space.Y, friction: soleFriction, floor: true})
		}
	}
	return out
}

// behind is what a rear foot stands on: its ball and toes, or its instep on a bench.
func behind(f *body.Frames, p *setup.Posture, side body.Side) []touch {
	var out []touch
	half := 0.055 * f.Body.Height / 2
	for _, x := range []float64{-0.01, 0.05} {
		for _, z := range []float64{-half, half} {
			at := r3.Add(f.Behind(), f.Station.Heading.Apply(space.Vec{X: x, Z: (1-2*float64(side))*f.Body.HipHalf + z}))
			out = append(out, touch{name: footName(side), at: at, normal: space.Y, friction: soleFriction, floor: p.RearHeight == 0})
		}
	}
	return out
}

// padding is what seat and bench push with: the seat at its corners, the back rest or bench at shoulders and hips.
func padding(f *body.Frames, p *setup.Posture, bench *setup.Bench) []touch {
	var out []touch
	st, b := f.Station, f.Body
	trunk := &f.Turn[body.Pelvis]
	seat := func(x, z float64) {
		at := r3.Add(f.Origin[body.Pelvis], st.Heading.Apply(space.Vec{X: x, Z: z}))
		at.Y -= 0.048 * b.Height
		out = append(out, touch{name: "seat", at: at, normal: space.Y, friction: padFriction, bench: true})
	}
	front := 0.05 // astride a bench only the buttocks rest on it
	if p.Kind == "seated" {
		front = 0.7 * b.Thigh()
	}
	if p.Kind == "seated" || (p.Kind == "prone" && bench != nil && bench.AngleDeg > 30) {
		for _, z := range []float64{-0.12, 0.12} {
			seat(-0.08, z)
			seat(front, z)
		}
	}
	floor := p.OnFloor(bench)
	if bench == nil && !floor {
		return out
	}
	length := b.ShoulderHeight - b.HipHeight
	on := func(name string, at, normal space.Vec) {
		out = append(out, touch{name: name, at: r3.Add(f.Origin[body.Pelvis], trunk.Apply(at)), normal: trunk.Apply(normal),
			friction: padFriction, bench: !floor})
	}
	depth := trunkDeep * b.Height
	for _, share := range onPad(f) {
		for _, side := range []float64{-1, 1} {
			switch p.Kind {
			case "supine", "seated":
				on("back", space.Vec{X: -depth, Y: share * length, Z: side * 0.12}, space.X)
			case "prone":
				on("chest", space.Vec{X: depth, Y: share * length, Z: side * 0.12}, space.Vec{X: -1})
			case "side-lying", "leaning":
				down := 1.0
				if p.Down == "left" {
					down = -1
				}
				if p.Kind == "leaning" {
					on("side", space.Vec{X: side * 0.08, Y: share * length, Z: down * b.OuterHipHalf}, space.Vec{Z: -down})
				} else {
					out = append(out, lying(f, share*length, side*0.08)...)
				}
			}
		}
	}
	return out
}

// thoraxLies is the cosine of the angle to the pelvis within which the ribs still lie on a pad that the pelvis lies on: 3 degrees (own).
const thoraxLies = 0.9986

// loinLies is the share of the trunk's length up to which it still lies when it bends off a pad: a spine rounds, it does not fold (own).
const loinLies = 0.45

// onPad are the shares of the trunk's length at which a pad pushes it: all along, or up to where it bends off the pad.
func onPad(f *body.Frames) [2]float64 {
	if r3.Dot(f.Direction(body.Pelvis), f.Direction(body.Thorax)) < thoraxLies {
		return [2]float64{0, loinLies}
	}
	return [2]float64{0.1, 0.85}
}

// lying is where the bench pushes somebody who lies on the side: square to the pad, which does not roll with the chest. The
// lower leg rests on it too.
func lying(f *body.Frames, along, ahead float64) []touch {
	st := f.Station
	if len(st.Pads) == 0 {
		return nil
	}
	pad := &st.Pads[len(st.Pads)-1]
	down := 1.0
	if r3.Dot(r3.Sub(pad.Middle, f.Origin[body.Pelvis]), pad.Turn.Apply(space.Z)) < 0 {
		down = -1
	}
	normal := pad.Turn.Apply(space.Vec{Z: -down})
	var out []touch
	for _, y := range []float64{along, along - 0.6} {
		at := r3.Add(f.Origin[body.Pelvis], pad.Turn.Apply(space.Vec{X: ahead, Y: y, Z: down * f.Body.OuterHipHalf}))
		out = append(out, touch{name: "side", at: at, normal: normal, friction: padFriction, bench: true})
	}
	return out
}
