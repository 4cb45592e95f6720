package compare

import (
	"fmt"
	"math"
	"reflect"
	"slices"
	"strings"

	"dialarc/core/load"
	"dialarc/core/quantity"
	"dialarc/core/setup"
)

// Differences from which setups are not compared as equals (own).
const (
	rangeApart  = 5.0  // degrees, at either end
	lengthApart = 0.05 // of the best length, at either end
	ratioApart  = 0.01 // of pulleys
	lossApart   = 0.02 // of friction
	bodyApart   = 0.01 // of stature or mass, as a share
)

// because lists in which respects setups differ that change what their numbers mean: whoever finds one of them better has to know
// that all of these were different at once.
func because(sides []side) []Reason {
	out := []Reason{}
	if len(sides) < 2 {
		return out
	}
	words := func(key, text string, word func(s *side) string) {
		if g := grouped(sides, word); g != "" {
			out = append(out, Reason{Key: key, Text: strings.Replace(text, "{each}", g, 1), Values: map[string]quantity.Quantity{}})
		}
	}
	words("target", "They are for different regions: {each}.", func(s *side) string { return "for " + regionLabel(s.doc.Target.Region) })
	words("joint", "They move different joints: {each}.", func(s *side) string { return s.report.Joint + ", " + s.report.Label })
	words("hold", "One is held, the other moves: {each}.", func(s *side) string {
		if s.report.Hold {
			return "held"
		}
		return "moving"
	})
	words("phase", "The load is hardest in different parts of the range: {each}.", func(s *side) string {
		if p := s.report.Profile.Loads.Phase; p != "" {
			return p
		}
		return "without one"
	})
	if sameCoordinate(sides) {
		out = append(out, ends(sides, "range", "The range differs: {each}.", "angle", rangeApart, rangeOf)...)
	}
	out = append(out, ends(sides, "length", "The target works at different lengths: {each} of its optimal length.", "percent",
		percent*lengthApart, lengthsOf)...)
	out = append(out, ofKit(sides)...)
	if r, differ := lifters(sides); differ {
		out = append(out, r)
	}
	words("school", "The target profiles differ, so the fits do not compare: {each}.", func(s *side) string { return s.doc.Target.Profile })
	words("sides", "Different sides move: {each}.", func(s *side) string { return s.doc.Movement.Side })
	words("tempo", "The tempo differs: {each}.", func(s *side) string {
		t := s.doc.Tempo
		return fmt.Sprintf("%g up, %g held, %g down, %g at the start", t.Up, t.Top, t.Down, t.Bottom)
	})
	return out
}

func regionLabel(key string) string {
	for _, r := range setup.Regions {
		if r.Key == key {
			return r.Label
		}
	}
	return key
}

// ends compares what setups reach at both ends.
func ends(sides []side, key, text, kind string, apart float64, of func(s *side) (from, to float64)) []Reason {
	r := Reason{Key: key, Values: map[string]quantity.Quantity{}}
	var parts []string
	low, high := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
	for i := range sides {
		from, to := of(&sides[i])
		if math.IsNaN(from) || math.IsNaN(to) {
			continue
		}
		for k, x := range [2]float64{from, to} {
			low[k], high[k] = min(low[k], x), max(high[k], x)
		}
		l := strings.ToLower(sides[i].letter)
		r.Values[l+"From"], r.Values[l+"To"] = quantity.Quantity{Value: from, Kind: kind}, quantity.Quantity{Value: to, Kind: kind}
		parts = append(parts, fmt.Sprintf("%s {%sFrom} to {%sTo}", sides[i].letter, l, l))
	}
	if len(parts) < 2 || high[0]-low[0] <= apart && high[1]-low[1] <= apart {
		return nil
	}
	r.Text = strings.Replace(text, "{each}", strings.Join(parts, "; "), 1)
	return []Reason{r}
}

func rangeOf(s *side) (from, to float64) {
	if s.report.Hold {
		return math.NaN(), math.NaN()
	}
	c := s.report.Curves.AngleDeg
	return c[0], c[len(c)-1]
}

func lengthsOf(s *side) (from, to float64) {
	return percent * reached(s, math.Max).OrNaN(), percent * reached(s, math.Min).OrNaN()
}

// ofKit compares what makes a pin's number mean another pull, and where the loads hold on.
func ofKit(sides []side) []Reason {
	var out []Reason
	text := func(key, what string, word func(l *setup.Load) string) {
		g := grouped(sides, func(s *side) string {
			var all []string
			for i := range s.doc.Loads {
				if w := word(&s.doc.Loads[i]); w != "" && !slices.Contains(all, w) {
					all = append(all, w)
				}
			}
			if len(all) == 0 {
				return "without"
			}
			return listed(all)
		})
		if g != "" {
			out = append(out, Reason{Key: key, Text: what + g + ".", Values: map[string]quantity.Quantity{}})
		}
	}
	text("kind", "The kinds of load differ: ", func(l *setup.Load) string { return load.Of(l).With })
	if cabled(sides) {
		text("ratio", "The same pin does not pull the same, since the pulleys differ: ", func(l *setup.Load) string {
			if !onPulley(l) {
				return ""
			}
			return fmt.Sprintf("%.0f%% of the pin, %.0f%% lost", percent*stepped(l.Ratio, ratioApart), percent*stepped(l.Friction, lossApart))
		})
	}
	text("contact", "The loads are attached in different places: ", func(l *setup.Load) string {
		if l.Contact.Segment == "" {
			return "" // the own body
		}
		return "at the " + heldAt(l)
	})
	return out
}

func onPulley(l *setup.Load) bool { return load.Of(l).From == load.FromPulley }

// cabled says whether all setups have a cable.
func cabled(sides []side) bool {
	return !slices.ContainsFunc(sides, func(s side) bool {
		return !slices.ContainsFunc(s.doc.Loads, func(l setup.Load) bool { return onPulley(&l) })
	})
}

func stepped(x, step float64) float64 { return step * math.Round(x/step) }

// heldAt names where on the body a load holds on.
func heldAt(l *setup.Load) string {
	c := &l.Contact
	if c.Fraction != nil {
		return fmt.Sprintf("%s, %.0f%% out", segments[c.Segment], percent*stepped(*c.Fraction, 0.05))
	}
	if c.At != "" && c.At != "grip" {
		return c.At
	}
	return segments[c.Segment]
}

var segments = map[string]string{"hand": "hand", "forearm": "forearm", "upperArm": "upper arm", "thigh": "thigh", "shank": "shank",
	"trunk": "trunk"}

// lifters says whether different bodies lift.
func lifters(sides []side) (Reason, bool) {
	r := Reason{Key: "lifter", Values: map[string]quantity.Quantity{}}
	first := &sides[0].doc.Lifter
	differ := false
	var parts []string
	for i := range sides {
		l := &sides[i].doc.Lifter
		differ = differ || math.Abs(l.Height/first.Height-1) > bodyApart || math.Abs(l.BodyMass/first.BodyMass-1) > bodyApart ||
			!reflect.DeepEqual(l.Lengths, first.Lengths)
		key := strings.ToLower(sides[i].letter)
		r.Values[key+"Tall"], r.Values[key+"Mass"] = quantity.Quantity{Value: l.Height, Kind: "length"},
			quantity.Quantity{Value: l.BodyMass, Kind: "mass"}
		parts = append(parts, fmt.Sprintf("%s {%sTall}, {%sMass}", sides[i].letter, key, key))
	}
	r.Text = "The lifters differ: " + strings.Join(parts, "; ") + "."
	return r, differ
}
