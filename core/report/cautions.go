package report

// Rub is how near a cable, band or rope comes to something that it should not touch.
type Rub struct {
	Index    int     `json:"index" doc:"The load's place in the document's loads."`
	Mirror   bool    `json:"mirror" doc:"The other side's copy."`
	Part     string  `json:"part" doc:"What it comes nearest to."`
	State    string  `json:"state" enum:"clear,crosses,close,touches,bends,blocked"`
	Distance float64 `json:"distance" doc:"From the surface, m; negative inside."`
	AngleDeg float64 `json:"angleDeg" doc:"Where on the path."`
	At       Point   `json:"at" doc:"On the strand, m."`
}

// Meet is a part of the arm that has no room: its middle line would have to go through something.
type Meet struct {
	Limb     string  `json:"limb" enum:"upper arm,forearm,hand"`
	Part     string  `json:"part" enum:"trunk,thigh,head,bench"`
	Depth    float64 `json:"depth" doc:"Of the limb's middle line under the surface, m."`
	AngleDeg float64 `json:"angleDeg" doc:"Where on the path it is deepest."`
}
