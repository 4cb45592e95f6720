package torque_test

import (
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// benchPress is a bar pressed from the chest, hands so far outside the shoulders.
func benchPress(wide, mass float64) setup.Document {
	return setup.Document{Lifter: setup.Lifter{Height: 1.75, BodyMass: 75}, Target: setup.Target{Region: "pectoralis"},
		Posture: setup.Posture{Kind: "supine"}, Bench: &setup.Bench{Height: 0.45},
		Loads: []setup.Load{{ID: "bar", Kind: setup.Bar, Mass: mass, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}}},
		Movement: setup.Movement{Kind: "guided", Side: "both", Guide: &setup.Guide{Kind: "line", SwivelDeg: 60, Relative: true,
			Start: setup.Point{X: 0.1, Y: 0.19, Z: wide}, End: &setup.Point{X: 0.03, Y: 0.58, Z: wide}}}}
}

// whole runs a document with the joints of the arm beside the shoulder, hands free to push sideways or not.
func whole(d *setup.Document, sideways bool) (*torque.Input, *torque.Repetition) {
	in := input(d, 5)
	in.Others, in.Sideways = []body.Joint{body.GirdleR, body.ElbowR}, sideways
	r := new(torque.Repetition)
	r.Run(in)
	return in, r
}

// What two hands push each other apart with does no work: girdle, shoulder and elbow share out the same power in another way.
func TestPushingSidewaysDoesNoWork(t *testing.T) {
	press := benchPress(0.2, 60)
	up := setup.Guide{Kind: "line", SwivelDeg: 40, Relative: true, Start: setup.Point{X: 0.15, Y: 0.5, Z: 0.1},
		End: &setup.Point{X: 0.2, Y: 0.15, Z: 0.1}}
	hang := setup.Document{Lifter: press.Lifter, Target: setup.Target{Region: "latissimus"}, Posture: setup.Posture{Kind: "standing", Root: "hands"},
		Loads:    []setup.Load{{ID: "own", Kind: setup.Bodyweight, Side: "right"}},
		Movement: setup.Movement{Kind: "guided", Side: "both", Guide: &up}}
	for name, d := range map[string]*setup.Document{"press": &press, "pull-up": &hang} {
		in, free := whole(d, true)
		_, held := whole(d, false)
		var f body.Frames
		for i, s := range free.S {
			in.Path.Place(s, &f)
			back := f.Turn[body.Thorax].Transpose()
			power, moved := 0.0, 0.0
			add := func(j body.Joint, a, b space.Vec) {
				spin := back.Apply(f.Spin[j])
				power, moved = power+r3.Dot(r3.Sub(a, b), spin), moved+math.Abs(r3.Dot(b, spin))
			}
			add(body.ShoulderR, free.Vector[i], held.Vector[i])
			for o := range free.Others {
				add(free.Others[o].Joint, free.Others[o].Vector[i], held.Others[o].Vector[i])
			}
			if math.Abs(free.Lateral[i]) < 1 || moved < 10 {
				t.Errorf("%s at %v: a push of %.1f N, power %.1f", name, s, free.Lateral[i], moved)
			}
			check.Near(t, name+": power", power, 0, 1e-5*moved)
		}
	}
}

// The push is that at which the joints of the arm are strained least, over strengths of 1, of half of that in the elbow and of a quarter in
// rotation: more or less of it strains them more. It goes with the load.
func TestSidewaysPushIsTheLeastStrain(t *testing.T) {
	d := benchPress(0.2, 60)
	in, free := whole(&d, true)
	_, held := whole(&d, false)
	var f body.Frames
	for i, s := range free.S {
		in.Path.Place(s, &f)
		trunk := f.Turn[body.Thorax].Transpose()
		along := trunk.Apply(f.Direction(body.UpperArmR))
		hinge := trunk.Apply(f.Turn[body.UpperArmR].Apply(body.ElbowHinge(f.Body.CarryingAngle)))
		strain := func(k float64) float64 { // with so many times the push
			mix := func(a, b space.Vec) space.Vec { return r3.Add(b, r3.Scale(k, r3.Sub(a, b))) }
			sh, el := mix(free.Vector[i], held.Vector[i]), mix(free.Others[1].Vector[i], held.Others[1].Vector[i])
			return r3.Norm2(space.Reject(sh, along)) + math.Pow(r3.Dot(sh, along)/0.25, 2) + math.Pow(r3.Dot(el, hinge)/0.5, 2)
		}
		if least := strain(1); least > strain(0.9) || least > strain(1.1) || least > strain(0) {
			t.Errorf("at %v the strain is %.3f; with less %.3f, with more %.3f, without %.3f", s, least, strain(0.9), strain(1.1), strain(0))
		}
	}
	light, heavy, heavier := benchPress(0.2, 20), benchPress(0.2, 40), benchPress(0.2, 60)
	_, a := whole(&light, true)
	_, b := whole(&heavy, true)
	_, c := whole(&heavier, true)
	for i := range a.S {
		check.Near(t, "steps of the push", c.Lateral[i]-b.Lateral[i], b.Lateral[i]-a.Lateral[i], 1e-9)
	}
}

// Hands that slide along the bar, one hand, or a dumbbell in each: nothing holds against a push. The handles of a lever do.
func TestWhatHoldsAgainstAPush(t *testing.T) {
	closing := benchPress(0.25, 60)
	closing.Movement.Guide.End.Z = 0.05
	apart := benchPress(0.2, 20)
	apart.Loads[0].Kind = setup.Dumbbell
	alone := apart.Clone()
	alone.Movement.Side = "right"
	for name, d := range map[string]*setup.Document{"sliding": &closing, "dumbbells": &apart, "one hand": &alone} {
		if in := input(d, 2); in.Sideways {
			t.Errorf("%s: the hands push against nothing", name)
		}
	}
	lever := apart.Clone()
	lever.Loads[0] = setup.Load{ID: "lever", Kind: setup.Lever, Side: "right", Contact: lever.Loads[0].Contact, PlateMass: 20, PlateRadius: 0.8,
		Pivot: &setup.Point{X: 0.5, Y: 1.4}, PivotAlong: &setup.Point{Z: 1}, HandleRadius: 0.8}
	if in := input(&lever, 2); !in.Sideways {
		t.Error("a lever about an axis across holds its handles")
	}
	lever.Loads[0].PivotAlong = &setup.Point{Z: 1, X: 0.4}
	if in := input(&lever, 2); in.Sideways {
		t.Error("a lever whose handles come together gives way")
	}
}

// At rest, motion and scene tell of the same push.
func TestMotionKnowsThePush(t *testing.T) {
	d := benchPress(0.2, 60)
	in, r := whole(&d, true)
	for i, s := range r.S {
		slow := torque.InMotion(in, body.ShoulderR, s, 0, 0)
		check.Near(t, "torque at rest", -r3.Dot(slow, r.Axis[i]), r.Total[i], 1e-9)
		var f body.Frames
		in.Path.Place(s, &f)
		pull := in.Pulling(&f, &in.Items[0])
		foot := torque.Foot(r.Joint[i], r.Axis[i], pull)
		check.Near(t, "moment arm", space.Norm(r3.Sub(foot, r.Joint[i])), r.Parts[0].MomentArm[i], 1e-9)
	}
}
