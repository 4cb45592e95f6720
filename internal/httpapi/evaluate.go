package httpapi

import (
	"context"
	"net/http"

	"dialarc/core"
	"dialarc/core/dialin"
	"dialarc/core/setup"

	"github.com/danielgtaylor/huma/v2"
)

type rawInput struct{ RawBody []byte }

func (s *Server) registerEvaluate(api huma.API) {
	offer(api, "evaluate", "", "Evaluate a setup document: the same numbers as in the page and from the command line", core.Evaluate)
	offer(api, "evaluateTempo", "/tempo", "Evaluate a setup document in motion, at its tempo", core.EvaluateTempo)
	offer(api, "comparePlaces", "/places", "The first cable or band of a setup document fixed elsewhere on the arm, at equal torque", core.ComparePlaces)
	offer(api, "findMends", "/mends", "The smallest changes that would mend what the verdicts of a setup document find", func(d *setup.Document) (*mends, setup.Problems) {
		found, problems := new(dialin.Sweeper).Mends(d)
		return &mends{found}, problems
	})
	offer(api, "evaluateUncertainty", "/uncertainty", "How far the numbers of a setup document could be off, under the usual errors",
		func(d *setup.Document) (*core.Uncertainty, setup.Problems) {
			return core.EvaluateUncertainty(d, core.UsualErrors, 1)
		})
}

type mends struct {
	Mends []dialin.Mend `json:"mends"`
}

// offer registers an evaluation of a document.
func offer[T any](api huma.API, id, path, summary string, evaluate func(*setup.Document) (*T, setup.Problems)) {
	op := takes[setup.Document](api, huma.Operation{OperationID: id, Method: http.MethodPost, Path: "/api/evaluate" + path, Summary: summary, Errors: []int{413, 422}})
	huma.Register(api, op, func(_ context.Context, in *rawInput) (*one[T], error) {
		d, problems := setup.Parse(in.RawBody)
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		out, problems := evaluate(&d)
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		return &one[T]{*out}, nil
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
