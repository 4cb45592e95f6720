package compare_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/compare"
	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
	"dialarc/core/load"
	"dialarc/core/report"
	"dialarc/core/setup"
)

func sideBySide(t *testing.T, docs ...setup.Document) *compare.Comparison {
	t.Helper()
	c, problems := compare.Of(docs)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return c
}

func difference(t *testing.T, c *compare.Comparison, key string) compare.Difference {
	t.Helper()
	i := slices.IndexFunc(c.Differences, func(d compare.Difference) bool { return d.Key == key })
	if i < 0 {
		t.Fatalf("no difference %s", key)
	}
	return c.Differences[i]
}

// A setup differs from itself in nothing, and nothing stands against the comparison.
func TestASetupIsLikeItself(t *testing.T) {
	d := sample.Ready(t, "raise.behind.knee")
	c := sideBySide(t, d, d)
	for _, x := range c.Differences {
		if x.Weight != 0 || x.Text != "" {
			t.Errorf("%s: weight %g, %q", x.Key, x.Weight, x.Text)
		}
	}
	if len(c.Confounders) != 0 || len(c.Sets) != 0 || c.SetsWhy == "" {
		t.Errorf("because %v, sets %v", c.Confounders, c.Sets)
	}
}

// Twice the dumbbell doubles the loads' torque and leaves every angle where it is: the arm's own weight is all that keeps the whole
// from doubling. Statics, no source needed.
func TestOnlyTheLoadDiffers(t *testing.T) {
	light := sample.Ready(t, "raise.dumbbell")
	heavy := load.Times(&light, 2)
	c := sideBySide(t, light, heavy)
	for _, key := range []string{"longest", "shortest", "range"} {
		if d := difference(t, c, key); d.Weight > 1e-6 {
			t.Errorf("%s differs by %g", key, d.Weight)
		}
	}
	peak := difference(t, c, "peak")
	if !strings.Contains(peak.Text, "B takes {more} more torque than A") {
		t.Errorf("%q", peak.Text)
	}
	a, b := evaluated(t, light), evaluated(t, heavy)
	loads := b.Profile.Loads.Peak.OrNaN() / a.Profile.Loads.Peak.OrNaN()
	check.Near(t, "the loads' torque", loads, 2, 1e-9)
	if more := peak.Values["more"].Value; !(more > 0 && more < 100) {
		t.Errorf("%g%% more", more)
	}
	rest := slices.DeleteFunc(slices.Clone(c.Differences), func(d compare.Difference) bool { return d.Lead })
	if c.Differences[0].Key != "centroid" || rest[0].Weight < rest[len(rest)-1].Weight {
		t.Error("where it is loaded does not come first, or of the others not what differs most")
	}
}

func evaluated(t *testing.T, d setup.Document) *report.Report {
	t.Helper()
	r, problems := evaluate.Document(&d)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return r
}

// What a reader of a study has to know: everything that was different at once is told, each once.
func TestWhatStandsAgainstComparing(t *testing.T) {
	a := sample.Ready(t, "raise.behind.knee")
	b := a.Clone()
	b.Movement.FromDeg, b.Movement.ToDeg = 40, 120
	b.Loads[0].Ratio = 1
	b.Target.Profile = "late"
	b.Lifter.BodyMass = 90
	b.Tempo.Down = 6
	c := sideBySide(t, a, b)
	var keys []string
	for _, r := range c.Confounders {
		keys = append(keys, r.Key)
		for name := range r.Values {
			if !strings.Contains(r.Text, "{"+name+"}") {
				t.Errorf("%s: %q has no %s", r.Key, r.Text, name)
			}
		}
	}
	for _, want := range []string{"range", "length", "ratio", "school", "lifter", "tempo"} {
		if !slices.Contains(keys, want) {
			t.Errorf("%s is not told; told are %v", want, keys)
		}
	}
	if slices.Contains(keys, "joint") || slices.Contains(keys, "target") || slices.Contains(keys, "kind") {
		t.Errorf("what is the same is told: %v", keys)
	}
	if d := difference(t, c, "match"); d.Text != "" {
		t.Errorf("matches for different schools are compared: %q", d.Text)
	}
}

// One that cannot be evaluated is told and does not keep the others from being compared.
func TestASetupWithProblemsIsLeftOut(t *testing.T) {
	a, b := sample.Ready(t, "raise.behind.knee"), sample.Ready(t, "raise.dumbbell")
	bad := a.Clone()
	bad.Lifter.BodyMass = 0
	c := sideBySide(t, a, bad, b)
	if len(c.Sides[1].Problems) == 0 || len(c.Sides[0].Problems) > 0 {
		t.Fatalf("%+v", c.Sides)
	}
	d := difference(t, c, "peak")
	if d.Per[1].Known() || d.Per[1].Why() == "" || !d.Per[2].Known() {
		t.Errorf("%+v", d.Per)
	}
	if strings.Contains(d.Text, "B") {
		t.Errorf("%q speaks of it", d.Text)
	}
	for _, docs := range [][]setup.Document{{}, {a}, slices.Repeat([]setup.Document{a}, 25)} {
		if _, problems := compare.Of(docs); len(problems) == 0 {
			t.Errorf("%d setups were compared", len(docs))
		}
	}
}

// The shares of all regions add up to the torque, where neither the elbow's own stop near straight takes some nor anything works
// against the lift.
func TestSharesAddUp(t *testing.T) {
	a, b := sample.Ready(t, "curl.dumbbell"), sample.Ready(t, "curl.preacher")
	for _, d := range []*setup.Document{&a, &b} {
		d.Movement.FromDeg, d.Movement.ToDeg = 40, 90
	}
	c := sideBySide(t, a, b)
	for i := range c.Sides {
		sum := 0.0
		for _, r := range c.Regions {
			sum += r.Per[i].OrNaN()
		}
		if math.Abs(sum-1) > 0.06 { // what does under 3% is not listed
			t.Errorf("%s: the shares add up to %g", c.Sides[i].Name, sum)
		}
	}
}

// A curl that is heaviest where the arm is straight and one that is heaviest where it is bent belong together; two of the same do
// not. Common practice, no source.
func TestLongAndShortBelongTogether(t *testing.T) {
	early, late := sample.Ready(t, "curl.preacher"), sample.Ready(t, "curl.behind")
	c := sideBySide(t, early, early, late)
	for _, s := range c.Sets {
		if slices.Contains(s.Letters, "A") && slices.Contains(s.Letters, "B") {
			t.Errorf("the same twice complements itself: %+v", s)
		}
		if s.Coverage <= s.Alone || s.Coverage > 1 {
			t.Errorf("%+v", s)
		}
	}
}

// Loads that were made equal are equal when the setups are evaluated, whatever pulls: statics.
func TestEqualLoadsAreEqual(t *testing.T) {
	keys := []string{"raise.behind.knee", "raise.dumbbell", "raise.dumbbell.band", "raise.dumbbell.lying", "lever.near", "curl.path"}
	var docs []setup.Document
	all := catalogue.All(&sample.Lifter)
	for _, r := range all {
		if slices.Contains(keys, r.Key) {
			docs = append(docs, r.Document)
		}
	}
	if len(docs) < 3 {
		t.Fatalf("only %d ready setups", len(docs))
	}
	for _, by := range []string{"peak", "mean", "angle"} {
		made, problems := compare.Equalise(docs, by, 60)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		want := asked(t, docs[0], by)
		for i, m := range made {
			if m.Document == nil {
				if m.Factor.Why() == "" {
					t.Errorf("%s, %s: no factor and no reason", docs[i].Name, by)
				}
				continue
			}
			check.Near(t, docs[i].Name+", "+by, asked(t, *m.Document, by), want, 1e-6*want)
		}
	}
	if _, problems := compare.Equalise(docs, "weight", 0); len(problems) != 1 || problems[0].Path != "by" {
		t.Errorf("%v", problems)
	}
}

// asked is what loads are made equal in, from the report.
func asked(t *testing.T, d setup.Document, by string) float64 {
	t.Helper()
	r := evaluated(t, d)
	c := &r.Curves
	switch by {
	case "peak":
		return r.Profile.Total.Peak.OrNaN()
	case "mean":
		sum := 0.0
		for i := 1; i < len(c.Torque); i++ {
			sum += (c.SweptDeg[i] - c.SweptDeg[i-1]) * (c.Torque[i] + c.Torque[i-1]) / 2
		}
		return sum / c.SweptDeg[len(c.SweptDeg)-1]
	}
	for i := 1; i < len(c.AngleDeg); i++ {
		if a, b := c.AngleDeg[i-1], c.AngleDeg[i]; (60-a)*(60-b) <= 0 {
			return c.Torque[i-1] + (60-a)/(b-a)*(c.Torque[i]-c.Torque[i-1])
		}
	}
	t.Fatalf("%s does not pass 60 degrees", d.Name)
	return 0
}

// A measured band is what it is: beside a dumbbell only the dumbbell is changed, and that is enough for equal torque. Alone it is told
// as a multiple.
func TestAGivenBandStays(t *testing.T) {
	a, both := sample.Ready(t, "raise.dumbbell"), sample.Ready(t, "raise.dumbbell.band")
	band := slices.IndexFunc(both.Loads, func(l setup.Load) bool { return l.Kind == setup.Band })
	both.Loads[band].Pull = []setup.BandPoint{{Length: 0.7, Force: 0}, {Length: 1.4, Force: 12}, {Length: 2.1, Force: 20}}
	made, _ := compare.Equalise([]setup.Document{a, both}, "peak", 0)
	d := made[1].Document
	if d == nil || d.Loads[band].Pull[1].Force != 12 || !d.Loads[band].Variable || len(made[1].Loads) != 1 {
		t.Fatalf("%+v", made[1])
	}
	check.Near(t, "the peak", asked(t, *d, "peak"), asked(t, a, "peak"), 1e-6)
	alone := both.Clone()
	alone.Loads = alone.Loads[band : band+1]
	if made, _ = compare.Equalise([]setup.Document{a, alone}, "peak", 0); !made[1].Factor.Known() ||
		made[1].Document.Loads[0].Pull[1].Force == 12 {
		t.Errorf("%+v", made[1])
	}
}

// An angle that a setup does not pass is no place to make loads equal at.
func TestNoEqualLoadsOutsideTheRange(t *testing.T) {
	a := sample.Ready(t, "raise.behind.knee")
	made, _ := compare.Equalise([]setup.Document{a, a}, "angle", 170)
	if made[1].Document != nil || !strings.Contains(made[1].Factor.Why(), "angle") {
		t.Errorf("%+v", made[1])
	}
}

// The nearest pin is a pin.
func TestNearestPin(t *testing.T) {
	a := sample.Ready(t, "raise.behind.knee")
	b := load.Times(&a, 1.37)
	made, _ := compare.Equalise([]setup.Document{b, a}, "peak", 0)
	l := made[1].Loads[0]
	if l.Nearest == nil || math.Abs(math.Remainder(*l.Nearest, 2.5)) > 1e-9 || math.Abs(*l.Nearest-l.Exact) > 1.25+1e-9 {
		t.Errorf("%+v", l)
	}
	check.Near(t, "the factor", made[1].Factor.OrNaN(), 1.37, 1e-9)
}

func TestKeptComparisonsAreChecked(t *testing.T) {
	good := `{"schema":"dialarc.comparison/1","name":"Raises","setups":[]}`
	if k, problems := compare.Parse([]byte(good)); len(problems) > 0 || k.Name != "Raises" {
		t.Errorf("%v", problems)
	}
	for text, path := range map[string]string{
		`{"schema":"dialarc.comparison/2","name":"x","setups":[]}`:                                    "schema",
		`{"schema":"dialarc.comparison/1","name":"","setups":[]}`:                                     "name",
		`{"schema":"dialarc.comparison/1","name":"x","setups":[],"equal":"weight"}`:                   "equal",
		`{"schema":"dialarc.comparison/1","name":"x","setups":[],"along":"day"}`:                      "along",
		`{"schema":"dialarc.comparison/1","name":"x","setups":[],"scale":"log"}`:                      "scale",
		`{"schema":"dialarc.comparison/1","name":"x","setups":[],"colour":"red"}`:                     "colour",
		`{"schema":"dialarc.comparison/1","name":"x","setups":[{"document":{"schema":"x"}}]}`:         "setups[0].document.schema",
		`{"schema":"dialarc.comparison/1","name":"x","setups":[{}` + strings.Repeat(",{}", 24) + `]}`: "setups",
	} {
		if _, problems := compare.Parse([]byte(text)); len(problems) == 0 || problems[0].Path != path {
			t.Errorf("%s: %v, want %s", text, problems, path)
		}
	}
}

// Where angles are of different joint coordinates, or different profiles are wanted, no sentence compares the numbers.
func TestUnlikeNumbersAreNotCompared(t *testing.T) {
	raise, curl := sample.Ready(t, "raise.dumbbell"), sample.Ready(t, "curl.dumbbell")
	late := curl.Clone()
	late.Target.Profile = "late"
	said := func(docs ...setup.Document) map[string]string {
		found, problems := compare.Of(docs)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		texts := map[string]string{}
		for _, d := range found.Differences {
			texts[d.Key] = d.Text
		}
		return texts
	}
	early := curl.Clone()
	early.Movement.FromDeg, early.Movement.ToDeg = 5, 60 // heaviest at its end
	if text := said(curl, early)["peakAngle"]; text == "" {
		t.Error("angles of one coordinate are not compared")
	}
	if text := said(raise, curl)["peakAngle"]; text != "" {
		t.Errorf("angles of shoulder and elbow: %q", text)
	}
	if text := said(curl, late)["match"]; text != "" {
		t.Errorf("matches with different schools: %q", text)
	}
}
