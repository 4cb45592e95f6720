// Package sample gives the tests of the core setups to work on.
package sample

import (
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/setup"
)

// Lifter is of middle size.
var Lifter = setup.Lifter{Height: 1.75, BodyMass: 75}

// Ready is a ready setup for that lifter by its key.
func Ready(t testing.TB, key string) setup.Document {
	t.Helper()
	for _, r := range catalogue.All(&Lifter) {
		if r.Key == key {
			return r.Document
		}
	}
	t.Fatalf("no ready setup %s", key)
	return setup.Document{}
}
