package torque_test

import (
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/torque"
)

// backs are setups in which the trunk is held by what is above its axis: both arms alike, one arm, a bent trunk, and hands on the floor.
func backs() map[string]setup.Document {
	hand := setup.Contact{Segment: "hand", At: "grip"}
	lifter := setup.Lifter{Height: 1.75, BodyMass: 75}
	held := func(side string, kind setup.LoadKind) setup.Document {
		return setup.Document{Lifter: lifter, Target: setup.Target{Region: "erectors", Joint: "trunk"}, Posture: setup.Posture{Kind: "standing"},
			Loads: []setup.Load{{ID: "w", Kind: kind, Mass: 20, Side: "right", Contact: hand}},
			Movement: setup.Movement{Kind: "sweep", Side: side, Primary: "trunk.flexion", FromDeg: 50, ToDeg: 5,
				Hold: map[string]float64{"shoulder.elevationDeg": 40, "shoulder.planeOfElevationDeg": 90}}}
	}
	turned := held("left", setup.Dumbbell)
	turned.Loads[0].Side, turned.Movement.Primary = "left", "trunk.bend"
	plank := setup.Document{Lifter: lifter, Target: setup.Target{Region: "abdominals", Joint: "trunk"},
		Posture:  setup.Posture{Kind: "prone", Root: "hands"},
		Loads:    []setup.Load{{ID: "own", Kind: setup.Bodyweight, Side: "right"}},
		Movement: setup.Movement{Kind: "hold", Side: "both", Hold: map[string]float64{"shoulder.elevationDeg": 75, "shoulder.planeOfElevationDeg": 90}}}
	return map[string]setup.Document{"bar": held("both", setup.Bar), "dumbbell": turned, "plank": plank}
}

// What the trunk's muscles give is the same seen from above the axis, as the back is added up, and as the target of a setup: in a plank
// that is worked from the toes' side.
func TestBackIsTheTrunksTorque(t *testing.T) {
	for name, d := range backs() {
		r := new(torque.Repetition)
		r.Run(input(&d, 5))
		for i := range r.S {
			if space.Norm(r.Vector[i]) < 10 {
				t.Errorf("%s: only %.1f N·m", name, space.Norm(r.Vector[i]))
			}
			check.Vec(t, name, r.Spine[i], r.Vector[i])
		}
	}
}

// Hanging straight by the hands, the low back is drawn apart by the weight of what is below it; standing it is pressed by the weight of
// what is above.
func TestHangingDrawsTheBackApart(t *testing.T) {
	d := setup.Document{Lifter: setup.Lifter{Height: 1.75, BodyMass: 75}, Target: setup.Target{Region: "latissimus"},
		Posture:  setup.Posture{Kind: "standing", Root: "hands"},
		Loads:    []setup.Load{{ID: "own", Kind: setup.Bodyweight, Side: "right"}},
		Movement: setup.Movement{Kind: "sweep", Side: "both", Primary: "shoulder.elevation", FromDeg: 180, ToDeg: 150}}
	r := new(torque.Repetition)
	in := input(&d, 3)
	r.Run(in)
	below := 0.0
	for _, seg := range body.BelowWaist {
		below += in.Body.Masses[seg]
	}
	f := in.Path.Frames(0)
	up := f.Turn[body.Thorax].Apply(space.Y)
	check.Near(t, "hanging", r.SpineAlong[0], -below*load.Gravity*up.Y, 1e-6)
	d.Posture.Root, d.Movement.FromDeg, d.Movement.ToDeg = "", 30, 10
	d.Loads = []setup.Load{{ID: "w", Kind: setup.Dumbbell, Mass: 1, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}}}
	in = input(&d, 3)
	r.Run(in)
	check.Near(t, "standing", r.SpineAlong[0], (in.Body.BodyMass-below+2)*load.Gravity, 1e-6)
}
