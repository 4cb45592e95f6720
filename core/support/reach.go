package support

import (
	"fmt"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// How far the body may stay from what it is asked to do, m (own): a guide, strand or bar that it follows; the circle that
// a lever's handle moves on.
const (
	followed = 0.002
	onCircle = 0.02
)

// Reach reports a path that the body cannot follow: a guide out of the arm's reach, a bar that the hands cannot hold, a
// lever whose handle the hand leaves.
func Reach(d *setup.Document, path *movement.Path, items []load.Item) setup.Problems {
	var found setup.Problems
	if miss := path.FreeMisses(); miss > onCircle {
		found = append(found, short(d, miss))
	}
	if slices.Contains(d.Posture.Restraints, "trunkOnThighs") {
		if apart := trunkFromThighs(path); apart > onThighs {
			found = append(found, setup.Problem{Path: "posture.restraints",
				What: fmt.Sprintf("The trunk does not lie on the thighs: there are %.0f degrees between them.", apart),
				Why:  "What does not touch carries nothing.",
				Hint: fmt.Sprintf("Lean forward until there are %d degrees or less, or leave the support out.", onThighs)})
		}
	}
	worst, at := 0.0, 0.0
	if p, short := rearLeg(path); short {
		return append(found, p)
	}
	for i := range clearSamples {
		s := float64(i) / (clearSamples - 1)
		if miss := path.Misses(s); miss > worst {
			worst, at = miss, s
		}
	}
	if worst > followed {
		p := setup.Problem{Path: "movement.guide", What: fmt.Sprintf("At %.0f%% of the path the hand is %.0f cm short of its guide.", 100*at,
			100*worst),
			Why: "No arm can be where it is led.", Hint: "Move the guide or the lifter nearer to each other."}
		if d.Movement.BarWidth > 0 {
			p.Path, p.What = "movement.barWidth", fmt.Sprintf("At %.0f%% of the path a hand is %.0f cm from its place on the bar.", 100*at,
				100*worst)
			p.Hint = "Take another width, or another path."
		}
		if legs, led := legsCannot(d, at, worst); led {
			p = legs
		}
		return append(found, p)
	}
	for k := range items {
		if it := &items[k]; load.Of(it.Def).Circle && !it.Mirror {
			if p, off := offCircle(it, path); off {
				found = append(found, p)
			}
		}
	}
	return found
}

// stretched is how much too short a rear leg may be, m (own): its heel rises so much more.
const stretched = 0.01

// rearLeg says whether the rear foot is out of its leg's reach somewhere.
func rearLeg(path *movement.Path) (setup.Problem, bool) {
	worst, at := 0.0, 0.0
	for _, s := range []float64{0, 0.5, 1} {
		if miss := path.Frames(s).RearMisses(); miss > worst {
			worst, at = miss, s
		}
	}
	return setup.Problem{Path: "posture.stagger", What: fmt.Sprintf("At %.0f%% of the path the rear leg is %.0f cm too short for its foot.",
		100*at, 100*worst), Why: "The front leg carries the hips too high or too far ahead.",
		Hint: "Bring the feet closer together, or stop with the front knee more bent."}, worst > stretched
}

// FreeFoot cautions where the foot of a leg that is free would go through the floor.
func FreeFoot(d *setup.Document, path *movement.Path) setup.Problems {
	if !d.FreeLeg() {
		return nil
	}
	deepest, at := 0.0, 0.0
	for _, s := range []float64{0, 0.25, 0.5, 0.75, 1} {
		f := path.Frames(s)
		side := f.Station.Carrier.Opposite()
		if low := -min(f.Ball(side).Y, f.Sole(side, false).Y); low > deepest {
			deepest, at = low, s
		}
	}
	if deepest < grazes {
		return nil
	}
	return setup.Problems{{Path: "movement.other", What: fmt.Sprintf("At %.0f%% of the path the free foot would be %.0f cm below the floor.", 100*at,
		100*deepest), Why: "It would stand, and take weight off the other.", Hint: "Bend the free leg's hip or knee more."}}
}

// grazes is how far under the floor a foot may be that is meant to be just over it, m (own).
const grazes = 0.02

// legsCannot words what legs cannot do that something else leads; false where nothing does.
func legsCannot(d *setup.Document, at, miss float64) (setup.Problem, bool) {
	where := fmt.Sprintf("At %.0f%% of the path ", 100*at)
	sled := d.Sled()
	switch root := d.Posture.RootOf(); {
	case !d.Movement.LegsMove():
	case root == "shoulders":
		return setup.Problem{Path: "posture.feetOut", What: where + fmt.Sprintf("the back is %.0f cm from its edge.", 100*miss),
			Why: "Thighs and shins are only so long.", Hint: "Bring the feet nearer to the bench, or end the lift with the hips less straight."}, true
	case root == "seat" && d.Posture.HeelsFree:
		return setup.Problem{Path: "posture.riser", What: where + fmt.Sprintf("the foot is %.0f cm from its step.", 100*miss),
			Why: "Thigh and shin are only so long.", Hint: "Raise the block or lower the seat."}, true
	case sled >= 0:
		return setup.Problem{Path: fmt.Sprintf("loads[%d].soleUp", sled), What: where + fmt.Sprintf("the foot is %.0f cm from its place on the plate.",
			100*miss), Why: "A bent leg does not reach that far up.", Hint: "Put the feet lower, or bend the knees less."}, true
	case d.Posture.FrontShare > 0:
		return setup.Problem{Path: "posture.frontShare", What: where + "no lean of the shin brings that much weight onto the front foot.",
			Why: "The trunk is too far ahead or behind.", Hint: "Give another share, or other angles of hip and knee."}, true
	case root == "foot":
		return setup.Problem{Path: "movement", What: where + "the weight does not come over the foot.", Why: "The lifter would fall.",
			Hint: "Give other angles of hip and knee."}, true
	}
	return setup.Problem{}, false
}

// onThighs is the angle between trunk and thighs up to which the one lies on the other, degrees (own).
const onThighs = 55

// trunkFromThighs is the angle between the trunk and the nearer thigh at the start, degrees.
func trunkFromThighs(path *movement.Path) float64 {
	f := path.Frames(0)
	up := f.Turn[body.Pelvis].Apply(space.Y)
	along := max(r3.Dot(up, f.Direction(body.ThighR)), r3.Dot(up, f.Direction(body.ThighL)))
	return space.Deg(math.Acos(max(-1, min(1, along))))
}

// short words that the free hand misses what it is to hold by a length, m.
func short(d *setup.Document, miss float64) setup.Problem {
	p := setup.Problem{Path: "posture.supportHand", What: fmt.Sprintf("The free hand is %.0f cm short of what it is to hold on to.", 100*miss),
		Why: "An arm is only so long.", Hint: "Give a place nearer to that shoulder, or step closer."}
	switch {
	case d.JoinsHands():
		p.Path = fmt.Sprintf("loads[%d].shared", slices.IndexFunc(d.Loads, func(l setup.Load) bool { return l.Shared }))
		p.What = fmt.Sprintf("The other hand is %.0f cm short of the handle.", 100*miss)
		p.Hint = "Lead the handle nearer to the middle, or bend the elbow."
	case d.Posture.SupportHand == nil:
		p.Path = "posture.restraints"
	}
	return p
}

func offCircle(it *load.Item, path *movement.Path) (setup.Problem, bool) {
	for i := range clearSamples {
		s := float64(i) / (clearSamples - 1)
		r := it.HandleDistance(path.Frames(s))
		if math.Abs(r-it.Def.HandleRadius) <= onCircle {
			continue
		}
		return setup.Problem{Path: fmt.Sprintf("loads[%d].handleRadius", it.Index),
			What: fmt.Sprintf("At %.0f%% of the path the hand is %.2f m from the lever's axis, the handle %.2f m.", 100*s, r, it.Def.HandleRadius),
			Why:  "The handle moves on a circle.", Hint: "Guide the hand along an arc about the pivot, with that radius."}, true
	}
	return setup.Problem{}, false
}

// swings is how far the weight of a body that hangs or stands on its hands may be ahead of or behind them, m (own).
const swings = 0.10

// Balanced cautions where the body would tip over its feet, or swing about its hands.
func Balanced(rep *torque.Repetition, st *body.Station, b *body.Body) setup.Problems {
	least, most := math.Inf(1), math.Inf(-1)
	for _, x := range rep.Balance {
		if !math.IsNaN(x) {
			least, most = min(least, x), max(most, x)
		}
	}
	back, front, what := -0.25*b.FootLength, 0.75*b.FootLength, "toes"
	path, hint := "movement", "Lean or bend so that the weight stays over the feet."
	if st.Root == body.OnHands {
		back, front, what = -swings, swings, "hands"
		path, hint = "posture.trunk.pitchDeg", "Lean the trunk so that the weight is between the hands."
	}
	switch {
	case most > front:
		return setup.Problems{{Path: path, What: fmt.Sprintf("The weight comes %.0f cm ahead of the %s.", 100*(most-max(0, front)), what),
			Why: "The lifter would tip forward.", Hint: hint}}
	case least < back:
		if what == "toes" {
			what = "heels"
		}
		return setup.Problems{{Path: path, What: fmt.Sprintf("The weight comes %.0f cm behind the %s.", 100*(min(0, back)-least), what),
			Why: "The lifter would tip backward.", Hint: hint}}
	}
	return nil
}
