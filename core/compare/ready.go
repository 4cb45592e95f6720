package compare

import (
	"context"
	"slices"

	"dialarc/core/kit"
	"dialarc/core/rig"
	"dialarc/core/setup"
)

// RankedReady is a ready setup and how well it serves.
type RankedReady struct {
	Ready rig.Here `json:"ready"`
	Ranked
}

// RankReady orders the ready setups for a lifter, as they can be done in a room, by how they load a region; see Rank. The room may be
// nil for any place. Setups for which the room lacks something come last.
func RankReady(ctx context.Context, l *setup.Lifter, r *kit.Room, id, region, how string, progress func(share float64)) ([]RankedReady, setup.Problems, error) {
	all, docs := readyDocs(l, r, id)
	list, problems, err := Rank(ctx, docs, region, how, progress)
	if len(problems) > 0 || err != nil {
		return nil, problems, err
	}
	out := make([]RankedReady, len(list))
	for i, one := range list {
		out[i] = RankedReady{Ready: all[one.Index], Ranked: one}
	}
	slices.SortStableFunc(out, func(a, b RankedReady) int {
		return last(len(a.Ready.Missing) == 0) - last(len(b.Ready.Missing) == 0)
	})
	return out, nil, nil
}

// readyDocs are the ready setups for a lifter in a room, and their documents.
func readyDocs(l *setup.Lifter, r *kit.Room, id string) ([]rig.Here, []setup.Document) {
	all := rig.ReadyIn(l, r, id)
	docs := make([]setup.Document, len(all))
	for i := range all {
		docs[i] = all[i].Document
	}
	return all, docs
}
