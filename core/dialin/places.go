package dialin

import (
	"math"

	"dialarc/core/dial"
	"dialarc/core/setup"
)

func onTwoFeet(d *setup.Document, _ int) bool {
	k := d.Posture.Kind
	return (k == "standing" || k == "hinged" || k == "kneeling" || k == "half-kneeling") && d.Posture.RootOf() != "hands" &&
		!d.Movement.LegsMove()
}

func stanceAside(d *setup.Document, _ int) dial.Setting {
	z := d.Posture.Z
	return dial.Setting{Group: "body", Label: "To the right", Kind: "length", From: min(-1, math.Floor(z)), To: max(1, math.Ceil(z)),
		Step: 0.05, Value: z, Paths: []string{"posture.z"}}
}

func heading(d *setup.Document, _ int) dial.Setting {
	return dial.Setting{Group: "body", Label: "Turned to the left", Kind: "angle", From: -180, To: 180, Step: 15, Value: d.Posture.HeadingDeg,
		Paths: []string{"posture.headingDeg"}}
}

func seatHeight(d *setup.Document, _ int) dial.Setting {
	h := d.Posture.SeatHeight
	if h == 0 {
		h = setup.DefaultSeat
	}
	return dial.Setting{Group: "body", Label: "Seat height", Kind: "length", From: 0.2, To: 0.9, Step: 0.05, Value: h,
		Paths: []string{"posture.seatHeight"}}
}

func benchHeight(d *setup.Document, _ int) dial.Setting {
	h := d.Bench.Height
	if h == 0 {
		h = setup.DefaultSeat
	}
	return dial.Setting{Group: "body", Label: "Bench height", Kind: "length", From: 0.2, To: 1.1, Step: 0.05, Value: h,
		Paths: []string{"bench.height"}}
}

func feetApart(d *setup.Document, _ int) dial.Setting {
	return dial.Setting{Group: "body", Label: "Feet apart", Kind: "length", From: 0, To: 1, Step: 0.05, Value: d.Posture.FeetApart,
		Paint: "none", Paths: []string{"posture.feetApart", "posture.feet"}}
}
