package evaluate

import (
	"math"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/movement"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/support"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/floats"
)

// tempoSamples is how many samples a moving phase has.
const tempoSamples = 81

// Tempo validates a document and computes its torque in motion. A document without time for lifting or lowering
// is a problem.
func Tempo(d *setup.Document) (*report.Tempo, setup.Problems) {
	problems := rules.Validate(d)
	course, ok := movement.NewCourse(d.Tempo)
	if !ok && len(problems) == 0 {
		problems = append(problems, setup.Problem{Path: "tempo", What: "Lifting or lowering takes no time.",
			Why: "Without it there are no accelerations.", Hint: "Give the seconds of both."})
	}
	if len(problems) > 0 {
		return nil, problems
	}
	return remembering(func(e *Evaluator) (*report.Tempo, setup.Problems) { return e.inMotion(d, course) })
}

// inMotion is the torque of a valid document along a course.
func (e *Evaluator) inMotion(d *setup.Document, course *movement.Course) (*report.Tempo, setup.Problems) {
	m := e.model(d)
	if m.path.Still() {
		return nil, setup.Problems{{Path: "movement.kind", What: "A hold has no motion.", Why: "Without it there are no accelerations.",
			Hint: "Give a movement that goes somewhere."}}
	}
	if _, problems := e.run(m, sketchSamples); len(problems) > 0 {
		return nil, problems
	}
	motion := torque.Move(m.input(0), course, tempoSamples)
	t := tempoReport(motion, course)
	t.Bracing = m.swaying(course, t)
	return t, nil
}

// swaying looks at the bracing with the inertia of the body and of the loads.
func (m *model) swaying(course *movement.Course, t *report.Tempo) report.Swaying {
	worst, at := new(support.Bracer).InMotion(m.doc, m.input(0), course)
	out := report.Swaying{Holds: worst.Holds(), Time: report.Rounded(at), Phase: "lifting", Residual: report.Rounded(worst.Residual),
		Margin: metric.Missing("The lifter is not carried by the floor alone.")}
	if at > course.Moving()[0][1] {
		out.Phase = "lowering"
	}
	nearest := 0
	for i, s := range t.S {
		if math.Abs(s-worst.S) < math.Abs(t.S[nearest]-worst.S) {
			nearest = i
		}
	}
	out.AngleDeg = report.Rounded(t.AngleDeg[nearest])
	if !math.IsNaN(worst.Margin) {
		margin := report.Rounded(worst.Margin)
		out.Margin = metric.Known(margin)
	}
	return out
}

func tempoReport(m *torque.Motion, course *movement.Course) *report.Tempo {
	var paper curveRoom
	t := &report.Tempo{Time: paper.of(m.Time), S: paper.of(m.S), AngleDeg: paper.degrees(m.Angle), Static: paper.of(m.Static),
		Dynamic: paper.of(m.Dynamic), Duration: report.Rounded(course.Duration()), Lifting: tempoSamples, Slack: slices.Contains(m.Slack, true)}
	top := floats.MaxIdx(m.Dynamic)
	t.PeakPhase = "lifting"
	if top >= tempoSamples {
		t.PeakPhase = "lowering"
	}
	number := func(x float64) metric.Metric { x = report.Rounded(x); return metric.Known(x) }
	t.Peak, t.PeakAngleDeg = number(m.Dynamic[top]), number(space.Deg(m.Angle[top]))
	none := metric.Missing("At rest nothing resists the lift.")
	t.OverStatic, t.Floating = none, none
	if still := floats.Max(m.Static); still > 0 {
		t.OverStatic, t.Floating = number(m.Dynamic[top]/still), number(floating(m))
	}
	return t
}

// floating is the share of the way, up and down, on which the torque in motion is under half of that at rest.
func floating(m *torque.Motion) float64 {
	way, light := 0.0, 0.0
	for i := 1; i < len(m.S); i++ {
		if i == tempoSamples { // the pause between the phases
			continue
		}
		step := math.Abs(m.S[i] - m.S[i-1])
		way += step
		if static := (m.Static[i] + m.Static[i-1]) / 2; static > 0 && (m.Dynamic[i]+m.Dynamic[i-1])/2 < static/2 {
			light += step
		}
	}
	return light / way
}
