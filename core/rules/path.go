package rules

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"dialarc/core/setup"
)

func (v *checks) movement(d *setup.Document) {
	m := &d.Movement
	v.OneOf("movement.side", "moving side", m.Side, "right", "left", "both")
	if !v.OneOf("movement.kind", "kind of movement", m.Kind, "shoulder-raise", "sweep", "keyframes", "guided", "hold") {
		return
	}
	v.otherDescriptions(m)
	switch m.Kind {
	case "shoulder-raise":
		v.raise(m)
	case "sweep":
		v.sweep(m)
	case "guided":
		v.guide(m)
	case "keyframes":
		v.keyframes(m.Keyframes)
	}
	v.pose("movement.hold", m.Hold)
	v.otherSide(d)
	v.options(d)
	v.legs(d)
	v.trunk(d)
}

// otherDescriptions refuses a second description of the path, which could differ from the first.
func (v *checks) otherDescriptions(m *setup.Movement) {
	twice := func(path, what, kind string) {
		v.Add(path, "A movement of kind "+m.Kind+" has "+what+" too.", "Two descriptions of one path could differ.",
			"Remove them, or set kind to "+kind+".")
	}
	if len(m.Keyframes) > 0 && m.Kind != "keyframes" {
		twice("movement.keyframes", "keyframes", "keyframes")
	}
	if m.Guide != nil && m.Kind != "guided" {
		twice("movement.guide", "a guide", "guided")
	}
	if m.StartPlane != nil && m.Kind != "shoulder-raise" {
		twice("movement.startPlaneDeg", "a plane to start in", "shoulder-raise")
	}
	if m.Primary != "" && m.Kind != "sweep" && m.Kind != "shoulder-raise" {
		twice("movement.primary", "a coordinate that sweeps", "sweep")
	}
}

func (v *checks) raise(m *setup.Movement) {
	if m.Primary != "" {
		v.OneOf("movement.primary", "coordinate that sweeps", m.Primary, "shoulder.elevation")
	}
	ok := v.Within("movement.fromDeg", "start of the range", m.FromDeg, -30, 175, "degrees", "")
	ok = v.Within("movement.toDeg", "end of the range", m.ToDeg, -30, 175, "degrees", "") && ok
	if ok && m.ToDeg-m.FromDeg < 5 {
		what := "The range runs from " + setup.Number(m.FromDeg, "") + " to " + setup.Number(m.ToDeg, "degrees") + "."
		if m.ToDeg < m.FromDeg {
			v.Add("movement.toDeg", what, "The lift has to rise from start to end.", "Swap the ends: lifting starts at the lower angle.")
		} else {
			v.Add("movement.toDeg", what, "A path shorter than 5 degrees has no profile.", "Move the end to "+setup.Number(m.FromDeg+5,
				"degrees")+" or more.")
		}
	}
	if m.StartPlane != nil {
		v.Field(movementRows, "movement.startPlaneDeg", "plane at the start", *m.StartPlane, "degrees", "")
	}
	if _, twice := m.Hold["shoulder.elevationDeg"]; twice {
		v.Add("movement.hold.shoulder.elevationDeg", "The elevation is held and swept at once.", "", "Leave it out of hold.")
	}
}

// sweep checks a sweep of any coordinate, in either direction.
func (v *checks) sweep(m *setup.Movement) {
	if !v.OneOf("movement.primary", "coordinate that sweeps", m.Primary, coordinateKeys("")...) {
		return
	}
	c, _ := setup.CoordinateOf(m.Primary + "Deg")
	info := &setup.Coordinates[c]
	ok := v.Within("movement.fromDeg", "start of the range", m.FromDeg, info.Least, info.Most, "degrees", "")
	ok = v.Within("movement.toDeg", "end of the range", m.ToDeg, info.Least, info.Most, "degrees", "") && ok
	if ok && math.Abs(m.ToDeg-m.FromDeg) < 5 {
		v.Add("movement.toDeg", "The range runs from "+setup.Number(m.FromDeg, "")+" to "+setup.Number(m.ToDeg, "degrees")+".",
			"A path shorter than 5 degrees has no profile.", "Give 5 degrees or more, or set kind to hold.")
	}
	if _, twice := m.Hold[m.Primary+"Deg"]; twice {
		v.Add("movement.hold."+m.Primary+"Deg", "The "+info.Label+" is held and swept at once.", "", "Leave it out of hold.")
	}
}

func (v *checks) guide(m *setup.Movement) {
	g := m.Guide
	if g == nil {
		v.Add("movement.guide", "The guide is missing.", "The hand needs a line or an arc to follow.",
			"Give kind, start, and end or centre, about and turnDeg.")
		return
	}
	for _, key := range []string{"shoulder.planeOfElevationDeg", "shoulder.elevationDeg", "shoulder.rotationDeg", "elbow.flexionDeg"} {
		if _, held := m.Hold[key]; held {
			v.Add("movement.hold."+key, "It is held and guided at once.", "Where the hand goes decides it.",
				"Leave it out of hold; the elbow is turned by guide.swivelDeg.")
		}
	}
	v.Field(guideRows, "movement.guide.swivelDeg", "swivel", g.SwivelDeg, "degrees", "")
	v.Field(guideRows, "movement.guide.swivelToDeg", "swivel at the end", g.SwivelTo, "degrees", "")
	place := v.Place
	if g.Relative {
		place = v.near
	}
	place("movement.guide.start", "hand's start", &g.Start)
	switch {
	case !v.OneOf("movement.guide.kind", "kind of guide", g.Kind, "line", "arc"):
	case g.Kind == "line":
		place("movement.guide.end", "hand's end", g.End)
	default:
		place("movement.guide.centre", "arc's centre", g.Centre)
		v.Direction("movement.guide.about", "arc's axis", g.About)
		if v.Field(guideRows, "movement.guide.turnDeg", "turn", g.TurnDeg, "degrees", "") && math.Abs(g.TurnDeg) < 3 {
			v.Add("movement.guide.turnDeg", "The arc turns by "+setup.Number(g.TurnDeg, "degrees")+".",
				"A path shorter than 3 degrees has no profile.", "Give 3 degrees or more, of either sign.")
		}
	}
}

// near checks a place that is counted from the shoulder.
func (v *checks) near(path, name string, p *setup.Point) {
	if p == nil {
		v.Add(path, "The "+name+" is missing.", "", "Give x, y and z in metres, from the shoulder.")
		return
	}
	for i, x := range []float64{p.X, p.Y, p.Z} {
		v.Within(path+"."+[]string{"x", "y", "z"}[i], name+", from the shoulder", x, -2, 2, "m", "")
	}
}

func (v *checks) options(d *setup.Document) {
	m := &d.Movement
	v.Field(movementRows, "movement.barWidth", "distance between the hands on the bar", m.BarWidth, "m", "")
	if m.BarWidth != 0 && (m.BarWidth < 0.1 || m.Side != "both" || m.Kind == "guided") {
		v.Add("movement.barWidth", "A bar of "+setup.Number(m.BarWidth, "m")+" is held.",
			"It is held by both hands, in a movement that is not guided already.",
			"Set side to both and the width to 0.1 m or more, or leave it out.")
	}
	if m.Axis != "" {
		v.OneOf("movement.axis", "axis", m.Axis, "swept", "spin", "vector")
	}
	if m.Axis == "vector" {
		v.Direction("movement.axisAlong", "axis", m.AxisAlong)
	}
	if m.NoSpin && m.Natural {
		v.Add("movement.natural", "The upper arm shall not turn about itself, and turn by half.", "", "Keep one of noSpin and natural.")
	}
	if m.InLine == "" {
		return
	}
	for i := range d.Loads {
		if l := &d.Loads[i]; l.ID == m.InLine && (l.Pulley != nil || l.Anchor != nil) {
			if m.NoSpin || m.Natural || m.BarWidth != 0 || m.Kind == "guided" {
				v.Add("movement.inLine", "The forearm is in line with a strand and tied otherwise too.",
					"The rotation of the upper arm can follow one rule only.", "Keep one of inLine, noSpin, natural, barWidth and a guide.")
			}
			return
		}
	}
	v.Add("movement.inLine", "There is no cable or band "+strconv.Quote(setup.Clip(m.InLine))+".", "",
		"Give the id of a load that has a pulley or an anchor.")
}

func (v *checks) pose(path string, pose map[string]float64) {
	for _, key := range sorted(pose) {
		c, ok := setup.CoordinateOf(key)
		if !ok {
			v.Add(path+"."+key, "There is no joint coordinate "+strconv.Quote(setup.Clip(key))+".", "",
				"Coordinates: "+strings.Join(coordinateKeys("Deg"), ", ")+".")
			continue
		}
		v.Within(path+"."+key, setup.Coordinates[c].Label, pose[key], setup.Coordinates[c].Least, setup.Coordinates[c].Most, "degrees", "")
	}
}

func (v *checks) keyframes(frames []setup.Keyframe) {
	if most := movementRows["keyframes"].Items; len(frames) < 2 || len(frames) > most {
		v.Add("movement.keyframes", fmt.Sprintf("There are %d keyframes.", len(frames)), "A path needs a start and an end.",
			fmt.Sprintf("Give 2 to %d, s rising from 0 to 1.", most))
		return
	}
	for i, f := range frames {
		path := fmt.Sprintf("movement.keyframes[%d]", i)
		switch {
		case !v.Field(keyframeRows, path+".s", "place on the path", f.S, "", ""):
		case i == 0 && f.S != 0:
			v.Add(path+".s", "The first keyframe is at "+setup.Number(f.S, "")+".", "", "Give 0.")
		case i == len(frames)-1 && f.S != 1:
			v.Add(path+".s", "The last keyframe is at "+setup.Number(f.S, "")+".", "", "Give 1.")
		case i > 0 && !(f.S-frames[i-1].S >= 1e-3):
			v.Add(path+".s", "The keyframe at "+setup.Number(f.S, "")+" does not come after the one before it.", "s rises along the path.",
				"Put the keyframes in order.")
		}
		v.pose(path+".pose", f.Pose)
		if a, b := strings.Join(sorted(f.Pose), " "), strings.Join(sorted(frames[0].Pose), " "); a != b {
			v.Add(path+".pose", "This keyframe names other coordinates than the first.", "What lies between would be a guess.",
				"Name in every keyframe: "+b+".")
		}
	}
}
