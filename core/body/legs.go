package body

import (
	"math"

	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// moveLeg computes a leg from its coordinates, from the pelvis outward: thigh = Rz(flexion) Rx(-abduction) Ry(rotation),
// then knee and ankle as hinges about the segments' Z. The left leg is the mirror image.
func (f *Frames) moveLeg(side Side, q, rate *Pose) {
	b, pelvis := f.Body, &f.Turn[Pelvis]
	thigh, spin := hip(q, rate)
	shank := turned(&thigh, space.RotZ, -q[setup.KneeFlexion])
	foot := turned(&shank, space.RotZ, q[setup.AnkleFlexion])
	kneeSpin := r3.Scale(-rate[setup.KneeFlexion], thigh.Apply(space.Z))
	ankleSpin := r3.Scale(rate[setup.AnkleFlexion], shank.Apply(space.Z))
	if side == Left {
		thigh, shank, foot = thigh.Mirrored(), shank.Mirrored(), foot.Mirrored()
		spin, kneeSpin, ankleSpin = space.MirrorSpin(spin), space.MirrorSpin(kneeSpin), space.MirrorSpin(ankleSpin)
	}
	th, sh, fo := side.On(ThighR), side.On(ShankR), side.On(FootR)
	f.Turn[th], f.Turn[sh], f.Turn[fo] = pelvis.Mul(&thigh), pelvis.Mul(&shank), pelvis.Mul(&foot)
	hi, kn, an := side.Joint(HipR), side.Joint(KneeR), side.Joint(AnkleR)
	f.Spin[hi], f.Spin[kn], f.Spin[an] = pelvis.Apply(spin), pelvis.Apply(kneeSpin), pelvis.Apply(ankleSpin)

	out := pelvis.Apply(space.Vec{Z: (1 - 2*float64(side)) * b.HipHalf})
	f.Origin[th] = add(f.Origin[Pelvis], out)
	f.Rate[th] = add(f.Rate[Pelvis], r3.Cross(f.Omega[Pelvis], out))
	f.Omega[th] = add(f.Omega[Pelvis], f.Spin[hi])
	f.next(sh, th, b.Thigh(), f.Spin[kn])
	f.next(fo, sh, b.Shank(), f.Spin[an])
	f.weighLeg(side)
}

// hip is the thigh's orientation and its spin relative to the pelvis, in pelvis axes, of the right side.
func hip(q, rate *Pose) (space.Mat, space.Vec) {
	flexed := space.RotZ(q[setup.HipFlexion])
	spread := turned(&flexed, space.RotX, -q[setup.HipAbduction])
	thigh := turned(&spread, space.RotY, q[setup.HipRotation])
	spin := add(r3.Scale(rate[setup.HipFlexion], space.Z),
		add(r3.Scale(-rate[setup.HipAbduction], flexed.Apply(space.X)), r3.Scale(rate[setup.HipRotation], spread.Apply(space.Y))))
	return thigh, spin
}

// placeLeg puts a leg that does not move between hip and ankle, the knee bent as far as it has to be. A foot that stands
// wider than the leg is long, by millimetres, stretches it.
func (f *Frames) placeLeg(side Side) {
	b, plan := f.Body, &f.Station.ankles[side]
	hip := add(f.Origin[Pelvis], f.Turn[Pelvis].Apply(space.Vec{Z: (1 - 2*float64(side)) * b.HipHalf}))
	thigh, shank, foot := side.On(ThighR), side.On(ShankR), side.On(FootR)
	down := sub(plan.ankle, hip)
	distance := space.Norm(down)
	t, s := b.Thigh(), b.Shank()
	u := r3.Scale(1/distance, down)
	bend, reach := 0.0, t*distance/(t+s)
	if distance < t+s {
		along := (t*t + distance*distance - s*s) / (2 * distance)
		bend, reach = math.Sqrt(max(0, t*t-along*along)), along
	}
	aside := space.Reject(plan.knee, u)
	if n := space.Norm(aside); n > 1e-9 {
		aside = r3.Scale(bend/n, aside)
	}
	knee := add(hip, add(r3.Scale(reach, u), aside))
	f.Origin[thigh], f.Origin[shank], f.Origin[foot] = hip, knee, plan.ankle
	f.Turn[thigh] = pointed(sub(knee, hip), &f.Station.Heading)
	f.Turn[shank] = pointed(sub(plan.ankle, knee), &f.Station.Heading)
	f.Turn[foot] = plan.foot
	for _, seg := range []Segment{thigh, shank, foot} {
		f.Rate[seg], f.Omega[seg] = space.Vec{}, space.Vec{}
	}
	for _, j := range []Joint{HipR, KneeR, AnkleR} {
		f.Spin[side.Joint(j)] = space.Vec{}
	}
	if f.Station.Split {
		f.follow(side)
	}
	f.weighLeg(side)
}

// follow gives a leg between a hip that moves and a foot that stands still the rates that it has: those of two rods in their plane.
func (f *Frames) follow(side Side) {
	thigh, shank, foot := side.On(ThighR), side.On(ShankR), side.On(FootR)
	v := f.Velocity(Pelvis, f.Origin[thigh])
	t, s := sub(f.Origin[shank], f.Origin[thigh]), sub(f.Origin[foot], f.Origin[shank])
	n := r3.Cross(t, s)
	f.Rate[thigh] = v
	if space.Norm(n) < 1e-6 { // straight: it can only turn about the ankle
		return
	}
	n = r3.Unit(n)
	f.Omega[thigh] = r3.Scale(-r3.Dot(v, s)/r3.Dot(r3.Cross(n, t), s), n)
	f.Omega[shank] = r3.Scale(-r3.Dot(v, t)/r3.Dot(r3.Cross(n, s), t), n)
	f.Rate[shank] = add(v, r3.Cross(f.Omega[thigh], t))
	f.Spin[side.Joint(HipR)] = sub(f.Omega[thigh], f.Omega[Pelvis])
	f.Spin[side.Joint(KneeR)] = sub(f.Omega[shank], f.Omega[thigh])
	f.Spin[side.Joint(AnkleR)] = r3.Scale(-1, f.Omega[shank])
}

// weighLeg writes the joints and centres of mass of a leg whose segments are placed.
func (f *Frames) weighLeg(side Side) {
	b := f.Body
	thigh, shank, foot := side.On(ThighR), side.On(ShankR), side.On(FootR)
	between := func(a, c space.Vec, share float64) space.Vec { return add(a, r3.Scale(share, sub(c, a))) }
	f.COM[thigh] = between(f.Origin[thigh], f.Origin[shank], comThigh)
	f.COM[shank] = between(f.Origin[shank], f.Origin[foot], comShank)
	f.COM[foot] = add(f.Origin[foot], f.Turn[foot].Apply(space.Vec{X: (comFoot - heelToAnkle) * b.FootLength, Y: -b.AnkleH / 2}))
	f.Joint[side.Joint(HipR)], f.Joint[side.Joint(KneeR)], f.Joint[side.Joint(AnkleR)] = f.Origin[thigh], f.Origin[shank], f.Origin[foot]
}

// pointed is the rotation whose -Y runs along down and whose X stays as near to the heading's as it can.
func pointed(down space.Vec, heading *space.Mat) space.Mat {
	y := r3.Scale(-1, r3.Unit(down))
	x := space.Reject(heading.Apply(space.X), y)
	if space.Norm(x) < 1e-6 { // along the heading itself: then what was up stays up
		x = space.Reject(space.Y, y)
	}
	x = r3.Unit(x)
	z := r3.Cross(x, y)
	return space.Mat{{x.X, y.X, z.X}, {x.Y, y.Y, z.Y}, {x.Z, y.Z, z.Z}}
}
