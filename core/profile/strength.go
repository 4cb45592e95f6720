package profile

import (
	"math"
	"sort"
	"strings"
	"unicode"

	"dialarc/core/catalogue"
	"dialarc/core/setup"
)

// Strength is what is known of a lifter's strength: tests, sets and, for the rest, an estimate. It keeps the curves that it was asked for,
// so that the lifter must stay as it is, and it must not be shared between goroutines.
type Strength struct {
	Lifter *setup.Lifter
	// Sets says what known sets tell: each by how much the lifter is stronger, or weaker, in an action than the estimate.
	Sets []Told

	curves map[string]*curve
}

// Told is what one known set tells: the factor on the estimated strength of the actions that gave out in it, with how much each had to
// do with that, together 1.
type Told struct {
	Factor  float64
	Actions map[string]float64
}

// The spreads of what strength rests on, standard deviations of the logarithm (own): a test held still is good to a few of a hundred;
// people of one mass, training and sex differ by a fifth, and where training or sex is not known by a third.
const (
	spreadOfDays   = 0.04 // of one lifter from day to day
	spreadTest     = 0.03 // of a test of which no spread is given
	spreadShape    = 0.06 // of the usual shape away from the one test that it goes through
	spreadSets     = 0.09 // of one set, in its own action
	spreadEstimate = 0.18
	spreadUnset    = 0.30
)

// How near a set is to an action that it did not test (own): what is left of its say.
const (
	sameJoint = 0.35
	sameLimb  = 0.15
	elsewhere = 0.05
)

// curve is the best there is for an action.
func (s *Strength) curve(action string) *curve {
	if s.curves == nil {
		s.curves = make(map[string]*curve)
	}
	if s.curves[action] == nil {
		s.curves[action] = s.fit(action)
	}
	return s.curves[action]
}

// fit makes the curve of an action: PCHIP through two or more tests; the library's shape through one test, or scaled by what known
// sets tell, or by body mass, training and sex. Outside its table a curve is flat.
func (s *Strength) fit(action string) *curve {
	tests := testsOf(s.Lifter, action)
	if len(tests) >= 2 {
		x, y := make([]float64, len(tests)), make([]float64, len(tests))
		for i, t := range tests {
			x[i], y[i] = t.AngleDeg, t.Torque
		}
		return fitted(x, y, 1, Measured, testSpread(tests))
	}
	shape := catalogue.Shapes[action]
	c := fitted(shape.AngleDeg, shape.Fraction, s.Estimate(action), Estimate, s.estimateSpread())
	if len(tests) == 1 {
		c.scale = 1
		c.scale = tests[0].Torque / c.value(tests[0].AngleDeg)
		c.trust, c.spread = Scaled, math.Hypot(spreadShape, testSpread(tests))
		return c
	}
	if factor, spread, say := s.told(action); say > 0 {
		c.scale, c.spread = c.scale*factor, spread
		if say >= sameJoint {
			c.trust = BySets
		}
	}
	return c
}

// testSpread is how far tests are known: by their own spreads, and by how much a lifter differs from day to day.
func testSpread(tests []setup.StrengthTest) float64 {
	sum := 0.0
	for _, t := range tests {
		own := spreadTest
		if t.Spread > 0 {
			own = t.Spread / 1.96 // of 95 %
		}
		sum += own * own / float64(len(tests))
	}
	return math.Sqrt(sum + spreadOfDays*spreadOfDays)
}

// Estimate is the largest torque of an action, at the best angle, of people of the lifter's mass, training and sex, N·m.
func (s *Strength) Estimate(action string) float64 {
	l := s.Lifter
	return catalogue.Shapes[action].PerMass * catalogue.StrengthMass(l.Height, l.BodyMass) * catalogue.Trained(l.Training, l.Sex,
		limbOf(jointOf(action)) != "arm")
}

func (s *Strength) estimateSpread() float64 {
	if s.Lifter.Training == "" || s.Lifter.Sex == "" {
		return spreadUnset
	}
	return spreadEstimate
}

// Typical says whether somebody's estimate is a trained man's for want of knowing better.
func (s *Strength) Typical() bool { return s.Lifter.Training == "" || s.Lifter.Sex == "" }

// told is the factor that known sets put on the estimate of an action, and the spread that is left: a mean of logarithms in which each set
// weighs by how near it is over its variance, and the estimate itself by one over its own. Say is how much the sets say together, 1 for
// one set in just this action.
func (s *Strength) told(action string) (factor, spread, say float64) {
	sum := 0.0
	for _, t := range s.Sets {
		near := 0.0
		for other, part := range t.Actions {
			near += part * nearness(action, other)
		}
		sum += near * math.Log(t.Factor)
		say += near
	}
	of := spreadSets * spreadSets
	whole := say + of/math.Pow(s.estimateSpread(), 2)
	return math.Exp(sum / whole), math.Sqrt(of / whole), say
}

func nearness(a, b string) float64 {
	switch ja, jb := jointOf(a), jointOf(b); {
	case a == b:
		return 1
	case ja == jb:
		return sameJoint
	case limbOf(ja) == limbOf(jb):
		return sameLimb
	}
	return elsewhere
}

func jointOf(action string) string {
	joint, _, _ := strings.Cut(action, ".")
	return joint
}

// limbOf is the limb that a joint is of: arm, leg or trunk.
func limbOf(joint string) string {
	switch joint {
	case "hip", "knee", "ankle":
		return "leg"
	case "trunk":
		return joint
	}
	return "arm"
}

// Overall is the lifter's strength over that of a trained man of 75 kg, of the limb that a joint is of: what muscles are scaled by. Tests
// and sets count as the mean of what they say about the actions of that limb which they speak of.
func (s *Strength) Overall(joint string) float64 {
	l, limb := s.Lifter, limbOf(joint)
	base := catalogue.StrengthMass(l.Height, l.BodyMass) / 75 * catalogue.Trained(l.Training, l.Sex, limb != "arm")
	sum, n := 0.0, 0.0
	for _, action := range setup.Actions {
		if limbOf(jointOf(action)) != limb {
			continue
		}
		c := s.curve(action)
		if c.trust == Estimate {
			continue
		}
		shape := catalogue.Shapes[action]
		usual := fitted(shape.AngleDeg, shape.Fraction, s.Estimate(action), Estimate, 0)
		for _, deg := range shape.AngleDeg {
			sum, n = sum+math.Log(c.value(deg)/usual.value(deg)), n+1
		}
	}
	if n > 0 {
		base *= math.Exp(sum / n)
	}
	return base
}

func fitted(x, y []float64, scale float64, trust Trust, spread float64) *curve {
	c := &curve{low: x[0], high: x[len(x)-1], scale: scale, trust: trust, spread: spread}
	if err := c.at.Fit(x, y); err != nil { // tables rise, and tests are validated and sorted
		panic("profile: " + err.Error())
	}
	return c
}

// testsOf are the tests of an action on the newest day that it was tested, by angle; days are written so that they sort.
func testsOf(l *setup.Lifter, action string) []setup.StrengthTest {
	newest := ""
	for _, t := range l.Strength {
		if t.Action == action {
			newest = max(newest, t.Date)
		}
	}
	var tests []setup.StrengthTest
	for _, t := range l.Strength {
		if t.Action == action && t.Date == newest {
			tests = append(tests, t)
		}
	}
	sort.Slice(tests, func(i, j int) bool { return tests[i].AngleDeg < tests[j].AngleDeg })
	return tests
}

// Best is the strength of an action at its best angle, N·m, with what it rests on and its spread.
func (s *Strength) Best(action string) (best float64, trust Trust, spread float64) {
	c := s.curve(action)
	for deg := c.low; deg <= c.high; deg++ {
		best = math.Max(best, c.value(deg))
	}
	return best, c.trust, c.spread
}

// testWords says what was tested of an action, and when, to go on in a sentence.
func (s *Strength) testWords(action string) string {
	tests := testsOf(s.Lifter, action)
	text := ActionWords(action) + " as tested"
	if len(tests) == 1 {
		text = ActionWords(action) + " by the usual shape through one test"
	}
	if day := tests[0].Date; day != "" {
		text += " on " + day
	}
	return text
}

// kneeBentKey ends the key of an action whose strength is another with the knee bent.
const kneeBentKey = "KneeBent"

// ActionWords names an action as the trade does, like "horizontal adduction of the shoulder".
func ActionWords(action string) string {
	joint, _, _ := strings.Cut(action, ".")
	if joint == "girdle" {
		joint = "shoulder girdle"
	}
	text := TurnWords(action) + " of the " + joint
	if strings.HasSuffix(action, kneeBentKey) {
		text += " with the knee bent"
	}
	return text
}

// TurnWords names what an action does to its joint, like "horizontal adduction".
func TurnWords(action string) string {
	_, turn, _ := strings.Cut(strings.TrimSuffix(action, kneeBentKey), ".")
	var words strings.Builder
	for _, r := range turn {
		if unicode.IsUpper(r) {
			words.WriteByte(' ')
		}
		words.WriteRune(unicode.ToLower(r))
	}
	return words.String()
}

// Words says what a trust in this lifter's strength means.
func (s *Strength) Words(t Trust) string {
	switch t {
	case Measured:
		return "As tested at several angles."
	case Scaled:
		return "The usual shape through one test."
	case BySets:
		return "Estimated from known sets."
	case Unknown:
		return "There is no strength curve for this action, so effort is unknown."
	}
	who := map[string]string{"novice": "novice", "": "trained", "trained": "trained", "advanced": "advanced"}[s.Lifter.Training] + " " +
		map[string]string{"female": "woman", "": "man", "male": "man"}[s.Lifter.Sex]
	article := "a "
	if s.Lifter.Training == "advanced" {
		article = "an "
	}
	text := "Estimate for " + article + who + " of this body mass"
	if len(s.Sets) > 0 {
		text += ", adjusted to the known sets"
	}
	switch l := s.Lifter; {
	case l.Training == "" && l.Sex == "":
		return text + ": training and sex are not given."
	case l.Training == "":
		return text + ": training is not given."
	case l.Sex == "":
		return text + ": sex is not given."
	}
	return text + "."
}
