package load_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/diff/fd"
	"gonum.org/v1/gonum/spatial/r3"
)

func rubber(change func(*setup.Load)) setup.Load {
	l := setup.Load{ID: "b", Kind: setup.Band, Side: "right", Contact: grip, Anchor: &setup.Point{X: 0, Y: 0.3, Z: -0.4}, RestLength: 0.5,
		Section: 1e-4, Strands: 1}
	change(&l)
	return l
}

// Natural rubber in simple extension, nominal stress in MPa: Treloar, Trans. Faraday Soc. 40 (1944) 59-70 (from memory);
// the law is within 6%.
func TestRubberAgainstTreloar(t *testing.T) {
	for _, c := range []struct{ stretch, stress float64 }{{1.24, 0.23}, {1.61, 0.41}, {1.89, 0.50}, {2.17, 0.58}, {2.42, 0.67}} {
		check.Near(t, "stress", kit.RubberStress(c.stretch)/1e6, c.stress, 0.06*c.stress)
	}
	check.Near(t, "at rest", kit.RubberStress(1), 0, 0)
	check.Near(t, "shorter than at rest", kit.RubberStress(0.7), 0, 0)
	check.Near(t, "the dial's constant", kit.RubberAtDouble, kit.RubberStress(2), 1e-6)
}

// The pull points to the anchor, grows with the section and the strands, and is nothing while the band is slack.
func TestBandPull(t *testing.T) {
	r := newRig()
	it := r.build(rubber(func(*setup.Load) {}))
	p := it.At(r.at(0.7))
	toAnchor := r3.Sub(space.Vec{X: 0, Y: 0.3, Z: -0.4}, r.f.Grip[body.Right])
	x := r3.Norm(toAnchor) / 0.5
	check.Near(t, "stretch", p.Stretch, x, 1e-12)
	check.Near(t, "pull", p.Tension, 1e-4*kit.RubberStress(x), 1e-9)
	check.Vec(t, "direction", r3.Unit(p.Force), r3.Unit(toAnchor))
	two := r.build(rubber(func(l *setup.Load) { l.Strands = 2 }))
	check.Near(t, "two strands", two.At(r.at(0.7)).Tension, 2*p.Tension, 1e-9)
	strap := r.build(rubber(func(l *setup.Load) { l.AttachmentLength = 0.2 }))
	check.Near(t, "a strap takes its length off", strap.At(r.at(0.7)).Stretch, x-0.4, 1e-12)
	long := r.build(rubber(func(l *setup.Load) { l.RestLength = 3 }))
	if p := long.At(r.at(0.7)); p.Tension != 0 || p.Force != (space.Vec{}) {
		t.Errorf("a slack band pulls: %+v", p)
	}
}

// Measured points are met, rise between, begin with nothing at rest and go on by the last slope.
func TestMeasuredBand(t *testing.T) {
	r := newRig()
	points := []setup.BandPoint{{Length: 0.6, Force: 12}, {Length: 0.8, Force: 30}, {Length: 1.0, Force: 41}}
	measured := r.build(rubber(func(l *setup.Load) { l.Pull = points }))
	reach := func(length float64) float64 {
		// The anchor is put where the band has the wanted length.
		g := r.at(0.5).Grip[body.Right]
		it := r.build(rubber(func(l *setup.Load) { l.Pull, l.Anchor = points, &setup.Point{X: g.X, Y: g.Y - length, Z: g.Z} }))
		return it.At(r.at(0.5)).Tension
	}
	for _, p := range points {
		check.Near(t, "measured pull", reach(p.Length), p.Force, 1e-9)
	}
	check.Near(t, "at rest", reach(0.5), 0, 1e-9)
	if a, b := reach(0.7), reach(0.9); !(a > 12 && a < 30 && b > 30 && b < 41) {
		t.Errorf("between the measurements: %v, %v", a, b)
	}
	check.Near(t, "beyond the last it goes on as straight line", reach(1.2)-reach(1.1), reach(1.1)-reach(1.0), 1e-9)
	if p := measured.At(r.at(0.9)); p.Tension <= 0 {
		t.Errorf("%+v", p)
	}
}

// While lifting the band is drawn out and pulls in full; on the way back it pulls less by the hysteresis.
func TestHysteresis(t *testing.T) {
	r := newRig()
	it := r.build(rubber(func(l *setup.Load) { l.Hysteresis = 0.2 }))
	p := it.At(r.at(0.6))
	check.Near(t, "on the way back", r3.Norm(p.Lowering), 0.8*p.Tension, 1e-9)
	above := r.build(rubber(func(l *setup.Load) { l.Hysteresis, l.Anchor = 0.2, &setup.Point{X: 0.3, Y: 2.8, Z: 0.9} }))
	q := above.At(r.at(0.6))
	check.Near(t, "running back while lifting", q.Tension, 0.8*r3.Norm(q.Lowering), 1e-9)
}

// The power of the pull is the loss of stored energy, for the law and for measured bands, by gonum's finite differences.
func TestBandEnergyIsWork(t *testing.T) {
	r := newRig()
	random := rand.New(rand.NewPCG(21, 22))
	for i := range 30 {
		it := r.build(rubber(func(l *setup.Load) {
			l.Anchor = &setup.Point{X: random.Float64() - 0.5, Y: random.Float64() * 2, Z: random.Float64() - 1}
			l.RestLength, l.Strands = 0.2+0.3*random.Float64(), 1+i%3
			if i%2 == 0 {
				l.Pull = []setup.BandPoint{{Length: 0.7, Force: 20}, {Length: 1.1, Force: 45}, {Length: 2.4, Force: 90}}
			}
		}))
		s := 0.1 + 0.8*random.Float64()
		dU := fd.Derivative(func(x float64) float64 { return it.Energy(r.at(x)) }, s, &fd.Settings{Formula: fd.Central, Step: 1e-4})
		p := it.At(r.at(s))
		check.Near(t, "power", r3.Dot(p.Force, r.f.Velocity(it.Segment, p.Contact)), -dU, 1e-3*math.Max(1, math.Abs(dU)))
	}
}
