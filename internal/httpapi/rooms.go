package httpapi

import (
	"context"
	"net/http"

	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// Room is a stored room.
type Room = Stored[kit.Room]

func (s *Server) registerRooms(api huma.API) {
	registerNamed(s, api, named[store.Room, kit.Room, *store.Room]{what: "room", title: "Room", path: "/api/rooms", shelf: s.Store.Rooms,
		name: func(r *kit.Room) *string { return &r.Name },
		check: func(r *kit.Room) setup.Problems {
			r.Complete()
			return kit.Validate(r)
		}})
	huma.Register(api, huma.Operation{OperationID: "listReadyRooms", Method: http.MethodGet, Path: "/api/ready-rooms",
		Summary: "Rooms to begin with", Errors: []int{503}},
		func(context.Context, *struct{}) (*one[[]kit.Room], error) {
			return &one[[]kit.Room]{[]kit.Room{kit.Large("A large room"), kit.Corner("A corner at home"), kit.Empty("An empty room")}}, nil
		})
}
