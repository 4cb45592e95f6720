package httpapi

import (
	"context"
	"encoding/json"

	"dialarc/internal/store"
)

// shelve lets rows come from a shelf of the store. The shelf is asked for at each request, since the description of the interface is
// made without a store.
func shelve[R, W, T any, P store.Of[R]](s *Server, r *rows[R, W, T], shelf func() store.Shelf[R, P]) {
	r.read = func(ctx context.Context, id string) (R, error) { return shelf().Read(ctx, s.Coach.ID, id) }
	r.create = func(ctx context.Context, row *R) error { return shelf().Create(ctx, row) }
	r.update = func(ctx context.Context, row *R) error { return shelf().Update(ctx, row) }
	r.remove = func(ctx context.Context, id string, v int) error { return shelf().Delete(ctx, s.Coach.ID, id, v) }
	r.restore = func(ctx context.Context, id string) (R, error) { return shelf().Restore(ctx, s.Coach.ID, id) }
}

// named is the row of a document that a client sends: under the id of the path, or under the one that the client chose.
func (s *Server) named(chosen, id string, version int, name string, document any) (store.Named, error) {
	raw, err := json.Marshal(document)
	if id == "" {
		id = chosen
	}
	return store.Named{Row: store.Row{ID: id, CoachID: s.Coach.ID, Version: version, Name: name}, Document: raw}, err
}
