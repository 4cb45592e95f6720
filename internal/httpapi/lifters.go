package httpapi

import (
	"context"
	"encoding/json"
	"net/http"
	"time"

	"dialarc/core/evaluate"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// LifterWrite is what a client sends of a lifter.
type LifterWrite struct {
	ID      string       `json:"id,omitempty" format:"uuid" doc:"May be chosen by the client when creating, so that a repeated request makes no second one."`
	Version int          `json:"version,omitempty" doc:"The version that the change is based on; not needed when creating."`
	Name    string       `json:"name" doc:"Name."`
	Notes   string       `json:"notes,omitempty" doc:"The coach's notes." maxLength:"20000"`
	Body    setup.Lifter `json:"body" doc:"Stature, mass, measured lengths, ranges and strength."`
}

// Lifter is a stored lifter.
type Lifter struct {
	ID         string       `json:"id" format:"uuid"`
	Version    int          `json:"version"`
	Name       string       `json:"name"`
	Notes      string       `json:"notes"`
	Body       setup.Lifter `json:"body"`
	Unreadable string       `json:"unreadable,omitempty" doc:"Why the body cannot be read; then the one here is empty."`
	Archived   bool         `json:"archived" doc:"Whether the lifter is put aside for now."`
	UpdatedAt  time.Time    `json:"updatedAt"`
}

type lifterListInput struct {
	PageInput
	Archived bool   `query:"archived" doc:"The archived ones instead of those who are worked with."`
	Q        string `query:"q" maxLength:"200" doc:"Only those with every one of these words in their name."`
}

type archiveInput struct {
	ID   string `path:"id" format:"uuid"`
	Body struct {
		Archived bool `json:"archived"`
	}
}

type lifterList struct {
	Body struct {
		Items []Lifter `json:"items"`
		Total int64    `json:"total" doc:"How many there are in all."`
	}
}

func showLifter(l *store.Lifter) Lifter {
	out := Lifter{ID: l.ID, Version: l.Version, Name: l.Name, Notes: l.Notes, Archived: l.ArchivedAt != nil, UpdatedAt: l.UpdatedAt}
	out.Unreadable = readStored("lifter", l.ID, l.Body, &out.Body)
	return out
}

// lifterRow reads a lifter that a client sends.
func (s *Server) lifterRow(w LifterWrite, id string) (store.Lifter, error) {
	problems := nameProblem("name", w.Name)
	problems = append(problems, rules.Lifter("body", &w.Body)...)
	if len(problems) == 0 {
		problems = append(problems, evaluate.CheckSets("body.", &w.Body)...)
	}
	problems = append(problems, idProblem("id", w.ID, false)...)
	problems = append(problems, versionProblem(w.Version)...)
	if len(problems) > 0 {
		return store.Lifter{}, refused(problems)
	}
	body, err := json.Marshal(w.Body)
	if id == "" {
		id = w.ID
	}
	return store.Lifter{Row: store.Row{ID: id, CoachID: s.Coach.ID, Version: w.Version, Name: w.Name}, Notes: w.Notes, Body: body}, err
}

func (s *Server) registerLifters(api huma.API) {
	r := &rows[store.Lifter, LifterWrite, Lifter]{
		what: "lifter", title: "Lifter", path: "/api/lifters", parse: s.lifterRow, show: showLifter,
		read:   func(ctx context.Context, id string) (store.Lifter, error) { return s.Store.Lifter(ctx, s.Coach.ID, id) },
		create: func(ctx context.Context, l *store.Lifter) error { return s.Store.CreateLifter(ctx, l) },
		update: func(ctx context.Context, l *store.Lifter) error { return s.Store.UpdateLifter(ctx, l) },
		remove: func(ctx context.Context, id string, v int) error { return s.Store.DeleteLifter(ctx, s.Coach.ID, id, v) },
		restore: func(ctx context.Context, id string) (store.Lifter, error) {
			return s.Store.RestoreLifter(ctx, s.Coach.ID, id)
		},
	}
	r.register(api)
	huma.Register(api, r.operation(http.MethodPut, "archive", "/{id}/archived", "Put a lifter aside, or take them up again", 404),
		func(ctx context.Context, in *archiveInput) (*one[Lifter], error) {
			return r.answer(s.Store.ArchiveLifter(ctx, s.Coach.ID, in.ID, in.Body.Archived))
		})
	huma.Register(api, huma.Operation{OperationID: "listLifters", Method: http.MethodGet, Path: r.path, Summary: "List lifters",
		Errors: []int{503}},
		func(ctx context.Context, in *lifterListInput) (*lifterList, error) {
			list, total, err := s.Store.Lifters(ctx, s.Coach.ID, in.Archived, in.Q, store.Page{Offset: in.Offset, Limit: in.Limit})
			out := &lifterList{}
			out.Body.Items, out.Body.Total = r.shown(list), total
			return out, failed(err, r.what, nil)
		})
}
