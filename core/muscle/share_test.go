package muscle

import (
	"fmt"
	"maps"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/optimize"
	"gonum.org/v1/gonum/spatial/r3"
)

func somePose(r *rand.Rand) body.Pose {
	span := func(low, high float64) float64 { return space.Rad(low + (high-low)*r.Float64()) }
	return body.Pose{setup.ShoulderPlane: span(-30, 110), setup.ShoulderElevation: span(5, 140), setup.ShoulderRotation: span(-50, 60),
		setup.ElbowFlexion:    span(0, 130),
		setup.GirdleElevation: span(-5, 20), setup.GirdleProtraction: span(-10, 20)}
}

// outer are the bodies that go along when a joint turns: all that is farther out.
var outer = [crossings][]owner{
	atGirdle:   {girdleBody, rootBody, scapulaBody, sleeveBody, humerusBody, forearmBody},
	atBlade:    {rootBody, scapulaBody, sleeveBody, humerusBody, forearmBody},
	atShoulder: {humerusBody, forearmBody},
	atElbow:    {forearmBody},
}

// The excursion of a line with the turn of what is outside a joint is its moment arm about it, -dl/dq = m · a (An et al. 1984, J Biomech
// Eng 106:280-282): of every line, about all four joints, any axis, in many poses.
func TestExcursion(t *testing.T) {
	r := rand.New(rand.NewPCG(41, 5))
	b := reference()
	lines := linesOf(&regions, &b)
	for _, key := range slices.Sorted(maps.Keys(lines)) {
		l := lines[key]
		for range 400 {
			q := somePose(r)
			var a arm
			a.place(&b, &q)
			p := l.lay(&a)
			axis := r3.Unit(space.Vec{X: r.NormFloat64(), Y: r.NormFloat64(), Z: r.NormFloat64()})
			const h = 1e-4
			turned := func(angle float64, j crossing) float64 {
				c := a
				turn := space.Rot(axis, angle)
				for _, o := range outer[j] {
					c.turn[o] = turn.Mul(&a.turn[o])
					c.origin[o] = r3.Add(a.joint[j], turn.Apply(r3.Sub(a.origin[o], a.joint[j])))
				}
				return l.lay(&c).length
			}
			for j := range crossing(crossings) {
				got := -(turned(h, j) - turned(-h, j)) / (2 * h)
				check.Near(t, fmt.Sprintf("%s about joint %d", key, j), got, r3.Dot(p.about[j], axis), 2e-5)
			}
		}
	}
}

func someNeed(r *rand.Rand) Need {
	v := func(size float64) space.Vec {
		return space.Vec{X: size * r.NormFloat64(), Y: size * 0.3 * r.NormFloat64(), Z: size * r.NormFloat64()}
	}
	return Need{Shoulder: v(30), Girdle: v(10), Elbow: v(10), OnArm: v(60)}
}

// sharedProblem is the problem that the model solved last: its columns, and the right side.
func sharedProblem(m *Model) (o *optimum, y vector) {
	o = &m.share
	y = o.r
	for j := range o.columns {
		for i := range y {
			y[i] += o.x[j] * o.columns[j].at[i]
		}
	}
	return o, y
}

// primal is what the sharing minimises.
func primal(o *optimum, y *vector, x []float64) float64 {
	sum := 0.0
	r := *y
	for j := range o.columns {
		c := &o.columns[j]
		for i := range y {
			r[i] -= x[j] * c.at[i]
		}
		if c.passive {
			sum += c.stiff * x[j] * x[j] / 2
		} else {
			sum += c.stiff * (o.small*x[j]*x[j]/2 + o.cube*x[j]*x[j]*x[j]/3)
		}
	}
	return sum + r.dot(&r)/2
}

// The answer meets the conditions of Karush, Kuhn and Tucker, which for a convex problem say that nothing is less: what works has its
// price paid exactly, what does not would cost more than it gives.
func TestSharingIsTheLeast(t *testing.T) {
	r := rand.New(rand.NewPCG(43, 44))
	b := reference()
	m := New(&b)
	for range 200 {
		q, need := somePose(r), someNeed(r)
		m.ShareArm(&q, &need)
		o, _ := sharedProblem(m)
		for j := range o.columns {
			c := &o.columns[j]
			pays, price := c.at.dot(&o.r), c.stiff*o.x[j]
			if !c.passive {
				price = c.stiff * (o.small*o.x[j] + o.cube*o.x[j]*o.x[j])
			}
			if o.x[j] > 0 {
				check.Near(t, "price of what works", price, pays, 1e-9*(1+math.Abs(pays)))
			} else if pays > 1e-9 {
				t.Errorf("column %d gives %g and does not work", j, pays)
			}
		}
	}
}

// A general method for problems without bounds (L-BFGS of gonum, with each unknown as a square) comes to the same value.
func TestSharingAgainstAnotherMethod(t *testing.T) {
	r := rand.New(rand.NewPCG(53, 54))
	b := reference()
	m := New(&b)
	for range 25 {
		q, need := somePose(r), someNeed(r)
		m.ShareArm(&q, &need)
		o, y := sharedProblem(m)
		n := len(o.columns)
		squares := func(z []float64) []float64 {
			x := make([]float64, n)
			for j := range z {
				x[j] = z[j] * z[j]
			}
			return x
		}
		problem := optimize.Problem{Func: func(z []float64) float64 { return primal(o, &y, squares(z)) }, Grad: func(grad, z []float64) {
			x, rest := squares(z), y
			for j := range o.columns {
				for i := range y {
					rest[i] -= x[j] * o.columns[j].at[i]
				}
			}
			for j := range o.columns {
				c := &o.columns[j]
				slope := c.stiff * x[j]
				if !c.passive {
					slope = c.stiff * (o.small*x[j] + o.cube*x[j]*x[j])
				}
				grad[j] = 2 * z[j] * (slope - c.at.dot(&rest))
			}
		}}
		start := make([]float64, n)
		for j := range start {
			start[j] = 0.3
		}
		other, err := optimize.Minimize(problem, start, &optimize.Settings{MajorIterations: 20000, GradientThreshold: 1e-9},
			&optimize.LBFGS{Store: 30})
		if other == nil {
			t.Fatal(err)
		}
		value := primal(o, &y, o.x)
		if value > other.F*(1+1e-7)+1e-9 {
			t.Errorf("the answer costs %.10g, another method found %.10g", value, other.F)
		}
		check.Near(t, "value", other.F, value, 2e-4*value+1e-6)
	}
}

// What the heads give, what joints, ligaments and ribs hold, and what is left over are together what is needed.
func TestSharesAddUp(t *testing.T) {
	r := rand.New(rand.NewPCG(45, 46))
	b := reference()
	m := New(&b)
	for range 100 {
		q, need := somePose(r), someNeed(r)
		need.Strength = 0.4 + r.Float64()
		out := m.ShareArm(&q, &need)
		shoulder, girdle := out.Left.Shoulder, out.Left.Girdle
		elbow := out.Passive.ElbowStop + r3.Dot(out.Left.Elbow, m.ElbowHinge())
		turn := out.Passive.TurnStop + r3.Dot(out.Left.Elbow, m.ForearmAxis())
		rises, forward := m.GirdleAxes()
		girdle = r3.Add(girdle, r3.Scale(out.Passive.Collar, rises))
		for i, p := range ribsAt {
			at := r3.Add(m.at.arm.origin[scapulaBody], m.at.arm.turn[scapulaBody].Apply(p))
			girdle = r3.Add(girdle, r3.Cross(r3.Sub(at, m.at.arm.joint[atGirdle]), r3.Scale(out.Passive.Ribs[i], ribs(at, 1))))
		}
		for h := range heads {
			shoulder, girdle = r3.Add(shoulder, out.Shoulder()[h]), r3.Add(girdle, out.Girdle()[h])
			elbow += r3.Dot(out.Elbow()[h], m.ElbowHinge())
			turn += out.Turn[h]
			if out.Activation[h] < 0 {
				t.Errorf("%s pushes", heads[h].Key)
			}
		}
		check.Near(t, "shoulder", space.Norm(r3.Sub(shoulder, need.Shoulder)), 0, 1e-7)
		check.Near(t, "elbow", elbow, r3.Dot(need.Elbow, m.ElbowHinge()), 1e-7)
		check.Near(t, "turn", turn, r3.Dot(need.Elbow, m.ForearmAxis()), 1e-7)
		for _, axis := range []space.Vec{rises, forward} {
			check.Near(t, "girdle", r3.Dot(girdle, axis), r3.Dot(need.Girdle, axis), 1e-7)
		}
		leg := body.Pose{setup.HipFlexion: r.Float64() * 2, setup.KneeFlexion: r.Float64() * 2}
		n := Need{Hip: 100 * r.NormFloat64(), Knee: 100 * r.NormFloat64(), FootStands: r.IntN(2) == 0}
		out = m.ShareLeg(&leg, &n)
		hip, knee := out.Left.Hip, out.Left.Knee
		for h := range heads {
			hip, knee = hip+out.Hip[h], knee+out.Knee[h]
		}
		check.Near(t, "hip", hip, n.Hip, 1e-7)
		check.Near(t, "knee", knee, n.Knee, 1e-7)
	}
}

// Shares do not depend on the size of the load: twice the need, twice the activations. Nor on the lifter's strength: twice the strength,
// the same torques from half the activations.
func TestSharesDoNotDependOnTheLoad(t *testing.T) {
	b := reference()
	m := New(&b)
	q := body.Pose{setup.ShoulderElevation: space.Rad(70), setup.ShoulderPlane: space.Rad(30)}
	need := Need{Shoulder: space.Vec{X: -20, Z: 5}, Girdle: space.Vec{X: -25, Z: 5}, OnArm: space.Vec{Y: -60}}
	first := m.ShareArm(&q, &need)
	once, torque := slices.Clone(first.Activation), slices.Clone(first.Shoulder())
	twice := Need{Shoulder: r3.Scale(2, need.Shoulder), Girdle: r3.Scale(2, need.Girdle), OnArm: r3.Scale(2, need.OnArm)}
	for h, a := range m.ShareArm(&q, &twice).Activation {
		check.Near(t, heads[h].Key, a, 2*once[h], 1e-9)
	}
	need.Strength = 2
	strong := m.ShareArm(&q, &need)
	for h := range heads {
		check.Near(t, heads[h].Key+" of the strong", strong.Activation[h], once[h]/2, 1e-9)
		check.Near(t, heads[h].Key+" gives", space.Norm(r3.Sub(strong.Shoulder()[h], torque[h])), 0, 1e-7)
	}
}

// Where the last search ended changes nothing: the answer is that of a search from nothing.
func TestStartDoesNotMatter(t *testing.T) {
	r := rand.New(rand.NewPCG(49, 50))
	b := reference()
	m := New(&b)
	for range 50 {
		q, need := somePose(r), someNeed(r)
		warm := slices.Clone(m.ShareArm(&q, &need).Activation)
		m.Begin()
		for h, a := range m.ShareArm(&q, &need).Activation {
			check.Near(t, heads[h].Key, a, warm[h], 1e-8)
		}
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
	small, tall := reference(), body.New(&setup.Lifter{Height: 1.925, BodyMass: 75, Lengths: map[string]float64{"upperArm": 0.326 * 1.1,
		"forearm": 0.256 * 1.1}})
	one, other := linesOf(&regions, &small), linesOf(&regions, &tall)
	r := rand.New(rand.NewPCG(47, 48))
	for range 20 {
		q := somePose(r)
		var a, c arm
		a.place(&small, &q)
		c.place(&tall, &q)
		for key, l := range one {
			p, k := l.lay(&a), other[key].lay(&c)
			check.Near(t, key, other[key].normalised(k.length), l.normalised(p.length), 1e-9)
			check.Near(t, key+" moment arm", space.Norm(k.about[atShoulder]), 1.1*space.Norm(p.about[atShoulder]), 1e-9)
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

// A path of neighbouring places, as an evaluation shares them out.
func BenchmarkShareArm(b *testing.B) {
	who := reference()
	m := New(&who)
	const places = 31
	b.ReportAllocs()
	for b.Loop() {
		m.Begin()
		for i := range places {
			u := float64(i) / (places - 1)
			q := body.Pose{setup.ShoulderElevation: 0.2 + 1.3*u, setup.ShoulderPlane: 0.7, setup.ElbowFlexion: 0.3}
			m.ShareArm(&q, &Need{Shoulder: space.Vec{X: -10 - 20*u, Z: 8}, Girdle: space.Vec{X: -15 - 22*u, Z: 9}, Elbow: space.Vec{X: -2},
				OnArm: space.Vec{Y: -70}})
		}
	}
	b.ReportMetric(float64(b.Elapsed().Nanoseconds())/float64(b.N)/places, "ns/place")
}
