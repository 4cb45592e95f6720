// Package muscle knows the muscles: their lines from origin to insertion, lengths, moment arms, and which of them carry a torque.
//
// The table of lines was recalled and fitted, not looked up or measured on the lifter. Forces of the arm are a muscle's volume
// over its fibres' length times one stress (volumes after Holzbaur, Murray, Gold & Delp 2007, J Biomech 40:742, from memory; the
// parts of deltoid, chest and latissimus own), those of the leg likewise (Handsfield et al. 2014, J Biomech 47:631, from memory);
// girdle and back are set to plausible strength. Places of origins and insertions come from general anatomy, drawn toward moment
// arms that were recalled (shoulder: Ackland et al. 2008, J Anat 213:383; elbow: Murray, Delp & Buchanan 1995, J Biomech 28:513;
// knee: Spoor & van Leeuwen 1992; hip: Nemeth & Ohlsen 1985, all from memory).
package muscle

import (
	_ "embed"
	"encoding/json"
	"strconv"

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
	key               string
}

// region is one row of the table.
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
	// by what the trunk does, as the right half has it: degrees of it, its moment arm in m; the force is then that of both halves
	TrunkArm   map[string][][2]float64
	levers     map[string]*leverTable // of ExtensionArm or TrunkArm, which no lifter changes
	Turn       [][2]float64           // pronation in degrees, moment arm of pronation about the forearm in m
	turn       *turnTable             // of Turn; nil for none
	TurnFlexed float64                // share of the turn's arm that is there only with the elbow bent square
}

// hasLines says whether a row runs along lines; else it goes by tables of moment arms.
func (r *region) hasLines() bool { return len(r.ExtensionArm) == 0 && len(r.TrunkArm) == 0 }

// whole is a row without its strips.
func (r *region) whole() *region {
	one := *r
	one.Strips = nil
	return &one
}

type table struct {
	StatureRef, UpperArmRef, ForearmRef, ThighRef, ShankRef float64
	Regions                                                 []region
}

// regions is the table, read once.
var regions = readTable(raw)

func readTable(text []byte) table {
	var t table
	if err := json.Unmarshal(text, &t); err != nil {
		panic("muscle: " + err.Error()) // the table is part of the program
	}
	for i := range t.Regions {
		r := &t.Regions[i]
		r.turn = newTurnTable(r)
		for k := range r.Strips {
			r.Strips[k].key = r.Key + "_" + strconv.Itoa(k+1)
		}
		r.levers = map[string]*leverTable{}
		for _, arms := range []map[string][][2]float64{r.ExtensionArm, r.TrunkArm} {
			for key, points := range arms {
				r.levers[key] = newLeverTable(points)
			}
		}
	}
	return t
}
