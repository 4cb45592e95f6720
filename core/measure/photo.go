package measure

import (
	"fmt"
	"math"

	"dialarc/core/metric"
	"dialarc/core/setup"
)

// Mark is a point on a photograph, pixels from the left and from the top.
type Mark struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// Photo is a photograph taken square-on, with a known length in it and points that were marked.
type Photo struct {
	Known  []Mark          `json:"known" doc:"The two ends of what has a known length; the second is the lower one where it stands upright."`
	Length float64         `json:"length" doc:"Its length, m." minimum:"0.05" maximum:"5"`
	Camera float64         `json:"camera" doc:"From the camera to it, m; 0 when that is not known." minimum:"0" maximum:"50"`
	Nearer float64         `json:"nearer" doc:"By how much what is measured is nearer to the camera, m." minimum:"-2" maximum:"2"`
	Marks  map[string]Mark `json:"marks" doc:"shoulder, elbow, wrist, hip, knee, floor; of a machine axis, arm, ropeA, ropeB."`
}

// PhotoFit is what marks on a photograph come to.
type PhotoFit struct {
	TiltDeg float64       `json:"tiltDeg" doc:"How far the known length leans from the upright of the picture, degrees."`
	Larger  float64       `json:"larger" doc:"By what share things look larger for being nearer; it is taken out."`
	Lengths []PhotoLength `json:"lengths"`
	Angles  []PhotoAngle  `json:"angles"`
	Cam     *PhotoCam     `json:"cam,omitempty"`
}

// PhotoLength is a length of the body.
type PhotoLength struct {
	Key    string        `json:"key" doc:"As in a lifter's lengths."`
	Label  string        `json:"label"`
	Length float64       `json:"length" doc:"m."`
	Off    metric.Metric `json:"off" doc:"How far it could be off at 95 %, m."`
	Points float64       `json:"points" doc:"That by placing its points, m."`
	Rod    float64       `json:"rod" doc:"That by the known length, m."`
	Depth  metric.Metric `json:"depth" doc:"That by how much nearer it is, m."`
}

// PhotoAngle is an angle in the picture.
type PhotoAngle struct {
	Key   string  `json:"key" enum:"armRaise,elbow,knee,hip"`
	Label string  `json:"label"`
	Deg   float64 `json:"deg"`
	Off   float64 `json:"off" doc:"How far it could be off at 95 %, degrees."`
}

// PhotoCam is a cam's moment arm at one angle of the machine's arm.
type PhotoCam struct {
	AngleDeg float64       `json:"angleDeg" doc:"Of the machine's arm from hanging, degrees."`
	Arm      float64       `json:"arm" doc:"From the axis square to the rope, m."`
	Off      metric.Metric `json:"off" doc:"How far it could be off at 95 %, m."`
}

// Own estimates, at 95 %.
const (
	placed   = 2.0   // px, of a point in one direction
	rodOff   = 0.002 // m, of a known length by tape
	depthOff = 0.05  // m, of how much nearer something is
	leastRod = 20.0  // px that it has to span
	upright  = 30.0  // degrees from upright, from which the known length gives no vertical
)

// photoLengths are the lengths by their two marks; those to the floor are upright.
var photoLengths = []struct {
	key, label, a, b string
}{{"upperArm", "Upper arm", "shoulder", "elbow"}, {"forearm", "Forearm", "elbow", "wrist"}, {"shoulderHeight", "Shoulder height", "shoulder", "floor"},
	{"hipHeight", "Hip height", "hip", "floor"}, {"kneeHeight", "Knee height", "knee", "floor"}}

// FitPhoto works out lengths and angles. A pinhole camera at a distance D shows what is nearer by z larger by D / (D - z) (Hartley and
// Zisserman, Multiple View Geometry, chapter 6, from memory): that is taken out, and how far z could be off goes into the spread. Without
// a distance
// that part of the spread is not known.
func FitPhoto(p Photo) (*PhotoFit, setup.Problems) {
	v := &setup.Checks{}
	if len(p.Known) != 2 {
		v.Add("known", "The known length is not marked.", "Everything is measured by it.", "Mark both its ends.")
		return nil, v.Found
	}
	rod := apart(p.Known[0], p.Known[1])
	switch {
	case !(p.Length >= 0.05 && p.Length <= 5):
		v.Add("length", fmt.Sprintf("The known length is %.3g m.", p.Length), "", "Give 0.05 to 5 m.")
	case rod < leastRod:
		v.Add("known", fmt.Sprintf("Its ends are %.0f pixels apart.", rod), "A pixel more or less would be too much of that.", "Mark them farther apart, or take a larger picture.")
	case p.Camera != 0 && !(p.Camera > 0.3 && p.Camera <= 50):
		v.Add("camera", fmt.Sprintf("The camera is %.3g m away.", p.Camera), "", "Give 0.3 to 50 m, or leave it out.")
	case p.Camera != 0 && !(p.Nearer < 0.8*p.Camera && p.Nearer >= -2):
		v.Add("nearer", fmt.Sprintf("It is %.3g m nearer than what is known.", p.Nearer), "It would be at the camera.", "Give how much nearer, in metres.")
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	f := photoFitter{Photo: p, scale: p.Length / rod, rod: rod}
	f.down = Mark{(p.Known[1].X - p.Known[0].X) / rod, (p.Known[1].Y - p.Known[0].Y) / rod}
	out := &PhotoFit{TiltDeg: degrees(math.Atan2(f.down.X, f.down.Y)), Lengths: []PhotoLength{}, Angles: []PhotoAngle{}}
	if math.Abs(out.TiltDeg) > upright { // it lies: the picture's own upright has to do
		f.down, out.TiltDeg = Mark{0, 1}, 0
	}
	if p.Camera > 0 {
		out.Larger = p.Camera/(p.Camera-p.Nearer) - 1
		f.scale /= 1 + out.Larger
	}
	for _, l := range photoLengths {
		if length, ok := f.length(l.key, l.label, l.a, l.b); ok {
			out.Lengths = append(out.Lengths, length)
		}
	}
	out.Angles = f.angles()
	out.Cam = f.cam()
	return out, nil
}

type photoFitter struct {
	Photo
	scale, rod float64 // m per px where it is measured; px
	down       Mark    // unit
}

func (f *photoFitter) length(key, label, a, b string) (PhotoLength, bool) {
	p, okA := f.Marks[a]
	q, okB := f.Marks[b]
	if !okA || !okB {
		return PhotoLength{}, false
	}
	px := apart(p, q)
	if b == "floor" {
		px = math.Abs((q.X-p.X)*f.down.X + (q.Y-p.Y)*f.down.Y)
	}
	out := PhotoLength{Key: key, Label: label, Length: px * f.scale, Points: placed * math.Sqrt2 * f.scale}
	out.Rod = out.Length * math.Hypot(placed*math.Sqrt2/f.rod, rodOff/f.Photo.Length)
	out.Depth, out.Off = f.off(out.Length, math.Hypot(out.Points, out.Rod))
	return out, true
}

// off joins a spread with that of how much nearer something is.
func (f *photoFitter) off(length, other float64) (depth, off metric.Metric) {
	if f.Camera == 0 {
		why := metric.Missing("How far the camera was away is not given, so this cannot be told.")
		return why, why
	}
	by := length * depthOff / (f.Camera - f.Nearer)
	return metric.Known(by), metric.Known(math.Hypot(by, other))
}

func (f *photoFitter) angles() []PhotoAngle {
	out := []PhotoAngle{}
	add := func(key, label string, deg, px float64) {
		out = append(out, PhotoAngle{key, label, deg, degrees(math.Atan(placed * px))})
	}
	// Of a bend the mark in the middle moves both directions, against each other.
	bend := func(m []Mark) float64 {
		a, b := 1/math.Max(1, apart(m[0], m[1])), 1/math.Max(1, apart(m[1], m[2]))
		return math.Sqrt(a*a + b*b + (a+b)*(a+b))
	}
	at := func(names ...string) ([]Mark, bool) {
		var list []Mark
		for _, n := range names {
			m, ok := f.Marks[n]
			if !ok {
				return nil, false
			}
			list = append(list, m)
		}
		return list, true
	}
	if m, ok := at("shoulder", "elbow"); ok {
		add("armRaise", "Arm raise angle", turn(f.down, toward(m[0], m[1])), math.Sqrt2*math.Hypot(1/math.Max(1, apart(m[0], m[1])), 1/f.rod))
	}
	if m, ok := at("shoulder", "elbow", "wrist"); ok {
		add("elbow", "Elbow bend", turn(toward(m[0], m[1]), toward(m[1], m[2])), bend(m))
	}
	if m, ok := at("shoulder", "hip", "knee"); ok {
		add("hip", "Hip bend", turn(toward(m[0], m[1]), toward(m[1], m[2])), bend(m))
	}
	return out
}

func (f *photoFitter) cam() *PhotoCam {
	axis, okA := f.Marks["axis"]
	arm, okB := f.Marks["arm"]
	a, okC := f.Marks["ropeA"]
	b, okD := f.Marks["ropeB"]
	span := apart(a, b)
	if !okA || !okB || !okC || !okD || span < 1 || apart(axis, arm) < 1 {
		return nil
	}
	along := toward(a, b)
	px := math.Abs((axis.X-a.X)*along.Y - (axis.Y-a.Y)*along.X)
	out := &PhotoCam{AngleDeg: turn(f.down, toward(axis, arm)), Arm: px * f.scale}
	turned := apart(axis, a) * placed * math.Sqrt2 / span // the rope's direction, at the axis
	points := f.scale * math.Hypot(placed*math.Sqrt2, turned)
	_, out.Off = f.off(out.Arm, math.Hypot(points, out.Arm*math.Hypot(placed*math.Sqrt2/f.rod, rodOff/f.Photo.Length)))
	return out
}

func apart(a, b Mark) float64 { return math.Hypot(a.X-b.X, a.Y-b.Y) }

func toward(a, b Mark) Mark {
	d := math.Max(1e-9, apart(a, b))
	return Mark{(b.X - a.X) / d, (b.Y - a.Y) / d}
}

// turn is the angle between two directions, degrees.
func turn(a, b Mark) float64 {
	return degrees(math.Atan2(math.Abs(a.X*b.Y-a.Y*b.X), a.X*b.X+a.Y*b.Y))
}

func degrees(rad float64) float64 { return rad * 180 / math.Pi }
