package catalogue

import (
	"cmp"
	"slices"
	"strings"
	"sync"
	"unicode/utf8"

	"dialarc/core/setup"
)

// Hits are the exercises that a search means.
type Hits struct {
	Keys []string `json:"keys" doc:"The best first."`
	Near bool     `json:"near" doc:"Whether none holds every word, so that these hold only some of them."`
}

// mostNear is how many exercises are told that hold only some of the words.
const mostNear = 6

// Search finds exercises by their names and what else they are called, by muscle, kit and what is said about them. Every word has to be
// found, in any order; a word may be written apart or together, in the plural, and with an error of typing. Where no exercise has all of
// them, those are told that have most.
func Search(text string) Hits {
	wanted := strings.Fields(plain(text))
	out := Hits{Keys: []string{}}
	if len(wanted) == 0 {
		return out
	}
	type hit struct {
		key   string
		found int
		score float64
	}
	var hits []hit
	for _, e := range entries() {
		found, score := e.matches(wanted)
		if found > 0 {
			hits = append(hits, hit{e.key, found, score})
		}
	}
	most := 0
	for _, h := range hits {
		most = max(most, h.found)
	}
	hits = slices.DeleteFunc(hits, func(h hit) bool { return h.found < most })
	slices.SortStableFunc(hits, func(a, b hit) int { return cmp.Compare(b.score, a.score) })
	if out.Near = most < len(wanted); out.Near {
		hits = hits[:min(len(hits), mostNear)]
	}
	for _, h := range hits {
		out.Keys = append(out.Keys, h.key)
	}
	return out
}

// A lifter of middle size, for whom names do not depend on who lifts.
const (
	middleStature = 1.75
	middleMass    = 75
)

// entry is what an exercise is found by.
type entry struct {
	key   string
	names []string // its name and what else it is called
	words []string // of these
	other string   // everything else that is said of it
}

// entries are what all exercises are found by, in the library's order.
var entries = sync.OnceValue(func() []entry {
	var out []entry
	for _, r := range All(&setup.Lifter{Height: middleStature, BodyMass: middleMass}) {
		out = append(out, entryOf(&r))
	}
	return out
})

func entryOf(r *Ready) entry {
	e := entry{key: r.Key, other: plain(strings.Join([]string{r.About, setup.RegionLabel(r.Region), r.Region, strings.Join(r.Needs, " "),
		r.Document.Posture.Kind}, " "))}
	for _, name := range append([]string{r.Name}, r.Synonyms...) {
		e.names = append(e.names, plain(name))
		e.words = append(e.words, strings.Fields(plain(name))...)
	}
	return e
}

// Scores of a word by how it is found (own).
const (
	asWritten = 3.0
	asPart    = 2.5
	mistyped  = 1.5
	beside    = 1.0
	asWhole   = 4.0
	inName    = 2.0
	plainest  = 0.4
	staple    = 0.3
)

// staples are what coaches mean first by one bare word, such as press or squat (common practice, no source).
var staples = []string{"press.bar.flat", "squat.back", "deadlift", "row.hinged", "pulldown.bar", "curl.dumbbell", "raise.dumbbell", "fly.flat",
	"knee.extension", "calf.standing", "press.leg"}

// matches is how many of the words an exercise has, and how well.
func (e *entry) matches(wanted []string) (found int, score float64) {
	together := strings.Join(wanted, "")
	for i, name := range e.names {
		joined := strings.ReplaceAll(name, " ", "")
		if joined == together {
			return len(wanted), asWritten*float64(len(wanted)) + asWhole - 0.01*float64(i)
		}
		if strings.Contains(joined, together) {
			found, score = len(wanted), max(score, asPart*float64(len(wanted))+inName-0.01*float64(i))
		}
	}
	if found == 0 {
		for _, w := range wanted {
			if s := e.word(w); s > 0 {
				found, score = found+1, score+s
			}
		}
	}
	return found, score + e.closeness(wanted)
}

// closeness puts the plainest of exercises that are found alike first: the one whose shortest name with all the words, or whose shortest
// name where none has them as written, has fewest words more; and a staple before others.
func (e *entry) closeness(wanted []string) float64 {
	best, literal := 0.0, false
	for _, name := range e.names {
		holds := holdsAll(name, wanted)
		if near := plainest * min(1, float64(len(wanted))/float64(len(strings.Fields(name)))); holds && !literal {
			best, literal = near, true
		} else if holds == literal {
			best = max(best, near)
		}
	}
	if slices.Contains(staples, e.key) {
		best += staple
	}
	return best
}

// word is how well one word is found.
func (e *entry) word(w string) float64 {
	best := 0.0
	for _, x := range e.words {
		switch {
		case x == w:
			return asWritten
		case len(w) > 2 && strings.Contains(x, w):
			best = max(best, asPart)
		case apartBy(x, w) <= slips(w):
			best = max(best, mistyped)
		}
	}
	if best == 0 && len(w) > 2 && strings.Contains(e.other, w) {
		return beside
	}
	return best
}

// slips is how many errors of typing a word may have: none in a short one.
func slips(w string) int {
	switch n := utf8.RuneCountInString(w); {
	case n < 4:
		return 0
	case n < 8:
		return 1
	}
	return 2
}

// plain writes a text in small letters, without marks, and words in the singular.
func plain(text string) string {
	words := strings.FieldsFunc(strings.ToLower(text), func(r rune) bool { return strings.ContainsRune(" \t-,.;:/()'’", r) })
	for i, w := range words {
		if len(w) > 2 && strings.HasSuffix(w, "s") && !strings.HasSuffix(w, "ss") && w != "triceps" && w != "biceps" {
			words[i] = w[:len(w)-1]
		}
	}
	return strings.Join(words, " ")
}

// apartBy is how many letters have to be put in, left out, changed or swapped with their neighbours to make one word of another (the
// restricted edit distance of Damerau 1964, Commun ACM 7:171-176, from memory).
func apartBy(a, b string) int {
	x, y := []rune(a), []rune(b)
	rows := make([][]int, len(x)+1)
	for i := range rows {
		rows[i] = make([]int, len(y)+1)
		rows[i][0] = i
	}
	for k := range rows[0] {
		rows[0][k] = k
	}
	for i := 1; i <= len(x); i++ {
		for k := 1; k <= len(y); k++ {
			changed := rows[i-1][k-1]
			if x[i-1] != y[k-1] {
				changed++
			}
			rows[i][k] = min(changed, rows[i-1][k]+1, rows[i][k-1]+1)
			if i > 1 && k > 1 && x[i-1] == y[k-2] && x[i-2] == y[k-1] {
				rows[i][k] = min(rows[i][k], rows[i-2][k-2]+1)
			}
		}
	}
	return rows[len(x)][len(y)]
}
