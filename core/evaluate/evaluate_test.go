package evaluate_test

import (
	"encoding/json"
	"math"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/metric"
	"dialarc/core/report"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

func evaluated(t *testing.T, d *setup.Document) *report.Report {
	t.Helper()
	r, problems := evaluate.Document(d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return r
}

// The values that were worked by hand for this document, as the report tells them.
func TestReportOfTheWorkedDocument(t *testing.T) {
	_, d := golden(t, "raise.json")
	r := evaluated(t, &d)
	check.Near(t, "peak of the load", check.Value(t, "peak", r.Profile.Loads.Peak), 45.78, 0.005)
	check.Near(t, "its angle", check.Value(t, "angle", r.Profile.Loads.PeakAngleDeg), 6.8, 0.05)
	check.Near(t, "left at the end", check.Value(t, "left", r.Profile.Loads.EndShare), 0.41, 0.005)
	check.Near(t, "centroid", check.Value(t, "centroid", r.Profile.Loads.Centroid), 0.433, 0.0005)
	if r.Profile.Loads.Phase != "early" || r.Lead != "right" || !r.Both || r.Trust != "estimate" {
		t.Errorf("phase %s, lead %s, both %v, trust %s", r.Profile.Loads.Phase, r.Lead, r.Both, r.Trust)
	}
	check.Near(t, "with the arm at the end", r.Curves.Torque[100], 29.58, 0.005)
	// The stack is lifted by the cable's length less the parked gap, here by the arm 5 degrees off hanging.
	arm, sin, cos := (0.186+0.146+0.050)*1.75, math.Sin(5*math.Pi/180), math.Cos(5*math.Pi/180)
	dx, dy, dz := 0.30+arm*sin*math.Sqrt2/2, 0.818*1.75-arm*cos-0.76, 0.175+arm*sin*math.Sqrt2/2+0.55
	check.Near(t, "stack at the start", r.Starts[0].First, math.Sqrt(dx*dx+dy*dy+dz*dz)-0.05, 1e-9)
}

// Common practice, no source: a cable is hardest where it is square to the lever, exactly so when the pulley lies in the
// plane of movement and further from the joint than the hand.
func TestCableIsHardestWhereItIsSquare(t *testing.T) {
	_, d := golden(t, "raise.json")
	d.Posture.X, d.Movement.Side, d.Movement.Hold["shoulder.planeOfElevationDeg"] = 0, "right", 0
	d.Loads[0].Pulley = &setup.Point{X: 0, Y: 0.4, Z: 1.6} // in the frontal plane, out to the side
	d.Loads[0].Kit, d.Movement.FromDeg, d.Movement.ToDeg, d.Samples = nil, 60, 150, 901
	d.Loads[0].Travel = 4
	r := evaluated(t, &d)
	peak := check.Value(t, "angle", r.Profile.Loads.PeakAngleDeg)
	top := int(math.Round((peak - 60) * 10))
	sc, problems := new(evaluate.Evaluator).SceneAt(&d, float64(top)/900)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	l := sc.Loads[0]
	arm := [3]float64{l.Contact.X - l.Joint.X, l.Contact.Y - l.Joint.Y, l.Contact.Z - l.Joint.Z}
	along := (arm[0]*l.Force.X + arm[1]*l.Force.Y + arm[2]*l.Force.Z) / l.Tension / math.Hypot(arm[0], math.Hypot(arm[1], arm[2]))
	check.Near(t, "cosine between cable and lever at the peak", along, 0, 2e-3)
}

// Common practice, no source: a dumbbell raise to the side starts with nothing and is hardest at shoulder height, the
// reverse of the muscle's strength, which falls toward the top.
func TestDumbbellIsTheReverseOfTheStrength(t *testing.T) {
	_, d := golden(t, "raise.json")
	bell, _ := edits.WithLoadKind(&d, 0, "dumbbell")
	bell.Movement.FromDeg, bell.Movement.ToDeg = 0, 90
	r := evaluated(t, &bell)
	check.Near(t, "hanging", r.Curves.Torque[0], 0, 1e-9)
	check.Near(t, "hardest at shoulder height", check.Value(t, "angle", r.Profile.Total.PeakAngleDeg), 90, 1e-9)
	// Over a quarter turn the torque is a sine, whose centroid is 2/pi of the way.
	check.Near(t, "centroid", check.Value(t, "centroid", r.Profile.Loads.Centroid), 2/math.Pi, 1e-4)
	for i := 1; i < len(r.Curves.S); i++ {
		if r.Curves.Torque[i] <= r.Curves.Torque[i-1] || r.Curves.Capacity[i] > r.Curves.Capacity[i-1] {
			t.Fatalf("at %v degrees torque does not rise or strength does not fall", r.Curves.AngleDeg[i])
		}
	}
	cable := evaluated(t, &d)
	if a, b := check.Value(t, "cable", cable.Profile.Fit), check.Value(t, "dumbbell", r.Profile.Fit); a < b+20 {
		t.Errorf("the cable matches %.0f, the dumbbell %.0f: the cable should be far ahead", a, b)
	}
}

// Common practice, no source: the raise with the cables crossed behind the back. At hand height it is within 1% of the
// peak at the start, then lighter all the way, under half on top but never nothing; lower pulleys move the peak up and
// leave more on top; the arm's weight moves every peak up; standing further out moves it down.
func TestCrossBehindRaise(t *testing.T) {
	_, d := golden(t, "raise.json")
	d.Loads[0].Travel = 3
	hand := evaluated(t, &d)
	loads := hand.Curves.Loads
	peak := check.Value(t, "peak", hand.Profile.Loads.Peak)
	if loads[0] < 0.99*peak {
		t.Errorf("at the start there is %.1f%% of the peak", 100*loads[0]/peak)
	}
	top := int(math.Round((check.Value(t, "angle", hand.Profile.Loads.PeakAngleDeg) - 5) / 0.9))
	for i := top + 1; i < len(loads); i++ {
		if loads[i] >= loads[i-1] {
			t.Fatalf("after the peak it is not lighter all the way: sample %d", i)
		}
	}
	if end := loads[100]; end <= 0 || end >= peak/2 {
		t.Errorf("on top there is %.1f of %.1f N·m", end, peak)
	}
	angle, left := check.Value(t, "angle", hand.Profile.Loads.PeakAngleDeg), check.Value(t, "left", hand.Profile.Loads.EndShare)
	for _, height := range []float64{0.45, 0.15} {
		d.Loads[0].Pulley.Y = height
		r := evaluated(t, &d)
		a, l := check.Value(t, "angle", r.Profile.Loads.PeakAngleDeg), check.Value(t, "left", r.Profile.Loads.EndShare)
		if a <= angle || l <= left {
			t.Errorf("pulley at %.2f m: peak at %.1f with %.2f left; higher it was %.1f and %.2f", height, a, l, angle, left)
		}
		if with := check.Value(t, "with the arm", r.Profile.Total.PeakAngleDeg); with <= a {
			t.Errorf("pulley at %.2f m: with the arm's weight the peak is at %.1f, without at %.1f", height, with, a)
		}
		d.Posture.X = 0.5
		further := evaluated(t, &d)
		if b := check.Value(t, "further out", further.Profile.Loads.PeakAngleDeg); b >= a {
			t.Errorf("pulley at %.2f m: further out the peak is at %.1f, nearer at %.1f", height, b, a)
		}
		d.Posture.X, angle, left = 0.3, a, l
	}
}

// Common practice, no source: lined up, the cable of that raise lies along the arm and under the shoulder when seen from
// above, within 2 cm; off line it leaves off-axis torque. Seen from above it lies along the arm where the tangent of the
// plane is the stance over half the columns' distance plus half the shoulders' breadth.
func TestLinedUpCable(t *testing.T) {
	_, d := golden(t, "raise.json")
	half := 0.175
	d.Posture.X = math.Tan(45*math.Pi/180) * (0.55 + half)
	d.Loads[0].Travel = 3
	r := evaluated(t, &d)
	check.Near(t, "passes the shoulder", check.Value(t, "by", r.Alignment.PassesBy), 0, 0.02)
	check.Near(t, "off-axis share", check.Value(t, "share", r.Alignment.OffPlaneShare), 0, 0.02)
	d.Posture.X = 0.3
	off := evaluated(t, &d)
	if share := check.Value(t, "share", off.Alignment.OffPlaneShare); share < 0.2 {
		t.Errorf("off line the share is only %.2f", share)
	}
}

// Common practice, no source: a dumbbell with a band added is two curves, a hump of the one and an end-range rise of the
// other: the parts add up, the band's grows to the end, and together they are later than the dumbbell alone was light.
func TestDumbbellAndBand(t *testing.T) {
	_, d := golden(t, "dumbbell.json")
	both, problems := edits.WithLoad(&d, "band")
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	both.Loads[1].Anchor = &setup.Point{X: 0.30, Y: 0.05, Z: 0.175} // underfoot
	both.Loads[1].RestLength, both.Movement.FromDeg, both.Movement.ToDeg = 0.6, 20, 120
	both.Movement.Hold["shoulder.planeOfElevationDeg"] = 0
	r := evaluated(t, &both)
	bell, band := r.Parts[0], r.Parts[1]
	n := len(r.Curves.S) - 1
	for i := range r.Curves.S {
		near := bell.Torque[i] + band.Torque[i] + r.Curves.Weights[i]
		check.Near(t, "sum of the parts", near, r.Curves.Torque[i], 1e-9)
	}
	top := 0
	for i := range bell.Torque {
		if bell.Torque[i] > bell.Torque[top] {
			top = i
		}
	}
	if top == 0 || top == n {
		t.Errorf("the dumbbell has no hump: largest at sample %d", top)
	}
	if !(band.Tension[n] > band.Tension[n/2] && band.Tension[n/2] > band.Tension[0]) {
		t.Errorf("the band's pull does not rise to the end: %v, %v, %v", band.Tension[0], band.Tension[n/2], band.Tension[n])
	}
}

// Where the stack rests there are no numbers, the stretch says why, and metrics of the whole range are missing.
func TestSlackIsAGap(t *testing.T) {
	_, d := golden(t, "raise.json")
	d.Loads[0].AttachmentLength = 0.9
	r := evaluated(t, &d)
	if len(r.Gaps) != 1 || r.Gaps[0].Kind != "slack" || r.Gaps[0].FromDeg != 5 || r.Gaps[0].Why == "" {
		t.Fatalf("gaps: %+v", r.Gaps)
	}
	if !math.IsNaN(r.Curves.Torque[0]) || math.IsNaN(r.Curves.Torque[100]) || math.IsNaN(r.Curves.Weights[0]) {
		t.Errorf("torque %v to %v, arm %v", r.Curves.Torque[0], r.Curves.Torque[100], r.Curves.Weights[0])
	}
	if r.Profile.Fit.Known() || r.Profile.Fit.Why() == "" {
		t.Errorf("match %+v", r.Profile.Fit)
	}
	raw, err := json.Marshal(r)
	if err != nil {
		t.Fatal(err)
	}
	if !strings.Contains(string(raw), `"torque":[null,`) {
		t.Error("a gap is not written as null")
	}
	var back report.Report
	if err := json.Unmarshal(raw, &back); err != nil || !math.IsNaN(back.Curves.Torque[0]) {
		t.Errorf("read back: %v, %v", back.Curves.Torque[0], err)
	}
}

func TestImpossibleGeometry(t *testing.T) {
	for _, c := range []struct {
		name, path, says string
		change           func(*setup.Document)
	}{
		{"hand in the column", "posture.x", "inside the right column", func(d *setup.Document) {
			d.Posture.X,
				d.Movement.Hold["shoulder.planeOfElevationDeg"] = 0.05, 0
		}},
		{"standing in the column", "posture.x", "stands inside", func(d *setup.Document) { d.Posture.X, d.Posture.Z = 0, -0.55 }},
		{"stack resting all the way", "loads[0].pulley", "down over the whole range",
			func(d *setup.Document) { d.Loads[0].AttachmentLength = 2.9 }},
		{"stack at its top all the way", "loads[0].travel", "top of its travel over the whole range",
			func(d *setup.Document) { d.Loads[0].Travel = 0.1 }},
		{"load on the other arm", "loads", "No load acts", func(d *setup.Document) { d.Movement.Side = "left" }},
		{"hand at the pulley", "loads[0].pulley", "at the pulley itself", func(d *setup.Document) {
			d.Movement.FromDeg, d.Movement.ToDeg, d.Loads[0].Kit = 0, 60, nil
			d.Loads[0].Pulley = &setup.Point{X: 0.30, Y: 1.4315 - 0.6685, Z: 0.175}
		}},
	} {
		_, d := golden(t, "raise.json")
		c.change(&d)
		_, problems := evaluate.Document(&d)
		found := false
		for _, p := range problems {
			found = found || (p.Path == c.path && strings.Contains(p.What, c.says) && p.Hint != "")
		}
		if !found {
			t.Errorf("%s: %v", c.name, problems)
		}
	}
}

func TestWarnings(t *testing.T) {
	_, d := golden(t, "raise.json")
	if r := evaluated(t, &d); len(r.Warnings) > 0 {
		t.Errorf("an ordinary raise warns: %v", r.Warnings)
	}
	d.Lifter.Ranges["shoulder.elevation"] = setup.Range{FromDeg: 0, ToDeg: 80, Pain: "pinches on top"}
	r := evaluated(t, &d)
	if len(r.Warnings) != 1 || r.Warnings[0].Path != "movement.toDeg" || !strings.Contains(r.Warnings[0].Why, "pinches on top") {
		t.Errorf("warnings: %v", r.Warnings)
	}
}

// One document gives one report, however often and after whatever else it is evaluated.
func TestEvaluatorHasNoMemory(t *testing.T) {
	_, d := golden(t, "raise.json")
	want, _ := json.Marshal(evaluated(t, &d))
	var e evaluate.Evaluator
	other, _ := edits.WithLoadKind(&d, 0, "dumbbell")
	other.Samples = 31
	for range 3 {
		if _, problems := e.Evaluate(&other); len(problems) > 0 {
			t.Fatal(problems)
		}
		r, _ := e.Evaluate(&d)
		if got, _ := json.Marshal(r); string(got) != string(want) {
			t.Fatal("the report differs after another document")
		}
	}
}

// Every golden document evaluates from its text; the numbers of the scene are those of the curves.
func TestSceneAgreesWithTheCurves(t *testing.T) {
	files, err := filepath.Glob("../testdata/*.json")
	if err != nil || len(files) < 3 {
		t.Fatal(files, err)
	}
	for _, file := range files {
		raw, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		r, problems := evaluate.JSON(raw)
		if len(problems) > 0 {
			t.Fatalf("%s: %v", file, problems)
		}
		d, _ := rules.Parse(raw)
		for _, i := range []int{0, 30, len(r.Curves.S) - 1} {
			sc, problems := new(evaluate.Evaluator).SceneAt(&d, r.Curves.S[i])
			if len(problems) > 0 {
				t.Fatal(problems)
			}
			check.Near(t, file+": tension", sc.Loads[0].Tension, r.Parts[0].Tension[i], 1e-9)
			check.Near(t, file+": moment arm", sc.Loads[0].MomentArm, r.Parts[0].MomentArm[i], 1e-9)
			check.Near(t, file+": angle", sc.AngleDeg, r.Curves.AngleDeg[i], 1e-9)
		}
	}
}

func TestSceneOutsideThePath(t *testing.T) {
	_, d := golden(t, "raise.json")
	for _, s := range []float64{-0.1, 1.1, math.NaN()} {
		if _, problems := new(evaluate.Evaluator).SceneAt(&d, s); len(problems) == 0 {
			t.Errorf("a scene at %v was given", s)
		}
	}
}

// The numbers are written with 10 significant digits, which lose less than 1e-9.
func TestNumbersAreWrittenWithTenDigits(t *testing.T) {
	c := report.Curve{math.Pi * 1e5, -1.0 / 3, 0, math.NaN(), math.Inf(1), 1e-12}
	raw, err := json.Marshal(c)
	if err != nil || string(raw) != `[314159.2654,-0.3333333333,0,null,null,1e-12]` {
		t.Errorf("%s %v", raw, err)
	}
}

// The raises to begin with are light for people of all sizes.
func TestRaisesAreReady(t *testing.T) {
	for _, mass := range []float64{45, 70, 120} {
		l := setup.Lifter{Height: 1.5 + mass/250, BodyMass: mass}
		for _, ready := range catalogue.All(&l)[:5] {
			r, problems := evaluate.Document(&ready.Document)
			if len(problems) > 0 {
				t.Errorf("%s at %v kg: %v", ready.Key, mass, problems)
				continue
			}
			if e := check.Value(t, "effort", r.Profile.PeakEffort); e > 1 || len(r.Gaps) > 0 || ready.About == "" {
				t.Errorf("%s at %v kg: effort %.2f, gaps %v", ready.Key, mass, e, r.Gaps)
			}
		}
	}
}

// Lists are never null in what the page reads, also when they are empty.
func TestNoListIsNull(t *testing.T) {
	_, d := golden(t, "dumbbell.json")
	r := evaluated(t, &d)
	sc, problems := new(evaluate.Evaluator).SceneAt(&d, 0.5)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	for _, v := range []any{r, sc} {
		raw, err := json.Marshal(v)
		if err != nil {
			t.Fatal(err)
		}
		for _, name := range []string{"columns", "loads", "segments", "parts", "gaps", "warnings", "verdicts", "starts", "deadSpots", "cliffs"} {
			if strings.Contains(string(raw), `"`+name+`":null`) {
				t.Errorf("%s is null in %T", name, v)
			}
		}
	}
}

// A sketch says what the report says, a little coarser: of every ready setup the same is refused, the load is as heavy and it
// fits as well.
func TestSketch(t *testing.T) {
	var e evaluate.Evaluator
	for _, ready := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		full, problems := e.Evaluate(&ready.Document)
		sketch, others := e.Sketch(&ready.Document)
		if len(problems)+len(others) > 0 {
			t.Errorf("%s: %v, %v", ready.Key, problems, others)
			continue
		}
		if full.Bracing.Holds != sketch.Bracing.Holds || full.Hold != sketch.Hold || len(full.Joints) != len(sketch.Joints) {
			t.Errorf("%s: %+v, sketched %+v", ready.Key, full.Bracing, sketch.Bracing)
		}
		for what, pair := range map[string][2]metric.Metric{"match": {full.Profile.Fit, sketch.Profile.Fit},
			"peak": {full.Profile.Total.Peak, sketch.Profile.Total.Peak}} {
			a, b := pair[0], pair[1]
			if a.Known() != b.Known() || math.Abs(a.Or(0)-b.Or(0)) > 0.03*math.Abs(a.Or(0))+0.1 {
				t.Errorf("%s: %s %v, sketched %v", ready.Key, what, a, b)
			}
		}
	}
}
