package support

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/space"
	"dialarc/core/torque"

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
	Crosses  bool      // what it comes near to is another strand: thin things that at worst lie on each other
	At       space.Vec // on the strand, m
}

// How near is close, how far in skin gives, and how much longer a way round may be before a strand is blocked (own).
const (
	closeBy    = 0.01
	skinGives  = 0.03
	detourFree = 0.05
)

// State says what a rub means: clear, crosses, close, touches, or deeper than skin gives, bends where the way round is hardly longer, so
// that the pull comes from about where it is reckoned from, and else blocked.
func (r *Rub) State() string {
	switch {
	case r.Crosses:
		return "crosses"
	case r.Distance >= closeBy:
		return "clear"
	case r.Distance >= 0:
		return "close"
	case r.Distance >= -skinGives:
		return "touches"
	case r.Longer <= detourFree:
		return "bends"
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

// strand is one load's line to the body in one pose.
type strand struct {
	item    *load.Item
	a, b    space.Vec // from the pulley or anchor to where it is held
	working bool
}

// clears says whether a load has a line that could rub on something.
func clears(it *load.Item) bool {
	return it.From != nil && load.Of(it.Def).Line != "" && !(it.Mirror && load.ForBothHands(it.Def))
}

func strandsOf(f *body.Frames, items []load.Item, all bool, out []strand) []strand {
	out = out[:0]
	for k := range items {
		it := &items[k]
		if !clears(it) || (it.Mirror && !all) {
			continue
		}
		pull := it.At(f)
		end := pull.Contact
		if shape := it.Shape(f); len(shape) > 0 {
			end = shape[0]
		}
		out = append(out, strand{it, *it.From, end, pull.State == load.Working})
	}
	return out
}

// Span is a stretch of the path, s from and to.
type Span struct{ From, To float64 }

// Clearance runs the path at n places and gives, for every strand, what it comes nearest to, the worst first of what blocks
// it, and the stretches of the path in which something blocks it. The other side's copies are left out unless all are asked
// for.
func Clearance(path *movement.Path, items []load.Item, cols []Column, n int, all bool) ([]Rub, [][]Span) {
	c := clearer{path: path, items: items, columns: cols, all: all}
	c.look(0)
	worst, blocked := make([]Rub, len(c.strands)), make([][]bool, len(c.strands))
	for i := range n {
		s := float64(i) / float64(n-1)
		c.look(s)
		for k := range c.strands {
			r := c.nearest(k, s)
			if i == 0 || worseRub(&r, &worst[k]) {
				worst[k] = r
			}
			blocked[k] = append(blocked[k], r.State() == "blocked")
		}
		if path.Still() {
			break
		}
	}
	rubs, spans := worst[:0], make([][]Span, 0, len(worst))
	for k, r := range worst {
		if !math.IsInf(r.Distance, 1) {
			rubs, spans = append(rubs, r), append(spans, c.spans(k, blocked[k]))
		}
	}
	return rubs, spans
}

// spans are the stretches in which a strand is blocked, their ends found by halving between two places.
func (c *clearer) spans(k int, blocked []bool) []Span {
	var out []Span
	at := func(i int) float64 { return float64(i) / float64(max(1, len(blocked)-1)) }
	for i, now := range blocked {
		before := i > 0 && blocked[i-1]
		switch {
		case now && !before && i == 0:
			out = append(out, Span{0, 1})
		case now && !before:
			out = append(out, Span{c.edge(k, at(i), at(i-1)), 1})
		case !now && before:
			out[len(out)-1].To = c.edge(k, at(i-1), at(i))
		}
	}
	return out
}

// edge is where between a blocked and a free place the strand comes free.
func (c *clearer) edge(k int, blocked, free float64) float64 {
	for range 7 {
		mid := (blocked + free) / 2
		c.look(mid)
		if r := c.nearest(k, mid); r.State() == "blocked" {
			blocked = mid
		} else {
			free = mid
		}
	}
	return blocked
}

// MarkBlocked notes in a repetition where strands of the side that moves are blocked: there a load does not work as it is
// computed.
func MarkBlocked(rep *torque.Repetition, rubs []Rub, spans [][]Span) {
	for r := range rubs {
		k := slices.Index(rep.Index, rubs[r].Index)
		if rubs[r].Mirror || k < 0 {
			continue
		}
		for _, sp := range spans[r] {
			for i, s := range rep.S {
				if s >= sp.From-1e-9 && s <= sp.To+1e-9 && rep.Parts[k].State[i] == load.Working {
					rep.Parts[k].State[i] = load.Blocked
				}
			}
		}
	}
}

// worseRub puts what blocks before what only rubs.
func worseRub(a, b *Rub) bool {
	if x, y := a.State() == "blocked", b.State() == "blocked"; x != y {
		return x
	}
	if a.Crosses != b.Crosses { // anything that rubs goes first
		other := b
		if b.Crosses {
			other = a
		}
		return (other == a) == (other.Distance < closeBy)
	}
	return a.Distance < b.Distance
}

// clearer looks at all strands in one pose after the other.
type clearer struct {
	path    *movement.Path
	items   []load.Item
	columns []Column
	all     bool // the other side's copies too
	frames  *body.Frames
	strands []strand
}

func (c *clearer) look(s float64) {
	c.frames = c.path.Frames(s)
	c.strands = strandsOf(c.frames, c.items, c.all, c.strands)
}

// nearest is what one strand comes nearest to in the pose that was looked at.
func (c *clearer) nearest(k int, s float64) Rub {
	me := &c.strands[k]
	best := nearest{me, Rub{Index: me.item.Index, Mirror: me.item.Mirror, S: s, Distance: math.Inf(1)}}
	if !me.working {
		return best.Rub
	}
	best.ofBody(c.frames)
	for i := range c.frames.Station.Pads {
		d, at := toBox(me.a, me.b, &c.frames.Station.Pads[i])
		best.take("bench", d, 0, at)
	}
	for i := range c.columns {
		if col := &c.columns[i]; math.Hypot(col.X-me.a.X, col.Z-me.a.Z) > col.HalfWidth+0.01 { // not the one that it comes from
			d, at := between(me.a, me.b, space.Vec{X: col.X, Z: col.Z}, space.Vec{X: col.X, Y: col.Height, Z: col.Z})
			best.take(col.Name(), d-col.HalfWidth, 0, at)
		}
	}
	for i := range c.strands {
		if other := &c.strands[i]; i != k && other.working && space.Norm(r3.Sub(other.b, me.b)) > togetherAt {
			d, at := between(me.a, me.b, other.a, other.b)
			if d < closeBy && best.Distance > closeBy {
				best.Part, best.Distance, best.At, best.Longer, best.Crosses = "other "+load.Of(other.item.Def).Line, d, at, 0, true
			}
		}
	}
	return best.Rub
}

// nearest is what a strand comes nearest to of all that was looked at.
type nearest struct {
	strand *strand
	Rub
}

// take takes something that may be nearer: so far away, with so large a radius or an edge, and where.
func (n *nearest) take(name string, distance, radius float64, at space.Vec) {
	if distance >= n.Distance {
		return
	}
	n.Part, n.Distance, n.At, n.Longer = name, distance, at, 0
	switch {
	case distance > -skinGives: // the way round does not matter yet
	case radius > 0:
		n.Longer = detour(n.strand.a, n.strand.b, at, radius, radius+distance)
	default:
		n.Longer = overEdge(n.strand.a, n.strand.b, at, -distance)
	}
}

// togetherAt is how near two strands have to be held for them to be meant to meet, m (own).
const togetherAt = 0.10

// ofBody takes what of the lifter is nearer. The segment that the strand is fixed to and those next to it are left out: there it is meant
// to be.
func (n *nearest) ofBody(f *body.Frames) {
	me, h := n.strand, f.Body.Height
	for i := range capsules {
		c := &capsules[i]
		inHands := me.item.Def.Shared && (neighbours(c.segment, body.HandR) || neighbours(c.segment, body.HandL))
		if inHands || neighbours(c.segment, me.item.Segment) {
			continue
		}
		p, q := f.PointOn(c.segment, c.from), f.PointOn(c.segment, c.to)
		d, at := between(me.a, me.b, p, q)
		n.take(c.name, d-c.radius*h, c.radius*h, at)
	}
	if me.item.Segment != body.Pelvis && me.item.Segment != body.Thorax {
		d, at := toTrunk(f, me.a, me.b)
		n.take("trunk", d, trunkDeep*h, at)
	}
	head := headOf(f)
	d, at := between(me.a, me.b, head, head)
	n.take("head", d-headRadius*h, headRadius*h, at)
}

// headOf is the middle of the head.
func headOf(f *body.Frames) space.Vec {
	return r3.Add(f.Origin[body.Head], f.Turn[body.Head].Apply(space.Vec{Y: 0.12 * f.Body.Height}))
}

// toBox is how near a straight piece comes to a pad, negative inside, and where: the signed distance to a box is convex along
// a line, so that thirding the piece finds the least.
func toBox(a, b space.Vec, pad *body.Pad) (float64, space.Vec) {
	back := pad.Turn.Transpose()
	p, q := back.Apply(r3.Sub(a, pad.Middle)), back.Apply(r3.Sub(b, pad.Middle))
	distance := func(t float64) float64 {
		v := r3.Add(p, r3.Scale(t, r3.Sub(q, p)))
		x, y, z := math.Abs(v.X)-pad.Half.X, math.Abs(v.Y)-pad.Half.Y, math.Abs(v.Z)-pad.Half.Z
		outside := math.Sqrt(sq(max(0, x)) + sq(max(0, y)) + sq(max(0, z)))
		return outside + min(0, max(x, y, z))
	}
	low, high := 0.0, 1.0
	for range 24 {
		first, second := low+(high-low)/3, high-(high-low)/3
		if distance(first) <= distance(second) {
			high = second
		} else {
			low = first
		}
	}
	t := (low + high) / 2
	return distance(t), r3.Add(a, r3.Scale(t, r3.Sub(b, a)))
}

func sq(x float64) float64 { return x * x }

// overEdge is by what share the way from a to b is longer when it has to give way by a depth at a place.
func overEdge(a, b, at space.Vec, depth float64) float64 {
	la, lb := space.Norm(r3.Sub(at, a)), space.Norm(r3.Sub(b, at))
	return (math.Hypot(la, depth)+math.Hypot(lb, depth))/(la+lb) - 1
}

// toTrunk is how near a strand comes to the trunk, elliptic cylinders from below the hips to where it bends and on to the shoulders, and
// where: by stretching their breadth to their depth, which makes them round. Beside them distances come out short by up to that ratio.
func toTrunk(f *body.Frames, a, b space.Vec) (float64, space.Vec) {
	low, high := -0.03*f.Body.Height, f.Body.ShoulderHeight-f.Body.HipHeight-0.03*f.Body.Height
	if f.Turn[body.Thorax] == f.Turn[body.Pelvis] {
		return toCylinder(f, body.Pelvis, low, high, a, b)
	}
	bends := f.Body.SegmentLength(body.Pelvis)
	d, at := toCylinder(f, body.Pelvis, low, bends, a, b)
	if above, there := toCylinder(f, body.Thorax, 0, high-bends, a, b); above < d {
		return above, there
	}
	return d, at
}

// toCylinder is that of one piece of the trunk between two heights over its segment's origin.
func toCylinder(f *body.Frames, s body.Segment, low, high float64, a, b space.Vec) (float64, space.Vec) {
	h := f.Body.Height
	back := f.Turn[s].Transpose()
	round := func(p space.Vec) space.Vec {
		v := back.Apply(r3.Sub(p, f.Origin[s]))
		v.Z *= trunkDeep / trunkBroad
		return v
	}
	p, q := round(a), round(b)
	d, at := between(p, q, space.Vec{Y: low}, space.Vec{Y: high})
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
