package load

import (
	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// Half the length of a bar that is drawn beyond the hands, m (own).
const beyondHands = 0.25

// Shape is what a picture needs beside contact and start, m, by kind: the ends of a bar; the middle of a bar on a cable and
// its ends; the junction of two strands; a lever's pivot, plates and handle; a machine's axis and where its pad touches; the two bars that carry a hanging body.
// Other loads have none.
func (it *Item) Shape(f *body.Frames) []space.Vec {
	switch s := it.Source.(type) {
	case *weight:
		if it.Def.Kind != setup.Bar {
			return nil
		}
		if !it.Held() { // on the back
			across := f.Turn[body.Trunk].Apply(space.Vec{Z: f.Body.ShoulderHalf + 2*beyondHands})
			return []space.Vec{r3.Sub(s.at.in(f), across), r3.Add(s.at.in(f), across)}
		}
		return bar(f)
	case ownBody:
		if f.Station.Root == body.OnHands && !f.Station.OnToes {
			return bars(f)
		}
	case *cable:
		if s.at.shared {
			return append([]space.Vec{s.at.line(f)}, bar(f)...)
		}
	case *strands:
		if k := s.tie(f); k.possible {
			return []space.Vec{k.at}
		}
	case *lever:
		u, r := s.handle(f)
		return []space.Vec{s.pivot, r3.Add(s.pivot, r3.Scale(s.masses[0].radius, s.masses[0].turn.Apply(u))), r3.Add(s.pivot, r3.Scale(r, u))}
	case *cam:
		if _, touch, _, ok := s.stand(f); ok {
			return []space.Vec{s.axis, touch}
		}
	}
	return nil
}

// bars are the ends of the two bars that a hanging body holds: right back, right front, left back, left front.
func bars(f *body.Frames) []space.Vec {
	along := f.Station.Heading.Apply(space.Vec{X: beyondHands})
	var out []space.Vec
	for _, g := range f.Grip {
		out = append(out, r3.Sub(g, along), r3.Add(g, along))
	}
	return out
}

// bar is the two ends of a bar that both hands hold.
func bar(f *body.Frames) []space.Vec {
	apart := r3.Sub(f.Grip[0], f.Grip[1])
	n := max(space.Norm(apart), 1e-9)
	out := r3.Scale(beyondHands/n, apart)
	return []space.Vec{r3.Sub(f.Grip[1], out), r3.Add(f.Grip[0], out)}
}
