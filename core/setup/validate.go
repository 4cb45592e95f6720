package setup

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"unicode/utf8"
)

// Validate checks every field that can be judged from the document alone. Geometry that needs the body (a hand inside
// a column, a stack that never lifts) is checked where the body is known.
func Validate(d *Document) Problems {
	v := &validator{}
	v.oneOf("schema", "schema", d.Schema, Schema)
	if len(v.found) > 0 {
		v.found[0].Why = "This program reads only the versions that it knows."
		return v.found
	}
	v.text("name", d.Name)
	v.target(&d.Target)
	v.lifter(&d.Lifter)
	v.posture(d)
	v.movement(d)
	v.loads(d)
	v.tempo(&d.Tempo)
	v.words(d)
	if d.Samples < 5 || d.Samples > 1001 {
		v.add("samples", fmt.Sprintf("%d samples.", d.Samples), "The curve needs some points and no more than it can show.", "Give 5 to 1001, or leave it out for 101.")
	}
	return v.found
}

// words checks what the coach wrote.
func (v *validator) words(d *Document) {
	if len(d.Seen) > 50 {
		v.add("seen", fmt.Sprintf("%d cautions are set aside.", len(d.Seen)), "", "Keep 50 at most.")
	}
	if n := utf8.RuneCountInString(d.Notes); n > 4000 {
		v.add("notes", fmt.Sprintf("The notes have %d characters.", n), "", "Keep them to 4000.")
	}
	if len(d.Cues) > 12 {
		v.add("cues", fmt.Sprintf("%d cues.", len(d.Cues)), "Nobody lifts by that many.", "Keep 12 at most.")
	}
	for i, c := range d.Cues {
		if n := utf8.RuneCountInString(c); n == 0 || n > 120 {
			v.add(fmt.Sprintf("cues[%d]", i), fmt.Sprintf("The cue has %d characters.", n), "", "Give 1 to 120.")
		}
	}
}

type validator struct{ found Problems }

func (v *validator) add(path, what, why, hint string) {
	v.found = append(v.found, Problem{Path: path, What: what, Why: why, Hint: hint})
}

// within reports a number outside [low, high] or not finite.
func (v *validator) within(path, label string, x, low, high float64, unit, why string) bool {
	if x >= low && x <= high {
		return true
	}
	v.add(path, "The "+label+" is "+number(x, unit)+".", why, "Give "+number(low, "")+" to "+number(high, unit)+".")
	return false
}

func number(x float64, unit string) string {
	s := strconv.FormatFloat(x, 'g', 6, 64)
	if unit == "" {
		return s
	}
	return s + " " + unit
}

func (v *validator) oneOf(path, label, got string, allowed ...string) bool {
	if slices.Contains(allowed, got) {
		return true
	}
	what := fmt.Sprintf("The %s is %q.", label, clip(got))
	if got == "" {
		what = "The " + label + " is missing."
	}
	v.add(path, what, "", "Give one of: "+strings.Join(allowed, ", ")+".")
	return false
}

func (v *validator) text(path, s string) {
	if n := len([]rune(s)); n > 200 {
		v.add(path, fmt.Sprintf("The name has %d characters.", n), "", "Keep it to 200.")
	}
}

func (v *validator) target(t *Target) {
	keys := make([]string, len(Regions))
	for i, r := range Regions {
		keys[i] = r.Key
	}
	v.oneOf("target.region", "region", t.Region, keys...)
	v.oneOf("target.school", "school", t.School, Schools...)
	if r, ok := RegionOf(t.Region); t.Joint != "" {
		v.oneOf("target.joint", "target joint", t.Joint, JointNames...)
	} else if ok && len(r.Joints) > 1 {
		v.add("target.joint", "The region crosses more than one joint.", "The profile is that of one joint.", "Give one of: "+strings.Join(r.Joints, ", ")+".")
	}
	if t.School != "custom" {
		return
	}
	sum := 0.0
	for i, x := range t.Custom {
		v.within(fmt.Sprintf("target.custom[%d]", i), "wanted torque", x, 0, 1000, "", "Only relative heights count.")
		sum += x
	}
	if len(t.Custom) != 5 || !(sum > 0) {
		v.add("target.custom", fmt.Sprintf("The drawn profile has %d points with the sum %s.", len(t.Custom), number(sum, "")),
			"The school custom compares with five points.", "Give five heights, not all zero, from the long end to the short end.")
	}
}

func (v *validator) lifter(l *Lifter) {
	tall := v.within("lifter.stature", "stature", l.Stature, 1.0, 2.4, "m", "Every length is scaled from it.")
	v.within("lifter.mass", "body mass", l.Mass, 25, 300, "kg", "Segment weights and estimated strength are scaled from it.")
	v.within("lifter.naturalPathDeg", "natural arm path", l.NaturalPathDeg, -30, 60, "degrees", "")
	v.within("lifter.lowBackLimit", "limit of the low back", l.LowBackLimit, 0, 1000, "N·m", "")
	v.within("lifter.gripLimit", "limit of the grip", l.GripLimit, 0, 2000, "N", "")
	v.within("lifter.carryingDeg", "carrying angle", l.CarryingDeg, -5, 30, "degrees", "")
	for _, key := range sortedKeys(l.Lengths) {
		i := slices.IndexFunc(Lengths, func(n Length) bool { return n.Key == key })
		if i < 0 {
			v.add("lifter.lengths."+key, "There is no length "+strconv.Quote(clip(key))+".", "", "Lengths: "+strings.Join(lengthKeys(), ", ")+".")
			continue
		}
		if usual := Lengths[i].Fraction * l.Stature; tall {
			v.within("lifter.lengths."+key, "length ("+Lengths[i].Label+")", l.Lengths[key], round3(0.5*usual), round3(1.6*usual), "m",
				"That is far from any body of this stature.")
		}
	}
	v.ranges(l)
	v.strength(l.Strength)
}

func round3(x float64) float64 { return math.Round(x*1000) / 1000 }

func lengthKeys() []string {
	keys := make([]string, len(Lengths))
	for i, n := range Lengths {
		keys[i] = n.Key
	}
	return keys
}

func (v *validator) ranges(l *Lifter) {
	for _, key := range sortedKeys(l.Ranges) {
		path, r := "lifter.ranges."+key, l.Ranges[key]
		if _, ok := CoordinateOf(key + "Deg"); !ok {
			v.add(path, "There is no joint coordinate "+strconv.Quote(clip(key))+".", "", "Coordinates: "+strings.Join(coordinateKeys(""), ", ")+".")
			continue
		}
		ok := v.within(path+".fromDeg", "least angle", r.FromDeg, -180, 180, "degrees", "")
		ok = v.within(path+".toDeg", "largest angle", r.ToDeg, -180, 180, "degrees", "") && ok
		if ok && r.FromDeg >= r.ToDeg {
			v.add(path+".toDeg", "The range runs from "+number(r.FromDeg, "")+" to "+number(r.ToDeg, "degrees")+".", "A range needs some width.", "Give an end above the start.")
		}
	}
}

func coordinateKeys(suffix string) []string {
	keys := make([]string, NumCoordinates)
	for i, c := range Coordinates {
		keys[i] = c.Key + suffix
	}
	return keys
}

func (v *validator) strength(tests []StrengthTest) {
	seen := map[string]bool{}
	for i, t := range tests {
		path := fmt.Sprintf("lifter.strength[%d]", i)
		v.oneOf(path+".action", "joint action", t.Action, Actions...)
		v.within(path+".angleDeg", "joint angle of the test", t.AngleDeg, -90, 180, "degrees", "")
		v.within(path+".torque", "torque held", t.Torque, 0.5, 1000, "N·m", "A capacity of nothing would make every effort infinite.")
		id := fmt.Sprintf("%s@%.3f", t.Action, t.AngleDeg)
		if seen[id] {
			v.add(path+".angleDeg", "There are two tests of "+t.Action+" at "+number(t.AngleDeg, "degrees")+".", "Strength at one angle is one number.", "Keep the better one.")
		}
		seen[id] = true
	}
}

func (v *validator) tempo(t *Tempo) {
	for _, p := range []struct {
		path, label string
		seconds     float64
	}{{"tempo.down", "lowering time", t.Down}, {"tempo.bottom", "pause at the start", t.Bottom}, {"tempo.up", "lifting time", t.Up}, {"tempo.top", "pause at the end", t.Top}} {
		v.within(p.path, p.label, p.seconds, 0, 60, "s", "")
	}
}

// ValidateLifter checks a lifter that stands by itself; the paths begin with base.
func ValidateLifter(base string, l *Lifter) Problems {
	v := &validator{}
	v.lifter(l)
	for i := range v.found {
		v.found[i].Path = base + strings.TrimPrefix(v.found[i].Path, "lifter")
	}
	return v.found
}
