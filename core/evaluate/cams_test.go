package evaluate_test

import (
	"math"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/setup"
)

// A machine whose axis is in line with the joint asks its stack times its moment arm, for either side, whichever coordinate its arm turns
// with and whichever way it is lifted.
func TestMachinesOfEveryJoint(t *testing.T) {
	seat := setup.Posture{Kind: "seated"}
	at := func(segment string, share float64) setup.Contact {
		return setup.Contact{Segment: segment, Fraction: &share}
	}
	for coordinate, c := range map[string]struct {
		region, joint, axis string
		contact             setup.Contact
		from, to, pad       float64
		hold                map[string]float64
	}{
		"knee.flexion":              {"quadriceps", "knee", "", at("shank", 0.9), 90, 10, 0.3, nil},
		"hip.flexion":               {"gluteus.maximus", "hip", "", at("thigh", 0.8), 90, 20, 0.3, nil},
		"hip.abduction":             {"gluteus.medius", "hip", "", at("thigh", 0.8), 0, 35, 0.3, map[string]float64{"hip.flexionDeg": 70, "knee.flexionDeg": 80}},
		"ankle.flexion":             {"calf", "ankle", "", setup.Contact{Segment: "foot", At: "ball"}, 15, -30, 0.12, map[string]float64{"knee.flexionDeg": 80, "hip.flexionDeg": 80}},
		"elbow.flexion":             {"biceps", "elbow", "", at("forearm", 0.9), 10, 120, 0.2, nil},
		"shoulder.elevation":        {"deltoid.middle", "shoulder", "", at("upperArm", 0.9), 10, 90, 0.25, nil},
		"shoulder.planeOfElevation": {"pectoralis.sternal", "shoulder", "", at("upperArm", 0.9), -10, 80, 0.25, map[string]float64{"shoulder.elevationDeg": 90}},
		"shoulder.rotation":         {"cuff.inward", "shoulder", "spin", at("forearm", 0.9), -60, 60, 0.2, map[string]float64{"elbow.flexionDeg": 90}},
	} {
		for _, side := range []string{"right", "left", "both"} {
			for _, turned := range []bool{false, true} {
				from, to := c.from, c.to
				if turned {
					from, to = to, from
				}
				d := setup.Document{Schema: setup.Schema, Name: coordinate, Samples: 21, Lifter: setup.Lifter{Height: 1.8, BodyMass: 80}, Posture: seat,
					Target: setup.Target{Region: c.region, Profile: "even", Joint: c.joint}, Tempo: setup.Tempo{Up: 2, Down: 2},
					Movement: setup.Movement{Kind: "sweep", Side: side, Primary: coordinate, FromDeg: from, ToDeg: to, Hold: c.hold, Axis: c.axis},
					Loads: []setup.Load{{ID: "machine", Kind: setup.Cam, Side: map[string]string{"right": "right", "left": "left", "both": "right"}[side],
						Contact: c.contact, StackMass: 20, Ratio: 1, Coordinate: coordinate, PadRadius: c.pad,
						Cam: []setup.CamPoint{{AngleDeg: -90, Arm: 0.1}, {AngleDeg: 150, Arm: 0.1}}}}}
				r := evaluated(t, &d)
				for _, x := range r.Curves.Loads {
					check.Near(t, coordinate+" "+side, math.Abs(x), 20*9.80665*0.1, 1e-6)
				}
				if r.Curves.Loads[0] < 0 {
					t.Errorf("%s, %s: the machine helps", coordinate, side)
				}
			}
		}
	}
}
