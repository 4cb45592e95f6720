package compare

import (
	"cmp"
	"context"
	"slices"

	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/setup"
)

// Partner is a ready setup that does what another one leaves out.
type Partner struct {
	Ready    edits.Here `json:"ready"`
	Coverage float64    `json:"coverage" doc:"How much of the target's lengths and of its muscle's regions is worked hard by one of the two, 0 to 1."`
	Alone    float64    `json:"alone" doc:"The same of the better of them alone."`
	Why      string     `json:"why" doc:"What each is there for; A is the one that a partner is looked for."`
}

// Partners looks among the ready setups for a lifter, as they can be done in a room, for those that complement one setup; see Set for
// the measure, whose lengths and regions here are those that any of the ready setups reaches. The room may be nil for any place. The
// best come first, those for which the room lacks something last. It works on all processors and ends early with the context's error.
func Partners(ctx context.Context, d *setup.Document, l *setup.Lifter, r *kit.Room, id string, progress func(share float64)) ([]Partner,
	setup.Problems, error) {
	own, problems := evaluate.Document(d)
	if len(problems) > 0 {
		return nil, problems, nil
	}
	ready, docs := readyDocs(l, r, id)
	reports, err := evaluated(ctx, docs, progress)
	if err != nil {
		return nil, nil, err
	}
	target := d.Target.Region
	sides, which := []side{{"A", d, own}}, []int{-1}
	for i, report := range reports {
		if serves(report, target) != nil {
			sides, which = append(sides, side{"B", &docs[i], report}), append(which, i)
		}
	}
	if serves(own, target) == nil {
		return nil, setup.Problems{{Path: "target.region", What: "The model does not know how this setup works its target over a range.",
			Hint: "Look for partners of one that moves, and works the region it is for."}}, nil
	}
	roles, others, wide := rolesOf(sides, target)
	out := []Partner{}
	for k := 1; k < len(roles); k++ {
		for _, s := range appendSet(nil, []role{roles[0], roles[k]}, others, wide) {
			out = append(out, Partner{Ready: ready[which[k]], Coverage: s.Coverage, Alone: s.Alone, Why: s.Why})
		}
	}
	slices.SortStableFunc(out, func(a, b Partner) int {
		return cmp.Or(last(len(a.Ready.Missing) == 0)-last(len(b.Ready.Missing) == 0), cmp.Compare(b.Coverage, a.Coverage))
	})
	return out, nil, nil
}
