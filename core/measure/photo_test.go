package measure_test

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"dialarc/core/internal/check"
	"dialarc/core/measure"
)

// camera shows points (m: to the right, up, toward the camera from the rod's plane) at a distance through a pinhole, 1000 px per
// radian, with each placed wrong by an error.
func camera(distance, wrong float64, r *rand.Rand) func(x, y, z float64) measure.Mark {
	return func(x, y, z float64) measure.Mark {
		by := 2500 / (distance - z)
		return measure.Mark{X: 1000 + by*x + wrong*r.NormFloat64(), Y: 800 - by*(y-1) + wrong*r.NormFloat64()}
	}
}

// posed are the marks of a lifter whose arm, 31 and 25 cm long, is raised by 40 degrees and bent by 20, some way in front of a rod of 1 m.
func posed(see func(x, y, z float64) measure.Mark, nearer float64) measure.Photo {
	const shoulder = 1.40
	up, bent := 40*math.Pi/180, 60*math.Pi/180
	ex, ey := 0.31*math.Sin(up), shoulder-0.31*math.Cos(up)
	wx, wy := ex+0.25*math.Sin(bent), ey-0.25*math.Cos(bent)
	return measure.Photo{Known: []measure.Mark{see(0.9, 1, 0), see(0.9, 0, 0)}, Length: 1, Marks: map[string]measure.Mark{
		"shoulder": see(0, shoulder, nearer), "elbow": see(ex, ey, nearer), "wrist": see(wx, wy, nearer), "floor": see(0, 0, nearer),
		"axis": see(0.2, 1, nearer), "arm": see(0.2+0.3, 1, nearer), "ropeA": see(0.2-0.08, 1.5, nearer), "ropeB": see(0.2-0.08, 0.6, nearer)}}
}

// Without errors a photograph gives what is in it, also of what is nearer than the rod, once it is told by how much.
func TestPhotoAsItIs(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 1))
	for _, nearer := range []float64{0, 0.25, -0.3} {
		p := posed(camera(3.2, 0, r), nearer)
		p.Camera, p.Nearer = 3.2, nearer
		f, problems := measure.FitPhoto(p)
		if len(problems) > 0 || len(f.Lengths) != 3 || len(f.Angles) != 2 {
			t.Fatal(f, problems)
		}
		for i, want := range []float64{0.31, 0.25, 1.40} {
			check.Near(t, f.Lengths[i].Label, f.Lengths[i].Length, want, 1e-9)
		}
		check.Near(t, "arm raise", f.Angles[0].Deg, 40, 1e-9)
		check.Near(t, "elbow", f.Angles[1].Deg, 20, 1e-9)
		check.Near(t, "cam", f.Cam.Arm, 0.08, 1e-9)
		check.Near(t, "arm of the machine", f.Cam.AngleDeg, 90, 1e-9)
		check.Near(t, "larger", f.Larger, 3.2/(3.2-nearer)-1, 1e-12)
	}
	flat, _ := measure.FitPhoto(posed(camera(3.2, 0, r), 0.25))
	check.Near(t, "taken as in the rod's plane it reads long", flat.Lengths[0].Length/0.31, 3.2/2.95, 1e-9)
	if flat.Lengths[0].Off.Known() || flat.Lengths[0].Off.Why() == "" {
		t.Error("without a distance its error cannot be told")
	}
}

// Points placed wrong by a pixel, the rod's plane told wrong by a few centimetres: lengths, angles and the cam lie within what is said of
// them in 95 of 100 seeds.
func TestPhotoWithinItsSpread(t *testing.T) {
	const seeds = 1000
	within := map[string]int{}
	for seed := range uint64(seeds) {
		r := rand.New(rand.NewPCG(seed, 21))
		p := posed(camera(3.2, 0.9, r), 0.25+0.025*r.NormFloat64())
		p.Camera, p.Nearer = 3.2, 0.25
		f, problems := measure.FitPhoto(p)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		for i, want := range []float64{0.31, 0.25, 1.40} {
			if math.Abs(f.Lengths[i].Length-want) <= f.Lengths[i].Off.OrNaN() {
				within[f.Lengths[i].Label]++
			}
		}
		for i, want := range []float64{40, 20} {
			if math.Abs(f.Angles[i].Deg-want) <= f.Angles[i].Off {
				within[f.Angles[i].Label]++
			}
		}
		if math.Abs(f.Cam.Arm-0.08) <= f.Cam.Off.OrNaN() {
			within["cam"]++
		}
	}
	for _, what := range []string{"Upper arm", "Forearm", "Shoulder height", "Arm raise angle", "Elbow bend", "cam"} {
		if within[what] < 0.95*seeds {
			t.Errorf("%s: %d of %d", what, within[what], seeds)
		}
	}
}

// A leaning camera is told and taken out; what cannot be measured is said.
func TestPhotoTiltAndProblems(t *testing.T) {
	see := camera(3.2, 0, rand.New(rand.NewPCG(1, 1)))
	tilted := func(x, y, z float64) measure.Mark {
		m, sin, cos := see(x, y, z), math.Sin(0.05), math.Cos(0.05)
		return measure.Mark{X: 1000 + cos*(m.X-1000) - sin*(m.Y-800), Y: 800 + sin*(m.X-1000) + cos*(m.Y-800)}
	}
	f, problems := measure.FitPhoto(posed(tilted, 0))
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	check.Near(t, "tilt", math.Abs(f.TiltDeg), 0.05*180/math.Pi, 1e-9)
	check.Near(t, "arm raise", f.Angles[0].Deg, 40, 1e-9)
	for says, change := range map[string]func(*measure.Photo){
		"not marked":    func(p *measure.Photo) { p.Known = p.Known[:1] },
		"length is 0 m": func(p *measure.Photo) { p.Length = 0 },
		"pixels apart":  func(p *measure.Photo) { p.Known[1] = p.Known[0] },
		"0.1 m away":    func(p *measure.Photo) { p.Camera = 0.1 },
		"3 m nearer":    func(p *measure.Photo) { p.Camera, p.Nearer = 3.2, 3 },
	} {
		p := posed(see, 0)
		change(&p)
		if _, problems := measure.FitPhoto(p); len(problems) == 0 || !strings.Contains(problems[0].What, says) {
			t.Errorf("%s: %v", says, problems)
		}
	}
}
