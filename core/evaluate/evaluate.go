// Package evaluate turns documents into reports: the same document gives the same report, whether it is evaluated in the server, in the
// page or on the command line.
//
// The flow is straight: document, body, movement, loads, torque, muscles, profile, verdicts.
package evaluate

import (
	"math"
	"slices"
	"sync"

	"dialarc/core/body"
	"dialarc/core/catalogue"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/movement"
	"dialarc/core/muscle"
	"dialarc/core/profile"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/core/support"
	"dialarc/core/torque"
	"dialarc/core/verdict"
)

// Evaluator evaluates documents one after the other and reuses its memory. The zero value is ready; it must not be
// shared between goroutines.
type Evaluator struct {
	rep      torque.Repetition
	share    torque.Repetition // at the muscles' samples
	brace    support.Bracer
	regions  *muscle.Model // of the lifter who was evaluated last
	gauge    *muscle.Gauge // of the target that was evaluated last
	known    *profile.Strength
	variable []float64
	desk     desk
	stance   *stance // of the document that was evaluated last
	places   movement.Places
}

// grid is at how many places along the path the slower things are looked at; they change slowly.
type grid struct{ muscles, bracing, strands int }

var (
	usual  = grid{muscles: 25, bracing: 11, strands: 11}
	sparse = grid{muscles: 9, bracing: 5, strands: 7}
)

// sketchSamples is at how many places a sketch has a torque.
const sketchSamples = 31

func (m *model) input(samples int) *torque.Input {
	return &torque.Input{Body: &m.body, Station: &m.station, Path: m.path, Items: m.items, Samples: samples, Joint: m.joint, Axis: m.axis,
		Bar: m.doc.Movement.BarWidth > 0, Sideways: m.sideways}
}

// others are the joints beside the target that a report speaks of: those that move, and the arm's.
func (m *model) others() []body.Joint {
	var list []body.Joint
	lead := m.path.Lead()
	start, end := &m.path.Frames(0).Pose[lead], &m.path.Frames(0.6).Pose[lead]
	for j := body.TrunkR; j < body.TrunkL; j++ {
		moves := j == body.ShoulderR || j == body.ElbowR
		for c, info := range setup.Coordinates {
			moves = moves || (info.Joint == j.Name() && math.Abs(start[c]-end[c]) > 1e-6)
		}
		if moves && j != m.joint && !(m.station.OnToes && j.Leg()) { // the toes carry what the hands leave
			list = append(list, j)
		}
	}
	return list
}

// outcome is a judged repetition. Its slices belong to the Evaluator.
type outcome struct {
	*model
	rep       *torque.Repetition
	result    profile.Result
	capacity  []float64
	trust     profile.Trust
	trustText string
	why       string  // why the capacity is unknown
	spread    float64 // of the capacity: standard deviation of its logarithm
	starts    []support.Start
	gaps      []support.Gap
	rubs      []support.Rub
	cautions  setup.Problems
	longEnd   string // where on the path the target is longest: start, end, undecided or unknown
	demands   demands
	paper     curveRoom // of what is reported
}

// run runs the repetition at n samples. The problems are those that leave nothing to judge.
func (e *Evaluator) run(m *model, n int, others ...body.Joint) (*outcome, setup.Problems) {
	if problems := support.Reach(m.doc, m.path, m.items); len(problems) > 0 {
		return nil, problems
	}
	in := m.input(n)
	in.Others, in.Whole = others, others != nil
	e.rep.Run(in)
	rubs, blocked := support.Clearance(m.path, m.items, m.columns, m.grid.strands, others != nil)
	support.MarkBlocked(&e.rep, rubs, blocked)
	o := &outcome{model: m, rep: &e.rep, starts: support.Starts(&e.rep, m.doc.Loads), gaps: support.Gaps(&e.rep), rubs: rubs}
	problems := support.Clear(m.columns, m.items, &m.body, &m.station, &e.rep)
	problems = append(problems, support.Impossible(o.starts)...)
	problems = append(problems, support.Unusable(o.gaps, m.doc.Loads, n)...)
	refusals, cautions := support.Stretches(&e.rep, m.doc.Loads)
	problems, o.cautions = append(problems, refusals...), cautions
	if in.Whole {
		o.cautions = append(o.cautions, support.Balanced(&e.rep, &m.station, &m.body)...)
		o.cautions = append(o.cautions, support.FreeFoot(m.doc, m.path)...)
	}
	if len(e.rep.Parts) == 0 {
		problems = append(problems, setup.Problem{Path: "loads", What: "No load acts on the " + m.joint.Name() + " of the side that moves.",
			Why: "The profile is that of the moving side.", Hint: "Put a load on the " + m.path.Lead().Name() + " side, beyond the " +
				m.joint.Name() + "."})
	}
	if len(problems) > 0 {
		return nil, problems
	}
	return o, nil
}

// judge runs the repetition at n samples and judges it. The problems are those that leave nothing to judge.
func (e *Evaluator) judge(m *model, n int, others ...body.Joint) (*outcome, setup.Problems) {
	o, problems := e.run(m, n, others...)
	if len(problems) > 0 {
		return nil, problems
	}
	e.fillCapacity(o)
	e.fillVariable(m)
	o.longEnd = e.longEnd(m)
	in2 := profile.Input{LongAtEnd: o.longEnd == "end", NoLongEnd: noLongEnd[o.longEnd], Swept: e.rep.Swept, Angle: e.rep.Angle,
		Total: e.rep.Total, Loads: e.rep.Loads,
		Variable: e.variable, Capacity: o.capacity, Unknown: o.why, GapWhy: o.gapWhy(), School: m.doc.Target.Profile, Custom: m.doc.Target.Custom}
	if o.trust == profile.Unknown {
		in2.Capacity = nil
	}
	o.result = profile.Judge(&in2)
	return o, nil
}

// fillCapacity notes the capacity along the path.
func (e *Evaluator) fillCapacity(o *outcome) {
	c := e.able(o.model, o.joint, o.axis.Kind == "spin")
	o.capacity, o.trust, o.trustText, o.why, o.spread = c.values, c.Trust, c.Words(), c.Why, c.Spread
}

// muscleModel is that of an outcome's lifter.
func (e *Evaluator) muscleModel(o *outcome) *muscle.Model {
	if e.regions == nil || !e.regions.Fits(&o.body) {
		e.regions = muscle.New(&o.body)
	}
	return e.regions
}

// fillVariable writes the torque of what advice may scale. Of a lever that is what its plates do: its own weight stays, and which part
// of the push is whose is found by running it with half the plates.
func (e *Evaluator) fillVariable(m *model) {
	e.variable = append(e.variable[:0], make([]float64, len(e.rep.S))...)
	var half *torque.Repetition
	for k, index := range e.rep.Index {
		l := &m.doc.Loads[index]
		if !l.Variable {
			continue
		}
		dead := load.Of(l).Dead
		if dead != nil && dead(l) > 0 && half == nil {
			half = e.halfOf(m)
		}
		for i, t := range e.rep.Parts[k].Torque {
			if dead != nil && half != nil {
				t = 2 * (t - half.Parts[k].Torque[i])
			}
			e.variable[i] += t
		}
	}
}

// halfOf is the repetition with half of the loads that may be changed. What other joints bear tells from it too what those loads ask of
// them: a lever's own weight is no part of that.
func (e *Evaluator) halfOf(m *model) *torque.Repetition {
	d := load.Times(m.doc, 0.5)
	half := new(torque.Repetition)
	in := m.with(&d).input(len(e.rep.S))
	for k := range e.rep.Others {
		in.Others = append(in.Others, e.rep.Others[k].Joint)
	}
	half.Run(in)
	for k := range e.rep.Others {
		for i, t := range e.rep.Others[k].Torque {
			e.rep.Others[k].Varies[i] = 2 * (t - half.Others[k].Torque[i])
		}
	}
	return half
}

// evaluators have memory for the next document.
var evaluators = sync.Pool{New: func() any { return new(Evaluator) }}

// remembering has something done by an evaluator that remembers an earlier document, so that what both have in common is not worked out
// again. What comes of it must keep nothing of the evaluator.
func remembering[T any](do func(*Evaluator) (T, setup.Problems)) (T, setup.Problems) {
	e := evaluators.Get().(*Evaluator)
	out, problems := do(e)
	evaluators.Put(e) // not after a panic
	return out, problems
}

// Document validates a document and computes its report. On problems there is no report. It can be called from many goroutines.
func Document(d *setup.Document) (*report.Report, setup.Problems) {
	return remembering(func(e *Evaluator) (*report.Report, setup.Problems) { return e.Evaluate(d) })
}

// Scene is the scene of a document at s in [0, 1]. It can be called from many goroutines.
func Scene(d *setup.Document, s float64) (*report.Scene, setup.Problems) {
	return remembering(func(e *Evaluator) (*report.Scene, setup.Problems) { return e.SceneAt(d, s) })
}

// Refusals are the problems for which a document has no report, as far as 31 places along its path show them; none where it has one. They
// are found without knowing how strong the lifter is.
func Refusals(d *setup.Document) setup.Problems {
	if problems := rules.Validate(d); len(problems) > 0 {
		return problems
	}
	_, problems := remembering(func(e *Evaluator) (*outcome, setup.Problems) { return e.run(e.model(d), sketchSamples) })
	return problems
}

// JSON reads a document from JSON text and computes its report.
func JSON(raw []byte) (*report.Report, setup.Problems) {
	d, problems := rules.Parse(raw)
	if len(problems) > 0 {
		return nil, problems
	}
	return Document(&d)
}

// Evaluate is Document with reused memory. The report keeps nothing of the Evaluator.
func (e *Evaluator) Evaluate(d *setup.Document) (*report.Report, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return nil, problems
	}
	return e.evaluate(e.model(d), d.Samples)
}

// Sketch is Evaluate at fewer places along the path, for what has to keep up with a hand: the same report, whose numbers are a
// little coarser. What is refused and what holds is judged by the same rules.
func (e *Evaluator) Sketch(d *setup.Document) (*report.Report, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return nil, problems
	}
	m := e.model(d)
	m.grid = sparse
	return e.evaluate(m, min(d.Samples, sketchSamples))
}

func (e *Evaluator) evaluate(m *model, samples int) (*report.Report, setup.Problems) {
	o, problems := e.judge(m, samples, append([]body.Joint{}, m.others()...)...)
	if len(problems) > 0 {
		return nil, problems
	}
	r := o.report()
	r.Joints = e.joints(o)
	o.demands = e.efforts(o)
	o.tellHardest(r.Joints)
	var w *work
	r.Muscles, w = e.muscles(o)
	r.Limit = e.limit(o, w)
	r.Profile.LoadFactor, r.Profile.Reps = r.Limit.Factor, r.Limit.Reps
	r.TrustText, r.Measured = o.trustText, measuredOf(o.doc)
	r.Bearable.LowBack, r.Bearable.Grip = catalogue.Bearable(&o.doc.Lifter)
	r.Bracing = e.bracing(o)
	r.Rubs, r.Meets, r.Hurts, r.Pickup, r.Pins = o.reportRubs(), o.meets(), o.hurts(), e.entry(o), o.pins()
	r.Cautions = o.cautionsOf(r)
	r.Verdicts = append(r.Verdicts, o.braceVerdict(&r.Bracing))
	r.Verdicts = append(r.Verdicts, pinVerdicts(r.Pins)...)
	r.Verdicts = append(r.Verdicts, o.rubVerdict(r.Rubs)...)
	r.Verdicts = append(r.Verdicts, meetVerdict(r.Meets)...)
	r.Verdicts = append(r.Verdicts, o.jointsVerdict(r))
	r.Verdicts = append(r.Verdicts, w.workVerdict()...)
	slices.SortStableFunc(r.Verdicts, func(a, b report.Verdict) int { return verdictOrder[a.Key] - verdictOrder[b.Key] })
	return r, nil
}

// verdictOrder is that in which coaches ask.
var verdictOrder = map[string]int{"alignment": 0, "profile": 1, "stability": 2, "start": 3, "clearance": 4, "jointLoad": 5, "muscles": 6}

// Score is what a sweep needs of a document: the match (0 to 100) and the largest effort.
type Score struct {
	Fit    metric.Metric
	Effort metric.Metric
	Hurts  string // the joint coordinate that the path leads where it hurts, in words; empty for none
}

func (o *outcome) score() Score {
	s := Score{Fit: o.result.Fit, Effort: o.result.PeakEffort}
	if hurts := o.hurts(); len(hurts) > 0 {
		s.Hurts = hurts[0].Label
	}
	return s
}

// Score judges a document at n samples without building a report.
func (e *Evaluator) Score(d *setup.Document, n int) (Score, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return Score{}, problems
	}
	o, problems := e.judge(e.model(d), n)
	if len(problems) > 0 {
		return Score{}, problems
	}
	return o.score(), nil
}

// gapWhy says in words why the curve has gaps; empty when it has none.
func (o *outcome) gapWhy() string {
	if len(o.gaps) == 0 {
		return ""
	}
	return gapWords[o.gaps[0].State]
}

var gapWords = map[load.State]string{
	load.Slack:     "The stack is down over part of the range, so the curve has a gap.",
	load.ToppedOut: "The stack has topped out over part of the range, so the curve has a gap.",
	load.TooWide:   "The hands are further apart than the rope is long over part of the range, so the curve has a gap.",
	load.OffPad:    "The limb does not reach the machine's pad over part of the range, so the curve has a gap.",
	load.NoAxis:    "The joint is still over part of the range, so torque has no axis there.",
	load.Blocked:   "Something blocks the cable or band over part of the range, so the curve has a gap.",
}

func (o *outcome) inGap(i int) bool {
	for _, g := range o.gaps {
		if i >= g.From && i <= g.To {
			return true
		}
	}
	return false
}

// sentences words the verdicts.
func (o *outcome) sentences(line report.Alignment) []verdict.Sentence {
	out := []verdict.Sentence{}
	if o.path.Still() {
		return append(out, verdict.Hold(o.joint.Name(), o.rep.Size[0]))
	}
	if off, known := line.OffPlaneShare.Get(); known {
		out = append(out, verdict.LineUp(verdict.LineUpInput{OffAxisShare: off, PassesBy: line.PassesBy, Kind: o.firstLine()}))
	}
	if off, known := line.ForearmDeg.Get(); known {
		out = append(out, verdict.Forearm(off, line.ForearmAtDeg.OrNaN()))
	}
	out = append(out, verdict.Profile(&o.result, o.rep.Swept, o.rep.Total, o.doc.Target.Profile))
	for _, st := range o.starts {
		out = append(out, verdict.Start(st, o.angleAt(st.AtS)))
	}
	return append(out, o.bands()...)
}

// bands say whether the bands on the side that moves pull all the way.
func (o *outcome) bands() []verdict.Sentence {
	var out []verdict.Sentence
	for k, index := range o.rep.Index {
		if o.doc.Loads[index].Kind != setup.Band {
			continue
		}
		stretch, n := o.rep.Parts[k].Stretch, len(o.rep.S)
		from, to := -1, -1
		for i, x := range stretch {
			if x <= 1 && (from < 0 || i == to+1) {
				if from < 0 {
					from = i
				}
				to = i
			}
		}
		if from < 0 {
			out = append(out, verdict.Band(false, 0, 0, 0, stretch[0]))
			continue
		}
		share := (o.rep.Swept[to] - o.rep.Swept[from]) / math.Max(o.rep.Swept[n-1], 1e-9)
		out = append(out, verdict.Band(true, degrees1(o.rep.Angle[from]), degrees1(o.rep.Angle[to]), share, 0))
	}
	return out
}

func (o *outcome) angleAt(s float64) float64 {
	return o.rep.Angle[int(math.Round(s*float64(len(o.rep.S)-1)))]
}
