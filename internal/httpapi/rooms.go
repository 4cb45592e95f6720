package httpapi

import (
	"context"
	"encoding/json"
	"net/http"
	"strings"
	"time"

	"dialarc/core/kit"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// RoomWrite is what a client sends of a room.
type RoomWrite struct {
	ID       string   `json:"id,omitempty" format:"uuid" doc:"May be chosen by the client when creating, so that a repeated request makes no second one."`
	Version  int      `json:"version,omitempty" doc:"The version that the change is based on; not needed when creating."`
	Document kit.Room `json:"document" doc:"The room; its name is the room's name."`
}

// Room is a stored room.
type Room struct {
	ID        string    `json:"id" format:"uuid"`
	Version   int       `json:"version"`
	Name      string    `json:"name"`
	Document  kit.Room  `json:"document"`
	UpdatedAt time.Time `json:"updatedAt"`
}

type roomList struct {
	Body struct {
		Items []Room `json:"items"`
		Total int64  `json:"total" doc:"How many there are in all."`
	}
}

func showRoom(r *store.Room) Room {
	out := Room{ID: r.ID, Version: r.Version, Name: r.Name, UpdatedAt: r.UpdatedAt}
	if err := json.Unmarshal(r.Document, &out.Document); err != nil {
		panic("a stored room cannot be read: " + err.Error())
	}
	return out
}

// roomRow reads a room that a client sends.
func (s *Server) roomRow(w RoomWrite, id string) (store.Room, error) {
	w.Document.Complete()
	w.Document.Name = strings.TrimSpace(w.Document.Name)
	problems := append(within("document", kit.Validate(&w.Document)), idProblem("id", w.ID, false)...)
	if len(problems) > 0 {
		return store.Room{}, refused(problems)
	}
	named, err := s.named(w.ID, id, w.Version, w.Document.Name, w.Document)
	return store.Room{Named: named}, err
}

func (s *Server) registerRooms(api huma.API) {
	r := &rows[store.Room, RoomWrite, Room]{what: "room", title: "Room", path: "/api/rooms", parse: s.roomRow, show: showRoom}
	shelve(s, r, s.Store.Rooms)
	r.register(api)
	huma.Register(api, huma.Operation{OperationID: "listRooms", Method: http.MethodGet, Path: r.path, Summary: "List rooms", Errors: []int{503}},
		func(ctx context.Context, in *PageInput) (*roomList, error) {
			list, total, err := s.Store.Rooms().List(ctx, s.Coach.ID, store.Page{Offset: in.Offset, Limit: in.Limit})
			out := &roomList{}
			out.Body.Items, out.Body.Total = r.shown(list), total
			return out, failed(err, r.what, nil)
		})
	huma.Register(api, huma.Operation{OperationID: "listReadyRooms", Method: http.MethodGet, Path: "/api/ready-rooms", Summary: "Rooms to begin with", Errors: []int{503}},
		func(context.Context, *struct{}) (*one[[]kit.Room], error) {
			return &one[[]kit.Room]{[]kit.Room{kit.Large("A large room"), kit.Corner("A corner at home"), kit.Empty("An empty room")}}, nil
		})
}
