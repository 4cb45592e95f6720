package setup_test

import (
	"reflect"
	"strings"
	"testing"

	"dialarc/core/setup"
)

// Every kind of load that the schema admits is known, and no other; what each says of itself holds together.
func TestKindsOfLoad(t *testing.T) {
	field, _ := reflect.TypeFor[setup.Load]().FieldByName("Kind")
	if admitted, known := field.Tag.Get("enum"), strings.Join(setup.Kinds(nil), ","); admitted != known {
		t.Errorf("the schema admits %s, known are %s", admitted, known)
	}
	for _, name := range setup.Kinds(nil) {
		k := setup.KindOf(setup.LoadKind(name))
		l := setup.Load{Kind: k.Name, Ratio: 1}
		if k.With == "" || k.Scale == nil || k.AtHand == nil || (k.Mass == nil) != (k.Counted == "") || k.Line != "" && k.From == "" {
			t.Errorf("%s: %+v", name, k)
		}
		if m := l.MassField(); m != nil {
			*m = 10
			k.Scale(&l, 0.5)
			if *m != 5 || k.AtHand(&l) != 5 {
				t.Errorf("half of 10 kg of %s is %v, at the hand %v", name, *m, k.AtHand(&l))
			}
		}
		if k.Simple {
			k.Complete(&l, 3, -0.5)
			if got := k.AtHand(&l); got < 2.999 || got > 3.001 || k.From != "" && l.Start() == nil {
				t.Errorf("%s completed to 3 kg pulls like %v, from %v", name, got, l.Start())
			}
		}
	}
	if made := (&setup.Load{Kind: "anvil"}); setup.KindOf("anvil") != nil || made.MassField() != nil || made.Start() != nil || made.Is().AtHand(made) != 0 {
		t.Error("an unknown kind is something")
	}
}
