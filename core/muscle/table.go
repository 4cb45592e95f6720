// Package muscle knows the muscle regions: their lines from origin to insertion, lengths, moment arms, and which of them
// carry a torque.
//
// The table of regions is a starting point. Forces and fibre lengths follow Holzbaur, Murray & Delp 2005 (Ann Biomed Eng
// 33:829-840, from memory), with the deltoid's force shifted between its parts; the places of origins and insertions come
// from general anatomy, drawn toward moment arms that were recalled, not looked up (for the shoulder Ackland et al. 2008, J
// Anat 213:383; for the elbow Murray, Delp & Buchanan 1995, J Biomech 28:513; for the knee Spoor & van Leeuwen 1992; for the
// hip Nemeth & Ohlsen 1985, all from memory). Forces of leg, girdle and back are set to reach plausible strength.
package muscle

import (
	_ "embed"
	"encoding/json"

	"dialarc/core/space"
)

//go:embed table.json
var raw []byte

// triple is a place in a body's axes, m at the table's stature.
type triple [3]float64

func (t triple) vec() space.Vec { return space.Vec{X: t[0], Y: t[1], Z: t[2]} }

type place struct {
	Body string
	At   triple
}

type wrap struct {
	After  int
	Kind   string
	Radius float64
	Side   float64
}

type strip struct {
	Force             float64
	Origin, Insertion triple
	PathOpt           float64
}

// region is one line of the table.
type region struct {
	Key, Name    string
	Force        float64    // N
	FibreOpt     float64    // m
	PathOpt      float64    // length of the path at which the fibres are at their optimum, m
	Range        [2]float64 // of normalised length that people usually own
	Points       []place
	Wraps        []wrap
	Strips       []strip
	ExtensionArm map[string][][2]float64 // by joint: flexion in degrees, moment arm of extension in m
	Arm          float64                 // of the back's extensors, m
}

type table struct {
	StatureRef, UpperArmRef, ForearmRef, ThighRef, ShankRef float64
	Regions                                                 []region
}

// regions is the table, read once.
var regions = func() table {
	var t table
	if err := json.Unmarshal(raw, &t); err != nil {
		panic("muscle: " + err.Error()) // the table is part of the program
	}
	return t
}()

// groups gathers the table's lines under the names that setups use, and names those that no setup is for.
var groups = []struct {
	Key, Label string
	Of         []string
}{
	{"deltoid.anterior", "Deltoid, front", []string{"delt_ant"}},
	{"deltoid.middle", "Deltoid, middle", []string{"delt_mid"}},
	{"deltoid.posterior", "Deltoid, rear", []string{"delt_post"}},
	{"pectoralis.clavicular", "Chest, upper", []string{"pec_clav"}},
	{"pectoralis.sternal", "Chest, middle", []string{"pec_stern"}},
	{"pectoralis.costal", "Chest, lower", []string{"pec_cost"}},
	{"latissimus.upper", "Latissimus, upper", []string{"lat_up", "lat_mid"}},
	{"latissimus.lower", "Latissimus, lower", []string{"lat_low"}},
	{"teres.major", "Teres major", []string{"teres_maj"}},
	{"cuff", "Rotator cuff", []string{"supra", "infra", "subscap", "teres_min"}},
	{"coracobrachialis", "Coracobrachialis", []string{"coraco"}},
	{"biceps", "Biceps", []string{"bic_long", "bic_short"}},
	{"brachialis", "Brachialis", []string{"brachialis"}},
	{"brachioradialis", "Brachioradialis", []string{"brachiorad"}},
	{"triceps", "Triceps", []string{"tri_long", "tri_lat", "tri_med"}},
	{"trapezius.upper", "Trapezius, upper", []string{"trap_up", "levator"}},
	{"trapezius.middle", "Trapezius, middle", []string{"trap_mid", "rhomb"}},
	{"trapezius.lower", "Trapezius, lower", []string{"trap_low"}},
	{"serratus", "Serratus and pectoralis minor", []string{"serratus", "pec_minor"}},
	{"quadriceps", "Quadriceps", []string{"rectus_fem", "vasti"}},
	{"hamstrings", "Hamstrings", []string{"hams_bi", "hams_short"}},
	{"gluteus.maximus", "Gluteus maximus", []string{"glute_max"}},
	{"adductor.magnus", "Adductor magnus", []string{"add_magnus"}},
}

func groupOf(key string) int {
	for g := range groups {
		for _, k := range groups[g].Of {
			if k == key {
				return g
			}
		}
	}
	return -1
}

// Group is a region as coaches speak of it.
type Group struct{ Key, Label string }

// Groups lists the groups in their order.
func Groups() []Group {
	out := make([]Group, len(groups))
	for i, g := range groups {
		out[i] = Group{g.Key, g.Label}
	}
	return out
}
