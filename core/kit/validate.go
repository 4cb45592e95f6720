package kit

import (
	"fmt"
	"strconv"
	"unicode/utf8"

	"dialarc/core/setup"
)

// Parse reads a room and checks it. On problems the room holds whatever could be read.
func Parse(raw []byte) (Room, setup.Problems) {
	r, problems := setup.Decode[Room](raw, "room", "5 kB")
	if len(problems) > 0 {
		return r, problems
	}
	r.Complete()
	return r, Validate(&r)
}

// most is how many things a list of a room may hold.
const most = 200

// Validate checks every value of a room. The problems are empty exactly when setups can be fitted to it.
func Validate(r *Room) setup.Problems {
	v := &setup.Checks{}
	if !v.OneOf("schema", "schema", r.Schema, Schema) {
		return v.Found
	}
	if r.Name == "" {
		v.Add("name", "The room has no name.", "", "Give it one.")
	}
	v.Name("name", r.Name)
	if n := utf8.RuneCountInString(r.Notes); n > 4000 {
		v.Add("notes", fmt.Sprintf("The notes have %d characters.", n), "", "Keep them to 4000.")
	}
	keys(v, r)
	each(v, "stations", r.Stations, station)
	each(v, "benches", r.Benches, bench)
	each(v, "weights", r.Weights, weights)
	each(v, "bands", r.Bands, band)
	each(v, "anchors", r.Anchors, anchor)
	each(v, "holds", r.Holds, hold)
	each(v, "cams", r.Cams, cam)
	each(v, "levers", r.Levers, lever)
	each(v, "sleds", r.Sleds, sled)
	each(v, "supports", r.Supports, support)
	return v.Found
}

func each[T any](v *setup.Checks, list string, items []T, check func(v *setup.Checks, path string, x *T)) {
	if len(items) > most {
		v.Add(list, fmt.Sprintf("There are %d of them.", len(items)), "", fmt.Sprintf("Keep a room to %d of a kind.", most))
		return
	}
	for i := range items {
		check(v, fmt.Sprintf("%s[%d]", list, i), &items[i])
	}
}

// keys checks that everything has a key of its own and a name.
func keys(v *setup.Checks, r *Room) {
	seen, count := map[string]bool{}, map[string]int{}
	for _, x := range r.Items() {
		path := fmt.Sprintf("%s[%d]", x.List, count[x.List])
		count[x.List]++
		if x.Key == "" || len(x.Key) > 60 {
			v.Add(path+".key", "The key is "+strconv.Quote(x.Key)+".", "Setups remember what they use by it.", "Give 1 to 60 characters.")
		} else if seen[x.Key] {
			v.Add(path+".key", "The key "+strconv.Quote(x.Key)+" is there twice.", "Setups remember what they use by it.",
				"Give each thing in the room a key of its own.")
		}
		seen[x.Key] = true
		if x.Name == "" {
			v.Add(path+".name", "It has no name.", "", "Give it one, as it is called in the room.")
		}
		v.Name(path+".name", x.Name)
	}
}

var (
	anchorRows  = setup.RowsOf[Anchor]()
	bandRows    = setup.RowsOf[Band]()
	benchRows   = setup.RowsOf[Bench]()
	camRows     = setup.RowsOf[Cam]()
	leverRows   = setup.RowsOf[Lever]()
	sledRows    = setup.RowsOf[Sled]()
	stationRows = setup.RowsOf[Station]()
	weightsRows = setup.RowsOf[Weights]()
)

func station(v *setup.Checks, path string, s *Station) {
	if s.Columns != 1 && s.Columns != 2 {
		v.Add(path+".columns", fmt.Sprintf("The station has %d columns.", s.Columns), "",
			"Give 1 or 2; enter more of them as stations of their own.")
	}
	if s.Columns == 2 {
		v.Field(stationRows, path+".apart", "distance between the columns", s.Apart, "m", "")
	}
	v.Column(path+".column", &s.Column)
	v.Field(stationRows, path+".ratio", "pulley ratio", s.Ratio, "", "It is the force at the handle over the weight of the stack.")
	v.Field(stationRows, path+".friction", "friction", s.Friction, "", "It is the share of the force that the pulleys keep.")
	v.Field(stationRows, path+".parkedGap", "parked gap", s.ParkedGap, "m", "")
	v.Field(stationRows, path+".travel", "travel of the stack", s.Travel, "m", "")
	v.WhenMeasured(path, s.Measured)
}

func bench(v *setup.Checks, path string, b *Bench) {
	if len(b.NotchesDeg) == 0 || len(b.NotchesDeg) > 40 {
		v.Add(path+".notchesDeg", fmt.Sprintf("The bench has %d notches.", len(b.NotchesDeg)), "",
			"Give 1 to 40; a flat bench has one, at 0 degrees.")
	}
	v.Rising(path+".notchesDeg", "notch", b.NotchesDeg, -30, 90, 0.5, "degrees")
	v.Field(benchRows, path+".height", "height of the seat", b.Height, "m", "")
	if b.BackLength != 0 {
		v.Field(benchRows, path+".backLength", "length of the back rest", b.BackLength, "m", "")
	}
	if b.Width != 0 {
		v.Field(benchRows, path+".width", "width of the pads", b.Width, "m", "")
	}
	v.Field(benchRows, path+".mass", "mass of the bench", b.Mass, "kg", "Whether it slides or tips depends on it.")
}

func weights(v *setup.Checks, path string, w *Weights) {
	if !v.OneOf(path+".kind", "kind of weights", w.Kind, "dumbbells", "bar") {
		return
	}
	if w.Kind == "bar" {
		v.Field(weightsRows, path+".bar", "mass of the empty bar", w.Bar, "kg", "")
		plates(v, path+".plates", w.Plates)
		return
	}
	if len(w.Masses) == 0 || len(w.Masses) > 100 {
		v.Add(path+".masses", fmt.Sprintf("There are %d dumbbells.", len(w.Masses)), "", "Give 1 to 100 masses.")
	}
	v.Rising(path+".masses", "dumbbell", w.Masses, 0.1, 200, 0.05, "kg")
}

func plates(v *setup.Checks, path string, list []float64) {
	if len(list) > 60 {
		v.Add(path, fmt.Sprintf("There are %d plates.", len(list)), "", "Keep them to 60.")
	}
	for i, m := range list {
		v.Within(fmt.Sprintf("%s[%d]", path, i), "plate", m, 0.1, 100, "kg", "")
	}
}

func band(v *setup.Checks, path string, b *Band) {
	v.Field(bandRows, path+".restLength", "band's length at rest", b.RestLength, "m", "Its stretch is counted from there.")
	v.Field(bandRows, path+".strands", "number of strands", float64(b.Strands), "", "A loop that is used as a loop has two.")
	v.Field(bandRows, path+".hysteresis", "loss on the way back", b.Hysteresis, "", "It is the share of the pull that the rubber keeps.")
	v.WhenMeasured(path, b.Measured)
	if len(b.Pull) > 0 {
		v.BandPoints(path+".pull", b.Pull)
		return
	}
	v.Field(bandRows, path+".section", "section of a strand", b.Section, "m²", "Nothing was measured, so the pull is computed from it.")
}

func anchor(v *setup.Checks, path string, a *Anchor) {
	low := v.Field(anchorRows, path+".from", "lowest place of the anchor", a.From, "m", "")
	if v.Field(anchorRows, path+".to", "highest place of the anchor", a.To, "m", "") && low && a.To < a.From {
		v.Add(path+".to", "The highest place is below the lowest.", "", "Give both, the lower one first; a fixed anchor has the same twice.")
	}
}

func hold(v *setup.Checks, path string, h *Hold) {
	v.OneOf(path+".kind", "kind", h.Kind, "handle", "strap", "rope", "bar", "cuff", "belt")
	low := 0.0
	if h.Kind == "rope" {
		low = 0.05
	}
	v.Within(path+".length", "length", h.Length, low, 2, "m", "It takes up that much of the way to the pulley.")
}

func cam(v *setup.Checks, path string, c *Cam) {
	v.OneOf(path+".coordinate", "coordinate that the machine turns with", c.Coordinate, setup.CamJoints...)
	v.CamTable(path+".table", c.Table)
	near := v.Field(camRows, path+".padFrom", "least distance from axis to pad", c.PadFrom, "m", "The pad pushes on the limb there.")
	if v.Field(camRows, path+".padTo", "largest distance from axis to pad", c.PadTo, "m", "") && near && c.PadTo < c.PadFrom {
		v.Add(path+".padTo", "The pad's farthest place is nearer than its nearest.", "",
			"Give the nearer one first; a fixed pad has the same twice.")
	}
	v.Field(camRows, path+".ratio", "ratio of the machine", c.Ratio, "", "")
	v.Pins(path, c.Lightest, c.Step, c.Heaviest)
	v.WhenMeasured(path, c.Measured)
}

func lever(v *setup.Checks, path string, l *Lever) {
	v.Field(leverRows, path+".pivotHeight", "height of the axis", l.PivotHeight, "m", "")
	v.Field(leverRows, path+".handleRadius", "distance from axis to handle", l.HandleRadius, "m", "The hand moves on that circle.")
	v.Field(leverRows, path+".plateRadius", "distance from axis to plates", l.PlateRadius, "m", "")
	v.Field(leverRows, path+".plateDeg", "direction of the plates", l.PlateDeg, "degrees", "")
	v.Field(leverRows, path+".leverMass", "mass of the bare lever", l.LeverMass, "kg", "")
	v.Field(leverRows, path+".leverRadius", "distance from axis to the lever's centre of mass", l.LeverRadius, "m", "")
	low := v.Field(leverRows, path+".seatFrom", "lowest seat", l.SeatFrom, "m", "")
	if v.Field(leverRows, path+".seatTo", "highest seat", l.SeatTo, "m", "") && low && l.SeatTo < l.SeatFrom {
		v.Add(path+".seatTo", "The highest seat is below the lowest.", "", "Give the lower one first.")
	}
	plates(v, path+".plates", l.Plates)
	v.WhenMeasured(path, l.Measured)
}

func sled(v *setup.Checks, path string, s *Sled) {
	v.Field(sledRows, path+".railDeg", "slope of the rails", s.RailDeg, "degrees", "A sled on level rails weighs nothing along them.")
	v.Field(sledRows, path+".plateDeg", "tilt of the plate", s.PlateDeg, "degrees", "")
	v.Field(sledRows, path+".mass", "mass of the bare sled", s.Mass, "kg", "")
	plates(v, path+".plates", s.Plates)
}

func support(v *setup.Checks, path string, s *Support) {
	if !v.OneOf(path+".kind", "kind of support", s.Kind, "strap", "thighPad", "armPad", "weight", "pad", "seat",
		"platform") {
		return
	}
	switch s.Kind {
	case "weight":
		v.Within(path+".mass", "mass", s.Mass, 0.5, 200, "kg", "")
	case "pad":
		v.Within(path+".size", "thickness of the pad", s.Size, 0.01, 0.25, "m", "")
	case "seat":
		v.Within(path+".size", "height of the seat", s.Size, 0.1, 1.2, "m", "")
	}
}
