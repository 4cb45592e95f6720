package movement

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Balance is sought to within so many metres, by so many steps at most, with slopes over a step of so many radians.
const (
	balanceWithin = 1e-12
	balanceSteps  = 40
	balanceStep   = 1e-5
	balanceBegin  = 0.05 // the first of a search that starts anywhere, rad
)

// off is how far the weight is from where it should be at a place along the path in a pose of the lead side: ahead, and to the right of the
// lifter, m.
type off func(s float64, q *body.Pose) (ahead, aside float64)

// astray tells it for a share of the body's weight on the leg that carries. What the lifter holds does not count: the pose would go with
// the load then, and twice the load would not be twice the torque.
func (p *Path) astray(share float64) off {
	lateral := p.station.Heading.Apply(space.Z)
	var f body.Frames
	return func(s float64, q *body.Pose) (float64, float64) {
		other, _ := p.other(s)
		poses := [2]body.Pose{other, other}
		poses[p.Lead()] = *q
		f.Place(p.body, p.station, &poses, &[2]body.Pose{})
		foot, rear := f.Pressure(p.station.Carrier), f.Behind()
		at := f.CentreOfMass()
		want := p.sagittal(rear).x + share*(p.sagittal(foot).x-p.sagittal(rear).x)
		return p.sagittal(at).x - want, r3.Dot(r3.Sub(at, foot), lateral)
	}
}

// balanced leans the shin so that a share of the weight is on the front foot; the ankle's flexion is its to choose. The weight goes forward
// with it, so that the search keeps to what encloses the answer: steps by the slope between the last two leans as long as they stay inside,
// else halves.
func (p *Path) balanced(share float64) func(float64, *body.Pose) float64 {
	astray := p.astray(share)
	return func(s float64, q *body.Pose) float64 {
		off := func(x float64) float64 {
			q[setup.AnkleFlexion] = x
			ahead, _ := astray(s, q)
			return ahead
		}
		low, high := leastLean, mostLean
		x, step := 0.0, balanceBegin
		if p.near != nil {
			x, step = p.near[setup.AnkleFlexion], balanceStep
		}
		miss := off(x)
		last, lastMiss := x+step, off(x+step)
		for range balanceSteps {
			if math.Abs(miss) < balanceWithin {
				break
			}
			if miss > 0 {
				high = x
			} else {
				low = x
			}
			next := x - miss*(last-x)/(lastMiss-miss)
			if !(next > low && next < high) {
				next = (low + high) / 2
			}
			last, lastMiss = x, miss
			x, miss = next, off(next)
		}
		off(x)
		return max(0, math.Abs(miss)-1e-9)
	}
}

// Leans of a shin between which a balance is sought, rad (own).
const leastLean, mostLean = -0.9, 1.2

// within keeps a step of a search to a tenth of a radian, which the first ones may need.
func within(step float64) float64 { return max(-0.1, min(0.1, step)) }

// onOneFoot brings the weight over the foot that is stood on, by the ankle and by how far the thigh is led under the body, where the
// movement says nothing of them. Where the free leg moves, that is done once, half way.
func (p *Path) onOneFoot(d *setup.Document) func(float64, *body.Pose) float64 {
	astray := p.astray(1)
	if p.Lead() != p.station.Carrier {
		var middle, rate body.Pose
		p.named(0.5, &middle, &rate)
		settle(func() (float64, float64) { return astray(0.5, &middle) }, &p.idle[setup.AnkleFlexion], &p.idle[setup.HipAbduction])
		return nil
	}
	ankle, aside := !d.Movement.Names("ankle.flexionDeg"), !d.Movement.Names("hip.abductionDeg")
	return func(s float64, q *body.Pose) float64 {
		if p.near != nil {
			if ankle {
				q[setup.AnkleFlexion] = p.near[setup.AnkleFlexion]
			}
			if aside {
				q[setup.HipAbduction] = p.near[setup.HipAbduction]
			}
		}
		at := func() (float64, float64) {
			ahead, right := astray(s, q)
			if !ankle {
				ahead = 0
			}
			if !aside {
				right = 0
			}
			return ahead, right
		}
		return settle(at, &q[setup.AnkleFlexion], &q[setup.HipAbduction])
	}
}

// settle turns two joints until neither is astray, the first for what is ahead and the second for what is aside, each by its own slope: the
// one has little to do with the other. Slopes are measured once and then follow from the steps (secants). It returns what is left, m.
func settle(astray func() (ahead, aside float64), first, second *float64) float64 {
	ahead, aside := astray()
	slope := func(x *float64, of func() float64, was float64) float64 {
		if was == 0 {
			return 1
		}
		*x += balanceStep
		defer func() { *x -= balanceStep }()
		return (of() - was) / balanceStep
	}
	along := slope(first, func() float64 { a, _ := astray(); return a }, ahead)
	across := slope(second, func() float64 { _, a := astray(); return a }, aside)
	for range balanceSteps {
		if math.Hypot(ahead, aside) < balanceWithin {
			return 0
		}
		da, ds := -within(ahead/along), -within(aside/across)
		*first, *second = *first+da, *second+ds
		a, b := astray()
		if math.Abs(da) > 1e-9 && ahead != 0 {
			along = (a - ahead) / da
		}
		if math.Abs(ds) > 1e-9 && aside != 0 {
			across = (b - aside) / ds
		}
		ahead, aside = a, b
	}
	return max(0, math.Hypot(ahead, aside)-1e-9)
}
