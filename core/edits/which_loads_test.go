package edits_test

import (
	"slices"
	"testing"

	"dialarc/core/edits"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Locks belong to loads: they go with them, and those of loads behind one that goes move up.
func TestLocksGoWithLoads(t *testing.T) {
	d := setup.Document{Loads: make([]setup.Load, 3), Locked: []string{"stance.out", "strap/0", "strap/1", "pulley.height/2"}}
	less, problems := edits.WithoutLoad(&d, 1)
	if len(problems) > 0 || !slices.Equal(less.Locked, []string{"stance.out", "strap/0", "pulley.height/1"}) {
		t.Errorf("%v, %v", less.Locked, problems)
	}
	if !slices.Equal(d.Locked, []string{"stance.out", "strap/0", "strap/1", "pulley.height/2"}) {
		t.Errorf("the locks of the document it was made from: %v", d.Locked)
	}
	for i := range less.Loads {
		less.Loads[i] = setup.Load{ID: string(rune('a' + i)), Kind: setup.Dumbbell}
	}
	more, problems := edits.WithCopy(&less, 0)
	if len(problems) > 0 || !slices.Equal(more.Locked, []string{"stance.out", "strap/0", "pulley.height/2"}) {
		t.Errorf("%v, %v", more.Locked, problems)
	}
	d.Schema, d.Locked = setup.Schema, make([]string, 201)
	if v := rules.Validate(&d); !slices.ContainsFunc(v, func(p setup.Problem) bool { return p.Path == "locked" }) {
		t.Error("201 locks are taken")
	}
}
