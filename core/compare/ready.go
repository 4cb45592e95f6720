package compare

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"dialarc/core/edits"
	"dialarc/core/kit"
	"dialarc/core/metric"
	"dialarc/core/setup"
)

// RankedReady is a ready setup and how well it serves.
type RankedReady struct {
	Ready edits.Here `json:"ready"`
	Ranked
}

// RankReady orders the ready setups for a lifter, as they can be done in a room, by how they load a region; see Rank. The room may be
// nil for any place. Setups for which the room lacks something come last.
func RankReady(ctx context.Context, l *setup.Lifter, r *kit.Room, id, region, how string, progress func(share float64)) ([]RankedReady,
	setup.Problems, error) {
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

// RankFor is RankReady as a mean over several lifters: of those setups that serve all of them, in the order of their mean scores. The
// documents are those of the first.
func RankFor(ctx context.Context, lifters []setup.Lifter, r *kit.Room, id, region, how string, progress func(share float64)) ([]RankedReady,
	setup.Problems, error) {
	if len(lifters) == 0 || len(lifters) > mostRanked {
		return nil, setup.Problems{{Path: "lifters", What: fmt.Sprintf("There are %d lifters.", len(lifters)),
			Hint: fmt.Sprintf("Give 1 to %d.", mostRanked)}}, nil
	}
	var out []RankedReady
	times := map[string]int{}
	for n := range lifters {
		part := func(share float64) {
			if progress != nil {
				progress((float64(n) + share) / float64(len(lifters)))
			}
		}
		list, problems, err := RankReady(ctx, &lifters[n], r, id, region, how, part)
		if len(problems) > 0 || err != nil {
			return nil, problems, err
		}
		for i := range list {
			key := list[i].Ready.Key
			times[key]++
			if n == 0 {
				out = append(out, list[i])
			} else if k := slices.IndexFunc(out, func(x RankedReady) bool { return x.Ready.Key == key }); k >= 0 {
				out[k].meanWith(&list[i].Ranked, float64(n))
			}
		}
	}
	out = slices.DeleteFunc(out, func(x RankedReady) bool { return times[x.Ready.Key] < len(lifters) })
	slices.SortStableFunc(out, func(a, b RankedReady) int {
		return cmp.Or(last(len(a.Ready.Missing) == 0)-last(len(b.Ready.Missing) == 0), last(len(a.Tones) == 0)-last(len(b.Tones) == 0),
			last(a.Aimed)-last(b.Aimed),
			cmp.Compare(b.Score, a.Score))
	})
	return out, nil, nil
}

// mostRanked is for how many lifters at most exercises are ranked at once.
const mostRanked = 12

// meanWith takes one more into means over so many.
func (r *Ranked) meanWith(one *Ranked, n float64) {
	mean := func(a, b float64) float64 { return (n*a + b) / (n + 1) }
	both := func(a, b metric.Metric) metric.Metric {
		if !a.Known() || !b.Known() {
			return a
		}
		return metric.Known(mean(a.OrNaN(), b.OrNaN()))
	}
	r.Score, r.Share, r.Even = mean(r.Score, one.Score), mean(r.Share, one.Share), mean(r.Even, one.Even)
	for i := range r.Thirds {
		r.Thirds[i] = mean(r.Thirds[i], one.Thirds[i])
	}
	r.Longest, r.Shortest = both(r.Longest, one.Longest), both(r.Shortest, one.Shortest)
	for _, tone := range one.Tones {
		if !slices.Contains(r.Tones, tone) {
			r.Tones = append(r.Tones, tone)
		}
	}
	r.Why = r.reason()
}

// readyDocs are the ready setups for a lifter in a room, and their documents.
func readyDocs(l *setup.Lifter, r *kit.Room, id string) ([]edits.Here, []setup.Document) {
	all := edits.ReadyIn(l, r, id)
	docs := make([]setup.Document, len(all))
	for i := range all {
		docs[i] = all[i].Document
	}
	return all, docs
}
