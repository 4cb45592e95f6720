package load

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// strands are two strands of equal length l from the end of one cable, one to each hand.
//
// Their junction lies at the distance sqrt(l² - h²) from the middle M of the hands, which are 2 h apart, as near to the
// pulley as it can: in the plane square to the line between the hands. Of the cable's tension T at an angle b to that
// plane the strands carry T_R + T_L = T cos b l / sqrt(l² - h²) and T_R - T_L = T sin b l / h. For mirrored hands that is
// T / (2 cos(q/2)) each, with q the angle between the strands, and each hand has to hold (T/2) tan(q/2) outward. Hands 2 l
// apart or more cannot hold it.
type strands struct {
	stack
	pulley space.Vec
	length float64 // of a strand, m
	at     contact
}

func newStrands(b *builder) (Source, *space.Vec) {
	s := &strands{stack: newStack(b.Load), pulley: b.point(b.Pulley), length: b.StrandLength, at: b.at}
	s.parked = b.ParkedGap
	return s, &s.pulley
}

// knot is the geometry of the junction at one place along the path.
type knot struct {
	at       space.Vec // the junction
	deep     float64   // from the middle of the hands, m
	half     float64   // half the distance between the hands, m
	across   space.Vec // unit vector from the left hand to the right
	toward   space.Vec // unit vector from their middle to the junction
	cable    space.Vec // unit vector from the junction to the pulley
	length   float64   // of the cable, m
	possible bool
}

func (s *strands) tie(f *body.Frames) knot {
	middle := r3.Scale(0.5, r3.Add(f.Grip[0], f.Grip[1]))
	apart := r3.Sub(f.Grip[0], f.Grip[1])
	var k knot
	k.half = space.Norm(apart) / 2
	k.across = r3.Scale(1/max(2*k.half, 1e-12), apart)
	plane := space.Reject(r3.Sub(s.pulley, middle), k.across)
	reach := space.Norm(plane)
	if k.half >= s.length || reach == 0 {
		return k
	}
	k.possible = true
	k.deep = math.Sqrt(s.length*s.length - k.half*k.half)
	k.toward = r3.Scale(1/reach, plane)
	k.at = r3.Add(middle, r3.Scale(k.deep, k.toward))
	line := r3.Sub(s.pulley, k.at)
	k.length = space.Norm(line)
	k.cable = r3.Scale(1/max(k.length, 1e-12), line)
	if reach < k.deep { // the junction would have to be beyond the pulley: the stack rests
		k.length = -k.length
	}
	return k
}

// share is the force on this side's hand for a cable tension of 1 N.
func (s *strands) share(f *body.Frames, k *knot) space.Vec {
	sum := r3.Dot(k.cable, k.toward) * s.length / k.deep
	difference := 0.0
	if k.half > 1e-9 {
		difference = r3.Dot(k.cable, k.across) * s.length / k.half
	}
	if s.at.side == body.Left {
		difference = -difference
	}
	own := (sum + difference) / 2
	return r3.Scale(own/s.length, r3.Sub(k.at, f.Grip[s.at.side]))
}

func (s *strands) At(f *body.Frames) Pull {
	k := s.tie(f)
	pull := Pull{Contact: s.at.in(f), State: TooWide}
	if !k.possible {
		pull.Lift = math.NaN()
		return pull
	}
	if pull.Lift, pull.State = s.lift(k.length); pull.State == Slack {
		return pull
	}
	drawn := 0.0
	if s.friction > 0 {
		drawn = s.rate(f, &k)
	}
	up, down := s.still(drawn)
	force := s.share(f, &k)
	pull.Force, pull.Lowering = r3.Scale(up, force), r3.Scale(down, force)
	pull.Tension = space.Norm(pull.Force)
	return pull
}

// rate is the change of the cable's length per unit s: by virtual work minus the product of each hand's share and its
// velocity.
func (s *strands) rate(f *body.Frames, k *knot) float64 {
	sum := 0.0
	for side := body.Right; side <= body.Left; side++ {
		one := *s
		one.at.side = side
		hand := side.On(body.HandR)
		sum -= r3.Dot(one.share(f, k), f.Velocity(hand, f.Grip[side]))
	}
	return sum
}

// Moving adds the inertia of the stack, for hands that mirror each other: with D from their middle to the pulley and h
// half of what lies between them, the cable's length changes by L” = D” - (sqrt(l² - h²))”.
func (s *strands) Moving(f *body.Frames, v, a space.Vec) Pull {
	p := s.At(f)
	if p.State != Working {
		return p
	}
	k := s.tie(f)
	out := 1 - 2*float64(s.at.side)
	wide, wider := out*r3.Dot(v, k.across), out*r3.Dot(a, k.across)
	v, a = space.Reject(v, k.across), space.Reject(a, k.across)
	line := r3.Sub(s.pulley, r3.Sub(k.at, r3.Scale(k.deep, k.toward)))
	length := space.Norm(line)
	u := r3.Scale(1/length, line)
	near := -r3.Dot(u, v)
	rate := near + k.half*wide/k.deep
	bend := (r3.Norm2(v)-near*near)/length - r3.Dot(u, a) + (wide*wide+k.half*wider)/k.deep + math.Pow(k.half*wide, 2)/math.Pow(k.deep, 3)
	tension, state := s.moving(rate, bend)
	force := s.share(f, &k)
	p.Force = r3.Scale(tension, force)
	p.Tension = space.Norm(p.Force)
	if state == Slack {
		p.State = Slack
	}
	return p
}

// Energy is half of the cable's, the other half being the other hand's.
func (s *strands) Energy(f *body.Frames) float64 {
	k := s.tie(f)
	return s.energy(k.length) / 2
}
