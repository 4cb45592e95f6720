package movement

import "dialarc/core/body"

// Places remembers where the whole body is at the places of a path that were asked for, so that what looks at the same place after
// something else computes nothing of the body again. It reuses its memory; the zero value is ready.
type Places struct {
	number map[float64]int // of the place at s
	blocks []*[blockSize]body.Frames
}

// blockSize is how many places are allocated at once: frames must not move while somebody looks at them.
const blockSize = 16

// enoughPlaces is how many are kept from one evaluation to the next.
const enoughPlaces = 1024

// begin forgets all places.
func (p *Places) begin() {
	if p.number == nil {
		p.number = map[float64]int{}
	}
	clear(p.number)
}

// next is room for one more place.
func (p *Places) next(s float64) *body.Frames {
	k := len(p.number)
	if k/blockSize == len(p.blocks) {
		p.blocks = append(p.blocks, new([blockSize]body.Frames))
	}
	p.number[s] = k
	return &p.blocks[k/blockSize][k%blockSize]
}

func (p *Places) at(k int) *body.Frames { return &p.blocks[k/blockSize][k%blockSize] }

// Borrow makes the path remember its places in memory that served another path, which must not be asked any more.
func (p *Path) Borrow(memory *Places) {
	memory.begin()
	p.places = memory
}

// Tidy forgets the places when they have become many. Nobody may be looking at frames of this path.
func (p *Path) Tidy() {
	if p.places != nil && len(p.places.number) > enoughPlaces {
		p.places.begin()
	}
}

// Frames are those of the whole body at s, computed once. They are the path's: nobody else may change them.
func (p *Path) Frames(s float64) *body.Frames {
	if p.places == nil {
		p.places = &Places{}
		p.places.begin()
	}
	if k, known := p.places.number[s]; known {
		return p.places.at(k)
	}
	others := len(p.places.number) > 0 && !p.station.LegsMove && !p.bends && p.station.Root != body.OnHands
	f := p.places.next(s)
	if !others {
		p.Place(s, f)
		return f
	}
	*f = *p.places.at(0) // only the arms are elsewhere
	q, dq := p.pose(s)
	for side, moves := range p.moves {
		if moves {
			f.PlaceArm(body.Side(side), &q, &dq)
		}
	}
	return f
}
