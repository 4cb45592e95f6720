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
	machines := machinePostures(l)
	var out []Beginning
	for _, r := range setup.Regions {
		b := Beginning{Region: r}
		for _, k := range begun {
			muscle, _, _ := strings.Cut(r.Key, ".")
			for _, p := range Positions {
				if k.Kind == "machine" && machines[muscle] == p.Key || k.Kind != "machine" && begins(l, r.Key, k.Kind, p.Key) {
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

// begins says whether there is a movement for a region that goes with a load and a posture.
func begins(l *setup.Lifter, region, kind, position string) bool {
	way, known := wayFor[region]
	if !known || kind == "bar" && position == "side-lying" {
		return false
	}
	w, _ := wayOf(way)
	d := w.model(l)
	if !d.Movement.LegsMove() || position == "standing" {
		return true
	}
	return region == "quadriceps" && (position == "seated" || position == "seated/bench")
}

// machinePostures are the postures in which the machines that are known are used, by their muscle.
func machinePostures(l *setup.Lifter) map[string]string {
	out := map[string]string{}
	for _, r := range catalogue.All(l) {
		d := &r.Document
		muscle, _, _ := strings.Cut(d.Target.Region, ".")
		if _, there := out[muscle]; !there && onMachine(d) {
			out[muscle] = PositionOf(d)
		}
	}
	return out
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
