//go:build js && wasm

// Command page is the core for the browser: a few named functions on globalThis.dialarc, JSON text in, JSON text out.
// Each answers {"ok": ...} or {"problems": [...]}, and the same call always gets the same answer.
package main

import (
	"encoding/json"
	"fmt"
	"syscall/js"

	"dialarc/core"
	"dialarc/core/catalogue"
	"dialarc/core/dialin"
	"dialarc/core/setup"
)

type answer struct {
	OK       any            `json:"ok,omitempty"`
	Problems setup.Problems `json:"problems,omitempty"`
}

var (
	evaluator core.Evaluator
	sweeper   dialin.Sweeper
)

func main() {
	js.Global().Set("dialarc", js.ValueOf(map[string]any{
		"evaluate": js.FuncOf(evaluate),
		"scene":    onDocument(scene),
		"settings": onDocument(settings),
		"apply":    onDocument(apply),
		"loadKind": onDocument(loadKind),
		"addLoad":  onDocument(addLoad),
		"dropLoad": onDocument(dropLoad),
		"paint":    onDocument(paint),
		"mends":    onDocument(mends),
		"places":   onDocument(places),
		"tempo":    onDocument(tempo),
		"spread":   onDocument(spread),
		"equal":    onDocument(equal),
		"ready":    export(ready),
		"lengths":  export(lengths),
		"regions":  export(regions),
		"bench":    js.FuncOf(bench),
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
	return core.SceneAt(d, args[0].Float())
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

func paint(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return sweeper.Paint(d)
}

func mends(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return sweeper.Mends(d)
}

func places(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return core.ComparePlaces(d)
}

func tempo(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return core.EvaluateTempo(d)
}

func spread(d *setup.Document, _ []js.Value) (any, setup.Problems) {
	return core.EvaluateUncertainty(d, core.UsualErrors, 1)
}

// equal compares the document with a reference, the second argument.
func equal(d *setup.Document, args []js.Value) (any, setup.Problems) {
	reference, problems := setup.Parse([]byte(args[0].String()))
	if len(problems) > 0 {
		return nil, problems
	}
	return core.Equal(d, &reference)
}

// ready lists the setups to begin with for a lifter.
func ready(args []js.Value) (any, setup.Problems) {
	var l setup.Lifter
	if err := json.Unmarshal([]byte(args[0].String()), &l); err != nil {
		return nil, setup.Problems{{Path: "lifter", What: "The lifter cannot be read: " + err.Error() + "."}}
	}
	if problems := setup.ValidateLifter("lifter", &l); len(problems) > 0 {
		return nil, problems
	}
	return catalogue.All(&l), nil
}

// lengths lists what the tape can measure on a lifter.
func lengths([]js.Value) (any, setup.Problems) { return setup.Lengths, nil }

// regions lists what a setup can be for.
func regions([]js.Value) (any, setup.Problems) { return setup.Regions, nil }
