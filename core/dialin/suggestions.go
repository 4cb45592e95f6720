package dialin

import (
	"cmp"
	"context"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/evaluate"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Suggestions looks, for every verdict of a document that could be better, for the smallest change that makes it so: of one setting
// where that does, else of the stance, the bench or the grip. A change is offered only when evaluating it shows that the
// verdict gets better and none of the others worse. The profile's mend is part of the painting. It ends early when the context does.
func (w *Sweeper) Suggestions(ctx context.Context, d *setup.Document) ([]Suggestion, setup.Problems) {
	out := []Suggestion{}
	r, problems := w.eval.Evaluate(d)
	if len(problems) > 0 {
		return out, problems
	}
	m := suggester{ctx: ctx, eval: &w.eval, doc: d, before: report.Tones(r.Verdicts), match: r.Profile.Fit, share: r.Muscles.TargetShare,
		loss: weightsOf(d).targetLoss, hurts: len(r.Hurts)}
	for _, verdict := range []string{"alignment", "stability", "start", "clearance", "jointLoad"} {
		if m.before[verdict] == "ok" || m.before[verdict] == "" {
			continue
		}
		var found *Suggestion
		switch verdict {
		case "stability":
			found = m.first(verdict, bracing(d), m.braced)
		case "jointLoad":
			found = m.first(verdict, easing(), nil)
		default:
			found = m.oneSetting(verdict)
		}
		if found != nil {
			out = append(out, *found)
		}
	}
	return out, nil
}

// suggester looks for changes to one document.
type suggester struct {
	ctx    context.Context
	eval   *evaluate.Evaluator
	doc    *setup.Document
	before map[string]string // tones of its verdicts
	match  metric.Metric     // its match
	share  metric.Metric     // its target's mean contribution
	loss   float64           // how much of that may be lost
	hurts  int               // in how many ways its path goes where it hurts
}

// matchKept is how many points of match a mend of something else may cost (own).
const matchKept = 10

// kept are the verdicts that a change must not make worse.
var kept = []string{"profile", "stability", "start", "clearance", "jointLoad", "alignment"}

// mends says whether a change makes a verdict better and leaves the others as good as they were.
func (m *suggester) mends(verdict string, d *setup.Document) bool {
	r, problems := m.eval.Evaluate(d)
	if len(problems) > 0 {
		return false
	}
	if len(r.Hurts) > m.hurts {
		return false
	}
	after := report.Tones(r.Verdicts)
	if after[verdict] != "ok" && !report.Worse(m.before[verdict], after[verdict]) {
		return false
	}
	if was, known := m.match.Get(); known && r.Profile.Fit.Or(0) < was-matchKept {
		return false
	}
	if was, known := m.share.Get(); known && r.Muscles.TargetShare.Or(0) < was-m.loss {
		return false
	}
	for _, key := range kept {
		if key != verdict && report.Worse(after[key], m.before[key]) {
			return false
		}
	}
	return true
}

// braced is a quick look at whether a change holds at all.
func (m *suggester) braced(d *setup.Document) bool {
	b, problems := m.eval.Brace(d)
	return len(problems) == 0 && holdsStill(b)
}

// first is the first of several ways that mends a verdict; likely, if given, sorts out quickly what does not.
func (m *suggester) first(verdict string, ways []way, likely func(*setup.Document) bool) *Suggestion {
	for _, c := range ways {
		if m.ctx.Err() != nil {
			return nil
		}
		other := m.doc.Clone()
		if c.make(&other) && (likely == nil || likely(&other)) && m.mends(verdict, &other) {
			if c.setting != nil {
				return &Suggestion{Verdict: verdict, Label: c.setting.Label, Key: c.setting.Key, Kind: c.setting.Kind, From: c.setting.Value, To: c.to}
			}
			return &Suggestion{Verdict: verdict, Label: c.label, Document: &other}
		}
	}
	return nil
}

// turnable are the settings that may mend where the pull comes from.
var turnable = map[dial.Name]bool{dial.PulleyHeight: true, dial.BandHeight: true, dial.StanceOut: true, dial.PathPlane: true,
	dial.StanceAside: true, dial.Heading: true}

// firstMoves are what a coach would try first for a verdict: where the pull is out of plane, to stand or turn otherwise.
var firstMoves = map[string]map[dial.Name]bool{"alignment": {dial.StanceAside: true, dial.Heading: true, dial.PathPlane: true}}

// laterMove is how many steps a move that a coach would not try first counts more (own).
const laterMove = 3

// farthest is how far a setting may be turned for it to be a small change still, by its kind (own).
var farthest = map[string]float64{"length": 0.35, "hole": 5, "angle": 20}

// mostTurns is how many values are tried for one verdict.
const mostTurns = 120

// oneSetting is the turn of one setting by the fewest steps that mends a verdict about the pull: first a quick look, then
// the whole.
func (m *suggester) oneSetting(verdict string) *Suggestion {
	var ways []way
	steps := map[int]float64{}
	for _, s := range Settings(m.doc) {
		if !turnable[s.Name()] || s.Lock {
			continue
		}
		for _, v := range nearestFirst(&s) {
			if math.Abs(v-s.Value) > farthest[s.Kind] {
				break
			}
			steps[len(ways)] = s.Steps(v)
			if first := firstMoves[verdict]; first != nil && !first[s.Name()] {
				steps[len(ways)] += laterMove
			}
			ways = append(ways, turning(&s, v))
		}
	}
	order := make([]int, len(ways))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(steps[a], steps[b]) })
	sorted := make([]way, 0, mostTurns)
	for _, i := range order[:min(len(order), mostTurns)] {
		sorted = append(sorted, ways[i])
	}
	return m.first(verdict, sorted, func(d *setup.Document) bool {
		q, problems := m.eval.Preview(d, Samples)
		return len(problems) == 0 && report.Worse(m.before[verdict], q.Tones[verdict])
	})
}

// nearestFirst lists a setting's other values, the nearest to its present one first.
func nearestFirst(s *dial.Setting) []float64 {
	values := slices.DeleteFunc(slices.Clone(valuesOf(s)), func(v float64) bool { return math.Abs(v-s.Value) < s.Step/2 })
	slices.SortStableFunc(values, func(a, b float64) int { return cmp.Compare(math.Abs(a-s.Value), math.Abs(b-s.Value)) })
	return values
}

// easing lists ways to spare the hand and the low back.
func easing() []way {
	return []way{
		{label: "Use cuffs at the wrists", make: func(d *setup.Document) bool {
			changed := false
			for i := range d.Loads {
				if l := &d.Loads[i]; load.Of(l).Line != "" && l.Contact.Segment == "hand" && !load.ForBothHands(l) {
					l.Contact, changed = setup.Contact{Segment: "forearm", At: "wrist"}, true
				}
			}
			return changed
		}},
		{label: "Support the chest on a bench", make: chestOnBench},
	}
}

// chestOnBench lays a hinged lifter's trunk on a bench at the same lean and height.
func chestOnBench(d *setup.Document) bool {
	p := &d.Posture
	if p.Kind != "hinged" || p.Trunk.PitchDeg < 15 || p.Trunk.BendDeg != 0 || p.Trunk.TurnDeg != 0 {
		return false
	}
	scene, problems := evaluate.Scene(d, 0)
	if len(problems) > 0 {
		return false
	}
	hips := 0.0
	for _, s := range scene.Segments {
		if s.Name == body.SegmentNames[body.Pelvis] {
			hips = s.Origin.Y
		}
	}
	d.Bench = &setup.Bench{AngleDeg: math.Round(90 - p.Trunk.PitchDeg), Height: math.Round(100*(hips-0.10*d.Lifter.Height)) / 100}
	*p = setup.Posture{Kind: "prone", X: p.X, Z: p.Z, HeadingDeg: p.HeadingDeg}
	return true
}
