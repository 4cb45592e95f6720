//go:build js && wasm

package main

import (
	"dialarc/core/kit"
	"dialarc/core/setup"
)

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
