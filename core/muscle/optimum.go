package muscle

import "math"

// most is how many equations a problem of sharing has: ten for an arm; a leg needs three of them.
const most = 10

// vector is one column, or the right side, of a problem.
type vector [most]float64

func (v *vector) dot(w *vector) float64 {
	sum := 0.0
	for i := range v {
		sum += v[i] * w[i]
	}
	return sum
}

// column is what one unit of something does to the rows, and what it costs: stiff (ε x²/2 + λ x³/3) for a muscle at activation x,
// stiff x²/2 for what is passive.
type column struct {
	at      vector
	stiff   float64
	soft    float64 // 1 over it
	passive bool
	first   int // of the rows that it does something to: the others are 0
	last    int
}

// bounded finds the rows between which a column does something, and what is asked of it again and again.
func (c column) bounded() column {
	c.soft = 1 / c.stiff
	c.first, c.last = most, -1
	for i, x := range c.at {
		if x != 0 {
			c.first, c.last = min(c.first, i), i
		}
	}
	return c
}

func (c *column) dot(r *vector) float64 {
	sum := 0.0
	for i := c.first; i <= c.last && i < most; i++ {
		sum += c.at[i] * r[i]
	}
	return sum
}

// The cost of an activation (Crowninshield & Brand 1981, J Biomech 14:793-801, who took the cube, from memory), with a small square
// beside it, without which the second derivative of the dual is unbounded at zero (own).
const smallSquare = 0.05

// optimum finds x >= 0 that minimise
//
//	Σ stiff_j (ε x_j²/2 + λ x_j³/3) + Σ stiff_k x_k²/2 + ½ |y - Σ x_j d_j|²
//
// over muscles j and passive columns k. Where the rows are n and the columns many the dual is small: with r the residual,
// x_j = (sqrt(ε² + 4 λ d_j·r / stiff_j) - ε) / 2 λ where that is positive, and r minimises the convex
//
//	½ |r|² - y·r + Σ stiff_j f*(d_j·r / stiff_j)
//
// by Newton's method with steps that are halved until the value falls (Armijo). λ is (1 - ε) over the largest activation that squares
// alone would give: so it goes with the need, and twice the need gives twice the activations. It reuses its memory and must not be
// shared between goroutines.
type optimum struct {
	columns []column
	x       []float64
	r       vector // residual
	squares trail  // of squares alone
	cubes   trail

	small, cube float64 // ε and λ
	slope       []float64
	trialX      []float64
	trialSlope  []float64
}

// trail is where the last two searches ended.
type trail struct{ last, before vector }

// start is where the next one begins: as far on as the last two were apart, since neighbouring places have neighbouring answers.
func (t *trail) start() vector {
	r := t.last
	for i := range r {
		r[i] += t.last[i] - t.before[i]
	}
	return r
}

func (t *trail) add(r *vector) { t.before, t.last = t.last, *r }

// begin forgets where the last searches ended.
func (o *optimum) begin() { o.squares, o.cubes = trail{}, trail{} }

// solve writes x and r for a right side.
func (o *optimum) solve(y *vector) {
	n := len(o.columns)
	for _, p := range []*[]float64{&o.x, &o.slope, &o.trialX, &o.trialSlope} {
		if cap(*p) < n {
			*p = make([]float64, n)
		}
		*p = (*p)[:n]
	}
	o.small, o.cube = 1, 0
	o.r = o.squares.start()
	o.newton(y, &o.r)
	o.squares.add(&o.r)
	largest := 0.0
	for j := range o.columns {
		if !o.columns[j].passive {
			largest = max(largest, o.x[j])
		}
	}
	if largest == 0 {
		return
	}
	o.small, o.cube = smallSquare, (1-smallSquare)/largest
	o.r = o.cubes.start()
	o.newton(y, &o.r)
	o.cubes.add(&o.r)
}

// value is the dual at r. It writes x of every column and dx/d(d·r), 0 where a column does not work.
func (o *optimum) value(y, r *vector, xs, slopes []float64) float64 {
	sum := r.dot(r)/2 - y.dot(r)
	half := 1 / (2 * o.cube) // unused where there is none
	for j := range o.columns {
		c := &o.columns[j]
		dot := c.dot(r)
		if dot <= 0 {
			xs[j], slopes[j] = 0, 0
			continue
		}
		v := dot * c.soft
		x, slope := v, c.soft
		switch {
		case c.passive:
			sum += dot * x / 2
		case o.cube == 0:
			x, slope = v/o.small, slope/o.small
			sum += dot * x / 2
		default:
			root := math.Sqrt(o.small*o.small + 4*o.cube*v)
			x, slope = (root-o.small)*half, slope/root
			sum += dot*x - c.stiff*x*x*(o.small/2+o.cube*x/3)
		}
		xs[j], slopes[j] = x, slope
	}
	return sum
}

// Ends of a search: what the whole step promises, over the right side's square; rounds; halvings.
const (
	enough   = 1e-15
	rounds   = 60
	halvings = 40
)

// newton moves r to the dual's least and writes x there.
func (o *optimum) newton(y, r *vector) {
	size := y.dot(y) + 1e-24
	now := o.value(y, r, o.x, o.slope)
	for range rounds {
		h, g := o.bend(y, r)
		step := cholesky(&h, &g)
		promise := g.dot(&step)
		if promise <= enough*size {
			// So near the end Newton's error is squared by each step: the whole of it is the last.
			for i := range r {
				r[i] -= step[i]
			}
			o.value(y, r, o.x, o.slope)
			return
		}
		next, length := o.descend(y, r, &step, now, promise)
		if length == 0 || (length == 1 && o.cube == 0 && o.sameWork()) {
			return // as low as rounding lets it be told; or, of squares, one step on one slope, which ends at the least
		}
		now = next
	}
}

// bend is the dual's second derivative, its lower half, and its gradient at r.
func (o *optimum) bend(y, r *vector) (h [most]vector, g vector) {
	g = *r
	for i := range g {
		g[i] -= y[i]
		h[i][i] = 1
	}
	for j := range o.columns {
		slope := o.slope[j]
		if slope == 0 {
			continue
		}
		c, x := &o.columns[j], o.x[j]
		for i := c.first; i <= c.last && i < most; i++ {
			d := c.at[i]
			g[i] += x * d
			d *= slope
			row := &h[i]
			for k := c.first; k <= i; k++ {
				row[k] += d * c.at[k]
			}
		}
	}
	return h, g
}

// sameWork says whether the same columns work as before the last step.
func (o *optimum) sameWork() bool {
	for j, slope := range o.slope {
		if (slope == 0) != (o.trialSlope[j] == 0) {
			return false
		}
	}
	return true
}

// descend goes along -step until the value falls by a part of what the slope promises. It returns the value there and which part of the
// step that was, 0 when it falls nowhere.
func (o *optimum) descend(y, r, step *vector, now, promise float64) (next, length float64) {
	length = 1
	for range halvings {
		trial := *r
		for i := range trial {
			trial[i] -= length * step[i]
		}
		next = o.value(y, &trial, o.trialX, o.trialSlope)
		if next <= now-1e-4*length*promise {
			*r = trial
			o.x, o.trialX = o.trialX, o.x
			o.slope, o.trialSlope = o.trialSlope, o.slope
			return next, length
		}
		length /= 2
	}
	return now, 0
}

// cholesky solves h x = g for a symmetric positive definite h, given by its lower half, which is overwritten.
func cholesky(h *[most]vector, g *vector) vector {
	x := *g
	for i := range most {
		row := &h[i]
		for k := range i {
			sum, other := row[k], &h[k]
			for l := range k {
				sum -= row[l] * other[l]
			}
			row[k] = sum * other[k] // the diagonal holds its inverse
		}
		sum := row[i]
		for l := range i {
			sum -= row[l] * row[l]
		}
		row[i] = 1 / math.Sqrt(sum)
		for l := range i {
			x[i] -= row[l] * x[l]
		}
		x[i] *= row[i]
	}
	for i := most - 1; i >= 0; i-- {
		for l := i + 1; l < most; l++ {
			x[i] -= h[l][i] * x[l]
		}
		x[i] *= h[i][i]
	}
	return x
}
