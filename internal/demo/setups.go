package demo

import (
	"slices"

	"dialarc/core/catalogue"
	"dialarc/core/edits"
	"dialarc/core/setup"
)

// Documents lists all setups of the demo.
func Documents() []setup.Document {
	var all []setup.Document
	for _, p := range troupe() {
		all = append(all, setups(&p, "")...)
	}
	return all
}

// everybody are the raises that the whole troupe tries.
var everybody = []string{"raise.behind.hand", "raise.behind.knee", "raise.behind.lined", "raise.dumbbell.band", "raise.dumbbell"}

// setups are those raises with this person's loads, and what else the person does, fitted to where they work.
func setups(p *person, room string) []setup.Document {
	var out []setup.Document
	at := rooms()[p.onTour]
	for _, r := range catalogue.All(&p.body) {
		d := r.Document
		switch {
		case slices.Contains(p.also, r.Key), slices.Contains(p.only, r.Key):
		case len(p.only) > 0:
			continue
		case !slices.Contains(everybody, r.Key):
			continue
		case d.Loads[0].Kind == setup.Cable:
			d.Loads[0].StackMass = p.stack
		case len(d.Loads) == 1:
			d.Loads[0].Mass = p.bell
		}
		out = append(out, edits.Fit(&d, &at, room).Document)
	}
	return out
}
