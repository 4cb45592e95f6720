package support

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// BenchHold says whether a bench stays where it is.
type BenchHold struct {
	Known    bool // whether there is a bench
	Holds    bool
	How      string  // slides or tips
	Residual float64 // N
	Weight   float64 // that would hold it on its foot, kg; NaN when 200 kg do not do
}

// A bench's base on the floor, and its friction there (own).
const (
	benchHalfLength = 0.60
	benchHalfWidth  = 0.28
	benchFriction   = 0.5
)

// Bench looks at the bench as a body of its own: what the lifter pushes it with, its weight, and the floor under its four
// feet. What a machine brings is bolted to it.
func (br *Bracer) Bench(f *body.Frames, d *setup.Document, b *Brace) BenchHold {
	if d.Bench == nil && d.Posture.Kind != "seated" || load.HasOwnSeat(d) {
		return BenchHold{}
	}
	mass := float64(setup.DefaultBenchMass)
	if d.Bench != nil && d.Bench.Mass > 0 {
		mass = d.Bench.Mass
	}
	out := BenchHold{Known: true, Weight: math.NaN()}
	br.columns = 0
	left := func(mass, friction float64) float64 { return br.benchResidual(f, b, mass, friction) }
	out.Residual = left(mass, 1)
	if out.Holds = out.Residual < held; out.Holds {
		out.Weight = 0
		return out
	}
	out.How = "tips"
	if left(mass, 20) < math.Max(held, 0.2*out.Residual) {
		out.How = "slides"
	}
	for extra := 5.0; extra <= 200; extra += 5 {
		if left(mass+extra, 1) < held {
			out.Weight = extra
			break
		}
	}
	return out
}

func (br *Bracer) benchResidual(f *body.Frames, b *Brace, mass, friction float64) float64 {
	st := f.Station
	centre := onFloor(f.Origin[body.Pelvis])
	if n := len(st.Pads); n > 0 {
		var sum space.Vec
		for _, p := range st.Pads {
			sum = r3.Add(sum, p.Middle)
		}
		centre = onFloor(r3.Scale(1/float64(n), sum))
	}
	applied := wrench{}
	for _, p := range b.Pushes {
		rollers := st.Root == body.OnThighs && (p.Name == "ankles" || p.Name == "footPlate") // they are the bench's own
		if p.Name == "seat" || p.Name == "back" || p.Name == "chest" || p.Name == "side" || p.Name == "thighs" || rollers {
			applied.add(centre, p.At, r3.Scale(-1, p.Force))
		}
	}
	applied.force.Y -= mass * load.Gravity
	var feet []touch
	for _, x := range []float64{-benchHalfLength, benchHalfLength} {
		for _, z := range []float64{-benchHalfWidth, benchHalfWidth} {
			feet = append(feet, touch{name: "bench", at: r3.Add(centre, st.Heading.Apply(space.Vec{X: x, Z: z})), normal: space.Y,
				friction: benchFriction, floor: true})
		}
	}
	stand := carried{centre: centre}
	stand.push(feet, &st.Heading)
	br.solve(&stand, &applied, friction)
	return math.Sqrt(br.ridge.R.Dot(&br.ridge.R))
}
