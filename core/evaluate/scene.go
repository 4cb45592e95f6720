package evaluate

import (
	"slices"
	"sort"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/support"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

var stateNames = map[load.State]string{load.Working: "working", load.Slack: "slack", load.ToppedOut: "toppedOut",
	load.TooWide: "tooWide", load.OffPad: "offPad", load.Blocked: "blocked", load.NoAxis: "noAxis"}

// SceneAt computes the scene of a valid document at s in [0, 1].
func (e *Evaluator) SceneAt(d *setup.Document, s float64) (*report.Scene, setup.Problems) {
	problems := rules.Validate(d)
	if !(s >= 0 && s <= 1) {
		problems = append(problems, setup.Problem{Path: "s", What: "The place along the path is outside it.", Hint: "Give 0 to 1."})
	}
	if len(problems) > 0 {
		return nil, problems
	}
	m := e.model(d)
	f := m.path.Frames(s)
	b := &m.body
	lead := m.path.Lead()
	name := torque.NameOf(m.path, lead, m.joint, &m.axis)
	sc := &report.Scene{Segments: make([]report.SceneSegment, 0, body.NumSegments), Loads: make([]report.SceneLoad, 0, len(m.items)),
		Columns: make([]report.SceneColumn, 0, len(m.columns)),
		Pads:    make([]report.ScenePad, 0, len(m.station.Pads)), S: s, AngleDeg: space.Deg(f.Pose[lead][name]), Heading: d.Posture.HeadingDeg,
		Joint: m.joint.Name(), Posture: d.Posture.Kind,
		Sizes: map[string]float64{"height": b.Height, "upperArm": b.UpperArm, "forearm": b.Forearm, "hand": b.Hand, "grip": b.Grip,
			"shoulderHeight": b.ShoulderHeight, "shoulderHalf": b.ShoulderHalf, "hipHeight": b.HipHeight, "hipHalf": b.HipHalf,
			"kneeHeight": b.KneeHeight, "ankleHeight": b.AnkleH, "footLength": b.FootLength, "chinHeight": b.ChinHeight}}
	if g := d.Movement.Guide; g != nil {
		start, other := m.path.GuidePoints(g)
		frame := "room"
		if g.Relative {
			frame = "lifter"
		}
		sc.Guide = &report.SceneGuide{Kind: g.Kind, Start: report.PointOf(start), Other: report.PointOf(other), Frame: frame}
	}
	sc.Arm = armHandles(d, f, lead)
	for seg, name := range body.SegmentNames {
		sc.Segments = append(sc.Segments, report.SceneSegment{Name: name, Origin: report.PointOf(f.Origin[seg]), Turn: flat(&f.Turn[seg])})
	}
	for i := range m.items {
		sc.Loads = append(sc.Loads, m.sceneLoad(&m.items[i], f))
	}
	for _, c := range m.columns {
		sc.Columns = append(sc.Columns, m.sceneColumn(&c, f))
	}
	brace := e.brace.At(d, m.path, m.items, s, 1)
	sc.Contacts, sc.Base = contacts(brace.Pushes), make([]report.Point, 0, 8)
	for _, p := range e.brace.Base(d, m.path, s) {
		sc.Base = append(sc.Base, report.PointOf(p))
	}
	if len(sc.Base) > 0 {
		p := report.PointOf(brace.Centre)
		sc.Pressure = &p
	}
	if m.station.HeelsUp {
		sc.Sizes["block"] = d.Posture.Riser
	}
	carried := space.Vec{} // a carriage goes along with its lifter
	if d.Rides() {
		carried = r3.Sub(f.Origin[body.Pelvis], m.station.MidHip)
	}
	for _, p := range slices.Concat(support.ArmPads(f, &d.Posture), m.station.Pads, m.station.Blocks) {
		p.Middle = r3.Add(p.Middle, carried)
		sc.Pads = append(sc.Pads, report.ScenePad{Middle: report.PointOf(p.Middle), Turn: flat(&p.Turn), Half: report.PointOf(p.Half)})
	}
	return sc, nil
}

// armHandles are the elbow and, unless something decides how the upper arm turns, the hand of an arm whose path is given pose by pose.
func armHandles(d *setup.Document, f *body.Frames, lead body.Side) []report.SceneHandle {
	v := &d.Movement
	if v.Kind != "keyframes" || d.Posture.RootOf() == "hands" || v.LegsMove() {
		return nil
	}
	out := []report.SceneHandle{{By: "elbow", At: report.PointOf(f.Joint[lead.Joint(body.ElbowR)])}}
	if v.InLine == "" && v.BarWidth == 0 && !v.NoSpin && !v.Natural {
		out = append(out, report.SceneHandle{By: "hand", At: report.PointOf(f.Grip[lead])})
	}
	return out
}

func flat(m *space.Mat) [9]float64 {
	var out [9]float64
	for i := range 9 {
		out[i] = m[i/3][i%3]
	}
	return out
}

func (m *model) sceneLoad(it *load.Item, f *body.Frames) report.SceneLoad {
	pull := m.input(1).Pulling(f, it)
	side := body.Right
	if it.Segment >= body.UpperArmL {
		side = body.Left
	}
	joint := side.Joint(m.joint)
	l := report.SceneLoad{Index: it.Index, ID: it.Def.ID, Kind: it.Def.Kind, Mirror: it.Mirror, Side: side.Name(),
		State:   stateNames[pull.State],
		Segment: body.SegmentNames[it.Segment], Contact: report.PointOf(pull.Contact), Force: report.PointOf(pull.Force), Tension: pull.Tension,
		Joint: report.PointOf(f.Joint[joint]),
		Foot:  report.PointOf(f.Joint[joint]), Mass: it.Def.Mass, Stretch: pull.Stretch, Shape: make([]report.Point, 0, 3)}
	if it.From != nil {
		p := report.PointOf(*it.From)
		l.Pulley, l.Mass = &p, max(it.Def.StackMass, it.Def.PlateMass)
	} else if it.Def.Kind == setup.Sled {
		l.Mass = it.Def.PlateMass
	}
	for _, p := range it.Shape(f) {
		l.Shape = append(l.Shape, report.PointOf(p))
	}
	axis := torque.AxisOf(f, joint, side, &m.axis)
	if axis != (space.Vec{}) && pull.Tension > 0 && torque.ActsDirectly(&m.station, joint, side) {
		foot := torque.Foot(f.Joint[joint], axis, pull)
		l.Foot, l.MomentArm = report.PointOf(foot), space.Norm(r3.Sub(foot, f.Joint[joint]))
		l.InPlane = space.Norm(space.Reject(pull.Force, axis)) / space.Norm(pull.Force)
	}
	return l
}

func (m *model) sceneColumn(c *support.Column, f *body.Frames) report.SceneColumn {
	def := &m.doc.Loads[c.Index]
	out := report.SceneColumn{Index: c.Index, Mirror: c.Mirror, X: c.X, Z: c.Z, Height: c.Height, HalfWidth: c.HalfWidth}
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
