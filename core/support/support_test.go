package support_test

import (
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/support"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

type scene struct {
	doc   setup.Document
	b     body.Body
	st    body.Station
	items []load.Item
	rep   torque.Repetition
}

func arrange(change func(*setup.Document)) *scene {
	s := &scene{doc: setup.Document{
		Lifter:  setup.Lifter{Height: 1.75, BodyMass: 75},
		Posture: setup.Posture{X: 0.5},
		Movement: setup.Movement{Kind: "shoulder-raise", Side: "both", FromDeg: 5, ToDeg: 95,
			Hold: map[string]float64{"shoulder.planeOfElevationDeg": 45}},
		Loads: []setup.Load{{ID: "c", Kind: setup.Cable, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"},
			Pulley: &setup.Point{Y: 0.5, Z: -0.55}, StackMass: 10, Ratio: 1, Travel: 3, Kit: &setup.Kit{Station: "twin-column", Column: "left",
				Hole: 5}}},
	}}
	change(&s.doc)
	s.b = body.New(&s.doc.Lifter)
	s.st = s.b.Settle(&s.doc.Posture, nil, nil)
	p := movement.New(&s.doc, &s.b, &s.st)
	var start, end body.Frames
	p.Place(0, &start)
	p.Place(1, &end)
	s.items = load.Build(s.doc.Loads, &s.st, p.Both(), &start, &end)
	s.rep.Run(&torque.Input{Body: &s.b, Station: &s.st, Path: p, Items: s.items, Samples: 101, Joint: body.ShoulderR})
	return s
}

func (s *scene) clear() setup.Problems {
	return support.Clear(support.Columns(s.items), s.items, &s.b, &s.st, &s.rep)
}

func TestColumnsComeInPairs(t *testing.T) {
	s := arrange(func(*setup.Document) {})
	cols := support.Columns(s.items)
	if len(cols) != 2 || cols[0].Z != -0.55 || cols[1].Z != 0.55 || cols[0].Side != "left" || cols[1].Side != "right" || cols[0].Known == nil {
		t.Errorf("columns %+v", cols)
	}
	s = arrange(func(d *setup.Document) { d.Loads[0].Kit = nil })
	if cols := support.Columns(s.items); len(cols) != 0 {
		t.Errorf("a pulley on the wall has columns: %+v", cols)
	}
	s = arrange(func(d *setup.Document) { d.Loads[0].Kit.Station = "somewhere else" })
	if cols := support.Columns(s.items); len(cols) != 2 || cols[0].Known != nil || cols[0].Height <= 0 {
		t.Errorf("an unknown station has columns of the usual size: %+v", cols)
	}
}

// The arm sweeps sideways: it meets a column that stands in its plane within reach, and only then.
func TestArmMeetsColumn(t *testing.T) {
	for _, c := range []struct {
		name string
		x, z float64
		hits bool
	}{{"in the plane, within reach", 0, 0.55, true}, {"in the plane, out of reach", 0, 1.2, false},
		{"half a metre behind", 0.5, 0.55, false}} {
		s := arrange(func(d *setup.Document) {
			d.Posture.X, d.Movement.Hold["shoulder.planeOfElevationDeg"], d.Loads[0].Pulley.Z = c.x, 0, -c.z
		})
		if got := len(s.clear()) > 0; got != c.hits {
			t.Errorf("%s: hits %v, want %v", c.name, got, c.hits)
		}
	}
}

func TestStartsFollowTheCable(t *testing.T) {
	s := arrange(func(*setup.Document) {})
	st := support.Starts(&s.rep, s.doc.Loads)
	if len(st) != 1 || !(st[0].Least > 0 && st[0].Least <= st[0].First && st[0].Most > st[0].First) {
		t.Fatalf("starts %+v", st)
	}
	if p := support.Impossible(st); len(p) > 0 {
		t.Errorf("an ordinary start is called impossible: %v", p)
	}
	if gaps := support.Gaps(&s.rep); len(gaps) > 0 {
		t.Errorf("an ordinary repetition has gaps: %v", gaps)
	}
}

// A strap as long as the cable in the middle of the range leaves the stack at rest before and lifts it after.
func TestGapEndsWhereTheStackLeavesItsRest(t *testing.T) {
	s := arrange(func(*setup.Document) {})
	middle := s.rep.Parts[0].Lift[50]
	s = arrange(func(d *setup.Document) { d.Loads[0].AttachmentLength = middle })
	gaps := support.Gaps(&s.rep)
	if len(gaps) != 1 || gaps[0].State != load.Slack || gaps[0].From != 0 || gaps[0].To < 48 || gaps[0].To > 50 {
		t.Errorf("gaps %+v", gaps)
	}
	s = arrange(func(d *setup.Document) { d.Loads[0].Travel = middle })
	gaps = support.Gaps(&s.rep)
	if len(gaps) != 1 || gaps[0].State != load.ToppedOut || gaps[0].To != 100 || gaps[0].From < 50 || gaps[0].From > 52 {
		t.Errorf("gaps %+v", gaps)
	}
}

// A band past 3.5 times its length is refused, and so is one that never pulls; beyond its last
// measurement it says so. Common practice, no source.
func TestStretches(t *testing.T) {
	for _, c := range []struct {
		name               string
		rest               float64
		pull               []setup.BandPoint
		refusals, cautions int
	}{
		{"ordinary", 0.8, nil, 0, 0},
		{"far", 0.6, nil, 0, 0},
		{"too far", 0.4, nil, 1, 0},
		{"never", 3, nil, 1, 0},
		{"beyond its measurement", 0.8, []setup.BandPoint{{Length: 0.8, Force: 0}, {Length: 1, Force: 30}}, 0, 1},
	} {
		s := arrange(func(d *setup.Document) {
			d.Loads[0] = setup.Load{ID: "b", Kind: setup.Band, Side: "right", Contact: d.Loads[0].Contact, Anchor: &setup.Point{Y: 0.5, Z: -0.55},
				RestLength: c.rest, Section: 1e-4, Strands: 1, Pull: c.pull}
		})
		refusals, cautions := support.Stretches(&s.rep, s.doc.Loads)
		if len(refusals) != c.refusals || len(cautions) != c.cautions {
			t.Errorf("%s: refused %v, cautioned %v", c.name, refusals, cautions)
		}
	}
}

// A sloping pad lies under a raised upper arm, square to it and not in it; an arm that hangs is not on it.
func TestArmPadsLieUnderTheArm(t *testing.T) {
	l := setup.Lifter{Height: 1.75, BodyMass: 75}
	b := body.New(&l)
	p := setup.Posture{Kind: "seated", Restraints: []string{"armPad"}, Trunk: setup.Trunk{PitchDeg: 15}}
	st := b.Settle(&p, nil, &setup.Movement{})
	var f body.Frames
	var right, left body.Pose
	right[setup.ShoulderPlane], right[setup.ShoulderElevation] = space.Rad(90), space.Rad(65)
	f.Place(&b, &st, &[2]body.Pose{right, left}, &[2]body.Pose{})
	pads := support.ArmPads(&f, &p)
	if len(pads) != 1 {
		t.Fatalf("%d pads under one raised arm", len(pads))
	}
	pad := &pads[0]
	along := r3.Unit(r3.Sub(f.PointOn(body.UpperArmR, 1), f.PointOn(body.UpperArmR, 0)))
	normal := pad.Turn.Apply(space.X)
	check.Near(t, "square to the arm", r3.Dot(along, normal), 0, 1e-9)
	gap := r3.Dot(r3.Sub(f.PointOn(body.UpperArmR, 0.6), pad.Middle), normal) - pad.Half.X
	if gap < 0.03 || gap > 0.06 || normal.Y <= 0 {
		t.Errorf("the arm's middle is %v m above the pad, which faces %v", gap, normal)
	}
	turn := pad.Turn
	back := turn.Transpose()
	if one := turn.Mul(&back); math.Abs(one[0][0]-1)+math.Abs(one[1][1]-1)+math.Abs(one[0][1]) > 1e-9 {
		t.Errorf("the pad's axes are not square: %v", turn)
	}
}
