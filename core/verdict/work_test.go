package verdict_test

import (
	"strings"
	"testing"

	"dialarc/core/metric"
	"dialarc/core/verdict"
)

// Who does most comes first, helpers after, numbers behind; what the target does where it does not lead; and what is not known.
func TestWorkSentence(t *testing.T) {
	chest := []verdict.Share{{Name: "front deltoid", Share: 0.18}, {Name: "chest", Share: 0.62}, {Name: "biceps", Share: 0.05}}
	for _, c := range []struct {
		name string
		in   verdict.WorkInput
		tone verdict.Tone
		says string
	}{
		{"one leads", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the chest", Share: 0.62, Leads: true}, Where: "with the arms level"}, verdict.Good,
			"Chest does most ({share1}), front deltoid ({share2}) helps. Hardest with the arms level."},
		{"two share", verdict.WorkInput{Shares: []verdict.Share{{Name: "biceps", Share: 0.36}, {Name: "brachialis", Share: 0.33}, {Name: "brachioradialis", Share: 0.2}}, Target: &verdict.WorkTarget{Name: "the brachialis", Share: 0.33}, Where: "at the start"},
			verdict.Good, "Biceps and brachialis share it ({share1} and {share2}), brachioradialis helps ({share3}). Hardest at the start. The target, the brachialis, gives {target}."},
		{"alone", verdict.WorkInput{Shares: []verdict.Share{{Name: "triceps", Share: 1}}, Target: &verdict.WorkTarget{Name: "the triceps", Share: 1, Leads: true}, Where: "at the end"}, verdict.Good, "Triceps does nearly all of it ({share1})."},
		{"a part of what leads", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the lower chest", Share: 0.3, Leads: true, Part: true}}, verdict.Good, "The target part, the lower chest, gives {target}."},
		{"hardly", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the biceps", Share: 0.05}}, verdict.Look, "The target, the biceps, gives {target}."},
		{"does not help", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the rear deltoid", Instead: "works the other way"}}, verdict.Look, "does not help here: it works the other way."},
		{"not in the model", verdict.WorkInput{None: "No muscle of the model does this."}, verdict.Look, "No muscle of the model does this."},
		{"too heavy for the model", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the chest", Share: 0.62, Leads: true}, Most: 1.3, Part: "Chest, upper"}, verdict.Look, "the model has no answer"},
	} {
		s := verdict.Work(c.in)
		if s.Tone != c.tone || !strings.Contains(s.Text, c.says) {
			t.Errorf("%s: %s %q", c.name, s.Tone, s.Text)
		}
		if strings.Contains(s.Text, "1.3") || strings.Contains(s.Text, "130") {
			t.Errorf("%s: a number where there is no answer: %q", c.name, s.Text)
		}
		everyNameHasAValue(t, s)
	}
	rough := verdict.Work(verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the chest", Share: 0.62, Leads: true}, Doubt: "Why."})
	if rough.Doubt != "Why." || rough.Tone != verdict.Good {
		t.Errorf("%+v", rough)
	}
}

// What gives out first comes first, with how much of it is asked at which load; more than there is stops.
func TestFirstToGiveOut(t *testing.T) {
	in := verdict.JointsInput{Joint: "shoulder", GripLimit: 450, BackLimit: 225, First: "the elbow", Effort: 0.48, Load: metric.Known(9), Once: metric.Known(18), Low: metric.Known(15), High: metric.Known(22)}
	s := verdict.Joints(in)
	if s.Tone != verdict.Good || !strings.HasPrefix(s.Text, "The elbow gives out first: {effort} of its strength at {load}; {low} to {high} would go once.") {
		t.Errorf("%s %q", s.Tone, s.Text)
	}
	everyNameHasAValue(t, s)
	in.Effort = 1.2
	in.Grip = 1000
	if s := verdict.Joints(in); s.Tone != verdict.Stop || !strings.Contains(s.Text, "straps") {
		t.Errorf("%s %q", s.Tone, s.Text)
	}
}
