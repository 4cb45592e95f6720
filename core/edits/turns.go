package edits

import (
	"slices"
	"strings"

	"dialarc/core/setup"
)

// inLine begins the key of a forearm that stays in line with a load.
const inLine = "inLine:"

// turnsOf are the ways in which the upper arm can turn about itself; none where a bar, a guide or a machine decides it, or where the
// shoulder stays as it is.
func turnsOf(d *setup.Document) []Named {
	m := &d.Movement
	if m.Kind == "guided" || m.Kind == "hold" || m.BarWidth != 0 || d.HandleLeads() || !swings(m) {
		return []Named{}
	}
	out := []Named{{"set", "As the dials say"}, {"natural", "By itself, as arms do"}, {"noSpin", "Not at all"}}
	for i := range d.Loads {
		if l := &d.Loads[i]; l.Contact.Segment == "hand" && (l.Pulley != nil || l.Anchor != nil) {
			out = append(out, Named{inLine + l.ID, "Forearm in line with the " + l.ID})
		}
	}
	return out
}

// swings says whether the upper arm goes anywhere along a path.
func swings(m *setup.Movement) bool {
	return m.Kind == "shoulder-raise" || strings.HasPrefix(m.Primary, "shoulder.") || m.Moves("shoulder.elevationDeg") ||
		m.Moves("shoulder.planeOfElevationDeg")
}

func turnOf(d *setup.Document) string {
	m := &d.Movement
	switch {
	case m.InLine != "":
		return inLine + m.InLine
	case m.NoSpin:
		return "noSpin"
	case m.Natural:
		return "natural"
	}
	return "set"
}

// WithTurn has the upper arm turn about itself as the dials say (set), half as much as it takes to keep it from turning (natural), not at
// all (noSpin), or as it takes to keep the forearm in line with a load (inLine: and its id).
func WithTurn(d *setup.Document, key string) (setup.Document, setup.Problems) {
	c := d.Clone()
	if !slices.ContainsFunc(turnsOf(d), func(n Named) bool { return n.Key == key }) {
		return c, setup.Problems{{Path: "movement", What: "The upper arm cannot turn that way here.",
			Why: "A bar, a guide or a machine decides it, or nothing pulls from a place.", Hint: "Give one of the list."}}
	}
	m := &c.Movement
	m.NoSpin, m.Natural, m.InLine = key == "noSpin", key == "natural", ""
	if id, led := strings.CutPrefix(key, inLine); led {
		m.InLine = id
	}
	return c, nil
}
