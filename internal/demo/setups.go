package demo

import (
	"slices"

	"dialarc/core/catalogue"
	"dialarc/core/setup"
)

// Documents lists all setups of the demo.
func Documents() []setup.Document {
	var all []setup.Document
	for _, p := range troupe() {
		all = append(all, setups(&p)...)
	}
	return all
}

// setups are this person's raises and what else they do.
func setups(p *person) []setup.Document {
	out := raises(p)
	for _, r := range catalogue.All(&p.body) {
		if slices.Contains(p.also, r.Key) {
			out = append(out, r.Document)
		}
	}
	return out
}

// raises are the ready ways to load a raise, with this person's loads.
func raises(p *person) []setup.Document {
	var out []setup.Document
	for _, r := range catalogue.ReadySetups(&p.body) {
		d := r.Document
		switch {
		case d.Loads[0].Kind == "cable":
			d.Loads[0].StackMass = p.stack
		case len(d.Loads) == 1:
			d.Loads[0].Mass = p.bell
		}
		out = append(out, d)
	}
	return out
}
