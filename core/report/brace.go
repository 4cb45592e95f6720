package report

import (
	"dialarc/core/metric"
)

// Bracing says whether the surroundings hold the lifter, at the place of the path where they hold worst.
type Bracing struct {
	Holds     bool          `json:"holds"`
	How       string        `json:"how,omitempty" doc:"How it fails." enum:"dragged,lifted,tips"`
	TowardDeg float64       `json:"towardDeg" doc:"Which way, degrees from the lifter's heading to the right."`
	AngleDeg  float64       `json:"angleDeg" doc:"Where it holds worst."`
	Residual  float64       `json:"residual" doc:"What no contact gives, N; moments count over 1 m."`
	Margin    metric.Metric `json:"margin" doc:"Of the pressure's centre to the edge of support, m; negative outside."`
	Friction  metric.Metric `json:"friction" doc:"Least friction needed as a share of the usual."`
	Contacts  []Contact     `json:"contacts"`
	Bears     []Bear        `json:"bears" doc:"What a hand that holds on, straps and pads have to hold at most over the path."`
	Bench     BenchHold     `json:"bench"`
}

// Bear is what something that holds the lifter has to hold at most, and what it can be asked to.
type Bear struct {
	Name  string  `json:"name" enum:"hand,strap,thighPad,footPlate"`
	Force float64 `json:"force" doc:"N."`
	Limit float64 `json:"limit" doc:"The grip of a hand; of strap and pads the lifter's weight, beyond which nobody lets himself be held; of a plate for the feet three times that. N."`
}

// Contact is what one contact pushes with.
type Contact struct {
	Name  string `json:"name" doc:"foot.right, foot.left, knee.right, seat, back, chest, side, thighPad, armPad.right, armPad.left, strap, hand and so on."`
	At    Point  `json:"at" doc:"m."`
	Force Point  `json:"force" doc:"On the lifter, N."`
}

// BenchHold says whether the bench stays where it is.
type BenchHold struct {
	Used   bool          `json:"used" doc:"Whether there is one."`
	Holds  bool          `json:"holds"`
	How    string        `json:"how,omitempty" enum:"slides,tips"`
	Weight metric.Metric `json:"weight" doc:"What on its foot would hold it, kg."`
}
