package main

import (
	"context"
	"encoding/csv"
	"fmt"
	"io"
	"math"
	"os"
	"os/signal"
	"slices"
	"strconv"
	"strings"

	"dialarc/core/evaluate"
	"dialarc/core/metric"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/core/survey"

	"github.com/spf13/pflag"
)

// exerciseHeads are the columns of the table of exercises.
var exerciseHeads = []string{"key", "name", "region", "leader", "leader_share", "target_share", "hardest_deg", "phase", "effort",
	"limit_kg", "limited_by", "activation", "holds", "start", "clear", "in_range", "helps", "lengthened_share"}

// runExercises looks every exercise through for a lifter.
func runExercises(args []string, out io.Writer) error {
	var who string
	var asCSV bool
	if _, err := options("exercises", args, "no file", 0, 0, func(f *pflag.FlagSet) {
		f.StringVar(&who, "lifter", "1.75,75,male,trained", "height in m, mass in kg, sex and training with commas between them")
		f.BoolVar(&asCSV, "csv", false, "print CSV")
	}); err != nil {
		return err
	}
	lifter, err := parseLifter(who)
	if err != nil {
		return err
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
	defer stop()
	rows, err := survey.Exercises(ctx, lifter)
	if err != nil {
		return err
	}
	if !asCSV {
		return printJSON(out, rows)
	}
	table := [][]string{exerciseHeads}
	for i := range rows {
		r := &rows[i]
		if len(r.Problems) > 0 {
			return fmt.Errorf("%s: %w", r.Key, r.Problems)
		}
		table = append(table, []string{r.Key, r.Name, r.Region, r.Leader, rounded(r.LeaderShare, 3), rounded(r.TargetShare, 3),
			rounded(r.HardestDeg, 1), r.Phase, rounded(r.Effort, 3),
			rounded(r.LimitKg, 1), r.LimitedBy, rounded(r.Activation, 3), yes(r.Holds), yes(r.Start), yes(r.Clear), yes(r.InRange), yes(r.Helps),
			rounded(r.LengthenedShare, 3)})
	}
	return csv.NewWriter(out).WriteAll(table)
}

// parseLifter reads height, mass, sex and training; the last two may be left out.
func parseLifter(text string) (*setup.Lifter, error) {
	parts := strings.Split(text, ",")
	if len(parts) < 2 || len(parts) > 4 {
		return nil, fmt.Errorf("--lifter takes height in m and mass in kg, then sex and training if they are known, like 1.75,75,male,trained, not %q", text)
	}
	var l setup.Lifter
	for i, part := range parts {
		part = strings.TrimSpace(part)
		var err error
		switch {
		case i == 0:
			l.Height, err = strconv.ParseFloat(part, 64)
		case i == 1:
			l.BodyMass, err = strconv.ParseFloat(part, 64)
		case slices.Contains(setup.Sexes, part):
			l.Sex = part
		case slices.Contains(setup.Trainings, part):
			l.Training = part
		case part != "":
			err = fmt.Errorf("give one of %s, or of %s", strings.Join(setup.Sexes, ", "), strings.Join(setup.Trainings, ", "))
		}
		if err != nil {
			return nil, fmt.Errorf("--lifter: %q cannot be read: %w", part, err)
		}
	}
	if problems := rules.Lifter("lifter", &l); len(problems) > 0 {
		return nil, problems
	}
	return &l, nil
}

// runShares prints what every muscle does at every place.
func runShares(args []string, out io.Writer) error {
	var asCSV bool
	flags, err := options("shares", args, "one file, or - for standard input", 1, 1, func(f *pflag.FlagSet) {
		f.BoolVar(&asCSV, "csv", false,
			"print CSV")
	})
	if err != nil {
		return err
	}
	d, err := readDocument(flags.Arg(0))
	if err != nil {
		return err
	}
	report, problems := evaluate.Document(&d)
	if len(problems) > 0 {
		return problems
	}
	if !asCSV {
		return printJSON(out, report.Muscles)
	}
	table := [][]string{{"s", "angle_deg", "region", "activation", "torque", "share"}}
	m := &report.Muscles
	for i, s := range m.S {
		at := s * float64(len(report.Curves.S)-1)
		angle := report.Curves.AngleDeg[int(math.Round(at))]
		for k := range m.Regions {
			p := &m.Regions[k]
			table = append(table, []string{decimal(s), decimal(angle), p.Key, blank(p.Activation[i]), blank(p.Torque[i]), blank(p.Share[i])})
		}
	}
	return csv.NewWriter(out).WriteAll(table)
}

func rounded(m metric.Metric, digits int) string {
	if x, known := m.Get(); known {
		return strconv.FormatFloat(x, 'f', digits, 64)
	}
	return ""
}

func yes(b bool) string { return strconv.FormatBool(b) }
