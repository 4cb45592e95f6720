package setup

import (
	"fmt"
	"math"
)

// Column checks a cable column: holes that fit on it one above the other, and a stack.
func (v *Checks) Column(path string, c *Column) {
	low := v.Field(columnRows, path+".lowestHole", "height of hole 1", c.LowestHole, "m", "Pulleys are set from there.")
	gap := v.Field(columnRows, path+".spacing", "distance between holes", c.Spacing, "m", "Nearer than that, holes overlap.")
	tall := v.Field(columnRows, path+".height", "column's height", c.Height, "m", "")
	drilled := v.Field(columnRows, path+".holes", "number of holes", float64(c.Holes), "", "A fixed pulley has one.")
	if top := c.HoleHeight(c.Holes); low && gap && tall && drilled && top > c.Height+1e-9 {
		v.Add(path+".holes", fmt.Sprintf("Hole %d would be %s up, the column is %s.", c.Holes, Number(math.Round(1000*top)/1000, "m"),
			Number(c.Height, "m")),
			"A hole above the column's top is none.", fmt.Sprintf("At this distance there are %d holes, or the column is higher.",
				1+int(math.Floor((c.Height-c.LowestHole)/c.Spacing+1e-9))))
	}
	v.Field(columnRows, path+".halfWidth", "half of the column's section", c.HalfWidth, "m", "")
	v.Field(columnRows, path+".mass", "column's mass", c.Mass, "kg", "")
	v.Field(columnRows, path+".foot", "reach of the column's base", c.Foot, "m", "")
	v.Pins(path, c.Lightest, c.Step, c.Heaviest)
}

// Pins checks a stack: its lightest pin, the step from pin to pin and the heaviest pin.
func (v *Checks) Pins(path string, lightest, step, heaviest float64) {
	light := v.Field(columnRows, path+".lightest", "lightest pin", lightest, "kg", "The carriage alone pulls with something.")
	stepped := v.Field(columnRows, path+".step", "step between pins", step, "kg", "")
	if v.Field(columnRows, path+".heaviest", "heaviest pin", heaviest, "kg", "") && light && heaviest < lightest {
		v.Add(path+".heaviest", "The heaviest pin is lighter than the lightest.", "", "Give "+Number(lightest, "kg")+" or more.")
	} else if light && stepped {
		if n := (heaviest - lightest) / step; math.Abs(n-math.Round(n)) > 1e-6 {
			v.Add(path+".heaviest", "From "+Number(lightest, "kg")+" in steps of "+Number(step, "kg")+" no pin is at "+Number(heaviest, "kg")+".",
				"",
				"The nearest pin is "+Number(lightest+math.Round(n)*step, "kg")+".")
		}
	}
}

// Rising checks a list of values that lie in [low, high] and rise by a least step, such as notches or masses.
func (v *Checks) Rising(path, label string, list []float64, low, high, least float64, unit string) {
	for i, x := range list {
		at := fmt.Sprintf("%s[%d]", path, i)
		if v.Within(at, label, x, low, high, unit, "") && i > 0 && x < list[i-1]+least-1e-9 {
			v.Add(at, fmt.Sprintf("%s does not come after %s.", Number(x, unit), Number(list[i-1], unit)), "They are counted from the least one up.",
				"Put them in order, each once.")
		}
	}
}
