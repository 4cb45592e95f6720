package setup

// PostureKind is a kind of posture: what may be its root, its own first, and whether it needs a bench.
type PostureKind struct {
	Kind  string
	Roots []string
	Bench bool
}

// Postures lists the kinds of posture, and for each what may be its root, its own first.
var Postures = []PostureKind{
	{"standing", []string{"feet", "hands"}, false},
	{"hinged", []string{"feet"}, false},
	{"leaning", []string{"feet"}, false},
	{"kneeling", []string{"knees"}, false},
	{"half-kneeling", []string{"knees"}, false},
	{"seated", []string{"seat"}, false},
	{"supine", []string{"bench"}, true},
	{"prone", []string{"bench", "hands"}, true},
	{"side-lying", []string{"bench"}, true},
}

// Restraints lists what else can keep a lifter in place.
var Restraints = []string{"strap", "thighPad", "armPad", "footPlate", "trunkOnThighs", "handOnThigh"}

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

// LegsMove says whether a movement names a coordinate of the legs.
func (m *Movement) LegsMove() bool {
	for c := HipFlexion; c <= AnkleFlexion; c++ {
		key := Coordinates[c].Key
		if _, held := m.Hold[key+"Deg"]; held || m.Primary == key {
			return true
		}
		if len(m.Keyframes) > 0 {
			if _, posed := m.Keyframes[0].Pose[key+"Deg"]; posed {
				return true
			}
		}
	}
	return false
}
