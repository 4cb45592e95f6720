package compare

import (
	"fmt"
	"slices"

	"dialarc/core/evaluate"
	"dialarc/core/quantity"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Comparison is what can be told of several setups beside each other. In its sentences they are called by letters in their order,
// A being the first.
type Comparison struct {
	Sides       []Side       `json:"sides"`
	Differences []Difference `json:"differences" doc:"The numbers that they are compared by, what differs most first."`
	Confounders []Reason     `json:"confounders" doc:"In which respects they cannot be compared as they are."`
	Regions     []Shares     `json:"regions" doc:"Who carries the torque, what differs most first."`
	Sets        []Set        `json:"sets" doc:"Pairs and triples that complement each other, the best first."`
	SetsWhy     string       `json:"setsWhy,omitempty" doc:"Why there are none."`
}

// Side is one setup of it.
type Side struct {
	Letter   string         `json:"letter"`
	Name     string         `json:"name"`
	Problems setup.Problems `json:"problems" doc:"Why it cannot be evaluated; empty when it can."`
}

// Reason is one respect in which setups cannot be compared.
type Reason struct {
	Key    string                       `json:"key"`
	Text   string                       `json:"text" doc:"The sentence, values as {name}."`
	Values map[string]quantity.Quantity `json:"values"`
}

// side is a setup with its report.
type side struct {
	letter string
	doc    *setup.Document
	report *report.Report
}

// Letter is what the i-th setup is called, from 0.
func Letter(i int) string { return string(rune('A' + i)) }

// Of compares two setups or more, up to Most. One that cannot be evaluated is left out of everything but the sides, where its problems
// stand.
func Of(docs []setup.Document) (*Comparison, setup.Problems) {
	if n := len(docs); n < 2 || n > Most {
		return nil, setup.Problems{{Path: "setups", What: fmt.Sprintf("A comparison of %d setups says nothing.", n),
			Hint: fmt.Sprintf("Give two to %d.", Most)}}
	}
	out := &Comparison{}
	sides := make([]side, len(docs))
	for i := range docs {
		s := Side{Letter: Letter(i), Name: docs[i].Name, Problems: setup.Problems{}}
		sides[i] = side{letter: s.Letter, doc: &docs[i]}
		report, problems := evaluate.Document(&docs[i])
		if len(problems) > 0 {
			s.Problems = problems
		} else {
			sides[i].report = report
		}
		out.Sides = append(out.Sides, s)
	}
	known := slices.DeleteFunc(slices.Clone(sides), func(s side) bool { return s.report == nil })
	out.Differences = differences(sides)
	out.Confounders = because(known)
	out.Regions = shares(sides)
	out.Sets, out.SetsWhy = complements(known)
	return out, nil
}
