package movement

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Balance is sought to within so many metres, by so many steps at most, of so many radians at most. A step as small as the last of them is
// right to within its square.
const (
	balanceWithin = 1e-12
	balanceSteps  = 40
	longestStep   = 0.25
	lastStep      = 1e-7
)

// Leans of a shin between which a balance is sought, rad (own).
const leastLean, mostLean = -0.9, 1.2

// balance brings a share of the body's weight over the leg that carries, by the ankle for what is ahead and by how far the thigh is led
// under the body for what is aside, as far as they are its to choose. What the lifter holds does not count: the pose would go with the load
// then, and twice the load would not be twice the torque.
//
// It is found by Newton's steps: turning a joint at a rate moves the centre of mass at a speed that the frames tell exactly.
type balance struct {
	p            *Path
	share        float64
	ankle, aside bool // what is its to choose
	frames       body.Frames
	slopes       [2]offset // per radian of ankle and of the hip's abduction, where they were looked at last
}

// offset is how far the weight is from where it should be, m, or how that changes: ahead, and to the right of the lifter.
type offset struct{ ahead, aside float64 }

// weigh places the body in poses at rates. It returns where the weight is and how it goes.
func (b *balance) weigh(poses, rates *[2]body.Pose) (off, drift offset) {
	p, f := b.p, &b.frames
	f.Place(p.body, p.station, poses, rates)
	carrier := p.station.Carrier
	foot, at := f.Pressure(carrier), f.CentreOfMass()
	// A leg that is led aside takes its foot along, by a little.
	footGoes, goes := f.Velocity(carrier.On(body.FootR), foot), f.DriftOfMass()
	if b.ankle {
		along, rear := p.station.Heading.Apply(space.X), foot
		if p.station.Split {
			rear = f.Behind()
		}
		off.ahead = r3.Dot(r3.Sub(at, rear), along) - b.share*r3.Dot(r3.Sub(foot, rear), along)
		drift.ahead = r3.Dot(r3.Sub(goes, r3.Scale(b.share, footGoes)), along)
	}
	if b.aside {
		across := p.station.Heading.Apply(space.Z)
		off.aside, drift.aside = r3.Dot(r3.Sub(at, foot), across), r3.Dot(r3.Sub(goes, footGoes), across)
	}
	return off, drift
}

// look measures the slopes in poses, and tells where the weight is.
func (b *balance) look(poses *[2]body.Pose) (off offset) {
	side := b.p.station.Carrier
	b.slopes = [2]offset{{ahead: 1}, {aside: 1}}
	for k, coordinate := range [2]setup.Coordinate{setup.AnkleFlexion, setup.HipAbduction} {
		if k == 0 && !b.ankle || k == 1 && !b.aside {
			continue
		}
		var rates [2]body.Pose
		rates[side][coordinate] = 1
		off, b.slopes[k] = b.weigh(poses, &rates)
	}
	return off
}

// steps are the turns of ankle and thigh that undo an offset, by the slopes.
func (b *balance) steps(off offset) (ankle, aside float64) {
	a, c := b.slopes[0], b.slopes[1]
	det := a.ahead*c.aside - a.aside*c.ahead
	return -(off.ahead*c.aside - off.aside*c.ahead) / det, -(a.ahead*off.aside - a.aside*off.ahead) / det
}

// settle turns the joints of the leg that carries until the weight is where it should be. It returns what is left, m.
func (b *balance) settle(poses *[2]body.Pose) float64 {
	if !b.ankle && !b.aside {
		return 0
	}
	q := &poses[b.p.station.Carrier]
	within := func(step float64) float64 { return max(-longestStep, min(longestStep, step)) }
	left := math.Inf(1)
	for range balanceSteps {
		off := b.look(poses)
		if left = math.Hypot(off.ahead, off.aside); left < balanceWithin {
			return 0
		}
		ankle, aside := b.steps(off)
		if math.IsNaN(ankle) || math.IsNaN(aside) {
			break
		}
		q[setup.AnkleFlexion], q[setup.HipAbduction] = q[setup.AnkleFlexion]+within(ankle), q[setup.HipAbduction]+within(aside)
		if b.ankle && (q[setup.AnkleFlexion] < leastLean || q[setup.AnkleFlexion] > mostLean) {
			q[setup.AnkleFlexion] = max(leastLean, min(mostLean, q[setup.AnkleFlexion]))
		} else if math.Abs(ankle) < lastStep && math.Abs(aside) < lastStep {
			return 0
		}
	}
	return max(0, left-1e-9)
}

// balanced brings the weight where it should be in poses of the side that leads.
func (b *balance) balanced(s float64, q *body.Pose) float64 {
	lead := b.p.Lead()
	var poses [2]body.Pose
	poses[lead.Opposite()], _ = b.p.other(s)
	poses[lead] = *q
	left := b.settle(&poses)
	*q = poses[lead]
	return left
}

// keep gives what it has chosen the rates at which the weight stays where it should be, in a pose that has just been balanced.
func (b *balance) keep(s float64, q, dq *body.Pose) {
	lead := b.p.Lead()
	var poses, rates [2]body.Pose
	poses[lead.Opposite()], rates[lead.Opposite()] = b.p.other(s)
	poses[lead], rates[lead] = *q, *dq
	_, drift := b.weigh(&poses, &rates)
	ankle, aside := b.steps(drift)
	if b.ankle {
		dq[setup.AnkleFlexion] += ankle
	}
	if b.aside {
		dq[setup.HipAbduction] += aside
	}
}

// onOneFoot brings the weight over the foot that is stood on, as far as the movement says nothing of it. Where the free leg moves, that is
// done once, half way, and nil is returned.
func (p *Path) onOneFoot(d *setup.Document) *balance {
	b := &balance{p: p, share: 1, ankle: true, aside: true}
	lead := p.Lead()
	if lead != p.station.Carrier {
		var poses [2]body.Pose
		var rate body.Pose
		p.named(0.5, &poses[lead], &rate)
		poses[lead.Opposite()] = p.idle
		b.settle(&poses)
		p.idle = poses[lead.Opposite()]
		return nil
	}
	b.ankle, b.aside = !d.Movement.Names("ankle.flexionDeg"), !d.Movement.Names("hip.abductionDeg")
	return b
}
