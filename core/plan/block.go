// Package plan is what a coach does with setups once they are dialled in: days of a week with sets, repetitions and loads; what a week
// asks of every muscle at which length; in which order a day is done; how long it takes; and what comes after what was done.
//
// Its numbers come from the setups themselves: a Digest is what it has to know of one.
package plan

import (
	"dialarc/core/setup"
)

// Schema is the version of blocks that this program writes and the newest that it reads.
const Schema = "dialarc.block/1"

// Block is weeks with the same plan for one lifter.
type Block struct {
	Schema   string   `json:"schema" doc:"Version of the block." example:"dialarc.block/1"`
	LifterID string   `json:"lifterId,omitempty" doc:"Id of the lifter whose it is."`
	Name     string   `json:"name" doc:"What the coach calls it."`
	Start    string   `json:"start" doc:"First day." example:"2026-11-30"`
	Weeks    int      `json:"weeks" doc:"How many." minimum:"1" maximum:"16"`
	Deload   int      `json:"deload,omitempty" doc:"The week with half the sets and two more in reserve, from 1; none unless given." minimum:"0" maximum:"16"`
	Days     []Day    `json:"days" doc:"The sessions of a week, in their order." maxItems:"14"`
	Lags     []string `json:"lags,omitempty" doc:"Keys of regions that come first because they lag." maxItems:"10"`
	Low      *float64 `json:"low,omitempty" doc:"Hard sets a week below which a trained region has too few; 6 unless given." minimum:"0" maximum:"60"`
	High     *float64 `json:"high,omitempty" doc:"Hard sets a week above which it has too many; 20 unless given." minimum:"0" maximum:"60"`
	Seconds  *float64 `json:"seconds,omitempty" doc:"What a change between exercises takes, s; 45 unless given." minimum:"0" maximum:"600"`
	Gym      string   `json:"gym,omitempty" doc:"Id of the gym that it is for."`
	Notes    string   `json:"notes,omitempty" doc:"What the coach wants to remember about it." maxLength:"4000"`
}

// Day is one session of a week.
type Day struct {
	Name    string  `json:"name" doc:"What it is called: A, or push." maxLength:"40"`
	Weekday int     `json:"weekday,omitempty" doc:"1 is Monday, 7 Sunday; any day unless given." minimum:"0" maximum:"7"`
	Entries []Entry `json:"entries" doc:"What is done, in its order." maxItems:"16"`
}

// Entry is one setup in a day. It holds a copy of the setup, so that a plan says what it said when the setup moves on.
type Entry struct {
	ID           string         `json:"id" doc:"Unique in the block; logged sets name it." format:"uuid"`
	SetupID      string         `json:"setupId,omitempty" doc:"Id of the saved setup that it is a copy of."`
	SetupVersion int            `json:"setupVersion,omitempty" doc:"The version that it is a copy of." minimum:"0" maximum:"1000000"`
	Document     setup.Document `json:"document"`
	Sets         int            `json:"sets" doc:"How many." minimum:"1" maximum:"12"`
	RepsFrom     int            `json:"repsFrom" doc:"Fewest repetitions of a set." minimum:"1" maximum:"60"`
	RepsTo       int            `json:"repsTo" doc:"Most." minimum:"1" maximum:"60"`
	RIRFrom      int            `json:"rirFrom" doc:"Fewest repetitions left in reserve." minimum:"0" maximum:"10"`
	RIRTo        int            `json:"rirTo" doc:"Most." minimum:"0" maximum:"10"`
	Rest         float64        `json:"rest" doc:"After a set, s." minimum:"0" maximum:"900"`
	Sides        string         `json:"sides,omitempty" doc:"Of a setup for one side: one side after the other, or that side alone; one after the other unless given." enum:"alternating,one"`
	Method       string         `json:"method,omitempty" doc:"Straight sets unless given; longPartials: partial repetitions in the lengthened part after the last full one; partials: in that part alone." enum:"longPartials,restPause,drop,partials"`
	LoadBy       string         `json:"loadBy,omitempty" doc:"What sets the load: the repetitions in reserve, the load itself, or a share of what goes once; the reserve unless given." enum:"load,percent"`
	Load         float64        `json:"load,omitempty" doc:"load: kg, as the setup counts it." minimum:"0" maximum:"500"`
	Percent      float64        `json:"percent,omitempty" doc:"percent: of what goes once." minimum:"0" maximum:"120"`
	Progression  string         `json:"progression,omitempty" doc:"What comes next: repetitions up to the top of the range and then load, load every week, or nothing; repetitions then load unless given." enum:"load,none"`
	Note         string         `json:"note,omitempty" maxLength:"400"`
}

// NewEntry is a setup as it is planned until the coach says otherwise (common practice, no source); it has no id yet.
func NewEntry(d *setup.Document) Entry {
	return Entry{Document: *d, Sets: 3, RepsFrom: 8, RepsTo: 12, RIRFrom: 1, RIRTo: 2, Rest: 120}
}

// Usual values of a block (common practice, no source).
const (
	usualLow     = 6.0
	usualHigh    = 20.0
	usualSeconds = 45.0 // (own)
)

func given(x *float64, usual float64) float64 {
	if x != nil {
		return *x
	}
	return usual
}

// Bounds are the hard sets a week that a trained region should have, at least and at most.
func (b *Block) Bounds() (low, high float64) { return given(b.Low, usualLow), given(b.High, usualHigh) }

// Middle is the middle of the range of repetitions and of the reserve.
func (e *Entry) Middle() (reps, rir float64) {
	return float64(e.RepsFrom+e.RepsTo) / 2, float64(e.RIRFrom+e.RIRTo) / 2
}

// SetsIn is how many sets an entry has in a week, from 1: half of them, rounded up, in a deload.
func (b *Block) SetsIn(e *Entry, week int) int {
	if week == b.Deload && week > 0 {
		return (e.Sets + 1) / 2
	}
	return e.Sets
}

// moreInDeload is how many more repetitions are left in reserve in a deload (own).
const moreInDeload = 2
