package setup

import (
	"encoding/json"
	"reflect"
)

// Read reads a document that has the right shape, without judging its values: for editing one that has problems.
func Read(raw []byte) (Document, Problems) {
	var d Document
	if problems := Shape(raw, reflect.TypeFor[Document]()); len(problems) > 0 {
		return d, problems
	}
	if err := json.Unmarshal(raw, &d); err != nil {
		return d, Problems{{What: "The document cannot be read: " + err.Error() + "."}}
	}
	return d, nil
}
