// Package bridge is what the page asks of the core: one list of calls, from which the page's own wrappers are made. What a call takes and
// answers is said by its Go function alone.
package bridge

import (
	"context"
	"fmt"

	"dialarc/core/catalogue"
	"dialarc/core/compare"
	"dialarc/core/dialin"
	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/measure"
	"dialarc/core/plan"
	"dialarc/core/quantity"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Progress is told how far a long call is, 0 to 1.
type Progress = func(share float64)

// Call is something that the page can ask. Do is a function of the parameters that argument can make; it answers a value, or a value and
// problems, or a value, problems and an error when it was called off.
type Call struct {
	Name   string
	About  string   // a sentence
	Params []string // their names, in order
	Do     any
}

// Calls are all that the page can ask beside a report, which comes packed.
func (c *Core) Calls() []Call {
	return []Call{
		{"scene", "The figure and what pulls on it at a place along the path, 0 to 1.", []string{"document", "s"}, c.evaluator.SceneAt},
		{"settings", "What can be set. A document with problems is served too, since turning a dial is how they are mended.",
			[]string{"document"}, dialin.Settings},
		{"apply", "The document with a setting turned to a value.", []string{"document", "key", "value"}, dialin.Apply},
		{"loadKind", "The document with a load of another kind.", []string{"document", "index", "kind"}, edits.WithLoadKind},
		{"addLoad", "The document with one more load.", []string{"document", "kind"}, edits.WithLoad},
		{"dropLoad", "The document without a load.", []string{"document", "index"}, edits.WithoutLoad},
		{"choices", "What the setup consists of, and what else it could.", []string{"document"}, edits.ChoicesOf},
		{"change", "The document with something else of what it could consist of.", []string{"document", "what", "key", "index"}, edits.Change},
		{"pose", "The document with a pose of its path changed, added or dropped.", []string{"document", "index", "what", "value"}, edits.WithPose},
		{"poseLed", "The document with the arm in one pose of its path led by hand or elbow to a place in the room.", []string{"document", "index", "by", "x", "y",
			"z"}, edits.WithPoseLed},
		{"set", "The document with a plain part of it set to a value, given as JSON.", []string{"document", "path", "value"}, edits.Set},
		{"begin", "A setup for a lifter from a region, a kind of load and a position.", []string{"lifter", "region", "kind", "position"},
			edits.Begin},
		{"beginnings", "What setups for a lifter can be begun with.", []string{"lifter"}, edits.Beginnings},
		{"fit", "The document moved into a gym that has an id.", []string{"document", "room", "id"}, edits.Fit},
		{"effect", "What tells two setups apart at a glance: fit, torque, effort.", []string{"document"}, edits.EffectOf},
		{"sweep", "How well every value of one setting would fit.", []string{"document", "key"}, c.sweep},
		{"paint", "How well every value of every setting would fit; what was swept of the same document is not judged again.",
			[]string{"document"}, c.paint},
		{"suggestions", "The smallest changes that would fix what the verdicts find.", []string{"document"}, c.mends},
		{"steps", "What one step of each setting would do.", []string{"document"}, dialin.Steps},
		{"attachmentSites", "A load attached elsewhere along the arm, at the same peak torque.", []string{"document"}, evaluate.CompareSites},
		{"tempo", "The torque in motion.", []string{"document"}, evaluate.Tempo},
		{"spread", "How far the numbers could be off.", []string{"document"}, spread},
		{"equal", "The loads that ask as much as a reference does.", []string{"document", "reference"}, equal},
		{"search", "Settings that fit better, by a goal.", []string{"document", "goal", "progress"}, search},
		{"map", "How well every pair of values of two settings would fit.", []string{"document", "a", "b", "progress"}, mapped},
		{"compare", "Setups side by side.", []string{"documents"}, compare.Of},
		{"equalise", "Setups with loads that ask as much as the first, in a way, at an angle.", []string{"documents", "by", "atDeg"},
			compare.Equalise},
		{"study", "What the second of two setups differs in from the first, one thing at a time.", []string{"documents"}, compare.StudyOf},
		{"comparison", "A comparison given as text, or what is wrong with it.", []string{"comparison"}, comparison},
		{"ready", "The setups to begin with for a lifter, in a gym that has an id, or in any.", []string{"lifter", "room", "id"}, edits.ReadyIn},
		{"rank", "Those setups in the order in which they load a region long, short or evenly.",
			[]string{"lifter", "room", "id", "region", "how", "progress"}, rank},
		{"rankFor", "The same as a mean over several lifters.", []string{"lifters", "room", "id", "region", "how", "progress"}, rankFor},
		{"partners", "Those of them that complement a setup.", []string{"document", "lifter", "room", "id", "progress"}, partners},
		{"measureBand", "What readings of length and pull make of a band with a length at rest and so many strands.",
			[]string{"table", "length", "force", "rest", "strands"}, measureBand},
		{"measureStack", "What readings of pin, pull going up and pull going down make of a cable station.", []string{"table", "mass", "force"},
			measureStack},
		{"measureCam", "What readings of angle and pull at the pad make of a machine's cam, on a pin, with a pad at a distance.",
			[]string{"table", "force", "pin", "ratio", "pad"}, measureCam},
		{"measureLever", "What readings of angle from level and pull at the handle make of a bare lever of a mass.",
			[]string{"table", "force", "mass", "handle"}, measureLever},
		{"measurePath", "The natural path of a raise from comfortable positions, one plane of elevation a row.", []string{"table"}, measurePath},
		{"measureStrength", "What trials at angles make of a lifter's strength in an action; a trial's pull counts in units of so many newtons.",
			[]string{"lifter", "table", "action", "position", "strap", "force"}, measureStrength},
		{"trials", "The trials in what a load cell sent, each with its best second.", []string{"trace"}, measure.FindTrials},
		{"bandTraces", "Readings of a band from what a tape and a load cell sent.", []string{"tape", "cell"}, measure.BandFromTraces},
		{"stackTrace", "A reading of a pin, kg, from what a load cell at the handle sent.", []string{"pin", "cell"}, measure.StackFromTrace},
		{"sources", "What the peak effort of a setup is uncertain by.", []string{"document"}, evaluate.SourcesOf},
		{"disagreements", "The tests of a lifter that contradict what else is known.", []string{"lifter"}, measure.Disagreements},
		{"worth", "What is worth measuring for setups, the most first.", []string{"documents"}, measure.Next},
		{"photo", "Lengths and angles from marks on a photograph.", []string{"photo"}, measure.FitPhoto},
		{"openRecording", "Reads a file of samples, EDF or a table, and keeps it under a name.", []string{"slot", "name", "file"}, c.openRecording},
		{"keepRecording", "Keeps what devices sent: 32-bit numbers, one channel after the other.", []string{"slot", "channels", "samples"},
			c.keepRecording},
		{"workActivity", "What a recording of muscles' activity comes to, with recordings of strongest contraction (names parted by commas).",
			[]string{"slot", "strongest", "settings"}, c.workActivity},
		{"activitySamples", "A channel as 32-bit numbers: as recorded (raw), in the band, or its envelope.", []string{"slot", "place", "what",
			"settings"}, c.activitySamples},
		{"writeEDF", "A recording as an EDF+ file.", []string{"slot"}, c.writeEDF},
		{"activityAgainst", "How measured activity over the range and the model's go together for a muscle.", []string{"document", "region",
			"measured"}, c.activityAgainst},
		{"studyTable", "What a study has come to by what was measured.", []string{"study", "captures"}, studyTable},
		{"activityStudy", "A study of activity given as text, or what is wrong with it.", []string{"study"}, study},
		{"room", "A gym given as text, or what is wrong with it.", []string{"room"}, room},
		{"lifter", "The body of a lifter, or what is wrong with it.", []string{"lifter"}, lifter},
		{"strength", "What is known of a lifter's strength.", []string{"lifter"}, evaluate.KnownOf},
		{"counted", "The exercises in which a set says something about strength.", nil, evaluate.CountedExercises},
		{"block", "A block given as text, or what is wrong with it.", []string{"block"}, block},
		{"blockTable", "The days of a block as comma-separated values.", []string{"block"}, blockTable},
		{"blockDays", "The days of a plan from such a table, for a lifter who has saved setups (id, version, document).",
			[]string{"table", "lifter", "saved"}, blockDays},
		{"entry", "A setup as it is planned until the coach says otherwise.", []string{"document"}, plan.NewEntry},
		{"week", "What a block comes to in one of its weeks, from 1, after the sets that were logged last of each entry.",
			[]string{"block", "week", "last"}, c.week},
		{"nextLoad", "What comes after sets of an entry, as load, repetitions and reserve.", []string{"entry", "sets"}, c.nextLoad},
		{"digest", "What a plan has to know of a setup.", []string{"document"}, c.digest},
		{"fillers", "The exercises that fill a gap of a region best in one third of its length (0 long, 1 middle, 2 short).",
			[]string{"lifter", "room", "id", "region", "third", "progress"}, c.fillers},
		{"instead", "The exercises that can stand in for a setup at another station, or, with a joint, spare that joint.",
			[]string{"document", "lifter", "room", "id", "joint"}, c.instead},
		{"mergeSessions", "What two states of a session come to.", []string{"a", "b"}, mergeSessions},
		{"find", "The exercises that a search for a text means, the best first.", []string{"text"}, catalogue.Search},
		{"notYet", "What a search for a text means that is not here yet.", []string{"text"}, catalogue.NotYet},
		{"quantity", "What a typed text means as a quantity of a kind, in SI; a number without a unit counts in one of so much.",
			[]string{"text", "kind", "unit"}, typed},
		{"present", "A text that an earlier page kept, in the words of the present version.", []string{"text"}, present},
		{"coordinates", "The joint coordinates with their usual ranges.", nil, func() []setup.CoordinateInfo { return setup.Coordinates[:] }},
		{"lengths", "What the tape can measure on a lifter.", nil, func() []setup.Length { return setup.Lengths }},
		{"regions", "What a setup can be for.", nil, func() []setup.Region { return setup.Regions }},
	}
}

// sweep keeps what it finds for paint.
func (c *Core) sweep(d *setup.Document, key string) (*dialin.Sweep, setup.Problems) {
	for _, s := range dialin.Settings(d) {
		if s.Key != key {
			continue
		}
		out, problems := c.sweeper.Sweep(d, &s)
		if len(problems) > 0 {
			return nil, problems
		}
		if c.swept.text != c.last.text {
			c.swept.text, c.swept.sweeps = c.last.text, map[string]dialin.Sweep{}
		}
		c.swept.sweeps[key] = out
		return &out, nil
	}
	return nil, setup.Problems{{Path: key, What: "This setup has no such setting."}}
}

func (c *Core) paint(d *setup.Document) (dialin.Painting, setup.Problems) {
	if c.swept.text != c.last.text {
		return c.sweeper.Paint(d)
	}
	return c.sweeper.PaintWith(d, c.swept.sweeps)
}

func (c *Core) mends(d *setup.Document) ([]dialin.Suggestion, setup.Problems) {
	return c.sweeper.Suggestions(context.Background(), d)
}

// equal reads the reference by itself, so that the document stays the one that was read last.
func equal(d *setup.Document, reference string) (*report.EqualLoads, setup.Problems) {
	r, problems := rules.Parse([]byte(reference))
	if len(problems) > 0 {
		return nil, problems
	}
	return evaluate.Equal(d, &r)
}

func spread(d *setup.Document) (*report.Uncertainty, setup.Problems) {
	return evaluate.Uncertainty(context.Background(), d, report.UsualErrors, 1)
}

func search(d *setup.Document, g dialin.Goal, progress Progress) (*dialin.Search, setup.Problems, error) {
	return dialin.Run(context.Background(), d, g, progress)
}

func mapped(d *setup.Document, a, b string, progress Progress) (*dialin.Grid, setup.Problems, error) {
	return dialin.Map(context.Background(), d, a, b, progress)
}

func rank(l *setup.Lifter, r *kit.Room, id, region, how string, progress Progress) ([]compare.RankedReady, setup.Problems, error) {
	return compare.RankReady(context.Background(), l, r, id, region, how, progress)
}

func rankFor(lifters []setup.Lifter, r *kit.Room, id, region, how string, progress Progress) ([]compare.RankedReady, setup.Problems,
	error) {
	var problems setup.Problems
	for i := range lifters {
		problems = append(problems, rules.Lifter(fmt.Sprintf("lifters[%d]", i), &lifters[i])...)
	}
	if len(problems) > 0 {
		return nil, problems, nil
	}
	return compare.RankFor(context.Background(), lifters, r, id, region, how, progress)
}

func partners(d *setup.Document, l *setup.Lifter, r *kit.Room, id string, progress Progress) ([]compare.Partner, setup.Problems, error) {
	return compare.Partners(context.Background(), d, l, r, id, progress)
}

func comparison(text string) (compare.Kept, setup.Problems) { return compare.Parse([]byte(text)) }

func room(text string) (kit.Room, setup.Problems) { return kit.Parse([]byte(text)) }

func lifter(l *setup.Lifter) (*setup.Lifter, setup.Problems) {
	return l, evaluate.CheckSets("lifter.", l)
}

// Present is a kept text in the words of the present version.
type Present struct {
	Text string `json:"text"`
}

func present(text string) Present { return Present{string(setup.UpgradedText([]byte(text)))} }

// Typed is a quantity that was typed, in SI.
type Typed struct {
	Value float64 `json:"value"`
}

func typed(text, kind string, unit float64) (*Typed, setup.Problems) {
	v, problem := quantity.Read(text, kind, unit)
	if problem != nil {
		return nil, setup.Problems{{What: problem.What, Hint: problem.Hint}}
	}
	return &Typed{v}, nil
}
