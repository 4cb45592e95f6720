// Package dialin knows what can be turned on a setup, within which limits, and how well each value would fit.
package dialin

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/load"
	"dialarc/core/setup"
)

// of is a dial that belongs to no load.
func of(name dial.Name, applies func(*setup.Document, int) bool, read func(*setup.Document, int) dial.Setting,
	write func(*setup.Document, int, float64)) dial.Dial {
	return dial.Dial{Name: name, Applies: applies, Read: read, Write: write}
}

// to writes a setting where a number of the document stands.
func to(field func(*setup.Document) *float64) func(*setup.Document, int, float64) {
	return func(d *setup.Document, _ int, v float64) { *field(d) = v }
}

// dials are those that belong to no load, in the order in which they are listed; what can be turned on a load is said by its kind.
var dials = []dial.Dial{
	of(dial.StanceOut, hasLine, stanceOut, to(func(d *setup.Document) *float64 { return &d.Posture.X })),
	of(dial.StanceAside, func(d *setup.Document, i int) bool { return oneSided(d, i) && hasLine(d, i) }, stanceAside,
		to(func(d *setup.Document) *float64 { return &d.Posture.Z })),
	of(dial.Heading, hasLine, heading, to(func(d *setup.Document) *float64 { return &d.Posture.HeadingDeg })),
	of(dial.SeatHeight, func(d *setup.Document, _ int) bool { return d.Posture.Kind == "seated" && d.Bench == nil }, seatHeight,
		to(func(d *setup.Document) *float64 { return &d.Posture.SeatHeight })),
	of(dial.BenchHeight, func(d *setup.Document, _ int) bool {
		return d.Bench != nil && d.Bench.Kit == nil && d.Posture.Kind != "leaning"
	}, benchHeight, to(func(d *setup.Document) *float64 { return &d.Bench.Height })),
	of(dial.FeetApart, onTwoFeet, feetApart, to(func(d *setup.Document) *float64 { return &d.Posture.FeetApart })),
	of(dial.FeetStagger, func(d *setup.Document, _ int) bool {
		return splitMoves(d, -1) || onTwoFeet(d, -1) && (d.Posture.Feet == "split" || d.Posture.Feet == "staggered")
	}, feetStagger, to(func(d *setup.Document) *float64 { return &d.Posture.Stagger })),
	of(dial.FrontShare, func(d *setup.Document, _ int) bool { return splitMoves(d, -1) && d.Posture.FrontShare > 0 }, frontShare,
		to(func(d *setup.Document) *float64 { return &d.Posture.FrontShare })),
	of(dial.RearHeight, func(d *setup.Document, _ int) bool { return splitMoves(d, -1) && d.Posture.RearHeight > 0 }, rearHeight,
		to(func(d *setup.Document) *float64 { return &d.Posture.RearHeight })),
	of(dial.FeetOut, func(d *setup.Document, _ int) bool { return d.Posture.RootOf() == "shoulders" }, feetOut,
		to(func(d *setup.Document) *float64 { return &d.Posture.FeetOut })),
	of(dial.Riser, func(d *setup.Document, _ int) bool { return d.Posture.Riser > 0 }, riser,
		to(func(d *setup.Document) *float64 { return &d.Posture.Riser })),
	of(dial.HandOut, holdsOn, handAt("Free hand, forward", func(p *setup.Point) *float64 { return &p.X }, "x", -2, 3),
		handTo(func(p *setup.Point) *float64 { return &p.X })),
	of(dial.HandHeight, holdsOn, handAt("Free hand, height", func(p *setup.Point) *float64 { return &p.Y }, "y", 0, 2.4),
		handTo(func(p *setup.Point) *float64 { return &p.Y })),
	of(dial.HandAside, holdsOn, handAt("Free hand, sideways", func(p *setup.Point) *float64 { return &p.Z }, "z", -2, 2),
		handTo(func(p *setup.Point) *float64 { return &p.Z })),
	of(dial.FreeHipStart, freeLeg, freeLegAt("Free leg, hip at the start", hipKey, -30, 120, false), setFreeLeg(hipKey, false)),
	of(dial.FreeHipEnd, freeLeg, freeLegAt("Free leg, hip at the end", hipKey, -30, 120, true), setFreeLeg(hipKey, true)),
	of(dial.FreeKnee, freeLeg, freeLegAt("Free leg, knee", kneeKey, 0, 130, false), setFreeLeg(kneeKey, false)),
	of(dial.BenchAngle, func(d *setup.Document, _ int) bool { return d.Bench != nil && d.Posture.RootOf() != "shoulders" }, benchAngle,
		to(func(d *setup.Document) *float64 { return &d.Bench.AngleDeg })),
	of(dial.BenchMass, func(d *setup.Document, _ int) bool { return d.Bench != nil }, benchMass,
		to(func(d *setup.Document) *float64 { return &d.Bench.Mass })),
	of(dial.TrunkLean, leans, trunkLean, to(func(d *setup.Document) *float64 { return &d.Posture.Trunk.PitchDeg })),
	of(dial.TrunkBend, upright, trunkTurned("Side bend, to the right", "bendDeg", 45, func(t *setup.Trunk) *float64 { return &t.BendDeg }),
		to(func(d *setup.Document) *float64 { return &d.Posture.Trunk.BendDeg })),
	of(dial.TrunkTurn, upright, trunkTurned("Turn of the trunk, to the left", "turnDeg", 60, func(t *setup.Trunk) *float64 { return &t.TurnDeg }),
		to(func(d *setup.Document) *float64 { return &d.Posture.Trunk.TurnDeg })),
	of(dial.PathPlane, isRaise, held("Plane of the raise", "shoulder.planeOfElevationDeg", -30, 120), hold("shoulder.planeOfElevationDeg")),
	of(dial.PathStartPlane, isRaise, startPlane, func(d *setup.Document, _ int, v float64) { d.Movement.StartPlane = &v }),
	of(dial.PathElbow, isRaise, held("Elbow bend", "elbow.flexionDeg", 0, 120), hold("elbow.flexionDeg")),
	of(dial.PathRotation, isRaise, held("Arm rotation", "shoulder.rotationDeg", -90, 70), hold("shoulder.rotationDeg")),
	of(dial.HoldElevation, holds("shoulder.elevationDeg"), held("Arm raise angle", "shoulder.elevationDeg", -60, 170),
		hold("shoulder.elevationDeg")),
	of(dial.HoldPlane, holds("shoulder.planeOfElevationDeg"), held("Plane of the raise", "shoulder.planeOfElevationDeg", -45, 130),
		hold("shoulder.planeOfElevationDeg")),
	of(dial.HoldRotation, freely("shoulder.rotationDeg"), held("Arm rotation", "shoulder.rotationDeg", -90, 70), hold("shoulder.rotationDeg")),
	of(dial.HoldElbow, freely("elbow.flexionDeg"), held("Elbow bend", "elbow.flexionDeg", 0, 145), hold("elbow.flexionDeg")),
	of(dial.HoldPronation, inHand("forearm.pronationDeg"), owned("Forearm pronation", setup.ForearmPronation), hold("forearm.pronationDeg")),
	of(dial.HoldWrist, inHand("wrist.flexionDeg"), owned("Wrist flexion", setup.WristFlexion), hold("wrist.flexionDeg")),
	of(dial.BladesUp, armWorks("girdle.elevationDeg"), owned("Shoulder blades up", setup.GirdleElevation), hold("girdle.elevationDeg")),
	of(dial.BladesForward, armWorks("girdle.protractionDeg"), owned("Shoulder blades forward", setup.GirdleProtraction),
		hold("girdle.protractionDeg")),
	of(dial.GripWidth, func(d *setup.Document, _ int) bool { return d.Movement.BarWidth > 0 || barLed(d) }, gripWidth, setGripWidth),
	of(dial.GuideSwivel, func(d *setup.Document, _ int) bool { return d.Movement.Guide != nil }, swivel, setSwivel),
	of(dial.GuideTravel, lineGuide, guideTravel, setGuideTravel),
	of(dial.GuideTurn, arcGuide, guideTurn, setGuideTurn),
	of(dial.GuideBegins, func(d *setup.Document, i int) bool { return arcGuide(d, i) && d.HandleLeads() }, guideBegins, setGuideBegins),
	guidePoint(dial.GuideStartX, startOf, 0), guidePoint(dial.GuideStartY, startOf, 1), guidePoint(dial.GuideStartZ, startOf, 2),
	guidePoint(dial.GuideEndX, endOf, 0), guidePoint(dial.GuideEndY, endOf, 1), guidePoint(dial.GuideEndZ, endOf, 2),
	guidePoint(dial.GuideCentreX, centreOf, 0), guidePoint(dial.GuideCentreY, centreOf, 1), guidePoint(dial.GuideCentreZ, centreOf, 2),
	of(dial.PoseFrom, hasWidest, poseEnd(false), setPoseEnd(false)),
	of(dial.PoseTo, hasWidest, poseEnd(true), setPoseEnd(true)),
	of(dial.RangeFrom, isSweep, rangeFrom, to(func(d *setup.Document) *float64 { return &d.Movement.FromDeg })),
	of(dial.RangeTo, isSweep, rangeTo, to(func(d *setup.Document) *float64 { return &d.Movement.ToDeg })),
	of(dial.TempoUp, moves, seconds("Lifting", "tempo.up", 0.5, func(t *setup.Tempo) float64 { return t.Up }),
		to(func(d *setup.Document) *float64 { return &d.Tempo.Up })),
	of(dial.TempoTop, moves, seconds("Hold at the top", "tempo.top", 0, func(t *setup.Tempo) float64 { return t.Top }),
		to(func(d *setup.Document) *float64 { return &d.Tempo.Top })),
	of(dial.TempoDown, moves, seconds("Lowering", "tempo.down", 0.5, func(t *setup.Tempo) float64 { return t.Down }),
		to(func(d *setup.Document) *float64 { return &d.Tempo.Down })),
	of(dial.TempoBottom, moves, seconds("Rest at the start", "tempo.bottom", 0, func(t *setup.Tempo) float64 { return t.Bottom }),
		to(func(d *setup.Document) *float64 { return &d.Tempo.Bottom })),
}

// Settings lists what can be turned on a document, in the order of the rig: load by load, then what belongs to none.
func Settings(d *setup.Document) []dial.Setting {
	var out []dial.Setting
	for i := range d.Loads {
		own := load.Of(&d.Loads[i]).Dials
		for k := range own {
			out = listed(out, d, &own[k], fmt.Sprintf("%s/%d", own[k].Name, i), i)
		}
	}
	for i := range dials {
		out = listed(out, d, &dials[i], string(dials[i].Name), -1)
	}
	return out
}

// ofArms are the dials of how an arm is held.
var ofArms = []dial.Name{dial.PathPlane, dial.PathElbow, dial.PathRotation, dial.HoldPlane, dial.HoldElevation,
	dial.HoldRotation, dial.HoldElbow}

// aside says whether a dial is of an arm that has no part in the exercise.
func aside(d *setup.Document, name dial.Name) bool {
	joint, _ := body.JointOf(d.TargetJoint())
	return !joint.Arm() && slices.Contains(ofArms, name)
}

// listed adds a dial to a list when the document has it and the kit leaves a choice.
func listed(list []dial.Setting, d *setup.Document, dl *dial.Dial, key string, index int) []dial.Setting {
	if !dl.On(d, index) {
		return list
	}
	s := dl.Read(d, index)
	s.Key = key
	if s.Paint == "" {
		s.Paint = "match"
	}
	if aside(d, dl.Name) {
		s.Paint = "none"
	}
	s.Lock, s.Main = slices.Contains(d.Locked, key), slices.Contains(main, dl.Name) && !aside(d, dl.Name)
	s.Usual = s.Paint == "match" && slices.Contains(usual, dl.Name) && !s.Lock
	if n := len(s.Stops); n > 0 {
		s.From, s.To = min(s.Stops[0], s.Value), max(s.Stops[n-1], s.Value)
		if s.From == s.To {
			return list
		}
	}
	return append(list, s)
}

// found is the dial of a key, and the place of the load that it belongs to, -1 for none; nil where the document has no such dial.
func found(d *setup.Document, key string) (*dial.Dial, int) {
	name, place, per := strings.Cut(key, "/")
	index, among := -1, dials
	if per {
		k, err := strconv.Atoi(place)
		if err != nil || k < 0 || k >= len(d.Loads) {
			return nil, -1
		}
		index, among = k, load.Of(&d.Loads[k]).Dials
	}
	for i := range among {
		if dl := &among[i]; string(dl.Name) == name && dl.On(d, index) {
			return dl, index
		}
	}
	return nil, -1
}

// Apply is the document with one setting turned to a value. It changes nothing else, and it does not check the value:
// evaluating the result does.
func Apply(d *setup.Document, key string, value float64) (setup.Document, setup.Problems) {
	c := d.Clone()
	dl, index := found(&c, key)
	if dl == nil {
		return c, setup.Problems{{Path: key, What: "This setup has no setting " + strconv.Quote(key) + "."}}
	}
	if math.IsNaN(value) || math.IsInf(value, 0) {
		return c, setup.Problems{{Path: key, What: "That is not a number.", Hint: "Give a finite number."}}
	}
	dl.Write(&c, index, value)
	return c, nil
}
