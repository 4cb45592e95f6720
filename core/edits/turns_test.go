package edits_test

import (
	"testing"

	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/internal/sample"
)

// The upper arm turns in each way that is offered, each evaluates and comes back, and in line with a cable the forearm is in line with it.
func TestTurns(t *testing.T) {
	d, problems := edits.Change(new(sample.Ready(t, "fly.cable")), "poses", "", 0)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	choices := edits.ChoicesOf(&d)
	if len(choices.Turns) < 4 {
		t.Fatalf("%+v", choices.Turns)
	}
	for _, way := range choices.Turns {
		c, problems := edits.Change(&d, "turn", way.Key, 0)
		if len(problems) > 0 || edits.ChoicesOf(&c).Turn != way.Key {
			t.Errorf("%s: %v, it is %s", way.Key, problems, edits.ChoicesOf(&c).Turn)
			continue
		}
		if _, problems := evaluate.Document(&c); len(problems) > 0 {
			t.Errorf("%s: %v", way.Key, problems)
		}
	}
	if _, problems := edits.Change(new(sample.Ready(t, "curl.dumbbell")), "turn", "noSpin", 0); len(problems) == 0 {
		t.Error("an upper arm that stays still was told how to turn")
	}
}

// A hand that is led in one pose gets there in that pose, within the tenth of a degree to which poses are kept, and the others stay.
func TestPoseLed(t *testing.T) {
	d, problems := edits.Change(new(sample.Ready(t, "raise.dumbbell")), "poses", "", 0)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	var e evaluate.Evaluator
	s := d.Movement.Keyframes[3].S
	scene, problems := e.SceneAt(&d, s)
	if len(problems) > 0 || len(scene.Arm) != 2 || scene.Arm[1].By != "hand" {
		t.Fatalf("%v, %+v", problems, scene)
	}
	hand := scene.Arm[1].At
	led, problems := edits.WithPoseLed(&d, 3, "hand", hand.X+0.08, hand.Y+0.05, hand.Z-0.05)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	after, _ := e.SceneAt(&led, s)
	is := after.Arm[1].At
	if dx, dy, dz := is.X-hand.X-0.08, is.Y-hand.Y-0.05, is.Z-hand.Z+0.05; dx*dx+dy*dy+dz*dz > 0.002*0.002 {
		t.Errorf("the hand is off by %.4f, %.4f, %.4f m", dx, dy, dz)
	}
	was, _ := e.SceneAt(&d, 1)
	end, _ := e.SceneAt(&led, 1)
	if was.Arm[1] != end.Arm[1] {
		t.Errorf("the last pose moved from %v to %v", was.Arm[1], end.Arm[1])
	}
	for name, bad := range map[string]func() int{
		"no such pose": func() int { _, p := edits.WithPoseLed(&d, 9, "hand", 0, 1, 0); return len(p) },
		"by the knee":  func() int { _, p := edits.WithPoseLed(&d, 1, "knee", 0, 1, 0); return len(p) },
		"far away":     func() int { _, p := edits.WithPoseLed(&d, 1, "hand", 1e9, 1, 0); return len(p) },
	} {
		if bad() == 0 {
			t.Errorf("%s was taken", name)
		}
	}
}
