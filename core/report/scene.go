package report

import "dialarc/core/setup"

// Scene is what a picture of one place along the path needs: the body, the kit, the lines of force and moment arms.
type Scene struct {
	S        float64            `json:"s" doc:"Place along the path."`
	AngleDeg float64            `json:"angleDeg" doc:"The coordinate that names the target joint's sweep, degrees."`
	Heading  float64            `json:"headingDeg" doc:"Where the lifter faces, degrees."`
	Sizes    map[string]float64 `json:"sizes" doc:"Lengths of the body, m."`
	Segments []SceneSegment     `json:"segments"`
	Loads    []SceneLoad        `json:"loads"`
	Columns  []SceneColumn      `json:"columns"`
	Pads     []ScenePad         `json:"pads" doc:"Seat, bench and a pad under the arms."`
	Contacts []Contact          `json:"contacts" doc:"What the surroundings push with to hold the lifter here."`
	Base     []Point            `json:"base" doc:"Outline of what stands on the floor, m; empty where a seat or bench carries too."`
	Pressure *Point             `json:"pressure,omitempty" doc:"Where the floor would have to push, m."`
	Joint    string             `json:"joint" doc:"The target joint."`
	Posture  string             `json:"posture" doc:"Kind of posture."`
	Arm      []SceneHandle      `json:"arm,omitempty" doc:"By what the arm can be led where the path is given pose by pose."`
	Guide    *SceneGuide        `json:"guide,omitempty" doc:"The line or arc that leads the hand."`
}

// SceneHandle is a place of the lead side's arm by which it can be led.
type SceneHandle struct {
	By string `json:"by" enum:"hand,elbow"`
	At Point  `json:"at" doc:"m."`
}

// SceneGuide is a line or arc that leads the hand of the lead side, as it would if the shoulder blades stood still.
type SceneGuide struct {
	Kind  string `json:"kind" enum:"line,arc"`
	Start Point  `json:"start" doc:"Where the hand starts, m."`
	Other Point  `json:"other" doc:"Where a line ends, or the centre of an arc, m."`
	Frame string `json:"frame" doc:"What its places are counted in: the room, or the lifter's own directions." enum:"room,lifter"`
}

// ScenePad is a flat cushion.
type ScenePad struct {
	Middle Point      `json:"middle" doc:"m."`
	Turn   [9]float64 `json:"turn" doc:"Rotation matrix by rows."`
	Half   Point      `json:"half" doc:"Half lengths along its own axes, m."`
}

// SceneSegment is one rigid part: its near joint, its axes and its length.
type SceneSegment struct {
	Name   string     `json:"name"`
	Origin Point      `json:"origin" doc:"Near joint, m."`
	Turn   [9]float64 `json:"turn" doc:"Rotation matrix by rows; the segment runs along -Y from its origin."`
}

// SceneLoad is one load at this place.
type SceneLoad struct {
	Index     int            `json:"index"`
	ID        string         `json:"id"`
	Kind      setup.LoadKind `json:"kind"`
	Mirror    bool           `json:"mirror" doc:"The other limb's copy."`
	Side      string         `json:"side"`
	State     string         `json:"state" enum:"working,slack,toppedOut,tooWide,offPad"`
	Segment   string         `json:"segment" doc:"What it is fixed to."`
	Contact   Point          `json:"contact"`
	Pulley    *Point         `json:"pulley,omitempty" doc:"Pulley or anchor."`
	Force     Point          `json:"force" doc:"N."`
	Tension   float64        `json:"tension" doc:"N."`
	Joint     Point          `json:"joint" doc:"The target joint on this side."`
	Foot      Point          `json:"foot" doc:"Where the moment arm meets the line of force, in the plane of movement."`
	MomentArm float64        `json:"momentArm" doc:"m."`
	InPlane   float64        `json:"inPlane" doc:"Share of the force in the plane of movement."`
	Mass      float64        `json:"mass" doc:"On the pin or in the hand, kg."`
	Stretch   float64        `json:"stretch" doc:"Of a band, length over length at rest."`
	Shape     []Point        `json:"shape" doc:"Points that its kind is drawn with: a bar's ends; a bar's middle and ends on a cable; the junction of strands; a lever's pivot, plates and handle; a machine's axis and pad."`
}

// SceneColumn is an upright with its holes.
type SceneColumn struct {
	Index     int     `json:"index" doc:"The load it belongs to."`
	Mirror    bool    `json:"mirror"`
	X         float64 `json:"x"`
	Z         float64 `json:"z"`
	Height    float64 `json:"height"`
	HalfWidth float64 `json:"halfWidth"`
	Lowest    float64 `json:"lowestHole" doc:"Height of hole 1, m; 0 when there are no numbered holes."`
	Spacing   float64 `json:"spacing"`
	Holes     int     `json:"holes"`
	Mass      float64 `json:"mass" doc:"On the pin, kg."`
	Lift      float64 `json:"lift" doc:"How far the stack is raised here, m; 0 at rest."`
	Travel    float64 `json:"travel" doc:"How far it can rise, m."`
}
