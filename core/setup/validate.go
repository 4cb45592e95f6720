package setup

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"
	"unicode/utf8"
)

// Validate checks every field that can be judged from the document alone. Geometry that needs the body (a hand inside
// a column, a stack that never lifts) is checked where the body is known.
func Validate(d *Document) Problems {
	v := &Checks{}
	v.OneOf("schema", "schema", d.Schema, Schema)
	if len(v.Found) > 0 {
		v.Found[0].Why = "This program reads only the versions that it knows."
		return v.Found
	}
	v.Name("name", d.Name)
	v.target(&d.Target)
	v.lifter(&d.Lifter)
	v.posture(d)
	v.movement(d)
	v.loads(d)
	v.tempo(&d.Tempo)
	v.words(d)
	if d.Samples < 5 || d.Samples > 1001 {
		v.Add("samples", fmt.Sprintf("%d samples.", d.Samples), "The curve needs some points and no more than it can show.", "Give 5 to 1001, or leave it out for 101.")
	}
	return v.Found
}

// words checks what the coach wrote.
func (v *Checks) words(d *Document) {
	if len(d.Locked) > 200 {
		v.Add("locked", fmt.Sprintf("%d settings are locked.", len(d.Locked)), "", "Keep 200 at most.")
	}
	if len(d.Seen) > 50 {
		v.Add("seen", fmt.Sprintf("%d cautions are set aside.", len(d.Seen)), "", "Keep 50 at most.")
	}
	if n := utf8.RuneCountInString(d.Notes); n > 4000 {
		v.Add("notes", fmt.Sprintf("The notes have %d characters.", n), "", "Keep them to 4000.")
	}
	v.phrases("cues", "cue", d.Cues, 120)
}

// phrases checks a short list of short sentences.
func (v *Checks) phrases(path, label string, list []string, longest int) {
	if len(list) > 12 {
		v.Add(path, fmt.Sprintf("%d %ss.", len(list), label), "Nobody lifts by that many.", "Keep 12 at most.")
	}
	for i, c := range list {
		if n := utf8.RuneCountInString(c); n == 0 || n > longest {
			v.Add(fmt.Sprintf("%s[%d]", path, i), fmt.Sprintf("The %s has %d characters.", label, n), "", fmt.Sprintf("Give 1 to %d.", longest))
		}
	}
}

func (v *Checks) target(t *Target) {
	keys := make([]string, len(Regions))
	for i, r := range Regions {
		keys[i] = r.Key
	}
	v.OneOf("target.region", "region", t.Region, keys...)
	v.OneOf("target.school", "school", t.School, Schools...)
	if r, ok := RegionOf(t.Region); t.Joint != "" {
		v.OneOf("target.joint", "target joint", t.Joint, JointNames...)
	} else if ok && len(r.Joints) > 1 {
		v.Add("target.joint", "The region crosses more than one joint.", "The profile is that of one joint.", "Give one of: "+strings.Join(r.Joints, ", ")+".")
	}
	if t.School != "custom" {
		return
	}
	sum := 0.0
	for i, x := range t.Custom {
		v.Within(fmt.Sprintf("target.custom[%d]", i), "wanted torque", x, 0, 1000, "", "Only relative heights count.")
		sum += x
	}
	if len(t.Custom) != 5 || !(sum > 0) {
		v.Add("target.custom", fmt.Sprintf("The drawn profile has %d points with the sum %s.", len(t.Custom), number(sum, "")),
			"The school custom compares with five points.", "Give five heights, not all zero, from the long end to the short end.")
	}
}

func (v *Checks) lifter(l *Lifter) {
	tall := v.Within("lifter.stature", "stature", l.Stature, 1.0, 2.4, "m", "Every length is scaled from it.")
	v.Within("lifter.mass", "body mass", l.Mass, 25, 300, "kg", "Segment weights and estimated strength are scaled from it.")
	v.Within("lifter.naturalPathDeg", "natural arm path", l.NaturalPathDeg, -30, 60, "degrees", "")
	v.Within("lifter.lowBackLimit", "limit of the low back", l.LowBackLimit, 0, 1000, "N·m", "")
	v.Within("lifter.gripLimit", "limit of the grip", l.GripLimit, 0, 2000, "N", "")
	v.Within("lifter.carryingDeg", "carrying angle", l.CarryingDeg, -5, 30, "degrees", "")
	for _, key := range sortedKeys(l.Lengths) {
		i := slices.IndexFunc(Lengths, func(n Length) bool { return n.Key == key })
		if i < 0 {
			v.Add("lifter.lengths."+key, "There is no length "+strconv.Quote(clip(key))+".", "", "Lengths: "+strings.Join(lengthKeys(), ", ")+".")
			continue
		}
		if usual := Lengths[i].Fraction * l.Stature; tall {
			v.Within("lifter.lengths."+key, "length ("+Lengths[i].Label+")", l.Lengths[key], round3(0.5*usual), round3(1.6*usual), "m",
				"That is far from any body of this stature.")
		}
	}
	v.ranges(l)
	if l.Training != "" {
		v.OneOf("lifter.training", "training", l.Training, Trainings...)
	}
	if l.Sex != "" {
		v.OneOf("lifter.sex", "sex", l.Sex, Sexes...)
	}
	v.strength(l.Strength)
	v.sets(l.Sets)
	v.phrases("lifter.cautions", "caution", l.Cautions, 160)
}

func round3(x float64) float64 { return math.Round(x*1000) / 1000 }

func lengthKeys() []string {
	keys := make([]string, len(Lengths))
	for i, n := range Lengths {
		keys[i] = n.Key
	}
	return keys
}

func (v *Checks) ranges(l *Lifter) {
	for _, key := range sortedKeys(l.Ranges) {
		path, r := "lifter.ranges."+key, l.Ranges[key]
		if _, ok := CoordinateOf(key + "Deg"); !ok {
			v.Add(path, "There is no joint coordinate "+strconv.Quote(clip(key))+".", "", "Coordinates: "+strings.Join(coordinateKeys(""), ", ")+".")
			continue
		}
		ok := v.Within(path+".fromDeg", "least angle", r.FromDeg, -180, 180, "degrees", "")
		ok = v.Within(path+".toDeg", "largest angle", r.ToDeg, -180, 180, "degrees", "") && ok
		if ok && r.FromDeg >= r.ToDeg {
			v.Add(path+".toDeg", "The range runs from "+number(r.FromDeg, "")+" to "+number(r.ToDeg, "degrees")+".", "A range needs some width.", "Give an end above the start.")
		}
		for i, h := range r.Hurts {
			at := fmt.Sprintf("%s.hurts[%d]", path, i)
			sound := v.Within(at+".fromDeg", "start of what hurts", h.FromDeg, -180, 180, "degrees", "")
			sound = v.Within(at+".toDeg", "end of what hurts", h.ToDeg, -180, 180, "degrees", "") && sound
			if sound && h.FromDeg > h.ToDeg {
				v.Add(at+".toDeg", "The painful range runs from "+number(h.FromDeg, "")+" to "+number(h.ToDeg, "degrees")+".", "", "Give an end above the start.")
			}
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

func (v *Checks) strength(tests []StrengthTest) {
	seen := map[string]bool{}
	for i, t := range tests {
		path := fmt.Sprintf("lifter.strength[%d]", i)
		v.OneOf(path+".action", "joint action", t.Action, Actions...)
		v.Within(path+".angleDeg", "joint angle of the test", t.AngleDeg, -90, 180, "degrees", "")
		v.Within(path+".torque", "torque held", t.Torque, 0.5, 1000, "N·m", "A capacity of nothing would make every effort infinite.")
		v.day(path+".date", "test", t.Date, "The newest day's tests are the ones that count.")
		id := fmt.Sprintf("%s@%.3f on %s", t.Action, t.AngleDeg, t.Date)
		if seen[id] {
			v.Add(path+".angleDeg", "There are two tests of "+t.Action+" at "+number(t.AngleDeg, "degrees")+" on one day.", "Strength at one angle is one number.", "Keep the better one.")
		}
		seen[id] = true
	}
}

// day checks a date that may be left out.
func (v *Checks) day(path, of, date, why string) {
	if _, err := time.Parse(time.DateOnly, date); date != "" && err != nil {
		v.Add(path, "The day of the "+of+" is "+strconv.Quote(clip(date))+".", why, "Give year, month and day, like 2026-11-25, or leave it out.")
	}
}

// mostSets is how many known sets a lifter may have.
const mostSets = 40

// sets checks what can be judged without the exercises; which there are is known where they are made.
func (v *Checks) sets(sets []KnownSet) {
	if len(sets) > mostSets {
		v.Add("lifter.sets", fmt.Sprintf("%d known sets.", len(sets)), "", fmt.Sprintf("Keep the best %d.", mostSets))
		return
	}
	for i, s := range sets {
		path := fmt.Sprintf("lifter.sets[%d]", i)
		if s.Exercise == "" || len(s.Exercise) > 60 {
			v.Add(path+".exercise", "The set names no exercise.", "A load says something about strength only in a known exercise.", "Choose the exercise that it was done in.")
		}
		v.Within(path+".load", "load of the set", s.Load, 0.5, 500, "kg", "")
		v.Within(path+".reps", "repetitions", float64(s.Reps), 1, 30, "", "Over 30 repetitions endurance is tested, not strength.")
		v.Within(path+".left", "repetitions left", float64(s.Left), 0, 10, "", "Nobody knows how many more than ten would have gone.")
		v.day(path+".date", "set", s.Date, "")
	}
}

func (v *Checks) tempo(t *Tempo) {
	for _, p := range []struct {
		path, label string
		seconds     float64
	}{{"tempo.down", "lowering time", t.Down}, {"tempo.bottom", "pause at the start", t.Bottom}, {"tempo.up", "lifting time", t.Up}, {"tempo.top", "pause at the end", t.Top}} {
		v.Within(p.path, p.label, p.seconds, 0, 60, "s", "")
	}
}

// ValidateLifter checks a lifter that stands by itself; the paths begin with base.
func ValidateLifter(base string, l *Lifter) Problems {
	v := &Checks{}
	v.lifter(l)
	for i := range v.Found {
		v.Found[i].Path = base + strings.TrimPrefix(v.Found[i].Path, "lifter")
	}
	return v.Found
}
