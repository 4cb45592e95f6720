package report

import (
	"dialarc/core/metric"
)

// CountedExercise is one in which a set says something about strength.
type CountedExercise struct {
	Key   string `json:"key"`
	Name  string `json:"name"`
	Group string `json:"group"`
	How   string `json:"how" doc:"What is counted." enum:"each dumbbell,the whole bar,the pin,the plates"`
}

// SetTold is what one known set says.
type SetTold struct {
	Once   metric.Metric `json:"once" doc:"What goes once by it, kg: Epley 1985."`
	Factor metric.Metric `json:"factor" doc:"By how much the lifter is stronger than the estimate there."`
	Action string        `json:"action" doc:"The action that gave out."`
}

// Known is what is known of a lifter's strength.
type Known struct {
	Usual   Bearable  `json:"usual" doc:"What low back and hand are taken to hold unless the lifter's own limits are given."`
	Actions []Basis   `json:"actions"`
	Sets    []SetTold `json:"sets" doc:"In the order of the lifter's sets."`
}

// Basis says what the strength of a lifter in one action rests on.
type Basis struct {
	Action string        `json:"action"`
	Trust  string        `json:"trust" enum:"measured,scaled,sets,estimate"`
	Text   string        `json:"text" doc:"The same in words."`
	Best   metric.Metric `json:"best" doc:"At the best angle, N·m."`
	Low    metric.Metric `json:"low" doc:"What nine of ten people of whom no more is known exceed, N·m."`
	High   metric.Metric `json:"high" doc:"What one of ten exceeds, N·m."`
}
