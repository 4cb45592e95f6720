package httpapi

import (
	"context"
	"encoding/json"
	"errors"
	"net/http"
	"slices"
	"time"

	"dialarc/core/people"
	"dialarc/core/plan"
	"dialarc/core/record"
	"dialarc/core/session"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"
)

// RecordAnswer says what a lifter's record holds.
type RecordAnswer struct {
	Name     string `json:"name" doc:"Whose it is."`
	Known    bool   `json:"known" doc:"Whether a lifter of that name is here already."`
	Setups   int    `json:"setups" doc:"How many setups."`
	Blocks   int    `json:"blocks" doc:"How many plans."`
	Sessions int    `json:"sessions" doc:"How many sessions."`
	Sets     int    `json:"sets" doc:"How many sets were done."`
	LifterID string `json:"lifterId,omitempty" doc:"Id that the lifter got; nothing when it was only looked at."`
}

func (s *Server) registerRecords(api huma.API) {
	huma.Register(api, huma.Operation{OperationID: "exportRecord", Method: http.MethodGet, Path: "/api/lifters/{id}/record",
		Summary: "All that is kept of a lifter as a file", Errors: []int{404, 422, 503}},
		func(ctx context.Context, in *idInput) (*fileOutput, error) {
			r, err := s.recordOf(ctx, in.ID)
			if err != nil {
				return nil, err
			}
			raw, err := json.Marshal(r)
			return &fileOutput{ContentType: "application/json", ContentDisposition: `attachment; filename="record.json"`, Body: raw}, err
		})
	huma.Register(api, huma.Operation{OperationID: "importRecord", Method: http.MethodPost, Path: "/api/records",
		Summary: "Look at a lifter's record, or take it in as a lifter of its own, all or nothing", Errors: []int{413, 422, 503},
		MaxBodyBytes: record.MaxBytes}, func(ctx context.Context, in *importInput) (*one[RecordAnswer], error) {
		r, problems := record.Parse(in.RawBody)
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		answer, err := s.takeRecord(ctx, r, in.Write)
		return &one[RecordAnswer]{answer}, failed(err, "lifter", nil)
	})
}

// recordOf gathers everything of a lifter. What cannot be read is no part of a record, so that it is told instead of left out.
func (s *Server) recordOf(ctx context.Context, id string) (*record.Record, error) {
	l, err := s.Store.Lifter(ctx, s.Coach.ID, id)
	if err != nil {
		return nil, failed(err, "lifter", nil)
	}
	shown := showLifter(&l)
	r := &record.Record{Schema: record.Schema, Lifter: people.Person{Name: shown.Name, Notes: shown.Notes, Body: shown.Body},
		Setups: []record.Kept[setup.Document]{}, Blocks: []record.Kept[plan.Block]{}, Sessions: []record.Kept[session.Session]{}}
	whys := []string{shown.Unreadable}
	err = errors.Join(
		store.Each(func(p store.Page) ([]store.Setup, int64, error) {
			return s.Store.Setups(ctx, s.Coach.ID, store.Wanted{Lifter: id}, p)
		}, func(st store.Setup) error {
			x := showSetup(&st)
			r.Setups = append(r.Setups, record.Kept[setup.Document]{ID: x.ID, Version: x.Version, Document: x.Document})
			whys = append(whys, x.Unreadable)
			return nil
		}),
		store.Each(func(p store.Page) ([]store.Session, int64, error) {
			list, err := s.Store.Sessions(ctx, s.Coach.ID, id, firstDay, lastDay, p)
			return list, 0, err
		}, func(st store.Session) error {
			x := showSession(&st)
			r.Sessions = append(r.Sessions, record.Kept[session.Session]{ID: x.ID, Document: x.Document})
			whys = append(whys, x.Unreadable)
			return nil
		}))
	if err != nil {
		return nil, failed(err, "lifter", nil)
	}
	slices.Reverse(r.Sessions) // they come latest first
	blocks, err := s.Store.BlocksOf(ctx, s.Coach.ID, id)
	if err != nil {
		return nil, failed(err, "block", nil)
	}
	for i := range blocks {
		kept := record.Kept[plan.Block]{ID: blocks[i].ID, Version: blocks[i].Version}
		whys = append(whys, readStored("block", kept.ID, blocks[i].Document, &kept.Document))
		r.Blocks = append(r.Blocks, kept)
	}
	if i := slices.IndexFunc(whys, func(why string) bool { return why != "" }); i >= 0 {
		return nil, refused(setup.Problems{{What: whys[i], Hint: "Export the parts that can be read one by one."}})
	}
	return r, nil
}

// takeRecord counts what a record holds, and stores it when that is wanted: all or nothing, under new ids.
func (s *Server) takeRecord(ctx context.Context, r *record.Record, write bool) (RecordAnswer, error) {
	answer := RecordAnswer{Name: r.Lifter.Name, Setups: len(r.Setups), Blocks: len(r.Blocks), Sessions: len(r.Sessions), Sets: r.Sets()}
	there, err := s.Store.LifterNames(ctx, s.Coach.ID)
	answer.Known = there[r.Lifter.Name]
	if err != nil || !write {
		return answer, err
	}
	answer.LifterID = uuid.NewString()
	r.Renew(answer.LifterID, uuid.NewString)
	return answer, s.Store.Together(ctx, func(tx *store.Store) error { return s.storeRecord(ctx, tx, r, answer.LifterID) })
}

func (s *Server) storeRecord(ctx context.Context, tx *store.Store, r *record.Record, lifter string) error {
	row := func(id, name string) store.Row { return store.Row{ID: id, CoachID: s.Coach.ID, Name: name} }
	body, err := json.Marshal(r.Lifter.Body)
	if err != nil {
		return err
	}
	if err := tx.CreateLifter(ctx, &store.Lifter{Row: row(lifter, r.Lifter.Name), Notes: r.Lifter.Notes, Body: body}); err != nil {
		return err
	}
	for i := range r.Setups {
		k := &r.Setups[i]
		document, err := json.Marshal(k.Document)
		if err != nil {
			return err
		}
		st := store.Setup{Row: row(k.ID, k.Document.Name), LifterID: lifter, Document: document}
		if isUUID(k.Document.Gym) {
			st.RoomID = &k.Document.Gym
		}
		if err := tx.CreateSetup(ctx, &st); err != nil {
			return err
		}
	}
	for i := range r.Blocks {
		k := &r.Blocks[i]
		document, err := json.Marshal(k.Document)
		if err != nil {
			return err
		}
		b := store.Block{Named: store.Named{Row: row(k.ID, k.Document.Name), Document: document}, LifterID: lifter}
		if err := tx.Blocks().Create(ctx, &b); err != nil {
			return err
		}
	}
	for i := range r.Sessions {
		k := &r.Sessions[i]
		day, _ := time.Parse(time.DateOnly, k.Document.Date) // it was checked
		st := store.Session{ID: k.ID, CoachID: s.Coach.ID, LifterID: lifter, Day: day}
		if err := tx.MergeSession(ctx, &st, func(was *store.Session) error { return merged(was, &k.Document) }); err != nil {
			return err
		}
	}
	return nil
}
