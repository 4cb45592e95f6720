package main

import (
	"errors"
	"fmt"

	"github.com/spf13/pflag"
)

// options reads the options of a command, which may stand before, between or after what else it takes: least to most of those, in words.
// Asked for help, it gives an askedForHelp.
func options(name string, args []string, takes string, least, most int, define func(f *pflag.FlagSet)) (*pflag.FlagSet, error) {
	flags := pflag.NewFlagSet(name, pflag.ContinueOnError)
	flags.SortFlags = false
	flags.Usage = func() {}
	if define != nil {
		define(flags)
	}
	if err := flags.Parse(args); errors.Is(err, pflag.ErrHelp) {
		return nil, askedForHelp{flags}
	} else if err != nil {
		return nil, fmt.Errorf("%s: %w; dialarc %s --help lists the options", name, err, name)
	}
	if n := flags.NArg(); n < least || n > most {
		return nil, fmt.Errorf("%s takes %s, not %d; dialarc %s --help says more", name, takes, n, name)
	}
	return flags, nil
}

// askedForHelp ends a command that was asked what it does.
type askedForHelp struct{ flags *pflag.FlagSet }

func (a askedForHelp) Error() string {
	for _, c := range commands() {
		if c.name != a.flags.Name() {
			continue
		}
		text := "usage: dialarc " + c.usage + "\n" + c.about + "\n"
		if a.flags.HasFlags() {
			text += "\n" + a.flags.FlagUsages()
		}
		return text
	}
	return ""
}
