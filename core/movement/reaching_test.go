package movement_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// posed is a held pose of an arm that moves by itself, on either side, and where its hand and elbow are.
func posed(side string, pose map[string]float64) (p *movement.Path, hand, elbow, shoulder space.Vec, st body.Station, b body.Body) {
	m := setup.Movement{Kind: "hold", Side: side, Hold: pose}
	b = body.New(&setup.Lifter{Height: 1.75, BodyMass: 75, CarryingDeg: 11})
	st = b.Settle(&setup.Posture{Kind: "standing", HeadingDeg: 30}, nil, &m)
	p = movement.New(&setup.Document{Movement: m}, &b, &st)
	var f body.Frames
	p.Place(0, &f)
	lead := p.Lead()
	return p, f.Grip[lead], f.Joint[lead.Joint(body.ElbowR)], f.Joint[lead.Joint(body.ShoulderR)], st, b
}

func placed(q body.Pose, st *body.Station, b *body.Body) body.Frames {
	var poses, rates [2]body.Pose
	poses[0], poses[1] = q, q
	var f body.Frames
	f.Place(b, st, &poses, &rates)
	return f
}

// A hand that is led to where it is leaves the arm as it was; led elsewhere within reach it gets there; and beyond reach the arm points
// at the place and says by how much it misses. By the elbow the upper arm points at the place and the elbow's angle stays.
func TestArmIsLed(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 8))
	for i := range 200 {
		pose := map[string]float64{"shoulder.planeOfElevationDeg": r.Float64()*100 - 10, "shoulder.elevationDeg": 15 + r.Float64()*120,
			"shoulder.rotationDeg": r.Float64()*80 - 40, "elbow.flexionDeg": 10 + r.Float64()*110}
		side := []string{"right", "left"}[i%2]
		p, hand, elbow, shoulder, st, b := posed(side, pose)
		lead := p.Lead()

		q, miss := p.Reaching(0, hand)
		f := placed(q, &st, &b)
		if miss != 0 || space.Norm(r3.Sub(f.Joint[lead.Joint(body.ElbowR)], elbow)) > 1e-9 || space.Norm(r3.Sub(f.Grip[lead], hand)) > 1e-9 {
			t.Fatalf("%s %v: led to where it is, the elbow went from %v to %v", side, pose, elbow, f.Joint[lead.Joint(body.ElbowR)])
		}

		to := r3.Add(shoulder, r3.Scale(0.3+0.2*r.Float64(), r3.Unit(space.Vec{X: r.NormFloat64(), Y: r.NormFloat64(), Z: r.NormFloat64()})))
		q, miss = p.Reaching(0, to)
		f = placed(q, &st, &b)
		if miss != 0 || space.Norm(r3.Sub(f.Grip[lead], to)) > 1e-9 {
			t.Fatalf("%s %v: led to %v, the hand is at %v", side, pose, to, f.Grip[lead])
		}

		far := r3.Add(shoulder, r3.Scale(3, r3.Sub(to, shoulder)))
		_, miss = p.Reaching(0, far)
		// a bent elbow's carrying angle shortens the arm
		if over := space.Norm(r3.Sub(far, shoulder)) - b.ArmLength(); over > 0 && math.Abs(miss-over) > 0.02 {
			t.Fatalf("it misses by %v, want about %v", miss, over)
		}

		q = p.Pointing(0, to)
		f = placed(q, &st, &b)
		way := r3.Unit(r3.Sub(f.Joint[lead.Joint(body.ElbowR)], shoulder))
		if off := space.Norm(r3.Sub(way, r3.Unit(r3.Sub(to, shoulder)))); off > 1e-9 ||
			math.Abs(space.Deg(q[setup.ElbowFlexion])-pose["elbow.flexionDeg"]) > 1e-9 {
			t.Fatalf("%s %v: the upper arm is off by %v, the elbow bent by %v", side, pose, off, space.Deg(q[setup.ElbowFlexion]))
		}
	}
}
