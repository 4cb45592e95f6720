package evaluate

import (
	"math"

	"dialarc/core/load"
	"dialarc/core/report"
	"dialarc/core/space"
)

// entry looks at a setup with a strand of its own in each hand; nil for any other.
func (e *Evaluator) entry(o *outcome) *report.Pickup {
	var one []load.Item
	pair, crossed := false, true
	for k := range o.items {
		it := &o.items[k]
		if it.From == nil || it.Def.Shared || !it.Held() || load.Of(it.Def).End == "" {
			continue
		}
		pair = pair || it.Mirror
		if !it.Mirror {
			one = append(one, *it)
			crossed = crossed && o.fromOtherSide(it)
		}
	}
	if !pair {
		return nil
	}
	b := e.brace.At(o.doc, o.path, one, 0, 1)
	out := &report.Pickup{Crossed: crossed, Pull: report.Rounded(space.Norm(b.Pull)), Holds: b.Holds(),
		Steps: stepsOf(crossed, load.Of(one[0].Def).End)}
	if !out.Holds {
		out.How, out.TowardDeg = e.brace.Fails(o.doc, o.path, one, &b)
		out.TowardDeg = report.Rounded(out.TowardDeg)
	}
	return out
}

// fromOtherSide says whether a strand of the moving side starts on the lifter's other side.
func (o *outcome) fromOtherSide(it *load.Item) bool {
	back := o.station.Heading.Transpose()
	from := back.Apply(space.Vec{X: it.From.X - o.station.MidHip.X, Z: it.From.Z - o.station.MidHip.Z})
	right := it.Def.Side == "right"
	return math.Abs(from.Z) > 0.05 && right == (from.Z < 0)
}

// stepsOf is the order of picking up and putting back (common practice, no source).
func stepsOf(crossed bool, what string) []string {
	if crossed {
		return []string{
			"Step up to the left side and take its " + what + " with the right hand.",
			"Keep hold of it, cross to the right side and take that " + what + " with the left hand: it lies on top.",
			"With both in hand, step out to the mark, arms at the start of the range.",
			"To finish, step in first; return the one picked up last, then the other.",
		}
	}
	return []string{
		"Step up close and take one " + what + ", then the other.",
		"With both in hand, step out to the mark.",
		"To finish, step in first, then return one after the other.",
	}
}
