package plan

import (
	"cmp"
	"slices"

	"dialarc/core/edits"
	"dialarc/core/setup"
)

// Filler is an exercise that fills a gap of a week.
type Filler struct {
	Key      string         `json:"key"`
	Name     string         `json:"name"`
	Document setup.Document `json:"document"`
	Adds     float64        `json:"adds" doc:"Hard sets in that third of the region's length for every three sets."`
	Minutes  float64        `json:"minutes" doc:"What three sets of ten take with two minutes of rest."`
}

// mostFillers is how many exercises are proposed for a gap.
const mostFillers = 2

// Fillers are the exercises that can be done here and add most to one third of a region's length (0 long, 1 middle, 2 short), the best
// first. How far it is, is told as a share.
func (k *Keeper) Fillers(list []edits.Here, region string, third int, progress func(share float64)) ([]Filler, setup.Problems) {
	if third < 0 || third > 2 {
		return nil, setup.Problems{{Path: "third", What: "A length has three thirds.", Hint: "Give 0, 1 or 2."}}
	}
	out := []Filler{}
	for i := range list {
		if progress != nil {
			progress(float64(i) / float64(len(list)))
		}
		h := &list[i]
		if len(h.Missing) > 0 {
			continue
		}
		d, problems := k.Of(&h.Document)
		if len(problems) > 0 {
			continue // it cannot be done by this lifter
		}
		for _, w := range d.Work {
			if w.Region == region && w.Hard >= hardAgain {
				e := Entry{Sets: 3, RepsFrom: 10, RepsTo: 10, Rest: 120}
				lifting, resting := seconds(&e, d, e.Sets)
				out = append(out, Filler{Key: h.Key, Name: h.Name, Document: h.Document, Adds: 3 * w.Hard * w.Thirds[third],
					Minutes: (lifting + resting) / 60})
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Filler) int { return cmp.Compare(b.Adds, a.Adds) })
	return out[:min(mostFillers, len(out))], nil
}
