package main

import (
	"context"
	"encoding/csv"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"os/signal"

	"dialarc/core/cells"
	"dialarc/core/compare"
	"dialarc/core/kit"
	"dialarc/core/rules"
	"dialarc/core/setup"

	"github.com/spf13/pflag"
)

// runCompare puts setups side by side, or makes their loads equal.
func runCompare(args []string, out io.Writer) error {
	var equal string
	var at float64
	var asCSV bool
	flags, err := options("compare", args, "2 to 24 files", 2, compare.Most, func(f *pflag.FlagSet) {
		f.StringVar(&equal, "equal", "", "make loads equal for peak, mean or angle")
		f.Float64Var(&at, "at", 0, "the angle, degrees")
		f.BoolVar(&asCSV, "csv", false, "print CSV")
	})
	if err != nil {
		return err
	}
	docs := make([]setup.Document, flags.NArg())
	for i := range docs {
		if docs[i], err = readDocument(flags.Arg(i)); err != nil {
			return err
		}
	}
	if equal != "" {
		made, problems := compare.Equalise(docs, equal, at)
		if len(problems) > 0 {
			return problems
		}
		return printJSON(out, made)
	}
	found, problems := compare.Of(docs)
	if len(problems) > 0 {
		return problems
	}
	if !asCSV {
		return printJSON(out, found)
	}
	head := []string{"number", "unit"}
	for _, s := range found.Sides {
		head = append(head, cells.Write(s.Name))
	}
	rows := [][]string{append(head, "weight")}
	for _, d := range found.Differences {
		row := []string{d.Label, d.Kind}
		for _, m := range d.Per {
			if x, known := m.Get(); known {
				row = append(row, decimal(x))
			} else {
				row = append(row, "")
			}
		}
		rows = append(rows, append(row, decimal(d.Weight)))
	}
	return csv.NewWriter(out).WriteAll(rows)
}

// runRank orders the ready setups for a lifter by how they load a region.
func runRank(args []string, out io.Writer) error {
	var region, how, room string
	var asCSV bool
	flags, err := options("rank", args, "one file with a lifter's body, or - for standard input", 1, 1, func(f *pflag.FlagSet) {
		f.StringVar(&region, "region", "deltoid.middle", "key of the muscle region")
		f.StringVar(&how, "how", "even", "long, short or even")
		f.StringVar(&room, "room", "", "file of a room: only what is at hand there")
		f.BoolVar(&asCSV, "csv", false, "print CSV")
	})
	if err != nil {
		return err
	}
	lifter, here, err := lifterAndRoom(flags.Arg(0), room)
	if err != nil {
		return err
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
	defer stop()
	list, problems, err := compare.RankReady(ctx, lifter, here, "", region, how, nil)
	if err != nil {
		return err
	}
	if len(problems) > 0 {
		return problems
	}
	if !asCSV {
		return printJSON(out, list)
	}
	rows := [][]string{{"setup", "score", "share", "long", "middle", "short", "even", "lacks"}}
	for _, r := range list {
		rows = append(rows, []string{r.Ready.Name, decimal(r.Score), decimal(r.Share), decimal(r.Thirds[0]), decimal(r.Thirds[1]),
			decimal(r.Thirds[2]), decimal(r.Even), fmt.Sprint(len(r.Ready.Missing))})
	}
	return csv.NewWriter(out).WriteAll(rows)
}

func lifterAndRoom(body, room string) (*setup.Lifter, *kit.Room, error) {
	raw, err := readFile(body)
	if err != nil {
		return nil, nil, err
	}
	var l setup.Lifter
	if err := json.Unmarshal(raw, &l); err != nil {
		return nil, nil, fmt.Errorf("%s is no lifter's body: %w", body, err)
	}
	if problems := rules.Lifter("lifter", &l); len(problems) > 0 {
		return nil, nil, problems
	}
	if room == "" {
		return &l, nil, nil
	}
	if raw, err = readFile(room); err != nil {
		return nil, nil, err
	}
	r, problems := kit.Parse(raw)
	if len(problems) > 0 {
		return nil, nil, problems
	}
	return &l, &r, nil
}
