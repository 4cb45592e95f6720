package bridge_test

import (
	"encoding/binary"
	"encoding/json"
	"fmt"
	"math"
	"strings"
	"testing"

	"dialarc/core/emg"
	"dialarc/core/evaluate"
	"dialarc/core/rules"
	"dialarc/internal/bridge"
)

// table is a recording as text: a muscle that is silent but for three seconds, and an angle that goes up and down twice.
func table() string {
	var b strings.Builder
	b.WriteString("time (ms),ch1 (uV),angle (deg)\n")
	for i := range 12000 {
		t := float64(i) / 1000
		up := (1 - math.Cos(2*math.Pi*t/6)) / 2
		fmt.Fprintf(&b, "%d,%.3f,%.3f\n", i, 200*up*math.Sin(2*math.Pi*90*t+3*math.Sin(40*t)), 5+85*up)
	}
	return b.String()
}

func settings(s emg.Settings) string {
	raw, _ := json.Marshal(s)
	return string(raw)
}

// A file crosses as bytes and is kept under the page's name for it; what it comes to, its samples and its EDF come back.
func TestRecordingsCross(t *testing.T) {
	core := &bridge.Core{}
	opened := call(t, core, "openRecording", "reps", "run.csv", []byte(table()))
	o, ok := opened.OK.(*bridge.Opened)
	if !ok || len(o.Channels) != 2 || !o.Channels[0].Activity || !o.Channels[1].Angle || o.Seconds != 12 || o.Name != "run.csv" {
		t.Fatalf("%+v %v", opened.OK, opened.Problems)
	}
	worked := call(t, core, "workActivity", "reps", "", settings(emg.Settings{})).OK.(*emg.Worked)
	if len(worked.Reps) != 2 || len(worked.Channels) != 1 || worked.Channels[0].Strongest.Known() {
		t.Errorf("%+v", worked)
	}
	with := call(t, core, "workActivity", "reps", "reps,nothing", settings(emg.Settings{})).OK.(*emg.Worked)
	if with.Trials != 1 || !with.Channels[0].Strongest.Known() {
		t.Errorf("with a strongest contraction: %+v", with.Channels[0])
	}
	raw := call(t, core, "activitySamples", "reps", 1.0, "raw", settings(emg.Settings{})).OK.([]byte)
	if len(raw) != 4*12000 {
		t.Fatalf("%d bytes", len(raw))
	}
	if x := math.Float32frombits(binary.LittleEndian.Uint32(raw[4*3000:])); math.Abs(float64(x)-90) > 0.01 {
		t.Errorf("at the top the angle is %v", x)
	}
	envelope := call(t, core, "activitySamples", "reps", 0.0, "envelope", settings(emg.Settings{})).OK.([]byte)
	if top := math.Float32frombits(binary.LittleEndian.Uint32(envelope[4*3000:])); math.Abs(float64(top)-200/math.Sqrt2) > 12 {
		t.Errorf("at the top the envelope of a sine of 200 is %v", top)
	}
	edf := call(t, core, "writeEDF", "reps").OK.([]byte)
	again := call(t, core, "openRecording", "again", "run.edf", edf)
	if o, ok := again.OK.(*bridge.Opened); !ok || len(o.Channels) != 2 || o.Seconds != 12 {
		t.Errorf("%+v %v", again.OK, again.Problems)
	}
}

// What devices sent crosses as 32-bit numbers, one channel after the other.
func TestSamplesCross(t *testing.T) {
	core := &bridge.Core{}
	var samples []byte
	for _, of := range []float64{10, 20} {
		for i := range 100 {
			samples = binary.LittleEndian.AppendUint32(samples, math.Float32bits(float32(of+float64(i))))
		}
	}
	channels := `[{"label":"a","unit":"uV","rate":100},{"label":"angle","unit":"deg","rate":100}]`
	kept := call(t, core, "keepRecording", "live", channels, samples)
	if o, ok := kept.OK.(*bridge.Opened); !ok || o.Seconds != 1 || len(o.Channels) != 2 {
		t.Fatalf("%+v %v", kept.OK, kept.Problems)
	}
	raw := call(t, core, "activitySamples", "live", 1.0, "raw", "{}").OK.([]byte)
	if x := math.Float32frombits(binary.LittleEndian.Uint32(raw[4*50:])); x != 70 {
		t.Errorf("the second channel's sample is %v", x)
	}
	for name, crossed := range map[string][]any{
		"keepRecording":   {"live", channels, samples[:7]},
		"workActivity":    {"nothing", "", "{}"},
		"activitySamples": {"live", 9.0, "raw", "{}"},
		"writeEDF":        {"nothing"},
		"openRecording":   {"bad", "x.edf", []byte("0       short")},
	} {
		if a := call(t, core, name, crossed...); len(a.Problems) == 0 {
			t.Errorf("%s: %+v", name, a.OK)
		}
	}
}

// Measured activity is held against the model of the setup: what is the model's own agrees with it; a muscle that is not there is told.
func TestActivityAgainstTheModel(t *testing.T) {
	core, text := &bridge.Core{}, document(t)
	d, _ := rules.Parse([]byte(text))
	r, problems := evaluate.Document(&d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	m := bridge.MeasuredCourse{Percent: true, Course: emg.Course{Reps: 4}}
	target := r.Muscles.Regions[0]
	for i, s := range r.Muscles.S {
		at := int(math.Round(s * float64(len(r.Curves.AngleDeg)-1)))
		m.AngleDeg = append(m.AngleDeg, r.Curves.AngleDeg[at])
		m.Course.Mean, m.Course.SD = append(m.Course.Mean, new(100*target.Activation[i])), append(m.Course.SD, new(1.0))
	}
	raw, _ := json.Marshal(m)
	a, ok := call(t, core, "activityAgainst", text, target.Key, string(raw)).OK.(*emg.Agreement)
	if !ok || a.Correlation.OrNaN() < 0.9999 || len(a.Apart) > 0 {
		t.Errorf("%+v", a)
	}
	if a := call(t, core, "activityAgainst", text, "no.muscle", string(raw)); len(a.Problems) == 0 {
		t.Error("a muscle that there is not is compared")
	}
	m.AngleDeg = m.AngleDeg[1:]
	raw, _ = json.Marshal(m)
	if a := call(t, core, "activityAgainst", text, target.Key, string(raw)); len(a.Problems) == 0 {
		t.Error("values without angles are compared")
	}
}

// A study crosses with its captures; one that is unsound is told by its field.
func TestStudiesCross(t *testing.T) {
	core := &bridge.Core{}
	study := `{"schema":"dialarc.study/1","name":"Raises","muscle":"deltoid.middle","lifters":[{"id":"a","name":"A"}],"setups":["x","y"],"seed":1,"rest":60,"rule":"seventy","since":"2026-11-01"}`
	capture := `[{"schema":"dialarc.capture/1","title":"x","day":"2026-11-20","lifterId":"a","setup":"x","muscles":{"ch1":"deltoid.middle"},
		"lines":[{"label":"ch1","muscle":"m","state":"good","percent":true,"mean":50,"peak":60,"reps":5,"correlation":null}]}]`
	got, ok := call(t, core, "studyTable", study, capture).OK.(*emg.StudyTable)
	if !ok || got.Done != 1 || got.Of != 2 || got.Cells[0][0].Mean.OrNaN() != 50 || got.Cells[0][0].Peak.OrNaN() != 60 {
		t.Errorf("%+v", got)
	}
	if a := call(t, core, "activityStudy", strings.Replace(study, "seventy", "guess", 1)); len(a.Problems) != 1 || a.Problems[0].Path != "rule" {
		t.Errorf("%+v", a.Problems)
	}
	if a := call(t, core, "activityStudy", "{"); len(a.Problems) == 0 {
		t.Error("half a study is taken")
	}
}
