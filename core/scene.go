package core

import (
	"sort"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/support"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

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
	Index     int     `json:"index"`
	ID        string  `json:"id"`
	Kind      string  `json:"kind"`
	Mirror    bool    `json:"mirror" doc:"The other limb's copy."`
	Side      string  `json:"side"`
	State     string  `json:"state" enum:"working,slack,toppedOut,tooWide,offPad"`
	Segment   string  `json:"segment" doc:"What it is fixed to."`
	Contact   Point   `json:"contact"`
	Pulley    *Point  `json:"pulley,omitempty" doc:"Pulley or anchor."`
	Force     Point   `json:"force" doc:"N."`
	Tension   float64 `json:"tension" doc:"N."`
	Joint     Point   `json:"joint" doc:"The target joint on this side."`
	Foot      Point   `json:"foot" doc:"Where the moment arm meets the line of force, in the plane of movement."`
	MomentArm float64 `json:"momentArm" doc:"m."`
	InPlane   float64 `json:"inPlane" doc:"Share of the force in the plane of movement."`
	Mass      float64 `json:"mass" doc:"On the pin or in the hand, kg."`
	Stretch   float64 `json:"stretch" doc:"Of a band, length over length at rest."`
	Shape     []Point `json:"shape" doc:"Points that its kind is drawn with: a bar's ends; a bar's middle and ends on a cable; the junction of strands; a lever's pivot, plates and handle; a machine's axis and pad."`
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

var stateNames = map[load.State]string{load.Working: "working", load.Slack: "slack", load.ToppedOut: "toppedOut",
	load.TooWide: "tooWide", load.OffPad: "offPad", load.Blocked: "blocked", load.NoAxis: "noAxis"}

// SceneAt computes the scene of a valid document at s in [0, 1].
func SceneAt(d *setup.Document, s float64) (*Scene, setup.Problems) {
	problems := setup.Validate(d)
	if !(s >= 0 && s <= 1) {
		problems = append(problems, setup.Problem{Path: "s", What: "The place along the path is outside it.", Hint: "Give 0 to 1."})
	}
	if len(problems) > 0 {
		return nil, problems
	}
	m := newModel(d)
	var f body.Frames
	m.path.Place(s, &f)
	b := &m.body
	lead := m.path.Lead()
	name := torque.NameOf(m.path, lead, m.joint, &m.axis)
	sc := &Scene{Segments: make([]SceneSegment, 0, body.NumSegments), Loads: make([]SceneLoad, 0, len(m.items)), Columns: make([]SceneColumn, 0, len(m.columns)),
		Pads: make([]ScenePad, 0, len(m.station.Pads)), S: s, AngleDeg: space.Deg(f.Pose[lead][name]), Heading: d.Posture.HeadingDeg, Joint: m.joint.Name(), Posture: d.Posture.Kind,
		Sizes: map[string]float64{"stature": b.Stature, "upperArm": b.UpperArm, "forearm": b.Forearm, "hand": b.Hand, "grip": b.Grip,
			"shoulderHeight": b.ShoulderHeight, "shoulderHalf": b.ShoulderHalf, "hipHeight": b.HipHeight, "hipHalf": b.HipHalf,
			"kneeHeight": b.KneeHeight, "ankleHeight": b.AnkleH, "footLength": b.FootLength, "chinHeight": b.ChinHeight}}
	for seg, name := range body.SegmentNames {
		sc.Segments = append(sc.Segments, SceneSegment{Name: name, Origin: point(f.Origin[seg]), Turn: flat(&f.Turn[seg])})
	}
	for i := range m.items {
		sc.Loads = append(sc.Loads, m.sceneLoad(&m.items[i], &f))
	}
	for _, c := range m.columns {
		sc.Columns = append(sc.Columns, m.sceneColumn(&c, &f))
	}
	var br support.Bracer
	brace := br.At(&f, d, m.items, 1)
	sc.Contacts, sc.Base = contacts(brace.Pushes), make([]Point, 0, 8)
	for _, p := range support.Base(&f, d) {
		sc.Base = append(sc.Base, point(p))
	}
	if len(sc.Base) > 0 {
		p := point(brace.Centre)
		sc.Pressure = &p
	}
	for _, p := range append(support.ArmPads(&f, &d.Posture), m.station.Pads...) {
		sc.Pads = append(sc.Pads, ScenePad{Middle: point(p.Middle), Turn: flat(&p.Turn), Half: point(p.Half)})
	}
	return sc, nil
}

func flat(m *space.Mat) [9]float64 {
	var out [9]float64
	for i := range 9 {
		out[i] = m[i/3][i%3]
	}
	return out
}

func (m *model) sceneLoad(it *load.Item, f *body.Frames) SceneLoad {
	pull := it.At(f)
	side := body.Right
	if it.Segment >= body.UpperArmL {
		side = body.Left
	}
	joint := side.Joint(m.joint)
	l := SceneLoad{Index: it.Index, ID: it.Def.ID, Kind: it.Def.Kind, Mirror: it.Mirror, Side: side.Name(), State: stateNames[pull.State],
		Segment: body.SegmentNames[it.Segment], Contact: point(pull.Contact), Force: point(pull.Force), Tension: pull.Tension, Joint: point(f.Joint[joint]),
		Foot: point(f.Joint[joint]), Mass: it.Def.Mass, Stretch: pull.Stretch, Shape: make([]Point, 0, 3)}
	if it.From != nil {
		p := point(*it.From)
		l.Pulley, l.Mass = &p, max(it.Def.StackMass, it.Def.PlateMass)
	}
	for _, p := range it.Shape(f) {
		l.Shape = append(l.Shape, point(p))
	}
	axis := torque.AxisOf(f, joint, side, &m.axis)
	if axis != (space.Vec{}) && pull.Tension > 0 {
		foot := torque.Foot(f.Joint[joint], axis, pull)
		l.Foot, l.MomentArm = point(foot), space.Norm(r3.Sub(foot, f.Joint[joint]))
		l.InPlane = space.Norm(space.Reject(pull.Force, axis)) / pull.Tension
	}
	return l
}

func (m *model) sceneColumn(c *support.Column, f *body.Frames) SceneColumn {
	def := &m.doc.Loads[c.Index]
	out := SceneColumn{Index: c.Index, Mirror: c.Mirror, X: c.X, Z: c.Z, Height: c.Height, HalfWidth: c.HalfWidth}
	if c.Known != nil {
		out.Lowest, out.Spacing, out.Holes = c.Known.LowestHole, c.Known.Spacing, c.Known.Holes
	}
	out.Mass, out.Travel = def.StackMass, def.Travel
	for i := range m.items {
		if it := &m.items[i]; it.Index == c.Index && it.Mirror == c.Mirror {
			out.Lift = max(0, min(def.Travel, it.At(f).Lift))
		}
	}
	return out
}

func sortProblems(p []setup.Problem) {
	sort.SliceStable(p, func(i, j int) bool { return p[i].Path < p[j].Path })
}
