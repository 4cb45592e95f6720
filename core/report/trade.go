package report

import "dialarc/core/quantity"

// Caution is a rule of the trade that this setup meets. It never blocks work.
type Caution struct {
	Key    string                       `json:"key"`
	Text   string                       `json:"text" doc:"The sentence, values as {name}."`
	Way    string                       `json:"way" doc:"The usual way out."`
	Values map[string]quantity.Quantity `json:"values"`
}
