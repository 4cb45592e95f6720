package catalogue

// Station is a cable station with two columns whose pulleys sit in numbered holes.
type Station struct {
	Key        string
	LowestHole float64 // height of the pulley's exit in hole 1, m
	Spacing    float64 // between holes, m
	Holes      int
	Height     float64 // of the column, m
	StackStep  float64 // between pins, kg
	Lightest   float64 // pin, kg
	HalfWidth  float64 // of the column's square section, m
	Ratio      float64 // force at the handle over weight of the stack
}

// Stations lists the stations that ship with the program: invented kit of common proportions.
var Stations = map[string]Station{
	"twin-column": {Key: "twin-column", LowestHole: 0.20, Spacing: 0.07, Holes: 25, Height: 2.05,
		StackStep: 2.5, Lightest: 5, HalfWidth: 0.05, Ratio: 0.5},
}

// HoleHeight is the height of the pulley's exit in a hole, m; holes count from 1.
func (s *Station) HoleHeight(hole int) float64 { return s.LowestHole + float64(hole-1)*s.Spacing }
