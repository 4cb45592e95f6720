package load

import (
	"dialarc/core/body"
	"dialarc/core/space"
)

// ownBody says that the lifter's own weight is the load. It is no force of its own: what the weights of the segments ask
// of a joint is counted as this load's part.
type ownBody struct{}

func newOwnBody(*builder) (Source, *space.Vec) { return ownBody{}, nil }

func (ownBody) At(f *body.Frames) Pull { return Pull{Contact: f.COM[body.Trunk]} }

func (o ownBody) Moving(f *body.Frames, _, _ space.Vec) Pull { return o.At(f) }

func (ownBody) Energy(*body.Frames) float64 { return 0 }
