// Package movement turns the movement of a document into joint coordinates along the path s in [0, 1], which runs in
// the direction of lifting.
package movement

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/spatial/r3"
)

// Path gives the coordinates of both sides of the body at every place along the repetition. It remembers what it was asked and must not be
// shared between goroutines.
type Path struct {
	body    *body.Body
	station *body.Station
	moves   [2]bool // by body.Side
	tracks  []track
	fixed   body.Pose
	solve   func(s float64, q *body.Pose) float64 // coordinates that a constraint decides, and by how many metres it cannot be met
	resting []track                               // what of the side that takes no part moves all the same
	idle    body.Pose                             // of a side that takes no part
	joins   bool                                  // its hand holds the handle of the one that moves
	rests   [][]setup.Coordinate                  // what turns together and may come to rest on the way
	free    float64                               // by how many metres the free hand misses what it holds on to
	still   bool                                  // a hold
	bends   bool                                  // the trunk, along the path
	rides   bool                                  // a carriage on rails: the feet stay in place
	hangs   bool                                  // by the hands: the body swings under them
	start   space.Vec                             // the end of the lead limb that stays in place, at the start
	places  *Places                               // that were asked for
	weight  *balance                              // that is kept along the path, nil where nothing has to be
}

// hanging is the pose of an arm that takes no part: a little off the body, radians (own).
var hanging = body.Pose{setup.ShoulderElevation: space.Rad(6), setup.ElbowFlexion: space.Rad(8)}

// New reads a movement that has been validated, for a body at its station. Coordinates that the movement does not name
// are zero, those of the legs the posture's. Between keyframes the coordinates follow the piecewise cubic that never
// overshoots (Fritsch & Butland 1984, SIAM J Sci Stat Comput 5:300-304); two keyframes give a straight line.
func New(d *setup.Document, b *body.Body, st *body.Station) *Path {
	m := &d.Movement
	p := &Path{body: b, station: st, fixed: st.Legs, idle: hanging, still: m.Kind == "hold", bends: m.TrunkMoves(),
		hangs: d.Hangs(), rides: d.Rides(), joins: d.JoinsHands()}
	p.readSides(d)
	for key, deg := range m.Hold {
		if c, ok := setup.CoordinateOf(key); ok {
			p.fixed[c] = space.Rad(deg)
		}
	}
	p.readKind(m)
	p.readLead(d)
	p.rests = p.mayRest()
	if p.joins {
		p.free = p.joiningMisses()
	}
	if p.overEnds() {
		var poses, rates [2]body.Pose
		var f body.Frames
		p.At(0, &poses, &rates)
		p.settle(&poses, &rates, &f)
		p.start, _ = p.stays(&f)
	}
	return p
}

// readSides notes which sides move, and how the one holds itself that does not.
func (p *Path) readSides(d *setup.Document) {
	m, st := &d.Movement, p.station
	for c := setup.HipFlexion; c <= setup.AnkleFlexion; c++ {
		p.idle[c] = st.Legs[c]
	}
	p.moves[body.Right] = m.Side != "left"
	p.moves[body.Left] = m.Side != "right"
	if d.FreeLeg() {
		p.idle[setup.KneeFlexion] = space.Rad(setup.FreeKneeDeg)
	}
	switch {
	case p.Both():
	case d.Posture.SupportHand != nil:
		p.holdOn(vec(d.Posture.SupportHand))
	case st.Leans:
		p.holdOn(p.ownThigh())
	}
	p.readOther(m.Other)
}

// readKind notes what a movement itself says of its path.
func (p *Path) readKind(m *setup.Movement) {
	switch m.Kind {
	case "keyframes":
		p.fromKeyframes(m.Keyframes)
	case "shoulder-raise":
		p.sweep("shoulder.elevation", m)
		if m.StartPlane != nil {
			p.tracks = append(p.tracks, fit(setup.ShoulderPlane, []float64{0, 1}, []float64{space.Rad(*m.StartPlane), p.fixed[setup.ShoulderPlane]}))
		}
	case "sweep":
		p.sweep(m.Primary, m)
	case "guided":
		p.solve = p.guided(m.Guide)
		if p.station.OnToes {
			p.solve = p.pushedUp(m.Guide)
		}
	}
}

// readLead notes what leads the limbs on beyond that: a strand, a bar, the floor.
func (p *Path) readLead(d *setup.Document) {
	m := &d.Movement
	switch {
	case m.NoSpin:
		p.unspin(1)
	case m.Natural:
		p.unspin(0.5)
	case m.InLine != "":
		p.solve = p.inLine(d)
	case m.BarWidth > 0:
		p.solve = p.onBar(m.BarWidth)
	}
	if led := p.ledLegs(d); led != nil {
		p.solve = led
	}
}

// track is how one coordinate goes along the path: in a straight line, or along a curve.
type track struct {
	c           setup.Coordinate
	from, slope float64
	curve       *interp.FritschButland // nil for a straight line
}

// at is the coordinate and its rate; beyond the ends of the path it goes straight on.
func (t *track) at(s float64) (q, rate float64) {
	if t.curve == nil {
		return t.from + s*t.slope, t.slope
	}
	within := min(max(s, 0), 1)
	rate = t.curve.PredictDerivative(within)
	return t.curve.Predict(within) + (s-within)*rate, rate
}

func (p *Path) sweep(key string, m *setup.Movement) {
	if c, ok := setup.CoordinateOf(key + "Deg"); ok {
		p.tracks = append(p.tracks, fit(c, []float64{0, 1}, []float64{space.Rad(m.FromDeg), space.Rad(m.ToDeg)}))
	}
}

func (p *Path) fromKeyframes(frames []setup.Keyframe) {
	s := make([]float64, len(frames))
	for i, f := range frames {
		s[i] = f.S
	}
	for key := range frames[0].Pose {
		c, ok := setup.CoordinateOf(key)
		if !ok {
			continue
		}
		angles := make([]float64, len(frames))
		for i, f := range frames {
			angles[i] = space.Rad(f.Pose[key])
		}
		p.tracks = append(p.tracks, fit(c, s, angles))
	}
}

func fit(c setup.Coordinate, x, y []float64) track {
	t := track{c: c, from: y[0], slope: y[len(y)-1] - y[0]}
	if len(x) == 2 {
		return t
	}
	t.curve = &interp.FritschButland{}
	if err := t.curve.Fit(x, y); err != nil { // validated keyframes always fit
		panic("movement: " + err.Error())
	}
	return t
}

// unspin makes the upper arm turn about itself nowhere: with the rate p' of the plane at an elevation e the rotation has
// to change by p'(1 - cos e), or by a share of that. The integral is by Simpson's rule.
func (p *Path) unspin(share float64) {
	const n = 200
	s, turn := make([]float64, n+1), make([]float64, n+1)
	rate := func(s float64) float64 {
		var q, dq body.Pose
		p.named(s, &q, &dq)
		return share * dq[setup.ShoulderPlane] * (1 - math.Cos(q[setup.ShoulderElevation]))
	}
	var q, dq body.Pose
	p.named(0, &q, &dq)
	turn[0] = q[setup.ShoulderRotation]
	for i := 1; i <= n; i++ {
		s[i] = float64(i) / n
		turn[i] = turn[i-1] + (rate(s[i-1])+4*rate(s[i]-0.5/n)+rate(s[i]))/(6*n)
	}
	p.tracks = append(p.tracks, fit(setup.ShoulderRotation, s, turn)) // over what was named before
}

// named writes the coordinates that the movement names, and their rates. Beyond its ends the path goes straight on, so
// that differences can be taken there.
func (p *Path) named(s float64, q, dq *body.Pose) {
	*q, *dq = p.fixed, body.Pose{}
	for i := range p.tracks {
		t := &p.tracks[i]
		q[t.c], dq[t.c] = t.at(s)
	}
}

// difference is the step in s over which the rates of a constrained path are differences.
const difference = 1e-5

// At writes the joint coordinates of both sides at s (radians) and their rates per unit s. A side that takes no part
// stays still; the trunk is the same for both.
func (p *Path) At(s float64, poses, rates *[2]body.Pose) {
	q, dq := p.pose(s)
	for side, moves := range p.moves {
		if moves {
			poses[side], rates[side] = q, dq
		} else {
			poses[side], rates[side] = p.other(s)
			if p.joins {
				poses[side], rates[side] = p.joined(&q, &dq)
			}
			poses[side].MirrorTrunk(&q)
			rates[side].MirrorTrunk(&dq)
		}
	}
}

// readOther reads how the side that takes no part is.
func (p *Path) readOther(o *setup.OtherSide) {
	if o == nil {
		return
	}
	for key, deg := range o.Start {
		c, ok := setup.CoordinateOf(key)
		if !ok {
			continue
		}
		p.idle[c] = space.Rad(deg)
		if end, moves := o.End[key]; moves {
			p.resting = append(p.resting, fit(c, []float64{0, 1}, []float64{space.Rad(deg), space.Rad(end)}))
		}
	}
}

// other is the pose of the side that takes no part, and its rates.
func (p *Path) other(s float64) (q, dq body.Pose) {
	q = p.idle
	for i := range p.resting {
		t := &p.resting[i]
		q[t.c], dq[t.c] = t.at(s)
	}
	return q, dq
}

// pose is that of a side that moves, and its rates.
func (p *Path) pose(s float64) (q, dq body.Pose) {
	q, dq = p.raw(s)
	for _, group := range p.rests {
		p.point(group, s, &q, &dq)
	}
	return q, dq
}

func (p *Path) raw(s float64) (q, dq body.Pose) {
	if p.solve != nil {
		return p.solved(s)
	}
	p.named(s, &q, &dq)
	return q, dq
}

// solved is the pose of a constrained path and its rates; apart from raw, whose values then need no memory of their own.
func (p *Path) solved(s float64) (q, dq body.Pose) {
	if p.weight != nil {
		p.named(s, &q, &dq)
		p.solve(s, &q)
		p.weight.keep(s, &q, &dq)
		return q, dq
	}
	at := func(s float64) body.Pose {
		var q, rate body.Pose
		p.named(s, &q, &rate)
		p.solve(s, &q)
		return q
	}
	q = at(s)
	before, after := at(s-difference), at(s+difference)
	before.ReadAs(&q)
	after.ReadAs(&q)
	for c := range dq {
		dq[c] = math.Remainder(after[c]-before[c], 2*math.Pi) / (2 * difference)
	}
	return q, dq
}

// Place computes the frames of the whole body at s.
func (p *Path) Place(s float64, f *body.Frames) {
	var poses, rates [2]body.Pose
	p.At(s, &poses, &rates)
	p.Put(&poses, &rates, f)
}

// Put computes the frames of the whole body in any poses at any rates. Where the hands stay in place, or the feet while a carriage bears
// the back, the body moves over them.
func (p *Path) Put(poses, rates *[2]body.Pose, f *body.Frames) {
	p.settle(poses, rates, f)
	if !p.overEnds() {
		return
	}
	end, segment := p.stays(f)
	by := r3.Sub(p.start, end)
	drift := r3.Scale(-1, f.Velocity(segment, end))
	if p.Both() { // what the two hands or feet do sideways cancels
		across := p.station.Heading.Apply(space.Z)
		by, drift = space.Reject(by, across), space.Reject(drift, across)
	}
	f.Shift(by, drift)
}

// overEnds says whether the body moves over hands or feet that stay in place; on hands and toes it turns about the toes instead.
func (p *Path) overEnds() bool {
	return p.rides || p.station.Root == body.OnHands && !p.station.OnToes
}

// settle computes the frames before the body is brought over what stays in place.
func (p *Path) settle(poses, rates *[2]body.Pose, f *body.Frames) {
	f.Place(p.body, p.station, poses, rates)
	if p.hangs {
		f.Hang()
	}
}

// stays is the end of the lead limb that stays in place while the body moves, and what it is fixed to: the hand, or the sole under a
// carriage.
func (p *Path) stays(f *body.Frames) (space.Vec, body.Segment) {
	lead := p.Lead()
	if p.rides {
		return f.Sole(lead, false), lead.On(body.FootR)
	}
	return f.Grip[lead], lead.On(body.HandR)
}

// Misses is by how much the path cannot do what its guide, strand or bar asks at s, m; 0 where it can, or nothing is
// asked.
func (p *Path) Misses(s float64) float64 {
	if p.solve == nil {
		return 0
	}
	var q, dq body.Pose
	p.named(s, &q, &dq)
	return p.solve(s, &q)
}

// ArmMoves says whether shoulder or elbow of the side that moves change along the path, or are held by it.
func (p *Path) ArmMoves() bool {
	if p.still {
		return true
	}
	start, _ := p.raw(0)
	middle, _ := p.raw(0.6)
	for c := setup.ShoulderPlane; c <= setup.ElbowFlexion; c++ {
		if math.Abs(start[c]-middle[c]) > 1e-6 {
			return true
		}
	}
	return false
}

// Lead is the side that the profile is read from: the left only when it moves alone.
func (p *Path) Lead() body.Side {
	if p.moves[body.Right] {
		return body.Right
	}
	return body.Left
}

// Both says whether both sides move, so that one-sided loads are mirrored.
func (p *Path) Both() bool { return p.moves[body.Right] && p.moves[body.Left] }

// Still says whether the movement is a hold, which has no path.
func (p *Path) Still() bool { return p.still }
