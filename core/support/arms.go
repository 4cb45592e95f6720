package support

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/movement"
	"dialarc/core/space"
)

// Meeting is where an arm has no room: a part of it whose middle line would have to go through the trunk, a thigh, the head or the bench.
type Meeting struct {
	Limb  string  // upper arm, forearm or hand
	Part  string  // what it meets
	S     float64 // where along the path it is deepest
	Depth float64 // of the middle line under the surface, m
}

// armsMeet is how deep the middle line of an arm may be under a surface: skin and muscle give, and the shapes are only rough, m (own).
const armsMeet = 0.02

// nearShoulder is the part of the upper arm that is always beside the trunk, as a share of its length (own).
const nearShoulder = 0.45

// Meetings runs the path at n places and says where the arm that moves has no room, the deepest for each part of it. Arms that are let down
// lie on the trunk, and a muscle gives way; so it is the middle line that counts.
func Meetings(path *movement.Path, n int) []Meeting {
	var out []Meeting
	if !path.ArmMoves() { // somebody whose legs move has the hands where there is room
		return nil
	}
	lead := path.Lead()
	deepest := map[string]int{}
	for i := range n {
		s := float64(i) / float64(n-1)
		f := path.Frames(s)
		for _, piece := range armPieces(f, lead) {
			part, depth := meets(f, &piece)
			if depth < armsMeet {
				continue
			}
			k, seen := deepest[piece.limb]
			switch {
			case !seen:
				deepest[piece.limb] = len(out)
				out = append(out, Meeting{piece.limb, part, s, depth})
			case depth > out[k].Depth:
				out[k] = Meeting{piece.limb, part, s, depth}
			}
		}
		if path.Still() {
			break
		}
	}
	return out
}

// piece is a straight part of an arm.
type piece struct {
	limb string
	a, b space.Vec
}

func armPieces(f *body.Frames, lead body.Side) [3]piece {
	on := func(s body.Segment, share float64) space.Vec { return f.PointOn(lead.On(s), share) }
	return [3]piece{
		{"upper arm", on(body.UpperArmR, nearShoulder), on(body.UpperArmR, 1)},
		{"forearm", on(body.ForearmR, 0), on(body.ForearmR, 1)},
		{"hand", f.Wrist[lead], f.Grip[lead]},
	}
}

// meets is what a piece is deepest in, and how deep; a negative depth is a distance.
func meets(f *body.Frames, p *piece) (part string, depth float64) {
	depth = math.Inf(-1)
	take := func(name string, distance float64) {
		if -distance > depth {
			part, depth = name, -distance
		}
	}
	h := f.Body.Height
	d, _ := toTrunk(f, p.a, p.b)
	take("trunk", d)
	for i := range capsules {
		if c := &capsules[i]; c.segment == body.ThighR || c.segment == body.ThighL {
			d, _ := between(p.a, p.b, f.PointOn(c.segment, c.from), f.PointOn(c.segment, c.to))
			take("thigh", d-c.radius*h)
		}
	}
	head := headOf(f)
	d, _ = between(p.a, p.b, head, head)
	take("head", d-headRadius*h)
	for i := range f.Station.Pads {
		d, _ := toBox(p.a, p.b, &f.Station.Pads[i])
		take("bench", d)
	}
	return part, depth
}
