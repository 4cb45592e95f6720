package compare

import (
	"cmp"
	"context"
	"math"
	"slices"

	"dialarc/core"
	"dialarc/core/parallel"
	"dialarc/core/setup"
)

// Ranked is how well one setup serves to load a region in some way.
type Ranked struct {
	Index    int         `json:"index" doc:"Its place in the list that was ranked."`
	Aimed    bool        `json:"aimed" doc:"Whether it is meant for the region; others may load it beside theirs."`
	Score    float64     `json:"score" doc:"How well it serves, 0 to 1."`
	Share    float64     `json:"share" doc:"Part of the torque over the range that the region gives, 0 to 1."`
	Thirds   [3]float64  `json:"thirds" doc:"The same by where the region is long, at middle length and short, over all lengths that any of the setups takes it through."`
	Longest  core.Metric `json:"longest" doc:"The region's largest length, over its best."`
	Shortest core.Metric `json:"shortest" doc:"Its smallest length, over its best."`
	Even     float64     `json:"even" doc:"How evenly the region works over the range, 1 when its activation is the same all the way."`
	Tones    []string    `json:"tones" doc:"Verdicts of it that stop: brace, start, clear or profile."`
}

// Hows lists the ways to load a region: while it is long, while it is short, evenly.
var Hows = []string{"long", "short", "even"}

// Rank orders setups by how they load a region: long by the part of the whole torque that the region gives, each piece of it weighed by
// how long the region is there, from 0 at the smallest to 1 at the largest length that any of them takes it to; short the other way
// round, so that both add up to the part; even by that part times how evenly it is given. What is meant for the region comes before
// what loads it beside another, and setups whose verdicts stop after all others; setups that do not work the region are left out. It works on all
// processors and ends early with the context's error.
func Rank(ctx context.Context, docs []setup.Document, region, how string, progress func(share float64)) ([]Ranked, setup.Problems, error) {
	v := &setup.Checks{}
	v.OneOf("how", "way to load it", how, Hows...)
	if !slices.ContainsFunc(setup.Regions, func(r setup.Region) bool { return r.Key == region }) {
		v.Add("region", "There is no region "+region+".", "", "Give the key of one, like deltoid.middle.")
	}
	if len(v.Found) > 0 {
		return nil, v.Found, nil
	}
	reports, err := evaluated(ctx, docs, progress)
	if err != nil {
		return nil, nil, err
	}
	w := none
	for _, r := range reports {
		if p := serves(r, region); p != nil {
			w = w.with(p)
		}
	}
	out := []Ranked{}
	for i, r := range reports {
		if p := serves(r, region); p != nil {
			one := ranked(i, r, p, w, how)
			one.Aimed = docs[i].Target.Region == region
			out = append(out, one)
		}
	}
	slices.SortStableFunc(out, func(a, b Ranked) int {
		return cmp.Or(last(len(a.Tones) == 0)-last(len(b.Tones) == 0), last(a.Aimed)-last(b.Aimed), cmp.Compare(b.Score, a.Score))
	})
	return out, nil, nil
}

// evaluated are the reports of setups, made on all processors; nil for those that cannot be evaluated.
func evaluated(ctx context.Context, docs []setup.Document, progress func(share float64)) ([]*core.Report, error) {
	reports := make([]*core.Report, len(docs))
	err := parallel.Each(ctx, len(docs), func(_, i int) { reports[i], _ = core.Evaluate(&docs[i]) }, func(count int) {
		if progress != nil {
			progress(float64(count) / float64(len(docs)))
		}
	})
	return reports, err
}

// last orders what is so before what is not.
func last(first bool) int {
	if first {
		return 0
	}
	return 1
}

// little is the part of the torque from which a setup works a region (own).
const little = 0.1

// serves is a region's part in a report, nil where it does next to nothing.
func serves(report *core.Report, region string) *core.RegionPart {
	if report == nil || report.Hold {
		return nil
	}
	r := regionOf(report, region)
	if r == nil || math.IsNaN(r.Length[0]) {
		return nil
	}
	if share := integralShare(report, r, func(int) bool { return true }); share.Value == nil || *share.Value < little {
		return nil
	}
	return r
}

func ranked(i int, report *core.Report, r *core.RegionPart, w window, how string) Ranked {
	out := Ranked{Index: i, Longest: number(slices.Max(r.Length)), Shortest: number(slices.Min(r.Length)), Tones: []string{}, Even: evenness(report, r)}
	longs := 0.0
	for piece := 1; piece < len(r.Length); piece++ {
		share := integralShare(report, r, func(i int) bool { return i == piece })
		if share.Value == nil {
			continue
		}
		length := (r.Length[piece] + r.Length[piece-1]) / 2
		out.Share += *share.Value
		out.Thirds[w.third(length)] += *share.Value
		longs += *share.Value * w.place(length)
	}
	switch how {
	case "long":
		out.Score = longs
	case "short":
		out.Score = out.Share - longs
	default:
		out.Score = out.Share * out.Even
	}
	for _, v := range report.Verdicts {
		if v.Tone == "stop" && !slices.Contains(out.Tones, v.Key) {
			out.Tones = append(out.Tones, v.Key)
		}
	}
	return out
}

// evenness is 1 less the root of the mean squared difference of a region's activation from its mean, over the mean; 0 at least.
func evenness(report *core.Report, r *core.RegionPart) float64 {
	mean, n := 0.0, float64(len(r.Activation))
	for _, a := range r.Activation {
		mean += a / n
	}
	if !(mean > 0) {
		return 0
	}
	off := 0.0
	for _, a := range r.Activation {
		off += (a/mean - 1) * (a/mean - 1) / n
	}
	return max(0, 1-math.Sqrt(off))
}
