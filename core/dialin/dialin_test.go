package dialin_test

import (
	"encoding/json"
	"math"
	"os"
	"strings"
	"testing"

	"dialarc/core/dial"
	"dialarc/core/dialin"
	"dialarc/core/edits"
	"dialarc/core/evaluate"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

func raise(t testing.TB) setup.Document {
	t.Helper()
	raw, err := os.ReadFile("../testdata/raise.json")
	if err != nil {
		t.Fatal(err)
	}
	d, problems := rules.Parse(raw)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return d
}

func setting(t *testing.T, d *setup.Document, key string) dial.Setting {
	t.Helper()
	for _, s := range dialin.Settings(d) {
		if s.Key == key {
			return s
		}
	}
	t.Fatalf("there is no setting %s", key)
	return dial.Setting{}
}

func TestSettingsOfACableRaise(t *testing.T) {
	d := raise(t)
	want := map[string]float64{"pulley.height/0": 9, "columns.apart/0": 1.10, "load.stack/0": 7.5, "stance.out": 0.30,
		"strap/0": 0, "heading": 0, "feet.apart": 0.30, "path.plane": 45, "path.startPlane": 45, "path.elbow": 0, "path.rotation": 0,
		"range.from": 5, "range.to": 95,
		"trunk.bend": 0, "trunk.turn": 0, "hold.pronation": 0, "hold.wrist": 0, "blades.up": 0, "blades.forward": 0, "tempo.up": 2, "tempo.top": 1, "tempo.down": 3, "tempo.bottom": 0}
	got := dialin.Settings(&d)
	if len(got) != len(want) {
		t.Errorf("%d settings, want %d", len(got), len(want))
	}
	for _, s := range got {
		if v, ok := want[s.Key]; !ok || math.Abs(v-s.Value) > 1e-9 {
			t.Errorf("%s is %v, want %v", s.Key, s.Value, v)
		}
		if !(s.From < s.To && s.Step > 0 && s.Label != "" && len(s.Paths) > 0) {
			t.Errorf("an unusable dial: %+v", s)
		}
	}
}

func TestSettingsFollowTheLoads(t *testing.T) {
	d := raise(t)
	bell, _ := edits.WithLoadKind(&d, 0, "dumbbell")
	if s := setting(t, &bell, "load.mass/0"); s.Value != 7.5 || s.Paint != "effort" {
		t.Errorf("the dumbbell's dial: %+v", s)
	}
	for _, s := range dialin.Settings(&bell) {
		if strings.HasPrefix(s.Key, "pulley") {
			t.Error("a dumbbell has no pulley")
		}
	}
	free := d.Clone()
	free.Loads[0].Kit = nil
	if s := setting(t, &free, "pulley.height/0"); s.Kind != "length" || s.Value != 0.76 {
		t.Errorf("without a station the pulley is set in metres: %+v", s)
	}
}

// Turning a setting changes its own value, keeps the others and never the document it started from.
func TestApply(t *testing.T) {
	d := raise(t)
	before, _ := json.Marshal(d)
	for key, v := range map[string]float64{"pulley.height/0": 4, "columns.apart/0": 1.4, "load.stack/0": 10, "stance.out": 0.55,
		"path.plane": 30, "path.startPlane": -20, "path.elbow": 15, "path.rotation": -20, "range.from": 10, "range.to": 120, "tempo.up": 1.5,
		"tempo.bottom": 2} {
		turned, problems := dialin.Apply(&d, key, v)
		if len(problems) > 0 {
			t.Errorf("%s: %v", key, problems)
			continue
		}
		for _, s := range dialin.Settings(&turned) {
			want := setting(t, &d, s.Key).Value
			if s.Key == key || (s.Key == "path.startPlane" && key == "path.plane") { // one plane all along, until it has a start of its own
				want = v
			}
			if math.Abs(s.Value-want) > 1e-9 {
				t.Errorf("turning %s made %s %v, want %v", key, s.Key, s.Value, want)
			}
		}
	}
	if after, _ := json.Marshal(d); string(after) != string(before) {
		t.Error("the document itself was changed")
	}
}

func TestApplyRemembersTheHole(t *testing.T) {
	d := raise(t)
	turned, _ := dialin.Apply(&d, "pulley.height/0", 4)
	if l := turned.Loads[0]; l.Kit.Hole != 4 || math.Abs(l.Pulley.Y-0.41) > 1e-9 {
		t.Errorf("hole 4 is at 41 cm: %+v %+v", l.Kit, l.Pulley)
	}
	apart, _ := dialin.Apply(&d, "columns.apart/0", 2)
	if z := apart.Loads[0].Pulley.Z; z != -1 {
		t.Errorf("the pulley stays on its side: %v", z)
	}
}

// A band is dialled by its anchor, its length and its pull at twice that; one that was measured keeps its pull.
func TestBandSettings(t *testing.T) {
	d := raise(t)
	band, _ := edits.WithLoadKind(&d, 0, "band")
	for key, v := range map[string]float64{"band.height/0": 0.9, "band.apart/0": 0.5, "band.rest/0": 0.9, "band.pull/0": 60} {
		turned, problems := dialin.Apply(&band, key, v)
		if len(problems) > 0 {
			t.Errorf("%s: %v", key, problems)
		} else if got := setting(t, &turned, key).Value; math.Abs(got-v) > 1e-9 {
			t.Errorf("%s is %v, want %v", key, got, v)
		}
	}
	band.Loads[0].Pull = []setup.BandPoint{{Length: 0.8, Force: 20}, {Length: 1.4, Force: 60}}
	for _, s := range dialin.Settings(&band) {
		if s.Key == "band.pull/0" {
			t.Error("a measured band offers a dial for its pull")
		}
	}
}

func TestApplyRefuses(t *testing.T) {
	d := raise(t)
	for _, c := range []struct {
		key   string
		value float64
	}{{"nothing", 1}, {"pulley.height/7", 1}, {"pulley.height", 1}, {"load.mass/0", 1}, {"stance.out", math.NaN()},
		{"stance.out", math.Inf(1)}} {
		if _, problems := dialin.Apply(&d, c.key, c.value); len(problems) == 0 {
			t.Errorf("%s = %v was taken", c.key, c.value)
		}
	}
}

// fitAlone has the score count the fit and nothing else.
func fitAlone(d *setup.Document) {
	d.Scoring = &setup.Scoring{Target: new(0.0), OutOfPlane: new(0.0), Start: new(0.0), Clearance: new(0.0), JointLoad: new(0.0),
		TargetLoss: new(100.0), RangeKept: new(0.0)}
}

// A painted value is what evaluating the turned document gives: the same match at the same samples.
func TestSweepIsEvaluation(t *testing.T) {
	d := raise(t)
	fitAlone(&d)
	var w dialin.Sweeper
	for _, s := range dialin.Settings(&d) {
		if s.Paint == "none" {
			continue
		}
		sweep, problems := w.Sweep(&d, &s)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		open := 0
		for i, v := range sweep.Values {
			turned, _ := dialin.Apply(&d, s.Key, v)
			turned.Samples = dialin.Samples
			r, problems := evaluate.Document(&turned)
			if len(problems) > 0 || !r.Profile.Fit.Known() {
				if sweep.Why[i] == "" || !math.IsNaN(sweep.Scores[i]) {
					t.Errorf("%s = %v cannot be used, but is painted %v", s.Key, v, sweep.Scores[i])
				}
				continue
			}
			open++
			want := r.Profile.Fit.OrNaN()
			if s.Paint == "effort" {
				want = r.Profile.PeakEffort.OrNaN()
			}
			if math.Abs(sweep.Scores[i]-want) > 1e-8 {
				t.Errorf("%s = %v is painted %v, evaluated %v", s.Key, v, sweep.Scores[i], want)
			}
			if sweep.Best >= 0 && sweep.Scores[i] > sweep.Scores[sweep.Best] {
				t.Errorf("%s: %v is better than the best", s.Key, v)
			}
		}
		if open == 0 {
			t.Errorf("%s: no value can be used", s.Key)
		}
	}
}

// The load has no best value, and what is more than the lifter has is closed.
func TestLoadIsPaintedByEffort(t *testing.T) {
	d := raise(t)
	d.Lifter.Training = "novice"
	var w dialin.Sweeper
	s := setting(t, &d, "load.stack/0")
	sweep, _ := w.Sweep(&d, &s)
	if sweep.Best != -1 {
		t.Errorf("the load has a best value %d", sweep.Best)
	}
	last := len(sweep.Values) - 1
	if sweep.Why[last] == "" || sweep.Scores[last] <= 1 || sweep.Why[0] != "" {
		t.Errorf("light: %q, heavy: %v %q", sweep.Why[0], sweep.Scores[last], sweep.Why[last])
	}
}

// A mend promises a score, and applying it gives that score; a good setup has nothing to mend.
func TestMendKeepsItsPromise(t *testing.T) {
	d := raise(t)
	fitAlone(&d)
	var w dialin.Sweeper
	good, _ := w.Paint(&d)
	if good.Suggestion != nil {
		t.Errorf("a match of %v is mended by %+v", good.Score.OrNaN(), good.Suggestion)
	}
	d.Loads[0].Pulley.Y, d.Loads[0].Kit.Hole, d.Loads[0].Travel = 1.81, 24, 4
	d.Movement.Hold["shoulder.planeOfElevationDeg"] = 60
	bad, problems := w.Paint(&d)
	if len(problems) > 0 || bad.Suggestion == nil {
		t.Fatalf("a match of %v is not mended: %v", bad.Score, problems)
	}
	turned, _ := dialin.Apply(&d, bad.Suggestion.Key, bad.Suggestion.To)
	turned.Samples = dialin.Samples
	r, _ := evaluate.Document(&turned)
	if got := r.Profile.Fit.OrNaN(); math.Abs(got-*bad.Suggestion.Score) > 1e-8 || got < bad.Score.OrNaN()+3 {
		t.Errorf("from %.1f the mend promised %.1f and gave %.1f", bad.Score.OrNaN(), *bad.Suggestion.Score, got)
	}
}

// A setup that cannot be evaluated is still painted, so that the dials show the way out.
func TestPaintShowsTheWayOut(t *testing.T) {
	d := raise(t)
	d.Posture.X, d.Movement.Hold["shoulder.planeOfElevationDeg"] = 0.05, 0
	var w dialin.Sweeper
	p, problems := w.Paint(&d)
	if len(problems) > 0 || p.Score.Known() || p.Score.Why() == "" {
		t.Fatalf("match %+v, problems %v", p.Score, problems)
	}
	for _, s := range p.Sweeps {
		if s.Key == "stance.out" && s.Best < 0 {
			t.Error("stepping out is not offered")
		}
	}
	if p.Suggestion == nil {
		t.Error("nothing is offered to mend it")
	}
}
