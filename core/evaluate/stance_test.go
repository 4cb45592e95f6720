package evaluate_test

import (
	"math"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/setup"
)

// inOnePlane is a cross-behind raise near the columns whose path lies in one plane, 45 degrees forward.
func inOnePlane(t *testing.T, key string) setup.Document {
	d := ready(t, key)
	d.Posture.X, d.Movement.FromDeg, d.Movement.StartPlane = 0.30, 5, nil
	if d.Posture.Kind == "seated" {
		d.Posture.X = 0.35
	}
	d.Movement.Hold["shoulder.planeOfElevationDeg"] = 45
	d.Posture.Feet, d.Posture.Ahead, d.Posture.FeetApart = "parallel", "", 0.30
	return d
}

// Where the pulley stands decides the profile of a cross-behind raise: standing, lower holes leave more on top; seated, the
// lowest hole is where hand height is for somebody who stands, so the one heavy start is all that is left. Common practice, no
// source.
func TestSeatedLeavesOneProfile(t *testing.T) {
	left := func(key string, height float64) float64 {
		d := inOnePlane(t, key)
		d.Loads[0].Pulley.Y, d.Loads[0].Kit = height, nil
		return check.Value(t, "left at the end", evaluated(t, &d).Profile.Loads.EndShare)
	}
	const lowest = 0.20
	if a, b := left("raise.behind.hand", 0.76), left("raise.behind.hand", lowest); b < 1.4*a {
		t.Errorf("standing, %.2f is left at hand height and %.2f from the lowest hole", a, b)
	}
	standing := left("raise.behind.hand", 0.76)
	if seated := left("raise.behind.seated", lowest); math.Abs(seated-standing) > 0.08 {
		t.Errorf("seated, the lowest hole leaves %.2f, standing hand height %.2f", seated, standing)
	}
}

// Lined up, the cable of that raise passes under the shoulder within 2 cm when seen from above, and little goes beside the path;
// off line more does. Common practice, no source.
func TestLinedUp(t *testing.T) {
	d := inOnePlane(t, "raise.behind.lined")
	by := func(out float64) (passes, off float64) {
		d.Posture.X = out
		l := evaluated(t, &d).Alignment
		return check.Value(t, "passes by", l.PassesBy), check.Value(t, "off", l.OffPlaneShare)
	}
	passes, off := by(0.75)
	if math.Abs(passes) > 0.02 || off > 0.05 {
		t.Errorf("lined up it passes %.3f m from the shoulder, %.2f beside the path", passes, off)
	}
	for _, out := range []float64{0.5, 1.0} {
		if p, o := by(out); math.Abs(p) < 0.02 || o < 1.5*off {
			t.Errorf("%.2f m out it passes %.3f m from the shoulder, %.2f beside the path", out, p, o)
		}
	}
}

// One step too many in a curl that faces away, and the cable leaves the line of the arm and drags the shoulder back. Common
// practice, no source.
func TestOneStepTooMany(t *testing.T) {
	dragged := func(out float64) float64 {
		d := ready(t, "curl.behind")
		d.Posture.X = out
		for _, j := range evaluated(t, &d).Joints {
			if j.Joint == "shoulder" {
				return j.Size[0]
			}
		}
		return math.NaN()
	}
	if near, far := dragged(0.45), dragged(0.90); far < 1.5*near {
		t.Errorf("one step out the start asks %.1f N·m of the shoulder, two steps %.1f", near, far)
	}
}

// Right under the pulley a press-down has nothing left at lock-out; a step back gives it some. Common practice, no source.
func TestPressDownAStepBack(t *testing.T) {
	left := func(change func(*setup.Document)) float64 {
		d := ready(t, "pressdown.rope")
		change(&d)
		return check.Value(t, "left at the end", evaluated(t, &d).Profile.Loads.EndShare)
	}
	as := left(func(*setup.Document) {})
	under := left(func(d *setup.Document) { d.Posture.X = d.Loads[0].Pulley.X + 0.12 })
	if under > as-0.1 {
		t.Errorf("under the pulley %.2f is left at lock-out, further back %.2f", under, as)
	}
}
