package evaluate

import (
	"dialarc/core/metric"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Quick is what can be told of a document without muscles, bracing or joints.
type Quick struct {
	Score
	OffAxis metric.Metric     // share of the loads' torque that is beside the axis
	Peak    metric.Metric     // largest torque, N·m
	PeakDeg metric.Metric     // where that is, degrees of the named coordinate
	Tones   map[string]string // of the verdicts lineUp, profile, start and clear, by key; the worst where there are several
}

// Quick judges a document at n samples and gives the tones of the verdicts that rest on the curve alone.
func (e *Evaluator) Quick(d *setup.Document, n int) (Quick, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return Quick{}, problems
	}
	o, problems := e.judge(e.model(d), n)
	if len(problems) > 0 {
		return Quick{}, problems
	}
	return o.quick(), nil
}
