package evaluate

import (
	"dialarc/core/body"
	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/setup"
)

const (
	seldom    = 0.01 // activation below which a region is left out
	fewTorque = 0.05 // of the peak, below which shares mean nothing
)

// armForce is by how much more the arm's and girdle's muscles can do than the table's forces say, so that activations are in step with
// the strength shapes: a calibration over the exercises, not anatomy (own). Leg and trunk need none.
const armForce = 1.5

// limbStrength is what muscles are scaled by: the lifter's strength over a trained man's of 75 kg.
func (e *Evaluator) limbStrength(o *outcome) float64 {
	overall := e.strengthOf(o.stance).Overall(o.joint.Name())
	if o.joint.Arm() {
		return armForce * overall
	}
	return overall
}

// muscles shares the repetition's torques out. What is returned beside can share them out for other loads.
func (e *Evaluator) muscles(o *outcome) (report.Muscles, *work) {
	w := e.shared(o)
	return w.report(), w
}

// shared has every place of the muscles shared out.
func (e *Evaluator) shared(o *outcome) *work {
	joints := []body.Joint{body.GirdleR, body.ShoulderR, body.ElbowR}
	switch {
	case o.joint.Trunk():
		joints = []body.Joint{body.TrunkR}
	case o.joint.Leg():
		joints = []body.Joint{body.HipR, body.KneeR}
		if o.joint == body.AnkleR {
			joints = append(joints, body.AnkleR)
		}
	}
	in := o.input(o.grid.muscles)
	in.Whole = true
	for _, j := range joints {
		if j != o.joint {
			in.Others = append(in.Others, j)
		}
	}
	e.share.Run(in)
	w := newWork(o, e.muscleModel(o), &e.share, e.limbStrength(o), &e.desk)
	for i := range w.rep.S {
		w.sample(i)
	}
	return w
}

// longEnd says where on a path the target is longest, start or end; undecided where both ends are about as long, and unknown where the
// model has no length of it, so that the start is taken, from which a muscle that lifts shortens.
func (e *Evaluator) longEnd(m *model) string {
	region := m.doc.Target.Region
	end, known := m.longEnds[region]
	if !known {
		if e.gauge == nil || !e.gauge.Fits(&m.body, region) {
			e.gauge = muscle.NewGauge(&m.body, region)
		}
		end = longEnd(m, e.gauge)
		m.longEnds[region] = end
	}
	return end
}

func longEnd(m *model, of *muscle.Gauge) string {
	lead := m.path.Lead()
	a, b, ok := of.Ends(&m.path.Frames(0).Pose[lead], &m.path.Frames(1).Pose[lead])
	switch {
	case !ok || m.path.Still():
		return "unknown"
	case b > a+longer:
		return "end"
	case b > a-longer:
		return "undecided"
	}
	return "start"
}

// noLongEnd says why nothing is counted from the long end.
var noLongEnd = map[string]string{"undecided": "The target is about equally long at both ends of this path."}

// longer is by how much, in optimal lengths, a target has to be longer at one end for that to be the long one (own).
const longer = 0.03

// shortens cautions when the target gets longer where it should lift.
func (o *outcome) shortens() setup.Problems {
	if o.longEnd != "end" {
		return nil
	}
	return setup.Problems{{Path: "target.region", What: "The target lengthens along this path, so lifting is not its job.",
		Why: "A muscle that lifts shortens.", Hint: "Choose the muscle that lifts here, or reverse the path."}}
}
