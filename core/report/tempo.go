package report

import (
	"dialarc/core/metric"
)

// Tempo is what one repetition asks in motion, at the document's tempo: the torque with the inertia of arm, weights and
// stacks beside the torque at rest. Curves have one value per time sample, lifting first, then lowering; pauses are
// left out.
type Tempo struct {
	Time         Curve         `json:"time" doc:"Seconds from the start of the lift."`
	S            Curve         `json:"s" doc:"Place along the path."`
	AngleDeg     Curve         `json:"angleDeg" doc:"The joint coordinate that names the sweep, degrees."`
	Static       Curve         `json:"static" doc:"Resisting torque at rest, in the direction of the movement, N·m."`
	Dynamic      Curve         `json:"dynamic" doc:"Resisting torque in motion, N·m."`
	Duration     float64       `json:"duration" doc:"Of the whole repetition with its pauses, s."`
	Lifting      int           `json:"lifting" doc:"How many of the samples are lifting."`
	Peak         metric.Metric `json:"peak" doc:"Largest torque in motion, N·m."`
	PeakAngleDeg metric.Metric `json:"peakAngleDeg" doc:"Where it is, degrees."`
	PeakPhase    string        `json:"peakPhase" doc:"lifting or lowering."`
	OverStatic   metric.Metric `json:"overStatic" doc:"Largest torque in motion over the largest at rest."`
	Floating     metric.Metric `json:"floating" doc:"Share of the way, both directions, with under half the torque at rest."`
	Slack        bool          `json:"slack" doc:"Whether a cable goes slack under the acceleration."`
	Bracing      Swaying       `json:"bracing"`
}

// Swaying says whether the surroundings hold the lifter in motion too, at the moment that is held worst.
type Swaying struct {
	Holds    bool          `json:"holds"`
	Time     float64       `json:"time" doc:"From the start of the lift, s."`
	Phase    string        `json:"phase" enum:"lifting,lowering"`
	AngleDeg float64       `json:"angleDeg" doc:"Where on the path."`
	Margin   metric.Metric `json:"margin" doc:"Of the pressure's centre to the edge of support then, m; negative outside."`
	Residual float64       `json:"residual" doc:"What no contact gives, N; moments count over 1 m."`
}
