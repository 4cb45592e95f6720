package profile

import (
	"math"
	"sort"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
)

// Trust says what a capacity rests on, the best first.
type Trust string

// The levels of trust.
const (
	Measured Trust = "measured" // isometric tests at two or more angles
	Scaled   Trust = "scaled"   // a library shape through one test
	Estimate Trust = "estimate" // a library shape scaled by body mass
	Modelled Trust = "model"    // no shape fits: what the muscles of the model can hold
	Unknown  Trust = "unknown"  // no shape fits the joint action
)

// Capacity is the largest torque that the lifter can hold at one joint, over poses and directions of movement.
type Capacity struct {
	Trust  Trust  // the weakest of the curves that were drawn on so far
	Why    string // why it is unknown
	lifter *setup.Lifter
	joint  string
	spin   bool
	// Flexors is what the model's muscles can flex the knee with, N·m, for which there is no shape; nil when it is not known.
	Flexors func(q *body.Pose) float64
	curves  map[string]*curve
}

// NewCapacity is the capacity at a joint, named without its side; with spin that of turning the segment about itself.
func NewCapacity(l *setup.Lifter, joint string, spin bool) *Capacity {
	return &Capacity{Trust: Measured, lifter: l, joint: joint, spin: spin, curves: make(map[string]*curve, 4)}
}

type curve struct {
	at    interp.FritschButland
	low   float64 // degrees
	high  float64
	scale float64
	trust Trust
}

func (c *curve) value(deg float64) float64 {
	return c.scale * c.at.Predict(max(c.low, min(c.high, deg)))
}

// At is the capacity in N·m in a pose (radians) that moves at a rate; false where there is no movement, or, with Why set,
// no shape for it.
//
// At the shoulder the actions are blended by squares (own): raising and lowering against moving forward and back by the
// squares of the speeds with which they swing the arm, and in each plane of elevation p abduction against flexion, or
// adduction against extension, by cos² p and sin² p. An arm that hangs has no plane to be moved in: at an elevation e
// moving forward counts as horizontal adduction by sin² e, else as what brings a hanging arm there. So nothing jumps
// where a path is turned or passes the hanging line.
func (c *Capacity) At(q, rate *body.Pose) (float64, bool) {
	switch c.joint {
	case "shoulder":
		return c.shoulder(q, rate)
	case "elbow":
		return c.hinge("elbow.flexion", "elbow.extension", q[setup.ElbowFlexion], rate[setup.ElbowFlexion])
	case "knee":
		if rate[setup.KneeFlexion] > 1e-9 && c.Flexors != nil {
			c.Trust = Modelled
			return c.Flexors(q), true
		}
		return c.hinge("", "knee.extension", q[setup.KneeFlexion], rate[setup.KneeFlexion])
	case "hip":
		return c.hinge("", "hip.extension", q[setup.HipFlexion], rate[setup.HipFlexion])
	case "girdle":
		return c.hinge("girdle.elevation", "", q[setup.GirdleElevation], rate[setup.GirdleElevation])
	}
	c.unknown()
	return 0, false
}

func (c *Capacity) unknown() {
	c.Trust, c.Why = Unknown, "No strength shape fits this action of the "+c.joint+"."
}

func (c *Capacity) hinge(up, down string, angle, rate float64) (float64, bool) {
	action := up
	if rate < 0 {
		action = down
	}
	switch {
	case math.Abs(rate) < 1e-9:
		return 0, false
	case action == "":
		c.unknown()
		return 0, false
	}
	return c.value(action, angle), true
}

func (c *Capacity) shoulder(q, rate *body.Pose) (float64, bool) {
	if c.spin {
		return c.hinge("shoulder.internalRotation", "shoulder.externalRotation", q[setup.ShoulderRotation], rate[setup.ShoulderRotation])
	}
	plane, elevation := q[setup.ShoulderPlane], q[setup.ShoulderElevation]
	rise, sweep := rate[setup.ShoulderElevation], rate[setup.ShoulderPlane]*math.Sin(elevation)
	both := rise*rise + sweep*sweep
	if both < 1e-12 {
		return 0, false
	}
	sum := 0.0
	add := func(weight float64, action string, angle float64) {
		if weight > 1e-9 {
			sum += weight * c.value(action, angle)
		}
	}
	level := math.Pow(math.Sin(elevation), 2)
	s := math.Sin(max(0, min(plane, math.Pi/2)))
	if w := rise * rise / both; w > 1e-9 {
		add(w*(1-s*s), oneOf(rise > 0, "shoulder.abduction", "shoulder.adduction"), elevation)
		add(w*s*s, oneOf(rise > 0, "shoulder.flexion", "shoulder.extension"), elevation)
	}
	if w := sweep * sweep / both; w > 1e-9 {
		add(w*level, oneOf(sweep > 0, "shoulder.horizontalAdduction", "shoulder.horizontalAbduction"), plane)
		add(w*(1-level)*(1-s*s), oneOf(sweep > 0, "shoulder.flexion", "shoulder.extension"), elevation)
		add(w*(1-level)*s*s, oneOf(sweep > 0, "shoulder.adduction", "shoulder.abduction"), elevation)
	}
	return sum, true
}

func oneOf(first bool, a, b string) string {
	if first {
		return a
	}
	return b
}

// value reads the curve of an action at an angle in radians.
func (c *Capacity) value(action string, angle float64) float64 {
	k, ok := c.curves[action]
	if !ok {
		k = newCurve(c.lifter, action)
		c.curves[action] = k
		if rank(k.trust) > rank(c.Trust) {
			c.Trust = k.trust
		}
	}
	return k.value(space.Deg(angle))
}

func rank(t Trust) int {
	return map[Trust]int{Measured: 0, Scaled: 1, Estimate: 2, Modelled: 3, Unknown: 4}[t]
}

// newCurve takes the best there is for an action: PCHIP through two or more tests, the library's shape through one
// test, or the shape scaled by body mass. Outside its table a curve is flat.
func newCurve(l *setup.Lifter, action string) *curve {
	tests := testsOf(l, action)
	if len(tests) >= 2 {
		x, y := make([]float64, len(tests)), make([]float64, len(tests))
		for i, t := range tests {
			x[i], y[i] = t.AngleDeg, t.Torque
		}
		return fitted(x, y, 1, Measured)
	}
	shape := catalogue.Shapes[action]
	c := fitted(shape.AngleDeg, shape.Fraction, shape.PerMass*l.Mass, Estimate)
	if len(tests) == 1 {
		c.scale = 1
		c.scale = tests[0].Torque / c.value(tests[0].AngleDeg)
		c.trust = Scaled
	}
	return c
}

func fitted(x, y []float64, scale float64, trust Trust) *curve {
	c := &curve{low: x[0], high: x[len(x)-1], scale: scale, trust: trust}
	if err := c.at.Fit(x, y); err != nil { // tables rise, and tests are validated and sorted
		panic("profile: " + err.Error())
	}
	return c
}

// testsOf are the tests of an action on the newest day that it was tested, by angle; days are written so that they sort.
func testsOf(l *setup.Lifter, action string) []setup.StrengthTest {
	newest := ""
	for _, t := range l.Strength {
		if t.Action == action {
			newest = max(newest, t.Date)
		}
	}
	var tests []setup.StrengthTest
	for _, t := range l.Strength {
		if t.Action == action && t.Date == newest {
			tests = append(tests, t)
		}
	}
	sort.Slice(tests, func(i, j int) bool { return tests[i].AngleDeg < tests[j].AngleDeg })
	return tests
}

// Along writes the capacity at every sample of a path. Where the path stands still for a moment, as keyframes may make it
// at their ends, that of the nearest moving sample holds. It says false, and writes NaN, when there is none.
func (c *Capacity) Along(out []float64, poses, rates []body.Pose) bool {
	any := false
	for i := range out {
		x, ok := c.At(&poses[i], &rates[i])
		out[i] = math.NaN()
		if c.Trust == Unknown {
			break
		}
		if ok {
			out[i], any = x, true
		}
	}
	if !any || c.Trust == Unknown {
		if c.Why == "" {
			c.Trust, c.Why = Unknown, "The "+c.joint+" does not move."
		}
		for i := range out {
			out[i] = math.NaN()
		}
		return false
	}
	for i := 1; i < len(out); i++ {
		if math.IsNaN(out[i]) {
			out[i] = out[i-1]
		}
	}
	for i := len(out) - 2; i >= 0; i-- {
		if math.IsNaN(out[i]) {
			out[i] = out[i+1]
		}
	}
	return true
}
