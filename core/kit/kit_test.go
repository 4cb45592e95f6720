package kit_test

import (
	"encoding/json"
	"reflect"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/kit"
	"dialarc/core/setup"
)

func TestReadyRoomsAreSound(t *testing.T) {
	for _, r := range []kit.Room{kit.Large("Hall"), kit.Corner("Corner"), kit.Empty("Nothing")} {
		raw, err := json.Marshal(r)
		if err != nil {
			t.Fatal(err)
		}
		back, problems := kit.Parse(raw)
		if len(problems) > 0 || !reflect.DeepEqual(back, r) {
			t.Errorf("%s: %v", r.Name, problems)
		}
	}
}

// Every kind of nonsense is told at its own path.
func TestBadRooms(t *testing.T) {
	for _, c := range []struct {
		path, what string
		spoil      func(r *kit.Room)
	}{
		{"schema", "dialarc.room/0", func(r *kit.Room) { r.Schema = "dialarc.room/0" }},
		{"name", "no name", func(r *kit.Room) { r.Name = "" }},
		{"stations[0].column.spacing", "distance between holes", func(r *kit.Room) { r.Stations[0].Column.Spacing = 0 }},
		{"stations[0].column.holes", "Hole 40 would be 2.93 m up", func(r *kit.Room) { r.Stations[0].Column.Holes = 40 }},
		{"stations[0].column.holes", "number of holes is 0", func(r *kit.Room) { r.Stations[0].Column.Holes = 0 }},
		{"stations[0].column.heaviest", "no pin is at 81 kg", func(r *kit.Room) { r.Stations[0].Column.Heaviest = 81 }},
		{"stations[0].column.heaviest", "lighter than the lightest", func(r *kit.Room) { r.Stations[0].Column.Heaviest = 2.5 }},
		{"stations[0].apart", "distance between the columns is -1 m", func(r *kit.Room) { r.Stations[0].Apart = -1 }},
		{"stations[1].columns", "3 columns", func(r *kit.Room) { r.Stations[1].Columns = 3 }},
		{"stations[1].key", "there twice", func(r *kit.Room) { r.Stations[1].Key = kit.TwinColumn }},
		{"benches[1].name", "no name", func(r *kit.Room) { r.Benches[1].Name = "" }},
		{"benches[0].notchesDeg[2]", "does not come after", func(r *kit.Room) { r.Benches[0].NotchesDeg = []float64{0, 30, 15} }},
		{"benches[0].backLength", "back rest is 3 m", func(r *kit.Room) { r.Benches[0].BackLength = 3 }},
		{"benches[0].width", "pads is -1 m", func(r *kit.Room) { r.Benches[0].Width = -1 }},
		{"benches[0].notchesDeg", "0 notches", func(r *kit.Room) { r.Benches[0].NotchesDeg = nil }},
		{"weights[0].masses[1]", "does not come after", func(r *kit.Room) { r.Weights[0].Masses = []float64{2, 2} }},
		{"weights[2].plates[0]", "plate is -5 kg", func(r *kit.Room) { r.Weights[2].Plates = []float64{-5} }},
		{"bands[0].restLength", "length at rest is -1 m", func(r *kit.Room) { r.Bands[0].RestLength = -1 }},
		{"bands[0].pull[2]", "pulls less", func(r *kit.Room) {
			r.Bands[0].Pull = []setup.BandPoint{{Length: 1, Force: 0}, {Length: 1.5, Force: 40}, {Length: 2, Force: 35}}
		}},
		{"bands[0].pull[1]", "not longer", func(r *kit.Room) {
			r.Bands[0].Pull = []setup.BandPoint{{Length: 1.5, Force: 0}, {Length: 1.2, Force: 40}}
		}},
		{"bands[0].section", "section of a strand", func(r *kit.Room) { r.Bands[0].Section = 0 }},
		{"anchors[0].to", "below the lowest", func(r *kit.Room) { r.Anchors[0].From, r.Anchors[0].To = 2, 1 }},
		{"holds[3].length", "length is 0 m", func(r *kit.Room) { r.Holds[3].Length = 0 }},
		{"cams[0].table", "known at 1 angles", func(r *kit.Room) { r.Cams[0].Table = r.Cams[0].Table[:1] }},
		{"cams[0].table[1].angleDeg", "does not come after", func(r *kit.Room) { r.Cams[0].Table[1].AngleDeg = 0 }},
		{"cams[0].padTo", "nearer than its nearest", func(r *kit.Room) { r.Cams[0].PadTo = 0.1 }},
		{"levers[0].seatTo", "below the lowest", func(r *kit.Room) { r.Levers[0].SeatTo = 0.2 }},
		{"supports[0].kind", `kind of support is "rope"`, func(r *kit.Room) { r.Supports[0].Kind = "rope" }},
	} {
		r := kit.Large("Hall")
		c.spoil(&r)
		problems := kit.Validate(&r)
		if len(problems) != 1 || problems[0].Path != c.path || !strings.Contains(problems[0].What, c.what) {
			t.Errorf("wanted %q at %s: %v", c.what, c.path, problems)
		}
	}
}

func TestUnknownFieldsAndWrongTypesAreTold(t *testing.T) {
	_, problems := kit.Parse([]byte(`{"schema":"dialarc.room/1","name":"x","stations":[{"key":"a","colour":1,"column":{"holes":2.5}}]}`))
	want := []string{"stations[0].colour", "stations[0].column.holes"}
	if len(problems) != 2 {
		t.Fatalf("%v", problems)
	}
	for i, p := range problems {
		if p.Path+"" != want[1-i] && p.Path != want[i] {
			t.Errorf("%v", p)
		}
	}
}

// The machines of a gym that an earlier version wrote turn with the coordinate that they named.
func TestMachinesOfEarlierVersions(t *testing.T) {
	var c kit.Cam
	if err := json.Unmarshal([]byte(`{"key":"fly","coordinate":"shoulder.plane","padTo":0.4}`), &c); err != nil ||
		c.Coordinate != "shoulder.planeOfElevation" || c.PadTo != 0.4 {
		t.Errorf("%v, %+v", err, c)
	}
}

// A bar of 10 kg with one pair of 1.25 and two pairs of 5 kg plates, by hand.
func TestLoadable(t *testing.T) {
	bar := kit.Weights{Kind: "bar", Bar: 10, Plates: []float64{5, 1.25, 5}}
	if got, want := bar.Loadable(), []float64{10, 12.5, 20, 22.5, 30, 32.5}; !reflect.DeepEqual(got, want) {
		t.Errorf("bar: %v, not %v", got, want)
	}
	lever := kit.Lever{Plates: []float64{2.5, 10}}
	if got, want := lever.Loadable(), []float64{0, 2.5, 10, 12.5}; !reflect.DeepEqual(got, want) {
		t.Errorf("lever: %v, not %v", got, want)
	}
	pins := kit.PinsOf(&setup.Column{Lightest: 2.5, Step: 1.25, Heaviest: 6.25})
	if want := []float64{2.5, 3.75, 5, 6.25}; !reflect.DeepEqual(pins, want) {
		t.Errorf("pins: %v, not %v", pins, want)
	}
}

func TestNearest(t *testing.T) {
	list := []float64{2, 4, 8}
	for x, want := range map[float64]int{-1: 0, 3: 0, 3.1: 1, 6: 1, 6.1: 2, 100: 2} {
		if v, i := kit.Nearest(list, x); i != want || v != list[want] {
			t.Errorf("nearest to %v is %v at %d", x, v, i)
		}
	}
	if _, i := kit.Nearest(nil, 1); i != -1 {
		t.Error("nothing is near in an empty list")
	}
}

// Between two measurements the pull is on the line between them; beyond the last it goes on along it. By hand.
func TestPullAtDouble(t *testing.T) {
	b := kit.Band{RestLength: 0.5, Strands: 2, Pull: []setup.BandPoint{{Length: 0.5, Force: 0}, {Length: 0.9, Force: 40},
		{Length: 1.1, Force: 50}}}
	check.Near(t, "both strands at 1 m", b.PullAtDouble(), 90, 1e-9)
	b.Pull = b.Pull[:2]
	check.Near(t, "beyond the last", b.PullAtDouble(), 100, 1e-9)
	b.Pull, b.Section = nil, 1e-4
	check.Near(t, "by the law", b.PullAtDouble(), 2e-4*kit.RubberAtDouble, 1e-9)
}
