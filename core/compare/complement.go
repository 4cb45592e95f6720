package compare

import (
	"cmp"
	"slices"
	"strings"

	"dialarc/core/muscle"
)

// Set is a pair or triple of setups that do more together than each of them alone.
type Set struct {
	Letters  []string `json:"letters"`
	Coverage float64  `json:"coverage" doc:"How much of the target's lengths and of its muscle's regions is worked hard by one of them, 0 to 1."`
	Alone    float64  `json:"alone" doc:"The same of the best of them alone."`
	Why      string   `json:"why" doc:"What each is there for, in words."`
}

const (
	sets       = 3    // pairs that are told (own)
	sameMuscle = 0.3  // weight of the muscle's other regions beside the target's lengths (own)
	gains      = 0.05 // what a set has to gain over the best of it alone to be told (own)
	better     = 0.1  // by how much a setup has to work a third harder than the others of its set to be there for it (own)
)

// role is what one setup can be there for: how hard it works the target in each third of the lengths, and the other regions of the
// same muscle.
type role struct {
	letter string
	thirds [3]float64
	others []float64
}

// complements looks through all pairs and triples. Coverage is the mean over the thirds of the target's lengths of the hardest that
// any setup of the set works it there, and, where its muscle has other regions, these with a smaller weight (own).
func complements(sides []side) ([]Set, string) {
	none := []Set{}
	if len(sides) < 2 {
		return none, "It takes two setups that can be evaluated."
	}
	target := sides[0].doc.Target.Region
	roles, others, wide := rolesOf(sides, target)
	if len(roles) < 2 {
		return none, "Two setups have to work " + regionLabel(target) + ", whose lengths the model has to know."
	}
	var pairs, triples []Set
	for i := range roles {
		for j := range i {
			pairs = appendSet(pairs, []role{roles[j], roles[i]}, others, wide)
			for k := range j {
				triples = appendSet(triples, []role{roles[k], roles[j], roles[i]}, others, wide)
			}
		}
	}
	best := func(list []Set, most int) []Set {
		slices.SortStableFunc(list, func(a, b Set) int { return cmp.Compare(b.Coverage, a.Coverage) })
		return list[:min(most, len(list))]
	}
	out := best(pairs, sets)
	for _, t := range best(triples, 1) {
		// A triple is worth a third setup only where it does more than the best pair.
		if len(out) == 0 || t.Coverage >= out[0].Coverage+gains {
			out = append(out, t)
		}
	}
	if len(out) == 0 {
		return none, "No two of them do clearly more together than one on its own."
	}
	return out, ""
}

// rolesOf gives the role of every setup that works the target, the labels of the other regions of its muscle, and whether the
// target's lengths differ enough to tell its thirds apart.
func rolesOf(sides []side, target string) (roles []role, others []string, wide bool) {
	w := none
	family, _, _ := strings.Cut(target, ".")
	var keys []string
	for i := range sides {
		r := serves(sides[i].report, target)
		if r == nil {
			continue
		}
		w = w.with(r)
		for _, r := range sides[i].report.Muscles.Regions {
			if of, _, _ := strings.Cut(r.Key, "."); of == family && r.Key != target && !slices.Contains(keys, r.Key) {
				keys, others = append(keys, r.Key), append(others, r.Label)
			}
		}
	}
	for i := range sides {
		report := sides[i].report
		r := serves(report, target)
		if r == nil {
			continue
		}
		role := role{letter: sides[i].letter, thirds: reach(report, r, w)}
		for _, key := range keys {
			hardest := 0.0
			if o := regionOf(report, key); o != nil && busiest(report) > 0 {
				hardest = hardestFirm(report, o) / busiest(report)
			}
			role.others = append(role.others, hardest)
		}
		roles = append(roles, role)
	}
	return roles, others, w.wide()
}

func appendSet(list []Set, roles []role, others []string, wide bool) []Set {
	s := Set{Coverage: coverage(roles, wide)}
	for i := range roles {
		s.Letters = append(s.Letters, roles[i].letter)
		s.Alone = max(s.Alone, coverage(roles[i:i+1], wide))
	}
	if s.Coverage < s.Alone+gains {
		return list
	}
	s.Why = why(roles, others, wide)
	return append(list, s)
}

// coverage is how much is worked hard by one of some setups.
func coverage(roles []role, wide bool) float64 {
	hardest := func(of func(r *role) float64) float64 {
		top := 0.0
		for i := range roles {
			top = max(top, of(&roles[i]))
		}
		return top
	}
	lengths, regions := 0.0, 0.0
	if wide {
		for k := range 3 {
			lengths += hardest(func(r *role) float64 { return r.thirds[k] }) / 3
		}
	} else {
		lengths = hardest(func(r *role) float64 { return slices.Max(r.thirds[:]) })
	}
	n := len(roles[0].others)
	if n == 0 {
		return lengths
	}
	for k := range n {
		regions += hardest(func(r *role) float64 { return r.others[k] }) / float64(n)
	}
	return (1-sameMuscle)*lengths + sameMuscle*regions
}

// why says what each setup of a set is there for: what it does clearly harder than the others.
func why(roles []role, others []string, wide bool) string {
	var parts []string
	for i := range roles {
		alone := func(of func(r *role) float64) bool {
			for j := range roles {
				if j != i && of(&roles[i]) < of(&roles[j])+better {
					return false
				}
			}
			return true
		}
		var lengths, regions []string
		for k := range 3 {
			if wide && alone(func(r *role) float64 { return r.thirds[k] }) {
				lengths = append(lengths, thirdWords[k])
			}
		}
		for k, label := range others {
			if alone(func(r *role) float64 { return r.others[k] }) {
				regions = append(regions, muscle.InSentence(label))
			}
		}
		var does []string
		if len(lengths) > 0 {
			does = append(does, "works the target "+listed(lengths))
		}
		if len(regions) > 0 {
			does = append(does, "adds the "+listed(regions))
		}
		if len(does) > 0 {
			parts = append(parts, roles[i].letter+" "+listed(does))
		}
	}
	if len(parts) == 0 {
		return "Each does a little more than the others somewhere."
	}
	return strings.Join(parts, "; ") + "."
}
