// Package verdict puts the numbers into a coach's words: one short sentence each, with the values left as names in
// braces, so that whoever shows it fills in the reader's units.
package verdict

import (
	"math"

	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/reps"
	"dialarc/core/space"
	"dialarc/core/support"
)

// Tone says how a sentence should be taken.
type Tone string

// The tones, the best first.
const (
	OK      Tone = "ok"
	Warning Tone = "warning" // could be better
	Error   Tone = "error"   // does not work as it stands
)

// Quantity is a value of a sentence and its kind of unit: length (m), angle (degrees), mass (kg), torque (N·m), force
// (N), percent (0 to 100), count.
type Quantity struct {
	Value float64
	Kind  string
}

// Sentence is one verdict.
type Sentence struct {
	Key    string // lineUp, profile, start
	Tone   Tone
	Text   string
	Values map[string]Quantity
	Doubt  string // why its numbers are rough; empty when they are not
}

func angle(rad float64) Quantity     { return Quantity{space.Deg(rad), "angle"} }
func percent(share float64) Quantity { return Quantity{100 * share, "percent"} }

// Profile says where the setup is heaviest, how much of that is left at the end, and where it strays furthest from the target
// profile. The slices have one value per sample.
func Profile(r *profile.Result, swept, total []float64, school string) Sentence {
	s := Sentence{Key: "profile", Tone: OK, Values: map[string]Quantity{}}
	at, moves := r.Total.PeakAngle.Get()
	left, ends := r.Total.EndShare.Get()
	if !moves || !ends || !r.Fit.Known() {
		s.Tone, s.Text = Error, "No profile: "+lower(firstOf(r.Fit.Why(), r.Total.PeakAngle.Why()))
		return s
	}
	s.Values["at"], s.Values["peak"], s.Values["left"] = angle(at), Quantity{r.Total.Peak.OrNaN(), "torque"}, percent(left)
	s.Text = "Hardest at {at} ({peak}), {left} of that at the end"
	switch {
	case left >= 1-1e-9:
		s.Text = "Hardest at the very end ({peak})"
	case left < -0.005:
		s.Text = "Hardest at {at} ({peak}); at the end the load helps"
	}
	if stray, tone := straying(r, swept, total, school); stray != "" {
		s.Text, s.Tone = s.Text+": "+stray, tone
	}
	s.Text += "."
	if len(r.DeadSpots) > 0 {
		d := r.DeadSpots[0]
		s.Values["deadFrom"], s.Values["deadTo"] = angle(d.From), angle(d.To)
		s.Text += " Almost no torque from {deadFrom} to {deadTo}."
		s.Tone = Warning
	} else if len(r.Cliffs) > 0 {
		c := r.Cliffs[0]
		s.Values["from"], s.Values["to"] = angle(c.From), angle(c.To)
		s.Text += map[bool]string{true: " Torque drops off sharply from {from} to {to}.",
			false: " Torque comes on abruptly from {from} to {to}."}[c.Falls]
	}
	s.tooMuch(r)
	return s
}

// tooMuch says where more is asked than the lifter has; where strength is not known, nothing.
func (s *Sentence) tooMuch(r *profile.Result) {
	effort, known := r.PeakEffort.Get()
	at, placed := r.LimitingAngle.Get()
	if known && placed && effort > 1 {
		s.Values["effort"], s.Values["limit"] = percent(effort), angle(at)
		s.Text += " It takes {effort} of the lifter's strength at {limit}."
		s.Tone = Error
	}
}

// Hold says what a held pose asks of a joint; there is no range to judge.
func Hold(joint string, size float64) Sentence {
	return Sentence{Key: "profile", Tone: OK, Text: "Static hold: {size} at the " + joint + ". There is no range to judge.",
		Values: map[string]Quantity{"size": {size, "torque"}}}
}

// straying compares the thirds of the range with the wanted curve and words the largest difference.
func straying(r *profile.Result, swept, total []float64, school string) (string, Tone) {
	if r.Target == nil {
		return "overall the load helps: it does the lifting", Error
	}
	whole, level := swept[len(swept)-1], 0.0
	var off [3]float64
	for i := 1; i < len(swept); i++ {
		step := swept[i] - swept[i-1]
		if step == 0 || math.IsNaN(total[i]+total[i-1]) { // the target stands still
			continue
		}
		k := min(2, int(3*(swept[i]+swept[i-1])/2/whole))
		off[k] += step * (total[i] + total[i-1] - r.Target[i] - r.Target[i-1]) / 2
		level += step * (r.Target[i] + r.Target[i-1]) / 2
	}
	worst := 0
	for k := range off {
		if math.Abs(off[k]) > math.Abs(off[worst]) {
			worst = k
		}
	}
	share := 3 * off[worst] / level
	place := [3]string{"at the start", "in the middle", "at the end"}[worst]
	weight := "heavy"
	if share < 0 {
		weight = "light"
	}
	switch size := math.Abs(share); {
	case size < 0.05:
		return "close to " + profileNames[school] + " throughout", OK
	case size < 0.15:
		return "slightly " + weight + " " + place + " for " + profileNames[school], OK
	case size < 0.4:
		return "too " + weight + " " + place + " for " + profileNames[school], Warning
	default:
		return "far too " + weight + " " + place + " for " + profileNames[school], Warning
	}
}

// profileNames are what torque is compared with, as in the middle of a sentence.
var profileNames = map[string]string{"match": "the muscle's strength", "overload": "the muscle's strength", "early": "an early profile",
	"even": "an even profile",
	"late": "a late profile", "custom": "the drawn profile"}

// LineUpInput is what LineUp speaks of: the share of the loads' torque that is beside the axis, and how far the first
// cable or band passes from the shoulder seen from above (m, positive in front; missing when there is none).
type LineUpInput struct {
	OffAxisShare float64
	PassesBy     metric.Metric
	Kind         string // cable or band
}

// linedUp is how near the cable has to pass the shoulder, seen from above, to count as lined up, m (common practice, no
// source).
const linedUp = 0.05

// besideMuch is the share of torque beside the path from which it is spoken of: the pull is 17 degrees off its plane (own).
const besideMuch = 0.3

// LineUp says whether the pull lies in the plane of the path.
func LineUp(in LineUpInput) Sentence {
	s := Sentence{Key: "alignment", Tone: OK, Values: map[string]Quantity{"off": percent(in.OffAxisShare)}}
	by, passes := in.PassesBy.Get()
	if !passes {
		s.Text = "The pull is in the plane of movement."
		if in.OffAxisShare > besideMuch {
			s.Text, s.Tone = "Out of plane: {off} as much torque as in the plane of movement.", Warning
		}
		return s
	}
	s.Values["by"] = Quantity{math.Abs(by), "length"}
	if math.Abs(by) <= linedUp {
		s.Text = "Seen from above, the " + in.Kind + " lines up with the arm, under the shoulder."
		return s
	}
	side := "in front of"
	if by < 0 {
		side = "behind"
	}
	s.Tone = Warning
	s.Text = "Seen from above, the " + in.Kind + " passes {by} " + side +
		" the shoulder at the end; {off} as much torque acts out of plane as in plane."
	return s
}

// inLine is how far a forearm may be off the line of what the hand holds, degrees, before it is spoken of, and crooked how far before
// elbow and wrist have to carry much of it (own).
const (
	inLine  = 12
	crooked = 35
)

// Forearm says how well the forearm is in line with what the hand holds in a press, a row or a pull, by the largest angle between them,
// degrees, and where that is.
func Forearm(off, atDeg float64) Sentence {
	s := Sentence{Key: "alignment", Tone: OK, Values: map[string]Quantity{"off": {off, "angle"}, "at": {atDeg, "angle"}}}
	switch {
	case off <= inLine:
		s.Text = "The forearm stays in line with the pull."
	case off <= crooked:
		s.Text = "The forearm is at most {off} off the line of pull, at {at}."
	default:
		s.Tone, s.Text = Warning, "At {at} the forearm is {off} off the line of pull: elbow and wrist have to take that up."
	}
	return s
}

// Start says whether the stack is off its rest from the beginning and how much travel is left.
func Start(st support.Start, leastAt float64) Sentence {
	s := Sentence{Key: "start", Tone: OK, Values: map[string]Quantity{
		"first": {st.First, "length"}, "least": {math.Abs(st.Least), "length"}, "at": angle(leastAt),
		"left": {math.Abs(st.Travel - st.Most), "length"},
	}}
	switch {
	case st.Least < 0:
		s.Tone, s.Text = Error, "The stack is down at {at}: the cable has {least} of slack there."
	case st.Most > st.Travel:
		s.Tone, s.Text = Error, "The stack tops out {left} short of the end of the range."
	case st.Least < support.Enough:
		s.Tone, s.Text = Warning, "The stack is barely off its rest at {at}: {least}."
	default:
		s.Text = "Stack {first} off its rest at the start, {left} of travel to spare."
	}
	return s
}

// Band says whether a band pulls from the beginning. Slack is the stretch of the path on which it hangs loose, degrees of the named
// coordinate, and how much of the range that is; stretch is that at the start, length over length at rest.
func Band(slack bool, fromDeg, toDeg, share, stretch float64) Sentence {
	s := Sentence{Key: "start", Tone: OK, Values: map[string]Quantity{"stretch": percent(stretch - 1)}}
	if !slack {
		s.Text = "The band is under tension from the start, stretched by {stretch}."
		return s
	}
	s.Values = map[string]Quantity{"from": {fromDeg, "angle"}, "to": {toDeg, "angle"}, "share": percent(share)}
	s.Tone, s.Text = Warning, "The band is slack from {from} to {to}, {share} of the range: no tension there."
	return s
}

// heavyPin is the effort of the lightest pin from which fewer than 8 repetitions are left.
var heavyPin = 1 / reps.Once(8)

// Pins says whether even the lightest pin is too much; false when it is not.
func Pins(lightest, effort float64) (Sentence, bool) {
	s := Sentence{Key: "start", Tone: Warning, Values: map[string]Quantity{"pin": {lightest, "mass"}, "effort": percent(effort)}}
	switch {
	case effort > 1:
		s.Tone, s.Text = Error, "Even the lightest pin, {pin}, takes {effort} of the lifter's strength."
	case effort > heavyPin:
		s.Text = "The lightest pin, {pin}, already takes {effort} of the lifter's strength: good for a few repetitions."
	default:
		return s, false
	}
	return s, true
}

func firstOf(a, b string) string {
	if a != "" {
		return a
	}
	return b
}

func lower(s string) string {
	if s == "" {
		return s
	}
	return string(s[0]|0x20) + s[1:]
}
