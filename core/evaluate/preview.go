package evaluate

import (
	"dialarc/core/metric"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Preview is what can be told of a document without muscles, bracing or joints.
type Preview struct {
	Score
	OffAxis metric.Metric     // share of the loads' torque that is beside the axis
	Peak    metric.Metric     // largest torque, N·m
	PeakDeg metric.Metric     // where that is, degrees of the named coordinate
	Tones   map[string]string // of the verdicts lineUp, profile, start and clear, by key; the worst where there are several
}

// Preview judges a document at n samples and gives the tones of the verdicts that rest on the curve alone.
func (e *Evaluator) Preview(d *setup.Document, n int) (Preview, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return Preview{}, problems
	}
	o, problems := e.judge(e.model(d), n)
	if len(problems) > 0 {
		return Preview{}, problems
	}
	return o.quick(), nil
}

// ProfileOf is what a document's report says of its profile and of gaps in its curve; how many repetitions are in it is not told.
func ProfileOf(d *setup.Document) (report.Profile, []report.Gap, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return report.Profile{}, nil, problems
	}
	var gaps []report.Gap
	profile, problems := remembering(func(e *Evaluator) (report.Profile, setup.Problems) {
		o, problems := e.judge(e.model(d), d.Samples)
		if len(problems) > 0 {
			return report.Profile{}, problems
		}
		gaps = o.reportGaps()
		return o.profile(), nil
	})
	return profile, gaps, problems
}
