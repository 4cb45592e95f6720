package httpapi

import (
	"context"
	"encoding/json"
	"net/http"
	"time"

	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// SetupWrite is what a client sends of a setup. The document has to have the right shape; it may have problems, so that
// unfinished work can be kept.
type SetupWrite struct {
	ID       string         `json:"id,omitempty" format:"uuid" doc:"May be chosen by the client when creating, so that a repeated request makes no second one."`
	Version  int            `json:"version,omitempty" doc:"The version that the change is based on; not needed when creating."`
	LifterID string         `json:"lifterId" format:"uuid" doc:"Whose setup it is."`
	Document setup.Document `json:"document" doc:"The setup; its name is the setup's name."`
}

// Setup is a stored setup.
type Setup struct {
	ID         string         `json:"id" format:"uuid"`
	Version    int            `json:"version"`
	LifterID   string         `json:"lifterId" format:"uuid"`
	Name       string         `json:"name"`
	Unreadable string         `json:"unreadable,omitempty" doc:"Why its document cannot be read; then the document here is empty."`
	Ready      bool           `json:"ready" doc:"Whether the coach begins others with it."`
	Document   setup.Document `json:"document"`
	UpdatedAt  time.Time      `json:"updatedAt"`
}

type setupList struct {
	Body struct {
		Items []Setup `json:"items"`
		Total int64   `json:"total" doc:"How many there are in all."`
	}
}

type readyInput struct {
	ID   string `path:"id" format:"uuid"`
	Body struct {
		Ready bool `json:"ready"`
	}
}

type setupListInput struct {
	PageInput
	LifterID string `query:"lifterId" format:"uuid" doc:"Only this lifter's."`
	RoomID   string `query:"roomId" format:"uuid" doc:"Only those fitted to this room."`
	Item     string `query:"item" doc:"Only those that use this thing of their room, by its key."`
	Ready    bool   `query:"ready" doc:"Only those that the coach begins others with."`
	Q        string `query:"q" maxLength:"200" doc:"Only those with every one of these words in their name."`
}

func headOfSetup(st *store.Setup) Setup {
	return Setup{ID: st.ID, Version: st.Version, LifterID: st.LifterID, Name: st.Name, Ready: st.Ready, UpdatedAt: st.UpdatedAt}
}

func keptSetup(st *store.Setup, w *SetupWrite) Setup {
	out := headOfSetup(st)
	out.Document = w.Document
	return out
}

func showSetup(st *store.Setup) Setup {
	out := headOfSetup(st)
	out.Unreadable = readStored("setup", st.ID, st.Document, &out.Document)
	return out
}

// setupRow reads a setup that a client sends.
func (s *Server) setupRow(w SetupWrite, id string) (store.Setup, error) {
	problems := nameProblem("document.name", w.Document.Name)
	if w.Document.Schema != setup.Schema {
		problems = append(problems, setup.Problem{Path: "document.schema", What: "The document has another version than this program reads.",
			Hint: "Give " + setup.Schema + "."})
	}
	problems = append(problems, idProblem("id", w.ID, false)...)
	problems = append(problems, versionProblem(w.Version)...)
	problems = append(problems, idProblem("lifterId", w.LifterID, true)...)
	problems = append(problems, idProblem("document.room", w.Document.Gym, false)...)
	if len(problems) > 0 {
		return store.Setup{}, refused(problems)
	}
	document, err := json.Marshal(w.Document)
	if id == "" {
		id = w.ID
	}
	var room *string
	if w.Document.Gym != "" {
		room = &w.Document.Gym
	}
	return store.Setup{Row: store.Row{ID: id, CoachID: s.Coach.ID, Version: w.Version, Name: w.Document.Name}, LifterID: w.LifterID,
		RoomID: room, Document: document}, err
}

func (s *Server) registerSetups(api huma.API) {
	r := &rows[store.Setup, SetupWrite, Setup]{
		what: "setup", title: "Setup", path: "/api/setups", parse: s.setupRow, show: showSetup, kept: keptSetup,
		read:   func(ctx context.Context, id string) (store.Setup, error) { return s.Store.Setup(ctx, s.Coach.ID, id) },
		create: func(ctx context.Context, st *store.Setup) error { return s.Store.CreateSetup(ctx, st) },
		update: func(ctx context.Context, st *store.Setup) error { return s.Store.UpdateSetup(ctx, st) },
		remove: func(ctx context.Context, id string, v int) error { return s.Store.DeleteSetup(ctx, s.Coach.ID, id, v) },
		restore: func(ctx context.Context, id string) (store.Setup, error) {
			return s.Store.RestoreSetup(ctx, s.Coach.ID, id)
		},
	}
	r.register(api)
	huma.Register(api, r.operation(http.MethodPut, "ready", "/{id}/ready", "Begin others with a setup, or no longer", 404),
		func(ctx context.Context, in *readyInput) (*one[Setup], error) {
			return r.answer(s.Store.SetReady(ctx, s.Coach.ID, in.ID, in.Body.Ready))
		})
	huma.Register(api, huma.Operation{OperationID: "listSetups", Method: http.MethodGet, Path: r.path, Summary: "List setups",
		Errors: []int{503}},
		func(ctx context.Context, in *setupListInput) (*setupList, error) {
			list, total, err := s.Store.Setups(ctx, s.Coach.ID, store.Wanted{Lifter: in.LifterID, Room: in.RoomID, Item: in.Item, Words: in.Q,
				Ready: in.Ready}, store.Page{Offset: in.Offset, Limit: in.Limit})
			out := &setupList{}
			out.Body.Items, out.Body.Total = r.shown(list), total
			return out, failed(err, r.what, nil)
		})
}
