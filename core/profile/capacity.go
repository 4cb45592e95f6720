// Package profile judges a torque curve: capacity and effort, where the load falls, and how well it matches what the
// chosen school wants.
package profile

import (
	"math"
	"sort"

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
)

// Capacity is the largest torque that the lifter can hold at the target joint, over elevation and plane.
type Capacity struct {
	Trust   Trust // the weakest of the curves that the plane draws on
	curves  [2]curve
	forward float64 // weight of the second curve
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

// NewCapacity builds the capacity of a region's joint actions for a raise in a plane of elevation (radians). Between
// the frontal plane, where abduction's strength holds, and the plane straight ahead, where flexion's does, the two are
// blended by sin² of the plane (own): smooth, and without a step where a path is turned.
func NewCapacity(l *setup.Lifter, region setup.Region, plane float64) Capacity {
	c := Capacity{Trust: Measured}
	s := math.Sin(max(0, min(plane, math.Pi/2)))
	c.forward = s * s
	for i, weight := range []float64{1 - c.forward, c.forward} {
		c.curves[i] = newCurve(l, region.Action[i])
		if weight > 1e-9 && rank(c.curves[i].trust) > rank(c.Trust) {
			c.Trust = c.curves[i].trust
		}
	}
	return c
}

func rank(t Trust) int { return map[Trust]int{Measured: 0, Scaled: 1, Estimate: 2}[t] }

// newCurve takes the best there is for an action: PCHIP through two or more tests, the library's shape through one
// test, or the shape scaled by body mass. Outside its table a curve is flat.
func newCurve(l *setup.Lifter, action string) curve {
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

func fitted(x, y []float64, scale float64, trust Trust) curve {
	c := curve{low: x[0], high: x[len(x)-1], scale: scale, trust: trust}
	if err := c.at.Fit(x, y); err != nil { // tables rise, and tests are validated and sorted
		panic("profile: " + err.Error())
	}
	return c
}

func testsOf(l *setup.Lifter, action string) []setup.StrengthTest {
	var tests []setup.StrengthTest
	for _, t := range l.Strength {
		if t.Action == action {
			tests = append(tests, t)
		}
	}
	sort.Slice(tests, func(i, j int) bool { return tests[i].AngleDeg < tests[j].AngleDeg })
	return tests
}

// At is the capacity in N·m at an elevation in radians.
func (c *Capacity) At(elevation float64) float64 {
	deg := space.Deg(elevation)
	return (1-c.forward)*c.curves[0].value(deg) + c.forward*c.curves[1].value(deg)
}
