package report

import (
	"dialarc/core/metric"
)

// Pins says what the pins of one stack ask of the lifter.
type Pins struct {
	Index int     `json:"index" doc:"The load's place in the document's loads."`
	Step  float64 `json:"step" doc:"From pin to pin, kg."`
	List  []Pin   `json:"list" doc:"The lightest, the present one and those beside it, lightest first."`
}

// Pin is one pin.
type Pin struct {
	Mass   float64       `json:"mass" doc:"kg."`
	Here   bool          `json:"here" doc:"Whether the pin is in it."`
	Effort metric.Metric `json:"effort" doc:"Largest torque over capacity with this pin."`
}
