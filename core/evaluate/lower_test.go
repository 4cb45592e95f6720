package evaluate_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/body"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/movement"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// framesOf are those of a document at a place along its path.
func framesOf(d *setup.Document, s float64) *body.Frames {
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	var f body.Frames
	movement.New(d, &b, &st).Place(s, &f)
	return &f
}

// On the balls of both feet the ankle holds half of the body's weight, less one foot, as far ahead of it as the body's centre of mass is:
// worked from the places of the segments alone.
func TestCalfRaiseInClosedForm(t *testing.T) {
	d := ready(t, "calf.body")
	r := evaluated(t, &d)
	for i, s := range []float64{0, 0.5, 1} {
		f := framesOf(&d, s)
		ankle := f.Joint[body.AnkleR]
		foot := f.Body.Masses[body.FootR]
		want := 9.80665 * (d.Lifter.BodyMass/2*(f.CentreOfMass().X-ankle.X) - foot*(f.COM[body.FootR].X-ankle.X))
		check.Near(t, "torque", r.Curves.Torque[i*(len(r.Curves.S)-1)/2], want, 1e-9)
	}
}

// On a sled the load asks of hip and knee its push times the distance of the joint from the line along the rails through the soles.
func TestLegPressInClosedForm(t *testing.T) {
	d := ready(t, "press.leg")
	l := &d.Loads[0]
	rise := space.Rad(l.RailDeg)
	rail := space.Vec{X: math.Cos(rise), Y: math.Sin(rise)}
	push := (l.PlateMass + l.LeverMass) / 2 * 9.80665 * math.Sin(rise)
	for joint, j := range map[string]body.Joint{"knee": body.KneeR, "hip": body.HipR} {
		d.Target = setup.Target{Region: map[string]string{"knee": "quadriceps", "hip": "gluteus.maximus"}[joint], Profile: "match", Joint: joint}
		r := evaluated(t, &d)
		for i, s := range []float64{0, 0.5, 1} {
			f := framesOf(&d, s)
			off := space.Reject(r3.Sub(f.Sole(body.Right, false), f.Joint[j]), rail)
			off.Z = 0
			got := r.Curves.Loads[i*(len(r.Curves.S)-1)/2]
			check.Near(t, joint, math.Abs(got), push*r3.Norm(off), 1e-6)
		}
	}
}

// asks is the largest torque of a joint of a setup, N·m.
func asks(t *testing.T, d *setup.Document, joint string) float64 {
	t.Helper()
	r := evaluated(t, d)
	curve := r.Curves.Torque
	if r.Joint != joint {
		for _, j := range r.Joints {
			if j.Joint == joint {
				curve = j.Torque
			}
		}
	}
	most := math.Inf(-1)
	for _, x := range curve {
		if !math.IsNaN(x) {
			most = math.Max(most, x)
		}
	}
	return most
}

// What coaches know of the lower body: common practice, no source.
func TestFactsOfTheLowerBody(t *testing.T) {
	get := func(key string) *setup.Document { d := ready(t, key); return &d }
	ratio := func(d *setup.Document) float64 { return asks(t, d, "hip") / asks(t, d, "knee") }
	high := get("press.leg")
	high.Loads[0].SoleUp += 0.12
	if ratio(high) <= 1.2*ratio(get("press.leg")) {
		t.Errorf("feet high: hip over knee %.2f, in the middle %.2f", ratio(high), ratio(get("press.leg")))
	}
	if a, b := ratio(get("squat.split.long")), ratio(get("squat.split")); a <= 1.2*b {
		t.Errorf("long stride: hip over knee %.2f, usual %.2f", a, b)
	}
	less := get("squat.split")
	less.Posture.FrontShare -= 0.1
	if a, b := asks(t, less, "hip"), asks(t, get("squat.split"), "hip"); a >= b {
		t.Errorf("with less weight on the front foot the hip holds %.0f instead of %.0f", a, b)
	}
	one, two := get("calf.one"), get("calf.body")
	one.Loads = one.Loads[1:]
	if k := asks(t, one, "ankle") / asks(t, two, "ankle"); k < 1.85 || k > 2.1 {
		t.Errorf("one leg asks %.2f times as much as two", k)
	}
	for key, straight := range map[string][2]float64{"extension.back": {0, 0.95}, "extension.back.flat": {0.99, 1.01}} {
		r := evaluated(t, get(key))
		if left := last(r.Curves.Torque) / asks(t, get(key), "hip"); left < straight[0] || left > straight[1] {
			t.Errorf("%s: %.2f of its most is left straight", key, left)
		}
	}
	thrust, hinge := evaluated(t, get("thrust.hip")), evaluated(t, get("deadlift.romanian"))
	left := func(r *report.Report) float64 { return last(r.Curves.Effort) / first(r.Curves.Effort) }
	if left(thrust) < 1 || left(hinge) > 0.4 {
		t.Errorf("effort on top over that at the bottom: hip thrust %.2f, hinge %.2f", left(thrust), left(hinge))
	}
	bent := evaluated(t, get("calf.seated"))
	if share := check.Value(t, "share of the soleus", bent.Muscles.TargetShare); share < 0.75 {
		t.Errorf("seated, the soleus has %.2f", share)
	}
	squat := evaluated(t, get("squat.split.rear"))
	if squat.Bracing.Holds != true || len(squat.Bracing.Contacts) < 2 {
		t.Errorf("%+v", squat.Bracing)
	}
}

// What a leg cannot do is told with the setting that asks it.
func TestLegsThatCannot(t *testing.T) {
	for _, c := range []struct {
		key, path string
		change    func(d *setup.Document)
	}{
		{"thrust.hip", "posture.feetOut", func(d *setup.Document) { d.Posture.FeetOut = 1.5 }},
		{"press.leg", "loads[0].soleUp", func(d *setup.Document) { d.Loads[0].SoleUp, d.Movement.FromDeg = 0.5, 130 }},
		{"calf.seated", "posture.riser", func(d *setup.Document) { d.Posture.SeatHeight, d.Posture.Riser = 1.2, 0 }},
		{"squat.split", "posture.stagger", func(d *setup.Document) { d.Posture.Stagger = 1.1 }},
		{"squat.split", "posture.frontShare", func(d *setup.Document) {
			d.Posture.FrontShare = 0.9
			for i := range d.Movement.Keyframes {
				d.Movement.Keyframes[i].Pose["hip.flexionDeg"], d.Movement.Keyframes[i].Pose["knee.flexionDeg"] = -40, 140-float64(10*i)
			}
		}},
	} {
		d := ready(t, c.key)
		c.change(&d)
		told := false
		_, problems := evaluate.Document(&d)
		for _, p := range problems {
			told = told || p.Path == c.path && p.Hint != ""
		}
		if !told {
			t.Errorf("%s: %v", c.key, problems)
		}
	}
}

// On hands and toes the hands carry two thirds of the body at the top of a push-up, more at the bottom (Ebben et al. 2011, J Strength Cond
// Res 25:2891: 64 % at the top of a usual one; Suprak et al. 2011, J Strength Cond Res 25:497: 69 and 75 %; from memory).
func TestPushUpOnTheHands(t *testing.T) {
	d := ready(t, "pushup")
	d.Movement.Guide.Start.X, d.Movement.Guide.End.X = 0, 0 // under the shoulders
	share := func(s float64) float64 {
		sc, problems := new(evaluate.Evaluator).SceneAt(&d, s)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		hands := 0.0
		for _, c := range sc.Contacts {
			if strings.HasPrefix(c.Name, "hand") {
				hands += c.Force.Y
			}
		}
		return hands / (d.Lifter.BodyMass * 9.80665)
	}
	if top, bottom := share(1), share(0); top < 0.62 || top > 0.73 || bottom < top || bottom > 0.79 {
		t.Errorf("the hands carry %.3f at the top, %.3f at the bottom", top, bottom)
	}
}

// A free leg is ahead or behind as it is asked to be. Straight out behind somebody who bends forward it balances a part of the trunk, so
// that the hip that is stood on holds less (common practice, no source), and a foot that would go through the floor is told of.
func TestFreeLegIsPosed(t *testing.T) {
	for _, key := range []string{"squat.pistol", "deadlift.one", "step.up", "calf.one"} {
		d := ready(t, key)
		if r := evaluated(t, &d); slices.ContainsFunc(r.Warnings, func(p setup.Problem) bool { return p.Path == "movement.other" }) {
			t.Errorf("%s: %+v", key, r.Warnings)
		}
	}
	d := ready(t, "squat.pistol")
	d.Movement.Other = &setup.OtherSide{Start: map[string]float64{"hip.flexionDeg": 10, "knee.flexionDeg": 10}}
	r := evaluated(t, &d)
	if !slices.ContainsFunc(r.Warnings, func(p setup.Problem) bool { return p.Path == "movement.other" && p.Hint != "" }) {
		t.Errorf("a free leg through the floor: %+v", r.Warnings)
	}
	d = ready(t, "deadlift.one")
	lifted := evaluated(t, &d).Curves.Torque[0]
	d.Movement.Other.Start["hip.flexionDeg"], d.Movement.Other.End["hip.flexionDeg"] = 60, 60
	if hanging := evaluated(t, &d).Curves.Torque[0]; hanging < 1.1*lifted || hanging > 1.5*lifted {
		t.Errorf("with the free leg hanging %.0f N·m, with it behind %.0f", hanging, lifted)
	}
}
