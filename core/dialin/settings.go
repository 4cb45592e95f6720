package dialin

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/setup"
)

func isRaise(d *setup.Document, _ int) bool { return d.Movement.Kind == "shoulder-raise" }

func isSweep(d *setup.Document, _ int) bool {
	return d.Movement.Kind == "shoulder-raise" || d.Movement.Kind == "sweep"
}

// startPlane is the plane in which a raise starts: that of the whole path unless it has one of its own.
func startPlane(d *setup.Document, _ int) dial.Setting {
	s := held("Plane at the start", "shoulder.planeOfElevationDeg", -45, 120)(d, -1)
	s.Paths = []string{"movement.startPlaneDeg"}
	if p := d.Movement.StartPlane; p != nil {
		s.Value = *p
	}
	return s
}

// feetStagger is how far one foot is ahead of the other.
func feetStagger(d *setup.Document, _ int) dial.Setting {
	usual := map[string]float64{"split": 0.6, "staggered": 0.25}[d.Posture.Feet]
	return dial.Setting{Group: "body", Label: "Front foot ahead by", Kind: "length", From: 0.1, To: 1, Step: 0.05,
		Value: cmp.Or(d.Posture.Stagger, usual), Paint: "none", Paths: []string{"posture.stagger"}}
}

func splitMoves(d *setup.Document, _ int) bool {
	return d.LegsCarry() && (d.Posture.Feet == "split" || d.Posture.Feet == "staggered")
}

func frontShare(d *setup.Document, _ int) dial.Setting {
	return dial.Setting{Group: "body", Label: "Weight on the front foot", Kind: "share", From: 0.5, To: 0.95, Step: 0.01,
		Value: d.Posture.FrontShare, Paths: []string{"posture.frontShare"}}
}

func rearHeight(d *setup.Document, _ int) dial.Setting {
	return dial.Setting{Group: "body", Label: "Rear foot up", Kind: "length", From: 0.1, To: 0.6, Step: 0.02, Value: d.Posture.RearHeight,
		Paint: "none", Paths: []string{"posture.rearHeight"}}
}

func feetOut(d *setup.Document, _ int) dial.Setting {
	b := body.New(&d.Lifter)
	return dial.Setting{Group: "body", Label: "Feet, from the bench", Kind: "length", From: 0.5, To: 1.1, Step: 0.02,
		Value: cmp.Or(d.Posture.FeetOut, b.FeetOut()), Paths: []string{"posture.feetOut"}}
}

func riser(d *setup.Document, _ int) dial.Setting {
	return dial.Setting{Group: "body", Label: "Riser under the feet", Kind: "length", From: 0.02, To: 0.6, Step: 0.02, Value: d.Posture.Riser,
		Paint: "none", Paths: []string{"posture.riser"}}
}

func holdsOn(d *setup.Document, _ int) bool { return d.Posture.SupportHand != nil }

// handAt is a dial of one coordinate of the place that the free hand holds on to.
func handAt(label string, of func(*setup.Point) *float64, axis string, from, to float64) func(*setup.Document, int) dial.Setting {
	return func(d *setup.Document, _ int) dial.Setting {
		return dial.Setting{Group: "body", Label: label, Kind: "length", From: from, To: to, Step: 0.05, Value: *of(d.Posture.SupportHand),
			Paint: "none", Paths: []string{"posture.supportHand." + axis, "posture.supportHand"}}
	}
}

func handTo(of func(*setup.Point) *float64) func(*setup.Document, int, float64) {
	return func(d *setup.Document, _ int, v float64) { *of(d.Posture.SupportHand) = v }
}

func moves(d *setup.Document, _ int) bool { return d.Movement.Kind != "hold" }

// leans says whether the trunk can be leaned forward: not where a bench decides it, nor where it follows from the legs.
func leans(d *setup.Document, _ int) bool {
	return d.Bench == nil && d.Posture.Kind != "prone" && !d.Posture.OnFloor(d.Bench) && !d.LegsCarry() && !d.Hangs() &&
		d.Movement.Kind != "shoulder-raise"
}

// holds says whether a movement other than a raise holds a coordinate that can be turned.
func holds(key string) func(*setup.Document, int) bool {
	return func(d *setup.Document, _ int) bool {
		_, held := d.Movement.Hold[key]
		return held && d.Movement.Kind != "shoulder-raise"
	}
}

// freely is holds, and no strand decides the coordinate instead.
func freely(key string) func(*setup.Document, int) bool {
	return func(d *setup.Document, _ int) bool { return d.Movement.InLine == "" && holds(key)(d, -1) }
}

// upright says whether the trunk can be bent and turned: not where a bench or the arms carry it, nor where it follows from the legs.
func upright(d *setup.Document, _ int) bool {
	return d.Bench == nil && slices.Contains([]string{"standing", "hinged", "kneeling", "half-kneeling", "seated"}, d.Posture.Kind) &&
		d.Posture.RootOf() != "hands" && !d.LegsCarry()
}

// trunkTurned is a dial of the trunk's bend or turn. It is not painted, so that no advice twists a loaded back.
func trunkTurned(label, field string, most float64, of func(*setup.Trunk) *float64) func(*setup.Document, int) dial.Setting {
	return func(d *setup.Document, _ int) dial.Setting {
		return dial.Setting{Group: "body", Label: label, Kind: "angle", From: -most, To: most, Step: 5, Value: *of(&d.Posture.Trunk),
			Paint: "none", Paths: []string{"posture.trunk." + field}}
	}
}

// armWorks says whether a coordinate of the shoulder blades can be held: the arm works, and the path does not move it.
func armWorks(key string) func(*setup.Document, int) bool {
	return func(d *setup.Document, _ int) bool {
		return slices.Contains([]string{"girdle", "shoulder", "elbow"}, d.TargetJoint()) && !d.Movement.Moves(key)
	}
}

// inHand says whether a coordinate of forearm or wrist can be held: something is in the hand, and the path does not move it.
func inHand(key string) func(*setup.Document, int) bool {
	return func(d *setup.Document, _ int) bool {
		held := slices.ContainsFunc(d.Loads, func(l setup.Load) bool { return l.Contact.Segment == "hand" })
		return held && armWorks(key)(d, -1)
	}
}

// owned is a dial of a held coordinate over what the lifter owns of it. It is not painted: it is a matter of comfort.
func owned(label string, c setup.Coordinate) func(*setup.Document, int) dial.Setting {
	return func(d *setup.Document, _ int) dial.Setting {
		r := d.Lifter.Owned(c)
		s := held(label, c.PoseKey(), r.FromDeg, r.ToDeg)(d, -1)
		s.From, s.To, s.Paint = min(s.From, s.Value), max(s.To, s.Value), "none"
		return s
	}
}

// seconds is a dial of one phase of the tempo. It is not painted: the match is that of the torque at rest.
func seconds(label, path string, from float64, read func(*setup.Tempo) float64) func(*setup.Document, int) dial.Setting {
	return func(d *setup.Document, _ int) dial.Setting {
		return dial.Setting{Group: "tempo", Label: label, Kind: "time", From: from, To: 6, Step: 0.5, Value: read(&d.Tempo), Paint: "none",
			Paths: []string{path, "tempo"}}
	}
}

func stanceOut(d *setup.Document, _ int) dial.Setting {
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
	return dial.Setting{Group: "body", Label: label, Kind: "length", From: min(0, math.Floor(x)), To: max(1.5, math.Ceil(2*x)/2), Step: 0.05,
		Value: x, Paths: []string{"posture.x"}}
}

func benchAngle(d *setup.Document, _ int) dial.Setting {
	from := 0.0
	if d.Posture.Kind == "leaning" {
		from = 45
	}
	s := dial.Setting{Group: "body", Label: "Bench", Kind: "angle", From: from, To: 90, Step: 5, Value: d.Bench.AngleDeg,
		Paths: []string{"bench.angleDeg", "bench"}}
	if k := d.Bench.Kit; k != nil {
		s.Stops, s.Stop = k.NotchesDeg, "notch"
	}
	return s
}

func benchMass(d *setup.Document, _ int) dial.Setting {
	mass := d.Bench.Mass
	if mass == 0 {
		mass = setup.DefaultBenchMass
	}
	return dial.Setting{Group: "body", Label: "Bench and weights on it", Kind: "mass", From: 5, To: 150, Step: 5, Value: mass, Paint: "none",
		Paths: []string{"bench.mass"}}
}

func trunkLean(d *setup.Document, _ int) dial.Setting {
	return dial.Setting{Group: "body", Label: "Lean forward", Kind: "angle", From: -20, To: 90, Step: 5, Value: d.Posture.Trunk.PitchDeg,
		Paths: []string{"posture.trunk.pitchDeg", "posture.trunk"}}
}

func swivel(d *setup.Document, _ int) dial.Setting {
	return dial.Setting{Group: "path", Label: "Elbows out", Kind: "angle", From: -20, To: 120, Step: 5, Value: d.Movement.Guide.SwivelDeg,
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

func held(label, key string, from, to float64) func(*setup.Document, int) dial.Setting {
	return func(d *setup.Document, _ int) dial.Setting {
		return dial.Setting{Group: "path", Label: label, Kind: "angle", From: from, To: to, Step: 5, Value: d.Movement.Hold[key],
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
	from, to = 5*math.Floor(min(info.OwnFrom, d.Movement.FromDeg, d.Movement.ToDeg)/5), 5*math.Ceil(max(info.OwnTo, d.Movement.FromDeg,
		d.Movement.ToDeg)/5)
	return from, to
}

func rangeFrom(d *setup.Document, _ int) dial.Setting {
	s := dial.Setting{Group: "path", Label: "Range from", Kind: "angle", From: 0, To: 90, Step: 5, Value: d.Movement.FromDeg,
		Paths: []string{"movement.fromDeg"}}
	if d.Movement.Kind == "sweep" {
		s.From, s.To = sweeping(d)
	}
	return s
}

func rangeTo(d *setup.Document, _ int) dial.Setting {
	s := dial.Setting{Group: "path", Label: "Range to", Kind: "angle", From: 30, To: 170, Step: 5, Value: d.Movement.ToDeg,
		Paths: []string{"movement.toDeg"}}
	if d.Movement.Kind == "sweep" {
		s.From, s.To = sweeping(d)
	}
	return s
}
