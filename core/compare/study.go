package compare

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"dialarc/core/dial"
	"dialarc/core/dialin"
	"dialarc/core/setup"
)

// Study is what two setups differ in, one thing at a time.
type Study struct {
	Parts []StudyPart `json:"parts" doc:"What the first can take over from the second by itself."`
	Left  []string    `json:"left" doc:"What differs and cannot be taken over by itself, in words."`
}

// StudyPart is one difference that the first setup can take over alone.
type StudyPart struct {
	Key      string         `json:"key"`
	Label    string         `json:"label"`
	Kind     string         `json:"kind" doc:"Kind of unit."`
	From     float64        `json:"from" doc:"In the first."`
	To       float64        `json:"to" doc:"In the second."`
	Document setup.Document `json:"document" doc:"The first with this alone as in the second: what then differs from the first comes from this."`
	Left     []string       `json:"left" doc:"In what it still differs from the second, in words."`
}

// StudyOf lists in what the second of two setups differs from the first, so that one thing can be changed at a time.
func StudyOf(docs []setup.Document) (*Study, setup.Problems) {
	if len(docs) != 2 {
		return nil, setup.Problems{{Path: "setups", What: fmt.Sprintf("A study of %d setups is none.", len(docs)), Hint: "Give two."}}
	}
	a, b := &docs[0], &docs[1]
	out := &Study{Parts: []StudyPart{}, Left: built(a, b)}
	there := dialin.Settings(b)
	for _, s := range dialin.Settings(a) {
		i := slices.IndexFunc(there, func(x dial.Setting) bool { return x.Key == s.Key && x.Kind == s.Kind })
		if i < 0 || math.Abs(there[i].Value-s.Value) < 1e-6 {
			continue
		}
		d, problems := dialin.Apply(a, s.Key, there[i].Value)
		if len(problems) > 0 {
			out.Left = append(out.Left, strings.ToLower(s.Label))
			continue
		}
		d.Name = named(a.Name + ", " + strings.ToLower(s.Label) + " as in " + b.Name)
		out.Parts = append(out.Parts, StudyPart{Key: s.Key, Label: s.Label, Kind: s.Kind, From: s.Value, To: there[i].Value, Document: d})
	}
	for i := range out.Parts {
		out.Parts[i].Left = slices.Clone(out.Left)
		for k := range out.Parts {
			if k != i {
				out.Parts[i].Left = append(out.Parts[i].Left, strings.ToLower(out.Parts[k].Label))
			}
		}
	}
	return out, nil
}

// named is a name that is no longer than a document's may be.
func named(s string) string {
	if r := []rune(s); len(r) > 200 {
		return string(r[:199]) + "…"
	}
	return s
}

// built are the differences in what two setups consist of, in words.
func built(a, b *setup.Document) []string {
	out := []string{}
	add := func(differs bool, words string) {
		if differs {
			out = append(out, words)
		}
	}
	add(a.Target.Region != b.Target.Region, "the target")
	add(a.Lifter.Height != b.Lifter.Height || a.Lifter.BodyMass != b.Lifter.BodyMass, "the lifter")
	add(a.Posture.Kind != b.Posture.Kind || (a.Bench == nil) != (b.Bench == nil), "the posture")
	add(a.Movement.Kind != b.Movement.Kind, "the way the path is given")
	add(a.Movement.Side != b.Movement.Side, "which side works")
	add(len(a.Loads) != len(b.Loads), "how many loads there are")
	for i := range min(len(a.Loads), len(b.Loads)) {
		x, y := &a.Loads[i], &b.Loads[i]
		add(x.Kind != y.Kind, "the kind of load")
		add(x.Kind == y.Kind && (x.Contact.Segment != y.Contact.Segment || x.Contact.At != y.Contact.At), "where the load is attached")
	}
	return out
}
