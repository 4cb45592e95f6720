package rules

import (
	"fmt"
	"slices"
	"strconv"

	"dialarc/core/load"
	"dialarc/core/setup"
)

func (v *checks) loads(d *setup.Document) {
	loads := d.Loads
	if len(loads) == 0 || len(loads) > 12 {
		v.Add("loads", fmt.Sprintf("There are %d loads.", len(loads)), "Without a load there is no profile.",
			"Give 1 to 12 loads; the lifter's own weight is the kind bodyweight.")
	}
	ids := map[string]bool{}
	for i := range loads {
		l, path := &loads[i], fmt.Sprintf("loads[%d]", i)
		if l.ID == "" || len(l.ID) > 60 || ids[l.ID] {
			v.Add(path+".id", "The load's name is "+strconv.Quote(setup.Clip(l.ID))+".", "Parts of the torque are told apart by it.",
				"Give each load a short name of its own.")
		}
		ids[l.ID] = true
		v.OneOf(path+".side", "side of the load", l.Side, "right", "left")
		if v.OneOf(path+".kind", "kind of load", string(l.Kind), load.Kinds(nil)...) {
			v.load(d, path, l)
		}
	}
}

func (v *checks) load(d *setup.Document, path string, l *setup.Load) {
	if l.Kind != setup.Bodyweight {
		v.contact(path+".contact", &l.Contact)
	}
	if l.Kit != nil {
		v.Rising(path+".kit.masses", "mass that can be loaded", l.Kit.Masses, 0, 1000, 1e-6, "kg")
		v.Rising(path+".kit.lengths", "length that there is", l.Kit.Lengths, 0, 3, 1e-6, "m")
	}
	v.WhenMeasured(path, l.Measured)
	kind := load.Of(l)
	if kind.Check != nil {
		kind.Check(&v.Checks, path, l)
	}
	v.heldBy(d, path, l)
	if l.Shared && !kind.Shares {
		v.Add(path+".shared", "A load of kind "+string(l.Kind)+" is not shared.", "", "Leave it out.")
	}
}

// heldBy refuses a load of both sides where one moves.
func (v *checks) heldBy(d *setup.Document, path string, l *setup.Load) {
	legsHave := l.Kind == setup.Sled || l.Kind == setup.Assist || l.Kind == setup.Bar && l.Contact.Segment != "hand"
	if l.Kind == setup.Bar && l.Contact.Segment == "thigh" && d.Movement.Side != "both" {
		v.Add(path+".side", "A bar lies over both thighs, but one side moves.", "", "Set movement.side to both.")
	}
	handle := l.Shared && l.Kind == setup.Cable && l.Contact.Segment == "hand"
	if d.Movement.Side != "both" && handle {
		v.joined(d, path)
	} else if load.ForBothHands(l) && !legsHave && (d.Movement.Side != "both" || l.Contact.Segment != "hand") {
		v.Add(path+".side", "Both hands hold this load, but one side moves.", "", "Set movement.side to both and the contact to the hand.")
	}
}

// joined checks what a handle needs that the other hand holds too.
func (v *checks) joined(d *setup.Document, path string) {
	p := &d.Posture
	if p.SupportHand != nil || slices.Contains(p.Restraints, "handOnThigh") || p.RootOf() == "hands" {
		v.Add(path+".shared", "Both hands hold the handle, and one of them holds something else.", "", "Let go of the one or the other.")
	}
}

func (v *checks) contact(path string, c *setup.Contact) {
	if !v.OneOf(path+".segment", "segment of the contact", c.Segment, sorted(setup.Places)...) {
		return
	}
	switch {
	case c.Fraction != nil && c.At != "":
		v.Add(path+".at", "The contact is given twice, by name and by fraction.", "", "Keep one of them.")
	case c.Fraction != nil && c.Segment == "trunk":
		v.Add(path+".fraction", "A load on the trunk has a named place, not a fraction.", "", "Give at: waist, pelvis, chest or shoulders.")
	case c.Fraction != nil && c.Segment == "foot":
		v.Add(path+".fraction", "A load on the foot has a named place, not a fraction.", "", "Give at: sole or ball.")
	case c.Fraction != nil:
		v.Field(contactRows, path+".fraction", "place along the segment", *c.Fraction, "", "")
	case c.At != "" || c.Segment == "hand" || c.Segment == "trunk" || c.Segment == "foot":
		v.OneOf(path+".at", "place on the "+c.Segment, c.At, setup.Places[c.Segment]...)
	default:
		v.Add(path+".fraction", "The place along the segment is missing.", "", "Give 0 (near end) to 1 (far end).")
	}
}
