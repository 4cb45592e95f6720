package main

import (
	"context"
	"encoding/csv"
	"encoding/json"
	"errors"
	"io"
	"math"
	"os"
	"strconv"

	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"

	"github.com/spf13/pflag"
)

func runEval(args []string, out io.Writer) error {
	var joint string
	var asCSV, inMotion, uncertain bool
	flags, err := options("eval", args, "one file, or - for standard input", 1, 1, func(f *pflag.FlagSet) {
		f.BoolVar(&asCSV, "csv", false, "print the curves as CSV")
		f.StringVar(&joint, "joint", "", "report on another joint, like elbow")
		f.BoolVar(&inMotion, "tempo", false, "print the torque in motion")
		f.BoolVar(&uncertain, "uncertainty", false, "print how far the numbers could be off")
	})
	if err != nil {
		return err
	}
	if inMotion && uncertain {
		return errors.New("eval: give --tempo or --uncertainty, not both")
	}
	d, err := readDocument(flags.Arg(0))
	if err != nil {
		return err
	}
	if joint != "" {
		d.Target.Joint = joint
	}
	switch {
	case inMotion:
		return evalTempo(out, &d, asCSV)
	case uncertain:
		return evalUncertainty(out, &d, asCSV)
	}
	report, problems := evaluate.Document(&d)
	if len(problems) > 0 {
		return problems
	}
	if asCSV {
		heads, columns := curvesOf(report)
		return writeCSV(out, heads, columns)
	}
	return printJSON(out, report)
}

// readDocument reads and validates a file, - being standard input.
func readDocument(file string) (setup.Document, error) {
	raw, err := readFile(file)
	if err != nil {
		return setup.Document{}, err
	}
	d, problems := rules.Parse(raw)
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
	t, problems := evaluate.Tempo(d)
	switch {
	case len(problems) > 0:
		return problems
	case asCSV:
		return writeCSV(out, []string{"time_s", "s", "angle_deg", "static_Nm", "dynamic_Nm"}, []report.Curve{t.Time, t.S, t.AngleDeg, t.Static,
			t.Dynamic})
	}
	return printJSON(out, t)
}

// evalUncertainty prints the spread of the numbers under the usual errors instead of the report.
func evalUncertainty(out io.Writer, d *setup.Document, asCSV bool) error {
	u, problems := evaluate.Uncertainty(context.Background(), d, report.UsualErrors, 1)
	switch {
	case len(problems) > 0:
		return problems
	case asCSV:
		return writeCSV(out, []string{"angle_deg", "low_Nm", "high_Nm"}, []report.Curve{u.AngleDeg, u.Low, u.High})
	}
	return printJSON(out, u)
}

// curvesOf lists the curves of a report with their heads.
func curvesOf(r *report.Report) (heads []string, columns []report.Curve) {
	heads = []string{"s", "angle_deg", "swept_deg", "torque_Nm", "loads_Nm", "weights_Nm", "lowering_Nm", "capacity_Nm", "effort", "target_Nm",
		"twist_Nm", "bend_Nm",
		"off_axis_Nm", "size_Nm", "along_N", "across_N", "grip_N", "low_back_Nm", "balance_m", "bar_off_deg", "bar_twist_deg"}
	c := &r.Curves
	columns = []report.Curve{c.S, c.AngleDeg, c.SweptDeg, c.Torque, c.Loads, c.Weights, c.Lowering, c.Capacity, c.Effort, c.Target, c.Twist,
		c.Bend,
		c.OffPlane, c.Size, c.Axial, c.Shear, c.Grip, c.LowBack, c.Balance, c.BarOff, c.BarTwist}
	for _, p := range r.Parts {
		heads = append(heads, p.ID+"_Nm", p.ID+"_tension_N", p.ID+"_moment_arm_m", p.ID+"_lift_m", p.ID+"_stretch")
		columns = append(columns, p.Torque, p.Tension, p.MomentArm, p.Lift, p.Stretch)
	}
	for _, j := range r.Joints {
		heads = append(heads, j.Joint+"_Nm", j.Joint+"_size_Nm", j.Joint+"_along_N", j.Joint+"_across_N", j.Joint+"_effort")
		columns = append(columns, j.Torque, j.Size, j.Axial, j.Shear, j.Effort)
	}
	return heads, columns
}

// writeCSV prints one row per sample of the first column; where there is no number the field is empty.
func writeCSV(out io.Writer, heads []string, columns []report.Curve) error {
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

// readFile reads a file, or standard input for -, up to a little more than the largest document.
func readFile(file string) ([]byte, error) {
	var in io.Reader = os.Stdin
	switch {
	case file == "":
		return nil, errors.New("name a file, or - for standard input")
	case file != "-":
		f, err := os.Open(file)
		if err != nil {
			return nil, err
		}
		defer f.Close()
		in = f
	}
	return io.ReadAll(io.LimitReader(in, setup.MaxBytes+1))
}
