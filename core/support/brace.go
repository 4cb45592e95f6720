package support

import (
	"math"
	"slices"

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
	forces  []Push // of the last problem, by contact
	sizes   []float64

	path  *movement.Path // whose poses are remembered
	poses map[float64]*carried
}

// ridgeWeight weighs contact forces against each other so that there is one answer, 1/N² of a newton squared (own).
const ridgeWeight = 1e-4

// wrench is a force and a moment about a centre.
type wrench struct{ force, moment space.Vec }

func (w *wrench) add(centre, at, force space.Vec) {
	w.force = r3.Add(w.force, force)
	w.moment = r3.Add(w.moment, r3.Cross(r3.Sub(at, centre), force))
}

func (w *wrench) vector(scale float64) nnls.Vector {
	return nnls.Vector{scale * w.force.X, scale * w.force.Y, scale * w.force.Z, scale * w.moment.X, scale * w.moment.Y, scale * w.moment.Z}
}

// At solves the bracing at a place of a path: the weights of all segments and the pulls of all loads have to be balanced by contacts
// that push, each within the pyramid of eight edges that lies in its friction cone. Friction is scaled by a factor.
func (br *Bracer) At(d *setup.Document, path *movement.Path, items []load.Item, s, friction float64) Brace {
	c, f := br.along(d, path, s)
	br.columns = 0 // the same answer whatever came before
	b := br.at(c, f, items, friction)
	b.Pushes = slices.Clone(b.Pushes)
	return b
}

// enoughPoses is how many poses of one path are remembered at most.
const enoughPoses = 256

// along is a pose of a path with what can push on it, prepared once.
func (br *Bracer) along(d *setup.Document, path *movement.Path, s float64) (*carried, *body.Frames) {
	if br.path != path || len(br.poses) > enoughPoses {
		br.path, br.poses = path, map[float64]*carried{}
	}
	f := path.Frames(s)
	c := br.poses[s]
	if c == nil {
		c = carry(f, &d.Posture, d.Bench)
		br.poses[s] = c
	}
	return c, f
}

// at is At of a prepared pose. Its pushes are the bracer's.
func (br *Bracer) at(c *carried, f *body.Frames, items []load.Item, friction float64) Brace {
	out := Brace{Weight: c.weight}
	applied := wrench{}
	for k := range items {
		if it := &items[k]; !it.OwnBody() {
			p := it.At(f)
			applied.add(c.centre, p.Contact, p.Force)
			out.Pull = r3.Add(out.Pull, p.Force)
		}
	}
	applied.force.Y -= c.weight
	br.balance(c, f.Station, &applied, friction, &out)
	return out
}

// take takes another one's place, with pushes of its own.
func (b *Brace) take(other *Brace) {
	pushes := append(b.Pushes[:0], other.Pushes...)
	*b = *other
	b.Pushes = pushes
}

// balance finds the contacts' pushes against what is applied about the centre of mass. A grip that bears the whole body does
// so whichever way it has to; whether the body swings about it is told apart.
func (br *Bracer) balance(c *carried, st *body.Station, applied *wrench, friction float64, out *Brace) {
	if st.Root == body.OnHands && !st.OnToes {
		out.Margin = math.NaN()
		return
	}
	br.solve(c, applied, friction)
	out.Residual = math.Sqrt(br.ridge.R.Dot(&br.ridge.R))
	out.Pushes = br.pushes(c, friction)
	out.Centre, out.Margin = c.pressed(applied)
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
			c := carry(f, &d.Posture, d.Bench)
			b := Brace{S: s, Weight: c.weight}
			applied := wrench{}
			for i := range presses {
				applied.add(c.centre, presses[i].At, presses[i].Force)
				applied.moment = r3.Add(applied.moment, presses[i].Couple)
			}
			b.Pull = r3.Add(applied.force, space.Vec{Y: c.weight})
			br.balance(c, f.Station, &applied, 1, &b)
			if first || worseThan(&b, &worst) {
				worst.take(&b)
				at, first = t, false
			}
		}
	}
	return worst, at
}

func (br *Bracer) solve(c *carried, applied *wrench, friction float64) {
	br.ridge.D = br.ridge.D[:0]
	for i := range c.points {
		of := &c.columns[i]
		for k := range edges {
			share := c.points[i].edge(k, friction)
			var column nnls.Vector
			for r := range column {
				column[r] = share[0]*of[0][r] + share[1]*of[1][r] + share[2]*of[2][r]
			}
			br.ridge.D = append(br.ridge.D, column)
		}
	}
	y := applied.vector(-1)
	if len(br.ridge.D) != br.columns { // else the last answer is near this one
		br.ridge.R, br.columns = nnls.Vector{}, len(br.ridge.D)
	}
	br.ridge.Solve(&y)
}

// pushes sums the edges up by contact.
func (br *Bracer) pushes(c *carried, friction float64) []Push {
	br.forces, br.sizes = br.forces[:0], br.sizes[:0]
	for _, name := range c.names {
		br.forces, br.sizes = append(br.forces, Push{Name: name}), append(br.sizes, 0)
	}
	for i := range c.points {
		t, along := &c.points[i], &c.along[i]
		var sum [3]float64
		for k := range edges {
			x := br.ridge.B[i*edges+k] / math.Sqrt(ridgeWeight)
			for j, share := range t.edge(k, friction) {
				sum[j] += x * share
			}
		}
		force := r3.Add(r3.Scale(sum[0], along[0]), r3.Add(r3.Scale(sum[1], along[1]), r3.Scale(sum[2], along[2])))
		n := space.Norm(force)
		p := &br.forces[c.contact[i]]
		p.Force, p.At = r3.Add(p.Force, force), r3.Add(p.At, r3.Scale(n, t.at))
		br.sizes[c.contact[i]] += n
	}
	for j, n := range br.sizes {
		if n > 0 {
			br.forces[j].At = r3.Scale(1/n, br.forces[j].At)
		}
	}
	return br.forces
}

// Worst runs the path at n places and returns the pose that is held worst: with the most left over, or, when all are held,
// nearest to the edge of support.
func (br *Bracer) Worst(d *setup.Document, path *movement.Path, items []load.Item, n int) Brace {
	var worst Brace
	br.most = map[string]float64{}
	br.columns = 0 // the same document gives the same answer, whatever came before
	for i := range n {
		s := float64(i) / float64(n-1)
		c, f := br.along(d, path, s)
		b := br.at(c, f, items, 1)
		b.S = s
		for _, p := range b.Pushes {
			br.most[p.Name] = max(br.most[p.Name], space.Norm(p.Force))
		}
		if i == 0 || worseThan(&b, &worst) {
			worst.take(&b)
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
	c, f := br.along(d, path, s)
	br.columns = 0
	holds := func(x float64) bool { b := br.at(c, f, items, x); return b.Holds() }
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
	c, f := br.along(d, path, b.S)
	br.columns = 0
	back := f.Station.Heading.Transpose()
	pull := back.Apply(b.Pull)
	toward := space.Deg(math.Atan2(pull.Z, pull.X))
	if b.Pull.Y > b.Weight {
		return "lifted", toward
	}
	sticky := br.at(c, f, items, 20)
	if !(b.Margin < 0.005) && sticky.Residual < math.Max(held, 0.2*b.Residual) {
		return "dragged", toward
	}
	if !math.IsNaN(b.Margin) {
		over := back.Apply(r3.Sub(b.Centre, onFloor(c.middle())))
		return "tips", space.Deg(math.Atan2(over.Z, over.X))
	}
	if sticky.Pull.Y > 0.3*b.Weight {
		return "lifted", toward
	}
	return "tips", toward
}

// middle is the middle of the contacts, or the centre of mass where there are none.
func (c *carried) middle() space.Vec {
	if len(c.points) == 0 {
		return c.centre
	}
	var sum space.Vec
	for i := range c.points {
		sum = r3.Add(sum, c.points[i].at)
	}
	return r3.Scale(1/float64(len(c.points)), sum)
}

// Base is the outline of what stands on the floor; nothing where a seat or a bench carries too.
func (br *Bracer) Base(d *setup.Document, path *movement.Path, s float64) []space.Vec {
	c, _ := br.along(d, path, s)
	return c.outline
}
