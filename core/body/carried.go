package body

import (
	"cmp"
	"math"

	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// leans are how far shin, thigh and trunk lean forward in a pose, rad, and how fast.
type leans struct{ shin, thigh, trunk, shinRate, thighRate, trunkRate float64 }

// leansOf reads them off a pose of the leg that carries: the shin leans by the ankle's flexion over a flat foot, the thigh back by the
// knee's, the trunk forward by the hip's. A shin or thigh that lies fixed has its own lean.
func (f *Frames) leansOf(q, rate *Pose) leans {
	var l leans
	st := f.Station
	switch {
	case st.Root == OnKnees:
		l.shin = st.fixed
	case st.OnToes: // over feet that stand on end
		l.shin, l.shinRate = q[setup.AnkleFlexion]+math.Pi/2, rate[setup.AnkleFlexion]
	case st.HeelsUp:
		l.shin, l.shinRate = f.Body.overBalls(q, rate)
	default:
		l.shin, l.shinRate = q[setup.AnkleFlexion], rate[setup.AnkleFlexion]
	}
	l.thigh, l.thighRate = l.shin-q[setup.KneeFlexion], l.shinRate-rate[setup.KneeFlexion]
	if st.Root == OnThighs {
		l.thigh, l.thighRate = st.fixed, 0
	}
	l.trunk, l.trunkRate = l.thigh+q[setup.HipFlexion], l.thighRate+rate[setup.HipFlexion]
	return l
}

// rise computes the pelvis over the leg that carries it: its orientation by the leans, its place so that the end of that leg that stays
// in place is where it is planted. Where both legs carry alike, nothing goes sideways.
func (f *Frames) rise(q, rate *Pose) {
	st := f.Station
	l := f.leansOf(q, rate)
	lateral := st.Heading.Apply(space.Z)
	f.Turn[Pelvis] = turned(&st.Heading, space.RotZ, -l.trunk)
	f.Omega[Pelvis] = r3.Scale(-l.trunkRate, lateral)
	f.Origin[Pelvis], f.Rate[Pelvis] = space.Vec{}, space.Vec{}
	f.moveLeg(st.Carrier, q, rate)
	end, segment := f.anchor()
	by, drift := sub(st.planted, end), r3.Scale(-1, f.Velocity(segment, end))
	if st.Root != OnFoot && !st.Split {
		by, drift = space.Reject(by, lateral), space.Reject(drift, lateral)
		by = add(by, r3.Scale(r3.Dot(st.MidHip, lateral), lateral))
	}
	f.Origin[Pelvis], f.Rate[Pelvis] = by, drift
}

// anchor is the end of the carrying leg that stays in place, and a segment that it belongs to.
func (f *Frames) anchor() (space.Vec, Segment) {
	side := f.Station.Carrier
	switch {
	case f.Station.Root == OnThighs:
		return f.Origin[side.On(ThighR)], side.On(ThighR)
	case f.Station.Root == OnKnees:
		return f.Origin[side.On(ShankR)], side.On(ShankR)
	case f.Station.HeelsUp:
		return f.Ball(side), side.On(FootR)
	}
	return f.Origin[side.On(FootR)], side.On(FootR)
}

// PitchOnToes is the pitch of a straight body on hands and toes whose shoulders are at a height, rad.
func (b *Body) PitchOnToes(shoulders float64) float64 {
	drop := shoulders - 2*b.AnkleH // ankles above the toes by twice their usual height (own)
	return math.Pi/2 - math.Asin(max(-1, min(1, drop/(b.ShoulderHeight-b.AnkleH))))
}

// plant says where that end is, and which leg carries.
func (b *Body) plant(p *setup.Posture, bench *setup.Bench, m *setup.Movement, st *Station) {
	st.HeelsUp = p.HeelsFree
	unlike := p.Feet == "split" || p.Feet == "staggered"
	switch {
	case st.Root == OnFoot:
		st.Carrier = SideOf(p.Stands)
	case st.Root == OnFeet && st.LegsMove && unlike:
		st.Split, st.Carrier = true, SideOf(m.Side)
	}
	aside := (1 - 2*float64(st.Carrier)) * b.HipHalf
	local := space.Vec{Y: b.AnkleH + p.Riser}
	switch {
	case st.Root == OnThighs:
		local.Y = b.padTop(p, bench) + trunkDepth*b.Height
		slope := space.Rad(bench.Slope())
		if st.fixed = math.Pi/2 - slope; p.Kind == "supine" {
			st.fixed = slope - math.Pi/2 - kneesUp
		}
	case st.Root == OnKnees:
		local.Y, st.fixed = kneeRadius*b.Height, math.Pi/2
	case st.HeelsUp && st.Root == OnSeat: // below knees that are bent square
		local = space.Vec{X: squareKnee*b.Thigh() + ankleToBall*b.FootLength, Y: p.Riser}
	case st.HeelsUp:
		local = space.Vec{X: ankleToBall * b.FootLength, Y: p.Riser}
	}
	if st.Root == OnFoot { // the foot that is stood on is under the middle of the body
		aside = 0
	}
	local.Z = aside
	at := st.Heading.Apply(local)
	st.planted = add(space.Vec{X: p.X, Z: p.Z}, at)
	if st.OnToes {
		st.planted = add(st.MidHip, st.Trunk.Apply(space.Vec{Y: b.AnkleH - b.HipHeight, Z: aside}))
	}
	if st.Root == OnShoulders {
		edge := st.Heading.Apply(space.Vec{X: -cmp.Or(p.FeetOut, b.FeetOut())})
		st.Edge = add(space.Vec{X: p.X, Z: p.Z}, edge)
		st.Edge.Y = b.padTop(p, bench)
	}
}

// kneesUp is the angle of the thighs to what the pelvis of somebody lies on who sits up with bent knees, rad (own).
const kneesUp = 50 * math.Pi / 180

// squareKnee is how far ahead of the hips the ankles of somebody are who sits with the balls of the feet on a step, over the thigh's length
// (own).
const squareKnee = 0.97

// bladesAlong is where the back lies on an edge, below the shoulder blades: share of the trunk's length from the hips (own).
const bladesAlong = 0.78

// FeetOut is how far from the edge that the back lies on the ankles are for shins that are upright with the hips straight, m.
func (b *Body) FeetOut() float64 { return b.Thigh() + bladesAlong*(b.ShoulderHeight-b.HipHeight) }

// OnEdge is where the back lies on an edge, in the trunk's axes from mid-hip.
func (b *Body) OnEdge() space.Vec {
	return space.Vec{X: -trunkDepth * b.Height, Y: bladesAlong * (b.ShoulderHeight - b.HipHeight)}
}

// padTop is the height of what is sat or lain on.
func (b *Body) padTop(p *setup.Posture, bench *setup.Bench) float64 {
	switch {
	case bench == nil && (p.Root == "shoulders" || p.Root == "thighs"):
		return 0
	case bench != nil && bench.Height > 0:
		return bench.Height
	case p.SeatHeight > 0:
		return p.SeatHeight
	}
	return setup.DefaultSeat
}

// Sole is the middle of a foot's sole, or the ball of the foot, m.
func (f *Frames) Sole(side Side, ball bool) space.Vec {
	if ball {
		return f.Ball(side)
	}
	foot := side.On(FootR)
	return add(f.Origin[foot], f.Turn[foot].Apply(space.Vec{X: midSole * f.Body.FootLength, Y: -f.Body.AnkleH}))
}

// Pressure is where the force on the sole of a foot is taken to act on the floor where both ends of the body carry it, m: under its
// middle, or under its ball with the heel free.
func (f *Frames) Pressure(side Side) space.Vec {
	return f.Sole(side, f.Station.HeelsUp)
}

// Step is where the balls of the feet stand on an edge, of the leg that carries, m.
func (s *Station) Step() space.Vec { return s.planted }

// AnkleFromBall is the ankle from the ball of a foot that stands flat, forward and up, m.
func (b *Body) AnkleFromBall() space.Vec {
	return space.Vec{X: -ankleToBall * b.FootLength, Y: b.AnkleH}
}

// CentreOfMass is that of the whole body, m.
func (f *Frames) CentreOfMass() space.Vec {
	return f.overMasses(func(s Segment) space.Vec { return f.COM[s] })
}

// overMasses is the mean of something that every segment has, by their masses.
func (f *Frames) overMasses(of func(Segment) space.Vec) space.Vec {
	var sum space.Vec
	mass := 0.0
	for s, m := range f.Body.Masses {
		sum, mass = add(sum, r3.Scale(m, of(Segment(s)))), mass+m
	}
	return r3.Scale(1/mass, sum)
}

// midSole is from the ankle to where a foot that stands flat presses, share of the foot's length (own).
const midSole = 0.2

// RearMisses is by how much the rear leg of a lifter with one foot ahead is too short for where its foot is, m; 0 where it reaches.
func (f *Frames) RearMisses() float64 {
	if !f.Station.Split {
		return 0
	}
	side := f.Station.Carrier.Opposite()
	way := space.Norm(sub(f.Origin[side.On(FootR)], f.Origin[side.On(ThighR)]))
	return max(0, way-f.Body.Thigh()-f.Body.Shank())
}

// Behind is where the body is carried beside the lead foot, m: the rear foot, the edge under the back, or the seat.
func (f *Frames) Behind() space.Vec {
	st := f.Station
	switch {
	case st.Split:
		return st.rear
	case st.Root == OnShoulders:
		return st.Edge
	}
	return f.Origin[Pelvis]
}

// Steepness of a rear foot on its ball, rad, and how far its instep is from the ankle, share of stature (own).
const (
	rearPitch = math.Pi / 3
	instep    = 0.03
	// how far behind the ankle a rear foot on its instep presses, share of stature (own)
	ankleToToes = 0.017
)

// placeRear says where the rear leg goes: its ball on the floor, or its instep on something.
func (b *Body) placeRear(p *setup.Posture, st *Station) {
	side := st.Carrier.Opposite()
	l := &st.ankles[side]
	back := stagger(p)
	put := func(ahead, up float64) space.Vec {
		v := add(space.Vec{X: p.X, Z: p.Z}, st.Heading.Apply(space.Vec{X: ahead, Z: (1 - 2*float64(side)) * b.HipHalf}))
		v.Y = up
		return v
	}
	l.knee = st.Heading.Apply(space.X)
	if p.RearHeight > 0 {
		l.ankle, l.foot = put(-back, p.RearHeight+instep*b.Height), turned(&st.Heading, space.RotZ, -math.Pi*0.9)
		st.rear = inMiddle(put(-back-ankleToToes*b.Height, p.RearHeight), st)
		return
	}
	l.foot = turned(&st.Heading, space.RotZ, -rearPitch)
	reach := space.RotZ(-rearPitch)
	ball := reach.Apply(space.Vec{X: ankleToBall * b.FootLength, Y: -b.AnkleH})
	l.ankle, st.rear = put(-back-ball.X, -ball.Y), inMiddle(put(-back, 0), st)
}

// inMiddle is a place moved sideways into the middle plane of the posture.
func inMiddle(v space.Vec, st *Station) space.Vec {
	lateral := st.Heading.Apply(space.Z)
	return add(v, r3.Scale(r3.Dot(sub(st.MidHip, v), lateral), lateral))
}

// overBalls is how far the shins of somebody lean forward who stands on the balls of the feet, rad, and how fast: so far that the body,
// with the arms hanging, has its centre of mass a little ahead of the balls. Every place is linear in sine and cosine of that lean.
func (b *Body) overBalls(q, rate *Pose) (lean, speed float64) {
	var at, turns space.Vec // coefficients of sine and cosine, and their rates
	part := func(mass, size, behind, behindRate float64) {
		// size·sin(lean - behind)
		s, c := math.Sincos(behind)
		at = add(at, space.Vec{X: mass * size * c, Y: -mass * size * s})
		turns = add(turns, space.Vec{X: -mass * size * s * behindRate, Y: -mass * size * c * behindRate})
	}
	ankle, ankleRate := q[setup.AnkleFlexion], rate[setup.AnkleFlexion]
	knee, kneeRate := q[setup.KneeFlexion], rate[setup.KneeFlexion]
	hip, hipRate := knee-q[setup.HipFlexion], kneeRate-rate[setup.HipFlexion]
	// The foot turns about its ball by lean - ankle; a place of it that is x ahead and y above goes to x cos + y sin.
	foot := func(mass, x, y float64) {
		part(mass, y, ankle, ankleRate)
		part(mass, x, ankle-math.Pi/2, ankleRate)
	}
	all := 0.0
	for _, m := range b.Masses {
		all += m
	}
	feet, shanks, thighs := 2*b.Masses[FootR], 2*b.Masses[ShankR], 2*b.Masses[ThighR]
	upper := all - feet - shanks - thighs
	back := -ankleToBall * b.FootLength
	foot(feet, back+(comFoot-heelToAnkle)*b.FootLength, b.AnkleH/2)
	foot(all-feet, back, b.AnkleH)
	part(shanks, (1-comShank)*b.Shank(), 0, 0)
	part(thighs+upper, b.Shank(), 0, 0)
	part(thighs, (1-comThigh)*b.Thigh(), knee, kneeRate)
	part(upper, b.Thigh(), knee, kneeRate)
	part(1, b.upperMoment(), hip, hipRate)
	lean = math.Asin(all*pastBall*b.FootLength/math.Hypot(at.X, at.Y)) - math.Atan2(at.Y, at.X)
	s, c := math.Sincos(lean)
	return lean, -(turns.X*s + turns.Y*c) / (at.X*c - at.Y*s)
}

// pastBall is how far ahead of the ball of the foot somebody on tiptoe presses, share of the foot's length (own).
const pastBall = 0.06

// upperMoment is the mass of trunk, head and hanging arms times how far above the hips it is, kg·m.
func (b *Body) upperMoment() float64 {
	trunk := b.ShoulderHeight - b.HipHeight
	arms := 0.0
	for _, seg := range []Segment{UpperArmR, ForearmR, HandR} {
		arms += 2 * b.Masses[seg]
	}
	return (b.Masses[Pelvis]+b.Masses[Thorax])*comTrunk*trunk + b.Masses[Head]*(earHeight*b.Height-b.HipHeight) + arms*trunk
}

// blocks are what the feet of moving legs stand on: a block with an edge, a box under one foot, a bench under the rear one.
func (b *Body) blocks(p *setup.Posture, st *Station) []Pad {
	box := func(at space.Vec, ahead, long, low, wide float64) Pad {
		m := add(inMiddle(at, st), st.Heading.Apply(space.Vec{X: ahead}))
		m.Y = (at.Y + low) / 2
		return Pad{Middle: m, Turn: st.Heading, Half: space.Vec{X: long, Y: (at.Y - low) / 2, Z: wide}}
	}
	sole := st.planted
	sole.Y = p.Riser
	switch {
	case st.HeelsUp && p.Riser > 0:
		return []Pad{box(sole, 0.12, 0.15, 0, 0.25)}
	case st.Root == OnFoot && p.Riser > 0:
		return []Pad{box(sole, 0.06, 0.22, 0, 0.22)}
	case st.Split && p.RearHeight > 0:
		return []Pad{box(st.rear, -0.08, 0.14, p.RearHeight-0.08, 0.45)}
	}
	return nil
}
