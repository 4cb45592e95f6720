//go:build js && wasm

// Command page is the core for the browser: a few named functions on globalThis.dialarc, JSON text in, JSON text out.
// Each answers {"ok": ...} or {"problems": [...]}, and the same call always gets the same answer.
package main

import (
	"context"
	"encoding/json"
	"fmt"
	"syscall/js"

	"dialarc/core/catalogue"
	"dialarc/core/compare"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/kit"
	"dialarc/core/quantity"
	"dialarc/core/report"
	"dialarc/core/rig"
	"dialarc/core/setup"
)

type answer struct {
	OK       any            `json:"ok,omitempty"`
	Problems setup.Problems `json:"problems,omitempty"`
}

var (
	evaluator evaluate.Evaluator
	sweeper   dialin.Sweeper
)

func main() {
	js.Global().Set("dialarc", js.ValueOf(map[string]any{
		"evaluate":    js.FuncOf(evaluated),
		"scene":       onDocument(scene),
		"settings":    onDocument(settings),
		"apply":       onDocument(apply),
		"loadKind":    onDocument(loadKind),
		"addLoad":     onDocument(addLoad),
		"dropLoad":    onDocument(dropLoad),
		"paint":       export(paint),
		"sweep":       export(sweep),
		"mends":       onDocument(mends),
		"steps":       onDocument(steps),
		"places":      onDocument(places),
		"tempo":       onDocument(tempo),
		"spread":      onDocument(spread),
		"equal":       onDocument(equal),
		"choices":     onDocument(choices),
		"change":      onDocument(change),
		"begin":       export(begin),
		"ready":       export(ready),
		"search":      onDocument(search),
		"map":         onDocument(mapped),
		"fit":         onDocument(fit),
		"compare":     onDocuments(compared),
		"equalise":    onDocuments(equalised),
		"comparison":  export(comparison),
		"rank":        export(rank),
		"partners":    onDocument(partners),
		"effect":      onDocument(effect),
		"room":        export(room),
		"lifter":      export(checkLifter),
		"strength":    export(strength),
		"quantity":    export(typed),
		"notYet":      export(notYet),
		"counted":     export(counted),
		"coordinates": export(coordinates),
		"lengths":     export(lengths),
		"regions":     export(regions),
		"bench":       js.FuncOf(bench),
	}))
	select {}
}

// export makes a Go function of the arguments callable. A panic becomes a problem instead of ending the program.
func export(f func(args []js.Value) (any, setup.Problems)) js.Func {
	return js.FuncOf(func(_ js.Value, args []js.Value) (out any) {
		defer func() {
			if r := recover(); r != nil {
				out = text(failure(r))
			}
		}()
		v, problems := f(args)
		return text(answer{OK: v, Problems: problems})
	})
}

// onDocument makes a function of a document, the first argument, and of the arguments after it callable.
func onDocument(f func(d *setup.Document, args []js.Value) (any, setup.Problems)) js.Func {
	return export(func(args []js.Value) (any, setup.Problems) {
		d, problems := document(args)
		if len(problems) > 0 {
			return nil, problems
		}
		return f(&d, args[1:])
	})
}

// onDocuments makes a function of a list of documents, the first argument, and of the arguments after it callable.
func onDocuments(f func(docs []setup.Document, args []js.Value) (any, setup.Problems)) js.Func {
	return export(func(args []js.Value) (any, setup.Problems) {
		var docs []setup.Document
		if err := json.Unmarshal([]byte(args[0].String()), &docs); err != nil {
			return nil, setup.Problems{{What: "The setups cannot be read: " + err.Error() + "."}}
		}
		return f(docs, args[1:])
	})
}

// typed reads a text as a quantity of a kind, the second argument; a number without a unit counts in one that the third says how much is of.
func typed(args []js.Value) (any, setup.Problems) {
	v, problem := quantity.Read(args[0].String(), args[1].String(), args[2].Float())
	if problem != nil {
		return nil, setup.Problems{{What: problem.What, Hint: problem.Hint}}
	}
	return map[string]float64{"value": v}, nil
}

func text(a answer) string {
	if len(a.Problems) > 0 {
		a.OK = nil
	}
	return marshal(a)
}

func failure(r any) answer {
	return answer{Problems: setup.Problems{{What: fmt.Sprint("The calculation failed: ", r, "."), Hint: "Undo the last change and report this."}}}
}

// document reads a document of the right shape; whoever evaluates it judges its values.
func document(args []js.Value) (setup.Document, setup.Problems) {
	return last.get(args[0].String())
}

func scene(d *setup.Document, args []js.Value) (any, setup.Problems) {
	return evaluate.SceneAt(d, args[0].Float())
}

// settings, apply and what changes the loads also serve a document with problems, since turning a dial is how they are mended.
func settings(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return dialin.Settings(d), nil
}

func apply(d *setup.Document, args []js.Value) (any, setup.Problems) {
	return dialin.Apply(d, args[0].String(), args[1].Float())
}

func loadKind(d *setup.Document, args []js.Value) (any, setup.Problems) {
	return d.WithLoadKind(args[0].Int(), args[1].String())
}

func addLoad(d *setup.Document, args []js.Value) (any, setup.Problems) {
	return d.WithLoad(args[0].String())
}

func dropLoad(d *setup.Document, args []js.Value) (any, setup.Problems) {
	return d.WithoutLoad(args[0].Int())
}

// swept are the sweeps of the document that was swept last.
var swept struct {
	text   string
	sweeps map[string]dialin.Sweep
}

// sweep judges one setting, the second argument, and keeps the result for the painting.
func sweep(args []js.Value) (any, setup.Problems) {
	d, problems := document(args)
	if len(problems) > 0 {
		return nil, problems
	}
	for _, s := range dialin.Settings(&d) {
		if s.Key != args[1].String() {
			continue
		}
		out, problems := sweeper.Sweep(&d, &s)
		if len(problems) > 0 {
			return nil, problems
		}
		if text := args[0].String(); swept.text != text {
			swept.text, swept.sweeps = text, map[string]dialin.Sweep{}
		}
		swept.sweeps[s.Key] = out
		return out, nil
	}
	return nil, setup.Problems{{Path: args[1].String(), What: "This setup has no such setting."}}
}

// paint judges what has not been swept yet.
func paint(args []js.Value) (any, setup.Problems) {
	d, problems := document(args)
	if len(problems) > 0 {
		return nil, problems
	}
	if swept.text != args[0].String() {
		return sweeper.Paint(&d)
	}
	return sweeper.PaintWith(&d, swept.sweeps)
}

func mends(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return sweeper.Mends(context.Background(), d)
}

func steps(d *setup.Document, _ []js.Value) (any, setup.Problems) { return dialin.Steps(d) }

func places(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return evaluate.ComparePlaces(d)
}

func tempo(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return evaluate.Tempo(d)
}

func spread(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return evaluate.Uncertainty(context.Background(), d, report.UsualErrors, 1)
}

// equal compares the document with a reference, the second argument.
func equal(d *setup.Document, args []js.Value) (any, setup.Problems) {
	reference, problems := setup.Parse([]byte(args[0].String()))
	if len(problems) > 0 {
		return nil, problems
	}
	return evaluate.Equal(d, &reference)
}

func choices(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return rig.ChoicesOf(d), nil
}

func change(d *setup.Document, args []js.Value) (any, setup.Problems) {
	return rig.Change(d, args[0].String(), args[1].String(), args[2].Int())
}

// begin composes a setup for a lifter, the first argument, from a region, a kind of load and a position.
func begin(args []js.Value) (any, setup.Problems) {
	l, problems := lifter(args[0].String())
	if len(problems) > 0 {
		return nil, problems
	}
	return rig.Begin(l, args[1].String(), args[2].String(), args[3].String())
}

func lifter(text string) (*setup.Lifter, setup.Problems) {
	var l setup.Lifter
	if err := json.Unmarshal([]byte(text), &l); err != nil {
		return nil, setup.Problems{{Path: "lifter", What: "The lifter cannot be read: " + err.Error() + "."}}
	}
	return &l, setup.ValidateLifter("lifter", &l)
}

// ready lists the setups to begin with for a lifter, in a room, the second argument, that has an id, the third; or in any place.
func ready(args []js.Value) (any, setup.Problems) {
	l, r, problems := lifterAndRoom(args)
	if len(problems) > 0 {
		return nil, problems
	}
	return rig.ReadyIn(l, r, args[2].String()), nil
}

// lifterAndRoom reads a lifter and a room, the first two arguments; the room may be empty for any place.
func lifterAndRoom(args []js.Value) (*setup.Lifter, *kit.Room, setup.Problems) {
	l, problems := lifter(args[0].String())
	if len(problems) > 0 || args[1].String() == "" {
		return l, nil, problems
	}
	r, problems := rooms.get(args[1].String())
	return l, r, problems
}

// ended is what a long calculation came to; that it was called off is a problem like others.
func ended(v any, problems setup.Problems, err error) (any, setup.Problems) {
	if err != nil {
		return nil, setup.Problems{{What: err.Error()}}
	}
	return v, problems
}

// search looks for settings that fit better, by a goal as JSON, the second argument; the third is told how far it is.
func search(d *setup.Document, args []js.Value) (any, setup.Problems) {
	var g dialin.Goal
	if err := json.Unmarshal([]byte(args[0].String()), &g); err != nil {
		return nil, setup.Problems{{What: "The goal cannot be read: " + err.Error() + "."}}
	}
	out, problems, err := dialin.Run(context.Background(), d, g, func(share float64) { args[1].Invoke(share) })
	return ended(out, problems, err)
}

// mapped judges every pair of values of two settings, named by the second and third argument; the fourth is told how far it is.
func mapped(d *setup.Document, args []js.Value) (any, setup.Problems) {
	g, problems, err := dialin.Map(context.Background(), d, args[0].String(), args[1].String(), func(share float64) { args[2].Invoke(share) })
	return ended(g, problems, err)
}

func compared(docs []setup.Document, _ []js.Value) (any, setup.Problems) { return compare.Of(docs) }

// equalised makes loads equal in a way, the second argument, at an angle, the third.
func equalised(docs []setup.Document, args []js.Value) (any, setup.Problems) {
	return compare.Equalise(docs, args[0].String(), args[1].Float())
}

// comparison checks a comparison as it is kept.
func comparison(args []js.Value) (any, setup.Problems) {
	return compare.Parse([]byte(args[0].String()))
}

// rank orders the ready setups for a lifter in a room by how they load a region, the fourth argument, in a way, the fifth; the sixth
// is told how far it is.
func rank(args []js.Value) (any, setup.Problems) {
	l, r, problems := lifterAndRoom(args)
	if len(problems) > 0 {
		return nil, problems
	}
	out, problems, err := compare.RankReady(context.Background(), l, r, args[2].String(), args[3].String(), args[4].String(), func(share float64) { args[5].Invoke(share) })
	return ended(out, problems, err)
}

// partners looks among the ready setups for a lifter in a room for those that complement the document; the fifth argument is told how
// far it is.
func partners(d *setup.Document, args []js.Value) (any, setup.Problems) {
	l, r, problems := lifterAndRoom(args)
	if len(problems) > 0 {
		return nil, problems
	}
	out, problems, err := compare.Partners(context.Background(), d, l, r, args[2].String(), func(share float64) { args[3].Invoke(share) })
	return ended(out, problems, err)
}

// fit moves the document into a room, the second argument, that has an id, the third.
func fit(d *setup.Document, args []js.Value) (any, setup.Problems) {
	r, problems := rooms.get(args[0].String())
	if len(problems) > 0 {
		return nil, problems
	}
	return rig.Fit(d, r, args[1].String()), nil
}

func effect(d *setup.Document, _ []js.Value) (any, setup.Problems) { return rig.EffectOf(d), nil }

// room checks a room.
func room(args []js.Value) (any, setup.Problems) {
	r, problems := kit.Parse([]byte(args[0].String()))
	return r, problems
}

// checkLifter checks the body of a lifter.
func checkLifter(args []js.Value) (any, setup.Problems) {
	l, problems := lifter(args[0].String())
	if len(problems) == 0 {
		problems = evaluate.CheckSets("lifter.", l)
	}
	return l, problems
}

// strength tells what is known of a lifter's strength.
func strength(args []js.Value) (any, setup.Problems) {
	l, problems := lifter(args[0].String())
	if len(problems) > 0 {
		return nil, problems
	}
	return evaluate.KnownOf(l), nil
}

// notYet lists what a search for a text means that is not here yet.
func notYet(args []js.Value) (any, setup.Problems) { return catalogue.NotYet(args[0].String()), nil }

// counted lists the exercises in which a set can be known, with how its load is counted.
func counted([]js.Value) (any, setup.Problems) { return evaluate.CountedExercises(), nil }

// coordinates lists the joint coordinates with their usual ranges.
func coordinates([]js.Value) (any, setup.Problems) { return setup.Coordinates, nil }

// lengths lists what the tape can measure on a lifter.
func lengths([]js.Value) (any, setup.Problems) { return setup.Lengths, nil }

// regions lists what a setup can be for.
func regions([]js.Value) (any, setup.Problems) { return setup.Regions, nil }
