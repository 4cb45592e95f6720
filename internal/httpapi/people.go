package httpapi

import (
	"context"
	"encoding/json"
	"net/http"

	"dialarc/core/people"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// ImportAnswer says what a file of lifters holds.
type ImportAnswer struct {
	Total   int             `json:"total" doc:"How many lifters the file holds."`
	Known   int             `json:"known" doc:"How many of them have the name of one who is there already."`
	First   []people.Person `json:"first" doc:"The first twenty."`
	Written bool            `json:"written" doc:"Whether they were stored."`
}

type importInput struct {
	Write   bool   `query:"write" doc:"Store them; else the file is only looked at."`
	RawBody []byte `contentType:"application/octet-stream"`
}

type exportInput struct {
	Format string `query:"format" enum:"json,csv" default:"json"`
}

type fileOutput struct {
	ContentType        string `header:"Content-Type"`
	ContentDisposition string `header:"Content-Disposition"`
	Body               []byte
}

const (
	mostImported = 16 << 20 // bytes
	firstShown   = 20
	perPage      = 1000
)

func (s *Server) registerPeople(api huma.API) {
	op := huma.Operation{OperationID: "importLifters", Method: http.MethodPost, Path: "/api/lifters/import",
		Summary: "Look at a file of lifters, JSON or CSV, or store all of them", Errors: []int{413, 422, 503}, MaxBodyBytes: mostImported}
	huma.Register(api, op, func(ctx context.Context, in *importInput) (*one[ImportAnswer], error) {
		list, problems := people.Read(in.RawBody)
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		answer, err := s.takeIn(ctx, list, in.Write)
		return &one[ImportAnswer]{answer}, failed(err, "lifter", nil)
	})
	huma.Register(api, huma.Operation{OperationID: "exportLifters", Method: http.MethodGet, Path: "/api/lifters/export",
		Summary: "All lifters as a file", Errors: []int{503}},
		func(ctx context.Context, in *exportInput) (*fileOutput, error) {
			list, err := s.everybody(ctx)
			if err != nil {
				return nil, failed(err, "lifter", nil)
			}
			write, kind := people.Write, "application/json"
			if in.Format == "csv" {
				write, kind = people.WriteCSV, "text/csv; charset=utf-8"
			}
			raw, err := write(list)
			return &fileOutput{ContentType: kind, ContentDisposition: `attachment; filename="lifters.` + in.Format + `"`, Body: raw}, err
		})
}

// takeIn counts what a file holds and stores it when that is wanted: all or nothing.
func (s *Server) takeIn(ctx context.Context, list []people.Person, write bool) (ImportAnswer, error) {
	answer := ImportAnswer{Total: len(list), First: list[:min(len(list), firstShown)]}
	there, err := s.Store.LifterNames(ctx, s.Coach.ID)
	if err != nil {
		return answer, err
	}
	rows := make([]store.Lifter, len(list))
	for i, p := range list {
		if there[p.Name] {
			answer.Known++
		}
		body, err := json.Marshal(p.Body)
		if err != nil {
			return answer, err
		}
		rows[i] = store.Lifter{Row: store.Row{CoachID: s.Coach.ID, Name: p.Name}, Notes: p.Notes, Body: body}
	}
	if !write {
		return answer, nil
	}
	answer.Written = true
	return answer, s.Store.CreateLifters(ctx, rows)
}

// everybody lists all lifters who are not archived.
func (s *Server) everybody(ctx context.Context) ([]people.Person, error) {
	var out []people.Person
	for offset := 0; ; offset += perPage {
		rows, _, err := s.Store.Lifters(ctx, s.Coach.ID, false, "", store.Page{Offset: offset, Limit: perPage})
		if err != nil {
			return nil, err
		}
		for i := range rows {
			l := showLifter(&rows[i])
			out = append(out, people.Person{Name: l.Name, Notes: l.Notes, Body: l.Body})
		}
		if len(rows) < perPage {
			return out, nil
		}
	}
}
