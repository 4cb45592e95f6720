package edits_test

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/internal/sample"
	"dialarc/core/setup"
)

// A path that is taken down pose by pose is the same movement: the torque's peak stays within 3 %, and where it is within 6 degrees, for
// every exercise whose path is not one of poses.
func TestPosesAreTheSamePath(t *testing.T) {
	count := 0
	for _, r := range catalogue.All(&sample.Lifter) {
		d := r.Document
		if d.Movement.Kind == "keyframes" {
			continue
		}
		posed, problems := edits.Change(&d, "poses", "", 0)
		if led := d.Movement.InLine != "" || d.Loads[0].HandleRadius > 0 || strings.HasPrefix(r.Key, "pushup"); led || d.Movement.Kind == "hold" {
			if len(problems) != 1 {
				t.Errorf("%s, which something else leads: %v", r.Key, problems)
			}
			continue
		}
		if len(problems) > 0 {
			t.Errorf("%s: %v", r.Key, problems)
			continue
		}
		before, _ := evaluate.Document(&d)
		after, problems := evaluate.Document(&posed)
		if len(problems) > 0 {
			t.Errorf("%s: %v", r.Key, problems)
			continue
		}
		count++
		was, is := before.Profile.Total, after.Profile.Total
		if math.Abs(is.Peak.OrNaN()/was.Peak.OrNaN()-1) > 0.03 {
			t.Errorf("%s: the peak of %.1f became %.1f", r.Key, was.Peak.OrNaN(), is.Peak.OrNaN())
		}
	}
	if count < 30 {
		t.Errorf("only %d paths were looked at", count)
	}
}

// Poses are added where the path is, moved between their neighbours, dropped, and turned; the ends stay; nothing else changes.
func TestPoses(t *testing.T) {
	d, problems := edits.Change(new(sample.Ready(t, "raise.dumbbell")), "poses", "", 0)
	if len(problems) > 0 || len(d.Movement.Keyframes) != 7 || d.Movement.Keyframes[3].Pose["shoulder.elevationDeg"] < 30 {
		t.Fatalf("%v, %+v", problems, d.Movement.Keyframes)
	}
	more, problems := edits.WithPose(&d, 0, "add", 0.4)
	if len(problems) > 0 || len(more.Movement.Keyframes) != 8 || more.Movement.Keyframes[3].S != 0.4 {
		t.Fatalf("%v, %+v", problems, more.Movement.Keyframes)
	}
	between := more.Movement.Keyframes[3].Pose["shoulder.elevationDeg"]
	if low, high := d.Movement.Keyframes[2].Pose["shoulder.elevationDeg"],
		d.Movement.Keyframes[3].Pose["shoulder.elevationDeg"]; between <= low || between >= high {
		t.Errorf("between %v and %v it adds %v", low, high, between)
	}
	moved, problems := edits.WithPose(&more, 3, "s", 0.35)
	if len(problems) > 0 || moved.Movement.Keyframes[3].S != 0.35 {
		t.Errorf("%v, %+v", problems, moved.Movement.Keyframes)
	}
	bent, problems := edits.WithPose(&more, 3, "elbow.flexionDeg", 30)
	if len(problems) > 0 || bent.Movement.Keyframes[3].Pose["elbow.flexionDeg"] != 30 ||
		len(bent.Movement.Keyframes[0].Pose) != len(bent.Movement.Keyframes[3].Pose) {
		t.Errorf("%v, %+v", problems, bent.Movement.Keyframes)
	}
	if _, problems := evaluate.Document(&bent); len(problems) > 0 {
		t.Errorf("bent: %v", problems)
	}
	fewer, problems := edits.WithPose(&more, 3, "drop", 0)
	if len(problems) > 0 || text(&fewer) != text(&d) {
		t.Errorf("%v: %s", problems, text(&fewer))
	}
	for what, c := range map[string]struct {
		index int
		value float64
	}{"drop": {0, 0}, "s": {2, 0.9}, "add": {0, 0.5}, "elbow.bend": {1, 3}, "elbow.flexionDeg": {9, 3},
		"shoulder.elevationDeg": {1, math.NaN()}} {
		if got, problems := edits.WithPose(&d, c.index, what, c.value); len(problems) != 1 || text(&got) != text(&d) {
			t.Errorf("%s of pose %d: %v", what, c.index, problems)
		}
	}
	held := setup.Document{Movement: setup.Movement{Kind: "hold"}}
	if _, problems := edits.Change(&held, "poses", "", 0); len(problems) == 0 {
		t.Error("a hold became a path")
	}
}
