package evaluate

import (
	"math"

	"dialarc/core/kit"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// pins lists the pins of every cable that is taken from a known station.
func (o *outcome) pins() []report.Pins {
	out := []report.Pins{}
	for k, index := range o.rep.Index {
		def := &o.doc.Loads[index]
		if def.Kit == nil || def.StackMass <= 0 || load.Of(def).From != load.FromPulley {
			continue
		}
		column, known := kit.ColumnOf(def.Kit)
		if !known {
			continue
		}
		p := report.Pins{Index: index, Step: column.Step}
		for _, mass := range pinsBeside(def.StackMass, &column) {
			p.List = append(p.List, report.Pin{Mass: mass, Here: math.Abs(mass-def.StackMass) < 1e-9, Effort: o.effortWith(k, mass/def.StackMass)})
		}
		out = append(out, p)
	}
	return out
}

// pinsBeside are the lightest pin, the present mass, and the pins right under and over it, rising, each once.
func pinsBeside(mass float64, c *setup.Column) []float64 {
	steps := (mass - c.Lightest) / c.Step
	under, over := math.Ceil(steps-1e-9)-1, math.Floor(steps+1e-9)+1
	list := []float64{c.Lightest}
	add := func(x float64) {
		if x > list[len(list)-1]+1e-9 {
			list = append(list, x)
		}
	}
	if mass < c.Lightest { // less than any pin
		list[0] = mass
		add(c.Lightest)
		return list
	}
	add(c.Lightest + under*c.Step)
	add(mass)
	if top := c.Lightest + over*c.Step; top <= c.Heaviest+1e-9 {
		add(top)
	}
	return list
}

// effortWith is the largest effort of any joint when one part of the loads is multiplied by a factor: a cable's pull grows with the mass on
// the pin, the rest stays. With several loads
// that may be changed it is that of the target joint.
func (o *outcome) effortWith(part int, factor float64) metric.Metric {
	if o.path.Still() || o.trust == profile.Unknown {
		return metric.Missing("Strength over this path is not known.")
	}
	if why := o.gapWhy(); why != "" {
		return metric.Missing(why)
	}
	if o.oneVaries() { // what grows with this pin alone is known at every joint
		return number(o.demands.most("", factor).effort(factor))
	}
	most := math.Inf(-1)
	for i, t := range o.rep.Total {
		most = max(most, (t+(factor-1)*o.rep.Parts[part].Torque[i])/o.capacity[i])
	}
	return number(most)
}

// oneVaries says whether a single load may be changed, and what the joints ask is known.
func (o *outcome) oneVaries() bool { return varying(o.doc) == 1 && len(o.demands) > 0 }

// varying is how many loads may be changed.
func varying(d *setup.Document) int {
	count := 0
	for i := range d.Loads {
		if d.Loads[i].Variable {
			count++
		}
	}
	return count
}
