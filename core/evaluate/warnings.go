package evaluate

import (
	"fmt"
	"math"
	"strconv"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// warnings lists what can be computed but goes beyond what the lifter owns or the model knows.
func (o *outcome) warnings() []setup.Problem {
	out := append([]setup.Problem{}, o.cautions...)
	out = append(out, o.shortens()...)
	m := &o.doc.Movement
	for c, info := range setup.Coordinates {
		least, most, from, to := o.travel(setup.Coordinate(c))
		if least > most {
			continue
		}
		owned := o.doc.Lifter.Owned(setup.Coordinate(c))
		low, high := o.pathOf(info.Key, m.FromDeg < m.ToDeg)
		if m.Kind != "sweep" && m.Kind != "shoulder-raise" {
			from, to = least, most
		}
		if low == high {
			out = append(out, beyond(low, info.Label, least, owned)...)
			if most > least+1e-6 {
				out = append(out, beyond(low, info.Label, most, owned)...)
			}
			continue
		}
		out = append(out, beyond(low, info.Label, math.Min(from, to), owned)...)
		out = append(out, beyond(high, info.Label, math.Max(from, to), owned)...)
	}
	if shape, ok := catalogue.Shapes["shoulder.abduction"]; ok && o.rep.Name == setup.ShoulderElevation && o.trust == "estimate" {
		last := shape.AngleDeg[len(shape.AngleDeg)-1]
		if space.Deg(o.rep.Angle[len(o.rep.Angle)-1]) > last {
			_, high := o.pathOf("shoulder.elevation", true)
			out = append(out, setup.Problem{Path: high, What: fmt.Sprintf("Above %s degrees the strength curve has no data.", short(last)),
				Why: "It is kept flat there.", Hint: "Measure the lifter's strength near the end of the range."})
		}
	}
	out = append(out, o.palms()...)
	sortProblems(out)
	return out
}

// thumbUp is how far from lying along a straight bar a closed hand can no longer hold it, rad (own).
const thumbUp = math.Pi / 4

// palms says when hands are to hold a straight bar with the thumbs up.
func (o *outcome) palms() setup.Problems {
	if o.doc.Movement.BarWidth == 0 {
		return nil
	}
	worst := 0
	for i, x := range o.rep.BarTwist {
		if math.Abs(x) > math.Abs(o.rep.BarTwist[worst]) {
			worst = i
		}
	}
	if math.Abs(o.rep.BarTwist[worst]) < thumbUp {
		return nil
	}
	now, mid := o.rep.Pose[worst][setup.ForearmPronation], len(o.rep.S)/2
	asked := o.rep.Pose[mid][setup.ForearmPronation] + o.rep.BarTwist[mid]
	return setup.Problems{{Path: "movement.hold.forearm.pronationDeg",
		What: fmt.Sprintf("On a straight bar the forearms cannot be at %s degrees of pronation.", short(space.Deg(now))),
		Why:  "A closed hand lies along the bar.", Hint: fmt.Sprintf("Use about %.0f degrees: that is what the bar needs half way.",
			space.Deg(asked))}}
}

// travel is the least and largest value of a coordinate along the path, and those at its ends, degrees. Least is above
// most where the coordinate means nothing: the plane and rotation of an arm that hangs, a coordinate that stays at zero.
func (o *outcome) travel(c setup.Coordinate) (least, most, from, to float64) {
	all := o.travels[len(o.rep.S)]
	if all == nil {
		all = &travels{}
		for c := range all {
			t := &all[c]
			t.least, t.most, t.from, t.to = o.travelled(setup.Coordinate(c))
		}
		o.travels[len(o.rep.S)] = all
	}
	t := &all[c]
	return t.least, t.most, t.from, t.to
}

func (o *outcome) travelled(c setup.Coordinate) (least, most, from, to float64) {
	least, most = math.Inf(1), math.Inf(-1)
	poses := o.rep.Pose
	for i := range poses {
		if !o.means(i, c) {
			continue
		}
		x := o.read(i, c)
		least, most = min(least, x), max(most, x)
	}
	if least == 0 && most == 0 {
		return 1, 0, 0, 0
	}
	return least, most, o.read(0, c), o.read(len(poses)-1, c)
}

// read is a coordinate of the pose at a sample, degrees. Plane and elevation of the arm are read in the way that the lifter owns, where
// the other one, p + 180 degrees and -e, is not owned: both are one direction of the arm.
func (o *outcome) read(i int, c setup.Coordinate) float64 {
	q := o.rep.Pose[i]
	if c == setup.ShoulderPlane || c == setup.ShoulderElevation {
		other := q
		other[setup.ShoulderPlane] = math.Remainder(q[setup.ShoulderPlane]+math.Pi, 2*math.Pi)
		other[setup.ShoulderElevation] = -q[setup.ShoulderElevation]
		if !o.owns(&q) && o.owns(&other) {
			q = other
		}
	}
	return space.Deg(q[c])
}

// owns says whether the direction of the arm in a pose is one that the lifter owns.
func (o *outcome) owns(q *body.Pose) bool {
	for _, c := range [2]setup.Coordinate{setup.ShoulderPlane, setup.ShoulderElevation} {
		owned := o.doc.Lifter.Owned(c)
		if x := space.Deg(q[c]); x < owned.FromDeg || x > owned.ToDeg {
			return false
		}
	}
	return true
}

// pathOf is where in the document the lower and the upper end of a coordinate's travel come from.
func (o *outcome) pathOf(key string, rising bool) (low, high string) {
	m := &o.doc.Movement
	switch {
	case m.Kind == "shoulder-raise" && key == "shoulder.elevation", m.Kind == "sweep" && m.Primary == key:
		if rising {
			return "movement.fromDeg", "movement.toDeg"
		}
		return "movement.toDeg", "movement.fromDeg"
	case m.Kind == "keyframes":
		return "movement.keyframes", "movement.keyframes"
	}
	if _, held := m.Hold[key+"Deg"]; held {
		return "movement.hold." + key + "Deg", "movement.hold." + key + "Deg"
	}
	switch {
	case m.Kind == "guided":
		return "movement.guide", "movement.guide"
	case m.InLine != "":
		return "movement.inLine", "movement.inLine"
	case m.BarWidth > 0:
		return "movement.barWidth", "movement.barWidth"
	}
	return "posture", "posture"
}

func beyond(path, label string, deg float64, owned setup.Range) []setup.Problem {
	if deg >= owned.FromDeg-1e-9 && deg <= owned.ToDeg+1e-9 {
		return nil
	}
	p := setup.Problem{Path: path, What: fmt.Sprintf("The %s of %s degrees is beyond this lifter's range.", label, short(deg)),
		Why: "Loading beyond the active range can injure.", Hint: fmt.Sprintf("Stay within %s to %s degrees, or measure the range again.",
			short(owned.FromDeg), short(owned.ToDeg))}
	if owned.Pain != "" {
		p.Why += " Noted: " + owned.Pain + "."
	}
	return []setup.Problem{p}
}

func short(x float64) string { return strconv.FormatFloat(math.Round(x*10)/10, 'g', 5, 64) }
