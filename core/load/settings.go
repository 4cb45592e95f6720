package load

import (
	"math"

	"dialarc/core/dial"
	"dialarc/core/setup"
)

// What the dials of several kinds have in common.

// placed says whether a load has the place that it starts from, which an unsound document may lack.
func placed(d *setup.Document, i int) bool {
	l := &d.Loads[i]
	return Of(l).From == "" || Start(l) != nil
}

// both says whether two conditions hold.
func both(a, b func(*setup.Document, int) bool) func(*setup.Document, int) bool {
	return func(d *setup.Document, i int) bool { return a(d, i) && b(d, i) }
}

// apartTogether says whether a load has a mirrored twin at a distance from it.
func apartTogether(d *setup.Document, i int) bool {
	l := &d.Loads[i]
	return !l.Shared && d.Movement.Side == "both" && l.Contact.Segment != "trunk"
}

// atWall says whether a pulley belongs to no station, so that it can stand anywhere.
func atWall(d *setup.Document, i int) bool {
	k := d.Loads[i].Kit
	return k == nil || k.Station == ""
}

// single says whether a load has no twin that is moved apart with it.
func single(d *setup.Document, i int) bool {
	return !apartTogether(d, i) && (atWall(d, i) || d.Loads[i].Kind == setup.Band)
}

// apartFreely says whether two columns or pulleys may be moved apart: those of a room stand where they stand.
func apartFreely(d *setup.Document, i int) bool {
	k := d.Loads[i].Kit
	return apartTogether(d, i) && (k == nil || k.Spec == nil)
}

// setApart moves a place to half the distance from the middle, on the side where it is. One in the middle goes behind
// the opposite hand.
func setApart(z *float64, side string, v float64) {
	sign := 1.0
	if *z < 0 || (*z == 0 && side == "right") {
		sign = -1
	}
	*z = sign * v / 2
}

// place is a dial of one coordinate of a place in the room, 1.5 m to both sides of the usual or as far as it is.
func place(label string, now float64, paths ...string) dial.Setting {
	return dial.Setting{Group: "loads", Label: label, Kind: "length", From: min(-1.5, math.Floor(now)), To: max(1.5, math.Ceil(now)),
		Step: 0.05, Value: now, Paths: paths}
}

// heaviest is the end of a load's dial: a fifth of body mass in the hand, which is more than anybody raises on a straight
// arm (own), or twice the load that is there.
func heaviest(d *setup.Document, step, ratio, now float64) float64 {
	usual := 0.2 * d.Lifter.BodyMass / max(ratio, 0.05)
	if d.Movement.Kind != "shoulder-raise" {
		usual = max(usual, 2*now)
	}
	return max(now, math.Ceil(usual/step)*step)
}

// upTo are the values of a rising list up to a limit, two at least.
func upTo(list []float64, limit float64) []float64 {
	for i, v := range list {
		if v > limit+1e-9 && i >= 2 {
			return list[:i]
		}
	}
	return list
}

// withMasses gives a load's dial the masses that the kit has.
func withMasses(l *setup.Load, s dial.Setting) dial.Setting {
	if l.Kit != nil {
		s.Stops = upTo(l.Kit.Masses, s.To)
	}
	return s
}
