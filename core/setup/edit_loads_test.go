package setup_test

import (
	"slices"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/setup"
)

// Only what may be changed is multiplied, each kind where its weight is; the original stays.
func TestLoadsTimes(t *testing.T) {
	d := setup.Document{Loads: []setup.Load{
		{Kind: "dumbbell", Variable: true, Mass: 4}, {Kind: "bar", Variable: true, Mass: 20}, {Kind: "cable", Variable: true, StackMass: 10},
		{Kind: "strands", Variable: true, StackMass: 12}, {Kind: "cam", Variable: true, StackMass: 30}, {Kind: "lever", Variable: true, PlateMass: 20, LeverMass: 8},
		{Kind: "band", Variable: true, Section: 4e-5, Pull: []setup.BandPoint{{Length: 0.5, Force: 10}, {Length: 1, Force: 60}}}, {Kind: "dumbbell", Mass: 3}, {Kind: "ownBody", Variable: true},
	}}
	c := d.WithLoadsTimes(1.5)
	got := []float64{c.Loads[0].Mass, c.Loads[1].Mass, c.Loads[2].StackMass, c.Loads[3].StackMass, c.Loads[4].StackMass, c.Loads[5].PlateMass, c.Loads[5].LeverMass,
		1e5 * c.Loads[6].Section, c.Loads[6].Pull[1].Force, c.Loads[6].Pull[1].Length, c.Loads[7].Mass}
	for i, want := range []float64{6, 30, 15, 18, 45, 30, 8, 6, 90, 1, 3} {
		check.Near(t, "value", got[i], want, 1e-9)
	}
	if d.Loads[0].Mass != 4 || d.Loads[6].Pull[1].Force != 60 {
		t.Error("the document it was made from has changed")
	}
}

// Locks belong to loads: they go with them, and those of loads behind one that goes move up.
func TestLocksGoWithLoads(t *testing.T) {
	d := setup.Document{Loads: make([]setup.Load, 3), Locked: []string{"stance.out", "strap/0", "strap/1", "pulley.height/2"}}
	less, problems := d.WithoutLoad(1)
	if len(problems) > 0 || !slices.Equal(less.Locked, []string{"stance.out", "strap/0", "pulley.height/1"}) {
		t.Errorf("%v, %v", less.Locked, problems)
	}
	if !slices.Equal(d.Locked, []string{"stance.out", "strap/0", "strap/1", "pulley.height/2"}) {
		t.Errorf("the locks of the document it was made from: %v", d.Locked)
	}
	less.ShiftLocks(1, 1)
	if !slices.Equal(less.Locked, []string{"stance.out", "strap/0", "pulley.height/2"}) {
		t.Errorf("%v", less.Locked)
	}
	d.Schema, d.Locked = setup.Schema, make([]string, 201)
	if v := setup.Validate(&d); !slices.ContainsFunc(v, func(p setup.Problem) bool { return p.Path == "locked" }) {
		t.Error("201 locks are taken")
	}
}

// Documents of any kind are read strictly: what is wrong is told where.
func TestDecode(t *testing.T) {
	type note struct {
		Title string `json:"title"`
		Count int    `json:"count"`
	}
	if n, problems := setup.Decode[note]([]byte(`{"title":"x","count":2}`), "note", "1 kB"); len(problems) > 0 || n.Count != 2 {
		t.Errorf("%+v, %v", n, problems)
	}
	for text, c := range map[string][2]string{
		`{"title":1}`:    {"title", "number"},
		`{"titel":"x"}`:  {"titel", ""},
		`{"title":"x",}`: {"", "not JSON"},
		`{"title":"` + strings.Repeat("x", setup.MaxBytes) + `"}`: {"", "The note has"},
	} {
		_, problems := setup.Decode[note]([]byte(text), "note", "1 kB")
		if len(problems) == 0 || problems[0].Path != c[0] || !strings.Contains(problems[0].What, c[1]) {
			t.Errorf("%.40s: %v", text, problems)
		}
	}
}
