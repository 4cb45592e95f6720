package main

import (
	"fmt"
	"io"
	"runtime/debug"

	"dialarc/core/setup"
)

// runVersion prints the commit that the program was built from, as Go notes it, and the document version that it writes.
func runVersion(out io.Writer) error {
	commit, at, changed := "unknown commit", "", ""
	if info, ok := debug.ReadBuildInfo(); ok {
		for _, s := range info.Settings {
			switch {
			case s.Key == "vcs.revision":
				commit = s.Value
			case s.Key == "vcs.time":
				at = " of " + s.Value
			case s.Key == "vcs.modified" && s.Value == "true":
				changed = ", changed"
			}
		}
	}
	_, err := fmt.Fprintf(out, "dialarc %s%s%s, writes %s\n", commit, at, changed, setup.Schema)
	return err
}
