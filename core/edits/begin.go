package edits

import (
	"math"
	"strings"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// wayFor is the path that a region is begun with (common practice, no source).
var wayFor = map[string]string{
	"deltoid.middle": "raise.side", "deltoid.anterior": "raise.front", "deltoid.posterior": "raise.rear",
	"pectoralis.clavicular": "fly", "pectoralis.sternal": "fly", "pectoralis.costal": "fly",
	"latissimus.upper": "pulldown", "latissimus.lower": "pulldown", "trapezius.upper": "shrug", "trapezius.middle": "row.wide",
	"biceps": "curl", "brachialis": "curl", "triceps": "extension",
	"quadriceps": "squat", "gluteus.maximus": "squat", "hamstrings": "hinge",
	"calf": "calf", "calf.gastrocnemius": "calf",
}

// asked is the share of the model's one-repetition limit that a setup is begun with: a dozen repetitions (own).
const asked = 0.7

// Begin composes a setup from three answers: what it is for, what is at hand (dumbbell, bar, cable, band or machine) and how the
// lifter is placed. A cable or band pulls against the path where it is in its middle; of several places that it can come from the
// first is taken from which nothing is in its way and the lifter stands. A bar is one weight in both hands. A machine has its own
// path, that of the first ready setup on one for the region or its neighbour of the same muscle.
func Begin(l *setup.Lifter, region, kind, position string) (setup.Document, setup.Problems) {
	if kind == "machine" {
		return machined(l, region, position)
	}
	way, ok := wayFor[region]
	if !ok {
		return setup.Document{}, setup.Problems{{Path: "target.region", What: "There is no movement to start with for this region.",
			Hint: "Start from an exercise."}}
	}
	if !hasPosition(position) {
		return setup.Document{}, setup.Problems{{Path: "posture.kind", What: "There is no such posture.", Hint: "Give one of the list."}}
	}
	w, _ := wayOf(way)
	d := w.model(l)
	d.Target.Region = region
	if r, _ := setup.RegionOf(region); len(r.Joints) > 0 {
		d.Target.Joint = keep(r.Joints, d.TargetJoint())
	}
	d.Acknowledged, d.Posture.SupportHand, d.Movement.BarWidth, d.Movement.InLine = nil, nil, 0, ""
	if problems := refused(region, kind, position, d.Movement.LegsMove()); len(problems) > 0 {
		return setup.Document{}, problems
	}
	if d.Movement.LegsMove() && position != "standing" {
		w, _ = wayOf("knee")
		d.Movement, d.Target.Joint = w.model(l).Movement, "knee"
	}
	if !d.Movement.LegsMove() || position != "standing" {
		d, _ = WithPosition(&d, position)
	}
	d.Name = begunName(region, kind, position)
	of := setup.LoadKind(kind)
	if of == setup.Bar {
		d.Movement.Side = "both"
	}
	d.Loads = []setup.Load{{ID: kind, Kind: of, Variable: true, Side: movingSide(&d), Contact: contactOf(&d), Ratio: 1, Mass: 1}}
	if of == setup.Dumbbell || of == setup.Bar {
		return settle(&d)
	}
	return pulled(&d, of)
}

// machined begins on a machine that is known.
func machined(l *setup.Lifter, region, position string) (setup.Document, setup.Problems) {
	if !hasPosition(position) {
		return setup.Document{}, setup.Problems{{Path: "posture.kind", What: "There is no such posture.", Hint: "Give one of the list."}}
	}
	d := machineFor(catalogue.All(l), region)
	if d == nil {
		return setup.Document{}, setup.Problems{{Path: "target.region", What: "No machine is known for this region.",
			Hint: "Choose a cable, or start from an exercise."}}
	}
	if now := PositionOf(d); now != position {
		return *d, setup.Problems{{Path: "posture.kind", What: "The machine that is known for this region is not used in this posture.",
			Hint: "Choose " + positionLabel(now) + "."}}
	}
	d.Target.Region, d.Name = region, begunName(region, "machine", position)
	return settle(d)
}

func positionLabel(key string) string {
	for _, p := range Positions {
		if p.Key == key {
			return strings.ToLower(p.Label)
		}
	}
	return key
}

func keep(joints []string, wanted string) string {
	for _, j := range joints {
		if j == wanted {
			return j
		}
	}
	return joints[0]
}

// contactOf is where a load is held on the limb that the path moves.
func contactOf(d *setup.Document) setup.Contact {
	if d.TargetJoint() == "knee" && d.Posture.Kind != "standing" {
		return setup.Contact{Segment: "shank", At: "ankle"}
	}
	return setup.Contact{Segment: "hand", At: "grip"}
}

// asides are where a strand is moved to when something is in its way: back and to the right of the lifter, m (own).
var asides = [][2]float64{{0, 0}, {0.35, 0}, {-0.35, 0}, {0, 0.3}, {0.35, 0.3}, {-0.35, 0.3}, {0.7, 0}, {-0.7, 0}, {0.35, -0.3},
	{-0.35, -0.3}, {0.7, 0.4}, {-0.7, 0.4}}

// farOff is how far from the middle of the path a strand starts, m (own).
const farOff = 1.3

// pulled finds where a cable or band has to come from.
func pulled(d *setup.Document, kind setup.LoadKind) (setup.Document, setup.Problems) {
	from, heading := against(d)
	var first *setup.Document
	var problems setup.Problems
	for _, aside := range asides {
		c := d.Clone()
		off := heading.Apply(space.Vec{X: -aside[0], Z: aside[1]})
		p := &setup.Point{X: centi(from.X + off.X), Y: centi(max(0.1, min(2.3, from.Y))), Z: centi(from.Z + off.Z)}
		l := &c.Loads[0]
		l.Mass = 0
		if kind == setup.Cable {
			l.Pulley, l.StackMass, l.Friction, l.ParkedGap, l.Travel = p, 5, setup.DefaultFriction, setup.DefaultParkedGap, 2*setup.DefaultTravel
		} else {
			l.Anchor, l.Section, l.Strands, l.Hysteresis = p, 5*load.Gravity/kit.RubberAtDouble, 1, setup.DefaultHysteresis
			l.RestLength = centi(restFor(&c, p))
		}
		turned, found := settle(&c)
		if len(found) > 0 {
			problems = found
			continue
		}
		r, _ := evaluate.Document(&turned)
		if r != nil && r.Bracing.Holds && report.Tones(r.Verdicts)["clearance"] != "error" && len(r.Gaps) == 0 {
			return turned, nil
		}
		if first == nil {
			first = &turned
		}
	}
	if first != nil {
		return *first, nil
	}
	return setup.Document{}, problems
}

// restFor is a length at rest with which a band is taut from the start and not stretched to more than about twice.
func restFor(d *setup.Document, p *setup.Point) float64 {
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	path := movement.New(d, &b, &st)
	var f body.Frames
	least := math.Inf(1)
	for i := range 11 {
		path.Place(float64(i)/10, &f)
		least = min(least, space.Norm(r3.Sub(held(d, &f), space.Vec{X: p.X, Y: p.Y, Z: p.Z})))
	}
	return max(0.2, 0.9*least)
}

// held is where the load is held in a pose.
func held(d *setup.Document, f *body.Frames) space.Vec {
	side := body.SideOf(movingSide(d))
	if d.Loads[0].Contact.Segment == "shank" {
		return f.PointOn(side.On(body.ShankR), 0.9)
	}
	return f.Grip[side]
}

// against is where a strand has to start to pull straight against the path in its middle, and the lifter's heading.
func against(d *setup.Document) (space.Vec, space.Mat) {
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	path := movement.New(d, &b, &st)
	var before, at, after body.Frames
	path.Place(0.45, &before)
	path.Place(0.5, &at)
	path.Place(0.55, &after)
	way := r3.Sub(held(d, &after), held(d, &before))
	if space.Norm(way) < 1e-6 {
		way = space.Vec{Y: 1}
	}
	return r3.Sub(held(d, &at), r3.Scale(farOff, r3.Unit(way))), st.Heading
}

// A load that would have to be heavier than this share of the body to ask for anything does not pull against the path; it is
// begun with lightly (own).
const (
	mostBegun  = 0.6
	lightBegun = 0.05
)

// settle gives the load a size that asks for a dozen repetitions, in whole half kilograms for weights.
func settle(d *setup.Document) (setup.Document, setup.Problems) {
	c := d.Clone()
	r, problems := evaluate.Document(&c)
	if len(problems) > 0 {
		return c, problems
	}
	if f, known := r.Profile.LoadFactor.Get(); known && f > 0 {
		l, k := &c.Loads[0], asked*f
		if now := load.Of(l).AtHand(l); k*now > mostBegun*d.Lifter.BodyMass {
			k = lightBegun * d.Lifter.BodyMass / now
		}
		half := func(x float64) float64 { return max(0.5, math.Round(2*x)/2) }
		if m := load.MassField(l); m != nil {
			*m = half(k * *m)
		} else {
			load.Of(l).Scale(l, k)
		}
	}
	return c, nil
}
