// Package rules says what a document has to satisfy: every value between its limits, and the parts of a setup not against each other. What
// only a kind of load knows is asked of its kind.
package rules

import (
	"fmt"
	"maps"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"
	"unicode/utf8"

	"dialarc/core/setup"
)

// checks collects what is wrong with a document.
type checks struct{ setup.Checks }

// sorted lists the keys of a map in order.
func sorted[V any](m map[string]V) []string {
	keys := slices.AppendSeq(make([]string, 0, len(m)), maps.Keys(m)) // made once: a search checks a document at every step
	slices.Sort(keys)
	return keys
}

func milli(x float64) float64 { return math.Round(1000*x) / 1000 }

// Parse reads a document, fills in defaults and validates it. The problems are empty exactly when the document can be
// evaluated as far as its own fields tell. On problems the document holds whatever could be read.
func Parse(raw []byte) (setup.Document, setup.Problems) {
	if len(raw) > setup.MaxBytes {
		return setup.Document{}, setup.Problems{{What: fmt.Sprintf("The document has %d bytes.", len(raw)),
			Why: fmt.Sprintf("More than %d bytes is no setup.", setup.MaxBytes), Hint: "Send one setup document, usually about 2 kB."}}
	}
	d, problems := setup.Read(raw)
	if len(problems) > 0 {
		return d, problems
	}
	return d, Validate(&d)
}

// Validate checks every field that can be judged from the document alone. Geometry that needs the body (a hand inside
// a column, a stack that never lifts) is checked where the body is known.
func Validate(d *setup.Document) setup.Problems {
	v := &checks{}
	v.OneOf("schema", "schema", d.Schema, setup.Schema)
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
	v.scoring(d.Scoring)
	v.Field(documentRows, "samples", "number of samples", float64(d.Samples), "", "The curve needs some points and no more than it can show.")
	return v.Found
}

// scoring checks what the score counts.
func (v *checks) scoring(s *setup.Scoring) {
	if s == nil {
		return
	}
	for _, x := range []struct {
		path, label string
		points      *float64
	}{
		{"fit", "weight of the fit", s.Fit}, {"target", "weight of the target's contribution", s.Target},
		{"length", "weight of the lengths asked for", s.Length},
		{"outOfPlane", "cost of a pull out of plane", s.OutOfPlane}, {"start", "cost of a slack start", s.Start},
		{"clearance", "cost of a close strand", s.Clearance},
		{"jointLoad", "cost of joint load", s.JointLoad}, {"targetLoss", "loss of contribution", s.TargetLoss},
		{"rangeKept", "share of the range to keep", s.RangeKept},
	} {
		if x.points != nil {
			v.Field(scoringRows, "scoring."+x.path, x.label, *x.points, "", "")
		}
	}
	if s.Lengths != "" {
		v.OneOf("scoring.lengths", "lengths asked for", s.Lengths, "lengthened", "shortened")
	}
}

// words checks what the coach wrote.
func (v *checks) words(d *setup.Document) {
	v.Count(documentRows, "locked", "locked settings", len(d.Locked), "")
	v.Count(documentRows, "acknowledged", "cautions that were set aside", len(d.Acknowledged), "")
	if n, most := utf8.RuneCountInString(d.Notes), documentRows["notes"].Runes; n > most {
		v.Add("notes", fmt.Sprintf("The notes have %d characters.", n), "", fmt.Sprintf("Keep them to %d.", most))
	}
	v.phrases(documentRows, "cues", "cue", d.Cues, 120)
}

// phrases checks a short list of short sentences.
func (v *checks) phrases(rows setup.Rows, path, label string, list []string, longest int) {
	v.Count(rows, path, label+"s", len(list), "Nobody lifts by that many.")
	for i, c := range list {
		if n := utf8.RuneCountInString(c); n == 0 || n > longest {
			v.Add(fmt.Sprintf("%s[%d]", path, i), fmt.Sprintf("The %s has %d characters.", label, n), "", fmt.Sprintf("Give 1 to %d.", longest))
		}
	}
}

func (v *checks) target(t *setup.Target) {
	keys := make([]string, len(setup.Regions))
	for i, r := range setup.Regions {
		keys[i] = r.Key
	}
	v.OneOf("target.region", "region", t.Region, keys...)
	v.OneOf("target.profile", "school", t.Profile, setup.TargetProfiles...)
	if r, ok := setup.RegionOf(t.Region); t.Joint != "" {
		v.OneOf("target.joint", "target joint", t.Joint, setup.JointNames...)
	} else if ok && len(r.Joints) > 1 {
		v.Add("target.joint", "The region crosses more than one joint.", "The profile is that of one joint.",
			"Give one of: "+strings.Join(r.Joints, ", ")+".")
	}
	if t.Profile != "custom" {
		return
	}
	sum := 0.0
	for i, x := range t.Custom {
		v.Within(fmt.Sprintf("target.custom[%d]", i), "wanted torque", x, 0, 1000, "", "Only relative heights count.")
		sum += x
	}
	if len(t.Custom) != 5 || !(sum > 0) {
		v.Add("target.custom", fmt.Sprintf("The drawn profile has %d points with the sum %s.", len(t.Custom), setup.Number(sum, "")),
			"The school custom compares with five points.", "Give five heights, not all zero, from the long end to the short end.")
	}
}

func (v *checks) lifter(l *setup.Lifter) {
	tall := v.Field(lifterRows, "lifter.height", "height", l.Height, "m", "Every length is scaled from it.")
	v.Field(lifterRows, "lifter.bodyMass", "body mass", l.BodyMass, "kg", "Segment weights and estimated strength are scaled from it.")
	v.Field(lifterRows, "lifter.naturalPathDeg", "natural arm path", l.NaturalPathDeg, "degrees", "")
	v.Field(lifterRows, "lifter.lowBackLimit", "limit of the low back", l.LowBackLimit, "N·m", "")
	v.Field(lifterRows, "lifter.gripLimit", "limit of the grip", l.GripLimit, "N", "")
	v.Field(lifterRows, "lifter.carryingDeg", "carrying angle", l.CarryingDeg, "degrees", "")
	for _, key := range sorted(l.Lengths) {
		i := slices.IndexFunc(setup.Lengths, func(n setup.Length) bool { return n.Key == key })
		if i < 0 {
			v.Add("lifter.lengths."+key, "There is no length "+strconv.Quote(setup.Clip(key))+".", "",
				"Lengths: "+strings.Join(lengthKeys(), ", ")+".")
			continue
		}
		if usual := setup.Lengths[i].Fraction * l.Height; tall {
			v.Within("lifter.lengths."+key, "length ("+setup.Lengths[i].Label+")", l.Lengths[key], milli(0.5*usual), milli(1.6*usual), "m",
				"That is far from any body of this height.")
		}
	}
	v.ranges(l)
	if l.Training != "" {
		v.OneOf("lifter.training", "training", l.Training, setup.Trainings...)
	}
	if l.Sex != "" {
		v.OneOf("lifter.sex", "sex", l.Sex, setup.Sexes...)
	}
	v.strength(l.Strength)
	v.sets(l.Sets)
	v.phrases(lifterRows, "lifter.cautions", "caution", l.Cautions, 160)
}

func lengthKeys() []string {
	keys := make([]string, len(setup.Lengths))
	for i, n := range setup.Lengths {
		keys[i] = n.Key
	}
	return keys
}

func (v *checks) ranges(l *setup.Lifter) {
	for _, key := range sorted(l.Ranges) {
		path, r := "lifter.ranges."+key, l.Ranges[key]
		if _, ok := setup.CoordinateOf(key + "Deg"); !ok {
			v.Add(path, "There is no joint coordinate "+strconv.Quote(setup.Clip(key))+".", "", "Coordinates: "+strings.Join(coordinateKeys(""),
				", ")+".")
			continue
		}
		ok := v.Field(rangeRows, path+".fromDeg", "least angle", r.FromDeg, "degrees", "")
		ok = v.Field(rangeRows, path+".toDeg", "largest angle", r.ToDeg, "degrees", "") && ok
		if ok && r.FromDeg >= r.ToDeg {
			v.Add(path+".toDeg", "The range runs from "+setup.Number(r.FromDeg, "")+" to "+setup.Number(r.ToDeg, "degrees")+".",
				"A range needs some width.", "Give an end above the start.")
		}
		for i, h := range r.Hurts {
			at := fmt.Sprintf("%s.hurts[%d]", path, i)
			sound := v.Field(spanRows, at+".fromDeg", "start of what hurts", h.FromDeg, "degrees", "")
			sound = v.Field(spanRows, at+".toDeg", "end of what hurts", h.ToDeg, "degrees", "") && sound
			if sound && h.FromDeg > h.ToDeg {
				v.Add(at+".toDeg", "The painful range runs from "+setup.Number(h.FromDeg, "")+" to "+setup.Number(h.ToDeg, "degrees")+".", "",
					"Give an end above the start.")
			}
		}
	}
}

func coordinateKeys(suffix string) []string {
	keys := make([]string, setup.NumCoordinates)
	for i, c := range setup.Coordinates {
		keys[i] = c.Key + suffix
	}
	return keys
}

func (v *checks) strength(tests []setup.StrengthTest) {
	v.Count(lifterRows, "lifter.strength", "tests", len(tests), "")
	seen := map[string]bool{}
	for i, t := range tests {
		path := fmt.Sprintf("lifter.strength[%d]", i)
		v.OneOf(path+".action", "joint action", t.Action, setup.Actions...)
		v.Field(strengthTestRows, path+".angleDeg", "joint angle of the test", t.AngleDeg, "degrees", "")
		v.Field(strengthTestRows, path+".torque", "torque held", t.Torque, "N·m", "A capacity of nothing would make every effort infinite.")
		v.day(path+".date", "test", t.Date, "The newest day's tests are the ones that count.")
		v.Field(strengthTestRows, path+".spread", "spread of the test", t.Spread, "", "")
		id := fmt.Sprintf("%s@%.3f on %s", t.Action, t.AngleDeg, t.Date)
		if seen[id] {
			v.Add(path+".angleDeg", "There are two tests of "+t.Action+" at "+setup.Number(t.AngleDeg, "degrees")+" on one day.",
				"Strength at one angle is one number.", "Keep the better one.")
		}
		seen[id] = true
	}
}

// day checks a date that may be left out.
func (v *checks) day(path, of, date, why string) {
	if _, err := time.Parse(time.DateOnly, date); date != "" && err != nil {
		v.Add(path, "The day of the "+of+" is "+strconv.Quote(setup.Clip(date))+".", why,
			"Give year, month and day, like 2026-11-25, or leave it out.")
	}
}

// sets checks what can be judged without the exercises; which there are is known where they are made.
func (v *checks) sets(sets []setup.KnownSet) {
	if !v.Count(lifterRows, "lifter.sets", "known sets", len(sets), "") {
		return
	}
	for i, s := range sets {
		path := fmt.Sprintf("lifter.sets[%d]", i)
		switch {
		case s.Factor > 0:
			v.OneOf(path+".action", "action that gave out", s.Action, setup.Actions...)
			v.Field(knownSetRows, path+".factor", "factor on the estimate", s.Factor, "", "")
			v.Name(path+".setup", s.Setup)
		case s.Exercise == "" || len(s.Exercise) > 60:
			v.Add(path+".exercise", "The set names no exercise.", "A load says something about strength only in a known exercise.",
				"Choose the exercise that it was done in.")
		}
		v.Field(knownSetRows, path+".load", "load of the set", s.Load, "kg", "")
		v.Field(knownSetRows, path+".reps", "repetitions", float64(s.Reps), "", "Over 30 repetitions endurance is tested, not strength.")
		v.Field(knownSetRows, path+".left", "repetitions left", float64(s.Left), "", "Nobody knows how many more than ten would have gone.")
		v.day(path+".date", "set", s.Date, "")
	}
}

func (v *checks) tempo(t *setup.Tempo) {
	for _, p := range []struct {
		path, label string
		seconds     float64
	}{{"tempo.down", "lowering time", t.Down}, {"tempo.bottom", "pause at the start", t.Bottom}, {"tempo.up", "lifting time", t.Up},
		{"tempo.top", "pause at the end", t.Top}} {
		v.Field(tempoRows, p.path, p.label, p.seconds, "s", "")
	}
}

// Lifter checks a lifter that stands by itself; the paths begin with base.
func Lifter(base string, l *setup.Lifter) setup.Problems {
	v := &checks{}
	v.lifter(l)
	for i := range v.Found {
		v.Found[i].Path = base + strings.TrimPrefix(v.Found[i].Path, "lifter")
	}
	return v.Found
}
