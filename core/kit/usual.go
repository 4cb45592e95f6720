package kit

import "dialarc/core/setup"

// TwinColumn is the key of the ready station, which documents may name without describing its columns.
const TwinColumn = "twin-column"

// Twin is the ready station: two columns of common proportions (common practice, no source), half of the stack at the handle.
func Twin() Station {
	return Station{Key: TwinColumn, Name: "Twin column", Columns: 2, Apart: 1.10, Ratio: 0.5, Friction: setup.DefaultFriction,
		ParkedGap: setup.DefaultParkedGap, Travel: setup.DefaultTravel,
		Column: setup.Column{LowestHole: 0.20, Spacing: 0.07, Holes: 25, Height: 2.05, HalfWidth: 0.05, Lightest: 5, Step: 2.5, Heaviest: 80}}
}

var twin = Twin()

// ColumnOf is the column that a load was taken from: as its document describes it, or that of the ready station.
func ColumnOf(k *setup.Kit) (setup.Column, bool) {
	switch {
	case k == nil:
		return setup.Column{}, false
	case k.Spec != nil:
		return *k.Spec, true
	case k.Station == TwinColumn:
		return twin.Column, true
	}
	return setup.Column{}, false
}

// span is a list from one value to another in equal steps.
func span(from, to, step float64) []float64 { return pins(from, step, to) }

// Empty is a room with nothing in it.
func Empty(name string) Room {
	return Room{Schema: Schema, Name: name, Stations: []Station{}, Benches: []Bench{}, Weights: []Weights{}, Bands: []Band{},
		Anchors: []Anchor{}, Holds: []Hold{},
		Cams: []Cam{}, Levers: []Lever{}, Sleds: []Sled{}, Supports: []Support{}}
}

// Large is a room in which every ready setup can be done: to begin one's own room with. Its numbers are of common proportions
// (common practice, no source).
func Large(name string) Room {
	r := Empty(name)
	single := Twin()
	single.Key, single.Name, single.Columns, single.Apart, single.Ratio = "single-column", "Single column", 1, 0, 1
	single.Column.Lightest, single.Column.Step, single.Column.Heaviest, single.Travel = 2.5, 2.5, 60, 2.2
	r.Stations = []Station{Twin(), single}
	r.Benches = []Bench{
		{Key: "bench", Name: "Bench with notches", NotchesDeg: []float64{0, 15, 30, 45, 60, 75, 85}, Height: 0.45, BackLength: 0.78, Width: 0.28,
			Mass: 34},
		{Key: "flat-bench", Name: "Flat bench", NotchesDeg: []float64{0}, Height: 0.44, BackLength: 1.15, Width: 0.26, Mass: 18},
		{Key: "decline-bench", Name: "Decline bench with rollers", NotchesDeg: []float64{-30, -25, -20, -15, -10}, Height: 0.55, BackLength: 1.10,
			Width: 0.28, Mass: 26},
	}
	r.Weights = []Weights{
		{Key: "dumbbells", Name: "Dumbbells", Kind: "dumbbells", Masses: append(span(1, 10, 1), span(12.5, 40, 2.5)...)},
		{Key: "small-dumbbells", Name: "Small dumbbells", Kind: "dumbbells", Masses: span(0.5, 4.5, 0.5)},
		{Key: "bar", Name: "Bar", Kind: "bar", Bar: 10, Plates: []float64{1.25, 2.5, 5, 5, 10, 10}},
		{Key: "short-bar", Name: "Light bar", Kind: "bar", Bar: 5, Plates: []float64{1.25, 2.5, 5, 5}},
	}
	r.Bands = []Band{
		loop("thin-loop", "Thin loop", 1.0, 40), loop("middle-loop", "Middle loop", 1.0, 90), loop("strong-loop", "Strong loop", 1.0, 160),
		tube("light-tube", "Light tube", 0.8, 20), tube("short-tube", "Short tube", 0.6, 40), tube("long-tube", "Long tube", 1.2, 60),
	}
	r.Anchors = []Anchor{{Key: "rack", Name: "Rack", From: 0.05, To: 2.2}, {Key: "ring", Name: "Ring in the floor", From: 0, To: 0}}
	r.Holds = []Hold{
		{Key: "handle", Name: "Handle", Kind: "handle", Length: 0}, {Key: "strap", Name: "Strap of 30 cm", Kind: "strap", Length: 0.30},
		{Key: "long-strap", Name: "Strap of 60 cm", Kind: "strap", Length: 0.60},
		{Key: "rope", Name: "Rope", Kind: "rope", Length: 0.40}, {Key: "bar-short", Name: "Short bar", Kind: "bar", Length: 0},
		{Key: "wrist-cuff", Name: "Cuff", Kind: "cuff", Length: 0}, {Key: "belt", Name: "Belt", Kind: "belt", Length: 0},
	}
	r.Cams = []Cam{{Key: "knee-extension", Name: "Knee extension", Coordinate: "knee.flexion", PadFrom: 0.28, PadTo: 0.44, Ratio: 1,
		Lightest: 5, Step: 5, Heaviest: 100,
		Table: []setup.CamPoint{{AngleDeg: 0, Arm: 0.195}, {AngleDeg: 50, Arm: 0.23}, {AngleDeg: 110, Arm: 0.23}}},
		{Key: "leg-curl", Name: "Leg curl", Coordinate: "knee.flexion", PadFrom: 0.28, PadTo: 0.44, Ratio: 1, Lightest: 5, Step: 5, Heaviest: 100,
			Table: []setup.CamPoint{{AngleDeg: 0, Arm: 0.20}, {AngleDeg: 50, Arm: 0.21}, {AngleDeg: 110, Arm: 0.17}}},
		{Key: "reverse-fly", Name: "Reverse fly", Coordinate: "shoulder.planeOfElevation", PadFrom: 0.40, PadTo: 0.66, Ratio: 1, Lightest: 5,
			Step: 5, Heaviest: 100,
			Table: []setup.CamPoint{{AngleDeg: -10, Arm: 0.12}, {AngleDeg: 45, Arm: 0.14}, {AngleDeg: 100, Arm: 0.13}}}}
	r.Cams = append(r.Cams,
		Cam{Key: "hip-abduction", Name: "Hip abduction", Coordinate: "hip.abduction", PadFrom: 0.25, PadTo: 0.42, Ratio: 1, Lightest: 5, Step: 5,
			Heaviest: 100, Table: []setup.CamPoint{{AngleDeg: 0, Arm: 0.22}, {AngleDeg: 20, Arm: 0.20}, {AngleDeg: 45, Arm: 0.16}}},
		Cam{Key: "hip-adduction", Name: "Hip adduction", Coordinate: "hip.abduction", PadFrom: 0.25, PadTo: 0.42, Ratio: 1, Lightest: 5, Step: 5,
			Heaviest: 100, Table: []setup.CamPoint{{AngleDeg: 0, Arm: 0.17}, {AngleDeg: 20, Arm: 0.20}, {AngleDeg: 45, Arm: 0.21}}},
		Cam{Key: "fly", Name: "Fly", Coordinate: "shoulder.planeOfElevation", PadFrom: 0.40, PadTo: 0.66, Ratio: 1, Lightest: 5,
			Step: 5, Heaviest: 120, Table: []setup.CamPoint{{AngleDeg: -20, Arm: 0.15}, {AngleDeg: 45, Arm: 0.15}, {AngleDeg: 100, Arm: 0.12}}},
		Cam{Key: "crunch", Name: "Seated crunch", Coordinate: "trunk.flexion", PadFrom: 0.24, PadTo: 0.36, Ratio: 1, Lightest: 5, Step: 5,
			Heaviest: 120, Table: []setup.CamPoint{{AngleDeg: -10, Arm: 0.15}, {AngleDeg: 20, Arm: 0.20}, {AngleDeg: 45, Arm: 0.23}}},
		Cam{Key: "back-extension", Name: "Back extension", Coordinate: "trunk.flexion", PadFrom: 0.24, PadTo: 0.36, Ratio: 1, Lightest: 5,
			Step: 5, Heaviest: 150, Table: []setup.CamPoint{{AngleDeg: -10, Arm: 0.22}, {AngleDeg: 20, Arm: 0.22}, {AngleDeg: 45, Arm: 0.20}}})
	r.Sleds = []Sled{{Key: "leg-press", Name: "Leg press", RailDeg: 45, PlateDeg: 12, Mass: 45,
		Plates: []float64{2.5, 5, 10, 10, 15, 20, 20, 20, 20, 20}},
		{Key: "hack-squat", Name: "Hack squat", RailDeg: 55, Rides: true, PlateDeg: 15, Mass: 30, Plates: []float64{2.5, 5, 10, 10, 15, 20, 20, 20}}}
	plates := []float64{1.25, 1.25, 2.5, 2.5, 5, 5, 10, 10, 10, 10}
	r.Levers = []Lever{{Key: "pull-down", Name: "Lever pull-down", PivotHeight: 1.90, HandleRadius: 0.95, PlateRadius: 0.60, PlateDeg: 180,
		LeverMass: 0, LeverRadius: 0, SeatFrom: 0.40, SeatTo: 0.60,
		Plates: plates},
		{Key: "chest-press", Name: "Chest press", PivotHeight: 1.90, HandleRadius: 0.962, PlateRadius: 0.60, PlateDeg: 60, LeverMass: 5,
			LeverRadius: 0.30, SeatFrom: 0.40, SeatTo: 0.60, Plates: plates},
		{Key: "row", Name: "Row, chest on the pad", PivotHeight: 2.10, HandleRadius: 1.197, PlateRadius: 0.60, PlateDeg: -60, LeverMass: 5,
			LeverRadius: 0.30, SeatFrom: 0.40, SeatTo: 0.60, Plates: plates},
		{Key: "incline-press", Name: "Incline press", PivotHeight: 2.05, HandleRadius: 1.004, PlateRadius: 0.60, LeverMass: 5,
			LeverRadius: 0.30, SeatFrom: 0.40, SeatTo: 0.60, Plates: plates},
		{Key: "shoulder-press", Name: "Shoulder press", PivotHeight: 1.40, HandleRadius: 0.859, PlateRadius: 0.60, LeverMass: 5,
			LeverRadius: 0.30, SeatFrom: 0.40, SeatTo: 0.60, Plates: plates}}
	r.Supports = []Support{{Key: "hip-strap", Name: "Strap over the hips", Kind: "strap"}, {Key: "thigh-pad", Name: "Pad over the thighs",
		Kind: "thighPad"}, {Key: "arm-pad", Name: "Sloping pad for the arms", Kind: "armPad"}, {Key: "chair", Name: "Chair", Kind: "seat",
		Size: 0.45},
		{Key: "platform", Name: "Assisted pull-up and dip station", Kind: "platform"},
		{Key: "back-pad", Name: "Pad under the back", Kind: "pad", Size: 0.08}, {Key: "bench-plate", Name: "Plate on the bench's foot",
			Kind: "weight", Mass: 20}}
	return r
}

// Corner is a small place at home: bands on a door, light dumbbells, a flat bench.
func Corner(name string) Room {
	r := Empty(name)
	r.Benches = []Bench{{Key: "flat-bench", Name: "Flat bench", NotchesDeg: []float64{0}, Height: 0.44, Mass: 14}}
	r.Weights = []Weights{{Key: "dumbbells", Name: "Dumbbells", Kind: "dumbbells", Masses: []float64{1, 2, 3, 4, 6, 8, 10}}}
	r.Bands = []Band{tube("light-tube", "Light tube", 0.9, 30), tube("firm-tube", "Firm tube", 0.9, 70), loop("loop", "Loop", 1.0, 110)}
	r.Anchors = []Anchor{{Key: "door", Name: "Door anchor", From: 0.10, To: 1.95}, {Key: "underfoot", Name: "Underfoot", From: 0, To: 0.05}}
	r.Holds = []Hold{{Key: "handle", Name: "Handle", Kind: "handle", Length: 0}, {Key: "cuff", Name: "Cuff", Kind: "cuff", Length: 0}}
	r.Supports = []Support{{Key: "chair", Name: "Chair", Kind: "seat", Size: 0.45}}
	return r
}

// loop is a loop band that pulls with a force, N, at twice its length, both strands together.
func loop(key, name string, rest, pull float64) Band {
	return Band{Key: key, Name: name, RestLength: rest, Strands: 2, Section: pull / RubberAtDouble / 2, Hysteresis: setup.DefaultHysteresis}
}

// tube is a single band that pulls with a force, N, at twice its length.
func tube(key, name string, rest, pull float64) Band {
	return Band{Key: key, Name: name, RestLength: rest, Strands: 1, Section: pull / RubberAtDouble, Hysteresis: setup.DefaultHysteresis}
}
