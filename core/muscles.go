package core

import (
	"math"
	"sort"

	"dialarc/core/body"
	"dialarc/core/muscle"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// Muscles says which regions carry the work, by static optimisation at all joints of the limb at once, at fewer places
// along the path than the curves have. It rests on a table that was recalled, not measured on the lifter.
type Muscles struct {
	S               Curve        `json:"s" doc:"Places along the path."`
	Regions         []RegionPart `json:"regions" doc:"The target first, then by how much they do."`
	LeftTwist       Curve        `json:"leftTwist" doc:"Torque about the upper arm that no region gives, N·m; null for a leg."`
	LeftRest        Curve        `json:"leftRest" doc:"Size of what else no region gives at the target joint, N·m."`
	Largest         Curve        `json:"largest" doc:"Largest activation of any part; above 1 the load is more than the model holds."`
	Shoulder        Curve        `json:"shoulder" doc:"Estimate of the force between the joint's surfaces, with the pull of the muscles, N; null for a leg."`
	Elbow           Curve        `json:"elbow" doc:"The same at the elbow."`
	LengthenedShare Metric       `json:"lengthenedShare" doc:"Share of the resisting torque at lengths above the middle of what the target usually owns."`
	LongEnd         string       `json:"longEnd" doc:"Where on the path the target is longest." enum:"start,end,unknown"`
}

// RegionPart is what one region does along the path.
type RegionPart struct {
	Key        string `json:"key"`
	Label      string `json:"label"`
	Target     bool   `json:"target"`
	Activation Curve  `json:"activation" doc:"1 is all of it."`
	Torque     Curve  `json:"torque" doc:"About the target joint's axis, N·m; null in a hold."`
	Share      Curve  `json:"share" doc:"Of the torque about the axis; null where that is under 5% of its peak."`
	Length     Curve  `json:"length" doc:"Of the fibres, over their optimal length."`
	LineUpDeg  Curve  `json:"lineUpDeg" doc:"Angle between the region's pull about the shoulder and what is needed, degrees; null away from the shoulder."`
}

const (
	seldom    = 0.01 // activation below which a region is left out
	fewTorque = 0.05 // of the peak, below which shares mean nothing
)

// legJoint says whether muscles of the leg serve the target joint.
func legJoint(j body.Joint) bool { return j == body.HipR || j == body.KneeR }

// muscles shares the repetition's torques out.
func (e *Evaluator) muscles(o *outcome) Muscles {
	joints := []body.Joint{body.GirdleR, body.ShoulderR, body.ElbowR}
	if legJoint(o.joint) {
		joints = []body.Joint{body.HipR, body.KneeR}
	}
	in := o.input(o.grid.muscles)
	in.Whole = true
	for _, j := range joints {
		if j != o.joint {
			in.Others = append(in.Others, j)
		}
	}
	e.share.Run(in)
	model := e.model(o)
	w := work{rep: &e.share, joint: o.joint, target: o.doc.Target.Region,
		rests: o.joint == body.KneeR && o.station.Root != body.OnFeet}
	w.begin()
	model.Begin()
	for i := range w.rep.S {
		w.sample(model, i)
	}
	return w.report(o)
}

// work collects what the regions do along the path.
type work struct {
	rep    *torque.Repetition
	joint  body.Joint
	target string
	rests  bool // the thigh lies on a pad
	parts  []RegionPart
	out    Muscles
}

func (w *work) begin() {
	n := len(w.rep.S)
	w.out = Muscles{S: clone(w.rep.S), LeftTwist: make(Curve, n), LeftRest: make(Curve, n), Largest: make(Curve, n),
		Shoulder: make(Curve, n), Elbow: make(Curve, n)}
	for _, g := range muscle.Groups() {
		p := RegionPart{Key: g.Key, Label: g.Label, Target: g.Key == w.target}
		for _, c := range []*Curve{&p.Activation, &p.Torque, &p.Share, &p.Length, &p.LineUpDeg} {
			*c = make(Curve, n)
		}
		w.parts = append(w.parts, p)
	}
}

// vectorAt is what muscles have to give at a joint, zero when it was not computed.
func (w *work) vectorAt(j body.Joint, i int) space.Vec {
	vectors, _ := w.jointCurves(j)
	return sampleOf(vectors, i)
}

// forceAt is what loads and weights put on the outer side of a joint, zero when it was not computed.
func (w *work) forceAt(j body.Joint, i int) space.Vec {
	_, forces := w.jointCurves(j)
	return sampleOf(forces, i)
}

// jointCurves are torques and forces of a joint along the path, nothing when they were not computed.
func (w *work) jointCurves(j body.Joint) (vectors, forces []space.Vec) {
	if j == w.joint {
		return w.rep.Vector, w.rep.Force
	}
	for k := range w.rep.Others {
		if o := &w.rep.Others[k]; o.Joint == j {
			return o.Vector, o.Force
		}
	}
	return nil, nil
}

func sampleOf(curve []space.Vec, i int) space.Vec {
	if curve == nil {
		return space.Vec{}
	}
	return curve[i]
}

func (w *work) sample(m *muscle.Model, i int) {
	var a *muscle.Answer
	if legJoint(w.joint) {
		// A thigh that rests on a seat or bench asks nothing of the hip.
		need := muscle.Need{HipRests: w.rests, Hip: -w.vectorAt(body.HipR, i).Z, Knee: w.vectorAt(body.KneeR, i).Z}
		a = m.ShareLeg(&w.rep.Pose[i], &need)
		w.out.LeftTwist[i], w.out.Shoulder[i], w.out.Elbow[i] = math.NaN(), math.NaN(), math.NaN()
		w.out.LeftRest[i] = math.Abs(map[body.Joint]float64{body.HipR: a.Left.Hip, body.KneeR: a.Left.Knee}[w.joint])
	} else {
		need := muscle.Need{Girdle: w.vectorAt(body.GirdleR, i), Shoulder: w.vectorAt(body.ShoulderR, i), Elbow: w.vectorAt(body.ElbowR, i)}
		a = m.ShareArm(&w.rep.Pose[i], &need)
		// What loads, weights and muscles put on the outer side, the joint's surfaces have to hold.
		w.out.Shoulder[i] = space.Norm(r3.Add(w.forceAt(body.ShoulderR, i), a.OnHumerus))
		w.out.Elbow[i] = space.Norm(r3.Add(w.forceAt(body.ElbowR, i), a.OnForearm))
		d := m.UpperArm()
		w.out.LeftTwist[i] = r3.Dot(a.Left.Shoulder, d)
		w.out.LeftRest[i] = space.Norm(map[body.Joint]space.Vec{body.GirdleR: a.Left.Girdle, body.ShoulderR: space.Reject(a.Left.Shoulder, d), body.ElbowR: a.Left.Elbow}[w.joint])
	}
	w.out.Largest[i] = a.Largest
	axis := w.rep.AxisIn[i]
	for g := range w.parts {
		p := &w.parts[g]
		p.Activation[i], p.Length[i] = a.Activation[g], a.Length[g]
		p.Torque[i], p.LineUpDeg[i] = w.about(a, g, axis, m), math.NaN()
		if need := w.rep.Vector[i]; w.joint == body.ShoulderR && a.Lever[g] != (space.Vec{}) && space.Norm(need) > 0 {
			p.LineUpDeg[i] = space.Deg(math.Acos(max(-1, min(1, r3.Dot(r3.Unit(a.Lever[g]), r3.Unit(need))))))
		}
	}
}

// about is what a group gives about the target's axis.
func (w *work) about(a *muscle.Answer, g int, axis space.Vec, m *muscle.Model) float64 {
	switch w.joint {
	case body.GirdleR:
		return r3.Dot(a.Girdle[g], axis)
	case body.ElbowR:
		return a.Elbow[g] * r3.Dot(m.ElbowHinge(), axis)
	case body.HipR:
		return -a.Hip[g] * axis.Z
	case body.KneeR:
		return a.Knee[g] * axis.Z
	}
	return r3.Dot(a.Shoulder[g], axis)
}

// report keeps the regions that do something, the target first.
func (w *work) report(o *outcome) Muscles {
	still := o.path.Still()
	peak := 0.0
	for _, t := range w.rep.Total {
		peak = max(peak, math.Abs(t))
	}
	kept := make([]RegionPart, 0, len(w.parts))
	for g := range w.parts {
		p := &w.parts[g]
		most := 0.0
		for i, t := range w.rep.Total {
			most = max(most, p.Activation[i])
			p.Share[i] = math.NaN()
			if math.Abs(t) >= fewTorque*peak && peak > 0 && !still {
				p.Share[i] = p.Torque[i] / t
			}
			if still {
				p.Torque[i] = math.NaN()
			}
		}
		if most >= seldom || (p.Target && !math.IsNaN(p.Length[0])) {
			kept = append(kept, *p)
		}
	}
	doing := func(p *RegionPart) float64 {
		sum := 0.0
		for i := range p.Activation {
			if t := p.Torque[i]; !math.IsNaN(t) {
				sum += max(0, t)
			} else {
				sum += p.Activation[i]
			}
		}
		return sum
	}
	sort.SliceStable(kept, func(i, j int) bool {
		if kept[i].Target != kept[j].Target {
			return kept[i].Target
		}
		return doing(&kept[i]) > doing(&kept[j])
	})
	w.out.Regions = kept
	w.lengths(o)
	return w.out
}

// lengths tells where on its length the target is worked.
func (w *work) lengths(o *outcome) {
	w.out.LongEnd = "unknown"
	w.out.LengthenedShare = Metric{Why: "The model has no length of this region over this path."}
	low, high, ok := muscle.RangeOf(w.target)
	if len(w.out.Regions) == 0 || !w.out.Regions[0].Target || !ok {
		return
	}
	length := w.out.Regions[0].Length
	w.out.LongEnd = "start"
	if o.longAtEnd {
		w.out.LongEnd = "end"
	}
	whole, long := 0.0, 0.0
	for i := 1; i < len(length); i++ {
		piece := (w.rep.Swept[i] - w.rep.Swept[i-1]) * max(0, (w.rep.Total[i]+w.rep.Total[i-1])/2)
		whole += piece
		if (length[i]+length[i-1])/2 > (low+high)/2 {
			long += piece
		}
	}
	if whole > 0 {
		share := rounded(long / whole)
		w.out.LengthenedShare = Metric{Value: &share}
	} else {
		w.out.LengthenedShare = Metric{Why: "No torque resists the lift."}
	}
}

// longAtEnd says whether the target is clearly longer at the end of a path than at its start.
func longAtEnd(m *model) bool {
	var start, end, rates [2]body.Pose
	m.path.At(0, &start, &rates)
	m.path.At(1, &end, &rates)
	lead := m.path.Lead()
	a, ok := muscle.LengthIn(&m.body, m.doc.Target.Region, &start[lead])
	b, _ := muscle.LengthIn(&m.body, m.doc.Target.Region, &end[lead])
	return ok && b > a+longer
}

// longer is by how much, in optimal lengths, a target has to be longer at the end for the path to be the wrong way (own).
const longer = 0.03

// shortens cautions when the target gets longer where it should lift.
func (o *outcome) shortens() setup.Problems {
	if !o.longAtEnd || o.path.Still() {
		return nil
	}
	return setup.Problems{{Path: "target.region", What: "Along this path the target gets longer, so lifting is not its work.",
		Why: "A muscle that lifts shortens.", Hint: "Choose the region that lifts here, or give the path the other way round."}}
}
