package report

// Worse says whether one tone of a verdict is worse than another; no verdict is as good as a good one.
func Worse(a, b string) bool { return toneOrder[a] > toneOrder[b] }

var toneOrder = map[string]int{"warning": 1, "error": 2}

// Tones are those of verdicts by their key, the worst where there are several.
func Tones(verdicts []Verdict) map[string]string {
	tones := make(map[string]string, len(verdicts))
	for _, v := range verdicts {
		if before, ok := tones[v.Key]; !ok || Worse(v.Tone, before) {
			tones[v.Key] = v.Tone
		}
	}
	return tones
}
