package evaluate

import (
	"slices"

	"dialarc/core/profile"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// Equal compares a setup with a reference. Only loads that may be changed are scaled; segments and fixed loads stay.
func Equal(d, reference *setup.Document) (*report.EqualLoads, setup.Problems) {
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
	return &report.EqualLoads{Peak: e.Peak, Mean: e.Mean, End: e.End}, nil
}

// CurvesOf runs a document and gives what loads are compared by.
func CurvesOf(d *setup.Document) (*profile.Curves, setup.Problems) {
	if problems := rules.Validate(d); len(problems) > 0 {
		return nil, problems
	}
	return remembering(func(e *Evaluator) (*profile.Curves, setup.Problems) {
		m := e.model(d)
		o, problems := e.run(m, d.Samples)
		if len(problems) > 0 {
			return nil, problems
		}
		e.fillVariable(m)
		return &profile.Curves{Swept: slices.Clone(o.rep.Swept), Angle: slices.Clone(o.rep.Angle), Total: slices.Clone(o.rep.Total),
			Variable: slices.Clone(e.variable), GapWhy: o.gapWhy()}, nil
	})
}
