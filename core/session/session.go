// Package session is what was done: the sets of one day at the gym, written down set by set on one phone or several. Every set has an id
// of its own and counts how often it was changed, so that what comes late, twice or in another order comes to the same.
package session

import (
	"cmp"
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"time"

	"dialarc/core/plan"
	"dialarc/core/setup"
)

// Schema is the version of sessions that this program writes and the newest that it reads.
const Schema = "dialarc.session/1"

// Session is one day at the gym.
type Session struct {
	Schema   string       `json:"schema" doc:"Version of the session." example:"dialarc.session/1"`
	Rev      int          `json:"rev" doc:"How often what stands beside the sets was changed." minimum:"0" maximum:"1000000"`
	LifterID string       `json:"lifterId,omitempty" doc:"Id of the lifter whose it is."`
	Name     string       `json:"name" doc:"What it is called, like A."`
	Date     string       `json:"date" doc:"Day." example:"2026-11-30"`
	BlockID  string       `json:"blockId,omitempty" doc:"Id of the block that it was planned in."`
	Week     int          `json:"week,omitempty" doc:"Week of the block, from 1." minimum:"0" maximum:"16"`
	Entries  []plan.Entry `json:"entries" doc:"What was planned, and what was added or swapped on the day." maxItems:"40"`
	Planned  []Planned    `json:"planned,omitempty" doc:"What each entry was planned with." maxItems:"40"`
	Notes    string       `json:"notes,omitempty" maxLength:"4000"`
	Sets     []Set        `json:"sets" doc:"What was done, in time." maxItems:"400"`
}

// Planned is what an entry was planned with on the day.
type Planned struct {
	Entry string  `json:"entry"`
	Sets  int     `json:"sets" minimum:"0" maximum:"12"`
	Load  float64 `json:"load" doc:"kg; 0 where it is not counted." minimum:"0" maximum:"500"`
	Reps  float64 `json:"reps" doc:"Repetitions that it should give; 0 where that is not known." minimum:"0" maximum:"60"`
	RIR   float64 `json:"rir" minimum:"0" maximum:"12"`
	Swap  string  `json:"swap,omitempty" doc:"Id of the entry that it stands in for."`
}

// Set is one set that was done.
type Set struct {
	ID      string   `json:"id" format:"uuid"`
	Rev     int      `json:"rev" doc:"How often it was changed; of two the larger counts." minimum:"0" maximum:"1000000"`
	Entry   string   `json:"entry" doc:"Id of the entry."`
	At      string   `json:"at" doc:"When it ended, by the phone's clock." format:"date-time"`
	Load    float64  `json:"load" doc:"kg, as the setup counts it; 0 where it is not counted." minimum:"0" maximum:"500"`
	Reps    int      `json:"reps" doc:"Full repetitions." minimum:"1" maximum:"100"`
	RIR     int      `json:"rir" doc:"Left in reserve; 4 stands for four or more." minimum:"0" maximum:"4"`
	Thrown  bool     `json:"thrown,omitempty" doc:"Whether the tempo was not kept."`
	Felt    []string `json:"felt,omitempty" doc:"Keys of the regions in which it was felt." maxItems:"20"`
	Pain    *Pain    `json:"pain,omitempty"`
	Note    string   `json:"note,omitempty" maxLength:"400"`
	Dropped bool     `json:"dropped,omitempty" doc:"Whether it was taken back."`
}

// Pain is what hurt.
type Pain struct {
	Joint string `json:"joint" enum:"neck,shoulder,elbow,wrist,back,hip,knee,ankle"`
	Level int    `json:"level" doc:"0 to 10." minimum:"0" maximum:"10"`
	Sharp bool   `json:"sharp,omitempty"`
}

// stopsAt is the pain from which a set should not be followed by another (common practice, no source).
const stopsAt = 3

// Stops says whether a pain should end the exercise.
func (p *Pain) Stops() bool { return p != nil && (p.Sharp || p.Level >= stopsAt) }

var (
	sessionRows = setup.RowsOf[Session]()
	plannedRows = setup.RowsOf[Planned]()
	setRows     = setup.RowsOf[Set]()
	painRows    = setup.RowsOf[Pain]()
	joints      = []string{"neck", "shoulder", "elbow", "wrist", "back", "hip", "knee", "ankle"}
)

// Parse reads a session and checks it. On problems it holds whatever could be read.
func Parse(raw []byte) (Session, setup.Problems) {
	s, problems := setup.Decode[Session](raw, "session", "40 kB")
	if len(problems) > 0 {
		return s, problems
	}
	return s, Validate(&s)
}

// Validate says what is wrong with a session. Its entries were checked when they were planned; here only their ids count.
func Validate(s *Session) setup.Problems {
	v := &setup.Checks{}
	if !v.OneOf("schema", "schema", s.Schema, Schema) {
		return v.Found
	}
	if s.Name == "" {
		v.Add("name", "The session has no name.", "", "Give it one.")
	}
	v.Name("name", s.Name)
	plan.Date(v, "date", "day", s.Date)
	if !v.Count(sessionRows, "entries", "exercises", len(s.Entries), "") || !v.Count(sessionRows, "sets", "sets", len(s.Sets), "") {
		return v.Found
	}
	known := map[string]bool{}
	for i := range s.Entries {
		if s.Entries[i].ID == "" || known[s.Entries[i].ID] {
			v.Add(fmt.Sprintf("entries[%d].id", i), "The entry has no id, or another one's.", "Sets name it.", "Give it an id of its own.")
		}
		known[s.Entries[i].ID] = true
	}
	for i := range s.Planned {
		checkPlanned(v, fmt.Sprintf("planned[%d]", i), &s.Planned[i], known)
	}
	seen := map[string]bool{}
	for i := range s.Sets {
		checkSet(v, fmt.Sprintf("sets[%d]", i), &s.Sets[i], known, seen)
	}
	return v.Found
}

func checkPlanned(v *setup.Checks, at string, p *Planned, known map[string]bool) {
	if !known[p.Entry] {
		v.Add(at+".entry", fmt.Sprintf("There is no entry %q in this session.", setup.Clip(p.Entry)), "", "Name one of the entries.")
	}
	v.Field(plannedRows, at+".sets", "number of sets", float64(p.Sets), "", "")
	v.Field(plannedRows, at+".load", "load", p.Load, "kg", "")
	v.Field(plannedRows, at+".reps", "number of repetitions", p.Reps, "", "")
	v.Field(plannedRows, at+".rir", "reserve", p.RIR, "", "")
}

func checkSet(v *setup.Checks, at string, x *Set, known, seen map[string]bool) {
	if x.ID == "" || seen[x.ID] {
		v.Add(at+".id", "The set has no id, or another one's.", "Sets that are sent twice are known by it.", "Give it an id of its own.")
	}
	seen[x.ID] = true
	if !known[x.Entry] {
		v.Add(at+".entry", fmt.Sprintf("There is no entry %q in this session.", setup.Clip(x.Entry)), "", "Name one of the entries.")
	}
	if _, err := time.Parse(time.RFC3339, x.At); err != nil {
		v.Add(at+".at", fmt.Sprintf("The time is %q.", setup.Clip(x.At)), "", "Give a time like 2026-11-30T17:42:00Z.")
	}
	v.Field(setRows, at+".load", "load", x.Load, "kg", "")
	v.Field(setRows, at+".reps", "number of repetitions", float64(x.Reps), "", "")
	v.Field(setRows, at+".rir", "reserve", float64(x.RIR), "", "4 stands for four or more.")
	v.Field(setRows, at+".rev", "count of changes", float64(x.Rev), "", "")
	if p := x.Pain; p != nil {
		v.OneOf(at+".pain.joint", "joint", p.Joint, joints...)
		v.Field(painRows, at+".pain.level", "pain", float64(p.Level), "", "")
	}
	for k, key := range x.Felt {
		if _, ok := setup.RegionOf(key); !ok {
			v.Add(fmt.Sprintf("%s.felt[%d]", at, k), fmt.Sprintf("There is no region %q.", setup.Clip(key)), "", "Give the key of a region.")
		}
	}
	if n := len([]rune(x.Note)); n > 400 {
		v.Add(at+".note", fmt.Sprintf("The note has %d characters.", n), "", "Keep it to 400.")
	}
}

// Merge is what two states of one session come to, whichever is newer: of each set, and of what stands beside the sets, what was changed
// more often; of two that were changed equally often the one whose text comes later, so that every phone comes to the same. Exercises that
// only one of them has are kept behind the others: sets name them. Merging is commutative and idempotent, of the sets also associative; in
// which order added exercises stand is agreed on when all have met. Neither is changed.
func Merge(a, b *Session) Session {
	head := func(s *Session) Session {
		h := *s
		h.Sets = nil
		return h
	}
	ha, hb := head(a), head(b)
	if later(ha.Rev, hb.Rev, &ha, &hb) {
		ha, hb = hb, ha
	}
	out := ha
	out.Entries = joined(ha.Entries, hb.Entries, func(e *plan.Entry) string { return e.ID })
	out.Planned = joined(ha.Planned, hb.Planned, func(p *Planned) string { return p.Entry })
	by := map[string]Set{}
	for _, list := range [][]Set{a.Sets, b.Sets} {
		for i := range list {
			x := list[i]
			if was, known := by[x.ID]; !known || later(was.Rev, x.Rev, &was, &x) {
				by[x.ID] = x
			}
		}
	}
	out.Sets = make([]Set, 0, len(by))
	for _, x := range by {
		out.Sets = append(out.Sets, x)
	}
	InOrder(out.Sets)
	return out
}

// joined is a list with what only another one has behind it, by its ids.
func joined[T any](list, other []T, id func(*T) string) []T {
	has := make(map[string]bool, len(list))
	for i := range list {
		has[id(&list[i])] = true
	}
	var more []T
	for i := range other {
		if !has[id(&other[i])] {
			more = append(more, other[i])
		}
	}
	if len(more) == 0 {
		return list
	}
	slices.SortFunc(more, func(x, y T) int { return cmp.Compare(id(&x), id(&y)) })
	return append(slices.Clip(list), more...)
}

// InOrder brings sets into the order of time, by the phones' clocks.
func InOrder(sets []Set) {
	slices.SortFunc(sets, func(x, y Set) int { return cmp.Or(cmp.Compare(x.At, y.At), cmp.Compare(x.ID, y.ID)) })
}

// later says whether the second of two states comes after the first.
func later[T any](revA, revB int, a, b *T) bool {
	if revA != revB {
		return revB > revA
	}
	if reflect.DeepEqual(a, b) { // as almost always; writing them out takes longer
		return false
	}
	x, errX := json.Marshal(a)
	y, errY := json.Marshal(b)
	return errX == nil && errY == nil && string(y) > string(x)
}
