package edits

import (
	"dialarc/core/evaluate"
	"dialarc/core/metric"
	"dialarc/core/setup"
)

// Effect is what moving into a room does to a setup.
type Effect struct {
	Fit    metric.Metric `json:"fit" doc:"0 to 100."`
	Effort metric.Metric `json:"effort" doc:"Largest torque over capacity."`
	Peak   metric.Metric `json:"peak" doc:"Largest torque of loads and body, N·m."`
	Phase  string        `json:"phase" doc:"early, mid or late; empty when there is none."`
	Stop   string        `json:"stop,omitempty" doc:"What stands against it, when anything does."`
}

// EffectOf evaluates a document for comparing it before and after.
func EffectOf(d *setup.Document) Effect {
	none := metric.Missing("The setup cannot be evaluated as it stands.")
	e := Effect{Fit: none, Effort: none, Peak: none}
	profile, gaps, problems := evaluate.ProfileOf(d)
	if len(problems) > 0 {
		e.Stop = problems[0].What
		return e
	}
	e.Fit, e.Effort, e.Peak, e.Phase = profile.Fit, profile.PeakEffort, profile.Total.Peak, profile.Loads.Phase
	if len(gaps) > 0 {
		e.Stop = gaps[0].Why
	}
	return e
}
