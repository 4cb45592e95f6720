package report

import (
	"math"
	"slices"

	"dialarc/core/metric"
	"dialarc/core/muscle"
	"dialarc/core/setup"
)

// Muscles says which muscles carry the work, by static optimisation at all joints of the limb at once, at fewer places along the path
// than the curves have. It rests on a table that was recalled, not measured on the lifter.
type Muscles struct {
	S               Curve         `json:"s" doc:"Places along the path."`
	Regions         []RegionPart  `json:"regions" doc:"Muscles and their parts: the target's first, then by how much they do."`
	Heads           []RegionPart  `json:"heads" doc:"The finest pieces of the regions that have several."`
	Target          *RegionPart   `json:"target" doc:"The target as one: the sum of its regions, or one of the heads; null where the model has no such muscle."`
	Against         Curve         `json:"against" doc:"Torque of muscles that turn the other way, as a share of what the helpers give."`
	Passive         []Held        `json:"passive" doc:"What joints at their ends, ligaments and ribs hold."`
	ResidualTwist   Curve         `json:"residualTwist" doc:"Torque about the upper arm that nothing gives, N·m; null for a leg."`
	Residual        Curve         `json:"residual" doc:"Size of what else nothing gives at the target joint, N·m."`
	Largest         Curve         `json:"largest" doc:"Largest activation of any part; above 1.2 the load is more than the model holds."`
	Busiest         []string      `json:"busiest" doc:"The part that has it, by its label, at each place."`
	Raises          Curve         `json:"raises" doc:"Torque that lifts the shoulder girdle, asked of its muscles, N·m; null for a leg."`
	Retracts        Curve         `json:"retracts" doc:"Torque that draws the shoulder girdle back, asked of its muscles, N·m; negative forward; null for a leg."`
	Shoulder        Curve         `json:"shoulder" doc:"Estimate of the force between the joint's surfaces, with the pull of the muscles, N; null for a leg."`
	ShoulderLeanDeg Curve         `json:"shoulderLeanDeg" doc:"How far that force leans from the socket's axis, degrees."`
	Elbow           Curve         `json:"elbow" doc:"The same force at the elbow."`
	Hip             Curve         `json:"hip" doc:"The same at the hip, from muscles that are taken to pull along the thigh; null where it is not known."`
	Knee            Curve         `json:"knee" doc:"The same between thigh and shin."`
	Kneecap         Curve         `json:"kneecap" doc:"Estimate of the force between kneecap and thigh, N."`
	Ankle           Curve         `json:"ankle" doc:"The same at the ankle, where the calf is what works."`
	Spine           Curve         `json:"spine" doc:"Estimate of what presses the thorax on the pelvis at the low back, with the pull of the trunk's muscles, N; negative where it is drawn apart, null where it is not known."`
	Firm            Curve         `json:"firm" doc:"1 where shares can be relied on, 0 where they are rough."`
	Doubts          []Doubt       `json:"doubts" doc:"Why shares are rough, and where."`
	Work            []WorkShare   `json:"work" doc:"Who does how much of the work over the range, the target first and then the largest; empty where that is not known."`
	TargetShare     metric.Metric `json:"targetShare" doc:"The target's part of what all helping muscles give over the range, 0 to 1, where that is known."`
	LengthenedShare metric.Metric `json:"lengthenedShare" doc:"Share of the resisting torque at lengths above the middle of what the target usually owns."`
	LengthenedEnd   string        `json:"lengthenedEnd" doc:"Where on the path the target is longest." enum:"start,end,undecided,unknown"`
}

// Surface is what the surfaces of a joint hold, N; nil for a joint of which the model knows nothing.
func (m *Muscles) Surface(joint string) Curve {
	return map[string]Curve{"shoulder": m.Shoulder, "elbow": m.Elbow, "hip": m.Hip, "knee": m.Knee, "ankle": m.Ankle, "trunk": m.Spine}[joint]
}

// WorkShare is one muscle's part of what all helping muscles give over the range.
type WorkShare struct {
	Key    string  `json:"key"`
	Label  string  `json:"label"`
	Target bool    `json:"target" doc:"Whether it is what the setup is for."`
	Rough  bool    `json:"rough" doc:"Whether it is known only roughly everywhere."`
	Share  float64 `json:"share" doc:"0 to 1."`
}

// RegionPart is what one muscle, or a part of one, does along the path.
type RegionPart struct {
	Key          string  `json:"key"`
	Label        string  `json:"label"`
	Target       bool    `json:"target" doc:"Whether it is what the setup is for, or a piece of that."`
	Weak         string  `json:"weak,omitempty" doc:"Why its share is rough everywhere."`
	TorqueOnly   bool    `json:"torqueOnly,omitempty" doc:"Told in N·m in coarse steps, without a share."`
	Force        float64 `json:"force" doc:"Largest force, N: what means over parts are weighted by."`
	Activation   Curve   `json:"activation" doc:"1 is all of it."`
	Torque       Curve   `json:"torque" doc:"About the target joint's axis, N·m; null in a hold."`
	Share        Curve   `json:"share" doc:"Of what the muscles that help give about the axis, 0 for one that does not; null where that is under 5% of its peak."`
	Retracts     Curve   `json:"retracts" doc:"Torque with which it draws the shoulder girdle back, N·m; null for a leg."`
	Length       Curve   `json:"length" doc:"Of the fibres, over their optimal length."`
	AlignmentDeg Curve   `json:"alignmentDeg" doc:"Angle between its pull about the shoulder and what is needed, degrees; of the target at the shoulder, null elsewhere."`
}

// Curves lists its curves, in the order of the JSON.
func (p *RegionPart) Curves() []*Curve {
	return []*Curve{&p.Activation, &p.Torque, &p.Share, &p.Retracts, &p.Length, &p.AlignmentDeg}
}

// Held is what something other than a muscle holds along the path.
type Held struct {
	Key    string `json:"key" enum:"elbow,turn,collar,blade,ribs"`
	Label  string `json:"label"`
	Kind   string `json:"kind" doc:"Of the values' unit." enum:"torque,force"`
	Values Curve  `json:"values"`
}

// Doubt is a reason why shares are rough over a stretch of the path.
type Doubt struct {
	Key   string  `json:"key" enum:"little,against,twist,overhead,socket,behind,deep"`
	Text  string  `json:"text"`
	FromS float64 `json:"fromS"`
	ToS   float64 `json:"toS"`
}

// Part is what a muscle, a region or a head does, added up from its regions where it has several; nil where the report has nothing of it.
func (m *Muscles) Part(key string) *RegionPart {
	if m.Target != nil && m.Target.Key == key {
		return m.Target
	}
	for _, list := range [][]RegionPart{m.Regions, m.Heads} {
		if i := slices.IndexFunc(list, func(p RegionPart) bool { return p.Key == key }); i >= 0 {
			return &list[i]
		}
	}
	return added(m.Regions, key)
}

// added is the sum of the regions within a whole: torques and shares add up, activations and lengths are means weighted by force.
func added(regions []RegionPart, whole string) *RegionPart {
	var sum *RegionPart
	for i := range regions {
		p := &regions[i]
		if !muscle.Within(p.Key, whole) {
			continue
		}
		if sum == nil {
			sum = &RegionPart{Key: whole, Label: setup.RegionLabel(whole), Target: true}
			for _, c := range sum.Curves() {
				*c = make(Curve, len(p.Activation))
			}
		}
		sum.Force += p.Force
		for k := range p.Activation {
			sum.Activation[k] += p.Force * p.Activation[k]
			sum.Length[k] += p.Force * p.Length[k]
			sum.Torque[k] += p.Torque[k]
			sum.Share[k] += p.Share[k]
			sum.Retracts[k] += p.Retracts[k]
			sum.AlignmentDeg[k] = math.NaN()
		}
	}
	if sum != nil {
		for k := range sum.Activation {
			sum.Activation[k] /= sum.Force
			sum.Length[k] /= sum.Force
		}
	}
	return sum
}
