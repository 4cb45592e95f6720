package httpapi

import (
	"context"

	"dialarc/core/compare"
	"dialarc/core/kit"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// Comparison is a stored comparison.
type Comparison = Stored[compare.Kept]

func (s *Server) registerComparisons(api huma.API) {
	registerNamed(s, api, named[store.Comparison, compare.Kept, *store.Comparison]{what: "comparison", title: "Comparison",
		path: "/api/comparisons", shelf: s.Store.Comparisons,
		name: func(k *compare.Kept) *string { return &k.Name }, check: compare.Validate})
	calculate(api, s.turns, "compareSetups", "/api/compare", "Put setups side by side", func(_ context.Context,
		in *sideBySide) (*compare.Comparison, setup.Problems, error) {
		out, problems := compare.Of(in.Setups)
		return out, problems, nil
	})
	calculate(api, s.turns, "equaliseLoads", "/api/compare/equal", "Make the loads of setups such that each asks as much as the first",
		func(_ context.Context, in *equalLoads) (*equalAnswer, setup.Problems, error) {
			out, problems := compare.Equalise(in.Setups, in.By, in.AtDeg)
			return &equalAnswer{out}, problems, nil
		})
	calculate(api, s.turns, "rankReady", "/api/rank", "Order the ready setups by how they load a region",
		func(ctx context.Context, in *rankQuestion) (*rankAnswer, setup.Problems, error) {
			problems := rules.Lifter("lifter", &in.Lifter)
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
	Setups []setup.Document `json:"setups" doc:"Two to 24 setups."`
}

type equalLoads struct {
	Setups []setup.Document `json:"setups" doc:"The first is the one that the others are made equal to."`
	By     string           `json:"by" enum:"peak,mean,angle,reserve" doc:"The largest torque, the mean over the range, the torque at an angle, or the repetitions in reserve."`
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
