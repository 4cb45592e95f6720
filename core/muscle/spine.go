package muscle

import (
	"math"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// obliqueAlong is the share of the oblique's pull that runs along the spine: its fibres lean by some 40 degrees (own).
const obliqueAlong = 0.77

// Squeeze is the least force, N, with which muscles of the trunk press the thorax on the pelvis while they give a torque in a pose,
// N·m in the pelvis' axes: the erectors or the rectus, with an oblique for what bends to the side beyond what one side of them holds. One
// muscle in front, behind and at the side is the usual way to estimate what a spine bears (McGill & Norman 1987, Ergonomics 30:1565-1588,
// from memory); muscles that brace against each other press it more. Rotation presses too, but is not counted.
func (m *Model) Squeeze(q *body.Pose, need space.Vec) float64 {
	axes := body.TrunkAxes(q)
	bends, aside := r3.Dot(need, axes[forward]), math.Abs(r3.Dot(need, axes[toRight]))
	oblique, obliqueAside := m.oblique.levers(q)
	least := math.Inf(1)
	for _, l := range [...]*trunkLine{m.erectors, m.rectus} {
		along, across := l.levers(q)
		det := along*obliqueAside - oblique*across
		pull, slant := (bends*obliqueAside-oblique*aside)/det, (along*aside-bends*across)/det
		if slant < 0 {
			pull, slant = bends/along, 0
		}
		if pull >= 0 {
			least = min(least, pull+obliqueAlong*slant)
		}
	}
	return least
}

// levers are the moment arms of a right half about the trunk's flexion and its bend to the right in a pose, m.
func (l *trunkLine) levers(q *body.Pose) (flexion, bend float64) {
	return l.scale * l.tables[forward].at(space.Deg(q[setup.TrunkFlexion])), l.scale * l.tables[toRight].at(space.Deg(q[setup.TrunkBend]))
}

// spineLines finds the lines by which Squeeze stands for all muscles of the trunk.
func (m *Model) spineLines() {
	for i := range m.trunk {
		l := &m.trunk[i]
		if l.side != body.Right {
			continue
		}
		switch l.key {
		case "erectors":
			m.erectors = l
		case "rectus_abd":
			m.rectus = l
		case "oblique_ext":
			m.oblique = l
		}
	}
}
