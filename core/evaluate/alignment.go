package evaluate

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/metric"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// lineUp measures how well the loads lie where the exercise wants them. Where one joint moves, their torque should be about its axis. Where
// several do, a press, a row, a squat, what is beside one joint's axis is carried by the next or by the other hand, and is no fault; there
// the forearm should be in line with the pull.
func (o *outcome) lineUp() report.Alignment {
	none := metric.Missing("No cable or band acts on a raised arm.")
	l := report.Alignment{PassesBy: none, OffPlaneShare: metric.Missing("The loads put no torque on the joint."),
		ForearmDeg: metric.Missing("One joint moves."), ForearmAtDeg: metric.Missing("One joint moves.")}
	switch {
	case o.axis.Kind == "spin":
		l.OffPlaneShare = metric.Missing("Rotating the arm about its own axis always loads other axes too.")
		return l
	case o.rep.Name == setup.TrunkRotation:
		l.OffPlaneShare = metric.Missing("Turning the trunk against a pull from the side always bends it too.")
		return l
	case o.severalMove():
		l.OffPlaneShare = metric.Missing("Several joints share this movement.")
		switch {
		case o.doc.Hangs():
			l.ForearmDeg = metric.Missing("Who hangs bends the elbows against the body's weight.")
			l.ForearmAtDeg = l.ForearmDeg
		case o.joint == body.ShoulderR:
			l.ForearmDeg, l.ForearmAtDeg = o.forearmOff()
		}
		return l
	}
	off, along := 0.0, 0.0
	for i := range o.rep.S {
		if !math.IsNaN(o.rep.Loads[i]) {
			off, along = off+o.rep.OffAxis[i], along+math.Abs(o.rep.Loads[i])
		}
	}
	if along > 0 {
		l.OffPlaneShare = number(off / along)
	}
	if it := o.firstCable(); it != nil && o.raises() {
		l.PassesBy = o.passesBy(it, len(o.rep.S)-1)
	}
	return l
}

// raises says whether an arm is raised from beside the body.
func (o *outcome) raises() bool {
	last := len(o.rep.Angle) - 1
	return o.rep.Name == setup.ShoulderElevation && o.joint == body.ShoulderR && o.rep.Angle[last] > o.rep.Angle[0]
}

// severalMove says whether the movement is one of several joints: of shoulder and elbow, or of a leg that stands.
func (o *outcome) severalMove() bool {
	if o.joint.Leg() {
		return o.station.Carries()
	}
	return o.doc.Movement.Kind == "guided" || o.joint == body.ShoulderR && o.elbowsBend() || o.station.Root == body.OnHands
}

// forearmOff is by how much the forearm is off the line of what the hand holds, degrees, where that is most among the loaded places, and
// where that is.
func (o *outcome) forearmOff() (off, at metric.Metric) {
	why := metric.Missing("The hand holds nothing.")
	n := 11
	sizes, angles := make([]float64, n), make([]float64, n)
	peak := 0.0
	for i := range n {
		s := float64(i) / float64(n-1)
		f := o.path.Frames(s)
		sum := o.handForce(f)
		if sizes[i] = space.Norm(sum); sizes[i] == 0 {
			continue
		}
		peak = max(peak, sizes[i])
		along := math.Abs(r3.Dot(r3.Unit(sum), f.Direction(o.path.Lead().On(body.ForearmR))))
		angles[i] = space.Deg(math.Acos(min(1, along)))
	}
	worst := -1
	for i := range n {
		if sizes[i] > loadedShare*peak && (worst < 0 || angles[i] > angles[worst]) {
			worst = i
		}
	}
	if worst < 0 {
		return why, why
	}
	return number(angles[worst]), number(o.angleAt(float64(worst)/float64(n-1)) * 180 / math.Pi)
}

// handForce is what the lead hand holds, or what carries the body by it, N. What two hands hold together pushes them apart or together
// without asking anything of the forearms' line: that part is left out.
func (o *outcome) handForce(f *body.Frames) space.Vec {
	var sum space.Vec
	shared := o.station.Root == body.OnHands
	for k := range o.items {
		it := &o.items[k]
		if it.OwnBody() && o.station.Root == body.OnHands {
			sum.Y -= o.body.BodyMass * load.Gravity / 2
		}
		if side, ok := it.Hand(); ok && side == o.path.Lead() {
			sum = r3.Add(sum, it.At(f).Force)
			shared = shared || it.Def.Shared || it.Def.Kind == setup.Bar
		}
	}
	if shared {
		sum = space.Reject(sum, o.station.Heading.Apply(space.Z))
	}
	return sum
}

// firstCable is the first cable or band on the lead arm, nil when there is none.
func (o *outcome) firstCable() *load.Item {
	for k := range o.items {
		it := &o.items[k]
		strand := load.Of(it.Def).Line != ""
		if strand && it.Def.Side == o.path.Lead().Name() && !it.Mirror {
			return it
		}
	}
	return nil
}

// firstLine is its kind.
func (o *outcome) firstLine() string {
	if it := o.firstCable(); it != nil {
		return load.Of(it.Def).Line
	}
	return ""
}

// passesBy is the horizontal distance from the shoulder to a cable's line seen from above, along the lifter's heading.
func (o *outcome) passesBy(it *load.Item, i int) metric.Metric {
	grip, joint := o.rep.Grip[i], o.rep.Joint[i]
	line := space.Vec{X: it.From.X - grip.X, Z: it.From.Z - grip.Z}
	if space.Norm(line) < 0.01 {
		return metric.Missing("It hangs straight down, so it has no direction seen from above.")
	}
	u := r3.Unit(line)
	off := space.Reject(space.Vec{X: grip.X - joint.X, Z: grip.Z - joint.Z}, u)
	by := report.Rounded(math.Copysign(space.Norm(off), r3.Dot(off, o.station.Heading.Apply(space.X))))
	return metric.Known(by)
}
