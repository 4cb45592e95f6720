package edits_test

import (
	"slices"
	"strings"
	"testing"

	"dialarc/core/edits"
	"dialarc/core/internal/sample"
	"dialarc/core/setup"
)

// A plain part is set at its path and nothing else changes; what does not belong there is told at that path and changes nothing.
func TestSet(t *testing.T) {
	d := sample.Ready(t, "raise.dumbbell")
	for _, c := range []struct {
		path, value string
		holds       func(d *setup.Document) bool
	}{
		{"name", `"Monday"`, func(d *setup.Document) bool { return d.Name == "Monday" }},
		{"notes", `"  slow  "`, func(d *setup.Document) bool { return d.Notes == "slow" }},
		{"cues", `["", " elbows first ", ""]`, func(d *setup.Document) bool { return slices.Equal(d.Cues, []string{"elbows first"}) }},
		{"cues", `null`, func(d *setup.Document) bool { return d.Cues == nil }},
		{"scoring", `{"fit":70}`, func(d *setup.Document) bool { return *d.Scoring.Fit == 70 }},
		{"scoring", `{}`, func(d *setup.Document) bool { return d.Scoring == nil }},
		{"lifter.gripLimit", `350`, func(d *setup.Document) bool { return d.Lifter.GripLimit == 350 }},
		{"loads[0].worn", `true`, func(d *setup.Document) bool { return d.Loads[0].Worn }},
		{"target.profile", `"custom"`, func(d *setup.Document) bool { return len(d.Target.Custom) == 5 }},
		{"target.region", `"biceps"`, func(d *setup.Document) bool { return d.Target.Region == "biceps" && d.Target.Joint != "" }},
		{"posture.riser", `0.1`, func(d *setup.Document) bool { return d.Posture.Riser == 0.1 }},
	} {
		before := text(&d)
		got, problems := edits.Set(&d, c.path, c.value)
		if len(problems) > 0 || !c.holds(&got) || text(&d) != before {
			t.Errorf("%s to %s: %v", c.path, c.value, problems)
		}
	}
	for path, value := range map[string]string{"name": "7", "posture.riser": `"high"`, "loads[9].worn": "true", "tempo.up": "1",
		"loads[0].worn": "{"} {
		got, problems := edits.Set(&d, path, value)
		if len(problems) == 0 || text(&got) != text(&d) || !strings.HasPrefix(path, strings.TrimSuffix(problems[0].Path, ".worn")) {
			t.Errorf("%s to %s: %v", path, value, problems)
		}
	}
}

// A lock is one entry however often it is set, and goes when it is freed.
func TestLock(t *testing.T) {
	d := sample.Ready(t, "raise.dumbbell")
	for range 2 {
		d, _ = edits.Change(&d, "lock", "stance.out", 0)
	}
	if !slices.Equal(d.Locked, []string{"stance.out"}) {
		t.Errorf("%v", d.Locked)
	}
	if d, _ = edits.Change(&d, "unlock", "stance.out", 0); len(d.Locked) != 0 {
		t.Errorf("%v", d.Locked)
	}
}
