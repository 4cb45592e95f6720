package muscle

import (
	"encoding/json"
	"os"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// reference is the lifter of the table.
func reference() body.Body {
	return body.New(&setup.Lifter{Height: 1.75, BodyMass: 75, Lengths: map[string]float64{"upperArm": 0.326, "forearm": 0.256}})
}

// linesOf are all lines of one arm of a lifter by their keys, by a table; a row in strips gives one line for each.
func linesOf(t *table, b *body.Body) map[string]*line {
	out := map[string]*line{}
	for i := range t.Regions {
		for _, l := range scaledLines(&t.Regions[i], b) {
			out[l.key] = l
		}
	}
	return out
}

// Lengths, normalised lengths and moment arms of every line in fourteen poses, as they were computed by another program that was
// written apart from this one, for the table that this one began with.
func TestPosesOfAnotherProgram(t *testing.T) {
	raw, err := os.ReadFile("testdata/poses.json")
	if err != nil {
		t.Fatal(err)
	}
	var poses []struct {
		Pose    map[string]float64
		Regions map[string]struct {
			Length, Norm  float64
			GH, SC, Elbow *triple
		}
	}
	if err := json.Unmarshal(raw, &poses); err != nil {
		t.Fatal(err)
	}
	earlier, err := os.ReadFile("testdata/earlier-table.json")
	if err != nil {
		t.Fatal(err)
	}
	old := readTable(earlier)
	b := reference()
	lines := linesOf(&old, &b)
	for _, c := range poses {
		q := body.Pose{setup.ShoulderPlane: space.Rad(c.Pose["p"]), setup.ShoulderElevation: space.Rad(c.Pose["e"]),
			setup.ShoulderRotation: space.Rad(c.Pose["r"]),
			setup.ElbowFlexion:     space.Rad(c.Pose["f"]), setup.GirdleProtraction: space.Rad(c.Pose["pro"]),
			setup.GirdleElevation: space.Rad(c.Pose["ele"])}
		var a arm
		a.place(&b, &q)
		for key, want := range c.Regions {
			l := lines[key]
			if l == nil {
				t.Fatalf("no line %s", key)
			}
			got := l.lay(&a)
			check.Near(t, key+" length", got.length, want.Length, 2e-5)
			check.Near(t, key+" normalised", l.normalised(got.length), want.Norm, 1.5e-3)
			for name, pair := range map[string]struct {
				want *triple
				got  space.Vec
			}{"shoulder": {want.GH, got.about[atShoulder]}, "girdle": {want.SC, got.about[atGirdle]}, "elbow": {want.Elbow, got.about[atElbow]}} {
				if pair.want == nil {
					continue
				}
				w := pair.want.vec()
				if d := space.Norm(space.Vec{X: w.X - pair.got.X, Y: w.Y - pair.got.Y, Z: w.Z - pair.got.Z}); d > 3e-5 {
					t.Errorf("%v: %s about the %s: %v, want %v", c.Pose, key, name, pair.got, w)
				}
			}
		}
	}
}
