package plan

import (
	"cmp"
	"math"
	"slices"

	"dialarc/core/edits"
	"dialarc/core/setup"
)

// Swap is an exercise that can stand in for another.
type Swap struct {
	Key      string         `json:"key"`
	Name     string         `json:"name"`
	Document setup.Document `json:"document"`
	Load     float64        `json:"load" doc:"kg for the same torque at the hardest place, as the kit has it; 0 where its load is not counted."`
	Place    string         `json:"place" doc:"Station, machine or weights that it takes."`
	Force    float64        `json:"force" doc:"Force at the joint that was asked about, N."`
	Now      float64        `json:"now" doc:"The same in the exercise that it stands in for, N."`
	Far      float64        `json:"far" doc:"How far it is from that one in phase and length, 0 for the same."`
}

// mostSwaps is how many exercises are proposed to stand in for one.
const mostSwaps = 4

// phases are the places of the phases over the range.
var phases = map[string]float64{"early": 0, "mid": 1, "late": 2}

// Instead lists exercises that can be done here and work the region of a setup hard. Without a joint they take another station and the
// nearest in phase and length come first; with one, those come first that load that joint least, and only those that load it less than the
// setup does with its load.
func (k *Keeper) Instead(d *setup.Document, list []edits.Here, joint string) ([]Swap, setup.Problems) {
	own, problems := k.Of(d)
	if len(problems) > 0 {
		return nil, problems
	}
	torque := own.TorqueWith(own.Load)
	now := own.forceAt(joint)
	out := []Swap{}
	for i := range list {
		h := &list[i]
		if len(h.Missing) > 0 || h.Name == d.Name {
			continue
		}
		other, problems := k.Of(&h.Document)
		if len(problems) > 0 || !other.works(own.Target) || other.Action != own.Action {
			continue
		}
		s := Swap{Key: h.Key, Name: h.Name, Document: h.Document, Place: other.Spot.Place, Now: now, Far: own.far(other)}
		if other.Counted != "" && other.Varies > 0 {
			s.Load = nearest(other, other.Load*(1+(torque-other.Peak)/other.Varies))
		}
		s.Force = other.forceAt(joint) * share(s.Load, other)
		switch {
		case joint == "" && other.Spot.Place == own.Spot.Place:
		case joint != "" && !(s.Force < now):
		default:
			out = append(out, s)
		}
	}
	slices.SortStableFunc(out, func(a, b Swap) int {
		if joint != "" {
			return cmp.Compare(a.Force, b.Force)
		}
		return cmp.Compare(a.Far, b.Far)
	})
	return out[:min(mostSwaps, len(out))], nil
}

// share is how much of its force at a joint a load leaves, when that grows with the torque.
func share(load float64, d *Digest) float64 {
	if load == 0 || d.Peak == 0 {
		return 1
	}
	return math.Abs(d.TorqueWith(load) / d.Peak)
}

// works says whether a setup works a region hard.
func (d *Digest) works(region string) bool {
	return slices.ContainsFunc(d.Work, func(w Worked) bool { return w.Region == region && w.Hard >= hardAgain })
}

// forceAt is the force at a joint, N; 0 where nothing is known of it.
func (d *Digest) forceAt(joint string) float64 {
	for _, l := range d.Loading {
		if l.Joint == joint {
			return l.Force
		}
	}
	return 0
}

// far is how far another setup is from one: in phase, and in how its target's torque lies over the thirds of its length.
func (d *Digest) far(other *Digest) float64 {
	out := math.Abs(phases[d.Phase]-phases[other.Phase]) / 2
	for _, a := range d.Work {
		for _, b := range other.Work {
			if a.Region == d.Target && b.Region == d.Target {
				for k := range a.Thirds {
					out += math.Abs(a.Thirds[k]-b.Thirds[k]) / 2
				}
			}
		}
	}
	return out
}
