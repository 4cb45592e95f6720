//go:build js && wasm

package main

import (
	"syscall/js"

	"dialarc/core/report"
)

// bench evaluates a document n times without reading or writing JSON, so that the time of the core alone can be
// measured from the page. It returns the largest torque as a check that something was computed.
func bench(_ js.Value, args []js.Value) any {
	d, problems := document(args)
	if len(problems) > 0 {
		return -1
	}
	var r *report.Report
	for range args[1].Int() {
		r, _ = evaluator.Evaluate(&d)
	}
	if r == nil || !r.Profile.Total.Peak.Known() {
		return -1
	}
	return r.Profile.Total.Peak.OrNaN()
}
