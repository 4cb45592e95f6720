package catalogue

import (
	_ "embed"
	"encoding/json"
	"slices"
	"sync"

	"dialarc/core/load"
	"dialarc/core/setup"
)

//go:embed exercises.json
var exercisesText []byte

// guide is what a coach calls an exercise and says about it, and the phase that it has for a lifter of middle size. Names, synonyms, cues
// and ways to end a set are common practice, no source.
type guide struct {
	Name     string   `json:"name"`
	Synonyms []string `json:"synonyms"`
	Safely   string   `json:"safely"`
	Phase    string   `json:"phase"`
	Note     string   `json:"note"`
	Cues     []string `json:"cues"`
	Mistakes []string `json:"mistakes"`
}

var words = sync.OnceValue(func() map[string]guide {
	var all map[string]guide
	if err := json.Unmarshal(exercisesText, &all); err != nil {
		panic("the words of the exercises cannot be read: " + err.Error())
	}
	return all
})

// guided gives a ready setup what is known about it.
func guided(r *Ready) {
	g := words()[r.Key]
	r.Name, r.Synonyms, r.Safely = g.Name, g.Synonyms, g.Safely
	r.Region, r.Phase, r.Note, r.Mistakes, r.Needs = r.Document.Target.Region, g.Phase, g.Note, g.Mistakes, needs(&r.Document)
	r.Document.Cues, r.Document.Safely = slices.Clone(g.Cues), g.Safely
}

// needs lists the kinds of kit that a setup takes, each once, in the order of Needs.
func needs(d *setup.Document) []string {
	has := map[string]bool{"bench": d.Bench != nil && d.Loads[0].Kind != setup.Cam}
	for i := range d.Loads {
		l := &d.Loads[i]
		kind := load.Of(l).Needs
		if l.Kind == setup.Lever && l.PivotAlong == nil {
			kind = "bar"
		}
		has[kind] = kind != ""
	}
	out := []string{}
	for _, n := range Needs {
		if has[n] {
			out = append(out, n)
		}
	}
	return out
}

// Needs lists the kinds of kit that ready setups can need.
var Needs = []string{"cable", "dumbbell", "bar", "band", "machine", "bench"}
