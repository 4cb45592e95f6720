package evaluate

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// surfaces notes what the surfaces of a leg's joints hold: what loads and weights put on the outer side, and the pull of the muscles. These
// are taken to run along the thigh across the hip, quadriceps and calf along the shin across the knee, the hamstrings along the thigh, the
// calf along the shin across the ankle. Where something else holds a joint its force is not known.
func (w *work) surfaces(i int, a *muscle.Answer) {
	out := &w.out
	for _, c := range []report.Curve{out.Hip, out.Knee, out.Kneecap, out.Ankle} {
		c[i] = math.NaN()
	}
	if !w.joint.Leg() {
		return
	}
	q := &w.rep.Pose[i]
	oneLegged := w.o.station.Root == body.OnFoot && !w.aside // what holds the pelvis level is not in the answer
	if (w.joint == body.HipR || !w.rests) && !oneLegged {
		_, on := w.at(body.HipR, i, 1)
		thigh := space.RotZ(q[setup.HipFlexion])
		if w.aside {
			led := space.RotX(-q[setup.HipAbduction])
			thigh = led.Mul(&thigh)
		}
		out.Hip[i] = space.Norm(r3.Add(on, thigh.Apply(space.Vec{Y: a.Legs.Hip})))
	}
	if w.joint == body.HipR && w.aside {
		return
	}
	if _, on := w.at(body.KneeR, i, 1); on != (space.Vec{}) && !w.knee {
		shin := space.RotZ(-q[setup.KneeFlexion])
		pull := r3.Add(space.Vec{Y: a.Legs.Hamstrings}, shin.Apply(space.Vec{Y: a.Legs.Quadriceps + a.Legs.Calf}))
		out.Knee[i] = space.Norm(r3.Add(on, pull))
		out.Kneecap[i] = a.Legs.Quadriceps * kneecapShare(space.Deg(q[setup.KneeFlexion]))
	}
	if w.joint == body.AnkleR {
		_, on := w.at(body.AnkleR, i, 1)
		out.Ankle[i] = space.Norm(r3.Add(on, space.Vec{Y: a.Legs.Ankle}))
	}
}

// spine notes what presses on the low back: weights and loads above it, and the muscles that hold them. Nobody knows what a pad or a hand
// that holds on takes off it, nor how hard muscles brace against a rotation.
func (w *work) spine() {
	unknown := w.joint.Trunk() && w.o.rep.Name == setup.TrunkRotation
	unknown = unknown || w.o.station.Carried || w.o.doc.Posture.SupportHand != nil
	for i := range w.out.Spine {
		if w.out.Spine[i] = math.NaN(); !unknown {
			w.out.Spine[i] = w.rep.SpineAlong[i] + w.model.Squeeze(&w.rep.Pose[i], w.rep.Spine[i])
		}
	}
}

// kneecapShare is the force between kneecap and thigh over the pull of the quadriceps, at a flexion of the knee in degrees: a fit to van
// Eijden et al. 1986 (J Biomech 19:219-229), as Brechter & Powers 2002 (Med Sci Sports Exerc 34:1582-1593) give it, from memory; beyond 120
// degrees, where it was not measured, it stays.
func kneecapShare(flexion float64) float64 {
	x := max(0, min(120, flexion))
	return (0.462 + 0.00147*x - 0.0000384*x*x) / (1 - 0.0162*x + 0.000155*x*x - 0.000000698*x*x*x)
}
