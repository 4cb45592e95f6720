package reference

import (
	"math/rand/v2"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// newTrunkTrial is a trunk that bends, turns and straightens while the right arm moves on it; head and left arm go along.
func newTrunkTrial(r *rand.Rand) trial {
	span := func(low, high float64) float64 { return low + (high-low)*r.Float64() }
	d := newTrial(r).doc
	d.Target = setup.Target{Region: "obliques", Joint: "trunk"}
	girdle := d.Movement.Keyframes[0].Pose
	for i := range d.Movement.Keyframes {
		q := d.Movement.Keyframes[i].Pose
		q["trunk.flexionDeg"], q["trunk.bendDeg"], q["trunk.rotationDeg"] = span(-20, 55), span(-30, 30), span(-40, 40)
		q["girdle.elevationDeg"], q["girdle.protractionDeg"] = girdle["girdle.elevationDeg"], girdle["girdle.protractionDeg"]
	}
	s, rate, acceleration := span(0.1, 0.9), span(-1, 1), span(-2, 2)
	in, f := inputOf(&d, s)
	t := trial{doc: d}
	t.Gravity = load.Gravity
	t.hinges(in, s, rate, acceleration, func(q *body.Pose) []float64 {
		return []float64{q[setup.TrunkFlexion], q[setup.TrunkBend], q[setup.TrunkRotation], q[setup.ShoulderPlane], q[setup.ShoulderElevation],
			q[setup.ShoulderRotation] - q[setup.ShoulderPlane], q[setup.ElbowFlexion], q[setup.ForearmPronation], q[setup.WristFlexion]}
	})
	t.armBodies(f, &d)
	arm := t.Bodies
	t.Bodies = []physicsBody{t.onThorax(f, body.Thorax)}
	t.Bodies[0].Parent, t.Bodies[0].At, t.Bodies[0].Quat = -1, xyz(f.Joint[body.TrunkR]), quaternion(&f.Turn[body.Pelvis])
	t.Bodies[0].Hinges = [][3]float64{{0, 0, -1}, {1, 0, 0}, {0, 1, 0}}
	back := f.Turn[body.Thorax].Transpose()
	for _, b := range arm {
		b.Parent++
		t.Bodies = append(t.Bodies, b)
	}
	t.Bodies[1].At, t.Bodies[1].Quat = xyz(back.Apply(r3.Sub(f.Joint[body.ShoulderR], f.Origin[body.Thorax]))), [4]float64{1, 0, 0, 0}
	for _, seg := range []body.Segment{body.Head, body.UpperArmL, body.ForearmL, body.HandL} {
		t.Bodies = append(t.Bodies, t.onThorax(f, seg))
	}
	trunk := torque.InMotion(in, body.TrunkR, s, rate, acceleration)
	q := &f.Pose[body.Right]
	flexed, bend := space.RotZ(-q[setup.TrunkFlexion]), space.RotX(q[setup.TrunkBend])
	bent := flexed.Mul(&bend)
	for _, axis := range []space.Vec{{Z: -1}, flexed.Apply(space.X), bent.Apply(space.Y)} {
		t.want = append(t.want, -r3.Dot(trunk, f.Turn[body.Pelvis].Apply(axis)))
	}
	return t
}

// onThorax is a segment that goes along with the thorax, as a body without hinges.
func (t *trial) onThorax(f *body.Frames, seg body.Segment) physicsBody {
	thorax, own := f.Turn[body.Thorax].Transpose(), f.Turn[seg].Transpose()
	turn := thorax.Mul(&f.Turn[seg])
	mass := f.Body.Masses[seg]
	inertia := rod(mass, f.Body.SegmentLength(seg))
	for i := range inertia { // a point has none, which the program beside this file does not take
		inertia[i] = max(inertia[i], 1e-12)
	}
	return physicsBody{Parent: 0, At: xyz(thorax.Apply(r3.Sub(f.Origin[seg], f.Origin[body.Thorax]))), Quat: quaternion(&turn),
		Hinges: [][3]float64{}, Mass: mass, COM: xyz(own.Apply(r3.Sub(f.COM[seg], f.Origin[seg]))), Inertia: inertia,
		Points: []pointMass{}, Sites: []site{}}
}
