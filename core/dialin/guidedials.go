package dialin

import (
	"math"

	"dialarc/core/dial"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// guided is one point of a guide and how its dials speak of it.
type guided struct {
	name, field string
	of          func(*setup.Guide) *setup.Point // nil where the guide has none
}

var (
	startOf  = guided{"Start", "start", func(g *setup.Guide) *setup.Point { return &g.Start }}
	endOf    = guided{"End", "end", ofKind("line", func(g *setup.Guide) *setup.Point { return g.End })}
	centreOf = guided{"Centre of the arc", "centre", ofKind("arc", func(g *setup.Guide) *setup.Point { return g.Centre })}
)

// ofKind is a point that guides of one kind alone have.
func ofKind(kind string, point func(*setup.Guide) *setup.Point) func(*setup.Guide) *setup.Point {
	return func(g *setup.Guide) *setup.Point {
		if g.Kind != kind {
			return nil
		}
		return point(g)
	}
}

// axis is one direction in which a point of a guide is moved: its words from the shoulder and in the room, and how far it goes there, m.
type axis struct {
	field          string
	of             func(*setup.Point) *float64
	shoulder, room string
	from, to       float64
}

// near is how far from the shoulder a point of a guide is moved, either way, m.
const near = 1.0

var axes = []axis{
	{"x", func(p *setup.Point) *float64 { return &p.X }, "ahead of the shoulder", "out in the room", -2, 3},
	{"y", func(p *setup.Point) *float64 { return &p.Y }, "above the shoulder", "above the floor", 0, 2.4},
	{"z", func(p *setup.Point) *float64 { return &p.Z }, "to the right of the shoulder", "to the right in the room", -2, 2},
}

// guidePoint is a dial of one coordinate of one point of a guide that no machine decides.
func guidePoint(name dial.Name, point guided, along int) dial.Dial {
	a := &axes[along]
	place := func(d *setup.Document) *setup.Point {
		if d.Movement.Guide == nil || d.HandleLeads() || a.field == "z" && barLed(d) { // what moves both ends is the grip's width
			return nil
		}
		return point.of(d.Movement.Guide)
	}
	return of(name, func(d *setup.Document, _ int) bool { return place(d) != nil },
		func(d *setup.Document, _ int) dial.Setting {
			v := *a.of(place(d))
			s := dial.Setting{Group: "path", Label: point.name + ", " + a.room, Kind: "length", From: min(a.from, v), To: max(a.to, v), Step: 0.02,
				Value: v, Paths: []string{"movement.guide." + point.field + "." + a.field, "movement.guide." + point.field}}
			if d.Movement.Guide.Relative {
				s.Label, s.From, s.To = point.name+", "+a.shoulder, min(-near, v), max(near, v)
			}
			return s
		},
		func(d *setup.Document, _ int, v float64) { *a.of(place(d)) = v })
}

// hangs is the direction from which the place on an arc is counted: straight down, or ahead where the arc is level.
func hangs(about space.Vec) space.Vec {
	down := space.Reject(space.Vec{Y: -1}, about)
	if space.Norm(down) < 0.1 {
		return r3.Unit(space.Reject(space.X, about))
	}
	return r3.Unit(down)
}

// begins is where on its arc a hand begins, right-handed about the axis, radians.
func begins(g *setup.Guide) float64 {
	about := r3.Unit(vecOf(g.About))
	zero, at := hangs(about), r3.Sub(vecOf(&g.Start), vecOf(g.Centre))
	return math.Atan2(r3.Dot(about, r3.Cross(zero, at)), r3.Dot(zero, at))
}

// guideBegins is where on the arc of a machine's handle the lift begins: a stop that many machines let one set.
func guideBegins(d *setup.Document, _ int) dial.Setting {
	return dial.Setting{Group: "path", Label: "Handle starts at", Kind: "angle", From: -175, To: 175, Step: 5,
		Value: math.Round(10*space.Deg(begins(d.Movement.Guide))) / 10, Paths: []string{"movement.guide.start"}}
}

func setGuideBegins(d *setup.Document, _ int, deg float64) {
	g := d.Movement.Guide
	about, centre := r3.Unit(vecOf(g.About)), vecOf(g.Centre)
	turn := space.Rot(about, space.Rad(deg)-begins(g))
	at := r3.Add(centre, turn.Apply(r3.Sub(vecOf(&g.Start), centre)))
	g.Start = setup.Point{X: at.X, Y: at.Y, Z: at.Z}
}
