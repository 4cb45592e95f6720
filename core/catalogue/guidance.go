package catalogue

import (
	_ "embed"
	"encoding/json"
	"slices"
	"sync"

	"dialarc/core/setup"
)

//go:embed guidance.json
var guidanceText []byte

// guide is what a coach says about a ready setup, and the phase that it has for a lifter of middle size.
type guide struct {
	Phase    string   `json:"phase"`
	Note     string   `json:"note"`
	Cues     []string `json:"cues"`
	Mistakes []string `json:"mistakes"`
}

var guidance = sync.OnceValue(func() map[string]guide {
	var all map[string]guide
	if err := json.Unmarshal(guidanceText, &all); err != nil {
		panic("the guidance of the ready setups cannot be read: " + err.Error())
	}
	return all
})

// guided gives a ready setup what is known about it.
func guided(r *Ready) {
	g := guidance()[r.Key]
	r.Region, r.Phase, r.Note, r.Mistakes, r.Needs = r.Document.Target.Region, g.Phase, g.Note, g.Mistakes, needs(&r.Document)
	r.Document.Cues = slices.Clone(g.Cues)
}

// kinds are what loads of a kind need.
var kinds = map[string]string{"cable": "cable", "strands": "cable", "band": "band", "dumbbell": "dumbbell", "bar": "bar", "cam": "machine", "lever": "machine"}

// needs lists the kinds of kit that a setup takes, each once, in the order of Needs.
func needs(d *setup.Document) []string {
	has := map[string]bool{"bench": d.Bench != nil && d.Loads[0].Kind != "cam"}
	for i := range d.Loads {
		l := &d.Loads[i]
		kind := kinds[l.Kind]
		if l.Kind == "lever" && l.PivotAlong == nil {
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
