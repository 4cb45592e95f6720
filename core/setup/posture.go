package setup

import "slices"

// PostureKind is a kind of posture: what may be its root, its own first, and whether it needs a bench.
type PostureKind struct {
	Kind  string
	Roots []string
	Bench bool
}

// Postures lists the kinds of posture, and for each what may be its root, its own first.
var Postures = []PostureKind{
	{"standing", []string{"feet", "foot", "hands"}, false},
	{"hinged", []string{"feet"}, false},
	{"leaning", []string{"feet"}, false},
	{"kneeling", []string{"knees"}, false},
	{"half-kneeling", []string{"knees"}, false},
	{"seated", []string{"seat"}, false},
	{"supine", []string{"bench", "shoulders", "thighs"}, true},
	{"prone", []string{"bench", "hands", "thighs"}, true},
	{"side-lying", []string{"bench"}, true},
	{"handstand", []string{"hands"}, false},
}

// Restraints lists what else can keep a lifter in place.
var Restraints = []string{"strap", "thighPad", "armPad", "footPlate", "trunkOnThighs", "handOnThigh", "ankles", "handsHold",
	"shoulderPads"}

// Slope is the angle of the back rest from horizontal, degrees; 0 without a bench, as of the floor.
func (b *Bench) Slope() float64 {
	if b == nil {
		return 0
	}
	return b.AngleDeg
}

// OnFloor says whether somebody lies on the floor: on back or front without a bench, carried by neither hands nor shoulders alone.
func (p *Posture) OnFloor(bench *Bench) bool {
	return bench == nil && p.RootOf() == "bench" && (p.Kind == "supine" || p.Kind == "prone")
}

// RootOf is what stays in place: the document's root, or the posture's own.
func (p *Posture) RootOf() string {
	if p.Root != "" {
		return p.Root
	}
	for _, k := range Postures {
		if k.Kind == p.Kind {
			return k.Roots[0]
		}
	}
	return "feet"
}

// HandleLeads says whether a machine's handle leads the hand, so that its path can begin elsewhere but not lie elsewhere.
func (d *Document) HandleLeads() bool {
	return slices.ContainsFunc(d.Loads, func(l Load) bool { return l.HandleRadius > 0 })
}

// Moves says whether a path itself moves a coordinate, by its key in poses.
func (m *Movement) Moves(key string) bool {
	if m.Primary+"Deg" == key {
		return true
	}
	if len(m.Keyframes) == 0 {
		return false
	}
	_, posed := m.Keyframes[0].Pose[key]
	return posed
}

// LegsCarry says whether the legs move on an end that stays in place and carry the pelvis, so that the trunk's lean follows from them.
func (d *Document) LegsCarry() bool {
	root := d.Posture.RootOf()
	return d.Movement.LegsMove() && root != "seat" && root != "bench" && root != "hands"
}

// Hangs says whether somebody hangs by the hands, so that the whole body swings under them: from hands that start above the shoulders, or
// while legs or trunk move. Somebody who stands on the hands balances over them in the same way.
func (d *Document) Hangs() bool {
	return d.Posture.Kind == "handstand" || d.Posture.Kind == "standing" && d.Posture.RootOf() == "hands" &&
		(d.Movement.LegsMove() || d.Movement.TrunkMoves() || d.startsOverhead())
}

// overhead is how high shoulders are, as a share of stature.
const overhead = 0.82

// startsOverhead says whether the hands start above the shoulders of somebody who stands.
func (d *Document) startsOverhead() bool {
	m, raised := &d.Movement, "shoulder.elevationDeg"
	switch m.Kind {
	case "guided":
		return m.Guide != nil && (m.Guide.Relative && m.Guide.Start.Y > 0 || m.Guide.Start.Y > overhead*d.Lifter.Height)
	case "keyframes":
		return len(m.Keyframes) > 0 && m.Keyframes[0].Pose[raised]+m.Hold[raised] > 90
	case "sweep":
		return m.Primary == "shoulder.elevation" && m.FromDeg > 90 || m.Hold[raised] > 90
	}
	return m.Hold[raised] > 90
}

// JoinsHands says whether the hand that takes no part in the movement holds the handle of the one that does.
func (d *Document) JoinsHands() bool {
	return d.Movement.Side != "both" && slices.ContainsFunc(d.Loads, func(l Load) bool { return l.Shared && l.Contact.Segment == "hand" })
}

// FreeKneeDeg is how far the knee of a free leg is bent unless the document says it, degrees (own).
const FreeKneeDeg = 60

// FreeLeg says whether the leg that takes no part is free: the lifter stands on the one that works.
func (d *Document) FreeLeg() bool {
	p := &d.Posture
	return p.RootOf() == "foot" && d.Movement.Side == p.Stands && d.Movement.LegsMove()
}

// Sled is the index of the sled among the loads, -1 where there is none.
func (d *Document) Sled() int {
	return slices.IndexFunc(d.Loads, func(l Load) bool { return l.Kind == Sled })
}

// RiseDeg is how steeply a sled's rails rise ahead of the lifter, degrees: down to the feet where it is a carriage that bears the back.
func (l *Load) RiseDeg() float64 {
	if l.Rides {
		return -l.RailDeg
	}
	return l.RailDeg
}

// Rides says whether a sled bears the lifter's back.
func (d *Document) Rides() bool {
	i := d.Sled()
	return i >= 0 && d.Loads[i].Rides
}

// Led are the coordinates of moving legs that something other than the movement decides, and what does; none where nothing does.
func (d *Document) Led() (by string, led []Coordinate) {
	if !d.Movement.LegsMove() {
		return "", nil
	}
	p := &d.Posture
	sled := d.Sled()
	switch root := p.RootOf(); {
	case root == "shoulders":
		return "the edge under the back", []Coordinate{KneeFlexion, AnkleFlexion}
	case root == "seat" && p.HeelsFree:
		return "the block under the feet", []Coordinate{HipFlexion, KneeFlexion}
	case sled >= 0 && d.Loads[sled].Contact.At == "ball":
		return "the rails", []Coordinate{HipFlexion}
	case sled >= 0:
		return "the rails", []Coordinate{HipFlexion, AnkleFlexion}
	case p.FrontShare > 0:
		return "the weight on the front foot", []Coordinate{AnkleFlexion}
	}
	return "", nil
}

// Names says whether a movement says what a coordinate does, by its key in poses.
func (m *Movement) Names(key string) bool {
	_, held := m.Hold[key]
	return held || m.Moves(key)
}

// LegsMove says whether a movement names a coordinate of the legs.
func (m *Movement) LegsMove() bool { return oneOfThem(HipFlexion, AnkleFlexion, m.Names) }

// TrunkMoves says whether a path itself bends or turns the trunk.
func (m *Movement) TrunkMoves() bool { return oneOfThem(TrunkFlexion, TrunkRotation, m.Moves) }

// TrunkBent says whether a movement names a coordinate of the trunk.
func (m *Movement) TrunkBent() bool { return oneOfThem(TrunkFlexion, TrunkRotation, m.Names) }

// TrunkToOneSide says whether a movement names a coordinate that takes the trunk to one side, so that its two sides cannot move alike.
func (m *Movement) TrunkToOneSide() bool { return oneOfThem(TrunkBend, TrunkRotation, m.Names) }

// oneOfThem says whether something is true of one of the coordinates from the first to the last, by their keys in poses.
func oneOfThem(first, last Coordinate, of func(key string) bool) bool {
	for c := first; c <= last; c++ {
		if of(c.PoseKey()) {
			return true
		}
	}
	return false
}
