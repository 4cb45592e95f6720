package kit

import (
	"math"
	"slices"

	"dialarc/core/setup"
)

// Loadable lists what can be lifted, rising, each once, kg: of dumbbells the mass of one, of a bar its mass with every choice of
// pairs of plates.
func (w *Weights) Loadable() []float64 {
	if w.Kind != "bar" {
		return slices.Clone(w.Masses)
	}
	return sums(w.Bar, w.Plates, 2)
}

// Loadable lists what can be put on the lever, rising, each once, kg: nothing, or any choice of its plates.
func (l *Lever) Loadable() []float64 { return sums(0, l.Plates, 1) }

// Loadable lists what can be put on the sled, rising, each once, kg: nothing, or any choice of its pairs of plates.
func (s *Sled) Loadable() []float64 { return sums(0, s.Plates, 2) }

// Pins lists the pins of the machine's stack, kg.
func (c *Cam) Pins() []float64 { return pins(c.Lightest, c.Step, c.Heaviest) }

// PinsOf lists the pins of a column's stack, kg.
func PinsOf(c *setup.Column) []float64 { return pins(c.Lightest, c.Step, c.Heaviest) }

func pins(lightest, step, heaviest float64) []float64 {
	var out []float64
	if !(step > 0) {
		return append(out, lightest)
	}
	for i := 0; i < 1000; i++ {
		m := clean(lightest + float64(i)*step)
		if m > heaviest+1e-9 {
			break
		}
		out = append(out, m)
	}
	return out
}

// mostSums is how many loads of a bar are told apart; beyond it there are steps enough.
const mostSums = 400

// sums are a start plus any choice of some parts, each as often as it is counted.
func sums(start float64, parts []float64, times float64) []float64 {
	out := []float64{clean(start)}
	for _, p := range parts {
		for _, m := range slices.Clone(out) {
			out = append(out, clean(m+times*p))
		}
		slices.Sort(out)
		out = slices.Compact(out)
		if len(out) > mostSums {
			break
		}
	}
	return out
}

// clean takes the dust of adding off a mass.
func clean(m float64) float64 { return math.Round(m*1e4) / 1e4 }

// Nearest is the value of a rising list that is nearest to one, and its place from 0; the smaller of two that are as near. It is
// -1 in an empty list.
func Nearest(list []float64, x float64) (float64, int) {
	best, at := 0.0, -1
	for i, v := range list {
		if at < 0 || math.Abs(v-x) < math.Abs(best-x)-1e-9 {
			best, at = v, i
		}
	}
	return best, at
}

// PullAtDouble is how hard a band pulls at twice its length at rest, N, by which bands are told apart: by the rubber law, or
// between its measurements; beyond the last one along the line through the last two.
func (b *Band) PullAtDouble() float64 {
	strands := float64(max(1, b.Strands))
	if len(b.Pull) < 2 {
		return strands * RubberAtDouble * b.Section
	}
	want := 2 * b.RestLength
	i := 1
	for i < len(b.Pull)-1 && b.Pull[i].Length < want {
		i++
	}
	p, q := b.Pull[i-1], b.Pull[i]
	return strands * max(0, p.Force+(q.Force-p.Force)*(want-p.Length)/(q.Length-p.Length))
}
