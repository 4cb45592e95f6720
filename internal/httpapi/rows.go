package httpapi

import (
	"context"
	"encoding/json"
	"log/slog"
	"net/http"
	"regexp"

	"github.com/danielgtaylor/huma/v2"
)

var uuidForm = regexp.MustCompile(`^[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}$`)

func isUUID(s string) bool { return uuidForm.MatchString(s) }

// PageInput asks for a part of a list. It is exported because huma fills embedded fields only then.
type PageInput struct {
	Offset int `query:"offset" minimum:"0" default:"0" doc:"How many to pass over."`
	Limit  int `query:"limit" minimum:"1" maximum:"200" default:"100" doc:"How many to send."`
}

type idInput struct {
	ID string `path:"id" format:"uuid"`
}

type idRawInput struct {
	ID      string `path:"id" format:"uuid"`
	RawBody []byte
}

type deleteInput struct {
	ID      string `path:"id" format:"uuid"`
	Version int    `query:"version" required:"true" minimum:"1" maximum:"2147483646" doc:"The version that was looked at."`
}

type one[T any] struct{ Body T }

// readStored reads what is stored in a row. What cannot be read, because something else wrote it or it was damaged, is said of that row
// alone.
func readStored(what, id string, raw []byte, into any) (unreadable string) {
	if err := json.Unmarshal(raw, into); err != nil {
		slog.Error("a stored row cannot be read", "what", what, "id", id, "error", err)
		return "What is stored of this " + what + " cannot be read: " + err.Error() + "."
	}
	return ""
}

// rows is a resource of the store: R is its row, W what clients send of it and T what they see.
type rows[R, W, T any] struct {
	what, title, path string
	parse             func(w W, id string) (R, error) // id is that of the path, empty when creating
	show              func(*R) T
	kept              func(*R, *W) T // what was just stored of what was sent, without reading it again; nil to read it
	read              func(ctx context.Context, id string) (R, error)
	create, update    func(ctx context.Context, row *R) error
	remove            func(ctx context.Context, id string, version int) error
	restore           func(ctx context.Context, id string) (R, error)
}

// shown turns rows into what clients see.
func (r *rows[R, W, T]) shown(list []R) []T {
	out := make([]T, len(list))
	for i := range list {
		out[i] = r.show(&list[i])
	}
	return out
}

// answer wraps a row, or turns the store's error into an answer that carries the row as it stands.
func (r *rows[R, W, T]) answer(row R, err error) (*one[T], error) {
	if err != nil {
		return nil, failed(err, r.what, func() any { return r.show(&row) })
	}
	return &one[T]{r.show(&row)}, nil
}

func (r *rows[R, W, T]) operation(method, verb, path, summary string, errors ...int) huma.Operation {
	return huma.Operation{OperationID: verb + r.title, Method: method, Path: r.path + path, Summary: summary,
		Errors: append(errors, http.StatusServiceUnavailable)}
}

// write decodes what a client sends and stores it.
func (r *rows[R, W, T]) write(ctx context.Context, raw []byte, id string, store func(context.Context, *R) error) (*one[T], error) {
	w, err := decode[W](raw)
	if err != nil {
		return nil, err
	}
	row, err := r.parse(w, id)
	if err != nil {
		return nil, err
	}
	err = store(ctx, &row)
	if err == nil && r.kept != nil {
		return &one[T]{r.kept(&row, &w)}, nil
	}
	return r.answer(row, err)
}

// register offers everything but the list.
func (r *rows[R, W, T]) register(api huma.API) {
	huma.Register(api, r.operation(http.MethodGet, "read", "/{id}", "Read a "+r.what, 404),
		func(ctx context.Context, in *idInput) (*one[T], error) { return r.answer(r.read(ctx, in.ID)) })
	create := takes[W](api, r.operation(http.MethodPost, "create", "", "Create a "+r.what, 404, 409, 413, 422))
	create.DefaultStatus = http.StatusCreated
	huma.Register(api, create,
		func(ctx context.Context, in *rawInput) (*one[T], error) {
			return r.write(ctx, in.RawBody, "", r.create)
		})
	huma.Register(api, takes[W](api, r.operation(http.MethodPut, "update", "/{id}", "Replace a "+r.what, 404, 409, 413, 422)),
		func(ctx context.Context, in *idRawInput) (*one[T], error) {
			return r.write(ctx, in.RawBody, in.ID, r.update)
		})
	huma.Register(api, r.operation(http.MethodDelete, "delete", "/{id}", "Delete a "+r.what+"; restore undoes it", 404, 409, 422),
		func(ctx context.Context, in *deleteInput) (*struct{}, error) {
			return nil, failed(r.remove(ctx, in.ID, in.Version), r.what, nil)
		})
	huma.Register(api, r.operation(http.MethodPost, "restore", "/{id}/restore", "Bring a deleted "+r.what+" back", 404),
		func(ctx context.Context, in *idInput) (*one[T], error) { return r.answer(r.restore(ctx, in.ID)) })
}
