package movement

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/setup"
)

// A curve through keyframes may start or end at rest, or rest on its way. What goes by direction, an axis, friction, strength, takes it
// from just inside, a step of aside in s. As rates these are made small, creep, so that nothing that goes by speed notices.
const (
	aside = 1e-4
	creep = 1e-5
)

// atRest is the rate per unit s below which a joint is at rest: what rounding leaves of the rates of constrained paths is less.
const atRest = 1e-8

// point gives coordinates that come from rest or to it a direction: that in which they are about to go, else that in which they came.
// What rests before and after stays without.
func (p *Path) point(group []setup.Coordinate, s float64, q, dq *body.Pose) {
	if turns(group, q, dq) > 0 {
		return
	}
	for _, next := range [2]float64{s + aside, s - aside} {
		near, rates := p.raw(min(max(next, 0), 1))
		if speed := turns(group, &near, &rates); speed > 0 {
			for _, c := range group {
				dq[c] = rates[c] * creep / speed
			}
			return
		}
	}
}

// mayRest lists what turns somewhere along a path that has a curve in it.
func (p *Path) mayRest() (groups [][]setup.Coordinate) {
	if p.still || !slices.ContainsFunc(p.tracks, func(t track) bool { return t.curve != nil }) {
		return nil
	}
	for _, group := range jointly {
		for k := range 9 {
			if q, dq := p.raw((float64(k) + 0.5) / 9); turns(group, &q, &dq) > 0 {
				groups = append(groups, group)
				break
			}
		}
	}
	return groups
}

// jointly are the coordinates that together turn one segment; the rotation of the upper arm about itself is a turn of its own.
var jointly = func() (groups [][]setup.Coordinate) {
	at := map[string]int{}
	for c, info := range setup.Coordinates {
		name := info.Joint
		if setup.Coordinate(c) == setup.ShoulderRotation {
			name = info.Key
		}
		if _, ok := at[name]; !ok {
			at[name] = len(groups)
			groups = append(groups, nil)
		}
		groups[at[name]] = append(groups[at[name]], setup.Coordinate(c))
	}
	return groups
}()

// turns is how fast coordinates turn their segment; 0 at rest. A plane of elevation moves an arm only as far as it is raised.
func turns(group []setup.Coordinate, q, dq *body.Pose) float64 {
	sum := 0.0
	for _, c := range group {
		rate := dq[c]
		if c == setup.ShoulderPlane {
			rate *= math.Sin(q[setup.ShoulderElevation])
		}
		sum += rate * rate
	}
	if sum < atRest*atRest {
		return 0
	}
	return math.Sqrt(sum)
}
