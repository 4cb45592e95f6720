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
		{"one leads", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the chest", Share: 0.62, Leads: true},
			Where: "with the arms level"}, verdict.OK,
			"The chest does most of the work ({share1}), the front deltoid ({share2}) helps. Hardest with the arms level."},
		{"two share", verdict.WorkInput{Shares: []verdict.Share{{Name: "biceps", Share: 0.36}, {Name: "brachialis", Share: 0.33},
			{Name: "brachioradialis", Share: 0.2}}, Target: &verdict.WorkTarget{Name: "the brachialis", Share: 0.33}, Where: "at the start"},
			verdict.OK, "The biceps and the brachialis share the work ({share1} and {share2}), the brachioradialis helps ({share3}). Hardest at the start. The target, the brachialis, contributes {target}."},
		{"alone", verdict.WorkInput{Shares: []verdict.Share{{Name: "triceps", Share: 1}}, Target: &verdict.WorkTarget{Name: "the triceps",
			Share: 1, Leads: true}, Where: "at the end"}, verdict.OK, "The triceps does nearly all of the work ({share1})."},
		{"a part of what leads", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the lower chest", Share: 0.3, Leads: true,
			Part: true}}, verdict.OK, "The target part, the lower chest, contributes {target}."},
		{"hardly", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the biceps", Share: 0.05}}, verdict.Warning,
			"The target, the biceps, contributes {target}."},
		{"a plural", verdict.WorkInput{Shares: []verdict.Share{{Name: "hamstrings", Share: 0.9}},
			Target: &verdict.WorkTarget{Name: "the hamstrings", Share: 0.9, Leads: true}}, verdict.OK, "The hamstrings do nearly all of the work"},
		{"does not help", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the rear deltoid",
			Instead: "works against the movement"}}, verdict.Warning, "does not help here: it works against the movement."},
		{"not in the model", verdict.WorkInput{None: "None of the muscles in the model does this."}, verdict.Warning,
			"None of the muscles in the model does this."},
		{"too heavy for the model", verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the chest", Share: 0.62, Leads: true},
			Most: 1.3, Part: "upper chest"}, verdict.Warning, "beyond the model: the upper chest would need more force"},
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
	rough := verdict.Work(verdict.WorkInput{Shares: chest, Target: &verdict.WorkTarget{Name: "the chest", Share: 0.62, Leads: true},
		Doubt: "Why."})
	if rough.Doubt != "Why." || rough.Tone != verdict.OK {
		t.Errorf("%+v", rough)
	}
}

// What gives out first comes first, with how much of it is asked at which load; more than there is stops.
func TestFirstToGiveOut(t *testing.T) {
	in := verdict.JointsInput{Joint: "shoulder", GripLimit: 450, BackLimit: 225, First: "the elbow", Effort: 0.48, Load: metric.Known(9),
		Once: metric.Known(18), Low: metric.Known(15), High: metric.Known(22)}
	s := verdict.Joints(in)
	if s.Tone != verdict.OK || !strings.HasPrefix(s.Text,
		"The elbow is the limit: {effort} of its strength at {load}; estimated 1RM {low} to {high}. The shoulder takes up to {along} of compression and {across} of shear") {
		t.Errorf("%s %q", s.Tone, s.Text)
	}
	everyNameHasAValue(t, s)
	in.Effort = 1.2
	in.Grip, in.LowBack, in.EasesBack = 1000, 300, "Support the chest on a bench." // neither hides the other
	if s := verdict.Joints(in); s.Tone != verdict.Error || !strings.Contains(s.Text, "straps") || !strings.Contains(s.Text, "Support the chest") {
		t.Errorf("%s %q", s.Tone, s.Text)
	}
}
