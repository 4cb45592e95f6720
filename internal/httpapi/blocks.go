package httpapi

import (
	"context"
	"net/http"

	"dialarc/core/plan"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
)

// Block is a stored block.
type Block = Stored[plan.Block]

func (s *Server) registerBlocks(api huma.API) {
	n := named[store.Block, plan.Block, *store.Block]{what: "block", title: "Block", path: "/api/blocks", shelf: s.blocks,
		name: func(b *plan.Block) *string { return &b.Name }, check: checkBlock,
		fill: func(row *store.Block, b *plan.Block) { row.LifterID = b.LifterID }}
	registerNamed(s, api, n)
	huma.Register(api, huma.Operation{OperationID: "listBlocksOf", Method: http.MethodGet, Path: "/api/lifters/{id}/blocks",
		Summary: "List a lifter's blocks, changed most lately first", Errors: []int{503}},
		func(ctx context.Context, in *idInput) (*storedList[plan.Block], error) {
			list, err := s.Store.BlocksOf(ctx, s.Coach.ID, in.ID)
			out := &storedList[plan.Block]{}
			out.Body.Items, out.Body.Total = make([]Block, len(list)), int64(len(list))
			for i := range list {
				out.Body.Items[i] = n.show(&list[i])
			}
			return out, failed(err, n.what, nil)
		})
	calculate(api, s.turns, "planWeek", "/api/plan/week", "What a block comes to in one of its weeks",
		func(_ context.Context, in *weekQuestion) (*plan.Week, setup.Problems, error) {
			if problems := within("block", plan.Validate(&in.Block)); len(problems) > 0 {
				return nil, problems, nil
			}
			var k plan.Keeper
			out, problems := k.WeekOf(&in.Block, in.Week, in.Last)
			return out, problems, nil
		})
}

func (s *Server) blocks() store.Shelf[store.Block, *store.Block] { return s.Store.Blocks() }

// checkBlock says what is wrong with a block that is to be stored: whose it is has to be known.
func checkBlock(b *plan.Block) setup.Problems {
	return append(plan.Validate(b), idProblem("lifterId", b.LifterID, true)...)
}

type weekQuestion struct {
	Block plan.Block             `json:"block"`
	Week  int                    `json:"week" doc:"From 1." minimum:"1" maximum:"16"`
	Last  map[string][]plan.Done `json:"last,omitempty" doc:"The sets that were logged last of each entry, by its id."`
}
