package plan

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"dialarc/core/reps"
)

// Line is what a week asks of one region.
type Line struct {
	Region  string     `json:"region"`
	Label   string     `json:"label"`
	Target  bool       `json:"target" doc:"Whether something in the week is for it."`
	Sets    float64    `json:"sets" doc:"Hard sets, each counted by how hard the region works in it."`
	Thirds  [3]float64 `json:"thirds" doc:"The same while it is long, at mid length and short."`
	Finding string     `json:"finding,omitempty" doc:"What is wrong with it." enum:"little,much,gap,close"`
}

// Finding is something about a week that a coach should look at.
type Finding struct {
	Kind   string `json:"kind" enum:"little,much,gap,close,crowded"`
	Region string `json:"region,omitempty"`
	Third  int    `json:"third" doc:"gap: 0 long, 1 mid length, 2 short; else -1."`
	Day    int    `json:"day" doc:"close, crowded: place of the day; else -1."`
	Text   string `json:"text"`
}

// thirdWords are the thirds of a length in words.
var thirdWords = [3]string{"lengthened", "at mid length", "shortened"}

const (
	shownAs      = 0.05 // sets from which a number is shown
	leastOfThird = 0.05 // share of a region's sets below which a third of its length counts as untrained (own)
	hoursApart   = 48   // within which the same region should not come again (common practice, no source)
	hardAgain    = 0.5  // from which a region counts as what a setup trains, when days are held against each other (own)
	mostInDay    = 10.0 // hard sets of one region in a day (common practice, no source)
)

// SetsOf is how many hard sets a region gets from an entry that has so many sets, and how they lie over the thirds of its length. Sets that
// end with more than four in reserve are not hard.
func SetsOf(e *Entry, d *Digest, sets int, more float64, region string) (float64, [3]float64) {
	_, rir := e.Middle()
	list := d.Work
	if e.Method == "partials" {
		list = d.LongHalf
	}
	i := slices.IndexFunc(list, func(w Worked) bool { return w.Region == region })
	if i < 0 || rir+more > reps.Hard+moreInDeload {
		return 0, [3]float64{}
	}
	w := &list[i]
	hard := float64(sets) * w.Hard
	out := [3]float64{}
	for k, share := range w.Thirds {
		out[k] = hard * share
	}
	return hard, out
}

// LedgerOf is what a week of a block asks of every region, from the digests of its entries by their ids, the most first, and what a coach
// should look at.
func LedgerOf(b *Block, digests map[string]*Digest, week int) ([]Line, []Finding) {
	lines := map[string]*Line{}
	perDay := make([]map[string]float64, len(b.Days)) // hard sets by region
	trained := make([]map[string]bool, len(b.Days))
	for k := range b.Days {
		perDay[k], trained[k] = map[string]float64{}, map[string]bool{}
		for i := range b.Days[k].Entries {
			e := &b.Days[k].Entries[i]
			d := digests[e.ID]
			if d == nil {
				continue
			}
			for j := range d.Work {
				w := &d.Work[j]
				sets, thirds := SetsOf(e, d, b.SetsIn(e, week), b.More(week), w.Region)
				if sets == 0 {
					continue
				}
				l := lines[w.Region]
				if l == nil {
					l = &Line{Region: w.Region, Label: w.Label}
					lines[w.Region] = l
				}
				l.Sets += sets
				l.Target = l.Target || w.Region == d.Target || strings.HasPrefix(w.Region, d.Target+".")
				for third := range thirds {
					l.Thirds[third] += thirds[third]
				}
				perDay[k][w.Region] += sets
				trained[k][w.Region] = trained[k][w.Region] || w.Hard >= hardAgain
			}
		}
	}
	out := make([]Line, 0, len(lines))
	for _, l := range lines {
		out = append(out, *l)
	}
	slices.SortFunc(out, func(a, b Line) int {
		return cmp.Or(-compareBool(a.Target, b.Target), cmp.Compare(b.Sets, a.Sets), cmp.Compare(a.Region, b.Region))
	})
	findings := b.found(out, perDay, trained, week)
	return out, findings
}

func compareBool(a, b bool) int {
	switch {
	case a == b:
		return 0
	case a:
		return 1
	}
	return -1
}

// found judges the lines of a week, marks them, and says what is wrong: gaps and too little first.
func (b *Block) found(lines []Line, perDay []map[string]float64, trained []map[string]bool, week int) []Finding {
	findings := []Finding{}
	for i := range lines {
		l := &lines[i]
		list := append(b.amounts(l, week), b.days(l, perDay, trained)...)
		if len(list) > 0 {
			l.Finding = list[0].Kind
		}
		findings = append(findings, list...)
	}
	return findings
}

// amounts says what a region gets too little or too much of.
func (b *Block) amounts(l *Line, week int) []Finding {
	var out []Finding
	say := func(kind, text string, third int) {
		out = append(out, Finding{Kind: kind, Region: l.Region, Third: third, Day: -1, Text: text})
	}
	low, high := b.Bounds()
	for k, sets := range l.Thirds {
		if l.Target && k != 1 && l.Sets > 0 && sets < leastOfThird*l.Sets {
			much := "none"
			if sets >= shownAs {
				much = fmt.Sprintf("only %.1f", sets)
			}
			say("gap", l.Label+", "+thirdWords[k]+": "+much+".", k)
		}
	}
	if l.Target && l.Sets < low && week != b.Deload {
		say("little", fmt.Sprintf("%s: %.1f hard sets, your minimum is %g.", l.Label, l.Sets, low), -1)
	}
	if l.Sets > high {
		say("much", fmt.Sprintf("%s: %.1f hard sets, your maximum is %g.", l.Label, l.Sets, high), -1)
	}
	return out
}

// days says on which days a region is crowded, or comes again too soon.
func (b *Block) days(l *Line, perDay []map[string]float64, trained []map[string]bool) []Finding {
	var out []Finding
	for k := range b.Days {
		if n := perDay[k][l.Region]; n > mostInDay {
			out = append(out, Finding{Kind: "crowded", Region: l.Region, Third: -1, Day: k,
				Text: fmt.Sprintf("%s: %.1f hard sets in %s.", l.Label, n, b.Days[k].Name)})
		}
		next, hours := b.next(k)
		if l.Target && next >= 0 && hours < hoursApart && trained[k][l.Region] && trained[next][l.Region] {
			out = append(out, Finding{Kind: "close", Region: l.Region, Third: -1, Day: next,
				Text: fmt.Sprintf("%s again after %d h: %s, then %s.", l.Label, hours, b.Days[k].Name, b.Days[next].Name)})
		}
	}
	return out
}

// next is the day of the week that follows a day by the calendar and the hours to it, over the end of the week too; -1 where days have no
// weekday, or there is only one.
func (b *Block) next(k int) (day, hours int) {
	at := b.Days[k].Weekday
	if at == 0 {
		return -1, 0
	}
	day = -1
	for i := range b.Days {
		if to := b.Days[i].Weekday; to != 0 && i != k {
			if h := 24 * ((to - at + 7) % 7); h > 0 && (day < 0 || h < hours) {
				day, hours = i, h
			}
		}
	}
	return day, hours
}

// More is how many more repetitions are left in reserve in a week, from 1.
func (b *Block) More(week int) float64 {
	if week == b.Deload && week > 0 {
		return moreInDeload
	}
	return 0
}
