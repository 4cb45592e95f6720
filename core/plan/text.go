package plan

import (
	"encoding/json"

	"dialarc/core/setup"
)

// textOf is a document as text, by which it is remembered.
func textOf(d *setup.Document) string {
	raw, err := json.Marshal(d)
	if err != nil { // a document that was read can be written
		panic("plan: " + err.Error())
	}
	return string(raw)
}
