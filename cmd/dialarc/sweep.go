package main

import (
	"context"
	"encoding/csv"
	"fmt"
	"io"
	"math"
	"os"
	"os/signal"
	"strings"

	"dialarc/core/dialin"
	"dialarc/core/setup"

	"github.com/spf13/pflag"
)

// runSweep judges every value of every setting, or every pair of values of two.
func runSweep(args []string, out io.Writer) error {
	var pair string
	var asCSV bool
	flags, err := options("sweep", args, "one file, or - for standard input", 1, 1, func(f *pflag.FlagSet) {
		f.StringVar(&pair, "map", "", "keys of two settings with a comma between them")
		f.BoolVar(&asCSV, "csv", false, "print CSV")
	})
	if err != nil {
		return err
	}
	d, err := readDocument(flags.Arg(0))
	if err != nil {
		return err
	}
	if pair != "" {
		return printMap(out, &d, pair, asCSV)
	}
	painting, problems := new(dialin.Sweeper).Paint(&d)
	if len(problems) > 0 {
		return problems
	}
	if !asCSV {
		return printJSON(out, painting)
	}
	rows := [][]string{{"setting", "value", "score"}}
	for i := range painting.Sweeps {
		sweep := &painting.Sweeps[i]
		for k, v := range sweep.Values {
			rows = append(rows, []string{sweep.Key, decimal(v), blank(sweep.Scores[k])})
		}
	}
	return csv.NewWriter(out).WriteAll(rows)
}

func printMap(out io.Writer, d *setup.Document, pair string, asCSV bool) error {
	a, b, ok := strings.Cut(pair, ",")
	if !ok {
		return fmt.Errorf("--map takes the keys of two settings, like pulley.height/0,stance.out")
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
	defer stop()
	g, problems, err := dialin.Map(ctx, d, a, b, nil)
	if err != nil {
		return err
	}
	if len(problems) > 0 {
		return problems
	}
	if !asCSV {
		return printJSON(out, g)
	}
	rows := [][]string{{g.A.Key, g.B.Key, "match", "closed by"}}
	for i, row := range g.Scores {
		for k, score := range row {
			why := ""
			if n := g.Closed[i][k]; n >= 0 {
				why = g.Reasons[n]
			}
			rows = append(rows, []string{decimal(g.AValues[k]), decimal(g.BValues[i]), blank(score), why})
		}
	}
	return csv.NewWriter(out).WriteAll(rows)
}

// blank is a number, or nothing where there is none.
func blank(x float64) string {
	if math.IsNaN(x) {
		return ""
	}
	return decimal(x)
}
