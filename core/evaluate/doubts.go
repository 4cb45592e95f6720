package evaluate

import (
	"math"

	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// Bounds beyond which shares are rough (own): little torque beside its peak, much work against each other, twist that nothing holds, arms
// so high that the table's lines are no longer trusted, a joint force that leaves the socket, arms behind the trunk.
const (
	littleTorque = 0.25
	muchAgainst  = 0.30
	muchTwist    = 0.1
	highArm      = 150 // degrees
	leansOut     = 45  // degrees
	behindTrunk  = 8   // degrees that the upper arm points behind the plane of the trunk
	deepHip      = 100 // degrees of flexion
	alone        = 0.95
)

// grounds are what speaks against shares at a place, where peak is the largest torque of all.
var grounds = []struct {
	key, text string
	at        func(w *work, i int, peak float64) bool
}{
	{"little", "Torque is low here, so shares of it mean little.", func(w *work, i int, peak float64) bool {
		return !(math.Abs(w.rep.Total[i]) >= littleTorque*peak)
	}},
	{"against", "Muscles co-contract here; how much is known only roughly.", func(w *work, i int, _ float64) bool {
		return w.out.Against[i] > muchAgainst
	}},
	{"twist", "Some rotation of the upper arm is not held by anything in the model here.", func(w *work, i int, _ float64) bool {
		return math.Abs(w.out.ResidualTwist[i]) > muchTwist*space.Norm(w.rep.Vector[i]) && w.shared(i)
	}},
	{"overhead", "With the arm this high, the model's lines of pull are not reliable.", func(w *work, i int, _ float64) bool {
		return w.joint.Arm() && space.Deg(w.rep.Pose[i][setup.ShoulderElevation]) > highArm
	}},
	{"socket", "The model's joint force would leave the socket here, which a real shoulder prevents.", func(w *work, i int, _ float64) bool {
		return w.out.ShoulderLeanDeg[i] > leansOut
	}},
	{"behind", "Behind the trunk, shares depend on how the head of the humerus is held in its socket, which the model does not know.",
		func(w *work, i int, _ float64) bool { return w.joint.Arm() && w.behind(i) > behindTrunk }},
	{"deep", "This deep, other adductors extend the hip too; the model does not have them.", func(w *work, i int, _ float64) bool {
		return w.joint.Leg() && !w.rests && space.Deg(w.rep.Pose[i][setup.HipFlexion]) > deepHip
	}},
}

// behind is which way the upper arm points behind the plane of the trunk at a place, degrees.
func (w *work) behind(i int) float64 {
	q := &w.rep.Pose[i]
	return space.Deg(math.Asin(-math.Sin(q[setup.ShoulderElevation]) * math.Sin(q[setup.ShoulderPlane])))
}

// largestWhole is the largest share that one muscle with all its parts has at a place.
func (w *work) largestWhole(i int) float64 {
	var sums [maxRegions]float64
	most := 0.0
	for g, whole := range muscle.Wholes() {
		sums[whole] += w.regions[g].Share[i]
		most = max(most, sums[whole])
	}
	return most
}

// shared says whether more than one muscle works at a place: what one does by itself cannot be shared out wrongly.
func (w *work) shared(i int) bool { return w.largestWhole(i) < alone }

// doubts marks the places where shares are rough, and says why.
func (w *work) doubts() {
	peak, out := w.peak(), &w.out
	w.sound = make([]bool, len(out.Firm))
	for i := range out.Firm {
		out.Firm[i], w.sound[i] = 1, true
	}
	out.Doubts = []report.Doubt{}
	for k := range grounds {
		d, from := &grounds[k], -1
		for i := range len(out.Firm) + 1 {
			in := i < len(out.Firm) && d.at(w, i, peak)
			if in {
				w.sound[i] = false
				in = d.key == "little" || w.shared(i)
			}
			if in {
				out.Firm[i] = 0
			}
			switch {
			case in && from < 0:
				from = i
			case !in && from >= 0:
				out.Doubts = append(out.Doubts, report.Doubt{Key: d.key, Text: d.text, FromS: report.Rounded(out.S[from]),
					ToS: report.Rounded(out.S[i-1])})
				from = -1
			}
		}
	}
}
