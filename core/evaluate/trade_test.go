package evaluate_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// told says whether a report has a caution.
func told(r *report.Report, key string) bool {
	return slices.ContainsFunc(r.Cautions, func(c report.Caution) bool { return strings.HasPrefix(c.Key, key) })
}

// changed is the report of a ready exercise with something changed.
func changed(t *testing.T, key string, change func(*setup.Document)) *report.Report {
	t.Helper()
	d := ready(t, key)
	change(&d)
	return evaluated(t, &d)
}

func asItIs(*setup.Document) {}

// Every caution of the trade appears where it applies, and not where it does not. Common practice, no source.
func TestCautionsOfTheTrade(t *testing.T) {
	for _, c := range []struct {
		key, applies string
		with         func(*setup.Document)
		not          string
		without      func(*setup.Document)
	}{
		{"bar-fail", "press.bar.flat", asItIs, "press.bar.flat", func(d *setup.Document) { d.Loads[0].Catch = "arms" }},
		{"bar-fail", "squat.back", asItIs, "deadlift", asItIs},
		{"face", "pullover", asItIs, "press.bar.flat", asItIs},
		{"deep", "dip.leaning", asItIs, "press.dumbbell.incline", asItIs},
		{"knee-shear", "knee.extension", func(d *setup.Document) { d.Loads[0].StackMass *= 4 }, "squat.back",
			func(d *setup.Document) { d.Loads[0].Mass *= 2 }},
		{"side-bend", "raise.dumbbell", func(d *setup.Document) { d.Posture.Trunk.BendDeg = 15 }, "raise.dumbbell", asItIs},
		{"other-joint", "row.dumbbell.bench", func(d *setup.Document) {
			d.Lifter.Strength = []setup.StrengthTest{{Action: "elbow.flexion", AngleDeg: 90, Torque: 2},
				{Action: "elbow.extension", AngleDeg: 90, Torque: 2}}
		}, "row.dumbbell.bench", asItIs},
		{"band-face", "curl.dumbbell", func(d *setup.Document) { // from the floor in front, up past the face
			*d, _ = edits.WithLoadKind(d, 0, "band")
			d.Loads[0].Anchor, d.Loads[0].RestLength = &setup.Point{X: 0.6, Y: 0.05, Z: 0.2}, 0.5
		}, "fly.band.one", asItIs},
		{"column", "raise.behind.hand", func(d *setup.Document) {
			spec := setup.Column{LowestHole: 0.1, Spacing: 0.06, Holes: 30, Height: 2.1, HalfWidth: 0.05, Lightest: 2.5, Step: 2.5, Heaviest: 60,
				Mass: 10, Foot: 0.3}
			d.Loads[0].Kit.Spec = &spec
		}, "raise.behind.hand", func(d *setup.Document) {
			spec := setup.Column{LowestHole: 0.1, Spacing: 0.06, Holes: 30, Height: 2.1, HalfWidth: 0.05, Lightest: 2.5, Step: 2.5, Heaviest: 60,
				Mass: 400, Foot: 0.5}
			d.Loads[0].Kit.Spec = &spec
		}},
	} {
		if r := changed(t, c.applies, c.with); !told(r, c.key) {
			t.Errorf("%s is not told of %s: %+v", c.key, c.applies, r.Cautions)
		}
		if r := changed(t, c.not, c.without); told(r, c.key) {
			t.Errorf("%s is told of %s", c.key, c.not)
		}
	}
}

// What the low back holds is judged by torque, whatever the posture is called, for what the lifter has trained; hands, pads and the own
// thighs take their part. Numbers are this project's own.
func TestLowBackByTorque(t *testing.T) {
	heavy := func(kind string) *report.Report {
		return changed(t, "row.hinged", func(d *setup.Document) { d.Posture.Kind, d.Loads[0].Mass = kind, 90 })
	}
	if a, b := heavy("hinged"), heavy("standing"); !told(a, "low-back") || !told(b, "low-back") {
		t.Error("the same pose is judged by its name")
	}
	if r := changed(t, "squat.goblet", func(d *setup.Document) { d.Loads[0].Mass = 85 }); !told(r, "low-back") {
		t.Errorf("%.0f N·m in a squat are silent", slices.Max(r.Curves.LowBack))
	}
	light := changed(t, "raise.dumbbell.forward", func(d *setup.Document) { d.Loads[0].Mass = 0.5 })
	if told(light, "low-back") {
		t.Errorf("a hinge with half a kilogram cries wolf at %.0f N·m", slices.Max(light.Curves.LowBack))
	}
	novice := changed(t, "row.hinged", func(d *setup.Document) { d.Lifter.Training = "novice" })
	trained := changed(t, "row.hinged", func(d *setup.Document) { d.Lifter.Training = "trained" })
	if novice.Bearable.LowBack >= trained.Bearable.LowBack {
		t.Errorf("a novice bears %.0f, a trained lifter %.0f", novice.Bearable.LowBack, trained.Bearable.LowBack)
	}
	free := changed(t, "reverse.under", func(d *setup.Document) { d.Posture.Restraints = nil })
	on := changed(t, "reverse.under", asItIs)
	if !math.IsNaN(on.Curves.LowBack[0]) || slices.Max(free.Curves.LowBack) < 100 {
		t.Errorf("on the thighs %v, free %.0f N·m", on.Curves.LowBack[0], slices.Max(free.Curves.LowBack))
	}
	upright := ready(t, "reverse.under")
	upright.Posture.Trunk.PitchDeg = 20
	if _, problems := evaluate.Document(&upright); len(problems) == 0 || problems[0].Path != "posture.restraints" {
		t.Errorf("an upright trunk lies on the thighs: %v", problems)
	}
}

// Sets that are done everywhere ask nothing of the low back that has to be told: two thirds of what is deadlifted once, half of what is
// rowed bent over once; what is lifted once does (common practice, no source).
func TestEverydaySetsSpareTheLowBack(t *testing.T) {
	for _, training := range []string{"novice", "trained", "advanced"} {
		for _, sex := range []string{"male", "female"} {
			for key, share := range map[string]float64{"deadlift": 0.67, "deadlift.romanian": 0.67, "row.hinged": 0.5} {
				with := func(mass float64) *report.Report {
					return changed(t, key, func(d *setup.Document) {
						d.Lifter.Training, d.Lifter.Sex = training, sex
						if mass > 0 {
							d.Loads[0].Mass = mass
						}
					})
				}
				once := with(0).Limit.Kg.Or(0)
				if r := with(share * once); told(r, "low-back") {
					t.Errorf("%s, %s %s: %.0f of %.0f kg are told, %.0f of %.0f N·m", key, training, sex, share*once, once,
						slices.Max(r.Curves.LowBack), r.Bearable.LowBack)
				}
				if r := with(once); !told(r, "low-back") {
					t.Errorf("%s, %s %s: %.0f kg are silent, %.0f of %.0f N·m", key, training, sex, once, slices.Max(r.Curves.LowBack),
						r.Bearable.LowBack)
				}
			}
		}
	}
}

// A hand that holds on, a strap and a pad are told what they bear, against the grip and the lifter's weight.
func TestWhatHoldsTheLifterIsTold(t *testing.T) {
	brace := func(r *report.Report) report.Verdict {
		return r.Verdicts[slices.IndexFunc(r.Verdicts, func(v report.Verdict) bool { return v.Key == "stability" })]
	}
	pulled := changed(t, "curl.path", func(d *setup.Document) {
		d.Loads[0].StackMass *= 24
		d.Posture.SupportHand = &setup.Point{X: 0.75, Y: 1.2, Z: -0.35}
	})
	v := brace(pulled)
	if len(pulled.Bracing.Bears) != 1 || pulled.Bracing.Bears[0].Name != "hand" || pulled.Bracing.Bears[0].Force < pulled.Bearable.Grip ||
		v.Tone == "ok" || !strings.Contains(v.Text, "free hand has to hold") {
		t.Errorf("%+v: %s %q", pulled.Bracing.Bears, v.Tone, v.Text)
	}
	lying := changed(t, "leg.curl.lying", asItIs)
	for _, b := range lying.Bracing.Bears {
		if b.Name == "strap" && b.Force > b.Limit {
			t.Errorf("the strap over lying hips holds %.0f N", b.Force)
		}
	}
	// A plate for the feet holds a seated lifter who would else be drawn off the seat.
	off := changed(t, "row.cable", func(d *setup.Document) { d.Posture.Restraints = nil; d.Loads[0].StackMass *= 6 })
	on := changed(t, "row.cable", func(d *setup.Document) { d.Loads[0].StackMass *= 6 })
	if off.Bracing.Holds || !on.Bracing.Holds {
		t.Errorf("without a plate held %v, with one %v", off.Bracing.Holds, on.Bracing.Holds)
	}
	if text := brace(off).Text; strings.Contains(text, "soles") {
		t.Errorf("somebody who sits is told %q", text)
	}
}

// A block under the feet lifts a standing lifter by its height, and the weight stands on it.
func TestBlockUnderTheFeet(t *testing.T) {
	flat, raised := ready(t, "raise.dumbbell"), ready(t, "raise.dumbbell")
	raised.Posture.Riser = 0.2
	a, b := evaluated(t, &flat), evaluated(t, &raised)
	if up := b.Path.Joint[1] - a.Path.Joint[1]; math.Abs(up-0.2) > 1e-9 || !b.Bracing.Holds ||
		math.Abs(b.Bracing.Margin.OrNaN()-a.Bracing.Margin.OrNaN()) > 1e-6 {
		t.Errorf("%.3f m up, held %v, margin %v and %v", up, b.Bracing.Holds, a.Bracing.Margin, b.Bracing.Margin)
	}
	for _, c := range b.Bracing.Contacts {
		if strings.HasPrefix(c.Name, "foot") && math.Abs(c.At.Y-0.2) > 1e-9 {
			t.Errorf("%s at %.3f m", c.Name, c.At.Y)
		}
	}
}

// What hurts is told with the places of the path, and no search, sweep or mend goes there.
func TestWhatHurts(t *testing.T) {
	d := ready(t, "raise.dumbbell")
	d.Lifter.Ranges = map[string]setup.Range{"shoulder.elevation": {FromDeg: -10, ToDeg: 150, Pain: "a pinch",
		Hurts: []setup.Span{{FromDeg: 70, ToDeg: 80}}}}
	r := evaluated(t, &d)
	if !told(r, "pain") || len(r.Hurts) != 1 || len(r.Hurts[0].Places) != 1 || r.Hurts[0].Note != "a pinch" {
		t.Fatalf("%+v", r.Hurts)
	}
	last := float64(len(r.Curves.S) - 1)
	for end, deg := range map[float64]float64{r.Hurts[0].Places[0].FromS: 70, r.Hurts[0].Places[0].ToS: 80} {
		if at := r.Curves.AngleDeg[int(math.Round(end*last))]; math.Abs(at-deg) > 1 {
			t.Errorf("an end of it is at %.1f degrees, noted %.0f", at, deg)
		}
	}
	d.Movement.ToDeg = 65
	if r := evaluated(t, &d); told(r, "pain") || len(r.Hurts) > 0 {
		t.Errorf("short of it: %+v", r.Hurts)
	}
	d.Lifter.Ranges["shoulder.elevation"] = setup.Range{FromDeg: 0, ToDeg: 150, Hurts: []setup.Span{{FromDeg: 80, ToDeg: 70}}}
	if problems := rules.Validate(&d); len(problems) != 1 || problems[0].Path != "lifter.ranges.shoulder.elevation.hurts[0].toDeg" {
		t.Errorf("%v", problems)
	}
}

// Of movements of one joint the pull is judged by the plane of the path, of presses, rows and pulls by the forearm, of squats not at all:
// what another joint or the other hand carries is no fault. So most ready exercises are lined up.
func TestLineOfPullByWhatItIsFor(t *testing.T) {
	says := func(key string) string {
		for _, v := range changed(t, key, asItIs).Verdicts {
			if v.Key == "alignment" {
				return v.Text
			}
		}
		return ""
	}
	for key, want := range map[string]string{"press.flat": "forearm", "row.cable": "forearm", "dip.leaning": "forearm",
		"raise.dumbbell": "plane of movement",
		"pressdown.rope": "plane of movement", "squat.back": "", "rotation.out.cable": "", "pulldown.bar": "forearm"} {
		if got := says(key); !strings.Contains(got, want) || want == "" && got != "" {
			t.Errorf("of %s is said %q", key, got)
		}
	}
	look, all := 0, 0
	everyReady(t, 1.75, func(_ string, _ setup.Document, r *report.Report) {
		all++
		if report.Tones(r.Verdicts)["alignment"] == "warning" {
			look++
		}
	})
	if look > all/5 {
		t.Errorf("%d of %d exercises are not lined up", look, all)
	}
}
