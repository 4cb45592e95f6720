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
)

// off is how far the weight is from where it should be in a pose of the lead side: ahead, and to the right of the lifter, m.
type off func(q *body.Pose) (ahead, aside float64)

// astray tells it for a share of the body's weight on the leg that carries. What the lifter holds does not count: the pose would go with
// the load then, and twice the load would not be twice the torque.
func (p *Path) astray(share float64) off {
	lateral := p.station.Heading.Apply(space.Z)
	var f body.Frames
	return func(q *body.Pose) (float64, float64) {
		poses := [2]body.Pose{p.idle, p.idle}
		poses[p.Lead()] = *q
		f.Place(p.body, p.station, &poses, &[2]body.Pose{})
		foot, rear := f.Pressure(p.station.Carrier), f.Behind()
		at := f.CentreOfMass()
		want := p.sagittal(rear).x + share*(p.sagittal(foot).x-p.sagittal(rear).x)
		return p.sagittal(at).x - want, r3.Dot(r3.Sub(at, foot), lateral)
	}
}

// balanced leans the shin so that a share of the weight is on the front foot; the ankle's flexion is its to choose. The weight goes forward
// with it, so that the search keeps to what encloses the answer: Newton's steps as long as they stay inside, else halves.
func (p *Path) balanced(share float64) func(float64, *body.Pose) float64 {
	astray := p.astray(share)
	return func(_ float64, q *body.Pose) float64 {
		off := func(x float64) float64 {
			q[setup.AnkleFlexion] = x
			ahead, _ := astray(q)
			return ahead
		}
		low, high := leastLean, mostLean
		x, miss := 0.0, 0.0
		for range balanceSteps {
			if miss = off(x); math.Abs(miss) < balanceWithin {
				break
			}
			if miss > 0 {
				high = x
			} else {
				low = x
			}
			next := x - miss*balanceStep/(off(x+balanceStep)-miss)
			if !(next > low && next < high) {
				next = (low + high) / 2
			}
			x = next
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
		settle(func() (float64, float64) { return astray(&middle) }, &p.idle[setup.AnkleFlexion], &p.idle[setup.HipAbduction])
		return nil
	}
	var ankle, aside bool
	ankle = !names(&d.Movement, "ankle.flexionDeg")
	aside = !names(&d.Movement, "hip.abductionDeg")
	return func(_ float64, q *body.Pose) float64 {
		at := func() (float64, float64) {
			ahead, right := astray(q)
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

// settle turns two joints by Newton's method until neither is astray, the first for what is ahead and the second for what is aside, each
// by its own slope: the one has little to do with the other. It returns what is left, m.
func settle(astray func() (ahead, aside float64), first, second *float64) float64 {
	miss := 0.0
	for range balanceSteps {
		ahead, aside := astray()
		if miss = math.Hypot(ahead, aside); miss < balanceWithin {
			return 0
		}
		if ahead != 0 {
			*first += balanceStep
			next, _ := astray()
			*first -= balanceStep + within(ahead*balanceStep/(next-ahead))
		}
		if aside != 0 {
			*second += balanceStep
			_, next := astray()
			*second -= balanceStep + within(aside*balanceStep/(next-aside))
		}
	}
	return max(0, miss-1e-9)
}
