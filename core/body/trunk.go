package body

import (
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// lumbarAlong is where the trunk bends, as a share of the way from the hips to the shoulders: at the lumbar spine, between the fourth
// and the fifth vertebra, where the tables of masses cut it too (own).
const lumbarAlong = 0.25

// lumbar is how far above the hips' line the trunk bends, m.
func (b *Body) lumbar() float64 { return lumbarAlong * (b.ShoulderHeight - b.HipHeight) }

// placeThorax puts what is above the axis of the trunk on the pelvis: thorax = Rz(-flexion) Rx(bend) Ry(turn) in the pelvis' axes, as the
// right side has them: bent forward, to the right and turned to the left are positive.
func (f *Frames) placeThorax(q, rate *Pose) {
	b, pelvis := f.Body, &f.Turn[Pelvis]
	spine, spin := spineOf(q, rate)
	f.Origin[Thorax], f.Turn[Thorax] = add(f.Origin[Pelvis], pelvis.Apply(space.Vec{Y: b.lumbar()})), *pelvis
	if spine != space.Identity {
		f.Turn[Thorax] = pelvis.Mul(&spine)
	}
	turning := pelvis.Apply(spin)
	f.Omega[Thorax] = add(f.Omega[Pelvis], turning)
	f.Rate[Thorax] = f.Velocity(Pelvis, f.Origin[Thorax])
	for _, j := range [2]Joint{TrunkR, TrunkL} {
		f.Joint[j], f.Spin[j] = f.Origin[Thorax], turning
	}
	f.COM[Pelvis] = add(f.Origin[Pelvis], pelvis.Apply(space.Vec{Y: comPelvis * b.lumbar()}))
	f.COM[Thorax] = f.OnThorax(space.Vec{Y: b.thoraxCOM()})
	f.Origin[Head], f.Turn[Head] = f.OnThorax(space.Vec{Y: b.ShoulderHeight - b.HipHeight}), f.Turn[Thorax]
	f.Omega[Head], f.Rate[Head] = f.Omega[Thorax], f.Velocity(Thorax, f.Origin[Head])
	f.COM[Head] = f.OnThorax(space.Vec{Y: earHeight*b.Height - b.HipHeight})
}

// spineOf is the thorax' orientation on the pelvis and its spin, in the pelvis' axes.
func spineOf(q, rate *Pose) (space.Mat, space.Vec) {
	axes, bent := trunkAxes(q)
	spin := add(r3.Scale(rate[setup.TrunkFlexion], axes[0]),
		add(r3.Scale(rate[setup.TrunkBend], axes[1]), r3.Scale(rate[setup.TrunkRotation], axes[2])))
	return turned(&bent, space.RotY, q[setup.TrunkRotation]), spin
}

// TrunkAxes are the unit axes in the pelvis about which the trunk's flexion, bend and rotation turn it in a pose whose coordinates are in
// rad, as the right side has them.
func TrunkAxes(q *Pose) [3]space.Vec {
	axes, _ := trunkAxes(q)
	return axes
}

// trunkAxes adds how far the thorax is turned on the pelvis before it rotates.
func trunkAxes(q *Pose) (axes [3]space.Vec, bent space.Mat) {
	flexed := turned(&space.Identity, space.RotZ, -q[setup.TrunkFlexion])
	bent = turned(&flexed, space.RotX, q[setup.TrunkBend])
	return [3]space.Vec{{Z: -1}, flexed.Apply(space.X), bent.Apply(space.Y)}, bent
}

// thoraxCOM is how far above the hips' line the thorax' centre of mass is with the trunk straight, m: so that trunk and pelvis together
// have theirs where the whole trunk has it.
func (b *Body) thoraxCOM() float64 {
	pelvis, thorax := b.Masses[Pelvis], b.Masses[Thorax]
	return ((pelvis+thorax)*comTrunk*(b.ShoulderHeight-b.HipHeight) - pelvis*comPelvis*b.lumbar()) / thorax
}

// OnThorax is a place of the thorax, m, that is given from mid-hip with the trunk straight.
func (f *Frames) OnThorax(at space.Vec) space.Vec {
	at.Y -= f.Body.lumbar()
	return add(f.Origin[Thorax], f.Turn[Thorax].Apply(at))
}

// MirrorTrunk gives the trunk's coordinates of a pose as the other side has them, and leaves the rest.
func (q *Pose) MirrorTrunk(of *Pose) {
	q[setup.TrunkFlexion], q[setup.TrunkBend], q[setup.TrunkRotation] = of[setup.TrunkFlexion], -of[setup.TrunkBend], -of[setup.TrunkRotation]
}
