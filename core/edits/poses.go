package edits

import (
	"cmp"
	"fmt"
	"maps"
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/movement"
	"dialarc/core/setup"
	"dialarc/core/space"
)

// nearestPoses is how near to each other two poses of a path may come, as a share of it (own).
const nearestPoses = 0.02

// WithPose is the document with one pose of its path changed: put at another place on the path (s, 0 to 1; the first and the last stay at
// its ends), taken out (drop), set beside one that is added (add, at a place s, as the path has it there), or with one of its coordinates
// at another angle, degrees, by its key in poses.
func WithPose(d *setup.Document, index int, what string, value float64) (setup.Document, setup.Problems) {
	c := d.Clone()
	frames := c.Movement.Keyframes
	last := len(frames) - 1
	at := fmt.Sprintf("movement.keyframes[%d]", index)
	refused := func(why, hint string) (setup.Document, setup.Problems) {
		return d.Clone(), setup.Problems{{Path: at, What: why, Hint: hint}}
	}
	switch {
	case c.Movement.Kind != "keyframes" || len(frames) < 2:
		return refused("The path is not given by poses.", "Set it pose by pose first.")
	case math.IsNaN(value) || math.IsInf(value, 0):
		return refused("That is not a number.", "Give a finite number.")
	case what == "add":
		return withPoseAt(d, value)
	case index < 0 || index > last:
		return refused(fmt.Sprintf("There is no pose %d.", index+1), "Count from the start of the lift.")
	case (what == "drop" || what == "s") && (index == 0 || index == last):
		return refused("The path needs its first and its last pose, at its ends.", "Change their angles instead.")
	case what == "drop":
		c.Movement.Keyframes = slices.Delete(frames, index, index+1)
		return c, nil
	case what == "s":
		low, high := frames[index-1].S+nearestPoses, frames[index+1].S-nearestPoses
		if value < low || value > high {
			return refused("A pose lies between its neighbours on the path.", fmt.Sprintf("Give %.0f to %.0f %%.", 100*low, 100*high))
		}
		frames[index].S = value
		return c, nil
	}
	if _, known := setup.CoordinateOf(what); !known {
		return refused("There is no joint coordinate "+setup.Clip(what)+".", "")
	}
	name(&c.Movement, what)
	frames[index].Pose[what] = value
	return c, nil
}

// name has every pose of a path name a coordinate, which is at first as it was held.
func name(m *setup.Movement, what string) {
	if _, named := m.Keyframes[0].Pose[what]; named {
		return
	}
	for i := range m.Keyframes {
		m.Keyframes[i].Pose[what] = m.Hold[what]
	}
	delete(m.Hold, what)
}

// armKeys are the coordinates of shoulder and elbow in poses.
var armKeys = []string{"shoulder.planeOfElevationDeg", "shoulder.elevationDeg", "shoulder.rotationDeg", "elbow.flexionDeg"}

// WithPoseLed is the document with the arm in one pose of its path led to a place in the room, m: by the hand, so that shoulder and elbow
// follow, or by the elbow, about the shoulder. What cannot be reached is pointed at.
func WithPoseLed(d *setup.Document, index int, by string, x, y, z float64) (setup.Document, setup.Problems) {
	c := d.Clone()
	m := &c.Movement
	refused := func(what, hint string) (setup.Document, setup.Problems) {
		return d.Clone(), setup.Problems{{Path: fmt.Sprintf("movement.keyframes[%d]", index), What: what, Hint: hint}}
	}
	switch place := []float64{x, y, z}; {
	case m.Kind != "keyframes" || index < 0 || index >= len(m.Keyframes):
		return refused(fmt.Sprintf("There is no pose %d.", index+1), "Set the path pose by pose first.")
	case by != "hand" && by != "elbow":
		return refused("An arm is led by hand or elbow.", "Give hand or elbow.")
	case slices.ContainsFunc(place, func(v float64) bool { return math.IsNaN(v) || math.Abs(v) > 10 }):
		return refused("That place is not in the room.", "Give metres, within 10 of the middle.")
	case d.Posture.RootOf() == "hands":
		return refused("The hands stay in place and the body moves.", "Turn its angles instead.")
	}
	b := body.New(&c.Lifter)
	st := b.Settle(&c.Posture, c.Bench, m)
	path := movement.New(&c, &b, &st)
	at, s := space.Vec{X: x, Y: y, Z: z}, m.Keyframes[index].S
	var q body.Pose
	if by == "hand" {
		q, _ = path.Reaching(s, at)
	} else {
		q = path.Pointing(s, at)
	}
	for _, key := range armKeys {
		name(m, key)
		k, _ := setup.CoordinateOf(key)
		info := &setup.Coordinates[k]
		m.Keyframes[index].Pose[key] = max(info.Least, min(info.Most, tenth(space.Deg(q[k]))))
	}
	return c, nil
}

func tenth(x float64) float64 { return math.Round(10*x) / 10 }

// withPoseAt adds a pose at a place on the path, as the path has it there.
func withPoseAt(d *setup.Document, s float64) (setup.Document, setup.Problems) {
	c := d.Clone()
	near := func(f setup.Keyframe) bool { return math.Abs(f.S-s) < nearestPoses }
	if s <= 0 || s >= 1 || slices.ContainsFunc(c.Movement.Keyframes, near) {
		return c, setup.Problems{{Path: "movement.keyframes", What: fmt.Sprintf("There is a pose near %.0f %% of the path already.", 100*s),
			Hint: "Choose a place between two poses."}}
	}
	keys := slices.Collect(maps.Keys(c.Movement.Keyframes[0].Pose))
	c.Movement.Keyframes = append(c.Movement.Keyframes, setup.Keyframe{S: s, Pose: only(posed(d, s)[0], keys)})
	slices.SortFunc(c.Movement.Keyframes, func(a, b setup.Keyframe) int { return cmp.Compare(a.S, b.S) })
	return c, nil
}

// startPoses are the places on a path at which it is taken down when it is to be set pose by pose (own).
var startPoses = []float64{0, 0.15, 0.3, 0.5, 0.7, 0.85, 1}

// asPoses is the document with its path given pose by pose: what a sweep, a line or an arc comes to at a few places.
func asPoses(d *setup.Document) (setup.Document, setup.Problems) {
	c := d.Clone()
	m := &c.Movement
	switch {
	case m.Kind == "keyframes":
		return c, nil
	case m.Kind == "hold":
		return c, setup.Problems{{Path: "movement.kind", What: "One pose is held.", Hint: "Change the angles that are held."}}
	case d.HandleLeads():
		return c, setup.Problems{{Path: "movement.kind", What: "The machine's handle leads the hand.", Hint: "Move the lifter or the machine instead."}}
	case d.Posture.RootOf() == "hands" && d.Posture.Kind == "prone":
		return c, setup.Problems{{Path: "movement.kind", What: "The hands stay on the floor, so the path follows from them.", Hint: "Change how far the shoulders come down to the floor instead."}}
	case m.InLine != "":
		return c, setup.Problems{{Path: "movement.inLine", What: "The forearm follows the cable all along.", Hint: "Change the line of pull instead."}}
	}
	poses := posed(d, startPoses...)
	m.Kind, m.Primary, m.FromDeg, m.ToDeg, m.StartPlane, m.Guide = "keyframes", "", 0, 0, nil, nil
	m.NoSpin, m.Natural, m.Keyframes = false, false, nil
	_, led := d.Led()
	keys := slices.DeleteFunc(moved(poses), func(key string) bool {
		return slices.ContainsFunc(led, func(c setup.Coordinate) bool { return c.PoseKey() == key })
	})
	for i, s := range startPoses {
		m.Keyframes = append(m.Keyframes, setup.Keyframe{S: s, Pose: only(poses[i], keys)})
	}
	for _, key := range keys {
		delete(m.Hold, key)
	}
	return c, nil
}

// moved are the keys of the coordinates that differ between poses.
func moved(poses []map[string]float64) []string {
	var keys []string
	for key, first := range poses[0] {
		if slices.ContainsFunc(poses, func(p map[string]float64) bool { return math.Abs(p[key]-first) > 0.5 }) {
			keys = append(keys, key)
		}
	}
	return keys
}

// only is a pose of some of its coordinates.
func only(pose map[string]float64, keys []string) map[string]float64 {
	out := map[string]float64{}
	for _, key := range keys {
		out[key] = pose[key]
	}
	return out
}

// posed are the poses of the moving side at places on a path, degrees, to a tenth.
func posed(d *setup.Document, places ...float64) []map[string]float64 {
	b := body.New(&d.Lifter)
	st := b.Settle(&d.Posture, d.Bench, &d.Movement)
	path := movement.New(d, &b, &st)
	var f body.Frames
	out := make([]map[string]float64, len(places))
	for i, s := range places {
		path.Place(s, &f)
		out[i] = map[string]float64{}
		for k, angle := range f.Pose[path.Lead()] {
			out[i][setup.Coordinate(k).PoseKey()] = tenth(space.Deg(angle))
		}
	}
	return out
}
