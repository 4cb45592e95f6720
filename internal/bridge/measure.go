package bridge

import (
	"dialarc/core/measure"
	"dialarc/core/setup"
)

// measureBand fits a band to a table of length and pull; plain numbers count in units of so many metres and newtons.
func measureBand(table string, length, force, rest float64, strands int) (*measure.BandFit, setup.Problems) {
	rows, problems := measure.Table(table, []measure.Column{{Name: "length", Kind: "length", Unit: length}, {Name: "pull", Kind: "force", Unit: force}})
	if len(problems) > 0 {
		return nil, problems
	}
	readings := make([]measure.BandReading, len(rows))
	for i, r := range rows {
		readings[i] = measure.BandReading{Length: r[0], Force: r[1]}
	}
	return measure.Band(readings, rest, strands)
}

// measureStack fits a cable station to a table of pin, pull going up and pull going down.
func measureStack(table string, mass, force float64) (*measure.StackFit, setup.Problems) {
	rows, problems := measure.Table(table, []measure.Column{{Name: "pin", Kind: "mass", Unit: mass}, {Name: "up", Kind: "force", Unit: force},
		{Name: "down", Kind: "force", Unit: force}})
	if len(problems) > 0 {
		return nil, problems
	}
	readings := make([]measure.StackReading, len(rows))
	for i, r := range rows {
		readings[i] = measure.StackReading{Pin: r[0], Up: r[1], Down: r[2]}
	}
	return measure.Stack(readings)
}

// measureStrength works out a table of angle and pull, one trial a row.
func measureStrength(l *setup.Lifter, table, action, position string, strap, force float64) (*measure.StrengthFit, setup.Problems) {
	trials, problems := heldTable(table, force)
	if len(problems) > 0 {
		return nil, problems
	}
	return measure.Strength(l, measure.StrengthTest{Action: action, Position: position, Strap: strap}, trials)
}

// heldTable reads a table of angle and force.
func heldTable(table string, force float64) ([]measure.HeldReading, setup.Problems) {
	rows, problems := measure.Table(table, []measure.Column{{Name: "angle", Kind: "angle", Unit: 1}, {Name: "pull", Kind: "force", Unit: force}})
	out := make([]measure.HeldReading, len(rows))
	for i, r := range rows {
		out[i] = measure.HeldReading{AngleDeg: r[0], Force: r[1]}
	}
	return out, problems
}

func measureCam(table string, force, pin, ratio, pad float64) (*measure.CamFit, setup.Problems) {
	readings, problems := heldTable(table, force)
	if len(problems) > 0 {
		return nil, problems
	}
	return measure.Cam(readings, pin, ratio, pad)
}

func measureLever(table string, force, mass, handle float64) (*measure.LeverFit, setup.Problems) {
	readings, problems := heldTable(table, force)
	if len(problems) > 0 {
		return nil, problems
	}
	return measure.Lever(readings, mass, handle)
}

// measurePath reads one plane of elevation a row.
func measurePath(table string) (*measure.PathFit, setup.Problems) {
	rows, problems := measure.Table(table, []measure.Column{{Name: "angle", Kind: "angle", Unit: 1}})
	if len(problems) > 0 {
		return nil, problems
	}
	planes := make([]float64, len(rows))
	for i, r := range rows {
		planes[i] = r[0]
	}
	return measure.Path(planes)
}
