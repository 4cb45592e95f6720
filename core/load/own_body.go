package load

import (
	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

var ownBody = Kind{Name: setup.Bodyweight, With: "with body weight", Scale: func(*setup.Load, float64) {}, AtHand: freeAtHand,
	source: newOwnBody}

// bodyWeight says that the lifter's own weight is the load. It is no force of its own: what the weights of the segments ask
// of a joint is counted as this load's part.
type bodyWeight struct{}

func newOwnBody(*builder) (Source, *space.Vec) { return bodyWeight{}, nil }

func (bodyWeight) At(f *body.Frames) Pull { return Pull{Contact: f.COM[body.Pelvis]} }

func (o bodyWeight) Moving(f *body.Frames, _, _ space.Vec) Pull { return o.At(f) }

func (bodyWeight) Energy(*body.Frames) float64 { return 0 }

// Shape is the ends of what somebody holds whom the hands carry: one bar across above the shoulders, else two that run forward, back and
// front end of each, right, then left.
func (bodyWeight) Shape(f *body.Frames) []space.Vec {
	if f.Station.Root != body.OnHands || f.Station.OnToes || f.Station.UpsideDown() {
		return nil
	}
	if f.Grip[body.Right].Y > f.Joint[body.ShoulderR].Y {
		across := f.Station.Heading.Apply(space.Vec{Z: beyondHands})
		return []space.Vec{r3.Sub(f.Grip[body.Left], across), r3.Add(f.Grip[body.Right], across)}
	}
	along := f.Station.Heading.Apply(space.Vec{X: beyondHands})
	var out []space.Vec
	for _, g := range f.Grip {
		out = append(out, r3.Sub(g, along), r3.Add(g, along))
	}
	return out
}
