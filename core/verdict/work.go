package verdict

import (
	"cmp"
	"fmt"
	"slices"
	"strings"
)

// Share is how much of what the helpers give one muscle gives.
type Share struct {
	Name  string // as in the middle of a sentence
	Share float64
}

// WorkTarget is what the setup is for.
type WorkTarget struct {
	Name    string // as in the middle of a sentence, of the part
	Share   float64
	Leads   bool   // it, or the muscle that it is a part of, does most
	Part    bool   // it is a part of a muscle
	Instead string // what it does where it does not help: "works against the movement", "rests" ...
}

// WorkInput is what Work speaks of, where the torque is largest.
type WorkInput struct {
	Shares []Share
	Target *WorkTarget // nil where the model has no such muscle
	Where  string      // "with the arms level", "at the start" ...
	Doubt  string      // why the shares are rough there; empty when they are not
	Most   float64     // largest activation of any part along the path
	Part   string      // that has it
	None   string      // what the model lacks when there are no shares
}

// Bounds of the words (own): helpers from here on are named, shares so near are told as shared, a target so small is told as such, an
// activation above has no answer.
const (
	helps       = 0.10
	even        = 0.05
	small       = 0.10
	modelsLimit = 1.2
)

// Work says who does most, who helps and where it is hardest; whether the target does its part; and where the model is not to be relied on.
func Work(in WorkInput) Sentence {
	s := Sentence{Key: "muscles", Tone: OK, Values: map[string]Quantity{}}
	if len(in.Shares) == 0 {
		s.Tone, s.Text = Warning, in.None
		return s
	}
	list := slices.Clone(in.Shares)
	slices.SortStableFunc(list, func(a, b Share) int { return cmp.Compare(b.Share, a.Share) })
	share := func(i int) string {
		key := fmt.Sprintf("share%d", i+1)
		s.Values[key] = percent(list[i].Share)
		return "{" + key + "}"
	}
	named := 1
	for named < min(3, len(list)) && list[named].Share >= helps {
		named++
	}
	switch {
	case named == 1:
		s.Text = "The " + list[0].Name + does(list[0].Name) + " nearly all of the work (" + share(0) + ")"
		if list[0].Share < 0.8 {
			s.Text = "The " + list[0].Name + does(list[0].Name) + " most of the work (" + share(0) + ")"
		}
	case list[0].Share-list[1].Share < even:
		s.Text = "The " + list[0].Name + " and the " + list[1].Name + " share the work (" + share(0) + " and " + share(1) + ")"
		if named == 3 {
			s.Text += ", the " + list[2].Name + helpsOut(list[2].Name) + " (" + share(2) + ")"
		}
	default:
		var others []string
		for i := 1; i < named; i++ {
			others = append(others, "the "+list[i].Name+" ("+share(i)+")")
		}
		verb := helpsOut(list[1].Name)
		if len(others) > 1 {
			verb = " help"
		}
		s.Text = "The " + list[0].Name + does(list[0].Name) + " most of the work (" + share(0) + "), " + strings.Join(others, " and ") + verb
	}
	s.Text += ". Hardest " + in.Where + "."
	s.target(in.Target)
	if in.Most > modelsLimit {
		s.Tone = Warning
		s.Text += " This load is beyond the model: the " + lower(in.Part) + " would need more force than it has."
	}
	if in.Doubt != "" {
		s.Doubt = in.Doubt
	}
	return s
}

// target adds what the target does.
func (s *Sentence) target(t *WorkTarget) {
	switch {
	case t == nil:
		s.Tone = Warning
		s.Text += " The model does not include the target muscle."
	case t.Instead != "":
		s.Tone = Warning
		s.Text += " The target, " + t.Name + ", does not help here: it " + t.Instead + "."
	case t.Leads && t.Part:
		s.Values["target"] = percent(t.Share)
		s.Text += " The target part, " + t.Name + ", contributes {target}."
	case !t.Leads:
		s.Values["target"] = percent(t.Share)
		s.Text += " The target, " + t.Name + ", contributes {target}."
		if t.Share < small {
			s.Tone = Warning
		}
	}
}

// many says whether a muscle's name is a plural.
func many(name string) bool {
	for _, word := range []string{"hamstrings", "abdominals", "obliques", "erectors", "rotators", "pronators", "rhomboids", "vasti"} {
		if strings.Contains(name, word) {
			return true
		}
	}
	return false
}

func does(name string) string {
	if many(name) {
		return " do"
	}
	return " does"
}

func helpsOut(name string) string {
	if many(name) {
		return " help"
	}
	return " helps"
}

func capital(s string) string {
	if s == "" {
		return s
	}
	return strings.ToUpper(s[:1]) + s[1:]
}
