package muscle

import (
	"slices"
	"strings"
)

// Part is a muscle, or a part of one, as coaches speak of it. Keys go from the whole to the piece with dots between: pectoralis,
// pectoralis.costal; triceps, triceps.long.
type Part struct {
	Key   string
	Label string
	// Weak says why the model's share of this part is not to be relied on; empty when it is as good as the others.
	Weak string
	// TorqueOnly parts are told in N·m, in coarse steps, without a share: how the model splits work among what holds the shoulder blade
	// is not known well enough.
	TorqueOnly bool
}

// Head is the finest piece that is told by itself: one or more lines of the table.
type Head struct {
	Part
	Group int      // among Groups
	lines []string // by their keys; strips have their number behind an underscore
}

const (
	weakCuff  = "The model lets nothing else keep the arm's head in its socket, so the cuff's share is loose."
	weakCalf  = "How much of the calf's force the knee gets hangs on what holds the foot, which the model only guesses."
	weakTrunk = "How the muscles round the waist split the work is known only roughly: they brace together."
	weakBlade = "How the muscles of the shoulder blade split the work is known only roughly: torque in steps of 5 N·m, no share."
)

// group is a part of the table's first rank with its heads.
type group struct {
	Part
	heads []Head
}

func single(key, label, line string) group {
	return group{Part{Key: key, Label: label}, []Head{{Part: Part{Key: key, Label: label}, lines: []string{line}}}}
}

func several(key, label string, heads ...Head) group {
	return group{Part{Key: key, Label: label}, heads}
}

func head(key, label string, lines ...string) Head {
	return Head{Part: Part{Key: key, Label: label}, lines: lines}
}

func (g group) weak(why string) group {
	g.Weak = why
	for i := range g.heads {
		g.heads[i].Weak = why
	}
	return g
}

func (g group) torqueOnly() group {
	g = g.weak(weakBlade)
	g.TorqueOnly = true
	for i := range g.heads {
		g.heads[i].TorqueOnly = true
	}
	return g
}

// groups gathers the table's lines under the names that setups use, and names those that no setup is for.
var groups = numbered([]group{
	several("deltoid.anterior", "Deltoid, front", head("deltoid.anterior.inner", "Front deltoid, inner strip", "delt_ant_1"),
		head("deltoid.anterior.outer", "Front deltoid, outer strip", "delt_ant_2")),
	several("deltoid.middle", "Deltoid, middle", head("deltoid.middle.front", "Middle deltoid, front strip", "delt_mid_1"),
		head("deltoid.middle.centre", "Middle deltoid, centre strip", "delt_mid_2"),
		head("deltoid.middle.back", "Middle deltoid, back strip", "delt_mid_3")),
	several("deltoid.posterior", "Deltoid, rear", head("deltoid.posterior.outer", "Rear deltoid, outer strip", "delt_post_1"),
		head("deltoid.posterior.inner", "Rear deltoid, inner strip", "delt_post_2")),
	single("pectoralis.clavicular", "Chest, upper", "pec_clav"),
	single("pectoralis.sternal", "Chest, middle", "pec_stern"),
	single("pectoralis.costal", "Chest, lower", "pec_cost"),
	single("latissimus.upper", "Latissimus, upper", "lat_up"),
	several("latissimus.lower", "Latissimus, lower", head("latissimus.lower.lumbar", "Latissimus, lumbar fibres", "lat_mid"),
		head("latissimus.lower.iliac", "Latissimus, iliac fibres", "lat_low")),
	single("teres.major", "Teres major", "teres_maj"),
	single("cuff.above", "Supraspinatus", "supra").weak(weakCuff),
	several("cuff.outward", "Outward rotators", head("cuff.outward.infraspinatus", "Infraspinatus", "infra"),
		head("cuff.outward.teresMinor", "Teres minor", "teres_min")).weak(weakCuff),
	single("cuff.inward", "Subscapularis", "subscap").weak(weakCuff),
	single("coracobrachialis", "Coracobrachialis", "coraco"),
	several("biceps", "Biceps", head("biceps.long", "Biceps, long head", "bic_long"), head("biceps.short", "Biceps, short head", "bic_short")),
	single("brachialis", "Brachialis", "brachialis"),
	single("brachioradialis", "Brachioradialis", "brachiorad"),
	several("pronators", "Pronators", head("pronators.teres", "Pronator teres", "pron_teres"),
		head("pronators.quadratus", "Pronator quadratus", "pron_quad")),
	single("supinator", "Supinator", "supinator"),
	several("triceps", "Triceps", head("triceps.long", "Triceps, long head", "tri_long"), head("triceps.lateral", "Triceps, lateral head",
		"tri_lat"), head("triceps.medial", "Triceps, medial head", "tri_med")),
	single("trapezius.upper", "Trapezius, upper", "trap_up"),
	single("trapezius.middle", "Trapezius, middle", "trap_mid").torqueOnly(),
	single("trapezius.lower", "Trapezius, lower", "trap_low"),
	single("rhomboids", "Rhomboids", "rhomb").torqueOnly(),
	single("levator", "Levator scapulae", "levator").torqueOnly(),
	several("serratus", "Serratus anterior", head("serratus.lower", "Serratus, lower", "serratus"),
		head("serratus.upper", "Serratus, upper", "serr_up")).torqueOnly(),
	single("pectoralisMinor", "Pectoralis minor", "pec_minor"),
	several("quadriceps", "Quadriceps", head("quadriceps.rectus", "Rectus femoris", "rectus_fem"), head("quadriceps.vasti", "Vasti", "vasti")),
	several("hamstrings", "Hamstrings", head("hamstrings.long", "Hamstrings that cross the hip", "hams_bi"),
		head("hamstrings.short", "Biceps femoris, short head", "hams_short")),
	single("gluteus.maximus", "Gluteus maximus", "glute_max"),
	single("adductor.magnus", "Adductor magnus", "add_magnus"),
	single("adductor.front", "Adductors, front", "add_front"),
	single("gluteus.medius", "Gluteus medius", "glute_med"),
	single("tensor", "Tensor fasciae latae", "tfl"),
	several("calf.gastrocnemius", "Gastrocnemius", head("calf.gastrocnemius.inner", "Gastrocnemius, medial head", "gastroc_in"),
		head("calf.gastrocnemius.outer", "Gastrocnemius, lateral head", "gastroc_out")).weak(weakCalf),
	single("calf.soleus", "Soleus", "soleus"),
	single("tibialis", "Tibialis anterior", "tib_ant"),
	single("abdominals", "Abdominals", "rectus_abd").weak(weakTrunk),
	several("obliques", "Obliques", head("obliques.external", "External oblique", "oblique_ext"),
		head("obliques.internal", "Internal oblique", "oblique_int")).weak(weakTrunk),
	single("erectors", "Spinal erectors", "erectors"),
	single("quadratus", "Quadratus lumborum", "quad_lumb").weak(weakTrunk),
})

// heads lists the heads of all groups in their order.
var heads = func() []Head {
	var out []Head
	for i := range groups {
		out = append(out, groups[i].heads...)
	}
	return out
}()

func numbered(list []group) []group {
	for i := range list {
		for k := range list[i].heads {
			list[i].heads[k].Group = i
		}
	}
	return list
}

// Groups lists the muscles and parts that reports tell of, in their order.
func Groups() []Part {
	out := make([]Part, len(groups))
	for i := range groups {
		out[i] = groups[i].Part
	}
	return out
}

// Heads lists the finest pieces that reports tell of: each belongs to one group, and a group of one piece is its own head.
func Heads() []Head { return heads }

// Within says whether a part is the named one or a piece of it.
func Within(part, whole string) bool {
	return part == whole || strings.HasPrefix(part, whole+".")
}

// Whole is the muscle that a part counts to when it is asked who does most: all parts of chest, latissimus, cuff, biceps, triceps,
// quadriceps, hamstrings, adductors and calf together, each part of deltoid and trapezius by itself, as coaches speak of them.
func Whole(part string) string {
	first, rest, pieces := strings.Cut(part, ".")
	if !pieces {
		return part
	}
	switch first {
	case "deltoid", "trapezius", "gluteus", "teres":
		second, _, _ := strings.Cut(rest, ".")
		return part[:len(first)+1+len(second)]
	}
	return first
}

// Wholes numbers the whole of each of Groups: groups of one whole have one number, which is that of the first of them.
func Wholes() []int { return wholes }

var wholes = func() []int {
	out := make([]int, len(groups))
	for g := range groups {
		out[g] = slices.IndexFunc(groups, func(other group) bool { return Whole(other.Key) == Whole(groups[g].Key) })
	}
	return out
}()

// InSentence turns a label as lists have it into words of a sentence: "Chest, lower" into "lower chest"; others lose their capital.
func InSentence(label string) string {
	muscle, part, divided := strings.Cut(label, ", ")
	muscle = strings.ToLower(muscle[:1]) + muscle[1:]
	if divided {
		return part + " " + muscle
	}
	return muscle
}

// spoken are the names of wholes in a sentence.
var spoken = map[string]string{"deltoid.anterior": "front deltoid", "deltoid.middle": "middle deltoid", "deltoid.posterior": "rear deltoid",
	"pectoralis": "chest", "latissimus": "latissimus",
	"teres.major": "teres major", "cuff": "rotator cuff", "coracobrachialis": "coracobrachialis", "biceps": "biceps",
	"brachialis": "brachialis", "brachioradialis": "brachioradialis",
	"pronators": "pronators", "supinator": "supinator", "triceps": "triceps", "trapezius.upper": "upper trapezius",
	"trapezius.middle": "middle trapezius", "trapezius.lower": "lower trapezius",
	"rhomboids": "rhomboids", "levator": "levator scapulae", "serratus": "serratus", "pectoralisMinor": "pectoralis minor",
	"quadriceps": "quadriceps", "hamstrings": "hamstrings",
	"gluteus.maximus": "gluteus maximus", "gluteus.medius": "gluteus medius", "adductor": "adductors",
	"tensor": "tensor fasciae latae", "tibialis": "tibialis anterior", "calf": "calf", "abdominals": "abdominals", "obliques": "obliques",
	"erectors": "spinal erectors", "quadratus": "quadratus lumborum"}

// Spoken is what a whole is called in the middle of a sentence; its key when there is no such muscle.
func Spoken(whole string) string {
	if name, ok := spoken[whole]; ok {
		return name
	}
	return whole
}

// headOf is the index of the head that a line of the table belongs to, -1 for none.
func headOf(line string) int {
	for h := range heads {
		for _, k := range heads[h].lines {
			if k == line {
				return h
			}
		}
	}
	return -1
}

// linesIn lists the rows of the table that a part is made of: all strips of a row count as the row.
func linesIn(part string) map[string]bool {
	out := map[string]bool{}
	for h := range heads {
		if !Within(heads[h].Key, part) {
			continue
		}
		for _, k := range heads[h].lines {
			out[k] = true
		}
	}
	return out
}

// Force is the largest force of a head, N: what means over heads are weighted by.
func Force(head int) float64 { return headForces[head] }

var headForces = func() []float64 {
	out := make([]float64, len(heads))
	for i := range regions.Regions {
		r := &regions.Regions[i]
		if h := headOf(r.Key); h >= 0 {
			out[h] += r.Force
		}
		for k := range r.Strips {
			out[headOf(r.Strips[k].key)] += r.Strips[k].Force
		}
	}
	return out
}()
