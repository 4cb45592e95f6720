package report

// Pickup is how two handles are picked up and put back, and what one of them alone does to the lifter before the other is in
// hand.
type Pickup struct {
	Crossed   bool     `json:"crossed" doc:"Each hand holds the handle from the other side."`
	Pull      float64  `json:"pull" doc:"Of one handle alone at the start, N."`
	Holds     bool     `json:"holds" doc:"Whether the lifter stands with one handle alone."`
	How       string   `json:"how,omitempty" doc:"How not." enum:"dragged,lifted,tips"`
	TowardDeg float64  `json:"towardDeg" doc:"Which way, degrees from the lifter's heading to the right."`
	Steps     []string `json:"steps" doc:"The order of picking up and putting back."`
}
