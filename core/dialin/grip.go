package dialin

import (
	"slices"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/load"
	"dialarc/core/setup"
)

// barLed says whether both hands are on one thing that keeps them apart by the same on the whole of a straight path: a bar, a short bar on
// a cable, or what carries the body.
func barLed(d *setup.Document) bool {
	g := d.Movement.Guide
	if g == nil || !g.Relative || g.Kind != "line" || g.End == nil || g.Start.Z != g.End.Z || d.Movement.Side != "both" || d.HandleLeads() {
		return false
	}
	return d.Posture.RootOf() == "hands" || slices.ContainsFunc(d.Loads, func(l setup.Load) bool {
		return l.Contact.Segment == "hand" && load.OneStiffThing(&l)
	})
}

// gripWidth is how far apart the middles of the hands are, m; it moves both out or in together.
func gripWidth(d *setup.Document, _ int) dial.Setting {
	now, paths := d.Movement.BarWidth, []string{"movement.barWidth"}
	if barLed(d) {
		b := body.New(&d.Lifter)
		now = 2 * (b.ShoulderHalf + d.Movement.Guide.Start.Z)
		paths = []string{"movement.guide.start.z", "movement.guide.end.z", "movement.guide"}
	}
	return dial.Setting{Group: "path", Label: "Grip width", Kind: "length", From: min(0.1, now), To: max(1, now), Step: 0.02, Value: now,
		Paths: paths}
}

func setGripWidth(d *setup.Document, _ int, v float64) {
	if !barLed(d) {
		d.Movement.BarWidth = v
		return
	}
	b := body.New(&d.Lifter)
	g := d.Movement.Guide
	g.Start.Z = v/2 - b.ShoulderHalf
	g.End.Z = g.Start.Z
}
