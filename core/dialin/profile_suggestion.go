package dialin

import (
	"math"

	"dialarc/core/dial"
	"dialarc/core/evaluate"
	"dialarc/core/setup"
)

// Suggestion is the smallest change that would mend what a verdict speaks of: one setting turned, or, where it takes more, a whole
// document.
type Suggestion struct {
	Verdict  string          `json:"verdict" doc:"Key of the verdict." enum:"lineUp,profile,brace,start,clear,joints"`
	Label    string          `json:"label" doc:"Of the setting, or what to do in words."`
	Key      string          `json:"key,omitempty" doc:"The setting; empty when the document changes in other ways."`
	Kind     string          `json:"kind,omitempty" doc:"The setting's kind of unit."`
	From     float64         `json:"from" doc:"The setting's present value."`
	To       float64         `json:"to" doc:"The value to turn it to."`
	Score    *float64        `json:"score,omitempty" doc:"profile: the score that gives, 0 to 100."`
	Document *setup.Document `json:"document,omitempty" doc:"The setup with the change, where that is not one setting."`
}

const (
	worthwhile = 3.0 // points of score below which a mend is not worth a walk to the column (own)
	mostOf     = 0.7 // share of the best possible gain that a smaller change has to reach to be preferred (own)
)

// mendable are the settings that a mend may turn: what a coach can change within a set. The columns stand where they
// stand, and the range and the load are the coach's to choose.
var mendable = map[dial.Name]bool{dial.PulleyHeight: true, dial.BandHeight: true, dial.StanceOut: true, dial.PathPlane: true}

func mends(s *dial.Setting) bool { return mendable[s.Name()] && !s.Lock }

// profileMend finds the fewest steps of one setting that reach most of what any single setting could gain.
func profileMend(p *Painting, settings []dial.Setting, first map[dial.Name]bool) *Suggestion {
	now := p.Score.Or(math.Inf(-1))
	best := now
	for i, s := range p.Sweeps {
		if mends(&settings[i]) && s.Best >= 0 {
			best = max(best, s.Scores[s.Best])
		}
	}
	if math.IsInf(best, -1) || best-now < worthwhile {
		return nil
	}
	enough := best - worthwhile // from no score at all, anything near the best will do
	if !math.IsInf(now, -1) {
		enough = now + mostOf*(best-now)
	}
	return fewestSteps(p, settings, enough, first)
}

// Shares of the peak below which an end of the range is empty (own).
const emptyEnd = 0.6

// firstFor are the settings that a coach would turn first: where the end is empty the distance, where the start is, the height.
func firstFor(r *evaluate.Rating) map[dial.Name]bool {
	switch {
	case r.EndShare.Or(1) < emptyEnd && r.EndShare.Or(1) <= r.StartShare.Or(1):
		return map[dial.Name]bool{dial.StanceOut: true}
	case r.StartShare.Or(1) < emptyEnd:
		return map[dial.Name]bool{dial.PulleyHeight: true, dial.BandHeight: true}
	}
	return nil
}

func fewestSteps(p *Painting, settings []dial.Setting, enough float64, first map[dial.Name]bool) *Suggestion {
	var found *Suggestion
	fewest := math.Inf(1)
	for i, sweep := range p.Sweeps {
		s := &settings[i]
		if !mends(s) {
			continue
		}
		for k, score := range sweep.Scores {
			steps := s.Steps(sweep.Values[k])
			if first != nil && !first[s.Name()] {
				steps += laterMove
			}
			if score >= enough && steps < fewest && !sweep.Loses[k] {
				fewest = steps
				found = &Suggestion{Verdict: "profile", Key: s.Key, Label: s.Label, Kind: s.Kind, From: s.Value, To: sweep.Values[k], Score: &score}
			}
		}
	}
	return found
}
