package evaluate_test

import (
	"encoding/json"
	"math/rand/v2"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// An evaluator that has seen other documents tells the same as one that has seen none, to the last digit: over random edits, each judged
// as a hand turns dials, goes back, goes to another exercise and another lifter.
func TestMemoryChangesNoNumber(t *testing.T) {
	r := rand.New(rand.NewPCG(16, 5))
	ready := catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75})
	others := catalogue.All(&setup.Lifter{Height: 1.62, BodyMass: 58, Sex: "female", Training: "novice"})
	var e evaluate.Evaluator
	compared := 0
	for range 25 {
		d := ready[r.IntN(len(ready))].Document
		past := []setup.Document{d.Clone()}
		for range 8 {
			switch r.IntN(6) {
			case 0:
				d = past[r.IntN(len(past))].Clone()
			case 1:
				d = others[r.IntN(len(others))].Document.Clone()
			default:
				settings := dialin.Settings(&d)
				s := settings[r.IntN(len(settings))]
				changed, problems := dialin.Apply(&d, s.Key, s.From+r.Float64()*(s.To-s.From))
				if len(problems) > 0 {
					continue
				}
				d = changed
			}
			past = append(past, d.Clone())
			e.Score(&d, 31)
			e.SceneAt(&d, r.Float64())
			compared += sameAsFresh(t, &e, &d)
		}
	}
	if compared < 100 {
		t.Errorf("only %d reports were compared", compared)
	}
}

// sameAsFresh compares reports of a document by an evaluator and by a new one: 1, or 0 where there is none.
func sameAsFresh(t *testing.T, e *evaluate.Evaluator, d *setup.Document) int {
	t.Helper()
	text := func(e *evaluate.Evaluator, f func(*evaluate.Evaluator) (any, setup.Problems)) string {
		v, problems := f(e)
		raw, err := json.Marshal([]any{v, problems})
		if err != nil {
			t.Fatal(err)
		}
		return string(raw)
	}
	found := 0
	for what, f := range map[string]func(*evaluate.Evaluator) (any, setup.Problems){
		"evaluation": func(e *evaluate.Evaluator) (any, setup.Problems) {
			v, p := e.Evaluate(d)
			if v != nil {
				found = 1
			}
			return v, p
		},
		"sketch": func(e *evaluate.Evaluator) (any, setup.Problems) { v, p := e.Sketch(d); return v, p },
		"scene":  func(e *evaluate.Evaluator) (any, setup.Problems) { v, p := e.SceneAt(d, 0.3); return v, p },
		"limits": func(e *evaluate.Evaluator) (any, setup.Problems) { v, p := e.Limits(d); return v, p },
	} {
		if was, fresh := text(e, f), text(new(evaluate.Evaluator), f); was != fresh {
			t.Errorf("%s of %s:\n%.300s\nfrom nothing\n%.300s", what, d.Name, was, fresh)
		}
	}
	return found
}

// Who does the work is told with the target first, the rest by size, and never more than all of it together.
func TestWorkIsShared(t *testing.T) {
	told := 0
	everyReady(t, 1.75, func(key string, d setup.Document, r *report.Report) {
		sum := 0.0
		for i, w := range r.Muscles.Work {
			sum += w.Share
			if w.Target && (i != 0 || w.Rough == r.Muscles.TargetShare.Known() || !w.Rough && w.Share != r.Muscles.TargetShare.OrNaN()) {
				t.Errorf("%s: the target is at %d with %v of %v", key, i, w.Share, r.Muscles.TargetShare.OrNaN())
			}
			if i > 0 && !r.Muscles.Work[i-1].Target && w.Share > r.Muscles.Work[i-1].Share {
				t.Errorf("%s: %s comes after one that does less", key, w.Label)
			}
		}
		if sum > 1+1e-6 {
			t.Errorf("%s: %.4f of the work is shared out", key, sum)
		}
		if len(r.Muscles.Work) > 0 {
			told++
		}
	})
	if told < 60 {
		t.Errorf("only %d exercises tell who does the work", told)
	}
}
