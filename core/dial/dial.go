// Package dial says what a dial is: one thing of a setup that can be turned, read from the document and written to it. Which dials there
// are is said by the kinds of load (core/load) and, for what belongs to no load, by core/dialin.
package dial

import (
	"fmt"
	"math"
	"strings"

	"dialarc/core/kit"
	"dialarc/core/setup"
)

// Setting is one thing that can be turned: a dial.
type Setting struct {
	Key   string    `json:"key" doc:"Name of the dial, with the load's place where it belongs to one, like pulley.height/0."`
	Group string    `json:"group" doc:"Section of the rig." enum:"loads,body,path,tempo"`
	Label string    `json:"label"`
	Kind  string    `json:"kind" doc:"Kind of unit; a hole is counted from the floor." enum:"length,angle,mass,force,time,hole,share"`
	From  float64   `json:"from"`
	To    float64   `json:"to"`
	Step  float64   `json:"step"`
	Value float64   `json:"value"`
	Stops []float64 `json:"stops,omitempty" doc:"The values that the kit has, rising, where it has some only: pins, dumbbells, notches."`
	Stop  string    `json:"stop,omitempty" doc:"What a stop is called when stops are counted." enum:"notch"`
	At    *float64  `json:"at,omitempty" doc:"For a hole: its height, m."`
	Paint string    `json:"paint" doc:"What the track is painted with." enum:"match,effort,none"`
	Usual bool      `json:"usual" doc:"Whether a search turns it unless told otherwise: what a coach can change between two sets, and has not locked."`
	Main  bool      `json:"main" doc:"Whether it is among the few that matter most: load, height, distance, path and range."`
	Lock  bool      `json:"lock" doc:"Whether searches and mends leave it alone."`
	Paths []string  `json:"paths" doc:"Paths in the document that it speaks for."`
}

// Dial knows how to read and write one kind of setting. The index is the load's place, or -1 for one that belongs to no load.
type Dial struct {
	Name    Name
	Applies func(d *setup.Document, index int) bool // whether this document has it; nil for always
	Read    func(d *setup.Document, index int) Setting
	Write   func(d *setup.Document, index int, value float64)
}

// On says whether a document has the dial.
func (dl *Dial) On(d *setup.Document, index int) bool {
	return dl.Applies == nil || dl.Applies(d, index)
}

// LoadPath is where in a document a field of a load stands.
func LoadPath(index int, field string) string { return fmt.Sprintf("loads[%d].%s", index, field) }

// Name is the name of the setting's dial: its key without the load's place.
func (s *Setting) Name() Name {
	name, _, _ := strings.Cut(s.Key, "/")
	return Name(name)
}

// Steps is how many steps of the dial, or stops of the kit, a value is away from the present one.
func (s *Setting) Steps(value float64) float64 {
	if len(s.Stops) == 0 {
		return math.Abs(value-s.Value) / s.Step
	}
	_, here := kit.Nearest(s.Stops, s.Value)
	_, there := kit.Nearest(s.Stops, value)
	return math.Abs(float64(here - there))
}
