package movement

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// besideHand is how far apart the middles of two hands on one handle are, as a share of stature (own).
const besideHand = 0.034

// join leads the arm that takes no part to the handle that the other hand holds in a pose. It returns by how much that is out of reach, m.
func (p *Path) join(q, other *body.Pose) float64 {
	*other = p.idle
	at := p.gripIn(q)
	return p.reach(space.Vec{X: at.X, Y: at.Y, Z: besideHand*p.body.Height - at.Z}, outward, math.NaN(), other)
}

// joined is the pose of that arm and its rates, by differences.
func (p *Path) joined(q, dq *body.Pose) (pose, rate body.Pose) {
	p.join(q, &pose)
	var before, after body.Pose
	near := func(step float64, to *body.Pose) {
		moved := *q
		for c := range moved {
			moved[c] += step * dq[c]
		}
		p.join(&moved, to)
		to.ReadAs(&pose)
	}
	near(-difference, &before)
	near(difference, &after)
	for c := setup.ShoulderPlane; c <= setup.ElbowFlexion; c++ {
		rate[c] = math.Remainder(after[c]-before[c], 2*math.Pi) / (2 * difference)
	}
	return pose, rate
}

// joiningMisses is by how much that arm misses the handle at worst, m.
func (p *Path) joiningMisses() float64 {
	worst := 0.0
	for k := range 9 {
		q, _ := p.pose(float64(k) / 8)
		var other body.Pose
		worst = max(worst, p.join(&q, &other))
	}
	return worst
}
