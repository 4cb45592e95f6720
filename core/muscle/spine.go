package muscle

import (
	"math"

	"dialarc/core/body"
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
	oblique := m.rightHalf("oblique_ext", q)
	least := math.Inf(1)
	for _, key := range [...]string{"erectors", "rectus_abd"} {
		main := m.rightHalf(key, q)
		along, across := main.arms[forward], main.arms[toRight]
		det := along*oblique.arms[toRight] - oblique.arms[forward]*across
		pull, slant := (bends*oblique.arms[toRight]-oblique.arms[forward]*aside)/det, (along*aside-bends*across)/det
		if slant < 0 {
			pull, slant = bends/along, 0
		}
		if pull >= 0 {
			least = min(least, pull+obliqueAlong*slant)
		}
	}
	return least
}

// rightHalf is the right half of a muscle of the trunk, laid in a pose.
func (m *Model) rightHalf(key string, q *body.Pose) *trunkLine {
	for i := range m.trunk {
		if l := &m.trunk[i]; l.key == key && l.side == body.Right {
			l.lay(q)
			return l
		}
	}
	panic("no such muscle of the trunk: " + key)
}
