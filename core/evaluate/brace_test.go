package evaluate_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// pulled is somebody who stands and is pulled straight forward at the height of the hands by a cable from far in front, of a
// mass in kg, both hands alike.
func pulled(t *testing.T, mass float64) setup.Document {
	t.Helper()
	d := ready(t, "front.dumbbell")
	d.Posture = setup.Posture{Kind: "standing", FeetApart: 0.3}
	d.Movement = setup.Movement{Kind: "hold", Side: "both", Hold: map[string]float64{"shoulder.planeOfElevationDeg": 90,
		"shoulder.elevationDeg": 90}}
	d.Loads = []setup.Load{{ID: "pull", Kind: setup.Cable, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}, Ratio: 1,
		StackMass: mass / 2, Travel: 6,
		Pulley: &setup.Point{X: 4, Y: 0.818 * 1.75, Z: 0.175}}}
	return d
}

// A crate tips when the pull's moment is more than what its weight has about its edge. With the weight over the ankles, which
// are 75% of the foot's length behind the toes, a level pull at shoulder height tips the lifter where pull times height is
// weight times that; short of it the margin is what is left (closed form).
func TestTipping(t *testing.T) {
	hand := 0.818 * 1.75
	margin := func(kg float64) float64 {
		d := pulled(t, kg)
		return check.Value(t, "margin", evaluated(t, &d).Bracing.Margin)
	}
	m := margin(6)
	for _, kg := range []float64{3, 4, 5} {
		check.Near(t, "margin", margin(kg), m+(6-kg)*hand/75, 1e-3)
	}
	edge := 6 + m*75/hand
	short, far := pulled(t, edge-0.4), pulled(t, edge+1.2)
	if b := evaluated(t, &short).Bracing; !b.Holds {
		t.Errorf("short of tipping: %+v", b)
	}
	if b := evaluated(t, &far).Bracing; b.Holds || b.How != "tips" || math.Abs(b.TowardDeg) > 20 {
		t.Errorf("past tipping: holds %v, %s toward %.0f degrees", b.Holds, b.How, b.TowardDeg)
	}
}

// Whoever leans against a level pull stands when tan of the lean is pull over weight times the height of the pull over that
// of the centre of mass: then the pressure is under the ankles (closed form, the whole body leaning as one).
func TestLeaningAgainstAPull(t *testing.T) {
	d := pulled(t, 8)
	d.Posture = setup.Posture{Kind: "leaning"}
	d.Movement.Hold["shoulder.elevationDeg"] = 0
	d.Loads[0].Contact = setup.Contact{Segment: "upperArm", Fraction: new(0.0)} // at the shoulder joint itself
	margin := func(deg float64) float64 {
		d.Posture.Trunk.PitchDeg = deg
		// The pull stays level as the shoulder comes down.
		lean := deg * math.Pi / 180
		d.Loads[0].Pulley.Y = 0.039*1.75 + (0.818-0.039)*1.75*math.Cos(lean)
		sc, problems := new(evaluate.Evaluator).SceneAt(&d, 0)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		ankle := 0.0
		for _, s := range sc.Segments {
			if s.Name == "foot.right" {
				ankle = s.Origin.X
			}
		}
		return sc.Pressure.X - ankle
	}
	// Where the pressure is under the ankle, the relation has to hold with heights counted from there.
	low, high := -20.0, 0.0
	for range 60 {
		if mid := (low + high) / 2; margin(mid) > 0 {
			high = mid
		} else {
			low = mid
		}
	}
	lean := -(low + high) / 2 * math.Pi / 180
	com := 0.0
	for _, part := range []struct{ share, height float64 }{{0.497, (0.530 + 0.818) / 2}, {0.081, 0.93}, {0.056, 0.818 - 0.186*0.436},
		{0.032, 0.818 - 0.186 - 0.146*0.43}, {0.012, 0.818 - 0.382},
		{0.2, 0.530 - 0.245*0.433}, {0.093, 0.285 - 0.246*0.433}} {
		com += part.share * (part.height - 0.039) * 1.75
	}
	pull, weight := 8*9.80665, 75*9.80665
	want := pull / weight * ((0.818 - 0.039) * 1.75) / com
	check.Near(t, "tangent of the lean", math.Tan(lean), want, 0.12*want) // the arms hang, and the feet do not lean
}

// A level pull needs as much friction as it is of the weight (closed form).
func TestFrictionNeeded(t *testing.T) {
	d := pulled(t, 6)
	d.Posture.Feet, d.Posture.Ahead, d.Posture.FeetApart = "split", "left", 0.1
	b := evaluated(t, &d).Bracing
	if !b.Holds {
		t.Fatalf("not held: %+v", b)
	}
	check.Near(t, "friction", check.Value(t, "friction", b.Friction)*0.6, 6.0/75, 0.01)
	heavy := pulled(t, 0.2)
	if f := check.Value(t, "friction", evaluated(t, &heavy).Bracing.Friction); f > 0.05 {
		t.Errorf("hardly pulled, still %.2f of the friction is needed", f)
	}
}

// Seated under a heavy pull from above, the pad on the thighs takes what the pull is more than the weight; without it the
// lifter leaves the seat (closed form).
func TestThighPad(t *testing.T) {
	d := ready(t, "front.dumbbell")
	d.Posture = setup.Posture{Kind: "seated", Restraints: []string{"thighPad"}}
	d.Movement = setup.Movement{Kind: "hold", Side: "both", Hold: map[string]float64{"shoulder.planeOfElevationDeg": 90,
		"shoulder.elevationDeg": 150, "elbow.flexionDeg": 30}}
	d.Loads = []setup.Load{{ID: "pull", Kind: setup.Cable, Side: "right", Contact: setup.Contact{Segment: "hand", At: "grip"}, Ratio: 1,
		StackMass: 50, Travel: 6,
		Pulley: &setup.Point{X: 0.28, Y: 4, Z: 0.175}}}
	r := evaluated(t, &d)
	pad, up := 0.0, 0.0
	for _, c := range r.Bracing.Contacts {
		up += c.Force.Y
		if c.Name == "thighPad" {
			pad = -c.Force.Y
		}
	}
	vertical := 0.0
	sc, _ := new(evaluate.Evaluator).SceneAt(&d, 0)
	for _, l := range sc.Loads {
		vertical += l.Force.Y
	}
	check.Near(t, "balance", up+vertical, 75*9.80665, 1)
	if !r.Bracing.Holds || pad < vertical-75*9.80665-1 {
		t.Errorf("held %v, the pad pushes with %.0f N against %.0f N too much", r.Bracing.Holds, pad, vertical-75*9.80665)
	}
	d.Posture.Restraints = nil
	if b := evaluated(t, &d).Bracing; b.Holds || b.How != "lifted" {
		t.Errorf("without the pad: holds %v, %s", b.Holds, b.How)
	}
}

// Between the columns, cables crossed from both sides cancel: nothing pulls front to back or aside. Common practice, no
// source.
func TestCrossedCablesCancel(t *testing.T) {
	_, d := golden(t, "raise.json")
	d.Posture.X, d.Movement.Hold["shoulder.planeOfElevationDeg"] = 0, 0
	d.Loads[0].Kit = nil
	r := evaluated(t, &d)
	for _, c := range r.Bracing.Contacts {
		if math.Abs(c.Force.X) > 0.5 {
			t.Errorf("%s pushes with %+v", c.Name, c.Force)
		}
	}
	if !r.Bracing.Holds || check.Value(t, "friction", r.Bracing.Friction) > 0.05 {
		t.Errorf("held %v with %v of the friction", r.Bracing.Holds, r.Bracing.Friction)
	}
}

// A lean on an upright bench pushes it: with a light bench it slides or tips, with weight on it it stays.
func TestBenchStays(t *testing.T) {
	d := ready(t, "raise.leaning")
	d.Bench.Mass = 8
	light := evaluated(t, &d).Bracing.Bench
	d.Bench.Mass = 150
	heavy := evaluated(t, &d).Bracing.Bench
	if light.Holds || light.How == "" || !light.Weight.Known() || !heavy.Holds {
		t.Errorf("light %+v, heavy %+v", light, heavy)
	}
}

// A cable that would have to run through the trunk is told; a step out of its way clears it.
func TestClearance(t *testing.T) {
	state := func(d *setup.Document) report.Rub {
		r := evaluated(t, d)
		if len(r.Rubs) == 0 {
			t.Fatal("no strand was looked at")
		}
		return r.Rubs[0]
	}
	through := pulled(t, 4)
	through.Movement.Side, through.Loads[0].Pulley = "right", &setup.Point{X: -2, Y: 1.2, Z: -0.175}
	if r := state(&through); r.State == "clear" || r.Distance > -0.03 {
		t.Errorf("through the trunk: %+v", r)
	}
	free := pulled(t, 4)
	if r := state(&free); r.State != "clear" || r.Distance < 0.02 {
		t.Errorf("straight ahead: %+v", r)
	}
}

// Every caution fires on its condition and is silent beside it.
func TestCautions(t *testing.T) {
	for _, c := range []struct {
		key, setup string
		fires      func(*setup.Document)
		silent     func(*setup.Document)
	}{
		{"turned-out", "fly.cable.stretched", func(d *setup.Document) { d.Movement.Hold["shoulder.rotationDeg"] = -75 },
			func(d *setup.Document) { d.Movement.Hold["shoulder.rotationDeg"] = -20 }},
		{"deep", "fly.cable.stretched", func(d *setup.Document) { d.Movement.FromDeg = -35 },
			func(d *setup.Document) { d.Movement.FromDeg = -10 }},
		{"overhead", "press.standing", func(d *setup.Document) {
			d.Lifter.Ranges = map[string]setup.Range{"shoulder.rotation": {FromDeg: -40, ToDeg: 90}}
		}, func(d *setup.Document) {}},
		{"overhead", "press.standing", func(d *setup.Document) {
			d.Lifter.Ranges = map[string]setup.Range{"shoulder.rotation": {FromDeg: -40, ToDeg: 90}}
		}, func(d *setup.Document) {
			bench := ready(t, "press.bench.60") // the usual way out
			bench.Lifter.Ranges = map[string]setup.Range{"shoulder.rotation": {FromDeg: -40, ToDeg: 90}}
			*d = bench
		}},
		{"low-back", "row.hinged", func(d *setup.Document) { d.Loads[0].Mass = 100 },
			func(d *setup.Document) { d.Posture.Trunk.PitchDeg, d.Loads[0].Mass = 15, 2 }},
		{"spine", "row.band", func(d *setup.Document) { d.Posture.Trunk.TurnDeg = 25 }, func(d *setup.Document) { d.Posture.Trunk.TurnDeg = 5 }},
		{"bench", "raise.leaning", func(d *setup.Document) { d.Bench.Mass = 8 }, func(d *setup.Document) { d.Bench.Mass = 150 }},
		{"band-worn", "fly.band.wide", func(d *setup.Document) { d.Loads[0].Worn = true }, func(*setup.Document) {}},
		{"band-loose", "fly.band.wide", func(d *setup.Document) { d.Loads[0].Loose = true }, func(*setup.Document) {}},
		{"band-stretch", "fly.band.wide", func(d *setup.Document) { d.Loads[0].RestLength *= 0.9 },
			func(d *setup.Document) { d.Loads[0].RestLength *= 1.2 }},
		{"entry", "raise.behind.lined", func(d *setup.Document) { d.Loads[0].StackMass = 60 },
			func(d *setup.Document) { d.Loads[0].StackMass = 7.5 }},
		{"momentum", "curl.dumbbell", func(d *setup.Document) { d.Tempo.Up = 0.5 }, func(d *setup.Document) { d.Tempo.Up = 1.5 }},
	} {
		has := func(change func(*setup.Document)) bool {
			d := ready(t, c.setup)
			change(&d)
			return slices.ContainsFunc(evaluated(t, &d).Cautions, func(x report.Caution) bool {
				return x.Key == c.key && x.Text != "" &&
					x.Way != ""
			})
		}
		if !has(c.fires) {
			t.Errorf("%s does not fire", c.key)
		}
		if has(c.silent) {
			t.Errorf("%s fires in its neighbour", c.key)
		}
	}
}

// Every setup gets a sentence about bracing and one about joints, with all their values filled in.
func TestBraceAndJointsAreTold(t *testing.T) {
	everyReady(t, 1.75, func(key string, _ setup.Document, r *report.Report) {
		seen := map[string]bool{}
		for _, v := range r.Verdicts {
			seen[v.Key] = true
			for rest := v.Text; ; {
				_, after, found := strings.Cut(rest, "{")
				if !found {
					break
				}
				name, more, _ := strings.Cut(after, "}")
				if _, ok := v.Values[name]; !ok {
					t.Errorf("%s: %q has no value %s", key, v.Text, name)
				}
				rest = more
			}
		}
		if !seen["stability"] || !seen["jointLoad"] {
			t.Errorf("%s: verdicts %v", key, seen)
		}
	})
}
