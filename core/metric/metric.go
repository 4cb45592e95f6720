// Package metric has the number that may be missing.
package metric

import (
	"encoding/json"
	"math"
	"strconv"
)

// Metric is a number that may be missing; then it says why. The number can be had only together with whether there is one, so that
// nobody can forget to ask. Its unit is given where it is used. The zero value is missing without a reason.
type Metric struct {
	value float64
	known bool
	why   string
}

// Known is a metric that has a value; of what is no finite number there is none.
func Known(x float64) Metric {
	if math.IsNaN(x) || math.IsInf(x, 0) {
		return Missing("It comes to no number.")
	}
	return Metric{value: x, known: true}
}

// Missing is a metric that could not be computed, and why.
func Missing(why string) Metric { return Metric{why: why} }

// Because is the metric with a reason for being what it is.
func (m Metric) Because(why string) Metric {
	m.why = why
	return m
}

// Get is the value, and whether there is one.
func (m Metric) Get() (x float64, ok bool) { return m.value, m.known }

// Known says whether there is a value.
func (m Metric) Known() bool { return m.known }

// Or is the value, or another number where there is none.
func (m Metric) Or(other float64) float64 {
	if m.known {
		return m.value
	}
	return other
}

// OrNaN is the value; where there is none, no number, as in the gap of a curve: every comparison with it is false.
func (m Metric) OrNaN() float64 { return m.Or(math.NaN()) }

// Why says why there is no value, or why it is what it is; empty when there is nothing to say.
func (m Metric) Why() string { return m.why }

// Times is the metric in another unit, or of a load times as large.
func (m Metric) Times(factor float64) Metric {
	m.value *= factor
	return m
}

// String is the number, or why there is none.
func (m Metric) String() string {
	if m.known {
		return string(Append(nil, m.value))
	}
	return "none: " + m.why
}

// MarshalJSON writes {"value": number or null, "why": words}, the number with 10 significant digits, which keep those of server, page and
// command line equal to 1e-9; without words no why.
func (m Metric) MarshalJSON() ([]byte, error) {
	b := append(make([]byte, 0, 40), `{"value":`...)
	if m.known {
		b = Append(b, m.value)
	} else {
		b = append(b, "null"...)
	}
	if m.why != "" {
		why, err := json.Marshal(m.why)
		if err != nil {
			return nil, err
		}
		b = append(append(b, `,"why":`...), why...)
	}
	return append(b, '}'), nil
}

// UnmarshalJSON reads what MarshalJSON writes.
func (m *Metric) UnmarshalJSON(raw []byte) error {
	var in struct {
		Value *float64 `json:"value"`
		Why   string   `json:"why"`
	}
	if err := json.Unmarshal(raw, &in); err != nil {
		return err
	}
	*m = Metric{why: in.Why}
	if in.Value != nil {
		m.value, m.known = *in.Value, true
	}
	return nil
}

// Append writes a number with 10 significant digits; what is none as null.
func Append(b []byte, x float64) []byte {
	if math.IsNaN(x) || math.IsInf(x, 0) {
		return append(b, "null"...)
	}
	return strconv.AppendFloat(b, x, 'g', 10, 64)
}
