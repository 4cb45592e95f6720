//go:build js && wasm

package main

import (
	"encoding/json"
	"syscall/js"

	"dialarc/core/report"
)

// evaluated answers with the report as JSON in which every curve is only [offset, length], and the numbers of all
// curves as bytes: little-endian float64, NaN in a gap. Writing and reading the curves as text would take most of the
// time of a drag. A second argument asks for a sketch.
func evaluated(_ js.Value, args []js.Value) (out any) {
	defer func() {
		if r := recover(); r != nil {
			out = map[string]any{"json": text(failure(r))}
		}
	}()
	d, problems := document(args)
	var r *report.Report
	if len(problems) == 0 {
		if len(args) > 1 && args[1].Truthy() {
			r, problems = evaluator.Sketch(&d)
		} else {
			r, problems = evaluator.Evaluate(&d)
		}
	}
	if len(problems) > 0 {
		return map[string]any{"json": text(answer{Problems: problems})}
	}
	numbers := r.Pack()
	bytes := js.Global().Get("Uint8Array").New(len(numbers))
	js.CopyBytesToJS(bytes, numbers)
	return map[string]any{"json": text(answer{OK: r}), "numbers": bytes}
}

func marshal(v any) string {
	raw, err := json.Marshal(v)
	if err != nil {
		return `{"problems":[{"path":"","what":"The result cannot be written."}]}`
	}
	return string(raw)
}
