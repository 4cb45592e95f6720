package muscle

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// The rows at which the torques of an arm are shared out: three at the shoulder along the upper arm's axes, two at the inner end of
// the collar bone, three between collar bone and blade, one at the elbow, one about the forearm. The blade has rows of its own because
// it is held by what is on the blade: a muscle that draws the arm back about the inner end of the collar bone may do next to nothing
// about its outer end.
// Neighbouring joints have neighbouring rows, so that a muscle that crosses few joints does something to few rows.
const (
	rowGirdle   = 0
	rowBlade    = 2
	rowShoulder = 5
	rowElbow    = 8
	rowTurn     = 9
)

// Prices of what is passive: stiffness over the square of the scale (own). They are prices, not limits, so that shares do not depend
// on the size of the load.
const (
	free = 0.02 // all but free

	elbowStop = 60.0 // N·m; near straight the joint holds a drooping forearm, so that a straight arm is not charged to the biceps
	elbowCost = 0.5
	elbowFull = 10 * math.Pi / 180
	elbowZero = 25 * math.Pi / 180

	turnStop = 20.0 // N·m, at either end of the forearm's turn
	turnFull = 70 * math.Pi / 180
	turnZero = 50 * math.Pi / 180

	// N·m; a low collar bone lies near the first rib and its ligaments are near taut (trend: Bearn 1961, Anat Rec 141:351, from memory)
	collarStop  = 200.0
	collarFull  = 5 * math.Pi / 180
	collarZero  = 12 * math.Pi / 180
	collarRises = 0.12 // with the arm's elevation

	// Raised as far as it goes the collar bone hangs in the ligament to the first rib: it rises by some 45 degrees (a textbook's number, from
	// memory; the spread own).
	raisedFull = 46 * math.Pi / 180
	raisedZero = 38 * math.Pi / 180

	ligament = 3.0   // N·m, between collar bone and blade, either way
	ribPush  = 500.0 // N
)

// Weights of what is left over, per (N·m)²: about the upper arm's long axis less, since small muscles that are not in the table serve
// it (own). A ligament that gives either way at a price is a row that weighs less: 1/w + 1/price.
const (
	twistWeight = 0.1
	bladePrice  = free / (ligament * ligament)
	bladeWeight = 1 / (1 + 1/bladePrice)
)

var rowWeights = [most]float64{1, 1, math.Sqrt(bladeWeight), math.Sqrt(bladeWeight), math.Sqrt(bladeWeight), 1, math.Sqrt(twistWeight), 1,
	1, 1}

// ribsAt are the places of the blade that lie on the ribs, from the shoulder's centre in the blade's axes, m: its inner upper end and
// its lower corner (own).
var ribsAt = [2]space.Vec{{X: -0.085, Y: 0.005, Z: -0.100}, {X: -0.092, Y: -0.110, Z: -0.085}}

// rowJoint is the joint that each row belongs to.
var rowJoint = [most]crossing{atGirdle, atGirdle, atBlade, atBlade, atBlade, atShoulder, atShoulder, atShoulder, atElbow, atElbow}

// ShareArm finds who carries a need of an arm in a pose of the right side.
func (m *Model) ShareArm(q *body.Pose, need *Need) *Answer {
	m.lay(q, need.GirdleMoves)
	p, s, out := m.at, &m.share, &m.Answer
	a := &p.arm
	out.reset()
	s.columns = p.columns
	blade := r3.Sub(need.Shoulder, r3.Cross(r3.Sub(a.joint[atShoulder], a.joint[atBlade]), need.OnArm))
	y := p.row(&[crossings]space.Vec{need.Girdle, blade, need.Shoulder, need.Elbow}, r3.Dot(need.Elbow, a.along))
	for i := range y {
		y[i] /= need.strength()
	}
	s.solve(&y)
	m.tellArm(need.strength())
	return out
}

// ribs is the direction in which the ribs push at a place: outward from an ellipse about the trunk's middle, level (own).
func ribs(at space.Vec, scale float64) space.Vec {
	const half, wide = 0.11, 0.15 // depth and width, m
	return r3.Unit(space.Vec{X: (at.X/scale + 0.025) / (half * half), Z: (at.Z/scale + 0.173) / (wide * wide)})
}

// tellArm sums the strands up by their heads, as strong as the lifter is.
func (m *Model) tellArm(strength float64) {
	out, s, laid := &m.Answer, &m.share, m.at
	var force [maxHeads]float64
	for j, l := range m.lines {
		a, h, now := s.x[j], l.head, &laid.now[j]
		if a > out.Most {
			out.Most, out.Largest = a, h
		}
		force[h] += l.force
		out.Activation[h] += a * l.force
		out.Length[h] += laid.norm[j] * l.force
		out.Lever[h] = r3.Add(out.Lever[h], r3.Scale(l.force, now.about[atShoulder]))
		if a == 0 {
			continue
		}
		n := strength * a * laid.strength[j]
		for c := range out.About {
			out.About[c][h] = r3.Add(out.About[c][h], r3.Scale(n, now.about[c]))
		}
		out.Turn[h] += n * now.turn
		out.OnHumerus = r3.Add(out.OnHumerus, r3.Scale(n, now.force[atShoulder]))
		out.OnForearm = r3.Add(out.OnForearm, r3.Scale(n, now.force[atElbow]))
	}
	m.means(&force)
	for k, w := range m.whole {
		out.GroupLong[heads[w.head].Group] = laid.whole[k]
	}
	given := func(k, row int) float64 {
		j := len(m.lines) + k
		return strength * s.x[j] * s.columns[j].at[row] / rowWeights[row]
	}
	p := &out.Passive
	p.ElbowStop, p.TurnStop, p.Collar = given(0, rowElbow), given(1, rowTurn), given(2, rowGirdle)
	for i := range p.Ribs {
		p.Ribs[i] = strength * ribPush * s.x[len(m.lines)+3+i]
	}
	m.leftOfArm(strength)
}

// leftOfArm tells what the rows lack; in those of the blade all but a trifle of it is what the ligaments give.
func (m *Model) leftOfArm(strength float64) {
	out, axes := &m.Answer, &m.at.frame
	var left [most]float64
	for i := range left {
		left[i] = strength * m.share.r[i] / rowWeights[i]
	}
	for i := range out.Passive.Blade {
		out.Passive.Blade[i] = left[rowBlade+i] / (1 + bladePrice)
	}
	for i := rowShoulder; i < rowElbow; i++ {
		out.Left.Shoulder = r3.Add(out.Left.Shoulder, r3.Scale(left[i], axes[i]))
	}
	out.Left.Girdle = r3.Add(r3.Scale(left[rowGirdle], axes[rowGirdle]), r3.Scale(left[rowGirdle+1], axes[rowGirdle+1]))
	out.Left.Elbow = r3.Add(r3.Scale(left[rowElbow], axes[rowElbow]), r3.Scale(left[rowTurn], axes[rowTurn]))
}

// means divides the sums over strands by the heads' forces, and gives groups the length of their heads.
func (m *Model) means(force *[maxHeads]float64) {
	out := &m.Answer
	var whole [maxHeads]float64
	for g := range out.GroupLong {
		out.GroupLong[g] = 0
	}
	for h := range heads {
		if force[h] == 0 {
			out.Length[h] = math.NaN()
			continue
		}
		g := heads[h].Group
		whole[g] += force[h]
		out.GroupLong[g] += out.Length[h]
		out.Activation[h] /= force[h]
		out.Length[h] /= force[h]
		out.Lever[h] = r3.Scale(1/force[h], out.Lever[h])
	}
	for g := range out.GroupLong {
		if out.GroupLong[g] /= whole[g]; whole[g] == 0 {
			out.GroupLong[g] = math.NaN()
		}
	}
}

// UpperArm is the direction of the upper arm in the pose that was asked for last, trunk axes.
func (m *Model) UpperArm() space.Vec { return r3.Scale(-1, m.at.frame[rowShoulder+1]) }

// ElbowHinge is the elbow's axis in that pose, trunk axes.
func (m *Model) ElbowHinge() space.Vec { return m.at.frame[rowElbow] }

// ForearmAxis is the forearm's long axis in that pose, from the hand to the elbow, trunk axes.
func (m *Model) ForearmAxis() space.Vec { return m.at.frame[rowTurn] }

// GirdleAxes are the axes about which the collar bone rises and is drawn forward, trunk axes.
func (m *Model) GirdleAxes() (rises, forward space.Vec) {
	return m.at.frame[rowGirdle], m.at.frame[rowGirdle+1]
}

// socket is the direction in which the shoulder's socket faces, in the blade's axes (own).
var socket = space.Vec{X: 0.6, Z: 0.8}

// Lean is by how much a force on the upper arm's head, trunk axes, leans away from the axis of the socket that it presses into, degrees.
func (m *Model) Lean(force space.Vec) float64 {
	into := r3.Scale(-1, m.at.arm.turn[scapulaBody].Apply(socket))
	if space.Norm(force) == 0 {
		return 0
	}
	return space.Deg(math.Acos(max(-1, min(1, r3.Dot(r3.Unit(force), into)))))
}
