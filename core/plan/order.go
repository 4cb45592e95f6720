package plan

import (
	"fmt"
	"slices"
	"strings"
)

// Move is what changes between two exercises of a day, or before the first.
type Move struct {
	Changes int      `json:"changes" doc:"How many things have to be set or walked to."`
	What    []string `json:"what" doc:"In words."`
}

// gear is how things stand in the gym as a day goes on: what was set where.
type gear map[string]string

// setTo notes that something is now set so, and says whether it had to be.
func (g gear) setTo(what, to string) bool {
	was, known := g[what]
	g[what] = to
	return !known || was != to
}

// moveTo is what it takes to get from where the lifter is to a setup with a load.
func (g gear) moveTo(d *Digest, load float64) Move {
	m := Move{What: []string{}}
	note := func(changed bool, what string) {
		if changed {
			m.Changes++
			m.What = append(m.What, what)
		}
	}
	s := &d.Spot
	if was, known := g["at"]; known && was != s.Place {
		note(true, "walk to another place")
	}
	g["at"] = s.Place
	for i, hole := range s.Pulleys {
		note(g.setTo(fmt.Sprint(s.Place, " pulley ", i), fmt.Sprint(hole)), "move a pulley")
	}
	for i, held := range s.Held {
		note(g.setTo(fmt.Sprint(s.Place, " held ", i), held), "change what is held")
	}
	if load > 0 {
		note(g.setTo(s.Place+" load", fmt.Sprint(load)), "change the load")
	}
	if s.Bench != "" {
		note(g.setTo("bench "+s.Bench, fmt.Sprint(s.Notch)), "set the bench")
	}
	if s.Seat > 0 {
		note(g.setTo(s.Place+" seat", fmt.Sprint(s.Seat)), "set the seat")
	}
	return m
}

// step is an entry of a day as the order sees it.
type step struct {
	name  string
	d     *Digest
	load  float64
	lags  bool
	place int // in the present order
}

func movesOf(list []step) []Move {
	g := gear{}
	out := make([]Move, len(list))
	for i := range list {
		out[i] = g.moveTo(list[i].d, list[i].load)
	}
	return out
}

func changes(moves []Move) int {
	n := 0
	for _, m := range moves {
		n += m.Changes
	}
	return n
}

// What it costs when a rule of order is broken, against one change in the gym (common practice for the rules, own for the weights).
const (
	lagsLate  = 12.0 // what lags comes after what does not
	smallOnce = 4.0  // a small exercise before a big one
	tiredOnce = 5.0  // something that tires grip or low back before what needs them
)

const (
	tires = 0.8 // share of what hand or low back can be asked from which an exercise tires them (own)
	needs = 0.5 // from which one needs them fresh (own)
)

// against is what a pair costs when the first comes before the second.
func against(a, b *step) float64 {
	cost := 0.0
	if b.lags && !a.lags {
		cost += lagsLate
	}
	if a.lags == b.lags && a.d.Joints < b.d.Joints && a.d.Joints == 1 {
		cost += smallOnce
	}
	if tired(a, b) != "" {
		cost += tiredOnce
	}
	return cost
}

// tired says what an exercise leaves tired that a later and harder one needs; empty for nothing.
func tired(a, b *step) string {
	switch {
	case a.d.Grip > tires && b.d.Grip > needs && b.d.Joints > a.d.Joints:
		return "grip"
	case a.d.LowBack > tires && b.d.LowBack > needs && b.d.Joints > a.d.Joints:
		return "low back"
	}
	return ""
}

func costOf(list []step) float64 {
	cost := float64(changes(movesOf(list)))
	for i := range list {
		for k := i + 1; k < len(list); k++ {
			cost += against(&list[i], &list[k])
		}
	}
	return cost
}

// ordered is a better order of a day: from the present one, and from what lags and what is big first, single entries are moved as long as
// that helps.
func ordered(list []step) []step {
	bySize := slices.Clone(list)
	slices.SortStableFunc(bySize, func(a, b step) int {
		if c := -compareBool(a.lags, b.lags); c != 0 {
			return c
		}
		return b.d.Joints - a.d.Joints
	})
	best, least := list, costOf(list)
	for _, start := range [][]step{list, bySize} {
		now, cost := slices.Clone(start), costOf(start)
		for improved := true; improved; {
			improved = false
			for from := range now {
				for to := range now {
					next := slices.Delete(slices.Clone(now), from, from+1)
					next = slices.Insert(next, to, now[from])
					if c := costOf(next); c < cost-1e-9 {
						now, cost, improved = next, c, true
					}
				}
			}
		}
		if cost < least-1e-9 {
			best, least = now, cost
		}
	}
	return best
}

// reasons say for every entry of an order why it stands where it does.
func reasons(list []step, moves []Move) []string {
	out := make([]string, len(list))
	for i := range list {
		s := &list[i]
		var why []string
		switch {
		case s.lags && i == 0:
			why = append(why, strings.ToLower(s.d.Label)+" lags, so it comes first")
		case s.lags:
			why = append(why, strings.ToLower(s.d.Label)+" lags")
		case s.d.Joints > 1:
			why = append(why, "big")
		default:
			why = append(why, "small")
		}
		for k := i + 1; k < len(list); k++ {
			if what := tired(s, &list[k]); what != "" {
				why = append(why, "it tires the "+what+" before "+list[k].name)
				break
			}
		}
		if i > 0 && moves[i].Changes <= 1 && list[i].d.Spot.Place == list[i-1].d.Spot.Place {
			why = append(why, "the same place as before it")
		}
		out[i] = strings.Join(why, "; ")
	}
	return out
}
