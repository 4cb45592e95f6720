// Package movement turns the movement of a document into joint coordinates along the path s in [0, 1], which runs in
// the direction of lifting.
package movement

import (
	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
)

// Path gives the coordinates of both arms at every place along the repetition.
type Path struct {
	moves  [2]bool // by body.Side
	curves [setup.NumCoordinates]*interp.FritschButland
	fixed  body.Arm
}

// hanging is the pose of an arm that takes no part: a little off the body, radians (own).
var hanging = body.Arm{setup.ShoulderElevation: space.Rad(6), setup.ElbowFlexion: space.Rad(8)}

// New reads a movement that has been validated. Coordinates that the movement does not name are zero. Between keyframes
// the coordinates follow the piecewise cubic that never overshoots (Fritsch & Butland 1984, SIAM J Sci Stat Comput
// 5:300-304); two keyframes give a straight line.
func New(m *setup.Movement) *Path {
	p := &Path{}
	p.moves[body.Right] = m.Side != "left"
	p.moves[body.Left] = m.Side != "right"
	if m.Kind == "keyframes" {
		p.fromKeyframes(m.Keyframes)
		return p
	}
	for key, deg := range m.Hold {
		if c, ok := setup.CoordinateOf(key); ok {
			p.fixed[c] = space.Rad(deg)
		}
	}
	p.curves[setup.ShoulderElevation] = fit([]float64{0, 1}, []float64{space.Rad(m.FromDeg), space.Rad(m.ToDeg)})
	return p
}

func (p *Path) fromKeyframes(frames []setup.Keyframe) {
	s := make([]float64, len(frames))
	for i, f := range frames {
		s[i] = f.S
	}
	for key := range frames[0].Pose {
		c, ok := setup.CoordinateOf(key)
		if !ok {
			continue
		}
		angles := make([]float64, len(frames))
		for i, f := range frames {
			angles[i] = space.Rad(f.Pose[key])
		}
		p.curves[c] = fit(s, angles)
	}
}

func fit(x, y []float64) *interp.FritschButland {
	var c interp.FritschButland
	if err := c.Fit(x, y); err != nil { // validated keyframes always fit
		panic("movement: " + err.Error())
	}
	return &c
}

// At writes the joint coordinates of both arms at s (radians) and their rates per unit s. An arm that takes no part
// hangs still. Beyond its ends the path goes straight on, so that differences can be taken there.
func (p *Path) At(s float64, arms, rates *[2]body.Arm) {
	q, dq := p.fixed, body.Arm{}
	within := min(max(s, 0), 1)
	for c, curve := range p.curves {
		if curve != nil {
			dq[c] = curve.PredictDerivative(within)
			q[c] = curve.Predict(within) + (s-within)*dq[c]
		}
	}
	for side, moves := range p.moves {
		if moves {
			arms[side], rates[side] = q, dq
		} else {
			arms[side], rates[side] = hanging, body.Arm{}
		}
	}
}

// Lead is the side that the profile is read from: the left only when it moves alone.
func (p *Path) Lead() body.Side {
	if p.moves[body.Right] {
		return body.Right
	}
	return body.Left
}

// Both says whether both arms move, so that one-sided loads are mirrored.
func (p *Path) Both() bool { return p.moves[body.Right] && p.moves[body.Left] }
