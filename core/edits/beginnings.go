package edits

import (
	"strings"

	"dialarc/core/catalogue"
	"dialarc/core/load"
	"dialarc/core/setup"
)

// Beginning is what a setup for a region can be begun with: kinds of load, each with the postures that go with it.
type Beginning struct {
	Region setup.Region `json:"region"`
	Kinds  []BegunKind  `json:"kinds"`
}

// BegunKind is a kind of load to begin with, or machine, and the postures that go with it.
type BegunKind struct {
	Kind      string     `json:"kind" enum:"cable,dumbbell,bar,band,machine"`
	Label     string     `json:"label"`
	Positions []Position `json:"positions"`
}

// begun are the kinds that Begin knows, in the order in which they are offered.
var begun = []BegunKind{{Kind: "cable", Label: "Cable"}, {Kind: "dumbbell", Label: "Dumbbells"}, {Kind: "bar", Label: "One weight in both hands"},
	{Kind: "band", Label: "Band"}, {Kind: "machine", Label: "Machine"}}

// Beginnings lists what Begin can make something of for a lifter: only what exists is offered.
func Beginnings(l *setup.Lifter) []Beginning {
	all := catalogue.All(l)
	var out []Beginning
	for _, r := range setup.Regions {
		way, known := wayFor[r.Key]
		w, _ := wayOf(way)
		model := w.among(all)
		machine := machineFor(all, r.Key)
		b := Beginning{Region: r}
		for _, k := range begun {
			for _, p := range Positions {
				begins := known && len(refused(r.Key, k.Kind, p.Key, model.Movement.LegsMove())) == 0
				if k.Kind == "machine" {
					begins = machine != nil && PositionOf(machine) == p.Key
				}
				if begins {
					k.Positions = append(k.Positions, p)
				}
			}
			if len(k.Positions) > 0 {
				b.Kinds = append(b.Kinds, k)
			}
		}
		if len(b.Kinds) > 0 {
			out = append(out, b)
		}
	}
	return out
}

// refused says why a movement for a region, which may be one of the legs, does not go with a load and a posture; nothing where it does.
func refused(region, kind, position string, legs bool) setup.Problems {
	if legs && position != "standing" && (region != "quadriceps" || (position != "seated" && position != "seated/bench")) {
		return setup.Problems{{Path: "posture.kind", What: "The legs cannot be begun with in this posture.",
			Why: "They work standing, the quadriceps seated too.", Hint: "Choose standing."}}
	}
	if kind == string(setup.Bar) && position == "side-lying" {
		return setup.Problems{{Path: "posture.kind", What: "Lying on the side, one arm lifts.", Why: "A bar is held in both hands.",
			Hint: "Choose a dumbbell, or another posture."}}
	}
	return nil
}

// machineFor is the first exercise on a machine for a region or its neighbour of the same muscle; nil where none is known.
func machineFor(all []catalogue.Ready, region string) *setup.Document {
	muscle, _, _ := strings.Cut(region, ".")
	for i := range all {
		d := &all[i].Document
		if of, _, _ := strings.Cut(d.Target.Region, "."); of == muscle && onMachine(d) {
			return d
		}
	}
	return nil
}

// onMachine says whether a setup's first load is a machine's.
func onMachine(d *setup.Document) bool { return load.Of(&d.Loads[0]).Needs == "machine" }

// begunName is what a setup that answers three questions is called at first.
func begunName(region, kind, position string) string {
	parts := []string{setup.RegionLabel(region)}
	for _, k := range begun {
		if k.Kind == kind {
			parts = append(parts, strings.ToLower(k.Label))
		}
	}
	return strings.Join(append(parts, positionLabel(position)), ", ")
}
