package support

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/space"
)

// hull is the convex hull of places on the floor, by their X and Z, going round one way (Andrew's monotone chain).
func hull(points []space.Vec) []space.Vec {
	p := slices.Clone(points)
	slices.SortFunc(p, func(a, b space.Vec) int { return cmp.Or(cmp.Compare(a.X, b.X), cmp.Compare(a.Z, b.Z)) })
	p = slices.Compact(p)
	if len(p) < 3 {
		return p
	}
	var out []space.Vec
	half := func(list []space.Vec) {
		start := len(out)
		for _, q := range list {
			for len(out) >= start+2 && turn(out[len(out)-2], out[len(out)-1], q) <= 0 {
				out = out[:len(out)-1]
			}
			out = append(out, q)
		}
		out = out[:len(out)-1]
	}
	half(p)
	slices.Reverse(p)
	half(p)
	return out
}

func turn(a, b, c space.Vec) float64 { return (b.X-a.X)*(c.Z-a.Z) - (b.Z-a.Z)*(c.X-a.X) }

// inside is how far inside a convex outline a place on the floor is, m; negative outside.
func inside(outline []space.Vec, p space.Vec) float64 {
	if len(outline) < 3 {
		return math.NaN()
	}
	least, outside := math.Inf(1), false
	for i, a := range outline {
		b := outline[(i+1)%len(outline)]
		if turn(a, b, p) < 0 {
			outside = true
		}
		least = min(least, toPiece(a, b, p))
	}
	if outside {
		return -least
	}
	return least
}

// toPiece is the distance of a place on the floor from the straight piece between two others.
func toPiece(a, b, p space.Vec) float64 {
	dx, dz := b.X-a.X, b.Z-a.Z
	t := 0.0
	if l2 := dx*dx + dz*dz; l2 > 0 {
		t = max(0, min(1, ((p.X-a.X)*dx+(p.Z-a.Z)*dz)/l2))
	}
	return math.Hypot(p.X-a.X-t*dx, p.Z-a.Z-t*dz)
}
