// Package record is all that is kept of one lifter in one file: the body, the setups, the plans and what was done. It is given away with
// the ids that it has, and taken in under new ones, so that a record can be brought back beside the lifter whose it was.
package record

import (
	"encoding/json"
	"fmt"
	"reflect"

	"dialarc/core/people"
	"dialarc/core/plan"
	"dialarc/core/session"
	"dialarc/core/setup"
)

// Schema is the version of records that this program writes and the only one that it reads.
const Schema = "dialarc.record/1"

// MaxBytes is the largest record that is read; one of three years with four sessions a week has about 12 MB.
const MaxBytes = 64 << 20

// Record is one lifter with everything that hangs on them.
type Record struct {
	Schema   string                  `json:"schema" doc:"Version of the record." example:"dialarc.record/1"`
	Lifter   people.Person           `json:"lifter"`
	Setups   []Kept[setup.Document]  `json:"setups" doc:"The saved setups." maxItems:"2000"`
	Blocks   []Kept[plan.Block]      `json:"blocks" doc:"The plans." maxItems:"400"`
	Sessions []Kept[session.Session] `json:"sessions" doc:"What was done, in time." maxItems:"6000"`
}

// Kept is a document with the id and the version that it has where it was kept.
type Kept[D any] struct {
	ID       string `json:"id" format:"uuid"`
	Version  int    `json:"version,omitempty" minimum:"0" maximum:"2147483646"`
	Document D      `json:"document"`
}

var rows = setup.RowsOf[Record]()

// Parse reads a record of at most MaxBytes and checks all of it. With any problem none of it is to be used. Setups may have problems of
// their own, as unfinished ones are kept too; they have a name and a version that is known.
func Parse(raw []byte) (*Record, setup.Problems) {
	if len(raw) > MaxBytes {
		return nil, setup.Problems{{What: fmt.Sprintf("The record has %d bytes.", len(raw)), Hint: fmt.Sprintf("Give at most %d.", MaxBytes)}}
	}
	if problems := setup.CheckEncoding(raw); len(problems) > 0 {
		return nil, problems
	}
	var r Record
	if problems := setup.Shape(raw, reflect.TypeFor[Record]()); len(problems) > 0 {
		return nil, people.Few(problems)
	}
	if err := json.Unmarshal(raw, &r); err != nil {
		return nil, setup.Problems{{What: "The record cannot be read: " + err.Error() + "."}}
	}
	return &r, people.Few(r.validate())
}

func (r *Record) validate() setup.Problems {
	v := &setup.Checks{}
	if !v.OneOf("schema", "schema", r.Schema, Schema) {
		return v.Found
	}
	v.Found = append(v.Found, people.Checked(&r.Lifter, func(field string) string { return "lifter." + field })...)
	if !v.Count(rows, "setups", "setups", len(r.Setups), "") || !v.Count(rows, "blocks", "plans", len(r.Blocks), "") ||
		!v.Count(rows, "sessions", "sessions", len(r.Sessions), "") {
		return v.Found
	}
	check(v, "setups", r.Setups, checkSetup)
	check(v, "blocks", r.Blocks, plan.Validate)
	check(v, "sessions", r.Sessions, session.Validate)
	return v.Found
}

// check has every document of a list judged, and wants ids that are its own.
func check[D any](v *setup.Checks, list string, kept []Kept[D], judge func(*D) setup.Problems) {
	seen := map[string]bool{}
	for i := range kept {
		at := fmt.Sprintf("%s[%d]", list, i)
		if kept[i].ID == "" || seen[kept[i].ID] {
			v.Add(at+".id", "It has no id, or another one's.", "Others name it by its id.", "Give it an id of its own.")
		}
		seen[kept[i].ID] = true
		for _, p := range judge(&kept[i].Document) {
			p.Path = at + ".document." + p.Path
			v.Found = append(v.Found, p)
		}
		if len(v.Found) > people.MostTold {
			return
		}
	}
}

func checkSetup(d *setup.Document) setup.Problems {
	v := &setup.Checks{}
	v.OneOf("schema", "schema", d.Schema, setup.Schema)
	if d.Name == "" {
		v.Add("name", "The setup has no name.", "", "Give it one.")
	}
	v.Name("name", d.Name)
	return v.Found
}

// Renew gives the lifter an id and every setup, plan, session and set one of its own, made by fresh, and turns what names them to the new
// ones. What names something that is not in the record names nothing afterwards. Every document begins anew at version 1.
func (r *Record) Renew(lifter string, fresh func() string) {
	setups, blocks := renewed(r.Setups, fresh), renewed(r.Blocks, fresh)
	renewed(r.Sessions, fresh)
	for i := range r.Setups {
		r.Setups[i].Version = 1
	}
	for i := range r.Blocks {
		b := &r.Blocks[i].Document
		b.LifterID = lifter
		for k := range b.Days {
			setups.turn(b.Days[k].Entries)
		}
		r.Blocks[i].Version = 1
	}
	for i := range r.Sessions {
		s := &r.Sessions[i].Document
		s.LifterID, s.BlockID = lifter, blocks[s.BlockID].id
		setups.turn(s.Entries)
		for k := range s.Sets {
			s.Sets[k].ID = fresh()
		}
	}
}

// place is where something is now, and the version that it had before.
type place struct {
	id  string
	was int
}

type places map[string]place

// renewed gives everything in a list a fresh id and tells which.
func renewed[D any](list []Kept[D], fresh func() string) places {
	out := places{}
	for i := range list {
		id := fresh()
		out[list[i].ID] = place{id, list[i].Version}
		list[i].ID = id
	}
	return out
}

// turn lets entries name their setups by the new ids. One that was a copy of the setup as it was in the end is one of version 1 now; of
// an earlier state nothing is left that it could be compared with.
func (p places) turn(entries []plan.Entry) {
	for i := range entries {
		e := &entries[i]
		to, known := p[e.SetupID]
		if !known || to.was != e.SetupVersion {
			e.SetupID, e.SetupVersion = "", 0
			continue
		}
		e.SetupID, e.SetupVersion = to.id, 1
	}
}

// Sets is how many sets were done in all.
func (r *Record) Sets() int {
	n := 0
	for i := range r.Sessions {
		n += len(r.Sessions[i].Document.Sets)
	}
	return n
}
