package catalogue

import (
	"slices"
	"strings"
)

// Missing is an exercise that coaches ask for and that is not here yet, with the names of what is near.
type Missing struct {
	Name string   `json:"name"`
	Why  string   `json:"why" doc:"What is lacking."`
	Near []string `json:"near" doc:"Names of exercises that are here."`
}

// missing lists what is asked for and cannot be described yet, with other names for it and the keys of what is near (common practice, no
// source).
var missing = []struct {
	name, also, why string
	near            []string
}{
	{"Pendulum squat", "v-squat", "a back pad on a lever cannot be described yet", []string{"squat.hack", "press.leg", "squat.belt"}},
	{"Reverse crunch", "lying leg raise", "a pelvis that moves on somebody who lies cannot be described yet",
		[]string{"raise.knee.hanging", "situp.decline"}},
	{"Ab wheel rollout", "ab wheel; ab roller; rollout", "hands that roll on the floor cannot be described yet", []string{"plank", "crunch.cable"}},
	{"Ring dip", "ring push-up; inverted row; suspension row; pike push-up", "hands in rings or straps cannot be described yet",
		[]string{"dip.leaning", "pushup", "row.machine"}},
}

// NotYet lists what a search for a text means that is not here yet: every word of the text has to be in a name, and the text has to be the
// whole name where an exercise that is here holds every word too.
func NotYet(text string) []Missing {
	wanted := strings.Fields(plain(text))
	out := []Missing{}
	if len(wanted) == 0 {
		return out
	}
	here := slices.ContainsFunc(entries(), func(e entry) bool {
		return slices.ContainsFunc(e.names, func(name string) bool { return holdsAll(name, wanted) })
	})
	for _, m := range missing {
		names := append([]string{m.name}, strings.Split(m.also, "; ")...)
		if !slices.ContainsFunc(names, func(name string) bool {
			name = plain(name)
			return holdsAll(name, wanted) && (!here || len(strings.Fields(name)) == len(wanted))
		}) {
			continue
		}
		one := Missing{Name: m.name, Why: m.why}
		for _, key := range m.near {
			one.Near = append(one.Near, words()[key].Name)
		}
		out = append(out, one)
	}
	return out
}

func holdsAll(name string, list []string) bool {
	for _, w := range list {
		if !strings.Contains(name, w) {
			return false
		}
	}
	return true
}
