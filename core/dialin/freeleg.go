package dialin

import (
	"dialarc/core/dial"
	"dialarc/core/setup"
)

// The coordinates of a free leg that have dials.
const (
	hipKey  = "hip.flexionDeg"
	kneeKey = "knee.flexionDeg"
)

func freeLeg(d *setup.Document, _ int) bool { return d.FreeLeg() }

// freeLegAt is a dial of how the leg is that is not stood on, at the start or, where the hip swings it, at the end of the path.
func freeLegAt(label, key string, from, to float64, atEnd bool) func(*setup.Document, int) dial.Setting {
	return func(d *setup.Document, _ int) dial.Setting {
		return dial.Setting{Group: "body", Label: label, Kind: "angle", From: from, To: to, Step: 5, Value: freeAngle(d, key, atEnd),
			Paint: "none", Paths: []string{"movement.other.start." + key, "movement.other"}}
	}
}

// freeAngle is a coordinate of the free leg at an end of the path, degrees.
func freeAngle(d *setup.Document, key string, atEnd bool) float64 {
	if o := d.Movement.Other; o != nil {
		if v, named := o.End[key]; named && atEnd {
			return v
		}
		if v, named := o.Start[key]; named {
			return v
		}
	}
	if key == kneeKey {
		return setup.FreeKneeDeg
	}
	return 0
}

// setFreeLeg poses it: the hip at one end of the path, the knee all along.
func setFreeLeg(key string, atEnd bool) func(*setup.Document, int, float64) {
	return func(d *setup.Document, _ int, v float64) {
		start, end := freeAngle(d, key, false), freeAngle(d, key, true)
		if d.Movement.Other == nil {
			d.Movement.Other = &setup.OtherSide{Start: map[string]float64{}}
		}
		o := d.Movement.Other
		switch {
		case key == kneeKey:
			start, end = v, v
		case atEnd:
			end = v
		default:
			start = v
		}
		o.Start[key] = start
		if delete(o.End, key); start == end {
			return
		}
		if o.End == nil {
			o.End = map[string]float64{}
		}
		o.End[key] = end
	}
}
