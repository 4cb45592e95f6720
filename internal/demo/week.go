package demo

import (
	"bytes"
	"context"
	"crypto/sha1"
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"net/http"
	"slices"
	"time"

	"dialarc/core/plan"
	"dialarc/core/reps"
	"dialarc/core/session"
	"dialarc/core/setup"
)

// weeksDone is how many weeks the troupe has trained up to today; the block has one more.
const weeksDone = 8

// Train has the troupe train for eight weeks, through the interface that users' pages go through: each lifter gets a block, and sessions
// that were logged by it, with plausible noise from a seed. A lifter who has a block already is left alone.
func Train(ctx context.Context, api http.Handler, today time.Time) error {
	h := &hand{ctx, api}
	var lifters struct {
		Items []struct{ ID, Name string }
	}
	if err := h.call(http.MethodGet, "/api/lifters?limit=200", nil, &lifters); err != nil {
		return err
	}
	for i, p := range troupe() {
		at := slices.IndexFunc(lifters.Items, func(l struct{ ID, Name string }) bool { return l.Name == p.name })
		if at < 0 {
			continue
		}
		var there struct{ Items []json.RawMessage }
		if err := h.call(http.MethodGet, "/api/lifters/"+lifters.Items[at].ID+"/blocks", nil, &there); err != nil {
			return err
		}
		if len(there.Items) > 0 {
			continue
		}
		if err := h.train(&p, i, lifters.Items[at].ID, today); err != nil {
			return err
		}
	}
	return nil
}

// hand asks the interface as a page does.
type hand struct {
	ctx context.Context
	api http.Handler
}

func (h *hand) call(method, path string, body, out any) error {
	raw, err := json.Marshal(body)
	if err != nil {
		return err
	}
	req, err := http.NewRequestWithContext(h.ctx, method, path, bytes.NewReader(raw))
	if err != nil {
		return err
	}
	req.Header.Set("Content-Type", "application/json")
	answer := &heard{head: http.Header{}, status: http.StatusOK}
	h.api.ServeHTTP(answer, req)
	if answer.status >= 300 {
		return fmt.Errorf("%s %s: %d %s", method, path, answer.status, answer.body.String())
	}
	if out == nil {
		return nil
	}
	return json.Unmarshal(answer.body.Bytes(), out)
}

// heard is an answer that is kept.
type heard struct {
	head   http.Header
	status int
	body   bytes.Buffer
}

func (a *heard) Header() http.Header            { return a.head }
func (a *heard) WriteHeader(status int)         { a.status = status }
func (a *heard) Write(text []byte) (int, error) { return a.body.Write(text) }

// stored is a saved setup as the interface lists it.
type stored struct {
	ID       string         `json:"id"`
	Version  int            `json:"version"`
	Document setup.Document `json:"document"`
}

// train plans a block for one of the troupe, logs its sessions up to today, and stores both.
func (h *hand) train(p *person, place int, lifter string, today time.Time) error {
	var own struct{ Items []stored }
	if err := h.call(http.MethodGet, "/api/setups?limit=200&lifterId="+lifter, nil, &own); err != nil {
		return err
	}
	start := monday(today).AddDate(0, 0, -7*(weeksDone-1))
	b := planned(p, lifter, own.Items, start)
	a := &actor{person: p, lifter: lifter, random: rand.New(rand.NewPCG(uint64(place)+1, 1207)), keeper: &plan.Keeper{},
		once: map[string]float64{}, last: map[string][]plan.Done{}, block: &b}
	for week := 1; week <= weeksDone; week++ {
		for d := range b.Days {
			day := start.AddDate(0, 0, 7*(week-1)+max(0, b.Days[d].Weekday-1))
			if !day.Before(today.Truncate(24*time.Hour)) || a.misses(week) {
				continue
			}
			s, err := a.session(week, d, day)
			if err != nil {
				return err
			}
			if err := h.call(http.MethodPut, "/api/sessions/"+id(lifter, s.Date), s, nil); err != nil {
				return err
			}
		}
	}
	return h.call(http.MethodPost, "/api/blocks", map[string]any{"id": id(lifter, "block"), "document": b}, nil)
}

func monday(day time.Time) time.Time {
	day = time.Date(day.Year(), day.Month(), day.Day(), 0, 0, 0, 0, time.UTC)
	return day.AddDate(0, 0, -(int(day.Weekday())+6)%7)
}

// id is an id that is the same each time for the same words.
func id(words ...string) string {
	sum := sha1.Sum([]byte(fmt.Sprint(words)))
	sum[6], sum[8] = sum[6]&0x0f|0x50, sum[8]&0x3f|0x80
	return fmt.Sprintf("%x-%x-%x-%x-%x", sum[0:4], sum[4:6], sum[6:8], sum[8:10], sum[10:16])
}

// blockNames are what the coach calls the blocks of the troupe.
var blockNames = map[string]string{"Suvi Brandt": "Shoulders for the tour", "Ilvane Torsk": "Back and legs, quiet left side",
	"Madoc Quill": "Arms overhead", "Oriel Vantre": "From the chair", "Kestrin Dahlke": "First block", "Brannoc Vey": "In the van"}

// mostInDay is how many exercises a day of the demo has.
const mostInDay = 4

// planned is a block of three days over a lifter's own setups, a raise in every day.
func planned(p *person, lifter string, own []stored, start time.Time) plan.Block {
	b := plan.Block{Schema: plan.Schema, LifterID: lifter, Name: blockNames[p.name], Start: start.Format(time.DateOnly), Weeks: weeksDone + 1,
		Deload: 5}
	for d, name := range []string{"A", "B", "C"} {
		day := plan.Day{Name: name, Weekday: 1 + 2*d}
		for i, s := range own {
			if i%3 != d && !(i == d) || s.Document.Movement.Kind == "hold" || len(day.Entries) == mostInDay {
				continue
			}
			day.Entries = append(day.Entries, plan.Entry{ID: id(lifter, name, s.ID), SetupID: s.ID, SetupVersion: s.Version, Document: s.Document,
				Sets: 3, RepsFrom: 8, RepsTo: 12, RIRFrom: 1, RIRTo: 2, Rest: 120})
		}
		b.Days = append(b.Days, day)
	}
	return b
}

// actor is one of the troupe at the gym: how strong they are in each setup, week by week, and what they did last.
type actor struct {
	person *person
	lifter string
	random *rand.Rand
	keeper *plan.Keeper
	once   map[string]float64 // kg that goes once in the first week, by setup
	last   map[string][]plan.Done
	block  *plan.Block
}

// misses says whether a week was missed: one of the troupe was on the road.
func (a *actor) misses(week int) bool { return a.person.name == "Madoc Quill" && week == 4 }

// gain is how much stronger somebody is in a week than in the first: three in a hundred a week for the new, two for the others, and less in
// the deload. One setup of one lifter stops rising after the fourth week.
func (a *actor) gain(setupName string, week int) float64 {
	perWeek := 0.02
	if a.person.body.Training == "novice" {
		perWeek = 0.03
	}
	if a.person.name == "Suvi Brandt" && setupName == "Dumbbell lateral raise" {
		week = min(week, 3)
	}
	return 1 + perWeek*float64(week-1)
}

// session is what the actor did on a day of the plan.
func (a *actor) session(week, place int, at time.Time) (session.Session, error) {
	day := &a.block.Days[place]
	s := session.Session{Schema: session.Schema, LifterID: a.lifter, Name: day.Name, Date: at.Format(time.DateOnly),
		BlockID: id(a.lifter, "block"),
		Week:    week, Entries: day.Entries, Sets: []session.Set{}}
	clock := at.Add(17*time.Hour + 30*time.Minute)
	for i := range day.Entries {
		e := &day.Entries[i]
		d, problems := a.keeper.Of(&e.Document)
		if len(problems) > 0 {
			return s, problems
		}
		more := a.block.More(week)
		loading := plan.LoadingOf(e, d, more, a.last[e.SetupID])
		load := loading.Load.Or(0)
		n, rir := e.Middle()
		sets := a.block.SetsIn(e, week)
		s.Planned = append(s.Planned, session.Planned{Entry: e.ID, Sets: sets, Load: load, Reps: loading.Reps.Or(n), RIR: rir + more})
		if !(load > 0) {
			load = 0
		}
		done := a.sets(e, d, week, sets, load, rir+more, &clock)
		s.Sets = append(s.Sets, done...)
	}
	return s, nil
}

// sets are those of one entry: the first as strong as the day is, each one a little less, with a repetition of noise.
func (a *actor) sets(e *plan.Entry, d *plan.Digest, week, count int, load, rir float64, clock *time.Time) []session.Set {
	if _, known := a.once[e.SetupID]; !known {
		a.once[e.SetupID] = d.Once.Or(load*reps.Once(10+rir)) * (0.96 + 0.08*a.random.Float64())
	}
	var out []session.Set
	var told []plan.Done
	day := 1 + 0.02*(a.random.Float64()-0.5)
	for k := range count {
		*clock = clock.Add(time.Duration(45+e.Rest) * time.Second)
		left := int(max(0, min(4, math.Round(rir+0.8*(a.random.Float64()-0.5)))))
		n := 10
		if load > 0 {
			once := a.once[e.SetupID] * a.gain(d.Name, week) * day * (1 - 0.015*float64(k))
			possible := int(math.Floor(reps.At(once / load)))
			n = max(3, min(e.RepsTo+3, possible-left)) // a few more where the next load is too big a step
			left = max(0, min(4, possible-n))          // whoever stops at the top of the range has more left
		}
		x := session.Set{ID: id(a.lifter, e.ID, fmt.Sprint(week), fmt.Sprint(k)), Entry: e.ID, At: clock.Format(time.RFC3339), Load: load,
			Reps: n, RIR: left,
			Thrown: a.random.Float64() < 0.06}
		if a.sore(week, d) && k > 0 {
			x.Pain = &session.Pain{Joint: "shoulder", Level: 4}
			x.Note = "The left one again, near the top. Stopped here."
			out = append(out, x)
			break
		}
		out, told = append(out, x), append(told, plan.Done{Load: load, Reps: n, RIR: left})
	}
	if len(told) > 0 && a.block.More(week) == 0 {
		a.last[e.SetupID] = told
	}
	return out
}

// sore says whether a shoulder hurts: one week, in a raise of one of the troupe.
func (a *actor) sore(week int, d *plan.Digest) bool {
	return a.person.name == "Ilvane Torsk" && week == 6 && d.Target == "deltoid.middle"
}
