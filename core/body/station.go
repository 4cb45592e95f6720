package body

import (
	"math"
	"slices"

	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Root says what stays in place while the rest of the body moves.
type Root int

// The roots. Of them the feet count as fixed only when the legs move on them; else the pelvis keeps its place, whatever
// carries it.
const (
	OnFeet Root = iota
	OnSeat
	OnBench
	OnKnees
	OnHands
	OnFoot      // one of them; the other leg is free
	OnShoulders // the back on an edge, and the feet
	OnThighs    // on the pad of a bench for the back, or, of somebody who sits up, held with the feet
)

var rootNames = map[string]Root{"feet": OnFeet, "seat": OnSeat, "bench": OnBench, "knees": OnKnees, "hands": OnHands, "foot": OnFoot,
	"shoulders": OnShoulders, "thighs": OnThighs}

// Pad is a flat cushion: its middle, its axes (Y square to the surface) and its half lengths along them, m.
type Pad struct {
	Middle space.Vec
	Turn   space.Mat
	Half   space.Vec
}

// Station is how the lifter is placed: mid-hip in the room (m), the trunk's orientation, and where the legs go.
type Station struct {
	MidHip   space.Vec
	Heading  space.Mat // of the posture, about the vertical
	Trunk    space.Mat // pelvis and trunk together
	HalfFeet float64   // half the distance between the ankles, m
	Root     Root
	LegsMove bool      // the movement moves the legs, so that they follow joint coordinates
	Legs     Pose      // their coordinates where the movement says nothing, rad
	Carried  bool      // a pad, or its own thighs, carry the trunk, so that the low back does not
	Leans    bool      // the free hand leans on its own thigh
	Riser    float64   // height of what the feet stand on, m
	Pads     []Pad     // what the lifter sits or lies on
	Blocks   []Pad     // what the feet stand on
	ankles   [2]legs   // where the legs go when they do not move
	rear     space.Vec // where the rear foot presses
	OnToes   bool      // hands and toes carry the body between them
	Split    bool      // the legs move and are unlike: the lead foot is ahead, the other behind on its ball or its instep
	Carrier  Side      // the leg that carries the pelvis where the legs move on what stays in place; both do where they are alike
	HeelsUp  bool      // the balls of the feet stand on an edge, the heels are free
	Edge     space.Vec // that the back lies on, where the shoulders stay in place
	planted  space.Vec // where the carrier's end that stays in place is: ankle, ball, knee or hip joint
	fixed    float64   // lean of the segment that lies fixed, rad: of the shin on the floor, of the thigh on its pad
}

// Carries says whether the legs move on an end of theirs that stays in place, and carry the pelvis.
func (s *Station) Carries() bool {
	return s.LegsMove && s.Root != OnSeat && s.Root != OnBench && (s.Root != OnHands || s.OnToes)
}

// Toes is where the toes of a body that lies on hands and toes press on the floor, in its middle plane.
func (s *Station) Toes() space.Vec {
	t := inMiddle(s.planted, s)
	if !s.LegsMove {
		t = r3.Scale(0.5, add(s.ankles[Right].ankle, s.ankles[Left].ankle))
	}
	t.Y = 0
	return t
}

// legs is one leg that does not move: the ankle and where the knee points.
type legs struct {
	ankle space.Vec
	knee  space.Vec // direction that the knee bends towards
	foot  space.Mat
}

// Own estimates of how a body sits on a pad, as shares of stature: hip joint above the seat, mid-hip above a pad that is
// lain on, and half the trunk's depth (radii of thigh and trunk).
const (
	hipAboveSeat = 0.048
	trunkDepth   = 0.060
	kneeRadius   = 0.033
)

// usual distances from ankle to ankle of unlike stances, m (own).
var staggers = map[string]float64{"split": 0.6, "staggered": 0.25}

// clearOfFloor is how much higher than standing the hips of a body start that hangs between bars, m (own).
const clearOfFloor = 0.30

// hangsClear is the same of legs that are lifted there, which need no more room below (own).
const hangsClear = 0.06

// kept is how far the feet may be apart without lowering the hips, m: what that takes off, 2 mm, is below what a tape
// can tell.
const kept = 0.30

// Settle places the lifter by posture and bench. The movement only tells whether the legs move.
func (b *Body) Settle(p *setup.Posture, bench *setup.Bench, m *setup.Movement) Station {
	st := Station{Heading: space.RotY(space.Rad(p.HeadingDeg)), HalfFeet: p.FeetApart / 2, Root: rootNames[p.RootOf()]}
	st.OnToes = p.Kind == "prone" && st.Root == OnHands
	// a push-up turns the body about the toes
	st.LegsMove = m != nil && (m.LegsMove() || st.OnToes && m.Kind == "guided")
	st.Trunk = b.leanOf(p, bench, &st)
	st.Carried = bench != nil || p.OnFloor(bench) || slices.Contains(p.Restraints, "trunkOnThighs")
	st.Leans, st.Riser = slices.Contains(p.Restraints, "handOnThigh"), p.Riser
	st.MidHip = space.Vec{X: p.X, Y: b.hipHeight(p, bench, &st), Z: p.Z}
	if st.Root == OnHands && st.LegsMove && !st.OnToes {
		st.MidHip.Y += hangsClear - clearOfFloor
	}
	if p.Kind == "handstand" {
		st.MidHip.Y += b.aboveHands(m)
	}
	b.plant(p, bench, m, &st)
	b.placeLegs(p, bench, &st)
	st.Pads = b.pads(p, bench, &st)
	st.Blocks = b.blocks(p, &st)
	return st
}

// leanOf is how a posture leans the trunk in the room.
func (b *Body) leanOf(p *setup.Posture, bench *setup.Bench, st *Station) space.Mat {
	pitch, bend, turn := space.Rad(p.Trunk.PitchDeg), space.Rad(p.Trunk.BendDeg), space.Rad(p.Trunk.TurnDeg)
	lying := math.Pi/2 - space.Rad(bench.Slope())
	side := 1.0
	if p.Down == "left" {
		side = -1
	}
	switch p.Kind {
	case "supine":
		pitch -= lying
	case "prone":
		if st.OnToes {
			pitch += b.Plank()
		} else {
			pitch += lying
		}
	case "handstand":
		pitch += math.Pi
	case "side-lying":
		bend += side * lying
		turn -= side * b.roll(bench)
	case "seated", "leaning":
		if bench != nil && p.Kind == "seated" {
			pitch -= lying
		} else if bench != nil {
			bend += side * lying
		}
	}
	return lean(&st.Heading, pitch, bend, turn)
}

// aboveHands is how high above the floor the shoulders of somebody are who stands on the hands, at the start of the path, m: as far as the
// hands are below them there, or an arm's length.
func (b *Body) aboveHands(m *setup.Movement) float64 {
	if m != nil && m.Kind == "guided" && m.Guide != nil && m.Guide.Relative {
		return -m.Guide.Start.Y
	}
	return b.ArmLength()
}

// UpsideDown says whether the lifter stands on the hands.
func (s *Station) UpsideDown() bool { return s.Root == OnHands && !s.OnToes && s.Trunk[1][1] < 0 }

func lean(heading *space.Mat, pitch, bend, turn float64) space.Mat {
	m := turned(heading, space.RotZ, -pitch)
	m = turned(&m, space.RotX, bend)
	return turned(&m, space.RotY, turn)
}

// Plank is the pitch of a straight body that rests on straight, upright arms and on the toes, rad.
func (b *Body) Plank() float64 {
	return b.PitchOnToes(b.ArmLength())
}

// roll is how far a pad behind the back turns the chest forward, rad: as if the trunk's breadth rested on it with one
// edge (own).
func (b *Body) roll(bench *setup.Bench) float64 {
	if bench == nil || bench.PadUnderBack == 0 {
		return 0
	}
	return math.Asin(min(1, bench.PadUnderBack/(2*b.ShoulderHalf)))
}

// hipHeight is the height of mid-hip above the floor.
func (b *Body) hipHeight(p *setup.Posture, bench *setup.Bench, st *Station) float64 {
	seat := setup.DefaultSeat
	if p.SeatHeight > 0 {
		seat = p.SeatHeight
	}
	if bench != nil && bench.Height > 0 {
		seat = bench.Height
	}
	if p.OnFloor(bench) {
		seat = 0
	}
	flat := math.Cos(space.Rad(bench.Slope()))
	switch p.Kind {
	case "seated":
		return seat + hipAboveSeat*b.Height
	case "supine", "prone":
		if st.Root == OnHands {
			return 2*b.AnkleH + (b.HipHeight-b.AnkleH)*st.Trunk[1][1]
		}
		return seat + flat*trunkDepth*b.Height + (1-flat)*hipAboveSeat*b.Height
	case "side-lying":
		return seat + flat*b.OuterHipHalf + (1-flat)*hipAboveSeat*b.Height
	case "kneeling", "half-kneeling":
		return b.Thigh() + kneeRadius*b.Height
	case "handstand": // above the shoulders
		return b.ShoulderHeight - b.HipHeight
	case "leaning":
		return p.Riser + b.AnkleH + (b.HipHeight-b.AnkleH)*st.Trunk[1][1]
	}
	if st.Root == OnHands {
		return b.standingHip(p) + clearOfFloor
	}
	return b.standingHip(p)
}

// fromHip is how far ahead of or behind the hips an ankle stands, m.
func (b *Body) fromHip(p *setup.Posture) float64 { return max(stagger(p)/2, b.hipsBack(p)) }

// standingHip is the height of mid-hip over feet that are apart and knees that are bent.
func (b *Body) standingHip(p *setup.Posture) float64 {
	t, s := b.Thigh(), b.Shank()
	leg := math.Sqrt(t*t + s*s + 2*t*s*math.Cos(space.Rad(p.KneesDeg)))
	height := func(apart float64) float64 {
		aside, ahead := apart/2-b.HipHalf, b.fromHip(p)
		return math.Sqrt(max(0.01, leg*leg-aside*aside-ahead*ahead))
	}
	close := b.AnkleH + math.Sqrt(max(0.01, leg*leg-math.Pow(b.fromHip(p), 2)))
	return p.Riser + close - height(kept) + height(max(kept, p.FeetApart))
}

// hipsBack is how far behind the ankles the hips of somebody who hinges are, m: so far that the weight, with the arms
// hanging, stays over the middle of the feet.
func (b *Body) hipsBack(p *setup.Posture) float64 {
	if p.Kind != "hinged" {
		return 0
	}
	trunk, head := b.ShoulderHeight-b.HipHeight, earHeight*b.Height-b.HipHeight
	ahead := math.Sin(space.Rad(p.Trunk.PitchDeg)) * ((massShares[Pelvis]+massShares[Thorax])*comTrunk*trunk + massShares[Head]*head +
		2*(massShares[UpperArmR]+massShares[ForearmR]+massShares[HandR])*trunk)
	// Moving the ankles ahead takes a part of the legs along.
	legs := 2 * (0.45*massShares[ThighR] + 0.75*massShares[ShankR] + massShares[FootR])
	return max(0, min(0.45, (ahead-0.25*b.FootLength)/(1-legs)))
}

func stagger(p *setup.Posture) float64 {
	if p.Feet != "split" && p.Feet != "staggered" {
		return 0
	}
	if p.Stagger > 0 {
		return p.Stagger
	}
	return staggers[p.Feet]
}

// kneelingFoot is how far the toes of somebody who turns about the knees are pointed, rad (own).
const kneelingFoot = math.Pi / 4

// placeLegs says where the legs go: to the floor where it is in reach, else on along the body. Moving legs follow
// coordinates instead, with the posture's own where the movement names none.
func (b *Body) placeLegs(p *setup.Posture, bench *setup.Bench, st *Station) {
	if st.Split {
		b.placeRear(p, st)
	}
	if st.LegsMove {
		if st.Root == OnKnees { // on the instep
			st.Legs[setup.AnkleFlexion] = -kneelingFoot
		}
		if p.Kind == "seated" {
			up := st.Trunk.Apply(space.Y) // thighs level, shanks upright
			st.Legs[setup.HipFlexion] = math.Pi/2 + math.Atan2(r3.Dot(up, st.Heading.Apply(space.X)), up.Y)
			st.Legs[setup.KneeFlexion] = math.Pi / 2
		}
		return
	}
	for side := Right; side <= Left; side++ {
		leg := legPlace{Body: b, p: p, bench: bench, st: st, side: side, out: 1 - 2*float64(side), wide: max(st.HalfFeet, b.HipHalf)}
		l := &st.ankles[side]
		l.foot, l.knee = st.Heading, st.Heading.Apply(space.X)
		switch {
		case st.Root == OnHands && p.Kind == "standing", p.Kind == "handstand", p.Kind == "prone", p.Kind == "leaning", p.Kind == "side-lying":
			l.ankle, l.foot = leg.along()
		case p.Kind == "seated":
			high := max(b.AnkleH+p.Riser, st.MidHip.Y-b.Shank()-0.12) // up to a seat from which the feet do not reach the floor
			l.ankle = leg.at(0.95*b.Thigh(), high, leg.wide)
		case p.Kind == "half-kneeling" && (p.Ahead == "left") == (side == Left):
			l.ankle = leg.at(b.Thigh(), b.AnkleH, leg.wide)
		case p.Kind == "kneeling", p.Kind == "half-kneeling":
			l.ankle, l.knee = leg.at(-b.Shank(), b.AnkleH, leg.wide), space.Vec{Y: -1}
			l.foot = turned(&st.Heading, space.RotZ, math.Pi) // on the instep
		case p.Kind == "supine":
			l.ankle = leg.at(0.75*b.Thigh(), b.AnkleH+p.Riser, max(st.HalfFeet, 1.5*b.HipHalf))
			l.knee = add(l.knee, space.Y)
		default:
			l.ankle = leg.at(leg.ahead()+b.hipsBack(p), b.AnkleH+p.Riser, st.HalfFeet)
		}
	}
}

// legPlace is one leg that does not move, to be put somewhere.
type legPlace struct {
	*Body
	p     *setup.Posture
	bench *setup.Bench
	st    *Station
	side  Side
	out   float64 // +1 to the right
	wide  float64 // from the middle to the ankle at least, m
}

// at is a place ahead of the hips and aside, at a height above the floor, m.
func (l *legPlace) at(ahead, height, aside float64) space.Vec {
	v := add(l.st.MidHip, l.st.Heading.Apply(space.Vec{X: ahead, Z: l.out * aside}))
	v.Y = height
	return v
}

// along is where the ankle is when the leg goes on along the trunk, or comes down to the floor behind, and how the foot stands.
func (l *legPlace) along() (ankle space.Vec, foot space.Mat) {
	st, hangs := l.st, l.st.Root == OnHands
	ankle = add(st.MidHip, st.Trunk.Apply(space.Vec{Y: l.AnkleH - l.HipHeight, Z: l.out * l.wide}))
	under := ankle.Y < l.AnkleH && !(hangs && l.p.Kind == "standing")
	propped := l.p.Kind == "prone" && !hangs && l.bench != nil && l.bench.AngleDeg > 15
	if !under && !propped {
		return ankle, st.Trunk
	}
	back := -math.Sqrt(max(0, math.Pow(l.HipHeight-l.AnkleH, 2)-math.Pow(st.MidHip.Y-l.AnkleH, 2)))
	return l.at(0.9*back, l.AnkleH, l.wide), st.Heading
}

// ahead is how far the ankle is ahead of the middle in the stance.
func (l *legPlace) ahead() float64 {
	ahead := stagger(l.p) / 2
	if l.p.Kind == "hinged" {
		ahead = 0
	}
	if (l.p.Ahead == "left") != (l.side == Left) {
		return -ahead
	}
	return ahead
}

// usualPad is half of the usual breadth of a seat or bench, m (own).
const usualPad = 0.14

// thick is half of a pad's thickness, m (own).
const thick = 0.04

// pads are what carries the lifter: a seat, the bench under or behind the trunk.
func (b *Body) pads(p *setup.Posture, bench *setup.Bench, st *Station) []Pad {
	h := b.Height
	var out []Pad
	if p.Kind == "seated" || (bench != nil && p.Kind == "prone" && bench.AngleDeg > 30 && st.Root != OnThighs) {
		top := st.MidHip.Y - hipAboveSeat*h - thick
		m := add(st.MidHip, st.Heading.Apply(space.Vec{X: 0.05}))
		if p.Kind == "prone" {
			m = add(st.MidHip, st.Heading.Apply(space.Vec{X: -0.15}))
		}
		m.Y = top
		out = append(out, Pad{Middle: m, Turn: st.Heading, Half: space.Vec{X: 0.18, Y: thick, Z: usualPad}})
	}
	if bench == nil {
		return out
	}
	switch st.Root {
	case OnShoulders: // the bench stands across
		m := add(st.Edge, st.Heading.Apply(space.Vec{X: -usualPad}))
		m.Y -= thick
		return append(out, Pad{Middle: m, Turn: st.Heading, Half: space.Vec{X: usualPad, Y: thick, Z: 0.5}})
	case OnThighs:
		if p.Kind == "supine" {
			break
		}
		thigh := turned(&st.Heading, space.RotZ, -st.fixed)
		at := add(inMiddle(st.planted, st), thigh.Apply(space.Vec{X: trunkDepth*h + thick, Y: -0.35 * b.Thigh()}))
		return append(out, Pad{Middle: at, Turn: thigh, Half: space.Vec{X: thick, Y: 0.3 * b.Thigh(), Z: 2 * usualPad}})
	}
	return append(out, b.trunkPad(p, bench, st))
}

// trunkPad is the bench's pad on the side of the trunk that the posture puts down: behind, before or beside it.
func (b *Body) trunkPad(p *setup.Posture, bench *setup.Bench, st *Station) Pad {
	off := trunkDepth*b.Height + thick
	toward := space.Vec{X: -1}
	switch {
	case p.Kind == "prone":
		toward = space.Vec{X: 1}
	case p.Kind == "side-lying", p.Kind == "leaning":
		off, toward = b.OuterHipHalf+thick, space.Vec{Z: 1}
		if p.Down == "left" {
			toward = space.Vec{Z: -1}
		}
	}
	flat := st.Trunk
	if p.Kind == "side-lying" { // the pad does not roll with the chest
		roll := b.roll(bench)
		if p.Down == "right" {
			roll = -roll
		}
		flat = turned(&flat, space.RotY, -roll)
	}
	length := b.ShoulderHeight - b.HipHeight
	long, wide := 1.3*length, 2*usualPad // as long as it takes unless it is known
	if bench.BackLength > 0 {
		long = bench.BackLength
	}
	if bench.Width > 0 {
		wide = bench.Width
	}
	middle := add(st.MidHip, flat.Apply(add(space.Vec{Y: long/2 - 0.2*length}, r3.Scale(off, toward))))
	half := space.Vec{X: thick, Y: long / 2, Z: wide / 2}
	if toward.Z != 0 {
		half.X, half.Z = wide/2, thick
	}
	return Pad{Middle: middle, Turn: flat, Half: half}
}

// Mirror reflects a point of the room in the sagittal plane of the lifter (through mid-hip, along the heading).
func (s *Station) Mirror(p space.Vec) space.Vec {
	back := s.Heading.Transpose()
	local := back.Apply(sub(p, s.MidHip))
	return add(s.MidHip, s.Heading.Apply(space.MirrorPoint(local)))
}

// MirrorTurn reflects the direction of an axis of rotation in that plane.
func (s *Station) MirrorTurn(w space.Vec) space.Vec {
	back := s.Heading.Transpose()
	return s.Heading.Apply(space.MirrorSpin(back.Apply(w)))
}
