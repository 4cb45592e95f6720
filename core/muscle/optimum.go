package muscle

import "math"

// most is how many equations a problem of sharing has: ten for an arm, two for a leg.
const most = 10

// vector is one column, or the right side, of a problem.
type vector [most]float64

// column is what one unit of something does to the rows, and what it costs: stiff (ε x²/2 + λ x³/3) for a muscle at activation x,
// stiff x²/2 for what is passive.
type column struct {
	at      vector
	stiff   float64
	passive bool
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
	rows    int
	columns []column
	x       []float64
	r       vector // residual; kept from one problem to the next as a start
	squares vector // that of squares alone, likewise

	small, cube float64 // ε and λ
	dots        []float64
	trial       []float64
}

// begin forgets where the last search ended.
func (o *optimum) begin() { o.r, o.squares = vector{}, vector{} }

func (o *optimum) dot(a, b *vector) float64 {
	sum := 0.0
	for i := range o.rows {
		sum += a[i] * b[i]
	}
	return sum
}

// solve writes x and r for a right side.
func (o *optimum) solve(y *vector) {
	n := len(o.columns)
	if cap(o.x) < n {
		o.x, o.dots, o.trial = make([]float64, n), make([]float64, n), make([]float64, n)
	}
	o.x, o.dots, o.trial = o.x[:n], o.dots[:n], o.trial[:n]
	o.small, o.cube = 1, 0
	o.newton(y, &o.squares)
	largest := 0.0
	for j := range o.columns {
		if !o.columns[j].passive {
			largest = max(largest, o.x[j])
		}
	}
	if largest == 0 {
		o.r = o.squares
		return
	}
	o.small, o.cube = smallSquare, (1-smallSquare)/largest
	o.newton(y, &o.r)
}

// answer is x of a column and dx/d(d·r / stiff) for d·r / stiff = v > 0.
func (o *optimum) answer(c *column, v float64) (x, slope float64) {
	if c.passive {
		return v, 1
	}
	if o.cube == 0 {
		return v / o.small, 1 / o.small
	}
	root := math.Sqrt(o.small*o.small + 4*o.cube*v)
	return (root - o.small) / (2 * o.cube), 1 / root
}

// conjugate is f*(v) = v x - f(x) of a column.
func (o *optimum) conjugate(c *column, v, x float64) float64 {
	if c.passive {
		return v * x / 2
	}
	return v*x - x*x*(o.small/2+o.cube*x/3)
}

// multiply writes d·r of every column.
func (o *optimum) multiply(out []float64, r *vector) {
	for j := range o.columns {
		out[j] = o.dot(&o.columns[j].at, r)
	}
}

// value is the dual at r, whose products with the columns are given.
func (o *optimum) value(y, r *vector, dots []float64) float64 {
	sum := o.dot(r, r)/2 - o.dot(y, r)
	for j := range o.columns {
		if c := &o.columns[j]; dots[j] > 0 {
			v := dots[j] / c.stiff
			x, _ := o.answer(c, v)
			sum += c.stiff * o.conjugate(c, v, x)
		}
	}
	return sum
}

// Ends of a search: gradient over right side, rounds and halvings.
const (
	enough   = 1e-11
	rounds   = 60
	halvings = 40
)

// newton moves r to the dual's least and writes x there.
func (o *optimum) newton(y, r *vector) {
	n := o.rows
	size := math.Sqrt(o.dot(y, y)) + 1e-12
	o.multiply(o.dots, r)
	now := o.value(y, r, o.dots)
	for range rounds {
		var h [most]vector
		g := *r
		for i := range n {
			g[i] -= y[i]
			h[i][i] = 1
		}
		for j := range o.columns {
			c := &o.columns[j]
			if o.dots[j] <= 0 {
				continue
			}
			x, slope := o.answer(c, o.dots[j]/c.stiff)
			slope /= c.stiff
			for i := range n {
				d := c.at[i]
				g[i] += x * d
				d *= slope
				for k := range i + 1 {
					h[i][k] += d * c.at[k]
				}
			}
		}
		if math.Sqrt(o.dot(&g, &g)) <= enough*size {
			break
		}
		step := o.cholesky(&h, &g)
		next, moved := o.descend(y, r, &step, now, o.dot(&g, &step))
		if !moved {
			break // the value is as low as rounding lets it be told
		}
		now = next
	}
	for j := range o.columns {
		o.x[j] = 0
		if c := &o.columns[j]; o.dots[j] > 0 {
			o.x[j], _ = o.answer(c, o.dots[j]/c.stiff)
		}
	}
}

// descend goes along -step until the value falls by a part of what the slope promises; false when it does nowhere.
func (o *optimum) descend(y, r, step *vector, now, slope float64) (float64, bool) {
	// Near the end the promise is below what the value's rounding can show; there the whole step is Newton's and is taken.
	tiny := 1e-14 * (math.Abs(now) + o.dot(y, y))
	length := 1.0
	for range halvings {
		trial := *r
		for i := range o.rows {
			trial[i] -= length * step[i]
		}
		o.multiply(o.trial, &trial)
		next := o.value(y, &trial, o.trial)
		if next <= now-1e-4*length*slope+tiny {
			moved := trial != *r
			*r = trial
			o.dots, o.trial = o.trial, o.dots
			return next, moved
		}
		length /= 2
	}
	return now, false
}

// cholesky solves h x = g for a symmetric positive definite h, given by its lower half, which is overwritten.
func (o *optimum) cholesky(h *[most]vector, g *vector) vector {
	x, n := *g, o.rows
	for i := range n {
		for k := range i + 1 {
			sum := h[i][k]
			for l := range k {
				sum -= h[i][l] * h[k][l]
			}
			if i == k {
				h[i][i] = math.Sqrt(sum)
			} else {
				h[i][k] = sum / h[k][k]
			}
		}
		for l := range i {
			x[i] -= h[i][l] * x[l]
		}
		x[i] /= h[i][i]
	}
	for i := n - 1; i >= 0; i-- {
		for l := i + 1; l < n; l++ {
			x[i] -= h[l][i] * x[l]
		}
		x[i] /= h[i][i]
	}
	return x
}
