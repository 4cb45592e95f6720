// Package kit describes the rooms that lifters work in and what is at hand there: cable stations, benches, weights, bands,
// what is held, machines and what keeps a lifter in place. Lengths are metres, masses kilograms, angles degrees.
package kit

import (
	"encoding/json"

	"dialarc/core/setup"
)

// Schema is the version of a room's document.
const Schema = "dialarc.room/1"

// Room is what is at hand in one place.
type Room struct {
	Schema   string    `json:"schema" doc:"Document version." example:"dialarc.room/1"`
	Name     string    `json:"name" doc:"What the coach calls it."`
	Notes    string    `json:"notes,omitempty" doc:"What the coach wants to remember about it." maxLength:"4000"`
	Stations []Station `json:"stations" doc:"Cable stations."`
	Benches  []Bench   `json:"benches"`
	Weights  []Weights `json:"weights" doc:"Dumbbells, and bars with their plates."`
	Bands    []Band    `json:"bands"`
	Anchors  []Anchor  `json:"anchors" doc:"What bands can be fixed to, beside the floor and the columns."`
	Holds    []Hold    `json:"holds" doc:"Handles, ropes, straps, cuffs and short bars for cables and bands."`
	Cams     []Cam     `json:"cams" doc:"Machines with a cam and a pad."`
	Levers   []Lever   `json:"levers" doc:"Machines with a lever and plates."`
	Sleds    []Sled    `json:"sleds" required:"false" doc:"Plates on rails that the feet push."`
	Supports []Support `json:"supports" doc:"What keeps a lifter or a bench in place."`
}

// Station is one or two cable columns with pulleys in numbered holes.
type Station struct {
	Key       string          `json:"key" doc:"Unique in the room; setups remember it."`
	Name      string          `json:"name"`
	Columns   int             `json:"columns" doc:"One or two." minimum:"1" maximum:"2"`
	Apart     float64         `json:"apart,omitempty" doc:"Two columns: distance between their middles, m." minimum:"0.3" maximum:"5"`
	Column    setup.Column    `json:"column" doc:"Holes and stack; both columns are alike."`
	Ratio     float64         `json:"ratio" doc:"Force at the handle over weight of the stack." minimum:"0.05" maximum:"4"`
	Friction  float64         `json:"friction" doc:"Share of the force that the pulleys keep." minimum:"0" maximum:"0.5"`
	ParkedGap float64         `json:"parkedGap" doc:"What hangs out of the pulley with the stack at rest, m." minimum:"0" maximum:"3"`
	Travel    float64         `json:"travel" doc:"How far the stack can rise, m." minimum:"0.05" maximum:"6"`
	Measured  *setup.Measured `json:"measured,omitempty" doc:"When ratio and friction were measured."`
}

// Bench is a bench with notches for its back rest.
type Bench struct {
	Key        string    `json:"key"`
	Name       string    `json:"name"`
	NotchesDeg []float64 `json:"notchesDeg" doc:"Angles of the back rest from horizontal, rising, degrees; a flat bench has 0 alone."`
	Height     float64   `json:"height" doc:"Top of the seat above the floor, m." minimum:"0.1" maximum:"1.2"`
	BackLength float64   `json:"backLength,omitempty" doc:"Length of the back rest, m; as long as it takes unless measured." minimum:"0.3" maximum:"1.6"`
	Width      float64   `json:"width,omitempty" doc:"Of the pads, m; 0.28 unless measured." minimum:"0.15" maximum:"0.8"`
	Mass       float64   `json:"mass" doc:"kg." minimum:"1" maximum:"400"`
}

// Weights is a row of dumbbells, or a bar with its plates.
type Weights struct {
	Key    string    `json:"key"`
	Name   string    `json:"name"`
	Kind   string    `json:"kind" enum:"dumbbells,bar"`
	Masses []float64 `json:"masses,omitempty" doc:"dumbbells: mass of one of each pair, rising, kg."`
	Bar    float64   `json:"bar,omitempty" doc:"bar: mass of the empty bar, kg." minimum:"0.5" maximum:"50"`
	Plates []float64 `json:"plates,omitempty" doc:"bar: mass of one plate of each pair at hand, kg, heaviest first or not; a mass stands as often as there are pairs."`
}

// Band is an elastic band.
type Band struct {
	Key        string            `json:"key"`
	Name       string            `json:"name"`
	RestLength float64           `json:"restLength" doc:"Length with no pull on it, m." minimum:"0.05" maximum:"5"`
	Section    float64           `json:"section,omitempty" doc:"Section of one strand, m²; for the rubber law, when nothing was measured." minimum:"1e-06" maximum:"0.002"`
	Strands    int               `json:"strands" doc:"Side by side as it is used; a loop has two." minimum:"1" maximum:"20"`
	Pull       []setup.BandPoint `json:"pull,omitempty" doc:"Measured pull of one strand, at two lengths or more."`
	Hysteresis float64           `json:"hysteresis" doc:"Share of the pull lost on the way back." minimum:"0" maximum:"0.6"`
	Worn       bool              `json:"worn,omitempty" doc:"It shows wear."`
	Measured   *setup.Measured   `json:"measured,omitempty" doc:"When its pull was measured."`
}

// Anchor is a place that bands are fixed to, such as a door's.
type Anchor struct {
	Key   string  `json:"key"`
	Name  string  `json:"name"`
	From  float64 `json:"from" doc:"Lowest, m above the floor." minimum:"0" maximum:"4"`
	To    float64 `json:"to" doc:"Highest, m above the floor." minimum:"0" maximum:"4"`
	Loose bool    `json:"loose,omitempty" doc:"It could slip or lift off."`
}

// Hold is what a cable or band is held or worn by.
type Hold struct {
	Key    string  `json:"key"`
	Name   string  `json:"name"`
	Kind   string  `json:"kind" doc:"handle: in one hand; strap: between cable and hand or cuff; rope: a strand in each hand; bar: in both hands; cuff: worn; belt: at the waist." enum:"handle,strap,rope,bar,cuff,belt"`
	Length float64 `json:"length" doc:"From the cable's end to the hand or limb, m; of a rope, one strand."`
}

// Cam is a machine whose pad is moved about an axis against a stack on a cam.
type Cam struct {
	Key        string           `json:"key"`
	Name       string           `json:"name"`
	Coordinate string           `json:"coordinate" doc:"The joint coordinate that its arm turns with, like knee.flexion."`
	Table      []setup.CamPoint `json:"table" doc:"The stack's moment arm over the angle, at two angles or more."`
	PadFrom    float64          `json:"padFrom" doc:"From the axis to the pad at its nearest, m." minimum:"0.05" maximum:"1"`
	PadTo      float64          `json:"padTo" doc:"At its farthest, m; the same for a pad that does not slide." minimum:"0.05" maximum:"1"`
	Ratio      float64          `json:"ratio" doc:"Force on the cam over weight of the stack." minimum:"0.05" maximum:"4"`
	Lightest   float64          `json:"lightest" doc:"Lightest pin, kg."`
	Step       float64          `json:"step" doc:"From pin to pin, kg."`
	Heaviest   float64          `json:"heaviest" doc:"Heaviest pin, kg."`
	Measured   *setup.Measured  `json:"measured,omitempty" doc:"When its cam was measured."`
}

// UnmarshalJSON reads a machine in the words of any version.
func (c *Cam) UnmarshalJSON(raw []byte) error {
	type plain Cam
	var p plain
	err := json.Unmarshal(raw, &p)
	*c = Cam(p)
	c.Coordinate = setup.PresentCoordinate(c.Coordinate)
	return err
}

// Lever is a machine whose handle turns about a pivot against plates.
type Lever struct {
	Key          string          `json:"key"`
	Name         string          `json:"name"`
	PivotHeight  float64         `json:"pivotHeight" doc:"Of its axis above the floor, m." minimum:"0" maximum:"3.5"`
	HandleRadius float64         `json:"handleRadius" doc:"From the axis to the handle, m." minimum:"0.1" maximum:"4"`
	PlateRadius  float64         `json:"plateRadius" doc:"From the axis to the plates, m." minimum:"0" maximum:"4"`
	PlateDeg     float64         `json:"plateDeg,omitempty" doc:"Direction of the plates from that of the handle, degrees." minimum:"-180" maximum:"180"`
	LeverMass    float64         `json:"leverMass" doc:"Of the bare lever, kg." minimum:"0" maximum:"200"`
	LeverRadius  float64         `json:"leverRadius" doc:"From the axis to its centre of mass, m." minimum:"0" maximum:"4"`
	SeatFrom     float64         `json:"seatFrom" doc:"Lowest seat, m." minimum:"0.1" maximum:"1.2"`
	SeatTo       float64         `json:"seatTo" doc:"Highest seat, m." minimum:"0.1" maximum:"1.2"`
	Plates       []float64       `json:"plates" doc:"Mass of one plate of each that is at hand, kg."`
	Measured     *setup.Measured `json:"measured,omitempty" doc:"When it was measured where its weight acts."`
}

// Sled is a plate on rails that the feet push, against plates.
type Sled struct {
	Key      string    `json:"key"`
	Name     string    `json:"name"`
	RailDeg  float64   `json:"railDeg" doc:"How steeply its rails rise, degrees." minimum:"10" maximum:"90"`
	Rides    bool      `json:"rides,omitempty" doc:"It is a carriage that bears the back; the feet stay on a fixed plate."`
	PlateDeg float64   `json:"plateDeg,omitempty" doc:"How far the top of its plate leans away from the lifter, from square to the rails, degrees." minimum:"-30" maximum:"45"`
	Mass     float64   `json:"mass" doc:"Of the bare sled, kg." minimum:"0" maximum:"200"`
	Plates   []float64 `json:"plates" doc:"Mass of one plate of each that is at hand, kg."`
}

// Support is what keeps a lifter or a bench where it is.
type Support struct {
	Key  string  `json:"key"`
	Name string  `json:"name"`
	Kind string  `json:"kind" doc:"strap: over the hips; thighPad: on the thighs; armPad: sloping, under the upper arms; weight: on a bench's foot; pad: under the back; seat: a chair or box; platform: under the knees, on a stack." enum:"strap,thighPad,armPad,weight,pad,seat,platform"`
	Mass float64 `json:"mass,omitempty" doc:"weight: kg."`
	Size float64 `json:"size,omitempty" doc:"pad: thickness; seat: height of its top, m."`
}

// Item is one thing in a room.
type Item struct {
	List string // name of the list it stands in, as in the room's JSON
	Key  string
	Name string
}

// Complete gives a room whose lists are not all given the empty ones.
func (r *Room) Complete() {
	r.Stations, r.Benches, r.Weights, r.Bands, r.Anchors = listed(r.Stations), listed(r.Benches), listed(r.Weights), listed(r.Bands),
		listed(r.Anchors)
	r.Holds, r.Cams, r.Levers, r.Sleds, r.Supports = listed(r.Holds), listed(r.Cams), listed(r.Levers), listed(r.Sleds), listed(r.Supports)
}

func listed[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

// Items lists everything in the room, list by list.
func (r *Room) Items() []Item {
	var out []Item
	add := func(list, key, name string) { out = append(out, Item{list, key, name}) }
	for _, x := range r.Stations {
		add("stations", x.Key, x.Name)
	}
	for _, x := range r.Benches {
		add("benches", x.Key, x.Name)
	}
	for _, x := range r.Weights {
		add("weights", x.Key, x.Name)
	}
	for _, x := range r.Bands {
		add("bands", x.Key, x.Name)
	}
	for _, x := range r.Anchors {
		add("anchors", x.Key, x.Name)
	}
	for _, x := range r.Holds {
		add("holds", x.Key, x.Name)
	}
	for _, x := range r.Cams {
		add("cams", x.Key, x.Name)
	}
	for _, x := range r.Levers {
		add("levers", x.Key, x.Name)
	}
	for _, x := range r.Sleds {
		add("sleds", x.Key, x.Name)
	}
	for _, x := range r.Supports {
		add("supports", x.Key, x.Name)
	}
	return out
}
