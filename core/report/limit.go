package report

import (
	"dialarc/core/metric"
)

// Limit is what gives out first when the load grows: the joint whose torque first is all that the lifter has, or the muscle that the model
// first asks more of than there is. Loads and repetitions follow it.
type Limit struct {
	Kind         string        `json:"kind" doc:"What it is; empty when nothing is known to give out." enum:"joint,muscle,"`
	Key          string        `json:"key" doc:"The joint's name, or the muscle's key."`
	Label        string        `json:"label" doc:"The same in words."`
	Action       string        `json:"action" doc:"Of a joint: the action that counts most there."`
	AngleDeg     metric.Metric `json:"angleDeg" doc:"Where it does, degrees of the coordinate that names the sweep."`
	Effort       metric.Metric `json:"effort" doc:"With the present load: the largest effort of any joint."`
	EffortAt     string        `json:"effortAt" doc:"Whose that is."`
	Now          metric.Metric `json:"now" doc:"With the present load: how much of what it has is asked of it."`
	Factor       metric.Metric `json:"factor" doc:"On the loads that may be changed, until it gives out."`
	Load         int           `json:"load" doc:"Place of the load that is counted in the document's loads; -1 for none."`
	Kg           metric.Metric `json:"kg" doc:"That load then, kg as it is counted."`
	KgLow        metric.Metric `json:"kgLow" doc:"By how far strength is known: what nine of ten exceed, kg."`
	KgHigh       metric.Metric `json:"kgHigh" doc:"What one of ten exceeds, kg."`
	TargetEffort metric.Metric `json:"targetEffort" doc:"Effort of the target joint then."`
	Reps         metric.Metric `json:"reps" doc:"Repetitions with the present load, by Epley 1985."`
	RepsLow      metric.Metric `json:"repsLow"`
	RepsHigh     metric.Metric `json:"repsHigh"`
	Light        bool          `json:"light" doc:"More than 30 repetitions: the load is light."`
	Trust        string        `json:"trust" doc:"What the strength there rests on." enum:"measured,scaled,sets,estimate,unknown"`
	TrustText    string        `json:"trustText" doc:"The same in words."`
	Spread       float64       `json:"spread" doc:"How far that strength is known: standard deviation of its logarithm."`
}
