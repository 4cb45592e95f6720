package main

import (
	"encoding/csv"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"os"
	"strconv"

	"dialarc/core"
	"dialarc/core/dialin"
	"dialarc/core/setup"
)

func runEval(args []string, out io.Writer) error {
	asCSV, inMotion, uncertain := false, false, false
	var file string
	for _, a := range args {
		switch {
		case a == "--csv" || a == "-csv":
			asCSV = true
		case a == "--tempo" || a == "-tempo":
			inMotion = true
		case a == "--uncertainty" || a == "-uncertainty":
			uncertain = true
		case file == "":
			file = a
		default:
			return fmt.Errorf("eval takes one file, and %q is one too many", a)
		}
	}
	d, err := readDocument(file)
	if err != nil {
		return err
	}
	switch {
	case inMotion && uncertain:
		return errors.New("give --tempo or --uncertainty, not both")
	case inMotion:
		return evalTempo(out, &d, asCSV)
	case uncertain:
		return evalUncertainty(out, &d, asCSV)
	}
	report, problems := core.Evaluate(&d)
	if len(problems) > 0 {
		return problems
	}
	if asCSV {
		heads, columns := curvesOf(report)
		return writeCSV(out, heads, columns)
	}
	return printJSON(out, report)
}

func runSweep(args []string, out io.Writer) error {
	if len(args) != 1 {
		return errors.New("sweep takes one file, or - for standard input")
	}
	d, err := readDocument(args[0])
	if err != nil {
		return err
	}
	painting, problems := new(dialin.Sweeper).Paint(&d)
	if len(problems) > 0 {
		return problems
	}
	return printJSON(out, painting)
}

// readDocument reads and validates a file, - being standard input.
func readDocument(file string) (setup.Document, error) {
	var in io.Reader = os.Stdin
	switch {
	case file == "":
		return setup.Document{}, errors.New("name a file, or - for standard input")
	case file != "-":
		f, err := os.Open(file)
		if err != nil {
			return setup.Document{}, err
		}
		defer f.Close()
		in = f
	}
	raw, err := io.ReadAll(io.LimitReader(in, setup.MaxBytes+1))
	if err != nil {
		return setup.Document{}, err
	}
	d, problems := setup.Parse(raw)
	if len(problems) > 0 {
		return d, problems
	}
	return d, nil
}

func printJSON(out io.Writer, v any) error {
	enc := json.NewEncoder(out)
	enc.SetEscapeHTML(false)
	enc.SetIndent("", "  ")
	return enc.Encode(v)
}

// evalTempo prints the torque in motion instead of the report.
func evalTempo(out io.Writer, d *setup.Document, asCSV bool) error {
	t, problems := core.EvaluateTempo(d)
	switch {
	case len(problems) > 0:
		return problems
	case asCSV:
		return writeCSV(out, []string{"time_s", "s", "angle_deg", "static_Nm", "dynamic_Nm"}, []core.Curve{t.Time, t.S, t.AngleDeg, t.Static, t.Dynamic})
	}
	return printJSON(out, t)
}

// evalUncertainty prints the spread of the numbers under the usual errors instead of the report.
func evalUncertainty(out io.Writer, d *setup.Document, asCSV bool) error {
	u, problems := core.EvaluateUncertainty(d, core.UsualErrors, 1)
	switch {
	case len(problems) > 0:
		return problems
	case asCSV:
		return writeCSV(out, []string{"angle_deg", "low_Nm", "high_Nm"}, []core.Curve{u.AngleDeg, u.Low, u.High})
	}
	return printJSON(out, u)
}

// curvesOf lists the curves of a report with their heads.
func curvesOf(r *core.Report) (heads []string, columns []core.Curve) {
	heads = []string{"s", "angle_deg", "swept_deg", "torque_Nm", "loads_Nm", "arm_Nm", "lowering_Nm", "capacity_Nm", "effort", "target_Nm", "twist_Nm", "bend_Nm", "off_axis_Nm", "elbow_Nm", "shoulder_along_N", "shoulder_across_N", "grip_N"}
	c := &r.Curves
	columns = []core.Curve{c.S, c.AngleDeg, c.SweptDeg, c.Torque, c.Loads, c.Arm, c.Lowering, c.Capacity, c.Effort, c.Target, c.Twist, c.Bend, c.OffAxis, c.Elbow, c.Along, c.Across, c.Grip}
	for _, p := range r.Parts {
		heads = append(heads, p.ID+"_Nm", p.ID+"_tension_N", p.ID+"_moment_arm_m", p.ID+"_lift_m", p.ID+"_stretch")
		columns = append(columns, p.Torque, p.Tension, p.MomentArm, p.Lift, p.Stretch)
	}
	return heads, columns
}

// writeCSV prints one row per sample of the first column; where there is no number the field is empty.
func writeCSV(out io.Writer, heads []string, columns []core.Curve) error {
	w := csv.NewWriter(out)
	if err := w.Write(heads); err != nil {
		return err
	}
	row := make([]string, len(columns))
	for i := range columns[0] {
		for k, column := range columns {
			row[k] = ""
			if i < len(column) && !math.IsNaN(column[i]) {
				row[k] = strconv.FormatFloat(column[i], 'g', 10, 64)
			}
		}
		if err := w.Write(row); err != nil {
			return err
		}
	}
	w.Flush()
	return w.Error()
}
