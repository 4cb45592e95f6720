package profile

import (
	"math"
	"slices"
	"strings"

	"dialarc/core/body"
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
	BySets   Trust = "sets"     // a library shape scaled by sets that the lifter knows
	Estimate Trust = "estimate" // a library shape scaled by body mass, training and sex
	Unknown  Trust = "unknown"  // no shape fits the joint action
)

// Capacity is the largest torque that the lifter can hold at one joint, over poses and directions of movement.
type Capacity struct {
	Trust  Trust   // the weakest of the curves that were drawn on so far
	Why    string  // why it is unknown
	Spread float64 // the largest along the path, the actions blended: standard deviation of the logarithm
	of     *Strength
	joint  string
	spin   bool
	tested []string // the actions drawn on that rest on a test, in the order in which they were asked for
}

// NewCapacity is the capacity at a joint, named without its side; with spin that of turning the segment about itself.
func NewCapacity(of *Strength, joint string, spin bool) *Capacity {
	return &Capacity{Trust: Measured, of: of, joint: joint, spin: spin}
}

type curve struct {
	at     interp.FritschButland
	low    float64 // degrees
	high   float64
	scale  float64
	trust  Trust
	spread float64 // standard deviation of the logarithm
}

func (c *curve) value(deg float64) float64 {
	return c.scale * c.at.Predict(max(c.low, min(c.high, deg)))
}

// At is the capacity in N·m in a pose (radians) that moves at a rate; false where there is no movement, or, with Why set, no shape for
// it.
func (c *Capacity) At(q, rate *body.Pose) (float64, bool) {
	sum, off := 0.0, 0.0
	ok := c.each(q, rate, func(weight float64, action string, angle float64) {
		k, x := c.drawOn(action, angle, weight)
		sum, off = sum+weight*x, off+weight*x*k.spread
	})
	if sum > 0 {
		c.Spread = max(c.Spread, off/sum)
	}
	return sum, ok
}

// Actions are those that the capacity at a pose and rate is blended from, with their weights, which are 1 together; empty where there is
// none.
func (c *Capacity) Actions(q, rate *body.Pose) map[string]float64 {
	out := map[string]float64{}
	c.each(q, rate, func(weight float64, action string, _ float64) { out[action] += weight })
	return out
}

// each calls what is done with every action that a movement is blended from.
func (c *Capacity) each(q, rate *body.Pose, add func(weight float64, action string, angle float64)) bool {
	hinge := func(up, down string, coordinate setup.Coordinate) bool {
		action := up
		if rate[coordinate] < 0 {
			action = down
		}
		switch {
		case math.Abs(rate[coordinate]) < 1e-9:
			return false
		case action == "":
			c.unknown()
			return false
		}
		add(1, action, q[coordinate])
		return true
	}
	switch c.joint {
	case "shoulder":
		if c.spin {
			return hinge("shoulder.internalRotation", "shoulder.externalRotation", setup.ShoulderRotation)
		}
		return swing(q, rate, add)
	case "elbow":
		return hinge("elbow.flexion", "elbow.extension", setup.ElbowFlexion)
	case "knee":
		return hinge("knee.flexion", "knee.extension", setup.KneeFlexion)
	case "hip":
		if math.Abs(rate[setup.HipAbduction]) > math.Abs(rate[setup.HipFlexion]) {
			return hinge("hip.abduction", "hip.adduction", setup.HipAbduction)
		}
		return hinge("hip.flexion", "hip.extension", setup.HipFlexion)
	case "ankle":
		return c.ofAnkle(q, rate, add)
	case "trunk":
		return c.ofTrunk(q, rate, add)
	case "girdle":
		return hinge("girdle.elevation", "", setup.GirdleElevation)
	}
	c.unknown()
	return false
}

// How far a knee is bent up to which the calf is tested as with a straight one, and from which as with a bent one, degrees (own).
const (
	kneeStraight = 15
	kneeBent     = 80
)

// ofAnkle is that of the toes drawn up, or blends what the calf can do with a straight knee and with a bent one.
func (c *Capacity) ofAnkle(q, rate *body.Pose, add func(weight float64, action string, angle float64)) bool {
	switch r := rate[setup.AnkleFlexion]; {
	case math.Abs(r) < 1e-9:
		return false
	case r > 0:
		add(1, "ankle.dorsiflexion", q[setup.AnkleFlexion])
		return true
	}
	bent := max(0, min(1, (space.Deg(q[setup.KneeFlexion])-kneeStraight)/(kneeBent-kneeStraight)))
	if bent < 1 {
		add(1-bent, "ankle.plantarFlexion", q[setup.AnkleFlexion])
	}
	if bent > 0 {
		add(bent, "ankle.plantarFlexionKneeBent", q[setup.AnkleFlexion])
	}
	return true
}

// ofTrunk is that of what the trunk does most: bend, straighten, bend to a side or turn. To which side makes no difference, but from the
// stretch it is stronger: what counts is the angle to the side that it goes to.
func (c *Capacity) ofTrunk(q, rate *body.Pose, add func(weight float64, action string, angle float64)) bool {
	most := setup.TrunkFlexion
	for _, k := range [2]setup.Coordinate{setup.TrunkBend, setup.TrunkRotation} {
		if math.Abs(rate[k]) > math.Abs(rate[most]) {
			most = k
		}
	}
	if math.Abs(rate[most]) < 1e-9 {
		return false
	}
	toward := math.Copysign(1, rate[most])
	switch most {
	case setup.TrunkBend:
		add(1, "trunk.sideBend", toward*q[most])
	case setup.TrunkRotation:
		add(1, "trunk.rotation", toward*q[most])
	default:
		add(1, oneOf(toward > 0, "trunk.flexion", "trunk.extension"), q[most])
	}
	return true
}

// Words says what the capacity that was asked for so far rests on.
func (c *Capacity) Words() string {
	text := c.of.Words(c.Trust)
	if len(c.tested) == 0 || c.Trust == Unknown {
		return text
	}
	parts := make([]string, len(c.tested))
	for i, action := range c.tested {
		parts[i] = c.of.testWords(action)
	}
	said := strings.ToUpper(parts[0][:1]) + strings.Join(parts, "; ")[1:] + "."
	if rank(c.Trust) > rank(Scaled) {
		said += " For the rest: " + strings.ToLower(text[:1]) + text[1:]
	}
	return said
}

func (c *Capacity) unknown() {
	c.Trust, c.Why = Unknown, "There is no strength curve for this action of the "+c.joint+"."
}

func oneOf(first bool, a, b string) string {
	if first {
		return a
	}
	return b
}

// counts is the part of a capacity from which what an action rests on counts for the whole (own).
const counts = 0.25

// drawOn reads the curve of an action at an angle in radians, which makes up a part of the capacity there.
func (c *Capacity) drawOn(action string, angle, part float64) (*curve, float64) {
	k := c.of.curve(action)
	if part >= counts {
		if rank(k.trust) > rank(c.Trust) {
			c.Trust = k.trust
		}
		if rank(k.trust) <= rank(Scaled) && !slices.Contains(c.tested, action) {
			c.tested = append(c.tested, action)
		}
	}
	return k, k.value(space.Deg(angle))
}

// rank orders what a strength rests on, the best first.
func rank(t Trust) int { return slices.Index(ranks[:], t) }

var ranks = [...]Trust{Measured, Scaled, BySets, Estimate, Unknown}

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
