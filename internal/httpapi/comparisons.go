package httpapi

import (
	"context"
	"encoding/json"
	"net/http"
	"strings"
	"time"

	"dialarc/core/compare"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// ComparisonWrite is what a client sends of a comparison.
type ComparisonWrite struct {
	ID       string       `json:"id,omitempty" format:"uuid" doc:"May be chosen by the client when creating, so that a repeated request makes no second one."`
	Version  int          `json:"version,omitempty" doc:"The version that the change is based on; not needed when creating."`
	Document compare.Kept `json:"document" doc:"The comparison; its name is the comparison's name."`
}

// Comparison is a stored comparison.
type Comparison struct {
	ID        string       `json:"id" format:"uuid"`
	Version   int          `json:"version"`
	Name      string       `json:"name"`
	Document  compare.Kept `json:"document"`
	UpdatedAt time.Time    `json:"updatedAt"`
}

type comparisonList struct {
	Body struct {
		Items []Comparison `json:"items"`
		Total int64        `json:"total" doc:"How many there are in all."`
	}
}

func showComparison(r *store.Comparison) Comparison {
	out := Comparison{ID: r.ID, Version: r.Version, Name: r.Name, UpdatedAt: r.UpdatedAt}
	if err := json.Unmarshal(r.Document, &out.Document); err != nil {
		panic("a stored comparison cannot be read: " + err.Error())
	}
	return out
}

// comparisonRow reads a comparison that a client sends.
func (s *Server) comparisonRow(w ComparisonWrite, id string) (store.Comparison, error) {
	w.Document.Name = strings.TrimSpace(w.Document.Name)
	problems := append(within("document", compare.Validate(&w.Document)), idProblem("id", w.ID, false)...)
	if len(problems) > 0 {
		return store.Comparison{}, refused(problems)
	}
	named, err := s.named(w.ID, id, w.Version, w.Document.Name, w.Document)
	return store.Comparison{Named: named}, err
}

func (s *Server) registerComparisons(api huma.API) {
	r := &rows[store.Comparison, ComparisonWrite, Comparison]{what: "comparison", title: "Comparison", path: "/api/comparisons", parse: s.comparisonRow, show: showComparison}
	shelve(s, r, s.Store.Comparisons)
	r.register(api)
	huma.Register(api, huma.Operation{OperationID: "listComparisons", Method: http.MethodGet, Path: r.path, Summary: "List comparisons", Errors: []int{503}},
		func(ctx context.Context, in *PageInput) (*comparisonList, error) {
			list, total, err := s.Store.Comparisons().List(ctx, s.Coach.ID, store.Page{Offset: in.Offset, Limit: in.Limit})
			out := &comparisonList{}
			out.Body.Items, out.Body.Total = r.shown(list), total
			return out, failed(err, r.what, nil)
		})
	calculate(api, "compareSetups", "/api/compare", "Put setups side by side", func(_ context.Context, in *sideBySide) (*compare.Comparison, setup.Problems, error) {
		out, problems := compare.Of(in.Setups)
		return out, problems, nil
	})
	calculate(api, "equaliseLoads", "/api/compare/equal", "Make the loads of setups such that each asks as much as the first", func(_ context.Context, in *equalLoads) (*equalAnswer, setup.Problems, error) {
		out, problems := compare.Equalise(in.Setups, in.By, in.AtDeg)
		return &equalAnswer{out}, problems, nil
	})
	calculate(api, "rankReady", "/api/rank", "Order the ready setups by how they load a region", func(ctx context.Context, in *rankQuestion) (*rankAnswer, setup.Problems, error) {
		problems := setup.ValidateLifter("lifter", &in.Lifter)
		if in.Room != nil {
			in.Room.Complete()
			problems = append(problems, within("room", kit.Validate(in.Room))...)
		}
		if len(problems) > 0 {
			return nil, problems, nil
		}
		out, problems, err := compare.RankReady(ctx, &in.Lifter, in.Room, in.RoomID, in.Region, in.How, nil)
		return &rankAnswer{out}, problems, err
	})
}

type sideBySide struct {
	Setups []setup.Document `json:"setups" doc:"Two to six setups."`
}

type equalLoads struct {
	Setups []setup.Document `json:"setups" doc:"The first is the one that the others are made equal to."`
	By     string           `json:"by" enum:"peak,mean,angle" doc:"The largest torque, the mean over the range, or the torque at an angle."`
	AtDeg  float64          `json:"atDeg,omitempty" doc:"angle: where, degrees of the named coordinate."`
}

type equalAnswer struct {
	Setups []compare.Equalised `json:"setups"`
}

type rankQuestion struct {
	Lifter setup.Lifter `json:"lifter"`
	Room   *kit.Room    `json:"room,omitempty" doc:"What is at hand; anything unless given."`
	RoomID string       `json:"roomId,omitempty" doc:"What the setups shall name as their room."`
	Region string       `json:"region" doc:"Key of the muscle region."`
	How    string       `json:"how" enum:"long,short,even" doc:"While it is long, while it is short, or evenly."`
}

type rankAnswer struct {
	Ranked []compare.RankedReady `json:"ranked" doc:"The best first; those for which the room lacks something last."`
}

// within puts a path before those of problems.
func within(path string, problems setup.Problems) setup.Problems {
	for i := range problems {
		problems[i].Path = path + "." + problems[i].Path
	}
	return problems
}
