package quantity

// Quantity is a number with its kind of unit.
type Quantity struct {
	Value float64 `json:"value"`
	Kind  string  `json:"kind" enum:"length,angle,mass,torque,force,percent,count,hole"`
}
