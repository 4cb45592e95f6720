package measure_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/measure"
	"dialarc/core/quantity"
	"dialarc/core/setup"
)

func somebody() *setup.Lifter {
	return &setup.Lifter{Height: 1.75, BodyMass: 75, Lengths: map[string]float64{"upperArm": 0.30, "forearm": 0.25, "grip": 0.08}}
}

// The weight of a level arm, worked by hand from Winter's shares (from memory): 0.028, 0.016 and 0.006 of 75 kg at 0.436 of the upper
// arm, at 0.430 of the forearm and in the hand; hanging it is nothing, at 30 degrees half. Pulling down it helps. On the back an arm that
// points up
// weighs nothing about the shoulder, beside the trunk all. A bent elbow holds forearm and hand.
func TestLimbWorkedByHand(t *testing.T) {
	g, m := quantity.Gravity, 75.0
	arm := g * m * (0.028*0.436*0.30 + 0.016*(0.30+0.430*0.25) + 0.006*(0.30+0.25+0.08))
	fore := g * m * (0.016*0.430*0.25 + 0.006*(0.25+0.08))
	l := somebody()
	for _, c := range []struct {
		action, position string
		deg, want        float64
	}{
		{"shoulder.abduction", "upright", 90, arm}, {"shoulder.abduction", "upright", 0, 0}, {"shoulder.abduction", "upright", 30, arm / 2},
		{"shoulder.adduction", "upright", 90, -arm}, {"shoulder.flexion", "upright", 30, arm / 2}, {"shoulder.extension", "upright", 30, -arm / 2},
		{"shoulder.flexion", "supine", 90, 0}, {"shoulder.flexion", "supine", 0, arm}, {"shoulder.extension", "prone", 0, arm},
		{"shoulder.abduction", "side", 0, arm}, {"shoulder.horizontalAdduction", "upright", 45, 0}, {"shoulder.horizontalAdduction", "supine", 0, arm},
		{"elbow.flexion", "upright", 90, fore}, {"elbow.flexion", "upright", 150, fore / 2}, {"elbow.extension", "upright", 90, -fore},
		{"shoulder.internalRotation", "upright", 20, 0}, {"shoulder.externalRotation", "side", 0, fore},
	} {
		check.Near(t, fmt.Sprint(c.action, " ", c.position, " ", c.deg), measure.Limb(l, c.action, c.position, c.deg), c.want, 1e-9)
	}
	shank := measure.Limb(l, "knee.extension", "upright", 0)
	check.Near(t, "a bent knee hangs", measure.Limb(l, "knee.extension", "upright", 90), 0, shank/10) // give or take the foot
	check.Near(t, "half way", measure.Limb(l, "knee.extension", "upright", 60), shank/2, shank/6)
	if leg := measure.Limb(l, "hip.flexion", "supine", 0); leg < 3*shank || measure.Limb(l, "hip.extension", "prone", 0) < 3*shank {
		t.Errorf("a straight leg holds %.1f, a shank %.1f", leg, shank)
	}
}

// The strength is what the strap sees and the arm's weight together; trials apart ask for another; one trial tells no spread.
func TestStrengthFromTrials(t *testing.T) {
	l, test := somebody(), measure.StrengthTest{Action: "shoulder.abduction", Position: "upright", Strap: 0.5}
	fit, problems := measure.Strength(l, test, []measure.HeldReading{{AngleDeg: 90, Force: 60}, {AngleDeg: 30, Force: 80}, {AngleDeg: 90,
		Force: 61}, {AngleDeg: 30, Force: 92}, {AngleDeg: 89, Force: 62}, {AngleDeg: 60, Force: 70}})
	if len(problems) > 0 || len(fit.Angles) != 3 {
		t.Fatal(fit, problems)
	}
	low, mid, high := fit.Angles[0], fit.Angles[1], fit.Angles[2]
	check.Near(t, "at the strap", high.AtStrap, 0.5*61, 1e-9)
	check.Near(t, "held", high.Torque, 0.5*61+measure.Limb(l, test.Action, test.Position, high.AngleDeg), 1e-9)
	if !low.Another || high.Another || mid.Off.Known() || !high.Off.Known() {
		t.Errorf("%+v", fit)
	}
	for says, c := range map[string]struct {
		test measure.StrengthTest
		at   measure.HeldReading
	}{
		"strap is 0 m":          {measure.StrengthTest{Action: "shoulder.abduction", Position: "upright"}, measure.HeldReading{AngleDeg: 30, Force: 50}},
		"not tested":            {measure.StrengthTest{Action: "girdle.elevation", Position: "upright", Strap: 0.3}, measure.HeldReading{AngleDeg: 3, Force: 50}},
		"pull is 0 N":           {test, measure.HeldReading{AngleDeg: 30}},
		"angle is 200":          {test, measure.HeldReading{AngleDeg: 200, Force: 30}},
		"weight does more than": {measure.StrengthTest{Action: "shoulder.adduction", Position: "upright", Strap: 0.5}, measure.HeldReading{AngleDeg: 90, Force: 2}},
	} {
		_, problems := measure.Strength(l, c.test, []measure.HeldReading{c.at})
		if len(problems) == 0 || !strings.Contains(problems[0].What+problems[0].Why, says) {
			t.Errorf("%s: %v", says, problems)
		}
	}
}

// Three trials that scatter by 3 %: the strength lies within what the fit says of itself in 95 of 100 seeds.
func TestStrengthWithinItsSpread(t *testing.T) {
	l, test := somebody(), measure.StrengthTest{Action: "shoulder.abduction", Position: "upright", Strap: 0.5}
	within := 0
	const seeds = 1000
	limb := measure.Limb(l, test.Action, test.Position, 60)
	for seed := range uint64(seeds) {
		r := rand.New(rand.NewPCG(seed, 11))
		strap := test.Strap + 0.0025*r.NormFloat64() // where it really was
		var readings []measure.HeldReading
		for range 3 {
			readings = append(readings, measure.HeldReading{AngleDeg: 60, Force: 40 / strap * (1 + 0.03*r.NormFloat64())})
		}
		fit, problems := measure.Strength(l, test, readings)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		if math.Abs(fit.Angles[0].Torque-limb-40) <= fit.Angles[0].Off.OrNaN() {
			within++
		}
	}
	if within < 0.95*seeds {
		t.Errorf("%d of %d", within, seeds)
	}
}

// pulled is a trace at 50 Hz of pulls of so many newtons for 5 s each, after 3 s of rest, on a cell that is not tared and has noise.
func pulled(r *rand.Rand, offset float64, pulls ...float64) measure.Trace {
	var out measure.Trace
	at := 0.0
	add := func(v float64) {
		out.T, out.V = append(out.T, at), append(out.V, offset+v+0.5*r.NormFloat64())
		at += 0.02
	}
	for _, p := range pulls {
		for range 150 {
			add(0)
		}
		for i := range 250 {
			add(p * (1 - math.Exp(-float64(i)/20)) * (1 - 0.0003*float64(i))) // up in under a second, slowly tiring
		}
	}
	for range 150 {
		add(0)
	}
	return out
}

// Trials are found in a trace, their best second above rest; an offset of the cell changes nothing, nor do lost samples.
func TestTrialsInATrace(t *testing.T) {
	for _, offset := range []float64{0, 14, -30} {
		trace := pulled(rand.New(rand.NewPCG(7, 7)), offset, 65, 66, 40)
		got, problems := measure.FindTrials(trace)
		if len(problems) > 0 || len(got.Trials) != 3 {
			t.Fatal(offset, got, problems)
		}
		for i, want := range []float64{65, 66, 40} {
			check.Near(t, fmt.Sprintf("best of trial %d", i+1), got.Trials[i].Best, 0.96*want, 0.025*want)
			check.Near(t, "its begin", got.Trials[i].From, 3+8*float64(i), 0.3)
		}
		check.Near(t, "rest", got.Rest, offset, 0.2)
		check.Near(t, "noise", got.Noise, 0.5, 0.15)
		var thin measure.Trace
		for i := range trace.T {
			if i%7 != 0 {
				thin.T, thin.V = append(thin.T, trace.T[i]), append(thin.V, trace.V[i])
			}
		}
		lost, _ := measure.FindTrials(thin)
		check.Near(t, "with lost samples", lost.Trials[0].Best, got.Trials[0].Best, 0.3)
	}
	if idle, problems := measure.FindTrials(pulled(rand.New(rand.NewPCG(1, 2)), 3)); len(problems) > 0 || len(idle.Trials) != 0 {
		t.Errorf("nobody pulled: %+v, %v", idle, problems)
	}
	whole := pulled(rand.New(rand.NewPCG(1, 2)), 0, 60)
	if going, _ := measure.FindTrials(measure.Trace{T: whole.T[:300], V: whole.V[:300]}); len(going.Trials) != 0 {
		t.Errorf("a trial that goes on is none yet: %+v", going)
	}
}

// What a device cannot have measured is said.
func TestBadTraces(t *testing.T) {
	clipped := pulled(rand.New(rand.NewPCG(1, 2)), 0, 60)
	for i := range clipped.V {
		clipped.V[i] = math.Min(clipped.V[i], 50)
	}
	for says, trace := range map[string]measure.Trace{
		"1 times and 2": {T: []float64{1}, V: []float64{1, 2}},
		"no number":     {T: []float64{1, 2}, V: []float64{1, math.NaN()}},
		"does not come": {T: []float64{1, 2, 2}, V: []float64{1, 2, 3}},
		"stands at 50":  clipped,
	} {
		if _, problems := measure.FindTrials(trace); len(problems) == 0 || !strings.Contains(problems[0].What, says) {
			t.Errorf("%s: %v", says, problems)
		}
	}
}
