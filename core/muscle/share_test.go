package muscle

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/nnls"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

func somePose(r *rand.Rand) body.Pose {
	span := func(low, high float64) float64 { return space.Rad(low + (high-low)*r.Float64()) }
	return body.Pose{setup.ShoulderPlane: span(-30, 110), setup.ShoulderElevation: span(5, 140), setup.ShoulderRotation: span(-50, 60), setup.ElbowFlexion: span(0, 130),
		setup.GirdleElevation: span(-5, 20), setup.GirdleProtraction: span(-10, 20)}
}

// The excursion of a line with the turn of the humerus is its moment arm, -dl/dq = m · a (An et al. 1984, J Biomech Eng
// 106:280-282), with the scapula and the deltoid's origins held still, and that with the turn of the elbow likewise.
func TestExcursion(t *testing.T) {
	r := rand.New(rand.NewPCG(41, 42))
	b := reference()
	for key, l := range linesOf(&b) {
		for range 150 {
			q := somePose(r)
			var a arm
			a.place(&b, &q)
			p := l.lay(&a)
			axis := r3.Unit(space.Vec{X: r.NormFloat64(), Y: r.NormFloat64(), Z: r.NormFloat64()})
			shoulder, elbow := a.origin[humerusBody], a.origin[forearmBody]
			const h = 1e-4
			turned := func(angle float64, bodies []owner, centre, axis space.Vec) float64 {
				c := a
				turn := space.Rot(axis, angle)
				for _, o := range bodies {
					c.turn[o] = turn.Mul(&a.turn[o])
					c.origin[o] = r3.Add(centre, turn.Apply(r3.Sub(a.origin[o], centre)))
				}
				return l.lay(&c).length
			}
			got := -(turned(h, []owner{humerusBody, forearmBody}, shoulder, axis) - turned(-h, []owner{humerusBody, forearmBody}, shoulder, axis)) / (2 * h)
			check.Near(t, key+" about the shoulder", got, r3.Dot(p.shoulder, axis), 2e-5)
			got = -(turned(h, []owner{forearmBody}, elbow, a.hinge) - turned(-h, []owner{forearmBody}, elbow, a.hinge)) / (2 * h)
			check.Near(t, key+" about the elbow", got, r3.Dot(p.elbow, a.hinge), 2e-5)
		}
	}
}

func someNeed(r *rand.Rand) Need {
	v := func(size float64) space.Vec {
		return space.Vec{X: size * r.NormFloat64(), Y: size * 0.3 * r.NormFloat64(), Z: size * r.NormFloat64()}
	}
	return Need{Shoulder: v(30), Girdle: v(10), Elbow: v(10)}
}

// The answer is that of Lawson and Hanson's method on the same problem, written out in full.
func TestSharingAgainstNNLS(t *testing.T) {
	r := rand.New(rand.NewPCG(43, 44))
	b := reference()
	m := New(&b)
	var s nnls.Solver
	for range 200 {
		q, need := somePose(r), someNeed(r)
		m.ShareArm(&q, &need)
		n := len(m.share.D)
		a, y := make([]float64, (rows+n)*n), make([]float64, rows+n)
		want := m.scaledNeed(&need)
		copy(y, want[:])
		for j := range n {
			copy(a[j*(rows+n):], m.share.D[j][:])
			a[j*(rows+n)+rows+j] = 1
		}
		x, err := s.Solve(a, y, rows+n, n)
		if err != nil {
			t.Fatal(err)
		}
		for j := range n {
			check.Near(t, "activation", m.share.B[j], x[j], 1e-8)
		}
	}
}

// What the groups give, the elbow's stop and what is left over are together what is needed.
func TestSharesAddUp(t *testing.T) {
	r := rand.New(rand.NewPCG(45, 46))
	b := reference()
	m := New(&b)
	for range 100 {
		q, need := somePose(r), someNeed(r)
		out := m.ShareArm(&q, &need)
		shoulder, girdle, elbow := out.Left.Shoulder, out.Left.Girdle, out.Stop+r3.Dot(out.Left.Elbow, m.place.hinge)
		for g := range groups {
			shoulder, girdle, elbow = r3.Add(shoulder, out.Shoulder[g]), r3.Add(girdle, out.Girdle[g]), elbow+out.Elbow[g]
			if out.Activation[g] < 0 {
				t.Errorf("%s pushes", groups[g].Key)
			}
		}
		check.Near(t, "shoulder", space.Norm(r3.Sub(shoulder, need.Shoulder)), 0, 1e-8)
		check.Near(t, "elbow", elbow, r3.Dot(need.Elbow, m.place.hinge), 1e-8)
		for _, axis := range []space.Vec{m.place.lift, space.Y} {
			check.Near(t, "girdle", r3.Dot(girdle, axis), r3.Dot(need.Girdle, axis), 1e-8)
		}
		leg := body.Pose{setup.HipFlexion: r.Float64() * 2, setup.KneeFlexion: r.Float64() * 2}
		n := Need{Hip: 100 * r.NormFloat64(), Knee: 100 * r.NormFloat64()}
		out = m.ShareLeg(&leg, &n)
		hip, knee := out.Left.Hip, out.Left.Knee
		for g := range groups {
			hip, knee = hip+out.Hip[g], knee+out.Knee[g]
		}
		check.Near(t, "hip", hip, n.Hip, 1e-8)
		check.Near(t, "knee", knee, n.Knee, 1e-8)
	}
}

// Shares do not depend on the size of the load: twice the need, twice the activations.
func TestSharesDoNotDependOnTheLoad(t *testing.T) {
	b := reference()
	m := New(&b)
	q := body.Pose{setup.ShoulderElevation: space.Rad(70), setup.ShoulderPlane: space.Rad(30)}
	once := append([]float64{}, m.ShareArm(&q, &Need{Shoulder: space.Vec{X: -20, Z: 5}}).Activation...)
	for g, a := range m.ShareArm(&q, &Need{Shoulder: space.Vec{X: -40, Z: 10}}).Activation {
		check.Near(t, groups[g].Key, a, 2*once[g], 1e-9)
	}
}

// A leg's line is as much longer as its moment arms say: dl/df is the moment arm of extension.
func TestLegExcursion(t *testing.T) {
	b := reference()
	m := New(&b)
	for i := range m.legs {
		l := &m.legs[i]
		for _, deg := range []float64{-10, 5, 33, 71, 104} {
			for _, table := range []*leverTable{l.hip, l.knee} {
				if table == nil {
					continue
				}
				got := (table.longer(deg+0.1) - table.longer(deg-0.1)) / (0.2 * math.Pi / 180)
				check.Near(t, "moment arm", got, table.at(deg), 2e-4)
			}
		}
		check.Near(t, "straight", l.hip.longer(0)+l.knee.longer(0), 0, 1e-12)
	}
}

// A lifter of another size has the same normalised lengths in the same poses, and moment arms as much longer.
func TestAnotherSize(t *testing.T) {
	small, tall := reference(), body.New(&setup.Lifter{Stature: 1.925, Mass: 75, Lengths: map[string]float64{"upperArm": 0.326 * 1.1, "forearm": 0.256 * 1.1}})
	one, other := linesOf(&small), linesOf(&tall)
	r := rand.New(rand.NewPCG(47, 48))
	for range 20 {
		q := somePose(r)
		var a, c arm
		a.place(&small, &q)
		c.place(&tall, &q)
		for key, l := range one {
			p, k := l.lay(&a), other[key].lay(&c)
			check.Near(t, key, other[key].normalised(k.length), l.normalised(p.length), 1e-9)
			check.Near(t, key+" moment arm", space.Norm(k.shoulder), 1.1*space.Norm(p.shoulder), 1e-9)
		}
	}
}

// Force over length: all of it at the optimum, 0.870 a quarter to both sides (Thelen 2003, J Biomech Eng 125:70-77).
func TestForceLength(t *testing.T) {
	check.Near(t, "optimum", forceLength(1), 1, 0)
	check.Near(t, "short", forceLength(0.75), 0.870, 0.0005)
	check.Near(t, "long", forceLength(1.25), 0.870, 0.0005)
}

// Of 90 degrees of elevation 30 are scapular (Inman, Saunders & Abbott 1944, J Bone Joint Surg 26:1-30), in the plane where
// the scapula does not turn about the vertical.
func TestScapularRhythm(t *testing.T) {
	b := reference()
	var a arm
	a.place(&b, &body.Pose{setup.ShoulderElevation: math.Pi / 2, setup.ShoulderPlane: space.Rad(30)})
	up := a.turn[scapulaBody].Apply(space.Y)
	check.Near(t, "scapula", space.Deg(math.Acos(up.Y)), 30, 1e-9)
}

func BenchmarkShareArm(b *testing.B) {
	who := reference()
	m := New(&who)
	q, need := body.Pose{setup.ShoulderElevation: 1, setup.ShoulderPlane: 0.7}, Need{Shoulder: space.Vec{X: -30, Z: 8}}
	b.ReportAllocs()
	for b.Loop() {
		m.ShareArm(&q, &need)
	}
}
