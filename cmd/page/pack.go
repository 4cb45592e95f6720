//go:build js && wasm

package main

import (
	"encoding/binary"
	"encoding/json"
	"math"
	"syscall/js"

	"dialarc/core"
	"dialarc/core/kit"
	"dialarc/core/setup"
)

// evaluate answers with the report as JSON in which every curve is only [offset, length], and the numbers of all
// curves as bytes: little-endian float64, NaN in a gap. Writing and reading the curves as text would take most of the
// time of a drag. A second argument asks for a sketch.
func evaluate(_ js.Value, args []js.Value) (out any) {
	defer func() {
		if r := recover(); r != nil {
			out = map[string]any{"json": text(failure(r))}
		}
	}()
	d, problems := document(args)
	var report *core.Report
	if len(problems) == 0 {
		if len(args) > 1 && args[1].Truthy() {
			report, problems = evaluator.Sketch(&d)
		} else {
			report, problems = evaluator.Evaluate(&d)
		}
	}
	if len(problems) > 0 {
		return map[string]any{"json": text(answer{Problems: problems})}
	}
	numbers := pack(report)
	bytes := js.Global().Get("Uint8Array").New(len(numbers))
	js.CopyBytesToJS(bytes, numbers)
	return map[string]any{"json": text(answer{OK: report}), "numbers": bytes}
}

// pack takes the numbers out of the report's curves.
func pack(r *core.Report) []byte {
	var buf []byte
	count := 0
	for _, c := range r.AllCurves() {
		place := core.Curve{float64(count), float64(len(*c))}
		for _, x := range *c {
			buf = binary.LittleEndian.AppendUint64(buf, math.Float64bits(x))
		}
		count += len(*c)
		*c = place
	}
	return buf
}

// memo remembers the document that was read last: the calls of one frame all ask about the same text.
type memo struct {
	text     string
	doc      setup.Document
	problems setup.Problems
	filled   bool
}

var last memo

func (m *memo) get(text string) (setup.Document, setup.Problems) {
	if !m.filled || m.text != text {
		m.doc, m.problems = setup.Read([]byte(text))
		m.text, m.filled = text, true
	}
	return m.doc.Clone(), m.problems
}

// roomMemo remembers the room that was read last: many setups are fitted to one.
type roomMemo struct {
	text     string
	room     kit.Room
	problems setup.Problems
}

var rooms roomMemo

func (m *roomMemo) get(text string) (*kit.Room, setup.Problems) {
	if m.text != text {
		m.room, m.problems = kit.Parse([]byte(text))
		m.text = text
	}
	return &m.room, m.problems
}

func marshal(v any) string {
	raw, err := json.Marshal(v)
	if err != nil {
		return `{"problems":[{"path":"","what":"The result cannot be written."}]}`
	}
	return string(raw)
}
