package main

import (
	"context"
	"encoding/csv"
	"fmt"
	"io"
	"os"
	"os/signal"
	"strconv"
	"strings"

	"dialarc/core/dialin"
	"dialarc/core/setup"

	"github.com/spf13/pflag"
)

// runDialIn searches for settings that fit better and prints them as JSON, or as CSV with one row for every setting that changes.
func runDialIn(args []string, out io.Writer) error {
	var free string
	var seed uint64
	var budget int
	var asCSV bool
	flags, err := options("dialin", args, "one file, or - for standard input", 1, 1, func(f *pflag.FlagSet) {
		f.StringVar(&free, "free", "", "keys of the settings that may be turned, with commas between them")
		f.Uint64Var(&seed, "seed", 1, "the same seed gives the same answers")
		f.IntVar(&budget, "budget", 0, "how many setups are looked at before the best are refined")
		f.BoolVar(&asCSV, "csv", false, "print CSV")
	})
	if err != nil {
		return err
	}
	d, err := readDocument(flags.Arg(0))
	if err != nil {
		return err
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
	defer stop()
	found, problems, err := dialin.Run(ctx, &d, dialin.Goal{Free: keysOf(&d, free), Seed: seed, Budget: budget}, nil)
	if err != nil {
		return err
	}
	if len(problems) > 0 {
		return problems
	}
	if !asCSV {
		return printJSON(out, found)
	}
	rows := [][]string{{"answer", "score", "setting", "from", "to", "gain"}}
	for i, a := range found.Answers {
		for _, c := range a.Changes {
			rows = append(rows, []string{fmt.Sprint(i + 1), decimal(a.Score), c.Key, decimal(c.From), decimal(c.To), decimal(c.Gain)})
		}
	}
	return csv.NewWriter(out).WriteAll(rows)
}

func decimal(x float64) string { return strconv.FormatFloat(x, 'g', 6, 64) }

// keysOf are the named settings, or those that a coach can change between two sets.
func keysOf(d *setup.Document, named string) []string {
	if named != "" {
		return strings.Split(named, ",")
	}
	var keys []string
	for _, s := range dialin.Settings(d) {
		if s.Usual {
			keys = append(keys, s.Key)
		}
	}
	return keys
}
