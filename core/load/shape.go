package load

import (
	"dialarc/core/body"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Half the length of a bar that is drawn beyond the hands, m (own).
const beyondHands = 0.25

// shaped is a source that a picture needs more of than its contact and start: places in the room, m, that its own Shape describes.
type shaped interface {
	Shape(f *body.Frames) []space.Vec
}

// Shape is what a picture needs beside contact and start, m, as the kind says; nothing for a kind that has no such places.
func (it *Item) Shape(f *body.Frames) []space.Vec {
	if s, ok := it.Source.(shaped); ok {
		return s.Shape(f)
	}
	return nil
}

// barEnds is the two ends of a bar that both hands hold.
func barEnds(f *body.Frames) []space.Vec {
	apart := r3.Sub(f.Grip[0], f.Grip[1])
	n := max(space.Norm(apart), 1e-9)
	out := r3.Scale(beyondHands/n, apart)
	return []space.Vec{r3.Sub(f.Grip[1], out), r3.Add(f.Grip[0], out)}
}
