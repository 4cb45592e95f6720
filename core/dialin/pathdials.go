package dialin

import (
	"math"

	"dialarc/core/dial"
	"dialarc/core/load"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// oneSided says whether one side works, so that standing to a side means something.
func oneSided(d *setup.Document, _ int) bool { return d.Movement.Side != "both" }

// hasLine says whether something pulls from a place in the room, so that it matters where the lifter stands and faces.
func hasLine(d *setup.Document, _ int) bool {
	for i := range d.Loads {
		if load.Of(&d.Loads[i]).From != "" {
			return true
		}
	}
	return false
}

func lineGuide(d *setup.Document, _ int) bool {
	g := d.Movement.Guide
	return g != nil && g.Kind == "line" && g.End != nil && *g.End != g.Start
}

func arcGuide(d *setup.Document, _ int) bool {
	return d.Movement.Guide != nil && d.Movement.Guide.Kind == "arc"
}

func vecOf(p *setup.Point) space.Vec { return space.Vec{X: p.X, Y: p.Y, Z: p.Z} }

// guideTravel is how far the hand goes along its line.
func guideTravel(d *setup.Document, _ int) dial.Setting {
	g := d.Movement.Guide
	way := space.Norm(r3.Sub(vecOf(g.End), vecOf(&g.Start)))
	return dial.Setting{Group: "path", Label: "Travel of the hand", Kind: "length", From: 0.1, To: max(0.9, math.Ceil(10*way)/10), Step: 0.02,
		Value: way,
		Paths: []string{"movement.guide.end"}}
}

func setGuideTravel(d *setup.Document, _ int, v float64) {
	g := d.Movement.Guide
	start := vecOf(&g.Start)
	end := r3.Add(start, r3.Scale(v, r3.Unit(r3.Sub(vecOf(g.End), start))))
	g.End = &setup.Point{X: end.X, Y: end.Y, Z: end.Z}
}

// guideTurn is how far the hand goes round its arc.
func guideTurn(d *setup.Document, _ int) dial.Setting {
	turn := math.Abs(d.Movement.Guide.TurnDeg)
	return dial.Setting{Group: "path", Label: "Turn of the hand", Kind: "angle", From: 10, To: max(150, 10*math.Ceil(turn/10)), Step: 5,
		Value: turn,
		Paths: []string{"movement.guide.turnDeg"}}
}

func setGuideTurn(d *setup.Document, _ int, v float64) {
	d.Movement.Guide.TurnDeg = math.Copysign(v, d.Movement.Guide.TurnDeg)
}

// widest is the coordinate that moves most along keyframes; -1 where none moves.
func widest(d *setup.Document) (key string, at int) {
	frames := d.Movement.Keyframes
	if d.Movement.Kind != "keyframes" || len(frames) < 2 {
		return "", -1
	}
	most := 1.0 // degrees
	at = -1
	first, last := frames[0].Pose, frames[len(frames)-1].Pose
	for c := range setup.Coordinates {
		posed := setup.Coordinate(c).PoseKey()
		if by := math.Abs(last[posed] - first[posed]); by > most {
			most, key, at = by, posed, c
		}
	}
	return key, at
}

func hasWidest(d *setup.Document, _ int) bool { _, c := widest(d); return c >= 0 }

// poseEnd is the angle at one end of keyframes of the coordinate that moves most.
func poseEnd(last bool) func(*setup.Document, int) dial.Setting {
	return func(d *setup.Document, _ int) dial.Setting {
		key, c := widest(d)
		info, frames := &setup.Coordinates[c], d.Movement.Keyframes
		s := dial.Setting{Group: "path", Kind: "angle", From: max(info.Least, 5*math.Floor(info.OwnFrom/5)),
			To: min(info.Most, 5*math.Ceil(info.OwnTo/5)), Step: 5, Paths: []string{"movement.keyframes"}}
		s.Label, s.Value = info.Title()+" at the start", frames[0].Pose[key]
		if last {
			s.Label, s.Value = info.Title()+" at the end", frames[len(frames)-1].Pose[key]
		}
		s.From, s.To = min(s.From, 5*math.Floor(s.Value/5)), max(s.To, 5*math.Ceil(s.Value/5))
		return s
	}
}

// setPoseEnd moves one end; the poses between keep their shares of the way, and the other end stays.
func setPoseEnd(last bool) func(*setup.Document, int, float64) {
	return func(d *setup.Document, _ int, v float64) {
		key, c := widest(d)
		if c < 0 {
			return
		}
		frames := d.Movement.Keyframes
		from, to := frames[0].Pose[key], frames[len(frames)-1].Pose[key]
		newFrom, newTo := v, to
		if last {
			newFrom, newTo = from, v
		}
		for i := range frames {
			frames[i].Pose[key] = newFrom + (frames[i].Pose[key]-from)*(newTo-newFrom)/(to-from)
		}
	}
}
