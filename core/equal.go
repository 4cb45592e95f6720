package core

import (
	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/setup"
)

// EqualLoads says by what the variable loads of a setup have to be multiplied to ask as much as another setup does.
type EqualLoads struct {
	Peak metric.Metric `json:"peak" doc:"Factor for the same largest torque."`
	Mean metric.Metric `json:"mean" doc:"Factor for the same mean torque over the range."`
	End  metric.Metric `json:"end" doc:"Factor for the same torque at the end of the range."`
}

// Equal compares a setup with a reference. Only loads that may be changed are scaled; segments and fixed loads stay.
func Equal(d, reference *setup.Document) (*EqualLoads, setup.Problems) {
	other, problems := CurvesOf(reference)
	if len(problems) > 0 {
		for i := range problems {
			problems[i].Path = "reference." + problems[i].Path
		}
		return nil, problems
	}
	own, problems := CurvesOf(d)
	if len(problems) > 0 {
		return nil, problems
	}
	e := profile.Equal(own, other)
	return &EqualLoads{Peak: e.Peak, Mean: e.Mean, End: e.End}, nil
}

// CurvesOf runs a document and gives what loads are compared by.
func CurvesOf(d *setup.Document) (*profile.Curves, setup.Problems) {
	if problems := setup.Validate(d); len(problems) > 0 {
		return nil, problems
	}
	var e Evaluator
	o, problems := e.judge(newModel(d), d.Samples)
	if len(problems) > 0 {
		return nil, problems
	}
	return &profile.Curves{Swept: o.rep.Swept, Angle: o.rep.Angle, Total: o.rep.Total, Variable: e.variable, GapWhy: o.gapWhy()}, nil
}
