package evaluate_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// share is how much of the torque about the axis a region gives over the whole path, by the work it does.
func share(r *report.Report, key string) float64 {
	own, all := 0.0, 0.0
	for _, p := range r.Muscles.Regions {
		for _, t := range p.Torque {
			if p.Key == key {
				own += t
			}
			all += t
		}
	}
	return own / all
}

// meanLength is the target's mean length over the path.
func meanLength(t *testing.T, r *report.Report) float64 {
	t.Helper()
	if len(r.Muscles.Regions) == 0 || !r.Muscles.Regions[0].Target {
		t.Fatal("no target")
	}
	sum := 0.0
	for _, l := range r.Muscles.Regions[0].Length {
		sum += l
	}
	return sum / float64(len(r.Muscles.S))
}

// The regions' torques and what is left over are the torque that the repetition asks, at every sample.
func TestRegionsAddUp(t *testing.T) {
	everyReady(t, 1.82, func(key string, d setup.Document, r *report.Report) {
		if r.Hold || r.Muscles.Target == nil {
			return
		}
		n := len(r.Muscles.S) - 1
		for i := range r.Muscles.S {
			sum := 0.0
			for _, p := range r.Muscles.Regions {
				sum += p.Torque[i]
			}
			// Regions that do next to nothing are left out, and the elbow's stop and the reserve are no region.
			at := float64(i) / float64(n) * float64(len(r.Curves.S)-1)
			low, high := r.Curves.Torque[int(math.Floor(at))], r.Curves.Torque[int(math.Ceil(at))]
			slack := 2 + 0.02*math.Abs(low) + math.Abs(high-low) + r.Muscles.Residual[i]
			if r.Joint == "elbow" {
				slack += r.Muscles.Passive[0].Values[i]
			}
			if r.Joint == "girdle" { // the ribs lift the blade too
				slack += 0.1 * r.Muscles.Passive[4].Values[i]
			}
			if math.Abs(sum-(low+high)/2) > slack {
				t.Errorf("%s at sample %d: the regions give %.2f of %.2f N·m, left %.2f", key, i, sum, (low+high)/2, r.Muscles.Residual[i])
				return
			}
		}
	})
}

// Turning the arm outward moves the work of a raise to the front of the shoulder, turning it inward or leaning forward to
// the middle and the rear; so does a pad behind the back of somebody who lies on the side. Common practice, no source.
func TestTurnAndLeanMoveTheWork(t *testing.T) {
	turned := func(deg float64) *report.Report {
		d := ready(t, "raise.dumbbell")
		d.Movement.Hold["shoulder.rotationDeg"] = deg
		return evaluated(t, &d)
	}
	out, straight, in := turned(-60), turned(0), turned(50)
	if a, b, c := share(out, "deltoid.anterior"), share(straight, "deltoid.anterior"), share(in, "deltoid.anterior"); !(a > b && b > c) {
		t.Errorf("front, turned outward %.3f, straight %.3f, inward %.3f", a, b, c)
	}
	if a, c := share(out, "deltoid.posterior"), share(in, "deltoid.posterior"); !(a < c) {
		t.Errorf("rear, turned outward %.3f, inward %.3f", a, c)
	}
	lean := ready(t, "raise.dumbbell.forward")
	upright := lean.Clone()
	upright.Posture.Trunk.PitchDeg = 0
	a, b := evaluated(t, &upright), evaluated(t, &lean)
	if share(b, "deltoid.posterior") <= share(a, "deltoid.posterior") || share(b, "deltoid.anterior") >= share(a, "deltoid.anterior") {
		t.Errorf("leaning: front %.3f to %.3f, rear %.3f to %.3f", share(a, "deltoid.anterior"), share(b, "deltoid.anterior"),
			share(a, "deltoid.posterior"), share(b, "deltoid.posterior"))
	}
	side := ready(t, "raise.dumbbell.lying.pad")
	flat := side.Clone()
	flat.Bench.PadUnderBack = 0
	activation := func(d *setup.Document) float64 {
		r := evaluated(t, d)
		i := slices.IndexFunc(r.Muscles.Regions, func(p report.RegionPart) bool { return p.Key == "deltoid.posterior" })
		if i < 0 {
			return 0
		}
		sum := 0.0
		for _, a := range r.Muscles.Regions[i].Activation {
			sum += a
		}
		return sum
	}
	if with, without := activation(&side), activation(&flat); with <= without {
		t.Errorf("rear with the pad %.2f, without %.2f", with, without)
	}
}

// A dumbbell raise to the side is the reverse of the strength of the muscle: effort grows all the way. Common practice,
// no source.
func TestEffortOfADumbbellRaise(t *testing.T) {
	d := ready(t, "raise.dumbbell")
	r := evaluated(t, &d)
	for i := 2; i < 90; i++ {
		if r.Curves.Effort[i] <= r.Curves.Effort[i-1] || r.Curves.Capacity[i] > r.Curves.Capacity[i-1] {
			t.Fatalf("at sample %d effort %.3f, strength %.1f", i, r.Curves.Effort[i], r.Curves.Capacity[i])
		}
	}
}

// The standing dumbbell curl is hardest with the forearm level, and asks nothing at the bottom and with the forearm upright;
// the incline curl has its torque on a longer muscle; the preacher curl is early, on a cable later; the low cable curl facing
// away is the most even and long; a step too many leaves the line of the arm. Common practice, no source.
func TestCurls(t *testing.T) {
	curl := ready(t, "curl.dumbbell")
	curl.Movement.FromDeg, curl.Movement.ToDeg = 0, 140
	r := evaluated(t, &curl)
	check.Near(t, "hardest", check.Value(t, "angle", r.Profile.Loads.PeakAngleDeg), 90, 1)
	check.Near(t, "at the bottom", r.Curves.Loads[0], 0, 1e-9)
	incline := ready(t, "curl.incline.45")
	plain := ready(t, "curl.dumbbell")
	incline.Loads[0].Mass = plain.Loads[0].Mass
	a, b := evaluated(t, &plain), evaluated(t, &incline)
	for i := range a.Curves.Loads {
		check.Near(t, "the same torque", b.Curves.Loads[i], a.Curves.Loads[i], 1e-6)
	}
	if meanLength(t, b) <= meanLength(t, a)+0.05 {
		t.Errorf("mean length: standing %.3f, incline %.3f", meanLength(t, a), meanLength(t, b))
	}
	preacher, cable, behind := ready(t, "curl.preacher"), ready(t, "curl.preacher.cable"), ready(t, "curl.behind")
	if p, c := centroid(t, &preacher), centroid(t, &cable); !(p < 0.45 && c > p) {
		t.Errorf("preacher %.3f, on a cable %.3f", p, c)
	}
	even := func(d *setup.Document) float64 {
		d.Target.Profile = "even"
		return check.Value(t, "match", evaluated(t, d).Profile.Fit)
	}
	best := even(&behind)
	for _, d := range []*setup.Document{&plain, &incline, &preacher} {
		if e := even(d); e >= best {
			t.Errorf("%s is more even (%.0f) than the cable from behind (%.0f)", d.Name, e, best)
		}
	}
	if meanLength(t, evaluated(t, &behind)) <= meanLength(t, a) {
		t.Error("the cable curl from behind is not longer than the standing curl")
	}
	far := behind.Clone()
	far.Posture.X += 0.9
	near, away := evaluated(t, &behind), evaluated(t, &far)
	drag := func(r *report.Report) float64 {
		i := slices.IndexFunc(r.Joints, func(j report.JointPart) bool { return j.Joint == "shoulder" })
		return slices.Max(r.Joints[i].Size)
	}
	if drag(away) <= drag(near) {
		t.Errorf("a step too many drags the shoulder with %.1f against %.1f N·m", drag(away), drag(near))
	}
}

// A pull-over's torque falls on a long latissimus; a kick-back's on a short triceps, an overhead extension's on a long one.
// Common practice, no source.
func TestWhereOnItsLength(t *testing.T) {
	long := func(key string) float64 {
		d := ready(t, key)
		return check.Value(t, key, evaluated(t, &d).Muscles.LengthenedShare)
	}
	if k, o := long("kickback"), long("extension.overhead"); k > 0.3 || o < 0.6 {
		t.Errorf("triceps: kick-back %.2f, overhead %.2f", k, o)
	}
	if p := long("pullover"); p < 0.6 {
		t.Errorf("pull-over: %.2f", p)
	}
}

// Arms at shoulder height load the rear of the shoulder; pulled wide they load it more than close to the body, where the
// latissimus and its neighbour take over. Common practice, no source.
func TestWideAndCloseRows(t *testing.T) {
	wide, close := ready(t, "row.rear"), ready(t, "row.dumbbell.bench")
	a, b := evaluated(t, &wide), evaluated(t, &close)
	back := func(r *report.Report) float64 {
		return share(r, "latissimus.upper") + share(r, "latissimus.lower") + share(r, "teres.major")
	}
	if back(b) <= back(a) {
		t.Errorf("latissimus and teres major: wide %.3f, close %.3f", back(a), back(b))
	}
}

// A path that makes its target longer is cautioned, and its long end is the other one.
func TestTheWrongWay(t *testing.T) {
	d := ready(t, "curl.dumbbell")
	d.Target = setup.Target{Region: "triceps", Profile: "match", Joint: "elbow"}
	r := evaluated(t, &d)
	if r.Muscles.LengthenedEnd != "end" || !slices.ContainsFunc(r.Warnings, func(w setup.Problem) bool { return w.Path == "target.region" }) {
		t.Errorf("long end %s, warnings %v", r.Muscles.LengthenedEnd, r.Warnings)
	}
}

// Where a path changes the target's length hardly at all, neither end is the long one: nothing is told that would turn round with a
// millimetre.
func TestNoLongEnd(t *testing.T) {
	d := ready(t, "curl.dumbbell")
	d.Target = setup.Target{Region: "triceps", Profile: "match", Joint: "elbow"}
	d.Movement.FromDeg = 60
	seen := map[string]bool{}
	before := math.NaN()
	for to := 65.0; to <= 100; to += 0.25 {
		d.Movement.ToDeg = to
		r := evaluated(t, &d)
		seen[r.Muscles.LengthenedEnd] = true
		centroid, known := r.Profile.Loads.Centroid.Get()
		if known == (r.Muscles.LengthenedEnd == "undecided") || (r.Profile.Loads.Phase == "") == known {
			t.Errorf("to %v the long end is the %s, the centroid %v, the phase %q", to, r.Muscles.LengthenedEnd, r.Profile.Loads.Centroid,
				r.Profile.Loads.Phase)
		}
		if known && math.Abs(centroid-before) > 0.02 {
			t.Errorf("to %v the centroid jumps from %.3f to %.3f", to, before, centroid)
		}
		before = centroid
		if !known {
			before = math.NaN()
		}
	}
	if !seen["undecided"] || !seen["end"] {
		t.Errorf("seen %v", seen)
	}
	d.Movement.ToDeg, d.Target.Profile = 65, "early"
	if m := evaluated(t, &d).Profile.Fit; m.Known() || !strings.Contains(m.Why(), "equally long") {
		t.Errorf("the school early is judged without a long end: %v", m)
	}
}

// Equal loads: a cuff nearer the joint takes more; with the found factor the peaks are the same.
func TestEqualLoads(t *testing.T) {
	wrist, upper := ready(t, "raise.lying.wrist"), ready(t, "raise.lying.upper")
	upper.Loads[0].StackMass = wrist.Loads[0].StackMass
	e, problems := evaluate.Equal(&upper, &wrist)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	factor := check.Value(t, "peak", e.Peak)
	if factor <= 1 {
		t.Errorf("the cuff at the upper arm takes %.2f times the load", factor)
	}
	upper.Loads[0].StackMass *= factor
	a, b := evaluated(t, &wrist), evaluated(t, &upper)
	check.Near(t, "peaks", slices.Max(b.Curves.Torque), slices.Max(a.Curves.Torque), 1e-6)
	upper.Loads[0].StackMass *= check.Value(t, "mean", e.Mean) / factor
	mean := func(r *report.Report) float64 {
		sum := 0.0
		for i := 1; i < len(r.Curves.S); i++ {
			sum += (r.Curves.SweptDeg[i] - r.Curves.SweptDeg[i-1]) * (r.Curves.Torque[i] + r.Curves.Torque[i-1]) / 2
		}
		return sum / r.Curves.SweptDeg[len(r.Curves.S)-1]
	}
	check.Near(t, "means", mean(evaluated(t, &upper)), mean(a), 1e-6)
	fixed := upper.Clone()
	fixed.Loads[0].Variable = false
	if e, _ := evaluate.Equal(&fixed, &wrist); e.Peak.Known() || e.Peak.Why() == "" {
		t.Errorf("without a load that may be changed: %+v", e.Peak)
	}
}
