package httpapi

import (
	"context"
	"encoding/json"
	"net/http"
	"strings"
	"time"

	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// Write is what a client sends of a named document.
type Write[D any] struct {
	ID       string `json:"id,omitempty" format:"uuid" doc:"May be chosen by the client when creating, so that a repeated request makes no second one."`
	Version  int    `json:"version,omitempty" doc:"The version that the change is based on; not needed when creating."`
	Document D      `json:"document" doc:"The document; its name is the name of the whole."`
}

// Stored is a named document as it is stored.
type Stored[D any] struct {
	ID         string    `json:"id" format:"uuid"`
	Version    int       `json:"version"`
	Name       string    `json:"name"`
	Document   D         `json:"document"`
	Unreadable string    `json:"unreadable,omitempty" doc:"Why its document cannot be read; then the document here is empty."`
	UpdatedAt  time.Time `json:"updatedAt"`
}

type storedList[D any] struct {
	Body struct {
		Items []Stored[D] `json:"items"`
		Total int64       `json:"total" doc:"How many there are in all."`
	}
}

// named is a resource of documents with a name: R is its row in the store, D the document.
type named[R, D any, P store.Of[R]] struct {
	what, title, path string
	shelf             func() store.Shelf[R, P] // asked at each request, since the description is made without a store
	name              func(*D) *string
	check             func(*D) setup.Problems
	fill              func(*R, *D) // columns of the row beside the name; nil for none
}

// registerNamed offers everything that is done with such documents.
func registerNamed[R, D any, P store.Of[R]](s *Server, api huma.API, n named[R, D, P]) {
	r := &rows[R, Write[D], Stored[D]]{what: n.what, title: n.title, path: n.path,
		parse:   func(w Write[D], id string) (R, error) { return n.row(s, &w, id) },
		show:    n.show,
		read:    func(ctx context.Context, id string) (R, error) { return n.shelf().Read(ctx, s.Coach.ID, id) },
		create:  func(ctx context.Context, row *R) error { return n.shelf().Create(ctx, row) },
		update:  func(ctx context.Context, row *R) error { return n.shelf().Update(ctx, row) },
		remove:  func(ctx context.Context, id string, v int) error { return n.shelf().Delete(ctx, s.Coach.ID, id, v) },
		restore: func(ctx context.Context, id string) (R, error) { return n.shelf().Restore(ctx, s.Coach.ID, id) },
	}
	r.register(api)
	huma.Register(api, huma.Operation{OperationID: "list" + n.title + "s", Method: http.MethodGet, Path: n.path,
		Summary: "List " + n.what + "s", Errors: []int{503}},
		func(ctx context.Context, in *PageInput) (*storedList[D], error) {
			list, total, err := n.shelf().List(ctx, s.Coach.ID, store.Page{Offset: in.Offset, Limit: in.Limit})
			out := &storedList[D]{}
			out.Body.Items, out.Body.Total = r.shown(list), total
			return out, failed(err, r.what, nil)
		})
}

// row reads a document that a client sends: under the id of the path, or under the one that the client chose.
func (n *named[R, D, P]) row(s *Server, w *Write[D], id string) (R, error) {
	var row R
	name := n.name(&w.Document)
	*name = strings.TrimSpace(*name)
	problems := append(within("document", n.check(&w.Document)), idProblem("id", w.ID, false)...)
	problems = append(problems, versionProblem(w.Version)...)
	if len(problems) > 0 {
		return row, refused(problems)
	}
	raw, err := json.Marshal(w.Document)
	if id == "" {
		id = w.ID
	}
	*P(&row).Base() = store.Named{Row: store.Row{ID: id, CoachID: s.Coach.ID, Version: w.Version, Name: *name}, Document: raw}
	if n.fill != nil {
		n.fill(&row, &w.Document)
	}
	return row, err
}

func (n *named[R, D, P]) show(row *R) Stored[D] {
	b := P(row).Base()
	out := Stored[D]{ID: b.ID, Version: b.Version, Name: b.Name, UpdatedAt: b.UpdatedAt}
	out.Unreadable = readStored(n.what, b.ID, b.Document, &out.Document)
	return out
}
