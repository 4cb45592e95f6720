package dialin_test

import (
	"encoding/json"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/dialin"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Settings are asked for documents with problems too, so that they can be mended: of any part that is missing there is no dial, and no
// panic.
func TestSettingsOfUnsoundDocuments(t *testing.T) {
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		raw, err := json.Marshal(r.Document)
		if err != nil {
			t.Fatal(err)
		}
		var whole map[string]any
		if err := json.Unmarshal(raw, &whole); err != nil {
			t.Fatal(err)
		}
		for _, spoil := range []string{"pulley", "anchor", "pivot", "contact", "guide", "keyframes", "hold", "bench", "posture", "movement",
			"loads", "kit", "cam", "pull", "lifter", "target"} {
			var c map[string]any
			if err := json.Unmarshal(raw, &c); err != nil {
				t.Fatal(err)
			}
			without(c, spoil)
			part, err := json.Marshal(c)
			if err != nil {
				t.Fatal(err)
			}
			var d setup.Document
			if err := json.Unmarshal(part, &d); err != nil {
				t.Fatal(err)
			}
			for _, s := range dialin.Settings(&d) {
				if !strings.Contains(s.Key, "room") {
					if _, problems := dialin.Apply(&d, s.Key, s.Value); len(problems) > 0 && len(rules.Validate(&d)) == 0 {
						t.Errorf("%s without %s: %s cannot be set to what it is: %v", r.Key, spoil, s.Key, problems)
					}
				}
			}
		}
	}
}

// without takes every field of a name out of a document.
func without(v any, name string) {
	switch x := v.(type) {
	case map[string]any:
		delete(x, name)
		for _, y := range x {
			without(y, name)
		}
	case []any:
		for _, y := range x {
			without(y, name)
		}
	}
}
