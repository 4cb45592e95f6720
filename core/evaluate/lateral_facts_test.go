package evaluate_test

import (
	"math"
	"testing"

	"dialarc/core/report"
	"dialarc/core/setup"
)

// elbowOf is the elbow's torque along the path, N·m.
func elbowOf(t *testing.T, r *report.Report) report.Curve {
	t.Helper()
	for i := range r.Joints {
		if r.Joints[i].Joint == "elbow" {
			return r.Joints[i].Torque
		}
	}
	t.Fatal("no elbow")
	return nil
}

// In a bench press the hands push outward on the bar as it rises, with about a quarter of what they hold (Duffey & Challis 2011, J Strength
// Cond Res 25:2442, from memory), and the triceps work to lock-out (common practice, no source). The hardest place is near the chest
// (Elliott, Wilson & Kerr 1989, Med Sci Sports Exerc 21:450, from memory: the sticking region is in the lower half).
func TestHandsPushOutwardOnABar(t *testing.T) {
	d := ready(t, "press.bar.flat")
	r := evaluated(t, &d)
	top := len(r.Curves.Lateral) - 1
	held := d.Loads[0].Mass * 9.80665 / 2
	if share := r.Curves.Lateral[top] / held; share < 0.15 || share > 0.35 {
		t.Errorf("at lock-out %.2f of the weight go outward", share)
	}
	for i, x := range elbowOf(t, r) {
		if x < 5 {
			t.Errorf("at sample %d the elbow has %.1f N·m left", i, x)
		}
	}
	if first, last := r.Curves.Torque[0], r.Curves.Torque[top]; last > 0.6*first {
		t.Errorf("hardest off the chest: %.0f N·m there, %.0f at the top", first, last)
	}
}

// Who hangs on long arms from a wide grip needs no muscle that draws the arms in: the pull runs along the arms (common practice, no
// source). With hands that only pull down it would be the weight times how far they are out.
func TestAWideDeadHangRestsOnTheArms(t *testing.T) {
	d := ready(t, "pullup")
	d.Movement = setup.Movement{Kind: "hold", Side: "both", Hold: map[string]float64{"shoulder.elevationDeg": 150,
		"shoulder.planeOfElevationDeg": 0, "elbow.flexionDeg": 3}}
	r := evaluated(t, &d)
	if size, down := r.Curves.Size[0], r.Curves.Grip[0]*0.3; size > 0.1*down || r.Curves.Lateral[0] > -0.3*r.Curves.Grip[0] {
		t.Errorf("%.1f N·m, straight down about %.0f; %.0f of %.0f N go outward", size, down, r.Curves.Lateral[0], r.Curves.Grip[0])
	}
}

// A pull-up works latissimus and the elbow's flexors hard, the infraspinatus and the chest along with them (Youdas et
// al. 2010, J Strength Cond Res 24:3404, from memory). Who can do some ten adds about a third of the body mass once (common practice, no
// source).
func TestPullUpIsForLatsAndElbowFlexors(t *testing.T) {
	d := ready(t, "pullup.weighted")
	r := evaluated(t, &d)
	most := func(region string) float64 {
		p := r.Muscles.Part(region)
		if p == nil {
			return 0
		}
		top := 0.0
		for _, x := range p.Activation {
			top = math.Max(top, x)
		}
		return top
	}
	if lats, flexors, triceps := most("latissimus"), math.Max(most("brachialis"), most("brachioradialis")), most("triceps"); lats < 0.4 ||
		flexors < 0.4 || triceps > 0.5*lats {
		t.Errorf("latissimus %.2f, flexors %.2f, triceps %.2f", lats, flexors, triceps)
	}
	for i, x := range elbowOf(t, r) {
		if x < 10 {
			t.Errorf("at sample %d the elbow's flexors hold %.1f N·m", i, x)
		}
	}
	if kg := r.Limit.Kg.OrNaN(); !(kg > 20 && kg < 50) {
		t.Errorf("%.0f kg go once on the belt", kg)
	}
	for i, x := range r.Curves.Balance {
		if math.Abs(x) > 0.06 { // the belt's weight swings the body a little off
			t.Errorf("at sample %d the weight is %.2f m off the hands", i, x)
		}
	}
}

// The wider the hands, the more the shoulders do and the less the elbows; in a bench press as in a pull-up (common practice, no source).
func TestGripWidthMovesTheWork(t *testing.T) {
	ratio := func(key string) float64 {
		d := ready(t, key)
		d.Target.Region, d.Target.Joint = map[bool]string{true: "latissimus", false: "pectoralis"}[d.Posture.Kind == "standing"], "shoulder"
		r := evaluated(t, &d)
		elbow := elbowOf(t, r)
		sum, whole := 0.0, 0.0
		for i := range elbow {
			sum, whole = sum+math.Abs(elbow[i]), whole+r.Curves.Torque[i]
		}
		return sum / whole
	}
	for _, keys := range [][]string{{"press.bar.close", "press.bar.flat"}, {"chinup", "pullup"}, {"pullup", "pullup.wide"}} {
		if narrow, wide := ratio(keys[0]), ratio(keys[1]); narrow < 1.2*wide {
			t.Errorf("elbow over shoulder: %s %.2f, %s %.2f", keys[0], narrow, keys[1], wide)
		}
	}
}

// What else works in a movement of several joints is told with its action: the elbows extend in a press and flex in a pull-up, the hips
// extend in a squat (anatomy). An arm that only holds is not told of.
func TestWhatElseWorksIsTold(t *testing.T) {
	for key, want := range map[string][2]string{"press.bar.flat": {"elbow", "extension"}, "pullup": {"elbow", "flexion"},
		"squat.back": {"hip", "extension"}} {
		found := false
		for _, j := range of(t, key).Joints {
			if j.Joint == want[0] {
				found = true
				if x := j.Hardest.OrNaN(); j.Does != want[1] || !(x > 0.1 && x < 1) {
					t.Errorf("%s: %s %s, %.2f", key, j.Joint, j.Does, x)
				}
			}
		}
		if !found {
			t.Errorf("%s: no %s", key, want[0])
		}
	}
	for _, j := range of(t, "raise.dumbbell").Joints {
		if j.Does != "" || j.Hardest.Known() {
			t.Errorf("in a raise the %s does %q", j.Joint, j.Does)
		}
	}
}
