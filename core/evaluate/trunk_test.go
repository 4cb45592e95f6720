package evaluate_test

import (
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// In a crunch on the floor the trunk holds the weights above its axis times how far ahead of it each is: worked from the places of the
// segments alone.
func TestCrunchInClosedForm(t *testing.T) {
	d := ready(t, "crunch.floor")
	r := evaluated(t, &d)
	for i, s := range []float64{0, 0.5, 1} {
		f := framesOf(&d, s)
		want := 0.0
		for _, seg := range body.Beyond[body.TrunkR] {
			want += f.Body.Masses[seg] * 9.80665 * (f.Joint[body.TrunkR].X - f.COM[seg].X)
		}
		check.Near(t, "torque", r.Curves.Torque[i*(len(r.Curves.S)-1)/2], want, 1e-9)
	}
	if r.Muscles.Part("erectors") != nil && r.Muscles.Part("erectors").Activation[0] > 0.01 {
		t.Error("the back works in a crunch")
	}
}

// A dumbbell bends the trunk to its side by its weight times how far to the side of the axis it hangs, with the trunk's own weight beside
// it; and one in each hand bends it to neither.
func TestSideBendInClosedForm(t *testing.T) {
	d := ready(t, "sidebend.dumbbell")
	r := evaluated(t, &d)
	for i, s := range []float64{0, 0.5, 1} {
		f := framesOf(&d, s)
		check.Near(t, "load", r.Curves.Loads[i*(len(r.Curves.S)-1)/2], d.Loads[0].Mass*9.80665*(f.Grip[body.Right].Z-f.Joint[body.TrunkR].Z), 1e-9)
	}
	other := d.Loads[0]
	other.ID, other.Side = "left", "left"
	d.Loads = append(d.Loads, other)
	two := evaluated(t, &d)
	if a, b := two.Curves.Loads[0], r.Curves.Loads[0]; a > 0.5*b {
		t.Errorf("with a dumbbell in each hand: %.1f N·m, with one %.1f", a, b)
	}
}

// A side bend to the left is the mirror image of one to the right.
func TestSideBendMirrors(t *testing.T) {
	right := ready(t, "sidebend.dumbbell")
	left := right.Clone()
	left.Movement.Side, left.Loads[0].Side = "left", "left"
	a, b := evaluated(t, &right), evaluated(t, &left)
	for i := range a.Curves.S {
		check.Near(t, "torque", b.Curves.Torque[i], a.Curves.Torque[i], 1e-9)
	}
	check.Near(t, "fit", b.Profile.Fit.OrNaN(), a.Profile.Fit.OrNaN(), 1e-9)
	for i, w := range a.Muscles.Work {
		check.Near(t, w.Key, b.Muscles.Work[i].Share, w.Share, 1e-9)
	}
}

// Both arms count for a trunk that bends forward: a weight in each hand is one of twice the weight in both.
func TestBothArmsLoadTheTrunk(t *testing.T) {
	d := ready(t, "extension.spine")
	one := evaluated(t, &d)
	d.Loads[0].Kind, d.Loads[0].Mass = setup.Dumbbell, d.Loads[0].Mass/2
	two := evaluated(t, &d)
	for i := range one.Curves.S {
		check.Near(t, "loads", two.Curves.Loads[i], one.Curves.Loads[i], 1e-9)
		check.Near(t, "moment arm", two.Parts[0].MomentArm[i], one.Parts[0].MomentArm[i], 1e-9)
	}
}

// What a plank asks of the trunk follows from the floor's push on hands and toes, which balance the body's weight between them: worked from
// the feet's side of the axis.
func TestPlankHoldsTheTrunk(t *testing.T) {
	d := ready(t, "plank")
	r := evaluated(t, &d)
	f := framesOf(&d, 0)
	grip, toes, centre := f.Grip[body.Right], f.Station.Toes(), f.CentreOfMass()
	weight := d.Lifter.BodyMass * 9.80665
	onToes := weight * (grip.X - centre.X) / (grip.X - toes.X)
	axis := f.Joint[body.TrunkR]
	moment := onToes * (toes.X - axis.X)
	for _, seg := range body.BelowWaist {
		moment -= f.Body.Masses[seg] * 9.80665 * (f.COM[seg].X - axis.X)
	}
	check.Near(t, "torque", r.Curves.Size[0], math.Abs(moment), 1e-6)
	if r.Curves.Size[0] < 40 || r.Curves.Size[0] > 120 {
		t.Errorf("a plank asks %.0f N·m of the trunk", r.Curves.Size[0])
	}
}

// A suitcase hold asks of the trunk what the weight does at its distance from the spine (common practice, no source: the heavier side is
// resisted by the other flank), and the obliques lead.
func TestSuitcaseHoldIsTheFlanks(t *testing.T) {
	d := ready(t, "hold.suitcase")
	r := evaluated(t, &d)
	f := framesOf(&d, 0)
	arm := space.Reject(r3.Sub(f.Grip[body.Right], f.Joint[body.TrunkR]), space.Y)
	if want := d.Loads[0].Mass * 9.80665 * space.Norm(arm); math.Abs(r.Curves.Size[0]-want) > 0.05*want {
		t.Errorf("the trunk holds %.1f N·m, the weight alone asks %.1f", r.Curves.Size[0], want)
	}
	if r.Muscles.Regions[0].Key != "obliques" {
		t.Errorf("%s leads a suitcase hold", r.Muscles.Regions[0].Key)
	}
}

// Bending, turning and straightening under load each have their caution, and a trunk that is trained is not told that its low back holds
// too much.
func TestCautionsOfTheTrunk(t *testing.T) {
	for key, want := range map[string]string{"turn.cable": "spine", "extension.spine": "spine-bent", "extension.spine.machine": "spine-bent"} {
		d := ready(t, key)
		d.Lifter.LowBackLimit = 20
		r := evaluated(t, &d)
		told := map[string]bool{}
		for _, c := range r.Cautions {
			told[c.Key] = true
		}
		if !told[want] || told["low-back"] {
			t.Errorf("%s: %v", key, told)
		}
	}
	d := ready(t, "crunch.floor")
	if r := evaluated(t, &d); len(r.Cautions) > 0 {
		t.Errorf("a crunch on the floor: %+v", r.Cautions)
	}
}

// What a document cannot say of the trunk is refused with the field that asks it.
func TestTrunkRefusals(t *testing.T) {
	for name, c := range map[string]struct {
		path string
		of   func(d *setup.Document)
	}{
		"both sides": {"movement.side", func(d *setup.Document) { d.Movement.Side = "both" }},
		"a hand":     {"posture.supportHand", func(d *setup.Document) { d.Posture.SupportHand = &setup.Point{X: 0.5, Y: 1} }},
		"not moved": {"target.joint", func(d *setup.Document) {
			d.Movement.Keyframes = nil
			d.Movement.Kind, d.Movement.Primary, d.Movement.ToDeg = "sweep", "elbow.flexion", 90
		}},
		"too far":      {"movement.keyframes[0].pose.trunk.bendDeg", func(d *setup.Document) { d.Movement.Keyframes[0].Pose["trunk.bendDeg"] = 80 }},
		"on one foot":  {"posture.root", func(d *setup.Document) { d.Posture.Root, d.Posture.Stands = "foot", "right" }},
		"along a line": {"movement.kind", func(d *setup.Document) { d.Movement.BarWidth = 0.5; d.Movement.Side = "both" }},
	} {
		d := ready(t, "sidebend.dumbbell")
		c.of(&d)
		_, problems := evaluate.Document(&d)
		found := false
		for _, p := range problems {
			found = found || p.Path == c.path && p.What != "" && p.Hint != ""
		}
		if !found {
			t.Errorf("%s: %v", name, problems)
		}
	}
}

// A dumbbell in each hand of somebody who stands with one foot ahead is held by that hand alone.
func TestGripIsOfOneHand(t *testing.T) {
	for _, key := range []string{"squat.split", "step.up"} {
		d := ready(t, key)
		r := evaluated(t, &d)
		check.Near(t, key, r.Curves.Grip[0], d.Loads[0].Mass*9.80665, 1e-9)
	}
}

// In a sit-up the trunk holds the weights above its axis, and the hips, each half, those above theirs: worked from the places of the
// segments alone. The feet have to be held, the back lies down at the start, and head down it is hard for longer (common practice, no
// source).
func TestSitUpInClosedForm(t *testing.T) {
	d := ready(t, "situp.floor")
	r := evaluated(t, &d)
	n := len(r.Curves.S) - 1
	for i, s := range []float64{0, 0.5, 1} {
		f := framesOf(&d, s)
		if lies, knee := f.Direction(body.Thorax).Y, f.Joint[body.KneeR].Y-f.Joint[body.HipR].Y; s == 0 && (math.Abs(lies) > 0.01 || knee < 0.2) {
			t.Errorf("at the start the trunk rises by %.2f of its length, the knees are %.2f m up", lies, knee)
		}
		trunk, hips := 0.0, 0.0
		for seg, mass := range f.Body.Masses {
			weight := mass * 9.80665
			switch body.Segment(seg) {
			case body.ThighR, body.ThighL, body.ShankR, body.ShankL, body.FootR, body.FootL:
			case body.Pelvis:
				hips += weight * (f.Joint[body.HipR].X - f.COM[seg].X)
			default:
				trunk += weight * (f.Joint[body.TrunkR].X - f.COM[seg].X)
				hips += weight * (f.Joint[body.HipR].X - f.COM[seg].X)
			}
		}
		check.Near(t, "trunk", r.Curves.Torque[i*n/2], trunk, 1e-9)
		for k := range r.Joints {
			if r.Joints[k].Joint == "hip" {
				check.Near(t, "hip", r.Joints[k].Torque[i*n/2], hips/2, 1e-9)
			}
		}
	}
	if !r.Bracing.Holds {
		t.Errorf("with the feet held: %+v", r.Bracing)
	}
	d.Posture.Restraints = nil
	if _, problems := evaluate.Document(&d); len(problems) == 0 || problems[0].Path != "posture.restraints" {
		t.Errorf("with the feet free: %+v", problems)
	}
	late := func(r []float64) float64 { return r[3*n/4] / r[0] }
	if flat, low := late(r.Curves.Torque), late(of(t, "situp.decline").Curves.Torque); low < flat+0.1 {
		t.Errorf("late over early: %.2f on the floor, %.2f with the head low", flat, low)
	}
}
