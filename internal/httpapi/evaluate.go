package httpapi

import (
	"context"
	"net/http"

	"dialarc/core"
	"dialarc/core/setup"

	"github.com/danielgtaylor/huma/v2"
)

type rawInput struct{ RawBody []byte }

type reportOutput struct{ Body *core.Report }

type tempoOutput struct{ Body *core.Tempo }

func (s *Server) registerEvaluate(api huma.API) {
	op := takes[setup.Document](api, huma.Operation{OperationID: "evaluate", Method: http.MethodPost, Path: "/api/evaluate",
		Summary: "Evaluate a setup document", Description: "The same numbers as in the page and from the command line.",
		Errors: []int{413, 422}})
	huma.Register(api, op, func(_ context.Context, in *rawInput) (*reportOutput, error) {
		report, problems := core.EvaluateJSON(in.RawBody)
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		return &reportOutput{report}, nil
	})
	op = takes[setup.Document](api, huma.Operation{OperationID: "evaluateTempo", Method: http.MethodPost, Path: "/api/evaluate/tempo",
		Summary: "Evaluate a setup document in motion, at its tempo", Errors: []int{413, 422}})
	huma.Register(api, op, func(_ context.Context, in *rawInput) (*tempoOutput, error) {
		d, problems := setup.Parse(in.RawBody)
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		t, problems := core.EvaluateTempo(&d)
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		return &tempoOutput{t}, nil
	})
}

type health struct {
	Body struct {
		Coach string `json:"coach" doc:"Name of the coach."`
	}
}

func (s *Server) registerHealth(api huma.API) {
	op := huma.Operation{OperationID: "health", Method: http.MethodGet, Path: "/api/health", Summary: "Whether server and database answer", Errors: []int{503}}
	huma.Register(api, op, func(ctx context.Context, _ *struct{}) (*health, error) {
		if err := s.Store.Ping(ctx); err != nil {
			return nil, failed(err, "database", nil)
		}
		var out health
		out.Body.Coach = s.Coach.Name
		return &out, nil
	})
}
