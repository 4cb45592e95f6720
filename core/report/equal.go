package report

import (
	"dialarc/core/metric"
)

// EqualLoads says by what the variable loads of a setup have to be multiplied to ask as much as another setup does.
type EqualLoads struct {
	Peak metric.Metric `json:"peak" doc:"Factor for the same largest torque."`
	Mean metric.Metric `json:"mean" doc:"Factor for the same mean torque over the range."`
	End  metric.Metric `json:"end" doc:"Factor for the same torque at the end of the range."`
}
