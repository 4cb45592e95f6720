package measure

import (
	"cmp"
	"slices"

	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Worth is what it would be worth to measure one thing.
type Worth struct {
	What    string  `json:"what" doc:"As in the sources of an effort." enum:"strength,body,place,angles,pulley,cable,band"`
	Key     string  `json:"key" doc:"The joint action, or the thing in the gym."`
	Gym     string  `json:"gym,omitempty" doc:"The id of that gym."`
	Day     string  `json:"day,omitempty" doc:"When it was measured last."`
	Setups  []int   `json:"setups" doc:"Those that it matters to, by their place in what was asked."`
	Share   float64 `json:"share" doc:"Of the variance of all the setups' efforts."`
	Percent float64 `json:"percent" doc:"By how much it makes the efforts of those setups uncertain, root of the mean square, percent."`
}

// Next says what is worth measuring for setups: what their efforts are uncertain by, the most of it first. Setups that cannot be evaluated,
// or have no effort, say nothing. Measured is seen as such: it weighs as little as it then does.
func Next(setups []setup.Document) []Worth {
	type sum struct {
		Worth
		squares float64
	}
	var list []*sum
	all := 0.0
	for i := range setups {
		found, problems := evaluate.SourcesOf(&setups[i])
		if len(problems) > 0 {
			continue
		}
		for _, s := range found.Sources {
			k := slices.IndexFunc(list, func(w *sum) bool { return w.What == s.What && w.Key == s.Key && w.Gym == s.Gym })
			if k < 0 {
				k, list = len(list), append(list, &sum{Worth: Worth{What: s.What, Key: s.Key, Gym: s.Gym}})
			}
			w, percent := list[k], s.Percent.Or(0)
			w.Day = max(w.Day, s.Day)
			w.Setups = append(w.Setups, i)
			w.squares, all = w.squares+percent*percent, all+percent*percent
		}
	}
	out := make([]Worth, len(list))
	for i, w := range list {
		w.Share, w.Percent = report.Rounded(w.squares/all), rootMean(w.squares, len(w.Setups))
		out[i] = w.Worth
	}
	slices.SortStableFunc(out, func(a, b Worth) int {
		return cmp.Or(cmp.Compare(b.Share, a.Share), cmp.Compare(a.What+a.Key+a.Gym, b.What+b.Key+b.Gym))
	})
	return out
}
