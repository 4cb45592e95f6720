package httpapi

import (
	"context"
	"net/http"
	"time"

	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// SetupVersion is one saved state of a setup.
type SetupVersion struct {
	Version    int            `json:"version"`
	Title      string         `json:"title" doc:"What the coach calls this state; mostly empty."`
	Document   setup.Document `json:"document"`
	Unreadable string         `json:"unreadable,omitempty" doc:"Why its document cannot be read; then the document here is empty."`
	SavedAt    time.Time      `json:"savedAt"`
}

type versionList struct {
	Body struct {
		Items []SetupVersion `json:"items" doc:"The newest first."`
		Total int64          `json:"total" doc:"How many there are in all."`
	}
}

type versionListInput struct {
	PageInput
	ID string `path:"id" format:"uuid"`
}

type titleInput struct {
	ID      string `path:"id" format:"uuid"`
	Version int    `path:"version" minimum:"1" maximum:"2147483646"`
	Body    struct {
		Title string `json:"title" maxLength:"200" doc:"Empty takes it away."`
	}
}

func showVersion(v *store.SetupVersion) SetupVersion {
	out := SetupVersion{Version: v.Version, Title: v.Title, SavedAt: v.SavedAt}
	out.Unreadable = readStored("state of a setup", v.SetupID, v.Document, &out.Document)
	return out
}

func (s *Server) registerVersions(api huma.API) {
	const what = "state of a setup"
	huma.Register(api, huma.Operation{OperationID: "listSetupVersions", Method: http.MethodGet, Path: "/api/setups/{id}/versions",
		Summary: "List the saved states of a setup", Errors: []int{404, 503}},
		func(ctx context.Context, in *versionListInput) (*versionList, error) {
			rows, total, err := s.Store.SetupVersions(ctx, s.Coach.ID, in.ID, store.Page{Offset: in.Offset, Limit: in.Limit})
			out := &versionList{}
			out.Body.Items, out.Body.Total = make([]SetupVersion, len(rows)), total
			for i := range rows {
				out.Body.Items[i] = showVersion(&rows[i])
			}
			return out, failed(err, what, nil)
		})
	huma.Register(api, huma.Operation{OperationID: "nameSetupVersion", Method: http.MethodPut, Path: "/api/setups/{id}/versions/{version}",
		Summary: "Name a saved state of a setup", DefaultStatus: http.StatusNoContent, Errors: []int{404, 422, 503}},
		func(ctx context.Context, in *titleInput) (*struct{}, error) {
			return nil, failed(s.Store.NameSetupVersion(ctx, s.Coach.ID, in.ID, in.Version, in.Body.Title), what, nil)
		})
}
