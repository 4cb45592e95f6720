package load_test

import (
	"reflect"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/setup"
)

// Every kind of load that the schema admits is known, and no other; what each says of itself holds together.
func TestKindsOfLoad(t *testing.T) {
	field, _ := reflect.TypeFor[setup.Load]().FieldByName("Kind")
	if admitted, known := field.Tag.Get("enum"), strings.Join(load.Kinds(nil), ","); admitted != known {
		t.Errorf("the schema admits %s, known are %s", admitted, known)
	}
	for _, name := range load.Kinds(nil) {
		k := load.KindOf(setup.LoadKind(name))
		l := setup.Load{Kind: k.Name, Ratio: 1}
		if k.With == "" || k.Scale == nil || k.AtHand == nil || (k.Mass == nil) != (k.Counted == "") || k.Line != "" && k.From == "" {
			t.Errorf("%s: %+v", name, k)
		}
		if m := load.MassField(&l); m != nil {
			*m = 10
			k.Scale(&l, 0.5)
			if *m != 5 || k.AtHand(&l) != 5 {
				t.Errorf("half of 10 kg of %s is %v, at the hand %v", name, *m, k.AtHand(&l))
			}
		}
		if k.Simple {
			k.Complete(&l, 3, -0.5)
			if got := k.AtHand(&l); got < 2.999 || got > 3.001 || k.From != "" && load.Start(&l) == nil {
				t.Errorf("%s completed to 3 kg pulls like %v, from %v", name, got, load.Start(&l))
			}
		}
	}
	if made := (&setup.Load{Kind: "anvil"}); load.KindOf("anvil") != nil || load.MassField(made) != nil || load.Start(made) != nil ||
		load.Of(made).AtHand(made) != 0 {
		t.Error("an unknown kind is something")
	}
}

// Only what may be changed is multiplied, each kind where its weight is; the original stays.
func TestLoadsTimes(t *testing.T) {
	d := setup.Document{Loads: []setup.Load{
		{Kind: "dumbbell", Variable: true, Mass: 4}, {Kind: "bar", Variable: true, Mass: 20}, {Kind: "cable", Variable: true, StackMass: 10},
		{Kind: "rope", Variable: true, StackMass: 12}, {Kind: "cam", Variable: true, StackMass: 30},
		{Kind: "lever", Variable: true, PlateMass: 20, LeverMass: 8},
		{Kind: "band", Variable: true, Section: 4e-5, Pull: []setup.BandPoint{{Length: 0.5, Force: 10}, {Length: 1, Force: 60}}},
		{Kind: "dumbbell", Mass: 3}, {Kind: "bodyweight", Variable: true},
	}}
	c := load.Times(&d, 1.5)
	got := []float64{c.Loads[0].Mass, c.Loads[1].Mass, c.Loads[2].StackMass, c.Loads[3].StackMass, c.Loads[4].StackMass, c.Loads[5].PlateMass,
		c.Loads[5].LeverMass,
		1e5 * c.Loads[6].Section, c.Loads[6].Pull[1].Force, c.Loads[6].Pull[1].Length, c.Loads[7].Mass}
	for i, want := range []float64{6, 30, 15, 18, 45, 30, 8, 6, 90, 1, 3} {
		check.Near(t, "value", got[i], want, 1e-9)
	}
	if d.Loads[0].Mass != 4 || d.Loads[6].Pull[1].Force != 60 {
		t.Error("the document it was made from has changed")
	}
}
