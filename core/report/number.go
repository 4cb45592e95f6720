package report

import (
	"encoding/json"
	"math"
	"strconv"

	"dialarc/core/metric"
	"dialarc/core/space"
)

// Curve is a list of numbers, one per sample; a gap is written as null. It is printed with 10 significant digits, which
// keeps the numbers of server, page and command line equal to 1e-9.
type Curve []float64

// MarshalJSON writes the numbers, null where there is none.
func (c Curve) MarshalJSON() ([]byte, error) {
	b := make([]byte, 0, 14*len(c)+2)
	b = append(b, '[')
	for i, x := range c {
		if i > 0 {
			b = append(b, ',')
		}
		b = metric.Append(b, x)
	}
	return append(b, ']'), nil
}

// UnmarshalJSON reads a curve back, null as NaN.
func (c *Curve) UnmarshalJSON(raw []byte) error {
	items, err := splitNumbers(raw)
	*c = items
	return err
}

// Point is a place or a direction in room axes, m.
type Point struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
	Z float64 `json:"z"`
}

// MarshalJSON writes the point with 10 significant digits.
func (p Point) MarshalJSON() ([]byte, error) {
	b := append(make([]byte, 0, 60), `{"x":`...)
	b = append(metric.Append(b, p.X), `,"y":`...)
	b = append(metric.Append(b, p.Y), `,"z":`...)
	return append(metric.Append(b, p.Z), '}'), nil
}

// PointOf is a vector as a point, m.
func PointOf(v space.Vec) Point { return Point{v.X, v.Y, v.Z} }

// Rounded is x with 10 significant digits.
func Rounded(x float64) float64 {
	y, err := strconv.ParseFloat(strconv.FormatFloat(x, 'g', 10, 64), 64)
	if err != nil {
		return x
	}
	return y
}

// splitNumbers parses a JSON list of numbers and nulls.
func splitNumbers(raw []byte) ([]float64, error) {
	var items []*float64
	if err := json.Unmarshal(raw, &items); err != nil {
		return nil, err
	}
	out := make([]float64, len(items))
	for i, x := range items {
		out[i] = math.NaN()
		if x != nil {
			out[i] = *x
		}
	}
	return out, nil
}
