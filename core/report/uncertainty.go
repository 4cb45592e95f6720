package report

import (
	"dialarc/core/metric"
)

// Errors are the standard deviations of what goes into a document.
type Errors struct {
	Tape     float64 `json:"tape" doc:"Of every length of the body, m."`
	Pulley   float64 `json:"pulley" doc:"Of the place of a pulley or anchor along each axis, m."`
	Stance   float64 `json:"stance" doc:"Of the place of the lifter along each axis of the floor, m."`
	AngleDeg float64 `json:"angleDeg" doc:"Of heading and held joint angles, degrees."`
	Band     float64 `json:"band" doc:"Of a band's pull, as a share."`
	Friction float64 `json:"friction" doc:"Of a cable's friction, as a share of the pull."`
	Strength float64 `json:"strength" doc:"1 for how far the lifter's strength is known, by what it rests on; 0 to take it as it is."`
}

// UsualErrors are those of a careful coach with a tape (own estimates).
var UsualErrors = Errors{Tape: 0.01, Pulley: 0.01, Stance: 0.03, AngleDeg: 3, Band: 0.05, Friction: 0.03, Strength: 1}

// Band is where nine of ten draws lie: between the 5th and the 95th percentile.
type Band struct {
	Low  metric.Metric `json:"low"`
	High metric.Metric `json:"high"`
}

// Uncertainty says how far a document's numbers could be off, by evaluating it many times with its inputs shifted at random.
type Uncertainty struct {
	Draws        int    `json:"draws" doc:"How many shifted documents were evaluated."`
	Failed       int    `json:"failed" doc:"How many of them have no profile, because a stack rests or something is in the way."`
	Errors       Errors `json:"errors"`
	AngleDeg     Curve  `json:"angleDeg" doc:"The joint coordinate that names the sweep, degrees."`
	Low          Curve  `json:"low" doc:"Torque that 95% of the draws exceed, N·m."`
	High         Curve  `json:"high" doc:"Torque that 5% of the draws exceed, N·m."`
	Peak         Band   `json:"peak" doc:"Largest torque, N·m."`
	PeakAngleDeg Band   `json:"peakAngleDeg" doc:"Where it is, degrees."`
	EndShare     Band   `json:"endShare" doc:"Share of the peak at the end."`
	Centroid     Band   `json:"centroid" doc:"Place of the loads' torque, 0 to 1."`
	Fit          Band   `json:"fit" doc:"0 to 100."`
	PeakEffort   Band   `json:"peakEffort"`
}
