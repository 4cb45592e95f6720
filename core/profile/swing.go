package profile

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// Where an arm that points neither ahead nor outward comes to be seen as led behind the body or across it: over these planes of elevation
// of an arm raised by a positive angle, degrees, the one reading gives way to the other (own).
const (
	acrossFrom, acrossTo = 105, 135
	behindFrom, behindTo = -45, -75
)

// swing blends the actions of an arm that is swung, by squares (own).
//
// A plane of elevation p with an elevation e and p + 180 degrees with -e are one direction of the arm. So both readings are asked: the one
// in which it is raised by a positive angle, and the one in which it is led past hanging by a negative one, weighted by where the arm
// points. How a document writes the pose makes no difference, and nothing jumps where a path goes from one reading to the other.
func swing(q, rate *body.Pose, add func(weight float64, action string, angle float64)) bool {
	p, e := q[setup.ShoulderPlane], q[setup.ShoulderElevation]
	rise, sweep := rate[setup.ShoulderElevation], rate[setup.ShoulderPlane]*math.Sin(e)
	both := rise*rise + sweep*sweep
	if both < 1e-12 {
		return false
	}
	if e < 0 {
		p, e, rise, sweep = p+math.Pi, -e, -rise, -sweep
	}
	p = math.Remainder(p, 2*math.Pi)
	past := pastHanging(space.Deg(p))
	if past < 1 {
		raised(1-past, p, e, rise, sweep, both, add)
	}
	if past > 0 {
		raised(past, math.Remainder(p+math.Pi, 2*math.Pi), -e, -rise, -sweep, both, add)
	}
	return true
}

// pastHanging is by how much an arm raised in a plane, degrees, is seen as led behind the body or across it, 0 to 1.
func pastHanging(plane float64) float64 {
	across := (plane - acrossFrom) / (acrossTo - acrossFrom)
	behind := (plane - behindFrom) / (behindTo - behindFrom)
	return min(1, max(0, across, behind))
}

// raised blends one reading: raising and lowering against moving forward and back by the squares of the speeds with which they swing the
// arm, and in each plane of elevation p abduction against flexion, or adduction against extension, by cos² p and sin² p. An arm that hangs
// has no plane to be moved in: at an elevation e moving forward counts as horizontal adduction by sin² e, else as what brings a hanging arm
// there.
func raised(share, plane, elevation, rise, sweep, both float64, add func(weight float64, action string, angle float64)) {
	part := func(weight float64, action string, angle float64) {
		if weight *= share; weight > 1e-9 {
			add(weight, action, angle)
		}
	}
	level := math.Pow(math.Sin(elevation), 2)
	s := math.Sin(max(0, min(plane, math.Pi/2)))
	if w := rise * rise / both; w > 1e-9 {
		part(w*(1-s*s), oneOf(rise > 0, "shoulder.abduction", "shoulder.adduction"), elevation)
		part(w*s*s, oneOf(rise > 0, "shoulder.flexion", "shoulder.extension"), elevation)
	}
	if w := sweep * sweep / both; w > 1e-9 {
		part(w*level, oneOf(sweep > 0, "shoulder.horizontalAdduction", "shoulder.horizontalAbduction"), plane)
		part(w*(1-level)*(1-s*s), oneOf(sweep > 0, "shoulder.flexion", "shoulder.extension"), elevation)
		part(w*(1-level)*s*s, oneOf(sweep > 0, "shoulder.adduction", "shoulder.abduction"), elevation)
	}
}
