// Package dialin knows what can be turned on a setup, within which limits, and how well each value would fit.
package dialin

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"dialarc/core/kit"
	"dialarc/core/setup"
)

// Setting is one thing that can be turned: a dial.
type Setting struct {
	Key   string    `json:"key" doc:"Name of the dial, with the load's place where it belongs to one, like pulley.height/0."`
	Group string    `json:"group" doc:"Section of the rig." enum:"loads,body,path,tempo"`
	Label string    `json:"label"`
	Kind  string    `json:"kind" doc:"Kind of unit; a hole is counted from the floor." enum:"length,angle,mass,force,time,hole,share"`
	From  float64   `json:"from"`
	To    float64   `json:"to"`
	Step  float64   `json:"step"`
	Value float64   `json:"value"`
	Stops []float64 `json:"stops,omitempty" doc:"The values that the kit has, rising, where it has some only: pins, dumbbells, notches."`
	Stop  string    `json:"stop,omitempty" doc:"What a stop is called when stops are counted." enum:"notch"`
	At    *float64  `json:"at,omitempty" doc:"For a hole: its height, m."`
	Paint string    `json:"paint" doc:"What the track is painted with." enum:"match,effort,none"`
	Usual bool      `json:"usual" doc:"Whether a search turns it unless told otherwise: what a coach can change between two sets, and has not locked."`
	Lock  bool      `json:"lock" doc:"Whether searches and mends leave it alone."`
	Paths []string  `json:"paths" doc:"Paths in the document that it speaks for."`
}

// dial knows how to read and write one kind of setting. Index is the load's place, or -1.
type dial struct {
	name    string
	perLoad []setup.LoadKind                // kinds of load it belongs to; none when it belongs to the setup
	applies func(*setup.Document, int) bool // whether this document has it; nil for always
	setting func(d *setup.Document, index int) Setting
	apply   func(d *setup.Document, index int, value float64)
}

func (dl *dial) of(d *setup.Document, index int) bool {
	if dl.perLoad != nil && (!slices.Contains(dl.perLoad, d.Loads[index].Kind) || !placed(&d.Loads[index])) {
		return false
	}
	return dl.applies == nil || dl.applies(d, index)
}

// placed says whether a load has the place that it starts from, which an unsound document may lack.
func placed(l *setup.Load) bool { return l.Is().From == "" || l.Start() != nil }

func isRaise(d *setup.Document, _ int) bool { return d.Movement.Kind == "shoulder-raise" }

func isSweep(d *setup.Document, _ int) bool {
	return d.Movement.Kind == "shoulder-raise" || d.Movement.Kind == "sweep"
}

// apartTogether says whether a load has a mirrored twin at a distance from it.
func apartTogether(d *setup.Document, i int) bool {
	l := &d.Loads[i]
	return !l.Shared && d.Movement.Side == "both" && l.Contact.Segment != "trunk"
}

// The kinds of load that dials belong to.
var (
	onPulley = []setup.LoadKind{setup.Cable, setup.Rope}
	ofCable  = []setup.LoadKind{setup.Cable}
	ofRope   = []setup.LoadKind{setup.Rope}
	ofBand   = []setup.LoadKind{setup.Band}
	ofLever  = []setup.LoadKind{setup.Lever}
	withPins = []setup.LoadKind{setup.Cable, setup.Rope, setup.Cam}
	strapped = []setup.LoadKind{setup.Cable, setup.Band}
	worn     = []setup.LoadKind{setup.Cable, setup.Band, setup.Dumbbell}
	inHand   = []setup.LoadKind{setup.Dumbbell, setup.Bar}
)

var dials = []dial{
	{"pulley.height", onPulley, nil, pulleyHeight, setPulleyHeight},
	{"columns.apart", ofCable, apartFreely, columnsApart, setColumnsApart},
	{"pulley.out", onPulley, atWall, pulleyOut, func(d *setup.Document, i int, v float64) { d.Loads[i].Pulley.X = v }},
	{"pulley.aside", onPulley, single, pulleyAside, func(d *setup.Document, i int, v float64) { d.Loads[i].Pulley.Z = v }},
	{"load.stack", withPins, nil, stackMass, func(d *setup.Document, i int, v float64) { d.Loads[i].StackMass = v }},
	{"band.height", ofBand, nil, anchorHeight, func(d *setup.Document, i int, v float64) { d.Loads[i].Anchor.Y = v }},
	{"band.out", ofBand, nil, anchorOut, func(d *setup.Document, i int, v float64) { d.Loads[i].Anchor.X = v }},
	{"band.aside", ofBand, single, anchorAside, func(d *setup.Document, i int, v float64) { d.Loads[i].Anchor.Z = v }},
	{"band.apart", ofBand, apartTogether, anchorsApart, func(d *setup.Document, i int, v float64) { setApart(&d.Loads[i].Anchor.Z, d.Loads[i].Side, v) }},
	{"band.rest", ofBand, ownBand, bandRest, func(d *setup.Document, i int, v float64) { d.Loads[i].RestLength = v }},
	{"band.pull", ofBand, func(d *setup.Document, i int) bool { return len(d.Loads[i].Pull) == 0 && ownBand(d, i) }, bandPull, setBandPull},
	{"strap", strapped, hasStrap, strap, func(d *setup.Document, i int, v float64) { d.Loads[i].AttachmentLength = v }},
	{"strand", ofRope, nil, strand, func(d *setup.Document, i int, v float64) { d.Loads[i].StrandLength = v }},
	{"cuff", worn, cuffed, cuffPlace, func(d *setup.Document, i int, v float64) { d.Loads[i].Contact.Fraction = &v }},
	{"load.mass", inHand, nil, freeMass, func(d *setup.Document, i int, v float64) { d.Loads[i].Mass = v }},
	{"lever.plates", ofLever, nil, plateMass, func(d *setup.Document, i int, v float64) { d.Loads[i].PlateMass = v }},
	{"stance.out", nil, hasLine, stanceOut, func(d *setup.Document, _ int, v float64) { d.Posture.X = v }},
	{"stance.aside", nil, func(d *setup.Document, i int) bool { return oneSided(d, i) && hasLine(d, i) }, stanceAside, func(d *setup.Document, _ int, v float64) { d.Posture.Z = v }},
	{"heading", nil, hasLine, heading, func(d *setup.Document, _ int, v float64) { d.Posture.HeadingDeg = v }},
	{"seat.height", nil, func(d *setup.Document, _ int) bool { return d.Posture.Kind == "seated" && d.Bench == nil }, seatHeight, func(d *setup.Document, _ int, v float64) { d.Posture.SeatHeight = v }},
	{"bench.height", nil, func(d *setup.Document, _ int) bool {
		return d.Bench != nil && d.Bench.Kit == nil && d.Posture.Kind != "leaning"
	}, benchHeight, func(d *setup.Document, _ int, v float64) { d.Bench.Height = v }},
	{"feet.apart", nil, onTwoFeet, feetApart, func(d *setup.Document, _ int, v float64) { d.Posture.FeetApart = v }},
	{"feet.stagger", nil, func(d *setup.Document, _ int) bool {
		return onTwoFeet(d, -1) && (d.Posture.Feet == "split" || d.Posture.Feet == "staggered")
	}, feetStagger, func(d *setup.Document, _ int, v float64) { d.Posture.Stagger = v }},
	{"riser", nil, func(d *setup.Document, _ int) bool { return d.Posture.Riser > 0 }, riser, func(d *setup.Document, _ int, v float64) { d.Posture.Riser = v }},
	{"hand.out", nil, holdsOn, handAt("Free hand, forward", func(p *setup.Point) *float64 { return &p.X }, "x", -2, 3), handTo(func(p *setup.Point) *float64 { return &p.X })},
	{"hand.height", nil, holdsOn, handAt("Free hand, height", func(p *setup.Point) *float64 { return &p.Y }, "y", 0, 2.4), handTo(func(p *setup.Point) *float64 { return &p.Y })},
	{"hand.aside", nil, holdsOn, handAt("Free hand, sideways", func(p *setup.Point) *float64 { return &p.Z }, "z", -2, 2), handTo(func(p *setup.Point) *float64 { return &p.Z })},
	{"bench.angle", nil, func(d *setup.Document, _ int) bool { return d.Bench != nil }, benchAngle, func(d *setup.Document, _ int, v float64) { d.Bench.AngleDeg = v }},
	{"bench.mass", nil, func(d *setup.Document, _ int) bool { return d.Bench != nil }, benchMass, func(d *setup.Document, _ int, v float64) { d.Bench.Mass = v }},
	{"trunk.lean", nil, leans, trunkLean, func(d *setup.Document, _ int, v float64) { d.Posture.Trunk.PitchDeg = v }},
	{"path.plane", nil, isRaise, held("Plane of the raise", "shoulder.planeDeg", -30, 120), hold("shoulder.planeDeg")},
	{"path.startPlane", nil, isRaise, startPlane, func(d *setup.Document, _ int, v float64) { d.Movement.StartPlane = &v }},
	{"path.elbow", nil, isRaise, held("Elbow bend", "elbow.flexionDeg", 0, 120), hold("elbow.flexionDeg")},
	{"path.rotation", nil, isRaise, held("Arm rotation", "shoulder.rotationDeg", -90, 70), hold("shoulder.rotationDeg")},
	{"hold.elevation", nil, holds("shoulder.elevationDeg"), held("Arm raise angle", "shoulder.elevationDeg", -60, 170), hold("shoulder.elevationDeg")},
	{"hold.plane", nil, holds("shoulder.planeDeg"), held("Plane of the raise", "shoulder.planeDeg", -45, 130), hold("shoulder.planeDeg")},
	{"hold.rotation", nil, holds("shoulder.rotationDeg"), held("Arm rotation", "shoulder.rotationDeg", -90, 70), hold("shoulder.rotationDeg")},
	{"hold.elbow", nil, holds("elbow.flexionDeg"), held("Elbow bend", "elbow.flexionDeg", 0, 145), hold("elbow.flexionDeg")},
	{"guide.swivel", nil, func(d *setup.Document, _ int) bool { return d.Movement.Guide != nil }, swivel, setSwivel},
	{"guide.travel", nil, lineGuide, guideTravel, setGuideTravel},
	{"guide.turn", nil, arcGuide, guideTurn, setGuideTurn},
	{"pose.from", nil, hasWidest, poseEnd(false), setPoseEnd(false)},
	{"pose.to", nil, hasWidest, poseEnd(true), setPoseEnd(true)},
	{"range.from", nil, isSweep, rangeFrom, func(d *setup.Document, _ int, v float64) { d.Movement.FromDeg = v }},
	{"range.to", nil, isSweep, rangeTo, func(d *setup.Document, _ int, v float64) { d.Movement.ToDeg = v }},
	{"tempo.up", nil, moves, seconds("Lifting", "tempo.up", 0.5, func(t *setup.Tempo) float64 { return t.Up }), func(d *setup.Document, _ int, v float64) { d.Tempo.Up = v }},
	{"tempo.top", nil, moves, seconds("Hold at the top", "tempo.top", 0, func(t *setup.Tempo) float64 { return t.Top }), func(d *setup.Document, _ int, v float64) { d.Tempo.Top = v }},
	{"tempo.down", nil, moves, seconds("Lowering", "tempo.down", 0.5, func(t *setup.Tempo) float64 { return t.Down }), func(d *setup.Document, _ int, v float64) { d.Tempo.Down = v }},
	{"tempo.bottom", nil, moves, seconds("Rest at the start", "tempo.bottom", 0, func(t *setup.Tempo) float64 { return t.Bottom }), func(d *setup.Document, _ int, v float64) { d.Tempo.Bottom = v }},
}

// startPlane is the plane in which a raise starts: that of the whole path unless it has one of its own.
func startPlane(d *setup.Document, _ int) Setting {
	s := held("Plane at the start", "shoulder.planeDeg", -45, 120)(d, -1)
	s.Paths = []string{"movement.startPlaneDeg"}
	if p := d.Movement.StartPlane; p != nil {
		s.Value = *p
	}
	return s
}

// feetStagger is how far one foot is ahead of the other.
func feetStagger(d *setup.Document, _ int) Setting {
	usual := map[string]float64{"split": 0.6, "staggered": 0.25}[d.Posture.Feet]
	return Setting{Group: "body", Label: "Front foot ahead by", Kind: "length", From: 0.1, To: 1, Step: 0.05, Value: cmp.Or(d.Posture.Stagger, usual), Paint: "none", Paths: []string{"posture.stagger"}}
}

func riser(d *setup.Document, _ int) Setting {
	return Setting{Group: "body", Label: "Riser under the feet", Kind: "length", From: 0.02, To: 0.6, Step: 0.02, Value: d.Posture.Riser, Paint: "none", Paths: []string{"posture.riser"}}
}

func holdsOn(d *setup.Document, _ int) bool { return d.Posture.HandAt != nil }

// handAt is a dial of one coordinate of the place that the free hand holds on to.
func handAt(label string, of func(*setup.Point) *float64, axis string, from, to float64) func(*setup.Document, int) Setting {
	return func(d *setup.Document, _ int) Setting {
		return Setting{Group: "body", Label: label, Kind: "length", From: from, To: to, Step: 0.05, Value: *of(d.Posture.HandAt), Paint: "none", Paths: []string{"posture.handAt." + axis, "posture.handAt"}}
	}
}

func handTo(of func(*setup.Point) *float64) func(*setup.Document, int, float64) {
	return func(d *setup.Document, _ int, v float64) { *of(d.Posture.HandAt) = v }
}

func moves(d *setup.Document, _ int) bool { return d.Movement.Kind != "hold" }

// leans says whether the trunk can be leaned forward: not where a bench decides it, nor where it follows from the legs.
func leans(d *setup.Document, _ int) bool {
	return d.Bench == nil && d.Posture.Kind != "prone" && !(d.Posture.RootOf() == "feet" && d.Movement.LegsMove()) && d.Movement.Kind != "shoulder-raise"
}

// holds says whether a movement other than a raise holds a coordinate that can be turned.
func holds(key string) func(*setup.Document, int) bool {
	return func(d *setup.Document, _ int) bool {
		_, held := d.Movement.Hold[key]
		return held && d.Movement.Kind != "shoulder-raise"
	}
}

// seconds is a dial of one phase of the tempo. It is not painted: the match is that of the torque at rest.
func seconds(label, path string, from float64, read func(*setup.Tempo) float64) func(*setup.Document, int) Setting {
	return func(d *setup.Document, _ int) Setting {
		return Setting{Group: "tempo", Label: label, Kind: "time", From: from, To: 6, Step: 0.5, Value: read(&d.Tempo), Paint: "none", Paths: []string{path, "tempo"}}
	}
}

// Settings lists what can be turned on a document, in the order of the rig.
func Settings(d *setup.Document) []Setting {
	var out []Setting
	add := func(dl *dial, key string, index int) {
		s := dl.setting(d, index)
		s.Key = key
		if s.Paint == "" {
			s.Paint = "match"
		}
		s.Lock = slices.Contains(d.Locked, key)
		s.Usual = s.Paint == "match" && slices.Contains(usual, dl.name) && !s.Lock
		if n := len(s.Stops); n > 0 {
			s.From, s.To = min(s.Stops[0], s.Value), max(s.Stops[n-1], s.Value)
			if s.From == s.To {
				return // the kit leaves no choice
			}
		}
		out = append(out, s)
	}
	for i := range dials {
		dl := &dials[i]
		if dl.perLoad == nil {
			if dl.of(d, -1) {
				add(dl, dl.name, -1)
			}
			continue
		}
		for k := range d.Loads {
			if dl.of(d, k) {
				add(dl, fmt.Sprintf("%s/%d", dl.name, k), k)
			}
		}
	}
	return out
}

// Apply is the document with one setting turned to a value. It changes nothing else, and it does not check the value:
// evaluating the result does.
func Apply(d *setup.Document, key string, value float64) (setup.Document, setup.Problems) {
	c := d.Clone()
	name, place, _ := strings.Cut(key, "/")
	for i := range dials {
		dl := &dials[i]
		if dl.name != name {
			continue
		}
		index := -1
		if dl.perLoad != nil {
			k, err := strconv.Atoi(place)
			if err != nil || k < 0 || k >= len(c.Loads) {
				break
			}
			index = k
		}
		if !dl.of(&c, index) {
			break
		}
		if math.IsNaN(value) || math.IsInf(value, 0) {
			return c, setup.Problems{{Path: key, What: "That is not a number.", Hint: "Give a finite number."}}
		}
		dl.apply(&c, index, value)
		return c, nil
	}
	return c, setup.Problems{{Path: key, What: "This setup has no setting " + strconv.Quote(key) + "."}}
}

func loadPath(i int, field string) string { return fmt.Sprintf("loads[%d].%s", i, field) }

func pulleyHeight(d *setup.Document, i int) Setting {
	l := &d.Loads[i]
	s := Setting{Group: "loads", Label: "Pulley", Paths: []string{loadPath(i, "pulley.y"), loadPath(i, "pulley"), loadPath(i, "travel"), loadPath(i, "parkedGap")}}
	if st, ok := kit.ColumnOf(l.Kit); ok {
		height := l.Pulley.Y
		s.Kind, s.From, s.To, s.Step, s.At = "hole", 1, float64(st.Holes), 1, &height
		s.Value = 1 + (height-st.LowestHole)/st.Spacing
		if near := math.Round(s.Value); math.Abs(near-s.Value) < 1e-6 {
			s.Value = near
		}
		return s
	}
	s.Kind, s.From, s.To, s.Step, s.Value = "length", 0.05, 2.30, 0.05, l.Pulley.Y
	return s
}

func setPulleyHeight(d *setup.Document, i int, v float64) {
	l := &d.Loads[i]
	st, ok := kit.ColumnOf(l.Kit)
	if !ok {
		l.Pulley.Y = v
		return
	}
	l.Pulley.Y = math.Round(1e6*(st.LowestHole+(v-1)*st.Spacing)) / 1e6
	l.Kit.Hole = int(math.Round(v))
}

func columnsApart(d *setup.Document, i int) Setting {
	return Setting{Group: "loads", Label: "Distance between columns", Kind: "length", From: 0.6, To: 3.0, Step: 0.05,
		Value: 2 * math.Abs(d.Loads[i].Pulley.Z), Paths: []string{loadPath(i, "pulley.z")}}
}

func setColumnsApart(d *setup.Document, i int, v float64) {
	setApart(&d.Loads[i].Pulley.Z, d.Loads[i].Side, v)
}

// setApart moves a place to half the distance from the middle, on the side where it is. One in the middle goes behind
// the opposite hand.
func setApart(z *float64, side string, v float64) {
	sign := 1.0
	if *z < 0 || (*z == 0 && side == "right") {
		sign = -1
	}
	*z = sign * v / 2
}

func anchorHeight(d *setup.Document, i int) Setting {
	return Setting{Group: "loads", Label: "Anchor height", Kind: "length", From: 0, To: 2.3, Step: 0.05, Value: d.Loads[i].Anchor.Y,
		Paths: []string{loadPath(i, "anchor.y"), loadPath(i, "anchor")}}
}

func anchorsApart(d *setup.Document, i int) Setting {
	return Setting{Group: "loads", Label: "Distance between anchors", Kind: "length", From: 0, To: 3.0, Step: 0.05, Value: 2 * math.Abs(d.Loads[i].Anchor.Z),
		Paths: []string{loadPath(i, "anchor.z")}}
}

func bandRest(d *setup.Document, i int) Setting {
	return Setting{Group: "loads", Label: "Band length at rest", Kind: "length", From: 0.2, To: 2.0, Step: 0.05, Value: d.Loads[i].RestLength,
		Paths: []string{loadPath(i, "restLength"), loadPath(i, "pull")}}
}

// bandPull is how hard a band pulls at twice its length, by which coaches tell bands apart. A measured band is what it
// is and has no such dial.
func bandPull(d *setup.Document, i int) Setting {
	l := &d.Loads[i]
	now := setup.RubberAtDouble * l.Section * float64(max(1, l.Strands))
	return Setting{Group: "loads", Label: "Pull at double length", Kind: "force", From: 5, To: max(now, 5*math.Ceil(0.4*d.Lifter.Mass)), Step: 5, Value: now,
		Paint: "effort", Paths: []string{loadPath(i, "section"), loadPath(i, "strands")}}
}

func setBandPull(d *setup.Document, i int, v float64) {
	l := &d.Loads[i]
	l.Section = v / setup.RubberAtDouble / float64(max(1, l.Strands))
}

// heaviest is the end of a load's dial: a fifth of body mass in the hand, which is more than anybody raises on a straight
// arm (own), or twice the load that is there.
func heaviest(d *setup.Document, step, ratio, now float64) float64 {
	usual := 0.2 * d.Lifter.Mass / max(ratio, 0.05)
	if d.Movement.Kind != "shoulder-raise" {
		usual = max(usual, 2*now)
	}
	return max(now, math.Ceil(usual/step)*step)
}

// upTo are the values of a rising list up to a limit, two at least.
func upTo(list []float64, limit float64) []float64 {
	for i, v := range list {
		if v > limit+1e-9 && i >= 2 {
			return list[:i]
		}
	}
	return list
}

// withMasses gives a load's dial the masses that the kit has.
func withMasses(l *setup.Load, s Setting) Setting {
	if l.Kit != nil {
		s.Stops = upTo(l.Kit.Masses, s.To)
	}
	return s
}

func stackMass(d *setup.Document, i int) Setting {
	l := &d.Loads[i]
	s := Setting{Group: "loads", Label: "Load on the pin", Kind: "mass", From: 2.5, Step: 1.25, Value: l.StackMass,
		Paint: "effort", Paths: []string{loadPath(i, "stackMass")}}
	s.To = heaviest(d, s.Step, l.Ratio, l.StackMass)
	if c, ok := kit.ColumnOf(l.Kit); ok {
		s.From, s.Step = c.Lightest, c.Step
		s.Stops = upTo(kit.PinsOf(&c), heaviest(d, s.Step, l.Ratio, l.StackMass))
	} else if l.Kit != nil {
		s.Stops = upTo(l.Kit.Masses, s.To)
	}
	return s
}

func freeMass(d *setup.Document, i int) Setting {
	l := &d.Loads[i]
	label := "Dumbbell"
	if l.Kind == setup.Bar {
		label = "Mass in both hands"
	}
	return withMasses(l, Setting{Group: "loads", Label: label, Kind: "mass", From: 0.5, To: heaviest(d, 0.5, 1, l.Mass), Step: 0.5, Value: l.Mass,
		Paint: "effort", Paths: []string{loadPath(i, "mass")}})
}

func plateMass(d *setup.Document, i int) Setting {
	l := &d.Loads[i]
	return withMasses(l, Setting{Group: "loads", Label: "Plates", Kind: "mass", From: 0, To: heaviest(d, 2.5, 1, l.PlateMass), Step: 2.5, Value: l.PlateMass,
		Paint: "effort", Paths: []string{loadPath(i, "plateMass"), loadPath(i, "handleRadius")}})
}

func stanceOut(d *setup.Document, _ int) Setting {
	x := d.Posture.X
	label := "Position in the room"
	for i := range d.Loads {
		if l := &d.Loads[i]; l.Pulley != nil {
			label = "Distance from the pulley"
			break
		} else if l.Anchor != nil {
			label = "Distance from the anchor"
		}
	}
	return Setting{Group: "body", Label: label, Kind: "length", From: min(0, math.Floor(x)), To: max(1.5, math.Ceil(2*x)/2), Step: 0.05, Value: x, Paths: []string{"posture.x"}}
}

func benchAngle(d *setup.Document, _ int) Setting {
	from := 0.0
	if d.Posture.Kind == "leaning" {
		from = 45
	}
	s := Setting{Group: "body", Label: "Bench", Kind: "angle", From: from, To: 90, Step: 5, Value: d.Bench.AngleDeg, Paths: []string{"bench.angleDeg", "bench"}}
	if k := d.Bench.Kit; k != nil {
		s.Stops, s.Stop = k.NotchesDeg, "notch"
	}
	return s
}

func benchMass(d *setup.Document, _ int) Setting {
	mass := d.Bench.Mass
	if mass == 0 {
		mass = setup.DefaultBenchMass
	}
	return Setting{Group: "body", Label: "Bench and weights on it", Kind: "mass", From: 5, To: 150, Step: 5, Value: mass, Paint: "none", Paths: []string{"bench.mass"}}
}

func trunkLean(d *setup.Document, _ int) Setting {
	return Setting{Group: "body", Label: "Lean forward", Kind: "angle", From: -20, To: 90, Step: 5, Value: d.Posture.Trunk.PitchDeg, Paths: []string{"posture.trunk.pitchDeg", "posture.trunk"}}
}

func swivel(d *setup.Document, _ int) Setting {
	return Setting{Group: "path", Label: "Elbows out", Kind: "angle", From: -20, To: 120, Step: 5, Value: d.Movement.Guide.SwivelDeg,
		Paths: []string{"movement.guide.swivelDeg", "movement.guide"}}
}

// setSwivel keeps the difference to the end of the path.
func setSwivel(d *setup.Document, _ int, v float64) {
	g := d.Movement.Guide
	if g.SwivelTo != 0 {
		g.SwivelTo += v - g.SwivelDeg
	}
	g.SwivelDeg = v
}

func held(label, key string, from, to float64) func(*setup.Document, int) Setting {
	return func(d *setup.Document, _ int) Setting {
		return Setting{Group: "path", Label: label, Kind: "angle", From: from, To: to, Step: 5, Value: d.Movement.Hold[key],
			Paths: []string{"movement.hold." + key}}
	}
}

func hold(key string) func(*setup.Document, int, float64) {
	return func(d *setup.Document, _ int, v float64) {
		if d.Movement.Hold == nil {
			d.Movement.Hold = map[string]float64{}
		}
		d.Movement.Hold[key] = v
	}
}

// sweeping is what the ends of a sweep may be turned to: an arm's raise over its usual halves, other coordinates over what
// people can usually move.
func sweeping(d *setup.Document) (from, to float64) {
	c, _ := setup.CoordinateOf(d.Movement.Primary + "Deg")
	info := &setup.Coordinates[c]
	from, to = 5*math.Floor(min(info.OwnFrom, d.Movement.FromDeg, d.Movement.ToDeg)/5), 5*math.Ceil(max(info.OwnTo, d.Movement.FromDeg, d.Movement.ToDeg)/5)
	return from, to
}

func rangeFrom(d *setup.Document, _ int) Setting {
	s := Setting{Group: "path", Label: "Range from", Kind: "angle", From: 0, To: 90, Step: 5, Value: d.Movement.FromDeg, Paths: []string{"movement.fromDeg"}}
	if d.Movement.Kind == "sweep" {
		s.From, s.To = sweeping(d)
	}
	return s
}

func rangeTo(d *setup.Document, _ int) Setting {
	s := Setting{Group: "path", Label: "Range to", Kind: "angle", From: 30, To: 170, Step: 5, Value: d.Movement.ToDeg, Paths: []string{"movement.toDeg"}}
	if d.Movement.Kind == "sweep" {
		s.From, s.To = sweeping(d)
	}
	return s
}
