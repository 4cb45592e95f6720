package load

import (
	"slices"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// A platform under the knees that a stack lifts: what is on the pin is taken off the lifter. It is not counted as what the lifter moves.
var assist = Kind{Name: setup.Assist, With: "with assistance", Needs: "machine", OneThing: true, Scale: func(*setup.Load, float64) {},
	OwnSeat: func(*setup.Load) bool { return true }, AtHand: func(*setup.Load) float64 { return 0 }, Check: checkAssist,
	Fit: fitAssist, source: newAssist,
	Dials: []dial.Dial{{Name: dial.AssistStack, Read: assistStack, Write: func(d *setup.Document, i int,
		v float64) {
		d.Loads[i].StackMass = v
	}}}}

func checkAssist(v *setup.Checks, path string, l *setup.Load) {
	v.Field(loadRows, path+".stackMass", "mass on the pin", l.StackMass, "kg", "With nothing on the pin the platform gives no help.")
	v.Field(loadRows, path+".ratio", "ratio of the machine", l.Ratio, "", "")
	if l.Contact.Segment != "thigh" {
		v.Add(path+".contact.segment", "The platform is under the knees.", "", "Give thigh, with the fraction 1.")
	}
	if l.Variable {
		v.Add(path+".variable", "The platform cannot be the load that is advised.", "More on its pin makes the exercise easier.", "Leave variable out.")
	}
}

func fitAssist(f *kit.Fitting, path string, _ *setup.Load) {
	if !slices.ContainsFunc(f.Room.Supports, func(s kit.Support) bool { return s.Kind == "platform" }) {
		f.Lacks(path, "This gym has no platform under the knees.", nil)
	}
}

func assistStack(d *setup.Document, i int) dial.Setting {
	l := &d.Loads[i]
	return withMasses(l, dial.Setting{Group: "loads", Label: "Taken off, on the pin", Kind: "mass", From: 2.5, To: max(d.Lifter.BodyMass, l.StackMass),
		Step: 2.5, Value: l.StackMass, Paint: "none", Paths: []string{dial.LoadPath(i, "stackMass")}})
}

// platform pushes up with the weight of its stack times the ratio, half of it under each knee. With the stack's inertia, which goes down as
// the lifter goes up, it pushes k m (g - k a) for an acceleration a upward, and never pulls.
type platform struct {
	mass, ratio float64 // kg under this knee; k
	at          contact
}

func newAssist(b *builder) (Source, *space.Vec) {
	p := &platform{mass: b.StackMass, ratio: b.Ratio, at: b.at}
	if b.pair {
		p.mass /= 2
	}
	return p, nil
}

func (p *platform) At(f *body.Frames) Pull {
	n := p.ratio * p.mass * Gravity
	up := space.Vec{Y: n}
	return Pull{Contact: p.at.in(f), Force: up, Lowering: up, Tension: n}
}

func (p *platform) Moving(f *body.Frames, _, a space.Vec) Pull {
	out := p.At(f)
	out.Tension = max(0, p.ratio*p.mass*(Gravity-p.ratio*a.Y))
	out.Force = space.Vec{Y: out.Tension}
	return out
}

func (p *platform) Energy(f *body.Frames) float64 { return -p.ratio * p.mass * Gravity * p.at.in(f).Y }

// Shape is the platform's front and back edge.
func (p *platform) Shape(f *body.Frames) []space.Vec {
	ahead := f.Station.Heading.Apply(space.Vec{X: platformHalf})
	at := p.at.in(f)
	at.Y -= kneeAbove * f.Body.Height
	return []space.Vec{r3.Sub(at, ahead), r3.Add(at, ahead)}
}

// Half of a platform's length, m, and how far the knee's middle is above it, share of stature (own).
const (
	platformHalf = 0.2
	kneeAbove    = 0.035
)
