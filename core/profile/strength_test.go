package profile_test

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/profile"
	"dialarc/core/setup"
)

// bend is the capacity of a right-angled elbow that bends.
func bend(s *profile.Strength) (float64, *profile.Capacity) {
	c := profile.NewCapacity(s, "elbow", false)
	x, _ := c.At(&body.Pose{setup.ElbowFlexion: math.Pi / 2}, &body.Pose{setup.ElbowFlexion: 1})
	return x, c
}

// Women have about 52 of a hundred of men's strength in the arms and 66 in the legs, at about 79 of a hundred of their mass (Miller et al.
// 1993, Eur J Appl Physiol 66:254-262, from memory): per kilogram 0.66 and 0.84. Training multiplies.
func TestStrengthOfWomenAndNovices(t *testing.T) {
	of := func(sex, training, action string) float64 {
		return (&profile.Strength{Lifter: &setup.Lifter{Height: 1.75, BodyMass: 75, Sex: sex, Training: training}}).Estimate(action)
	}
	check.Near(t, "arm", of("female", "", "elbow.flexion")/of("male", "", "elbow.flexion"), 0.52/0.79, 0.03)
	check.Near(t, "leg", of("female", "", "knee.extension")/of("male", "", "knee.extension"), 0.66/0.79, 0.02)
	if n, u, a := of("", "novice", "hip.extension"), of("", "", "hip.extension"), of("", "advanced", "hip.extension"); !(n < 0.7*u &&
		a > 1.2*u) {
		t.Errorf("novice %.0f, not given %.0f, advanced %.0f", n, u, a)
	}
	check.Near(t, "not given counts as a trained man", of("", "", "elbow.flexion"), of("male", "trained", "elbow.flexion"), 0)
}

// Mass beyond a body mass index of 30 is not taken for muscle.
func TestHeavyIsNotStrong(t *testing.T) {
	of := func(mass float64) float64 {
		return (&profile.Strength{Lifter: &setup.Lifter{Height: 1.70, BodyMass: mass}}).Estimate("hip.extension")
	}
	check.Near(t, "index 30", of(86.7), 3.6*86.7, 1e-9)
	check.Near(t, "index 45", of(130), of(86.7), 1e-9)
}

// The spread is wide where training and sex are not given, narrower where they are, narrow after a test; words say which.
func TestWhatStrengthRestsOn(t *testing.T) {
	plain := setup.Lifter{Height: 1.75, BodyMass: 75}
	given, tested := plain, plain
	given.Training, given.Sex = "novice", "female"
	tested.Strength = []setup.StrengthTest{{Action: "elbow.flexion", AngleDeg: 90, Torque: 60}}
	last := math.Inf(1)
	for _, c := range []struct {
		lifter *setup.Lifter
		says   string
	}{{&plain, "trained man of this body mass: training and sex are not given"}, {&given, "novice woman of this body mass."},
		{&tested, "one test"}} {
		s := &profile.Strength{Lifter: c.lifter}
		_, k := bend(s)
		if k.Spread >= last || !strings.Contains(s.Words(k.Trust), c.says) {
			t.Errorf("spread %.2f after %.2f, %q", k.Spread, last, s.Words(k.Trust))
		}
		last = k.Spread
	}
}

// A set in just this action all but replaces the estimate; one of the same joint says less, one of the leg next to nothing. Two sets that
// differ come out between, and a test goes before them all.
func TestKnownSetsWeighByNearness(t *testing.T) {
	usual, _ := bend(&profile.Strength{Lifter: lifter()})
	with := func(sets ...profile.Told) float64 {
		x, _ := bend(&profile.Strength{Lifter: lifter(), Sets: sets})
		return x / usual
	}
	set := func(factor float64, action string) profile.Told {
		return profile.Told{Factor: factor, Actions: map[string]float64{action: 1}}
	}
	same, joint, limb, far := with(set(1.5, "elbow.flexion")), with(set(1.5, "elbow.extension")), with(set(1.5, "shoulder.abduction")),
		with(set(1.5, "knee.extension"))
	if !(same > 1.38 && same <= 1.5 && joint < same && limb < joint && far < limb && far < 1.2 && far > 1) {
		t.Errorf("same action %.3f, same joint %.3f, same limb %.3f, leg %.3f", same, joint, limb, far)
	}
	both := with(set(1.5, "elbow.flexion"), set(1.2, "elbow.flexion"))
	check.Near(t, "two sets", both, math.Sqrt(1.5*1.2), 0.06)
	s := &profile.Strength{Lifter: lifter(setup.StrengthTest{Action: "elbow.flexion", AngleDeg: 90, Torque: 50}),
		Sets: []profile.Told{set(2, "elbow.flexion")}}
	x, c := bend(s)
	check.Near(t, "a test goes first", x, 50, 1e-9)
	if c.Trust != profile.Scaled {
		t.Error(c.Trust)
	}
	if _, c := bend(&profile.Strength{Lifter: lifter(), Sets: []profile.Told{set(1.5, "elbow.flexion")}}); c.Trust != profile.BySets {
		t.Error(c.Trust)
	}
}

// A lifter of 75 kg is as strong over all as the muscles' table is meant for; one of twice the tested strength twice as strong.
func TestOverallStrength(t *testing.T) {
	usual := &profile.Strength{Lifter: &setup.Lifter{Height: 1.75, BodyMass: 75}}
	check.Near(t, "arm", usual.Overall("elbow"), 1, 1e-12)
	check.Near(t, "leg", usual.Overall("knee"), 1, 1e-12)
	strong := &profile.Strength{Lifter: &setup.Lifter{Height: 1.75, BodyMass: 75, Strength: []setup.StrengthTest{{Action: "knee.extension",
		AngleDeg: 70, Torque: 2 * 3.2 * 75}}}}
	check.Near(t, "leg of twice the strength", strong.Overall("knee"), 2, 1e-9)
	check.Near(t, "arm stays", strong.Overall("elbow"), 1, 1e-12)
}

// Of every action that a movement draws on it is said what was tested, how and when, and what is estimated.
func TestPartlyTested(t *testing.T) {
	s := &profile.Strength{Lifter: lifter(setup.StrengthTest{Action: "shoulder.abduction", AngleDeg: 60, Torque: 50, Date: "2026-11-20"})}
	words := func(sweep float64) string {
		c := profile.NewCapacity(s, "shoulder", false)
		c.At(&body.Pose{setup.ShoulderElevation: 1.4}, &body.Pose{setup.ShoulderElevation: 1, setup.ShoulderPlane: sweep})
		return c.Words()
	}
	const tested = "Abduction of the shoulder by the usual shape through one test on 2026-11-20."
	if up, aslant := words(0), words(1); up != tested || !strings.HasPrefix(aslant, tested+" For the rest: estimate for a trained man") {
		t.Errorf("straight up: %q, aslant: %q", up, aslant)
	}
}
