package dialin

import (
	"math"

	"dialarc/core/setup"
)

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

// ownBand says whether a band may be of any length and strength: one of a room is what it is.
func ownBand(d *setup.Document, i int) bool {
	return d.Loads[i].Kit == nil || d.Loads[i].Kit.Item == ""
}

// lengths are those of what a room has to hold a cable or band with; none when it may be of any length.
func lengths(l *setup.Load) []float64 {
	if l.Kit == nil {
		return nil
	}
	return l.Kit.Lengths
}

func hasStrap(d *setup.Document, i int) bool { return !d.Loads[i].Shared }

// cuffed says whether a load sits on a cuff that can be pushed along the limb.
func cuffed(d *setup.Document, i int) bool { return d.Loads[i].Contact.Fraction != nil }

func onTwoFeet(d *setup.Document, _ int) bool {
	k := d.Posture.Kind
	return (k == "standing" || k == "hinged" || k == "kneeling" || k == "half-kneeling") && d.Posture.RootOf() != "hands" && !d.Movement.LegsMove()
}

// place is a dial of one coordinate of a place in the room, 1.5 m to both sides of the usual or as far as it is.
func place(label string, now float64, paths ...string) Setting {
	return Setting{Group: "loads", Label: label, Kind: "length", From: min(-1.5, math.Floor(now)), To: max(1.5, math.Ceil(now)), Step: 0.05, Value: now, Paths: paths}
}

func pulleyOut(d *setup.Document, i int) Setting {
	return place("Pulley out", d.Loads[i].Pulley.X, loadPath(i, "pulley.x"))
}

func pulleyAside(d *setup.Document, i int) Setting {
	return place("Pulley to the right", d.Loads[i].Pulley.Z, loadPath(i, "pulley.z"))
}

func anchorOut(d *setup.Document, i int) Setting {
	return place("Anchor out", d.Loads[i].Anchor.X, loadPath(i, "anchor.x"))
}

func anchorAside(d *setup.Document, i int) Setting {
	return place("Anchor to the right", d.Loads[i].Anchor.Z, loadPath(i, "anchor.z"))
}

func strap(d *setup.Document, i int) Setting {
	return Setting{Group: "loads", Label: "Handle and strap", Kind: "length", From: 0, To: 1, Step: 0.05, Value: d.Loads[i].AttachmentLength,
		Stops: lengths(&d.Loads[i]), Paths: []string{loadPath(i, "attachmentLength")}}
}

func strand(d *setup.Document, i int) Setting {
	return Setting{Group: "loads", Label: "Rope, each strand", Kind: "length", From: 0.1, To: 1.5, Step: 0.05, Value: d.Loads[i].StrandLength,
		Stops: lengths(&d.Loads[i]), Paths: []string{loadPath(i, "strandLength")}}
}

func cuffPlace(d *setup.Document, i int) Setting {
	return Setting{Group: "loads", Label: "Cuff along the limb", Kind: "share", From: 0.2, To: 1, Step: 0.05, Value: *d.Loads[i].Contact.Fraction,
		Paths: []string{loadPath(i, "contact.fraction"), loadPath(i, "contact")}}
}

func stanceAside(d *setup.Document, _ int) Setting {
	z := d.Posture.Z
	return Setting{Group: "body", Label: "To the right", Kind: "length", From: min(-1, math.Floor(z)), To: max(1, math.Ceil(z)), Step: 0.05, Value: z, Paths: []string{"posture.z"}}
}

func heading(d *setup.Document, _ int) Setting {
	return Setting{Group: "body", Label: "Turned to the left", Kind: "angle", From: -180, To: 180, Step: 15, Value: d.Posture.HeadingDeg, Paths: []string{"posture.headingDeg"}}
}

func seatHeight(d *setup.Document, _ int) Setting {
	h := d.Posture.SeatHeight
	if h == 0 {
		h = setup.DefaultSeat
	}
	return Setting{Group: "body", Label: "Seat height", Kind: "length", From: 0.2, To: 0.9, Step: 0.05, Value: h, Paths: []string{"posture.seatHeight"}}
}

func benchHeight(d *setup.Document, _ int) Setting {
	h := d.Bench.Height
	if h == 0 {
		h = setup.DefaultSeat
	}
	return Setting{Group: "body", Label: "Bench height", Kind: "length", From: 0.2, To: 1.1, Step: 0.05, Value: h, Paths: []string{"bench.height"}}
}

func feetApart(d *setup.Document, _ int) Setting {
	return Setting{Group: "body", Label: "Feet apart", Kind: "length", From: 0, To: 1, Step: 0.05, Value: d.Posture.FeetApart, Paint: "none", Paths: []string{"posture.feetApart", "posture.feet"}}
}
