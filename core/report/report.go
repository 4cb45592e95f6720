// Package report holds what is told of a setup: types and units, without a rule of how anything is found.
package report

import (
	"dialarc/core/metric"
	"dialarc/core/quantity"
	"dialarc/core/setup"
)

// ReportSchema is the version of the report.
const Schema = "dialarc.report/1"

// Report is everything that one document gives. Curves have one value per sample along the path, in the direction of
// lifting; the long end of the target is the first.
type Report struct {
	Schema    string          `json:"schema" doc:"Report version."`
	Name      string          `json:"name" doc:"The document's name."`
	Lead      string          `json:"lead" doc:"Side that the curves are of." enum:"right,left"`
	Both      bool            `json:"both" doc:"Whether the other side does the same, mirrored."`
	Joint     string          `json:"joint" doc:"Joint that the curves are of." enum:"trunk,girdle,shoulder,elbow,hip,knee,ankle"`
	Names     string          `json:"names" doc:"Joint coordinate that angleDeg is, like shoulder.elevation."`
	Label     string          `json:"label" doc:"The same in words."`
	Hold      bool            `json:"hold" doc:"Whether one pose is held: then there is no range and no profile."`
	Trust     string          `json:"trust" doc:"What the capacity rests on." enum:"measured,scaled,sets,estimate,unknown"`
	TrustText string          `json:"trustText" doc:"The same in words."`
	Measured  []Measured      `json:"measured" doc:"What of the loads was measured."`
	TrustWhy  string          `json:"trustWhy,omitempty" doc:"Why the capacity is unknown."`
	Curves    Curves          `json:"curves"`
	Parts     []Part          `json:"parts" doc:"What each load contributes, in the document's order."`
	Joints    []JointPart     `json:"joints" doc:"What the repetition asks of the other joints."`
	Muscles   Muscles         `json:"muscles"`
	Limit     Limit           `json:"limit" doc:"What gives out first, and the loads and repetitions that follow."`
	Bracing   Bracing         `json:"bracing"`
	Pickup    *Pickup         `json:"pickup" doc:"Picking up and putting back two handles; null for any other setup."`
	Pins      []Pins          `json:"pins" doc:"What the pins of known stacks ask."`
	Rubs      []Rub           `json:"rubs" doc:"What each strand comes nearest to."`
	Hurts     []Hurt          `json:"hurts" doc:"Where the path goes through what hurts the lifter."`
	Bearable  Bearable        `json:"bearable"`
	Meets     []Meet          `json:"meets" doc:"Parts of the arm that would have to go through the body or the bench."`
	Cautions  []Caution       `json:"cautions" doc:"Cautions of the trade that apply. They block nothing."`
	Profile   Profile         `json:"profile"`
	Alignment Alignment       `json:"alignment"`
	Starts    []Start         `json:"starts" doc:"How far the stacks are lifted."`
	Gaps      []Gap           `json:"gaps" doc:"Stretches of the range in which a load cannot do its work."`
	Verdicts  []Verdict       `json:"verdicts"`
	Warnings  []setup.Problem `json:"warnings" doc:"What can be evaluated but should be looked at."`
	Path      Path            `json:"path"`
}

// Bearable is what low back and hand can be asked to hold, as the coach has it, or by body mass, training and sex.
type Bearable struct {
	LowBack float64 `json:"lowBack" doc:"N·m."`
	Grip    float64 `json:"grip" doc:"N."`
}

// Curves are the main curves.
type Curves struct {
	S        Curve `json:"s" doc:"Place along the path, 0 to 1."`
	AngleDeg Curve `json:"angleDeg" doc:"The joint coordinate that names the sweep, degrees."`
	SweptDeg Curve `json:"sweptDeg" doc:"Swept angle from the start, degrees."`
	Torque   Curve `json:"torque" doc:"Resisting torque of loads and body while lifting, N·m; null in a hold."`
	Loads    Curve `json:"loads" doc:"Of the loads alone, N·m."`
	Weights  Curve `json:"weights" doc:"Of the body's own weight, N·m."`
	Lowering Curve `json:"lowering" doc:"Of loads and body while lowering, N·m."`
	Capacity Curve `json:"capacity" doc:"Largest torque that the lifter can hold, N·m."`
	Effort   Curve `json:"effort" doc:"Torque over capacity."`
	Target   Curve `json:"target" doc:"What the school wants, scaled to the same mean, N·m; empty without a score."`
	Twist    Curve `json:"twist" doc:"Torque about the moved segment's long axis, N·m."`
	Bend     Curve `json:"bend" doc:"Torque out of the plane of movement, N·m."`
	OffPlane Curve `json:"offPlane" doc:"Size of what the loads leave beside the axis, N·m."`
	Size     Curve `json:"size" doc:"Size of the whole torque vector, N·m."`
	Axial    Curve `json:"axial" doc:"Resultant force at the joint along the moved segment, N: positive pushes it away, negative holds it back. Muscles are not in it."`
	Shear    Curve `json:"shear" doc:"Size of the resultant force at the joint across the segment, N."`
	Grip     Curve `json:"grip" doc:"Force that the fingers have to hold, N: what pushes into the palm is not in it."`
	Lateral  Curve `json:"lateral" doc:"How hard each hand pushes outward on what both hold, N; negative inward, null where it cannot."`
	LowBack  Curve `json:"lowBack" doc:"Torque about the hips' line that bends everything above forward, N·m; null where a pad carries the trunk, or it is the target."`
	Balance  Curve `json:"balance" doc:"Where feet or hands carry the moving body, how far ahead of ankle or grip its weight comes down, m; else null."`
	BarTwist Curve `json:"barTwistDeg" doc:"On a straight bar, how much further the forearm would have to turn for the hand to lie along it, palm in +, degrees: what wrist, elbow and shoulder take up; else null."`
	BarOff   Curve `json:"barOffDeg" doc:"On a straight bar, how far the forearm is from square to it, degrees; else null."`
}

// JointPart is what the repetition asks of a joint beside the target.
type JointPart struct {
	Joint    string `json:"joint"`
	Trust    string `json:"trust" doc:"What its capacity rests on." enum:"measured,scaled,sets,estimate,unknown"`
	Torque   Curve  `json:"torque" doc:"Resisting torque about the joint's own axis, N·m; null where it does not move."`
	Size     Curve  `json:"size" doc:"Size of the torque vector, N·m."`
	Axial    Curve  `json:"axial" doc:"Resultant force along the moved segment, N."`
	Shear    Curve  `json:"shear" doc:"Resultant force across it, N."`
	Capacity Curve  `json:"capacity" doc:"N·m; null where it is unknown."`
	Effort   Curve  `json:"effort" doc:"Torque over capacity."`

	Hardest metric.Metric `json:"hardest" doc:"Its largest effort."`
	Does    string        `json:"does" doc:"The action that counts most there, as in extension; empty where its effort is not known."`
}

// Part is one load's share.
type Part struct {
	ID        string         `json:"id" doc:"The load's id."`
	Index     int            `json:"index" doc:"Its place in the document's loads."`
	Kind      setup.LoadKind `json:"kind" doc:"The load's kind."`
	Torque    Curve          `json:"torque" doc:"Resisting torque, N·m; null where the load cannot work."`
	Tension   Curve          `json:"tension" doc:"Force along its line, N."`
	MomentArm Curve          `json:"momentArm" doc:"Distance from the joint to the line of force in the plane of movement, m."`
	InPlane   Curve          `json:"inPlane" doc:"Share of the force that lies in the plane of movement."`
	Lift      Curve          `json:"lift" doc:"How far the stack is lifted, m."`
	Stretch   Curve          `json:"stretch" doc:"Of a band, length over length at rest; 0 for other kinds."`
}

// Shape describes a torque curve.
type Shape struct {
	Peak         metric.Metric    `json:"peak" doc:"Largest torque, N·m."`
	PeakAngleDeg metric.Metric    `json:"peakAngleDeg" doc:"Where it is, degrees."`
	StartShare   metric.Metric    `json:"startShare" doc:"Share of the peak at the start."`
	EndShare     metric.Metric    `json:"endShare" doc:"Share of the peak at the end."`
	Centroid     metric.Metric    `json:"centroid" doc:"Mean place of the torque, 0 long end to 1 short end."`
	Phase        string           `json:"phase" doc:"early, mid or late; empty when there is no centroid."`
	Thirds       [3]metric.Metric `json:"thirds" doc:"Share of the torque in each third from the long end."`
	Assisting    metric.Metric    `json:"assisting" doc:"Share of the torque that helps the lift."`
}

// Span is a piece of the range.
type Span struct {
	FromDeg float64 `json:"fromDeg"`
	ToDeg   float64 `json:"toDeg"`
}

// Cliff is a piece of the range on which torque changes fast.
type Cliff struct {
	FromDeg float64 `json:"fromDeg"`
	ToDeg   float64 `json:"toDeg"`
	Falls   bool    `json:"falls" doc:"Whether it falls off; else it comes in."`
}

// Profile judges the curve.
type Profile struct {
	Loads            Shape         `json:"loads" doc:"Of the loads alone; the phase word is taken from here."`
	Total            Shape         `json:"total" doc:"With the arm's own weight."`
	PeakEffort       metric.Metric `json:"peakEffort" doc:"Largest torque over capacity."`
	LimitingAngleDeg metric.Metric `json:"limitingAngleDeg" doc:"Where that is, degrees."`
	PeakPlace        string        `json:"peakPlace" doc:"Where the largest torque is, in a coach's words, like with the arms level; empty without a peak."`
	Fit              metric.Metric `json:"fit" doc:"How well the profile fits the school, 0 to 100."`
	LoadFactor       metric.Metric `json:"loadFactor" doc:"Factor on the variable loads for a peak effort of 1."`
	Reps             metric.Metric `json:"reps" doc:"Repetitions possible with this load by the model."`
	DeadSpots        []Span        `json:"deadSpots" doc:"Under 15% of the peak."`
	Cliffs           []Cliff       `json:"cliffs" doc:"More than half the peak lost within a third of the range, or gained within a tenth."`
}

// Alignment says how well the loads lie in the plane of movement.
type Alignment struct {
	ForearmDeg    metric.Metric `json:"forearmDeg" doc:"Where several joints share the movement: by how much the forearm is off the line of what the hand holds, at worst, degrees."`
	ForearmAtDeg  metric.Metric `json:"forearmAtDeg" doc:"Where on the path that is, degrees."`
	OffPlaneShare metric.Metric `json:"offPlaneShare" doc:"Where one joint moves: mean size of the loads' off-axis torque over the mean of their resisting torque."`
	PassesBy      metric.Metric `json:"passesBy" doc:"Seen from above, how far the first cable's line passes from the shoulder at the end of the lift, m; positive in front of it."`
}

// Start says how far a stack is lifted.
type Start struct {
	Index    int     `json:"index" doc:"The cable's place in the document's loads."`
	First    float64 `json:"first" doc:"Lift at the start, m."`
	Least    float64 `json:"least" doc:"Least lift over the range, m; negative when cable is missing."`
	LeastDeg float64 `json:"leastDeg" doc:"Where that is, degrees."`
	Most     float64 `json:"most" doc:"Largest lift, m."`
	Travel   float64 `json:"travel" doc:"The stack's travel, m."`
}

// Gap is a stretch without an answer.
type Gap struct {
	Kind    string  `json:"kind" enum:"slack,toppedOut,tooWide,offPad,blocked,noAxis"`
	Index   int     `json:"index" doc:"The load's place in the document's loads; -1 where it is no load's doing."`
	FromDeg float64 `json:"fromDeg"`
	ToDeg   float64 `json:"toDeg"`
	Why     string  `json:"why"`
}

// Verdict is one sentence for the coach. Text holds names in braces for the values, so that the reader's units can be
// filled in.
type Verdict struct {
	Key    string                       `json:"key" doc:"What it is about." enum:"alignment,profile,stability,start,clearance,jointLoad,muscles"`
	Tone   string                       `json:"tone" doc:"ok, warning or error." enum:"ok,warning,error"`
	Text   string                       `json:"text" doc:"The sentence, values as {name}."`
	Values map[string]quantity.Quantity `json:"values"`
	Doubt  string                       `json:"doubt,omitempty" doc:"Why its numbers are loose: they are shown greyed."`
}

// Path is the geometry of the lead arm over the range, for the picture: three numbers (x, y, z) per sample.
type Path struct {
	Joint     Curve `json:"joint" doc:"Target joint, m."`
	Direction Curve `json:"direction" doc:"Unit vector along the moved segment."`
	Grip      Curve `json:"grip" doc:"Middle of the closed hand, m."`
}

// Measured says what of a load was measured, and when.
type Measured struct {
	Load int     `json:"load" doc:"Place of the load in the document."`
	What string  `json:"what" doc:"The pull of a band, ratio and friction of a cable, a machine's cam or lever." enum:"band,cable,machine"`
	Day  string  `json:"day" doc:"Like 2026-11-30."`
	Off  float64 `json:"off" doc:"How far it could be off at 95 %, as a share; 0 when that is not known."`
}
