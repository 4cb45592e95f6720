package setup

import (
	"fmt"
	"math"
)

// Column checks a cable column: holes that fit on it one above the other, and a stack.
func (v *Checks) Column(path string, c *Column) {
	low := v.Within(path+".lowestHole", "height of hole 1", c.LowestHole, 0, 3, "m", "Pulleys are set from there.")
	gap := v.Within(path+".spacing", "distance between holes", c.Spacing, 0.01, 1, "m", "Nearer than that, holes overlap.")
	tall := v.Within(path+".height", "column's height", c.Height, 0.3, 4, "m", "")
	if c.Holes < 1 || c.Holes > 100 {
		v.Add(path+".holes", fmt.Sprintf("The column has %d holes.", c.Holes), "", "Give 1 to 100; a fixed pulley has one.")
	} else if top := c.HoleHeight(c.Holes); low && gap && tall && top > c.Height+1e-9 {
		v.Add(path+".holes", fmt.Sprintf("Hole %d would be %s up, the column is %s.", c.Holes, number(round3(top), "m"), number(c.Height, "m")),
			"A hole above the column's top is none.", fmt.Sprintf("At this distance there are %d holes, or the column is higher.", 1+int(math.Floor((c.Height-c.LowestHole)/c.Spacing+1e-9))))
	}
	v.Within(path+".halfWidth", "half of the column's section", c.HalfWidth, 0.01, 0.5, "m", "")
	v.Pins(path, c.Lightest, c.Step, c.Heaviest)
}

// Pins checks a stack: its lightest pin, the step from pin to pin and the heaviest pin.
func (v *Checks) Pins(path string, lightest, step, heaviest float64) {
	light := v.Within(path+".lightest", "lightest pin", lightest, 0.1, 200, "kg", "The carriage alone pulls with something.")
	stepped := v.Within(path+".step", "step between pins", step, 0.1, 50, "kg", "")
	if v.Within(path+".heaviest", "heaviest pin", heaviest, 0.1, 500, "kg", "") && light && heaviest < lightest {
		v.Add(path+".heaviest", "The heaviest pin is lighter than the lightest.", "", "Give "+number(lightest, "kg")+" or more.")
	} else if light && stepped {
		if n := (heaviest - lightest) / step; math.Abs(n-math.Round(n)) > 1e-6 {
			v.Add(path+".heaviest", "From "+number(lightest, "kg")+" in steps of "+number(step, "kg")+" no pin is at "+number(heaviest, "kg")+".", "",
				"The nearest pin is "+number(lightest+math.Round(n)*step, "kg")+".")
		}
	}
}

// Rising checks a list of values that lie in [low, high] and rise by a least step, such as notches or masses.
func (v *Checks) Rising(path, label string, list []float64, low, high, least float64, unit string) {
	for i, x := range list {
		at := fmt.Sprintf("%s[%d]", path, i)
		if v.Within(at, label, x, low, high, unit, "") && i > 0 && x < list[i-1]+least-1e-9 {
			v.Add(at, fmt.Sprintf("%s does not come after %s.", number(x, unit), number(list[i-1], unit)), "They are counted from the least one up.", "Put them in order, each once.")
		}
	}
}
