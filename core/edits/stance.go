package edits

import (
	"math"
	"slices"
	"strings"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Named is one of several things to choose from.
type Named struct {
	Key   string `json:"key"`
	Label string `json:"label"`
}

// hands is what a hand that takes no part can do, feet how those of a standing lifter can be set.
var (
	hands = []Named{{"hangs", "Hanging"}, {"thigh", "On the thigh"}, {"holds", "Holding on to something"},
		{"joins", "On the handle too"}}
	feet = []Named{{"parallel", "Side by side"}, {"split.left", "Split, left foot ahead"}, {"split.right", "Split, right foot ahead"},
		{"staggered.left", "Staggered, left foot ahead"}, {"staggered.right", "Staggered, right foot ahead"}}
)

// handsOf are the choices of the free hand; none where both arms move or the hands carry the body. It can take hold of a cable's handle,
// but of nothing in the room while the trunk bends.
func handsOf(d *setup.Document) []Named {
	if d.Movement.Side == "both" || d.Posture.RootOf() == "hands" {
		return []Named{}
	}
	out := slices.DeleteFunc(slices.Clone(hands), func(n Named) bool {
		return n.Key == "joins" && handleOf(d) < 0 || (n.Key == "thigh" || n.Key == "holds") && d.Movement.TrunkBent()
	})
	if len(out) < 2 {
		return []Named{}
	}
	return out
}

// handleOf is the index of the first cable in the hand, -1 for none.
func handleOf(d *setup.Document) int {
	return slices.IndexFunc(d.Loads, func(l setup.Load) bool { return l.Kind == setup.Cable && l.Contact.Segment == "hand" })
}

func handOf(d *setup.Document) string {
	switch {
	case d.JoinsHands():
		return "joins"
	case d.Posture.SupportHand != nil:
		return "holds"
	case slices.Contains(d.Posture.Restraints, "handOnThigh"):
		return "thigh"
	}
	return "hangs"
}

// holdAhead is where a hand that begins to hold on does so, from its shoulder: ahead and below, m (own).
var holdAhead = space.Vec{X: 0.35, Y: -0.25}

// WithHand lets the hand that takes no part hang, lean on its thigh, take hold of the handle too, or hold on to something, at first ahead
// of its shoulder.
func WithHand(d *setup.Document, key string) (setup.Document, setup.Problems) {
	c := d.Clone()
	if !slices.ContainsFunc(handsOf(d), func(n Named) bool { return n.Key == key }) {
		return c, setup.Problems{{Path: "posture.supportHand", What: "No hand is free for that.",
			Why: "Both arms move, or the hands carry the body.", Hint: "Let one side move."}}
	}
	if handOf(d) == key {
		return c, nil
	}
	p := &c.Posture
	if i := handleOf(&c); i >= 0 {
		c.Loads[i].Shared = key == "joins"
	}
	p.SupportHand = nil
	p.Restraints = slices.DeleteFunc(p.Restraints, func(h string) bool { return h == "handOnThigh" })
	switch key {
	case "thigh":
		p.Restraints = append(p.Restraints, "handOnThigh")
	case "holds":
		b := body.New(&c.Lifter)
		st := b.Settle(p, c.Bench, &c.Movement)
		var f body.Frames
		f.Place(&b, &st, &[2]body.Pose{}, &[2]body.Pose{})
		free := body.Left
		if c.Movement.Side == "left" {
			free = body.Right
		}
		at := r3.Add(f.Joint[free.Joint(body.ShoulderR)], st.Heading.Apply(holdAhead))
		p.SupportHand = &setup.Point{X: centi(at.X), Y: math.Max(0.05, centi(at.Y)), Z: centi(at.Z)}
	}
	return c, nil
}

func centi(x float64) float64 { return math.Round(100*x) / 100 }

// feetOf are the choices of the feet; none where a seat, a bench or the movement decides.
func feetOf(d *setup.Document) []Named {
	if k := d.Posture.Kind; (k != "standing" && k != "hinged") || d.Posture.RootOf() != "feet" || d.Movement.LegsMove() {
		return []Named{}
	}
	return feet
}

func footOf(d *setup.Document) string {
	p := &d.Posture
	if p.Feet != "split" && p.Feet != "staggered" {
		return "parallel"
	}
	if p.Ahead == "right" {
		return p.Feet + ".right"
	}
	return p.Feet + ".left"
}

// unlikeFeet is how far apart sideways feet are that are set one ahead of the other, m (own).
const unlikeFeet = 0.10

// WithFeet sets the feet side by side or one ahead of the other.
func WithFeet(d *setup.Document, key string) (setup.Document, setup.Problems) {
	c := d.Clone()
	if !slices.ContainsFunc(feetOf(d), func(n Named) bool { return n.Key == key }) {
		return c, setup.Problems{{Path: "posture.feet", What: "The feet cannot be set so here.",
			Why: "A seat, a bench or the movement says where they are.", Hint: "Take a standing posture."}}
	}
	p := &c.Posture
	was := p.Feet == "split" || p.Feet == "staggered"
	switch key {
	case "parallel":
		p.Feet, p.Ahead, p.Stagger = "", "", 0
		if was {
			p.FeetApart = 0.30
		}
	default:
		kind, ahead, _ := strings.Cut(key, ".")
		if p.Feet != kind {
			p.Stagger = 0
		}
		p.Feet, p.Ahead = kind, ahead
		if !was {
			p.FeetApart = unlikeFeet
		}
	}
	return c, nil
}
