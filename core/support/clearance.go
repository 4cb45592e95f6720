package support

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Rub is how near a strand comes to something it should not touch, where that is nearest over the path.
type Rub struct {
	Index    int       // of the load in the document
	Mirror   bool      // the other side's copy
	Part     string    // of the body, bench, or another cable
	S        float64   // place along the path
	Distance float64   // from the surface, m; negative inside
	Longer   float64   // by what share the way round is longer than the straight one
	At       space.Vec // on the strand, m
}

// How near is close, how far in skin gives, and how much longer a way round may be before a strand is blocked (own).
const (
	closeBy    = 0.01
	skinGives  = 0.03
	detourFree = 0.02
)

// State says what a rub means: clear, close, touches or blocked.
func (r *Rub) State() string {
	switch {
	case r.Distance >= closeBy:
		return "clear"
	case r.Distance >= 0:
		return "close"
	case r.Distance >= -skinGives || r.Longer <= detourFree:
		return "touches"
	}
	return "blocked"
}

// capsule is a part of the body: a straight piece with a radius, as shares of stature (own).
type capsule struct {
	name     string
	segment  body.Segment
	radius   float64
	from, to float64 // along the segment
}

var capsules = []capsule{
	{"upper arm", body.UpperArmR, 0.030, 0, 1}, {"forearm", body.ForearmR, 0.023, 0, 1}, {"hand", body.HandR, 0.020, 0, 0.6},
	{"thigh", body.ThighR, 0.048, 0.1, 1}, {"shank", body.ShankR, 0.033, 0, 1},
	{"upper arm", body.UpperArmL, 0.030, 0, 1}, {"forearm", body.ForearmL, 0.023, 0, 1}, {"hand", body.HandL, 0.020, 0, 0.6},
	{"thigh", body.ThighL, 0.048, 0.1, 1}, {"shank", body.ShankL, 0.033, 0, 1},
}

// Half axes of the trunk's elliptic cylinder and the head's radius, as shares of stature (own).
const (
	trunkBroad = 0.087
	trunkDeep  = 0.060
	headRadius = 0.052
)

// Clearance runs the path at n places and gives, for every strand, what it comes nearest to.
func Clearance(path *movement.Path, items []load.Item, n int) []Rub {
	var out []Rub
	var f body.Frames
	for k := range items {
		it := &items[k]
		if it.From == nil || (it.Def.Kind != "cable" && it.Def.Kind != "band" && it.Def.Kind != "strands") || (it.Mirror && (it.Def.Shared || it.Def.Kind == "strands")) {
			continue
		}
		worst := Rub{Index: it.Index, Mirror: it.Mirror, Distance: math.Inf(1)}
		for i := range n {
			s := float64(i) / float64(n-1)
			path.Place(s, &f)
			pull := it.At(&f)
			end := pull.Contact
			if shape := it.Shape(&f); len(shape) > 0 {
				end = shape[0]
			}
			if r := nearest(&f, it, *it.From, end, pull.State == load.Working); r.Distance < worst.Distance {
				r.Index, r.Mirror, r.S = it.Index, it.Mirror, s
				worst = r
			}
		}
		if !math.IsInf(worst.Distance, 1) {
			out = append(out, worst)
		}
	}
	return out
}

// nearest is what a strand from a to b comes nearest to in one pose. The segment that it is fixed to and those next to it
// are left out: there it is meant to be.
func nearest(f *body.Frames, it *load.Item, a, b space.Vec, working bool) Rub {
	best := Rub{Distance: math.Inf(1)}
	if !working {
		return best
	}
	h := f.Body.Stature
	take := func(name string, distance, radius float64, at space.Vec) {
		if distance < best.Distance {
			best.Part, best.Distance, best.At = name, distance, at
			best.Longer = detour(a, b, at, radius, radius+distance)
		}
	}
	for i := range capsules {
		c := &capsules[i]
		if neighbours(c.segment, it.Segment) {
			continue
		}
		p, q := f.PointOn(c.segment, c.from), f.PointOn(c.segment, c.to)
		d, at := between(a, b, p, q)
		take(c.name, d-c.radius*h, c.radius*h, at)
	}
	if it.Segment != body.Trunk {
		d, at := toTrunk(f, a, b)
		take("trunk", d, trunkDeep*h, at)
	}
	head := r3.Add(f.Origin[body.Head], f.Turn[body.Head].Apply(space.Vec{Y: 0.12 * h}))
	d, at := between(a, b, head, head)
	take("head", d-headRadius*h, headRadius*h, at)
	return best
}

// toTrunk is how near a strand comes to the trunk, an elliptic cylinder from below the hips to the shoulders, and where: by
// stretching its breadth to its depth, which makes it round. Beside it distances come out short by up to that ratio.
func toTrunk(f *body.Frames, a, b space.Vec) (float64, space.Vec) {
	h := f.Body.Stature
	back := f.Turn[body.Trunk].Transpose()
	round := func(p space.Vec) space.Vec {
		v := back.Apply(r3.Sub(p, f.Origin[body.Trunk]))
		v.Z *= trunkDeep / trunkBroad
		return v
	}
	p, q := round(a), round(b)
	low, high := space.Vec{Y: -0.03 * h}, space.Vec{Y: f.Body.ShoulderHeight - f.Body.HipHeight - 0.03*h}
	d, at := between(p, q, low, high)
	share := 0.0
	if n := space.Norm(r3.Sub(q, p)); n > 0 {
		share = space.Norm(r3.Sub(at, p)) / n
	}
	return d - trunkDeep*h, r3.Add(a, r3.Scale(share, r3.Sub(b, a)))
}

// neighbours says whether a segment is the one a strand is fixed to, or next to it.
func neighbours(a, b body.Segment) bool {
	if a == b {
		return true
	}
	limb := func(s body.Segment) (int, bool) {
		if s < body.UpperArmR {
			return 0, false
		}
		return int(s-body.UpperArmR) / 3, true
	}
	la, oka := limb(a)
	lb, okb := limb(b)
	return oka && okb && la == lb && (a-b == 1 || b-a == 1)
}

// between is the least distance between two straight pieces, and where on the first it is.
func between(a, b, p, q space.Vec) (float64, space.Vec) {
	u, v, w := r3.Sub(b, a), r3.Sub(q, p), r3.Sub(a, p)
	uu, uv, vv, uw, vw := r3.Dot(u, u), r3.Dot(u, v), r3.Dot(v, v), r3.Dot(u, w), r3.Dot(v, w)
	det := uu*vv - uv*uv
	s := 0.0
	if det > 1e-12 {
		s = (uv*vw - vv*uw) / det
	}
	s = max(0, min(1, s))
	t := 0.0
	if vv > 1e-12 {
		t = max(0, min(1, (uv*s+vw)/vv))
	}
	if uu > 1e-12 {
		s = max(0, min(1, (uv*t-uw)/uu))
	}
	at := r3.Add(a, r3.Scale(s, u))
	return space.Norm(r3.Sub(at, r3.Add(p, r3.Scale(t, v)))), at
}

// detour is by what share the way from a to b round something of a radius, whose middle the straight line passes at a
// distance, is longer than the straight one: tangents and an arc.
func detour(a, b, at space.Vec, radius, distance float64) float64 {
	if distance >= radius || distance < 0 {
		distance = max(0, min(distance, radius))
	}
	la, lb := space.Norm(r3.Sub(at, a)), space.Norm(r3.Sub(b, at))
	out := func(l float64) (tangent, angle float64) {
		far := math.Hypot(l, distance)
		if far <= radius {
			return l, 0
		}
		tangent = math.Sqrt(far*far - radius*radius)
		// Between the line to the middle's foot and the touching radius.
		return tangent, math.Atan2(tangent, radius)*-1 + math.Atan2(l, distance)
	}
	ta, wa := out(la)
	tb, wb := out(lb)
	return (ta+tb+radius*max(0, wa+wb))/(la+lb) - 1
}
