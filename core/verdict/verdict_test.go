package verdict_test

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/metric"
	"dialarc/core/profile"
	"dialarc/core/support"
	"dialarc/core/verdict"
)

// judged is a straight torque profile from one value to another, against constant strength.
func judged(school string, from, to, capacity float64) (profile.Result, []float64, []float64) {
	in := &profile.Input{School: school}
	for i := range 101 {
		u := float64(i) / 100
		in.Swept = append(in.Swept, u)
		in.Angle = append(in.Angle, u)
		in.Total = append(in.Total, from+(to-from)*u)
		in.Capacity = append(in.Capacity, capacity)
	}
	in.Loads, in.Variable = in.Total, in.Total
	return profile.Judge(in), in.Swept, in.Total
}

func TestProfileSentence(t *testing.T) {
	for _, c := range []struct {
		school             string
		from, to, capacity float64
		tone               verdict.Tone
		says               string
	}{
		{"match", 30, 30, 60, verdict.OK, "close to the muscle's strength"},
		{"even", 30, 30, 60, verdict.OK, "close to an even profile throughout"},
		{"match", 34, 26, 60, verdict.OK, "slightly light at the end for the muscle's strength"},
		{"match", 45, 15, 60, verdict.Warning, "too heavy at the start for the muscle's strength"},
		{"match", 0, 50, 60, verdict.Warning, "far too"},
		{"match", 0, 50, 60, verdict.Warning, "Almost no torque from"},
		{"late", 30, 30, 60, verdict.Warning, "for a late profile"},
		{"match", 30, 30, 20, verdict.Error, "of the lifter's strength at"},
	} {
		r, swept, total := judged(c.school, c.from, c.to, c.capacity)
		s := verdict.Profile(&r, swept, total, c.school)
		if s.Tone != c.tone || !strings.Contains(s.Text, c.says) {
			t.Errorf("%+v: %s %q", c, s.Tone, s.Text)
		}
		everyNameHasAValue(t, s)
	}
}

// everyNameHasAValue finds names in braces without a finite value.
func everyNameHasAValue(t *testing.T, s verdict.Sentence) {
	t.Helper()
	for _, piece := range strings.Split(s.Text, "{")[1:] {
		name, _, _ := strings.Cut(piece, "}")
		if q, ok := s.Values[name]; !ok || q.Kind == "" || math.IsNaN(q.Value) {
			t.Errorf("%q has no value for %s", s.Text, name)
		}
	}
}

func TestProfileSentenceWithoutAProfile(t *testing.T) {
	r := profile.Judge(&profile.Input{GapWhy: "The stack rests over a part of the range."})
	s := verdict.Profile(&r, nil, nil, "match")
	if s.Tone != verdict.Error || s.Text != "No profile: the stack rests over a part of the range." {
		t.Errorf("%s %q", s.Tone, s.Text)
	}
}

func TestStartSentence(t *testing.T) {
	for _, c := range []struct {
		name  string
		start support.Start
		tone  verdict.Tone
		says  string
	}{
		{"well off its rest", support.Start{First: 0.4, Least: 0.4, Most: 0.9, Travel: 1.6}, verdict.OK, "Stack {first} off its rest"},
		{"nearly resting", support.Start{First: 0.3, Least: 0.01, Most: 0.9, Travel: 1.6}, verdict.Warning, "barely off its rest"},
		{"resting", support.Start{First: -0.1, Least: -0.1, Most: 0.9, Travel: 1.6}, verdict.Error, "slack there"},
		{"at the top", support.Start{First: 0.3, Least: 0.3, Most: 1.7, Travel: 1.6}, verdict.Error, "tops out"},
	} {
		s := verdict.Start(c.start, 0.1)
		if s.Tone != c.tone || !strings.Contains(s.Text, c.says) {
			t.Errorf("%s: %s %q", c.name, s.Tone, s.Text)
		}
		everyNameHasAValue(t, s)
	}
}

func TestLineUpSentence(t *testing.T) {
	for _, c := range []struct {
		in   verdict.LineUpInput
		tone verdict.Tone
		says string
	}{
		{verdict.LineUpInput{PassesBy: metric.Known(0.01), Kind: "band"}, verdict.OK, "the band lines up with the arm, under the shoulder"},
		{verdict.LineUpInput{PassesBy: metric.Known(0.1), OffAxisShare: 0.3, Kind: "cable"}, verdict.Warning,
			"the cable passes {by} in front of the shoulder"},
		{verdict.LineUpInput{PassesBy: metric.Known(-0.1), OffAxisShare: 0.3}, verdict.Warning, "behind the shoulder"},
		{verdict.LineUpInput{OffAxisShare: 0.02}, verdict.OK, "in the plane of movement"},
		{verdict.LineUpInput{OffAxisShare: 0.5}, verdict.Warning, "Out of plane"},
	} {
		s := verdict.LineUp(c.in)
		if s.Tone != c.tone || !strings.Contains(s.Text, c.says) {
			t.Errorf("%+v: %s %q", c.in, s.Tone, s.Text)
		}
		everyNameHasAValue(t, s)
	}
}
