package load

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/spatial/r3"
)

// band is a rubber band from an anchor A to a contact C, along (A - C)/|A - C|.
//
// Its length is |A - C| less the attachment. The pull of one strand comes from measurements, joined by the piecewise
// cubic that never overshoots and carried on beyond the last by its slope, or else from the law of Mooney 1940 (J Appl
// Phys 11:582-592) and Rivlin 1948: F = 2 A0 (x - 1/x²)(C1 + C2/x), with x the length over the length at rest and A0 the
// section at rest. A band no longer than at rest pulls with nothing. On the way back the pull is lower by the hysteresis.
type band struct {
	anchor     space.Vec
	rest       float64 // m
	attachment float64 // m
	area       float64 // of one strand at rest, m²
	strands    float64
	hysteresis float64
	measured   *interp.FritschButland
	last       float64 // measured length, m
	at         contact
}

func newBand(l *builder) (Source, *space.Vec) {
	a := l.point(l.Anchor)
	b := &band{anchor: a, rest: l.RestLength, attachment: l.AttachmentLength, area: l.Section, strands: float64(l.Strands), hysteresis: l.Hysteresis, at: l.at}
	if len(l.Pull) > 0 {
		b.measure(l.Pull)
	}
	return b, &a
}

// measure fits the measured pull. A band that was first measured when stretched pulls with nothing at rest.
func (b *band) measure(points []setup.BandPoint) {
	var x, y []float64
	if points[0].Length > b.rest+1e-4 {
		x, y = append(x, b.rest), append(y, 0)
	}
	for _, p := range points {
		x, y = append(x, p.Length), append(y, p.Force)
	}
	b.measured = &interp.FritschButland{}
	if err := b.measured.Fit(x, y); err != nil { // validated measurements rise
		panic("load: " + err.Error())
	}
	b.last = x[len(x)-1]
}

// force is the pull of all strands at a length while the band is drawn out, N.
func (b *band) force(length float64) float64 {
	one := b.area * setup.RubberStress(length/b.rest)
	switch {
	case b.measured == nil:
	case length <= b.rest:
		one = 0
	case length > b.last:
		one = b.measured.Predict(b.last) + (length-b.last)*b.measured.PredictDerivative(b.last)
	default:
		one = b.measured.Predict(length)
	}
	return b.strands * one
}

func (b *band) At(f *body.Frames) Pull {
	contact := b.at.in(f)
	line := r3.Sub(b.anchor, contact)
	distance := space.Norm(line)
	length := max(0, distance-b.attachment)
	pull := Pull{Contact: contact, Stretch: length / b.rest}
	full := b.force(length)
	if full <= 0 || distance == 0 {
		return pull
	}
	u := r3.Scale(1/distance, line)
	up, down := full, full
	if drawn := -r3.Dot(u, f.Velocity(b.at.segment, contact)); math.Abs(drawn) > 1e-12 {
		if back := full * (1 - b.hysteresis); drawn < 0 {
			up = back
		} else {
			down = back
		}
	}
	pull.Tension = up
	pull.Force, pull.Lowering = r3.Scale(up, u), r3.Scale(down, u)
	return pull
}

// Moving takes the hysteresis on the side of the actual direction; a band's own mass is neglected.
func (b *band) Moving(f *body.Frames, v, _ space.Vec) Pull {
	p := b.At(f)
	if p.Tension == 0 {
		return p
	}
	line := r3.Sub(b.anchor, p.Contact)
	length := space.Norm(line)
	p.Tension = b.force(length - b.attachment)
	if r3.Dot(line, v) > 0 { // shortening
		p.Tension *= 1 - b.hysteresis
	}
	p.Force = r3.Scale(p.Tension/length, line)
	return p
}

// Energy is the work that stretched the band, ∫ F dL, without hysteresis: in closed form for the rubber law, by
// Simpson's rule on the measured pull.
func (b *band) Energy(f *body.Frames) float64 {
	length := space.Norm(r3.Sub(b.anchor, b.at.in(f))) - b.attachment
	if length <= b.rest {
		return 0
	}
	if b.measured == nil {
		w := func(x float64) float64 { return setup.RubberC1*(x*x/2+1/x) + setup.RubberC2*(x+1/(2*x*x)) }
		return 2 * b.strands * b.area * b.rest * (w(length/b.rest) - w(1))
	}
	const n = 400
	h, sum := (length-b.rest)/n, b.force(b.rest)+b.force(length)
	for i := 1; i < n; i++ {
		sum += float64(2+2*(i%2)) * b.force(b.rest+float64(i)*h)
	}
	return sum * h / 3
}
