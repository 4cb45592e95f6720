//go:build js && wasm

// Command page is the core for the browser: the calls of the bridge on globalThis.dialarc, JSON text in, JSON text out. Each answers
// {"ok": ...} or {"problems": [...]}, and the same call always gets the same answer.
package main

import (
	"syscall/js"

	"dialarc/internal/bridge"
)

func main() {
	core := &bridge.Core{}
	all := map[string]any{"evaluate": packed(core)}
	for _, call := range core.Calls() {
		all[call.Name] = export(core, call)
	}
	js.Global().Set("dialarc", js.ValueOf(all))
	select {}
}

// export makes a call callable. A panic becomes a problem instead of ending the program.
func export(core *bridge.Core, call bridge.Call) js.Func {
	return js.FuncOf(func(_ js.Value, args []js.Value) (out any) {
		defer func() {
			if cause := recover(); cause != nil {
				out = bridge.Failed(cause).Text()
			}
		}()
		crossed := make([]any, len(args))
		for i, a := range args {
			crossed[i] = value(a)
		}
		answer := core.Run(&call, crossed)
		numbers, bytes := answer.OK.([]byte)
		if !bytes {
			return answer.Text()
		}
		answer.OK = nil
		return beside(answer, numbers)
	})
}

// value is what a value of the page is in Go.
func value(v js.Value) any {
	switch v.Type() {
	case js.TypeNumber:
		return v.Float()
	case js.TypeFunction:
		return bridge.Progress(func(share float64) { v.Invoke(share) })
	case js.TypeObject:
		raw := make([]byte, v.Length())
		js.CopyBytesToGo(raw, v)
		return raw
	}
	return v.String()
}

// packed answers with the report as JSON in which every curve says only where its numbers lie, and the numbers as bytes. A second argument
// asks for a sketch.
func packed(core *bridge.Core) js.Func {
	return js.FuncOf(func(_ js.Value, args []js.Value) (out any) {
		defer func() {
			if cause := recover(); cause != nil {
				out = map[string]any{"json": bridge.Failed(cause).Text()}
			}
		}()
		answer, numbers := core.Packed(args[0].String(), len(args) > 1 && args[1].Truthy())
		return beside(answer, numbers)
	})
}

// beside is an answer as text with bytes beside it, if there are any.
func beside(answer bridge.Answer, numbers []byte) any {
	if len(answer.Problems) > 0 || numbers == nil {
		return map[string]any{"json": answer.Text()}
	}
	bytes := js.Global().Get("Uint8Array").New(len(numbers))
	js.CopyBytesToJS(bytes, numbers)
	return map[string]any{"json": answer.Text(), "numbers": bytes}
}
