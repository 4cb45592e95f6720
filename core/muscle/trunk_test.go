package muscle

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/diff/fd"
	"gonum.org/v1/gonum/spatial/r3"
)

func trunkPose(r *rand.Rand) body.Pose {
	span := func(low, high float64) float64 { return space.Rad(low + (high-low)*r.Float64()) }
	return body.Pose{setup.TrunkFlexion: span(-20, 55), setup.TrunkBend: span(-30, 30), setup.TrunkRotation: span(-40, 40)}
}

// A line of the trunk is as much shorter as its moment arms say, in every direction and on both sides: -dl/dq is the arm.
func TestTrunkExcursion(t *testing.T) {
	r := rand.New(rand.NewPCG(61, 62))
	b := reference()
	m := New(&b)
	for range 200 {
		q := trunkPose(r)
		for i := range m.trunk {
			l := &m.trunk[i]
			l.lay(&q)
			for k, c := range [trunkRows]setup.Coordinate{setup.TrunkFlexion, setup.TrunkBend, setup.TrunkRotation} {
				length := fd.Derivative(func(x float64) float64 {
					moved := q
					moved[c] += x
					return l.normalised(&moved) * l.fibreOpt
				}, 0, &fd.Settings{Formula: fd.Central, Step: 1e-5})
				check.Near(t, fmt.Sprintf("%s of side %d, direction %d", l.key, l.side, k), -length, l.arms[k]/l.scale, 5e-6)
			}
		}
	}
}

// What the trunk's muscles give and what is left over is the need, in any pose; the mirrored need in the mirrored pose asks the same of the
// same muscles.
func TestTrunkGivesTheNeed(t *testing.T) {
	r := rand.New(rand.NewPCG(63, 64))
	b := reference()
	m := New(&b)
	for range 200 {
		q := trunkPose(r)
		need := Need{Strength: 0.5 + r.Float64(), Trunk: space.Vec{X: 80 * r.NormFloat64(), Y: 30 * r.NormFloat64(), Z: 120 * r.NormFloat64()}}
		m.Begin()
		out := m.ShareTrunk(&q, &need)
		sum := out.Left.Trunk
		var once [maxHeads]float64
		for h := range heads {
			sum = r3.Add(sum, out.Trunk[h])
			once[h] = out.Activation[h]
		}
		check.Near(t, "balance", space.Norm(r3.Sub(sum, need.Trunk)), 0, 1e-9*max(1, space.Norm(need.Trunk)))
		check.Near(t, "left over", space.Norm(out.Left.Trunk), 0, 0.06*space.Norm(need.Trunk))
		var other body.Pose
		other.MirrorTrunk(&q)
		mirrored := need
		mirrored.Trunk = space.MirrorSpin(need.Trunk)
		m.Begin()
		for h, a := range m.ShareTrunk(&other, &mirrored).Activation {
			check.Near(t, heads[h].Key+" mirrored", a, once[h], 1e-8)
		}
	}
}

// partsOfTrunk is the part of a need that each part gives.
func partsOfTrunk(q body.Pose, need space.Vec) map[string]float64 {
	b := reference()
	out := New(&b).ShareTrunk(&q, &Need{Trunk: need})
	parts, all := map[string]float64{}, 0.0
	for h := range heads {
		gives := max(0, r3.Dot(out.Trunk[h], r3.Unit(need)))
		parts[Whole(heads[h].Key)] += gives
		all += gives
	}
	for key := range parts {
		parts[key] /= all
	}
	return parts
}

// mostOfTrunk is the largest torque in a direction that the muscles hold with none at more than all it has, N·m: activations go with the
// need.
func mostOfTrunk(need space.Vec) float64 {
	b := reference()
	out := New(&b).ShareTrunk(&body.Pose{}, &Need{Trunk: need})
	return space.Norm(need) / out.Most
}

// Facts of who does what round the waist, and how much it can hold: men held still (McNeill et al. 1980, Spine 5:529, orders of size, from
// memory).
func TestFactsOfTheTrunk(t *testing.T) {
	forward, aside, turned := space.Vec{Z: -60}, space.Vec{X: 60}, space.Vec{Y: 30}
	crunch, bend, back := partsOfTrunk(body.Pose{setup.TrunkFlexion: 0.4}, forward), partsOfTrunk(body.Pose{}, aside),
		partsOfTrunk(body.Pose{setup.TrunkFlexion: 0.4}, r3.Scale(-1, forward))
	turn := partsOfTrunk(body.Pose{}, turned)
	for _, f := range []struct {
		says      string
		x         float64
		low, high float64
	}{
		{"crunch: the abdominals do most (common practice, no source)", crunch["abdominals"], 0.4, 0.75},
		{"crunch: the obliques do the rest (common practice, no source)", crunch["obliques"], 0.25, 0.6},
		{"crunch: nothing of the back helps", crunch["erectors"] + crunch["quadratus"], 0, 1e-9},
		{"side bend: the obliques do most (common practice, no source)", bend["obliques"], 0.4, 0.8},
		{"side bend: quadratus lumborum takes part (common practice, no source)", bend["quadratus"], 0.03, 0.3},
		{"back extension: the erectors nearly alone (common practice, no source)", back["erectors"], 0.85, 1},
		{"turning: the obliques nearly alone (common practice, no source)", turn["obliques"], 0.9, 1},
		{"bending forward holds", mostOfTrunk(forward), 130, 230},
		{"straightening holds", mostOfTrunk(r3.Scale(-1, forward)), 240, 420},
		{"bending aside holds", mostOfTrunk(aside), 120, 230},
		{"turning holds", mostOfTrunk(turned), 50, 130},
	} {
		if !(f.x >= f.low && f.x <= f.high) {
			t.Errorf("%s: %.3g, want %g to %g", f.says, f.x, f.low, f.high)
		}
	}
}

// The side that lifts is the one that shortens: bent to the left, the left flank.
func TestGaugeTakesTheSideThatLifts(t *testing.T) {
	b := reference()
	g := NewGauge(&b, "obliques")
	bent := func(deg float64) *body.Pose { return &body.Pose{setup.TrunkBend: space.Rad(deg)} }
	for _, way := range [][2]float64{{25, -15}, {-25, 15}, {10, -25}} {
		start, end, ok := g.Ends(bent(way[0]), bent(way[1]))
		if !ok || !(start > 1 && end < 1 && start-end > 0.2) {
			t.Errorf("from %g to %g degrees: %.3f to %.3f", way[0], way[1], start, end)
		}
	}
	if _, ok := g.Length(&body.Pose{}); !ok || math.IsNaN(b.Height) {
		t.Error("the obliques have no length")
	}
}
