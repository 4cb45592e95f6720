package edits_test

import (
	"encoding/json"
	"math"
	"reflect"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
	"dialarc/core/kit"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

var rooms = map[string]kit.Room{"large": kit.Large("Hall"), "corner": kit.Corner("Corner")}

// Fitting a fitted setup changes nothing, and a fitted setup is written and read without loss.
func TestFittingTwiceChangesNothing(t *testing.T) {
	for name, room := range rooms {
		for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
			once := edits.Fit(&r.Document, &room, "here")
			again := edits.Fit(&once.Document, &room, "here")
			if again.Anew || len(again.Changes) > 0 {
				t.Errorf("%s in the %s room changes again: %+v", r.Key, name, again.Changes)
			}
			raw, err := json.Marshal(once.Document)
			if err != nil {
				t.Fatal(err)
			}
			back, problems := rules.Parse(raw)
			if len(problems) > 0 || !reflect.DeepEqual(back, mustRead(t, once.Document)) {
				t.Errorf("%s in the %s room: %v", r.Key, name, problems)
			}
		}
	}
}

func mustRead(t *testing.T, d setup.Document) setup.Document {
	t.Helper()
	raw, err := json.Marshal(d)
	if err != nil {
		t.Fatal(err)
	}
	back, _ := setup.Read(raw)
	return back
}

// In the large room nothing is missing for any ready setup, whoever lifts, and each can be evaluated there.
func TestEveryReadySetupFitsTheLargeRoom(t *testing.T) {
	room := rooms["large"]
	for _, l := range []setup.Lifter{{Height: 1.58, BodyMass: 54}, {Height: 1.75, BodyMass: 75}, {Height: 1.93, BodyMass: 104}} {
		for _, r := range catalogue.All(&l) {
			f := edits.Fit(&r.Document, &room, "here")
			if len(f.Missing) > 0 {
				t.Errorf("%s at %v m: missing %+v", r.Key, l.Height, f.Missing)
			}
			if _, problems := evaluate.Document(&f.Document); len(problems) > 0 {
				t.Errorf("%s at %v m: %v", r.Key, l.Height, problems)
			}
		}
	}
}

// Worked by hand: a raise from hole 9 of the ready station (0.20 + 8 x 0.07 = 0.76 m up, columns 1.10 m apart, 10 kg on the pin, half
// at the hand) moves to a station with holes every 15 cm from 0.30 m, 0.90 m apart, a whole stack in steps of 4 from 3 kg. Nearest
// to 0.76 m is hole 4 at 0.75 m; half the distance is 0.45 m; 5 kg at the hand is nearest to pin 7 (3, 7, 11: 2 off) or 3 (2 off):
// of two that are as near the lighter.
func TestRefitWorkedByHand(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	d.Loads[0].StackMass = 10
	room := kit.Empty("Other")
	room.Stations = []kit.Station{{Key: "other", Name: "Old station", Columns: 2, Apart: 0.90, Ratio: 1, Friction: 0.12, ParkedGap: 0.02,
		Travel: 1.5,
		Column: setup.Column{LowestHole: 0.30, Spacing: 0.15, Holes: 12, Height: 2.2, HalfWidth: 0.04, Lightest: 3, Step: 4, Heaviest: 43}}}
	room.Holds = []kit.Hold{{Key: "h", Name: "Handle", Kind: "handle", Length: 0.12}}
	f := edits.Fit(&d, &room, "other-room")
	l := f.Document.Loads[0]
	check.Near(t, "height", l.Pulley.Y, 0.75, 1e-9)
	check.Near(t, "aside", l.Pulley.Z, -0.45, 1e-9)
	check.Near(t, "pin", l.StackMass, 3, 1e-9)
	check.Near(t, "ratio", l.Ratio, 1, 0)
	check.Near(t, "friction", l.Friction, 0.12, 0)
	check.Near(t, "handle", l.AttachmentLength, 0.12, 1e-9)
	if l.Kit.Station != "other" || l.Kit.Hole != 4 || l.Kit.Column != "left" || f.Document.Gym != "other-room" {
		t.Errorf("%+v in %q", l.Kit, f.Document.Gym)
	}
	if len(f.Changes) != 4 || len(f.Missing) != 0 {
		t.Errorf("hole, columns, pin and handle change: %+v, %+v", f.Changes, f.Missing)
	}
}

// A bench set to 40 degrees goes to the notch at 45, the third of four; what lay on its foot stays on it.
func TestBenchGoesToTheNearestNotch(t *testing.T) {
	d := sample.Ready(t, "curl.incline.45")
	d.Bench.AngleDeg, d.Bench.Mass = 40, setup.DefaultBenchMass+20
	room := kit.Empty("Other")
	room.Benches = []kit.Bench{{Key: "b", Name: "Bench", NotchesDeg: []float64{0, 30, 45, 60}, Height: 0.42, Mass: 25}}
	room.Weights = []kit.Weights{{Key: "d", Name: "Dumbbells", Kind: "dumbbells", Masses: []float64{5, 20}}}
	f := edits.Fit(&d, &room, "r")
	b := f.Document.Bench
	check.Near(t, "angle", b.AngleDeg, 45, 0)
	check.Near(t, "height", b.Height, 0.42, 0)
	check.Near(t, "mass", b.Mass, 45, 1e-9)
	check.Near(t, "dumbbell", f.Document.Loads[0].Mass, 5, 0)
	if v := f.Changes[0].Values; v["notch"].Value != 3 || v["from"].Value != 40 {
		t.Errorf("%+v", f.Changes[0])
	}
}

// What is not there is told, and what is there is fitted all the same.
func TestWhatIsMissingIsTold(t *testing.T) {
	corner := rooms["corner"]
	for key, want := range map[string]string{"raise.behind.hand": "two cable columns", "pressdown.rope": "no cable station",
		"lever.far":      "no lever machine",
		"knee.extension": "no machine with a pad"} {
		d := sample.Ready(t, key)
		f := edits.Fit(&d, &corner, "c")
		if len(f.Missing) == 0 || !strings.Contains(f.Missing[0].Text, want) {
			t.Errorf("%s: %+v", key, f.Missing)
		}
	}
	d := sample.Ready(t, "fly.flat")
	if f := edits.Fit(&d, &corner, "c"); len(f.Missing) > 0 || f.Document.Loads[0].Kit == nil {
		t.Errorf("a flat fly with dumbbells is possible in the corner: %+v", f.Missing)
	}
}

// When a bar's plates allow 10, 12.5 and 15 kg, 13 kg becomes 12.5; and the same kit with other numbers is followed.
func TestFollowsKitThatChanged(t *testing.T) {
	d := sample.Ready(t, "curl.bar")
	d.Loads[0].Mass = 13
	room := kit.Empty("Other")
	room.Weights = []kit.Weights{{Key: "bar", Name: "Bar", Kind: "bar", Bar: 10, Plates: []float64{1.25, 2.5}}}
	first := edits.Fit(&d, &room, "r")
	check.Near(t, "loaded", first.Document.Loads[0].Mass, 12.5, 0)
	if got := first.Document.Loads[0].Kit.Masses; !reflect.DeepEqual(got, []float64{10, 12.5, 15, 17.5}) {
		t.Errorf("loadable: %v", got)
	}
	room.Weights[0].Bar = 9
	now := edits.Fit(&first.Document, &room, "r")
	if !now.Anew || len(now.Changes) != 1 || math.Abs(now.Document.Loads[0].Mass-11.5) > 1e-9 {
		t.Errorf("9 kg and plates: 11.5 is as near to 12.5 as any: %+v, %v", now.Changes, now.Document.Loads[0].Mass)
	}
}

// In the corner the setups that it has everything for come without a lack, the others with one each; in any place nothing is
// missing and nothing changes. All of them name their position.
func TestReadySetupsOfARoom(t *testing.T) {
	corner := rooms["corner"]
	anywhere := edits.ReadyIn(&lifter, nil, "")
	here := edits.ReadyIn(&lifter, &corner, "c")
	if len(anywhere) != len(here) || len(here) == 0 {
		t.Fatalf("%d and %d", len(anywhere), len(here))
	}
	possible := 0
	for i, h := range here {
		if h.Key != anywhere[i].Key || h.Position == "" || len(anywhere[i].Missing)+len(anywhere[i].Changes) > 0 ||
			anywhere[i].Document.Gym != "" {
			t.Errorf("%+v", anywhere[i])
		}
		needsMore := false
		for _, n := range h.Needs {
			needsMore = needsMore || n == "cable" || n == "machine" || n == "bar" && h.Document.Movement.BarWidth > 0
		}
		if needsMore && len(h.Missing) == 0 {
			t.Errorf("%s needs %v, and nothing is missing in the corner", h.Key, h.Needs)
		}
		if len(h.Missing) == 0 {
			possible++
			if h.Document.Gym != "c" {
				t.Errorf("%s is fitted to %q", h.Key, h.Document.Gym)
			}
		}
	}
	if possible < 10 {
		t.Errorf("only %d setups are possible with bands, dumbbells and a bench", possible)
	}
}

// Fitting leaves the document that it was given as it was, down to what it remembers of its kit.
func TestFittingLeavesTheGivenDocument(t *testing.T) {
	large, corner := rooms["large"], rooms["corner"]
	d := sample.Ready(t, "curl.incline.45")
	d = edits.Fit(&d, &large, "a").Document
	before, err := json.Marshal(d)
	if err != nil {
		t.Fatal(err)
	}
	moved := edits.Fit(&d, &corner, "b").Document
	moved.Loads[0].Kit.Masses[0] = 99
	c := d.Clone()
	c.Loads[0].Kit.Masses[0], c.Bench.Kit.NotchesDeg[0] = 99, 99
	if after, _ := json.Marshal(d); string(after) != string(before) {
		t.Errorf("%s became %s", before, after)
	}
}
