package compare

import (
	"cmp"
	"context"
	"math"
	"slices"

	"dialarc/core/evaluate"
	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/parallel"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Ranked is how well one setup serves to load a region in some way.
type Ranked struct {
	Index    int           `json:"index" doc:"Its place in the list that was ranked."`
	Aimed    bool          `json:"aimed" doc:"Whether it is meant for the region; others may load it beside theirs."`
	Score    float64       `json:"score" doc:"How well it serves, 0 to 1."`
	Share    float64       `json:"share" doc:"Part of what the helping muscles give over the range that the region gives, 0 to 1."`
	Thirds   [3]float64    `json:"thirds" doc:"The same by where the region is long, at middle length and short, over all lengths that any of the setups takes it through."`
	Longest  metric.Metric `json:"longest" doc:"The region's largest length, over its best."`
	Shortest metric.Metric `json:"shortest" doc:"Its smallest length, over its best."`
	Even     float64       `json:"even" doc:"How evenly the region works over the range, 1 when its activation is the same all the way."`
	Why      string        `json:"why" doc:"Why it stands where it does, a sentence."`
	Tones    []string      `json:"tones" doc:"Verdicts of it that stop: brace, start, clear or profile."`
}

// Hows lists the ways to load a region: while it is long, while it is short, evenly.
var Hows = []string{"long", "short", "even"}

// Rank orders setups by how they load a region: long by the part of what the helping muscles give that the region gives, each piece of it
// weighed by the square of how long the region is there, from 0 at the smallest to 1 at the largest length that any of them takes it to, so
// that what is given at the long end outranks more of it at mid length; short the other way round; even by that part times how evenly it is
// given. What is meant for the region, or
// for the whole or a piece of it, comes before what loads it beside another, and setups whose verdicts stop after all others; setups
// that do not work the region are left out. Where the model does not know a region's share, or has no such muscle, what is meant for
// it comes in the order of the list. It works on all processors and ends early with the context's error.
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
	return rankReports(docs, reports, region, how), nil, nil
}

// rankReports ranks what has been evaluated.
func rankReports(docs []setup.Document, reports []*report.Report, region, how string) []Ranked {
	out := rankServing(docs, reports, region, how, little)
	if len(out) == 0 {
		out = rankServing(docs, reports, region, how, trace)
	}
	if len(out) == 0 {
		out = rankListed(docs, reports, region)
	}
	return out
}

// rankServing ranks those that work a region by at least a part of the torque.
func rankServing(docs []setup.Document, reports []*report.Report, region, how string, least float64) []Ranked {
	w, out, known := none, []Ranked{}, true
	for _, r := range reports {
		if p := servesBy(r, region, least); p != nil {
			w, known = w.with(p), p.Weak == ""
		}
	}
	for i, r := range reports {
		if p := servesBy(r, region, least); p != nil {
			one := ranked(i, r, p, w, how)
			one.Aimed = aims(docs[i].Target.Region, region)
			out = append(out, one)
		}
	}
	slices.SortStableFunc(out, func(a, b Ranked) int {
		first := cmp.Or(last(len(a.Tones) == 0)-last(len(b.Tones) == 0), last(a.Aimed)-last(b.Aimed))
		if !known { // a loose share moves nothing
			return first
		}
		return cmp.Or(first, cmp.Compare(b.Score, a.Score))
	})
	return out
}

// drawsBack is the torque, N·m, from which a muscle of the shoulder blade counts as worked: the step in which it is told (own).
const drawsBack = 5

// rankListed lists what is meant for a region of which the model knows no share, and what has it draw the shoulder back.
func rankListed(docs []setup.Document, reports []*report.Report, region string) []Ranked {
	out := []Ranked{}
	for i, r := range reports {
		if r == nil {
			continue
		}
		one := Ranked{Index: i, Aimed: aims(docs[i].Target.Region, region), Tones: stops(r),
			Why: "Meant for it; the model does not tell its part."}
		p := regionOf(r, region)
		if !one.Aimed && (p == nil || !p.TorqueOnly || !(slices.Max(p.Retracts) >= drawsBack)) {
			continue
		}
		one.Longest, one.Shortest = metric.Missing("The model has no muscle for it."), metric.Missing("The model has no muscle for it.")
		if p != nil {
			one.Longest, one.Shortest = metric.Known(slices.Max(p.Length)), metric.Known(slices.Min(p.Length))
		}
		out = append(out, one)
	}
	slices.SortStableFunc(out, func(a, b Ranked) int {
		return cmp.Or(last(len(a.Tones) == 0)-last(len(b.Tones) == 0), last(a.Aimed)-last(b.Aimed))
	})
	return out
}

// aims says whether a setup for a target is meant for a region: for it, for the muscle that it is a part of, or for a part of it.
func aims(target, region string) bool {
	return muscle.Within(target, region) || muscle.Within(region, target)
}

// evaluated are the reports of setups, made on all processors; nil for those that cannot be evaluated.
func evaluated(ctx context.Context, docs []setup.Document, progress func(share float64)) ([]*report.Report, error) {
	reports := make([]*report.Report, len(docs))
	err := parallel.Each(ctx, len(docs), func(_, i int) { reports[i], _ = evaluate.Document(&docs[i]) }, func(count int) {
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

// Parts of the torque from which a setup works a region, and from which one does that no other works better (own).
const (
	little = 0.1
	trace  = 0.03
)

// serves is a region's part in a report, nil where it does next to nothing.
func serves(report *report.Report, region string) *report.RegionPart {
	return servesBy(report, region, little)
}

func servesBy(report *report.Report, region string, least float64) *report.RegionPart {
	if report == nil || report.Hold {
		return nil
	}
	r := regionOf(report, region)
	if r == nil || math.IsNaN(r.Length[0]) {
		return nil
	}
	if share := integralShare(report, r, func(int) bool { return true }); share.Or(-1) < least {
		return nil
	}
	return r
}

func ranked(i int, report *report.Report, r *report.RegionPart, w window, how string) Ranked {
	out := Ranked{Index: i, Longest: metric.Known(slices.Max(r.Length)), Shortest: metric.Known(slices.Min(r.Length)),
		Even: evenness(report, r)}
	longs, shorts := 0.0, 0.0
	for piece := 1; piece < len(r.Length); piece++ {
		share, known := integralShare(report, r, func(i int) bool { return i == piece }).Get()
		if !known {
			continue
		}
		length := (r.Length[piece] + r.Length[piece-1]) / 2
		out.Share += share
		out.Thirds[w.third(length)] += share
		place := w.place(length)
		longs, shorts = longs+share*place*place, shorts+share*(1-place)*(1-place)
	}
	switch how {
	case "long":
		out.Score = longs
	case "short":
		out.Score = shorts
	default:
		out.Score = out.Share * out.Even
	}
	out.Tones, out.Why = stops(report), out.reason()
	return out
}

// Shares of a region's part from which one third of its lengths is where it works most, and below which it does a little (own).
const (
	mostThird = 0.5
	aLittle   = 0.25
	aLot      = 0.5
)

// reason says how much of the work the region does, and where on its length.
func (r *Ranked) reason() string {
	if !(r.Share > 0) {
		return ""
	}
	how := "Does a fair part of the work"
	switch {
	case r.Share < aLittle:
		how = "Does a small part of the work"
	case r.Share >= aLot:
		how = "Does most of the work"
	}
	for k, where := range []string{"while lengthened", "at mid length", "while shortened"} {
		if r.Thirds[k] >= mostThird*r.Share {
			return how + ", mainly " + where + "."
		}
	}
	return how + ", spread over its length."
}

// stops are the keys of a report's verdicts that stop.
func stops(report *report.Report) []string {
	out := []string{}
	for _, v := range report.Verdicts {
		if v.Tone == "error" && !slices.Contains(out, v.Key) {
			out = append(out, v.Key)
		}
	}
	return out
}

// evenness is 1 less the root of the mean squared difference of a region's activation from its mean, over the mean; 0 at least.
func evenness(report *report.Report, r *report.RegionPart) float64 {
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
