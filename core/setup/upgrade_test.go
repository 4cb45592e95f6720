package setup_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"testing"

	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Documents of version 1 open as what they say: the same as those of version 2 that were written by hand beside them, by whichever way they
// come in.
func TestVersionOneOpens(t *testing.T) {
	files, err := filepath.Glob("../testdata/v1/*.json")
	if err != nil || len(files) < 3 {
		t.Fatal(err, files)
	}
	for _, file := range files {
		old, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		now, err := os.ReadFile("../testdata/" + filepath.Base(file))
		if err != nil {
			t.Fatal(err)
		}
		want, problems := rules.Parse(now)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		got, problems := rules.Parse(old)
		if len(problems) > 0 || !reflect.DeepEqual(got, want) {
			t.Errorf("%s: %v\n%+v\n%+v", file, problems, got, want)
		}
		var stored setup.Document
		if err := json.Unmarshal(old, &stored); err != nil || !reflect.DeepEqual(stored, want) {
			t.Errorf("%s from the database: %v", file, err)
		}
		var again setup.Document
		if err := json.Unmarshal(setup.UpgradedText(old), &again); err != nil || !reflect.DeepEqual(again, want) {
			t.Errorf("%s as text: %v", file, err)
		}
	}
}

// Every word that changed is read.
func TestOldWords(t *testing.T) {
	old := `{"schema":"dialarc.setup/1","room":"r1","seen":["neck"],"target":{"school":"late"},
		"lifter":{"stature":1.8,"mass":80,"ranges":{"shoulder.plane":{"fromDeg":-20,"toDeg":100}}},
		"posture":{"held":["strap"],"handAt":{"x":1,"y":1,"z":0}},
		"movement":{"primary":"shoulder.plane","hold":{"shoulder.planeDeg":30},"keyframes":[{"s":0,"pose":{"shoulder.planeDeg":10}}]},
		"loads":[{"kind":"strands"},{"kind":"ownBody"},{"kind":"cam","coordinate":"shoulder.plane","kit":{"held":"cuff"}}]}`
	d, problems := setup.Read([]byte(old))
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	_, ranged := d.Lifter.Ranges["shoulder.planeOfElevation"]
	kinds := d.Loads[0].Kind == setup.Rope && d.Loads[1].Kind == setup.Bodyweight && d.Loads[2].Coordinate == "shoulder.planeOfElevation"
	if d.Gym != "r1" || d.Acknowledged[0] != "neck" || d.Target.Profile != "late" || d.Lifter.Height != 1.8 || d.Lifter.BodyMass != 80 ||
		!ranged ||
		d.Posture.Restraints[0] != "strap" || d.Posture.SupportHand.X != 1 || d.Movement.Primary != "shoulder.planeOfElevation" ||
		d.Movement.Hold["shoulder.planeOfElevationDeg"] != 30 || d.Movement.Keyframes[0].Pose["shoulder.planeOfElevationDeg"] != 10 || !kinds ||
		d.Loads[2].Kit.Attachment != "cuff" || d.Schema != setup.Schema {
		t.Errorf("%+v", d)
	}
	var l setup.Lifter
	if err := json.Unmarshal([]byte(`{"stature":1.8,"mass":80}`), &l); err != nil || l.Height != 1.8 || l.BodyMass != 80 {
		t.Errorf("%v, %+v", err, l)
	}
	if _, problems := setup.Read([]byte(strings.Replace(old, "setup/1", "setup/2", 1))); len(problems) == 0 {
		t.Error("old words are read in a document of the present version")
	}
	if list := string(setup.UpgradedText([]byte(`{"items":[{"body":{"stature":1.8,"mass":80}}],"note":"a<b"}`))); list != `{"items":[{"body":{"bodyMass":80,"height":1.8}}],"note":"a<b"}` {
		t.Errorf("within a list: %s", list)
	}
}
