package muscle

import "dialarc/core/space"

// Need is the torque that muscles have to give at every joint that they cross: what holds the outer side against what pulls on it,
// N·m. Of an arm in trunk axes as the right side has it; of a leg as extension.
type Need struct {
	Girdle, Shoulder, Elbow space.Vec
	OnArm                   space.Vec // force of loads and weights on the arm beyond the shoulder, N
	Hip, Knee, Ankle        float64
	Aside                   float64   // abduction of the hip
	Trunk                   space.Vec // what the thorax needs, in the pelvis' axes
	// Strength is that of the lifter over a trained man's of 75 kg at the same stature; 0 counts as 1. The need is shared out as if it were
	// that much smaller, and what comes out is multiplied again: shares do not depend on it, activations do.
	Strength    float64
	GirdleMoves bool // the girdle is what is trained, so that it is off its stop
	HipRests    bool // the thigh lies on something, which takes whatever the hip would have to
	FootStands  bool // the foot stands with the weight ahead of the ankle, so that the calf works anyway
	KneeRests   bool // pads and rollers hold the knee
	AsideCounts bool // the thigh is led sideways
	AnkleCounts bool // the ankle is what is trained, so that its need is shared out too
}

func (n *Need) strength() float64 {
	if n.Strength > 0 {
		return n.Strength
	}
	return 1
}

// Passive is what no muscle gives: joints at their ends, ligaments and ribs. They are cheap, not limited: what they give grows with
// the load.
type Passive struct {
	ElbowStop float64    // near straight, N·m of flexion
	TurnStop  float64    // at either end of the forearm's turn, N·m of pronation
	Collar    float64    // ligaments that hold a low collar bone up, or a raised one down (-), N·m about the axis it rises on
	Blade     [3]float64 // ligaments between collar bone and blade, about the blade's upright, its normal and its spine, N·m
	Ribs      [2]float64 // push of the ribs on the blade's inner upper end and its lower corner, N
}

// LegPull is how hard the muscles of a leg pull across its joints, N: all that cross the hip, the three groups that cross the knee, and all
// that cross the ankle.
type LegPull struct{ Hip, Quadriceps, Hamstrings, Calf, Ankle float64 }

// Answer is who carries a need at one pose. Lists are in the order of Heads; what does not cross the joints has no length (NaN).
type Answer struct {
	Activation []float64              // mean over the head's strands, weighted by force; 1 is all of it
	Length     []float64              // of the fibres over their optimal length, likewise
	About      [crossings][]space.Vec // torque about each joint of the arm, trunk axes, N·m
	Turn       []float64              // torque of pronation, N·m
	Hip, Knee  []float64              // extension, N·m
	Ankle      []float64              // pointing the toes, N·m
	Aside      []float64              // abduction of the hip, N·m
	Trunk      []space.Vec            // torque on the thorax, the pelvis' axes, N·m
	Lever      []space.Vec            // moment about the shoulder at one newton, mean weighted by force, m
	GroupLong  []float64              // length of the fibres in the order of Groups: that of the group's own line where it has strips
	OnHumerus  space.Vec              // all that cross the shoulder together pull on the upper arm, trunk axes, N
	OnForearm  space.Vec              // all that cross the elbow on the forearm
	Legs       LegPull                // what pulls across the joints of a leg
	Largest    int                    // head of the strand with the largest activation
	Most       float64                // that activation
	Passive    Passive
	Left       Need // what nothing gives
}

// Shoulder, Elbow and Girdle are the torques of the heads about these joints, trunk axes, N·m.
func (a *Answer) Shoulder() []space.Vec { return a.About[atShoulder] }

// Elbow is the torque of each head about the elbow, trunk axes, N·m.
func (a *Answer) Elbow() []space.Vec { return a.About[atElbow] }

// Girdle is the torque of each head about the inner end of the collar bone, trunk axes, N·m.
func (a *Answer) Girdle() []space.Vec { return a.About[atGirdle] }

func (a *Answer) reset() {
	n := len(heads)
	if a.Activation == nil {
		for _, p := range []*[]float64{&a.Activation, &a.Length, &a.Turn, &a.Hip, &a.Knee, &a.Ankle, &a.Aside} {
			*p = make([]float64, n)
		}
		for _, p := range []*[]space.Vec{&a.About[atGirdle], &a.About[atBlade], &a.About[atShoulder], &a.About[atElbow], &a.Lever, &a.Trunk} {
			*p = make([]space.Vec, n)
		}
		a.GroupLong = make([]float64, len(groups))
	}
	for h := range n {
		a.Activation[h], a.Length[h], a.Turn[h], a.Hip[h], a.Knee[h], a.Ankle[h], a.Aside[h] = 0, 0, 0, 0, 0, 0, 0
		for j := range a.About {
			a.About[j][h] = space.Vec{}
		}
		a.Lever[h], a.Trunk[h] = space.Vec{}, space.Vec{}
	}
	a.OnHumerus, a.OnForearm, a.Legs, a.Largest, a.Most, a.Passive, a.Left = space.Vec{}, space.Vec{}, LegPull{}, 0, 0, Passive{}, Need{}
}
