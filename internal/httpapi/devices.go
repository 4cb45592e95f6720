package httpapi

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
)

// Device is a measuring device that the page may connect to.
type Device struct {
	Name string `json:"name"`
	URL  string `json:"url" doc:"Of its WebSocket, which speaks dialarc.device/1." example:"ws://127.0.0.1:4390"`
}

func (s *Server) registerDevices(api huma.API) {
	huma.Register(api, huma.Operation{OperationID: "listDevices", Method: http.MethodGet, Path: "/api/devices",
		Summary: "The measuring devices that this program was started with"},
		func(context.Context, *struct{}) (*one[[]Device], error) {
			return &one[[]Device]{append([]Device{}, s.Devices...)}, nil
		})
}
