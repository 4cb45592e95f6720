package support

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/nnls"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// Push is what a contact gives at one place along the path: the force on the lifter, N, and where its middle is, m.
type Push struct {
	Name  string
	At    space.Vec
	Force space.Vec
}

// Brace says whether the surroundings can hold the lifter at one place along the path.
type Brace struct {
	S        float64
	Residual float64 // what no contact gives, N (moments over 1 m)
	Pushes   []Push
	Centre   space.Vec // where the ground's push would act on the floor, m
	Margin   float64   // of that to the edge of what stands on the floor, m, negative outside; NaN where a seat or bench carries too
	Pull     space.Vec // of all loads together, N
	Weight   float64   // of the lifter, N
}

// held is how much may be left over for a pose to count as held, N.
const held = 1

// Holds says whether the pose is held.
func (b *Brace) Holds() bool { return b.Residual < held }

// Bracer solves bracing problems one after the other and reuses its memory.
type Bracer struct {
	ridge   nnls.Ridge
	columns int // of the last problem
	most    map[string]float64
	frame   body.Frames
}

// ridge weighs contact forces against each other so that there is one answer, 1/N² of a newton squared (own).
const (
	ridgeWeight = 1e-4
	edges       = 8
)

// wrench is a force and a moment about a centre.
type wrench struct{ force, moment space.Vec }

func (w *wrench) add(centre, at, force space.Vec) {
	w.force = r3.Add(w.force, force)
	w.moment = r3.Add(w.moment, r3.Cross(r3.Sub(at, centre), force))
}

func (w *wrench) vector(scale float64) nnls.Vector {
	return nnls.Vector{scale * w.force.X, scale * w.force.Y, scale * w.force.Z, scale * w.moment.X, scale * w.moment.Y, scale * w.moment.Z}
}

// At solves the bracing of a pose: the weights of all segments and the pulls of all loads have to be balanced by contacts
// that push, each within the pyramid of eight edges that lies in its friction cone. Friction is scaled by a factor.
func (br *Bracer) At(f *body.Frames, d *setup.Document, items []load.Item, friction float64) Brace {
	centre, weight := centreOfMass(f)
	out := Brace{Weight: weight}
	applied := wrench{}
	for k := range items {
		if it := &items[k]; !it.OwnBody() {
			p := it.At(f)
			applied.add(centre, p.Contact, p.Force)
			out.Pull = r3.Add(out.Pull, p.Force)
		}
	}
	applied.force.Y -= weight
	br.balance(f, d, centre, &applied, friction, &out)
	return out
}

// balance finds the contacts' pushes against what is applied about the centre of mass. A grip that bears the whole body does
// so whichever way it has to; whether the body swings about it is told apart.
func (br *Bracer) balance(f *body.Frames, d *setup.Document, centre space.Vec, applied *wrench, friction float64, out *Brace) {
	if f.Station.Root == body.OnHands && !f.Station.OnToes {
		out.Margin = math.NaN()
		return
	}
	points := touches(f, &d.Posture, d.Bench)
	br.solve(points, &f.Station.Heading, centre, applied, friction)
	out.Residual = math.Sqrt(br.ridge.R.Dot(&br.ridge.R))
	out.Pushes = br.pushes(points, &f.Station.Heading, friction)
	out.Centre, out.Margin = pressed(points, centre, applied)
}

// motionPlaces is at how many times of each moving phase bracing is looked at; the strongest accelerations of a phase, a fifth
// from its ends, are among them.
const motionPlaces = 11

// InMotion runs a repetition along its course and returns the moment that is held worst, with its time in seconds.
func (br *Bracer) InMotion(d *setup.Document, in *torque.Input, course *movement.Course) (worst Brace, at float64) {
	br.columns = 0
	first := true
	for _, phase := range course.Moving() {
		for k := range motionPlaces {
			t := phase[0] + (phase[1]-phase[0])*float64(k)/(motionPlaces-1)
			s, rate, acceleration := course.At(min(max(t, phase[0]+1e-9), phase[1]-1e-9))
			presses, f := torque.Pressing(in, s, rate, acceleration)
			centre, weight := centreOfMass(f)
			b := Brace{S: s, Weight: weight}
			applied := wrench{}
			for i := range presses {
				applied.add(centre, presses[i].At, presses[i].Force)
				applied.moment = r3.Add(applied.moment, presses[i].Couple)
			}
			b.Pull = r3.Add(applied.force, space.Vec{Y: weight})
			br.balance(f, d, centre, &applied, 1, &b)
			if first || worseThan(&b, &worst) {
				worst, at, first = b, t, false
			}
		}
	}
	return worst, at
}

func (br *Bracer) solve(points []touch, heading *space.Mat, centre space.Vec, applied *wrench, friction float64) {
	br.ridge.D = br.ridge.D[:0]
	for i := range points {
		for k := range edges {
			w := wrench{}
			w.add(centre, points[i].at, points[i].edge(k, heading, friction))
			br.ridge.D = append(br.ridge.D, w.vector(1/math.Sqrt(ridgeWeight)))
		}
	}
	y := applied.vector(-1)
	if len(br.ridge.D) != br.columns { // else the last answer is near this one
		br.ridge.R, br.columns = nnls.Vector{}, len(br.ridge.D)
	}
	br.ridge.Solve(&y)
}

// edge is one of the directions in which a contact can push: along an edge of its pyramid, or any way for a hand.
func (t *touch) edge(k int, heading *space.Mat, friction float64) space.Vec {
	if t.pulls {
		axis := [3]space.Vec{space.X, space.Y, space.Z}[k%3]
		if k >= 3 {
			return r3.Scale(-1, axis)
		}
		return axis
	}
	first := space.Reject(heading.Apply(space.X), t.normal)
	if space.Norm(first) < 0.1 {
		first = space.Reject(space.Y, t.normal)
	}
	first = r3.Unit(first)
	second := r3.Cross(t.normal, first)
	s, c := math.Sincos(float64(k) * math.Pi / 4)
	return r3.Add(t.normal, r3.Scale(friction*t.friction, r3.Add(r3.Scale(c, first), r3.Scale(s, second))))
}

// pushes sums the edges up by contact.
func (br *Bracer) pushes(points []touch, heading *space.Mat, friction float64) []Push {
	var out []Push
	size := map[string]float64{}
	for i := range points {
		t := &points[i]
		var force space.Vec
		for k := range edges {
			x := br.ridge.B[i*edges+k] / math.Sqrt(ridgeWeight)
			force = r3.Add(force, r3.Scale(x, t.edge(k, heading, friction)))
		}
		n := space.Norm(force)
		at := -1
		for j := range out {
			if out[j].Name == t.name {
				at = j
			}
		}
		if at < 0 {
			out = append(out, Push{Name: t.name})
			at = len(out) - 1
		}
		p := &out[at]
		p.Force, p.At = r3.Add(p.Force, force), r3.Add(p.At, r3.Scale(n, t.at))
		size[t.name] += n
	}
	for j := range out {
		if n := size[out[j].Name]; n > 0 {
			out[j].At = r3.Scale(1/n, out[j].At)
		}
	}
	return out
}

func centreOfMass(f *body.Frames) (space.Vec, float64) {
	var sum space.Vec
	mass := 0.0
	for s, m := range f.Body.Masses {
		sum, mass = r3.Add(sum, r3.Scale(m, f.COM[s])), mass+m
	}
	return r3.Scale(1/mass, sum), mass * load.Gravity
}

// pressed is where the floor would have to push, and how far inside what stands on it that is.
func pressed(points []touch, centre space.Vec, applied *wrench) (space.Vec, float64) {
	down := -applied.force.Y
	if down < 1 {
		return onFloor(centre), math.NaN()
	}
	// Where the ground pushes, at the height of what stands on it, the moment of what is applied vanishes about both level axes.
	level := 0.0
	for i := range points {
		level = max(level, points[i].at.Y)
	}
	m := r3.Add(applied.moment, r3.Cross(r3.Sub(centre, space.Vec{Y: level}), applied.force))
	at := space.Vec{X: -m.Z / down, Z: m.X / down}
	var standing []space.Vec
	for i := range points {
		if !points[i].floor {
			return at, math.NaN()
		}
		standing = append(standing, points[i].at)
	}
	return at, inside(hull(standing), at)
}

// Worst runs the path at n places and returns the pose that is held worst: with the most left over, or, when all are held,
// nearest to the edge of support.
func (br *Bracer) Worst(d *setup.Document, path *movement.Path, items []load.Item, n int) Brace {
	var worst Brace
	br.most = map[string]float64{}
	br.columns = 0 // the same document gives the same answer, whatever came before
	for i := range n {
		s := float64(i) / float64(n-1)
		path.Place(s, &br.frame)
		b := br.At(&br.frame, d, items, 1)
		b.S = s
		for _, p := range b.Pushes {
			br.most[p.Name] = max(br.most[p.Name], space.Norm(p.Force))
		}
		if i == 0 || worseThan(&b, &worst) {
			worst = b
		}
		if path.Still() {
			break
		}
	}
	return worst
}

// Most is the largest force that each contact had to give over the path that Worst ran last, N, by its name.
func (br *Bracer) Most() map[string]float64 { return br.most }

func worseThan(a, b *Brace) bool {
	if math.Max(a.Residual, held) != math.Max(b.Residual, held) {
		return a.Residual > b.Residual
	}
	return a.Margin < b.Margin || (math.IsNaN(a.Margin) && math.Abs(a.Residual) > b.Residual)
}

// Grip is the least friction, as a share of the usual, with which a pose is held, by bisection; NaN when more than twice the
// usual does not do.
func (br *Bracer) Grip(d *setup.Document, path *movement.Path, items []load.Item, s float64) float64 {
	path.Place(s, &br.frame)
	br.columns = 0
	holds := func(x float64) bool { b := br.At(&br.frame, d, items, x); return b.Holds() }
	low, high := 0.0, 2.0
	if !holds(high) {
		return math.NaN()
	}
	for range 10 {
		if mid := (low + high) / 2; holds(mid) {
			high = mid
		} else {
			low = mid
		}
	}
	return high
}

// Fails says in a word how a pose is not held: dragged, lifted or tips; and which way, degrees from the lifter's heading to
// the right.
func (br *Bracer) Fails(d *setup.Document, path *movement.Path, items []load.Item, b *Brace) (how string, towardDeg float64) {
	path.Place(b.S, &br.frame)
	br.columns = 0
	back := br.frame.Station.Heading.Transpose()
	pull := back.Apply(b.Pull)
	toward := space.Deg(math.Atan2(pull.Z, pull.X))
	if b.Pull.Y > b.Weight {
		return "lifted", toward
	}
	sticky := br.At(&br.frame, d, items, 20)
	if !(b.Margin < 0.005) && sticky.Residual < math.Max(held, 0.2*b.Residual) {
		return "dragged", toward
	}
	if !math.IsNaN(b.Margin) {
		centre, _ := centreOfMass(&br.frame)
		over := back.Apply(r3.Sub(b.Centre, onFloor(middleOf(touches(&br.frame, &d.Posture, d.Bench), centre))))
		return "tips", space.Deg(math.Atan2(over.Z, over.X))
	}
	if sticky.Pull.Y > 0.3*b.Weight {
		return "lifted", toward
	}
	return "tips", toward
}

func middleOf(points []touch, fallback space.Vec) space.Vec {
	if len(points) == 0 {
		return fallback
	}
	var sum space.Vec
	for i := range points {
		sum = r3.Add(sum, points[i].at)
	}
	return r3.Scale(1/float64(len(points)), sum)
}

// Base is the outline of what stands on the floor; nothing where a seat or a bench carries too.
func Base(f *body.Frames, d *setup.Document) []space.Vec {
	var standing []space.Vec
	for _, t := range touches(f, &d.Posture, d.Bench) {
		if !t.floor {
			return nil
		}
		standing = append(standing, t.at)
	}
	return hull(standing)
}
