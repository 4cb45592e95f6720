package compare

import (
	"slices"
	"strings"
)

// lettered puts the letters of two setups into a sentence.
func lettered(text, high, low string) string {
	return strings.NewReplacer("{High}", high, "{Low}", low).Replace(text)
}

// listed joins words as in speech: A, B and C.
func listed(words []string) string {
	if n := len(words); n > 1 {
		return strings.Join(words[:n-1], ", ") + " and " + words[n-1]
	}
	return strings.Join(words, "")
}

// grouped joins what each setup is, those alike together: A and C early; B late. Of what is the same for all it is empty.
func grouped(sides []side, word func(s *side) string) string {
	var order []string
	letters := map[string][]string{}
	for i := range sides {
		w := word(&sides[i])
		if !slices.Contains(order, w) {
			order = append(order, w)
		}
		letters[w] = append(letters[w], sides[i].letter)
	}
	if len(order) < 2 {
		return ""
	}
	parts := make([]string, len(order))
	for i, w := range order {
		parts[i] = listed(letters[w]) + " " + w
	}
	return strings.Join(parts, "; ")
}

// sameCoordinate says whether all setups that can be evaluated move the same coordinate.
func sameCoordinate(sides []side) bool {
	names := map[string]bool{}
	for i := range sides {
		if r := sides[i].report; r != nil {
			names[r.Names] = true
		}
	}
	return len(names) < 2
}
