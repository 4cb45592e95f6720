package profile_test

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/floats"
	"gonum.org/v1/gonum/integrate"
)

// curve is a profile over 90 degrees from 5 degrees on, given over the place u in [0, 1].
func curve(n int, torque, capacity func(u float64) float64) *profile.Input {
	in := &profile.Input{School: "match"}
	for i := range n {
		u := float64(i) / float64(n-1)
		in.Swept = append(in.Swept, u*math.Pi/2)
		in.Angle = append(in.Angle, space.Rad(5)+u*math.Pi/2)
		in.Total = append(in.Total, torque(u))
		in.Loads = append(in.Loads, torque(u))
		in.Variable = append(in.Variable, torque(u))
		in.Capacity = append(in.Capacity, capacity(u))
	}
	return in
}

func constant(c float64) func(float64) float64 { return func(float64) float64 { return c } }

// Constant torque: centroid in the middle, thirds alike, nothing lost at either end (closed forms).
func TestConstantTorque(t *testing.T) {
	in := curve(101, constant(30), constant(60))
	in.School = "even"
	r := profile.Judge(in)
	check.Near(t, "peak", check.Value(t, "peak", r.Total.Peak), 30, 1e-12)
	check.Near(t, "a plateau peaks at its first angle", space.Deg(check.Value(t, "angle", r.Total.PeakAngle)), 5, 1e-9)
	check.Near(t, "centroid", check.Value(t, "centroid", r.Total.Centroid), 0.5, 1e-12)
	check.Near(t, "left at the end", check.Value(t, "left", r.Total.EndShare), 1, 1e-12)
	for _, third := range r.Total.Thirds {
		check.Near(t, "third", check.Value(t, "third", third), 1.0/3, 1e-9)
	}
	check.Near(t, "match with even", check.Value(t, "match", r.Fit), 100, 1e-9)
	check.Near(t, "effort", check.Value(t, "effort", r.PeakEffort), 0.5, 1e-12)
	check.Near(t, "load factor", check.Value(t, "factor", r.LoadFactor), 2, 1e-12)
	if r.Total.Phase != "mid" || len(r.DeadSpots)+len(r.Cliffs) > 0 {
		t.Errorf("phase %s, dead %v, cliffs %v", r.Total.Phase, r.DeadSpots, r.Cliffs)
	}
}

// A torque that grows in proportion has its centroid at 2/3 and shares 1/9, 3/9, 5/9 of its area; one that falls is the
// mirror image (closed forms of the triangle).
func TestTriangle(t *testing.T) {
	r := profile.Judge(curve(301, func(u float64) float64 { return 40 * u }, constant(60)))
	check.Near(t, "centroid", check.Value(t, "centroid", r.Total.Centroid), 2.0/3, 1e-5)
	for k, want := range []float64{1.0 / 9, 3.0 / 9, 5.0 / 9} {
		check.Near(t, "third", check.Value(t, "third", r.Total.Thirds[k]), want, 1e-5)
	}
	if r.Total.Phase != "late" {
		t.Errorf("rising torque is %s", r.Total.Phase)
	}
	if len(r.DeadSpots) != 1 || math.Abs(space.Deg(r.DeadSpots[0].To)-(5+0.15*90)) > 0.5 {
		t.Errorf("under 15%% of the peak up to 18.5 degrees: %v", r.DeadSpots)
	}
	r = profile.Judge(curve(301, func(u float64) float64 { return 40 * (1 - u) }, constant(60)))
	check.Near(t, "centroid", check.Value(t, "centroid", r.Total.Centroid), 1.0/3, 1e-5)
	if r.Total.Phase != "early" {
		t.Errorf("falling torque is %s", r.Total.Phase)
	}
}

// The centroid and the thirds agree with gonum's quadrature on a smooth curve.
func TestCentroidAgainstQuadrature(t *testing.T) {
	in := curve(201, func(u float64) float64 { return 20 + 15*math.Sin(4*u) }, constant(60))
	r := profile.Judge(in)
	u, moment := make([]float64, 201), make([]float64, 201)
	floats.ScaleTo(u, 2/math.Pi, in.Swept)
	floats.MulTo(moment, u, in.Total)
	area := integrate.Trapezoidal(u, in.Total)
	check.Near(t, "centroid", check.Value(t, "centroid", r.Total.Centroid), integrate.Trapezoidal(u, moment)/area, 1e-12)
	sum := 0.0
	for _, third := range r.Total.Thirds {
		sum += check.Value(t, "third", third)
	}
	check.Near(t, "sum of the thirds", sum, 1, 1e-12)
}

func TestPhaseWords(t *testing.T) {
	for centroid, want := range map[float64]string{0.30: "early", 0.449: "early", 0.45: "mid", 0.55: "mid", 0.551: "late", 0.64: "late"} {
		if got := profile.PhaseOf(centroid); got != want {
			t.Errorf("%v is %s, want %s", centroid, got, want)
		}
	}
}

// Each school gives 100 to exactly what it wants, at any size, and less to the others.
func TestEachSchoolWantsItsOwn(t *testing.T) {
	falling := func(u float64) float64 { return 70 - 35*u }
	shapes := map[string]func(u float64) float64{
		"match":  func(u float64) float64 { return 0.6 * falling(u) },
		"early":  func(u float64) float64 { return 0.9 * (1 - 0.65*u) * falling(u) },
		"late":   func(u float64) float64 { return 0.4 * (0.35 + 0.65*u) * falling(u) },
		"even":   constant(12),
		"custom": func(u float64) float64 { return 3 * u },
	}
	for school, torque := range shapes {
		for judge := range shapes {
			in := curve(101, torque, falling)
			in.School, in.Custom = judge, []float64{0, 1, 2, 3, 4}
			r := profile.Judge(in)
			match := check.Value(t, "match", r.Fit)
			if judge == school {
				check.Near(t, school+" by itself", match, 100, 1e-6)
				check.Near(t, school+": the wanted curve is the curve", floats.Distance(r.Target, in.Total, math.Inf(1)), 0, 1e-6)
			} else if match > 99 {
				t.Errorf("%s gives %s %.1f", judge, school, match)
			}
		}
	}
}

// The error of constant torque against falling effort, worked by hand: with capacity constant, the school early wants
// (1 - 0.65 u)/0.675, so the squared error is the integral of (1 - that)², (0.65/0.675)²/12.
func TestMatchByHand(t *testing.T) {
	in := curve(2001, constant(30), constant(60))
	in.School = "early"
	check.Near(t, "match", check.Value(t, "match", profile.Judge(in).Fit), 100*(1-0.65/0.675/math.Sqrt(12)), 1e-3)
}

// Overload: the load is raised until the largest effort is 1; then the mean effort is scored.
func TestOverload(t *testing.T) {
	in := curve(1001, func(u float64) float64 { return 20 + 20*u }, constant(80))
	in.School = "overload"
	r := profile.Judge(in)
	check.Near(t, "factor", check.Value(t, "factor", r.LoadFactor), 2, 1e-9)
	check.Near(t, "mean effort", check.Value(t, "match", r.Fit), 75, 1e-6)
}

// Fixed parts do not scale: with 10 N·m of arm and 20 of load against 40, the load may grow by 1.5.
func TestLoadFactorLeavesTheArm(t *testing.T) {
	in := curve(11, constant(30), constant(40))
	for i := range in.Variable {
		in.Variable[i] = 20
	}
	check.Near(t, "factor", check.Value(t, "factor", profile.Judge(in).LoadFactor), 1.5, 1e-12)
	for i := range in.Capacity {
		in.Capacity[i] = 9
	}
	if r := profile.Judge(in); r.LoadFactor.Known() || r.LoadFactor.Why() == "" || r.Reps.Why() == "" {
		t.Errorf("the arm alone is too much, yet the factor is %+v", r.LoadFactor)
	}
}

// 80 kg for 10 repetitions is a one-repetition limit of 106.7 kg (Epley 1985, from memory).
func TestRepetitions(t *testing.T) {
	in := curve(11, constant(80), constant(106.666666666))
	check.Near(t, "repetitions", check.Value(t, "reps", profile.Judge(in).Reps), 10, 1e-6)
	for capacity, why := range map[float64]string{82: "too near", 70: "more than"} {
		if r := profile.Judge(curve(11, constant(80), constant(capacity))); r.Reps.Known() || !strings.Contains(r.Reps.Why(), why) {
			t.Errorf("80 of %v leave no count, yet %+v", capacity, r.Reps)
		}
	}
}

// Torque that helps the lift weighs nothing and is told by itself: half of sin over a whole turn.
func TestAssistingTorque(t *testing.T) {
	r := profile.Judge(curve(1001, func(u float64) float64 { return math.Sin(2 * math.Pi * u) }, constant(2)))
	check.Near(t, "assisting", check.Value(t, "assisting", r.Total.Assisting), 0.5, 1e-6)
	check.Near(t, "centroid of the first half wave", check.Value(t, "centroid", r.Total.Centroid), 0.25, 1e-3)
	r = profile.Judge(curve(101, constant(-5), constant(60)))
	if !r.Fit.Known() || r.Fit.OrNaN() != 0 || r.Fit.Why() == "" || r.Total.Centroid.Known() {
		t.Errorf("all help: match %+v, centroid %+v", r.Fit, r.Total.Centroid)
	}
}

func TestCliff(t *testing.T) {
	r := profile.Judge(curve(101, func(u float64) float64 {
		if u < 0.5 {
			return 40
		}
		return 5
	}, constant(60)))
	if len(r.Cliffs) != 1 || space.Deg(r.Cliffs[0].From) > 50 || space.Deg(r.Cliffs[0].To) < 50 {
		t.Errorf("there is a cliff at 50 degrees: %v", r.Cliffs)
	}
	if r := profile.Judge(curve(101, func(u float64) float64 { return 40 - 35*u }, constant(60))); len(r.Cliffs) > 0 {
		t.Errorf("a steady fall is no cliff: %v", r.Cliffs)
	}
	// A weight that is led from level to over its top, cos of the angle (closed form), loses half of its peak there; one that stops short
	// of it does not.
	top := func(deg float64) []profile.Cliff {
		return profile.Judge(curve(101, func(u float64) float64 { return 40 * math.Cos(u*deg*math.Pi/180) }, constant(60))).Cliffs
	}
	if over := top(115); len(over) != 1 || !over[0].Falls {
		t.Errorf("over its top: %v", over)
	}
	if short := top(80); len(short) > 0 {
		t.Errorf("short of its top: %v", short)
	}
	// What comes in within a tenth of the range is one that rises.
	if in := profile.Judge(curve(101, func(u float64) float64 { return 40 / (1 + math.Exp(-100*(u-0.5))) },
		constant(60))).Cliffs; len(in) != 1 || in[0].Falls {
		t.Errorf("coming in: %v", in)
	}
}

// With a gap every metric is missing and says why; so it is when nothing moves.
func TestMissingMetricsSayWhy(t *testing.T) {
	in := curve(11, constant(30), constant(60))
	in.GapWhy = "The stack rests."
	still := curve(11, constant(30), constant(60))
	clear(still.Swept)
	for _, r := range []profile.Result{profile.Judge(in), profile.Judge(still)} {
		for i, m := range []metric.Metric{r.Fit, r.Total.Peak, r.Total.Centroid, r.Loads.EndShare, r.PeakEffort, r.LoadFactor, r.Reps} {
			if m.Known() || m.Why() == "" {
				t.Errorf("metric %d: %+v", i, m)
			}
		}
	}
}

func lifter(tests ...setup.StrengthTest) *setup.Lifter {
	return &setup.Lifter{Height: 1.75, BodyMass: 80, Strength: tests}
}

func known(tests ...setup.StrengthTest) *profile.Strength {
	return &profile.Strength{Lifter: lifter(tests...)}
}

// raised is the capacity of a shoulder that is raised through an elevation in a plane, radians.
func raised(c *profile.Capacity, plane, elevation float64) float64 {
	x, _ := c.At(&body.Pose{setup.ShoulderPlane: plane, setup.ShoulderElevation: elevation}, &body.Pose{setup.ShoulderElevation: 1})
	return x
}

// Capacity in the order of trust: by body mass, through one test, through several; flat beyond its table.
func TestCapacity(t *testing.T) {
	c := profile.NewCapacity(known(), "shoulder", false)
	check.Near(t, "by body mass, hanging", raised(c, 0, 0), 1.3*80, 1e-9)
	check.Near(t, "by body mass, level", raised(c, 0, math.Pi/2), 1.3*80*0.87, 1e-9)
	check.Near(t, "flat above the table", raised(c, 0, space.Rad(170)), 1.3*80*0.65, 1e-9)
	if c.Trust != profile.Estimate {
		t.Errorf("trust %s", c.Trust)
	}
	one := setup.StrengthTest{Action: "shoulder.abduction", AngleDeg: 90, Torque: 34}
	c = profile.NewCapacity(known(one), "shoulder", false)
	check.Near(t, "through the test", raised(c, 0, math.Pi/2), 34, 1e-9)
	check.Near(t, "shape kept", raised(c, 0, 0), 34/0.87, 1e-9)
	if c.Trust != profile.Scaled {
		t.Errorf("trust %s", c.Trust)
	}
	two := setup.StrengthTest{Action: "shoulder.abduction", AngleDeg: 30, Torque: 46}
	c = profile.NewCapacity(known(one, two), "shoulder", false)
	check.Near(t, "through both", raised(c, 0, space.Rad(30)), 46, 1e-9)
	check.Near(t, "two points are a straight line", raised(c, 0, space.Rad(60)), 40, 1e-9)
	check.Near(t, "flat below the tests", raised(c, 0, 0), 46, 1e-9)
	if c.Trust != profile.Measured {
		t.Errorf("trust %s", c.Trust)
	}
}

// Straight ahead flexion holds; between, the two are blended evenly at 45 degrees, and trust is that of the weaker.
func TestCapacityBetweenThePlanes(t *testing.T) {
	c := profile.NewCapacity(known(), "shoulder", false)
	side, front := raised(c, 0, 1), raised(c, math.Pi/2, 1)
	check.Near(t, "flexion", raised(c, math.Pi/2, 0), 1.4*80, 1e-9)
	check.Near(t, "half way", raised(c, math.Pi/4, 1), (side+front)/2, 1e-9)
	check.Near(t, "behind the body as at its side", raised(c, -0.4, 1), side, 1e-12)
	tested := known(setup.StrengthTest{Action: "shoulder.abduction", AngleDeg: 90, Torque: 34},
		setup.StrengthTest{Action: "shoulder.abduction", AngleDeg: 20, Torque: 50})
	c = profile.NewCapacity(tested, "shoulder", false)
	if raised(c, 0, 1); c.Trust != profile.Measured {
		t.Errorf("to the side: %s", c.Trust)
	}
	if raised(c, math.Pi/4, 1); c.Trust != profile.Estimate {
		t.Errorf("between: %s", c.Trust)
	}
}

// What a joint does decides whose strength counts: the direction of the movement, not the name of the exercise. A level
// arm that goes forward is adducted, one that goes back abducted, and one that does both counts by the squares of the
// speeds. What no shape fits is unknown, and says so.
func TestActionByDirection(t *testing.T) {
	level := body.Pose{setup.ShoulderElevation: math.Pi / 2, setup.ShoulderPlane: math.Pi / 2, setup.ElbowFlexion: math.Pi / 2,
		setup.KneeFlexion: space.Rad(70), setup.HipFlexion: math.Pi / 2}
	for _, c := range []struct {
		joint string
		spin  bool
		rate  body.Pose
		want  float64
	}{
		{"shoulder", false, body.Pose{setup.ShoulderPlane: 1}, 2 * 0.80},
		{"shoulder", false, body.Pose{setup.ShoulderPlane: -1}, 1},
		{"shoulder", false, body.Pose{setup.ShoulderElevation: -1}, 1.8 * 1},
		{"shoulder", false, body.Pose{setup.ShoulderElevation: 1}, 1.4 * 0.87},
		{"shoulder", false, body.Pose{setup.ShoulderElevation: 1, setup.ShoulderPlane: 1}, (2*0.80 + 1.4*0.87) / 2},
		{"shoulder", true, body.Pose{setup.ShoulderRotation: 1}, 0.75 * (1 - 0.3*90/160)},
		{"elbow", false, body.Pose{setup.ElbowFlexion: 1}, 1.1},
		{"elbow", false, body.Pose{setup.ElbowFlexion: -1}, 0.8},
		{"knee", false, body.Pose{setup.KneeFlexion: -1}, 3.2},
		{"hip", false, body.Pose{setup.HipFlexion: -1}, 3.6},
		{"hip", false, body.Pose{setup.HipFlexion: 1}, 2.1 * 0.7},
		{"hip", false, body.Pose{setup.HipAbduction: 1, setup.HipFlexion: 0.1}, 1.9 * 0.88},
		{"hip", false, body.Pose{setup.HipAbduction: -1}, 2 * 0.88},
		{"ankle", false, body.Pose{setup.AnkleFlexion: -1}, (55*1.6*0.92 + 10*2.6*0.90) / 65}, // the knee is bent by 70 degrees
		{"ankle", false, body.Pose{setup.AnkleFlexion: 1}, 0.6 * 0.95},
		{"trunk", false, body.Pose{setup.TrunkFlexion: 1}, 2.6 * 0.97}, {"trunk", false, body.Pose{setup.TrunkFlexion: -1}, 4.8 * 0.82},
		{"trunk", false, body.Pose{setup.TrunkBend: -1, setup.TrunkFlexion: 0.2}, 2.7 * 0.90},
		{"trunk", false, body.Pose{setup.TrunkRotation: 1}, 1.1 * 0.90},
		{"girdle", false, body.Pose{setup.GirdleElevation: 1, setup.GirdleProtraction: 0}, 2.1 * 0.9692250},
	} {
		k := profile.NewCapacity(known(), c.joint, c.spin)
		got, ok := k.At(&level, &c.rate)
		if !ok {
			t.Errorf("%s %v: nothing", c.joint, c.rate)
		}
		check.Near(t, c.joint, got, 80*c.want, 1e-9)
	}
	k := profile.NewCapacity(known(), "girdle", false)
	if _, ok := k.At(&level, &body.Pose{setup.GirdleElevation: -1}); ok || k.Trust != profile.Unknown || !strings.Contains(k.Why, "girdle") {
		t.Errorf("lowering the girdle: %+v", k)
	}
}
