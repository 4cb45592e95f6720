package evaluate_test

import (
	"encoding/json"
	"flag"
	"maps"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// randomDocuments is how many are tried; more with go test ./core -run RandomDocuments -random 100000.
var randomDocuments = flag.Int("random", 600, "how many random documents are tried")

// Random documents of all kinds, postures and axes: no panic, no infinity, a problem or a report, never a torque that its parts beside the
// axis do not make up to the whole, and many of them can be evaluated.
func TestRandomDocuments(t *testing.T) {
	ready := catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75})
	r := chance{rand.New(rand.NewPCG(14, 1))}
	var e evaluate.Evaluator
	evaluated := 0
	for n := range *randomDocuments {
		d := r.document(ready)
		report, problems := e.Evaluate(&d)
		if (report == nil) != (len(problems) > 0) {
			t.Fatalf("document %d: report %v with problems %v", n, report != nil, problems)
		}
		if report == nil {
			continue
		}
		evaluated++
		if what := unsound(report); what != "" {
			raw, _ := json.Marshal(d)
			t.Errorf("document %d: %s\n%s", n, what, raw)
		}
	}
	if evaluated < *randomDocuments/4 {
		t.Errorf("only %d of %d can be evaluated", evaluated, *randomDocuments)
	}
}

// unsound says what is wrong with a report whatever its document says; empty when nothing is.
func unsound(r *report.Report) string {
	for _, c := range r.AllCurves() {
		if slices.ContainsFunc(*c, func(x float64) bool { return math.IsInf(x, 0) }) {
			return "an infinite number"
		}
	}
	c := &r.Curves
	for i, size := range c.Size {
		whole := math.Sqrt(c.Torque[i]*c.Torque[i] + c.Twist[i]*c.Twist[i] + c.Bend[i]*c.Bend[i])
		if !math.IsNaN(whole) && math.Abs(whole-size) > 1e-6*(1+size) {
			return "torque, twist and bend do not make up the whole"
		}
		if !r.Hold && len(r.Gaps) == 0 && math.IsNaN(c.Torque[i]) {
			return "a torque is missing, and no gap says why"
		}
	}
	for _, v := range r.Verdicts {
		for name, q := range v.Values {
			if math.IsNaN(q.Value) || math.IsInf(q.Value, 0) {
				return "the sentence " + v.Text + " has no " + name
			}
		}
	}
	for _, k := range r.Cautions {
		for name, q := range k.Values {
			if math.IsNaN(q.Value) || math.IsInf(q.Value, 0) {
				return "the caution " + k.Text + " has no " + name
			}
		}
	}
	if _, err := json.Marshal(r); err != nil {
		return err.Error()
	}
	return ""
}

// chance makes documents at random.
type chance struct{ *rand.Rand }

func (r chance) span(low, high float64) float64 { return low + (high-low)*r.Float64() }

func (r chance) one(of ...string) string { return of[r.IntN(len(of))] }

func (r chance) often(share float64) bool { return r.Float64() < share }

// document is a ready setup with any number of things changed.
func (r chance) document(ready []catalogue.Ready) setup.Document {
	d := ready[r.IntN(len(ready))].Document.Clone()
	d.Samples = []int{5, 11, 21}[r.IntN(3)]
	d.Lifter = setup.Lifter{Height: r.span(1.5, 2.05), BodyMass: r.span(45, 120), Training: r.one("", "novice", "trained", "advanced"),
		Sex: r.one("", "female", "male")}
	if r.often(0.5) {
		d.Target.Profile = r.one("match", "early", "even", "late", "overload")
	}
	if r.often(0.2) {
		d.Target.Profile, d.Target.Custom = "custom", []float64{r.Float64(), r.Float64(), 1, r.Float64(), r.Float64()}
	}
	if r.often(0.3) {
		region := setup.Regions[r.IntN(len(setup.Regions))]
		d.Target.Region, d.Target.Joint = region.Key, region.Joints[r.IntN(len(region.Joints))]
	}
	if r.often(0.4) {
		d.Movement.Axis = r.one("swept", "spin", "vector")
		d.Movement.AxisAlong = &setup.Point{X: r.span(-1, 1), Y: r.span(-1, 1), Z: r.span(-1, 1)}
	}
	if r.often(0.3) {
		r.move(&d)
	}
	if r.often(0.3) {
		d.Movement.Side = r.one("right", "left", "both")
	}
	switch {
	case r.often(0.3):
		r.place(&d.Posture)
	case d.Movement.LegsMove() && r.often(0.5):
		r.stand(&d.Posture)
	}
	for i := range d.Loads {
		if r.often(0.5) {
			r.load(&d.Loads[i])
		}
	}
	if r.often(0.2) {
		d.Loads = append(d.Loads, setup.Load{ID: "more", Kind: setup.Dumbbell, Side: d.Loads[0].Side, Contact: d.Loads[0].Contact,
			Mass: r.span(0, 40), Variable: r.often(0.5)})
	}
	return d
}

// move gives a path through keyframes, some of which may be alike, so that it rests.
func (r chance) move(d *setup.Document) {
	joints := map[string][]string{"girdle": {"girdle.elevation", "girdle.protraction"}, "shoulder": {"shoulder.elevation",
		"shoulder.planeOfElevation", "shoulder.rotation"},
		"elbow": {"elbow.flexion"}, "hip": {"hip.flexion", "hip.abduction"}, "knee": {"knee.flexion"}, "ankle": {"ankle.flexion"}}
	named := map[string]bool{}
	for _, keys := range [][]string{joints[d.TargetJoint()], joints[r.one("girdle", "shoulder", "elbow", "hip", "knee", "ankle")]} {
		for _, key := range keys {
			named[key] = true
		}
	}
	m := setup.Movement{Kind: "keyframes", Side: d.Movement.Side, Axis: d.Movement.Axis, AxisAlong: d.Movement.AxisAlong, NoSpin: r.often(0.2)}
	places := []float64{0, r.span(0.1, 0.5), r.span(0.5, 0.9), 1}
	for k, s := range places {
		pose := map[string]float64{}
		for _, key := range slices.Sorted(maps.Keys(named)) {
			info := setup.Coordinates[slices.IndexFunc(setup.Coordinates[:], func(c setup.CoordinateInfo) bool { return c.Key == key })]
			pose[key+"Deg"] = math.Round(r.span(info.OwnFrom, info.OwnTo))
		}
		if k > 0 && r.often(0.3) {
			pose = maps.Clone(m.Keyframes[k-1].Pose)
		}
		m.Keyframes = append(m.Keyframes, setup.Keyframe{S: s, Pose: pose})
	}
	d.Movement = m
}

func (r chance) place(p *setup.Posture) {
	p.Kind = r.one("standing", "hinged", "kneeling", "half-kneeling", "seated", "supine", "prone", "side-lying", "leaning")
	p.HeadingDeg, p.X, p.Z = p.HeadingDeg+r.span(-60, 60), p.X+r.span(-0.3, 0.3), p.Z+r.span(-0.2, 0.2)
	p.Feet, p.Ahead, p.Down = r.one("parallel", "split", "staggered"), r.one("left", "right"), r.one("left", "right")
	p.FeetApart, p.KneesDeg = r.span(0, 0.9), r.span(0, 60)
	p.Trunk = setup.Trunk{PitchDeg: r.span(-20, 60), BendDeg: r.span(-20, 20), TurnDeg: r.span(-30, 30)}
	r.stand(p)
}

// stand changes what stays in place while the legs move.
func (r chance) stand(p *setup.Posture) {
	if r.often(0.3) {
		p.Root, p.Stands = r.one("feet", "foot", "shoulders", "thighs", "knees", ""), r.one("left", "right", "")
	}
	p.HeelsFree, p.Riser = r.often(0.3), r.one2(0, r.span(0, 0.4))
	p.RearHeight, p.FrontShare, p.FeetOut = r.one2(0, r.span(0, 0.6)), r.one2(0, r.span(0.3, 1)), r.one2(0, r.span(0.2, 1.4))
}

func (r chance) one2(a, b float64) float64 {
	if r.often(0.5) {
		return a
	}
	return b
}

func (r chance) load(l *setup.Load) {
	l.Mass, l.StackMass, l.PlateMass = l.Mass*r.span(0.1, 3), l.StackMass*r.span(0.1, 3), l.PlateMass*r.span(0.1, 3)
	for _, p := range []*setup.Point{l.Pulley, l.Anchor} {
		if p != nil {
			p.X, p.Y, p.Z = p.X+r.span(-0.4, 0.4), max(0.05, p.Y+r.span(-0.8, 0.8)), p.Z+r.span(-0.4, 0.4)
		}
	}
	if l.AxisOffset == nil && l.Kind == setup.Cam {
		l.AxisOffset = &setup.Point{X: r.span(-0.05, 0.05), Y: r.span(-0.05, 0.05)}
	}
	if l.Kind == setup.Sled {
		l.RailDeg, l.SoleUp, l.PlateDeg = r.span(10, 90), r.span(-0.4, 0.5), r.span(-20, 40)
		l.Contact.At = r.one("sole", "ball")
	}
	l.Variable = r.often(0.7)
}
