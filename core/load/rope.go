package load

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

var rope = Kind{Name: setup.Rope, From: FromPulley, Line: "rope", With: "with a rope on a cable", Counted: "the pin", Needs: "cable",
	OneThing: true,
	Mass:     onPin, Scale: scalePin, AtHand: pinAtHand, Alone: oneCable, Check: checkRope, Fit: fitRope, source: newStrands,
	Dials: []dial.Dial{pulleyHeightDial, pulleyOutDial, pulleyAsideDial, stackDial,
		{Name: dial.Strand, Applies: placed, Read: strandLength, Write: func(d *setup.Document, i int,
			v float64) {
			d.Loads[i].StrandLength = v
		}}}}

func checkRope(v *setup.Checks, path string, l *setup.Load) {
	checkStack(v, path, l)
	v.Field(loadRows, path+".strandLength", "length of a strand", l.StrandLength, "m", "It spreads the pull over both hands.")
}

// oneCable stands in for a rope in one hand.
func oneCable(l *setup.Load) {
	l.Kind, l.StackMass, l.AttachmentLength, l.StrandLength, l.Shared = setup.Cable, l.StackMass/2, l.StrandLength, 0, false
}

func fitRope(f *kit.Fitting, path string, l *setup.Load) {
	fitColumn(f, path, l)
	fitHold(f, path, l, &l.StrandLength)
}

func strandLength(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Rope, each strand", Kind: "length", From: 0.1, To: 1.5, Step: 0.05,
		Value: d.Loads[i].StrandLength,
		Stops: lengths(&d.Loads[i]), Paths: []string{dial.LoadPath(i, "strandLength")}}
}

// strands are two strands of equal length l from the end of one cable, one to each hand.
//
// Their junction lies at the distance sqrt(l² - h²) from the middle M of the hands, which are 2 h apart, as near to the
// pulley as it can: in the plane square to the line between the hands. A cable's tension T at an angle b to that plane, + to the right,
// is balanced by T_R + T_L = T cos b l / sqrt(l² - h²) and T_R - T_L = -T sin b l / h. With the pulley in the middle that is
// T / (2 cos(q/2)) each, with q the angle between the strands, and each hand has to hold (T/2) tan(q/2) outward. A strand cannot push:
// where one would have to, it hangs loose, and the other lies in line with the cable and carries all. Hands 2 l apart or more cannot hold
// it.
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
	at       space.Vec  // the junction
	strands  [2]float64 // tension of each side's for a cable tension of 1 N
	deep     float64    // from the middle of the hands, m
	reach    float64    // from there to the pulley, in the plane square to the line between the hands, m
	aside    float64    // how far the pulley is from that plane, m
	half     float64    // half the distance between the hands, m
	across   space.Vec  // unit vector from the left hand to the right
	toward   space.Vec  // unit vector from their middle to the junction
	cable    space.Vec  // unit vector from the junction to the pulley
	length   float64    // of the cable, m
	possible bool
}

func (s *strands) tie(f *body.Frames) knot {
	middle := r3.Scale(0.5, r3.Add(f.Grip[0], f.Grip[1]))
	apart := r3.Sub(f.Grip[0], f.Grip[1])
	var k knot
	k.half = space.Norm(apart) / 2
	k.across = r3.Scale(1/max(2*k.half, 1e-12), apart)
	plane := space.Reject(r3.Sub(s.pulley, middle), k.across)
	k.reach, k.aside = space.Norm(plane), r3.Dot(r3.Sub(s.pulley, middle), k.across)
	if k.half >= s.length || k.reach == 0 {
		return k
	}
	k.possible = true
	k.deep = math.Sqrt(s.length*s.length - k.half*k.half)
	k.toward = r3.Scale(1/k.reach, plane)
	k.to(r3.Add(middle, r3.Scale(k.deep, k.toward)), s.pulley)
	if k.reach < k.deep { // the junction would have to be beyond the pulley: the stack rests
		k.length = -k.length
	}
	sum, difference := r3.Dot(k.cable, k.toward)*s.length/k.deep, 0.0
	if k.half > 1e-9 {
		difference = -r3.Dot(k.cable, k.across) * s.length / k.half
	}
	k.strands = [2]float64{(sum + difference) / 2, (sum - difference) / 2}
	for side := range k.strands {
		if loose := 1 - side; k.strands[loose] < 0 && k.length > 0 {
			k.alone(side, f.Grip[side], s)
			break
		}
	}
	return k
}

// to puts the junction somewhere, with the cable from there to the pulley.
func (k *knot) to(at, pulley space.Vec) {
	k.at = at
	line := r3.Sub(pulley, at)
	k.length = space.Norm(line)
	k.cable = r3.Scale(1/max(k.length, 1e-12), line)
}

// alone hangs the junction on one hand's strand, in line with the cable.
func (k *knot) alone(side int, hand space.Vec, s *strands) {
	line := r3.Sub(s.pulley, hand)
	whole := space.Norm(line)
	k.to(r3.Add(hand, r3.Scale(s.length/max(whole, 1e-12), line)), s.pulley)
	if whole < s.length {
		k.length = -k.length
	}
	k.strands = [2]float64{}
	k.strands[side] = 1
}

// single says whether one hand carries everything.
func (k *knot) single() bool { return k.strands[0] == 0 || k.strands[1] == 0 }

// share is the force on this side's hand for a cable tension of 1 N.
func (s *strands) share(f *body.Frames, k *knot) space.Vec {
	return r3.Scale(k.strands[s.at.side]/s.length, r3.Sub(k.at, f.Grip[s.at.side]))
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

// Moving adds the inertia of the stack, for hands that mirror each other. In the plane square to the line between them the junction is q =
// D - sqrt(l² - h²) from the pulley, D being the distance from their middle and h half of what lies between them; with the pulley
// a beside that plane the cable's length is L = sqrt(q² + a²). Of one strand that carries all it is |P - hand| - l.
func (s *strands) Moving(f *body.Frames, v, a space.Vec) Pull {
	p := s.At(f)
	if p.State != Working {
		return p
	}
	k := s.tie(f)
	tension, state := s.moving(s.lengthens(&k, v, a))
	force := s.share(f, &k)
	p.Force = r3.Scale(tension, force)
	p.Tension = space.Norm(p.Force)
	if state == Slack {
		p.State = Slack
	}
	return p
}

// lengthens is how fast the cable gets longer and by how much that speeds up, from this hand's velocity and acceleration.
func (s *strands) lengthens(k *knot, v, a space.Vec) (rate, bend float64) {
	if k.single() {
		if k.strands[s.at.side] == 0 { // the loose strand; what the other does shows in its own pull
			return 0, 0
		}
		return drawing(k.cable, k.length+s.length, v, a)
	}
	out := 1 - 2*float64(s.at.side)
	wide, wider := out*r3.Dot(v, k.across), out*r3.Dot(a, k.across)
	near, nearer := drawing(k.toward, k.reach, space.Reject(v, k.across), space.Reject(a, k.across))
	q, q1 := k.reach-k.deep, near+k.half*wide/k.deep
	q2 := nearer + (wide*wide+k.half*wider)/k.deep + math.Pow(k.half*wide, 2)/math.Pow(k.deep, 3)
	return q * q1 / k.length, (q1*q1+q*q2)/k.length - math.Pow(q*q1, 2)/math.Pow(k.length, 3)
}

// drawing is the first and second derivative of a straight length whose near end moves: u points along it to the fixed end.
func drawing(u space.Vec, length float64, v, a space.Vec) (rate, bend float64) {
	rate = -r3.Dot(u, v)
	return rate, (r3.Norm2(v)-rate*rate)/length - r3.Dot(u, a)
}

// Energy is half of the cable's, the other half being the other hand's.
func (s *strands) Energy(f *body.Frames) float64 {
	k := s.tie(f)
	return s.energy(k.length) / 2
}

// Shape is the junction of the two strands.
func (s *strands) Shape(f *body.Frames) []space.Vec {
	if k := s.tie(f); k.possible {
		return []space.Vec{k.at}
	}
	return nil
}
