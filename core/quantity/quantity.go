// Package quantity reads numbers as people type them: with a decimal point or comma, with units or without, in feet and inches, and as
// small sums like 60/2.2.
package quantity

import (
	"fmt"
	"math"
	"strings"
)

// Problem says what is wrong with a typed text and what would be right, each a sentence.
type Problem struct{ What, Hint string }

func (p *Problem) Error() string { return p.What + " " + p.Hint }

// unit is what a name measures, and how much. Angles are in degrees and shares in parts of one, as documents hold them.
type unit struct {
	kind string
	si   float64 // of one of it
}

// units by the names that people type. The pound, the foot and the pound-force are exact (NIST SP 811:2008, appendix B.8).
var units = map[string]unit{
	"mm": {"length", 1e-3}, "cm": {"length", 1e-2}, "m": {"length", 1},
	"in": {"length", 0.0254}, "inch": {"length", 0.0254}, "inches": {"length", 0.0254}, `"`: {"length", 0.0254}, "″": {"length", 0.0254},
	"”":  {"length", 0.0254},
	"ft": {"length", 0.3048}, "foot": {"length", 0.3048}, "feet": {"length", 0.3048}, "'": {"length", 0.3048}, "′": {"length", 0.3048},
	"’": {"length", 0.3048},
	"g": {"mass", 1e-3}, "kg": {"mass", 1}, "kgs": {"mass", 1}, "kilo": {"mass", 1}, "kilos": {"mass", 1},
	"lb": {"mass", pound}, "lbs": {"mass", pound}, "pound": {"mass", pound}, "pounds": {"mass", pound}, "st": {"mass", 14 * pound},
	"stone": {"mass", 14 * pound},
	"n":     {"force", 1}, "kn": {"force", 1000}, "kgf": {"force", Gravity}, "kp": {"force", Gravity}, "lbf": {"force", pound * Gravity},
	"nm": {"torque", 1}, "n·m": {"torque", 1}, "lbf·ft": {"torque", pound * Gravity * 0.3048}, "lbft": {"torque", pound * Gravity * 0.3048},
	"ftlb": {"torque", pound * Gravity * 0.3048}, "ft·lb": {"torque", pound * Gravity * 0.3048},
	"°": {"angle", 1}, "deg": {"angle", 1}, "degree": {"angle", 1}, "degrees": {"angle", 1}, "rad": {"angle", 180 / math.Pi},
	"%": {"share", 0.01}, "percent": {"share", 0.01},
	"s": {"time", 1}, "sec": {"time", 1}, "second": {"time", 1}, "seconds": {"time", 1}, "min": {"time", 60},
	"mm²": {"area", 1e-6}, "mm2": {"area", 1e-6}, "cm²": {"area", 1e-4}, "cm2": {"area", 1e-4},
}

// Gravity is the standard acceleration of free fall, m/s² (CGPM 1901; ISO 80000-3).
const Gravity = 9.80665

const pound = 0.45359237 // kg

// smaller is the unit that a bare number has right after one of these: 5'11 is five feet and eleven inches, 12 st 6 twelve stone and six
// pounds.
var smaller = map[string]string{"'": "in", "′": "in", "’": "in", "ft": "in", "foot": "in", "feet": "in", "st": "lb", "stone": "lb"}

// kinds are what is measured, in words, with an example.
var kinds = map[string][2]string{"length": {"a length", "90 cm"}, "mass": {"a mass", "12.5 kg"}, "force": {"a force", "120 N"},
	"torque": {"a torque", "60 N·m"},
	"angle":  {"an angle", "45"}, "share": {"a share", "40%"}, "time": {"a time", "2 s"}, "area": {"an area", "60 mm²"}}

// longest is how much is read of a text, in bytes.
const longest = 100

// Read reads a text as a quantity of a kind (length in m, mass in kg, force in N, torque in N·m, angle in degrees, share in parts of one,
// time in s, area in m², or anything else for a bare number). A number without a unit counts in the field's own, of which one is unit in
// those. Numbers may be added, subtracted, multiplied and divided; what is added needs units on both sides or on none.
func Read(text, kind string, unit float64) (float64, *Problem) {
	if len(text) > longest {
		return 0, &Problem{fmt.Sprintf("That has %d characters.", len(text)), "Give one number."}
	}
	p := parser{tokens: split(text), kind: kind}
	if len(p.tokens) == 0 {
		return 0, &Problem{"There is no number.", p.hint()}
	}
	v, problem := p.sum()
	if problem == nil && p.at < len(p.tokens) {
		problem = p.wrong()
	}
	if problem != nil {
		return 0, problem
	}
	if v.kind == "" {
		v.value *= unit
	} else if v.kind != kind {
		return 0, p.other(v.kind)
	}
	if math.IsNaN(v.value) || math.IsInf(v.value, 0) {
		return 0, &Problem{"That is not a finite number.", p.hint()}
	}
	return v.value, nil
}

// value is a number with what it measures; empty for a bare number.
type value struct {
	value float64
	kind  string
}

// parser reads tokens from the left: a sum of products of signed terms.
type parser struct {
	tokens []token
	at     int
	kind   string
	depth  int
}

func (p *parser) next() token {
	if p.at < len(p.tokens) {
		return p.tokens[p.at]
	}
	return token{}
}

func (p *parser) take(text ...string) string {
	t := p.next()
	for _, want := range text {
		if t.text == want && t.kind == sign {
			p.at++
			return want
		}
	}
	return ""
}

func (p *parser) sum() (value, *Problem) {
	v, problem := p.product()
	for problem == nil {
		op := p.take("+", "-")
		if op == "" {
			return v, nil
		}
		var w value
		if w, problem = p.product(); problem != nil {
			break
		}
		if v.kind != w.kind {
			if v.kind != "" && w.kind != "" {
				return v, &Problem{"That adds " + kinds[v.kind][0] + " and " + kinds[w.kind][0] + ".", p.hint()}
			}
			return v, &Problem{"That adds a number with a unit and one without.", "Give both a unit, or none."}
		}
		if op == "-" {
			w.value = -w.value
		}
		v.value += w.value
	}
	return v, problem
}

func (p *parser) product() (value, *Problem) {
	v, problem := p.term()
	for problem == nil {
		op := p.take("*", "/")
		if op == "" {
			return v, nil
		}
		var w value
		if w, problem = p.term(); problem != nil {
			break
		}
		switch {
		case w.kind != "" && (op == "/" || v.kind != ""):
			return v, &Problem{"That multiplies or divides units.", "Multiply and divide by bare numbers."}
		case op == "/":
			v.value /= w.value
		default:
			v = value{v.value * w.value, v.kind + w.kind}
		}
	}
	return v, problem
}

func (p *parser) term() (value, *Problem) {
	if p.take("-") != "" {
		v, problem := p.term()
		v.value = -v.value
		return v, problem
	}
	if p.take("+") != "" {
		return p.term()
	}
	if p.take("(") != "" {
		if p.depth++; p.depth > 20 {
			return value{}, p.wrong()
		}
		v, problem := p.sum()
		if problem == nil && p.take(")") == "" {
			problem = &Problem{"A bracket is not closed.", p.hint()}
		}
		p.depth--
		return v, problem
	}
	return p.measured()
}

// measured is a number with its unit, or several in a row like 5 ft 11 in.
func (p *parser) measured() (value, *Problem) {
	t := p.next()
	if t.kind != number {
		return value{}, p.wrong()
	}
	p.at++
	name := p.next()
	if name.kind != word {
		return value{value: t.value}, nil
	}
	u, known := units[name.text]
	if !known {
		return value{}, &Problem{fmt.Sprintf("“%s” is no unit that is known here.", name.text), p.hint()}
	}
	p.at++
	v := value{value: t.value * u.si, kind: u.kind}
	rest, has := smaller[name.text]
	if t = p.next(); t.kind != number || !has {
		return v, nil
	}
	p.at++
	if after := p.next(); after.kind == word {
		rest = after.text
		p.at++
	}
	if w, ok := units[rest]; ok && w.kind == u.kind && w.si < u.si {
		v.value += t.value * w.si
		return v, nil
	}
	p.at--
	return v, p.wrong()
}

func (p *parser) hint() string {
	if k, ok := kinds[p.kind]; ok {
		return "Give " + k[0] + ", like " + k[1] + "."
	}
	return "Give a number, like 12.5."
}

func (p *parser) other(kind string) *Problem {
	return &Problem{"That is " + kinds[kind][0] + ".", p.hint()}
}

func (p *parser) wrong() *Problem {
	rest := make([]string, 0, 4)
	for _, t := range p.tokens[min(p.at, len(p.tokens)):min(p.at+4, len(p.tokens))] {
		rest = append(rest, t.text)
	}
	if len(rest) == 0 {
		return &Problem{"Something is missing at the end.", p.hint()}
	}
	return &Problem{"“" + strings.Join(rest, " ") + "” cannot be read as a number.", p.hint()}
}

// UnitOf is how much one of a unit is in SI, with what it measures; false for a name that is none.
func UnitOf(name string) (kind string, si float64, known bool) {
	u, known := units[strings.ToLower(strings.TrimSpace(name))]
	return u.kind, u.si, known
}
