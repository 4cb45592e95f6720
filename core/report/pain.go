package report

// Hurt is where a path leads a joint coordinate through angles at which something hurts the lifter.
type Hurt struct {
	Key     string    `json:"key" doc:"The joint coordinate."`
	Label   string    `json:"label" doc:"The same in words."`
	FromDeg float64   `json:"fromDeg" doc:"Of that coordinate, as noted, degrees."`
	ToDeg   float64   `json:"toDeg"`
	Note    string    `json:"note,omitempty" doc:"What hurts there, in the coach's words."`
	Places  []Stretch `json:"places" doc:"Where on the path."`
}

// Stretch is a piece of the path.
type Stretch struct {
	FromS float64 `json:"fromS" doc:"0 to 1."`
	ToS   float64 `json:"toS"`
}
