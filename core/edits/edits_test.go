package edits_test

import (
	"encoding/json"
	"math"
	"strings"
	"testing"

	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/internal/sample"
	"dialarc/core/load"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

var lifter = sample.Lifter

func text(d *setup.Document) string {
	raw, _ := json.Marshal(d)
	return string(raw)
}

// Whatever is chosen from the lists gives a document that is valid by itself, and leaves the one that it was made from alone.
func TestEveryChoiceIsValid(t *testing.T) {
	for _, from := range []string{"raise.behind.hand", "raise.dumbbell", "fly.band.wide", "curl.preacher.cable", "raise.lying.wrist",
		"row.hinged"} {
		d := sample.Ready(t, from)
		before := text(&d)
		try := func(what, key string, index int) {
			c, problems := edits.Change(&d, what, key, index)
			if problems = append(problems, rules.Validate(&c)...); len(problems) > 0 {
				t.Errorf("%s, %s %s: %v", from, what, key, problems)
			}
		}
		choices := edits.ChoicesOf(&d)
		for _, p := range choices.Positions {
			try("position", p.Key, 0)
		}
		for _, w := range choices.Ways {
			if w.Key != "squat" && w.Key != "knee" { // whose loads are others
				try("way", w.Key, 0)
			}
		}
		for i, holds := range choices.Holds {
			for _, h := range holds {
				try("hold", h.Key, i)
			}
			try("copy", "", i)
			try("mirror", "", i)
		}
		for _, side := range []string{"left", "right", "both"} {
			try("side", side, 0)
		}
		if text(&d) != before {
			t.Errorf("%s was changed itself", from)
		}
	}
}

// A change of posture leaves the shoulders over the same place on the floor, the path, the loads and the target.
func TestPositionKeepsWhatApplies(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	for _, key := range []string{"seated", "supine", "kneeling", "seated/bench"} {
		c, _ := edits.WithPosition(&d, key)
		if edits.PositionOf(&c) != key {
			t.Errorf("%s became %s", key, edits.PositionOf(&c))
		}
		a, problems := new(evaluate.Evaluator).SceneAt(&d, 0)
		b, more := new(evaluate.Evaluator).SceneAt(&c, 0)
		if len(problems)+len(more) > 0 {
			t.Fatal(problems, more)
		}
		place := func(sc *report.Scene) (x, z float64) {
			for _, s := range sc.Segments {
				if s.Name == "upperArm.right" || s.Name == "upperArm.left" {
					x, z = x+s.Origin.X/2, z+s.Origin.Z/2
				}
			}
			return
		}
		ax, az := place(a)
		bx, bz := place(b)
		if math.Hypot(ax-bx, az-bz) > 0.002 {
			t.Errorf("%s: the shoulders went from %.3f, %.3f to %.3f, %.3f", key, ax, az, bx, bz)
		}
		if *c.Loads[0].Pulley != *d.Loads[0].Pulley || c.Movement.ToDeg != d.Movement.ToDeg || c.Target.Region != d.Target.Region {
			t.Errorf("%s lost something: %+v", key, c)
		}
	}
	if _, problems := edits.WithPosition(&d, "floating"); len(problems) == 0 || problems[0].Hint == "" {
		t.Errorf("floating is accepted: %v", problems)
	}
}

// The left side does what the right did: the same profile, from a pulley on the other side; and back again is where it was.
func TestSides(t *testing.T) {
	for _, key := range []string{"pulldown.kneeling", "curl.behind", "extension.across", "raise.leaning"} {
		d := sample.Ready(t, key)
		if d.Movement.Side == "both" {
			d.Movement.Side = "right"
		}
		left, _ := edits.WithSide(&d, "left")
		a, problems := evaluate.Document(&d)
		b, more := evaluate.Document(&left)
		if len(problems)+len(more) > 0 {
			t.Errorf("%s: %v %v", key, problems, more)
			continue
		}
		if left.Loads[0].Side != "left" || b.Lead != "left" {
			t.Errorf("%s: still %s", key, b.Lead)
		}
		for i := range a.Curves.Torque {
			if math.Abs(a.Curves.Torque[i]-b.Curves.Torque[i]) > 0.02*math.Abs(a.Curves.Torque[i])+0.05 { // places are kept in whole millimetres
				t.Errorf("%s at sample %d: %.3f right, %.3f left", key, i, a.Curves.Torque[i], b.Curves.Torque[i])
				break
			}
		}
		back, _ := edits.WithSide(&left, "right")
		if text(&back) != text(&d) {
			t.Errorf("%s does not come back:\n%s\n%s", key, text(&d), text(&back))
		}
	}
}

// A mirrored cable comes from the other side, and mirrored again from where it came.
func TestMirrored(t *testing.T) {
	d := sample.Ready(t, "raise.behind.hand")
	c, _ := edits.WithMirrored(&d, 0)
	if c.Loads[0].Pulley.Z != -d.Loads[0].Pulley.Z || c.Loads[0].Kit.Column == d.Loads[0].Kit.Column {
		t.Errorf("from %+v to %+v", d.Loads[0].Pulley, c.Loads[0].Pulley)
	}
	if back, _ := edits.WithMirrored(&c, 0); text(&back) != text(&d) {
		t.Error("it does not come back")
	}
	for _, bad := range []int{-1, 5} {
		if _, problems := edits.WithMirrored(&d, bad); len(problems) == 0 {
			t.Errorf("load %d was mirrored", bad)
		}
		if _, problems := edits.WithHold(&d, bad, "wrist"); len(problems) == 0 {
			t.Errorf("load %d was held", bad)
		}
	}
}

// From three answers comes a setup that can be evaluated for everybody, works its target's joint, and asks for a dozen
// repetitions or for little.
func TestBegin(t *testing.T) {
	stands := 0
	for _, l := range []setup.Lifter{{Height: 1.58, BodyMass: 52}, {Height: 1.92, BodyMass: 105}} {
		for _, region := range []string{"deltoid.middle", "deltoid.posterior", "pectoralis.sternal", "latissimus.lower", "trapezius.upper",
			"biceps", "triceps", "quadriceps"} {
			for _, kind := range []string{"dumbbell", "bar", "cable", "band"} {
				for _, position := range []string{"standing", "seated", "supine"} {
					d, problems := edits.Begin(&l, region, kind, position)
					if region == "quadriceps" && position == "supine" {
						if len(problems) == 0 || problems[0].Hint == "" {
							t.Error("legs begin lying down")
						}
						continue
					}
					if len(problems) > 0 {
						t.Errorf("%s %s %s: %v", region, kind, position, problems)
						continue
					}
					r, problems := evaluate.Document(&d)
					if len(problems) > 0 {
						t.Errorf("%s %s %s: %v", region, kind, position, problems)
						continue
					}
					if r.Profile.PeakEffort.Or(0) > 0.85 || edits.PositionOf(&d) != position || string(d.Loads[0].Kind) != kind ||
						d.Target.Region != region {
						t.Errorf("%s %s %s: effort %v in %s", region, kind, position, r.Profile.PeakEffort, edits.PositionOf(&d))
					}
					if r.Bracing.Holds {
						stands++
					}
				}
			}
		}
	}
	if stands < 145 {
		t.Errorf("only %d of 184 stand", stands)
	}
	if _, problems := edits.Begin(&lifter, "obliques", "cable", "standing"); len(problems) == 0 || problems[0].Hint == "" {
		t.Error("the obliques have a path")
	}
}

// Everything that is offered to begin with begins, is named after the answers, and has whole centimetres.
func TestEveryBeginningBegins(t *testing.T) {
	count := 0
	for _, b := range edits.Beginnings(&lifter) {
		for _, k := range b.Kinds {
			for _, p := range k.Positions {
				count++
				d, problems := edits.Begin(&lifter, b.Region.Key, k.Kind, p.Key)
				if len(problems) > 0 {
					t.Errorf("%s %s %s: %v", b.Region.Key, k.Kind, p.Key, problems)
					continue
				}
				if !strings.HasPrefix(d.Name, b.Region.Label+", ") || !strings.HasSuffix(d.Name, strings.ToLower(p.Label)) {
					t.Errorf("%s %s %s is called %q", b.Region.Key, k.Kind, p.Key, d.Name)
				}
				if at := load.Start(&d.Loads[0]); at != nil && k.Kind != "machine" && math.Abs(100*at.Y-math.Round(100*at.Y)) > 1e-6 {
					t.Errorf("%s %s %s: from %v", b.Region.Key, k.Kind, p.Key, *at)
				}
			}
		}
	}
	if count < 300 {
		t.Errorf("only %d are offered", count)
	}
}

// Machines that are known are begun with in their posture; others are told.
func TestBeginOnAMachine(t *testing.T) {
	for region, position := range map[string]string{"latissimus.lower": "seated", "quadriceps": "seated/bench"} {
		d, problems := edits.Begin(&lifter, region, "machine", position)
		if len(problems) > 0 {
			t.Errorf("%s: %v", region, problems)
			continue
		}
		r, problems := evaluate.Document(&d)
		if len(problems) > 0 || d.Target.Region != region || !r.Profile.PeakEffort.Known() || r.Profile.PeakEffort.OrNaN() > 0.85 {
			t.Errorf("%s: %v, effort %v", region, problems, r.Profile.PeakEffort)
		}
	}
	for region, position := range map[string]string{"latissimus.lower": "supine", "deltoid.middle": "standing"} {
		if _, problems := edits.Begin(&lifter, region, "machine", position); len(problems) == 0 || problems[0].Hint == "" {
			t.Errorf("%s %s is begun with", region, position)
		}
	}
}

// A bar is called one where the hands are wide apart or it lies on the trunk, not a weight held between both hands.
func TestBarbellsAreToldFromOneWeight(t *testing.T) {
	for key, want := range map[string]bool{"press.bar.flat": true, "curl.bar": true, "squat.back": true, "squat.goblet": false, "pullover": false,
		"crunch.plate": false} {
		d := sample.Ready(t, key)
		if got := edits.ChoicesOf(&d).Barbells[0]; got != want {
			t.Errorf("%s: a barbell %v", key, got)
		}
	}
}
