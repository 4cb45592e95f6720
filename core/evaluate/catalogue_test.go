package evaluate_test

import (
	"encoding/json"
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/load"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// Every ready setup can be evaluated for people of all sizes: held, no gap, nothing beyond 1.6 times what is there, drawn at both
// ends, and written and read without loss.
func TestEveryReadySetup(t *testing.T) {
	seen := map[string]bool{}
	for _, l := range []setup.Lifter{{Height: 1.58, BodyMass: 54}, {Height: 1.75, BodyMass: 75}, {Height: 1.93, BodyMass: 104}} {
		for _, ready := range catalogue.All(&l) {
			if seen[ready.Key] && l.BodyMass == 54 || ready.About == "" || ready.Name == "" || !slices.Contains(catalogue.Groups, ready.Group) {
				t.Errorf("%s: twice or incomplete", ready.Key)
			}
			seen[ready.Key] = true
			d := ready.Document
			raw, err := json.Marshal(d)
			if err != nil {
				t.Fatal(err)
			}
			r, problems := evaluate.JSON(raw)
			if len(problems) > 0 {
				t.Errorf("%s at %v m: %v", ready.Key, l.Height, problems)
				continue
			}
			if len(r.Gaps) > 0 || (r.Profile.PeakEffort.Known() && r.Profile.PeakEffort.OrNaN() > 1.6) {
				t.Errorf("%s at %v m: effort %v, gaps %+v", ready.Key, l.Height, r.Profile.PeakEffort, r.Gaps)
			}
			if b := r.Bracing; (!b.Holds || (b.Bench.Used && !b.Bench.Holds)) && !strings.Contains(ready.Note, "has to hold on") {
				t.Errorf("%s at %v m does not hold: %s %s", ready.Key, l.Height, b.How, b.Bench.How)
			}
			for _, s := range []float64{0, 1} {
				if sc, problems := new(evaluate.Evaluator).SceneAt(&d, s); len(problems) > 0 || slices.ContainsFunc(sc.Segments,
					func(s report.SceneSegment) bool { return !(s.Origin.Y > -0.05 && s.Origin.Y < 2.4) }) {
					t.Errorf("%s at %v m: not drawn in the room", ready.Key, l.Height)
				}
			}
		}
	}
	if len(seen) < 75 {
		t.Errorf("only %d setups", len(seen))
	}
}

// Where the load falls, as worked by hand for the usual ranges (centroid of the loads alone from the long end) and as
// coaches know it: common practice, no source.
func TestPhasesOfReadySetups(t *testing.T) {
	l := setup.Lifter{Height: 1.75, BodyMass: 75}
	reports := map[string]*report.Report{}
	for _, ready := range catalogue.All(&l) {
		r, problems := evaluate.Document(&ready.Document)
		if len(problems) > 0 {
			t.Fatal(ready.Key, problems)
		}
		reports[ready.Key] = r
	}
	at := func(key string) float64 {
		if c := reports[key]; c != nil && c.Profile.Loads.Centroid.Known() {
			return c.Profile.Loads.Centroid.OrNaN()
		}
		t.Errorf("%s has no centroid", key)
		return math.NaN()
	}
	for key, want := range map[string][2]float64{
		"raise.dumbbell": {0.59, 0.66}, "raise.behind.hand": {0.41, 0.45}, "raise.behind.knee": {0.43, 0.48}, "raise.leaning": {0, 0.45},
		"reverse.side": {0, 0.45}, "row.rear": {0.55, 1}, "fly.flat": {0.35, 0.43}, "fly.low.45": {0.45, 0.75},
		"fly.band.wide": {0.50, 1}, "fly.band.beside": {0.55, 1}, "pulldown.kneeling": {0.44, 0.58}, "row.dumbbell.bench": {0.55, 1},
		"pullover":      {0.35, 0.42},
		"curl.preacher": {0.36, 0.45}, "pressdown.rope": {0.45, 0.55}, "extension.overhead": {0.45, 0.55}, "kickback": {0.60, 0.70},
		"pressdown.early": {0, 0.45},
		"squat.goblet":    {0.30, 0.45}, "front.dumbbell": {0.55, 0.66},
	} {
		if c := at(key); c < want[0] || c > want[1] {
			t.Errorf("%s: centroid %.3f, expected %v", key, c, want)
		}
	}
	for _, later := range [][2]string{{"raise.lying.upper", "raise.lying.wrist"}, {"reverse.high", "reverse.side"},
		{"curl.preacher.cable", "curl.preacher"},
		{"lever.near", "lever.far"}, {"raise.behind.knee", "raise.behind.hand"}, {"pullover.band", "pullover"}} {
		if a, b := at(later[0]), at(later[1]); a <= b {
			t.Errorf("%s at %.3f should be later than %s at %.3f", later[0], a, later[1], b)
		}
	}
}

// Bands from below leave more for the hips at the top of a squat. Common practice, no source; for the knees they change little, since
// they pull down where the weight is.
func TestBandsLoadTheTopOfASquat(t *testing.T) {
	left := func(d *setup.Document) float64 {
		r := evaluated(t, d)
		i := slices.IndexFunc(r.Joints, func(j report.JointPart) bool { return j.Joint == "hip" })
		return last(r.Joints[i].Torque) / first(r.Joints[i].Torque)
	}
	with := ready(t, "squat.band")
	without := with.Clone()
	without.Loads = slices.DeleteFunc(without.Loads, func(l setup.Load) bool { return l.Kind == setup.Band })
	if a, b := left(&with), left(&without); a <= 1.2*b {
		t.Errorf("left of the hips' torque at the top: with bands %.3f, without %.3f", a, b)
	}
}

// Every ready setup says what a coach says about it, and has the phase that it claims: for the middle lifter always, for others
// too unless its note says what it depends on.
func TestReadySetupsHaveThePhaseTheyClaim(t *testing.T) {
	for _, l := range []setup.Lifter{{Height: 1.58, BodyMass: 54}, {Height: 1.75, BodyMass: 75}, {Height: 1.93, BodyMass: 104}} {
		for _, r := range catalogue.All(&l) {
			rep, problems := evaluate.Document(&r.Document)
			if len(problems) > 0 {
				t.Fatalf("%s: %v", r.Key, problems)
			}
			middle := l.Height == 1.75
			if got := rep.Profile.Loads.Phase; got != r.Phase && (middle || r.Note == "") {
				t.Errorf("%s at %v m is %q, not %q, and says nothing about it", r.Key, l.Height, got, r.Phase)
			}
			if len(r.Document.Cues) == 0 || len(r.Mistakes) == 0 || (len(r.Needs) == 0 && r.Document.Loads[0].Kind != setup.Bodyweight) {
				t.Errorf("%s: cues %v, mistakes %v, needs %v", r.Key, r.Document.Cues, r.Mistakes, r.Needs)
			}
		}
	}
}

// A stack is off its rest where the lift starts, and no strand goes through the body.
func TestReadySetupsStartAndClear(t *testing.T) {
	for _, l := range []setup.Lifter{{Height: 1.58, BodyMass: 54}, {Height: 1.75, BodyMass: 75}, {Height: 1.93, BodyMass: 104}} {
		for _, r := range catalogue.All(&l) {
			rep, problems := evaluate.Document(&r.Document)
			if len(problems) > 0 {
				t.Fatalf("%s: %v", r.Key, problems)
			}
			if tones := report.Tones(rep.Verdicts); tones["start"] == "error" || tones["clearance"] == "error" {
				t.Errorf("%s at %v m: %v", r.Key, l.Height, tones)
			}
		}
	}
}

// At the load that the advice gives the first joint has nothing left, to a millionth, for whatever pulls: torque is linear in pins,
// plates, dumbbells and bands, and what cannot be changed (the limb, a lever's own weight) stays. A muscle that gives out first has
// little left: where shares are firm shifts a little as the limb weighs less beside the load.
func TestLoadFactorGivesFullEffort(t *testing.T) {
	kinds := map[setup.LoadKind]int{}
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		limit := evaluated(t, &r.Document).Limit
		factor := limit.Factor
		if !factor.Known() {
			if factor.Why() == "" {
				t.Errorf("%s: no factor and no reason", r.Key)
			}
			continue
		}
		full := load.Times(&r.Document, factor.OrNaN())
		report, problems := evaluate.Document(&full)
		if len(problems) > 0 { // a stack or dumbbell beyond what documents allow
			continue
		}
		kinds[r.Document.Loads[0].Kind]++
		e, left := report.Limit.Effort.OrNaN(), report.Limit.Factor.OrNaN()
		if limit.Kind == "joint" && (math.Abs(left-1) > 1e-6 || math.Abs(e-1) > 1e-6) || limit.Kind == "muscle" &&
			(left < 0.97 || left > 1.25 || e > 1+1e-6) {
			t.Errorf("%s: times %g the effort is %g, %s gives out at %g of that", r.Key, factor.OrNaN(), e, report.Limit.Label, left)
		}
	}
	for _, kind := range []setup.LoadKind{"cable", "dumbbell", "band", "bar", "lever", "cam"} {
		if kinds[kind] == 0 {
			t.Errorf("no %s among them", kind)
		}
	}
}
