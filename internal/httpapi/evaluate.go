package httpapi

import (
	"context"
	"net/http"

	"dialarc/core/catalogue"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"

	"github.com/danielgtaylor/huma/v2"
)

type rawInput struct{ RawBody []byte }

func (s *Server) registerEvaluate(api huma.API) {
	offer(api, s.turns, "evaluate", "", "Evaluate a setup document: the same numbers as in the page and from the command line",
		without(evaluate.Document))
	offer(api, s.turns, "evaluateTempo", "/tempo", "Evaluate a setup document in motion, at its tempo", without(evaluate.Tempo))
	offer(api, s.turns, "compareSites", "/attachment-sites",
		"The first cable or band of a setup document fixed elsewhere on the arm, at equal torque", without(evaluate.CompareSites))
	offer(api, s.turns, "findSuggestions", "/suggestions", "The smallest changes that would fix what the verdicts of a setup document find",
		func(ctx context.Context, d *setup.Document) (*mends, setup.Problems) {
			found, problems := new(dialin.Sweeper).Suggestions(ctx, d)
			return &mends{found}, problems
		})
	offer(api, s.turns, "evaluateUncertainty", "/uncertainty", "How far the numbers of a setup document could be off, under the usual errors",
		func(ctx context.Context, d *setup.Document) (*report.Uncertainty, setup.Problems) {
			return evaluate.Uncertainty(ctx, d, report.UsualErrors, 1)
		})
	calculate(api, s.turns, "knownStrength", "/api/strength",
		"What is known of a lifter's strength, action by action, and what every known set says",
		func(_ context.Context, l *setup.Lifter) (*report.Known, setup.Problems, error) {
			if problems := rules.Lifter("lifter", l); len(problems) > 0 {
				return nil, problems, nil
			}
			return evaluate.KnownOf(l), nil, nil
		})
	huma.Register(api, huma.Operation{OperationID: "countedExercises", Method: http.MethodGet, Path: "/api/exercises/counted",
		Summary: "The exercises in which a set says something about strength"},
		func(context.Context, *struct{}) (*one[counted], error) {
			return &one[counted]{counted{evaluate.CountedExercises()}}, nil
		})
	huma.Register(api, huma.Operation{OperationID: "missingExercises", Method: http.MethodGet, Path: "/api/exercises/missing",
		Summary: "What a search means that is not among the exercises yet, and what is near"},
		func(_ context.Context, in *missingInput) (*one[notYet], error) {
			return &one[notYet]{notYet{catalogue.NotYet(in.Q)}}, nil
		})
	calculate(api, s.turns, "dialIn", "/api/dialin", "Look for settings of a setup document that fit better",
		func(ctx context.Context, in *searchQuestion) (*dialin.Search, setup.Problems, error) {
			if problems := within("setup", rules.Validate(&in.Setup)); len(problems) > 0 {
				return nil, problems, nil
			}
			return dialin.Run(ctx, &in.Setup, in.Goal, nil)
		})
	calculate(api, s.turns, "mapTwo", "/api/map", "How well every pair of values of two settings of a setup document would fit",
		func(ctx context.Context, in *mapQuestion) (*dialin.Grid, setup.Problems, error) {
			if problems := within("setup", rules.Validate(&in.Setup)); len(problems) > 0 {
				return nil, problems, nil
			}
			return dialin.Map(ctx, &in.Setup, in.A, in.B, nil)
		})
}

type searchQuestion struct {
	Setup setup.Document `json:"setup"`
	Goal  dialin.Goal    `json:"goal"`
}

type mapQuestion struct {
	Setup setup.Document `json:"setup"`
	A     string         `json:"a" doc:"Key of the setting across."`
	B     string         `json:"b" doc:"Key of the setting upward."`
}

type counted struct {
	Items []report.CountedExercise `json:"items"`
}

type missingInput struct {
	Q string `query:"q" maxLength:"200" doc:"What is looked for."`
}

type notYet struct {
	Items []catalogue.Missing `json:"items"`
}

type mends struct {
	Suggestions []dialin.Suggestion `json:"suggestions"`
}

// without is an evaluation that is too short to be ended.
func without[T any](evaluate func(*setup.Document) (*T, setup.Problems)) func(context.Context, *setup.Document) (*T, setup.Problems) {
	return func(_ context.Context, d *setup.Document) (*T, setup.Problems) { return evaluate(d) }
}

// offer registers an evaluation of a document.
func offer[T any](api huma.API, turn *turns, id, path, summary string, evaluate func(context.Context, *setup.Document) (*T,
	setup.Problems)) {
	op := takes[setup.Document](api, huma.Operation{OperationID: id, Method: http.MethodPost, Path: "/api/evaluate" + path, Summary: summary,
		Errors: []int{413, 422}})
	huma.Register(api, op, func(ctx context.Context, in *rawInput) (*one[T], error) {
		d, problems := rules.Parse(in.RawBody)
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		done, err := turn.take(ctx)
		if err != nil {
			return nil, err
		}
		defer done()
		out, problems := evaluate(ctx, &d)
		if ctx.Err() != nil {
			return nil, tooLong()
		}
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		return &one[T]{*out}, nil
	})
}

// tooLong answers a calculation that was not done in time, or that nobody waits for any more.
func tooLong() error {
	return newFailure(http.StatusServiceUnavailable, "The calculation took too long and was ended. Ask for less at once.")
}

// calculate registers a calculation on what is sent.
func calculate[Q, A any](api huma.API, turn *turns, id, path, summary string, answer func(context.Context, *Q) (*A, setup.Problems,
	error)) {
	op := takes[Q](api, huma.Operation{OperationID: id, Method: http.MethodPost, Path: path, Summary: summary, Errors: []int{413, 422}})
	huma.Register(api, op, func(ctx context.Context, in *rawInput) (*one[A], error) {
		q, err := decode[Q](in.RawBody)
		if err != nil {
			return nil, err
		}
		done, err := turn.take(ctx)
		if err != nil {
			return nil, err
		}
		defer done()
		out, problems, err := answer(ctx, &q)
		if ctx.Err() != nil {
			return nil, tooLong()
		}
		if len(problems) > 0 {
			return nil, refused(problems)
		}
		if err != nil {
			return nil, err
		}
		return &one[A]{*out}, nil
	})
}

type health struct {
	Body struct {
		Coach string `json:"coach" doc:"Name of the coach."`
	}
}

func (s *Server) registerHealth(api huma.API) {
	op := huma.Operation{OperationID: "health", Method: http.MethodGet, Path: "/api/health", Summary: "Whether server and database answer",
		Errors: []int{503}}
	huma.Register(api, op, func(ctx context.Context, _ *struct{}) (*health, error) {
		if err := s.Store.Ping(ctx); err != nil {
			return nil, failed(err, "database", nil)
		}
		var out health
		out.Body.Coach = s.Coach.Name
		return &out, nil
	})
}
