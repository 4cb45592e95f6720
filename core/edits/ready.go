package edits

import (
	"dialarc/core/catalogue"
	"dialarc/core/kit"
	"dialarc/core/setup"
)

// Here is a ready setup for one lifter in one room.
type Here struct {
	catalogue.Ready
	Position string          `json:"position" doc:"Key of the posture."`
	Changes  []kit.FitChange `json:"changes" doc:"What is different in this room; the document has it so."`
	Missing  []kit.FitChange `json:"missing" doc:"What the room does not have for it."`
}

// ReadyIn lists every ready setup for a lifter as it can be done in a room, which may be nil for any place.
func ReadyIn(l *setup.Lifter, r *kit.Room, id string) []Here {
	all := catalogue.All(l)
	out := make([]Here, len(all))
	for i := range all {
		h := Here{Ready: all[i], Position: PositionOf(&all[i].Document), Changes: []kit.FitChange{}, Missing: []kit.FitChange{}}
		if r != nil {
			f := Fit(&all[i].Document, r, id)
			h.Document, h.Changes, h.Missing = f.Document, f.Changes, f.Missing
		}
		out[i] = h
	}
	return out
}
