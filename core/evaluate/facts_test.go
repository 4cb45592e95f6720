package evaluate_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// The tests of this file are what coaches know: common practice, no source.

// ready is a setup of the catalogue for a usual lifter, without friction, so that lifting and lowering are alike.
func ready(t *testing.T, key string) setup.Document {
	t.Helper()
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		if r.Key != key {
			continue
		}
		for i := range r.Document.Loads {
			r.Document.Loads[i].Friction, r.Document.Loads[i].Hysteresis = 0, 0
		}
		return r.Document
	}
	t.Fatalf("there is no setup %s", key)
	return setup.Document{}
}

func centroid(t *testing.T, d *setup.Document) float64 {
	t.Helper()
	return check.Value(t, "centroid of "+d.Name, evaluated(t, d).Profile.Loads.Centroid)
}

func first(c report.Curve) float64 { return c[0] }
func last(c report.Curve) float64  { return c[len(c)-1] }

// A cuff higher on the arm takes more load for the same torque; in a lying raise the cuff at the wrist loads the long end
// more than the one at the upper arm.
func TestCuffs(t *testing.T) {
	wrist, upper := ready(t, "raise.lying.wrist"), ready(t, "raise.lying.upper")
	upper.Loads[0].StackMass = wrist.Loads[0].StackMass
	a, b := evaluated(t, &wrist), evaluated(t, &upper)
	// At the long end, with the cable across the chest, the longer lever asks more for the same stack.
	if ratio := first(a.Curves.Loads) / first(b.Curves.Loads); ratio < 1.05 {
		t.Errorf("the cuff at the wrist asks %.2f times as much", ratio)
	}
	shareAt := func(r *report.Report) float64 { return check.Value(t, "first third", r.Profile.Loads.Thirds[0]) }
	if shareAt(a) <= shareAt(b) {
		t.Errorf("first third: wrist %.3f, upper arm %.3f", shareAt(a), shareAt(b))
	}
}

// A kick-back with a dumbbell is late. A press-down is mid when one steps back; right under the pulley nothing is left at
// lock-out. A cable overhead is early with the elbow fully bent, but only while it runs nearly along the upper arm.
func TestExtensions(t *testing.T) {
	kick := ready(t, "kickback")
	if c := centroid(t, &kick); c < 0.55 {
		t.Errorf("kick-back: %.3f", c)
	}
	down := ready(t, "pressdown.rope")
	back := evaluated(t, &down)
	if c := check.Value(t, "centroid", back.Profile.Loads.Centroid); c < 0.45 || c > 0.55 {
		t.Errorf("press-down a step back: %.3f", c)
	}
	down.Posture.X, down.Movement.Hold["shoulder.elevationDeg"] = 0.05, 0
	under := evaluated(t, &down)
	if left, stepped := last(under.Curves.Loads)/slices.Max(under.Curves.Loads),
		last(back.Curves.Loads)/slices.Max(back.Curves.Loads); left > 0.15 || stepped < 2.5*left {
		t.Errorf("left at lock-out: under the pulley %.2f, a step back %.2f", left, stepped)
	}
	over := ready(t, "extension.overhead") // its rope passes beside the head; here it runs along the upper arm, as it would without one
	over.Posture.X, over.Posture.Trunk.PitchDeg = 0.75, 39
	over.Movement.FromDeg, over.Movement.ToDeg, over.Movement.Hold["shoulder.elevationDeg"] = 135, 5, 150
	over.Loads[0].StrandLength = 0.4
	along := centroid(t, &over)
	over.Loads[0].Pulley.Y = 2.2 // from high up, well off the line of the upper arm
	if steep := centroid(t, &over); along >= 0.45 || steep <= 0.45 {
		t.Errorf("overhead: along the upper arm %.3f, from high up %.3f", along, steep)
	}
}

// The dumbbell fly asks nothing with the weights over the shoulders and most with the arms level; a bend of the elbows
// at the bottom takes the peak down; stopping short of lock-out keeps off zero.
func TestDumbbellFly(t *testing.T) {
	flat := ready(t, "fly.flat")
	flat.Movement.ToDeg = 90
	flat.Movement.Hold["shoulder.elevationDeg"] = 90
	flat.Movement.Hold["elbow.flexionDeg"] = 0
	r := evaluated(t, &flat)
	check.Near(t, "over the shoulders", last(r.Curves.Loads), 0, 1e-9)
	check.Near(t, "most with the arms level", check.Value(t, "peak angle", r.Profile.Loads.PeakAngleDeg), 0, 1)
	if len(r.Profile.DeadSpots) == 0 {
		t.Error("no dead spot on top")
	}
	bent := flat.Clone()
	bent.Movement.Hold["elbow.flexionDeg"], bent.Movement.Hold["shoulder.rotationDeg"] = 60, -90
	if most := slices.Max(evaluated(t, &bent).Curves.Loads); most >= 0.95*slices.Max(r.Curves.Loads) {
		t.Errorf("bent, the most is %.1f against %.1f", most, slices.Max(r.Curves.Loads))
	}
	short := flat.Clone()
	short.Movement.ToDeg = 65
	if left := check.Value(t, "left", evaluated(t, &short).Profile.Loads.EndShare); left < 0.3 {
		t.Errorf("short of lock-out %.2f is left", left)
	}
}

// The fly from low pulleys, hinged forward, is never at zero; with the arms led from the side at shoulder height and half a metre out
// it is never at zero at the closed end, and nearer the cable helps at the stretch.
func TestFlyFromLowPulleys(t *testing.T) {
	for _, key := range []string{"fly.low.30", "fly.low.45"} {
		d := ready(t, key)
		r := evaluated(t, &d)
		if least := slices.Min(r.Curves.Loads); least <= 0 {
			t.Errorf("%s: the cable helps somewhere: %.2f", key, least)
		}
		fly := ready(t, "fly.cable")
		d.Movement, d.Loads[0].Pulley.Z, d.Posture.X = fly.Movement, 0.75, 0.5
		d.Movement.FromDeg = 0
		if out := evaluated(t, &d); last(out.Curves.Loads) <= 0 {
			t.Errorf("%s, half a metre out: %.2f at the closed end", key, last(out.Curves.Loads))
		}
		d.Posture.X = 0
		near := evaluated(t, &d)
		if first(near.Curves.Loads) >= 0 || check.Value(t, "assisting", near.Profile.Loads.Assisting) <= 0 {
			t.Errorf("%s, at the pulleys: %.2f at the stretch", key, first(near.Curves.Loads))
		}
	}
}

// Band flies: the pull is highest at the end; both bands fixed behind the middle end as a press, since there they pull
// back rather than out; the wider the anchors the more the bands pull sideways at the end, most when they are beside.
func TestBandFlies(t *testing.T) {
	left := map[string]float64{}
	for _, key := range []string{"fly.band.behind", "fly.band.wide", "fly.band.beside"} {
		d := ready(t, key)
		r := evaluated(t, &d)
		p := r.Parts[0]
		if key != "fly.band.behind" && last(p.Tension) < slices.Max(p.Tension)-1e-9 {
			t.Errorf("%s: %.1f N at the end, at most %.1f N", key, last(p.Tension), slices.Max(p.Tension))
		}
		left[key] = last(p.Torque) / last(p.Tension) // moment arm about the fly's axis, with its sign
	}
	if !(left["fly.band.behind"] < left["fly.band.wide"]/1.5 && left["fly.band.wide"] < left["fly.band.beside"]) {
		t.Errorf("moment arms at the closed end: %v", left)
	}
}

// A pull-over with a dumbbell ends with nothing; with a band added it starts hard and ends hard.
func TestPullOver(t *testing.T) {
	bell, both := ready(t, "pullover"), ready(t, "pullover.band")
	a, b := evaluated(t, &bell), evaluated(t, &both)
	leftA, leftB := last(a.Curves.Loads)/slices.Max(a.Curves.Loads), last(b.Curves.Loads)/slices.Max(b.Curves.Loads)
	startB := first(b.Curves.Loads) / slices.Max(b.Curves.Loads)
	if !(leftA < 0.25 && leftB > 0.5 && startB > 0.5) {
		t.Errorf("left at the end: dumbbell %.2f, with the band %.2f; with the band at the start %.2f", leftA, leftB, startB)
	}
}

// A knee extension machine with a moment arm of about 23 cm, steady for half of the range, asks less toward straight, where
// the muscle is short; the shank's own weight asks most there.
func TestKneeExtensionMachine(t *testing.T) {
	d := ready(t, "knee.extension")
	r := evaluated(t, &d)
	machine, own := r.Parts[0].Torque, r.Curves.Weights
	want := 9.80665 * d.Loads[0].StackMass * 0.23
	half := len(machine) / 2
	for i := range half - 10 {
		check.Near(t, "steady", machine[i], want, 0.02*want)
	}
	if fall := first(machine) - last(machine); fall < 0.10*want || fall > 0.20*want {
		t.Errorf("toward straight the machine's part falls by %.1f of %.1f N·m", fall, want)
	}
	if i := slices.Index(own, slices.Max(own)); i < len(own)-6 {
		t.Errorf("the shank asks most at sample %d", i)
	}
	// A knee that is not at the machine's axis gets another torque.
	d.Loads[0].AxisOffset = &setup.Point{X: 0.03}
	if off := first(evaluated(t, &d).Parts[0].Torque); math.Abs(off-first(machine)) < 0.01*want {
		t.Errorf("off the axis by 3 cm: %.2f against %.2f", off, first(machine))
	}
}

// A lever that is level at the start of the pull puts the most at the long end, one that comes to level at the end is the
// reverse; sliding back on the seat moves the start along the lever's arc.
func TestLeverPullDown(t *testing.T) {
	level := ready(t, "lever.far")
	reverse := level.Clone()
	// The plates' direction decides where on the arc the lever asks most: level at the start, or at the end.
	turn := level.Movement.Guide.TurnDeg
	start := level.Movement.Guide.Start
	pivot := level.Loads[0].Pivot
	above := math.Atan2(start.Y-pivot.Y, pivot.X-start.X) * 180 / math.Pi
	level.Loads[0].PlateDeg, reverse.Loads[0].PlateDeg = math.Remainder(180+above, 360), math.Remainder(180+above-turn, 360)
	torqueOn := func(d *setup.Document) report.Curve {
		r := evaluated(t, d)
		out := make(report.Curve, len(r.Parts[0].Tension))
		for i := range out {
			out[i] = r.Parts[0].Tension[i] // the handle's radius is fixed, so its push tells the torque on the lever
		}
		return out
	}
	a, b := torqueOn(&level), torqueOn(&reverse)
	if !(first(a) > last(a) && math.Abs(first(a)-slices.Max(a)) < 1e-6*first(a)) {
		t.Errorf("level at the start: %.1f N there, %.1f N at the end", first(a), last(a))
	}
	if !(last(b) > first(b) && math.Abs(last(b)-slices.Max(b)) < 1e-6*last(b)) {
		t.Errorf("level at the end: %.1f N there, %.1f N at the start", last(b), first(b))
	}
	far, near := ready(t, "lever.far"), ready(t, "lever.near")
	if far.Movement.Guide.Start.Y >= near.Movement.Guide.Start.Y {
		t.Errorf("the start: far %.3f m, near %.3f m", far.Movement.Guide.Start.Y, near.Movement.Guide.Start.Y)
	}
}

// Forearms track slightly in and out as the elbows bend, a straight bar does not: the arms give way and something is left
// between forearm and bar. Single dumbbells leave nothing, nor does a cable in the forearm's own path.
func TestBarCurl(t *testing.T) {
	d := ready(t, "curl.bar")
	d.Lifter.CarryingDeg = 12
	r := evaluated(t, &d)
	if spread := slices.Max(r.Curves.BarOff) - slices.Min(r.Curves.BarOff); spread < 2 {
		t.Errorf("forearm and bar change by %.2f degrees", spread)
	}
	// Palms that face each other cannot hold it; full supination can, and the nearer to it, the less is left.
	twist := func(pronation float64) (most float64, warned bool) {
		c := d.Clone()
		c.Movement.Hold["forearm.pronationDeg"] = pronation
		r := evaluated(t, &c)
		for _, x := range r.Curves.BarTwist {
			most = max(most, math.Abs(x))
		}
		return most, slices.ContainsFunc(r.Warnings, func(p setup.Problem) bool { return strings.Contains(p.What, "straight bar") })
	}
	full, fine := twist(-90)
	usual, also := twist(-75)
	thumb, warned := twist(0)
	if !(full < 12 && full < usual && usual < 30 && thumb > 60) || fine || also || !warned {
		t.Errorf("the bar twists by %.0f, %.0f and %.0f degrees, warned %v %v %v", full, usual, thumb, fine, also, warned)
	}
	straight := d.Clone()
	straight.Lifter.CarryingDeg = 0
	straight.Movement.Hold["shoulder.elevationDeg"] = 0
	if s := evaluated(t, &straight); slices.Max(s.Curves.BarOff)-slices.Min(s.Curves.BarOff) > 0.01 {
		t.Errorf("without a carrying angle %.3f to %.3f degrees are left", slices.Min(s.Curves.BarOff), slices.Max(s.Curves.BarOff))
	}
	path := ready(t, "curl.path")
	path.Movement.Hold = map[string]float64{"shoulder.planeOfElevationDeg": 90, "shoulder.elevationDeg": -10, "shoulder.rotationDeg": 0}
	path.Loads[0].Pulley.Z = 0.175 // straight behind the forearm's plane
	if p := evaluated(t, &path); slices.Max(p.Curves.OffPlane) > 1e-9 {
		t.Errorf("in the forearm's path %.3g N·m are left beside it", slices.Max(p.Curves.OffPlane))
	}
}

// What no body can do is refused with the place in the document: a guide out of reach, a lever whose handle the hand
// leaves, a rope too short for the hands, a machine that the limb does not touch, a bar that nobody can hold so.
func TestWhatNobodyCanDo(t *testing.T) {
	for _, c := range []struct {
		key, path string
		change    func(*setup.Document)
	}{
		{"press.standing", "movement.guide", func(d *setup.Document) { d.Movement.Guide.End.Y = 1.4 }},
		{"lever.far", "loads[0].handleRadius", func(d *setup.Document) { d.Loads[0].HandleRadius = 0.7 }},
		{"pull.face", "loads[0].strandLength", func(d *setup.Document) { d.Loads[0].StrandLength = 0.05 }},
		{"knee.extension", "loads[0].padRadius", func(d *setup.Document) {
			d.Loads[0].PadRadius, d.Loads[0].AxisOffset = 0.05, &setup.Point{X: 0.3, Y: 0.3}
		}},
		{"curl.bar", "movement.barWidth", func(d *setup.Document) { d.Movement.BarWidth = 1.5 }},
	} {
		d := ready(t, c.key)
		c.change(&d)
		_, problems := evaluate.Document(&d)
		if len(problems) != 1 || problems[0].Path != c.path || problems[0].Hint == "" {
			t.Errorf("%s: %v", c.key, problems)
		}
	}
}

// A body that stands on its feet while its legs move, or hangs on its hands, is cautioned when its weight leaves them.
func TestBalance(t *testing.T) {
	squat := ready(t, "squat.goblet")
	r := evaluated(t, &squat)
	foot := 0.152 * 1.75
	for i, x := range r.Curves.Balance {
		if !(x > -0.25*foot && x < 0.75*foot) {
			t.Errorf("at sample %d the squat presses %.3f m ahead of the ankle", i, x)
		}
	}
	for _, w := range r.Warnings {
		t.Errorf("the squat is warned of: %+v", w)
	}
	squat.Movement.Keyframes[0].Pose["ankle.flexionDeg"] = -5
	if r := evaluated(t, &squat); len(r.Warnings) == 0 || r.Warnings[0].Path != "movement" {
		t.Errorf("sitting back past the heels: %+v", r.Warnings)
	}
	dip := ready(t, "dip.upright")
	dip.Posture.Trunk.PitchDeg = 60
	if r := evaluated(t, &dip); !slices.ContainsFunc(r.Warnings, func(w setup.Problem) bool { return w.Path == "posture.trunk.pitchDeg" }) {
		t.Errorf("a dip bent double: %+v", r.Warnings)
	}
}

// Hands and toes carry a plank between them: together the whole weight, the hands more (closed form by the lever of the
// weight), and the low back bears what bends the middle down.
func TestPlank(t *testing.T) {
	d := ready(t, "plank")
	r := evaluated(t, &d)
	if !r.Hold || r.Profile.Fit.Known() || r.Profile.Fit.Why() == "" || !math.IsNaN(r.Curves.Torque[0]) {
		t.Errorf("a hold has no profile: %+v", r.Profile.Fit)
	}
	weight, hands := 75*9.80665, 0.0
	for _, c := range r.Bracing.Contacts {
		if strings.HasPrefix(c.Name, "hand.") {
			hands += c.Force.Y / weight
		}
	}
	if hands < 0.55 || hands > 0.75 {
		t.Errorf("the hands carry %.2f of the weight", hands)
	}
	if back := r.Curves.LowBack[0]; back > -20 {
		t.Errorf("the middle hangs: %.1f N·m", back)
	}
}

// Of tests on several days those of the newest count: the same as if the older had never been taken. A coach's own caution about
// the lifter comes first and blocks nothing.
func TestNewestTestsCount(t *testing.T) {
	d := ready(t, "raise.behind.hand")
	d.Lifter.Strength = []setup.StrengthTest{{Action: "shoulder.abduction", AngleDeg: 20, Torque: 50, Date: "2026-11-02"},
		{Action: "shoulder.abduction", AngleDeg: 90, Torque: 30, Date: "2026-11-02"}}
	d.Lifter.Cautions = []string{"Left side pinches near the top."}
	want, problems := evaluate.Document(&d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	d.Lifter.Strength = append(d.Lifter.Strength, setup.StrengthTest{Action: "shoulder.abduction", AngleDeg: 20, Torque: 90,
		Date: "2026-03-30"}, setup.StrengthTest{Action: "shoulder.abduction", AngleDeg: 60, Torque: 80})
	got, problems := evaluate.Document(&d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	for i, x := range want.Curves.Capacity {
		check.Near(t, "capacity", got.Curves.Capacity[i], x, 1e-12)
	}
	if len(got.Cautions) == 0 || got.Cautions[0].Text != "Left side pinches near the top." {
		t.Errorf("%+v", got.Cautions)
	}
}
